package wildflourish.core.form;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.music.Fraction;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;

/**
 * The notes of a phrase as they are compared: pickups, further endings and what leads over into the next phrase left out, tied notes joined.
 *
 * @param lengthWholeNotes of its bars
 */
record Contour(List<Event> events, Fraction lengthWholeNotes) {
    /** By how much of the phrase two beginnings must agree to be the same start, as a share. */
    private static final Fraction SAME_START = Fraction.of(3, 10);

    private static final Fraction CROTCHET = Fraction.of(1, 4);
    private static final int LEAST_FOR_RHYTHM = 4;

    /** A note: where it begins in the phrase, in whole notes; its height on the staff and in semitones; its length. */
    record Event(Fraction start, int staffStep, int midi, Fraction length) {}

    Contour {
        events = List.copyOf(events);
    }

    /** Of bars as written, the last of which may be followed by further endings. */
    static Contour of(Tune tune, int firstBar, int lastBar, Fraction pickup) {
        List<Event> events = new ArrayList<>();
        Fraction start = Fraction.ZERO;
        Fraction lastStart = Fraction.ZERO;
        Fraction full = Fraction.ZERO;
        boolean isTied = false;
        for (int number : played(tune, firstBar, lastBar)) {
            Bar bar = tune.bars().get(number);
            lastStart = start;
            full = tune.metreAt(number).barLength();
            Fraction now = start;
            for (Note note : bar.notes()) {
                if (!note.isRest() && isTied) {
                    Event last = events.remove(events.size() - 1);
                    events.add(new Event(last.start, last.staffStep, last.midi, last.length.plus(note.played())));
                } else if (!note.isRest()) {
                    events.add(new Event(
                            now, note.melody().staffStep(), note.melody().midi(), note.played()));
                }
                isTied = !note.isRest() && note.marks().joins().tied();
                now = now.plus(note.played());
            }
            start = now;
        }
        return new Contour(withoutLead(events, lastStart.plus(full).minus(pickup), pickup), start);
    }

    /** Without pickups, and without any ending but the first. */
    private static List<Integer> played(Tune tune, int firstBar, int lastBar) {
        List<Integer> played = new ArrayList<>();
        boolean inFirst = false;
        for (int bar = firstBar; bar <= lastBar; bar++) {
            boolean opens = !tune.bars().get(bar).ending().isEmpty();
            if (opens && inFirst) {
                break;
            }
            inFirst |= opens;
            if (!tune.form().isPickup(bar)) {
                played.add(bar);
            }
        }
        return played;
    }

    /** What stands where the pickup stands, after a note of a crotchet or longer, leads over and belongs to what follows. */
    private static List<Event> withoutLead(List<Event> events, Fraction leadStart, Fraction pickup) {
        if (pickup.isZero()) {
            return events;
        }
        List<Event> kept =
                events.stream().filter(each -> each.start.isLessThan(leadStart)).toList();
        boolean isAfterLongNote = !kept.isEmpty()
                && !kept.get(kept.size() - 1).length.isLessThan(CROTCHET)
                && kept.size() < events.size();
        return isAfterLongNote ? kept : events;
    }

    /** What this phrase has in common with an earlier one; empty where nothing much. */
    Optional<Phrase.Likeness> likenessTo(Contour earlier, String name) {
        if (events.isEmpty() || earlier.events.isEmpty()) {
            return Optional.empty();
        }
        if (isSame(earlier)) {
            return Optional.of(new Phrase.Likeness(Phrase.Kind.SAME, name, 0));
        }
        if (differsInOneNote(earlier)) {
            return Optional.of(new Phrase.Likeness(Phrase.Kind.ONE_NOTE, name, 0));
        }
        if (!commonStart(earlier).isLessThan(longer(earlier).times(SAME_START))) {
            return Optional.of(new Phrase.Likeness(Phrase.Kind.SAME_START, name, 0));
        }
        int steps = events.get(0).staffStep - earlier.events.get(0).staffStep;
        if (hasRhythmOf(earlier) && isMovedBy(earlier, steps)) {
            return Optional.of(new Phrase.Likeness(Phrase.Kind.MOVED, name, steps));
        }
        return hasRhythmOf(earlier) && hasCharacter()
                ? Optional.of(new Phrase.Likeness(Phrase.Kind.SAME_RHYTHM, name, 0))
                : Optional.empty();
    }

    private Fraction longer(Contour other) {
        return lengthWholeNotes.max(other.lengthWholeNotes);
    }

    /** Starts and pitches alike; how long the last note rings is the performer's. */
    boolean isSame(Contour other) {
        return events.size() == other.events.size() && firstDifference(other) == events.size();
    }

    private int firstDifference(Contour other) {
        int index = 0;
        while (index < events.size() && index < other.events.size() && isAlike(index, other)) {
            index++;
        }
        return index;
    }

    private boolean isAlike(int index, Contour other) {
        Event one = events.get(index);
        Event two = other.events.get(index);
        return one.start.equals(two.start) && one.midi == two.midi;
    }

    private boolean differsInOneNote(Contour other) {
        if (events.size() != other.events.size() || events.size() < LEAST_FOR_RHYTHM) {
            return false;
        }
        int differing = 0;
        for (int i = 0; i < events.size(); i++) {
            if (!events.get(i).start.equals(other.events.get(i).start)) {
                return false;
            }
            differing += events.get(i).midi == other.events.get(i).midi ? 0 : 1;
        }
        return differing == 1;
    }

    /** How long both go the same way from their beginning, in whole notes. */
    private Fraction commonStart(Contour other) {
        int index = firstDifference(other);
        if (index == 0) {
            return Fraction.ZERO;
        }
        Fraction here = index < events.size() ? events.get(index).start : lengthWholeNotes;
        Fraction there = index < other.events.size() ? other.events.get(index).start : other.lengthWholeNotes;
        return here.min(there);
    }

    private boolean hasRhythmOf(Contour other) {
        if (events.size() != other.events.size() || events.size() < LEAST_FOR_RHYTHM) {
            return false;
        }
        for (int i = 0; i < events.size(); i++) {
            if (!events.get(i).start.equals(other.events.get(i).start)) {
                return false;
            }
        }
        return true;
    }

    private boolean isMovedBy(Contour earlier, int steps) {
        if (steps == 0) {
            return false;
        }
        for (int i = 0; i < events.size(); i++) {
            if (events.get(i).staffStep - earlier.events.get(i).staffStep != steps) {
                return false;
            }
        }
        return true;
    }

    /** A rhythm that one notices: not a plain run of equal notes. */
    private boolean hasCharacter() {
        Set<Fraction> lengths = new HashSet<>();
        events.forEach(each -> lengths.add(each.length));
        return lengths.size() > 1;
    }
}
