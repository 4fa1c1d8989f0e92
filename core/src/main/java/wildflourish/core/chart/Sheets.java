package wildflourish.core.chart;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.Sketch;

/** Sheets being filled with blocks from above; what does not fit on one goes to the next. */
final class Sheets {
    private final Paper paper;
    private final double top;
    private final List<ChartPage> pages = new ArrayList<>();
    private Sketch sketch = new Sketch();
    private List<PitchZone> zones = new ArrayList<>();
    private double y;

    Sheets(Paper paper) {
        this(paper, paper.margin());
    }

    /** With another margin above and below than at the sides. */
    Sheets(Paper paper, double top) {
        this.paper = paper;
        this.top = top;
        this.y = top;
    }

    void add(Block block) {
        boolean isFull = Double.isFinite(paper.height()) && y + block.height() > paper.height() - top;
        if (isFull && y > top) {
            finish();
        }
        sketch.addAll(block.sketch(), paper.margin(), y);
        for (PitchZone zone : block.zones()) {
            zones.add(zone.moved(paper.margin(), y));
        }
        y += block.height();
    }

    private void finish() {
        double height = Double.isFinite(paper.height()) ? paper.height() : y + top;
        pages.add(new ChartPage(new Page(paper.width(), height, sketch.drawn(), sketch.zones()), zones));
        sketch = new Sketch();
        zones = new ArrayList<>();
        y = top;
    }

    List<ChartPage> pages() {
        finish();
        return List.copyOf(pages);
    }
}
