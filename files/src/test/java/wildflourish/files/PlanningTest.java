package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.CancellationException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.form.Phrase;
import wildflourish.core.form.Phrasing;
import wildflourish.core.growing.Choices;
import wildflourish.core.growing.Grown;
import wildflourish.core.growing.Growth;
import wildflourish.core.growing.Ledger;
import wildflourish.core.growing.Option;
import wildflourish.core.growing.Plan;
import wildflourish.core.growing.Reading;
import wildflourish.core.growing.StagePlan;
import wildflourish.core.growing.Task;
import wildflourish.core.growing.Taste;
import wildflourish.core.growing.Thinning;
import wildflourish.core.growing.WhyNot;
import wildflourish.core.hand.HandCost;
import wildflourish.core.hand.Scene;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Book;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.version.Wish;
import wildflourish.core.words.GrowthWords;
import wildflourish.core.words.ReadingWords;
import wildflourish.files.abc.BookReader;
import wildflourish.files.abc.BookWriter;

/** Plans of demo tunes: their prices, what is kept and refused, what is taken of them, thinning, and a critic's reading. */
class PlanningTest {
    private static List<Placement> placements(Version version) {
        return version.spots().values().stream()
                .flatMap(spot -> spot.first().stream())
                .toList();
    }

    private static Grown planned(Tune tune, Stair stair, int lowest) {
        return Growth.planned(tune, stair, lowest, Profile.usual(), Growth.choices(tune, stair, Profile.usual()));
    }

    private static Stair begun(int tune, String instrument, int stages) {
        return Stair.starting(Demo.tunes().get(tune - 1), Instrument.of(instrument), stages);
    }

    private static Stair wishing(Stair stair, int stage, Wish wish) {
        Version version = stair.at(stage);
        return stair.with(stage, version.with(version.label().wishing(wish)));
    }

    /** A plan's points added up by themselves are its worth, and what is said to be lost with something else is lost when it is planned again with that; on strings by what each asks of the hand alone. */
    @ParameterizedTest
    @CsvSource({"2, whistle-d", "4, whistle-d", "7, fiddle", "2, box-bc"})
    void pricesAreWhatAnotherPlanLoses(int number, String instrument) {
        Tune tune = Demo.tunes().get(number - 1);
        Grown grown = planned(tune, begun(number, instrument, 4), 1);
        Random random = new Random(number);
        int asked = 0;
        for (int stage = 1; stage < 4; stage++) {
            StagePlan at = grown.at(stage).orElseThrow();
            assertThat(at.task().ledger(at.plan().chosen()).sum())
                    .isEqualTo(at.plan().worth());
            Task task = at.task().byEach();
            Plan plan = instrument.equals("fiddle") ? task.priced().orElseThrow() : at.plan();
            List<Option> others = task.options().stream()
                    .flatMap(List::stream)
                    .filter(option -> !option.isPlain()
                            && !plan.chosen().contains(option)
                            && plan.priceOf(option).isPresent())
                    .toList();
            for (int i = 0; i < Math.min(3, others.size()); i++) {
                Option option = others.get(random.nextInt(others.size()));
                int price = plan.priceOf(option).orElseThrow();
                WhyNot why = WhyNot.of(task, plan, option).orElseThrow();
                if (price <= Plan.MOST_PRICE) {
                    assertThat(why.price()).as("%s at stage %s", option, stage).isEqualTo(price);
                    asked++;
                }
                assertThat(why.reasons().stream()
                                .mapToInt(term -> term.points())
                                .sum())
                        .as("the reasons add up to the price")
                        .isEqualTo(-why.price());
                assertThat(why.comes()).contains(option);
                assertThat(GrowthWords.of(why, tune, grown.choices()))
                        .endsWith(".")
                        .doesNotContain("null");
            }
            Optional<Integer> without = plan.priceWithout(plan.chosen().get(0));
            Optional<Plan> forbidden = task.forbidding(plan.chosen().get(0)).best();
            int lost = forbidden.map(other -> plan.worth() - other.worth()).orElse(Plan.MOST_PRICE + 1);
            if (lost <= Plan.MOST_PRICE) {
                assertThat(without).contains(lost);
            }
        }
        assertThat(asked).isPositive();
    }

