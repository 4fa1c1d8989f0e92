package wildflourish.core.version;

/**
 * What a version is called and what its students are told about it as a whole.
 *
 * @param number in the book
 * @param note what students are told, in the teacher's words; empty for nothing
 * @param passes how often it is to be played through before the next; 0 where nothing is said
 * @param wish what is wished of it when it is planned
 */
public record Label(String name, BookNumber number, String note, int passes, Wish wish) {
    public static final int MOST_PASSES = 99;

    public Label {
        note = note.strip();
        if (passes < 0 || passes > MOST_PASSES) {
            throw new IllegalArgumentException(
                    "a version is played through 1 to " + MOST_PASSES + " times, not " + passes);
        }
    }

    /** A name alone. */
    public static Label of(String name) {
        return new Label(name, BookNumber.NONE, "", 0, Wish.USUAL);
    }

    Label withName(String other) {
        return new Label(other, number, note, passes, wish);
    }

    public Label withNumber(int other) {
        return new Label(name, new BookNumber(other), note, passes, wish);
    }

    /** With other words to students, and another number of times to play it. */
    public Label telling(String newNote, int newPasses) {
        return new Label(name, number, newNote, newPasses, wish);
    }

    public Label wishing(Wish other) {
        return new Label(name, number, note, passes, other);
    }
}
