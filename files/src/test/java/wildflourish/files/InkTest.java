package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.BasicStroke;
import java.awt.Shape;
import java.awt.geom.Area;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import wildflourish.core.engraving.Box;
import wildflourish.core.engraving.Drawn;
import wildflourish.core.engraving.Engraver;
import wildflourish.core.engraving.Mark;
import wildflourish.core.engraving.Outline;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.Score;
import wildflourish.core.tune.NoteId;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Version;
import wildflourish.files.abc.BookGenerator;
import wildflourish.files.abc.BookReader;

/** No ink on ink that should be clear of it. The true outlines are laid over each other by java.awt.geom.Area, which the engraver does not know. */
class InkTest {
    /** What may touch whatever it belongs to or crosses by its nature. */
    private static final Map<Drawn.Kind, Set<Drawn.Kind>> MAY_TOUCH = new EnumMap<>(Drawn.Kind.class);

    static {
        for (Drawn.Kind kind : Drawn.Kind.values()) {
            MAY_TOUCH.put(kind, EnumSet.noneOf(Drawn.Kind.class));
        }
        for (Drawn.Kind kind : EnumSet.of(
                Drawn.Kind.CLEF,
                Drawn.Kind.KEY,
                Drawn.Kind.METRE,
                Drawn.Kind.BAR_LINE,
                Drawn.Kind.HEAD,
                Drawn.Kind.STEM,
                Drawn.Kind.BEAM,
                Drawn.Kind.FLAG,
                Drawn.Kind.DOT,
                Drawn.Kind.ACCIDENTAL,
                Drawn.Kind.REST,
                Drawn.Kind.SMALL_NOTE,
                Drawn.Kind.CURVE,
                Drawn.Kind.TUPLET,
                Drawn.Kind.SLIDE,
                Drawn.Kind.STAFF)) {
            may(Drawn.Kind.STAFF, kind);
        }
        may(Drawn.Kind.BEAM, Drawn.Kind.STEM);
        may(Drawn.Kind.BEAM, Drawn.Kind.BEAM);
        may(Drawn.Kind.CURVE, Drawn.Kind.CURVE);
        may(Drawn.Kind.CURVE, Drawn.Kind.BAR_LINE);
        may(Drawn.Kind.CLEF, Drawn.Kind.CLEF);
    }

    private static void may(Drawn.Kind one, Drawn.Kind other) {
        MAY_TOUCH.get(one).add(other);
        MAY_TOUCH.get(other).add(one);
    }

    private record Inked(Drawn drawn, Box box, Area area) {}

    @Test
    void nothingTouchesWhatItShouldBeClearOf() {
        long marks = 0;
        for (long seed = 0; seed < 250; seed++) {
            Random random = new Random(seed);
            String book = seed == 0 ? Demo.text() : new BookGenerator(seed).book();
            for (Lesson lesson : BookReader.read(book).value().lessons()) {
                List<Version> versions = Decorator.decorated(lesson, random).versions();
                Version version = versions.get(versions.size() - 1);
                Score.Shows shows = Score.Shows.BENCH.withLetters(random.nextBoolean());
                Page page = Engraver.engrave(new Score(lesson.tune(), Optional.of(version), shows), Paper.endless(118))
                        .get(0);
                assertThat(touching(page))
                        .as("book " + seed + ", " + lesson.tune().title())
                        .isEmpty();
                marks += page.drawn().size();
            }
        }
        assertThat(marks).isGreaterThan(100_000);
    }

    private static List<String> touching(Page page) {
        List<Inked> inked = page.drawn().stream()
                .map(each -> new Inked(each, each.mark().box(), area(each.mark())))
                .toList();
        List<String> touching = new ArrayList<>();
        for (int i = 0; i < inked.size(); i++) {
            for (int j = i + 1; j < inked.size(); j++) {
                Inked a = inked.get(i);
                Inked b = inked.get(j);
                if (a.box.overlaps(b.box) && !mayTouch(a.drawn, b.drawn) && overlap(a.area, b.area)) {
                    touching.add(a.drawn.subject().kind() + " on "
                            + b.drawn.subject().kind());
                }
            }
        }
        return touching;
    }

    private static boolean mayTouch(Drawn a, Drawn b) {
        Drawn.Kind one = a.subject().kind();
        Drawn.Kind other = b.subject().kind();
        Optional<NoteId> note = a.subject().note();
        boolean isOfOneNote = note.isPresent() && note.equals(b.subject().note());
        return MAY_TOUCH.get(one).contains(other)
                || (isOfOneNote && one != Drawn.Kind.WORDS && other != Drawn.Kind.WORDS)
                || (note.isEmpty() && one == other && one != Drawn.Kind.WORDS);
    }

    /** More than a hair: a thirtieth of a staff space squared. */
    private static boolean overlap(Area one, Area other) {
        Area both = new Area(one);
        both.intersect(other);
        Rectangle2D bounds = both.getBounds2D();
        return bounds.getWidth() * bounds.getHeight() > 0.03;
    }

    private static Area area(Mark mark) {
        if (mark instanceof Mark.Glyph glyph) {
            return new Area(path(glyph.entry().outline().placed(glyph.x(), glyph.y(), glyph.scale())));
        }
        if (mark instanceof Mark.Shape shape) {
            Shape path = path(shape.placed());
            return new Area(
                    shape.isFilled() ? path : new BasicStroke((float) shape.thickness()).createStrokedShape(path));
        }
        Box box = mark.box();
        return new Area(new Rectangle2D.Double(box.left(), box.top(), box.right() - box.left(), box.height()));
    }

    private static Path2D path(Outline outline) {
        Path2D path = new Path2D.Double();
        for (Outline.Move move : outline.moves()) {
            switch (move.kind()) {
                case MOVE -> path.moveTo(move.at(0), move.at(1));
                case LINE -> path.lineTo(move.at(0), move.at(1));
                case QUAD -> path.quadTo(move.at(0), move.at(1), move.at(2), move.at(3));
                case CUBIC -> path.curveTo(move.at(0), move.at(1), move.at(2), move.at(3), move.at(4), move.at(5));
                case CLOSE -> path.closePath();
            }
        }
        return path;
    }
}
