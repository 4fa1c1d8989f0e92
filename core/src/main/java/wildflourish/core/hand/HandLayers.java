package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import wildflourish.core.fingering.Rolls;
import wildflourish.core.form.Harmony;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.PickingHand;
import wildflourish.core.instrument.Strings;
import wildflourish.core.instrument.StrokeOrder;
import wildflourish.core.line.Line;
import wildflourish.core.line.Tone;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Key;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Layer;

/** Layers that put other tones in place of whole bars: rolls of the banjo hand, root and chord, picking across strings. */
final class HandLayers {
    private static final Fraction QUAVER = Fraction.of(1, 8);
    private static final Fraction MINIM = Fraction.of(1, 2);
    private static final int OCTAVE = 12;

    private final Scene scene;
    private final Layer layer;
    private final Tune tune;
    private final Instrument instrument;
    private final Strings strings;
    private final List<Tone> made = new ArrayList<>();

    private HandLayers(Scene scene, Layer layer) {
        this.scene = scene;
        this.layer = layer;
        this.tune = scene.tune();
        this.instrument = scene.playing().instrument();
        this.strings = instrument.strings().orElseThrow();
    }

    /** What a layer makes of the line of a scene. */
    static Line apply(Scene scene, Layer layer) {
        return switch (layer.rule().work()) {
            case ROLL, VAMP, CROSS -> new HandLayers(scene, layer).bars();
            case BACKUP, BASS -> scene.line();
            case SHUFFLE -> Rocking.isWay(layer.way()) ? Rocking.apply(scene, layer) : TouchLayers.apply(scene, layer);
            default -> TouchLayers.apply(scene, layer);
        };
    }

    /** The tones of each played bar, in order. */
    private static List<List<Tone>> byBar(Line line) {
        Map<Integer, List<Tone>> bars = new TreeMap<>();
        line.tones()
                .forEach(tone -> bars.computeIfAbsent(tone.place().playedBar(), key -> new ArrayList<>())
                        .add(tone));
        return List.copyOf(bars.values());
    }

    private Line bars() {
        List<List<Tone>> bars = byBar(scene.line());
        int i = 0;
        while (i < bars.size()) {
            int end = i;
            while (end < bars.size() && isCovered(bars.get(end))) {
                end++;
            }
            if (end == i) {
                made.addAll(bars.get(i));
                i++;
            } else {
                passage(bars.subList(i, end));
                i = end;
            }
        }
        return scene.line().with(made);
    }

    private boolean isCovered(List<Tone> bar) {
        return bar.stream()
                        .allMatch(tone -> layer.covers(tune, tone.note().id())
                                && layer.passes().has(tone.pass()))
                && bar.stream().anyMatch(tone -> !tone.isRest());
    }

    private void passage(List<List<Tone>> bars) {
        switch (layer.rule().work()) {
            case ROLL -> rolls(bars);
            case VAMP -> bars.forEach(this::vamp);
            default -> bars.forEach(this::cross);
        }
    }

    private static int barOf(List<Tone> bar) {
        return bar.get(0).place().played().bar();
    }

    // Rolls

    private void rolls(List<List<Tone>> bars) {
        Key key = tune.keyAt(barOf(bars.get(0)));
        Rolls rolls = RollBars.rolls(scene.playing(), scene.times(), key);
        List<StrokeOrder> orders = RollBars.rollsOf(layer.rule());
        List<Rolls.Bar> asked = bars.stream()
                .map(bar -> RollBars.of(tune, barOf(bar), instrument, isBare(bar) ? orders : List.of())
                        .orElse(new Rolls.Bar(Map.of(), List.of(), List.of())))
                .toList();
        boolean leans = layer.rule().id().equals("roll-s");
        List<Rolls.Played> played = leans
                ? asked.stream().map(bar -> leaning(rolls, bar)).toList()
                : rolls.best(asked).bars();
        for (int i = 0; i < bars.size(); i++) {
            if (played.get(i).roll().isEmpty()) {
                made.addAll(bars.get(i));
            } else {
                roll(bars.get(i), played.get(i).picks());
            }
        }
    }

    private static Rolls.Played leaning(Rolls rolls, Rolls.Bar bar) {
        return bar.rolls().isEmpty() || bar.isFull()
                ? new Rolls.Played(Optional.empty(), List.of())
                : rolls.leaning(bar)
                        .map(found -> found.bars().get(0))
                        .orElse(new Rolls.Played(Optional.empty(), List.of()));
    }

    /** A bar with ornaments of its own is left to them, but for those that only dress how a note of the tune begins. */
    private static boolean isBare(List<Tone> bar) {
        return bar.stream()
                .flatMap(tone -> tone.placed().stream())
                .allMatch(each -> each.stack().choices().stream()
                        .allMatch(choice -> choice.ornament().isTouch()));
    }

    /** Eight quavers: notes of the tune keep their own identity, what fills between them has that of the note it follows. */
    private void roll(List<Tone> bar, List<Rolls.Pick> picks) {
        Fraction start = bar.get(0).start();
        List<Tone> tunes = bar.stream()
                .filter(tone -> !tone.isRest() && tone.touch() != Tone.Touch.TIED)
                .toList();
        Tone own = bar.get(0);
        int next = 0;
        int number = 0;
        for (int i = 0; i < picks.size(); i++) {
            Rolls.Pick pick = picks.get(i);
            boolean isNew = pick.isTune() && next < tunes.size();
            own = isNew ? tunes.get(next++) : own;
            number = isNew ? 0 : number + 1;
            Tone.Pick taken = new Tone.Pick(PickingHand.letter(pick.finger()), pick.string(), pick.fret());
            Tone tone =
                    own.anew(number, List.of(written(pick)), start.plus(QUAVER.times(i)), QUAVER, Optional.of(taken));
            made.add(
                    isNew && own.placed().isPresent()
                            ? tone.placing(own.placed().get())
                            : tone);
        }
    }

