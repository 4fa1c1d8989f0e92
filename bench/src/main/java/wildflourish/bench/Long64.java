package wildflourish.bench;

import java.util.List;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;
import wildflourish.files.abc.BookReader;

/** A made-up reel of 64 bars, and a version with something on every third note where it fits. */
final class Long64 {
    private static final List<String> BARS = List.of(
            "d2fd cdBA", "F2AF EFDE", "F2Ad BAFA", "B2gf e2FA", "d3f gfed", "D3E FGAB", "a2fa gfed", "c2Ac BAGF");

    private Long64() {}

    static Tune tune() {
        return tune(64);
    }

    static Tune tune(int bars) {
        StringBuilder text = new StringBuilder("X:1\nT:Sixty-four bars\nR:reel\nM:4/4\nL:1/8\nK:D\n");
        for (int bar = 0; bar < bars; bar++) {
            boolean opens = bar % 8 == 0;
            boolean ends = bar % 8 == 7;
            text.append(opens ? "|:" : "")
                    .append(BARS.get((bar * 5 + bar / 8) % BARS.size()))
                    .append(ends ? ":|\n" : "|");
        }
        return BookReader.read(text.toString()).value().lessons().get(0).tune();
    }

    static Version version(Tune tune) {
        Version version = Version.plain("Bud", Playing.usual(tune, Instrument.of("whistle-d")));
        int count = 0;
        for (Note note : tune.notes()) {
            List<Fit> fits = WhatFits.at(tune, note.id(), version.playing(), Profile.usual())
                    .fitting();
            if (!fits.isEmpty() && count++ % 3 == 0) {
                version = version.with(tune, Spot.of(fits.get(0).placement()));
            }
        }
        return version;
    }
}
