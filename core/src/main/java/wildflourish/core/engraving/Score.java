package wildflourish.core.engraving;

import java.util.Optional;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Version;

/**
 * What is to be laid out.
 *
 * @param version whose placements are drawn as signs and whose instrument's fingerings stand below; without one the plain notes are drawn
 * @param shows what goes with the notes
 */
public record Score(Tune tune, Optional<Version> version, Shows shows) {
    /**
     * What goes with the notes.
     *
     * @param heading the title and what is played
     * @param fingerings under which notes the fingering stands
     * @param letters whether the letter of each note stands below it
     * @param signs whether ornaments are drawn as signs, and the teacher's sentences listed
     * @param keyToSigns whether the signs are explained below
     */
    public record Shows(boolean heading, Fingerings fingerings, boolean letters, boolean signs, boolean keyToSigns) {
        public static final Shows BENCH = new Shows(true, Fingerings.ALL, false, true, false);
        public static final Shows PRINT = new Shows(true, Fingerings.ALL, false, true, true);
        public static final Shows PLAIN = new Shows(true, Fingerings.ALL, false, false, false);

        public Shows withoutSigns() {
            return new Shows(heading, fingerings, letters, false, false);
        }

        public Shows withFingerings(Fingerings which) {
            return new Shows(heading, which, letters, signs, keyToSigns);
        }

        public Shows withLetters(boolean shown) {
            return new Shows(heading, fingerings, shown, signs, keyToSigns);
        }
    }

    /** Under which notes the fingering stands: all, the first of each pitch in the tune, none. */
    public enum Fingerings {
        ALL,
        FIRST_OF_EACH,
        NONE
    }
}
