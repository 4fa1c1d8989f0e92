package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Share;

/** How a figure lies in its span: what it needs, and how long each of its parts is. Exact throughout. */
public final class Timing {
    private Timing() {}

    /** A part or a slot: its share of the whole and what it needs, in milliseconds. */
    private record Piece(Share share, Fraction needMillis) {}

    /**
     * Milliseconds that the span of a figure must have: the largest need ÷ share where all shares are exact, the sum of the needs where some give
     * way. Time borrowed from the note before is not in it.
     */
    public static Fraction needMillis(Made made) {
        return need(pieces(made));
    }

    private static List<Piece> pieces(Made made) {
        List<Piece> pieces = new ArrayList<>();
        for (int i = 0; i < made.slots().size(); i++) {
            Made.Slot slot = made.slots().get(i);
            pieces.add(new Piece(slot.share(), need(inside(slot, made.borrows() && i == 0))));
        }
        return pieces;
    }

    private static List<Piece> inside(Made.Slot slot, boolean isBorrowed) {
        List<Piece> pieces = new ArrayList<>();
        for (int i = 0; i < slot.parts().size(); i++) {
            Made.Part part = slot.parts().get(i);
            Fraction need = part.wholeMillis(isBorrowed && i == 0);
            pieces.add(new Piece(part.share(), part.fixedMillis().map(need::max).orElse(need)));
        }
        return pieces;
    }

    private static boolean areExact(List<Piece> pieces) {
        return pieces.stream().allMatch(piece -> piece.share.kind() == Share.Kind.EXACT);
    }

    private static Fraction need(List<Piece> pieces) {
        Fraction need = Fraction.ZERO;
        for (Piece piece : pieces) {
            need = areExact(pieces)
                    ? need.max(piece.needMillis.dividedBy(piece.share.part()))
                    : need.plus(piece.needMillis);
        }
        return need;
    }

    /** The length of each part in a span of so many milliseconds; together exactly the span. */
    public static List<Fraction> lengths(Made made, Fraction spanMillis) {
        List<Fraction> slots = divide(pieces(made), spanMillis);
        List<Fraction> lengths = new ArrayList<>();
        for (int i = 0; i < made.slots().size(); i++) {
            lengths.addAll(divide(inside(made.slots().get(i), made.borrows() && i == 0), slots.get(i)));
        }
        return lengths;
    }

    private static List<Fraction> divide(List<Piece> pieces, Fraction whole) {
        if (areExact(pieces)) {
            return pieces.stream().map(piece -> whole.times(piece.share.part())).toList();
        }
        Fraction need = need(pieces);
        if (whole.isLessThan(need)) {
            return pieces.stream()
                    .map(piece -> whole.times(piece.needMillis).dividedBy(need))
                    .toList();
        }
        return elastic(pieces, whole);
    }

    /** Shares hold where they can; a part below its need gets its need, the rest is divided again until none is. */
    private static List<Fraction> elastic(List<Piece> pieces, Fraction whole) {
        List<Fraction> lengths = new ArrayList<>();
        pieces.forEach(piece -> lengths.add(isFixed(piece) ? piece.needMillis : Fraction.ZERO));
        boolean isSettled = false;
        while (!isSettled) {
            Fraction left = whole;
            Fraction shares = Fraction.ZERO;
            for (int i = 0; i < pieces.size(); i++) {
                left = left.minus(lengths.get(i));
                boolean isOpen = lengths.get(i).isZero();
                shares = isOpen ? shares.plus(pieces.get(i).share.part()) : shares;
            }
            isSettled = true;
            List<Fraction> tried = new ArrayList<>(lengths);
            for (int i = 0; i < pieces.size(); i++) {
                if (lengths.get(i).isZero()) {
                    Fraction length = left.times(pieces.get(i).share.part()).dividedBy(shares);
                    tried.set(i, length);
                    if (length.isLessThan(pieces.get(i).needMillis)) {
                        lengths.set(i, pieces.get(i).needMillis);
                        isSettled = false;
                    }
                }
            }
            if (isSettled) {
                return List.copyOf(tried);
            }
        }
        return List.copyOf(lengths);
    }

    private static boolean isFixed(Piece piece) {
        return piece.share.kind() == Share.Kind.SHORTEST || piece.share.kind() == Share.Kind.TIMED;
    }
}
