package wildflourish.core.version;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import wildflourish.core.RandomVersions;
import wildflourish.core.Rounds;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.tune.Tune;

/** The laws of changes: inverses restore, merging does both, undo and redo walk back and forth without loss. */
class HistoryTest {
    private static final Deed DEED = new Deed(Deed.Kind.PLACE, "cut", "Leaf");

    @Test
    void aChangeAndItsInverseRestoreTheBook() {
        Random random = new Random(1);
        Book book = book(random, 3);
        for (int i = 0; i < 50; i++) {
            Change change = anyChange(book, random);
            assertThat(change.inverse().applied(change.applied(book))).isEqualTo(book);
            assertThat(change.inverse().inverse()).isEqualTo(change);
            book = change.applied(book);
        }
    }

    @Test
    void mergedChangesDoWhatBothDo() {
        Random random = new Random(2);
        Book book = book(random, 2);
        Lesson first = book.lessons().get(0);
        Change one = Change.of(book, 0, first.with(stair(first, random)), DEED);
        Book between = one.applied(book);
        Lesson changed = between.lessons().get(0);
        Change two = Change.of(between, 0, changed.with(stair(changed, random)), DEED);
        assertThat(one.merged(two).orElseThrow().applied(book)).isEqualTo(two.applied(between));
        assertThat(two.merged(one)).isEmpty();
    }

    @Test
    void undoingAnySequenceRestoresTheBook() {
        for (int seed = 0; seed < Rounds.of(6, 25); seed++) {
            Random random = new Random(seed);
            Book start = book(random, 3);
            History history = new History(start);
            List<Book> seen = new ArrayList<>(List.of(start));
            for (int i = 0; i < 30; i++) {
                history.apply(anyChange(history.book(), random));
                if (!history.book().equals(seen.get(seen.size() - 1))) {
                    seen.add(history.book());
                }
            }
            for (int i = seen.size() - 1; i > 0; i--) {
                assertThat(history.book()).isEqualTo(seen.get(i));
                assertThat(history.undo()).isPresent();
            }
            assertThat(history.book()).isEqualTo(start);
            assertThat(history.undo()).isEmpty();
            for (int i = 1; i < seen.size(); i++) {
                assertThat(history.redo()).isPresent();
                assertThat(history.book()).isEqualTo(seen.get(i));
            }
            assertThat(history.redo()).isEmpty();
        }
    }

    @Test
    void aNewChangeForgetsWhatWasUndone() {
        Random random = new Random(4);
        History history = new History(book(random, 1));
        history.apply(anyChange(history.book(), random));
        history.undo();
        history.apply(anyChange(history.book(), random));
        assertThat(history.undone()).isEmpty();
        assertThat(history.done()).hasSize(1);
    }

    @Test
    void savedIsWhatTheBookIsAndNotHowItCameThere() {
        Random random = new Random(5);
        History history = new History(book(random, 1));
        assertThat(history.isSaved()).isTrue();
        history.apply(anyChange(history.book(), random));
        assertThat(history.isSaved()).isFalse();
        history.undo();
        assertThat(history.isSaved()).isTrue();
        history.redo();
        history.markSaved();
        assertThat(history.isSaved()).isTrue();
        history.undo();
        assertThat(history.isSaved()).isFalse();
    }

    @Test
    void aChangeThatChangesNothingIsNotRemembered() {
        Random random = new Random(6);
        History history = new History(book(random, 1));
        Lesson lesson = history.book().lessons().get(0);
        history.apply(Change.of(history.book(), 0, lesson, DEED));
        assertThat(history.done()).isEmpty();
    }

    @Test
    void theSecondOfTwoEqualTunesIsChangedAlone() {
        Random random = new Random(8);
        Lesson lesson = book(random, 1).lessons().get(0);
        Book book = new Book(List.of(lesson, lesson));
        Lesson changed = lesson.with(stair(lesson, random));
        assertThat(Change.of(book, 1, changed, DEED).applied(book).items()).containsExactly(lesson, changed);
    }

    @Test
    void aChangeForAnotherBookIsRefused() {
        Random random = new Random(7);
        Book book = book(random, 1);
        Change change = anyChange(book, random);
        assertThatThrownBy(() -> change.applied(Book.EMPTY)).isInstanceOf(IllegalStateException.class);
        assertThatThrownBy(() -> book.itemOf(1)).isInstanceOf(IllegalArgumentException.class);
    }

    private static Book book(Random random, int lessons) {
        RandomVersions generator = new RandomVersions(random.nextLong());
        List<BookItem> items = new ArrayList<>();
        for (int i = 0; i < lessons; i++) {
            items.add(new BookItem.Text("% between " + i + "\n"));
            items.add(Lesson.plain(generator.tune()));
        }
        return new Book(items);
    }

    private static Change anyChange(Book book, Random random) {
        int index = random.nextInt(book.lessons().size());
        Lesson lesson = book.lessons().get(index);
        return Change.of(book, index, lesson.with(stair(lesson, random)), DEED);
    }

    private static Stair stair(Lesson lesson, Random random) {
        Tune tune = lesson.tune();
        Stair stair = lesson.stairFor(Instrument.of("whistle-d"))
                .orElseGet(() -> Stair.starting(tune, Instrument.of("whistle-d"), 3));
        int stage = random.nextInt(3);
        Version version = new RandomVersions(random.nextLong())
                .version(tune, stair.at(stage).playing());
        return stair.with(stage, version.withName(stair.at(stage).name()));
    }
}
