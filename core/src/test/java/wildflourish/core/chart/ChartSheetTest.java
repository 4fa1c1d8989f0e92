package wildflourish.core.chart;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.engraving.Box;
import wildflourish.core.engraving.Drawn;
import wildflourish.core.engraving.Mark;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Paper;
import wildflourish.core.instrument.Button;
import wildflourish.core.instrument.ChartRow;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.Key;
import wildflourish.core.music.Mode;
import wildflourish.core.music.Step;
import wildflourish.core.music.WrittenPitch;

class ChartSheetTest {
    /** A point is 1/72 inch of 25.4 mm. */
    private static final double MILLIMETRES_A_POINT = 25.4 / 72;

    private static final Key D_MAJOR = Key.of(Step.D, 0, Mode.MAJOR);

    /** One of each kind: those that share a chart of holes differ in their key alone. */
    static Stream<Instrument> all() {
        Map<String, Instrument> kinds = new LinkedHashMap<>();
        for (Instrument each : Instrument.all()) {
            kinds.putIfAbsent(each.family() + each.chartName() + (each.family().isWind() ? "" : each.id()), each);
        }
        return kinds.values().stream();
    }

    private static ChartWish asking(Instrument instrument) {
        ChartWish wish = ChartWish.of(instrument);
        return Stream.of("A4", "B4", "G4", "D5", "A3")
                .map(WrittenPitch::parse)
                .filter(instrument::has)
                .findFirst()
                .map(note -> wish.asking(note, D_MAJOR))
                .orElse(wish);
    }

    @ParameterizedTest
    @MethodSource("all")
    void everythingLiesOnTheSheetsInWordsThatCanBeReadAndNoWordsOnWords(Instrument instrument) {
        for (Paper paper : List.of(Paper.a4(), Paper.letter().landscape(), Paper.endless(180))) {
            for (ChartPage page : ChartSheet.of(asking(instrument), paper)) {
                everythingLiesInside(page.page());
                nothingLiesOnWords(page.page());
                for (Mark.Words words : words(page.page())) {
                    double points = words.size() * paper.spaceMillimetres() / MILLIMETRES_A_POINT;
                    assertThat(points).as(words.text()).isGreaterThanOrEqualTo(9);
                }
            }
        }
    }

    /** Every note of the tables can be found on the sheet, and the sheet has none that the tables do not have. */
    @ParameterizedTest
    @MethodSource("all")
    void everyNoteStandsOnTheSheet(Instrument instrument) {
        Set<Integer> shown = new TreeSet<>();
        for (ChartPage page : ChartSheet.of(ChartWish.of(instrument), Paper.a4())) {
            page.zones().forEach(zone -> shown.add(zone.pitch().midi()));
        }
        assertThat(shown).isEqualTo(notes(instrument));
    }

    private static Set<Integer> notes(Instrument instrument) {
        Set<Integer> notes = new TreeSet<>();
        instrument.chart().forEach(row -> notes.add(row.pitch().midi()));
        instrument
                .buttons()
                .ifPresent(layout -> layout.buttons().forEach(button -> {
                    notes.add(button.press().midi());
                    notes.add(button.draw().midi());
                }));
        instrument.strings().ifPresent(strings -> {
            for (int string = 0; string < strings.open().size(); string++) {
                int open = strings.open().get(string).midi();
                for (int semitones = 0; semitones <= (strings.isShort(string) ? 0 : 12); semitones++) {
                    int at = string;
                    int up = semitones;
                    boolean isStopped = strings.placesOf(new FingeredPitch(open + up)).stream()
                            .anyMatch(place -> place.string() == at && place.semitones() == up);
                    if (isStopped) {
                        notes.add(open + semitones);
                    }
                }
            }
        });
        return notes;
    }

    /** As many rings and discs as all fingerings have holes; nine notes of eight holes, and the large picture has its own. */
    @Test
    void everyFingeringIsDrawn() {
        Instrument chanter = Instrument.of("border-pipes");
        Page page = endless(ChartWish.of(chanter)).page();
        long rings = page.drawn().stream()
                .filter(each -> each.subject().kind() == Drawn.Kind.FINGERING)
                .count();
        assertThat(rings).isEqualTo(9 * 8);
        Instrument whistle = Instrument.of("whistle-d");
        int fingerings = whistle.chart().stream()
                .map(ChartRow::fingerings)
                .mapToInt(List::size)
                .sum();
        long marks = endless(ChartWish.of(whistle)).page().drawn().stream()
                .filter(each -> each.subject().kind() == Drawn.Kind.FINGERING)
                .count();
        assertThat(marks).isGreaterThanOrEqualTo(fingerings * 6L);
    }

