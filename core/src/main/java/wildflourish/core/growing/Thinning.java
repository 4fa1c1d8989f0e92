package wildflourish.core.growing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.hand.Scene;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;

/**
 * A full version thinned by taking away and making lighter: what is left is what the best plan keeps of it. Nothing stands in it that the full version does not bear.
 *
 * @param count how many ornaments are left at most; empty for as many as are good
 * @param tempo at which all that is left is clean; empty for the version's own
 */
public record Thinning(Optional<Integer> count, Optional<Tempo> tempo) {
    private static final int DEAREST = 400;
    private static final int MOST_ROUNDS = 8;

    /**
     * The thinned version.
     *
     * @param index of the full version in its stair
     * @param choices what fits the tune, as {@link Growth#choices} finds it
     */
    public Version of(Tune tune, Stair stair, int index, Profile profile, Choices choices) {
        Version full = stair.at(index);
        Set<Placement> never = new HashSet<>();
        Version thin = thinned(tune, stair, index, profile, choices, never);
        for (int round = 0; round < MOST_ROUNDS; round++) {
            List<Placement> unclean = unclean(tune, thin, full, profile);
            if (unclean.isEmpty()) {
                return thin;
            }
            never.addAll(unclean);
            thin = thinned(tune, stair, index, profile, choices, never);
        }
        for (Placement placement : unclean(tune, thin, full, profile)) {
            thin = thin.without(placement.span().first());
        }
        return thin;
    }

    /** What is not clean at the tempo where it stands beside all that is left. */
    private List<Placement> unclean(Tune tune, Version thin, Version full, Profile profile) {
        Version played = thin.withPlaying(
                thin.playing().withTempo(tempo.orElse(full.playing().tempo())));
        Scene scene = Scene.of(tune, played, profile);
        return Dressing.of(thin).stream()
                .filter(placement -> !isClean(WhatFits.verdict(scene, placement).filter(Fit::fits), full))
                .toList();
    }

    private Version thinned(Tune tune, Stair stair, int index, Profile profile, Choices choices, Set<Placement> never) {
        Version full = stair.at(index);
        int stage = stair.isStage(index) ? Math.max(1, index) : stair.stages().size() - 1;
        Taste taste = StageTasks.taste(stair, stage, profile);
        Task task = task(tune, full, taste, choices, never);
        Plan best = task.best().orElseGet(() -> new Plan(List.of(), 0, Map.of()));
        int most = count.orElse(Integer.MAX_VALUE);
        // A dearer plan never has more: the fee is found by halving.
        int low = 0;
        int high = DEAREST;
        while (best.chosen().size() > most && low < high) {
            int fee = (low + high) / 2;
            Plan dearer = dearer(task, fee).best().orElse(best);
            if (dearer.chosen().size() > most) {
                low = fee + 1;
            } else {
                high = fee;
            }
            if (low == high) {
                best = dearer(task, low).best().orElse(best);
            }
        }
        List<Option> left = filled(task, best.chosen(), most);
        return Dressing.dressed(full, left.stream().map(choices::placement).toList());
    }

    /** One after the other with what brings most, as long as there is room for it and it does no harm. */
    private static List<Option> filled(Task task, List<Option> chosen, int most) {
        List<Option> left = new ArrayList<>(chosen);
        Optional<Option> more = left.size() < most && most < Integer.MAX_VALUE ? best(task, left) : Optional.empty();
        while (more.isPresent() && left.size() < most) {
            left.add(more.get());
            more = best(task, left);
        }
        left.sort(Comparator.comparingInt(Option::from));
        return left;
    }

    private static Optional<Option> best(Task task, List<Option> left) {
        return task.options().stream()
                .flatMap(List::stream)
                .filter(option -> !option.isPlain() && left.stream().noneMatch(option::overlaps))
                .max(Comparator.comparingInt(Option::gain));
    }

    private static Task dearer(Task task, int fee) {
        return task.choosing(task.options().stream()
                .map(here -> here.stream()
                        .map(option -> option.isPlain() ? option : option.worth(option.gain() - fee))
                        .toList())
                .toList());
    }

    private Task task(Tune tune, Version full, Taste taste, Choices choices, Set<Placement> never) {
        Liking liking = choices.liking(full);
        List<List<Option>> options = new ArrayList<>();
        for (int note = 0; note < tune.notes().size(); note++) {
            options.add(new ArrayList<>());
        }
        for (Placement placement : Dressing.of(full)) {
            List<Placement> ways = new ArrayList<>();
            if (isClean(choices.fit(placement), full)) {
                ways.add(placement);
            }
            choices.found(placement.span().first()).stream()
                    .filter(fit -> fit.placement().span().equals(placement.span())
                            && placement
                                    .stack()
                                    .isGrownFrom(
                                            fit.placement().stack(),
                                            full.playing().instrument().family())
                            && isClean(Optional.of(fit), full))
                    .map(Fit::placement)
                    .forEach(ways::add);
            ways.stream()
                    .filter(each -> !never.contains(each))
                    .filter(each -> each.stack().difficulty() <= taste.limits().hardest())
                    .map(each -> choices.standing(each, taste, liking))
                    .forEach(option -> options.get(option.from()).add(option));
        }
        for (int note = 0; note < options.size(); note++) {
            if (options.get(note).isEmpty() || !choices.mustBeParted(note)) {
                options.get(note).add(Option.plain(note));
            }
        }
        NoteRow row = choices.row().untied();
        return new Task(row, taste.level().bearing(row, List.of(), options), options);
    }

    /** Whether something is clean at the tempo that is asked for; what is not known to fit is left out. */
    private boolean isClean(Optional<Fit> fit, Version full) {
        Tempo asked = tempo.orElse(full.playing().tempo());
        return fit.filter(each -> each.facts().isCleanAt(asked, Fraction.ONE)).isPresent();
    }
}
