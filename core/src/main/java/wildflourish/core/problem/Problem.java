package wildflourish.core.problem;

/**
 * One thing wrong with a user's text or gesture.
 *
 * @param severity how much it matters
 * @param code a short constant name for it, such as {@code unknown-character}
 * @param place where it stands
 * @param message what is wrong, one sentence
 * @param hint what to do about it, one sentence
 */
public record Problem(Severity severity, String code, Place place, String message, String hint) {
    /** One line: where, what, what to do. */
    @Override
    public String toString() {
        return "line " + place.line() + ", column " + place.column() + ": " + message
                + (place.excerpt().isEmpty() ? "" : " at “" + place.excerpt() + "”") + ". " + hint;
    }
}
