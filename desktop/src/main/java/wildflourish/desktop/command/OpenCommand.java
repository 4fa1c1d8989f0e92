package wildflourish.desktop.command;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(name = "open", description = "Opens the window on a tunebook.")
final class OpenCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec = CommandSpec.create();

    @Parameters(paramLabel = "FILE", description = "a tunebook in ABC")
    private Path file = Path.of("");

    @Override
    public Integer call() {
        PrintWriter err = spec.commandLine().getErr();
        BookFile.open(file, err);
        WindowStart.launch(List.of("--book=" + file));
        return Flourish.DONE;
    }
}
