package wildflourish.files.abc;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.SoundingPitch;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Stack;
import wildflourish.core.performance.Realisation;
import wildflourish.core.performance.Realiser;
import wildflourish.core.problem.Parsed;
import wildflourish.core.problem.Problem;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.PlayOrder;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Book;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;

/** Parts of the ABC standard 2.1 (December 2011) that books from elsewhere use, by section; quoted from memory of the text. */
class StavesAndVoicesTest {
    private static Parsed<Book> read(String header, String body) {
        return BookReader.read("X:1\nT:Example\nM:4/4\nL:1/4\n" + header + "\n" + body + "\n");
    }

    private static Tune tune(String header, String body) {
        return read(header, body).value().lessons().get(0).tune();
    }

    private static List<String> codes(String header, String body) {
        return read(header, body).problems().stream().map(Problem::code).toList();
    }

    private static String pitches(Tune tune) {
        return tune.notes().stream()
                .map(note -> note.isRest()
                        ? "z"
                        : note.pitches().stream().map(Object::toString).collect(Collectors.joining("+")))
                .collect(Collectors.joining(" "));
    }

    // §3.1.14 and §4.6: key and clef

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "K:C treble-8 | C3 F3 C4",
                "K:C clef=treble-8 | C3 F3 C4",
                "K:C clef=treble+8 | C5 F5 C6",
                "K:C +8 | C5 F5 C6",
                "K:C bass | C4 F4 C5",
                "K:C bass-8 | C3 F3 C4",
                "K:C alto1 | C4 F4 C5",
                "K:C clef=perc stafflines=1 | C4 F4 C5",
                "K:C octave=-1 | C3 F3 C4",
                "K:C treble octave=1 | C5 F5 C6",
                "K:C octave=1 treble-8 | C4 F4 C5",
                "K:C clef=bass middle=D, | C4 F4 C5",
                "K:C clef=bass middle=d | C2 F2 C3",
                "K:C transpose=-12 | C3 F3 C4",
                "K:C transpose=-2 | B♭3 E♭4 B♭4",
                "K:G transpose=3 | E♭4 A4 E♭5",
                "K:D alto | C♯4 F♯4 C♯5",
                "K:clef=alto | C4 F4 C5",
                "K:D clef=none | C♯4 F♯4 C♯5",
                "K:none | C4 F4 C5",
                "K:D^g_b | C♯4 F♯4 C♯5",
                "K:D=c | C4 F♯4 C5",
                "K:Dmix^c | C♯4 F♯4 C♯5",
                "K:D exp ^c_f | C♯4 F♭4 C♯5",
                "K:D exp ^c _f name=\"a_c\" | C♯4 F♭4 C♯5",
                "K:^c^f | C♯4 F♯4 C♯5",
                "K:D foo=bar | C♯4 F♯4 C♯5",
                "K:A minor | C4 F4 C5",
                "K:F#m | C♯4 F♯4 C♯5"
            })
    void aKeyIsReadWhateverIsSaidOfTheStaff(String key, String expected) {
        assertThat(pitches(tune(key, "CFc|"))).isEqualTo(expected);
        assertThat(codes(key, "CFc|")).isEmpty();
    }

    @Test
    void aKeyOfTransposedMusicIsTheKeyOfWhatSounds() {
        assertThat(tune("K:G transpose=3", "G|").header().key().name()).isEqualTo("B♭ major");
        assertThat(tune("K:C transpose=12", "G|").header().key().name()).isEqualTo("C major");
    }

    @Test
    void aKeyOfAnUnknownModeIsReadAsMajorAndTold() {
        assertThat(pitches(tune("K:Dwhatever", "CFc|"))).isEqualTo("C♯4 F♯4 C♯5");
        assertThat(codes("K:Dwhatever", "CFc|")).containsExactly("strange-mode");
    }

    @Test
    void aClefWithinTheMusicKeepsTheKey() {
        assertThat(pitches(tune("K:D", "F[K:bass]F[K:treble-8]F|"))).isEqualTo("F♯4 F♯4 F♯3");
    }

    @Test
    void whatIsWrittenBackGoesByTheLettersOfTheStaff() {
        for (String key : List.of("K:D treble-8", "K:D octave=1", "K:D transpose=-2", "K:C clef=bass middle=d")) {
            Tune tune = tune(key, "DFAd|");
            String up =
                    new TuneEditor(tune).stepped(tune.notes().get(1).id(), 1).orElseThrow();
            assertThat(up).as(key).contains("DGAd|");
            String written = BookWriter.writeVersion(tune, Version.plain("x", Playing.usual(tune, Instrument.first())));
            assertThat(written).as(key).contains("DFAd|");
        }
    }

    // §4.2: microtones

    @Test
    void microtonesSoundToTheCentAndAreToldOnce() {
        assertThat(codes("K:C", "^/c _/B ^3/2F _/4E|")).containsExactly("microtone");
        Tune tune = tune("K:C", "^/cc _/B ^3/2F | c ^/d|");
        assertThat(tune.notes().stream().map(Note::cents)).containsExactly(50, 50, -50, 50, 0, 50);
        assertThat(pitches(tune)).isEqualTo("C5 C5 B4 F♯4 C5 D5");
        Realisation played = Realiser.realise(
                tune, Version.plain("x", Playing.usual(tune, Instrument.of("whistle-d"))), Profile.usual());
        assertThat(played.moments().get(0).sounding().orElseThrow().pitch()).isEqualTo(new SoundingPitch(84, 50));
    }

    // §7: voices

    @ParameterizedTest
    @MethodSource("severalVoices")
    void theFirstVoiceIsTheTuneAndTheOthersAreToldOnce(String header, String body) {
        assertThat(pitches(tune(header, body))).isEqualTo("C4 D4 E4 F4");
        assertThat(codes(header, body)).containsExactly("voice-kept");
        assertThat(tune(header, body).header().voices().areSeveral()).isTrue();
    }

    static List<String[]> severalVoices() {
        return List.of(
                new String[] {"K:C", "[V:A]CD|[V:B]GA|\n[V:A]EF|[V:B]Bc|"},
                new String[] {"K:C", "[V:A]CD[V:B]GA[V:A]EF|[V:B]Bc|"},
                new String[] {"V:A clef=treble name=\"a voice\"\nV:B clef=bass\nK:C", "V:A\nCD|EF|\nV:B\nGA|Bc|"},
                new String[] {"V:A\nV:B\nK:C", "V:B\nGA|Bc|\nV:A\nCD|EF|"},
                new String[] {"V:A\nV:B\nK:C", "CD|EF|\nV:B\nGA|Bc|"},
                new String[] {"K:C", "CD|\nV:2\nGA|\nV:1\nEF|\nV:2\n[K:G]Bc|\nw:la la"},
                new String[] {"V:A\nK:C", "V:A stem=up\nCD|EF|\nV:B stem=down\nGA|Bc|"});
    }

    @Test
    void theVoiceThatTheTeacherChoosesIsTheTune() {
        String body = "V:A\nCD|EF|\nV:B\nGA|Bc|";
        Tune chosen = tune("%%flourish-voice B\nV:A\nV:B octave=1\nK:C", body);
        assertThat(pitches(chosen)).isEqualTo("G5 A5 B5 C6");
        assertThat(chosen.header().voices().taught()).isEqualTo("B");
        assertThat(codes("%%flourish-voice C\nV:A\nV:B\nK:C", body)).contains("voice-missing");
    }

    /** A stage upon a chosen voice, on a staff an octave higher, comes back as it was, however often it is saved. */
    @Test
    void aStageOfAChosenVoiceIsSavedAndReadAgain() {
        Tune chosen = tune(
                "%%flourish-voice B\n%%flourish-newer something\nV:A\nV:B octave=1\nK:D",
                "V:A\nDE|FG|\nV:B\n[K:G]GABc|\nd4|\nV:A\nAB|");
        Instrument whistle = Instrument.of("whistle-d");
        Version plain = Version.plain("Root", Playing.usual(chosen, whistle));
        Version leaf = Version.plain("Leaf", Playing.usual(chosen, whistle))
                .with(
                        chosen,
                        Spot.of(Placement.of(
                                Stack.parse("cut", whistle.family()),
                                Span.of(chosen.notes().get(4).id()))));
        Book book = new Book(List.of(Lesson.plain(chosen).with(new Stair(List.of(plain, leaf)))));
        String written = BookWriter.write(book);
        Parsed<Book> again = BookReader.read(written);
        assertThat(again.value()).isEqualTo(book);
        assertThat(BookWriter.write(again.value())).isEqualTo(written);
        assertThat(written.split("%%flourish-voice B", -1))
                .as("once in the tune and once above each stage")
                .hasSize(4);
        assertThat(WrittenOut.of(chosen, leaf).tune().notes().get(4).pitches())
                .isEqualTo(chosen.notes().get(4).pitches());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '~',
            value = {
                "CDEF & GABc / | C4 D4 E4 F4",
                "CD / EF && GA / Bc / G | C4 D4 E4 F4 G4",
                "CD & \"a/b\"G2 / EF / | C4 D4 E4 F4",
                "(& CD / EF & GA / Bc &) / G | C4 D4 E4 F4 G4"
            })
    void aSecondLayerIsNoBarOfTheTune(String body, String expected) {
        assertThat(pitches(tune("K:C", body.replace('/', '|').replace("a|b", "a/b"))))
                .isEqualTo(expected);
        assertThat(codes("K:C", body.replace('/', '|'))).containsOnlyOnce("overlay-kept");
    }

    // §4.17, §4.11: chords

    @Test
    void decorationsAndTiesWithinChordsBelongToThem() {
        Tune tune = tune("K:C", "[!accent!C.E\"x\"G][C-E-G-][CEG]|[C-EG][CFA][C-E][DE]|");
        assertThat(pitches(tune)).isEqualTo("C4+E4+G4 C4+E4+G4 C4+E4+G4 C4+E4+G4 C4+F4+A4 C4+E4 D4+E4");
        assertThat(tune.notes().get(0).marks().decorations()).containsExactly("accent", "staccato");
        assertThat(tune.notes().get(1).marks().joins().tied()).isTrue();
        assertThat(tune.notes().get(3).marks().joins().tied()).isFalse();
        assertThat(tune.notes().get(3).marks().joins().held())
                .extracting(Object::toString)
                .containsExactly("C4");
        assertThat(codes("K:C", "[!f!C!accent!E]|")).isEmpty();
    }

    @Test
    void aTieToAnotherPitchIsASlur() {
        Tune tune = tune("K:C", "G-|Bc|");
        assertThat(tune.notes().get(0).marks().joins().tied()).isFalse();
        assertThat(tune.notes().get(0).marks().joins().slursOpen()).isEqualTo(1);
        assertThat(tune.notes().get(1).marks().joins().slursClose()).isEqualTo(1);
    }

    // §3.1.8: tempo

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '~',
            value = {
                "Q:1/4=120 | 1/4=120",
                "Q:\"Allegro\" 1/2=60 | 1/2=60",
                "Q:3/8=50 \"Slowly\" | 3/8=50",
                "Q:1/4 3/8 1/4 3/8=40 | 5/4=40",
                "Q:1/4=66.5 | 1/4=133/2",
                "Q:120 | 1/4=120",
                "Q:C=100 | 1/4=100",
                "Q:C3=40 | 3/4=40",
                "Q:1/4=ca. 80 | 1/4=80",
                "Q:\"Andante\" | 1/4=88",
                "Q:Allegro ma non troppo | 1/4=120"
            })
    void aTempoIsReadInAllItsForms(String field, String tempo) {
        Tune tune = tune(field + "\nR:reel\nK:C", "CDEF|");
        assertThat(tune.header().tempo().orElseThrow()).hasToString(tempo);
        assertThat(Playing.usual(tune, Instrument.first()).tempo())
                .isEqualTo(tune.header()
                        .tempo()
                        .orElseThrow()
                        .in(tune.header().type().beatLength()));
    }

    @Test
    void aTempoThatCannotBePlayedIsToldAndOneThatChangesToo() {
        assertThat(codes("Q:1/4=9000\nK:C", "CDEF|")).containsExactly("strange-tempo");
        assertThat(codes("Q:\"With feeling\"\nK:C", "CDEF|")).isEmpty();
        assertThat(codes("Q:1/4=100\nK:C", "CD[Q:1/4=80]EF|[Q:1/4=70]C4|")).containsExactly("tempo-kept");
        assertThat(tune("K:C", "[Q:1/4=90]CDEF|").header().tempo().orElseThrow())
                .hasToString("1/4=90");
    }

    // §3.1.13: the rhythm

    /** Common practice among session players and at dances; the rows of the table of kinds. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Barndance | 4/4 | barndance | 80 1/2",
                "barn dance | 2/2 | barndance | 80 1/2",
                "schottische | 4/4 | schottische | 72 1/2",
                "highland | 4/4 | highland | 80 1/2",
                "set dance | 6/8 | set dance | 72 3/8",
                "set dance | 4/4 | set dance | 66 1/2",
                "mazurka | 3/4 | mazurka | 120 1/4",
                "fling | 4/4 | fling | 80 1/2",
                "hop jig | 9/8 | hop jig | 115 3/8",
                "Slip jigs | 9/8 | slip jig | 110 3/8",
                "double jig | 6/8 | jig | 110 3/8",
                "air | 3/4 | air | 66 1/4",
                "air | 6/8 | air | 44 3/8",
                "Slow air | 4/4 | slow air | 50 1/4",
                "march | 6/8 | march | 80 3/8",
                "march | 4/4 | march | 66 1/4",
                "valse | 3/4 | waltz | 110 1/4",
                "waltz | 3/8 | waltz | 120 1/8",
                "Halling | 6/8 | Halling | 110 3/8",
                "Wheel | 4/4 | Wheel | 105 1/2"
            })
    void aKindOfTuneHasItsTempoAndBeatAndAnUnknownOneIsShownAsWritten(
            String stated, String metre, String name, String session) {
        Tune tune = BookReader.read("X:1\nT:Kind\nR:" + stated + "\nM:" + metre + "\nL:1/8\nK:D\nDEF|\n")
                .value()
                .lessons()
                .get(0)
                .tune();
        assertThat(tune.header().type().name()).isEqualTo(name);
        assertThat(tune.header().type().session().beatsPerMinute() + " "
                        + tune.header().type().beatLength())
                .isEqualTo(session);
    }

    // Limits

    @Test
    void aTuneIsReadUpToItsLimitAndTheRestIsToldOnce() {
        Parsed<Book> read = read("K:C", "CDEF|\n".repeat(6000));
        assertThat(read.value().lessons().get(0).tune().notes()).hasSize(20_000);
        assertThat(read.problems()).extracting(Problem::code).containsExactly("too-long");
    }

    // §3.1.9: parts

    @ParameterizedTest
    @CsvSource({
        "P:AB, 0 1",
        "P:AAB, 0 0 1",
        "P:A2B3, 0 0 1 1 1",
        "P:(AB)2A, 0 1 0 1 0",
        "P:((AB)2.B)2, 0 1 0 1 1 0 1 0 1 1",
        "P:BA, 1 0"
    })
    void partsArePlayedInTheOrderTheTuneStates(String order, String bars) {
        Tune tune = tune(order + "\nK:C", "P:A\nCDEF|\nP:B\nGABc|");
        assertThat(PlayOrder.of(tune).stream().map(PlayOrder.Played::bar))
                .containsExactlyElementsOf(
                        Arrays.stream(bars.split(" ", -1)).map(Integer::valueOf).toList());
    }

    @Test
    void aPartThatIsPlayedAgainCountsItsTimesThrough() {
        Tune tune = tune("P:AAB\nK:C", "P:A\n|:CDEF|1GABc:|2c4|\nP:B\nGABc|");
        assertThat(PlayOrder.of(tune).stream().map(each -> each.bar() + "." + each.pass()))
                .containsExactly("0.1", "1.1", "0.2", "2.2", "0.3", "1.3", "0.4", "2.4", "3.1");
    }

    @ParameterizedTest
    @ValueSource(strings = {"P:A(B", "P:A)", "P:3A", "P:(A999)999"})
    void anOrderThatIsNoneIsTold(String order) {
        assertThat(codes(order + "\nK:C", "P:A\nCDEF|\nP:B\nGABc|")).containsExactly("strange-field");
    }

    @Test
    void anOrderOfPartsTheMusicDoesNotNameIsPlayedAsWritten() {
        assertThat(PlayOrder.of(tune("P:AABB\nK:C", "CDEF|GABc|"))).hasSize(2);
        assertThat(codes("P:ABC\nK:C", "P:A\nCDEF|\nP:B\nGABc|")).containsExactly("part-missing");
    }

    // §11.1 and others: text blocks, continuations, free metre, rests

    @ParameterizedTest
    @ValueSource(strings = {"text", "ps", "svg", "ml"})
    void blocksOfTextAndDrawingAreNoMusic(String kind) {
        String block = "%%begin" + kind + "\nX:99\nABC| is not music\n\nK:G\n%%end" + kind + "\n";
        Parsed<Book> inside = read("K:C", block + "CDEF|");
        assertThat(inside.problems()).isEmpty();
        assertThat(pitches(inside.value().lessons().get(0).tune())).isEqualTo("C4 D4 E4 F4");
        Parsed<Book> before = BookReader.read(block + "\nX:1\nT:One\n" + block + "K:C\nCD|\n" + block);
        assertThat(before.value().lessons()).hasSize(1);
        assertThat(before.problems()).isEmpty();
        assertThat(pitches(before.value().lessons().get(0).tune())).isEqualTo("C4 D4");
    }

    @Test
    void aBrokenFieldAndBrokenWordsGoOn() {
        assertThat(tune("T:A title that \\\nis broken\nK:C", "CDEF|").header().titles())
                .containsExactly("Example", "A title that is broken");
        Tune sung = tune("K:C", "CDEF|\nw: one two\n+: three four");
        assertThat(sung.notes().stream().map(note -> note.marks().syllables().get(0)))
                .containsExactly("one", "two", "three", "four");
        assertThat(tune("K:C", "C>\\\nD E2|").notes().get(1).played()).hasToString("1/8");
    }

    @Test
    void inFreeMetreALineOfTheTextIsALineOfTheScore() {
        Tune free = BookReader.read("X:1\nT:Free\nL:1/8\nM:none\nK:C\nCDEFGABc\nc2BAGF\nE4D4C8|\n")
                .value()
                .lessons()
                .get(0)
                .tune();
        assertThat(free.form().lines()).hasSize(3);
        assertThat(free.bars().stream().map(bar -> bar.notes().size())).containsExactly(8, 5, 3);
    }

    @Test
    void restsAloneAreNeitherPartNorPickup() {
        Tune tune = tune("K:C", "z2|CDEF|GABc||z4||cBAG|FEDC|]");
        assertThat(tune.form().isPickup(0)).isFalse();
        assertThat(tune.form().parts()).hasSize(2);
        assertThat(IntStream.range(0, tune.bars().size())
                        .mapToObj(bar -> tune.form().partAt(bar).name()))
                .containsExactly("A", "A", "A", "A", "B", "B");
    }
}
