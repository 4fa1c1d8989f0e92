package wildflourish.desktop.play;

import java.util.List;
import wildflourish.core.music.Fraction;
import wildflourish.core.performance.PlayRange;
import wildflourish.core.performance.Realisation;

/**
 * What to play.
 *
 * @param ranges one after the other, at least one; a single one that is looped goes round
 * @param isAnswered whether each is followed by its own length of silence with a quiet pulse for the student to answer
 * @param countIn beats before it begins; none when its length is 0
 */
public record Performance(Realisation realisation, List<PlayRange> ranges, boolean isAnswered, CountIn countIn) {
    public Performance {
        ranges = List.copyOf(ranges);
        if (ranges.isEmpty()) {
            throw new IllegalArgumentException("a performance has at least one range to play");
        }
    }

    public Performance(Realisation realisation, PlayRange range, CountIn countIn) {
        this(realisation, List.of(range), false, countIn);
    }

    /** A count-in: its length in whole notes, and the beat that is knocked. */
    public record CountIn(Fraction lengthWholeNotes, Fraction beatWholeNotes) {
        public static final CountIn NONE = new CountIn(Fraction.ZERO, Fraction.ONE);
    }

    boolean isLooped() {
        return ranges.size() == 1 && ranges.get(0).isLooped();
    }

    double millisPerWholeNote() {
        return realisation.tempo().millisOf(Fraction.ONE).toDouble();
    }

    /** The same with another realisation of the same tune: another stage, another tempo. */
    Performance with(Realisation other) {
        return new Performance(other, ranges, isAnswered, countIn);
    }
}
