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
    /** What goes with the notes: the heading with title and words, fingerings, signs, and the key that explains the signs. */
    public record Shows(boolean heading, boolean fingerings, boolean signs, boolean keyToSigns) {
        public static final Shows BENCH = new Shows(true, true, true, false);
        public static final Shows PRINT = new Shows(true, true, true, true);
        public static final Shows PLAIN = new Shows(true, true, false, false);
    }
}
