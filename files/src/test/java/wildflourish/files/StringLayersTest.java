package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.fingering.StringWay;
import wildflourish.core.hand.Scene;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Strings;
import wildflourish.core.line.Tone;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Stack;
import wildflourish.core.placing.Remark;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;
import wildflourish.core.words.LayerWords;
import wildflourish.core.words.Words;
import wildflourish.files.abc.BookReader;
import wildflourish.files.abc.BookWriter;

/** Layers on strings: what they make of a passage, how the hand plays it, what the file has of it. */
class StringLayersTest {
    private static Tune tune(String header, String body) {
        return BookReader.read("X:1\nT:Layers\n" + header + "\n" + body + "\n")
                .value()
                .lessons()
                .get(0)
                .tune();
    }

    private static Tune reel(String body) {
        return tune("R:reel\nM:4/4\nL:1/8\nK:D", body);
    }

    private static Version on(Tune tune, String instrument, List<String> rules) {
        return on(tune, instrument, rules, "112");
    }

    private static Version on(Tune tune, String instrument, List<String> rules, String tempo) {
        Instrument asked = Instrument.of(instrument);
        Tempo beats = new Tempo(Fraction.parse(tempo), tune.header().type().beatLength());
        List<Note> notes = tune.notes();
        Span whole = new Span(notes.get(0).id(), notes.get(notes.size() - 1).id());
        List<Layer> layers = new ArrayList<>();
        rules.forEach(rule -> layers.add(Layer.parse(rule, whole, Passes.EVERY)));
        return Version.plain("Layered", new Playing(asked, asked.schools().get(0), beats))
                .withLayers(layers);
    }

    private static Scene scene(Tune tune, Version version) {
        return Scene.of(tune, version, Profile.usual());
    }

    private static String written(Tune tune, Version version) {
        String text = BookWriter.writeVersion(tune, version);
        return text.substring(text.lastIndexOf("K:")).lines().skip(1).collect(Collectors.joining());
    }

