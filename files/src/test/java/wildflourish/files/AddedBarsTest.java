package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.engraving.Engraver;
import wildflourish.core.engraving.NoteZone;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.Score;
import wildflourish.core.fingering.StringWay;
import wildflourish.core.form.Phrase;
import wildflourish.core.form.Phrasing;
import wildflourish.core.hand.Scene;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.line.AddedBars;
import wildflourish.core.line.Tone;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Profile;
import wildflourish.core.performance.PlayRange;
import wildflourish.core.performance.Realisation;
import wildflourish.core.performance.Realiser;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Part;
import wildflourish.core.tune.PlayOrder;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Book;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Span;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.words.Steps;
import wildflourish.files.abc.BookReader;
import wildflourish.files.abc.BookWriter;
import wildflourish.files.abc.WrittenOut;

/** A shuffle before the tune and a tag after it. Common practice of old-time fiddlers; the spelling in D and the counts of strokes are those of the handbook. */
class AddedBarsTest {
    private static Tune breakdown(String key, String body) {
        return BookReader.read("X:1\nT:Added\nR:breakdown\nM:4/4\nL:1/8\nK:" + key + "\n" + body + "\n")
                .value()
                .lessons()
                .get(0)
                .tune();
    }

    private static Version with(Tune tune, String... rules) {
        Instrument fiddle = Instrument.of("fiddle");
        List<Note> notes = tune.notes();
        Span whole = new Span(notes.get(0).id(), notes.get(notes.size() - 1).id());
        List<Layer> layers = new ArrayList<>();
        List.of(rules).forEach(rule -> layers.add(Layer.parse(rule, whole, Passes.EVERY)));
        Tempo tempo = new Tempo(Fraction.of(110), tune.header().type().beatLength());
        return Version.plain("Added", new Playing(fiddle, fiddle.schools().get(0), tempo))
                .withLayers(layers);
    }

    private static String written(Tune tune, Version version) {
        String text = BookWriter.writeVersion(tune, version);
        return text.substring(text.lastIndexOf("K:")).lines().skip(1).collect(Collectors.joining("\n"));
    }

    private static Scene scene(Tune tune, Version version) {
        return Scene.of(tune, version, Profile.usual());
    }

    @Test
    void theyAreWrittenAroundTheTune() {
        Tune tune = breakdown("D", "D2FA d2AF|B2AF A4||F2AB d2BA|F2E2 D4|]");
        assertThat(written(tune, with(tune, "intro-shuffle", "closing-tag")))
                .isEqualTo("[DA]2[DA][DA] [DA]2[DA][DA]|[DA]2[DA][DA] [DA]2[DA][DA]||\n"
                        + "D2FA d2AF|B2AF A4||F2AB d2BA|F2E2 D4|]\n"
                        + "dcBA FEFE|[DA]4 z4|]");
    }

    /** Twelve strokes before the tune, nine after it, the first and the last down; beat one of the tune is down. */
    @ParameterizedTest
    @ValueSource(
            strings = {"intro-shuffle", "intro-shuffle shuffle", "closing-tag", "intro-shuffle bows@one-and-three"})
    void eachNoteOfThemIsABow(String rules) {
        Tune tune = breakdown("D", "D2FA d2AF|B2AF A4|F2AB d2BA|F2E2 D4|]");
        Scene scene = scene(tune, with(tune, rules.split(" ", -1)));
        List<StringWay> ways = scene.tune().notes().stream()
                .filter(note -> note.id().isAdded() && !note.isRest())
                .map(note -> scene.ways().onStrings(note.id()).orElseThrow())
                .toList();
        boolean isTag = rules.equals("closing-tag");
        assertThat(ways).hasSize(isTag ? 9 : 12).noneMatch(StringWay::isSlurred);
        for (int i = 0; i < ways.size(); i++) {
            assertThat(ways.get(i).isDown()).as("stroke " + i).isEqualTo(i % 2 == 0);
        }
        StringWay first = scene.ways().onStrings(tune.notes().get(0).id()).orElseThrow();
        assertThat(first.isDown()).isTrue();
        assertThat(scene.lines().orElseThrow().troubles()).isEmpty();
    }

    /** Before the tune the home note open with the string above, or stopped where no string has it; after it with the open string below, or else above. */
    @ParameterizedTest
    @CsvSource({
        "D, D4+A4, D4+D5",
        "G, G3+D4, G3+G4",
        "A, A4+E5, A4+E5",
        "E, A4+E5, E4",
        "Bm, B3+D4, D4+B4",
        "F, F4+A4, F4+A4",
        "AMix, A4+E5, A4+E5"
    })
    void theHomeNoteRingsWithAnOpenString(String key, String pulse, String end) {
        Tune tune = breakdown(key, "A2Bc d2cB|A2G2 A4|]");
        Tune whole = AddedBars.of(tune, with(tune, "intro-shuffle", "closing-tag"));
        assertThat(pitches(whole.notes().get(0))).isEqualTo(pulse);
        Note last = whole.notes().get(whole.notes().size() - 2);
        assertThat(pitches(last)).isEqualTo(end);
    }

    private static String pitches(Note note) {
        return note.pitches().stream().map(Object::toString).collect(Collectors.joining("+"));
    }

