package wildflourish.desktop.command;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Difference;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Version;
import wildflourish.core.words.Words;

@Command(name = "compare", description = "What one stage of a tune has over another, place by place.")
final class CompareCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec = CommandSpec.create();

    @Mixin
    private TunesAsked tunes = new TunesAsked();

    @Option(names = "--instrument", required = true, description = "whose stair, for example whistle-d")
    private String instrument = "";

    @Option(names = "--from", required = true, paramLabel = "NAME", description = "the stage to begin with")
    private String from = "";

    @Option(names = "--to", required = true, paramLabel = "NAME", description = "the stage to compare it with")
    private String to = "";

    @Option(names = "--format", description = "table, json or csv")
    private Listing.Format format = Listing.Format.TABLE;

    @Override
    public Integer call() {
        Instrument asked = Asked.instrument(instrument);
        List<Map<String, Object>> rows = new ArrayList<>();
        boolean isThere = false;
        for (Lesson lesson : tunes.lessons(spec.commandLine().getErr())) {
            if (lesson.stairFor(asked).isPresent()) {
                Version before = Asked.stage(lesson, asked, Optional.empty(), Optional.of(from));
                Version after = Asked.stage(lesson, asked, Optional.empty(), Optional.of(to));
                rows.addAll(rows(lesson.tune(), before, after));
                isThere = true;
            }
        }
        if (!isThere) {
            throw new UsageException(
                    "no stair of the " + asked.name() + " is there; ./flourish stair lists those there are");
        }
        Listing.print(spec.commandLine().getOut(), rows, format);
        return Flourish.DONE;
    }

    private static List<Map<String, Object>> rows(Tune tune, Version before, Version after) {
        Difference difference = Difference.between(tune, before, after);
        List<Map<String, Object>> rows = new ArrayList<>();
        difference.added().forEach(each -> rows.add(row(tune, each, "new", "–", Words.name(each.stack()))));
        difference
                .changed()
                .forEach(change -> rows.add(row(
                        tune,
                        change.after(),
                        "changed",
                        Words.name(change.before().stack()),
                        Words.name(change.after().stack()))));
        difference.gone().forEach(each -> rows.add(row(tune, each, "gone", Words.name(each.stack()), "–")));
        return rows;
    }

    private static Map<String, Object> row(Tune tune, Placement placement, String what, String before, String after) {
        Map<String, Object> row = new LinkedHashMap<>();
        row.put("tune", tune.header().number() + " " + tune.title());
        row.put("place", Words.place(tune, tune.note(placement.span().first())));
        row.put("what", what);
        row.put("before", before);
        row.put("after", after);
        return row;
    }
}
