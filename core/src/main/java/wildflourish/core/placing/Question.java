package wildflourish.core.placing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.hand.RollBars;
import wildflourish.core.hand.Scene;
import wildflourish.core.instrument.ChartRow;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.instrument.Strings;
import wildflourish.core.ornament.Choice;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Refusal;
import wildflourish.core.ornament.Stack;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/**
 * What fits at a note, asked in words: schools and holds as players write them.
 *
 * @param schools names of schools, each looked up as an ornament's own, then as one of striking, then as one of the hand
 * @param note the number of the note among those that sound, from 1
 */
public record Question(Tune tune, Version version, Profile profile, List<String> schools, int note) {
    public Question {
        schools = List.copyOf(schools);
    }

    /** With schools joined by {@code +}; {@code –} for the first on each axis. Throws IllegalArgumentException for one that nobody knows. */
    public static Question of(Tune tune, Version version, Profile profile, String schools, int note) {
        List<String> names =
                schools.isBlank() || schools.equals("–") ? List.of() : Arrays.asList(schools.split("[+]", -1));
        Playing playing = version.playing();
        List<Layer> layers = new ArrayList<>(version.layers());
        for (String name : names) {
            Optional<Layer> around = around(tune, note, name, names);
            around.ifPresent(layers::add);
            playing = around.isPresent() ? playing : schooled(playing, name);
        }
        return new Question(tune, version.withPlaying(playing).withLayers(layers), profile, names, note);
    }

    /** A situation that is asked for like a school: the bar is rolled, the bar before was rolled forward, another has the tune. */
    private static Optional<Layer> around(Tune tune, int note, String name, List<String> names) {
        int bar = tune.placeOf(sounding(tune, note).id()).bar();
        return switch (name) {
            case "in-roll" -> {
                String roll = names.stream()
                        .flatMap(each -> Layer.Rule.all().stream()
                                .filter(rule -> rule.work() == Layer.Work.ROLL
                                        && RollBars.rollsOf(rule).size() == 1
                                        && RollBars.rollsOf(rule).get(0).id().equals(each))
                                .map(Layer.Rule::id))
                        .findFirst()
                        .orElse("rolls");
                yield Optional.of(new Layer(Layer.Rule.of(roll), barSpan(tune, bar), Passes.EVERY));
            }
            case "after-forward" ->
                bar == 0
                        ? Optional.empty()
                        : Optional.of(new Layer(Layer.Rule.of("roll-f"), barSpan(tune, bar - 1), Passes.EVERY));
            case "backup" -> Optional.of(new Layer(Layer.Rule.of("backup"), barSpan(tune, bar), Passes.EVERY));
            default -> Optional.empty();
        };
    }

    private static Span barSpan(Tune tune, int bar) {
        List<Note> notes = tune.bars().get(bar).notes();
        return new Span(notes.get(0).id(), notes.get(notes.size() - 1).id());
    }

    private static Playing schooled(Playing playing, String name) {
        Instrument instrument = playing.instrument();
        boolean isOwn = Ornament.of(instrument.family()).stream()
                        .anyMatch(each -> each.schools(instrument.family()).contains(name))
                || Layer.Rule.of(instrument.family()).stream().anyMatch(rule -> rule.takes(name));
        Optional<School> strokes = instrument.strokes().stream()
                .filter(each -> each.id().equals(name))
                .findFirst();
        Optional<School> hand = instrument.schools().stream()
                .filter(each -> each.id().equals(name))
                .findFirst();
        if (!isOwn && strokes.isEmpty() && hand.isEmpty()) {
            throw new IllegalArgumentException("“" + name + "” is no way of playing the " + instrument.name()
                    + "; of the hand there are " + names(instrument.schools()) + ", of striking "
                    + names(instrument.strokes()) + "; an ornament's own are told by ornaments --list");
        }
        Playing struck = strokes.map(playing::withStrokes).orElse(playing);
        return hand.isPresent() && strokes.isEmpty() ? struck.withSchool(hand.get()) : struck;
    }

