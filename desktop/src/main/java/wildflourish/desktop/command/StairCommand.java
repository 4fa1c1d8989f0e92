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
import wildflourish.core.hand.Scene;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Ease;
import wildflourish.core.placing.Load;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Beside;
import wildflourish.core.version.Difference;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.words.StairWords;
import wildflourish.core.words.Words;

@Command(
        name = "stair",
        description = "The stages of each stair of the tunes: how much is placed, how hard it is, and what each adds.")
final class StairCommand implements Callable<Integer> {
    private static final List<String> LEGEND = List.of(
            "load: the weights of all ornaments together; a cut weighs 1, a roll 3 to 5.",
            "cleanTo: the tempo up to which every ornament of the stage is clean for the student; – for no limit.",
            "adds: what is new over the stage below.",
            "kind: a stage; or what stands beside the stair: free, study (all that fits), below (simpler than the plain tune).");

    @Spec
    private CommandSpec spec = CommandSpec.create();

    @Mixin
    private TunesAsked tunes = new TunesAsked();

    @Option(names = "--instrument", description = "only the stairs of this instrument")
    private Optional<String> instrument = Optional.empty();

    @Option(names = "--student", description = "fluent, steady or learner")
    private String student = Profile.usual().id();

    @Option(names = "--format", description = "table, json or csv")
    private Listing.Format format = Listing.Format.TABLE;

    @Override
    public Integer call() {
        Profile profile = Asked.profile(student);
        instrument.ifPresent(Asked::instrument);
        List<Map<String, Object>> rows = new ArrayList<>();
        for (Lesson lesson : tunes.lessons(spec.commandLine().getErr())) {
            for (Stair stair : lesson.stairs()) {
                boolean isAsked =
                        instrument.map(id -> id.equals(stair.instrument().id())).orElse(true);
                for (int stage = 0; isAsked && stage < stair.versions().size(); stage++) {
                    rows.add(row(lesson.tune(), stair, stage, profile));
                }
            }
        }
        if (rows.isEmpty()) {
            throw new UsageException(
                    "no stair is there yet; begin one in the window, or name another tune or instrument");
        }
        Listing.print(spec.commandLine().getOut(), rows, format, LEGEND);
        return Flourish.DONE;
    }

    /** One stage as a row of a table. */
    static Map<String, Object> row(Tune tune, Stair stair, int stage, Profile profile) {
        Version version = stair.at(stage);
        Scene scene = Scene.of(tune, version, profile);
        Load load = Load.of(scene);
        Map<String, Object> row = new LinkedHashMap<>();
        row.put("tune", tune.header().number() + " " + tune.title());
        row.put("instrument", stair.instrument().id());
        row.put("stage", version.name());
        row.put(
                "kind",
                stair.besideAt(stage).map(beside -> beside.kind().word()).orElse("stage"));
        row.put("source", stair.besideAt(stage).map(Beside::source));
        row.put("tempo", Words.tempo(version.playing().tempo()));
        row.put(
                "passes",
                version.label().passes() == 0
                        ? Optional.empty()
                        : version.label().passes());
        row.put("note", version.label().note());
        row.put("spots", version.ornamented());
        row.put("load", load.total());
        row.put("ease", Ease.of(scene).word());
        row.put("cleanTo", load.cleanUpTo().map(Words::tempo));
        row.put(
                "adds",
                stage == 0 || !stair.isStage(stage)
                        ? List.of()
                        : StairWords.of(Difference.between(tune, stair.at(stage - 1), version), tune));
        return row;
    }
}
