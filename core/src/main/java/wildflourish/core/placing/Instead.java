package wildflourish.core.placing;

import java.util.List;
import java.util.Optional;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Stack;

/** What players of boxes and concertinas fall back on where a roll or another ornament is not to be had, or costs a detour. */
public final class Instead {
    /** The order in which it is tried, by common practice: what is nearest to a roll first. */
    private static final List<String> IN_ORDER =
            List.of("cran", "cut-repeat", "trill", "mordent", "finger-triplet", "double-cut", "cut");

    private Instead() {}

    /** The first that fits on the same notes without a detour; empty on other instruments, and where nothing does but the plain notes. */
    public static Optional<Ornament> of(Facts facts) {
        Situation situation = facts.situation();
        Ornament asked = facts.ornament();
        boolean isAsked = situation.instrument().buttons().isPresent()
                && asked.kind() != Ornament.Kind.DOUBLE_STOP
                && asked.kind() != Ornament.Kind.ARTICULATION;
        if (!isAsked) {
            return Optional.empty();
        }
        return IN_ORDER.subList(IN_ORDER.indexOf(asked.id()) + 1, IN_ORDER.size()).stream()
                .map(id -> Ornament.of(id, situation.instrument().family()))
                .filter(other -> isEasy(facts, other))
                .findFirst();
    }

    private static boolean isEasy(Facts facts, Ornament other) {
        int count = other.isTouch() ? 1 : facts.count();
        boolean isSame = count == facts.count();
        return isSame
                && WhatFits.verdict(
                                facts.situation().scene(),
                                facts.situation().note().id(),
                                count,
                                Stack.of(other))
                        .filter(fit -> fit.fits() && fit.facts().detour() == 0)
                        .isPresent();
    }
}
