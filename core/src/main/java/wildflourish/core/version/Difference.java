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
        List<Lying> old = lying(tune, before);
        List<Placement> added = new ArrayList<>();
        List<Change> changed = new ArrayList<>();
        Set<Placement> met = new HashSet<>();
        for (Lying now : lying(tune, after)) {
            Optional<Placement> under = old.stream()
                    .filter(now::overlaps)
                    .map(Lying::placement)
                    .filter(each -> !met.contains(each))
                    .findFirst();
            under.ifPresentOrElse(
                    was -> {
                        met.add(was);
                        if (!was.equals(now.placement())) {
                            changed.add(new Change(was, now.placement()));
                        }
                    },
                    () -> added.add(now.placement()));
        }
        List<Placement> gone = old.stream()
                .map(Lying::placement)
                .filter(each -> !met.contains(each))
                .toList();
        return new Difference(added, changed, gone);
    }

    /** A placement on the notes from one to another, counted from 0 in the order of the tune. */
    private record Lying(Placement placement, int first, int last) {
        boolean overlaps(Lying other) {
            return first <= other.last && other.first <= last;
        }
    }

    private static List<Lying> lying(Tune tune, Version version) {
        return version.spots().values().stream()
                .flatMap(spot -> spot.first().stream())
                .map(placement -> new Lying(
                        placement,
                        tune.placeOf(placement.span().first()).order(),
                        tune.placeOf(placement.span().last()).order()))
                .toList();
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
