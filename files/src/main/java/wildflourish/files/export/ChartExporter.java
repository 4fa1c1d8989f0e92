package wildflourish.files.export;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import wildflourish.core.chart.ChartPage;
import wildflourish.core.chart.ChartSheet;
import wildflourish.core.chart.ChartWish;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Palette;
import wildflourish.core.engraving.Paper;
import wildflourish.files.paint.PdfPainter;
import wildflourish.files.paint.PngPainter;
import wildflourish.files.paint.SvgPainter;

/** The chart of an instrument in each form it can be taken away as: sheets of paper, or all of it in one picture. */
public final class ChartExporter {
    private static final double PIXELS_A_SPACE = 12;

    private ChartExporter() {}

    /** The forms there are. */
    public static List<ExportForm> forms() {
        return List.of(ExportForm.PDF, ExportForm.SVG, ExportForm.PNG);
    }

    /** The file's bytes. Throws IllegalArgumentException for a form that is none of {@link #forms}. */
    public static byte[] export(ChartWish wish, ExportForm form, Paper paper) throws IOException {
        Paper suited = ChartSheet.suited(wish.instrument(), paper);
        return switch (form) {
            case PDF -> {
                List<Page> pages = ChartSheet.of(wish, suited).stream()
                        .map(ChartPage::page)
                        .toList();
                yield PdfPainter.paint(pages, wish.instrument().name(), paper.spaceMillimetres());
            }
            case SVG ->
                SvgPainter.paint(picture(wish, suited), Palette.PRINT, paper.spaceMillimetres())
                        .getBytes(StandardCharsets.UTF_8);
            case PNG -> PngPainter.paint(picture(wish, suited), Palette.PRINT, PIXELS_A_SPACE);
            default ->
                throw new IllegalArgumentException("a chart is taken away as pdf, svg or png, not as " + form.ending());
        };
    }

    private static Page picture(ChartWish wish, Paper paper) {
        return ChartSheet.of(wish, Paper.endless(paper.width())).get(0).page();
    }
}
