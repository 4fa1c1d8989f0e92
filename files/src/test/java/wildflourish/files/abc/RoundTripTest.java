package wildflourish.files.abc;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.DoubleStream;
import org.junit.jupiter.api.Test;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Profile;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.Realisation;
import wildflourish.core.performance.Realiser;
import wildflourish.core.problem.Parsed;
import wildflourish.core.problem.Problem;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.PlayOrder;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Book;
import wildflourish.core.version.BookItem;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Version;
import wildflourish.files.Decorator;

/** Books that use everything that is read come back as they were saved, and what is foreign in them to the byte. */
class RoundTripTest {
    private static final int BOOKS = 150;

    @Test
    void plainBooksComeBackToTheByteAndUseEverything() {
        Set<BookGenerator.Feature> used = EnumSet.noneOf(BookGenerator.Feature.class);
        for (int seed = 0; seed < BOOKS; seed++) {
            BookGenerator generator = new BookGenerator(seed);
            String text = generator.book();
            used.addAll(generator.used());
            Parsed<Book> read = BookReader.read(text);
            assertThat(read.problems())
                    .as(text)
                    .allMatch(problem -> problem.code().endsWith("-kept"));
            assertThat(BookWriter.write(read.value())).isEqualTo(text);
            assertThat(BookReader.read(BookWriter.write(read.value())).value()).isEqualTo(read.value());
        }
        assertThat(used).containsExactlyInAnyOrder(BookGenerator.Feature.values());
    }

    @Test
    void decoratedBooksComeBackToTheLastPlacement() {
        int placements = 0;
        for (int seed = 0; seed < BOOKS; seed++) {
            Book book = decorated(seed);
            placements += book.lessons().stream()
                    .flatMap(lesson -> lesson.versions().stream())
                    .mapToInt(version -> version.spots().size())
                    .sum();
            String written = BookWriter.write(book);
            Parsed<Book> again = BookReader.read(written);
            assertThat(again.problems()).extracting(Problem::code).as(written).allMatch(code -> code.endsWith("-kept"));
            assertThat(again.value()).as("seed " + seed).isEqualTo(book);
            assertThat(BookWriter.write(again.value())).isEqualTo(written);
        }
        assertThat(placements).isGreaterThan(2000);
    }

    /** How long each bar lasts, as they are played. */
    static List<Fraction> lengths(Tune tune) {
        return PlayOrder.of(tune).stream()
                .map(played -> tune.bars().get(played.bar()).length())
                .toList();
    }

    /** What any other reader of ABC sees of a stage: same bars, same lengths, same melody where nothing is placed. */
    @Test
    void everyWrittenOutStageIsATuneOfItsOwnWithTheSameBars() {
        for (int seed = 0; seed < 60; seed++) {
            for (Lesson lesson : decorated(seed).lessons()) {
                for (Version version : lesson.versions()) {
                    String text = BookWriter.writeVersion(lesson.tune(), version);
                    assertThat(text).doesNotContain("%%flourish");
                    Parsed<Book> read = BookReader.read(text);
                    assertThat(lengths(read.value().lessons().get(0).tune()))
                            .as(text)
                            .isEqualTo(lengths(lesson.tune()));
                }
            }
        }
    }

    /** The notes another reader plays are the melody of the realisation: same pitch at every onset, in the first playing of each bar; of a repeat written out, in each. */
    @Test
    void theWrittenOutNotesAreTheRealisedMelody() {
        int compared = 0;
        for (int seed = 0; seed < 60; seed++) {
            for (Lesson lesson : decorated(seed).lessons()) {
                for (Version version : lesson.versions()) {
                    Realisation realisation = Realiser.realise(lesson.tune(), version, Profile.usual());
                    String text = BookWriter.writeVersion(lesson.tune(), version);
                    Tune written =
                            BookReader.read(text).value().lessons().get(0).tune();
                    List<PlayOrder.Played> order = PlayOrder.of(written);
                    assertThat(order).hasSameSizeAs(realisation.bars());
                    for (int playing = 0; playing < order.size(); playing++) {
                        if (order.get(playing).pass() == 1) {
                            compared += compare(written, order.get(playing).bar(), playing, realisation, text);
                        }
                    }
                }
            }
        }
        assertThat(compared).isGreaterThan(5000);
    }

    private static int compare(Tune written, int bar, int playing, Realisation realisation, String text) {
        Fraction at = realisation.bars().get(playing).startWholeNotes();
        for (Note note : written.bars().get(bar).notes()) {
            double start = realisation.tempo().millisOf(at).toDouble();
            double end = realisation.tempo().millisOf(at.plus(note.played())).toDouble();
            // Its end may be silent, or lent to the next note's small ones.
            List<Optional<Integer>> heard = DoubleStream.of(end - 0.01, (start + end) / 2, start + 0.4 * (end - start))
                    .mapToObj(millis -> realisation
                            .at(millis)
                            .flatMap(Moment::sounding)
                            .map(sounding -> sounding.pitch().midi()))
                    .toList();
            assertThat(heard)
                    .as("bar " + bar + " of " + text)
                    .contains(
                            note.isRest()
                                    ? Optional.empty()
                                    : Optional.of(note.melody().midi() + 12));
            at = at.plus(note.played());
        }
        return written.bars().get(bar).notes().size();
    }

    @Test
    void everyWrittenOutNoteKnowsTheNoteItStandsFor() {
        for (int seed = 0; seed < 40; seed++) {
            for (Lesson lesson : decorated(seed).lessons()) {
                for (Version version : lesson.versions()) {
                    WrittenOut written = WrittenOut.of(lesson.tune(), version);
                    assertThat(written.originals())
                            .hasSize(written.tune().notes().size());
                    assertThat(written.originals().values()).allMatch(lesson.tune()::has);
                    assertThat(new HashSet<>(written.originals().values()))
                            .hasSizeGreaterThan(lesson.tune().notes().size() / 2);
                }
            }
        }
    }

    @Test
    void noChangeOfOneNoteInAWrittenOutStageGoesUnnoticed() {
        Random random = new Random(8);
        Book book = decorated(3);
        String text = BookWriter.write(book);
        int noticed = 0;
        for (int i = 0; i < 200; i++) {
            int stage = text.indexOf("%%flourish-sums", random.nextInt(text.length()));
            int body = stage < 0 ? -1 : text.indexOf("K:", stage);
            int end = body < 0 ? -1 : text.indexOf("\n\n", body);
            int at = body < 0 ? -1 : text.indexOf('\n', body) + 1 + random.nextInt(20);
            if (at < 1 || at >= (end < 0 ? text.length() : end) || "ABcdefg".indexOf(text.charAt(at)) < 0) {
                continue;
            }
            char other = text.charAt(at) == 'A' ? 'B' : 'A';
            Parsed<Book> read = BookReader.read(text.substring(0, at) + other + text.substring(at + 1));
            assertThat(read.problems()).extracting(Problem::code).contains("altered-version");
            noticed++;
        }
        assertThat(noticed).isGreaterThan(20);
    }

    private static Book decorated(int seed) {
        Book book = BookReader.read(new BookGenerator(seed).book()).value();
        Random random = new Random(seed);
        List<BookItem> items = new ArrayList<>(book.items());
        items.replaceAll(item -> item instanceof Lesson lesson ? Decorator.decorated(lesson, random) : item);
        return new Book(items);
    }
}
