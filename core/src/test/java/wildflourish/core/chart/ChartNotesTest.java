package wildflourish.core.chart;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Key;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.OneNote;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

class ChartNotesTest {
    private static final Tune A = OneNote.tune(Key.C_MAJOR, WrittenPitch.parse("A4"), Fraction.of(3, 8));

    private static ChartNotes notes(ChartNotes.Which which, Version version) {
        return ChartNotes.of(which, A, version, Optional.of(new NoteId(0)), Profile.usual());
    }

    private static Version plain(String instrument) {
        return Version.plain("plain", Playing.usual(A, Instrument.of(instrument)));
    }

    @Test
    void aStageHasTheNotesOfItsOrnamentsTheTuneHasNot() {
        Version plain = plain("whistle-d");
        Ornament roll = Ornament.of(Instrument.of("whistle-d").family()).stream()
                .filter(each -> each.id().equals("long-roll"))
                .findFirst()
                .orElseThrow();
        Placement placed = Placement.of(roll, Span.of(new NoteId(0)));
        Version rolled = plain.with(A, Spot.bare(new NoteId(0)).withPlayed(placed));
        FingeredPitch a = FingeredPitch.parse("A4");
        assertThat(notes(ChartNotes.Which.TUNE, rolled).only()).contains(Set.of(a));
        assertThat(notes(ChartNotes.Which.PHRASE, rolled).only()).contains(Set.of(a));
        assertThat(notes(ChartNotes.Which.STAGE, plain).only()).contains(Set.of(a));
        assertThat(notes(ChartNotes.Which.STAGE, rolled).only().orElseThrow())
                .hasSizeGreaterThan(1)
                .contains(a);
        assertThat(notes(ChartNotes.Which.ALL, rolled).only()).isEmpty();
    }

    /** The handbook: A is on the draw of the inner row's fifth button of a B/C box, and nowhere else in that octave. */
    @Test
    void buttonsAreToldWithTheFingerThatTakesThem() {
        ChartNotes notes = notes(ChartNotes.Which.TUNE, plain("box-bc"));
        assertThat(notes.fingers()).containsOnlyKeys("i5");
        assertThat(notes.fingers().get("i5")).hasSize(1);
    }

    @Test
    void theChartLeavesOutWhatIsNotNeeded() {
        ChartWish wish =
                ChartWish.of(Instrument.of("whistle-d")).with(notes(ChartNotes.Which.TUNE, plain("whistle-d")));
        List<PitchZone> zones = ChartSheet.of(wish, wildflourish.core.engraving.Paper.endless(180))
                .get(0)
                .zones();
        assertThat(zones).extracting(PitchZone::pitch).containsExactly(FingeredPitch.parse("A4"));
    }
}
