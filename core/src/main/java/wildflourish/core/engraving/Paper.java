package wildflourish.core.engraving;

/**
 * What a score is laid out on, in staff spaces.
 *
 * @param height {@link Double#POSITIVE_INFINITY} for a page that grows with its contents, as on a screen
 * @param spaceMillimetres size of a staff space when printed
 */
public record Paper(double width, double height, double margin, double spaceMillimetres) {
    private static final double PRINTED_SPACE = 1.5;

    public static Paper a4() {
        return printed(210, 297);
    }

    /** US Letter. */
    public static Paper letter() {
        return printed(215.9, 279.4);
    }

    private static Paper printed(double widthMillimetres, double heightMillimetres) {
        return new Paper(widthMillimetres / PRINTED_SPACE, heightMillimetres / PRINTED_SPACE, 8, PRINTED_SPACE);
    }

    /** A page as wide as given that grows downward. */
    public static Paper endless(double width) {
        return new Paper(width, Double.POSITIVE_INFINITY, 2.5, PRINTED_SPACE);
    }
}
