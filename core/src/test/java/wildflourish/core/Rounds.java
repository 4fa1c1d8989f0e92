package wildflourish.core;

/** How many rounds of made-up cases a law is tried on: a sample, or with the property {@code wildflourish.long} all of them. */
public final class Rounds {
    private Rounds() {}

    public static int of(int sample, int all) {
        return Boolean.getBoolean("wildflourish.long") ? all : sample;
    }
}
