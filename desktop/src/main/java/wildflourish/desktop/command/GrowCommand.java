package wildflourish.desktop.command;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
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
import wildflourish.core.growing.Liking;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.version.Wish;
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

    @Option(names = "--taste", paramLabel = "T", description = "a school of taste, for example rolls-and-cuts")
    private Optional<String> taste = Optional.empty();

    @Option(
            names = "--wish",
            paramLabel = "W=N",
            description = "full, daring, beat or rise, from -2 for far less to 2 for far more; as often as wished")
    private Map<String, Integer> degrees = new TreeMap<>();

    @Option(names = "--varied", description = "a phrase that comes back is dressed otherwise than the first time")
    private boolean isVaried;

    @Option(names = "--concert", description = "for listeners and not for a session")
    private boolean isForConcert;

    @Option(names = "--never", split = ",", paramLabel = "O", description = "ornaments that are not planned")
    private List<String> never = new ArrayList<>();

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
            Stair begun = wished(begun(lesson, asked));
            int lowest = foot(begun) + 1;
            Stair from = isFresh ? Growth.cleared(begun, lowest) : begun;
            Grown planned =
                    Growth.planned(lesson.tune(), from, lowest, profile, Growth.choices(lesson.tune(), from, profile));
            Stair grown = planned.stair();
            if (isNearAsked) {
                double share = Growth.near(lesson.tune(), planned, profile, reached -> {});
                spec.commandLine()
                        .getErr()
                        .println(lesson.tune().title() + ": all stages together " + GrowthWords.near(share) + ".");
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

    /** A stair with what is wished for in every stage above the foot; what the book wishes stays where nothing is said. */
    private Stair wished(Stair stair) {
        Stair wished = stair;
        for (int stage = 1; stage < stair.stages().size(); stage++) {
            Version version = stair.at(stage);
            wished = wished.with(stage, version.with(version.label().wishing(wish(version))));
        }
        return wished;
    }

    private Wish wish(Version version) {
        Family family = version.playing().instrument().family();
        Wish wish = version.label().wish();
        if (taste.isPresent()) {
            wish = wish.withTaste(
                    Asked.found(taste.get(), id -> Liking.of(family, id)).id());
        }
        for (Map.Entry<String, Integer> each : degrees.entrySet()) {
            boolean isPossible = Math.abs(each.getValue()) <= Wish.MOST;
            Wish.Degree degree = Arrays.stream(Wish.Degree.values())
                    .filter(one -> one.word().equals(each.getKey()) && isPossible)
                    .findFirst()
                    .orElseThrow(() -> new UsageException("--wish " + each.getKey() + "=" + each.getValue()
                            + " is not known; write full, daring, beat or rise with a number from -2 to 2"));
            wish = wish.with(degree, each.getValue());
        }
        for (String each : never) {
            wish = wish.withNever(
                    Asked.found(each, id -> Ornament.of(id, family)).id(), true);
        }
        wish = isForConcert ? wish.forConcert(true) : wish;
        return isVaried ? wish.varied(true) : wish;
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
