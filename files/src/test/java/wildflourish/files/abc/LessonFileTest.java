package wildflourish.files.abc;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import wildflourish.core.hand.Hands;
import wildflourish.core.hand.Ways;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.problem.Parsed;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Book;
import wildflourish.core.version.BookItem;
import wildflourish.core.version.Label;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Shaping;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.words.StairWords;
import wildflourish.core.words.Steps;
import wildflourish.files.Decorator;
import wildflourish.files.Demo;

/** A book comes back exactly as it was saved, and what another program changed in it is noticed. */
class LessonFileTest {
    private static final Instrument WHISTLE = Instrument.of("whistle-d");

    @Test
    void aBookWithoutVersionsIsWrittenBackToTheByte() {
        String text = Demo.text();
        Parsed<Book> book = BookReader.read(text);
        assertThat(book.problems()).isEmpty();
        assertThat(book.value().lessons()).hasSize(9);
        assertThat(BookWriter.write(book.value())).isEqualTo(text);
    }

    @Test
    void everyDecoratedDemoTuneComesBackToTheLastPlacement() {
        Random random = new Random(7);
        for (int round = 0; round < 30; round++) {
            Book book = decorated(random);
            Parsed<Book> again = BookReader.read(BookWriter.write(book));
            assertThat(again.problems()).isEmpty();
            assertThat(again.value()).isEqualTo(book);
            assertThat(BookWriter.write(again.value())).isEqualTo(BookWriter.write(book));
        }
    }

    /** Another program knows a version by its number: a tune added to the book, a stage taken out leave those of all others as they were. */
    @Test
    void numbersOfVersionsStay() {
        Book book = BookReader.read(BookWriter.write(decorated(new Random(5)))).value();
        Map<String, Integer> before = numbers(BookWriter.write(book));
        Tune added = tune("X:" + (book.highestNumber() + 1) + "\nT:Added\nM:4/4\nL:1/8\nK:D\nD8|\n");
        List<BookItem> items = new ArrayList<>(book.items());
        items.add(new BookItem.Text("\n\n"));
        items.add(Lesson.plain(added).with(Stair.starting(added, WHISTLE, 2)));
        Lesson lesson = book.lessons().stream()
                .filter(each -> each.stairs().stream()
                        .limit(1)
                        .anyMatch(stair -> stair.stages().size() > 2))
                .findFirst()
                .orElseThrow();
        int at = book.items().indexOf(lesson);
        Stair shorter = Shaping.without(lesson.tune(), lesson.stairs().get(0), 1)
                .orElseThrow()
                .stair();
        items.set(at, lesson.with(shorter.with(0, shorter.at(0).with(Label.of("Anew")))));
        Map<String, Integer> after = numbers(BookWriter.write(new Book(items)));
        assertThat(new HashSet<>(after.values())).hasSize(after.size());
        assertThat(after).hasSize(before.size() - 1 + 3);
        int stayed = 0;
        for (Map.Entry<String, Integer> entry : before.entrySet()) {
            if (after.containsKey(entry.getKey())) {
                assertThat(after).contains(entry);
                stayed++;
            }
        }
        assertThat(stayed).isEqualTo(before.size() - 2);
    }

    private static Map<String, Integer> numbers(String text) {
        Map<String, Integer> numbers = new HashMap<>();
        Matcher tune = Pattern.compile("(?m)^X:(\\d+)\\R(?:.*\\R)?T:(.*)$").matcher(text);
        while (tune.find()) {
            numbers.put(tune.group(2), Integer.parseInt(tune.group(1)));
        }
        return numbers;
    }

    /** What students are told about a version as a whole comes back, whatever signs are in it. */
    @Test
    void theNoteToStudentsComesBack() {
        Tune tune = tune("X:1\nT:T\nM:4/4\nL:1/8\nK:G\nBcBc dcBA|\n");
        Stair stair = Stair.starting(tune, WHISTLE, 3);
        Label told = stair.at(1).label().telling("Slowly = 60 % name=x\nand \\ again", 4);
        Book book = new Book(List.of(
                Lesson.plain(tune).with(stair.with(1, stair.at(1).with(told))), new BookItem.Text("\n")));
        String text = BookWriter.write(book);
        assertThat(text).contains(" passes=4 name=Leaf");
        Parsed<Book> again = BookReader.read(text);
        assertThat(again.problems()).isEmpty();
        assertThat(again.value()).isEqualTo(book);
        assertThat(again.value().lessons().get(0).stairs().get(0).at(1).label().note())
                .isEqualTo(told.note());
        assertThat(StairWords.toStudents(told)).endsWith("again Play it 4 times through.");
    }

