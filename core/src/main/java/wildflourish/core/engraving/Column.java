package wildflourish.core.engraving;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.tune.Note;

/**
 * A note, chord or rest being set. Heights are in staff spaces below the top line; {@code x} is the left edge of the head. Stem and x are
 * settled step by step: direction by the beams, x by the spacing, the stem's end by the beams again.
 */
final class Column {
    static final double HEAD_WIDTH = 1.18;
    static final double SMALL = 0.6;
    /** How far a slide or a fall reaches below the middle of its head. */
    private static final double SLIDE_FOOT = 1;

    /** The line of a slide from one end to the other. */
    static final double SLIDE_WIDTH = 0.95;

    private static final double SMALL_NOTE_WIDTH = 1.05;
    static final double SYLLABLE_SIZE = 1.7;
    /** How far an accidental reaches above and below its head. */
    private static final double ACCIDENTAL_REACH = 1.4;

    private static final double FLAT_RISE = 1.8;

    static final double SMALL_STEM = 2.3;
    /** How far a ledger line reaches past its head. */
    static final double LEDGER_REACH = 0.35;
    /** How far below the heads the curve from small notes to their note stands. */
    static final double SMALL_CURVE = 0.75;

    private static final double MIDDLE_LINE = 2;
    private static final double STEM = 3.5;

    final Note note;
    final NoteValue value;
    final boolean fillsBar;
    final List<WrittenPitch> accidentals = new ArrayList<>();
    double x;
    boolean isStemUp;
    boolean isBeamed;
    double stemEnd;

    Column(Note note, boolean fillsBar) {
        this.note = note;
        this.value = NoteValue.of(note.duration().notated());
        this.fillsBar = fillsBar;
        this.isStemUp = !note.isRest() && top() + bottom() > 2 * MIDDLE_LINE;
        this.stemEnd = plainStemEnd();
    }

    /** Height of a staff step: 4 for E4 on the bottom line, 0 for F5 on the top one. */
    static double yOf(int staffStep) {
        return 4 - (staffStep - 30) / 2.0;
    }

    static double yOf(WrittenPitch pitch) {
        return yOf(pitch.staffStep());
    }

    /** Height of the highest head. */
    double top() {
        return note.isRest()
                ? MIDDLE_LINE
                : yOf(note.pitches().get(note.pitches().size() - 1));
    }

    double bottom() {
        return note.isRest() ? MIDDLE_LINE : yOf(note.pitches().get(0));
    }

    boolean hasStem() {
        return !note.isRest() && value.hasStem();
    }

    boolean hasFlag() {
        return hasStem() && !isBeamed && value.flags() > 0;
    }

    double plainStemEnd() {
        double extra = Math.max(0, value.flags() - 1) * 0.5;
        return isStemUp ? Math.min(top() - STEM - extra, MIDDLE_LINE) : Math.max(bottom() + STEM + extra, MIDDLE_LINE);
    }

    double stemX() {
        return isStemUp ? x + HEAD_WIDTH - 0.06 : x + 0.06;
    }

    double centre() {
        return x + HEAD_WIDTH / 2;
    }

    /** Whether a head is pushed to the other side of the stem, because its neighbour is a step away. */
    boolean isPushed(int index) {
        List<WrittenPitch> pitches = note.pitches();
        int step = isStemUp ? 1 : -1;
        boolean pushed = false;
        for (int i = isStemUp ? 0 : pitches.size() - 1; i != index; i += step) {
            int gap =
                    Math.abs(pitches.get(i + step).staffStep() - pitches.get(i).staffStep());
            pushed = gap <= 1 && !pushed;
        }
        return pushed;
    }

    boolean hasPushedHead() {
        for (int i = 0; i < note.pitches().size(); i++) {
            if (isPushed(i)) {
                return true;
            }
        }
        return false;
    }

    /** Ink to the left of the head: accidentals, a slide, small notes. */
    double leftInk() {
        double pushed = hasPushedHead() && !isStemUp ? HEAD_WIDTH : 0;
        return Math.max(accidentalInk() + slideIn() + smallNotesInk() + pushed, Math.max(ledgerReach(), wordReach()));
    }

    double accidentalInk() {
        double ink = 0;
        for (WrittenPitch pitch : accidentals) {
            ink += GlyphFont.of(accidentalGlyph(pitch)).advance() + 0.22;
        }
        return ink;
    }

    /** The room of a slide into the head. */
    double slideIn() {
        boolean slides = note.marks().decorations().stream()
                .anyMatch(sign -> sign.startsWith("slide") && !sign.equals("slide-on"));
        return slides ? SLIDE_WIDTH + 0.2 : 0;
    }

    /** The room of a slide out of the head, or of a fall from it. */
    private double slideOut() {
        List<String> signs = note.marks().decorations();
        return signs.contains("slide-on") || signs.contains("fall") ? SLIDE_WIDTH + 0.35 : 0;
    }

