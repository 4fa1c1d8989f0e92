package wildflourish.desktop.window;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.print.PageLayout;
import javafx.print.Printer;
import javafx.print.PrinterJob;
import javafx.scene.canvas.Canvas;
import javafx.scene.transform.Transform;
import javafx.stage.Window;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Palette;
import wildflourish.core.engraving.Paper;
import wildflourish.desktop.look.CanvasPainter;

/** A printer that the system knows, chosen in the system's own dialog; where none is the default, the dialog begins with the first. */
final class SystemPrinter implements PaperPrinter {
    /** Pixels to a point: the canvas is drawn finer than it is laid on the page. */
    private static final double FINENESS = 4;

    private static final Path SPOOLER = Path.of("/usr/bin/lpr");
    private static final double MILLIMETRES_A_POINT = 25.4 / 72;

    @Override
    public Optional<Job> job(Window owner) {
        return Optional.ofNullable(Printer.getDefaultPrinter())
                .or(() -> Printer.getAllPrinters().stream().findFirst())
                .flatMap(printer -> Optional.ofNullable(PrinterJob.createPrinterJob(printer)))
                .map(job -> new Sheets(job, owner));
    }

    private record Sheets(PrinterJob job, Window owner) implements Job {
        @Override
        public boolean isWanted() {
            return job.showPrintDialog(owner);
        }

        @Override
        public Paper paper() {
            PageLayout layout = job.getJobSettings().getPageLayout();
            double space = Paper.a4().spaceMillimetres();
            return new Paper(
                    layout.getPrintableWidth() * MILLIMETRES_A_POINT / space,
                    layout.getPrintableHeight() * MILLIMETRES_A_POINT / space,
                    1,
                    space);
        }

        @Override
        public void print(List<Page> pages) throws IOException {
            if (!canSpool()) {
                job.cancelJob();
                throw new IOException("the command " + SPOOLER
                        + " is missing, through which Java prints here (on Debian it comes with the package cups-bsd)");
            }
            PageLayout layout = job.getJobSettings().getPageLayout();
            double pointsPerSpace = Paper.a4().spaceMillimetres() / MILLIMETRES_A_POINT;
            for (Page page : pages) {
                if (!job.printPage(layout, canvas(page, pointsPerSpace))) {
                    job.cancelJob();
                    throw new IOException("the printer refused page " + (pages.indexOf(page) + 1));
                }
            }
            if (!job.endJob()) {
                throw new IOException("the printer did not take the pages");
            }
        }
    }

    /** Whether what is printed can reach a printer. Java hands it to a command on Unix and takes no notice when that is missing. */
    private static boolean canSpool() {
        return !System.getProperty("os.name").startsWith("Linux") || Files.isExecutable(SPOOLER);
    }

    private static Canvas canvas(Page page, double pointsPerSpace) {
        Canvas canvas = new Canvas(page.width() * pointsPerSpace * FINENESS, page.height() * pointsPerSpace * FINENESS);
        CanvasPainter.paint(canvas.getGraphicsContext2D(), page.drawn(), Palette.PRINT, pointsPerSpace * FINENESS);
        canvas.getTransforms().add(Transform.scale(1 / FINENESS, 1 / FINENESS));
        return canvas;
    }
}
