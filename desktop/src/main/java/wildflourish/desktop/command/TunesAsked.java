package wildflourish.desktop.command;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Lesson;

/** Which plain tunes a command is about: those of a book, or one of them. */
final class TunesAsked {
    @Parameters(paramLabel = "FILE", description = "a tunebook in ABC")
    private Path file = Path.of("");

    @Mixin
    private TuneChoice choice = new TuneChoice();

    /** Problems of the book go to {@code err}. */
    List<Tune> read(PrintWriter err) {
        return lessons(err).stream().map(Lesson::tune).toList();
    }

    /** The one tune that is meant, with what was made of it. */
    Lesson one(PrintWriter err) {
        List<Lesson> all = lessons(err);
        if (all.size() != 1) {
            throw new UsageException(all.size() + " tunes are meant; name one with --tune");
        }
        return all.get(0);
    }

    /** The same with what was made of them. */
    List<Lesson> lessons(PrintWriter err) {
        return BookFile.lessons(file, choice, err);
    }
}