    private static String names(List<School> schools) {
        return String.join(", ", schools.stream().map(School::id).toList());
    }

    /**
     * A version with notes held as told: {@code 4:XXXXOOXX}, several between blanks; on strings {@code D3} for the note asked about; {@code –} for none. Throws
     * IllegalArgumentException for a hold the note has not.
     */
    public static Version held(Tune tune, Version version, String holds, int asked) {
        Version held = version;
        if (holds.isBlank() || holds.equals("–")) {
            return held;
        }
        if (version.playing().instrument().strings().isPresent()) {
            return heldOnStrings(tune, version, holds.trim(), asked);
        }
        if (version.playing().instrument().buttons().isPresent()) {
            return heldOnButtons(tune, version, holds.trim(), asked);
        }
        for (String hold : holds.trim().split("[ ,]+", -1)) {
            String[] halves = hold.split(":", 2);
            if (halves.length < 2 || !halves[0].matches("\\d+")) {
                throw new IllegalArgumentException(
                        "“" + hold + "” is no hold; write the number of the note and its holes, such as 4:XXXXOOXX");
            }
            Note note = sounding(tune, Integer.parseInt(halves[0]));
            checkHold(version.playing().instrument(), note, halves[1]);
            Spot spot = held.at(note.id()).orElse(Spot.bare(note.id()));
            held = held.with(tune, spot.withPin(halves[1]));
        }
        return held;
    }

    /** A note played by a button as told: {@code i3d}. */
    private static Version heldOnButtons(Tune tune, Version version, String hold, int asked) {
        Note note = sounding(tune, asked);
        List<String> known = HandLines.pins(version.playing().instrument(), note);
        if (!known.contains(hold)) {
            throw new IllegalArgumentException(
                    "“" + hold + "” does not sound note " + asked + "; there are " + String.join(", ", known));
        }
        return version.with(
                tune, version.at(note.id()).orElse(Spot.bare(note.id())).withPin(hold));
    }

    /** Notes from one on held as told: {@code D3}; {@code A.2 A.5} for two by string and fret, what is held beside one after a plus. */
    private static Version heldOnStrings(Tune tune, Version version, String holds, int asked) {
        Instrument instrument = version.playing().instrument();
        boolean isPicked = instrument.strings().orElseThrow().stroke() == Strings.Stroke.PICK;
        Version held = version;
        int number = asked;
        for (String word : holds.split(" +", -1)) {
            if (word.chars().filter(sign -> sign == '+').count() > 1) {
                Note chord = sounding(tune, number);
                held = held.with(
                        tune, held.at(chord.id()).orElse(Spot.bare(chord.id())).withPin(word));
                continue;
            }
            String melody = word.split("[+]", 2)[0];
            String hold = isPicked ? melody.replace(".", "") : melody;
            Note note = sounding(tune, number);
            List<String> known = HandLines.pins(instrument, note);
            if (!known.contains(hold)) {
                throw new IllegalArgumentException("the " + instrument.name() + " does not hold " + note.melody()
                        + " as " + word + "; it has " + String.join(", ", known));
            }
            Spot spot = held.at(note.id()).orElse(Spot.bare(note.id()));
            held = held.with(tune, spot.withPin(hold));
            number++;
        }
        return held;
    }

    private static void checkHold(Instrument instrument, Note note, String holes) {
        List<String> known = instrument.rowOf(note.melody()).map(ChartRow::fingerings).orElse(List.of()).stream()
                .map(Object::toString)
                .toList();
        if (!known.contains(holes)) {
            throw new IllegalArgumentException("the " + instrument.name() + " does not hold " + note.melody() + " as "
                    + holes + "; its chart has " + String.join(", ", known));
        }
    }

