package wildflourish.core.ornament;

import wildflourish.core.music.Fraction;

/**
 * How much of a span a part takes.
 *
 * @param kind how strictly
 * @param part of the span, for exact and elastic shares; 0 for others
 * @param time the name of the time it takes; empty for others
 */
public record Share(Kind kind, Fraction part, String time) {
    /** How a share is kept. */
    public enum Kind {
        /** Always so much: the parts of an even roll. */
        EXACT,
        /** So much where it holds what it needs; a part that needs more gets it, the others divide what is left. */
        ELASTIC,
        /** The shortest there is. */
        SHORTEST,
        /** As long as the written note that sounds. */
        WRITTEN,
        /** As long as a movement takes that is named in {@code times.table}. */
        TIMED
    }

    public static final Share WHOLE = new Share(Kind.EXACT, Fraction.ONE, "");

    /** Reads {@code 1/3}, {@code 1/4*}, {@code min} or {@code @shake}. */
    static Share parse(String word) {
        if (word.equals("w")) {
            return new Share(Kind.WRITTEN, Fraction.ZERO, "");
        }
        if (word.equals("min")) {
            return new Share(Kind.SHORTEST, Fraction.ZERO, "");
        }
        if (word.startsWith("@")) {
            return new Share(Kind.TIMED, Fraction.ZERO, word.substring(1).replace('-', ' '));
        }
        return word.endsWith("*")
                ? new Share(Kind.ELASTIC, Fraction.parse(word.substring(0, word.length() - 1)), "")
                : new Share(Kind.EXACT, Fraction.parse(word), "");
    }

    /** Exactly so much. */
    static Share exact(Fraction part) {
        return new Share(Kind.EXACT, part, "");
    }

    /** The share of a part that splits this one: what was exact gives way between its pieces. */
    Share times(Share piece) {
        boolean isFixed = piece.kind == Kind.SHORTEST || piece.kind == Kind.TIMED;
        if (isFixed || kind == Kind.SHORTEST || kind == Kind.TIMED) {
            return piece;
        }
        Kind both = kind == Kind.EXACT && piece.kind == Kind.EXACT ? Kind.EXACT : Kind.ELASTIC;
        return new Share(both, part.times(piece.part), "");
    }

    @Override
    public String toString() {
        return switch (kind) {
            case EXACT -> part.toString();
            case ELASTIC -> part + "*";
            case SHORTEST -> "min";
            case WRITTEN -> "w";
            case TIMED -> "@" + time.replace(' ', '-');
        };
    }
}
