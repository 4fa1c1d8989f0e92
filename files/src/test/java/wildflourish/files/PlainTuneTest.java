package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.fingering.FingeringPath;
import wildflourish.core.instrument.Breath;
import wildflourish.core.instrument.ChartRow;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Step;
import wildflourish.core.music.Tempo;
import wildflourish.core.plain.BestFit;
import wildflourish.core.plain.HardSpot;
import wildflourish.core.plain.Ladder;
import wildflourish.core.plain.Needs;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;
import wildflourish.core.words.FormWords;
import wildflourish.core.words.NeedsWords;
import wildflourish.core.words.Steps;
import wildflourish.core.words.Words;
import wildflourish.files.abc.TuneText;

/** What the plain demo tunes take on winds and pipes, against what was worked out by hand. */
class PlainTuneTest {
    private static final Instrument WHISTLE = Instrument.of("whistle-d");

    static Stream<Row> fits() throws IOException {
        try (var in = PlainTuneTest.class.getResourceAsStream("/expected/fits.table")) {
            return Table.parse("fits.table", new String(in.readAllBytes(), StandardCharsets.UTF_8)).rows().stream();
        }
    }

    @ParameterizedTest
    @MethodSource("fits")
    void whichTuneFitsWhichInstrument(Row row) {
        Instrument instrument = Instrument.of(row.text("instrument"));
        for (Tune tune : Demo.tunes()) {
            Needs needs = needs(tune, instrument);
            String number = String.valueOf(tune.header().number());
            assertThat(needs.missing().isEmpty() ? "y" : "n")
                    .as(instrument + " " + tune.title() + " " + needs.missing())
                    .isEqualTo(row.text(number));
            assertThat(needs.grade().isPresent()).isEqualTo(needs.missing().isEmpty());
        }
    }

    private static Needs needs(Tune tune, Instrument instrument) {
        return Needs.of(tune, instrument, tune.header().type().session());
    }

    private static Tune tune(int number) {
        return Demo.tunes().get(number - 1);
    }

    private static Tune read(String key, String bars) {
        return TuneText.read("X:1\nT:Try\nR:reel\nM:4/4\nL:1/8\nK:" + key + "\n" + bars)
                .value();
    }

    /** Arithmetic: what sounds in G minor is fingered in E minor on a whistle in F, in A minor on one in C. */
    @ParameterizedTest
    @CsvSource({"whistle-high-f, E minor", "whistle-low-f, E minor", "whistle-c, A minor", "whistle-d, G minor"})
    void aSoundingKeyIsFingeredInAnother(String id, String key) {
        Tune tune = read("Gm", "|:G2AB c2d2|d2cB A2G2:|");
        assertThat(BestFit.of(tune, Instrument.of(id), 0).fingeredKey().name()).isEqualTo(key);
    }

    private static Tune inF() {
        return read("F", "|:F2AF cFAF|G2BG dGBG|f2fe dcBA|GFEG F4:|");
    }

    @Test
    void anInstrumentInTheHomeKeyFitsBest() {
        List<BestFit> fits = BestFit.of(inF(), BestFit.instruments(Family.Kind.HOLES), 0);
        assertThat(fits.get(0).fingeredKey().name()).isIn("D major", "G major");
        assertThat(fits).extracting(fit -> fit.lacking().size()).isSorted();
        assertThat(fits).hasSameSizeAs(BestFit.instruments(Family.Kind.HOLES));
        BestFit whistle = fits.stream()
                .filter(fit -> fit.instrument().id().equals("whistle-high-f"))
                .findFirst()
                .orElseThrow();
        assertThat(whistle.fingeredKey().name()).isEqualTo("D major");
        assertThat(whistle.count(HardSpot.Kind.HALF)).isZero();
        assertThat(whistle.cost()).isLessThan(BestFit.of(inF(), WHISTLE, 0).cost());
        BestFit pipes = BestFit.of(inF(), Instrument.of("border-pipes"), 0);
        assertThat(pipes.isPlayable()).isFalse();
        assertThat(NeedsWords.of(pipes)).startsWith("lacks ");
    }

    /** Common practice: a tune in A minor goes on a whistle in D, by one half-closed F; nobody takes a whistle in E for it and half-closes every third note. */
    @Test
    void halfClosedNotesCountAgainstAWhistleInAnotherKey() {
        Tune inAMinor = TuneText.read(
                        "X:1\nT:Two\nR:jig\nM:6/8\nL:1/8\nK:Am\nA3 cBA|e3 dcd|ecA ABc|BAG E3|A3 cBA|e3 dcd|edc BAG|A3 A3|\n")
                .value();
        BestFit inD = BestFit.of(inAMinor, WHISTLE, 0);
        BestFit inE = BestFit.of(inAMinor, Instrument.of("whistle-e"), 0);
        assertThat(inD.fingeredKey().name()).isEqualTo("A minor");
        assertThat(inE.fingeredKey().name()).isEqualTo("G minor");
        assertThat(inD.cost()).isLessThan(inE.cost());
    }

