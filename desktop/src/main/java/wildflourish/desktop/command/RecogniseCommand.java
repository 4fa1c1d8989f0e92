package wildflourish.desktop.command;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
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
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.recognition.Recognition;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Book;
import wildflourish.core.version.BookItem;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.words.RecognitionWords;
import wildflourish.files.abc.BookWriter;
import wildflourish.files.abc.OrnamentText;
import wildflourish.files.store.BookStore;

@Command(
        name = "recognise",
        description =
                "Recognises ornaments that the text of a tune writes by signs, small notes and chords, and places them.")
final class RecogniseCommand implements Callable<Integer> {
    private static final int STAGES = 3;
    private static final int LEAF = 1;
    private static final List<String> LEGEND = List.of(
            "written: how the text has it. ornament: what it is on the instrument; – what stays in the text, and why.");

    @Spec
    private CommandSpec spec = CommandSpec.create();

    @Parameters(paramLabel = "FILE", description = "a tunebook in ABC")
    private Path file = Path.of("");

    @Mixin
    private TuneChoice choice = new TuneChoice();

    @Option(names = "--instrument", description = "the id of an instrument", defaultValue = "whistle-d")
    private String instrument = "whistle-d";

    @Option(names = "--student", description = "fluent, steady or learner")
    private Optional<String> student = Optional.empty();

    @Option(
            names = "--out",
            description =
                    "writes the tunes to this new tunebook, with what is recognised placed in the stage Leaf of a stair")
    private Optional<Path> out = Optional.empty();

    @Option(names = "--format", description = "table, json or csv")
    private Listing.Format format = Listing.Format.TABLE;

    @Override
    public Integer call() throws IOException {
        Instrument on = Asked.instrument(instrument);
        Profile profile = student.map(Asked::profile).orElse(Profile.usual());
        List<Map<String, Object>> rows = new ArrayList<>();
        List<BookItem> items = new ArrayList<>();
        for (Lesson lesson : BookFile.lessons(file, choice, spec.commandLine().getErr())) {
            if (Recognition.count(lesson.tune()) > Recognition.MOST_WRITTEN) {
                throw new UsageException("tune X:" + lesson.tune().header().number() + " writes more than "
                        + Recognition.MOST_WRITTEN + " ornaments, which is too much to look at; part it");
            }
            Stair stair = lesson.stairFor(on).orElseGet(() -> Stair.starting(lesson.tune(), on, STAGES));
            Version plain = Version.plain("plain", stair.at(LEAF).playing());
            Recognition recognition = Recognition.of(lesson.tune(), plain, profile);
            recognition.all().forEach(found -> rows.add(row(lesson.tune(), found, on)));
            if (out.isEmpty()) {
                continue;
            }
            if (!items.isEmpty()) {
                items.add(new BookItem.Text("\n\n"));
            }
            items.add(OrnamentText.taken(lesson, stair, LEAF, recognition)
                    .filter(after -> !recognition.placeable().isEmpty())
                    .orElse(lesson));
        }
        if (out.isPresent()) {
            if (Files.exists(out.get())) {
                throw new UsageException(out.get() + " is there already; name another file");
            }
            items.add(new BookItem.Text("\n"));
            BookStore.writeAside(out.get(), BookWriter.write(new Book(items)).getBytes(StandardCharsets.UTF_8));
            spec.commandLine().getErr().println("Wrote " + out.get());
        }
        Listing.print(spec.commandLine().getOut(), rows, format, LEGEND);
        return Flourish.DONE;
    }

    private static Map<String, Object> row(Tune tune, Recognition.Found found, Instrument instrument) {
        Map<String, Object> row = new LinkedHashMap<>();
        row.put("tune", tune.header().number());
        row.put("place", RecognitionWords.place(found, tune));
        row.put("written", found.written().words());
        row.put("ornament", RecognitionWords.meaning(found));
        row.put("why", RecognitionWords.why(found, instrument));
        return row;
    }
}
