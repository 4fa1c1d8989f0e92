package wildflourish.desktop.command;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.IntStream;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Profile;
import wildflourish.core.performance.Reeds;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Version;
import wildflourish.files.export.ExportForm;
import wildflourish.files.export.Exporter;
import wildflourish.files.store.BookStore;
import wildflourish.files.store.StoredBook;

@Command(name = "export", description = "Takes tunes away as ABC, MIDI, MusicXML, WAV, PDF, SVG or PNG.")
final class ExportCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec = CommandSpec.create();

    @Parameters(paramLabel = "FILE", description = "a tunebook in ABC")
    private Path file = Path.of("");

    @Option(names = "--as", required = true, description = "abc, midi, musicxml, wav, pdf, svg or png")
    private String form = "";

    @Option(names = "--out", required = true, description = "the file to write; a folder when there are several")
    private Path out = Path.of("");

    @Mixin
    private TuneChoice choice = new TuneChoice();

    @Option(
            names = "--tempo",
            paramLabel = "BEATS",
            description = "beats a minute of the tune type's beat, in place of the stage's own tempo")
    private Optional<String> tempo = Optional.empty();

    @Option(names = "--utf8", description = "a whole book as UTF-8, whatever its own encoding is")
    private boolean isUtf8;

    @Option(names = "--version", description = "the stage with this name")
    private Optional<String> version = Optional.empty();

    @Option(names = "--paper", description = "a4 or letter")
    private String paper = "a4";

    @Option(names = "--small-notes", description = "ornaments as small notes in place of signs")
    private boolean smallNotes;

    /** How ornaments are in a MIDI file. */
    enum MidiOrnaments {
        BENDS,
        NOTES
    }

    @Option(names = "--ornaments", description = "in MIDI: bends, as the ear has them, or notes, for notation programs")
    private MidiOrnaments ornaments = MidiOrnaments.BENDS;

    @Option(names = "--reeds", description = "how the reeds of a two-row box beat in a WAV: dry, swing or wet")
    private String reeds = Reeds.DRY.word();

    @Option(names = "--student", description = "fluent, steady or learner")
    private String student = Profile.usual().id();

    @Override
    public Integer call() throws IOException {
        PrintWriter said = spec.commandLine().getOut();
        ExportForm asked = ExportForm.from(form)
                .orElseThrow(() -> new UsageException(
                        "cannot export as “" + form + "”; there are abc, midi, musicxml, wav, pdf, svg and png"));
        Exporter signs = new Exporter(Asked.profile(student), Asked.paper(paper));
        Exporter exporter = (smallNotes ? signs.withSmallNotes() : signs)
                .with(reeds())
                .withNotesInMidi(ornaments == MidiOrnaments.NOTES);
        boolean isWholeBook = asked == ExportForm.ABC && choice.isEvery() && version.isEmpty();
        if (isWholeBook) {
            StoredBook book = BookFile.open(file, spec.commandLine().getErr());
            write(said, out, (isUtf8 ? book.asUtf8() : book).bytes());
            return Flourish.DONE;
        }
        List<Exporter.Take> takes =
                takes(BookFile.lessons(file, choice, spec.commandLine().getErr()));
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

    private List<Exporter.Take> takes(List<Lesson> lessons) {
        List<Exporter.Take> takes = new ArrayList<>();
        for (Lesson lesson : lessons) {
            versionOf(lesson).ifPresent(chosen -> takes.add(new Exporter.Take(lesson.tune(), timed(chosen))));
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

    private Version timed(Version chosen) {
        Playing playing = chosen.playing();
        return tempo.isEmpty()
                ? chosen
                : chosen.withPlaying(playing.withTempo(
                        new Tempo(Asked.tempo(tempo.get()), playing.tempo().beatLength())));
    }

    /** The version asked for; without a name the fullest stage, or the plain tune where there is none. */
    private Optional<Version> versionOf(Lesson lesson) {
        List<Version> versions = lesson.versions();
        if (version.isPresent()) {
            return versions.stream()
                    .filter(each -> each.name().equalsIgnoreCase(version.get()))
                    .findFirst();
        }
        return Optional.of(lesson.stairs().stream()
                .reduce((one, other) -> other)
                .map(stair -> stair.at(stair.stages().size() - 1))
                .orElseGet(() -> Version.plain("plain", Playing.usual(lesson.tune(), Instrument.first()))));
    }

    private void writeEach(PrintWriter said, Exporter exporter, List<Exporter.Take> takes, ExportForm asked)
            throws IOException {
        folder(takes.size());
        FileNames names = new FileNames();
        List<Path> paths = takes.stream()
                .map(take -> out.resolve(names.of(
                        take.tune().header().number() + " " + take.tune().title(), asked.ending())))
                .toList();
        Tally tally = new Tally(spec.commandLine().getErr(), "tunes written");
        try {
            IntStream.range(0, takes.size()).parallel().forEach(i -> {
                try {
                    writeOneOfMany(said, paths.get(i), exporter.export(takes.get(i), asked));
                } catch (IOException e) {
                    throw new UncheckedIOException(e);
                }
                tally.one(takes.size());
            });
        } catch (UncheckedIOException e) {
            throw new IOException(e.getMessage(), e);
        }
    }

    /** The folder named for several files is made where the one it lies in is there. */
    private void folder(int files) {
        try {
            if (!Files.isDirectory(out)) {
                Files.createDirectory(out);
            }
        } catch (IOException e) {
            throw new UsageException("cannot make the folder " + out + " for " + files
                    + " files; name another place, or one tune with --tune");
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
