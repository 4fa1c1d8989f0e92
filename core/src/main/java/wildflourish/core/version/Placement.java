package wildflourish.core.version;

import java.util.List;
import java.util.Optional;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;

/** An ornament on a span of notes, for every time through or for some. */
public record Placement(Ornament ornament, Span span, Passes passes) {
    public static Placement of(Ornament ornament, Span span) {
        return new Placement(ornament, span, Passes.EVERY);
    }

    public Placement withPasses(Passes newPasses) {
        return newPasses.equals(passes) ? this : new Placement(ornament, span, newPasses);
    }

    /** On the notes of its span that an edited tune still has, from the first to the last of them; empty when none is left. */
    Optional<Placement> following(Tune before, Tune after) {
        List<NoteId> left = before.between(span.first(), span.last()).stream()
                .map(Note::id)
                .filter(after::has)
                .toList();
        return left.isEmpty()
                ? Optional.empty()
                : Optional.of(new Placement(ornament, new Span(left.get(0), left.get(left.size() - 1)), passes));
    }
}
