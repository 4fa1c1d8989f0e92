package wildflourish.core.version;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.music.Tempo;
import wildflourish.core.tune.NoteId;

/**
 * A plan of a performance: which version is played each time through, and the bars that are put before, between and after.
 *
 * @param turns names of versions of one stair, in the order in which they are played; one at least
 * @param tempo of the whole
 * @param intro how many bars of the tune's end lead in, played plain; 0 for none
 * @param join for how many bars the last note is held between two times through
 * @param tag how many bars of the tune's end come once more after the last time, as that version has them
 * @param number in the book, where it is a tune of its own
 */
public record Times(List<String> turns, Tempo tempo, int intro, int join, int tag, BookNumber number) {
    /** No intro and no tag is longer. */
    public static final int MOST_BARS = 8;

    /** Nobody plays a tune more often in one go. */
    public static final int MOST_TURNS = 12;

    public Times {
        turns = List.copyOf(turns);
        if (turns.isEmpty() || turns.size() > MOST_TURNS) {
            throw new IllegalArgumentException(
                    "a tune is played one to " + MOST_TURNS + " times in a plan, not " + turns.size());
        }
        for (int bars : List.of(intro, join, tag)) {
            if (bars < 0 || bars > MOST_BARS) {
                throw new IllegalArgumentException(
                        "intro, join and tag have none to " + MOST_BARS + " bars, not " + bars);
            }
        }
    }

    /** Nothing before, between and after. */
    public Times(List<String> turns, Tempo tempo) {
        this(turns, tempo, 0, 0, 0, BookNumber.NONE);
    }

    /** No two versions count as more different than by so many spots. */
    private static final int MOST_DIFFERING = 12;

    private static final int A_STEP_DOWN = 20;
    private static final int OFF_EVEN = 4;

    /**
     * The plainest first, the fullest last, no two alike next to each other; every version at least once where there are as many times, else those that rise most evenly. Of all such
     * plans that in which neighbours differ in most spots, less for steps down and for not rising evenly. Throws IllegalArgumentException, saying what to do, where that cannot be.
     *
     * @param versions in the order in which they rise
     */
    public static List<String> rising(List<Version> versions, int count) {
        int kinds = versions.size();
        if (kinds == 0) {
            throw new IllegalArgumentException("choose at least one version to be played");
        }
        if (count < 1 || count > MOST_TURNS) {
            throw new IllegalArgumentException(
                    "a tune is played one to " + MOST_TURNS + " times in a plan, not " + count);
        }
        boolean isPossible = kinds > 2 || (kinds == 1 ? count == 1 : count == 1 || count % 2 == 0);
        if (!isPossible) {
            throw new IllegalArgumentException("with " + (kinds == 1 ? "one version" : "two versions") + " " + count
                    + " times cannot rise without two alike side by side; choose "
                    + (kinds == 1 ? "more versions" : "an even number of times, or a third version"));
        }
        if (count == 1) {
            return List.of(versions.get(kinds - 1).name());
        }
        return new Rise(versions, count)
                .best().stream().map(turn -> versions.get(turn).name()).toList();
    }

    /** The best plan from each version on, by those that have been played: a table over the times, the versions and the sets of versions. */
    private static final class Rise {
        private static final int NEVER = Integer.MIN_VALUE / 2;

        private final int kinds;
        private final int count;
        private final int[][] differing;
        /** For each time, for each version, for each set of versions played before it: the most that can still come. */
        private final Map<List<Integer>, Integer> known = new HashMap<>();

        Rise(List<Version> versions, int count) {
            this.kinds = versions.size();
            this.count = count;
            this.differing = new int[kinds][kinds];
            for (int i = 0; i < kinds; i++) {
                for (int j = 0; j < kinds; j++) {
                    differing[i][j] = Math.min(MOST_DIFFERING, differing(versions.get(i), versions.get(j)));
                }
            }
        }

        private static int differing(Version one, Version other) {
            Set<NoteId> notes = new HashSet<>(one.spots().keySet());
            notes.addAll(other.spots().keySet());
            return (int) notes.stream()
                    .filter(note -> !one.at(note)
                            .flatMap(Spot::first)
                            .equals(other.at(note).flatMap(Spot::first)))
                    .count();
        }

        List<Integer> best() {
            List<Integer> turns = new ArrayList<>(List.of(0));
            int played = 1;
            while (turns.size() < count) {
                int time = turns.size();
                int before = turns.get(time - 1);
                int best = NEVER;
                int next = 0;
                for (int version = 0; version < kinds; version++) {
                    int worth = worth(time, before, version, played);
                    if (worth > best) {
                        best = worth;
                        next = version;
                    }
                }
                turns.add(next);
                played |= 1 << next;
            }
            return turns;
        }

        /** What a version played at a time, counted from 0, brings with the best of all that follows it. All points are multiplied by one less than the number of times, so that they are whole. */
        private int worth(int time, int before, int version, int playedBefore) {
            boolean isLast = time == count - 1;
            int played = playedBefore | 1 << version;
            boolean isMissing = count >= kinds && Integer.bitCount(played) + (count - 1 - time) < kinds;
            if (version == before || isMissing || (isLast && version != kinds - 1)) {
                return NEVER;
            }
            int own = (count - 1) * (differing[before][version] - A_STEP_DOWN * Math.max(0, before - version))
                    - OFF_EVEN * Math.abs(version * (count - 1) - time * (kinds - 1));
            int rest = isLast ? 0 : rest(time + 1, version, played);
            return rest <= NEVER ? NEVER : own + rest;
        }

        private int rest(int time, int before, int played) {
            List<Integer> key = List.of(time, before, played);
            Integer found = known.get(key);
            if (found != null) {
                return found;
            }
            int best = NEVER;
            for (int version = 0; version < kinds; version++) {
                best = Math.max(best, worth(time, before, version, played));
            }
            known.put(key, best);
            return best;
        }
    }

    /** Where two neighbours are the same version: the second of each pair, counted from 0. */
    public List<Integer> alike() {
        List<Integer> alike = new ArrayList<>();
        for (int i = 1; i < turns.size(); i++) {
            if (turns.get(i).equals(turns.get(i - 1))) {
                alike.add(i);
            }
        }
        return alike;
    }

    /** With the turns of versions that are there; empty where none is left. */
    Optional<Times> within(Set<String> names) {
        List<String> left = turns.stream().filter(names::contains).toList();
        return left.isEmpty() ? Optional.empty() : Optional.of(withTurns(left));
    }

    /** With one version called otherwise. */
    Times renamed(String before, String after) {
        return new Times(
                turns.stream().map(turn -> turn.equals(before) ? after : turn).toList(),
                tempo,
                intro,
                join,
                tag,
                number);
    }

    public Times withTurns(List<String> others) {
        return new Times(others, tempo, intro, join, tag, number);
    }

    public Times withAdded(int newIntro, int newJoin, int newTag) {
        return new Times(turns, tempo, newIntro, newJoin, newTag, number);
    }

    public Times withTempo(Tempo other) {
        return new Times(turns, other, intro, join, tag, number);
    }

    public Times withNumber(int other) {
        return new Times(turns, tempo, intro, join, tag, new BookNumber(other));
    }
}