    /** Where a slide out of the head begins: past its dots and flag. */
    double slideOutX() {
        return x + headInk() + 0.2;
    }

    double smallNotesInk() {
        int count = note.marks().graces().pitches().size();
        return count == 0 ? 0 : count * SMALL_NOTE_WIDTH + 0.35;
    }

    /** Where the stems of the small notes end; positive infinity where there are none. */
    double smallTop() {
        return note.marks().graces().pitches().stream()
                        .mapToDouble(Column::yOf)
                        .min()
                        .orElse(Double.POSITIVE_INFINITY)
                - SMALL_STEM;
    }

    /** The highest ink of heads, stem, accidentals and small notes. */
    double highest() {
        return Math.min(Math.min(inkTop(), smallTop()), top() - accidentalRise());
    }

    /** The lowest of heads, accidentals, a slide into the head or a fall from it, and the curve below the small notes; stems are not asked. */
    double lowest() {
        double small = note.marks().graces().pitches().stream()
                .mapToDouble(Column::yOf)
                .max()
                .orElse(Double.NEGATIVE_INFINITY);
        double heads = Math.max(bottom() + accidentalReach(), slideFoot());
        return Double.isInfinite(small) ? heads : Math.max(heads, Math.max(small, bottom()) + SMALL_CURVE + 0.55);
    }

    /** The lower end of a slide into the head or of a fall; negative infinity where there is neither. */
    private double slideFoot() {
        boolean isLow = slideIn() > 0 || note.marks().decorations().contains("fall");
        return isLow && !note.isRest() ? yOf(note.melody()) + SLIDE_FOOT : Double.NEGATIVE_INFINITY;
    }

    /** A flat rises higher over its head than it reaches below. */
    private double accidentalRise() {
        boolean hasFlat = accidentals.stream().anyMatch(pitch -> pitch.alter() < 0);
        return hasFlat ? FLAT_RISE : accidentalReach();
    }

    private double accidentalReach() {
        return accidentals.isEmpty() ? 0 : ACCIDENTAL_REACH;
    }

    double smallNoteX(int index) {
        return x - accidentalInk() - slideIn() - smallNotesInk() + index * SMALL_NOTE_WIDTH;
    }

    /** Ink from the head's left edge to the right: head, dots, flag, a slide on. */
    double rightInk() {
        return Math.max(headInk() + slideOut(), HEAD_WIDTH + wordReach());
    }

    /** Heads with their dots, flag and ledger lines. */
    private double headInk() {
        double head = note.isRest() ? 1.1 : HEAD_WIDTH + (hasPushedHead() && isStemUp ? HEAD_WIDTH : 0);
        double dots = value.dots() * 0.65;
        double flag = hasFlag() && isStemUp ? 0.95 : 0;
        return head + Math.max(Math.max(dots, flag), ledgerReach());
    }

    private double ledgerReach() {
        boolean hasLedger = !note.isRest() && (bottom() >= 5 || top() <= -1);
        return hasLedger ? LEDGER_REACH : 0;
    }

    /** How far the widest syllable below reaches past the head on either side. */
    private double wordReach() {
        double widest = 0;
        for (String syllable : note.marks().syllables()) {
            widest = Math.max(widest, Face.BODY.width(syllable, SYLLABLE_SIZE));
        }
        return Math.max(0, (widest - HEAD_WIDTH) / 2);
    }

    /** The highest ink of heads and stem. */
    double inkTop() {
        double heads = top() - 0.5;
        return hasStem() && isStemUp ? Math.min(heads, stemEnd) : heads;
    }

    double inkBottom() {
        double heads = bottom() + 0.5;
        return hasStem() && !isStemUp ? Math.max(heads, stemEnd) : heads;
    }

    /** Cents that a pitch lies above its step, to the nearest quarter-tone: 100 for a sharp, 50 for a quarter-tone sharp. */
    int centsOf(WrittenPitch pitch) {
        int own = pitch.equals(note.melody()) ? note.cents() : 0;
        return 100 * pitch.alter() + 50 * Math.round(own / 50f);
    }

    /** The sign of a pitch; signs of quarter-tones are Stein's, and Zimmermann's for three flat. */
    String accidentalGlyph(WrittenPitch pitch) {
        return switch (centsOf(pitch)) {
            case -150 -> "accidentalThreeQuarterTonesFlatZimmermann";
            case -50 -> "accidentalQuarterToneFlatStein";
            case 50 -> "accidentalQuarterToneSharpStein";
            case 150 -> "accidentalThreeQuarterTonesSharpStein";
            default -> accidentalGlyph(Math.max(-2, Math.min(2, Math.round(centsOf(pitch) / 100f))));
        };
    }

    static String accidentalGlyph(int alter) {
        return switch (alter) {
            case -2 -> "accidentalDoubleFlat";
            case -1 -> "accidentalFlat";
            case 1 -> "accidentalSharp";
            case 2 -> "accidentalDoubleSharp";
            default -> "accidentalNatural";
        };
    }
}
