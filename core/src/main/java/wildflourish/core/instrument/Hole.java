package wildflourish.core.instrument;

/** The state of a tone hole. */
public enum Hole {
    CLOSED('X'),
    OPEN('O'),
    HALF('h');

    private final char sign;

    Hole(char sign) {
        this.sign = sign;
    }

    public char sign() {
        return sign;
    }

    static Hole of(char sign) {
        for (Hole hole : values()) {
            if (hole.sign == sign) {
                return hole;
            }
        }
        throw new IllegalArgumentException("a hole is X, O or h, not " + sign);
    }
}
