package wildflourish.core.engraving;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.tune.NoteId;

/** A page of a score: the display list that every painter draws. Lengths in staff spaces. */
public record Page(double width, double height, List<Drawn> drawn, List<NoteZone> zones) {
    public Page {
        drawn = List.copyOf(drawn);
        zones = List.copyOf(zones);
    }

    /** Pages one under the other as one, each with the edge of its paper, so many staff spaces apart. */
    public static Page stacked(List<Page> pages, double gap) {
        Sketch sketch = new Sketch();
        double y = gap;
        double width = 0;
        for (Page page : pages) {
            Outline edge = Outline.polygon(0, 0, page.width, 0, page.width, page.height, 0, page.height);
            sketch.add(new Mark.Shape(edge, gap, y, 0.1), Ink.QUIET, Drawn.Kind.PAPER);
            double top = y;
            page.drawn.forEach(each -> sketch.drawn().add(each.moved(gap, top)));
            page.zones.forEach(each -> sketch.zone(each.moved(gap, top)));
            y += page.height + gap;
            width = Math.max(width, page.width + 2 * gap);
        }
        return new Page(width, y, sketch.drawn(), sketch.zones());
    }

    /** The same page with its notes named otherwise; a note that has no other name keeps its own. */
    public Page renamed(Map<NoteId, NoteId> names) {
        List<NoteZone> renamed = zones.stream()
                .map(zone -> new NoteZone(names.getOrDefault(zone.note(), zone.note()), zone.column(), zone.head()))
                .toList();
        return new Page(width, height, drawn, renamed);
    }

    /** The note whose column lies under a point. */
    public Optional<NoteId> noteAt(double x, double y) {
        return zones.stream()
                .filter(zone -> zone.column().has(x, y))
                .map(NoteZone::note)
                .findFirst();
    }

    public Optional<NoteZone> zoneOf(NoteId note) {
        return zones.stream().filter(zone -> zone.note().equals(note)).findFirst();
    }
}
