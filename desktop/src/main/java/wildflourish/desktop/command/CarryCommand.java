package wildflourish.desktop.command;

import java.io.IOException;
import java.nio.file.Path;
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
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import wildflourish.core.carrying.Carried;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Stair;
import wildflourish.core.words.CarriedWords;
import wildflourish.core.words.Words;

@Command(
        name = "carry",
        description = "What a stair of one instrument becomes on another: kept, replaced or left out, each with why.")
final class CarryCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec = CommandSpec.create();

    @Parameters(paramLabel = "FILE", description = "a tunebook in ABC")
    private Path file = Path.of("");

    @Mixin
    private TuneChoice choice = new TuneChoice();

    @Option(names = "--from", required = true, paramLabel = "I", description = "the instrument whose stair is carried")
    private String from = "";

    @Option(names = "--to", required = true, paramLabel = "I", description = "the instrument it is carried to")
    private String to = "";

    @Option(names = "--student", description = "fluent, steady or learner")
    private String student = Profile.usual().id();

    @Option(names = "--out", description = "writes the tunes with the carried stairs to this new tunebook")
    private Optional<Path> out = Optional.empty();

    @Option(names = "--format", description = "table, json or csv")
    private Listing.Format format = Listing.Format.TABLE;

    @Override
    public Integer call() throws IOException {
        Instrument source = Asked.instrument(from);
        Instrument target = Asked.instrument(to);
        Profile profile = Asked.profile(student);
        List<Map<String, Object>> rows = new ArrayList<>();
        List<Lesson> made = new ArrayList<>();
        for (Lesson lesson : BookFile.lessons(file, choice, spec.commandLine().getErr())) {
            Optional<Stair> stair = lesson.stairFor(source);
            Optional<Carried> carried = stair.map(each -> Carried.of(lesson.tune(), each, target, profile));
            carried.ifPresent(over -> over.moves().forEach(move -> rows.add(row(lesson.tune(), over, move))));
            made.add(carried.map(over -> lesson.with(over.stair())).orElse(lesson));
        }
        if (rows.isEmpty()) {
            throw new UsageException("no stair of the " + source.name()
                    + " has anything placed there; ./flourish stair lists those there are");
        }
        if (out.isPresent()) {
            BookFile.writeNew(out.get(), made, spec.commandLine().getErr());
        }
        Listing.print(spec.commandLine().getOut(), rows, format);
        return Flourish.DONE;
    }

    private static Map<String, Object> row(Tune tune, Carried carried, Carried.Move move) {
        Map<String, Object> row = new LinkedHashMap<>();
        row.put("tune", tune.header().number() + " " + tune.title());
        row.put("stage", carried.stair().at(move.stage()).name());
        row.put("place", CarriedWords.place(move, tune));
        row.put("ornament", Words.name(move.from().stack()));
        row.put("becomes", CarriedWords.result(move));
        row.put("why", CarriedWords.why(carried, move));
        return row;
    }
}
