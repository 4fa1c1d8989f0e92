package wildflourish.desktop.command;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import wildflourish.core.form.Phrasing;
import wildflourish.core.tune.Tune;
import wildflourish.core.words.FormWords;

@Command(
        name = "form",
        description = "Says how each tune is built: phrases, what comes back, where it starts, how it joins.")
final class FormCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec = CommandSpec.create();

    @Parameters(paramLabel = "FILE", description = "a tunebook in ABC")
    private Path file = Path.of("");

    @Option(names = "--tune", description = "only the tune with this X: number")
    private Optional<Integer> tune = Optional.empty();

    @Option(names = "--format", description = "table, json or csv")
    private Listing.Format format = Listing.Format.TABLE;

    @Override
    public Integer call() {
        List<Map<String, String>> rows = new ArrayList<>();
        for (Tune each : BookFile.tunes(file, tune, spec.commandLine().getErr())) {
            List<String> lines = FormWords.of(each);
            Map<String, String> row = new LinkedHashMap<>();
            row.put("tune", each.header().number() + " " + each.title());
            row.put("phrases", lines.get(0));
            row.put("bars to learn", String.valueOf(Phrasing.of(each).barsToLearn()));
            row.put("summary", String.join(" ", lines.subList(1, lines.size())));
            rows.add(row);
        }
        Listing.print(spec.commandLine().getOut(), rows, format);
        return Flourish.DONE;
    }
}
