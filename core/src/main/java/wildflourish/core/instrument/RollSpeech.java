package wildflourish.core.instrument;

import java.util.Locale;

/** Whether a roll speaks on a note, and why not; the words of the gracings tables. */
public enum RollSpeech {
    YES,
    HARD,
    NONE_CLOSED,
    NONE_OPEN,
    NONE_CROSS,
    NONE_HALF,
    NONE_KNOWN;

    static RollSpeech parse(String word) {
        return valueOf(word.toUpperCase(Locale.ROOT).replace('-', '_'));
    }

    public boolean speaks() {
        return this == YES || this == HARD;
    }
}
