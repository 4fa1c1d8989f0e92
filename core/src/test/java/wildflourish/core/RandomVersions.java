package wildflourish.core;

import java.util.List;
import java.util.Random;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Metre;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/** Tunes and versions from a seeded generator, for laws that must hold for all of them. */
public final class RandomVersions {
    private static final List<String> PITCHES =
            List.of("D4", "E4", "F♯4", "G4", "A4", "B4", "C5", "C♯5", "D5", "E5", "F♯5", "G5", "A5", "B5", "F4", "C4");
    private static final List<Metre> METRES =
            List.of(Metre.of(4, 4), Metre.of(6, 8), Metre.of(2, 4), Metre.of(9, 8), Metre.of(3, 4));

    private final Random random;

    public RandomVersions(long seed) {
        this.random = new Random(seed * 0x9E3779B97F4A7C15L);
    }

    /** Two parts of four bars, the first repeated, with rests, ties and a pickup now and then. */
    public Tune tune() {
        Metre metre = METRES.get(random.nextInt(METRES.size()));
        int quavers = (int) (metre.barLength().toDouble() * 8);
        StringBuilder text = new StringBuilder(random.nextBoolean() ? "D4:1 E4:1 " : "");
        text.append("|: ");
        for (int bar = 0; bar < 8; bar++) {
            text.append(bar(quavers)).append(bar == 3 ? ":| " : bar == 7 ? "|]" : "| ");
        }
        return Melody.of(metre, text.toString());
    }

    private String bar(int quavers) {
        StringBuilder bar = new StringBuilder();
        int left = quavers;
        String pitch = pitch();
        while (left > 0) {
            int length = Math.min(left, List.of(1, 1, 1, 2, 2, 3).get(random.nextInt(6)));
            pitch = random.nextInt(4) == 0 ? pitch : pitch();
            boolean isRest = random.nextInt(16) == 0;
            boolean isTied = !isRest && left > length && random.nextInt(20) == 0;
            bar.append(isRest ? "r" : pitch).append(':').append(length).append(isTied ? "~ " : " ");
            left -= length;
            if (isTied) {
                bar.append(pitch).append(':').append(left).append(' ');
                left = 0;
            }
        }
        return bar.toString();
    }

    private String pitch() {
        return PITCHES.get(random.nextInt(PITCHES.size()));
    }

    /** Something that fits on about half of the notes, some of it for the second time through only, some with a further option. */
    public Version version(Tune tune) {
        return version(tune, Playing.usual(tune, Instrument.of("whistle-d")));
    }

    public Version version(Tune tune, Playing playing) {
        Version version = Version.plain("Leaf", playing);
        for (Note note : tune.notes()) {
            List<Fit> fits =
                    WhatFits.at(tune, note.id(), playing, Profile.usual()).fitting();
            if (fits.isEmpty() || random.nextBoolean()) {
                continue;
            }
            Placement placement = fits.get(random.nextInt(fits.size())).placement();
            Spot spot = Spot.of(random.nextInt(5) == 0 ? placement.withPasses(Passes.only(2)) : placement);
            version = version.with(
                    tune, random.nextInt(3) == 0 ? spot.withOption(fits.get(0).placement()) : spot);
        }
        return version;
    }
}
