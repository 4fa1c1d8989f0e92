package wildflourish.core.placing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;

/** Every ornament held against a note: what fits, best first, then what does not, each with why. */
public record WhatFits(List<Fit> fitting, List<Fit> refused) {
    public WhatFits {
        fitting = List.copyOf(fitting);
        refused = List.copyOf(refused);
    }

    public static WhatFits at(Tune tune, NoteId note, Playing playing, Profile profile) {
        return of(new Situation(tune, tune.note(note), playing, profile));
    }

    public static WhatFits of(Situation situation) {
        List<Fit> fitting = new ArrayList<>();
        List<Fit> refused = new ArrayList<>();
        for (Ornament ornament : Ornament.all()) {
            List<Fit> fits = Candidate.of(situation, ornament).stream()
                    .map(candidate -> Fit.of(new Facts(situation, candidate)))
                    .toList();
            List<Fit> good = fits.stream().filter(Fit::fits).toList();
            fitting.addAll(good);
            if (good.isEmpty()) {
                refused.add(fits.get(0));
            }
        }
        fitting.sort(Comparator.comparingInt((Fit fit) -> -fit.rank()));
        return new WhatFits(fitting, refused);
    }

    /** The verdict on what is already placed, whether it fits or not. */
    public static Fit verdict(Tune tune, Placement placement, Playing playing, Profile profile) {
        return Fit.of(facts(tune, placement, playing, profile));
    }

    static Facts facts(Tune tune, Placement placement, Playing playing, Profile profile) {
        Situation situation = new Situation(tune, tune.note(placement.span().first()), playing, profile);
        Candidate candidate = new Candidate(
                placement.ornament(),
                placement.span(),
                placement.ornament().shapeFor(placement.span().length(tune)));
        return new Facts(situation, candidate);
    }

    public Optional<Fit> best() {
        return fitting.stream().findFirst();
    }
}
