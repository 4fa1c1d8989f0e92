package wildflourish.core.engraving;

import java.util.Optional;
import wildflourish.core.tune.NoteId;

/** A mark with its ink and what it stands for. */
public record Drawn(Mark mark, Ink ink, Subject subject) {
    /** What a mark is part of. */
    public enum Kind {
        STAFF,
        CLEF,
        KEY,
        METRE,
        BAR_LINE,
        HEAD,
        STEM,
        BEAM,
        FLAG,
        DOT,
        LEDGER,
        ACCIDENTAL,
        REST,
        SMALL_NOTE,
        CURVE,
        TUPLET,
        ENDING,
        DECORATION,
        /** The line of a slide, in the staff beside its head. */
        SLIDE,
        SIGN,
        FINGERING,
        LETTER,
        MISSING,
        SENTENCE,
        PAPER,
        /** Of an instrument drawn as it is. */
        PICTURE,
        WORDS
    }

    /** The kind of thing and the note it belongs to, if any. */
    public record Subject(Kind kind, Optional<NoteId> note) {}

    public Drawn moved(double dx, double dy) {
        return new Drawn(mark.moved(dx, dy), ink, subject);
    }
}
