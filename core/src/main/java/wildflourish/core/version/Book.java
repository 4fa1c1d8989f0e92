package wildflourish.core.version;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A tunebook: lessons and the text between them, in order. */
public record Book(List<BookItem> items) {
    public static final Book EMPTY = new Book(List.of());

    public Book {
        items = List.copyOf(items);
    }

    public List<Lesson> lessons() {
        return items.stream()
                .filter(Lesson.class::isInstance)
                .map(Lesson.class::cast)
                .toList();
    }

    /** The first lesson whose tune has a number. */
    public Optional<Lesson> numbered(int number) {
        return lessons().stream()
                .filter(lesson -> lesson.tune().header().number() == number)
                .findFirst();
    }

    /** Where a lesson stands among the items; throws IllegalArgumentException for one that is not in the book. */
    public int indexOf(Lesson lesson) {
        int index = items.indexOf(lesson);
        if (index < 0) {
            throw new IllegalArgumentException(
                    "the book has no lesson on " + lesson.tune().title());
        }
        return index;
    }

    /** With the items from {@code at} that equal {@code before} replaced by {@code after}. */
    Book with(int at, List<BookItem> before, List<BookItem> after) {
        if (at + before.size() > items.size()
                || !items.subList(at, at + before.size()).equals(before)) {
            throw new IllegalStateException("the change does not fit the book at item " + at);
        }
        List<BookItem> changed = new ArrayList<>(items);
        changed.subList(at, at + before.size()).clear();
        changed.addAll(at, after);
        return new Book(changed);
    }
}
