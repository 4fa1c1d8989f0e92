package wildflourish.desktop.desk;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.hand.Scene;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Deed;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.words.Words;

/** Placing, changing and removing what stands at the chosen note, or at all of the chosen notes. */
public final class Placing {
    private static final String NOTHING_HERE = "There is no ornament on this note.";

    private Placing() {}

    public static Outcome place(Here here, Placement placement) {
        Sight sight = here.sight();
        if (sight.stair().isEmpty() || sight.tune().isEmpty()) {
            return Outcome.nothing();
        }
        Tune tune = sight.tune().get();
        Stair before = sight.stair().get();
        Stair after = before.placed(tune, sight.chosen().stage(), placement);
        String where = Words.place(tune, tune.note(placement.span().first()));
        return Outcome.of(
                here,
                after,
                new Deed(Deed.Kind.PLACE, Words.name(placement.stack()), here.stageName()),
                "Placed " + Words.article(placement.stack()) + " on " + where + lowerStages(here, before, after));
    }

    /** Where several notes are chosen, what a placement is made of goes on each of them on which it fits; else it goes where it belongs. */
    public static Outcome placeInRange(Here here, Placement placement) {
        Optional<Span> range = here.sight().severalNotes();
        if (range.isEmpty() || here.scene().isEmpty()) {
            return place(here, placement);
        }
        Scene scene = here.scene().get();
        List<Placement> placements = new ArrayList<>();
        for (Note note : range.get().notes(scene.tune())) {
            WhatFits.at(scene, note.id(), placement.ornament()).stream()
                    .filter(Fit::fits)
                    .map(Fit::placement)
                    .filter(each -> isFree(scene.tune(), placements, each))
                    .findFirst()
                    .ifPresent(placements::add);
        }
        return placeAll(here, placements, Words.name(placement.stack()));
    }

    /** What fits best goes on the chosen note, or on each of the chosen notes; where nothing does, it says why. */
    public static Outcome best(Here here) {
        Optional<Span> range = here.sight().severalNotes();
        if (range.isPresent() && here.scene().isPresent()) {
            Scene scene = here.scene().get();
            List<Placement> placements = new ArrayList<>();
            for (Note note : range.get().notes(scene.tune())) {
                WhatFits.at(scene, note.id()).fitting().stream()
                        .map(Fit::placement)
                        .filter(each -> isFree(scene.tune(), placements, each))
                        .findFirst()
                        .ifPresent(placements::add);
            }
            return placeAll(here, placements, "what fits best");
        }
        Optional<WhatFits> fits = here.whatFits();
        if (fits.isEmpty()) {
            return Outcome.said("There is no note here to ornament.");
        }
        return fits.get()
                .best()
                .map(best -> place(here, best.placement()))
                .orElseGet(() -> Outcome.said(fits.get().refused().stream()
                        .findFirst()
                        .map(Words::why)
                        .orElse("Nothing fits here.")));
    }

    private static boolean isFree(Tune tune, List<Placement> taken, Placement placement) {
        return taken.stream().noneMatch(each -> each.span().overlaps(placement.span(), tune));
    }

    /** All in one change; those that do not go together with the others are left out. */
    private static Outcome placeAll(Here here, List<Placement> placements, String name) {
        Sight sight = here.sight();
        Tune tune = sight.tune().orElseThrow();
        int stage = sight.chosen().stage();
        Stair before = sight.stair().orElseThrow();
        Stair all = before;
        for (Placement each : placements) {
            all = all.placed(tune, stage, each);
        }
        Scene together = Scene.of(tune, all.at(stage), sight.chosen().profile());
        List<Placement> fitting = placements.stream()
                .filter(each ->
                        WhatFits.verdict(together, each).filter(Fit::fits).isPresent())
                .toList();
        if (fitting.isEmpty()) {
            return Outcome.said("Nothing of the kind fits on the chosen notes.");
        }
        Stair after = before;
        for (Placement each : fitting) {
            after = after.placed(tune, stage, each);
        }
        return Outcome.of(
                here,
                after,
                new Deed(Deed.Kind.PLACE, name, here.stageName()),
                "Placed " + name + " on " + notes(fitting.size()) + lowerStages(here, before, after));
    }

    private static String notes(int count) {
        return count == 1 ? "one note" : count + " notes";
    }

    /** In place of what stands here, the next (1) or the one before (−1) of what fits; the best where nothing stands. */
    public static Outcome cycle(Here here, int direction) {
        List<Placement> choices = here.fitting().stream().map(Fit::placement).toList();
        if (choices.isEmpty()) {
            return best(here);
        }
        int index = here.spotAtNote().flatMap(Spot::first).map(choices::indexOf).orElse(-1);
        return place(here, choices.get(index < 0 ? 0 : Math.floorMod(index + direction, choices.size())));
    }

    /** The best of what fits that goes on top of what stands here is played on top of it. */
    public static Outcome onTop(Here here) {
        return here.fitting().stream()
                .flatMap(fit -> here.onTop(fit).stream())
                .findFirst()
                .map(both -> place(here, both))
                .orElseGet(
                        () -> Outcome.said("Nothing goes on top here: place an ornament first, or take another note."));
    }

    /** What stands on the chosen note, or on any of the chosen notes, is removed. */
    public static Outcome remove(Here here) {
        Sight sight = here.sight();
        if (sight.severalNotes().isPresent()) {
            List<NoteId> spots = spotsIn(sight, sight.severalNotes().get());
            return removeAll(here, spots, "what stood on " + notes(spots.size()));
        }
        Optional<Spot> spot = here.spot();
        if (spot.isEmpty()) {
            return Outcome.said(NOTHING_HERE);
        }
        return removeAll(here, List.of(spot.get().at()), "the " + nameOf(spot.get()));
    }

    private static List<NoteId> spotsIn(Sight sight, Span range) {
        Version version = sight.version().orElseThrow();
        return range.notes(sight.tune().orElseThrow()).stream()
                .flatMap(note -> version.at(note.id()).stream())
                .filter(spot -> !spot.options().isEmpty())
                .map(Spot::at)
                .toList();
    }

    private static String nameOf(Spot spot) {
        return spot.first().map(placement -> placement.ornament().name()).orElse("note");
    }

    /** All in one change. */
    static Outcome removeAll(Here here, List<NoteId> spots, String words) {
        Sight sight = here.sight();
        if (spots.isEmpty() || sight.stair().isEmpty()) {
            return Outcome.said(NOTHING_HERE);
        }
        Stair before = sight.stair().get();
        Stair after = before;
        for (NoteId each : spots) {
            after = after.removed(sight.tune().orElseThrow(), sight.chosen().stage(), each);
        }
        return Outcome.of(
                here,
                after,
                new Deed(Deed.Kind.REMOVE, words.replaceFirst("^the ", ""), here.stageName()),
                "Removed " + words + lowerStages(here, before, after));
    }

    /** Which stages below change with the one worked on. */
    static String lowerStages(Here here, Stair before, Stair after) {
        List<String> changed = new ArrayList<>();
        for (int i = 0; i < here.sight().chosen().stage(); i++) {
            if (!before.at(i).equals(after.at(i))) {
                changed.add(after.at(i).name());
            }
        }
        return changed.isEmpty() ? "" : "; " + String.join(", ", changed) + " changed with it, so that the stair rises";
    }
}
