package wildflourish.desktop.play;

import java.util.List;
import wildflourish.core.music.Fraction;
import wildflourish.core.performance.PlayRange;
import wildflourish.core.performance.Realisation;

/**
 * What to play.
 *
 * @param countIn beats before it begins; none when its length is 0
 * @param answered where there are any, these are played in place of the range, each followed by its own length of silence with a quiet pulse
 *     for the student to answer
 */
public record Performance(Realisation realisation, PlayRange range, CountIn countIn, List<PlayRange> answered) {
    public Performance {
        answered = List.copyOf(answered);
    }

    public Performance(Realisation realisation, PlayRange range, CountIn countIn) {
        this(realisation, range, countIn, List.of());
    }

    /** A count-in: its length in whole notes, and the beat that is knocked. */
    public record CountIn(Fraction lengthWholeNotes, Fraction beatWholeNotes) {
        public static final CountIn NONE = new CountIn(Fraction.ZERO, Fraction.ONE);
    }

    double millisPerWholeNote() {
        return realisation.tempo().millisOf(Fraction.ONE).toDouble();
    }

    /** The same with another realisation of the same tune: another stage, another tempo. */
    Performance with(Realisation other) {
        return new Performance(other, range, countIn, answered);
    }
}
