package wildflourish.core.engraving;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import wildflourish.core.music.Metre;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.Tuplet;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/** Sets one line of music: staff, bars, notes, signs above, words and fingerings below. The top staff line is y = 0. */
final class SystemEngraver {
    private static final double STAFF_LINE = 0.13;
    private static final double MARGIN_FOR_LABEL = 3.6;
    private static final double LOOSEST = 1.9;
    private static final double BEFORE_FIRST_NOTE = 0.9;
    /** What may reach below the staff: words and fingerings stand below all of it. */
    private static final Set<Drawn.Kind> BELOW_KINDS = EnumSet.of(
            Drawn.Kind.HEAD,
            Drawn.Kind.STEM,
            Drawn.Kind.BEAM,
            Drawn.Kind.FLAG,
            Drawn.Kind.LEDGER,
            Drawn.Kind.ACCIDENTAL,
            Drawn.Kind.SMALL_NOTE,
            Drawn.Kind.CURVE,
            Drawn.Kind.TUPLET);

    private static final double LETTER_SIZE = 1.6;
    private static final double SIGN_GAP = 0.7;
    private static final double ENDING_DROP = 1.9;
    private static final double ENDING_SIZE = 1.7;

    private final Score score;
    private final Tune tune;
    private final List<BarSetting> bars;
    private final double right;
    private final Sketch sketch = new Sketch();
    private final Map<NoteId, Column> columns = new TreeMap<>();
    private final Map<NoteId, Double> tops = new TreeMap<>();
    private double staffEnd;

    SystemEngraver(Score score, List<Integer> barNumbers, double width) {
        this.score = score;
        this.tune = score.tune();
        this.bars =
                barNumbers.stream().map(number -> new BarSetting(tune, number)).toList();
        this.right = width;
        bars.forEach(bar -> bar.columns.forEach(column -> columns.put(column.note.id(), column)));
    }

    /** Room that the bars need at the least, with clef, key and label. */
    double leastWidth() {
        return prefix(new Sketch()) + Spacing.least(things());
    }

    Sketch engrave() {
        double start = prefix(sketch);
        settle(start);
        staff();
        for (BarSetting bar : bars) {
            bar.beams.forEach(BeamGroup::settleStems);
            bar.columns.forEach(column -> tops.put(column.note.id(), NotePainter.draw(sketch, column)));
            bar.beams.forEach(beam -> beam.draw(sketch));
        }
        ties();
        slurs();
        tuplets();
        double signTop = score.shows().signs() ? signs() : 0;
        double top =
                tops.values().stream().mapToDouble(Double::doubleValue).min().orElse(0);
        double above = Math.min(Math.min(top, signTop), 0);
        double chords = chordSymbols(above);
        endings(chords < above ? chords : 0);
        above = Math.min(above, chords);
        double below = below();
        zones(above, below);
        return sketch;
    }

    // Along the line

    private double prefix(Sketch into) {
        double x = MARGIN_FOR_LABEL;
        var phrase = tune.form().phraseAt(bars.get(0).number);
        if (phrase.firstBar() == bars.get(0).number) {
            into.add(new Mark.Words(phrase.name(), 0, 3.0, Face.TITLE, 2.0), Ink.QUIET, Drawn.Kind.WORDS);
        }
        x = Signature.clef(into, x + 0.5);
        x = Signature.key(into, tune.keyAt(bars.get(0).number), x);
        Metre metre = tune.metreAt(bars.get(0).number);
        boolean isNew =
                bars.get(0).number == 0 || bars.get(0).bar.change().metre().isPresent();
        x = isNew ? Signature.metre(into, metre, x) : x;
        return bars.get(0).bar.sides().left() == BarLine.NONE ? x + BEFORE_FIRST_NOTE : x;
    }

    private List<Spacing.Thing> things() {
        List<Spacing.Thing> things = new ArrayList<>();
        for (int i = 0; i < bars.size(); i++) {
            BarSetting bar = bars.get(i);
            boolean hasLead = i > 0 || bar.bar.sides().left() != BarLine.NONE;
            if (hasLead) {
                double width = leadWidth(i);
                things.add(new Spacing.Thing(i > 0 ? 0.35 : 0.1, width, width + 0.95, false));
            }
            for (Column column : bar.columns) {
                things.add(new Spacing.Thing(
                        column.leftInk(), column.rightInk(), Spacing.wish(column.note.played()), true));
            }
        }
        double last = BarLines.width(bars.get(bars.size() - 1).bar.sides().right(), BarLine.NONE);
        things.add(new Spacing.Thing(0.35, last, 0, false));
        return things;
    }

