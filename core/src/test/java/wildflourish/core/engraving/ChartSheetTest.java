package wildflourish.core.engraving;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.instrument.ChartRow;
import wildflourish.core.instrument.Instrument;

class ChartSheetTest {
    static Stream<Instrument> all() {
        return Instrument.winds().stream();
    }

    @ParameterizedTest
    @MethodSource("all")
    void everyNoteStandsOnTheSheetAndNoWordsOnWords(Instrument instrument) {
        for (Paper paper : List.of(Paper.a4(), Paper.letter(), Paper.endless(112))) {
            List<Page> pages = ChartSheet.of(instrument, paper);
            String words = pages.stream()
                    .flatMap(page -> words(page).stream())
                    .map(each -> ((Mark.Words) each.mark()).text())
                    .collect(Collectors.joining("\n"));
            long names =
                    words.lines().filter(line -> line.matches("[A-G][♯♭]?\\d")).count();
            assertThat(names).isEqualTo(instrument.chart().size());
            assertThat(words).contains(instrument.name(), "Warm up first");
            for (Page page : pages) {
                everythingLiesInside(page);
                nothingLiesOnWords(page);
            }
        }
    }

    static Stream<Instrument> lines() {
        return Instrument.all().stream().filter(each -> !each.family().isWind());
    }

    @ParameterizedTest
    @MethodSource("lines")
    void everyStringAndButtonStandsOnTheSheet(Instrument instrument) {
        for (Paper paper : List.of(Paper.a4(), Paper.letter(), Paper.endless(112))) {
            Page page = ChartSheet.of(instrument, paper).get(0);
            everythingLiesInside(page);
            nothingLiesOnWords(page);
            long names = page.drawn().stream()
                    .filter(each -> each.mark() instanceof Mark.Words words
                            && words.text().matches("[A-G][♯♭]?\\d"))
                    .count();
            int least = instrument
                    .buttons()
                    .map(layout -> layout.buttons().size() * (layout.isSameBothWays() ? 1 : 2))
                    .orElseGet(() -> instrument.strings().orElseThrow().open().size() * 9 - 8);
            assertThat(names).isGreaterThanOrEqualTo(least);
        }
    }

    private static void everythingLiesInside(Page page) {
        for (Drawn each : page.drawn()) {
            Box box = each.mark().box();
            assertThat(box.left()).as(each.toString()).isGreaterThanOrEqualTo(0);
            assertThat(box.right()).as(each.toString()).isLessThanOrEqualTo(page.width());
            assertThat(box.bottom()).as(each.toString()).isLessThanOrEqualTo(page.height());
        }
    }

    private static void nothingLiesOnWords(Page page) {
        List<Drawn> words = words(page);
        for (int i = 0; i < words.size(); i++) {
            for (int j = i + 1; j < words.size(); j++) {
                assertThat(words.get(i)
                                .mark()
                                .box()
                                .overlaps(words.get(j).mark().box()))
                        .as(words.get(i) + " on " + words.get(j))
                        .isFalse();
            }
        }
    }

    private static List<Drawn> words(Page page) {
        return page.drawn().stream()
                .filter(each ->
                        each.mark() instanceof Mark.Words words && !words.text().isEmpty())
                .toList();
    }

    /** As many rings and discs as all fingerings have holes. */
    @Test
    void everyFingeringIsDrawn() {
        Instrument chanter = Instrument.of("border-pipes");
        Page page = ChartSheet.of(chanter, Paper.endless(112)).get(0);
        long rings = page.drawn().stream()
                .filter(each -> each.subject().kind() == Drawn.Kind.FINGERING)
                .count();
        assertThat(rings).isEqualTo(9 * 8);
        Instrument whistle = Instrument.of("whistle-d");
        int fingerings = whistle.chart().stream()
                .map(ChartRow::fingerings)
                .mapToInt(List::size)
                .sum();
        long marks = ChartSheet.of(whistle, Paper.endless(112)).get(0).drawn().stream()
                .filter(each -> each.subject().kind() == Drawn.Kind.FINGERING)
                .count();
        assertThat(marks).isGreaterThanOrEqualTo(fingerings * 6L);
    }

    @Test
    void whistlesNameTheirCutsBySchool() {
        Page page =
                ChartSheet.of(Instrument.of("whistle-d"), Paper.endless(112)).get(0);
        String words = words(page).stream()
                .map(each -> ((Mark.Words) each.mark()).text())
                .collect(Collectors.joining("\n"));
        assertThat(words).contains("cut 3 3 1 6", "tap 6", "E♭4", "B♭5", "two fingers cut");
        assertThat(words).contains("sounds an octave higher than written");
    }
}
