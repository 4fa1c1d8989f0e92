package wildflourish.desktop.window;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.stage.Window;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Paper;
import wildflourish.files.paint.PdfPainter;

/** A stand-in for a printer: what it prints lies in a folder as PDF, each print a file, numbered in order. It asks nothing. */
final class PretendPrinter implements PaperPrinter {
    private final Path folder;

    PretendPrinter(Path folder) {
        this.folder = folder;
    }

    @Override
    public Optional<Job> job(Window owner) {
        return Optional.of(new Sheets(folder));
    }

    private record Sheets(Path folder) implements Job {
        @Override
        public boolean isWanted() {
            return true;
        }

        @Override
        public Paper paper() {
            return Paper.a4();
        }

        @Override
        public void print(List<Page> pages) throws IOException {
            byte[] pdf = PdfPainter.paint(pages, "Printed", Paper.a4().spaceMillimetres());
            Files.createDirectories(folder);
            int number = 1;
            while (Files.exists(folder.resolve(number + ".pdf"))) {
                number++;
            }
            Files.write(folder.resolve(number + ".pdf"), pdf);
        }
    }
}
