package wildflourish.core.version;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
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

    /** Common practice: plainest first, fullest last, no two alike side by side, each at least once. */
    @Test
    void aPlanRises() {
        List<String> all = List.of("Root", "Leaf", "Bud", "Bloom", "Wild");
        int plans = 0;
        for (int kinds = 1; kinds <= all.size(); kinds++) {
            List<String> versions = all.subList(0, kinds);
            for (int count = 1; count <= Times.MOST_TURNS; count++) {
                boolean isPossible = count >= kinds && (kinds > 2 || (kinds == 1 ? count == 1 : count % 2 == 0));
                if (!isPossible) {
                    int times = count;
                    assertThatThrownBy(() -> Times.rising(versions, times))
                            .isInstanceOf(IllegalArgumentException.class)
                            .hasMessageContaining("version");
                    continue;
                }
                List<String> turns = Times.rising(versions, count);
                assertThat(turns).hasSize(count).startsWith(versions.get(0)).endsWith(versions.get(kinds - 1));

                assertThat(turns).containsAll(versions);
                assertThat(new Times(turns, TEMPO).alike()).isEmpty();
                plans++;
            }
        }
        assertThat(plans).isEqualTo(1 + 6 + 10 + 9 + 8);
        assertThat(new Times(List.of("Root", "Root", "Leaf"), TEMPO).alike()).containsExactly(1);
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
