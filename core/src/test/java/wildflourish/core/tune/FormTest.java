package wildflourish.core.tune;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import wildflourish.core.Melody;
import wildflourish.core.music.Fraction;

class FormTest {
    private static final String FULL = "D4:2 E4:2 F♯4:2 G4:2 ";

    /** Arithmetic: two pickup quavers in 4/4 begin on beat four. */
    @Test
    void twoPickupQuaversInCommonTimeBeginOnBeatFour() {
        Tune tune = Melody.reel("D4:1 E4:1 | " + FULL + "|");
        NotePlace first = tune.placeOf(new NoteId(0));
        assertThat(first.offset()).isEqualTo(Fraction.of(3, 4));
        assertThat(first.offset().dividedBy(Fraction.of(1, 4)).plus(Fraction.ONE))
                .isEqualTo(Fraction.of(4));
        assertThat(tune.placeOf(new NoteId(1)).offset()).isEqualTo(Fraction.of(7, 8));
        assertThat(tune.placeOf(new NoteId(2)).offset()).isEqualTo(Fraction.ZERO);
    }

    @Test
    void barsAreCountedWithoutPickups() {
        Tune tune = Melody.reel("D4:1 E4:1 |: " + FULL + "| D4:6 D4:1 E4:1 :| F♯4:2 |: " + FULL + "| D4:6 F♯4:2 :|");
        assertThat(IntStream.range(0, 6).map(tune.form()::countedNumber)).containsExactly(1, 1, 2, 3, 3, 4);
        assertThat(tune.form().isPickup(0)).isTrue();
        assertThat(tune.form().isPickup(1)).isFalse();
    }

    @Test
    void partsEndAtRepeatsAndAreSetInLinesOfFourBars() {
        Tune tune =
                Melody.reel("|: " + (FULL + "| ").repeat(7) + FULL + ":| |: " + (FULL + "| ").repeat(7) + FULL + ":|");
        assertThat(tune.form().parts()).extracting(Part::name).containsExactly("A", "B");
        assertThat(tune.form().lines()).extracting(Form.Line::name).containsExactly("A1", "A2", "B1", "B2");
        assertThat(tune.form().lineAt(5).name()).isEqualTo("A2");
    }

    @Test
    void bothEndingsBelongToTheLastLineOfTheirPart() {
        Tune tune = Melody.reel("|: " + (FULL + "| ").repeat(3) + "[1 " + FULL + ":| [2 " + FULL + "|| " + FULL + "|]");
        assertThat(tune.form().lines().get(0).lastBar()).isEqualTo(4);
        assertThat(tune.form().partAt(4).name()).isEqualTo("A");
        assertThat(tune.form().partAt(5).name()).isEqualTo("B");
    }

    @Test
    void repeatsAndEndingsAreFollowed() {
        Tune tune = Melody.reel(
                "D4:2 |: " + FULL + "| [1 " + FULL + ":| [2 " + FULL + "|| |: " + FULL + ":| " + FULL + "|]");
        assertThat(PlayOrder.of(tune)).extracting(PlayOrder.Played::bar).containsExactly(0, 1, 2, 1, 3, 4, 4, 5);
        assertThat(PlayOrder.of(tune)).extracting(PlayOrder.Played::pass).containsExactly(1, 1, 1, 2, 2, 1, 2, 1);
    }

    @Test
    void aRepeatWithoutAStartGoesBackToTheBeginning() {
        Tune tune = Melody.reel(FULL + "| " + FULL + ":|");
        assertThat(PlayOrder.of(tune)).extracting(PlayOrder.Played::bar).containsExactly(0, 1, 0, 1);
    }

    @Test
    void aTuneKnowsItsNotesByIdentityAndOrder() {
        Tune tune = Melody.reel(FULL + "| " + FULL + "|");
        assertThat(tune.neighbour(new NoteId(3), 1)).map(Note::id).contains(new NoteId(4));
        assertThat(tune.neighbour(new NoteId(0), -1)).isEmpty();
        assertThat(tune.between(new NoteId(2), new NoteId(5))).hasSize(4);
        assertThatThrownBy(() -> tune.placeOf(new NoteId(99)))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("n99");
    }

    /** Common practice; the kinds and tempos of the tables. */
    @Test
    void theKindOfTuneComesFromItsRhythmElseFromItsMetre() {
        var nine = wildflourish.core.music.Metre.of(9, 8);
        assertThat(TuneType.of(Optional.of("Slip Jig"), nine).name()).isEqualTo("slip jig");
        assertThat(TuneType.of(Optional.empty(), nine).name()).isEqualTo("slip jig");
        assertThat(TuneType.of(Optional.of("hornpipe"), wildflourish.core.music.Metre.of(4, 4))
                        .relaxed()
                        .beatsPerMinute())
                .isEqualTo(Fraction.of(55));
        assertThat(TuneType.all())
                .extracting(TuneType::name)
                .containsAll(List.of("reel", "jig", "slide", "polka", "march", "strathspey", "waltz", "slow air"));
    }
}
