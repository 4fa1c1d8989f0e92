package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import wildflourish.core.fingering.StringWay;
import wildflourish.core.form.Harmony;
import wildflourish.core.instrument.Strings;
import wildflourish.core.line.Line;
import wildflourish.core.line.Tone;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Key;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Layer;

/**
 * A shuffle that rocks over two strings: of eight quavers, each a bow of its own, three keep to the tune, and the open string beside it sounds on the others. A
 * string that would grate is left to the tune; so is a bar with ornaments or other lengths than quavers.
 */
public final class Rocking {
    private static final Fraction QUAVER = Fraction.of(1, 8);
    private static final int QUAVERS = 8;
    /** The quavers on which the tune is heard, counted from 0, by the way of the layer. */
    private static final Map<String, Set<Integer>> ACCENTS =
            Map.of("double", Set.of(0, 3, 6), "double-late", Set.of(2, 5, 7));

    private final Scene scene;
    private final Layer layer;
    private final Tune tune;
    private final Strings strings;

    private Rocking(Scene scene, Layer layer) {
        this.scene = scene;
        this.layer = layer;
        this.tune = scene.tune();
        this.strings = scene.playing().instrument().strings().orElseThrow();
    }

    /** Whether a way of the shuffle rocks. */
    public static boolean isWay(String way) {
        return ACCENTS.containsKey(way);
    }

    static Line apply(Scene scene, Layer layer) {
        return new Rocking(scene, layer).run();
    }

    private Line run() {
        Map<Integer, List<Tone>> bars = new TreeMap<>();
        scene.line()
                .tones()
                .forEach(tone -> bars.computeIfAbsent(tone.place().playedBar(), key -> new ArrayList<>())
                        .add(tone));
        List<Tone> made = new ArrayList<>();
        bars.values().forEach(bar -> made.addAll(isRocked(bar) ? rocked(bar) : bar));
        return scene.line().with(made);
    }

    private boolean isRocked(List<Tone> bar) {
        return bar.size() == QUAVERS
                && bar.stream()
                        .allMatch(tone -> !tone.isRest()
                                && tone.length().equals(QUAVER)
                                && tone.placed().isEmpty()
                                && tone.touch() != Tone.Touch.TIED
                                && layer.covers(tune, tone.note().id())
                                && layer.passes().has(tone.pass()));
    }

    private List<Tone> rocked(List<Tone> bar) {
        Set<Integer> accents = ACCENTS.getOrDefault(layer.way(), Set.of());
        List<Tone> made = new ArrayList<>();
        for (int i = 0; i < bar.size(); i++) {
            Tone tone = bar.get(i);
            Tone accent = bar.get(accentFor(i, accents));
            Optional<WrittenPitch> beside = accents.contains(i) ? Optional.empty() : beside(accent);
            made.add(tone.anew(
                    tone.index(),
                    beside.map(List::of).orElse(tone.pitches()),
                    tone.start(),
                    tone.length(),
                    Optional.empty()));
        }
        return made;
    }

    /** The last accent up to a quaver; before the first of a bar that one. */
    private static int accentFor(int quaver, Set<Integer> accents) {
        return accents.stream()
                .filter(accent -> accent <= quaver)
                .max(Integer::compare)
                .orElseGet(() -> accents.stream().min(Integer::compare).orElse(quaver));
    }

    /** The open string above the one a tone lies on, else the one below, whichever does not grate. */
    private Optional<WrittenPitch> beside(Tone accent) {
        Optional<Strings.Place> place =
                scene.ways().onStrings(accent.note().id()).map(StringWay::place);
        if (place.isEmpty()) {
            return Optional.empty();
        }
        Key key = tune.keyAt(accent.place().played().bar());
        for (int side : new int[] {1, -1}) {
            int string = place.get().string() + side;
            if (string >= 0 && string < strings.open().size()) {
                int midi = scene.playing()
                        .instrument()
                        .reading()
                        .writtenMidi(strings.open().get(string));
                if (!Harmony.grates(midi - accent.melody().midi())) {
                    return Optional.of(key.spelled(midi));
                }
            }
        }
        return Optional.empty();
    }
}
