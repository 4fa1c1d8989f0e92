package wildflourish.core.chart;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.engraving.Face;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.Sketch;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.words.Cautions;

/** The chart of an instrument on sheets: the instrument as it is, its notes where the hand finds them, what they bear, how to read it. */
public final class ChartSheet {
    private static final double TITLE = 4.2;
    /** Above and below on a screen, where more stands above and below anyway. */
    private static final double SCREEN_MARGIN = 0.8;

    private ChartSheet() {}

    /** On paper, or on one endless page. */
    public static List<ChartPage> of(ChartWish wish, Paper paper) {
        Sheets sheets = new Sheets(paper);
        above(wish, width(paper)).forEach(sheets::add);
        below(wish, width(paper)).forEach(sheets::add);
        return sheets.pages();
    }

    /** On a screen, what stays in sight: the name, and of a wind instrument its picture. */
    public static ChartPage above(ChartWish wish, Paper endless) {
        return onScreen(above(wish, width(endless)), endless);
    }

    /** On a screen, what can be scrolled under that. */
    public static ChartPage below(ChartWish wish, Paper endless) {
        return onScreen(below(wish, width(endless)), endless);
    }

    private static ChartPage onScreen(List<Block> blocks, Paper endless) {
        Sheets sheets = new Sheets(endless, SCREEN_MARGIN);
        blocks.forEach(sheets::add);
        return sheets.pages().get(0);
    }

    private static double width(Paper paper) {
        return paper.width() - 2 * paper.margin();
    }

    private static List<Block> above(ChartWish wish, double width) {
        return wish.instrument().family().isWind()
                ? List.of(heading(wish, width), WindChart.picture(wish, width))
                : List.of(heading(wish, width));
    }

    private static List<Block> below(ChartWish wish, double width) {
        Instrument instrument = wish.instrument();
        List<Block> blocks = new ArrayList<>(instrument
                .strings()
                .map(strings -> NeckChart.blocks(wish, strings, width))
                .or(() -> instrument.buttons().map(layout -> ButtonChart.blocks(wish, layout, width)))
                .orElseGet(() -> WindChart.blocks(wish, width)));
        blocks.add(Block.words("", List.of(Cautions.brief(Optional.of(instrument.family()))), width));
        return blocks;
    }

    /** A paper as it suits an instrument: a neck and rows of buttons lie across its longer side. */
    public static Paper suited(Instrument instrument, Paper paper) {
        return instrument.family().isWind() ? paper : paper.landscape();
    }

    private static Block heading(ChartWish wish, double width) {
        Instrument instrument = wish.instrument();
        Sketch sketch = new Sketch();
        sketch.words(instrument.name(), 0, 3.4, Face.TITLE, TITLE);
        List<String> about = new ArrayList<>(List.of(
                instrument.family().word(), "trust " + instrument.trust().word()));
        if (instrument.family().isWind()) {
            about.add(
                    instrument.tuning().name().equals("equal")
                            ? "equal steps"
                            : instrument.tuning().name());
        }
        octavesAbove(instrument).ifPresent(octaves -> about.add(words(octaves)));
        wish.only().ifPresent(only -> about.add("only " + only.size() + (only.size() == 1 ? " note" : " notes")));
        String words = String.join(" · ", about);
        double beside = Face.TITLE.width(instrument.name(), TITLE) + 2.5;
        boolean fitsBeside = beside + Face.BODY.width(words, Block.TEXT) <= width;
        Block.quiet(sketch, words, fitsBeside ? beside : 0, fitsBeside ? 3.4 : 6.6);
        return Block.of(sketch, List.of(), 1.6);
    }

    private static String words(int octavesAbove) {
        return octavesAbove == 0
                ? "sounds as written"
                : octavesAbove == 1
                        ? "sounds an octave higher than written"
                        : octavesAbove == -1
                                ? "sounds an octave lower than written"
                                : "sounds " + Math.abs(octavesAbove) + " octaves "
                                        + (octavesAbove > 0 ? "higher" : "lower") + " than written";
    }

    /** How many octaves above what is written everything sounds; empty where it is no whole number of them, or differs from note to note. */
    static Optional<Integer> octavesAbove(Instrument instrument) {
        int shift =
                instrument.reading().fingeredToSounding() + instrument.reading().writtenToFingered();
        boolean isPlain = shift % 12 == 0
                && instrument.reading().cents() == 0
                && instrument.tuning().cents().isEmpty();
        return isPlain ? Optional.of(shift / 12) : Optional.empty();
    }
}
