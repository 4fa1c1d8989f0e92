package wildflourish.core.music;

import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A pitch as the tune says it, spelled: ABC {@code D} is D4, middle C is C4. What is fingered for it and what then sounds are other
 * pitches: see {@link FingeredPitch} and {@link SoundingPitch}.
 *
 * @param alter semitones: −2 double flat … 2 double sharp
 * @param octave the octave number of scientific notation; 4 begins at middle C
 */
public record WrittenPitch(Step step, int alter, int octave) {
    private static final Map<Integer, String> SIGNS = Map.of(-2, "♭♭", -1, "♭", 0, "", 1, "♯", 2, "♯♯");
    private static final int[] STEP_OF_SEMITONE = {0, 0, 1, 1, 2, 3, 3, 4, 4, 5, 5, 6};
    private static final int[] SHARP_OF_SEMITONE = {0, 1, 0, 1, 0, 0, 1, 0, 1, 0, 1, 0};

    public WrittenPitch {
        if (alter < -2 || alter > 2 || octave < -2 || octave > 12) {
            throw new IllegalArgumentException(
                    "not a written pitch: " + step + " alter " + alter + " octave " + octave);
        }
    }

    public static WrittenPitch of(Step step, int alter, int octave) {
        return new WrittenPitch(step, alter, octave);
    }

    /** Reads a name such as {@code F♯4}, {@code F#4}, {@code Bb3} or {@code C♮5}. */
    public static WrittenPitch parse(String name) {
        Matcher match =
                Pattern.compile("([A-Ga-g])(##|♯♯|♯|#|♭♭|bb|♭|b|♮|)(-?\\d+)").matcher(name.trim());
        if (!match.matches()) {
            throw new IllegalArgumentException("not the name of a pitch such as F♯4: " + name);
        }
        String sign = match.group(2).replace('#', '♯').replace('b', '♭').replace("♮", "");
        int alter = sign.startsWith("♭") ? -sign.length() : sign.length();
        return of(Step.valueOf(match.group(1).toUpperCase(Locale.ROOT)), alter, Integer.parseInt(match.group(3)));
    }

    /** The spelling with a natural or a sharp of a MIDI number (60 is C4). */
    public static WrittenPitch ofMidi(int midi) {
        int semitone = Math.floorMod(midi, 12);
        return of(Step.values()[STEP_OF_SEMITONE[semitone]], SHARP_OF_SEMITONE[semitone], Math.floorDiv(midi, 12) - 1);
    }

    /** MIDI number of the written pitch: C4 is 60. */
    public int midi() {
        return (octave + 1) * 12 + step.semitonesAboveC() + alter;
    }

    /** Steps above C0, without regard to accidentals: the height on the staff. */
    public int staffStep() {
        return octave * 7 + step.ordinal();
    }

    /** The natural note that many steps above C0. */
    public static WrittenPitch ofStaffStep(int staffStep) {
        return of(Step.values()[Math.floorMod(staffStep, 7)], 0, Math.floorDiv(staffStep, 7));
    }

    public WrittenPitch withAlter(int newAlter) {
        return newAlter == alter ? this : of(step, newAlter, octave);
    }

    /** Letter and sign without the octave: {@code F♯}. */
    public String letter() {
        return step + SIGNS.get(alter);
    }

    @Override
    public String toString() {
        return letter() + octave;
    }
}
