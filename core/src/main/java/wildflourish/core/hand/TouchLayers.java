package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.fingering.StringHold;
import wildflourish.core.form.Phrase;
import wildflourish.core.form.Phrasing;
import wildflourish.core.instrument.Family;
import wildflourish.core.line.Line;
import wildflourish.core.line.Tone;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Choice;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Stack;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Span;

/**
 * Layers that dress note by note along what the former ones have left: repeated and connecting notes, double stops, tremolo and syncopation, blue notes, drones,
 * hooked bows. A note on which the teacher has placed something is left to that.
 */
final class TouchLayers {
    private static final Fraction QUAVER = Fraction.of(1, 8);
    private static final Fraction CROTCHET = Fraction.of(1, 4);
    private static final Fraction MINIM = Fraction.of(1, 2);
    private static final int LEAST_RUN = 4;
    private static final List<String> DOUBLES = List.of("dy-open", "dy-3", "dy-6", "dy-chord");
    private static final Map<String, Choosing> DRONES = Map.of(
            "below", new Choosing("drone-below", ""),
            "above", new Choosing("drone-above", ""),
            "old-time", new Choosing("drone-below", "old-time"));

    private final Scene scene;
    private final Layer layer;
    private final Tune tune;
    private final Family family;
    /** The tones of each note that is played, one after the other. */
    private final List<List<Tone>> groups = new ArrayList<>();

    private int blues;
    /** What is held under the passage on buttons. */
    private final Optional<HeldNote> held;

    /** An ornament in one of its own schools. */
    private record Choosing(String ornament, String school) {}

    private TouchLayers(Scene scene, Layer layer) {
        this.scene = scene;
        this.layer = layer;
        this.tune = scene.tune();
        this.family = scene.playing().instrument().family();
        boolean isHeld = layer.rule().work() == Layer.Work.DRONE
                && scene.playing().instrument().buttons().isPresent();
        this.held = isHeld ? HeldNote.of(scene, layer) : Optional.empty();
        for (Tone tone : scene.line().tones()) {
            boolean goesOn = tone.index() > 0
                    && !groups.isEmpty()
                    && groups.get(groups.size() - 1)
                            .get(0)
                            .note()
                            .id()
                            .equals(tone.note().id());
            if (!goesOn) {
                groups.add(new ArrayList<>());
            }
            groups.get(groups.size() - 1).add(tone);
        }
    }

    static Line apply(Scene scene, Layer layer) {
        return new TouchLayers(scene, layer).run();
    }

    private Line run() {
        List<Tone> made = new ArrayList<>();
        int i = 0;
        while (i < groups.size()) {
            int taken = isFree(i) ? dress(i, made) : 0;
            if (taken == 0) {
                made.addAll(groups.get(i));
                i++;
            } else {
                i += taken;
            }
        }
        return scene.line().with(made);
    }

    private boolean isFree(int group) {
        Tone tone = groups.get(group).get(0);
        return !tone.isRest()
                && scene.version()
                        .at(tone.note().id())
                        .flatMap(spot -> spot.playedOn(tone.pass()))
                        .isEmpty()
                && tone.touch() != Tone.Touch.TIED
                && !isUnderSpan(group)
                && layer.covers(tune, tone.note().id())
                && layer.passes().has(tone.pass());
    }

    /** Whether an ornament on a note before reaches over it. */
    private boolean isUnderSpan(int group) {
        Note note = groups.get(group).get(0).note();
        return scene.version()
                .covering(tune, note.id())
                .filter(spot -> spot.first().isPresent() && !spot.at().equals(note.id()))
                .isPresent();
    }

    /** Adds what becomes of a note, and returns how many it took with it; 0 where it stays as it is. */
    private int dress(int group, List<Tone> made) {
        return switch (layer.rule().work()) {
            case REPEAT -> repeat(group, made);
            case CONNECT -> connect(group, made);
            case DOUBLE -> doubled(group, made);
            case TREMBLE -> trembled(group, made);
            case BLUE -> blue(group, made);
            case DRONE -> drone(group, made);
            case RUN -> run(group, made);
            case OCTAVES -> octave(group, made);
            case STAND_IN -> standIn(group, made);
            case HOOK, SHUFFLE -> pair(group, made, "hook", QUAVER, CROTCHET);
            default -> 0;
        };
    }

