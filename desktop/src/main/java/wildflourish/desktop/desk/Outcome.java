package wildflourish.desktop.desk;

import java.util.Optional;
import java.util.OptionalInt;
import wildflourish.core.version.Change;
import wildflourish.core.version.Deed;
import wildflourish.core.version.Stair;

/**
 * What a verb comes to.
 *
 * @param change to the book; empty where there is none
 * @param isOpen whether the next change of the same kind joins this one
 * @param chosen what is chosen then; empty where that stays
 * @param lesson the lesson that is chosen then; empty where that stays
 * @param words one line that says what was done, or why nothing was; empty where there is nothing to say
 */
public record Outcome(
        Optional<Change> change, boolean isOpen, Optional<Sight.Chosen> chosen, OptionalInt lesson, String words) {
    /** Nothing but words. */
    public static Outcome said(String words) {
        return new Outcome(Optional.empty(), false, Optional.empty(), OptionalInt.empty(), words);
    }

    /** Nothing at all. */
    public static Outcome nothing() {
        return said("");
    }

    static Outcome chose(Sight.Chosen chosen, String words) {
        return new Outcome(Optional.empty(), false, Optional.of(chosen), OptionalInt.empty(), words);
    }

    static Outcome of(Change change, String words) {
        return new Outcome(Optional.of(change), false, Optional.empty(), OptionalInt.empty(), words);
    }

    /** Another stair for the chosen lesson. */
    static Outcome of(Here here, Stair after, Deed deed, String words) {
        Sight sight = here.sight();
        return sight.lesson()
                .map(lesson -> of(Change.of(sight.book(), sight.lessonIndex(), lesson.with(after), deed), words))
                .orElseGet(() -> said("There is no tune here: open a book, or begin a tune with Ctrl+N."));
    }

    Outcome open() {
        return new Outcome(change, true, chosen, lesson, words);
    }

    Outcome choosing(Sight.Chosen other) {
        return new Outcome(change, isOpen, Optional.of(other), lesson, words);
    }

    Outcome inLesson(int index) {
        return new Outcome(change, isOpen, chosen, OptionalInt.of(index), words);
    }

    Outcome saying(String other) {
        return new Outcome(change, isOpen, chosen, lesson, other);
    }
}
