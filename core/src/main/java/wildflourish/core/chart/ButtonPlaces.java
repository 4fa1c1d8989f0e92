package wildflourish.core.chart;

import java.util.LinkedHashMap;
import java.util.Map;
import wildflourish.core.instrument.Button;
import wildflourish.core.instrument.ButtonLayout;

/** Where the buttons of a layout lie in a picture, in buttons: the rows from above, the two ends of a concertina beside each other. */
final class ButtonPlaces {
    private final Map<String, Integer> rows = new LinkedHashMap<>();
    private final double first;
    private final double right;
    private final double columns;
    private final boolean hasTwoEnds;

    /** With so much room between the two ends, in buttons. */
    ButtonPlaces(ButtonLayout layout, double apart) {
        hasTwoEnds = layout.buttons().stream().anyMatch(button -> button.hand() == Button.Hand.LEFT);
        first = layout.buttons().stream().mapToDouble(Button::place).min().orElse(0);
        right = layout.buttons().stream()
                .filter(button -> button.hand() == Button.Hand.LEFT)
                .mapToDouble(button -> button.place() - first + 1 + apart)
                .max()
                .orElse(0);
        columns = layout.buttons().stream().mapToDouble(this::column).max().orElse(0) + 1;
        // The row at the edge of a box's keyboard stands on top, as it does under the notes.
        if (!hasTwoEnds) {
            rows.put("outer", 0);
        }
        layout.buttons().forEach(button -> rows.putIfAbsent(rowOf(button), rows.size()));
    }

    /** Rows of the two hands stand beside each other. */
    private static String rowOf(Button button) {
        return button.row().replaceFirst("^(left|right) ", "");
    }

    boolean hasTwoEnds() {
        return hasTwoEnds;
    }

    /** Its row, from 0 at the top. */
    int row(Button button) {
        return rows.getOrDefault(rowOf(button), 0);
    }

    /** Its place from the left, from 0. */
    double column(Button button) {
        return button.place() - first + (button.hand() == Button.Hand.RIGHT ? right : 0);
    }

    int rows() {
        return rows.size();
    }

    /** How many buttons wide all is. */
    double columns() {
        return columns;
    }
}
