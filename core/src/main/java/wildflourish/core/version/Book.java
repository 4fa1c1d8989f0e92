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

    /** The highest number of a tune, a version or a plan; 0 where there is none. */
    public int highestNumber() {
        return Numbering.highest(this);
    }

    /** With a number for every version, of which none is there twice. */
    public Book withNumbers() {
        return Numbering.isDone(items) ? this : new Book(new Numbering(this).numbered(items));
    }

    /** Where the lesson with an index, from 0, stands among the items; throws IllegalArgumentException where there are fewer. */
    public int itemOf(int lesson) {
        int passed = 0;
        for (int i = 0; i < items.size(); i++) {
            if (items.get(i) instanceof Lesson && passed++ == lesson) {
                return i;
            }
        }
        throw new IllegalArgumentException("the book has " + passed + " lessons, there is none at index " + lesson);
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
