package wildflourish.core.fingering;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Collections;
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
        List<Set<Integer>> chords = Collections.nCopies(8, chord);
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
            assertThat(found.cost()).isCloseTo(brute(bars, quaver), within(1e-9));
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

    // Every way there is, by the costs of the handbook and nothing of the search

    /** Where the hand is: the string just struck, whether by the tune, and where the ringing note of the tune lies; what it came to. */
    private record End(String roll, int string, boolean wasTune, int ringString, int ringFret) {}

    private static double brute(List<Rolls.Bar> bars, double quaver) {
        Map<End, Double> ends = new HashMap<>(Map.of(new End("", -1, false, -1, 0), 0.0));
        for (Rolls.Bar bar : bars) {
            Map<End, Double> next = new HashMap<>();
            for (Map.Entry<End, Double> end : ends.entrySet()) {
                for (StrokeOrder roll : bar.isFull() ? List.<StrokeOrder>of() : bar.rolls()) {
                    double entry =
                            end.getKey().roll().isEmpty() || end.getKey().roll().equals(roll.id()) ? 0 : 0.1;
                    double first = entry + overBarLine(end.getKey().roll(), roll, quaver);
                    if (first < NEVER) {
                        every(bar, roll, 0, end.getKey(), end.getValue() + first, next);
                    }
                }
                double plain = end.getValue() + (bar.isFull() ? 0 : 3);
                next.merge(new End("", -1, false, -1, 0), plain, Math::min);
            }
            ends = next;
        }
        return ends.values().stream().mapToDouble(each -> each).min().orElse(NEVER);
    }

    private static double overBarLine(String before, StrokeOrder roll, double quaver) {
        if (before.isEmpty()) {
            return 0;
        }
        boolean isTwice =
                StrokeOrder.of(before).fingers().get(7).equals(roll.fingers().get(0));
        return !isTwice ? 0 : quaver < 120 ? NEVER : 450 / quaver;
    }

    private static void every(
            Rolls.Bar bar, StrokeOrder roll, int quaver, End end, double cost, Map<End, Double> ends) {
        if (quaver == 8) {
            ends.merge(
                    new End(roll.id(), end.string(), end.wasTune(), end.ringString(), end.ringFret()), cost, Math::min);
            return;
        }
        int finger = roll.fingers().get(quaver);
        List<Integer> reached = finger == 1 ? List.of(2, 3, 4, 5) : finger == 2 ? List.of(2, 3) : List.of(1, 2);
        FingeredPitch tune = bar.onsets().get(quaver);
        for (int number : reached) {
            int string = number == 5 ? 4 : 4 - number;
            int open = BANJO.open().get(string).midi();
            int fret = tune != null ? tune.midi() - open : fill(bar, quaver, string, open, end);
            boolean isThere = fret == 0 || (fret > 0 && fret <= 5 && number != 5) || (fret > 0 && tune == null);
            boolean isHidden = tune == null && string == end.string() && end.wasTune();
            if (!isThere || isHidden) {
                continue;
            }
            double more = tune != null
                    ? ofTune(roll, quaver, finger, number, fret)
                    : (roll.strings().get(quaver) == number ? 0 : 0.4)
                            + (string == end.ringString() ? 0.3 : fret > 0 ? 0.2 : 0);
            if (number == 5) {
                more += bar.chords().get(quaver).contains(Math.floorMod(open, 12)) ? 0 : 0.3;
                more += quaver % 4 == 0 ? 0.8 : 0;
            }
            more += string != end.string() ? 0 : tune != null && end.wasTune() ? 0.3 : 0.6;
            End here = new End(
                    roll.id(),
                    string,
                    tune != null,
                    tune != null ? string : end.ringString(),
                    tune != null ? fret : end.ringFret());
            every(bar, roll, quaver + 1, here, cost + more, ends);
        }
    }

    private static double ofTune(StrokeOrder roll, int quaver, int finger, int number, int fret) {
        double by = finger == 1 ? 0 : finger == 3 && number == 1 ? 0.1 : 0.3;
        Set<Integer> accents = switch (roll.id()) {
            case "alternating-thumb" -> Set.of(0, 2, 4, 6);
            case "forward-backward-roll" -> Set.of(0, 4);
            default -> Set.of(0, 3, 6);
        };
        return by * (quaver % 4 == 0 ? 2 : 1)
                + (fret == 0 ? 0 : fret == 5 ? 0.5 : 0.1)
                + (accents.contains(quaver) ? 0 : 0.2);
    }

    /** −1 where the string has nothing to fill with. */
    private static int fill(Rolls.Bar bar, int quaver, int string, int open, End end) {
        if (string == end.ringString()) {
            return end.ringFret();
        }
        if (string == 4) {
            return G_MAJOR.contains(Math.floorMod(open, 12)) ? 0 : -1;
        }
        for (int fret = 0; fret <= 4; fret++) {
            double apart = Math.abs(667 * (Math.pow(2, -fret / 12.0) - Math.pow(2, -end.ringFret() / 12.0)));
            boolean isNear = fret == 0 || end.ringFret() == 0 || apart <= 105;
            if (isNear && bar.chords().get(quaver).contains(Math.floorMod(open + fret, 12))) {
                return fret;
            }
        }
        return -1;
    }
}