    /** What the hand has to do on strings for all of a plan is what a search over the whole tune says, and what is lost with something else is the difference of two such. */
    @ParameterizedTest
    @CsvSource({"7, fiddle", "1, fiddle", "8, mandolin", "4, banjo-open-g"})
    void pricesOfTheHandAreSearchedAgain(int number, String instrument) {
        Tune tune = Demo.tunes().get(number - 1);
        Stair begun = begun(number, instrument, 4);
        Grown grown = planned(tune, begun, 1);
        Random random = new Random(number);
        double bare = hand(tune, begun.at(0));
        for (int stage = 1; stage < 4; stage++) {
            StagePlan at = grown.at(stage).orElseThrow();
            int worth = at.task().ledger(at.plan().chosen()).sum();
            assertThat(at.plan().worth()).isEqualTo(worth);
            assertThat(searchedWorth(tune, begun.at(stage), at, at.plan().chosen(), bare))
                    .isEqualTo(worth);
            List<Option> all = at.task().options().stream()
                    .flatMap(List::stream)
                    .filter(option -> !option.isPlain() && !at.plan().chosen().contains(option))
                    .toList();
            Option option = all.get(random.nextInt(all.size()));
            WhyNot why = WhyNot.of(at.task(), at.plan(), option).orElseThrow();
            List<Option> other = new ArrayList<>(at.plan().chosen());
            other.removeAll(why.goes());
            other.addAll(why.comes());
            assertThat(why.price())
                    .isEqualTo(worth - searchedWorth(tune, begun.at(stage), at, other, bare))
                    .isEqualTo(-why.reasons().stream()
                            .mapToInt(Ledger.Term::points)
                            .sum());
        }
    }

    /** Points of a plan without any for the hand, less those of a search over the whole tune. */
    private static int searchedWorth(Tune tune, Version version, StagePlan at, List<Option> chosen, double bare) {
        Version dressed = version;
        int points = 0;
        for (Option option : chosen) {
            Placement placement = at.choices().placement(option);
            points += handAlone(tune, version, placement, bare);
            dressed = dressed.with(tune, Spot.of(placement));
        }
        int together = (int) Math.round(10 * (hand(tune, dressed) - bare));
        return at.task().byEach().ledger(chosen).sum() + points - together;
    }

    private static int handAlone(Tune tune, Version version, Placement placement, double bare) {
        return (int) Math.round(10 * (hand(tune, version.with(tune, Spot.of(placement))) - bare));
    }

    /** What a change means for the hand is the difference of the two ways over the whole tune; on holes there is none. */
    @ParameterizedTest
    @CsvSource({"7, fiddle, true", "2, box-bc, true", "2, whistle-d, false"})
    void theHandIsAskedAnewOverTheWholeTune(int number, String instrument, boolean isTold) {
        Tune tune = Demo.tunes().get(number - 1);
        Stair begun = begun(number, instrument, 3);
        Grown grown = planned(tune, begun, 2);
        StagePlan at = grown.at(2).orElseThrow();
        Option option = at.task().options().stream()
                .flatMap(List::stream)
                .filter(each -> !each.isPlain() && !at.plan().chosen().contains(each))
                .findFirst()
                .orElseThrow();
        WhyNot why = WhyNot.of(at.task(), at.plan(), option).orElseThrow();
        Optional<Double> more = at.handMore(tune, begun.at(2), Profile.usual(), why);
        assertThat(more.isPresent()).isEqualTo(isTold);
        if (isTold) {
            Version changed = grown.stair().at(2);
            for (Option goes : why.goes()) {
                changed = changed.without(at.choices().placement(goes).span().first());
            }
            for (Option comes : why.comes()) {
                changed = changed.with(tune, Spot.of(at.choices().placement(comes)));
            }
            double before = hand(tune, grown.stair().at(2));
            assertThat(more.orElseThrow()).isCloseTo(hand(tune, changed) - before, within(1e-6));
        }
        assertThat(GrowthWords.hand(1.25)).contains("costs the hand 1.3");
        assertThat(GrowthWords.hand(-2)).contains("spares the hand 2.0");
        assertThat(GrowthWords.hand(0.1)).isEmpty();
        assertThat(GrowthWords.near(0.985)).isEqualTo("within 2 % of the best there is");
        assertThat(GrowthWords.near(0.98)).isEqualTo("within 2 % of the best there is");
        assertThat(GrowthWords.near(1)).isEqualTo("the best there is");
    }

