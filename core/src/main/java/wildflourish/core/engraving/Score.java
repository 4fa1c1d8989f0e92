package wildflourish.core.engraving;

import java.util.Optional;
import wildflourish.core.hand.Scene;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Version;

/**
 * What is to be laid out.
 *
 * @param version whose placements are drawn as signs and whose instrument's fingerings stand below; without one the plain notes are drawn
 * @param shows what goes with the notes
 * @param scene the version as it is played
 * @param profile the student it is for: fingerings are those a beginner keeps to, or those that come easiest
 */
public record Score(Tune tune, Optional<Version> version, Shows shows, Optional<Scene> scene, Profile profile) {
    /** With a scene that is made when the score is laid out. */
    public Score(Tune tune, Optional<Version> version, Shows shows) {
        this(tune, version, shows, Profile.usual());
    }

    /** The same for a student. */
    public Score(Tune tune, Optional<Version> version, Shows shows, Profile profile) {
        this(tune, version, shows, Optional.empty(), profile);
    }

    /** Of a version whose scene stands already. */
    public static Score of(Scene scene, Shows shows) {
        return new Score(scene.tune(), Optional.of(scene.version()), shows, Optional.of(scene), scene.profile());
    }

    /** The same score with the version as it is played, where its ornaments are drawn. */
    Score staged() {
        boolean isStaged = scene.isPresent() || !shows.signs() || version.isEmpty();
        return isStaged ? this : of(Scene.of(tune, version.get(), profile), shows);
    }

    /** The same score of a tune with other marks. */
    Score with(Tune other) {
        return new Score(other, version, shows, scene, profile);
    }

    /**
     * What goes with the notes.
     *
     * @param heading the title and what is played
     * @param fingerings under which notes the fingering stands
     * @param letters whether the letter of each note stands below it
     * @param signs whether ornaments are drawn as signs, and the teacher's sentences listed
     * @param keyToSigns whether the signs are explained below
     * @param second another instrument of the class, whose fingerings stand below the first one's
     */
    public record Shows(
            boolean heading,
            Fingerings fingerings,
            boolean letters,
            boolean signs,
            boolean keyToSigns,
            Optional<Instrument> second) {
        public static final Shows BENCH = new Shows(true, Fingerings.ALL, false, true, false, Optional.empty());
        public static final Shows PRINT = new Shows(true, Fingerings.ALL, false, true, true, Optional.empty());
        public static final Shows PLAIN = new Shows(true, Fingerings.ALL, false, false, false, Optional.empty());

        public Shows withoutSigns() {
            return new Shows(heading, fingerings, letters, false, false, second);
        }

        public Shows withFingerings(Fingerings which) {
            return new Shows(heading, which, letters, signs, keyToSigns, second);
        }

        public Shows withLetters(boolean shown) {
            return new Shows(heading, fingerings, shown, signs, keyToSigns, second);
        }

        public Shows withSecond(Optional<Instrument> instrument) {
            return new Shows(heading, fingerings, letters, signs, keyToSigns, instrument);
        }
    }

    /** Under which notes the fingering stands: all, the first of each pitch in the tune, none. */
    public enum Fingerings {
        ALL,
        FIRST_OF_EACH,
        NONE
    }
}