    private Fraction lengthOf(int group) {
        Fraction length = Fraction.ZERO;
        for (Tone tone : groups.get(group)) {
            length = length.plus(tone.length());
        }
        return length;
    }

    private boolean isLong(int group) {
        return !lengthOf(group).isLessThan(CROTCHET);
    }

    /** A crotchet or more, the last of a phrase or before a rest. */
    private boolean isResting(int group) {
        Note note = groups.get(group).get(0).note();
        boolean isBeforeRest =
                group + 1 >= groups.size() || groups.get(group + 1).get(0).isRest();
        return isLong(group) && (isBeforeRest || endsPhrase(note));
    }

    private boolean endsPhrase(Note note) {
        int bar = tune.placeOf(note.id()).bar();
        Phrase phrase = Phrasing.of(tune).at(bar);
        return tune.bars().subList(phrase.firstBar(), phrase.lastBar() + 1).stream()
                .flatMap(each -> each.notes().stream())
                .filter(each -> !each.isRest())
                .reduce((one, other) -> other)
                .filter(note::equals)
                .isPresent();
    }

    private boolean isOn(int group, Fraction count) {
        return tune.placeOf(groups.get(group).get(0).note().id())
                .offset()
                .modulo(count)
                .isZero();
    }

    // Quavers

    private int repeat(int group, List<Tone> made) {
        List<Tone> tones = groups.get(group);
        boolean rests =
                isResting(group) && scene.playing().instrument().buttons().isEmpty();
        if (!isLong(group) || rests || tones.size() > 1) {
            return 0;
        }
        Tone tone = tones.get(0);
        int number = 0;
        for (Fraction at = Fraction.ZERO; at.isLessThan(tone.length()); at = at.plus(QUAVER)) {
            made.add(piece(
                    tone, number++, tone.pitches(), at, QUAVER.min(tone.length().minus(at))));
        }
        return 1;
    }

    /** The first piece keeps how the tone begins. */
    private static Tone piece(Tone tone, int number, List<WrittenPitch> pitches, Fraction at, Fraction length) {
        Tone anew = tone.anew(number, pitches, tone.start().plus(at), length, Optional.empty());
        return number == 0 ? anew.with(tone.touch()) : anew;
    }

    /** The note before once more, or the nearest note of the chord below, in place of a quaver off the beat that lies badly. */
    private int standIn(int group, List<Tone> made) {
        Tone tone = groups.get(group).get(0);
        boolean isAsked = lengthOf(group).equals(QUAVER) && !StandIn.isOnBeat(scene, tone.note());
        Optional<WrittenPitch> instead = isAsked
                ? StandIn.of(scene, layer, tone.note())
                        .filter(each ->
                                scene.playing().instrument().has(each) && StandIn.isWorthIt(scene, tone.note(), each))
                : Optional.empty();
        instead.ifPresent(pitch -> made.add(piece(tone, 0, List.of(pitch), Fraction.ZERO, tone.length())));
        return instead.isPresent() ? 1 : 0;
    }

    private int connect(int group, List<Tone> made) {
        Optional<Tone> next = group + 1 < groups.size()
                ? Optional.of(groups.get(group + 1).get(0)).filter(tone -> !tone.isRest())
                : Optional.empty();
        List<Tone> tones = groups.get(group);
        Tone tone = tones.get(0);
        if (!isLong(group) || isResting(group) || next.isEmpty()) {
            return 0;
        }
        int steps = next.get().melody().staffStep() - tone.melody().staffStep();
        Fraction length = lengthOf(group);
        boolean isFourth = Math.abs(steps) == 3 && !length.isLessThan(QUAVER.times(3));
        if (steps != 0 && Math.abs(steps) != 2 && !isFourth) {
            return 0;
        }
        int links = isFourth ? 2 : 1;
        int way = steps == 0 ? 1 : Integer.signum(steps);
        Fraction kept = length.minus(QUAVER.times(links));
        Fraction at = Fraction.ZERO;
        int number = 0;
        for (Tone each : tones) {
            boolean isKept = at.isLessThan(kept);
            if (isKept) {
                made.add(piece(tone, number++, each.pitches(), at, each.length().min(kept.minus(at))));
            }
            at = at.plus(each.length());
        }
        for (int link = 1; link <= links; link++) {
            WrittenPitch pitch = step(tone, way * link);
            made.add(piece(tone, number++, List.of(pitch), kept.plus(QUAVER.times(link - 1)), QUAVER));
        }
        return 1;
    }