    /** A capo and buttons made otherwise are part of the instrument's name, and so of the book. */
    @Test
    void aCapoAndButtonsMadeOtherwiseComeBackWithTheBook() {
        Tune tune = tune("X:1\nT:T\nM:4/4\nL:1/8\nK:G\nBcBc dcBA|\n");
        Book book = new Book(List.of(Lesson.plain(tune)
                .with(Stair.starting(tune, Instrument.of("mandolin-capo-2"), 2)
                        .pinned(tune.notes().get(0).id(), "D7"))
                .with(Stair.starting(tune, Instrument.of("box-bc").withButtons("o1.G♯3.A3 i10.E6.B5"), 2)
                        .pinned(tune.notes().get(0).id(), "o6d"))));
        Parsed<Book> again = BookReader.read(BookWriter.write(book));
        assertThat(again.problems()).isEmpty();
        assertThat(again.value().lessons().get(0).stairs())
                .extracting(stair -> stair.instrument().id())
                .containsExactly("mandolin-capo-2", "box-bc:o1.G♯3.A3:i10.E6.B5");
        assertThat(again.value()).isEqualTo(book);
    }

    @Test
    void aPinnedFingeringComesBackAndIsPlayed() {
        Tune tune = tune("X:1\nT:T\nM:4/4\nL:1/8\nK:G\nBcBc dcBA|\n");
        Note natural = tune.notes().get(1);
        for (Fingering fingering : WHISTLE.rowOf(natural.melody()).orElseThrow().fingerings()) {
            Stair stair = Stair.starting(tune, WHISTLE, 2).pinned(natural.id(), fingering.toString());
            Book book = new Book(List.of(Lesson.plain(tune).with(stair)));
            Parsed<Book> again = BookReader.read(BookWriter.write(book));
            assertThat(again.problems()).isEmpty();
            assertThat(again.value().lessons().get(0)).isEqualTo(book.lessons().get(0));
            Version version = again.value().lessons().get(0).stairs().get(0).at(0);
            assertThat(Ways.of(tune, version).path().at(natural.id())).contains(fingering);
            assertThat(Hands.isPinned(version, natural.id(), fingering)).isTrue();
            assertThat(Steps.of(tune, version)).contains("C 5: " + Steps.holes(fingering) + ", soft breath, a quaver.");
        }
    }

    @Test
    void aPinOfTheTeacherOutranksAnOrnamentAndOptionsKeptForAnotherTime() {
        Tune tune = tune("X:1\nT:T\nM:4/4\nL:1/8\nK:G\nB2 c2 d4|\n");
        Note natural = tune.notes().get(1);
        Fingering other =
                WHISTLE.rowOf(natural.melody()).orElseThrow().alternates().get(0);
        Stair stair = Stair.starting(tune, WHISTLE, 2).pinned(natural.id(), other.toString());
        assertThat(Ways.of(tune, stair.at(0)).path().at(natural.id())).contains(other);
        Placement placed = Placement.of(Ornament.of("cut"), new Span(natural.id(), natural.id()));
        for (Passes passes : List.of(Passes.EVERY, Passes.only(2))) {
            Stair dressed = stair.placed(tune, 0, placed.withPasses(passes));
            assertThat(Ways.of(tune, dressed.at(0)).path().at(natural.id())).contains(other);
        }
        Stair cut = stair.placed(tune, 0, placed);
        assertThat(Ways.of(tune, cut.pinned(natural.id(), "").at(0)).path().at(natural.id()))
                .as("without a pin the ornament is made from the usual fingering")
                .contains(WHISTLE.rowOf(natural.melody()).orElseThrow().usual());
        assertThat(cut.removed(tune, 0, natural.id())
                        .at(0)
                        .at(natural.id())
                        .orElseThrow()
                        .pin())
                .isEqualTo(other.toString());
    }

    @Test
    void theWrittenOutBarsKeepTheirLengths() {
        Book book = decorated(new Random(11));
        for (Lesson lesson : book.lessons()) {
            for (Version version : lesson.versions()) {
                Tune written = BookReader.read(BookWriter.writeVersion(lesson.tune(), version))
                        .value()
                        .lessons()
                        .get(0)
                        .tune();
                assertThat(RoundTripTest.lengths(written)).isEqualTo(RoundTripTest.lengths(lesson.tune()));
            }
        }
    }

    @Test
    void aLongRollIsWrittenOutAsThreeNotesWithItsCutAndTap() {
        Tune tune = tune("X:1\nT:T\nM:6/8\nL:1/8\nK:D\nB3 GAB|\n");
        Version version = with(tune, 0, 0, "long-roll");
        assertThat(BookWriter.writeVersion(tune, version)).endsWith("K:D\nB{c}B{A}B GAB|\n");
    }

    @Test
    void aRollThatStandsForATurnKeepsTheTextAroundIt() {
        Tune tune = tune("X:1\nT:T\nM:6/8\nL:1/8\nK:D\nBAB \"G\"d3|\n");
        Version version = with(tune, 0, 2, "long-roll");
        assertThat(BookWriter.writeVersion(tune, version)).endsWith("K:D\nB{c}B{A}B \"G\"d3|\n");
    }

