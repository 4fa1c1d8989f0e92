package wildflourish.desktop.command;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import wildflourish.desktop.action.ActionRow;

@Command(name = "keys", description = "Lists what one can do in the window, with its keys.")
final class KeysCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec = CommandSpec.create();

    @Option(names = "--format", description = "table, json or csv")
    private Listing.Format format = Listing.Format.TABLE;

    @Override
    public Integer call() {
        List<Map<String, String>> rows =
                ActionRow.all().stream().map(KeysCommand::row).toList();
        Listing.print(spec.commandLine().getOut(), rows, format);
        return Flourish.DONE;
    }

    private static Map<String, String> row(ActionRow action) {
        Map<String, String> row = new LinkedHashMap<>();
        row.put("group", action.group());
        row.put("id", action.id());
        row.put("keys", action.keyWords());
        row.put("does", action.words());
        return row;
    }
}
