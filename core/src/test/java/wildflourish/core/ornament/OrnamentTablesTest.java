package wildflourish.core.ornament;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.instrument.Family;
import wildflourish.core.music.Fraction;
import wildflourish.core.table.Table;
import wildflourish.core.table.TableException;

/** The language of ornaments and its tables. */
class OrnamentTablesTest {
    @ParameterizedTest
    @ValueSource(
            strings = {
                "1/3:n/attack 1/3:{^}n/fingers 1/3:{_}n/fingers",
                "1/4*:n/attack 3/8*:{^}n/fingers 3/8*:{_}n/fingers",
                "min:{^2}n/fingers 1*:{^}n/fingers",
                "1:{=g =d =e}n/fingers",
                "1:n/attack~from(-1,slide)",
                "1/2:n/attack 1/2:n/held~to(next,slide)",
                "1:n/attack~wave(20,200,below)",
                "1/2:{.}n/close 1/2:{.}8+/close"
            })
    void aFigureIsWrittenAsItIsRead(String text) {
        assertThat(Figure.parse(text, Figure.Opening.OWN)).hasToString(text);
    }

    @Test
    void whatIsRepeatedIsUnrolledAsOftenAsItMust() {
        Figure trill = Figure.parse("(@shake:n/fingers @shake:+1/fingers)x2 1*:n/fingers", Figure.Opening.OWN);
        assertThat(trill.parts()).hasSize(5);
        assertThat(trill.unrolled(4).parts()).hasSize(9);
        assertThat(trill.uses(Target.Kind.STEP)).isTrue();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "1/3:n",
                "1/3 n/fingers",
                "1/3:{^n/fingers",
                "1/3:n/wobble",
                "x:n/fingers",
                "1/3:q/held",
                "1:n/held~up(3)"
            })
    void whatIsNoFigureIsRefusedInWords(String text) {
        assertThatThrownBy(() -> Figure.parse(text, Figure.Opening.OWN)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void aFaultInATableNamesFileAndLine() {
        Table ornaments = Table.load("ornaments/chanter.table");
        Table figures = Table.parse(
                "broken.figures",
                "ornament | for | school | span | opening | figure\n" + "g-grace | – | – | any | own | 1:{form}n\n");
        assertThatThrownBy(() -> Ornament.read(ornaments, figures))
                .isInstanceOf(TableException.class)
                .hasMessageContaining("broken.figures line 2");
    }

    @Test
    void everyOrnamentHasWhatItNeeds() {
        assertThat(Ornament.all()).hasSizeGreaterThanOrEqualTo(54);
        for (Ornament ornament : Ornament.all()) {
            assertThat(ornament.manner().weight()).isBetween(1, 9);
            assertThat(ornament.manner().difficulty()).isBetween(1, 9);
            assertThat(ornament.manner().stage()).isBetween(1, 4);
            assertThat(ornament.look().how()).endsWith(".");
            assertThat(ornament.isTouch()).isEqualTo(!ornament.form().claims().isEmpty());
            for (String smaller : ornament.manner().growsFrom()) {
                assertThat(Ornament.of(smaller, ornament.makers().get(0).family())
                                .manner()
                                .weight())
                        .as(ornament + " grows from " + smaller)
                        .isLessThanOrEqualTo(ornament.manner().weight());
            }
            for (Ornament.Maker maker : ornament.makers()) {
                assertThat(figuresOf(ornament, maker.family()))
                        .as(ornament + " on " + maker.family())
                        .isPositive();
            }
        }
    }

    private static long figuresOf(Ornament ornament, Family family) {
        List<String> schools = ornament.schools(family).isEmpty() ? List.of("") : ornament.schools(family);
        return schools.stream()
                .filter(school -> Stream.of(1, 2, 3, 4, 6, 8)
                        .map(eighths -> Fraction.of(eighths, 8))
                        .anyMatch(length -> IntStream.rangeClosed(1, 4)
                                .anyMatch(notes -> ornament.figureFor(family, school, length, notes)
                                        .isPresent())))
                .count();
    }

    @Test
    void theOrderInWhichAStackWasPlacedDoesNotMatter() {
        Stack one = Stack.parse("slide-in+long-roll+stop");
        Stack other = Stack.parse("stop+long-roll+slide-in");
        assertThat(one).isEqualTo(other);
        assertThat(one.main().ornament().id()).isEqualTo("long-roll");
        assertThat(Stack.parse(one.toString())).isEqualTo(one);
        assertThat(one.over(Family.WHISTLE, Fraction.of(3, 8), 1))
                .isEqualTo(other.over(Family.WHISTLE, Fraction.of(3, 8), 1));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "cut+tap",
                "long-roll+short-roll",
                "finger-vibrato+fall-off",
                "slide-in+short-roll",
                "slide-in+cut"
            })
    void twoThatWantTheSameAreRefusedByName(String words) {
        Stack stack = Stack.parse(words);
        Stack.Composed composed = stack.over(Family.WHISTLE, Fraction.of(1, 4), 1);
        if (words.contains("long-roll")) {
            composed = stack.over(Family.WHISTLE, Fraction.of(3, 8), 1);
        }
        assertThat(composed.figure()).isEmpty();
        assertThat(composed.clash().orElseThrow()).hasSize(2);
    }

    @Test
    void aStopEndsWhateverStandsBeforeIt() {
        Figure figure = Stack.parse("long-roll+stop+slide-in")
                .over(Family.WHISTLE, Fraction.of(3, 8), 1)
                .figure()
                .orElseThrow();
        assertThat(figure.slots()).hasSize(3);
        assertThat(figure.slots().get(0).parts().get(0).bend().from()).isPresent();
        assertThat(figure.slots().get(2).parts()).hasSize(2);
        assertThat(figure.slots().get(2).parts().get(1).landing().isSilence()).isTrue();
    }

    @Test
    void biggerOrnamentsGrowFromSmallerOnes() {
        Ornament roll = Ornament.of("long-roll");
        assertThat(roll.growsFrom(Ornament.of("cut"))).isTrue();
        assertThat(roll.growsFrom(Ornament.of("short-roll"))).isTrue();
        assertThat(Ornament.of("cut").growsFrom(roll)).isFalse();
    }

    @Test
    void theListenersFloorDoesNotGrowWithTheStudent() {
        assertThat(Profile.of("learner").times().floor()).isEqualTo(Fraction.of(62));
        assertThat(Profile.of("learner").times().of("cut")).isEqualTo(Fraction.of(70));
        assertThat(Profile.of("steady").times().of("tap")).isEqualTo(Fraction.of(49));
        assertThat(Profile.of("learner").times().of("breath")).isEqualTo(Fraction.of(200));
    }

    @Test
    void anUnknownNameIsAnsweredWithThoseThereAre() {
        assertThatThrownBy(() -> Ornament.of("wobble")).hasMessageContaining("long-roll");
        assertThatThrownBy(() -> Profile.of("genius")).hasMessageContaining("learner");
    }
}
