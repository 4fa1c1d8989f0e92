package wildflourish.desktop.command;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Reason;
import wildflourish.core.ornament.Refusal;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.Verdict;
import wildflourish.core.words.Words;

/** What the signs and numbers of tables mean, said under them. */
final class Legends {
    private static final String TRUST = "trust: how sure the row is; high, medium or low.";

    private Legends() {}

    static List<String> trust() {
        return List.of(TRUST);
    }

    /** The ways of strings and buttons. */
    static List<String> ways(Instrument instrument) {
        return List.of(
                "way: " + way(instrument) + "; – where there is none.",
                "cost: what the hand pays to come from the note before, in units of a comfortable move; 0 is free.",
                "or: another way nearly as good, and how much more the whole tune then costs.");
    }

    private static String way(Instrument instrument) {
        return switch (instrument.family()) {
            case ENGLISH -> "end (L left, R right), row and button, / the finger (1 index)";
            case ANGLO ->
                "end (L left, R right), row by its key (A accidentals), button, d drawn or p pressed, / the finger (1 index)";
            case TWO_ROW_BOX -> "row (o outer, i inner), button, d drawn or p pressed, / the finger (1 index)";
            case FIVE_STRING_BANJO -> "string, fret, and the finger of the picking hand (T thumb, I index, M middle)";
            case FIDDLE -> "string and finger (L low, H high), then the bow: d down, u up, - in the same bow";
            default -> "string and fret, then the pick: d down, u up, - by the left hand alone";
        };
    }

    /** Charts of holes or buttons. */
    static List<String> chart(Instrument instrument) {
        List<String> legend = new ArrayList<>();
        if (instrument.family().isWind()) {
            legend.add("holes: from the mouth down; X closed, O open, h half closed, ? an alternate of less trust.");
            legend.add("breath: soft, or firm as for the upper octave.");
            legend.add("cut and tap: the finger that makes it, counted from the mouth down, in each school; – none.");
        } else if (instrument.buttons().isPresent()) {
            legend.add("press and draw: the note that sounds as the bellows close and as they open.");
        }
        legend.add(TRUST);
        return legend;
    }

    /** The numbers of verdicts with their units, and every code among their reasons and refusals in words. */
    static List<String> verdicts(List<Verdict> verdicts) {
        List<String> legend = new ArrayList<>();
        verdicts.stream()
                .flatMap(verdict -> verdict.cleanUpTo().stream())
                .findFirst()
                .ifPresent(
                        tempo -> legend.add("cleanTo: the fastest clean tempo, in " + Words.beatName(tempo.beatLength())
                                + " a minute. needsMillis: the time it needs, in milliseconds."));
        legend.add("handCost: what it costs the hand more over the whole tune, in its units of a comfortable move.");
        Map<String, String> codes = new LinkedHashMap<>();
        for (Verdict verdict : verdicts) {
            if (verdict.fit().isPresent()) {
                Fit fit = verdict.fit().get();
                for (Reason reason : verdict.reasons()) {
                    codes.putIfAbsent(reason.id(), Words.of(reason, fit.facts()));
                }
                for (Refusal refusal : verdict.refusals()) {
                    codes.putIfAbsent(refusal.id(), Words.of(refusal, fit.facts()));
                }
            }
        }
        codes.forEach((code, words) -> legend.add(code + ": " + words));
        return legend;
    }
}
