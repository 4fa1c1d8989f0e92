package wildflourish.files.abc;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.Realiser;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/** A repeat whose times through differ, written out: both times stand there, and it sounds the same. */
class UnfoldingTest {
    private static Tune read(String body) {
        return TuneText.read("X:1\nT:Twice\nR:reel\nM:4/4\nL:1/8\nK:D\n" + body).value();
    }

    private static Version plain(Tune tune) {
        return Version.plain("Bud", Playing.usual(tune, Instrument.of("whistle-d")));
    }

    /** With a cut on a note for one time through. */
    private static Version cut(Tune tune, int note, int pass) {
        Placement cut = new Placement(
                wildflourish.core.ornament.Stack.of(Ornament.of("cut")), Span.of(new NoteId(note)), Passes.only(pass));
        return plain(tune).with(tune, Spot.of(cut));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                // a repeat alone; two parts, of which one differs; endings; a repeat without a start; the bar line
                // within which it stands
                "|:G2AB c2BA:|; 1; 2; G2AB c2BA ||\\nG2{c}AB c2BA|]",
                "|:G2AB c2BA:|\\n|:d4 e4:|; 7; 2; |:G2AB c2BA:|\\nd4 e4 ||\\nd4 {a}e4|]",
                "|:G2AB c2BA:|\\n|:d4 e4:|; 1; 2; G2AB c2BA ||\\nG2{c}AB c2BA||\\n|:d4 e4:|",
                "|:G2AB c2BA|1 d8:|2 e8:|; 1; 1; G2{c}AB c2BA|d8 ||\\nG2AB c2BA|e8|]",
                "G2AB c2BA:|d4 e4:|; 1; 2; G2AB c2BA ||\\nG2{c}AB c2BA||d4 e4:|",
                "|:\"G\"G2AB (c2BA|d4) e4:|; 1; 2; \"G\"G2AB (c2BA|d4) e4 ||\\n\"G\"G2{c}AB (c2BA|d4) e4|]"
            })
    void bothTimesThroughStandThere(String body, int note, int pass, String written) {
        Tune tune = read(body.replace("\\n", "\n"));
        Version version = cut(tune, note, pass);
        assertThat(VersionWriter.body(tune, version).trim()).isEqualTo(written.replace("\\n", "\n"));
        assertThat(RoundTripTest.lengths(read(written.replace("\\n", "\n")))).isEqualTo(RoundTripTest.lengths(tune));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "|:G2AB c2BA:|; 1",
                "|:G2AB c2BA:|\\n|:d4 e4:|; 6",
                "|:G2AB c2BA|1 d8:|2 e8:|; 1",
                "G2AB c2BA:|d4 e4:|; 1"
            })
    void theVersionUponItSoundsAsBefore(String body, int note) {
        Tune tune = read(body.replace("\\n", "\n"));
        Version version = cut(tune, note, 2);
        Unfolding unfolding = Unfolding.of(tune, version);
        assertThat(unfolding.bars()).hasSizeGreaterThan(tune.bars().size());
        assertThat(sounds(unfolding.tune(), unfolding.version())).isEqualTo(sounds(tune, version));
    }

    private static List<String> sounds(Tune tune, Version version) {
        return Realiser.realise(tune, version, Profile.usual()).moments().stream()
                .map(moment -> moment.startMillis() + " " + moment.cue().role() + " "
                        + moment.sounding().map(Moment.Sounding::pitch))
                .toList();
    }

    @Test
    void aRepeatPlayedAlikeStaysARepeat() {
        Tune tune = read("|:G2AB c2BA:|\n");
        Version every = plain(tune).with(tune, Spot.of(Placement.of(Ornament.of("cut"), Span.of(new NoteId(1)))));
        assertThat(VersionWriter.body(tune, every)).isEqualTo("|:G2{c}AB c2BA:|");
        Placement both = new Placement(
                wildflourish.core.ornament.Stack.of(Ornament.of("cut")),
                Span.of(new NoteId(1)),
                new Passes(Set.of(1, 2)));
        assertThat(VersionWriter.body(tune, plain(tune).with(tune, Spot.of(both))))
                .isEqualTo("|:G2{c}AB c2BA:|");
    }

    @Test
    void aRepeatInWhichTheKeyChangesIsWrittenAsItsFirstTimeThrough() {
        Tune tune = read("|:G2AB c2BA|[K:G] G2AB c2BA:|");
        assertThat(VersionWriter.body(tune, cut(tune, 1, 1))).isEqualTo("|:G2{c}AB c2BA|[K:G] G2AB c2BA:|");
    }

    @Test
    void aLayerForOneTimeThroughHoldsThere() {
        Tune tune = read("|:G2AB c2BA:|\n|:d2ef e2dB:|");
        Span span = new Span(new NoteId(0), new NoteId(8));
        Version version = plain(tune).withLayers(List.of(new Layer(Layer.Rule.of("hold-beats"), span, Passes.only(2))));
        assertThat(VersionWriter.body(tune, version).trim())
                .isEqualTo("G2AB c2BA ||\nG2A2 c2B2||\nd2ef e2dB ||\nd2e2 e2dB|]");
        Unfolding unfolding = Unfolding.of(tune, version);
        assertThat(sounds(unfolding.tune(), unfolding.version())).isEqualTo(sounds(tune, version));
    }

    @Test
    void whatIsWrittenOutIsTracedBackToThePlainNotes() {
        Tune tune = read("|:G2AB c2BA:|");
        WrittenOut written = WrittenOut.of(tune, cut(tune, 1, 2));
        assertThat(written.tune().notes()).hasSize(12);
        assertThat(written.originals().values()).hasSize(12).allMatch(tune::has);
    }
}