    private double leadWidth(int index) {
        return lead(new Sketch(), index, 0);
    }

    /** The line before a bar with the key and metre that change there; returns its width. */
    private double lead(Sketch into, int index, double x) {
        BarSetting bar = bars.get(index);
        BarLine before = index > 0 ? bars.get(index - 1).bar.sides().right() : BarLine.NONE;
        double at = x + BarLines.draw(into, before, bar.bar.sides().left(), x);
        boolean changes = index > 0
                && (bar.bar.change().key().isPresent()
                        || bar.bar.change().metre().isPresent());
        if (!changes) {
            return at - x;
        }
        at += 0.7;
        if (bar.bar.change().key().isPresent()) {
            at = Signature.change(into, tune.keyAt(bar.number - 1), tune.keyAt(bar.number), at);
        }
        if (bar.bar.change().metre().isPresent()) {
            at = Signature.metre(into, tune.metreAt(bar.number), at);
        }
        return at - x - 0.4;
    }

    private void settle(double start) {
        List<Spacing.Thing> things = things();
        double stretch = Spacing.stretchTo(things, start, right, LOOSEST);
        double[] anchors = Spacing.anchors(things, start, stretch);
        int next = 0;
        for (int i = 0; i < bars.size(); i++) {
            BarSetting bar = bars.get(i);
            bar.start = next == 0 ? start : anchors[next];
            if (i > 0 || bar.bar.sides().left() != BarLine.NONE) {
                lead(sketch, i, anchors[next]);
                next++;
            }
            for (Column column : bar.columns) {
                column.x = anchors[next++];
            }
            bar.end = anchors[next];
            centreBarRest(bar);
        }
        double last = anchors[next];
        BarLine end = bars.get(bars.size() - 1).bar.sides().right();
        staffEnd = last + BarLines.draw(sketch, end, BarLine.NONE, last);
    }

    private void centreBarRest(BarSetting bar) {
        for (Column column : bar.columns) {
            if (column.fillsBar) {
                column.x = (bar.start + bar.end) / 2 - 0.2;
            }
        }
    }

    private void staff() {
        for (int line = 0; line < 5; line++) {
            sketch.add(new Mark.Line(MARGIN_FOR_LABEL, line, staffEnd, line, STAFF_LINE), Ink.STAFF, Drawn.Kind.STAFF);
        }
    }

    // Curves and tuplets

    private void ties() {
        for (Column column : columns.values()) {
            Optional<Note> next = tune.neighbour(column.note.id(), 1);
            if (column.note.marks().joins().tied()) {
                tie(column, next.map(note -> columns.get(note.id())));
            }
            Optional<Note> before = tune.neighbour(column.note.id(), -1);
            boolean comesFromBefore = before.map(note -> note.marks().joins().tied() && !columns.containsKey(note.id()))
                    .orElse(false);
            if (comesFromBefore) {
                tie(column.x - 2, column.x - 0.1, column);
            }
        }
    }

    private void tie(Column from, Optional<Column> to) {
        double end = to.map(column -> column.x - 0.1).orElse(staffEnd);
        tie(from.x + Column.HEAD_WIDTH + 0.1, end, from);
    }

    private void tie(double x1, double x2, Column column) {
        for (var pitch : column.note.pitches()) {
            double sign = column.isStemUp ? 1 : -1;
            double y = Column.yOf(pitch) + sign * 0.45;
            sketch.add(
                    Curves.between(x1, y, x2, y, sign * Curves.bulge(x2 - x1)),
                    Ink.NOTES,
                    Drawn.Kind.CURVE,
                    column.note.id());
        }
    }

    /** Slurs whose beginning or end lies in this system; what goes on in another runs to the edge. */
    private void slurs() {
        List<Note> open = new ArrayList<>();
        for (Note note : tune.notes()) {
            for (int i = 0; i < note.marks().joins().slursOpen(); i++) {
                open.add(note);
            }
            for (int i = 0; i < note.marks().joins().slursClose() && !open.isEmpty(); i++) {
                slur(open.remove(open.size() - 1), note);
            }
        }
    }

