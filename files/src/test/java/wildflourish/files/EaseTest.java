package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import wildflourish.core.hand.Scene;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Ease;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;
import wildflourish.files.abc.BookReader;

/** How hard a version is, by how much faster its hardest ornament could go. */
class EaseTest {
    private static final Tune TUNE = BookReader.read("X:1\nT:Ease\nM:4/4\nR:reel\nL:1/8\nK:D\nd2fd A2FA|G2BG F2AF|\n")
            .value()
            .lessons()
            .get(0)
            .tune();
    private static final NoteId NOTE = TUNE.notes().get(3).id();

    private static Version cutAt(long beats) {
        Playing usual = Playing.usual(TUNE, Instrument.of("whistle-d"));
        Version plain = Version.plain(
                "Leaf", usual.withTempo(Tempo.of(beats, usual.tempo().beatLength())));
        return plain.with(TUNE, Spot.of(Placement.of(Ornament.of("cut", Family.WHISTLE), Span.of(NOTE))));
    }

    private static Ease ease(Version version) {
        return Ease.of(Scene.of(TUNE, version, Profile.usual()));
    }

    @Test
    void withoutAnOrnamentItIsPlain() {
        assertThat(ease(Version.plain("Root", Playing.usual(TUNE, Instrument.of("whistle-d")))))
                .isEqualTo(Ease.PLAIN);
    }

    @Test
    void theFasterItGoesTheHarderItIs() {
        List<Ease> faster = IntStream.iterate(40, beats -> beats < 320, beats -> beats + 10)
                .mapToObj(beats -> ease(cutAt(beats)))
                .toList();
        assertThat(faster)
                .isSorted()
                .startsWith(Ease.EASY)
                .endsWith(Ease.TOO_HARD)
                .contains(Ease.STEADY, Ease.HARD);
    }

    @Test
    void itIsTooHardJustWhereTheOrnamentIsNoLongerClean() {
        double clean = WhatFits.verdict(
                        Scene.of(TUNE, cutAt(60), Profile.usual()),
                        Placement.of(Ornament.of("cut", Family.WHISTLE), Span.of(NOTE)))
                .orElseThrow()
                .facts()
                .cleanUpTo()
                .orElseThrow()
                .beatsPerMinute()
                .toDouble();
        assertThat(ease(cutAt((long) Math.floor(clean)))).isEqualTo(Ease.HARD);
        assertThat(ease(cutAt((long) Math.ceil(clean) + 1))).isEqualTo(Ease.TOO_HARD);
    }
}
