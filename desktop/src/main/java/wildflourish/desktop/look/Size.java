package wildflourish.desktop.look;

/**
 * How large a score is drawn, in whole pixels to a staff space: so all lines of a staff are alike.
 *
 * @param pixels to a staff space; 0 for the usual width of a page, −1 for the whole tune in sight
 */
public record Size(int pixels) {
    /** A usual page fills the width. */
    public static final Size WIDTH = new Size(0);
    /** The whole tune is in sight, if it can be read then. */
    public static final Size WHOLE = new Size(-1);

    public static final int SMALLEST = 5;
    public static final int LARGEST = 24;

    /** Throws IllegalArgumentException for a size in which nobody can read. */
    public Size {
        if (pixels < -1 || pixels > LARGEST || (pixels > 0 && pixels < SMALLEST)) {
            throw new IllegalArgumentException(
                    "a staff space is drawn with " + SMALLEST + " to " + LARGEST + " pixels, not with " + pixels);
        }
    }

    /** A pixel larger (1) or smaller (−1) than a staff space that is drawn now with so many. */
    public static Size stepped(int pixelsNow, int direction) {
        return new Size(Math.max(SMALLEST, Math.min(LARGEST, pixelsNow + direction)));
    }

    /** So many pixels and no more than can be drawn. */
    public static Size of(int pixels) {
        return stepped(pixels, 0);
    }
}
