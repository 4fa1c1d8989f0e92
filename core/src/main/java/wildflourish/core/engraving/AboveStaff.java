package wildflourish.core.engraving;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.form.Phrase;
import wildflourish.core.hand.Attempt;
import wildflourish.core.ornament.Figure;
import wildflourish.core.tune.BarLine;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/** What stands above the notes of a line: ornament signs, then chord symbols and words, then the brackets of endings. */
final class AboveStaff {
    private static final double SIGN_GAP = 0.7;
    private static final double PHRASE_SIZE = 1.7;
    private static final double PASSES_SIZE = 1.4;
    private static final double WORD_ROW = 2.0;
    private static final double ENDING_DROP = 1.9;
    private static final double ENDING_SIZE = 1.7;

    private final MusicLine line;

    AboveStaff(MusicLine line) {
        this.line = line;
    }

    /** Draws it all; returns the height of the highest but for endings. */
    double draw() {
        Skyline skyline = new Skyline(line.sketch.drawn());
        new Decorations(line, skyline).draw();
        phraseNames(skyline);
        double signTop = line.score.shows().signs() ? signs(skyline) : 0;
        double top = line.tops.values().stream()
                .mapToDouble(Double::doubleValue)
                .min()
                .orElse(0);
        double above = Math.min(Math.min(top, signTop), 0);
        double chords = chordSymbols(above);
        endings(chords < above ? chords : 0);
        return Math.min(above, chords);
    }

    /** The names of phrases that begin within the line; the first one's stands in the margin where that has room for it. */
    private void phraseNames(Skyline skyline) {
        for (BarSetting bar : line.bars) {
            Phrase phrase = line.setting.phrasing().at(bar.number);
            boolean isFirst = bar == line.bars.get(0);
            if (phrase.firstBar() != bar.number || bar.isContinued || (isFirst && SystemEngraver.isForMargin(phrase))) {
                continue;
            }
            double x = isFirst ? MusicLine.LEFT : bar.start + 0.3;
            double right = x + Face.TITLE.width(phrase.name(), PHRASE_SIZE);
            double foot = Math.min(0, skyline.top(x, right)) - 0.6;
            Mark name = new Mark.Words(phrase.name(), x, foot, Face.TITLE, PHRASE_SIZE);
            line.sketch.add(name, Ink.QUIET, Drawn.Kind.WORDS);
            bar.columns.stream()
                    .filter(column -> column.x - column.leftInk() < right + 0.3)
                    .forEach(column ->
                            line.tops.merge(column.note.id(), name.box().top(), Math::min));
            skyline.grow();
        }
    }

    /** Ornament signs over their spans; returns the height of the highest. */
    private double signs(Skyline skyline) {
        double highest = 0;
        Optional<Version> version = line.score.version();
        for (Column column : line.columns.values()) {
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
            List<Sign> all = Sign.of(option.stack(), figureOf(option), Optional.empty());
            boolean hasAll = i > 0;
            List<Sign> signs = hasAll
                    ? all
                    : all.stream().filter(each -> each.kind() == Sign.Kind.OWN).toList();
            if (signs.isEmpty() && option.passes().isEvery()) {
                continue;
            }
            double width = Signs.width(signs);
            double x = Math.max(MusicLine.LEFT, column.centre() - (width <= 1 ? width / 2 : Math.min(width / 2, 0.8)));
            double left = i > 0 ? x - 1.9 : x;
            double foot = Math.min(0, skyline.top(left - 0.1, x + width + passesWidth(option) + 0.1)) - SIGN_GAP;
            if (i > 0) {
                line.sketch.add(new Mark.Words("or", left, foot - 0.4, Face.ITALIC, 1.5), Ink.QUIET, Drawn.Kind.WORDS);
            }
            Signs.draw(line.sketch, signs, new GlyphFont.Point(x, foot), Optional.of(spot.at()), hasAll);
            passes(option, x + width, foot);
            skyline.grow();
            top = Math.min(top, foot - Signs.HEIGHT);
        }
        line.tops.merge(spot.at(), top, Math::min);
        return top;
    }

    /** The figure of a placement for its length; empty where it has none. */
    private Optional<Figure> figureOf(Placement placement) {
        return line.score.scene().flatMap(scene -> scene.attempt(placement)).flatMap(Attempt::figure);
    }