    private WrittenPitch step(Tone tone, int steps) {
        WrittenPitch natural = WrittenPitch.ofStaffStep(tone.melody().staffStep() + steps);
        return natural.withAlter(tune.keyAt(tone.place().played().bar()).alterOf(natural.step()));
    }

    // Ornaments

    /** The first kind of double stop that fits without a stretch. */
    private int doubled(int group, List<Tone> made) {
        boolean isOnBeat = isOn(group, tune.header().type().beatLength());
        if (!isLong(group) || (!isOnBeat && !isResting(group))) {
            return 0;
        }
        for (String id : DOUBLES) {
            Stack stack = Stack.of(Ornament.of(id, family));
            boolean fits = attempt(group, stack)
                    .filter(attempt -> !attempt.traits().contains(Trait.STRETCH) && isWhereItLies(group, attempt))
                    .isPresent();
            if (fits) {
                return placed(group, made, stack);
            }
        }
        return 0;
    }

    /** Whether the note is stopped where the hand has it without the double stop. */
    private boolean isWhereItLies(int group, Attempt attempt) {
        NoteId note = groups.get(group).get(0).note().id();
        return scene.ways()
                .onStrings(note)
                .map(way -> StringHold.of(way.place())
                        .name(scene.playing().instrument().strings().orElseThrow()))
                .equals(attempt.hold());
    }

    private int trembled(int group, List<Tone> made) {
        Stack trem = Stack.of(Ornament.of("trem", family));
        if (!lengthOf(group).isLessThan(MINIM) && !isResting(group) && fitsWhole(group, trem)) {
            return whole(group, made, trem);
        }
        int bar = groups.get(group).get(0).place().played().bar();
        boolean isEven = (bar - Phrasing.of(tune).at(bar).firstBar()) % 2 == 1;
        return isEven && isFirstPair(group) ? pair(group, made, "sync", CROTCHET, MINIM) : 0;
    }

    /** Whether it is the first note of its bar that begins a pair of crotchets on a minim beat. */
    private boolean isFirstPair(int group) {
        int before = group - 1;
        while (before >= 0
                && groups.get(before).get(0).place().playedBar()
                        == groups.get(group).get(0).place().playedBar()) {
            if (isPair(before, CROTCHET, MINIM)) {
                return false;
            }
            before--;
        }
        return isPair(group, CROTCHET, MINIM);
    }

    private boolean isPair(int group, Fraction length, Fraction beat) {
        return group + 1 < groups.size()
                && lengthOf(group).equals(length)
                && lengthOf(group + 1).equals(length)
                && isOn(group, beat)
                && groups.get(group).get(0).place().playedBar()
                        == groups.get(group + 1).get(0).place().playedBar();
    }

    /** An ornament over two notes of a length that begin on a beat, each of which is whole and free. */
    private int pair(int group, List<Tone> made, String id, Fraction length, Fraction beat) {
        boolean isTwo = isPair(group, length, beat) && isFree(group + 1);
        if (!isTwo) {
            return 0;
        }
        Tone first = merged(group);
        Tone second = merged(group + 1);
        Stack stack = Stack.of(Ornament.of(id, family));
        List<Tone> tones = replaced(group, 2, List.of(first, second));
        boolean fits = fits(scene.along(scene.line().with(tones)), at(tones, first), 2, stack);
        if (!fits) {
            return 0;
        }
        Span span = new Span(first.note().id(), second.note().id());
        made.add(first.placing(new Placement(stack, span, layer.passes())));
        made.add(second);
        return 2;
    }

    private int blue(int group, List<Tone> made) {
        Ornament blue = Ornament.of("blue", family);
        String school = blues % 2 == 0 ? "above" : "below";
        Stack stack = new Stack(List.of(new Choice(blue, school)));
        if (!isResting(group) || !fitsWhole(group, stack)) {
            return 0;
        }
        blues++;
        return whole(group, made, stack);
    }