    private static double hand(Tune tune, Version version) {
        return HandCost.of(Scene.of(tune, version, Profile.usual())).total().orElseThrow();
    }

    /** What stands is kept whatever it is; a plan that keeps all of its own choices, or never has what it left out, is the same plan. */
    @ParameterizedTest
    @CsvSource({"2, whistle-d", "7, fiddle"})
    void whatStandsIsKeptAndWhatIsRefusedDoesNotComeBack(int number, String instrument) {
        Tune tune = Demo.tunes().get(number - 1);
        Stair begun = begun(number, instrument, 4);
        Grown grown = planned(tune, begun, 1);
        assertThat(Growth.grown(tune, grown.stair(), 1, Profile.usual()))
                .as("its own choices kept")
                .isEqualTo(grown.stair());
        // One stage between fixed neighbours, so that what it is worth can be compared.
        Grown top = planned(tune, begun, 3);
        int best = top.plans().get(3).worth();
        Placement first = top.proposed(3).get(0);
        Wish refused = Wish.USUAL.with(
                Wish.Pin.never(first.span().first(), first.stack().toString()));
        Grown other = planned(tune, wishing(begun, 3, refused), 3);
        assertThat(placements(other.stair().at(3))).doesNotContain(first);
        assertThat(other.plans().get(3).worth()).isLessThanOrEqualTo(best);
        Set<String> left = new HashSet<>();
        top.at(3).orElseThrow().task().options().forEach(here -> here.forEach(option -> left.add(option.name())));
        left.removeIf(name -> name.isEmpty() || name.contains("+") || name.contains("@"));
        placements(top.stair().at(3)).stream()
                .flatMap(each -> each.stack().choices().stream())
                .forEach(choice -> left.remove(choice.ornament().id()));
        if (!left.isEmpty()) {
            String unused = left.iterator().next();
            Grown without = planned(tune, wishing(begun, 3, Wish.USUAL.withNever(unused, true)), 3);
            assertThat(without.plans().get(3).worth())
                    .as("never %s, which was not chosen", unused)
                    .isEqualTo(best);
        }
    }

    /** Something by hand that no plan would have is kept, borne by every stage above, and the limits it breaks are raised for it alone. */
    @Test
    void whatIsPlacedByHandIsNeverTakenAway() {
        Tune tune = Demo.tunes().get(0);
        Stair stair = begun(1, "whistle-d", 5);
        Choices choices = Growth.choices(tune, stair, Profile.usual());
        Random random = new Random(5);
        for (int i = 0; i < 6; i++) {
            NoteId note = tune.notes().get(random.nextInt(tune.notes().size())).id();
            List<Placement> fitting = WhatFits.at(Scene.of(tune, stair.at(1), Profile.usual()), note).fitting().stream()
                    .map(fit -> fit.placement())
                    .filter(placement -> placement.span().isOneNote())
                    .toList();
            if (!fitting.isEmpty()) {
                stair = stair.placed(tune, 1, fitting.get(random.nextInt(fitting.size())));
            }
        }
        Stair grown = Growth.planned(tune, stair, 1, Profile.usual(), choices).stair();
        assertThat(placements(stair.at(1))).isNotEmpty();
        for (int stage = 1; stage < 5; stage++) {
            assertThat(placements(grown.at(stage))).containsAll(placements(stair.at(stage)));
        }
        assertThat(grown.isNested(tune)).isTrue();
        assertThat(grown.at(4).ornamented()).isGreaterThan(stair.at(4).ornamented());
    }

    @Test
    void aNoteThatAsksForSomethingGetsItAndOneThatAsksForNothingStaysPlain() {
        Tune tune = Demo.tunes().get(1);
        Stair stair = begun(2, "whistle-d", 3);
        Grown usual = planned(tune, stair, 1);
        Set<NoteId> dressed = usual.stair().at(1).spots().keySet();
        NoteId bare = usual.at(1).orElseThrow().task().options().stream()
                .flatMap(List::stream)
                .filter(option -> !option.isPlain())
                .map(option -> tune.notes().get(option.from()).id())
                .filter(note -> !dressed.contains(note))
                .findFirst()
                .orElseThrow();
        NoteId had = dressed.iterator().next();
        Wish wish = Wish.USUAL.with(Wish.Pin.something(bare)).with(Wish.Pin.never(had, ""));
        Stair pinned = planned(tune, wishing(stair, 1, wish), 1).stair();
        assertThat(pinned.at(1).covering(tune, bare)).isPresent();
        assertThat(pinned.at(1).at(had).flatMap(Spot::first)).isEmpty();
        assertThat(pinned.isNested(tune)).isTrue();
    }