    @Test
    void aRecordingIsMovedToWhereTheTuneLiesBest() {
        List<BestFit.Moved> moved = BestFit.recordingMoved(inF(), WHISTLE);
        assertThat(moved).hasSize(13);
        assertThat(moved.get(0).semitones()).isIn(-3, 2);
        assertThat(moved.get(0).fit().fingeredKey().name()).isIn("D major", "G major");
        assertThat(NeedsWords.of(moved.get(0), WHISTLE))
                .startsWith("Move a recording ")
                .contains("fingered in ");
        assertThat(NeedsWords.of(BestFit.recordingMoved(tune(1), WHISTLE).get(0), WHISTLE))
                .contains("on the whistle in D");
    }

    @Test
    void needsAreReadOffTheTune() {
        Needs water = needs(tune(6), WHISTLE);
        assertThat(water.absent()).containsExactly(Step.F);
        assertThat(Words.pitches(List.copyOf(water.notes().keySet()))).isEqualTo("E4 G4 A4 B4 C5 D5 E5 G5 A5");
        Needs gravel = needs(tune(7), WHISTLE);
        assertThat(Words.pitches(List.copyOf(gravel.fingers().halfHoled()))).isEqualTo("G♯5");
        assertThat(gravel.spots()).extracting(HardSpot::kind).contains(HardSpot.Kind.HALF, HardSpot.Kind.BREAK);
        assertThat(gravel.spots()).extracting(HardSpot::points).isSortedAccordingTo(Comparator.reverseOrder());
        Needs lantern = needs(tune(1), WHISTLE);
        assertThat(lantern.once())
                .extracting(id -> tune(1).note(id).melody().toString())
                .containsExactly("G4");
        String words = String.join(" ", NeedsWords.of(lantern, tune(1), WHISTLE));
        assertThat(words)
                .contains("Only once: G4, bar 16, on beat 4.", "all seven notes", "Grade ", "over the register break");
    }

    /** A half-closed hole is a hard spot when it is quick, and none when there is time. */
    @Test
    void speedDecidesWhatIsHard() {
        Tune tune = read("A", "|:A2GA B2AG|A8:|");
        Tempo slow = new Tempo(Fraction.of(20), Fraction.of(1, 2));
        assertThat(needs(tune, WHISTLE).spots()).extracting(HardSpot::kind).contains(HardSpot.Kind.HALF);
        assertThat(Needs.of(tune, WHISTLE, slow).spots()).isEmpty();
        double quick = needs(tune, WHISTLE).grade().orElseThrow();
        assertThat(Needs.of(tune, WHISTLE, slow).grade().orElseThrow()).isLessThan(quick);
    }

    @Test
    void aHardSpotIsLoopedWithItsNeighbours() {
        Tune tune = read("D", "|:B2d2 B4:|");
        HardSpot spot = needs(tune, WHISTLE).spots().get(0);
        assertThat(spot.kind()).isEqualTo(HardSpot.Kind.BREAK);
        assertThat(spot.loop())
                .isEqualTo(new HardSpot.Loop(
                        tune.notes().get(0).id(), tune.notes().get(2).id()));
    }

    @Test
    void aBookIsOrderedSoThatEachTuneAddsLittle() {
        List<Ladder.Rung> ladder = Ladder.of(Demo.tunes(), WHISTLE);
        assertThat(ladder).hasSize(9);
        assertThat(ladder.get(0).needs().grade())
                .isEqualTo(ladder.stream()
                        .flatMap(rung -> rung.needs().grade().stream())
                        .min(Double::compare));
        assertThat(ladder.get(8).tune().title())
                .as("what lacks a note comes last")
                .isEqualTo("The Chandler's Reel");
        assertThat(ladder.subList(1, 8))
                .allSatisfy(rung -> assertThat(rung.added().size()).isLessThanOrEqualTo(2));
    }

    @Test
    void theSummaryIsATeachers() {
        assertThat(FormWords.of(tune(1)))
                .startsWith("A1 A2 A1 A3, B1 B2 B1 B3", "12 bars to learn, of 16 written: the others come back.")
                .contains("It starts with a pickup, on beat 4, not on beat 1: count 1 2 3 4, then 1 2 3 and play.");
        assertThat(FormWords.of(tune(3)))
                .contains("It starts on beat 1: count 1 2, then play.", "B3 is B1 but for one note.");
        assertThat(FormWords.of(tune(2)).toString()).contains("after beat 2");
        assertThat(FormWords.of(read("D", "|:D2EF GABc|d2cB A3:|")).toString())
                .contains("A to A: hold on or rest for a quaver");
        assertThat(FormWords.of(read("D", "AB|:d2fd cdBA|F2AF E4:|")).toString())
                .contains("Every part leads round and on without a gap.");
    }

