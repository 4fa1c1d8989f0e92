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
import picocli.CommandLine.Spec;
import wildflourish.core.arranging.Whole;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Profile;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Times;
import wildflourish.core.words.TimesWords;
import wildflourish.core.words.Words;
import wildflourish.files.export.ExportForm;
import wildflourish.files.export.Exporter;
import wildflourish.files.store.BookStore;

@Command(
        name = "times",
        description =
                "Which version is played each time through: the plan of a stair, or one made of its stages; written as one performance.")
final class TimesCommand implements Callable<Integer> {
    private static final List<String> LEGEND = List.of("at: when it begins, in minutes and seconds.");

    @Spec
    private CommandSpec spec = CommandSpec.create();

    @Mixin
    private TunesAsked tunes = new TunesAsked();

    @Option(names = "--instrument", required = true, description = "whose stair, for example whistle-d")
    private String instrument = "";

    @Option(
            names = "--turns",
            split = ",",
            paramLabel = "NAME",
            description = "versions in playing order, comma between")
    private List<String> turns = List.of();

    @Option(names = "--count", description = "so many times through, rising over all stages; 1 to " + Times.MOST_TURNS)
    private Optional<Integer> count = Optional.empty();

    @Option(names = "--intro", description = "bars of the tune's end that lead in; none by itself")
    private Optional<Integer> intro = Optional.empty();

    @Option(names = "--join", description = "bars for which the last note is held between; none by itself")
    private Optional<Integer> join = Optional.empty();

    @Option(names = "--tag", description = "bars of the end played once more after the last time; none by itself")
    private Optional<Integer> tag = Optional.empty();

    @Option(names = "--tempo", description = "beats a minute of the whole; by itself that of the slowest version")
    private Optional<String> tempo = Optional.empty();

    @Option(names = "--student", description = "fluent, steady or learner")
    private String student = Profile.usual().id();

    @Option(
            names = "--as",
            description = "what --out is: abc, midi, wav, musicxml, or pdf for the road map with its versions")
    private String form = "abc";

    @Option(names = "--out", description = "writes the whole performance to this file")
    private Optional<Path> out = Optional.empty();

    @Option(names = "--book", description = "writes the tune with its stair and the plan to this new tunebook")
    private Optional<Path> book = Optional.empty();

    @Option(names = "--format", description = "table, json or csv")
    private Listing.Format format = Listing.Format.TABLE;

    @Override
    public Integer call() throws IOException {
        Instrument asked = Asked.instrument(instrument);
        Lesson lesson = tunes.one(spec.commandLine().getErr());
        Stair stair = lesson.stairFor(asked)
                .orElseThrow(() -> new UsageException(
                        "no stair of the " + asked.name() + " is there; ./flourish stair lists those there are"));
        Times plan = plan(stair);
        Whole whole = whole(lesson, stair, plan);
        if (out.isPresent()) {
            write(lesson, stair.with(Optional.of(plan)));
        }
        if (book.isPresent()) {
            Lesson planned = lesson.with(stair.with(Optional.of(plan)));
            BookFile.writeNew(book.get(), List.of(planned), spec.commandLine().getErr());
        }
        List<Map<String, Object>> rows = new ArrayList<>();
        for (TimesWords.Row row : TimesWords.rows(whole)) {
            Map<String, Object> cells = new LinkedHashMap<>();
            cells.put("what", row.what());
            cells.put("bars", row.bars());
            cells.put("at", row.at());
            cells.put("tempo", Words.tempo(plan.tempo()));
            rows.add(cells);
        }
        TimesWords.remarks(stair, plan).forEach(spec.commandLine().getErr()::println);
        Listing.print(spec.commandLine().getOut(), rows, format, LEGEND);
        return Flourish.DONE;
    }

    private Times plan(Stair stair) {
        try {
            Times base = turns.isEmpty() && count.isEmpty() && stair.times().isPresent()
                    ? stair.times().get()
                    : new Times(names(stair), slowest(stair));
            Times added = base.withAdded(intro.orElse(base.intro()), join.orElse(base.join()), tag.orElse(base.tag()));
            return tempo.map(beats -> added.withTempo(
                            new Tempo(Asked.tempo(beats), base.tempo().beatLength())))
                    .orElse(added);
        } catch (IllegalArgumentException e) {
            throw new UsageException(String.valueOf(e.getMessage()));
        }
    }

    private List<String> names(Stair stair) {
        return turns.isEmpty()
                ? Times.rising(stair.stages(), count.orElse(stair.stages().size()))
                : turns;
    }

    private static Tempo slowest(Stair stair) {
        return Whole.slowest(stair.stages());
    }

    private static Whole whole(Lesson lesson, Stair stair, Times plan) {
        try {
            return Whole.of(lesson.tune(), stair, plan);
        } catch (IllegalArgumentException e) {
            throw new UsageException(String.valueOf(e.getMessage()));
        }
    }

    private void write(Lesson lesson, Stair stair) throws IOException {
        Path path = out.orElseThrow();
        ExportForm asked = ExportForm.from(form)
                .orElseThrow(() -> new UsageException(
                        "cannot write the whole as “" + form + "”; there are abc, midi, musicxml, wav and pdf"));
        Exporter exporter = new Exporter(Asked.profile(student), Asked.paper("a4"));
        BookStore.writeAside(path, exporter.whole(lesson.tune(), stair, asked));
        spec.commandLine().getErr().println("Wrote " + path);
    }
}