    /** More is never less, and a taste changes what is chosen. */
    @Test
    void wishesMoveThePlan() {
        Tune tune = Demo.tunes().get(0);
        Stair stair = begun(1, "whistle-d", 3);
        int before = 0;
        for (int full = -Wish.MOST; full <= Wish.MOST; full++) {
            int now = planned(tune, wishing(stair, 2, Wish.USUAL.with(Wish.Degree.FULL, full)), 2)
                    .stair()
                    .at(2)
                    .ornamented();
            assertThat(now).as("full %s", full).isGreaterThanOrEqualTo(before);
            before = now;
        }
        Stair triplets = planned(tune, wishing(stair, 2, Wish.USUAL.withTaste("triplets-and-runs")), 2)
                .stair();
        assertThat(placements(triplets.at(2)).stream()
                        .map(each -> each.ornament().id()))
                .anyMatch(id -> id.endsWith("triplet"))
                .noneMatch(id -> id.endsWith("roll"));
        Stair never = planned(tune, wishing(stair, 2, Wish.USUAL.withNever("cut", true)), 2)
                .stair();
        assertThat(placements(never.at(2)).stream().map(each -> each.ornament().id()))
                .doesNotContain("cut");
        Grown alike = planned(tune, stair, 2);
        Grown varied = planned(tune, wishing(stair, 2, Wish.USUAL.with(Wish.Returns.VARIED)), 2);
        assertThat(onReturns(tune, varied.stair().at(2)))
                .as("returns that differ")
                .isGreaterThan(onReturns(tune, alike.stair().at(2)));
    }

    /** How many notes of the first reel are dressed otherwise when the phrase of its first two bars comes back. */
    private static long onReturns(Tune tune, Version version) {
        long differing = 0;
        for (int bar = 1; bar <= 2; bar++) {
            for (int i = 0; i < tune.bars().get(bar).notes().size(); i++) {
                NoteId one = tune.bars().get(bar).notes().get(i).id();
                NoteId other = tune.bars().get(bar + 4).notes().get(i).id();
                differing += version.at(one)
                                .flatMap(Spot::first)
                                .map(Placement::stack)
                                .equals(version.at(other).flatMap(Spot::first).map(Placement::stack))
                        ? 0
                        : 1;
            }
        }
        return differing;
    }

    /** As many as a bar asks for, and no plan without them; more than it has been asked for is not lost. */
    @Test
    void aBarThatAsksForMoreGetsThem() {
        Tune tune = Demo.tunes().get(1);
        Stair stair = begun(2, "whistle-d", 3);
        for (int bar = 1; bar <= 8; bar++) {
            NoteId note = tune.bars().get(bar).notes().get(0).id();
            for (int count = 1; count <= 3; count++) {
                Wish wish = Wish.USUAL.withLeast(tune, note, count);
                Grown asked = planned(tune, wishing(stair, 1, wish), 1);
                assertThat(asked.stuck()).isEmpty();
                assertThat(inBar(tune, asked.stair().at(1), bar)).isGreaterThanOrEqualTo(count);
                assertThat(asked.stair().isNested(tune)).isTrue();
            }
        }
    }

    /** A pin of a note leaves what its bar asks for; the bar is let go by itself. */
    @Test
    void pinsOfANoteAndOfItsBarAreTwoThings() {
        Tune tune = Demo.tunes().get(1);
        NoteId note = tune.bars().get(2).notes().get(0).id();
        NoteId beside = tune.bars().get(2).notes().get(1).id();
        Wish asked = Wish.USUAL.withLeast(tune, note, 2).with(Wish.Pin.something(note));
        assertThat(asked.without(note).leastIn(tune, 2)).isEqualTo(2);
        assertThat(asked.without(note).asksFor(note)).isFalse();
        assertThat(asked.withLeast(tune, beside, 3).leastIn(tune, 2)).isEqualTo(3);
        assertThat(asked.without(note).withLeast(tune, beside, 0)).isEqualTo(Wish.USUAL);
    }

