package wildflourish.files;

import java.util.List;
import java.util.Random;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Stair;

/** Random stairs with placements, options, passes and sentences. */
public final class Decorator {
    private static final Instrument WHISTLE = Instrument.of("whistle-d");

    private Decorator() {}

    public static Lesson decorated(Lesson lesson, Random random) {
        Tune tune = lesson.tune();
        Stair stair = Stair.starting(tune, WHISTLE, 2 + random.nextInt(3))
                .withEach(version -> version.withPlaying(
                        version.playing().withTempo(version.playing().tempo().times(Fraction.of(1, 2)))));
        for (Note note : tune.notes()) {
            int stage = random.nextInt(stair.stages().size());
            if (random.nextInt(4) > 0) {
                continue;
            }
            List<Fit> fits = WhatFits.at(tune, note.id(), stair.at(stage).playing(), Profile.usual())
                    .fitting();
            if (fits.isEmpty()) {
                continue;
            }
            Placement placement = fits.get(random.nextInt(fits.size())).placement();
            stair = stair.placed(
                    tune, stage, random.nextInt(6) == 0 ? placement.withPasses(Passes.only(2)) : placement);
            Spot spot = stair.at(stage).at(note.id()).orElseThrow();
            if (random.nextInt(4) == 0) {
                spot = spot.withOption(fits.get(0).placement());
            }
            if (random.nextInt(4) == 0) {
                spot = spot.withSentence("Lean on it, \\ then\nlet go.");
            }
            stair = stair.withSpot(tune, stage, spot);
        }
        return lesson.with(stair);
    }
}
