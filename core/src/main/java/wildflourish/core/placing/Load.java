package wildflourish.core.placing;

import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import wildflourish.core.form.Phrase;
import wildflourish.core.hand.Scene;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.version.Placement;

/**
 * How much there is to do in a version: by phrases, by kinds, and how fast all of it can go.
 *
 * @param phrases the weight of all ornaments that begin in each phrase, in the order of the tune
 * @param limits the tempo up to which every ornament of a phrase is clean; phrases without a limit are left out
 * @param kinds how many ornaments of each kind there are
 * @param cleanUpTo the tempo up to which every ornament is clean; empty where there is none, or where none has a limit
 */
public record Load(
        Map<Phrase, Integer> phrases,
        Map<Phrase, Tempo> limits,
        Map<Ornament.Kind, Integer> kinds,
        Optional<Tempo> cleanUpTo) {
    /** Of a version as it is played. */
    public static Load of(Scene scene) {
        Map<Phrase, Integer> phrases = new LinkedHashMap<>();
        scene.phrasing().phrases().forEach(phrase -> phrases.put(phrase, 0));
        Map<Ornament.Kind, Integer> kinds = new EnumMap<>(Ornament.Kind.class);
        Map<Phrase, Tempo> limits = new LinkedHashMap<>();
        Optional<Tempo> clean = Optional.empty();
        for (Placement placement : scene.version().spots().values().stream()
                .flatMap(spot -> spot.first().stream())
                .toList()) {
            int bar = scene.tune().placeOf(placement.span().first()).bar();
            Phrase phrase = scene.phrasing().at(bar);
            phrases.merge(phrase, placement.stack().weight(), Integer::sum);
            kinds.merge(placement.ornament().kind(), 1, Integer::sum);
            Optional<Tempo> own = WhatFits.verdict(scene, placement)
                    .flatMap(fit -> fit.facts().cleanUpTo());
            clean = slower(clean, own);
            slower(Optional.ofNullable(limits.get(phrase)), own).ifPresent(limit -> limits.put(phrase, limit));
        }
        return new Load(phrases, limits, kinds, clean);
    }

    private static Optional<Tempo> slower(Optional<Tempo> one, Optional<Tempo> other) {
        return Stream.concat(one.stream(), other.stream()).min(Comparator.comparing(Tempo::beatsPerMinute));
    }

    /** The weight of everything. */
    public int total() {
        return phrases.values().stream().mapToInt(Integer::intValue).sum();
    }
}