    private static long inBar(Tune tune, Version version, int bar) {
        return placements(version).stream()
                .filter(each -> tune.placeOf(each.span().first()).bar() == bar)
                .count();
    }

    /** Not the first time, but where the phrase comes again. */
    @Test
    void whatIsKeptForLaterComesWhenThePhraseReturns() {
        Tune tune = Demo.tunes().get(0);
        Stair stair = begun(1, "whistle-d", 3);
        NoteId first = tune.bars().get(1).notes().get(0).id();
        NoteId again = tune.bars().get(5).notes().get(0).id();
        assertThat(Phrasing.of(tune).firstOf(again)).contains(first);
        assertThat(Phrasing.of(tune).firstOf(first)).contains(first);
        Version usual = planned(tune, stair, 2).stair().at(2);
        assertThat(usual.at(first)).isPresent();
        assertThat(usual.at(again)).isPresent();
        Wish later = Wish.USUAL.with(Wish.Pin.never(first, ""));
        Version pinned = planned(tune, wishing(stair, 2, later), 2).stair().at(2);
        assertThat(pinned.at(first)).isEmpty();
        assertThat(pinned.at(again)).isPresent();
    }

    /** Prices where returns are to be varied: those of planning again, what agrees with the first time counted as it was planned. */
    @Test
    void variedReturnsHavePrices() {
        Tune tune = Demo.tunes().get(0);
        Stair stair = wishing(begun(1, "whistle-d", 3), 2, Wish.USUAL.with(Wish.Returns.VARIED));
        StagePlan at = planned(tune, stair, 2).at(2).orElseThrow();
        assertThat(at.task().ledger(at.plan().chosen()).sum())
                .isEqualTo(at.plan().worth());
        int asked = 0;
        for (Option option : at.task().options().get(4)) {
            Optional<Integer> price = at.plan().priceOf(option);
            if (!option.isPlain() && price.isPresent() && price.get() <= Plan.MOST_PRICE) {
                assertThat(WhyNot.of(at.task(), at.plan(), option).orElseThrow().price())
                        .isEqualTo(price.get());
                asked++;
            }
        }
        assertThat(asked).isPositive();
    }

    /** A stair of any number of stages: limits never shrink upward, the first and the last are those of Leaf and Wild, and one that rises sooner is nowhere below one that rises later. */
    @Test
    void stairsOfAnySizeRise() {
        for (int stages = 3; stages <= 9; stages++) {
            for (int rise = -Wish.MOST; rise <= Wish.MOST; rise++) {
                assertThat(Taste.of(1, stages, rise)).isEqualTo(Taste.of(1, 5));
                if (stages >= 5) {
                    assertThat(Taste.of(stages - 1, stages, rise)).isEqualTo(Taste.of(4, 5));
                }
                for (int stage = 2; stage < stages; stage++) {
                    Taste lower = Taste.of(stage - 1, stages, rise);
                    Taste upper = Taste.of(stage, stages, rise);
                    Taste later = Taste.of(stage, stages, Math.max(-Wish.MOST, rise - 1));
                    assertThat(upper.limits().hardest())
                            .isGreaterThanOrEqualTo(lower.limits().hardest())
                            .isGreaterThanOrEqualTo(later.limits().hardest());
                    assertThat(upper.limits().highest())
                            .isGreaterThanOrEqualTo(lower.limits().highest());
                    assertThat(upper.level().load().most())
                            .isGreaterThanOrEqualTo(lower.level().load().most());
                    assertThat(upper.worth().fee())
                            .isLessThanOrEqualTo(lower.worth().fee())
                            .isLessThanOrEqualTo(later.worth().fee());
                }
            }
        }
        Tune tune = Demo.tunes().get(1);
        assertThat(Growth.grown(tune, begun(2, "whistle-d", 8), 1, Profile.usual())
                        .isNested(tune))
                .isTrue();
    }