    private int drone(int group, List<Tone> made) {
        if (scene.playing().instrument().buttons().isPresent()) {
            Optional<Stack> holding = held.map(HeldNote::stack)
                    .filter(each -> attempt(group, each).isPresent());
            return holding.map(each -> placed(group, made, each)).orElse(0);
        }
        Choosing choosing = DRONES.getOrDefault(layer.way(), new Choosing("drone-below", ""));
        Stack stack = new Stack(List.of(new Choice(Ornament.of(choosing.ornament(), family), choosing.school())));
        return attempt(group, stack).isPresent() ? placed(group, made, stack) : 0;
    }

    private int octave(int group, List<Tone> made) {
        Stack stack = new Stack(List.of(new Choice(Ornament.of("octave", family), layer.way())));
        return attempt(group, stack).isPresent() ? placed(group, made, stack) : 0;
    }

    /** As many quavers of a bar as can be picked each on another string with another finger, four at least. */
    private int run(int group, List<Tone> made) {
        int bar = groups.get(group).get(0).place().playedBar();
        int most = 0;
        while (group + most < groups.size()
                && isFree(group + most)
                && groups.get(group + most).size() == 1
                && lengthOf(group + most).equals(QUAVER)
                && groups.get(group + most).get(0).place().playedBar() == bar) {
            most++;
        }
        Stack stack = Stack.of(Ornament.of("run", family));
        Tone first = groups.get(group).get(0);
        for (int count = most; count >= LEAST_RUN; count--) {
            if (fits(scene, scene.line().tones().indexOf(first), count, stack)) {
                NoteId last = groups.get(group + count - 1).get(0).note().id();
                made.add(
                        first.placing(new Placement(stack, new Span(first.note().id(), last), layer.passes())));
                groups.subList(group + 1, group + count).forEach(made::addAll);
                return count;
            }
        }
        return 0;
    }

    // Trying

    /** What the hand makes of a stack on the first tone of a note; empty where something is against it. */
    private Optional<Attempt> attempt(int group, Stack stack) {
        Tone tone = groups.get(group).get(0);
        return scene.attempt(scene.line().tones().indexOf(tone), 1, stack)
                .filter(attempt -> attempt.hitches().isEmpty()
                        && attempt.made().isPresent()
                        && attempt.tooFast().isEmpty());
    }

    private int placed(int group, List<Tone> made, Stack stack) {
        List<Tone> tones = groups.get(group);
        Span span = Span.of(tones.get(0).note().id());
        made.add(tones.get(0).placing(new Placement(stack, span, layer.passes())));
        made.addAll(tones.subList(1, tones.size()));
        return 1;
    }

    private boolean fitsWhole(int group, Stack stack) {
        Tone whole = merged(group);
        List<Tone> tones = replaced(group, 1, List.of(whole));
        return fits(scene.along(scene.line().with(tones)), at(tones, whole), 1, stack);
    }

    private static boolean fits(Scene tried, int at, int count, Stack stack) {
        return tried.attempt(at, count, stack)
                .filter(attempt -> attempt.hitches().isEmpty()
                        && attempt.made().isPresent()
                        && attempt.tooFast().isEmpty())
                .isPresent();
    }

    private static int at(List<Tone> tones, Tone tone) {
        return tones.indexOf(tone);
    }

    private int whole(int group, List<Tone> made, Stack stack) {
        Tone whole = merged(group);
        made.add(whole.placing(new Placement(stack, Span.of(whole.note().id()), layer.passes())));
        return 1;
    }

    /** The note as one tone again, as it is written. */
    private Tone merged(int group) {
        Tone first = groups.get(group).get(0);
        return first.anew(0, first.note().pitches(), first.start(), lengthOf(group), Optional.empty())
                .with(first.touch());
    }

    private List<Tone> replaced(int group, int count, List<Tone> others) {
        List<Tone> tones = new ArrayList<>();
        groups.subList(0, group).forEach(tones::addAll);
        tones.addAll(others);
        groups.subList(group + count, groups.size()).forEach(tones::addAll);
        return tones;
    }
}
