package wildflourish.core.growing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.instrument.Family;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Stack;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;

/** What stands at the stages below and above one that is planned, and what may stand between them: what it bears, and is borne by. */
final class Neighbours {
    private final Tune tune;
    private final Growing growing;
    /** For each note what lies on it in the stage below. */
    private final List<List<Lying>> lower;
    /** For each note what lies on it in the stage above, as that is planned; empty while that is not. */
    private final Optional<List<List<Lying>>> upper;
    /** For each note what lies on it in any stage above and stays. */
    private final List<List<Lying>> staying;

    Neighbours(
            Tune tune,
            Growing growing,
            List<Placement> below,
            Optional<List<Placement>> above,
            List<Placement> staying) {
        this.tune = tune;
        this.growing = growing;
        this.lower = byNote(below);
        this.upper = above.map(this::byNote);
        this.staying = byNote(staying);
    }

    /** What grows from what on a family's instruments, each pair of ornaments found once. */
    static final class Growing {
        private final Family family;
        private final Map<String, Map<String, Boolean>> known = new HashMap<>();

        Growing(Family family) {
            this.family = family;
        }

        boolean isGrown(Stack lower, Stack higher) {
            return higher.isGrownFrom(lower, this::isGrown);
        }

        private boolean isGrown(Ornament lower, Ornament higher) {
            return known.computeIfAbsent(lower.id(), key -> new HashMap<>())
                    .computeIfAbsent(higher.id(), key -> higher.isGrownFrom(lower, family));
        }
    }

    /** Something with the boundaries of the row that it lies between. */
    private record Lying(Placement placement, int from, int to) {}

    private List<List<Lying>> byNote(List<Placement> placements) {
        List<List<Lying>> byNote = new ArrayList<>();
        for (int note = 0; note < tune.notes().size(); note++) {
            byNote.add(new ArrayList<>());
        }
        for (Placement placement : placements) {
            Lying lying = new Lying(
                    placement,
                    tune.placeOf(placement.span().first()).order(),
                    tune.placeOf(placement.span().last()).order() + 1);
            for (int note = lying.from(); note < lying.to(); note++) {
                byNote.get(note).add(lying);
            }
        }
        return byNote;
    }

    /** Whether a note may stay plain: nothing stands below it. */
    boolean admitsPlain(int note) {
        return lower.get(note).isEmpty();
    }

    /** Whether something bears all that it meets below, and is borne by all that it meets above. */
    boolean admits(Option option, Placement placement) {
        Lying own = new Lying(placement, option.from(), option.to());
        boolean isBorneByOne = upper.isEmpty();
        for (int note = option.from(); note < option.to(); note++) {
            for (Lying each : lower.get(note)) {
                if (!isBorne(each, own)) {
                    return false;
                }
            }
            for (Lying each : staying.get(note)) {
                if (!isBorne(own, each)) {
                    return false;
                }
            }
            for (Lying each : upper(note)) {
                if (!isBorne(own, each)) {
                    return false;
                }
                isBorneByOne = true;
            }
        }
        return isBorneByOne;
    }

    private List<Lying> upper(int note) {
        return upper.map(all -> all.get(note)).orElse(List.of());
    }

    /** Whether one grows into the other on notes that this covers, or is the same. */
    private boolean isBorne(Lying lower, Lying higher) {
        return isBorne(growing, lower, higher);
    }

    /** The same of options with what they stand for. */
    static boolean isBorne(Growing growing, Option lower, Placement light, Option higher, Placement heavy) {
        return isBorne(
                growing, new Lying(light, lower.from(), lower.to()), new Lying(heavy, higher.from(), higher.to()));
    }

    private static boolean isBorne(Growing growing, Lying lower, Lying higher) {
        if (lower.from() < higher.from() || higher.to() < lower.to()) {
            return false;
        }
        Stack light = lower.placement().stack();
        Stack heavy = higher.placement().stack();
        boolean isAsLong = lower.to() - lower.from() == higher.to() - higher.from();
        return (isAsLong && light.equals(heavy)) || (light.weight() <= heavy.weight() && growing.isGrown(light, heavy));
    }
}
