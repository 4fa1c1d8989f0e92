package wildflourish.core.tune;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;

/**
 * Identities carried over an edit: notes of the changed tune that are the notes of the old one get their identity back, notes that are new
 * get one that was never used. So placements, which name notes by identity, follow their notes.
 *
 * <p>Notes are matched in order by their longest common subsequence of pitch and length; between two matched notes a changed note stands for the old one at its place, as long as both stretches have the same count.
 */
public final class Identities {
    /** Beyond this many cells the table is not worth its memory: matching goes from both ends inward instead. */
    private static final long MOST_CELLS = 4_000_000;

    private final List<Note> before;
    private final List<Note> after;
    private final Map<NoteId, NoteId> carried = new HashMap<>();

    private Identities(List<Note> before, List<Note> after) {
        this.before = before;
        this.after = after;
    }

    /** The changed tune with the identities of the tune it was made from. */
    public static Tune carry(Tune before, Tune after) {
        Identities identities = new Identities(before.notes(), after.notes());
        identities.match();
        identities.nameTheRest();
        return renamed(after, identities.carried);
    }

    private void match() {
        int head = 0;
        while (head < Math.min(before.size(), after.size()) && same(before.get(head), after.get(head))) {
            pair(head, head);
            head++;
        }
        int tail = 0;
        while (tail < Math.min(before.size(), after.size()) - head
                && same(before.get(before.size() - 1 - tail), after.get(after.size() - 1 - tail))) {
            pair(before.size() - 1 - tail, after.size() - 1 - tail);
            tail++;
        }
        between(head, before.size() - tail, head, after.size() - tail);
    }

    private void pair(int old, int changed) {
        carried.put(after.get(changed).id(), before.get(old).id());
    }

    private static boolean same(Note one, Note other) {
        return one.pitches().equals(other.pitches()) && one.played().equals(other.played());
    }

    /** Matches the stretch between the common beginning and the common end. */
    private void between(int oldFrom, int oldTo, int newFrom, int newTo) {
        int rows = oldTo - oldFrom;
        int columns = newTo - newFrom;
        if (rows == columns || (long) rows * columns > MOST_CELLS) {
            standIn(oldFrom, oldTo, newFrom, newTo);
            return;
        }
        int[][] common = new int[rows + 1][columns + 1];
        for (int i = rows - 1; i >= 0; i--) {
            for (int j = columns - 1; j >= 0; j--) {
                common[i][j] = same(before.get(oldFrom + i), after.get(newFrom + j))
                        ? common[i + 1][j + 1] + 1
                        : Math.max(common[i + 1][j], common[i][j + 1]);
            }
        }
        int i = 0;
        int j = 0;
        int oldGap = 0;
        int newGap = 0;
        while (i < rows && j < columns) {
            if (same(before.get(oldFrom + i), after.get(newFrom + j))) {
                standIn(oldFrom + oldGap, oldFrom + i, newFrom + newGap, newFrom + j);
                pair(oldFrom + i++, newFrom + j++);
                oldGap = i;
                newGap = j;
            } else if (common[i + 1][j] >= common[i][j + 1]) {
                i++;
            } else {
                j++;
            }
        }
        standIn(oldFrom + oldGap, oldTo, newFrom + newGap, newTo);
    }

    /** Stretches of one count: each changed note is the old one at its place. */
    private void standIn(int oldFrom, int oldTo, int newFrom, int newTo) {
        if (oldTo - oldFrom == newTo - newFrom) {
            for (int k = 0; k < oldTo - oldFrom; k++) {
                pair(oldFrom + k, newFrom + k);
            }
        }
    }

    private void nameTheRest() {
        int next = before.stream().mapToInt(note -> note.id().number()).max().orElse(-1) + 1;
        for (Note note : after) {
            if (!carried.containsKey(note.id())) {
                carried.put(note.id(), new NoteId(next++));
            }
        }
    }

    /** A tune some of whose notes have other identities. */
    public static Tune renamed(Tune tune, Map<NoteId, NoteId> carried) {
        UnaryOperator<NoteId> name = id -> carried.getOrDefault(id, id);
        List<Bar> bars = new ArrayList<>();
        for (Bar bar : tune.bars()) {
            List<Note> notes = bar.notes().stream()
                    .map(note -> new Note(
                            name.apply(note.id()), note.pitches(), note.duration(), note.marks(), note.cents()))
                    .toList();
            bars.add(new Bar(notes, bar.sides(), bar.ending(), bar.change()));
        }
        List<Tuplet> tuplets = tune.tuplets().stream()
                .map(tuplet -> new Tuplet(
                        name.apply(tuplet.first()), name.apply(tuplet.last()), tuplet.actual(), tuplet.inTimeOf()))
                .toList();
        Map<NoteId, Manuscript.Stretch> stretches = new HashMap<>();
        tune.manuscript().stretches().forEach((id, stretch) -> stretches.put(name.apply(id), stretch));
        Manuscript manuscript = new Manuscript(
                tune.manuscript().text(),
                tune.manuscript().bodyStart(),
                stretches,
                tune.manuscript().above());
        return new Tune(tune.header(), bars, tuplets, manuscript);
    }
}
