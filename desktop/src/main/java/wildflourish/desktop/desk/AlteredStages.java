package wildflourish.desktop.desk;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.version.Book;
import wildflourish.core.version.BookItem;
import wildflourish.core.version.Change;
import wildflourish.core.version.Deed;
import wildflourish.core.version.Lesson;
import wildflourish.files.abc.BookReader;
import wildflourish.files.abc.BookWriter;

/** Written-out stages that another program has changed: the teacher chooses. And the whole book as it was before a crash. */
public final class AlteredStages {
    private AlteredStages() {}

    /** The stage stays as it was saved; the changed notes are let go (undo brings them back). */
    public static Outcome takeSaved(Here here, Lesson.Altered altered) {
        Sight sight = here.sight();
        String name = altered.saved().name();
        return Outcome.of(
                Change.of(
                        sight.book(),
                        sight.lessonIndex(),
                        sight.lesson().orElseThrow().without(altered),
                        new Deed(Deed.Kind.TAKE_SAVED, "", name)),
                name + " stays as it was saved");
    }

    /** The changed notes become a tune of their own at the end of the book; the stage stays as it was saved. */
    public static Outcome keepAsTune(Here here, Lesson.Altered altered) {
        Sight sight = here.sight();
        Lesson before = sight.lesson().orElseThrow();
        String name = altered.saved().name();
        int number = sight.book().highestNumber() + 1;
        List<BookItem> after = new ArrayList<>();
        after.add(before.without(altered));
        after.add(new BookItem.Text("\n\n"));
        after.addAll(BookReader.read(BookWriter.asOwnTune(altered.text(), number))
                .value()
                .items());
        return Outcome.of(
                new Change(
                        sight.book().itemOf(sight.lessonIndex()),
                        List.of(before),
                        after,
                        new Deed(Deed.Kind.KEEP_AS_TUNE, "", name)),
                "The changed notes of " + name + " are now tune X:" + number);
    }

    /** The book becomes another state of itself, kept from before a crash; undo takes it away again. */
    public static Outcome recover(Here here, Book recovered) {
        Deed deed = new Deed(Deed.Kind.RECOVER, "", here.stageName());
        return Outcome.of(
                        new Change(0, here.sight().book().items(), recovered.items(), deed),
                        "The changes that were not saved are back")
                .choosing(here.sight().chosen().withNote(Optional.empty()));
    }
}