    /** The pickup stands in the time of the last note of the pulse, and the rest of the last bar is waited for before the tag. */
    @Test
    void aPickupTakesThePlaceOfTheEnd() {
        Tune tune = breakdown("D", "A|D2FA d2AF|B2AF A4|F2AB d2BA|F2E2 D3|]");
        Tune whole = AddedBars.of(tune, with(tune, "intro-shuffle", "closing-tag"));
        assertThat(whole.bars().get(1).length()).isEqualTo(Fraction.of(7, 8));
        assertThat(whole.form().isPickup(2)).isTrue();
        Bar wait = whole.bars().get(7);
        assertThat(wait.notes()).hasSize(1).allMatch(Note::isRest);
        assertThat(wait.length()).isEqualTo(Fraction.of(1, 8));
        assertThat(whole.form().parts().stream().map(Part::name)).containsExactly("Intro", "A", "Tag");
        assertThat(whole.form().countedNumber(3)).isEqualTo(1);
        assertThat(Phrasing.of(whole).phrases().stream().map(Phrase::name)).containsExactly("Intro", "A1", "A2", "Tag");
        assertThat(Steps.of(tune, with(tune, "intro-shuffle", "closing-tag")))
                .startsWith("Phrase Intro, before the tune.")
                .contains("Phrase A1, bars 1 to 2.", "Phrase Tag, after the tune.");
    }

    /** A repeat without a sign at its start goes back to the tune's beginning, not to the bars before it; the tag is played once. */
    @Test
    void repeatsGoBackToTheTune() {
        Tune tune = breakdown("D", "D2FA d2AF|B2AF A4:|F2AB d2BA|F2E2 D4:|");
        Tune whole = AddedBars.of(tune, with(tune, "intro-shuffle", "closing-tag"));
        assertThat(PlayOrder.of(whole).stream().map(PlayOrder.Played::bar))
                .containsExactly(0, 1, 2, 3, 2, 3, 4, 5, 4, 5, 6, 7);
        assertThat(whole.form().parts().stream().map(Part::name)).containsExactly("Intro", "A", "B", "Tag");
    }

    @ParameterizedTest
    @CsvSource({"6/8, jig", "3/4, waltz"})
    void otherKindsOfTuneStayAsTheyAre(String metre, String type) {
        Tune tune = BookReader.read("X:1\nT:Other\nR:" + type + "\nM:" + metre + "\nL:1/8\nK:D\nD2F A2F|D6|]\n")
                .value()
                .lessons()
                .get(0)
                .tune();
        assertThat(AddedBars.of(tune, with(tune, "intro-shuffle", "closing-tag")))
                .isSameAs(tune);
    }

    /** For every demo tune in bars of eight: the tune's own notes sound as before, later by two bars; adding twice is adding once; the book gives it back. */
    @Test
    void laws() {
        int tried = 0;
        for (Tune tune : Demo.tunes()) {
            Version plain = with(tune);
            Version added = with(tune, "intro-shuffle", "closing-tag");
            Tune whole = AddedBars.of(tune, added);
            if (whole.bars().size() == tune.bars().size()) {
                continue;
            }
            tried++;
            assertThat(AddedBars.of(whole, added)).isSameAs(whole);
            List<Tone> before = scene(tune, plain).line().tones();
            List<Tone> own = scene(tune, added).line().tones().stream()
                    .filter(tone -> !tone.note().id().isAdded())
                    .toList();
            Fraction later = own.get(0).start();
            assertThat(own).hasSameSizeAs(before);
            for (int i = 0; i < own.size(); i++) {
                assertThat(own.get(i).start()).isEqualTo(before.get(i).start().plus(later));
                assertThat(own.get(i).pitches()).isEqualTo(before.get(i).pitches());
            }
            Tune read = WrittenOut.of(tune, added).tune();
            assertThat(sounds(read)).as(tune.title()).isEqualTo(sounds(whole));
        }
        assertThat(tried).isGreaterThan(3);
    }

    private static List<String> sounds(Tune tune) {
        return PlayOrder.of(tune).stream()
                .flatMap(bar -> tune.bars().get(bar.bar()).notes().stream())
                .map(note -> note.pitches() + " " + note.played())
                .toList();
    }

    /** On the page as bars of their own, which can be seen sounding; listening to the tune's first phrase does not begin before it. */
    @Test
    void theyAreOnThePageAndInTheEar() {
        Tune tune = breakdown("D", "D2FA d2AF|B2AF A4|F2AB d2BA|F2E2 D4|]");
        Version version = with(tune, "intro-shuffle", "closing-tag");
        List<NoteZone> zones = Engraver.engrave(Score.of(scene(tune, version), Score.Shows.BENCH), Paper.endless(120))
                .get(0)
                .zones();
        assertThat(zones.stream().filter(zone -> zone.note().isAdded())).hasSize(12 + 10);
        assertThat(zones.stream().filter(zone -> !zone.note().isAdded())).hasSameSizeAs(tune.notes());
        Realisation played = Realiser.realise(scene(tune, version));
        assertThat(PlayRange.phrase(played, tune.notes().get(0).id()).startWholeNotes())
                .isEqualTo(Fraction.of(2));
        assertThat(PlayRange.whole(played).endWholeNotes()).isEqualTo(Fraction.of(8));
        assertThat(played.moments().stream()
                        .filter(moment -> moment.startMillis().isZero())
                        .map(moment -> moment.sounding().orElseThrow().voices().size()))
                .containsExactly(2);
    }

    @Test
    void theBookKeepsThem() {
        Tune tune = breakdown("D", "D2FA d2AF|B2AF A4|F2AB d2BA|F2E2 D4|]");
        Stair stair = Stair.starting(tune, Instrument.of("fiddle"), 2);
        Stair added = stair.with(1, with(tune, "intro-shuffle", "closing-tag"));
        Book book = BookReader.read(tune.manuscript().text()).value();
        Book kept = new Book(List.of(book.lessons().get(0).with(added)));
        String text = BookWriter.write(kept);
        assertThat(text).contains("rule=intro-shuffle", "rule=closing-tag", "dcBA FEFE|[DA]4 z4|]");
        assertThat(BookReader.read(text).value()).isEqualTo(kept);
        assertThat(BookReader.read(text).problems()).isEmpty();
    }
}
