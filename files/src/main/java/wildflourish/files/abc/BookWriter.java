package wildflourish.files.abc;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Beside;
import wildflourish.core.version.Book;
import wildflourish.core.version.BookItem;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;

/** Writes a book as an ABC tunebook: every plain tune as it stood, its versions after it as tunes of their own, all other text unchanged. */
public final class BookWriter {
    private final StringBuilder text = new StringBuilder();
    /** Places in stairs that tunes of their own lay claim to: versions that could not be put back. Nobody else may be numbered so. */
    private final Set<String> taken = new HashSet<>();

    private int nextNumber;

    private BookWriter() {}

    public static String write(Book book) {
        BookWriter writer = new BookWriter();
        book.lessons().forEach(lesson -> writer.taken.addAll(Directives.places(lesson.tune())));
        Book numbered = book.withNumbers();
        writer.nextNumber = numbered.highestNumber() + 1;
        for (BookItem item : numbered.items()) {
            if (item instanceof Lesson lesson) {
                writer.write(lesson);
            } else if (item instanceof BookItem.Text between) {
                writer.text.append(between.text());
            }
        }
        return writer.text.toString();
    }

    /** One version as a tune of its own, without the lines that only this program reads. */
    public static String writeVersion(Tune tune, Version version) {
        return header(tune, tune.header().number(), version.name(), List.of())
                + VersionWriter.body(tune, version)
                + lineEnd(tune);
    }

    /** The plan of a stair as one tune, written out, without the lines that only this program reads. */
    public static String writeWhole(Tune tune, Stair stair) {
        return header(tune, tune.header().number(), "times through", List.of()).replaceAll("(?m)^P:.*\\R", "")
                + TimesText.body(tune, stair, stair.times().orElseThrow())
                + lineEnd(tune);
    }

    private void write(Lesson lesson) {
        Tune tune = lesson.tune();
        text.append(tune.manuscript().text());
        String separator = lineEnd(tune).repeat(2);
        List<Lesson.Altered> overtaken = new ArrayList<>();
        for (int stair = 0; stair < lesson.stairs().size(); stair++) {
            Stair stages = lesson.stairs().get(stair);
            int number = 0;
            for (int stage = 0; stage < stages.versions().size(); stage++) {
                int stairNumber = stair;
                int stageNumber = stage;
                Version version = stages.at(stage);
                var altered = lesson.altered().stream()
                        .filter(each -> each.stair() == stairNumber && each.stage() == stageNumber)
                        .findFirst();
                number = nextPlace(tune, stair, number);
                text.append(separator);
                Optional<String> kept = lesson.keptText(version);
                int own = version.label().number().value();
                if (kept.isPresent()) {
                    text.append(Directives.renumbered(kept.get(), own, stair + 1, number));
                } else if (altered.isPresent() && altered.get().saved().equals(version)) {
                    text.append(Directives.renumbered(altered.get().text(), own, stair + 1, number));
                } else {
                    altered.ifPresent(overtaken::add);
                    text.append(stage(tune, stair, number, version, stages.besideAt(stage)));
                }
            }
            if (stages.times().isPresent()) {
                text.append(separator).append(TimesText.write(tune, stages, stair + 1));
            }
        }
        overtaken.forEach(each -> text.append(separator).append(asOwnTune(each.text(), nextNumber++)));
    }

    /** A changed version as a plain tune with a number of its own: the lines that tie it to its lesson are taken out. */
    public static String asOwnTune(String versionText, int number) {
        return versionText
                .replaceAll("(?m)^" + Directives.MARK + ".*(?:\\R|$)", "")
                .replaceFirst("(?m)^X:.*$", "X:" + number);
    }

    private int nextPlace(Tune tune, int stair, int number) {
        int next = number + 1;
        while (taken.contains(Directives.place(tune.header().number(), stair + 1, next))) {
            next++;
        }
        return next;
    }

    private String stage(Tune tune, int stair, int number, Version version, Optional<Beside> beside) {
        String body = VersionWriter.body(tune, version);
        Directives.Sums sums = new Directives.Sums(Directives.plainSum(tune), Directives.sum(body));
        Directives directives = new Directives(tune.header().number(), stair + 1, number, version, beside, sums);
        return header(tune, version.label().number().value(), version.name(), directives.lines(tune)) + body;
    }

    static String lineEnd(Tune tune) {
        return tune.manuscript().text().contains("\r\n") ? "\r\n" : "\n";
    }

    /** The plain tune's header with another number and the stage in the title, and our own lines right above the key. */
    static String header(Tune tune, int number, String name, List<String> directives) {
        String plain = tune.manuscript().text().substring(0, tune.manuscript().bodyStart());
        StringBuilder header = new StringBuilder();
        boolean hasTitle = false;
        boolean hasKey = false;
        for (String line : plain.split("\\R", 0)) {
            if (line.startsWith("X:")) {
                header.append("X:").append(number);
            } else if (line.startsWith("T:") && !hasTitle) {
                hasTitle = true;
                header.append("T:")
                        .append(line.substring(2).strip())
                        .append(" (")
                        .append(name)
                        .append(')');
            } else {
                if (line.startsWith("K:")) {
                    directives.forEach(each -> header.append(each).append(lineEnd(tune)));
                    hasKey = true;
                }
                header.append(line);
            }
            header.append(lineEnd(tune));
        }
        if (!hasKey) {
            directives.forEach(each -> header.append(each).append(lineEnd(tune)));
            header.append("K:none").append(lineEnd(tune));
        }
        return header.toString();
    }
}
