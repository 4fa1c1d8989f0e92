package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.fingering.Demand;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.line.Line;
import wildflourish.core.line.Tone;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Begin;
import wildflourish.core.ornament.Choice;
import wildflourish.core.ornament.Effort;
import wildflourish.core.ornament.Figure;
import wildflourish.core.ornament.Part;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Refusal;
import wildflourish.core.ornament.Share;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Version;

/** What figures and layers ask of both hands on each written note. */
final class Demands {
    private Demands() {}

    /** What the ornaments and layers of a version ask of the hand, note by note, where they are first played; the hand being where the plain tune has it. */
    static Map<NoteId, Demand> of(Tune tune, Version version, Line line, Optional<HandLines> plain) {
        Map<NoteId, Demand> demands =
                new HashMap<>(WrittenSlurs.of(tune, version.playing().instrument()));
        Ways ways = Ways.on(version, plain);
        for (int i = 0; i < line.tones().size(); i++) {
            Tone tone = line.tones().get(i);
            boolean isFirst = line.indexOf(tone.note().id()).equals(Optional.of(i));
            if (tone.placed().isPresent() && isFirst) {
                demands.putAll(ofPlacement(tune, version, tone.placed().get(), line, i, ways));
            }
            if (tone.note().id().isAdded()) {
                demands.put(tone.note().id(), Demand.of(0, Demand.Join.NEW_BOW, Set.of(), Map.of()));
            }
        }
        LayerDemands.add(tune, version, plain, line, demands);
        return demands;
    }

    /** What one placement asks of the hand, note by note, where it begins at a tone of a line; nothing where the instrument lacks one of its notes. */
    static Map<NoteId, Demand> ofPlacement(
            Tune tune, Version version, Placement placement, Line line, int at, Ways ways) {
        int count = line.countOf(at, placement);
        Playing playing = version.playing();
        List<Tone> tones = line.tones().subList(at, at + count);
        if (tones.stream()
                .anyMatch(tone -> tone.isRest() || !playing.instrument().has(tone.melody()))) {
            return Map.of();
        }
        Occasion occasion = Occasion.of(
                tune, version, Profile.usual().times(), line, ways, new Occasion.Asked(at, count, placement.stack()));
        Optional<Figure> figure = playing.schooled(placement.stack())
                .over(playing.instrument().family(), occasion.lengthWholeNotes(), count)
                .figure()
                .map(each -> each.written(tones.stream().map(Tone::length).toList()));
        return figure.map(each -> of(occasion, each)).orElse(Map.of());
    }

    private static Map<NoteId, Demand> of(Occasion occasion, Figure figure) {
        return occasion.playing().instrument().family().isPlucked()
                ? plucked(occasion, figure)
                : bowed(occasion, figure);
    }

    /** What is asked of a note of a placement, of the i-th, from what begins within it. */
    private interface EachNote {
        Demand of(int i, List<Part> within);
    }

    private static Map<NoteId, Demand> each(Occasion occasion, Figure figure, EachNote note) {
        Map<NoteId, Demand> demands = new HashMap<>();
        Fraction begins = Fraction.ZERO;
        for (int i = 0; i < occasion.tones().size(); i++) {
            Tone tone = occasion.tones().get(i);
            Fraction ends = begins.plus(tone.length());
            Demand demand = note.of(i, within(figure, begins, ends, occasion.lengthWholeNotes()));
            demands.put(tone.note().id(), demand.with(extra(occasion, i)));
            begins = ends;
        }
        return demands;
    }

    /** Of picks and banjo hands: the places that will do, what sounds beside them, strokes within a note, notes that are not struck. */
    private static Map<NoteId, Demand> plucked(Occasion occasion, Figure figure) {
        Figure least = figure.unrolled(figure.shake().least());
        PluckGrip grip = new PluckGrip(occasion, least);
        Demand.Apart apart = apart(occasion);
        return each(occasion, least, (i, within) -> {
            boolean isStruck =
                    within.isEmpty() || i == 0 || within.get(0).begin().isNewBow();
            return Demand.of(
                            more(within),
                            isStruck ? Demand.Join.FREE : Demand.Join.SAME_BOW,
                            grip.able(i),
                            grip.seconds(i))
                    .with(i == 0 ? Demand.Apart.NOTHING : apart);
        });
    }

    /** In what the notes of a melodic run differ from each other. */
    private static Demand.Apart apart(Occasion occasion) {
        boolean isRun = occasion.stack().choices().stream()
                .anyMatch(choice -> choice.ornament().speech().refusals().contains(Refusal.ONE_STRING_ONLY));
        boolean isOnOneString = occasion.stack().choices().stream()
                .anyMatch(choice -> occasion.playing().schoolOf(choice).equals("single-string"));
        return !isRun ? Demand.Apart.NOTHING : isOnOneString ? Demand.Apart.FINGER : Demand.Apart.STRING;
    }

    private static Map<NoteId, Demand> bowed(Occasion occasion, Figure figure) {
        BowGrip grip = new BowGrip(occasion, figure.unrolled(figure.shake().least()));
        boolean isNewOnly = occasion.stack().choices().stream()
                .anyMatch(choice -> choice.ornament().speech().refusals().contains(Refusal.NEEDS_NEW_BOW));
        Demand.Join first = isNewOnly ? Demand.Join.NEW_BOW : Demand.Join.FREE;
        return each(
                occasion,
                figure,
                (i, within) -> Demand.of(
                        more(within),
                        i == 0 ? first : joinOf(within),
                        i == 0 ? grip.able() : Set.of(),
                        grip.seconds(i)));
    }

    /** Of the i-th note: the first bears what the ornament costs, the last what a slur after it does. */
    private static Demand.Extra extra(Occasion occasion, int i) {
        boolean isFirst = i == 0;
        boolean isLast = i == occasion.tones().size() - 1;
        double always = 0;
        double onUp = 0;
        double slurAfter = 0;
        for (Choice choice : occasion.stack().choices()) {
            Effort effort = Effort.of(choice.ornament().id());
            always += isFirst ? effort.always() : 0;
            onUp += isFirst ? effort.onUp() : 0;
            slurAfter += isLast ? effort.slurAfter() : 0;
        }
        return new Demand.Extra(always, onUp, slurAfter);
    }

    /** The parts that begin while a written note lasts. */
    private static List<Part> within(Figure figure, Fraction begins, Fraction ends, Fraction whole) {
        List<Part> within = new ArrayList<>();
        Fraction at = Fraction.ZERO;
        boolean isExact = figure.slots().stream().allMatch(slot -> slot.share().kind() == Share.Kind.EXACT);
        if (!isExact) {
            return begins.isZero() ? figure.parts() : within;
        }
        for (Figure.Slot slot : figure.slots()) {
            if (!at.isLessThan(begins) && at.isLessThan(ends)) {
                within.addAll(slot.parts());
            }
            at = at.plus(whole.times(slot.share().part()));
        }
        return within;
    }

    /** A note within which nothing begins anew goes on with the bow before. */
    private static Demand.Join joinOf(List<Part> within) {
        boolean isNew = !within.isEmpty() && within.get(0).begin().isNewBow();
        return isNew ? Demand.Join.NEW_BOW : Demand.Join.SAME_BOW;
    }

    private static int more(List<Part> within) {
        return (int)
                within.stream().skip(1).map(Part::begin).filter(Begin::isNewBow).count();
    }
}
