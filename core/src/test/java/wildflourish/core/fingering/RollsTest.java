package wildflourish.core.fingering;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.instrument.PickingHand;
import wildflourish.core.instrument.Strings;
import wildflourish.core.instrument.StrokeOrder;
import wildflourish.core.music.FingeredPitch;

/** Rolls with a tune on them. The worked costs and places are those of the teachers' handbook for a reel at 112 in G major. */
class RollsTest {
    private static final Strings BANJO = Strings.of("banjo-open-g");
    private static final Set<Integer> G_MAJOR = Set.of(7, 9, 11, 0, 2, 4, 6);
    private static final Set<Integer> G = Set.of(7, 11, 2);
    private static final Set<Integer> C = Set.of(0, 4, 7);
    private static final Set<Integer> D = Set.of(2, 6, 9);
    private static final double QUAVER = 15000.0 / 112;
    private static final double NEVER = Double.POSITIVE_INFINITY;

    private static Rolls rolls(double quaverMillis) {
        return new Rolls(BANJO, quaverMillis, 120, G_MAJOR);
    }

    /** Notes as quaver:pitch. */
    private static Rolls.Bar bar(String notes, Set<Integer> chord) {
        Map<Integer, FingeredPitch> onsets = new HashMap<>();
        for (String word : notes.split(" ", -1)) {
            String[] halves = word.split(":", 2);
            onsets.put(Integer.valueOf(halves[0]), FingeredPitch.parse(halves[1]));
        }
        List<Set<Integer>> chords = java.util.Collections.nCopies(8, chord);
        return new Rolls.Bar(onsets, chords, StrokeOrder.rolls());
    }

    private static List<Rolls.Bar> worked() {
        return List.of(
                bar("0:G4 2:B4 4:D5 6:B4", G),
                bar("0:B4 3:A4 6:G4", G),
                bar("0:C5 4:E5", C),
                bar("0:A4 2:D5 4:F♯4", D),
                bar("0:G4", G));
    }

    private static String words(Rolls.Played bar) {
        return bar.picks().stream()
                .map(pick -> BANJO.stringName(pick.string()) + "." + pick.fret() + PickingHand.letter(pick.finger()))
                .collect(Collectors.joining(" "));
    }

    @ParameterizedTest
    @CsvSource({
        "0, 2.0, 0.6, 1.6, -1",
        "1, 0.2, -1, 0.6, -1",
        "2, 2.4, 1.8, 1.5, 3.1",
        "3, -1, 1.6, -1, -1",
        "4, 0, 0, 0.3, -1"
    })
    void eachBarAloneCostsWhatTheHandbookSays(
            int bar, double forward, double alternating, double both, double backward) {
        List<Double> expected = List.of(forward, alternating, both, backward);
        for (int i = 0; i < expected.size(); i++) {
            double cost =
                    rolls(QUAVER).alone(worked().get(bar), StrokeOrder.rolls().get(i));
            double worked = expected.get(i) < 0 ? NEVER : expected.get(i);
            assertThat(cost).as(StrokeOrder.rolls().get(i).id()).satisfies(value -> {
                if (worked == NEVER) {
                    assertThat(value).isInfinite();
                } else {
                    assertThat(value).isCloseTo(worked, within(1e-9));
                }
            });
        }
    }

    @Test
    void theWholePassageIsChosenAsTheHandbookSays() {
        Rolls.Found found = rolls(QUAVER).best(worked());
        assertThat(found.cost()).isCloseTo(4.2, within(1e-9));
        assertThat(found.bars().stream()
                        .map(bar -> bar.roll().map(StrokeOrder::id).orElse("")))
                .containsExactly(
                        "alternating-thumb",
                        "forward-roll",
                        "forward-backward-roll",
                        "alternating-thumb",
                        "alternating-thumb");
        assertThat(words(found.bars().get(0))).isEqualTo("3.0T 2.0I 3.4T 1.0M 2.3T 3.0I 2.0T 1.0M");
        assertThat(words(found.bars().get(1))).isEqualTo("3.4T 2.0I 1.0M 3.2T 2.0I 1.0M 3.0T 1.0M");
    }

    @Test
    void leaningTheFirstBarIsForwardWithTheInnerNotesAQuaverLate() {
        Rolls.Found found = rolls(QUAVER).leaning(worked().get(0)).orElseThrow();
        assertThat(words(found.bars().get(0))).isEqualTo("3.0T 2.0I 1.0M 3.4T 2.0I 1.0M 2.0T 1.0M");
        assertThat(Rolls.canLean(bar("0:G4", G))).isFalse();
    }

