package wildflourish.core.line;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.StrokeOrder;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Metre;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Part;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Layer;

/** What each rule of a layer does to the tones of its passage. A tone with an ornament is left to the ornament. */
final class LayerRules {
    /** A gap for breath takes the second half of a note of a crotchet or more. */
    private static final Fraction BREATH_FROM = Fraction.of(1, 4);

    /** Semitones of a sixth; what is wider is a leap that beginners miss. */
    private static final int WIDEST = 9;

    private static final int OCTAVE = 12;
    /** Semitones from an open string up to the fourth finger in the first position. */
    private static final int HAND = 7;

    private static final Fraction QUAVER = Fraction.of(1, 8);

    private final Layer layer;
    private final Tune tune;
    private final List<Tone> made = new ArrayList<>();

    private final Instrument instrument;
    private final List<Tone> before;
    /** By how many octaves a note is moved, as it was decided the first time through: what comes back is the same. */
    private final Map<NoteId, Integer> octaves = new HashMap<>();
    /** Whether a note is passing, as it was decided the first time through. */
    private final Map<NoteId, Boolean> passing = new HashMap<>();

    /** Notes through which a figure holds others, and those that are left out of a bar. */
    private final Set<NoteId> held;

    private LayerRules(Layer layer, Line line, Tune tune, Instrument instrument) {
        this.layer = layer;
        this.held = held(layer, tune);
        this.before = line.tones();
        this.tune = tune;
        this.instrument = instrument;
    }

    private static Set<NoteId> held(Layer layer, Tune tune) {
        return switch (layer.rule().work()) {
            case FIGURE -> FigureNotes.held(tune, layer);
            case HOLD_BEST -> WhatStays.leftOut(tune, layer, Integer.parseInt(layer.way()));
            default -> Set.of();
        };
    }

    static Line apply(Layer layer, Line line, Tune tune, Instrument instrument) {
        LayerRules rules = new LayerRules(layer, line, tune, instrument);
        int coveredUntil = 0;
        for (int i = 0; i < line.tones().size(); i++) {
            Tone tone = line.tones().get(i);
            int at = i;
            coveredUntil = Math.max(
                    coveredUntil,
                    tone.placed().map(each -> at + line.countOf(at, each)).orElse(0));
            boolean isOrnaments = i < coveredUntil;
            if (tone.isRest()
                    || !layer.covers(tune, tone.note().id())
                    || !layer.passes().has(tone.pass())) {
                rules.made.add(tone);
            } else {
                rules.play(tone, i, isOrnaments);
            }
        }
        return new Line(rules.made, line.bars());
    }

    private void play(Tone tone, int index, boolean isOrnaments) {
        switch (layer.rule().work()) {
            case FIGURE -> figure(tone);
            case TONGUE_ALL -> made.add(struck(tone));
            case TONGUE_BEATS -> made.add(isOnBeat(tone) ? struck(tone) : slurred(tone));
            case SLUR -> made.add(slurred(tone));
            case HOLD_BEATS -> hold(tone, !isOnBeat(tone), isOrnaments);
            case HOLD_PASSING ->
                hold(tone, passing.computeIfAbsent(tone.note().id(), note -> isPassing(tone, index)), isOrnaments);
            case HOLD_BEST -> hold(tone, held.contains(tone.note().id()), isOrnaments);
            case NARROW -> {
                int moved = octaves.computeIfAbsent(tone.note().id(), note -> isOrnaments ? 0 : nearer(tone));
                made.add(moved == 0 ? tone : tone.withPitches(byOctave(tone, moved)));
            }
            case ONE_STRING -> onString(tone, isOrnaments);
            case BREATHE -> breathe(tone, isOrnaments);
            case SHUFFLE -> {
                if (layer.isOfPairs()) {
                    made.add(tone);
                } else {
                    shuffle(tone, isOrnaments);
                }
            }
            case OCTAVE_DOWN -> made.add(tone.withPitches(byOctave(tone, -1)));
            default -> made.add(tone);
        }
    }

    private static Tone struck(Tone tone) {
        return tone.touch() == Tone.Touch.TIED ? tone : tone.with(Tone.Touch.STRUCK);
    }

