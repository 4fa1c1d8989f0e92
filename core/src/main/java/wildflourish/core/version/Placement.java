package wildflourish.core.version;

import wildflourish.core.ornament.Ornament;

/** An ornament on a span of notes, for every time through or for some. */
public record Placement(Ornament ornament, Span span, Passes passes) {
    public static Placement of(Ornament ornament, Span span) {
        return new Placement(ornament, span, Passes.EVERY);
    }

    public Placement withPasses(Passes newPasses) {
        return newPasses.equals(passes) ? this : new Placement(ornament, span, newPasses);
    }
}
