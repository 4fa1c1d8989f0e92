package wildflourish.core.engraving;

/**
 * What a score is laid out on, in staff spaces.
 *
 * @param height {@link Double#POSITIVE_INFINITY} for a page that grows with its contents, as on a screen
 * @param spaceMillimetres size of a staff space when printed
 * @param pixels of a screen to a staff space, where staves are to begin with a whole one; 0 on paper
 */
public record Paper(double width, double height, double margin, double spaceMillimetres, double pixels) {
    private static final double PRINTED_SPACE = 1.5;

    /** Real paper. */
    public Paper(double width, double height, double margin, double spaceMillimetres) {
        this(width, height, margin, spaceMillimetres, 0);
    }

    public static Paper a4() {
        return printed(210, 297);
    }

    /** A3: as much as on A4, larger. */
    public static Paper a3() {
        Paper a4 = a4();
        return new Paper(a4.width, a4.height, a4.margin, PRINTED_SPACE * Math.sqrt(2));
    }

    /** US Letter. */
    public static Paper letter() {
        return printed(215.9, 279.4);
    }

    private static Paper printed(double widthMillimetres, double heightMillimetres) {
        return new Paper(widthMillimetres / PRINTED_SPACE, heightMillimetres / PRINTED_SPACE, 8, PRINTED_SPACE);
    }

    /** The same, its longer side across; an endless page as it is. */
    public Paper landscape() {
        return Double.isFinite(height) && height > width
                ? new Paper(height, width, margin, spaceMillimetres, pixels)
                : this;
    }

    /** A page as wide as given that grows downward. */
    public static Paper endless(double width) {
        return new Paper(width, Double.POSITIVE_INFINITY, 2.5, PRINTED_SPACE);
    }

    /** The same for a screen with so many pixels to a staff space: every staff begins with a whole pixel, so that its lines are alike. */
    public Paper onScreen(double pixelsPerSpace) {
        return new Paper(width, height, margin, spaceMillimetres, pixelsPerSpace);
    }

    /** The next place at or below a place, in staff spaces, at which a staff may begin. */
    double whole(double place) {
        return pixels == 0 ? place : Math.ceil(place * pixels - 1e-6) / pixels;
    }
}