    /** Every demo tune on every instrument: what the sentences say is the notes and the fingerings they came from. */
    @Test
    void stepsReadBackAreTheNotesAndFingerings() {
        int read = 0;
        for (Instrument instrument : Instrument.winds()) {
            for (Tune tune : Demo.tunes()) {
                List<Steps.Step> steps = Steps.parse(Steps.of(tune, instrument), instrument);
                FingeringPath path = FingeringPath.of(tune.notes(), instrument, Map.of());
                List<Note> notes = tune.notes();
                assertThat(steps).hasSameSizeAs(notes);
                for (int i = 0; i < notes.size(); i++) {
                    Note note = notes.get(i);
                    Steps.Step step = steps.get(i);
                    assertThat(step.pitch()).contains(note.melody());
                    assertThat(step.fingering())
                            .as(instrument + " " + note.melody())
                            .isEqualTo(path.at(note.id()));
                    assertThat(step.length()).isEqualTo(Words.noteLength(note.played()));
                    boolean isToldBreath = instrument.family().isBlownByMouth();
                    boolean isFirm = instrument
                            .rowOf(note.melody())
                            .map(ChartRow::breath)
                            .equals(Optional.of(Breath.FIRM));
                    assertThat(step.firm() || !isToldBreath).isEqualTo(isFirm || !isToldBreath);
                    read++;
                }
            }
        }
        assertThat(read).isGreaterThan(20_000);
    }

    @Test
    void equalNotesInARowAreOneLine() {
        Tune tune = read("D", "|:DDD2 z2z2|_B4 ^^F4:|");
        List<String> lines = Steps.of(tune, WHISTLE);
        assertThat(lines)
                .contains(
                        "D 4: cover all, soft breath, a quaver, 2 times.",
                        "Rest: a crotchet, 2 times.",
                        "B flat 4: cover 1, half 2, soft breath, a minim.");
        List<String> names = new ArrayList<>();
        Steps.parse(lines, WHISTLE).forEach(step -> step.pitch().ifPresent(pitch -> names.add(pitch.toString())));
        assertThat(names).containsExactly("D4", "D4", "D4", "B♭4", "F♯♯4");
        assertThatThrownBy(() -> Steps.parse(List.of("Hello."), WHISTLE)).hasMessageContaining("Hello");
        assertThat(Steps.of(tune(9), WHISTLE)).anyMatch(line -> line.startsWith("C 4: not on this instrument"));
    }

    /** Arithmetic: with a capo at the third fret shapes of G sound B♭; the short string goes up three as well. */
    @Test
    void withACapoTheShapesAreThoseOfALowerKey() {
        BestFit fit = BestFit.of(tune(2), Instrument.of("banjo-open-g"), 3);
        assertThat(fit.instrument().id()).isEqualTo("banjo-open-g-capo-3");
        assertThat(fit.fingeredKey().name()).isEqualTo("G major");
        assertThat(NeedsWords.of(fit)).startsWith("capo 3, shapes of G major");
        List<Instrument> asked = List.of(Instrument.of("banjo-open-g"));
        assertThat(fit.inKey(tune(2), asked, 0).instrument().capo())
                .as("in G no capo is wanted, whatever B♭ wants")
                .isZero();
        assertThat(fit.instrument().strings().orElseThrow().spike()).contains(8);
        assertThat(BestFit.of(tune(2), Instrument.of("banjo-open-g"), 0)
                        .instrument()
                        .capo())
                .isZero();
        assertThat(BestFit.of(tune(2), Instrument.of("mandolin-capo-2"), 0)
                        .instrument()
                        .capo())
                .as("a capo that is on stays")
                .isEqualTo(2);
    }

    /** Common practice: a tune in A lies on open strings in AEAE; boxes and strings are ranked by costs of their own. */
    @Test
    void everyTuningAndEveryBoxIsTried() {
        for (Family.Kind kind : Family.Kind.values()) {
            List<BestFit> fits = BestFit.of(tune(7), BestFit.instruments(kind), 0);
            assertThat(fits)
                    .hasSameSizeAs(BestFit.instruments(kind))
                    .allMatch(fit -> fit.instrument().family().kind() == kind);
            List<Double> costs =
                    fits.stream().filter(BestFit::isPlayable).map(BestFit::cost).toList();
            assertThat(costs).isNotEmpty().isSorted();
        }
        BestFit box = BestFit.of(tune(7), Instrument.of("box-dg"), 0);
        assertThat(box.isPlayable()).as("G♯ is nowhere on it").isFalse();
        assertThat(BestFit.of(tune(1), Instrument.of("box-bc"), 0).count(HardSpot.Kind.TURN))
                .isPositive();
    }

    @Test
    void aCapoIsPutOnPluckedStringsOnly() {
        assertThatThrownBy(() -> Instrument.of("fiddle-capo-2")).hasMessageContaining("no capo is put on a fiddle");
        assertThatThrownBy(() -> Instrument.of("mandolin-capo-9")).hasMessageContaining("fret 1 to 7");
        assertThatThrownBy(() -> Instrument.of("whistle-d-capo-1")).hasMessageContaining("no capo is put on a whistle");
        Instrument two = Instrument.of("mandolin-capo-2");
        assertThat(two).isSameAs(Instrument.of("mandolin").withCapo(2)).isSameAs(Instrument.of("mandolin-capo-2"));
        assertThat(two.withCapo(0)).isSameAs(Instrument.of("mandolin"));
        assertThat(two.strings().orElseThrow().stringName(0))
                .as("strings keep their names")
                .isEqualTo("G");
    }
}
