package wildflourish.core.instrument;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.table.Row;
import wildflourish.core.table.TableException;
import wildflourish.core.table.Trust;

/**
 * What the fingers can do to one note. Holes count from 1 at the mouth.
 *
 * @param cuts the hole lifted for a cut, by school; a school without one cannot cut the note
 * @param noCut why no school can cut it
 * @param tap the hole touched for a tap
 * @param speech whether cut, tap and roll speak well
 * @param crans the orders of lifted holes by the number of parts in the cran, the commonest first
 * @param shakenAs how the note is held while its upper neighbour shakes; empty for as usual
 */
public record Gracing(
        FingeredPitch pitch,
        Map<School, Integer> cuts,
        NoCut noCut,
        Optional<Integer> tap,
        Speech speech,
        Crans crans,
        Optional<Fingering> shakenAs) {
    /** Why a note cannot be cut. */
    public enum NoCut {
        /** It can. */
        NONE,
        ALL_OPEN,
        JUMPS,
        PINCHED,
        UNKNOWN
    }

    /** How well the gestures of a note speak. */
    public record Speech(boolean weakCut, boolean weakTap, RollSpeech roll, Trust trust) {}

    /** Orders of lifted holes for a cran of two and of three parts; a different finger each time. */
    public record Crans(List<List<Integer>> shortOrders, List<List<Integer>> longOrders) {
        public Crans {
            shortOrders = List.copyOf(shortOrders);
            longOrders = List.copyOf(longOrders);
        }

        public boolean areKnown() {
            return !shortOrders.isEmpty();
        }
    }

    public Gracing {
        cuts = Map.copyOf(cuts);
    }

    public Optional<Integer> cutBy(School school) {
        return Optional.ofNullable(cuts.get(school));
    }

    static Gracing from(Row row) {
        Map<School, Integer> cuts = new HashMap<>();
        for (School school : School.all()) {
            if (row.has(school.id())) {
                row.readOptional(school.id(), Integer::valueOf).ifPresent(hole -> cuts.put(school, hole));
            }
        }
        List<String> weak = row.words("weak");
        Speech speech = new Speech(
                weak.contains("cut"),
                weak.contains("tap"),
                row.read("roll", RollSpeech::parse),
                row.read("trust", Trust::valueOf));
        Crans crans = new Crans(orders(row, "short crans"), orders(row, "long crans"));
        return new Gracing(
                row.read("note", FingeredPitch::parse),
                cuts,
                row.readOptional("no cut", Gracing::noCut).orElse(NoCut.NONE),
                row.readOptional("tap", Integer::valueOf),
                speech,
                crans,
                row.readOptional("shaken as", Fingering::parse));
    }

    private static NoCut noCut(String word) {
        return NoCut.valueOf(word.toUpperCase(Locale.ROOT).replace('-', '_'));
    }

    private static List<List<Integer>> orders(Row row, String column) {
        return row.words(column).stream().map(word -> order(row, word)).toList();
    }

    private static List<Integer> order(Row row, String word) {
        List<Integer> holes = word.chars().mapToObj(digit -> digit - '0').toList();
        for (int i = 1; i < holes.size(); i++) {
            if (holes.get(i).equals(holes.get(i - 1))) {
                throw twice(row, word);
            }
        }
        return holes;
    }

    private static TableException twice(Row row, String word) {
        return row.fault("a cran lifts a different finger each time: " + word);
    }
}
