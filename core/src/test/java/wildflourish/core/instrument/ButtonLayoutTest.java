package wildflourish.core.instrument;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.music.FingeredPitch;

/** What is said of the layouts in the handbook of the trade, enumerated from our tables. */
class ButtonLayoutTest {
    private static ButtonLayout small(String name) {
        return ButtonLayout.of(name, false);
    }

    private static Set<Integer> pitches(ButtonLayout layout) {
        return layout.buttons().stream()
                .flatMap(button -> List.of(button.press().midi(), button.draw().midi()).stream())
                .collect(Collectors.toCollection(TreeSet::new));
    }

    /** Between the lowest and the highest note of the box. */
    private static Set<String> missing(ButtonLayout layout, String from, String to) {
        Set<Integer> there = pitches(layout);
        return IntStream.rangeClosed(
                        FingeredPitch.parse(from).midi(),
                        FingeredPitch.parse(to).midi())
                .filter(midi -> !there.contains(midi))
                .mapToObj(midi -> new FingeredPitch(midi).toString())
                .collect(Collectors.toSet());
    }

    @Test
    void theTwoRowsLackWhatTheyAreKnownToLack() {
        assertThat(missing(ButtonLayout.of("bc", true), "E3", "D♯6")).containsExactlyInAnyOrder("F3", "G♯3", "A3");
        assertThat(missing(small("bc"), "E3", "F♯6")).contains("F3", "G♯3", "A3", "D6", "F6");
        assertThat(missing(ButtonLayout.of("c-sharp-d", true), "F3", "F6"))
                .containsExactlyInAnyOrder("G3", "A♯3", "B3");
        assertThat(missing(small("c-sharp-d"), "F3", "G♯6")).contains("G3", "A♯3", "B3", "E6", "G6");
    }

    @Test
    void theDGBoxHasNoEFlatFNaturalGSharpOrBFlatAnywhereAndNoMiddleC() {
        Set<Integer> classes = pitches(ButtonLayout.of("dg", true)).stream()
                .map(midi -> midi % 12)
                .collect(Collectors.toSet());
        assertThat(classes).doesNotContain(3, 5, 8, 10);
        assertThat(small("dg").keysOf(FingeredPitch.parse("C4"))).isEmpty();
    }

    /** From D4 to C6. */
    @ParameterizedTest
    @CsvSource({"bc, E B", "c-sharp-d, F♯ C♯", "dg, D F♯ G A B"})
    void twoDirectionsForOneNote(String name, String letters) {
        ButtonLayout layout = small(name);
        Set<String> both = new HashSet<>();
        for (int midi = 62; midi <= 84; midi++) {
            FingeredPitch pitch = new FingeredPitch(midi);
            long directions = layout.keysOf(pitch).stream()
                    .map(ButtonLayout.Key::bellows)
                    .distinct()
                    .count();
            if (directions == 2) {
                both.add(pitch.toString().replaceAll("\\d", ""));
            }
        }
        assertThat(both).containsExactlyInAnyOrder(letters.split(" ", -1));
    }

    @ParameterizedTest
    @CsvSource({"bc, 21, 23", "c-sharp-d, 21, 23", "dg, 21, 23"})
    void aBoxHasTwentyOneButtonsOrTwentyThree(String name, int small, int all) {
        assertThat(small(name).buttons()).hasSize(small);
        assertThat(ButtonLayout.of(name, true).buttons()).hasSize(all);
    }

    @Test
    void theEnglishHasTwentyFourKeysForEachHandEverySemitoneAndSixDoublesOnOppositeHands() {
        ButtonLayout english = small("english-48");
        Map<Button.Hand, Long> hands =
                english.buttons().stream().collect(Collectors.groupingBy(Button::hand, Collectors.counting()));
        assertThat(hands).containsEntry(Button.Hand.LEFT, 24L).containsEntry(Button.Hand.RIGHT, 24L);
        assertThat(missing(english, "G3", "C7")).isEmpty();
        int doubles = 0;
        for (int midi : pitches(english)) {
            List<ButtonLayout.Key> keys = english.keysOf(new FingeredPitch(midi));
            if (keys.size() > 1) {
                doubles++;
                assertThat(keys.stream().map(key -> key.button().hand()).distinct())
                        .hasSize(2);
            }
        }
        assertThat(doubles).isEqualTo(6);
    }

    /** G4 lies in the left hand, its neighbours A4 and F♯4 in the right; adjacent notes of a scale alternate all the way. */
    @Test
    void onTheEnglishAdjacentNotesOfAScaleChangeHands() {
        ButtonLayout english = small("english-48");
        List<String> scale =
                List.of("G3", "A3", "B3", "C4", "D4", "E4", "F♯4", "G4", "A4", "B4", "C5", "D5", "E5", "F♯5", "G5");
        Button.Hand before = null;
        for (String name : scale) {
            Button.Hand hand =
                    english.keysOf(FingeredPitch.parse(name)).get(0).button().hand();
            assertThat(hand).as(name).isNotEqualTo(before);
            before = hand;
        }
        assertThat(english.keysOf(FingeredPitch.parse("G4")).get(0).button().hand())
                .isEqualTo(Button.Hand.LEFT);
    }

    @Test
    void theAngloHasThirtyKeysInBothLayouts() {
        for (String name : List.of("anglo-a", "anglo-b")) {
            assertThat(small(name).buttons()).as(name).hasSize(30);
        }
        assertThat(small("anglo-a").keysOf(FingeredPitch.parse("C♯5")).stream().map(ButtonLayout.Key::name))
                .containsExactly("RA1p");
    }

    @Test
    void aMakersOtherButtonTakesThePlaceOfTheUsualOne() {
        Button other = new Button(
                "outer",
                1,
                1,
                Button.Hand.RIGHT,
                FingeredPitch.parse("A3"),
                FingeredPitch.parse("G♯3"),
                List.of(1, 2, 3, 4),
                wildflourish.core.table.Trust.L);
        ButtonLayout changed = small("bc").with(other);
        assertThat(changed.keysOf(FingeredPitch.parse("A3"))).hasSize(1);
        assertThat(changed.keysOf(FingeredPitch.parse("D♯3"))).isEmpty();
    }

    /** A box may have one button made otherwise: it is told with the name of the instrument, and read back from it. */
    @Test
    void aButtonOfItsOwnIsToldWithTheInstrument() {
        Instrument usual = Instrument.of("box-bc");
        assertThat(usual.has(FingeredPitch.parse("A3"))).isFalse();
        Instrument own = usual.withButtons("o1.G#3.A3 i10.E6.B5");
        assertThat(own).isSameAs(Instrument.of(own.id()));
        assertThat(own.has(FingeredPitch.parse("A3"))).isTrue();
        assertThat(own.has(FingeredPitch.parse("G♯3"))).isTrue();
        assertThat(own.ownButtons()).isEqualTo("o1.G#3.A3 i10.E6.B5");
        assertThat(own.name()).isEqualTo("B/C box, 21 buttons, o1 G♯3/A3, i10 E6/B5");
        assertThat(own.usual()).isSameAs(usual);
        assertThatThrownBy(() -> usual.withButtons("o99.A3"))
                .hasMessageContaining("there is no button “o99”; there are");
        assertThatThrownBy(() -> usual.withButtons("o1")).hasMessageContaining("write such as o1.G♯3.A3");
        assertThatThrownBy(() -> usual.withButtons("o1.H3")).hasMessageContaining("not the name of a pitch");
        assertThatThrownBy(() -> Instrument.of("fiddle").withButtons("o1.A3")).hasMessageContaining("has no buttons");
    }
}