    private void slur(Note first, Note last) {
        Column from = columns.get(first.id());
        Column to = columns.get(last.id());
        if (from == null && to == null) {
            return;
        }
        List<Column> covered = tune.between(first.id(), last.id()).stream()
                .map(note -> columns.get(note.id()))
                .filter(java.util.Objects::nonNull)
                .toList();
        boolean isBelow = covered.stream().allMatch(column -> column.isStemUp);
        double sign = isBelow ? 1 : -1;
        double x1 = from == null ? covered.get(0).x - 2 : from.centre();
        double x2 = to == null ? staffEnd : to.centre();
        double edge = covered.stream()
                .mapToDouble(column -> isBelow ? column.bottom() : -column.inkTop() - 0.5)
                .max()
                .orElse(0);
        double y1 = from == null ? sign * (edge + 0.8) : slurEnd(from, isBelow);
        double y2 = to == null ? sign * (edge + 0.8) : slurEnd(to, isBelow);
        double reach = Math.max(sign * y1, sign * y2);
        double bulge = Math.max(Curves.bulge(x2 - x1), (edge + 0.9 - reach) * 1.4);
        Mark curve = Curves.between(x1, y1, x2, y2, sign * bulge);
        sketch.add(curve, Ink.NOTES, Drawn.Kind.CURVE, first.id());
        if (!isBelow) {
            double top = curve.box().top();
            covered.forEach(column -> tops.merge(column.note.id(), top, Math::min));
        }
    }

    private static double slurEnd(Column column, boolean isBelow) {
        return isBelow ? column.bottom() + 0.75 : column.inkTop() - 0.3;
    }

    private void tuplets() {
        for (Tuplet tuplet : tune.tuplets()) {
            Column first = columns.get(tuplet.first());
            Column last = columns.get(tuplet.last());
            if (first != null && last != null) {
                tuplet(tuplet, first, last);
            }
        }
    }

    private void tuplet(Tuplet tuplet, Column first, Column last) {
        List<Column> its = tune.between(tuplet.first(), tuplet.last()).stream()
                .map(note -> columns.get(note.id()))
                .filter(java.util.Objects::nonNull)
                .toList();
        boolean isBeamed = its.stream().allMatch(column -> column.isBeamed);
        boolean isAbove = its.stream().anyMatch(column -> column.isStemUp) || !isBeamed;
        double edge = isAbove
                ? Math.min(
                        its.stream()
                                .mapToDouble(column -> tops.getOrDefault(column.note.id(), 0.0))
                                .min()
                                .orElse(0),
                        0)
                : its.stream().mapToDouble(Column::inkBottom).max().orElse(4);
        double y = isAbove ? edge - 0.5 : Math.max(edge, 4) + 1.6;
        GlyphFont.Entry digit = GlyphFont.of("tuplet" + Math.min(9, tuplet.actual()));
        double left = isBeamed ? first.stemX() : first.x;
        double right = isBeamed ? last.stemX() : last.x + Column.HEAD_WIDTH;
        double middle = (left + right) / 2;
        sketch.add(
                new Mark.Glyph(digit, middle - digit.advance() / 2, y, 1),
                Ink.NOTES,
                Drawn.Kind.TUPLET,
                tuplet.first());
        if (!isBeamed) {
            bracket(left, middle - digit.advance() / 2 - 0.3, y - 0.7, true);
            bracket(middle + digit.advance() / 2 + 0.3, right, y - 0.7, false);
        }
        if (isAbove) {
            its.forEach(column -> tops.merge(column.note.id(), y - 1.5, Math::min));
        }
    }

    private void bracket(double x1, double x2, double y, boolean hooksLeft) {
        sketch.add(new Mark.Line(x1, y, x2, y, 0.14), Ink.NOTES, Drawn.Kind.TUPLET);
        double hook = hooksLeft ? x1 : x2;
        sketch.add(new Mark.Line(hook, y, hook, y + 0.6, 0.14), Ink.NOTES, Drawn.Kind.TUPLET);
    }

    // Above the staff

    /** Ornament signs over their spans; returns the height of the highest. */
    private double signs() {
        double highest = 0;
        Skyline skyline = new Skyline(sketch.drawn());
        Optional<Version> version = score.version();
        for (Column column : columns.values()) {
            Optional<Spot> spot = version.flatMap(each -> each.at(column.note.id()));
            if (spot.isPresent()) {
                highest = Math.min(highest, sign(column, spot.get(), skyline));
            }
        }
        return highest;
    }

