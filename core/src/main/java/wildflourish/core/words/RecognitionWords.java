package wildflourish.core.words;

import wildflourish.core.instrument.Instrument;
import wildflourish.core.recognition.Recognition;
import wildflourish.core.tune.Tune;

/** What a tune's text writes at its notes, and what becomes of it, a line each. */
public final class RecognitionWords {
    private RecognitionWords() {}

    /** {@code Bar 3, F♯4: roll sign, a long roll}; or that it stays in the text, and why. */
    public static String of(Recognition.Found found, Tune tune, Instrument instrument) {
        return place(found, tune) + ": " + found.written().words() + ", "
                + found.stack().map(Words::article).orElseGet(() -> "stays in the text. " + why(found, instrument));
    }

    /** Where it stands. */
    public static String place(Recognition.Found found, Tune tune) {
        return Words.sentence(Words.place(tune, tune.note(found.note()))).replaceFirst("\\.$", "");
    }

    /** What it means; the dash where it means nothing that fits. */
    public static String meaning(Recognition.Found found) {
        return found.stack().map(Words::name).orElse("–");
    }

    /** Why it stays in the text; nothing for what can be placed. */
    public static String why(Recognition.Found found, Instrument instrument) {
        if (found.stack().isPresent()) {
            return "";
        }
        return found.refused()
                .map(fit -> Words.name(fit.facts().stack()) + ": " + Words.why(fit))
                .orElseGet(() -> switch (found.written().sort()) {
                    case CHORD -> "These notes are not sounded together here on the " + instrument.name() + ".";
                    case SMALL_NOTES -> "Nothing that fits here on the " + instrument.name() + " sounds so.";
                    case SIGN -> "Nothing of that name fits here on the " + instrument.name() + ".";
                });
    }

    /** {@code 12 ornaments stand in its text; 10 of them fit}. */
    public static String count(Recognition recognition) {
        int all = recognition.all().size();
        int fit = recognition.placeable().size();
        return (all == 1 ? "One ornament stands" : all + " ornaments stand") + " in the text of this tune; "
                + (fit == all ? "all fit" : fit == 1 ? "one of them fits" : fit + " of them fit");
    }
}