    /** The note of a number among those that sound, from 1. Throws IllegalArgumentException where there is none. */
    public static Note sounding(Tune tune, int number) {
        List<Note> notes = tune.notes().stream().filter(note -> !note.isRest()).toList();
        if (number < 1 || number > notes.size()) {
            throw new IllegalArgumentException(
                    "the tune has notes 1 to " + notes.size() + ", there is no note " + number);
        }
        return notes.get(number - 1);
    }

    /** About one thing over so many notes. Throws IllegalArgumentException for an id that nobody knows. */
    public Verdict about(String id, int count) {
        NoteId at = sounding(tune, note).id();
        if (id.equals(Ornament.PLAIN)) {
            return plain(scene(), at);
        }
        Family family = version.playing().instrument().family();
        boolean isOrnaments =
                Ornament.of(family).stream().anyMatch(each -> each.id().equals(id));
        Optional<Layer.Rule> layer = Layer.Rule.all().stream()
                .filter(rule -> rule.id().equals(id) && (rule.families().contains(family) || !isOrnaments))
                .findFirst();
        return layer.isPresent()
                ? about(layer.get(), count)
                : about(
                        scene(),
                        at,
                        new Stack(List.of(choice(
                                Ornament.of(id, version.playing().instrument().family())))),
                        count);
    }

    private Scene scene() {
        return Scene.of(tune, version, profile);
    }

    private Choice choice(Ornament ornament) {
        List<String> own = ornament.schools(version.playing().instrument().family());
        return new Choice(
                ornament, schools.stream().filter(own::contains).findFirst().orElse(""));
    }

    private Verdict about(Scene scene, NoteId at, Stack stack, int count) {
        return WhatFits.verdict(scene, at, count, stack)
                .map(Verdict::of)
                .orElseThrow(() -> new IllegalArgumentException("repeats never reach note " + note));
    }

    private Verdict plain(Scene scene, NoteId at) {
        List<Refusal> refusals = WhatFits.isUnparted(scene, at)
                ? List.of(Refusal.UNPARTED)
                : version.playing().instrument().has(tune.note(at).melody())
                        ? List.of()
                        : List.of(Refusal.NOT_ON_INSTRUMENT);
        return new Verdict(Ornament.PLAIN, 1, Optional.empty(), Optional.empty(), refusals, List.of());
    }

    /** Over so many notes from the one asked about. */
    private Verdict about(Layer.Rule rule, int count) {
        String option = schools.stream().filter(rule::takes).findFirst().orElse("");
        Span span = new Span(
                sounding(tune, note).id(), sounding(tune, note + count - 1).id());
        return Passage.about(scene(), new Layer(rule, option, span, Passes.EVERY));
    }

    /** About one thing over every span that it may have from the note on. */
    public List<Verdict> spans(String id) {
        boolean isOrnament = Ornament.find(id).isPresent();
        if (!isOrnament) {
            return List.of(about(id, 1));
        }
        Stack stack = new Stack(
                List.of(choice(Ornament.of(id, version.playing().instrument().family()))));
        return WhatFits.over(scene(), sounding(tune, note).id(), stack).stream()
                .map(Verdict::of)
                .toList();
    }

    /** About everything the instrument has; over so many notes, or over every span that begins here. */
    public List<Verdict> all(Optional<Integer> count) {
        Scene scene = scene();
        NoteId at = sounding(tune, note).id();
        List<Verdict> verdicts = new ArrayList<>();
        verdicts.add(plain(scene, at));
        for (Ornament ornament : Ornament.of(version.playing().instrument().family())) {
            Stack stack = new Stack(List.of(choice(ornament)));
            if (count.isPresent()) {
                verdicts.add(about(scene, at, stack, count.get()));
            } else {
                WhatFits.over(scene, at, stack).stream().map(Verdict::of).forEach(verdicts::add);
            }
        }
        Layer.Rule.all().forEach(rule -> verdicts.add(about(rule, count.orElse(1))));
        return verdicts;
    }
}
