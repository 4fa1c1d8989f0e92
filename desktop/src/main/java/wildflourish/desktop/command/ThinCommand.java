package wildflourish.desktop.command;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.IntStream;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import wildflourish.core.growing.Growth;
import wildflourish.core.growing.Thinning;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Profile;
import wildflourish.core.version.Beside;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;

@Command(
        name = "thin",
        description =
                "A full version thinned to what is good: by taking away and making lighter, to a count, a tempo, a student. The full version stays.")
final class ThinCommand implements Callable<Integer> {
    private static final List<String> LEGEND =
            List.of("load: weight of all ornaments; cleanTo: the tempo up to which all of it is clean");

    @Spec
    private CommandSpec spec = CommandSpec.create();

    @Mixin
    private TunesAsked tunes = new TunesAsked();

    @Option(names = "--instrument", required = true, description = "whose stair, for example whistle-d")
    private String instrument = "";

    @Option(names = "--version", required = true, paramLabel = "NAME", description = "the full version")
    private String full = "";

    @Option(names = "--count", paramLabel = "N", description = "no more ornaments than this are left")
    private Optional<Integer> count = Optional.empty();

    @Option(
            names = "--tempo",
            paramLabel = "T",
            description = "all that is left is clean at so many beats a minute, the beat being the version's")
    private Optional<String> tempo = Optional.empty();

    @Option(names = "--name", description = "what the thinned version is called; Thinned by itself")
    private String name = "Thinned";

    @Option(names = "--student", description = "fluent, steady or learner")
    private String student = Profile.usual().id();

    @Option(
            names = "--out",
            description = "writes the tune with the thinned version beside its stair to this new tunebook")
    private Optional<Path> out = Optional.empty();

    @Option(names = "--format", description = "table, json or csv")
    private Listing.Format format = Listing.Format.TABLE;

    @Override
    public Integer call() throws IOException {
        Instrument asked = Asked.instrument(instrument);
        Profile profile = Asked.profile(student);
        Lesson lesson = tunes.one(spec.commandLine().getErr());
        Stair stair = lesson.stairFor(asked)
                .orElseThrow(() -> new UsageException(
                        "no stair of the " + asked.name() + " is there; ./flourish stair lists those there are"));
        int index = IntStream.range(0, stair.versions().size())
                .filter(each -> stair.at(each).name().equalsIgnoreCase(full))
                .findFirst()
                .orElseThrow(() -> new UsageException("there is no version “" + full + "”; there are "
                        + String.join(
                                ", ",
                                stair.versions().stream().map(Version::name).toList())));
        if (count.stream().anyMatch(each -> each < 0)) {
            throw new UsageException("--count is 0 or more");
        }
        Version of = stair.at(index);
        Fraction beat = of.playing().tempo().beatLength();
        Optional<Tempo> at = tempo.map(beats -> new Tempo(Asked.tempo(beats), beat));
        Version thinned = new Thinning(count, at)
                .of(lesson.tune(), stair, index, profile, Growth.choices(lesson.tune(), stair, profile));
        Version playing = at.map(other -> thinned.withPlaying(thinned.playing().withTempo(other)))
                .orElse(thinned);
        Stair with = stair.with(new Beside(Beside.Kind.FREE, of.name(), playing.withName(name)))
                .orElseThrow(() -> new UsageException("nine versions stand beside the stair already"));
        if (out.isPresent()) {
            BookFile.writeNew(
                    out.get(), List.of(lesson.with(with)), spec.commandLine().getErr());
        }
        int last = with.versions().size() - 1;
        List<Map<String, Object>> rows = List.of(
                StairCommand.row(lesson.tune(), with, index, profile),
                StairCommand.row(lesson.tune(), with, last, profile));
        Listing.print(spec.commandLine().getOut(), rows, format, LEGEND);
        return Flourish.DONE;
    }
}