    private WrittenPitch written(Rolls.Pick pick) {
        return written(pick.string(), pick.fret(), made.isEmpty() ? 0 : barOf(made));
    }

    private WrittenPitch written(int string, int fret, int bar) {
        FingeredPitch fingered = new FingeredPitch(strings.open().get(string).midi() + fret);
        return tune.keyAt(bar).spelled(instrument.reading().writtenMidi(fingered));
    }

    // Root and chord

    /** Root on the beat, the chord after it short, in each minim; a bar that no whole minims fill stays as it is. */
    private void vamp(List<Tone> bar) {
        Tone first = bar.get(0);
        Fraction length = bar.get(bar.size() - 1).end().minus(first.start());
        Optional<Integer> root = Harmony.root(tune, first.note().id());
        if (root.isEmpty() || !length.modulo(MINIM).isZero()) {
            made.addAll(bar);
            return;
        }
        int number = 0;
        for (Fraction at = Fraction.ZERO; at.isLessThan(length); at = at.plus(MINIM)) {
            Fraction start = first.start().plus(at);
            Tone here = toneAt(bar, start);
            List<WrittenPitch> chord = chord(here);
            Fraction half = MINIM.dividedBy(2);
            if (isBanjo()) {
                Strings.Place low =
                        rootPlace(Harmony.root(tune, here.note().id()).orElse(root.get()));
                made.add(here.anew(
                        number++,
                        List.of(written(low.string(), low.semitones(), barOf(bar))),
                        start,
                        half,
                        Optional.of(new Tone.Pick("T", low.string(), low.semitones()))));
            } else {
                made.add(here.anew(number++, List.of(), start, half, Optional.empty()));
            }
            made.add(here.anew(number++, chord, start.plus(half), QUAVER, Optional.of(chordPick())));
            made.add(here.anew(number++, List.of(), start.plus(half).plus(QUAVER), QUAVER, Optional.empty()));
        }
    }

    private boolean isBanjo() {
        return strings.stroke() == Strings.Stroke.BANJO;
    }

    private Tone.Pick chordPick() {
        return new Tone.Pick(isBanjo() ? "T+I+M" : "", -1, -1);
    }

    private static Tone toneAt(List<Tone> bar, Fraction start) {
        Tone last = bar.get(0);
        for (Tone tone : bar) {
            last = tone.start().isMoreThan(start) ? last : tone;
        }
        return last;
    }

    /** The root on the fourth string or the third, whichever lies lower. */
    private Strings.Place rootPlace(int root) {
        Strings.Place best = new Strings.Place(0, OCTAVE, Strings.Stop.OPEN, 0);
        for (int string = 0; string < 2; string++) {
            int open = instrument.reading().writtenMidi(strings.open().get(string));
            int fret = Math.floorMod(root - open, OCTAVE);
            best = fret < best.semitones() ? new Strings.Place(string, fret, Strings.Stop.OPEN, 0) : best;
        }
        return best;
    }

    /** A closed shape of the chord: on each of the strings the lowest stopped fret that has a note of it; on a banjo the three high ones. */
    private List<WrittenPitch> chord(Tone tone) {
        var classes = Harmony.given(tune, tone.note().id()).orElse(Set.of());
        int longOnes = strings.shortFret().isPresent()
                ? strings.open().size() - 1
                : strings.open().size();
        List<WrittenPitch> chord = new ArrayList<>();
        for (int string = isBanjo() ? 1 : 0; string < longOnes; string++) {
            int open = instrument.reading().writtenMidi(strings.open().get(string));
            for (int fret = 1; fret <= 6; fret++) {
                if (classes.contains(Math.floorMod(open + fret, OCTAVE))) {
                    chord.add(written(string, fret, tone.place().played().bar()));
                    break;
                }
            }
        }
        return chord;
    }

    // Across three strings

    /** Eight quavers over the string of the tune and the two beyond it, held in the chord; a bar that has no room for it stays as it is. */
    private void cross(List<Tone> bar) {
        Optional<Crossing> crossing = Crossing.of(scene, barOf(bar));
        if (crossing.isEmpty()) {
            made.addAll(bar);
            return;
        }
        Map<Integer, Note> onsets = RollBars.onsets(tune, barOf(bar));
        Tone own = bar.get(0);
        int number = 0;
        Fraction start = own.start();
        List<Strings.Place> picks = crossing.get().picks();
        for (int quaver = 0; quaver < picks.size(); quaver++) {
            Note note = onsets.get(quaver);
            number = note == null ? number + 1 : 0;
            own = note == null ? own : toneAt(bar, start.plus(QUAVER.times(quaver)));
            Strings.Place place = picks.get(quaver);
            made.add(own.anew(
                    number,
                    List.of(written(place.string(), place.semitones(), barOf(bar))),
                    start.plus(QUAVER.times(quaver)),
                    QUAVER,
                    Optional.of(new Tone.Pick("", place.string(), place.semitones()))));
        }
    }
}