    @Test
    void anAccidentalThatALostNoteCarriedIsWrittenWhereItIsNextNeeded() {
        Tune tune = tune("X:1\nT:T\nM:6/8\nL:1/8\nK:D\nB^AB A3|\n");
        Version version = with(tune, 0, 2, "long-roll");
        Tune written = tune(BookWriter.writeVersion(tune, version));
        assertThat(written.notes().get(3).melody())
                .isEqualTo(tune.notes().get(3).melody());
    }

    @Test
    void aTapThatLeavesTheKeyCarriesItsAccidentalAndTheNextNoteItsOwn() {
        Tune tune = tune("X:1\nT:T\nM:4/4\nL:1/8\nK:C\nG2F2 G4|\n");
        Version version = with(tune, 0, 0, "tap");
        assertThat(BookWriter.writeVersion(tune, version)).endsWith("K:C\n{^F}G2=F2 G4|\n");
    }

    @Test
    void aNoteInBrokenRhythmIsWrittenOutWithTheSameLengths() {
        Tune tune = tune("X:1\nT:T\nM:4/4\nL:1/8\nK:D\nB2>A2 d2<e2|\n");
        Version version = with(tune, 0, 0, "long-roll").with(tune, Spot.of(placement(tune, 3, 3, "long-roll")));
        Tune written = tune(BookWriter.writeVersion(tune, version));
        assertThat(written.notes().stream().map(note -> note.played().toString()))
                .containsExactly("1/8", "1/8", "1/8", "1/8", "1/8", "1/8", "1/8", "1/8");
    }

    @Test
    void oneNoteChangedByAnotherProgramIsNoticedAndNothingIsLost() {
        Book book = decorated(new Random(3));
        String text = BookWriter.write(book);
        int at = text.indexOf("d2fd", text.indexOf("stage=2"));
        String changed = text.substring(0, at) + "d2fe" + text.substring(at + 4);
        Parsed<Book> read = BookReader.read(changed);
        assertThat(read.problems()).extracting(problem -> problem.code()).containsExactly("altered-version");
        Lesson lesson = read.value().lessons().get(0);
        assertThat(lesson.altered()).hasSize(1);
        assertThat(lesson.stairs()).isEqualTo(book.lessons().get(0).stairs());
        assertThat(BookWriter.write(read.value()))
                .as("undecided, the file stays as it is")
                .isEqualTo(changed);
    }

    @Test
    void aChangedStageThatIsWorkedOnIsKeptBesideTheChangedNotes() {
        Book book = decorated(new Random(3));
        String text = BookWriter.write(book);
        int at = text.indexOf("d2fd", text.indexOf("stage=2"));
        Book read = BookReader.read(text.substring(0, at) + "d2fe" + text.substring(at + 4))
                .value();
        Lesson lesson = read.lessons().get(0);
        Stair worked = lesson.stairs()
                .get(0)
                .with(1, Version.plain("Leaf", lesson.stairs().get(0).at(1).playing()));
        List<BookItem> items = new ArrayList<>(read.items());
        items.set(read.items().indexOf(lesson), lesson.with(worked));
        Book again = BookReader.read(BookWriter.write(new Book(items))).value();
        assertThat(again.lessons()).hasSize(10);
        assertThat(again.lessons().get(0).stairs().get(0).at(1).isPlain()).isTrue();
    }

    @Test
    void aVersionWhoseTuneIsMissingStaysAsATuneOfItsOwn() {
        String text = "X:7\nT:T\n%%flourish-stage of=1 stair=1 stage=1 name=Root\nK:D\nABc|\n";
        Parsed<Book> book = BookReader.read(text);
        assertThat(book.problems()).extracting(problem -> problem.code()).containsExactly("strange-version");
        assertThat(BookWriter.write(book.value())).isEqualTo(text);
    }

    private static Version with(Tune tune, int first, int last, String ornament) {
        Stair stair = Stair.starting(tune, WHISTLE, 2);
        return stair.at(1).with(tune, Spot.of(placement(tune, first, last, ornament)));
    }

    private static Placement placement(Tune tune, int first, int last, String ornament) {
        Span span =
                new Span(tune.notes().get(first).id(), tune.notes().get(last).id());
        return Placement.of(Ornament.of(ornament), span);
    }

    private static Tune tune(String text) {
        return BookReader.read(text).value().lessons().get(0).tune();
    }

    /** The demo book with random placements, options, passes and sentences in every tune. */
    private static Book decorated(Random random) {
        Book book = BookReader.read(Demo.text()).value();
        List<BookItem> items = new ArrayList<>(book.items());
        items.replaceAll(item -> item instanceof Lesson lesson ? Decorator.decorated(lesson, random) : item);
        return new Book(items);
    }
}