    /** The first of a passage, and what comes after silence, begins as it must. */
    private Tone slurred(Tone tone) {
        boolean isAfterSilence = made.isEmpty() || made.get(made.size() - 1).isRest();
        boolean isEqual = !isAfterSilence
                && made.get(made.size() - 1).note().pitches().equals(tone.note().pitches());
        return tone.touch() == Tone.Touch.TIED || isAfterSilence || isEqual ? tone : tone.with(Tone.Touch.SLURRED);
    }

    private boolean isOnBeat(Tone tone) {
        Metre metre = tune.metreAt(tone.place().played().bar());
        Fraction count = metre.isCompound() ? metre.countLength() : Fraction.of(1, 4);
        return tune.placeOf(tone.note().id()).offset().modulo(count).isZero();
    }

    /** A note through which the figure holds one it has begun is not struck. */
    private void figure(Tone tone) {
        Tone last = made.isEmpty() ? tone : made.get(made.size() - 1);
        boolean isHeld = held.contains(tone.note().id())
                && !made.isEmpty()
                && last.place().playedBar() == tone.place().playedBar();
        if (isHeld) {
            made.set(
                    made.size() - 1,
                    last.withPlace(last.place().withLength(last.length().plus(tone.length()))));
        } else {
            made.add(tone);
        }
    }

    /** What is left out is held by the note before it; there is none where an ornament stands, after a rest and at the beginning of a bar. */
    private void hold(Tone tone, boolean isLeftOut, boolean isOrnaments) {
        Tone last = made.isEmpty() ? tone : made.get(made.size() - 1);
        boolean joins = !made.isEmpty()
                && !isOrnaments
                && !last.isRest()
                && last.placed().isEmpty()
                && isLeftOut
                && last.place().playedBar() == tone.place().playedBar()
                && layer.covers(tune, last.note().id());
        if (joins) {
            made.set(
                    made.size() - 1,
                    last.withPlace(last.place().withLength(last.length().plus(tone.length()))));
        } else {
            made.add(tone);
        }
    }

    /** Whether a note off the beat lies between its neighbours, a step from either. */
    private boolean isPassing(Tone tone, int index) {
        if (index == 0 || index + 1 >= before.size() || isOnBeat(tone)) {
            return false;
        }
        Tone from = before.get(index - 1);
        Tone to = before.get(index + 1);
        if (from.isRest() || to.isRest()) {
            return false;
        }
        int in = tone.melody().staffStep() - from.melody().staffStep();
        int out = to.melody().staffStep() - tone.melody().staffStep();
        return Math.abs(in) == 1 && in == out;
    }

    /** By how many octaves a tone comes nearer to the one before, where the leap from it is wide and the instrument has the note. */
    private int nearer(Tone tone) {
        if (made.isEmpty() || made.get(made.size() - 1).isRest()) {
            return 0;
        }
        int leap = tone.melody().midi() - made.get(made.size() - 1).melody().midi();
        int octave = leap > 0 ? -1 : 1;
        boolean isWide = Math.abs(leap) > WIDEST;
        return isWide && byOctave(tone, octave).stream().allMatch(instrument::has) ? octave : 0;
    }

    private static List<WrittenPitch> byOctave(Tone tone, int octaves) {
        return tone.pitches().stream()
                .map(pitch -> new WrittenPitch(pitch.step(), pitch.alter(), pitch.octave() + octaves))
                .toList();
    }

    // One string

    /** The melody alone where the string has it or its octave; else the note before is held, and where there is none it stays. */
    private void onString(Tone tone, boolean isOrnaments) {
        int open = openString();
        Optional<WrittenPitch> there = IntStream.of(0, -1, 1)
                .mapToObj(octaves -> new WrittenPitch(
                        tone.melody().step(),
                        tone.melody().alter(),
                        tone.melody().octave() + octaves))
                .filter(pitch -> isOnString(pitch, open))
                .findFirst();
        if (there.isPresent() && !isOrnaments) {
            made.add(tone.withPitches(List.of(there.get())));
        } else {
            hold(tone, true, isOrnaments);
        }
    }

    private static boolean isOnString(WrittenPitch pitch, int open) {
        return pitch.midi() >= open && pitch.midi() <= open + HAND;
    }

