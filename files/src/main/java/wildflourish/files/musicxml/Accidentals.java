package wildflourish.files.musicxml;

import org.audiveris.proxymusic.Accidental;
import org.audiveris.proxymusic.AccidentalValue;

/** Signs before notes. */
final class Accidentals {
    private Accidentals() {}

    /** Of a note so many semitones sharper, −2 to 2. */
    static Accidental of(int alter) {
        Accidental accidental = new Accidental();
        accidental.setValue(
                switch (alter) {
                    case -2 -> AccidentalValue.FLAT_FLAT;
                    case -1 -> AccidentalValue.FLAT;
                    case 1 -> AccidentalValue.SHARP;
                    case 2 -> AccidentalValue.DOUBLE_SHARP;
                    default -> AccidentalValue.NATURAL;
                });
        return accidental;
    }
}
