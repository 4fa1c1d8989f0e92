package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import wildflourish.core.growing.Choices;
import wildflourish.core.growing.Growth;
import wildflourish.core.growing.Learning;
import wildflourish.core.growing.Liking;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.version.Wish;

/** Tastes learnt from made-up teachers, whose stairs are planned by a taste of their own. */
class LearningTest {
    private static final Liking USUAL = Liking.of(Family.WHISTLE).get(0);
    private static final List<Learning.Model> PLAIN = new ArrayList<>();

    @BeforeAll
    static void findWhatFits() {
        for (int number : List.of(1, 2, 3, 4, 6, 8)) {
            Tune tune = Demo.tunes().get(number - 1);
            Stair stair = Stair.starting(tune, Instrument.of("whistle-d"), 4);
            PLAIN.add(new Learning.Model(tune, stair, Growth.choices(tune, stair, Profile.usual())));
        }
    }

    private static void ignored(double share) {
        assertThat(share).isBetween(0.0, 1.0);
    }

    /** Stairs as a teacher of a taste has them. */
    private static List<Learning.Model> of(Liking taste) {
        List<Learning.Model> models = new ArrayList<>();
        for (Learning.Model plain : PLAIN) {
            Stair wished = plain.stair();
            for (int stage = 1; stage < wished.stages().size(); stage++) {
                Version version = wished.at(stage);
                wished = wished.with(stage, version.with(version.label().wishing(Wish.USUAL.withTaste(taste.id()))));
            }
            Choices choices = plain.choices().knowing(Optional.of(taste));
            Stair grown = Growth.planned(plain.tune(), wished, 1, Profile.usual(), choices)
                    .stair();
            models.add(new Learning.Model(plain.tune(), grown, plain.choices()));
        }
        return models;
    }

    private static Liking teacher(Map<String, Integer> more, int fee) {
        Map<String, Integer> likes = new HashMap<>(USUAL.likes());
        more.forEach((what, points) -> likes.merge(what, points, Integer::sum));
        return new Liking(
                Liking.OWN,
                "made up",
                "made up",
                Set.of(Family.WHISTLE),
                likes,
                USUAL.others(),
                new Liking.Lean(fee, 0, 0));
    }

    @Test
    void oneWhoTapsAndSlidesIsLearnt() {
        List<Learning.Model> hers = of(teacher(Map.of("tap", 20, "slide-in", 24, "cut", -10), 0));
        Learning.Learnt learnt = Learning.of(hers, USUAL, LearningTest::ignored).orElseThrow();
        assertThat(learnt.tunes()).isEqualTo(PLAIN.size());
        assertThat(learnt.own()).isGreaterThan(learnt.usual() + 10);
        assertThat(learnt.isBetter()).isTrue();
        assertThat(points(learnt, "tap")).isPositive();
        assertThat(points(learnt, "slide-in")).isPositive();
        assertThat(points(learnt, "cut")).isNegative();
        assertThat(learnt.changes()).allMatch(change -> Math.abs(change.points()) <= 25 && change.points() != 0);
        Liking taste = learnt.taste(Family.WHISTLE, learnt.changes());
        assertThat(taste.likes().get("tap"))
                .isEqualTo(USUAL.likes().getOrDefault("tap", USUAL.others()) + points(learnt, "tap"));
        assertThat(learnt.taste(Family.WHISTLE, List.of()).likes())
                .as("each change can be turned off")
                .isEqualTo(USUAL.likes());
        assertThat(Liking.parse("own", Liking.text(List.of(taste)))).containsExactly(taste);
    }

    private static int points(Learning.Learnt learnt, String what) {
        return learnt.changes().stream()
                .filter(change -> change.what().equals(what))
                .mapToInt(Learning.Change::points)
                .sum();
    }

    /** One who is the usual taste already has nothing to win by it, and that is said. */
    @Test
    void oneWhoIsTheUsualTasteIsNotBetteredByLearning() {
        Learning.Learnt learnt =
                Learning.of(of(USUAL), USUAL, LearningTest::ignored).orElseThrow();
        assertThat(learnt.usual()).isGreaterThan(60);
        assertThat(learnt.isBetter()).isFalse();
    }

    @Test
    void fromTooLittleNothingIsLearnt() {
        List<Learning.Model> few = of(USUAL).subList(0, Learning.LEAST_TUNES - 1);
        assertThat(Learning.of(few, USUAL, LearningTest::ignored)).isEmpty();
        assertThat(Learning.of(PLAIN, USUAL, LearningTest::ignored))
                .as("stairs with nothing placed")
                .isEmpty();
    }
}