    private double sign(Column column, Spot spot, Skyline skyline) {
        double top = 0;
        for (int i = 0; i < spot.options().size(); i++) {
            Placement option = spot.options().get(i);
            var shape = option.ornament().shapeFor(option.span().length(tune));
            if (shape.isEmpty()) {
                continue;
            }
            double width = Signs.width(shape.get());
            double x =
                    Math.max(MARGIN_FOR_LABEL, column.centre() - (width <= 1 ? width / 2 : Math.min(width / 2, 0.8)));
            double left = i > 0 ? x - 1.9 : x;
            double foot = Math.min(0, skyline.top(left - 0.1, x + width + 0.1)) - SIGN_GAP;
            if (i > 0) {
                sketch.add(new Mark.Words("or", left, foot - 0.4, Face.ITALIC, 1.5), Ink.QUIET, Drawn.Kind.WORDS);
            }
            Signs.draw(sketch, option.ornament(), shape.get(), new GlyphFont.Point(x, foot), Optional.of(spot.at()));
            passes(option, x + width, foot);
            skyline.grow();
            top = Math.min(top, foot - Signs.HEIGHT);
        }
        tops.merge(spot.at(), top, Math::min);
        return top;
    }

    /** A placement for one time through says which, as in “2×”. */
    private void passes(Placement option, double x, double foot) {
        if (option.passes().isEvery()) {
            return;
        }
        String words = String.join(
                "+",
                option.passes().numbers().stream().map(number -> number + ".").toList());
        sketch.add(new Mark.Words(words, x + 0.1, foot - 0.2, Face.BODY, 1.4), Ink.QUIET, Drawn.Kind.WORDS);
    }

    private double chordSymbols(double above) {
        boolean any = false;
        double y = above - 0.7;
        for (Column column : columns.values()) {
            Optional<String> symbol = column.note.marks().chordSymbol();
            if (symbol.isPresent()) {
                any = true;
                String words = Face.BOLD.drawable(symbol.get().replace('#', '♯').replaceAll("(?<=^[A-G])b", "♭"));
                sketch.add(
                        new Mark.Words(words, column.x, y, Face.BOLD, 1.8),
                        Ink.WORDS,
                        Drawn.Kind.WORDS,
                        column.note.id());
            }
            for (String annotation : column.note.marks().annotations()) {
                any = true;
                sketch.add(
                        new Mark.Words(Face.ITALIC.drawable(annotation), column.x, y, Face.ITALIC, 1.6),
                        Ink.WORDS,
                        Drawn.Kind.WORDS,
                        column.note.id());
            }
        }
        return any ? y - 1.6 : above;
    }

    /** Brackets over the endings of this line, all at one height, so high that their numbers hang clear of everything below. */
    private void endings(double chords) {
        double y = -ENDING_DROP - 0.6;
        for (BarSetting bar : bars) {
            if (!bar.bar.ending().isEmpty()) {
                y = Math.min(y, endingHeight(bar, chords));
            }
        }
        for (int i = 0; i < bars.size(); i++) {
            if (!bars.get(i).bar.ending().isEmpty()) {
                ending(bars.get(i), bars.get(lastOfEnding(i)), y);
            }
        }
    }

    private int lastOfEnding(int first) {
        int last = first;
        while (last + 1 < bars.size()
                && bars.get(last + 1).bar.ending().isEmpty()
                && !bars.get(last).bar.sides().right().endsPart()) {
            last++;
        }
        return last;
    }

    private double endingHeight(BarSetting first, double chords) {
        double labelEnd = first.start + 0.7 + Face.BODY.width(endingWords(first), ENDING_SIZE) + 0.4;
        double y = chords < 0 ? chords - ENDING_DROP - 0.1 : 0;
        for (int i = bars.indexOf(first); i <= lastOfEnding(bars.indexOf(first)); i++) {
            for (Column column : bars.get(i).columns) {
                double top = tops.getOrDefault(column.note.id(), 0.0);
                boolean isUnderLabel = column.x - column.leftInk() - 1 < labelEnd;
                y = Math.min(y, top - (isUnderLabel ? ENDING_DROP + 0.2 : 0.5));
            }
        }
        return y;
    }

    private static String endingWords(BarSetting first) {
        return String.join(
                ", ", first.bar.ending().stream().map(number -> number + ".").toList());
    }

    private void ending(BarSetting first, BarSetting last, double y) {
        double left = first.start + 0.3;
        double end = last.end;
        BarLine closing = last.bar.sides().right();
        sketch.add(new Mark.Line(left, y, end, y, 0.16), Ink.NOTES, Drawn.Kind.ENDING);
        sketch.add(new Mark.Line(left, y, left, y + ENDING_DROP, 0.16), Ink.NOTES, Drawn.Kind.ENDING);
        if (closing == BarLine.REPEAT_END || closing == BarLine.THIN_THICK) {
            sketch.add(new Mark.Line(end, y, end, y + ENDING_DROP, 0.16), Ink.NOTES, Drawn.Kind.ENDING);
        }
        sketch.add(
                new Mark.Words(endingWords(first), left + 0.4, y + 1.7, Face.BODY, ENDING_SIZE),
                Ink.NOTES,
                Drawn.Kind.ENDING);
    }

