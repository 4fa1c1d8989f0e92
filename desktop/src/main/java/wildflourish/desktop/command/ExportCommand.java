package wildflourish.desktop.command;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.performance.Reeds;
import wildflourish.core.version.Book;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Version;
import wildflourish.files.abc.BookWriter;
import wildflourish.files.export.ExportForm;
import wildflourish.files.export.Exporter;
import wildflourish.files.store.BookStore;

@Command(name = "export", description = "Takes tunes away as ABC, MIDI, WAV, PDF, SVG or PNG.")
final class ExportCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec = CommandSpec.create();

    @Parameters(paramLabel = "FILE", description = "a tunebook in ABC")
    private Path file = Path.of("");

    @Option(names = "--as", required = true, description = "abc, midi, wav, pdf, svg or png")
    private String form = "";

    @Option(names = "--out", required = true, description = "the file to write; a folder when there are several")
    private Path out = Path.of("");

    @Option(names = "--tune", description = "the tune with this X: number")
    private Optional<Integer> tune = Optional.empty();

    @Option(names = "--version", description = "the stage with this name")
    private Optional<String> version = Optional.empty();

    @Option(names = "--paper", description = "a4 or letter")
    private String paper = "a4";

    @Option(names = "--small-notes", description = "ornaments as small notes in place of signs")
    private boolean smallNotes;

    @Option(names = "--reeds", description = "how the reeds of a two-row box beat in a WAV: dry, swing or wet")
    private String reeds = Reeds.DRY.word();

    @Option(names = "--student", description = "fluent, steady or learner")
    private String student = Profile.usual().id();

    @Override
    public Integer call() throws IOException {
        PrintWriter said = spec.commandLine().getOut();
        ExportForm asked = ExportForm.from(form)
                .orElseThrow(() -> new UsageException(
                        "cannot export as “" + form + "”; there are abc, midi, wav, pdf, svg and png"));
        Exporter signs = new Exporter(Asked.profile(student), Asked.paper(paper));
        Exporter exporter = (smallNotes ? signs.withSmallNotes() : signs).with(reeds());
        Book book = BookFile.open(file, spec.commandLine().getErr()).book();
        if (asked == ExportForm.ABC && tune.isEmpty() && version.isEmpty()) {
            write(said, out, BookWriter.write(book).getBytes(StandardCharsets.UTF_8));
            return Flourish.DONE;
        }
        List<Exporter.Take> takes = takes(book);
        if (asked == ExportForm.PDF) {
            String title = takes.size() == 1 ? takes.get(0).tune().title() : String.valueOf(file.getFileName());
            write(said, out, exporter.pdf(takes, title));
        } else if (takes.size() == 1) {
            write(said, out, exporter.export(takes.get(0), asked));
        } else {
            writeEach(said, exporter, takes, asked);
        }
        return Flourish.DONE;
    }

    private Reeds reeds() {
        try {
            return Reeds.of(reeds);
        } catch (IllegalArgumentException e) {
            throw new UsageException(String.valueOf(e.getMessage()));
        }
    }

    private List<Exporter.Take> takes(Book book) {
        List<Lesson> lessons = tune.isEmpty()
                ? book.lessons()
                : List.of(book.numbered(tune.get())
                        .orElseThrow(() -> new UsageException(file + " has no tune X:" + tune.get() + "; it has "
                                + String.join(
                                        ", ",
                                        book.lessons().stream()
                                                .map(lesson -> String.valueOf(
                                                        lesson.tune().header().number()))
                                                .toList()))));
        List<Exporter.Take> takes = new ArrayList<>();
        for (Lesson lesson : lessons) {
            versionOf(lesson).ifPresent(chosen -> takes.add(new Exporter.Take(lesson.tune(), chosen)));
        }
        if (takes.isEmpty()) {
            throw new UsageException("no tune has a version “" + version.orElse("") + "”; there are "
                    + String.join(
                            ", ",
                            lessons.stream()
                                    .flatMap(lesson -> lesson.versions().stream())
                                    .map(Version::name)
                                    .distinct()
                                    .toList()));
        }
        return takes;
    }

    /** The version asked for; without a name the fullest stage, or the plain tune where there is none. */
    private Optional<Version> versionOf(Lesson lesson) {
        List<Version> versions = lesson.versions();
        if (version.isPresent()) {
            return versions.stream()
                    .filter(each -> each.name().equalsIgnoreCase(version.get()))
                    .findFirst();
        }
        return Optional.of(
                versions.isEmpty()
                        ? Version.plain("plain", Playing.usual(lesson.tune(), Instrument.first()))
                        : versions.get(versions.size() - 1));
    }

    private void writeEach(PrintWriter said, Exporter exporter, List<Exporter.Take> takes, ExportForm asked)
            throws IOException {
        try {
            Files.createDirectories(out);
        } catch (IOException e) {
            throw new UsageException("cannot make the folder " + out + " for " + takes.size()
                    + " files; name another place, or one tune with --tune");
        }
        Tally tally = new Tally(spec.commandLine().getErr(), "tunes written");
        try {
            takes.parallelStream().forEach(take -> {
                String title =
                        take.tune().title().replaceAll("[^\\p{L}\\p{N} '-]", "").trim();
                String name = take.tune().header().number() + " " + title + "." + asked.ending();
                try {
                    writeOneOfMany(said, out.resolve(name), exporter.export(take, asked));
                } catch (IOException e) {
                    throw new UncheckedIOException(e);
                }
                tally.one(takes.size());
            });
        } catch (UncheckedIOException e) {
            throw new IOException(e.getMessage(), e);
        }
    }

    private static void writeOneOfMany(PrintWriter said, Path path, byte[] bytes) {
        try {
            BookStore.writeOneOfMany(path, bytes);
            said.println("Wrote " + path);
        } catch (IOException e) {
            throw new UsageException("cannot write " + path + ": " + e.getMessage());
        }
    }

    private static void write(PrintWriter said, Path path, byte[] bytes) {
        try {
            BookStore.writeAside(path, bytes);
            said.println("Wrote " + path);
        } catch (IOException e) {
            throw new UsageException("cannot write " + path + ": " + e.getMessage());
        }
    }
}
