package wildflourish.desktop.window;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import javafx.print.PageLayout;
import javafx.print.PrinterJob;
import javafx.scene.canvas.Canvas;
import javafx.stage.Window;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Palette;
import wildflourish.core.engraving.Paper;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.look.CanvasPainter;

/** Prints what is on the desk on a printer the system knows. */
final class PaperPrinter {
    /** Pixels to a point: the canvas is drawn finer than it is laid on the page. */
    private static final double FINENESS = 4;

    private PaperPrinter() {}

    /** Prints pages as they come out for the printer's paper. */
    static void print(Desk desk, Window owner, Function<Paper, List<Page>> laidOut) {
        Optional<PrinterJob> job = Optional.ofNullable(PrinterJob.createPrinterJob());
        if (job.isEmpty()) {
            desk.say("No printer is set up here. Take the tune away as PDF (Ctrl+E) and print that.");
            return;
        }
        if (!job.get().showPrintDialog(owner)) {
            desk.say("Nothing was printed");
            return;
        }
        PageLayout layout = job.get().getJobSettings().getPageLayout();
        double millimetres = 25.4 / 72;
        double space = Paper.a4().spaceMillimetres();
        Paper paper = new Paper(
                layout.getPrintableWidth() * millimetres / space,
                layout.getPrintableHeight() * millimetres / space,
                1,
                space);
        List<Page> pages = laidOut.apply(paper);
        double pointsPerSpace = space / millimetres;
        boolean isDone = true;
        for (Page page : pages) {
            isDone &= job.get().printPage(layout, canvas(page, pointsPerSpace));
        }
        desk.say(
                isDone && job.get().endJob()
                        ? "Printed " + pages.size() + " pages"
                        : "The printer took it only in part");
    }

    private static Canvas canvas(Page page, double pointsPerSpace) {
        Canvas canvas = new Canvas(page.width() * pointsPerSpace * FINENESS, page.height() * pointsPerSpace * FINENESS);
        CanvasPainter.paint(canvas.getGraphicsContext2D(), page.drawn(), Palette.PRINT, pointsPerSpace * FINENESS);
        canvas.getTransforms().add(javafx.scene.transform.Transform.scale(1 / FINENESS, 1 / FINENESS));
        return canvas;
    }
}