    /** The string the teacher names, as written; else the one on which most of the passage lies. */
    private int openString() {
        List<Integer> open = instrument.strings().orElseThrow().open().stream()
                .map(instrument.reading()::writtenMidi)
                .toList();
        return open.stream()
                .filter(string -> layer.own()
                        .filter(name -> !name.equals("best"))
                        .filter(name -> Math.floorMod(string, OCTAVE)
                                == Math.floorMod(WrittenPitch.parse(name + "4").midi(), OCTAVE))
                        .isPresent())
                .findFirst()
                .orElseGet(() -> open.stream()
                        .max(Comparator.comparingLong(string -> before.stream()
                                .filter(tone -> !tone.isRest()
                                        && layer.covers(tune, tone.note().id()))
                                .filter(tone -> isOnString(tone.melody(), string))
                                .count()))
                        .orElseThrow());
    }

    /** The second half of a note is given to the breath. */
    private void breathe(Tone tone, boolean isOrnaments) {
        if (isOrnaments || tone.length().isLessThan(BREATH_FROM)) {
            made.add(tone);
            return;
        }
        Fraction half = tone.length().dividedBy(2);
        made.add(tone.withPlace(tone.place().withLength(half)).with(Optional.empty()));
        made.add(tone.silent(tone.start().plus(half), half));
    }

    /** A long note is parted where the order begins a new bow within it; equal notes that the order joins become one. The last note of a part is left whole. */
    private void shuffle(Tone tone, boolean isOrnaments) {
        Optional<StrokeOrder> order = order(tone);
        Fraction offset = tune.placeOf(tone.note().id()).offset();
        boolean isOnGrid =
                offset.modulo(QUAVER).isZero() && tone.length().modulo(QUAVER).isZero();
        if (order.isEmpty() || isOrnaments || !isOnGrid || tone.index() > 0 || endsPart(tone)) {
            made.add(tone);
            return;
        }
        Tone last = made.isEmpty() ? tone : made.get(made.size() - 1);
        boolean joins = !made.isEmpty()
                && isJoined(order.get(), offset)
                && last.placed().isEmpty()
                && last.pitches().equals(tone.pitches())
                && last.place().playedBar() == tone.place().playedBar()
                && layer.covers(tune, last.note().id());
        List<Fraction> begins = new ArrayList<>();
        for (Fraction at = Fraction.ZERO; at.isLessThan(tone.length()); at = at.plus(QUAVER)) {
            boolean isFirst = at.isZero();
            if (isFirst ? !joins : !isJoined(order.get(), offset.plus(at))) {
                begins.add(at);
            }
        }
        if (joins) {
            Fraction until = begins.isEmpty() ? tone.length() : begins.get(0);
            made.set(
                    made.size() - 1,
                    last.withPlace(last.place().withLength(last.length().plus(until))));
        }
        for (int i = 0; i < begins.size(); i++) {
            Fraction end = i + 1 < begins.size() ? begins.get(i + 1) : tone.length();
            made.add(tone.part(joins ? i + 1 : i, tone.start().plus(begins.get(i)), end.minus(begins.get(i))));
        }
    }

    /** The order that is kept to, where it is one for such bars. */
    private Optional<StrokeOrder> order(Tone tone) {
        StrokeOrder order = StrokeOrder.of(layer.way());
        Fraction bar = tune.metreAt(tone.place().played().bar()).barLength();
        return Optional.of(order).filter(each -> QUAVER.times(each.quavers()).equals(bar));
    }

    private static boolean isJoined(StrokeOrder order, Fraction offset) {
        Fraction quaver = offset.dividedBy(QUAVER);
        return order.joined().get((int) (quaver.numerator() % order.quavers()));
    }

    private boolean endsPart(Tone tone) {
        int bar = tone.place().played().bar();
        Part part = tune.form().partAt(bar);
        return tune.bars().subList(part.firstBar(), part.lastBar() + 1).stream()
                .flatMap(each -> each.notes().stream())
                .filter(note -> !note.isRest())
                .reduce((one, other) -> other)
                .filter(tone.note()::equals)
                .isPresent();
    }
}