    @Test
    void aBarThatTheTuneFillsStaysAsItIsWritten() {
        Rolls.Bar full = bar("0:G4 1:B4 2:D5 3:G5 4:B4 5:D5 6:G5 7:D5", G);
        assertThat(full.isFull()).isTrue();
        Rolls.Found found = rolls(QUAVER).best(List.of(full));
        assertThat(found.bars().get(0).roll()).isEmpty();
        assertThat(found.cost()).isZero();
    }

    /** Random bars of seed 7: eight quavers, the tune at its places, no finger too soon, another string after the tune, and as cheap as every way tried. */
    @Test
    void laws() {
        Random random = new Random(7);
        for (int round = 0; round < 24; round++) {
            double quaver = random.nextBoolean() ? QUAVER : 110;
            List<Rolls.Bar> bars = List.of(random(random), random(random));
            Rolls rolls = rolls(quaver);
            Rolls.Found found = rolls.best(bars);
            assertThat(found.cost()).isCloseTo(brute(rolls, bars, quaver), within(1e-9));
            for (int i = 0; i < bars.size(); i++) {
                check(bars.get(i), found.bars().get(i));
            }
            for (Rolls.Bar bar : bars) {
                Optional<Rolls.Found> leaning = rolls.leaning(bar);
                assertThat(leaning.map(Rolls.Found::bars).map(List::size).orElse(1))
                        .isEqualTo(1);
            }
        }
    }

    private static Rolls.Bar random(Random random) {
        List<String> pitches = List.of("D4", "E4", "F♯4", "G4", "A4", "B4", "C5", "D5", "E5");
        StringBuilder notes = new StringBuilder();
        for (int quaver = 0; quaver < 8; quaver += 1 + random.nextInt(4)) {
            notes.append(notes.isEmpty() ? "" : " ")
                    .append(quaver)
                    .append(':')
                    .append(pitches.get(random.nextInt(pitches.size())));
        }
        return bar(notes.toString(), List.of(G, C, D).get(random.nextInt(3)));
    }

    private static void check(Rolls.Bar bar, Rolls.Played played) {
        if (played.roll().isEmpty()) {
            return;
        }
        assertThat(played.picks()).hasSize(8);
        for (int i = 0; i < 8; i++) {
            Rolls.Pick pick = played.picks().get(i);
            FingeredPitch tune = bar.onsets().get(i);
            assertThat(pick.isTune()).isEqualTo(tune != null);
            if (tune != null) {
                assertThat(BANJO.open().get(pick.string()).midi() + pick.fret()).isEqualTo(tune.midi());
            }
            if (i > 0 && !pick.isTune() && played.picks().get(i - 1).isTune()) {
                assertThat(pick.string()).isNotEqualTo(played.picks().get(i - 1).string());
            }
            if (i > 0) {
                assertThat(pick.finger()).isNotEqualTo(played.picks().get(i - 1).finger());
            }
        }
    }

    /** The sum of what every pair of rolls, or plain bars, costs; the search within one roll being tried note by note. */
    private static double brute(Rolls rolls, List<Rolls.Bar> bars, double quaver) {
        double best = NEVER;
        List<Optional<StrokeOrder>> choices = new ArrayList<>();
        StrokeOrder.rolls().forEach(roll -> choices.add(Optional.of(roll)));
        choices.add(Optional.empty());
        for (Optional<StrokeOrder> one : choices) {
            for (Optional<StrokeOrder> other : choices) {
                List<Rolls.Bar> fixed = List.of(only(bars.get(0), one), only(bars.get(1), other));
                double plain = (one.isEmpty() && !bars.get(0).isFull() ? 3 : 0)
                        + (other.isEmpty() && !bars.get(1).isFull() ? 3 : 0);
                Rolls.Found found = rolls.best(fixed);
                boolean isAsAsked = isPlayed(found, 0) == one.isPresent() && isPlayed(found, 1) == other.isPresent();
                best = isAsAsked ? Math.min(best, found.cost() + plain) : best;
            }
        }
        assertThat(quaver).isPositive();
        return best;
    }

    private static boolean isPlayed(Rolls.Found found, int bar) {
        return found.bars().get(bar).roll().isPresent();
    }

    private static Rolls.Bar only(Rolls.Bar bar, Optional<StrokeOrder> roll) {
        return new Rolls.Bar(bar.onsets(), bar.chords(), roll.stream().toList());
    }
}
