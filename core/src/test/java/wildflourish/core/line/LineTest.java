package wildflourish.core.line;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import wildflourish.core.Melody;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Schools;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.performance.Realisation;
import wildflourish.core.performance.Realiser;
import wildflourish.core.placing.Breaths;
import wildflourish.core.placing.Remark;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

class LineTest {
    private static Version plain(Tune tune) {
        return Version.plain("line", Playing.usual(tune, Instrument.of("whistle-d")));
    }

    private static Version with(Tune tune, String rule, int first, int last) {
        return plain(tune).withLayers(List.of(new Layer(Layer.Rule.of(rule), Melody.span(first, last), Passes.EVERY)));
    }

    @Test
    void repeatsAreUnfoldedInPlayingOrder() {
        Tune tune = Melody.reel("|: D4:4 E4:4 | [1 F♯4:8 :| [2 G4:8 |]");
        Line line = Line.of(tune, plain(tune));
        assertThat(line.tones().stream().map(tone -> tone.note().melody().letter()))
                .containsExactly("D", "E", "F♯", "D", "E", "G");
        assertThat(line.playings(new NoteId(0)))
                .as("from nothing, and from F sharp")
                .hasSize(2);
        assertThat(line.before(3).orElseThrow().note().id()).isEqualTo(new NoteId(2));
    }

    @Test
    void aNoteIsHeldThroughTheBeatInPlaceOfAFigure() {
        Tune tune = Melody.jig("D4:1 F♯4:1 A4:1 E4:3 |");
        Line line = Line.of(tune, with(tune, "hold-beats", 0, 3));
        assertThat(line.tones()).hasSize(2);
        assertThat(line.tones().get(0).length()).isEqualTo(Fraction.of(3, 8));
        assertThat(line.tones().get(1).start()).isEqualTo(Fraction.of(3, 8));
    }

    @Test
    void longNotesGiveTheirSecondHalfToTheBreathAndBarsKeepTheirTotals() {
        Tune tune = Melody.reel("D4:2 E4:1 F♯4:1 A4:4 |");
        Version version = with(tune, "breathe", 0, 3);
        Realisation realisation = Realiser.realise(tune, version, Profile.usual());
        assertThat(realisation.moments().stream()
                        .map(moment -> moment.sounding().isEmpty()))
                .containsExactly(false, true, false, false, false, true);
        assertThat(realisation.endMillis())
                .isEqualTo(Realiser.realise(tune, plain(tune), Profile.usual()).endMillis());
        assertThat(Breaths.stretches(Line.of(tune, version), version)).hasSize(2);
    }

    @Test
    void aPlacementWinsItsNoteFromALayer() {
        Tune tune = Melody.reel("D4:2 A4:2 G4:4 |");
        Version version = with(tune, "breathe", 0, 2)
                .with(tune, Spot.of(Placement.of(Ornament.of("short-roll"), Melody.span(1, 1))));
        Line line = Line.of(tune, version);
        assertThat(line.tones().stream().filter(Tone::isRest)).hasSize(2);
        assertThat(line.tones().get(2).length()).isEqualTo(Fraction.of(1, 4));
    }

    @Test
    void aPassageIsTonguedOrSlurred() {
        Tune tune = Melody.reel("D4:1 E4:1 F♯4:1 G4:1 A4:4 |");
        assertThat(struck(tune, plain(tune))).isEqualTo(1);
        assertThat(struck(tune, with(tune, "tongue-all", 0, 4))).isEqualTo(5);
        assertThat(struck(tune, with(tune, "tongue-beats", 0, 4))).isEqualTo(3);
        assertThat(struck(tune, with(tune, "slurred", 0, 4))).isEqualTo(1);
        Version tonguedCut =
                with(tune, "tongue-all", 0, 4).with(tune, Spot.of(Placement.of(Ornament.of("cut"), Melody.span(2, 2))));
        assertThat(struck(tune, tonguedCut)).as("a tongued cut").isEqualTo(5);
    }

    private static long struck(Tune tune, Version version) {
        return Realiser.realise(tune, version, Profile.usual()).moments().stream()
                .filter(moment -> moment.sounding().orElseThrow().begin().isTongue())
                .count();
    }

    /** A whistle player wants air after 5 seconds and has none after 10 (common practice, M). */
    @Test
    void theLongestStretchWithoutABreathIsTold() {
        Tune tune = Melody.reel("D4:8 | ".repeat(6) + "r:8 | D4:8 |");
        Version version = plain(tune).with(tune, Spot.of(Placement.of(Ornament.of("cut"), Melody.span(0, 0))));
        Breaths.Stretch longest =
                Breaths.longest(Line.of(tune, version), version).orElseThrow();
        assertThat(longest.lastNote()).isEqualTo(new NoteId(5));
        assertThat(longest.seconds().toDouble()).isEqualTo(6 * 2 * 60.0 / 105);
        assertThat(Remark.of(tune, version, Profile.usual())).noneMatch(Remark.NoBreath.class::isInstance);
        Tune longer = Melody.reel("D4:8 | ".repeat(9));
        Version breathless = plain(longer).with(longer, Spot.of(Placement.of(Ornament.of("cut"), Melody.span(0, 0))));
        assertThat(Remark.of(longer, breathless, Profile.usual())).anyMatch(Remark.NoBreath.class::isInstance);
        assertThat(Breaths.of(Instrument.of("border-pipes").family())).isEmpty();
    }

    /** A bar line set into the span of an ornament later: the ornament is left out, and nothing plays longer than it is written. */
    @Test
    void anOrnamentWhoseSpanIsSplitByABarLineTakesNoTimeOfItsOwn() {
        Tune tune = Melody.reel("D4:6 G4:1 G4:1 | G4:1 A4:7 |");
        Version split = plain(tune).with(tune, Spot.of(Placement.of(Ornament.of("long-roll"), Melody.span(1, 3))));
        Realisation realisation = Realiser.realise(tune, split, Profile.usual());
        assertThat(realisation.endMillis()).isEqualTo(realisation.tempo().millisOf(Fraction.of(2)));
        assertThat(realisation.figures()).isEmpty();
        assertThat(Remark.of(tune, split, Profile.usual())).anyMatch(Remark.Unfit.class::isInstance);
    }

    /** Notes entered later have higher numbers than those around them: their place in the tune counts, not their number. */
    @Test
    void aFingerStaysDownThroughANoteThatWasEnteredLater() {
        Tune typed = Melody.reel("G4:1 A4:1 B4:1 A4:1 G4:2 D4:2 |");
        List<Note> notes = typed.notes();
        List<Note> renumbered = new ArrayList<>();
        for (Note note : notes) {
            int number = note.id().number() == 2 ? 90 : note.id().number();
            renumbered.add(new Note(new NoteId(number), note.pitches(), note.duration(), note.marks()));
        }
        Bar bar = typed.bars().get(0);
        Tune tune = new Tune(
                typed.header(),
                List.of(new Bar(renumbered, bar.sides(), bar.ending(), bar.change())),
                List.of(),
                typed.manuscript());
        Instrument fiddle = Instrument.of("fiddle");
        HandLines lines = HandLines.of(
                        tune,
                        fiddle,
                        Schools.usual(fiddle),
                        tune.header().type().session(),
                        Map.of())
                .orElseThrow();
        assertThat(lines.kept()).singleElement().satisfies(kept -> {
            assertThat(kept.covers(new NoteId(90))).isTrue();
            assertThat(kept.covers(new NoteId(5))).isFalse();
        });
    }
}
