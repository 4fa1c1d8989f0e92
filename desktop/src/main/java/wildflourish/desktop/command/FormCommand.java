package wildflourish.desktop.command;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
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

    @Mixin
    private TunesAsked tunes = new TunesAsked();

    @Option(names = "--format", description = "table, json or csv")
    private Listing.Format format = Listing.Format.TABLE;

    @Override
    public Integer call() {
        List<Map<String, String>> rows = new ArrayList<>();
        for (Tune each : tunes.read(spec.commandLine().getErr())) {
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
