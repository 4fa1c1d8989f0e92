package wildflourish.core.arranging;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.hand.Scene;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/**
 * All that fits a tune: as many notes ornamented as can be, and of the ways to do so the heaviest. Nobody performs it; it is studied, and thinned. It is
 * exact over what fits the plain tune, each note by itself; where two that stand together then hinder each other, the later is changed or left out.
 */
public final class Study {
    private final Tune tune;
    private final Version plain;
    private final Profile profile;
    private final List<Note> notes;
    /** By the note they begin on, best first. */
    private final Map<NoteId, List<Placement>> fitting = new HashMap<>();

    private Study(Tune tune, Version plain, Profile profile) {
        this.tune = tune;
        this.plain = plain;
        this.profile = profile;
        this.notes = tune.notes();
    }

    /**
     * For a student.
     *
     * @param played the name, instrument, tempo and schools of the version; what is placed in it is left out
     */
    public static Version of(Tune tune, Version played, Profile profile) {
        Version plain = Version.plain(played.name(), played.playing());
        return new Study(tune, plain, profile).made();
    }

    private Version made() {
        Scene bare = Scene.of(tune, plain, profile);
        for (Note note : notes) {
            if (!note.isRest()) {
                fitting.put(
                        note.id(),
                        WhatFits.at(bare, note.id()).fitting().stream()
                                .map(Fit::placement)
                                .filter(each -> each.span().isInOneBar(tune))
                                .toList());
            }
        }
        Version all = plain;
        for (Placement placement : fullest()) {
            all = all.with(tune, Spot.of(placement));
        }
        return settled(all);
    }

    /** What can be had from a note on: how many ornaments, then how heavy. */
    private record Best(int count, int weight, Optional<Placement> first, int next) {
        boolean isLessThan(Best other) {
            return count != other.count ? count < other.count : weight < other.weight;
        }
    }

    /** Placements of which none overlaps another: the most, of those the heaviest. */
    private List<Placement> fullest() {
        Best[] from = new Best[notes.size() + 1];
        from[notes.size()] = new Best(0, 0, Optional.empty(), notes.size());
        for (int i = notes.size() - 1; i >= 0; i--) {
            Best best = new Best(from[i + 1].count(), from[i + 1].weight(), Optional.empty(), i + 1);
            for (Placement placement : fitting.getOrDefault(notes.get(i).id(), List.of())) {
                int next = tune.placeOf(placement.span().last()).order() + 1;
                Best taken = new Best(
                        from[next].count() + 1,
                        from[next].weight() + placement.stack().weight(),
                        Optional.of(placement),
                        next);
                best = best.isLessThan(taken) ? taken : best;
            }
            from[i] = best;
        }
        List<Placement> all = new ArrayList<>();
        for (int i = 0; i < notes.size(); i = from[i].next()) {
            from[i].first().ifPresent(all::add);
        }
        return all;
    }

    /** What does not bear with the others becomes the next that does, or goes; until all stands well. */
    private Version settled(Version all) {
        Version version = all;
        Set<Placement> tried = new HashSet<>();
        while (true) {
            Scene scene = Scene.of(tune, version, profile);
            Optional<Placement> unfit = placements(version).stream()
                    .filter(placement -> !fits(scene, placement))
                    .reduce((one, other) -> other);
            if (unfit.isEmpty()) {
                return version;
            }
            tried.add(unfit.get());
            NoteId at = unfit.get().span().first();
            Optional<Placement> other = fitting.getOrDefault(at, List.of()).stream()
                    .filter(each -> !tried.contains(each))
                    .filter(each -> isWithin(each, unfit.get()))
                    .filter(each -> fits(scene, each))
                    .findFirst();
            version = other.isPresent() ? version.with(tune, Spot.of(other.get())) : version.without(at);
        }
    }

    private boolean isWithin(Placement smaller, Placement larger) {
        return tune.placeOf(smaller.span().last()).order()
                <= tune.placeOf(larger.span().last()).order();
    }

    private static boolean fits(Scene scene, Placement placement) {
        return WhatFits.verdict(scene, placement).filter(Fit::fits).isPresent();
    }

    private static List<Placement> placements(Version version) {
        return version.spots().values().stream()
                .flatMap(spot -> spot.first().stream())
                .toList();
    }
}
