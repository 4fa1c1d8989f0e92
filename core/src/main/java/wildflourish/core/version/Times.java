package wildflourish.core.version;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.music.Tempo;

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

    /**
     * The plainest first, the fullest last, no two alike next to each other, every version at least once: what are more times than versions goes to the two plainest by
     * turns. Throws IllegalArgumentException, saying what to do, where that cannot be.
     *
     * @param versions in the order in which they rise
     */
    public static List<String> rising(List<String> versions, int count) {
        int kinds = versions.size();
        boolean isPossible = kinds > 0 && count >= kinds && (kinds > 1 || count == 1) && (kinds != 2 || count % 2 == 0);
        if (!isPossible) {
            throw new IllegalArgumentException(
                    kinds == 0
                            ? "choose at least one version to be played"
                            : count < kinds
                                    ? kinds + " versions need at least " + kinds + " times through"
                                    : "with " + (kinds == 1 ? "one version" : "two versions") + " " + count
                                            + " times cannot rise without two alike side by side; choose "
                                            + (kinds == 1
                                                    ? "more versions"
                                                    : "an even number of times, or a third version"));
        }
        List<String> turns = new ArrayList<>();
        int alternating = count - Math.max(0, kinds - 2);
        for (int i = 0; i < alternating; i++) {
            turns.add(versions.get(kinds == 1 ? 0 : i % 2));
        }
        turns.addAll(versions.subList(Math.min(2, kinds), kinds));
        return turns;
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
