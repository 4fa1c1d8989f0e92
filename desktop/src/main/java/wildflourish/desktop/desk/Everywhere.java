package wildflourish.desktop.desk;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.form.Returns;
import wildflourish.core.hand.Scene;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Deed;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Stair;
import wildflourish.core.words.Words;

/** The same wherever the phrase comes back, in one change; or on one time through only. */
public final class Everywhere {
    private Everywhere() {}

    /** What stands here, or where nothing does what fits best, goes on every return of the phrase on which it fits. */
    public static Outcome place(Here here) {
        return here.spot()
                .flatMap(Spot::first)
                .or(() -> here.whatFits().flatMap(WhatFits::best).map(Fit::placement))
                .map(placement -> place(here, placement))
                .orElseGet(() -> Placing.best(here));
    }

    /** In place of what stands here the next (1) or the one before (−1) of what fits, on every return. */
    public static Outcome cycle(Here here, int direction) {
        List<Placement> choices = here.fitting().stream().map(Fit::placement).toList();
        if (choices.isEmpty()) {
            return Placing.best(here);
        }
        int index = here.spotAtNote().flatMap(Spot::first).map(choices::indexOf).orElse(-1);
        return place(here, choices.get(index < 0 ? 0 : Math.floorMod(index + direction, choices.size())));
    }

    /** A placement goes on its own place and on every return of it. */
    public static Outcome place(Here here, Placement placement) {
        Sight sight = here.sight();
        if (sight.stair().isEmpty() || sight.tune().isEmpty()) {
            return Outcome.nothing();
        }
        Tune tune = sight.tune().get();
        List<Span> returns = returns(tune, placement.span());
        int stage = sight.chosen().stage();
        Stair before = sight.stair().get();
        Stair after = before.placed(tune, stage, placement);
        List<String> refused = new ArrayList<>();
        int placed = 1;
        for (Span span : returns) {
            if (!span.equals(placement.span())) {
                Placement moved = new Placement(placement.stack(), span, placement.passes());
                Stair with = after.placed(tune, stage, moved);
                Scene scene = Scene.of(tune, with.at(stage), sight.chosen().profile());
                if (WhatFits.verdict(scene, moved).filter(Fit::fits).isPresent()) {
                    after = with;
                    placed++;
                } else {
                    refused.add("bar " + (tune.placeOf(span.first()).bar() + 1));
                }
            }
        }
        String name = Words.name(placement.stack());
        String words = returns.size() == 1
                ? "Placed " + Words.article(placement.stack()) + "; this place comes back nowhere else"
                : "Placed " + Words.article(placement.stack()) + " on " + placed + " of " + returns.size()
                        + " places where it comes back"
                        + (refused.isEmpty() ? "" : "; it does not fit in " + String.join(", ", refused));
        return Outcome.of(
                here,
                after,
                new Deed(Deed.Kind.PLACE, name + " wherever it comes back", here.stageName()),
                words + Placing.lowerStages(here, before, after));
    }

    /** What stands here is removed from every return of the phrase. */
    public static Outcome remove(Here here) {
        Sight sight = here.sight();
        Optional<Spot> spot = here.spot();
        if (spot.isEmpty() || sight.version().isEmpty()) {
            return Placing.remove(here);
        }
        Span span = spot.get()
                .first()
                .map(Placement::span)
                .orElse(Span.of(spot.get().at()));
        List<NoteId> spots = returns(sight.tune().orElseThrow(), span).stream()
                .map(Span::first)
                .filter(note -> sight.version()
                        .get()
                        .at(note)
                        .filter(each -> !each.options().isEmpty())
                        .isPresent())
                .toList();
        return Placing.removeAll(here, spots, "what stood on " + spots.size() + " returns of this place");
    }

    /** The times through for which what is played at the spot holds: the next of every time, the first only, the second only. */
    public static Outcome nextPasses(Here here) {
        Optional<Placement> played = here.spot().flatMap(Spot::first);
        if (played.isEmpty()) {
            return Outcome.said("Place an ornament first: then it can hold for one time through only.");
        }
        Passes now = played.get().passes();
        return Options.passes(
                here, now.isEvery() ? Passes.only(1) : now.equals(Passes.only(1)) ? Passes.only(2) : Passes.EVERY);
    }

    private static List<Span> returns(Tune tune, Span span) {
        return Returns.of(tune).of(span.first(), span.last()).stream()
                .map(each -> new Span(each.get(0), each.get(1)))
                .toList();
    }
}