    @Test
    void whistlesNameTheirCutsBySchoolTheirTapsAndRolls() {
        String words = text(endless(ChartWish.of(Instrument.of("whistle-d"))));
        assertThat(words).contains("cut 3 3 1 6", "tap 6", "E♭4", "B♭5", "two fingers cut");
        assertThat(words).contains("sounds an octave higher than written", "roll", "cran");
    }

    /** Common practice: the highest string on top, its first finger a whole step up makes F sharp, and a fourth finger the next string. */
    @Test
    void fingersStandWhereFiddlersPutThem() {
        ChartPage page = endless(ChartWish.of(Instrument.of("fiddle")));
        List<PitchZone> nextString = page.zonesOf(FingeredPitch.parse("A4"));
        assertThat(nextString).hasSize(2);
        double openTop = top(page, "E5");
        double lowTop = top(page, "G3");
        assertThat(openTop).isLessThan(lowTop);
        assertThat(text(page)).contains("L1", "H3 L4", "little finger", "Double stops", "F♯4 with  ");
    }

    private static double top(ChartPage page, String pitch) {
        return page.zonesOf(FingeredPitch.parse(pitch)).stream()
                .mapToDouble(zone -> zone.box().top())
                .min()
                .orElseThrow();
    }

    /** The handbook: the fifth string of the five-string is short, begins at the fifth fret and is played open. */
    @Test
    void theShortStringHasItsOwnPlace() {
        ChartPage page = endless(ChartWish.of(Instrument.of("banjo-open-g")));
        double lowest = page.zones().stream()
                .mapToDouble(zone -> zone.box().top())
                .max()
                .orElseThrow();
        List<PitchZone> last =
                page.zones().stream().filter(zone -> zone.box().top() == lowest).toList();
        assertThat(last).hasSize(1);
        assertThat(last.get(0).pitch()).isEqualTo(FingeredPitch.parse("G5"));
        PitchZone fifthFret = page.zonesOf(FingeredPitch.parse("G5")).stream()
                .filter(zone -> zone.box().top() < lowest)
                .findFirst()
                .orElseThrow();
        assertThat(last.get(0).box().right())
                .isBetween(fifthFret.box().left(), fifthFret.box().right() + 6);
    }

    /** What a button sounds pressed stands over what it sounds drawn, on every button of every layout. */
    @ParameterizedTest
    @MethodSource("all")
    void pressStandsOverDraw(Instrument instrument) {
        instrument.buttons().filter(layout -> !layout.isSameBothWays()).ifPresent(layout -> {
            List<PitchZone> zones = endless(ChartWish.of(instrument)).zones();
            assertThat(zones).hasSize(2 * layout.buttons().size());
            for (int i = 0; i < layout.buttons().size(); i++) {
                Button button = layout.buttons().get(i);
                PitchZone press = zones.get(2 * i);
                PitchZone draw = zones.get(2 * i + 1);
                assertThat(press.pitch()).isEqualTo(button.press());
                assertThat(draw.pitch()).isEqualTo(button.draw());
                assertThat(press.box().bottom()).isEqualTo(draw.box().top());
            }
        });
    }

    @Test
    void aNoteThatIsAskedAboutIsToldWithWhatSoundsTogether() {
        Instrument fiddle = Instrument.of("fiddle");
        String words = text(endless(ChartWish.of(fiddle).asking(WrittenPitch.parse("F♯4"), D_MAJOR)));
        assertThat(words).contains("What F♯4 bears", "long roll");
        // Common practice: under an F sharp on the D string no open string but the G lies beside it, over it the open
        // A.
        assertThat(words).contains("drone above (with A4)");
    }

    @Test
    void whatDoesNotFitGoesToFurtherSheets() {
        Instrument english = Instrument.of("english-48");
        Paper across = ChartSheet.suited(english, Paper.a4());
        assertThat(across.width()).isGreaterThan(across.height());
        assertThat(ChartSheet.of(asking(english), across).size()).isGreaterThan(1);
    }

    private static ChartPage endless(ChartWish wish) {
        List<ChartPage> pages = ChartSheet.of(wish, Paper.endless(180));
        assertThat(pages).hasSize(1);
        return pages.get(0);
    }

    private static String text(ChartPage page) {
        return words(page.page()).stream().map(Mark.Words::text).collect(Collectors.joining("\n"));
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
        List<Mark.Words> words = words(page);
        for (int i = 0; i < words.size(); i++) {
            for (int j = i + 1; j < words.size(); j++) {
                assertThat(words.get(i).box().overlaps(words.get(j).box()))
                        .as(words.get(i) + " on " + words.get(j))
                        .isFalse();
            }
        }
    }

    private static List<Mark.Words> words(Page page) {
        return page.drawn().stream()
                .map(Drawn::mark)
                .filter(Mark.Words.class::isInstance)
                .map(Mark.Words.class::cast)
                .filter(words -> !words.text().isEmpty())
                .toList();
    }
}
