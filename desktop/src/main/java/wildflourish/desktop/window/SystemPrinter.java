package wildflourish.desktop.window;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import javafx.print.PageLayout;
import javafx.print.PrinterJob;
import javafx.scene.canvas.Canvas;
import javafx.scene.transform.Transform;
import javafx.stage.Window;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Palette;
import wildflourish.core.engraving.Paper;
import wildflourish.desktop.look.CanvasPainter;

/** A printer that the system knows, chosen in the system's own dialog. */
final class SystemPrinter implements PaperPrinter {
    /** Pixels to a point: the canvas is drawn finer than it is laid on the page. */
    private static final double FINENESS = 4;

    private static final double MILLIMETRES_A_POINT = 25.4 / 72;

    @Override
    public Optional<Job> job(Window owner) {
        return Optional.ofNullable(PrinterJob.createPrinterJob()).map(job -> new Sheets(job, owner));
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

    private static Canvas canvas(Page page, double pointsPerSpace) {
        Canvas canvas = new Canvas(page.width() * pointsPerSpace * FINENESS, page.height() * pointsPerSpace * FINENESS);
        CanvasPainter.paint(canvas.getGraphicsContext2D(), page.drawn(), Palette.PRINT, pointsPerSpace * FINENESS);
        canvas.getTransforms().add(Transform.scale(1 / FINENESS, 1 / FINENESS));
        return canvas;
    }
}
