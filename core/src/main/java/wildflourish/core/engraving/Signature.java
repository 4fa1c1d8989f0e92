package wildflourish.core.engraving;

import java.util.List;
import java.util.Map;
import wildflourish.core.music.Key;
import wildflourish.core.music.Metre;
import wildflourish.core.music.Step;

/** Draws clef, key and metre; every method takes the left edge and returns the right one. */
final class Signature {
    private static final Map<Step, Integer> SHARPS =
            Map.of(Step.F, 38, Step.C, 35, Step.G, 39, Step.D, 36, Step.A, 33, Step.E, 37, Step.B, 34);
    private static final Map<Step, Integer> FLATS =
            Map.of(Step.B, 34, Step.E, 37, Step.A, 33, Step.D, 36, Step.G, 32, Step.C, 35, Step.F, 31);

    private Signature() {}

    static double clef(Sketch sketch, double x) {
        sketch.glyph("gClef", x, 3, Drawn.Kind.CLEF);
        return x + GlyphFont.of("gClef").advance() + 0.35;
    }

    static double key(Sketch sketch, Key key, double x) {
        double at = x;
        for (Step step : key.signatureSteps()) {
            if (!key.extra().containsKey(step)) {
                int alter = key.fifths() > 0 ? 1 : -1;
                at = sign(sketch, alter, height(step, alter), at);
            }
        }
        for (Step step : Step.values()) {
            Integer alter = key.extra().get(step);
            if (alter != null) {
                at = sign(sketch, alter, height(step, alter), at);
            }
        }
        return at > x ? at + 0.45 : at;
    }

    /** A key that takes the place of another in the middle of a tune: what no longer holds is made natural first. */
    static double change(Sketch sketch, Key before, Key after, double x) {
        double at = x;
        List<Step> kept = after.signatureSteps();
        boolean sameSide = before.fifths() * after.fifths() > 0;
        for (Step step : before.signatureSteps()) {
            if (!sameSide || !kept.contains(step)) {
                at = sign(sketch, 0, height(step, before.fifths() > 0 ? 1 : -1), at);
            }
        }
        return key(sketch, after, at);
    }

    private static int height(Step step, int alter) {
        Map<Step, Integer> heights = alter < 0 ? FLATS : SHARPS;
        return heights.getOrDefault(step, 34);
    }

    private static double sign(Sketch sketch, int alter, int staffStep, double x) {
        String glyph = Column.accidentalGlyph(alter);
        sketch.glyph(glyph, x, Column.yOf(staffStep), Drawn.Kind.KEY);
        return x + GlyphFont.of(glyph).advance() + 0.12;
    }

    static double metre(Sketch sketch, Metre metre, double x) {
        return switch (metre.look()) {
            case NOTHING -> x;
            case COMMON -> symbol(sketch, "timeSigCommon", x);
            case CUT -> symbol(sketch, "timeSigCutCommon", x);
            case NUMBERS -> numbers(sketch, metre, x);
        };
    }

    private static double symbol(Sketch sketch, String glyph, double x) {
        sketch.glyph(glyph, x, 2, Drawn.Kind.METRE);
        return x + GlyphFont.of(glyph).advance() + 0.6;
    }

    private static double numbers(Sketch sketch, Metre metre, double x) {
        String above =
                String.join("+", metre.counts().stream().map(String::valueOf).toList());
        String below = String.valueOf(metre.unit());
        double width = Math.max(width(above), width(below));
        digits(sketch, above, x + (width - width(above)) / 2, 1);
        digits(sketch, below, x + (width - width(below)) / 2, 3);
        return x + width + 0.6;
    }

    private static String glyphOf(char sign) {
        return sign == '+' ? "timeSigPlus" : "timeSig" + sign;
    }

    private static double width(String digits) {
        return digits.chars()
                .mapToDouble(sign -> GlyphFont.of(glyphOf((char) sign)).advance())
                .sum();
    }

    private static void digits(Sketch sketch, String digits, double x, double y) {
        double at = x;
        for (int i = 0; i < digits.length(); i++) {
            char sign = digits.charAt(i);
            sketch.glyph(glyphOf(sign), at, y, Drawn.Kind.METRE);
            at += GlyphFont.of(glyphOf(sign)).advance();
        }
    }
}
