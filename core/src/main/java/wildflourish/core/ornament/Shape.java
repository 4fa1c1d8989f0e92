package wildflourish.core.ornament;

import java.util.List;
import java.util.Optional;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;

/**
 * What an ornament does with its span: equal parts, each begun by a gesture or plain.
 *
 * @param parts what begins each part, in order
 * @param span length of the span in whole notes; empty when any length will do (then there is one part)
 */
public record Shape(List<Gesture> parts, Optional<Fraction> span) {
    public Shape {
        parts = List.copyOf(parts);
        if (parts.isEmpty() || (span.isEmpty() && parts.size() > 1)) {
            throw new IllegalArgumentException("a shape of several parts states its span: " + parts);
        }
    }

    public boolean takes(Fraction length) {
        return span.isEmpty() || span.get().equals(length);
    }

    /** Milliseconds that the whole span needs to be clean: as many times the neediest part as there are parts, for they stay equal. */
    public Fraction needMillis(Times times) {
        Fraction neediest = Fraction.ZERO;
        for (int i = 0; i < parts.size(); i++) {
            neediest = neediest.max(partNeed(i, times));
        }
        return neediest.times(parts.size());
    }

    /** A part holds its gesture and a floor; where one finger of a cran follows another, at least the time from one lift to the next. */
    private Fraction partNeed(int part, Times times) {
        Fraction need = times.of(parts.get(part)).plus(times.floor());
        boolean isCran = parts.get(part) == Gesture.CRAN;
        boolean cranFollows = part + 1 < parts.size() && parts.get(part + 1) == Gesture.CRAN;
        return isCran && cranFollows ? need.max(times.of("other finger next")) : need;
    }

    /** The fastest tempo, in beats of {@code beatLength} a minute, at which a span of {@code length} still holds everything. Exact. */
    public Tempo cleanUpTo(Fraction length, Fraction beatLength, Times times) {
        return Tempo.atWhich(length, needMillis(times), beatLength);
    }
}
