package wildflourish.desktop.command;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import picocli.CommandLine.Option;
import wildflourish.core.version.Lesson;

/** Which tunes of a book are meant: by X: number, of several with one number by their order, or by place in the book. */
final class TuneChoice {
    private static final Pattern NUMBER = Pattern.compile("(\\d{1,9})(?:\\.(\\d{1,6}))?");

    @Option(
            names = "--tune",
            paramLabel = "X",
            description = "the tune with this X: number; 3.2 is the second of those numbered 3")
    private Optional<String> number = Optional.empty();

    @Option(names = "--nth", paramLabel = "N", description = "the tune at this place of the book, from 1")
    private Optional<Integer> place = Optional.empty();

    boolean isEvery() {
        return number.isEmpty() && place.isEmpty();
    }

    /** The places of the tunes that are meant, from 0: all of them where none is named. */
    List<Integer> of(List<Lesson> lessons, Path file) {
        List<Integer> meant = new ArrayList<>();
        for (int i = 0; i < lessons.size(); i++) {
            if (place.isEmpty() || place.get() == i + 1) {
                meant.add(i);
            }
        }
        if (meant.isEmpty()) {
            throw new UsageException(file + " has tunes 1 to " + lessons.size() + ", none at place " + place.orElse(0));
        }
        if (number.isEmpty()) {
            return meant;
        }
        Matcher asked = NUMBER.matcher(number.get());
        if (!asked.matches()) {
            throw new UsageException("“" + number.get() + "” is no tune; write its X: number, such as 3, or 3.2");
        }
        meant.removeIf(each -> lessons.get(each).tune().header().number() != Integer.parseInt(asked.group(1)));
        if (meant.isEmpty()) {
            throw new UsageException(file + " has no tune X:" + asked.group(1) + "; it has " + numbers(lessons));
        }
        if (asked.group(2) == null) {
            return meant;
        }
        int order = Integer.parseInt(asked.group(2));
        if (order < 1 || order > meant.size()) {
            throw new UsageException(file + " has " + meant.size() + " tunes X:" + asked.group(1) + ", not " + order);
        }
        return List.of(meant.get(order - 1));
    }

    /** The numbers of a book, at most a line of them. */
    private static String numbers(List<Lesson> lessons) {
        int shown = Math.min(20, lessons.size());
        String first = String.join(
                ", ",
                lessons.subList(0, shown).stream()
                        .map(lesson -> String.valueOf(lesson.tune().header().number()))
                        .toList());
        return first + (lessons.size() > shown ? " and " + (lessons.size() - shown) + " more" : "");
    }
}
