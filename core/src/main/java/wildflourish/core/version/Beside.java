package wildflourish.core.version;

import java.util.Locale;

/**
 * A version that stands beside a stair and shares only the tune with it: what is placed in it moves nothing in the stair, and the stair nothing in it.
 *
 * @param source what it was made of, for the teacher to read: the name of a version, two with their phrases; empty where it was begun from nothing
 * @param aim how many ornaments are to be left when it has been thinned; 0 where nothing is aimed at
 */
public record Beside(Kind kind, String source, int aim, Version version) {
    /** Why it stands beside the stair. */
    public enum Kind {
        /** Another way to play the tune. */
        FREE,
        /** All that fits, to be studied and thinned, never performed. */
        STUDY,
        /** Simpler than the plain tune, which is the next step from it. */
        BELOW;

        /** As the file says it. */
        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }

        /** Throws IllegalArgumentException, naming those there are. */
        public static Kind parse(String word) {
            for (Kind kind : values()) {
                if (kind.word().equals(word)) {
                    return kind;
                }
            }
            throw new IllegalArgumentException("a version is a stage, free, study or below, not “" + word + "”");
        }
    }

    public Beside {
        source = source.strip().replaceAll("\\s+", " ");
        if (aim < 0) {
            throw new IllegalArgumentException("none or more ornaments can be aimed at, not " + aim);
        }
    }

    public Beside(Kind kind, String source, Version version) {
        this(kind, source, 0, version);
    }

    /** The same with another version. */
    public Beside with(Version other) {
        return other.equals(version) ? this : new Beside(kind, source, aim, other);
    }

    public Beside withAim(int other) {
        return new Beside(kind, source, other, version);
    }
}