    /** A placement for one time through says which, as in “2.”. */
    private void passes(Placement option, double x, double foot) {
        if (option.passes().isEvery()) {
            return;
        }
        Mark words = new Mark.Words(passesWords(option), x + 0.1, foot - 0.2, Face.BODY, PASSES_SIZE);
        line.sketch.add(words, Ink.QUIET, Drawn.Kind.WORDS);
    }

    private static String passesWords(Placement option) {
        return String.join(
                "+",
                option.passes().numbers().stream().map(number -> number + ".").toList());
    }

    private static double passesWidth(Placement option) {
        return option.passes().isEvery() ? 0 : Face.BODY.width(passesWords(option), PASSES_SIZE) + 0.2;
    }

    /** Chord symbols and annotations, each in the lowest row where it stands clear of the ones before. Returns the top of the highest row. */
    private double chordSymbols(double above) {
        List<Double> rowEnds = new ArrayList<>();
        for (Column column : line.columns.values()) {
            column.note
                    .marks()
                    .chordSymbol()
                    .map(symbol -> Face.BOLD.drawable(symbol.replace('#', '♯').replaceAll("(?<=^[A-G])b", "♭")))
                    .ifPresent(words ->
                            wordsAbove(column, new Mark.Words(words, column.x, 0, Face.BOLD, 1.8), above, rowEnds));
            for (String annotation : column.note.marks().annotations()) {
                String words = Face.ITALIC.drawable(annotation);
                wordsAbove(column, new Mark.Words(words, column.x, 0, Face.ITALIC, 1.6), above, rowEnds);
            }
        }
        return rowEnds.isEmpty() ? above : above - 0.7 - rowEnds.size() * WORD_ROW;
    }

    private void wordsAbove(Column column, Mark.Words words, double above, List<Double> rowEnds) {
        int row = 0;
        while (row < rowEnds.size() && rowEnds.get(row) > words.x()) {
            row++;
        }
        if (row == rowEnds.size()) {
            rowEnds.add(0.0);
        }
        rowEnds.set(row, words.box().right() + 0.5);
        line.sketch.add(words.moved(0, above - 0.7 - row * WORD_ROW), Ink.WORDS, Drawn.Kind.WORDS, column.note.id());
    }

    /** Brackets over the endings of this line, all at one height, so high that their numbers hang clear of everything below. */
    private void endings(double chords) {
        double y = -ENDING_DROP - 0.6;
        for (BarSetting bar : line.bars) {
            if (!bar.bar.ending().isEmpty()) {
                y = Math.min(y, endingHeight(bar, chords));
            }
        }
        for (int i = 0; i < line.bars.size(); i++) {
            if (!line.bars.get(i).bar.ending().isEmpty()) {
                ending(line.bars.get(i), line.bars.get(lastOfEnding(i)), y);
            }
        }
    }

    private int lastOfEnding(int first) {
        int last = first;
        while (last + 1 < line.bars.size()
                && line.bars.get(last + 1).bar.ending().isEmpty()
                && !line.bars.get(last).bar.sides().right().endsPart()) {
            last++;
        }
        return last;
    }

    private double endingHeight(BarSetting first, double chords) {
        double labelEnd = first.start + 0.7 + Face.BODY.width(endingWords(first), ENDING_SIZE) + 0.4;
        double y = chords < 0 ? chords - ENDING_DROP - 0.1 : 0;
        for (int i = line.bars.indexOf(first); i <= lastOfEnding(line.bars.indexOf(first)); i++) {
            for (Column column : line.bars.get(i).columns) {
                double top = line.topOf(column);
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
        line.sketch.add(new Mark.Line(left, y, end, y, 0.16), Ink.NOTES, Drawn.Kind.ENDING);
        line.sketch.add(new Mark.Line(left, y, left, y + ENDING_DROP, 0.16), Ink.NOTES, Drawn.Kind.ENDING);
        if (closing == BarLine.REPEAT_END || closing == BarLine.THIN_THICK) {
            line.sketch.add(new Mark.Line(end, y, end, y + ENDING_DROP, 0.16), Ink.NOTES, Drawn.Kind.ENDING);
        }
        line.sketch.add(
                new Mark.Words(endingWords(first), left + 0.4, y + 1.7, Face.BODY, ENDING_SIZE),
                Ink.NOTES,
                Drawn.Kind.ENDING);
    }
}
