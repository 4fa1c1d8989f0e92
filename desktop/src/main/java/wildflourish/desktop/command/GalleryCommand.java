package wildflourish.desktop.command;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import wildflourish.core.engraving.Engraver;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Palette;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.Score;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Version;
import wildflourish.files.abc.BookReader;
import wildflourish.files.paint.PngPainter;
import wildflourish.files.paint.SvgPainter;
import wildflourish.files.store.BookStore;

@Command(name = "gallery", description = "Draws a page of hard cases of notation, to be looked at.")
final class GalleryCommand implements Callable<Integer> {
    private static final String CASES = "/wildflourish/desktop/gallery.abc";
    private static final double WIDTH_SPACES = 118;
    private static final double PIXELS_A_SPACE = 10;

    @Spec
    private CommandSpec spec = CommandSpec.create();

    @Option(names = "--out", required = true, description = "the folder for the pictures")
    private Path out = Path.of("");

    @Override
    public Integer call() throws IOException {
        try {
            Files.createDirectories(out);
        } catch (IOException e) {
            throw new UsageException("cannot make the folder " + out + "; name another place");
        }
        for (Lesson lesson : BookReader.read(cases()).value().lessons()) {
            Version version = lesson.versions().stream()
                    .reduce((first, last) -> last)
                    .orElseGet(() -> Version.plain("plain", Playing.usual(lesson.tune(), Instrument.first())));
            Score score = new Score(lesson.tune(), Optional.of(version), Score.Shows.BENCH.withLetters(true));
            Page page = Engraver.engrave(score, Paper.endless(WIDTH_SPACES)).get(0);
            String name = "gallery-" + lesson.tune().header().number();
            write(name + ".png", PngPainter.paint(page, Palette.PRINT, PIXELS_A_SPACE));
            write(
                    name + ".svg",
                    SvgPainter.paint(page, Palette.PRINT, Paper.a4().spaceMillimetres())
                            .getBytes(StandardCharsets.UTF_8));
        }
        return Flourish.DONE;
    }

    private void write(String name, byte[] bytes) throws IOException {
        BookStore.writeAside(out.resolve(name), bytes);
        spec.commandLine().getOut().println("Wrote " + out.resolve(name));
    }

    private static String cases() throws IOException {
        try (InputStream in = GalleryCommand.class.getResourceAsStream(CASES)) {
            if (in == null) {
                throw new IOException("the hard cases do not ship with the application");
            }
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }
}