    /** The work tells how far it is, never backward, and stops where it is told to. */
    @Test
    void planningTellsHowFarItIsAndStops() {
        Tune tune = Demo.tunes().get(1);
        Stair stair = begun(2, "whistle-d", 4);
        List<Double> shares = new ArrayList<>();
        Choices choices = Growth.choices(tune, stair, Profile.usual(), shares::add);
        assertThat(shares).isSorted().last().isEqualTo(1.0);
        assertThat(shares).hasSizeGreaterThan(10);
        shares.clear();
        Growth.planned(tune, stair, 1, Profile.usual(), choices, shares::add);
        assertThat(shares).isSorted().hasSizeGreaterThan(2).allMatch(share -> share <= 1);
        assertThatThrownBy(() -> Growth.planned(tune, stair, 1, Profile.usual(), choices, share -> {
                    throw new CancellationException();
                }))
                .isInstanceOf(CancellationException.class);
    }

    /** By spot, by phrase, whole: what is taken is of the plan, all else stays, the stair stays nested, and the next plan keeps what was taken. */
    @Test
    void aPlanIsTakenBySpotByPhraseOrWhole() {
        Tune tune = Demo.tunes().get(1);
        Stair stair = begun(2, "whistle-d", 4);
        Grown grown = planned(tune, stair, 1);
        assertThat(grown.taking(1, span -> true)).isEqualTo(grown.stair());
        assertThat(grown.taking(1, span -> false)).isEqualTo(stair);
        for (Placement placement : grown.proposed(1)) {
            Stair spot = grown.taking(1, span -> span.overlaps(placement.span(), tune));
            assertThat(placements(spot.at(1))).containsExactly(placement);
            assertThat(spot.isNested(tune)).isTrue();
            assertThat(placements(spot.at(3))).isNotEmpty();
        }
        Phrase phrase = Phrasing.of(tune).phrases().get(1);
        Stair taken = grown.taking(2, span -> {
            int bar = tune.placeOf(span.first()).bar();
            return phrase.firstBar() <= bar && bar <= phrase.lastBar();
        });
        assertThat(taken.at(1)).as("the stage below").isEqualTo(stair.at(1));
        assertThat(taken.isNested(tune)).isTrue();
        List<Placement> kept = placements(taken.at(2));
        assertThat(kept).isNotEmpty().allMatch(each -> grown.proposed(2).contains(each));
        assertThat(placements(planned(tune, taken, 2).stair().at(2))).containsAll(kept);
    }

    /** Another way differs and is worth nearly as much. */
    @Test
    void aSecondWayIsNearlyAsGood() {
        Tune tune = Demo.tunes().get(0);
        Grown grown = planned(tune, begun(1, "whistle-d", 5), 1);
        int found = 0;
        for (int stage = 1; stage < 5; stage++) {
            Optional<Grown> other = grown.secondWay(stage);
            if (other.isPresent()) {
                found++;
                int best = grown.plans().get(stage).worth();
                int worth = other.get().plans().get(stage).worth();
                assertThat(other.get().stair()).isNotEqualTo(grown.stair());
                assertThat(100 * (best - worth)).isLessThanOrEqualTo(6 * best);
                assertThat(other.get().stair().isNested(tune)).isTrue();
            }
        }
        assertThat(found).isPositive();
    }

    /** What is wished and pinned rides in the book. */
    @Test
    void wishesComeBackFromTheBook() {
        Tune tune = Demo.tunes().get(1);
        Wish wish = Wish.USUAL
                .withTaste("sung-and-slow")
                .with(Wish.Degree.FULL, 2)
                .with(Wish.Degree.BEAT, -1)
                .with(Wish.Degree.RISE, 1)
                .forConcert(true)
                .with(Wish.Returns.VARIED)
                .withNever("cran", true)
                .withNever("long-roll", true)
                .with(Wish.Pin.never(tune.notes().get(3).id(), "short-roll"))
                .with(Wish.Pin.never(tune.notes().get(4).id(), ""))
                .with(Wish.Pin.something(tune.notes().get(7).id()))
                .withLeast(tune, tune.notes().get(20).id(), 2);
        Stair stair = wishing(begun(2, "whistle-d", 3), 1, wish);
        Book book = new Book(List.of(Lesson.plain(tune).with(stair)));
        String text = BookWriter.write(book);
        assertThat(BookReader.read(text).value()).isEqualTo(book);
        String newer = text.replace("%%flourish-wish 8 something=yes", "%%flourish-wish 8 something=soon colour=red");
        assertThat(BookWriter.write(BookReader.read(newer).value()))
                .as("what a newer form says stays")
                .contains("%%flourish-wish 8 something=soon colour=red");
    }

