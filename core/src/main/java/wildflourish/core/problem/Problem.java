package wildflourish.core.problem;

/**
 * One thing wrong with a user's text or gesture.
 *
 * @param severity how much it matters
 * @param code a short constant name for it, such as {@code unknown-character}
 * @param place where it stands
 * @param message what is wrong, one sentence
 * @param hint what to do about it, one sentence
 * @param tune the tune of the book that it is about, counted from 1; 0 where it is about no one tune
 */
public record Problem(Severity severity, String code, Place place, String message, String hint, int tune) {
    /** About no one tune. */
    public Problem(Severity severity, String code, Place place, String message, String hint) {
        this(severity, code, place, message, hint, 0);
    }

    /** About a tune of the book, counted from 1. */
    public Problem about(int place) {
        return new Problem(severity, code, this.place, message, hint, place);
    }

    /** One line: where, what, what to do. */
    @Override
    public String toString() {
        return "line " + place.line() + ", column " + place.column() + ": " + message
                + (place.excerpt().isEmpty() ? "" : " at “" + place.excerpt() + "”") + ". " + hint;
    }
}
