package wildflourish.core.version;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import wildflourish.core.Melody;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.tune.Tune;

/** Plans of times through, and versions beside the stair. */
class TimesTest {
    private static final Tempo TEMPO = new Tempo(Fraction.of(90), Fraction.of(1, 2));
    private final Tune tune = Melody.reel("D4:4 E4:4 | G4:8 |");
    private final Stair stair = Stair.starting(tune, Instrument.of("whistle-d"), 3);

    private List<Version> stages(int kinds) {
        return Stair.starting(tune, Instrument.of("whistle-d"), kinds).stages();
    }

    /** Common practice: plainest first, fullest last, no two alike side by side, each at least once where there are as many times. */
    @Test
    void aPlanRises() {
        int plans = 0;
        for (int kinds = 2; kinds <= 6; kinds++) {
            List<Version> versions = stages(kinds);
            List<String> names = versions.stream().map(Version::name).toList();
            for (int count = 2; count <= Times.MOST_TURNS; count++) {
                if (kinds == 2 && count % 2 == 1) {
                    int times = count;
                    assertThatThrownBy(() -> Times.rising(versions, times))
                            .isInstanceOf(IllegalArgumentException.class)
                            .hasMessageContaining("version");
                    continue;
                }
                List<String> turns = Times.rising(versions, count);
                assertThat(turns).hasSize(count).startsWith(names.get(0)).endsWith(names.get(kinds - 1));
                if (count >= kinds) {
                    assertThat(turns).containsAll(names);
                } else {
                    assertThat(turns).as("no step down").isSortedAccordingTo(Comparator.comparingInt(names::indexOf));
                }
                assertThat(new Times(turns, TEMPO).alike()).isEmpty();
                plans++;
            }
        }
        assertThat(plans).isEqualTo(6 + 4 * 11);
        assertThat(Times.rising(stages(5), 3)).containsExactly("Root", "Bud", "Wild");
        assertThat(Times.rising(stages(5), 5)).containsExactly("Root", "Leaf", "Bud", "Bloom", "Wild");
        assertThat(Times.rising(stages(3), 1)).containsExactly("Bud");
        assertThatThrownBy(() -> Times.rising(List.of(), 2)).hasMessageContaining("at least one version");
        assertThat(new Times(List.of("Root", "Root", "Leaf"), TEMPO).alike()).containsExactly(1);
    }

    /** Equal to trying every order, with versions that differ in one spot or two. */
    @Test
    void noOtherPlanRisesBetter() {
        Placement cut = Placement.of(Ornament.of("cut"), Melody.span(1, 1));
        Placement roll = Placement.of(Ornament.of("long-roll"), Melody.span(2, 2));
        List<Version> plain = stages(4);
        List<Version> versions = List.of(
                plain.get(0),
                plain.get(1).with(tune, Spot.of(cut)),
                plain.get(2).with(tune, Spot.of(cut)).with(tune, Spot.of(roll)),
                plain.get(3).with(tune, Spot.of(roll)));
        int[][] differing = {{0, 1, 2, 1}, {1, 0, 1, 2}, {2, 1, 0, 1}, {1, 2, 1, 0}};
        List<String> names = versions.stream().map(Version::name).toList();
        for (int count = 2; count <= 6; count++) {
            int best = Integer.MIN_VALUE;
            for (int order = 0; order < Math.pow(4, count); order++) {
                int[] turns = new int[count];
                Set<Integer> played = new HashSet<>();
                for (int i = 0; i < count; i++) {
                    turns[i] = order / (int) Math.pow(4, i) % 4;
                    played.add(turns[i]);
                }
                boolean isComplete = count < 4 || played.size() == 4;
                if (turns[0] == 0 && turns[count - 1] == 3 && isComplete) {
                    best = Math.max(best, worth(turns, differing));
                }
            }
            int[] chosen = Times.rising(versions, count).stream()
                    .mapToInt(names::indexOf)
                    .toArray();
            assertThat(worth(chosen, differing)).isEqualTo(best);
        }
    }

    private static int worth(int[] turns, int[][] differing) {
        int times = turns.length - 1;
        int worth = 0;
        for (int i = 1; i <= times; i++) {
            if (turns[i] == turns[i - 1]) {
                return Integer.MIN_VALUE;
            }
            worth += times * (differing[turns[i - 1]][turns[i]] - 20 * Math.max(0, turns[i - 1] - turns[i]));
            worth -= 4 * Math.abs(turns[i] * times - i * 3);
        }
        return worth;
    }

    /** A plan follows the names of versions, and names none that is gone. */
    @Test
    void aPlanFollowsItsVersions() {
        Stair planned =
                stair.with(Optional.of(new Times(List.of("Root", "Leaf", "Root", "Bud"), TEMPO).withAdded(2, 1, 2)));
        Stair renamed = planned.renamed(1, "Green");
        assertThat(renamed.times().orElseThrow().turns()).containsExactly("Root", "Green", "Root", "Bud");
        assertThat(renamed.renamed(1, "Leaf")).isEqualTo(planned);
        Stair shorter = Shaping.without(tune, planned, 1).orElseThrow().stair();
        assertThat(shorter.times().orElseThrow().turns()).containsExactly("Root", "Root", "Bud");
        assertThatThrownBy(() -> planned.renamed(1, "Root")).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Times(List.of(), TEMPO)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Times(List.of("Root"), TEMPO).withAdded(9, 0, 0))
                .isInstanceOf(IllegalArgumentException.class);
    }

    /** What stands beside the stair shares only the tune with it. */
    @Test
    void aFreeVersionAndTheStairMoveNothingInEachOther() {
        Placement cut = Placement.of(Ornament.of("cut"), Melody.span(1, 1));
        Placement roll = Placement.of(Ornament.of("long-roll"), Melody.span(2, 2));
        Stair with = stair.placed(tune, 1, cut)
                .with(new Beside(Beside.Kind.FREE, "Bud", stair.at(2).withName("Free")))
                .orElseThrow();
        assertThat(with.isStage(3)).isFalse();
        assertThat(with.besideAt(3).orElseThrow().source()).isEqualTo("Bud");
        Stair placed = with.placed(tune, 3, roll);
        assertThat(placed.stages()).isEqualTo(with.stages());
        assertThat(placed.at(3).ornamented()).isEqualTo(1);
        assertThat(placed.placed(tune, 0, roll).beside()).isEqualTo(placed.beside());
        assertThat(placed.removed(tune, 3, roll.span().first())).isEqualTo(with);
        assertThat(placed.placed(tune, 3, List.of(cut)).stages()).isEqualTo(with.stages());
        assertThat(placed.withoutBeside(3)).isEqualTo(stair.placed(tune, 1, cut));
        Stair two =
                placed.with(new Beside(Beside.Kind.STUDY, "", 24, placed.at(3))).orElseThrow();
        assertThat(two.at(4).name()).isEqualTo("Free 2");
        assertThat(two.copiedUp(4)).isEmpty();
        assertThat(two.named("Free 2")).contains(two.at(4));
    }

    @Test
    void nineStandBesideAStairAtMost() {
        Stair full = stair;
        for (int i = 0; i < 9; i++) {
            full = full.with(new Beside(Beside.Kind.FREE, "Root", stair.at(0))).orElseThrow();
        }
        assertThat(full.beside()).hasSize(9);
        assertThat(full.versions()).extracting(Version::name).doesNotHaveDuplicates();
        assertThat(full.with(new Beside(Beside.Kind.FREE, "Root", stair.at(0)))).isEmpty();
    }
}
