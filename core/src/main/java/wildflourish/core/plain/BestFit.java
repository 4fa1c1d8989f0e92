package wildflourish.core.plain;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import wildflourish.core.fingering.FingeringPath;
import wildflourish.core.instrument.Breath;
import wildflourish.core.instrument.ChartRow;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.instrument.Hole;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.Key;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;

/**
 * How a tune lies on an instrument when it is to sound in a given key, whatever octave.
 *
 * @param fingeredKey the key as it is fingered, named as on the chart: on a whistle in F what sounds in G minor is fingered in E minor
 * @param shift semitones from the written pitch to the chart's name, octave chosen
 * @param lacking notes of the chart's naming that the instrument does not have; where there are any it cannot be played
 * @param cost a note, by the way the fingers go; lower is easier
 */
public record BestFit(
        Instrument instrument, Key fingeredKey, int shift, Set<FingeredPitch> lacking, Hardness hardness, double cost) {
    private static final double BREAK_COST = 1.5;
    private static final double CROSS_COST = 0.5;
    private static final int OCTAVE = 12;

    /** How many notes ask something special. */
    public record Hardness(int halfHoled, int crossFingered, int breaks) {}

    public boolean isPlayable() {
        return lacking.isEmpty();
    }

    /** Every instrument once, in whatever reading it comes first in the tables. */
    public static List<Instrument> instruments() {
        Set<String> seen = new HashSet<>();
        List<Instrument> all = new ArrayList<>();
        for (Instrument instrument : Instrument.winds()) {
            String voice = instrument.family() + " " + instrument.chartName() + " "
                    + instrument.reading().fingeredToSounding();
            if (seen.add(voice)) {
                all.add(instrument);
            }
        }
        return List.copyOf(all);
    }

    /**
     * The instruments for a tune, best first; those that cannot play it last, those that lack fewest notes before the others.
     *
     * @param semitones from the written key to the one it is to sound in
     */
    public static List<BestFit> of(Tune tune, List<Instrument> instruments, int semitones) {
        return instruments.stream()
                .map(instrument -> of(tune, instrument, semitones))
                .sorted(Comparator.comparing((BestFit fit) -> fit.lacking.size())
                        .thenComparingDouble(BestFit::cost))
                .toList();
    }

    /** On one instrument, in the octave where it lies best. */
    public static BestFit of(Tune tune, Instrument instrument, int semitones) {
        int base = Math.floorMod(semitones - instrument.reading().fingeredToSounding(), OCTAVE);
        List<BestFit> octaves = new ArrayList<>();
        for (int octave = -2; octave <= 2; octave++) {
            octaves.add(at(tune, instrument, base + OCTAVE * octave));
        }
        return octaves.stream()
                .min(Comparator.comparing((BestFit fit) -> fit.lacking.size())
                        .thenComparingDouble(BestFit::cost)
                        .thenComparing(fit -> Math.abs(fit.shift)))
                .orElseThrow();
    }

    /** Semitones up from a written key to one with the tonic asked for, 0 to 11; empty where either has no tonic. */
    public static Optional<Integer> semitones(Key written, Key asked) {
        for (int semitones = 0; semitones < OCTAVE; semitones++) {
            Optional<Integer> tonic = tonic(written.moved(semitones));
            if (tonic.isPresent() && tonic.equals(tonic(asked))) {
                return Optional.of(semitones);
            }
        }
        return Optional.empty();
    }

    private static Optional<Integer> tonic(Key key) {
        String name = key.name().split(" ", 2)[0];
        return name.matches("[A-G][♯♭]?")
                ? Optional.of(Math.floorMod(WrittenPitch.parse(name + "4").midi(), OCTAVE))
                : Optional.empty();
    }

    /** How far to move a recording, −6 to 6 semitones, so that a tune that sounds as written lies best on an instrument; best first. */
    public static List<Moved> recordingMoved(Tune tune, Instrument instrument) {
        List<Moved> all = new ArrayList<>();
        for (int semitones = -6; semitones <= 6; semitones++) {
            all.add(new Moved(semitones, of(tune, instrument, semitones)));
        }
        all.sort(Comparator.comparing((Moved moved) -> moved.fit.lacking.size())
                .thenComparingDouble(moved -> moved.fit.cost)
                .thenComparing(moved -> Math.abs(moved.semitones)));
        return List.copyOf(all);
    }

    /** A recording moved by semitones, and how the tune then lies. */
    public record Moved(int semitones, BestFit fit) {}

    private static BestFit at(Tune tune, Instrument instrument, int shift) {
        Set<FingeredPitch> lacking = new TreeSet<>(Comparator.comparingInt(FingeredPitch::midi));
        List<Note> sounding =
                tune.notes().stream().filter(note -> !note.isRest()).toList();
        sounding.stream()
                .map(note -> new FingeredPitch(note.melody().midi() + shift))
                .filter(pitch -> instrument.rowOf(pitch).isEmpty())
                .forEach(lacking::add);
        Key key = tune.keyAt(0).moved(shift);
        if (!lacking.isEmpty() || sounding.isEmpty()) {
            return new BestFit(instrument, key, shift, lacking, new Hardness(0, 0, 0), 0);
        }
        FingeringPath path = FingeringPath.of(
                tune.notes(),
                instrument.family(),
                note -> instrument.rowOf(new FingeredPitch(note.melody().midi() + shift)),
                Map.of());
        Hardness hardness = hardness(sounding, instrument, shift, path);
        double extra = hardness.breaks * BREAK_COST + hardness.crossFingered * CROSS_COST;
        return new BestFit(instrument, key, shift, lacking, hardness, (path.cost() + extra) / sounding.size());
    }

    private static Hardness hardness(List<Note> notes, Instrument instrument, int shift, FingeringPath path) {
        int half = 0;
        int cross = 0;
        int breaks = 0;
        Optional<Breath> before = Optional.empty();
        for (Note note : notes) {
            ChartRow row = instrument
                    .rowOf(new FingeredPitch(note.melody().midi() + shift))
                    .orElseThrow();
            Fingering fingering = path.at(note.id()).orElse(row.usual());
            half += fingering.has(Hole.HALF) ? 1 : 0;
            cross += fingering.isCrossed() && instrument.family().hasPlainScale() ? 1 : 0;
            breaks += before.isPresent() && before.get() != row.breath() ? 1 : 0;
            before = Optional.of(row.breath());
        }
        return new Hardness(half, cross, breaks);
    }
}
