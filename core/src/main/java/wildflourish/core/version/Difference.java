package wildflourish.core.version;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;

/**
 * What one version of a tune has over another: what is new in it, what has become something else, what is gone. All else is the same in both.
 *
 * @param added in the order of the tune
 */
public record Difference(List<Placement> added, List<Change> changed, List<Placement> gone) {
    /** Something that has become something else on the same notes. */
    public record Change(Placement before, Placement after) {}

    public Difference {
        added = List.copyOf(added);
        changed = List.copyOf(changed);
        gone = List.copyOf(gone);
    }

    public static Difference between(Tune tune, Version before, Version after) {
        List<Placement> added = new ArrayList<>();
        List<Change> changed = new ArrayList<>();
        Set<Placement> met = new HashSet<>();
        for (Placement now : played(after)) {
            Optional<Placement> old = played(before).stream()
                    .filter(each -> each.span().overlaps(now.span(), tune))
                    .filter(each -> !met.contains(each))
                    .findFirst();
            old.ifPresentOrElse(
                    was -> {
                        met.add(was);
                        if (!was.equals(now)) {
                            changed.add(new Change(was, now));
                        }
                    },
                    () -> added.add(now));
        }
        List<Placement> gone =
                played(before).stream().filter(each -> !met.contains(each)).toList();
        return new Difference(added, changed, gone);
    }

    /** What of it begins in some bars of the tune, from the first to the last. */
    public Difference within(Tune tune, int firstBar, int lastBar) {
        Predicate<Placement> isThere = placement -> {
            int bar = tune.placeOf(placement.span().first()).bar();
            return firstBar <= bar && bar <= lastBar;
        };
        return new Difference(
                added.stream().filter(isThere).toList(),
                changed.stream().filter(change -> isThere.test(change.after())).toList(),
                gone.stream().filter(isThere).toList());
    }

    private static List<Placement> played(Version version) {
        return version.spots().values().stream()
                .flatMap(spot -> spot.first().stream())
                .toList();
    }

    public boolean isNothing() {
        return added.isEmpty() && changed.isEmpty() && gone.isEmpty();
    }

    /** The notes on which something begins that is new. */
    public Set<NoteId> newNotes() {
        Set<NoteId> notes = new HashSet<>();
        added.forEach(placement -> notes.add(placement.span().first()));
        return notes;
    }

    /** The notes on which something begins that has become something else. */
    public Set<NoteId> changedNotes() {
        Set<NoteId> notes = new HashSet<>();
        changed.forEach(change -> notes.add(change.after().span().first()));
        return notes;
    }
}
