package wildflourish.files.abc;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The order of parts that a tune states above its key (ABC 2.1 §3.1.9): {@code AABB}, {@code A2B3}, {@code ((AB)3.(CD)2)2}. */
final class PartOrder {
    /** Far beyond any tune. */
    private static final int MOST_PARTS = 500;

    private static final int MOST_DEPTH = 20;

    private final String words;
    private int at;
    private int depth;

    private PartOrder(String words) {
        this.words = words;
    }

    /** The names of the parts, one for each time they are played; empty where the words make no order. */
    static Optional<List<String>> parse(String words) {
        PartOrder order = new PartOrder(words.replaceAll("[\\s.]", ""));
        try {
            List<String> parts = order.sequence();
            return order.at == order.words.length() && !parts.isEmpty() ? Optional.of(parts) : Optional.empty();
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private List<String> sequence() {
        List<String> parts = new ArrayList<>();
        while (at < words.length() && words.charAt(at) != ')') {
            List<String> more = item();
            int times = count();
            if (parts.size() + (long) times * more.size() > MOST_PARTS) {
                throw new IllegalArgumentException("the order has more than " + MOST_PARTS + " parts");
            }
            for (int i = 0; i < times; i++) {
                parts.addAll(more);
            }
        }
        return parts;
    }

    private List<String> item() {
        char sign = words.charAt(at++);
        if (sign == '(' && ++depth <= MOST_DEPTH) {
            List<String> inner = sequence();
            if (at >= words.length()) {
                throw new IllegalArgumentException("a bracket is not closed");
            }
            at++;
            depth--;
            return inner;
        }
        if (!Character.isLetter(sign)) {
            throw new IllegalArgumentException("not the name of a part: " + sign);
        }
        return List.of(String.valueOf(sign));
    }

    private int count() {
        int start = at;
        while (at < words.length() && at - start < 3 && Character.isDigit(words.charAt(at))) {
            at++;
        }
        return start == at ? 1 : Integer.parseInt(words.substring(start, at));
    }
}
