package wildflourish.core.engraving;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.tune.NoteId;

/** Marks being gathered: a display list under way. */
public final class Sketch {
    private final List<Drawn> drawn = new ArrayList<>(512);
    private final List<NoteZone> zones = new ArrayList<>();

    public void add(Mark mark, Ink ink, Drawn.Kind kind) {
        drawn.add(new Drawn(mark, ink, new Drawn.Subject(kind, Optional.empty())));
    }

    public void add(Mark mark, Ink ink, Drawn.Kind kind, NoteId note) {
        drawn.add(new Drawn(mark, ink, new Drawn.Subject(kind, Optional.of(note))));
    }

    public void glyph(String name, double x, double y, Drawn.Kind kind, NoteId note) {
        add(new Mark.Glyph(GlyphFont.of(name), x, y, 1), Ink.NOTES, kind, note);
    }

    public void glyph(String name, double x, double y, Drawn.Kind kind) {
        add(new Mark.Glyph(GlyphFont.of(name), x, y, 1), Ink.NOTES, kind);
    }

    public void words(String text, double x, double y, Face face, double size) {
        add(new Mark.Words(face.drawable(text), x, y, face, size), Ink.WORDS, Drawn.Kind.WORDS);
    }

    public void zone(NoteZone zone) {
        zones.add(zone);
    }

    public List<Drawn> drawn() {
        return drawn;
    }

    public List<NoteZone> zones() {
        return zones;
    }

    /** The box around everything; empty where nothing is drawn. */
    public Optional<Box> box() {
        if (drawn.isEmpty()) {
            return Optional.empty();
        }
        double left = Double.POSITIVE_INFINITY;
        double top = Double.POSITIVE_INFINITY;
        double right = Double.NEGATIVE_INFINITY;
        double bottom = Double.NEGATIVE_INFINITY;
        for (Drawn each : drawn) {
            Box box = each.mark().box();
            left = Math.min(left, box.left());
            top = Math.min(top, box.top());
            right = Math.max(right, box.right());
            bottom = Math.max(bottom, box.bottom());
        }
        return Optional.of(new Box(left, top, right, bottom));
    }

    /** The same, larger by a factor, round its origin; without zones of notes. */
    public Sketch scaled(double factor) {
        Sketch scaled = new Sketch();
        drawn.forEach(each -> scaled.drawn.add(new Drawn(each.mark().scaled(factor), each.ink(), each.subject())));
        return scaled;
    }

    /** Everything of another sketch, moved. */
    public void addAll(Sketch other, double dx, double dy) {
        other.drawn.forEach(each -> drawn.add(each.moved(dx, dy)));
        other.zones.forEach(each -> zones.add(each.moved(dx, dy)));
    }
}
