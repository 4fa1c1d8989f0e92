package wildflourish.core.placing;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import wildflourish.core.hand.Scene;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.version.Placement;

/** Ornaments of one kind on one span, from the lightest to the heaviest: along them a placement grows and shrinks. */
public final class Sizes {
    private Sizes() {}

    /** The next heavier (1) or the next lighter (−1) of its kind that fits where a placement stands; empty at either end. */
    public static Optional<Placement> next(Scene scene, Placement placement, int direction) {
        List<Ornament> chain = chain(scene, placement);
        int at = chain.indexOf(placement.ornament()) + direction;
        return at < 0 || at >= chain.size()
                ? Optional.empty()
                : Optional.of(Placement.of(chain.get(at), placement.span()).withPasses(placement.passes()));
    }

    private static List<Ornament> chain(Scene scene, Placement placement) {
        int count = placement.span().notes(scene.tune()).size();
        return Ornament.of(scene.playing().instrument().family()).stream()
                .filter(each -> each.kind() == placement.ornament().kind())
                .filter(each -> each.equals(placement.ornament()) || fits(scene, placement, each, count))
                .sorted(Comparator.comparingInt((Ornament each) -> each.manner().weight())
                        .thenComparingInt(each -> each.manner().difficulty())
                        .thenComparingInt(each -> Ornament.all().indexOf(each)))
                .toList();
    }

    private static boolean fits(Scene scene, Placement placement, Ornament ornament, int count) {
        return WhatFits.verdict(scene, Placement.of(ornament, placement.span()).withPasses(placement.passes()))
                .filter(fit -> fit.fits() && fit.facts().count() == count)
                .isPresent();
    }
}