    /** Thinned to a count, a tempo, a student: nothing comes that the full version does not bear, and what is left is clean. */
    @ParameterizedTest
    @CsvSource({"1, whistle-d", "7, fiddle"})
    void aFullVersionIsThinned(int number, String instrument) {
        Tune tune = Demo.tunes().get(number - 1);
        Stair full = Growth.grown(tune, begun(number, instrument, 5), 1, Profile.usual());
        Choices choices = Growth.choices(tune, full, Profile.usual());
        int all = full.at(4).ornamented();
        int before = 0;
        for (int count : List.of(0, 5, 12, 20)) {
            Version thin =
                    new Thinning(Optional.of(count), Optional.empty()).of(tune, full, 4, Profile.usual(), choices);
            assertThat(thin.ornamented()).isLessThanOrEqualTo(count).isGreaterThanOrEqualTo(before);
            assertThat(all).isGreaterThan(20);
            assertThat(count == 0 || thin.ornamented() > 0).isTrue();
            before = thin.ornamented();
            for (Placement placement : placements(thin)) {
                Placement over = full.at(4)
                        .at(placement.span().first())
                        .flatMap(Spot::first)
                        .orElseThrow();
                assertThat(over.stack().weight())
                        .isGreaterThanOrEqualTo(placement.stack().weight());
            }
        }
        Tempo faster = full.at(4).playing().tempo().times(Fraction.of(6, 5));
        Version quick = new Thinning(Optional.empty(), Optional.of(faster)).of(tune, full, 4, Profile.usual(), choices);
        assertThat(quick.ornamented()).isBetween(1, all);
        Scene scene = Scene.of(tune, quick.withPlaying(quick.playing().withTempo(faster)), Profile.usual());
        for (Placement placement : placements(quick)) {
            assertThat(WhatFits.verdict(scene, placement).filter(fit -> fit.fits()))
                    .isPresent();
        }
    }

    /** A planned stage has nothing that a critic takes for too thick, too hard or too fast; what is laid on thick is told, and each remark's own remedy takes it away. */
    @Test
    void aReadingTellsWhatIsTooMuchAndWhatMendsIt() {
        Tune tune = Demo.tunes().get(0);
        Stair grown = Growth.grown(tune, begun(1, "whistle-d", 5), 1, Profile.usual());
        Choices choices = Growth.choices(tune, grown, Profile.usual());
        for (int stage = 1; stage < 5; stage++) {
            assertThat(Reading.of(tune, grown, stage, Profile.usual(), choices))
                    .as("stage %s", stage)
                    .noneMatch(remark -> remark.kind() == Reading.Kind.TOO_THICK
                            || remark.kind() == Reading.Kind.TOO_HARD
                            || remark.kind() == Reading.Kind.TOO_FAST
                            || remark.kind() == Reading.Kind.TOO_MUCH);
        }
        // The fullest stage in place of the first: far too much for one so low.
        Stair thick = grown;
        for (Placement placement : placements(grown.at(4))) {
            thick = thick.placed(tune, 1, placement);
        }
        List<Reading.Remark> remarks = Reading.of(tune, thick, 1, Profile.usual(), choices);
        assertThat(remarks).extracting(Reading.Remark::kind).contains(Reading.Kind.TOO_THICK, Reading.Kind.TOO_HARD);
        Set<String> words = new HashSet<>();
        for (Reading.Remark remark : remarks) {
            words.add(ReadingWords.of(remark, tune));
            Stair mended = thick;
            if (remark.takes().isPresent()) {
                mended = mended.removed(tune, 1, remark.takes().get().span().first());
            }
            if (remark.puts().isPresent()) {
                mended = mended.placed(tune, 1, remark.puts().get());
            }
            List<Reading.Remark> after = new ArrayList<>(Reading.of(tune, mended, 1, Profile.usual(), choices));
            assertThat(after).as("%s", remark).doesNotContain(remark);
            assertThat(mended.isNested(tune)).isTrue();
        }
        assertThat(words).hasSizeGreaterThan(5);
        assertThat(Reading.of(tune, grown, 0, Profile.usual(), choices)).isEmpty();
    }
}
