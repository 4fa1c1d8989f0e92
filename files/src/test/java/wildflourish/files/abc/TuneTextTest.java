package wildflourish.files.abc;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import wildflourish.core.problem.Problem;

/** Problems of a text that is being typed stand where the text has them. */
class TuneTextTest {
    private static List<Integer> lines(String text) {
        return TuneText.read(text).problems().stream()
                .filter(each -> each.code().equals("unknown-character"))
                .map(Problem::place)
                .map(place -> place.line())
                .toList();
    }

    @Test
    void aProblemsLineIsThatOfTheTextAsItIsTyped() {
        assertThat(lines("X:1\nT:T\nK:D\nA#B|\n")).containsExactly(4);
        assertThat(lines("X:1\n\nT:T\n  \nK:D\n\n\nA#B|\n"))
                .as("empty lines count")
                .containsExactly(8);
        assertThat(lines("T:T\nK:D\nA#B|")).as("the number is not there yet").containsExactly(3);
        assertThat(lines("\n\nT:T\nK:D\nA#B|\nB#A|")).containsExactly(5, 6);
        assertThat(lines("X:1\r\n\r\nT:T\r\nK:D\r\nA#B|")).containsExactly(5);
    }

    @Test
    void aProblemOfWhatIsNotThereStandsInTheFirstLine() {
        assertThat(TuneText.read("").problems())
                .isNotEmpty()
                .allSatisfy(each -> assertThat(each.place().line()).isEqualTo(1));
    }
}
