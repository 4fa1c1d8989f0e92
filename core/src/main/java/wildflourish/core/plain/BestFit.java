package wildflourish.core.plain;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import wildflourish.core.fingering.FingeringPath;
import wildflourish.core.fingering.LinePath;
import wildflourish.core.fingering.LineWays;
import wildflourish.core.fingering.Struck;
import wildflourish.core.instrument.Breath;
import wildflourish.core.instrument.ChartRow;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.instrument.Hole;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Schools;
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
 * @param lacking notes of the chart's naming that cannot be played: mostly those that the instrument does not have; where there are any it cannot be played
 * @param hard how many notes ask something special, by what it is
 * @param cost a note, by the way the fingers go, or by the cheapest way on strings and buttons; lower is easier. Costs on holes, strings and buttons are not of
 *     one kind and are not compared
 */
public record BestFit(
        Instrument instrument,
        Key fingeredKey,
        int shift,
        Set<FingeredPitch> lacking,
        Map<HardSpot.Kind, Integer> hard,
        double cost) {
    private static final double BREAK_COST = 1.5;
    private static final double CROSS_COST = 0.5;
    /** A half-closed hole beyond what the fingers do: it is hard to find in tune. */
    private static final double HALF_COST = 2.5;

    private static final int OCTAVE = 12;

    /** What a fret of the capo costs: of two places that lie as well the lower one is taken. Our own choice (L). */
    private static final double CAPO_COST = 0.02;

    private static final int HIGHEST_CAPO = 5;

    public BestFit {
        hard = Map.copyOf(hard);
    }

    /** How many notes ask for something. */
    public int count(HardSpot.Kind kind) {
        return hard.getOrDefault(kind, 0);
    }

    public boolean isPlayable() {
        return lacking.isEmpty();
    }

    /** Every instrument of a kind once, in whatever reading it comes first in the tables; strings in every tuning. */
    public static List<Instrument> instruments(Family.Kind kind) {
        Set<String> seen = new HashSet<>();
        List<Instrument> all = new ArrayList<>();
        for (Instrument instrument : Instrument.all()) {
            String voice = instrument.family().isWind()
                    ? instrument.family() + " " + instrument.chartName() + " "
                            + instrument.reading().fingeredToSounding()
                    : instrument.id();
            if (instrument.family().kind() == kind && seen.add(voice)) {
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

    /**
     * How the tune lies on the same instrument in another key, with whatever capo is best there; a capo that was asked for stays on.
     *
     * @param asked the instruments that were asked for
     */
    public BestFit inKey(Tune tune, List<Instrument> asked, int semitones) {
        return of(tune, asked.contains(instrument) ? instrument : instrument.withCapo(0), semitones);
    }

    /** On one instrument, in the octave where it lies best; plucked strings with the capo where it lies best. */
    public static BestFit of(Tune tune, Instrument instrument, int semitones) {
        List<BestFit> all = new ArrayList<>();
        int highest = instrument.takesCapo() && instrument.capo() == 0 ? HIGHEST_CAPO : instrument.capo();
        for (int capo = instrument.capo(); capo <= highest; capo++) {
            all.addAll(octaves(tune, instrument.withCapo(capo), semitones));
        }
        return all.stream()
                .min(Comparator.comparing((BestFit fit) -> fit.lacking.size())
                        .thenComparingDouble(BestFit::cost)
                        .thenComparing(fit -> Math.abs(fit.shift)))
                .orElseThrow();
    }

    /** In those octaves in which it has most of the notes. */
    private static List<BestFit> octaves(Tune tune, Instrument instrument, int semitones) {
        int base = Math.floorMod(semitones - instrument.reading().fingeredToSounding(), OCTAVE);
        List<BestFit> octaves = new ArrayList<>();
        for (int octave = -2; octave <= 2; octave++) {
            int shift = base + OCTAVE * octave;
            octaves.add(new BestFit(
                    instrument, keyOf(tune, instrument, shift), shift, lacking(tune, instrument, shift), Map.of(), 0));
        }
        int least = octaves.stream().mapToInt(fit -> fit.lacking.size()).min().orElseThrow();
        return octaves.stream()
                .filter(fit -> fit.lacking.size() == least)
                .map(fit -> fit.played(tune))
                .toList();
    }

    /** With a capo the shapes are those of a lower key. */
    private static Key keyOf(Tune tune, Instrument instrument, int shift) {
        return tune.keyAt(0).moved(shift - instrument.capo());
    }

    private static Set<FingeredPitch> lacking(Tune tune, Instrument instrument, int shift) {
        Set<FingeredPitch> lacking = new TreeSet<>(Comparator.comparingInt(FingeredPitch::midi));
        tune.notes().stream()
                .filter(note -> !note.isRest())
                .map(note -> new FingeredPitch(note.melody().midi() + shift))
                .filter(pitch -> !instrument.has(pitch))
                .forEach(lacking::add);
        return lacking;
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

    /** With what it costs, where it can be played. */
    private BestFit played(Tune tune) {
        List<Note> sounding =
                tune.notes().stream().filter(note -> !note.isRest()).toList();
        if (!lacking.isEmpty() || sounding.isEmpty()) {
            return this;
        }
        return instrument.family().isWind() ? onHoles(tune, sounding) : inLine(tune);
    }

    private BestFit onHoles(Tune tune, List<Note> sounding) {
        FingeringPath path = FingeringPath.of(
                tune.notes(),
                instrument.family(),
                note -> instrument.rowOf(new FingeredPitch(note.melody().midi() + shift)),
                Map.of());
        BestFit fit = new BestFit(instrument, fingeredKey, shift, lacking, hard(sounding, path), 0);
        double extra = fit.count(HardSpot.Kind.BREAK) * BREAK_COST
                + fit.count(HardSpot.Kind.CROSS) * CROSS_COST
                + fit.count(HardSpot.Kind.HALF) * HALF_COST;
        return new BestFit(instrument, fingeredKey, shift, lacking, fit.hard, (path.cost() + extra) / sounding.size());
    }

    private Map<HardSpot.Kind, Integer> hard(List<Note> notes, FingeringPath path) {
        Map<HardSpot.Kind, Integer> hard = new EnumMap<>(HardSpot.Kind.class);
        Optional<Breath> before = Optional.empty();
        for (Note note : notes) {
            ChartRow row = instrument
                    .rowOf(new FingeredPitch(note.melody().midi() + shift))
                    .orElseThrow();
            Fingering fingering = path.at(note.id()).orElse(row.usual());
            if (fingering.has(Hole.HALF)) {
                hard.merge(HardSpot.Kind.HALF, 1, Integer::sum);
            }
            if (fingering.isCrossed() && instrument.family().hasPlainScale()) {
                hard.merge(HardSpot.Kind.CROSS, 1, Integer::sum);
            }
            if (before.isPresent() && before.get() != row.breath()) {
                hard.merge(HardSpot.Kind.BREAK, 1, Integer::sum);
            }
            before = Optional.of(row.breath());
        }
        return hard;
    }

    /** On strings and buttons, in the first school at the tempo of the session. */
    private BestFit inLine(Tune tune) {
        List<Struck> line = Struck.of(tune, tune.header().usualTempo()).stream()
                .map(struck -> struck.moved(shift))
                .toList();
        LinePath<?> path = LineWays.best(line, instrument, Schools.usual(instrument), tune.metreAt(0));
        Set<FingeredPitch> stopped = new TreeSet<>(Comparator.comparingInt(FingeredPitch::midi));
        path.troubles().stream()
                .filter(trouble -> !trouble.why().leavesMelody())
                .forEach(trouble -> stopped.add(
                        new FingeredPitch(tune.note(trouble.note()).melody().midi() + shift)));
        Map<HardSpot.Kind, Integer> hard = new EnumMap<>(HardSpot.Kind.class);
        LineSpots.of(line, path).values().forEach(kinds -> kinds.forEach(kind -> hard.merge(kind, 1, Integer::sum)));
        double cost = path.cost() / line.size() + instrument.capo() * CAPO_COST;
        return new BestFit(instrument, fingeredKey, shift, stopped, hard, cost);
    }
}
