package wildflourish.core.instrument;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/**
 * A hand that picks a five-string banjo; a row of {@code picking-hands.table}. Its fingers are numbered: 1 thumb, 2 index, 3 middle, 4 the nail that strikes
 * down.
 *
 * @param strings those that each finger takes, counted from 1, the thumb's first; none for a finger that is not used
 * @param far those that each finger has to stretch for; they are among the ones it takes
 * @param lead the finger that has the tune
 * @param isStrict whether no other finger takes a note that the order of strokes gives to one
 */
public record PickingHand(
        String id, String name, List<Set<Integer>> strings, List<Set<Integer>> far, int lead, boolean isStrict) {
    /** How many fingers are told apart. */
    public static final int FINGERS = 4;

    private static final int NAIL = 4;
    private static final String LETTERS = "-TIMN";
    private static final List<String> WORDS = List.of("", "thumb", "index", "middle", "nail");
    private static final List<PickingHand> ALL = Table.load("picking-hands.table").rows().stream()
            .map(PickingHand::from)
            .toList();
    /** Thumb and two fingers, where nothing says otherwise. */
    public static final PickingHand USUAL = ALL.get(0);

    public PickingHand {
        strings = strings.stream().map(Set::copyOf).toList();
        far = far.stream().map(Set::copyOf).toList();
    }

    private static PickingHand from(Row row) {
        List<Set<Integer>> strings = new ArrayList<>();
        List<Set<Integer>> far = new ArrayList<>();
        for (String finger : WORDS.subList(1, WORDS.size())) {
            Set<Integer> taken = new HashSet<>();
            Set<Integer> stretched = new HashSet<>();
            if (row.has(finger)) {
                for (String string : row.words(finger)) {
                    taken.add(Integer.valueOf(string));
                    if (string.startsWith("+")) {
                        stretched.add(Integer.valueOf(string));
                    }
                }
            }
            strings.add(taken);
            far.add(stretched);
        }
        return new PickingHand(
                row.text("id"),
                row.text("name"),
                strings,
                far,
                row.read("lead", PickingHand::finger),
                row.text("strict").equals("yes"));
    }

    /** Throws IllegalArgumentException for a hand that is in no table. */
    public static PickingHand of(String id) {
        return ALL.stream()
                .filter(each -> each.id.equals(id))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no picking hand “" + id + "”; there are "
                        + String.join(", ", ALL.stream().map(PickingHand::id).toList())));
    }

    /** The number of a finger by its letter, 0 for {@code -}. Throws IllegalArgumentException for another letter. */
    public static int finger(String letter) {
        int finger = LETTERS.indexOf(letter);
        if (letter.length() != 1 || finger < 0) {
            throw new IllegalArgumentException("no picking finger “" + letter + "”; there are T I M N and - for any");
        }
        return finger;
    }

    /** {@code T}, {@code I}, {@code M} or {@code N}. */
    public static String letter(int finger) {
        return LETTERS.substring(finger, finger + 1);
    }

    /** Whether a finger is the nail that strikes down, slower to strike again than the others. */
    public static boolean isNail(int finger) {
        return finger == NAIL;
    }

    /** {@code thumb}. */
    public static String word(int finger) {
        return WORDS.get(finger);
    }

    /** Whether a finger takes a string, counted from 1. */
    public boolean reaches(int finger, int string) {
        return strings.get(finger - 1).contains(string);
    }

    /** Whether a finger has to stretch for a string, counted from 1. */
    public boolean stretches(int finger, int string) {
        return far.get(finger - 1).contains(string);
    }

    /** How many strings it can sound together: one with each finger, or all that the nail takes. */
    public int most() {
        int fingers = (int) strings.stream().filter(taken -> !taken.isEmpty()).count();
        return Math.max(fingers, strings.get(NAIL - 1).size());
    }

    /** Whether strings can be sounded together with a finger on the melody's: one each, or all side by side in one brush of the nail. */
    public boolean canPinch(int finger, int melody, List<Integer> under) {
        if (!reaches(finger, melody)) {
            return false;
        }
        if (finger == NAIL && isBrush(melody, under)) {
            return true;
        }
        List<Integer> left = new ArrayList<>();
        for (int other = 1; other <= FINGERS; other++) {
            if (other != finger) {
                left.add(other);
            }
        }
        return canTake(under, left);
    }

    private boolean isBrush(int melody, List<Integer> under) {
        List<Integer> all = new ArrayList<>(under);
        all.add(melody);
        all.sort(null);
        boolean areNeighbours = all.get(all.size() - 1) - all.get(0) == all.size() - 1;
        return areNeighbours && all.stream().allMatch(string -> reaches(NAIL, string));
    }

    private boolean canTake(List<Integer> under, List<Integer> fingers) {
        if (under.isEmpty()) {
            return true;
        }
        for (Integer finger : fingers) {
            List<Integer> left = new ArrayList<>(fingers);
            left.remove(finger);
            if (reaches(finger, under.get(0)) && canTake(under.subList(1, under.size()), left)) {
                return true;
            }
        }
        return false;
    }
}
