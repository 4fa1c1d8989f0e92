package wildflourish.files.abc;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import wildflourish.core.ornament.Profile;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.Realiser;
import wildflourish.core.problem.Parsed;
import wildflourish.core.version.Book;
import wildflourish.core.version.BookItem;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Stair;

/** Books of the first form, which had one ornament a spot and no number of its form, and books of a form to come. */
class OlderBookTest {
    private static final String BOOK = """
            %abc-2.1

            X:1
            T:The Old Gate
            R:reel
            M:4/4
            L:1/8
            K:D
            D2FA G3A|F2A2 D4|

            X:2
            T:The Old Gate (Root)
            R:reel
            M:4/4
            L:1/8
            %%flourish-stage of=1 stair=1 stage=1 name=Root
            %%flourish-play instrument=whistle-d school=two-finger tempo=105 beat=1/2
            %%flourish-sums plain=PLAIN body=PLAIN
            K:D
            D2FA G3A|F2A2 D4|

            X:3
            T:The Old Gate (Leaf)
            R:reel
            M:4/4
            L:1/8
            %%flourish-stage of=1 stair=1 stage=2 name=Leaf
            %%flourish-play instrument=whistle-d school=two-finger tempo=105 beat=1/2
            %%flourish-spot 2 ornament=cut
            %%flourish-spot 4 ornament=long-roll times=1
            %%flourish-pin 6 XXXXOO
            %%flourish-sums plain=PLAIN body=LEAF
            K:D
            D2{A}FA G{A}G{F}GA|F2A2 D4|
            """;

    private static String book() {
        return BOOK.replace("PLAIN", Directives.sum("D2FA G3A|F2A2 D4|"))
                .replace("LEAF", Directives.sum("D2{A}FA G{A}G{F}GA|F2A2 D4|"));
    }

    @Test
    void anOlderBookOpensSoundsTheSameAndIsNotRewrittenUntilItIsWorkedOn() {
        Parsed<Book> read = BookReader.read(book());
        assertThat(read.problems()).isEmpty();
        Lesson lesson = read.value().lessons().get(0);
        var leaf = lesson.stairs().get(0).at(1);
        assertThat(leaf.ornamented()).isEqualTo(2);
        List<Moment.Role> roles = Realiser.realise(lesson.tune(), leaf, Profile.usual()).moments().stream()
                .filter(Moment::isGesture)
                .map(moment -> moment.cue().role())
                .toList();
        assertThat(roles).containsExactly(Moment.Role.CUT, Moment.Role.CUT, Moment.Role.TAP);
        assertThat(BookWriter.write(read.value())).isEqualTo(book());
    }

    @Test
    void aStageThatIsWorkedOnIsWrittenInTheNewFormAndTheOthersStay() {
        Book book = BookReader.read(book()).value();
        Stair changed = worked(book);
        String written = written(book, changed);
        assertThat(written).contains("%%flourish-stage of=1 stair=1 stage=1 name=Root");
        assertThat(written).contains("%%flourish-stage format=2 of=1 stair=1 stage=2 name=Leaf");
        assertThat(written).contains("%%flourish-spot 4 option=long-roll times=1");
        Parsed<Book> again = BookReader.read(written);
        assertThat(again.problems()).isEmpty();
        assertThat(again.value().lessons().get(0).stairs()).isEqualTo(List.of(changed));
    }

    /** The first stair without what its second stage has on the second note. */
    private static Stair worked(Book book) {
        Lesson lesson = book.lessons().get(0);
        return lesson.stairs()
                .get(0)
                .removed(lesson.tune(), 1, lesson.tune().notes().get(1).id());
    }

    private static String written(Book book, Stair changed) {
        List<BookItem> items = new ArrayList<>(book.items());
        items.replaceAll(item -> item instanceof Lesson each ? each.with(changed) : item);
        return BookWriter.write(new Book(items));
    }

    @Test
    void whatALaterProgramSaysOfAStageIsKeptWhenItIsWorkedOn() {
        String later = book().replace("stage=2 name=Leaf", "stage=2 mood=late name=Leaf")
                .replace("spot 4 ornament=long-roll times=1", "spot 4 option=long-roll times=1 liked=often")
                .replace("%%flourish-pin", "%%flourish-wish 3 seldom=roll\n%%flourish-pin");
        Parsed<Book> read = BookReader.read(later);
        assertThat(read.problems()).singleElement().satisfies(told -> {
            assertThat(told.code()).isEqualTo("newer-words");
            assertThat(told.message())
                    .startsWith("“Leaf” has words that this program does not know")
                    .contains("wish 3 seldom=roll", "mood=late", "liked=often")
                    .endsWith("they are kept");
        });
        assertThat(BookWriter.write(read.value())).isEqualTo(later);
        Stair changed = worked(read.value());
        String written = written(read.value(), changed);
        assertThat(written)
                .contains("stage=2 mood=late name=Leaf\n")
                .contains("spot 4 option=long-roll times=1 liked=often\n")
                .contains("%%flourish-wish 3 seldom=roll\n")
                .doesNotContain("ornament=cut");
        assertThat(BookReader.read(written).value().lessons().get(0).stairs()).isEqualTo(List.of(changed));
    }
}
