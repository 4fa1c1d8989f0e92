package wildflourish.desktop.command;

import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Path;
import java.util.Arrays;
import org.junit.jupiter.api.io.TempDir;

/** Runs the command line within the test, and keeps what it says. */
abstract class CommandLineTest {
    @TempDir
    Path folder;

    final StringWriter out = new StringWriter();
    final StringWriter err = new StringWriter();

    int run(Object... words) {
        out.getBuffer().setLength(0);
        err.getBuffer().setLength(0);
        String[] arguments = Arrays.stream(words).map(String::valueOf).toArray(String[]::new);
        return Flourish.execute(new PrintWriter(out, true), new PrintWriter(err, true), arguments);
    }
}
