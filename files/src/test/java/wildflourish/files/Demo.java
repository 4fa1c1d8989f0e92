package wildflourish.files;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Lesson;
import wildflourish.files.abc.BookReader;

/** The plain demo book of nine invented tunes. */
public final class Demo {
    private Demo() {}

    public static String text() {
        try (var in = Demo.class.getResourceAsStream("/books/saltmarsh-lane.abc")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public static List<Tune> tunes() {
        return BookReader.read(text()).value().lessons().stream()
                .map(Lesson::tune)
                .toList();
    }
}
