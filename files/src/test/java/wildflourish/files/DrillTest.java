package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Profile;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.PlayRange;
import wildflourish.core.performance.Realisation;
import wildflourish.core.performance.Realiser;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Version;
import wildflourish.files.abc.TuneText;

/** A part practised: the first ending several times, then as it is really played. */
class DrillTest {
    private static final String TUNE = "X:1\nM:2/4\nL:1/8\nK:D\nA2|:D2 E2|1 F2 A2:|2 G4||\n|:B2 c2|d4:|\n";

    private static Realisation realisation(Tune tune) {
        Version version = Version.plain("Root", Playing.usual(tune, Instrument.of("whistle-d")));
        return Realiser.realise(
                tune, version, Profile.usual(), version.playing().tempo());
    }

    /** The notes that are heard, in order. */
    private static String heard(String text, int note, int rounds) {
        Tune tune = TuneText.read(text).value();
        Realisation realisation = realisation(tune);
        Fraction perWhole = realisation.tempo().millisOf(Fraction.ONE);
        List<String> heard = new ArrayList<>();
        for (PlayRange range :
                PlayRange.drill(realisation, tune.notes().get(note).id(), rounds)) {
            for (Moment moment : realisation.moments()) {
                Fraction at = moment.startMillis().dividedBy(perWhole);
                boolean isInside = !at.isLessThan(range.startWholeNotes()) && at.isLessThan(range.endWholeNotes());
                if (isInside && moment.sounding().isPresent()) {
                    heard.add(tune.note(moment.cue().note()).melody().letter());
                }
            }
            heard.add("/");
        }
        return String.join(" ", heard);
    }

    @Test
    void theFirstEndingComesSeveralTimesAndThenTheSecond() {
        assertThat(heard(TUNE, 2, 3)).isEqualTo("A D E F♯ A / D E F♯ A / D E F♯ A / D E G /");
    }

    @Test
    void aNoteOfTheSecondEndingBelongsToTheSamePart() {
        assertThat(heard(TUNE, 5, 2)).isEqualTo("A D E F♯ A / D E F♯ A / D E G /");
    }

    @Test
    void aRepeatWithoutEndingsGoesRoundAndIsPlayedOnceMore() {
        assertThat(heard(TUNE, 6, 2)).isEqualTo("B C♯ D / B C♯ D / B C♯ D /");
    }

    @Test
    void aPartThatIsNotRepeatedGoesRoundAsItIs() {
        assertThat(heard("X:1\nM:2/4\nL:1/8\nK:D\nD2 E2|F4|]\n", 0, 2)).isEqualTo("D E F♯ / D E F♯ /");
    }
}
