package wildflourish.core.music;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/**
 * A key: its name and what each step carries.
 *
 * @param name as people say it: {@code D major}, {@code pipe scale}
 * @param fifths sharps (positive) or flats (negative) that the signature shows, −7 to 7
 * @param extra explicit accidentals that the tune adds to or changes in the signature, shown after it
 * @param hidden accidentals that hold but are not shown, as for the nine-note chanter
 */
public record Key(String name, int fifths, Map<Step, Integer> extra, Map<Step, Integer> hidden) {
    private static final Step[] SHARPS = {Step.F, Step.C, Step.G, Step.D, Step.A, Step.E, Step.B};
    /** For each step from C up, how many sharps come before its own: F has 0, B has 6. */
    private static final int[] ORDER = {1, 3, 5, 0, 2, 4, 6};

    public static final Key C_MAJOR = of(Step.C, 0, Mode.MAJOR);

    public Key {
        if (fifths < -7 || fifths > 7) {
            throw new IllegalArgumentException("a signature has at most seven signs: " + fifths);
        }
        extra = Map.copyOf(extra);
        hidden = Map.copyOf(hidden);
    }

    /** The key on a tonic: {@code of(E, 0, DORIAN)} has two sharps. Throws IllegalArgumentException past seven signs. */
    public static Key of(Step tonic, int tonicAlter, Mode mode) {
        int index = Arrays.asList(SHARPS).indexOf(tonic) - 1;
        int fifths = index + 7 * tonicAlter + mode.fifthsFromMajor();
        String name = new WrittenPitch(tonic, tonicAlter, 4).letter() + " " + mode.word();
        return new Key(name, fifths, Map.of(), Map.of());
    }

    /**
     * The key so many semitones higher, mode and all, of the two spellings that with fewer signs. Keys without a tonic, and those with accidentals
     * of their own, come back as they are.
     */
    public Key moved(int semitones) {
        String[] words = name.split(" ", 2);
        if (words.length < 2 || !words[0].matches("[A-G][♯♭]?") || !extra.isEmpty() || !hidden.isEmpty()) {
            return this;
        }
        int tonic =
                "FCGDAEB".indexOf(words[0].charAt(0)) + (words[0].endsWith("♯") ? 7 : words[0].endsWith("♭") ? -7 : 0);
        int signs = Math.floorMod(fifths + 7 * semitones + 5, 12) - 5;
        int place = tonic + signs - fifths;
        int alter = Math.floorDiv(place, 7);
        String sign = alter == 0 ? "" : alter > 0 ? "♯" : "♭";
        return new Key("FCGDAEB".charAt(Math.floorMod(place, 7)) + sign + " " + words[1], signs, extra, hidden);
    }

    /** No signature and no tonic: every step natural. */
    public static Key none() {
        return new Key("no key", 0, Map.of(), Map.of());
    }

    /** Whether it is the scale of a nine-note chanter: the tune was written for such pipes. */
    public boolean isOfPipes() {
        return equals(pipes(true)) || equals(pipes(false));
    }

    /** The nine-note chanter's scale, F and C sharp; with {@code shown} false they hold without a signature ({@code K:HP}). */
    public static Key pipes(boolean shown) {
        return shown
                ? new Key("pipe scale", 2, Map.of(Step.G, 0), Map.of())
                : new Key("pipe scale", 0, Map.of(), Map.of(Step.F, 1, Step.C, 1));
    }

    public Key withExtra(Map<Step, Integer> accidentals) {
        return accidentals.isEmpty() ? this : new Key(name, fifths, accidentals, hidden);
    }

    /** Semitones that a step is altered by when nothing else is written: 1 for F in D major. */
    public int alterOf(Step step) {
        Integer stated = extra.get(step);
        if (stated == null) {
            stated = hidden.get(step);
        }
        if (stated != null) {
            return stated;
        }
        int order = ORDER[step.ordinal()];
        return order < fifths ? 1 : 6 - order < -fifths ? -1 : 0;
    }

    /** Every altered step with its semitones. */
    public Map<Step, Integer> alters() {
        Map<Step, Integer> alters = new EnumMap<>(Step.class);
        for (int i = 0; i < Math.abs(fifths); i++) {
            alters.put(fifths > 0 ? SHARPS[i] : SHARPS[6 - i], fifths > 0 ? 1 : -1);
        }
        alters.putAll(hidden);
        alters.putAll(extra);
        return alters;
    }

    /** The steps of the plain signature in the order they are drawn. */
    public List<Step> signatureSteps() {
        List<Step> steps = new ArrayList<>();
        for (int i = 0; i < Math.abs(fifths); i++) {
            steps.add(fifths > 0 ? SHARPS[i] : SHARPS[6 - i]);
        }
        return List.copyOf(steps);
    }

    /** How a pitch is written: as a note of the scale, or else with a sharp. */
    public WrittenPitch spelled(int midi) {
        WrittenPitch usual = WrittenPitch.ofMidi(midi);
        for (int steps : new int[] {0, 1, -1}) {
            WrittenPitch natural = WrittenPitch.ofStaffStep(usual.staffStep() + steps);
            WrittenPitch inKey = natural.withAlter(alterOf(natural.step()));
            if (inKey.midi() == midi) {
                return inKey;
            }
        }
        return usual;
    }
}
