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

    /** 0 closed, 1 half, 2 open. */
    public int openness() {
        return switch (this) {
            case CLOSED -> 0;
            case HALF -> 1;
            case OPEN -> 2;
        };
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
