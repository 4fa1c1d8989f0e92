package wildflourish.core.growing;

import java.util.List;

/**
 * The notes of a tune as a plan goes through them: boundary 0 before the first, boundary N after the last.
 *
 * @param starts when each note begins and, last, when the last one ends, in units that divide every length of the tune
 * @param crotchet units of a crotchet
 * @param bars for each note the number of its bar
 * @param barLengths for each bar its units
 * @param stretches phrases, one after the other, without gap
 * @param isBlown whether the player needs breath
 */
public record NoteRow(
        List<Long> starts,
        long crotchet,
        List<Integer> bars,
        List<Long> barLengths,
        List<Stretch> stretches,
        boolean isBlown) {
    /**
     * A phrase, or a pickup by itself.
     *
     * @param first the boundary before its first note
     * @param last the boundary after its last
     * @param family phrases of one family begin alike
     * @param trunk with how many notes all of its family begin; there they are dressed alike
     */
    public record Stretch(int first, int last, boolean isPickup, int family, int trunk) {}

    public NoteRow {
        starts = List.copyOf(starts);
        bars = List.copyOf(bars);
        barLengths = List.copyOf(barLengths);
        stretches = List.copyOf(stretches);
    }

    public int notes() {
        return starts.size() - 1;
    }

    long length(int from, int to) {
        return starts.get(to) - starts.get(from);
    }

    long semibreve() {
        return 4 * crotchet;
    }
}
