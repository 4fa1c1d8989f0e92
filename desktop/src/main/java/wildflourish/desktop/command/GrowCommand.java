package wildflourish.desktop.command;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import wildflourish.core.growing.Grown;
import wildflourish.core.growing.Growth;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.words.GrowthWords;

@Command(
        name = "grow",
        description =
                "Plans the stages of a stair, each from the one below: what it gains for the ear, less what it asks of the student. What stands in the planned stages is kept, the plan goes round it.")
final class GrowCommand implements Callable<Integer> {
    private static final List<String> LEGEND =
            List.of("load: weight of all ornaments; cleanTo: the tempo up to which all of it is clean");

    @Spec
    private CommandSpec spec = CommandSpec.create();

    @Parameters(paramLabel = "FILE", description = "a tunebook in ABC")
    private Path file = Path.of("");

    @Mixin
    private TuneChoice choice = new TuneChoice();

    @Option(names = "--instrument", required = true, paramLabel = "I", description = "for example whistle-d")
    private String instrument = "";

    @Option(
            names = "--stages",
            paramLabel = "N",
            description = "2 to 9: a new stair of so many; without it the stair that is there, or one of five")
    private Optional<Integer> stages = Optional.empty();

    @Option(
            names = "--from",
            paramLabel = "NAME",
            description = "the stage that stays as the foot; those above it are planned; without it the lowest")
    private Optional<String> from = Optional.empty();

    @Option(names = "--student", description = "fluent, steady or learner")
    private String student = Profile.usual().id();

    @Option(names = "--out", description = "writes the tunes with their grown stairs to this new tunebook")
    private Optional<Path> out = Optional.empty();

    @Mixin
    private WishChoice wishes = new WishChoice();

    @Option(
            names = "--near",
            description =
                    "tells how near the best the stages come together, every phrase with all of them at once; may take some seconds a tune")
    private boolean isNearAsked;

    @Option(names = "--fresh", description = "what stands in the planned stages gives way")
    private boolean isFresh;

    @Option(names = "--format", description = "table, json, csv, or abc for the grown stairs as a tunebook")
    private Form format = Form.TABLE;

    /** How the answer is written. */
    enum Form {
        TABLE,
        JSON,
        CSV,
        ABC
    }

    @Override
    public Integer call() throws IOException {
        Instrument asked = Asked.instrument(instrument);
        Profile profile = Asked.profile(student);
        List<Map<String, Object>> rows = new ArrayList<>();
        List<Lesson> made = new ArrayList<>();
        for (Lesson lesson : BookFile.lessons(file, choice, spec.commandLine().getErr())) {
            Stair begun = wishes.wished(lesson.tune(), begun(lesson, asked));
            int lowest = foot(begun) + 1;
            Stair from = isFresh ? Growth.cleared(begun, lowest) : begun;
            Grown planned =
                    Growth.planned(lesson.tune(), from, lowest, profile, Growth.choices(lesson.tune(), from, profile));
            Stair grown = planned.stair();
            new TreeMap<>(planned.stuck())
                    .forEach((stage, pins) -> spec.commandLine()
                            .getErr()
                            .println(lesson.tune().title() + ", "
                                    + grown.at(stage).name() + ": " + GrowthWords.stuck(lesson.tune(), pins)));
            if (isNearAsked) {
                double share = Growth.near(lesson.tune(), planned, profile, reached -> {});
                spec.commandLine()
                        .getErr()
                        .println(lesson.tune().title() + ": all stages together " + GrowthWords.near(planned, share)
                                + ".");
            }
            for (int stage = 0; stage < grown.stages().size(); stage++) {
                rows.add(StairCommand.row(lesson.tune(), grown, stage, profile));
            }
            made.add(lesson.with(grown));
        }
        if (out.isPresent()) {
            BookFile.writeNew(out.get(), made, spec.commandLine().getErr());
        }
        if (format == Form.ABC) {
            spec.commandLine().getOut().print(BookFile.text(made));
            spec.commandLine().getOut().flush();
        } else {
            Listing.print(spec.commandLine().getOut(), rows, Listing.Format.valueOf(format.name()), LEGEND);
        }
        return Flourish.DONE;
    }

    private Stair begun(Lesson lesson, Instrument asked) {
        boolean isPossible = stages.stream().allMatch(count -> count >= 2 && count <= 9);
        if (!isPossible) {
            throw new UsageException("a stair has 2 to 9 stages, not " + stages.orElse(0) + "; give --stages 5");
        }
        return stages.map(count -> Stair.starting(lesson.tune(), asked, count))
                .or(() -> lesson.stairFor(asked))
                .orElseGet(() -> Stair.starting(lesson.tune(), asked, 5));
    }

    private int foot(Stair stair) {
        List<String> names = stair.stages().stream().map(Version::name).toList();
        int foot = from.map(names::indexOf).orElse(0);
        if (foot < 0 || foot == names.size() - 1) {
            throw new UsageException("nothing can be grown from " + from.orElse("") + "; the stages are "
                    + String.join(", ", names) + ", and the last has none above it");
        }
        return foot;
    }
}
