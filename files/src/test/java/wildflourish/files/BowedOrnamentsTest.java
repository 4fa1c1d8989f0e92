package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.fingering.StringWay;
import wildflourish.core.hand.Hands;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.instrument.Strings;
import wildflourish.core.ornament.Begin;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Stack;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.Realiser;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Book;
import wildflourish.core.version.BookItem;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.words.Steps;
import wildflourish.files.abc.BookReader;
import wildflourish.files.abc.BookWriter;

/** Ornaments of the fiddle: bows turn with them, fingers make room for them, and they sound and are written as they are played. */
class BowedOrnamentsTest {
    private static final Strings STRINGS = Instrument.of("fiddle").strings().orElseThrow();

    private static Tune reel(String body) {
        return BookReader.read("X:1\nT:Bows\nR:reel\nM:4/4\nL:1/8\nK:D\n" + body + "\n")
                .value()
                .lessons()
                .get(0)
                .tune();
    }

    private static Version plain(Tune tune, String school) {
        Playing usual = Playing.usual(tune, Instrument.of("fiddle"));
        Playing playing = usual.withSchools(usual.schools().with(School.of(school), usual.instrument()));
        return Version.plain("Bud", playing);
    }

    private static Version with(Version version, Tune tune, String stack, int first, int last) {
        Span span = new Span(new NoteId(first - 1), new NoteId(last - 1));
        return version.with(tune, Spot.of(Placement.of(Stack.parse(stack, Family.FIDDLE), span)));
    }

    /** Bow signs of all notes in order: d and u, a hyphen on the bow before. */
    private static String bows(Tune tune, Version version) {
        Map<NoteId, StringWay> ways = lines(tune, version).ways();
        return tune.notes().stream()
                .filter(note -> !note.isRest())
                .map(note -> ways.get(note.id()))
                .map(way -> way.isSlurred() ? "-" : way.isDown() ? "d" : "u")
                .collect(Collectors.joining());
    }

    private static HandLines lines(Tune tune, Version version) {
        return Hands.lines(tune, version).orElseThrow();
    }

    private static String hold(Tune tune, Version version, int note) {
        return lines(tune, version)
                .ways()
                .get(new NoteId(note - 1))
                .name(STRINGS)
                .replaceAll("[du-]$", "");
    }

    /** Goes through the bows as they are shown: a note with an extra stroke ends on the other bow, a slurred one goes on, each other one turns. */
    private static void assertTurns(Tune tune, Version version, Set<Integer> extra) {
        Map<NoteId, StringWay> ways = lines(tune, version).ways();
        boolean isDown = true;
        for (int note = 1; note <= 16; note++) {
            StringWay way = ways.get(new NoteId(note - 1));
            if (note > 1) {
                assertThat(way.isDown()).as("note " + note).isEqualTo(way.isSlurred() == isDown);
            }
            isDown = way.isDown() != extra.contains(note);
        }
    }

    @Test
    void aTrebleOverTwoQuaversTurnsTheBowRoundAndTwoTurnItBack() {
        Tune tune = reel("DFAA BAFD|EGBB AGFE|");
        Version plain = plain(tune, "separate-bows");
        assertThat(bows(tune, plain)).isEqualTo("dudududu" + "dudududu");
        assertTurns(tune, plain, Set.of());
        Version one = with(plain, tune, "treble", 3, 4);
        assertTurns(tune, one, Set.of(3));
        Version two = with(one, tune, "treble", 11, 12);
        assertTurns(tune, two, Set.of(3, 11));
        assertThat(bows(tune, two)).as("right again after the second").endsWith("dudu");
    }

    @Test
    void theHandFindsASlurThatBringsTheBowRight() {
        Tune tune = reel("DFAA BAFD|EGBB AGFE|");
        Version one = with(plain(tune, "separate-bows"), tune, "treble", 3, 4);
        String bows = bows(tune, one);
        assertThat(bows).contains("-");
        assertThat(bows.charAt(4)).as("the beat after it").isEqualTo('d');
        assertThat(bows.charAt(8)).as("the next bar").isEqualTo('d');
    }

    @Test
    void aSlurAndANudgedSlurLieInOneBow() {
        Tune tune = reel("DFAB dBAF|E2G2 A4|");
        Version slurred = with(plain(tune, "separate-bows"), tune, "slur2", 1, 2);
        assertThat(bows(tune, slurred)).startsWith("d-");
        Version nudged = with(plain(tune, "separate-bows"), tune, "loure", 9, 10);
        assertThat(bows(tune, nudged).substring(8, 10)).endsWith("-");
    }

    @Test
    void withoutItsOrnamentsAVersionIsPlayedAsThePlainTune() {
        Tune tune = reel("DFAA BAFD|EGBB AGFE|");
        Version plain = plain(tune, "shuffle");
        Version dressed = with(plain, tune, "treble", 3, 4);
        assertThat(lines(tune, dressed.without(new NoteId(2)))).isEqualTo(lines(tune, plain));
    }

