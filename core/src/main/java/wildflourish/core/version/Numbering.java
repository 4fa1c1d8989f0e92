package wildflourish.core.version;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** Gives versions and plans their numbers in a book. Those that have one keep it; where two have the same, the later gets another. */
final class Numbering {
    private final Set<Integer> taken = new HashSet<>();
    private int highest;

    /** For a book as it stands: nothing new gets a number that occurs in it. */
    Numbering(Book book) {
        highest = highest(book);
    }

    static int highest(Book book) {
        return book.lessons().stream().flatMapToInt(Numbering::numbers).max().orElse(0);
    }

    private static IntStream numbers(Lesson lesson) {
        return IntStream.concat(
                IntStream.of(lesson.tune().header().number()),
                lesson.stairs().stream().flatMapToInt(Numbering::numbers));
    }

    private static IntStream numbers(Stair stair) {
        return Stream.concat(
                        stair.versions().stream().map(version -> version.label().number()),
                        stair.times().map(Times::number).stream())
                .mapToInt(BookNumber::value);
    }

    /** Whether every version of some items has a number, none of them twice. */
    static boolean isDone(List<BookItem> items) {
        Set<Integer> seen = new HashSet<>(Set.of(0));
        return lessons(items).flatMapToInt(Numbering::numbersOfStairs).allMatch(seen::add);
    }

    private static IntStream numbersOfStairs(Lesson lesson) {
        return lesson.stairs().stream().flatMapToInt(Numbering::numbers);
    }

    private static Stream<Lesson> lessons(List<BookItem> items) {
        return items.stream().filter(Lesson.class::isInstance).map(Lesson.class::cast);
    }

    List<BookItem> numbered(List<BookItem> items) {
        lessons(items).forEach(lesson -> {
            taken.add(lesson.tune().header().number());
            highest = Math.max(highest, numbers(lesson).max().orElse(0));
        });
        List<BookItem> numbered = new ArrayList<>();
        for (BookItem item : items) {
            numbered.add(item instanceof Lesson lesson ? numbered(lesson) : item);
        }
        return numbered;
    }

    private Lesson numbered(Lesson lesson) {
        List<Stair> stairs = lesson.stairs().stream().map(this::numbered).toList();
        return new Lesson(lesson.tune(), stairs, lesson.altered(), lesson.kept());
    }

    private Stair numbered(Stair stair) {
        return new Stair(
                stair.stages().stream().map(this::numbered).toList(),
                stair.beside().stream()
                        .map(each -> new Beside(each.kind(), each.source(), each.aim(), numbered(each.version())))
                        .toList(),
                stair.times().map(plan -> plan.withNumber(number(plan.number()))));
    }

    private Version numbered(Version version) {
        return version.with(version.label().withNumber(number(version.label().number())));
    }

    private int number(BookNumber old) {
        if (old.value() > 0 && taken.add(old.value())) {
            return old.value();
        }
        highest++;
        taken.add(highest);
        return highest;
    }
}
