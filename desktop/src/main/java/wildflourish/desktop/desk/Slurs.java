package wildflourish.desktop.desk;

import java.util.List;
import java.util.Optional;
import wildflourish.core.hand.Scene;
import wildflourish.core.instrument.Family;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Stack;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.NoteId;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;
import wildflourish.core.words.Words;

/** Notes joined on strings by one key: on one bow, or by the left hand of a plucked string. */
public final class Slurs {
    /** What joins notes, in the order in which the key goes through it. */
    private static final List<String> BOWED = List.of("slur2", "slur3");

    private static final List<String> PLUCKED = List.of("hammer", "pull", "slide-to");

    private Slurs() {}

    /** From the chosen note the next way of joining it to what follows; after the last one none. */
    public static Outcome next(Here here) {
        Family family = here.sight().instrument().family();
        List<String> all = family == Family.FIDDLE ? BOWED : family.isPlucked() ? PLUCKED : List.of();
        Optional<NoteId> note = here.sight().note();
        Optional<Scene> scene = here.scene();
        if (all.isEmpty() || note.isEmpty() || scene.isEmpty()) {
            return Outcome.said(
                    all.isEmpty() ? "Slurs by this key are for strings." : "There is no note here to slur.");
        }
        Optional<String> slur = here.spot()
                .flatMap(Spot::first)
                .map(placement -> placement.ornament().id())
                .filter(all::contains);
        if (slur.isEmpty() && here.spot().flatMap(Spot::first).isPresent()) {
            return Outcome.said("Another ornament stands here: remove it first, or slur the note before.");
        }
        int from = slur.map(all::indexOf).orElse(-1) + 1;
        Optional<Placement> next = all.subList(from, all.size()).stream()
                .flatMap(id -> fitting(scene.get(), note.get(), Ornament.of(id, family)).stream())
                .findFirst();
        if (next.isPresent()) {
            return Placing.place(here, next.get());
        }
        return slur.isPresent()
                ? Placing.remove(here)
                : Outcome.said(refused(scene.get(), note.get(), Ornament.of(all.get(0), family)));
    }

    private static Optional<Placement> fitting(Scene scene, NoteId note, Ornament ornament) {
        return WhatFits.at(scene, note, ornament).stream()
                .filter(Fit::fits)
                .findFirst()
                .map(Fit::placement);
    }

    private static String refused(Scene scene, NoteId note, Ornament ornament) {
        return WhatFits.verdict(scene, note, 2, Stack.of(ornament))
                .map(fit -> "No slur here: " + Words.of(fit.refusals().get(0), fit.facts()) + ".")
                .orElse("No slur here: the note is never played.");
    }
}
