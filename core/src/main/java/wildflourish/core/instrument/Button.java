package wildflourish.core.instrument;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.table.Row;
import wildflourish.core.table.Trust;

/**
 * A button of a box or a concertina.
 *
 * @param row its row, such as {@code inner} or {@code left C}
 * @param number its number in the row, from 1
 * @param place where it lies along the row, in buttons
 * @param press what it sounds pressed
 * @param draw what it sounds drawn; the same where both directions sound alike
 * @param fingers that take it, 1 index to 4 little, the usual one first
 */
public record Button(
        String row,
        int number,
        double place,
        Hand hand,
        FingeredPitch press,
        FingeredPitch draw,
        List<Integer> fingers,
        Trust trust) {
    /** The hand whose fingers reach a button. */
    public enum Hand {
        LEFT,
        RIGHT
    }

    /** The way the bellows go. */
    public enum Bellows {
        PRESS,
        DRAW;

        /** {@code p} or {@code d}. */
        public String sign() {
            return this == PRESS ? "p" : "d";
        }
    }

    public Button {
        fingers = List.copyOf(fingers);
    }

    static Button from(Row row) {
        return new Button(
                row.text("row"),
                row.integer("button"),
                row.read("place", Double::valueOf),
                row.read("hand", word -> Hand.valueOf(word.toUpperCase(Locale.ROOT))),
                row.read("press", FingeredPitch::parse),
                row.read("draw", FingeredPitch::parse),
                row.text("fingers").chars().mapToObj(digit -> digit - '0').toList(),
                row.read("trust", Trust::valueOf));
    }

    public FingeredPitch pitch(Bellows bellows) {
        return bellows == Bellows.PRESS ? press : draw;
    }

    public boolean isSameBothWays() {
        return press.equals(draw);
    }

    /** {@code i3}, {@code LC4}, {@code RA1}; on the English {@code L22}: hand, row, number. */
    public String name() {
        Optional<String> side = row.startsWith("left ") || row.startsWith("right ")
                ? Optional.of(hand == Hand.LEFT ? "L" : "R")
                : Optional.empty();
        return side.map(each -> each
                                + row.substring(row.indexOf(' ') + 1)
                                        .replace("accidental", "A")
                                        .substring(0, 1))
                        .orElse(row.substring(0, 1))
                + number;
    }
}