    // Below the staff

    /** Words sung, then fingerings; returns the lowest edge. */
    private double below() {
        double edge = Math.max(5, lowestInk() + 0.6);
        edge = letters(syllables(edge));
        if (score.shows().fingerings() == Score.Fingerings.NONE
                || score.version().isEmpty()) {
            return edge;
        }
        var instrument = score.version().get().playing().instrument();
        double top = edge + 0.5;
        for (Column column : columns.values()) {
            if (column.note.isRest() || !wearsFingering(column.note)) {
                continue;
            }
            var row = instrument.rowOf(column.note.melody());
            if (row.isPresent()) {
                FingeringStrip.draw(sketch, row.get(), column.centre(), top, column.note.id());
            } else {
                FingeringStrip.missing(sketch, column.centre(), top, column.note.id());
            }
        }
        return top + FingeringStrip.height(instrument.holes());
    }

    private boolean wearsFingering(Note note) {
        return score.shows().fingerings() == Score.Fingerings.ALL
                || tune.notes().stream()
                        .filter(each -> !each.isRest()
                                && each.melody().midi() == note.melody().midi())
                        .findFirst()
                        .map(first -> first.id().equals(note.id()))
                        .orElse(false);
    }

    /** The letter of each note, below everything that is drawn so far. */
    private double letters(double edge) {
        if (!score.shows().letters()) {
            return edge;
        }
        for (Column column : columns.values()) {
            if (!column.note.isRest()) {
                String letter = column.note.melody().letter();
                double x = column.centre() - Face.BODY.width(letter, LETTER_SIZE) / 2;
                sketch.add(
                        new Mark.Words(letter, x, edge + 1.5, Face.BODY, LETTER_SIZE),
                        Ink.WORDS,
                        Drawn.Kind.LETTER,
                        column.note.id());
            }
        }
        return edge + 1.9;
    }

    /** How far down notes, curves and tuplets reach. */
    private double lowestInk() {
        return sketch.drawn().stream()
                .filter(each -> BELOW_KINDS.contains(each.subject().kind()))
                .mapToDouble(each -> each.mark().box().bottom())
                .max()
                .orElse(4);
    }

    private double syllables(double edge) {
        int verses = columns.values().stream()
                .mapToInt(column -> column.note.marks().syllables().size())
                .max()
                .orElse(0);
        for (int verse = 0; verse < verses; verse++) {
            double y = edge + 1.6 + verse * 2.1;
            for (Column column : columns.values()) {
                List<String> syllables = column.note.marks().syllables();
                if (verse < syllables.size() && !syllables.get(verse).equals("_")) {
                    String words = Face.BODY.drawable(syllables.get(verse));
                    double x = column.centre() - Face.BODY.width(words, 1.7) / 2;
                    sketch.add(
                            new Mark.Words(words, x, y, Face.BODY, 1.7), Ink.WORDS, Drawn.Kind.WORDS, column.note.id());
                }
            }
        }
        return verses == 0 ? edge : edge + 1.0 + verses * 2.1;
    }

    // Where notes can be hit

    private void zones(double above, double below) {
        List<Column> inOrder =
                bars.stream().flatMap(bar -> bar.columns.stream()).toList();
        for (int i = 0; i < inOrder.size(); i++) {
            Column column = inOrder.get(i);
            double left = i == 0
                    ? column.x - column.leftInk() - 0.4
                    : (inOrder.get(i - 1).x + inOrder.get(i - 1).rightInk() + column.x - column.leftInk()) / 2;
            double end = i + 1 < inOrder.size()
                    ? (column.x
                                    + column.rightInk()
                                    + inOrder.get(i + 1).x
                                    - inOrder.get(i + 1).leftInk())
                            / 2
                    : column.x + column.rightInk() + 0.6;
            Box head = new Box(column.x, column.top() - 0.5, column.x + Column.HEAD_WIDTH, column.bottom() + 0.5);
            sketch.zone(new NoteZone(column.note.id(), new Box(left, Math.min(above, -1) - 0.2, end, below), head));
        }
    }
}
