package wildflourish.core.engraving;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.hand.Held;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.tune.Note;

/** What stands below the notes of a line: words sung, letters, fingerings. */
final class BelowStaff {
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
    /** Above the fingerings of a line where one of them was pinned. */
    private static final double PIN_ROOM = 0.6;

    private final MusicLine line;

    BelowStaff(MusicLine line) {
        this.line = line;
    }

    /** Words sung, then fingerings; returns the lowest edge. */
    double draw() {
        double edge = Math.max(5, lowestInk() + 0.6);
        edge = letters(syllables(edge));
        if (line.score.shows().fingerings() == Score.Fingerings.NONE) {
            return edge;
        }
        for (Setting.Hand hand : line.setting.hands()) {
            edge = fingerings(hand, edge);
        }
        return edge;
    }

    /** The fingerings of one instrument below an edge; returns their lowest one. */
    private double fingerings(Setting.Hand hand, double edge) {
        if (hand.lines().isPresent()) {
            return lanes(hand, hand.lines().get(), edge + 0.5);
        }
        double top = edge + 0.5 + (hasPin(hand) ? PIN_ROOM : 0);
        for (Column column : line.columns.values()) {
            if (column.note.isRest() || !wearsFingering(column.note)) {
                continue;
            }
            var row = hand.instrument().rowOf(column.note.melody());
            if (row.isPresent()) {
                Fingering fingering =
                        hand.path().at(column.note.id()).orElse(row.get().usual());
                Held held = hand.underOrnament(column.note.id())
                        .orElse(new Held(fingering, row.get().breath()));
                FingeringStrip.draw(line.sketch, held, column.centre(), top, Optional.of(column.note.id()));
                if (hand.isPinned(column.note.id(), fingering)) {
                    FingeringStrip.pin(line.sketch, column.centre(), top - PIN_ROOM, column.note.id());
                }
            } else {
                FingeringStrip.missing(line.sketch, column.centre(), top, column.note.id());
            }
        }
        return top + FingeringStrip.height(hand.instrument().holes());
    }

    /** Strings or rows of buttons; returns their lowest edge. */
    private double lanes(Setting.Hand hand, HandLines lines, double top) {
        List<Column> columns = line.columns.values().stream()
                .filter(column -> !column.note.isRest() && wearsFingering(column.note))
                .toList();
        LaneStrip.draw(line, hand, lines, columns, top);
        for (Column column : columns) {
            if (!hand.instrument().has(column.note.melody())) {
                FingeringStrip.missing(line.sketch, column.centre(), top, column.note.id());
            }
        }
        return top + LaneStrip.height(lines);
    }

    private boolean hasPin(Setting.Hand hand) {
        return line.columns.values().stream()
                .anyMatch(column -> hand.version()
                        .flatMap(version -> version.at(column.note.id()))
                        .filter(spot -> !spot.pin().isEmpty())
                        .isPresent());
    }

    private boolean wearsFingering(Note note) {
        return line.score.shows().fingerings() == Score.Fingerings.ALL
                || line.tune.notes().stream()
                        .filter(each -> !each.isRest()
                                && each.melody().midi() == note.melody().midi())
                        .findFirst()
                        .map(first -> first.id().equals(note.id()))
                        .orElse(false);
    }

    /** The letter of each note, below everything that is drawn so far. */
    private double letters(double edge) {
        if (!line.score.shows().letters()) {
            return edge;
        }
        for (Column column : line.columns.values()) {
            if (!column.note.isRest()) {
                String letter = column.note.melody().letter();
                double x = column.centre() - Face.BODY.width(letter, LETTER_SIZE) / 2;
                line.sketch.add(
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
        return line.sketch.drawn().stream()
                .filter(each -> BELOW_KINDS.contains(each.subject().kind()))
                .mapToDouble(each -> each.mark().box().bottom())
                .max()
                .orElse(4);
    }

    private double syllables(double edge) {
        int verses = line.columns.values().stream()
                .mapToInt(column -> column.note.marks().syllables().size())
                .max()
                .orElse(0);
        for (int verse = 0; verse < verses; verse++) {
            double y = edge + 1.6 + verse * 2.1;
            for (Column column : line.columns.values()) {
                List<String> syllables = column.note.marks().syllables();
                if (verse < syllables.size() && !syllables.get(verse).equals("_")) {
                    String words = Face.BODY.drawable(syllables.get(verse));
                    double x = column.centre() - Face.BODY.width(words, Column.SYLLABLE_SIZE) / 2;
                    line.sketch.add(
                            new Mark.Words(words, x, y, Face.BODY, Column.SYLLABLE_SIZE),
                            Ink.WORDS,
                            Drawn.Kind.WORDS,
                            column.note.id());
                }
            }
        }
        return verses == 0 ? edge : edge + 1.0 + verses * 2.1;
    }
}
