package wildflourish.files.abc;

import wildflourish.core.music.Fraction;
import wildflourish.core.music.WrittenPitch;

/** Notes as the letters, signs and numbers of ABC, for readers of other formats. */
public final class AbcNotes {
    private AbcNotes() {}

    /** The letter with its octave, without a sign: {@code c'} for C6. */
    public static String letter(WrittenPitch pitch) {
        return VersionWriter.letterText(pitch);
    }

    /** The sign of a note so many semitones sharper, −2 to 2; {@code =} for a natural. */
    public static String sign(int alter) {
        return VersionWriter.accidentalText(alter);
    }

    /** A length as a multiple of the unit; nothing for the unit itself. */
    public static String length(Fraction units) {
        return VersionWriter.lengthText(units);
    }
}
