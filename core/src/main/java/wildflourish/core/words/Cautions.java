package wildflourish.core.words;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import wildflourish.core.instrument.Family;

/** The usual cautions of the trade, where they belong (common practice); they defer to local rules and to licensed practice. */
public final class Cautions {
    private static final String HANDS =
            "Warm up first, hold lightly, keep the wrists neutral, take short turns and rests."
                    + " Stop at pain or numbness and ask a doctor or physiotherapist.";

    private Cautions() {}

    /** For every sheet, in one line: hands, and mouthpieces where the instrument has one; without an instrument, both. */
    public static String brief(Optional<Family> family) {
        boolean hasMouthpiece =
                family.map(each -> each.isWind() && each != Family.UNION_PIPES).orElse(true);
        return HANDS + (hasMouthpiece ? " Mouthpieces: one player each." : "");
    }

    /** For a handout, a line each: hands, breath, ears, mouthpieces and reeds, as the family of instrument has them. */
    public static List<String> full(Family family) {
        List<String> lines = new ArrayList<>();
        lines.add("Hands: " + HANDS.substring(0, 1).toLowerCase(Locale.ROOT) + HANDS.substring(1));
        if (family.isBlownByMouth() || family == Family.NINE_NOTE_PIPES) {
            lines.add("Breath: light-headed from blowing? Pause until it has passed.");
            lines.add("Mouthpieces: one player each; cleaned and dried before they are lent.");
        }
        if (family == Family.FIDDLE) {
            lines.add(
                    "Bowing arm: let the elbow follow the string, so that the fingertips clear the string beside it.");
        }
        String ears = family == Family.NINE_NOTE_PIPES
                ? "Ears: pipes are loud in a small room; wear hearing protection near mouth-blown ones."
                : "Ears: loud in a small room; keep what you play along to at a moderate volume.";
        lines.add(ears + " Where teaching is paid, the local rules on noise at work apply.");
        if (family == Family.UNION_PIPES || family == Family.NINE_NOTE_PIPES) {
            lines.add("Reeds: leave work with blades to a maker.");
        }
        return List.copyOf(lines);
    }
}
