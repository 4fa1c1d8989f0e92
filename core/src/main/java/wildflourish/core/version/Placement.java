package wildflourish.core.version;

import java.util.List;
import java.util.Optional;
import wildflourish.core.ornament.Choice;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Stack;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;

/** Ornaments on a span of notes, for every time through or for some. */
public record Placement(Stack stack, Span span, Passes passes) {
    public static Placement of(Ornament ornament, Span span) {
        return of(Stack.of(ornament), span);
    }

    public static Placement of(Stack stack, Span span) {
        return new Placement(stack, span, Passes.EVERY);
    }

    /** The ornament that gives the placement its name. */
    public Ornament ornament() {
        return stack.main().ornament();
    }

    /** With another ornament on top of what is there. */
    public Placement with(Choice choice) {
        return new Placement(stack.with(choice), span, passes);
    }

    public Placement withPasses(Passes newPasses) {
        return newPasses.equals(passes) ? this : new Placement(stack, span, newPasses);
    }

    /** On the notes of its span that an edited tune still has, from the first to the last of them; empty when none is left. */
    Optional<Placement> following(Tune before, Tune after) {
        List<NoteId> left = before.between(span.first(), span.last()).stream()
                .map(Note::id)
                .filter(after::has)
                .toList();
        return left.isEmpty()
                ? Optional.empty()
                : Optional.of(new Placement(stack, new Span(left.get(0), left.get(left.size() - 1)), passes));
    }
}