    @Test
    void theFingersMakeRoomForWhatIsPlaced() {
        Tune tune = reel("FGAG FGAF|E2A2 F2D2|");
        Version plain = plain(tune, "fourth-finger");
        assertThat(hold(tune, plain, 3)).isEqualTo("D4");
        assertThat(hold(tune, with(plain, tune, "cut", 3, 3), 3)).isEqualTo("A0");
        assertThat(hold(tune, with(plain(tune, "open-strings"), tune, "vibrato", 10, 10), 10))
                .isEqualTo("D4");
        Version pinned =
                plain(tune, "open-strings").with(tune, Spot.bare(new NoteId(2)).withPin("D4"));
        assertThat(hold(tune, pinned, 3)).isEqualTo("D4");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "cut; 3; 3; {d}A",
                "hammer-grace; 2; 2; ({E}F)",
                "treble; 9; 9; E/2E/2E",
                "triplet; 9; 9; (3(EFG)",
                "short-roll; 9; 9; ({G}E{D}E)",
                "double-grace; 3; 3; {Ad}A",
                "slur2; 1; 2; (DF)"
            })
    void itIsWrittenAsItIsPlayed(String ornament, int first, int last, String written) {
        Tune tune = reel("DFAB dBAF|E2A2 F2D2|");
        Version version = with(plain(tune, "separate-bows"), tune, ornament, first, last);
        String text = BookWriter.writeVersion(tune, version);
        assertThat(text).contains(written);
        assertThat(BookReader.read(text).problems()).isEmpty();
    }

    @Test
    void whatIsStruckBeginsAnewAndWhatIsHammeredDoesNot() {
        Tune tune = reel("DFAB dBAF|E2A2 F2D2|");
        Version version = with(plain(tune, "separate-bows"), tune, "treble", 9, 9);
        assertThat(begins(tune, version, 8)).containsExactly(Begin.STROKE, Begin.STROKE, Begin.STROKE);
        Version hammered = with(plain(tune, "separate-bows"), tune, "hammer-grace", 2, 2);
        assertThat(begins(tune, hammered, 1)).containsExactly(Begin.STROKE, Begin.HAMMER);
        Version roll = with(plain(tune, "separate-bows"), tune, "short-roll", 9, 9);
        assertThat(begins(tune, roll, 8)).containsExactly(Begin.STROKE, Begin.FINGERS, Begin.FINGERS, Begin.FINGERS);
    }

    private static List<Begin> begins(Tune tune, Version version, int note) {
        return Realiser.realise(tune, version, Profile.usual()).moments().stream()
                .filter(moment -> moment.cue().note().equals(new NoteId(note)))
                .map(Moment::sounding)
                .flatMap(Optional::stream)
                .map(Moment.Sounding::begin)
                .toList();
    }

    @Test
    void aCutOfTheFiddleIsNotThatOfTheWhistle() {
        Ornament fiddle = Ornament.of("cut", Family.FIDDLE);
        Ornament whistle = Ornament.of("cut", Family.WHISTLE);
        assertThat(fiddle).isNotEqualTo(whistle);
        assertThat(fiddle.isMadeBy(Family.FIDDLE)).isTrue();
        assertThat(Ornament.of(Family.WHISTLE)).doesNotContain(fiddle);
        assertThat(Ornament.of(Family.FIDDLE)).contains(fiddle).doesNotContain(whistle);
    }

    @Test
    void aBookKeepsThemAndReadsThemForItsOwnInstrument() {
        Book book = BookReader.read("X:1\nT:Bows\nR:reel\nM:4/4\nL:1/8\nK:D\nDFAA BAFD|EGBB AGFE|\n")
                .value();
        Tune tune = book.lessons().get(0).tune();
        Placement cut = Placement.of(Stack.parse("cut@next-finger", Family.FIDDLE), Span.of(new NoteId(0)));
        Stair stair = Stair.starting(tune, Instrument.of("fiddle"), 2).placed(tune, 0, cut);
        List<BookItem> items = new ArrayList<>(book.items());
        items.replaceAll(item -> item instanceof Lesson lesson ? lesson.with(stair) : item);
        String written = BookWriter.write(new Book(items));
        assertThat(written).contains("%%flourish-spot 1 option=cut@next-finger");
        Book again = BookReader.read(written).value();
        assertThat(again.lessons().get(0).stairs()).isEqualTo(List.of(stair));
        Placement read = again.lessons()
                .get(0)
                .stairs()
                .get(0)
                .at(0)
                .at(new NoteId(0))
                .orElseThrow()
                .first()
                .orElseThrow();
        assertThat(read.ornament()).isEqualTo(Ornament.of("cut", Family.FIDDLE));
        assertThat(BookWriter.write(again)).isEqualTo(written);
    }

    /** The bow that a treble turns round is turned round in the sentences too; what is done stands under the note, and the notes can be read back. */
    @Test
    void stepsSayWhatIsPlacedAndWhereTheBowIsAfterIt() {
        Tune tune = reel("D2 AA F2 A2|");
        Version plain = plain(tune, "separate-bows");
        Version treble = with(plain, tune, "treble", 2, 3);
        List<String> lines = Steps.of(tune, treble);
        int at = lines.indexOf(
                "With a bowed triplet over 2 notes: Shiver from wrist and forearm, upper half; left hand waits.");
        assertThat(at).as(String.join("\n", lines)).isPositive();
        assertThat(lines.get(at - 1)).startsWith("A 4: A string, open, up bow");
        List<String> bows = lines.stream().filter(line -> line.startsWith("F")).toList();
        assertThat(bows).containsExactly("F sharp 4: D string, second finger, down bow, a crotchet.");
        assertThat(Steps.of(tune, plain)).contains("F sharp 4: D string, second finger, up bow, a crotchet.");
    }

    /** Slurs of the tune's own text are bows, but for one over a skip of strings, over equal notes, or over a whole phrase; a layer of bows lays them aside. */
    @Test
    void theBowKeepsToWrittenSlurs() {
        Tune tune = reel("(DE)FG (AB)AF|(Df)(AA) (DEFED)|");
        Version plain = plain(tune, "separate-bows");
        assertThat(bows(tune, plain)).isEqualTo("d-udu-du" + "dudududud");
        Span whole = new Span(new NoteId(0), new NoteId(16));
        Version saw = plain.withLayers(List.of(Layer.parse("bows@saw", whole, Passes.EVERY)));
        assertThat(bows(tune, saw)).doesNotContain("-");
    }
}
