package wildflourish.desktop.view;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.engraving.Drawn;
import wildflourish.core.engraving.Page;
import wildflourish.core.tune.NoteId;

/** Heads that an ornament adds to those of a note, as a drone or a second string does, with their ledger lines and accidentals: told by their height, wherever the whole system has moved to. */
final class NewHeads {
    private static final double SAME = 0.01;

    private final Page before;
    private final Page after;

    NewHeads(Page before, Page after) {
        this.before = before;
        this.after = after;
    }

    /** Of some notes; none of a note that has as many heads as before. */
    Set<Drawn> of(Set<NoteId> notes) {
        Set<Drawn> fresh = new HashSet<>();
        for (NoteId note : notes) {
            moved(note).ifPresent(by -> {
                fresh.addAll(fresh(note, Drawn.Kind.HEAD, by));
                fresh.addAll(fresh(note, Drawn.Kind.LEDGER, by));
                fresh.addAll(fresh(note, Drawn.Kind.ACCIDENTAL, by));
            });
        }
        return fresh;
    }

    private static List<Drawn> all(Page page, NoteId note, Drawn.Kind kind) {
        return page.drawn().stream()
                .filter(each ->
                        each.subject().kind() == kind && each.subject().note().equals(Optional.of(note)))
                .toList();
    }

    private static double top(Drawn drawn) {
        return drawn.mark().box().top();
    }

    /** How far down the heads of before lie now, so that each is there still; empty where none has come. */
    private Optional<Double> moved(NoteId note) {
        List<Drawn> old = all(before, note, Drawn.Kind.HEAD);
        List<Drawn> now = all(after, note, Drawn.Kind.HEAD);
        if (old.isEmpty() || now.size() <= old.size()) {
            return Optional.empty();
        }
        return now.stream()
                .map(head -> top(head) - top(old.get(0)))
                .filter(by -> left(old, now, by).size() == now.size() - old.size())
                .min(Comparator.comparingDouble(Math::abs));
    }

    private List<Drawn> fresh(NoteId note, Drawn.Kind kind, double by) {
        return left(all(before, note, kind), all(after, note, kind), by);
    }

    /** What is left of the marks of after when each of before has taken its own. */
    private static List<Drawn> left(List<Drawn> old, List<Drawn> now, double by) {
        List<Drawn> left = new ArrayList<>(now);
        for (Drawn each : old) {
            left.stream()
                    .filter(other -> Math.abs(top(other) - top(each) - by) < SAME)
                    .findFirst()
                    .ifPresent(left::remove);
        }
        return left;
    }
}
