package wildflourish.core.placing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Shape;
import wildflourish.core.tune.Note;
import wildflourish.core.version.Span;

/**
 * An ornament tried over a span that begins at the note of a situation.
 *
 * @param shape the shape it takes over that span; empty when it has none of that length
 */
public record Candidate(Ornament ornament, Span span, Optional<Shape> shape) {
    /** Every span over which the ornament has a shape, the longest first; where there is none, the bare note without a shape. */
    static List<Candidate> of(Situation situation, Ornament ornament) {
        List<Candidate> found = new ArrayList<>();
        for (Shape shape : ornament.shapes()) {
            Optional<Span> span = shape.span().isEmpty()
                    ? Optional.of(Span.of(situation.note().id()))
                    : spanOf(
                            situation,
                            ornament.manner().replaces(),
                            shape.span().get());
            span.ifPresent(notes -> found.add(0, new Candidate(ornament, notes, Optional.of(shape))));
        }
        if (found.isEmpty()) {
            found.add(new Candidate(ornament, Span.of(situation.note().id()), Optional.empty()));
        }
        return found;
    }

    private static Optional<Span> spanOf(Situation situation, Ornament.Replaces replaces, Fraction length) {
        List<Note> taken = new ArrayList<>();
        Fraction sum = Fraction.ZERO;
        Optional<Note> next = Optional.of(situation.note());
        int bar = situation.place().bar();
        while (next.isPresent() && sum.isLessThan(length)) {
            Note note = next.get();
            if (note.isRest() || situation.tune().placeOf(note.id()).bar() != bar) {
                return Optional.empty();
            }
            taken.add(note);
            sum = sum.plus(note.played());
            next = situation.tune().neighbour(note.id(), 1);
        }
        if (!sum.equals(length) || !mayStandFor(situation, replaces, taken)) {
            return Optional.empty();
        }
        return Optional.of(
                new Span(taken.get(0).id(), taken.get(taken.size() - 1).id()));
    }

    private static boolean mayStandFor(Situation situation, Ornament.Replaces replaces, List<Note> notes) {
        boolean bare = notes.stream()
                .skip(1)
                .allMatch(note -> note.marks().graces().isEmpty()
                        && !note.isChord()
                        && situation.tune().tupletAt(note.id()).isEmpty());
        return switch (replaces) {
            case NOTE -> notes.size() == 1;
            case EQUAL -> bare && areEqual(notes);
            case TURN -> bare && (areEqual(notes) || (isTurn(notes) && situation.isOnBeat()));
        };
    }

    static boolean areEqual(List<Note> notes) {
        return notes.stream().allMatch(note -> note.melody().equals(notes.get(0).melody()));
    }

    /** Three notes of one length: a note, a neighbour one step off, the note again. */
    static boolean isTurn(List<Note> notes) {
        return notes.size() == 3
                && notes.get(0).melody().equals(notes.get(2).melody())
                && Math.abs(notes.get(0).melody().staffStep()
                                - notes.get(1).melody().staffStep())
                        == 1
                && notes.stream()
                        .allMatch(note -> note.played().equals(notes.get(0).played()));
    }
}
