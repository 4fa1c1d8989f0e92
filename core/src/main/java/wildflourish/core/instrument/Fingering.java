package wildflourish.core.instrument;

import java.util.ArrayList;
import java.util.List;

/**
 * The holes of a wind instrument from the mouth down, each closed, open or half closed; written {@code XXXOOO}. Eight of them begin with the
 * thumb.
 *
 * @param offKnee whether the end of a union chanter is lifted off the knee; written with {@code ^} at the end
 */
public record Fingering(List<Hole> holes, boolean offKnee) {
    /** How many signs an instrument with a thumb hole has. */
    private static final int WITH_THUMB = 8;

    public Fingering {
        holes = List.copyOf(holes);
    }

    public static Fingering parse(String text) {
        boolean isOffKnee = text.endsWith("^");
        String signs = isOffKnee ? text.substring(0, text.length() - 1) : text;
        return new Fingering(
                signs.chars().mapToObj(sign -> Hole.of((char) sign)).toList(), isOffKnee);
    }

    public boolean hasThumb() {
        return holes.size() == WITH_THUMB;
    }

    /** What players call a hole, counted from 1 in the string: T for the thumb, then 1, 2 … from the mouth down. */
    public String nameOf(int hole) {
        return !hasThumb() ? String.valueOf(hole) : hole == 1 ? "T" : String.valueOf(hole - 1);
    }

    /** The state of a hole, counted from 1 at the mouth. */
    public Hole at(int hole) {
        return holes.get(hole - 1);
    }

    /** The same fingering with one hole changed; holes count from 1. */
    public Fingering with(int hole, Hole state) {
        if (at(hole) == state) {
            return this;
        }
        List<Hole> changed = new ArrayList<>(holes);
        changed.set(hole - 1, state);
        return new Fingering(changed, offKnee);
    }

    /** The same holes with the chanter on the knee. */
    public Fingering onKnee() {
        return offKnee ? new Fingering(holes, false) : this;
    }

    public boolean isAll(Hole state) {
        return holes.stream().allMatch(state::equals);
    }

    public boolean has(Hole state) {
        return holes.contains(state);
    }

    /**
     * Whether a closed hole lies below an open one, so that fingers must skip. The one open hole that helps a second register speak, a thumb hole,
     * and a lower hand that only steadies the hold while the upper one is off, do not count.
     */
    public boolean isCrossed() {
        int first = hasThumb() ? 2 : 1;
        boolean isOnlyVent = at(first) == Hole.OPEN
                && holes.subList(first, holes.size()).stream().allMatch(Hole.CLOSED::equals);
        boolean isUpperHandOff = holes.subList(first - 1, first + 2).stream().allMatch(Hole.OPEN::equals);
        if (isUpperHandOff) {
            return false;
        }
        boolean open = false;
        for (int hole = first; hole <= holes.size(); hole++) {
            if (open && at(hole) == Hole.CLOSED) {
                return !isOnlyVent;
            }
            open |= at(hole) == Hole.OPEN;
        }
        return false;
    }

    /** How many fingers move from this to another. */
    public int fingersTo(Fingering other) {
        int moved = 0;
        for (int hole = 1; hole <= holes.size(); hole++) {
            moved += at(hole) == other.at(hole) ? 0 : 1;
        }
        return moved;
    }

    /** Number of the first hole from the mouth that is not closed, 0 when all are. */
    public int firstOpen() {
        for (int i = 0; i < holes.size(); i++) {
            if (holes.get(i) != Hole.CLOSED) {
                return i + 1;
            }
        }
        return 0;
    }

    @Override
    public String toString() {
        StringBuilder text = new StringBuilder();
        holes.forEach(hole -> text.append(hole.sign()));
        return text.append(offKnee ? "^" : "").toString();
    }
}