    /** The worked example of the layers that a mandolin teacher stacks. */
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            quoteCharacter = '`',
            value = {
                "repeat; \"G\"GGGGBBAA|G4||",
                "repeat connect; \"G\"GGGABBAA|G4||",
                "repeat connect double; \"G\"[G,G]GGA[DB]BAA|[G,G]4||",
                "repeat connect double tremble; \"G\"\"^trem.\"G4[DB]BAA|[G,G]4||",
                "repeat connect double tremble blue-fills; \"G\"\"^trem.\"G4[DB]BAA|G_BAG||"
            })
    void whatAMandolinTeacherStacks(String rules, String expected) {
        Tune tune = tune("R:reel\nM:4/4\nL:1/8\nK:G", "\"G\"G4B2A2|G4||");
        Version version = on(tune, "mandolin", List.of(rules.split(" ", -1)), "60");
        assertThat(written(tune, version)).isEqualTo(expected);
    }

    /** Common practice: strokes of each order over two bars of quavers, no two neighbours of one pitch. */
    @ParameterizedTest
    @CsvSource({
        "saw, 16",
        "long-short-short, 12",
        "one-and-three, 8",
        "across-pairs, 9",
        "one-and-three-off, 9",
        "across, 13"
    })
    void strokesOfEveryOrderAreCounted(String order, int strokes) {
        Tune tune = reel("DEFG ABAG|FEDE FGFE|");
        Version version = on(tune, "fiddle", List.of("bows@" + order));
        List<StringWay> ways = tune.notes().stream()
                .map(note -> scene(tune, version).ways().onStrings(note.id()).orElseThrow())
                .toList();
        assertThat(ways.stream().filter(way -> !way.isSlurred())).hasSize(strokes);
        assertThat(ways.get(0).isDown())
                .isEqualTo(
                        !order.equals("across") && !order.equals("one-and-three-off") && !order.equals("across-pairs"));
    }

    /** A minim in long-short-short: a half and two quarters of it, six bows a bar; the last note of a part is left whole. */
    @Test
    void aShufflePartsLongNotesAndJoinsEqualOnes() {
        Tune tune = reel("D4 AAFA|d4 F2A2|D8||");
        Version version = on(tune, "fiddle", List.of("shuffle"));
        List<Fraction> lengths =
                scene(tune, version).line().tones().stream().map(Tone::length).toList();
        Fraction quaver = Fraction.of(1, 8);
        Fraction crotchet = Fraction.of(1, 4);
        assertThat(lengths)
                .containsExactly(
                        crotchet,
                        quaver,
                        quaver,
                        crotchet,
                        quaver,
                        quaver,
                        crotchet,
                        quaver,
                        quaver,
                        crotchet,
                        quaver,
                        quaver,
                        Fraction.ONE);
        assertThat(written(tune, version)).isEqualTo("D2DD A2FA|d2dd F2AA|D8||");
    }

    /** Quavers 1, 4 and 7 keep to the tune, the open string beside it sounds on the others; late on 3, 6 and 8. A string that grates gives way to the one below. */
    @ParameterizedTest
    @CsvSource({"double, AeeA eeBe|DAAF AAFA|D8||", "double-late, eeAe eBeB|AAFA AAAD|D8||"})
    void aDoubleShuffleRocksOverTwoStrings(String way, String expected) {
        Tune tune = reel("A4 B4|D2F2 A2FD|D8||");
        assertThat(written(tune, on(tune, "fiddle", List.of("shuffle@" + way)))).isEqualTo(expected);
    }

    @Test
    void aFingerIsLeftDown() {
        Tune tune = reel("D2EG E2F2|D8|");
        Note first = tune.notes().get(1);
        Note last = tune.notes().get(3);
        Version plain = on(tune, "fiddle", List.of());
        Layer stay = new Layer(Layer.Rule.of("stay-down"), new Span(first.id(), last.id()), Passes.EVERY);
        HandLines lines = scene(tune, plain.withLayers(List.of(stay))).lines().orElseThrow();
        assertThat(lines.kept()).anyMatch(kept -> kept.covers(first.id()) && kept.covers(last.id()));
    }

    @Test
    void theTuneLiesAnOctaveDown() {
        Tune tune = reel("a2f2 d2f2|a4 d4|");
        Version version = on(tune, "fiddle", List.of("octave-down"));
        assertThat(written(tune, version)).isEqualTo("A2F2 D2F2|A4 D4|");
        assertThat(scene(tune, version)
                        .ways()
                        .onStrings(tune.notes().get(0).id())
                        .orElseThrow()
                        .place()
                        .string())
                .isEqualTo(2);
    }

    /** A drone over a passage leaves bare what it would grate on. */
    @Test
    void aDroneIsKeptWhereItDoesNotGrate() {
        Tune tune = reel("A2B2 c2A2|A4 A4|");
        Version version = on(tune, "fiddle", List.of("drone"));
        assertThat(written(tune, version)).isEqualTo("[DA]2[DB]2 c2[DA]2|[DA]4 [DA]4|");
        Version oldTime = on(tune, "fiddle", List.of("drone@old-time"));
        assertThat(written(tune, oldTime)).isEqualTo("[DA]2[DB]2 [Dc]2[DA]2|[DA]4 [DA]4|");
    }

    @ParameterizedTest
    @ValueSource(strings = {"hooked", "shuffle@hooked"})
    void hookedBowsTakePairsOfQuavers(String rule) {
        Tune tune = tune("R:strathspey\nM:4/4\nL:1/8\nK:D", "DF A2 FA d2|A4 A4|");
        Version version = on(tune, "fiddle", List.of(rule), "115");
        assertThat(scene(tune, version).line().tones().stream()
                        .filter(tone -> tone.placed().isPresent())
                        .map(tone -> tone.note().melody().letter()))
                .containsExactly("D", "F♯");
    }

    /** Somebody else having the tune, the banjo plays the root and a closed chord by turns. */
    @Test
    void rootAndChordStandInPlaceOfTheTune() {
        Tune tune = tune("R:breakdown\nM:4/4\nL:1/8\nK:G", "\"G\"G4B4|d4B4|");
        Version version = on(tune, "banjo-open-g", List.of("backup", "vamp"));
        assertThat(written(tune, version))
                .isEqualTo("\"G\"\"_T\"G2\"_TIM\"[Bdg]z\"_T\"G2\"_TIM\"[Bdg]z|"
                        + "\"_T\"G2\"_TIM\"[Bdg]z\"_T\"G2\"_TIM\"[Bdg]z|");
    }

    @Test
    void thePickGoesAcrossThreeStrings() {
        Tune tune = tune("R:breakdown\nM:4/4\nL:1/8\nK:G", "\"G\"B3d3B2|G8|");
        Version version = on(tune, "mandolin", List.of("cross"));
        List<Tone> bar = scene(tune, version).line().tones().subList(0, 8);
        assertThat(bar).allMatch(tone -> tone.length().equals(Fraction.of(1, 8)));
        assertThat(bar.get(0).melody().letter()
                        + bar.get(3).melody().letter()
                        + bar.get(6).melody().letter())
                .isEqualTo("BDB");
        assertThat(bar.stream().map(tone -> tone.pick().orElseThrow().string()))
                .containsExactly(2, 1, 0, 2, 1, 0, 2, 1);
    }

    /** Common practice: in melodic style no string and no finger comes twice running. The scale of G may lie as 3.0 I, 4.7 T, 2.0 I, 3.5 T, 1.0 M and on, where a teacher wants it so. */
    @Test
    void aScaleRingsInMelodicStyle() {
        Tune tune = tune("R:breakdown\nM:4/4\nL:1/8\nK:G", "GABc defg|G8|");
        Scene scene = scene(tune, on(tune, "banjo-open-g", List.of("melodic"), "90"));
        List<StringWay> ways = tune.notes().subList(0, 8).stream()
                .map(note -> scene.ways().onStrings(note.id()).orElseThrow())
                .toList();
        for (int i = 1; i < ways.size(); i++) {
            assertThat(ways.get(i).place().string())
                    .isNotEqualTo(ways.get(i - 1).place().string());
            assertThat(ways.get(i).picker()).isNotEqualTo(ways.get(i - 1).picker());
        }
        Strings strings = Strings.of("banjo-open-g");
        Version pinned = on(tune, "banjo-open-g", List.of("melodic"), "90");
        List<String> asked = List.of("3.0I", "4.7T", "2.0I", "3.5T", "1.0M", "2.5I", "1.4M", "5.0T");
        for (int i = 0; i < asked.size(); i++) {
            pinned = pinned.with(tune, Spot.bare(tune.notes().get(i).id()).withPin(asked.get(i)));
        }
        Scene taught = scene(tune, pinned);
        assertThat(taught.lines().orElseThrow().troubles()).isEmpty();
        assertThat(tune.notes().subList(0, 8).stream()
                        .map(note ->
                                taught.ways().onStrings(note.id()).orElseThrow().name(strings)))
                .containsExactlyElementsOf(asked);
    }

    /** A note whose tone a layer has replaced says so; one with something placed on it wins its note back. */
    @Test
    void aNoteTellsWhatALayerMakesOfIt() {
        Tune tune = reel("A4 B4|D2F2 A2FD|D8||");
        Version version = on(tune, "fiddle", List.of("shuffle@double"));
        NoteId first = tune.notes().get(0).id();
        assertThat(LayerWords.at(scene(tune, version), first))
                .contains("Under shuffle (double shuffle) this note becomes A4 E5 E5 A4.");
        NoteId last = tune.notes().get(tune.notes().size() - 1).id();
        assertThat(LayerWords.at(scene(tune, version), last)).isEmpty();
        Placement cut = Placement.of(Stack.parse("cut", Family.FIDDLE), Span.of(first));
        assertThat(LayerWords.at(scene(tune, version.with(tune, Spot.of(cut))), first))
                .contains("What is placed here is played; shuffle (double shuffle) passes over it.");
        assertThat(LayerWords.at(scene(tune, on(tune, "fiddle", List.of("bows"))), first))
                .isEmpty();
    }

    /** Bars stay exact, the same layer twice is once, and taking it away gives back what was. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "fiddle shuffle",
                "fiddle shuffle@double",
                "fiddle shuffle@hooked",
                "fiddle drone",
                "fiddle hooked",
                "mandolin repeat",
                "mandolin connect",
                "mandolin double",
                "mandolin tremble",
                "mandolin blue-fills",
                "mandolin cross",
                "banjo-open-g rolls",
                "banjo-open-g roll-s",
                "banjo-open-g roll-alt",
                "banjo-open-g vamp",
                "banjo-open-g melodic",
                "tenor-banjo-long repeat"
            })
    void laws(String asked) {
        String[] words = asked.split(" ", 2);
        for (Tune tune : Demo.tunes()) {
            Version plain = on(tune, words[0], List.of());
            Version once = on(tune, words[0], List.of(words[1]));
            Scene scene = scene(tune, once);
            Fraction at = Fraction.ZERO;
            for (Tone tone : scene.line().tones()) {
                assertThat(tone.start()).as(tune.title() + " " + tone).isEqualTo(at);
                at = at.plus(tone.length());
            }
            List<Tone> before = scene(tune, plain).line().tones();
            assertThat(at).isEqualTo(before.get(before.size() - 1).end());
            Version twice = on(tune, words[0], List.of(words[1], words[1]));
            assertThat(sounds(scene(tune, twice))).as(tune.title()).isEqualTo(sounds(scene));
            assertThat(sounds(scene(tune, once.withLayers(List.of())))).isEqualTo(sounds(scene(tune, plain)));
        }
    }

    private static List<String> sounds(Scene scene) {
        return scene.line().tones().stream()
                .map(tone -> tone.start() + " " + tone.pitches() + tone.placed())
                .toList();
    }

    /** What a layer wants stands in the book and comes back from it. */
    @Test
    void theWayOfALayerIsKeptInTheBook() {
        Layer layer =
                Layer.parse("bows@across", Span.of(reel("D8|").notes().get(0).id()), Passes.EVERY);
        assertThat(layer.word()).isEqualTo("bows@across");
        assertThat(layer.way()).isEqualTo("across");
        org.assertj.core.api.Assertions.assertThatThrownBy(
                        () -> Layer.parse("bows@sideways", layer.span(), Passes.EVERY))
                .hasMessageContaining("sideways")
                .hasMessageContaining("long-short-short");
    }

    /** Where an odd number of bows cannot be mended, the critic says where the phrase begins up. */
    @Test
    void aPhraseThatBeginsUpIsRemarkedOn() {
        Tune tune = reel("DFAd BAFA|DFAd BAFD|EGBe cBGB|EGBe cBGE|");
        Version version = on(tune, "fiddle", List.of("bows"));
        assertThat(Remark.of(scene(tune, version))).isEmpty();
        Note begins = tune.bars().get(2).notes().get(0);
        Version pinned = version.with(tune, Spot.bare(begins.id()).withPin("D1u"));
        List<Remark> remarks = Remark.of(scene(tune, pinned));
        assertThat(remarks).hasSize(1);
        assertThat(Words.of(remarks.get(0), tune, pinned)).contains("bar 3", "begins on an up bow");
    }
}
