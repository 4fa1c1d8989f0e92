package wildflourish.desktop.desk;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.ornament.Choice;
import wildflourish.core.placing.Fit;
import wildflourish.core.tune.NoteId;
import wildflourish.core.version.Deed;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/** What a spot keeps beside what is played there: further options, words, times through, an own school. */
public final class Options {
    private Options() {}

    /** Keeps a further option at the spot, for the page to say “or”. */
    public static Outcome keep(Here here, Placement placement) {
        Sight sight = here.sight();
        Optional<Spot> spot =
                sight.version().flatMap(version -> version.at(placement.span().first()));
        if (spot.isEmpty() || spot.get().options().isEmpty()) {
            return Placing.place(here, placement);
        }
        Spot more = spot.get().withOption(placement);
        if (more.equals(spot.get())) {
            return Outcome.said("That is already kept at this spot.");
        }
        String name = placement.ornament().name();
        return with(
                here,
                more,
                new Deed(Deed.Kind.KEEP_OPTION, name, here.stageName()),
                "Kept a " + name + " as another option here");
    }

    /** Keeps the best of what fits and is not at the spot yet as a further option. */
    public static Outcome keepNextBest(Here here) {
        List<Placement> there = here.spot().map(Spot::options).orElse(List.of());
        return here.fitting().stream()
                .map(Fit::placement)
                .filter(placement -> !there.contains(placement))
                .findFirst()
                .map(next -> keep(here, next))
                .orElseGet(() -> Outcome.said("Nothing else fits here."));
    }

    /** The next of the kept options becomes the one that is played. */
    public static Outcome next(Here here) {
        Optional<Spot> spot = here.spot();
        return spot.isEmpty() || spot.get().options().size() < 2
                ? Outcome.said(
                        "Only spots with several options can change between them; keep one with Shift+Enter first.")
                : with(
                        here,
                        spot.get().withNextOption(),
                        new Deed(Deed.Kind.NEXT_OPTION, "", here.stageName()),
                        "The other option is played now");
    }

    /** The teacher's own words at the chosen note; none when empty. */
    public static Outcome sentence(Here here, String words) {
        Sight sight = here.sight();
        if (sight.note().isEmpty() || sight.version().isEmpty()) {
            return Outcome.nothing();
        }
        NoteId at = here.spot().map(Spot::at).orElse(sight.note().get());
        Version version = sight.version().get();
        Spot spot = version.at(at).orElse(Spot.bare(at));
        return spot.sentence().equals(words.strip())
                ? Outcome.nothing()
                : with(
                        here,
                        spot.withSentence(words.strip()),
                        new Deed(Deed.Kind.SENTENCE, "", here.stageName()),
                        words.isBlank() ? "The words are gone" : "The words stand below the score and on the sheet");
    }

    /** The times through for which what is played at the spot holds. */
    public static Outcome passes(Here here, Passes passes) {
        Optional<Spot> spot = here.spot();
        if (spot.isEmpty() || spot.get().options().isEmpty()) {
            return Outcome.nothing();
        }
        List<Placement> options = new ArrayList<>(spot.get().options());
        options.set(0, options.get(0).withPasses(passes));
        return with(
                here,
                spot.get().withOptions(options),
                new Deed(Deed.Kind.PASSES, "", here.stageName()),
                passes.isEvery() ? "It is played every time" : "It is played only time " + passes.numbers());
    }

    /** What is played at the spot is played in another of its own schools. */
    public static Outcome ownSchool(Here here, String school) {
        return here.spot()
                .flatMap(Spot::first)
                .map(placement -> Placing.place(here, placement.with(new Choice(placement.ornament(), school))))
                .orElse(Outcome.nothing());
    }

    private static Outcome with(Here here, Spot spot, Deed deed, String words) {
        Sight sight = here.sight();
        return Outcome.of(
                here,
                sight.stair()
                        .orElseThrow()
                        .withSpot(sight.tune().orElseThrow(), sight.chosen().stage(), spot),
                deed,
                words);
    }
}
