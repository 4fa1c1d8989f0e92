package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.growing.Choices;
import wildflourish.core.growing.Grown;
import wildflourish.core.growing.Growth;
import wildflourish.core.growing.Liking;
import wildflourish.core.growing.NoteRow;
import wildflourish.core.growing.Option;
import wildflourish.core.growing.Plan;
import wildflourish.core.growing.StagePlan;
import wildflourish.core.growing.Task;
import wildflourish.core.growing.Taste;
import wildflourish.core.hand.Scene;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Load;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.version.Wish;
import wildflourish.files.abc.Transposer;
import wildflourish.files.abc.TuneText;

/** Laws of stages that are planned together, on tunes small enough to try everything and on the demo tunes. */
class StairLawsTest {
    private static final Liking USUAL = Liking.of(Family.WHISTLE).get(0);

    private static Task free(Choices choices, Stair stair, int stage) {
        Taste taste = Taste.of(stage, stair.stages().size());
        Version version = stair.at(stage);
        List<List<Option>> options =
                choices.options(taste, List.of(version.playing().tempo()), USUAL, Wish.USUAL);
        return new Task(choices.row(), taste.level(), options);
    }

    /** All plans of a stage by itself. */
    private static List<List<Option>> all(Task task) {
        List<List<Option>> plans = new ArrayList<>();
        collect(task, 0, new ArrayList<>(), plans);
        return plans;
    }

    private static void collect(Task task, int note, List<Option> way, List<List<Option>> plans) {
        if (note == task.options().size()) {
            plans.add(way.stream().filter(option -> !option.isPlain()).toList());
            return;
        }
        for (Option option : task.options().get(note)) {
            way.add(option);
            collect(task, option.to(), way, plans);
            way.remove(way.size() - 1);
        }
    }

    /** What a plan is worth at a stage by itself; empty where it is too much. */
    private static Optional<Integer> worth(Task task, List<Option> plan) {
        List<List<Option>> only = new ArrayList<>();
        for (int note = 0; note < task.options().size(); note++) {
            int at = note;
            boolean isPlain = plan.stream().noneMatch(option -> option.from() <= at && at < option.to());
            only.add((isPlain ? task.options().get(note) : plan)
                    .stream()
                            .filter(option -> option.from() == at && option.isPlain() == isPlain)
                            .toList());
        }
        return task.choosing(only).best().map(Plan::worth);
    }

    /** Two stages found by turns are worth nearly what the best pair of all is, and neither is worth more than its stage could be by itself. */
    @ParameterizedTest
    @ValueSource(strings = {"A2 e2 B4|", "G3 A B2 d2|", "F2 A2 d2 e2|", "A4 d2 F2|"})
    void stagesByTurnsComeNearTheBestOfAllPairs(String notes) {
        Tune tune = TuneText.read("X:1\nT:Made up\nR:reel\nM:4/4\nL:1/8\nK:D\n" + notes + "\n")
                .value();
        Stair stair = Stair.starting(tune, Instrument.of("whistle-d"), 3);
        Choices choices = Growth.choices(tune, stair, Profile.usual());
        Task lower = free(choices, stair, 1);
        double lowerFree = lower.best().orElseThrow().worth();
        double upperFree = free(choices, stair, 2).best().orElseThrow().worth();
        assertThat(lowerFree).isPositive();
        assertThat(upperFree).isPositive();
        double joint = Double.NEGATIVE_INFINITY;
        int pairs = 0;
        for (List<Option> plan : all(lower)) {
            Optional<Integer> worth = worth(lower, plan);
            if (worth.isEmpty()) {
                continue;
            }
            Stair begun = stair;
            for (Option option : plan) {
                begun = begun.placed(tune, 1, choices.placement(option));
            }
            Stair bare = begun.with(2, stair.at(2));
            Grown grown = Growth.planned(tune, bare, 2, Profile.usual(), choices);
            if (grown.stuck().isEmpty()) {
                joint = Math.max(
                        joint, worth.get() / lowerFree + grown.plans().get(2).worth() / upperFree);
                pairs++;
            }
        }
        assertThat(pairs).isGreaterThan(3);
        Grown turns = Growth.planned(tune, stair, 1, Profile.usual(), choices);
        double found =
                turns.plans().get(1).worth() / lowerFree + turns.plans().get(2).worth() / upperFree;
        assertThat(found).isLessThanOrEqualTo(joint + 1e-9).isGreaterThanOrEqualTo(0.95 * joint);
        assertThat(joint).isLessThanOrEqualTo(2 + 1e-9);
        assertThat(Growth.near(tune, turns, Profile.usual(), share -> {}))
                .as("both stages at once, as by trying every pair")
                .isCloseTo(found / joint, within(1e-9));
        assertThat((double) turns.plans().get(1).worth()).isLessThanOrEqualTo(lowerFree);
        assertThat((double) turns.plans().get(2).worth()).isLessThanOrEqualTo(upperFree);
    }

    /** The best plan of a few notes of a phrase, with the dearest of what fits there, is the best of all plans, added up by themselves. */
    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8})
    void phrasesCutShortArePlannedAsTryingEverythingPlansThem(int number) {
        Tune tune = Demo.tunes().get(number - 1);
        Stair stair = Stair.starting(tune, Instrument.of("whistle-d"), 5);
        Choices choices = Growth.choices(tune, stair, Profile.usual());
        for (int stage = 1; stage < 5; stage++) {
            Task whole = free(choices, stair, stage);
            NoteRow.Stretch phrase = whole.row().stretches().get(number % 2 == 0 ? 1 : 2);
            Task task = cut(whole, phrase.first(), 4, 3);
            int best = Integer.MIN_VALUE;
            for (List<Option> plan : all(task)) {
                if (worth(task, plan).isPresent()) {
                    best = Math.max(best, task.ledger(plan).sum());
                }
            }
            assertThat(task.best().orElseThrow().worth()).as("stage %s", stage).isEqualTo(best);
        }
    }

    /** On strings and buttons the best plan of a few notes, with what the hand has to do for all of it together, is the best of all plans. */
    @ParameterizedTest
    @CsvSource({"fiddle, 1", "mandolin, 0", "banjo-open-g, 0", "box-bc, 0", "english-48, 0"})
    void theHandOfSeveralTogetherIsFoundAsByTryingEverything(String instrument, int least) {
        int together = 0;
        for (int number : new int[] {1, 4, 7}) {
            Tune tune = Demo.tunes().get(number - 1);
            Stair stair = Stair.starting(tune, Instrument.of(instrument), 5);
            Grown grown = Growth.planned(tune, stair, 1, Profile.usual(), Growth.choices(tune, stair, Profile.usual()));
            for (int stage = 2; stage < 5; stage++) {
                Task whole = grown.at(stage).orElseThrow().task();
                Task task = cut(whole, whole.row().stretches().get(1).first() + 1, 4, 4);
                int best = all(task).stream()
                        .filter(plan -> worth(task.byEach(), plan).isPresent())
                        .mapToInt(plan -> task.ledger(plan).sum())
                        .max()
                        .orElseThrow();
                assertThat(task.searched().orElseThrow().worth())
                        .as("tune %s, stage %s", number, stage)
                        .isEqualTo(best);
                together += task.best().orElseThrow().worth() == best ? 0 : 1;
            }
        }
        assertThat(together).as("stages where another plan is best").isGreaterThanOrEqualTo(least);
    }

    /** With so many of the dearest options on each of a few notes and everything else plain, all phrases by themselves. */
    private static Task cut(Task whole, int first, int notes, int options) {
        List<List<Option>> cut = new ArrayList<>();
        int last = first + notes;
        for (int note = 0; note < whole.options().size(); note++) {
            boolean isIn = first <= note && note < last;
            Option plain = whole.options().get(note).stream()
                    .filter(Option::isPlain)
                    .findFirst()
                    .orElse(new Option(note, note + 1, "", -1, -1, -1, 0, 0));
            List<Option> here = new ArrayList<>(List.of(plain));
            whole.options().get(note).stream()
                    .filter(option -> isIn && !option.isPlain() && option.to() <= last)
                    .sorted(Comparator.comparingInt(option -> -option.gain()))
                    .limit(options)
                    .forEach(here::add);
            cut.add(here);
        }
        List<NoteRow.Stretch> untied = new ArrayList<>();
        for (NoteRow.Stretch each : whole.row().stretches()) {
            untied.add(new NoteRow.Stretch(each.first(), each.last(), each.isPickup(), untied.size(), 0));
        }
        NoteRow row = new NoteRow(
                whole.row().starts(),
                whole.row().crotchet(),
                whole.row().bars(),
                whole.row().barLengths(),
                untied,
                whole.row().isBlown());
        return new Task(row, whole.level(), cut, whole.hand(), whole.known());
    }

    private static Stair grown(int tune, Profile profile) {
        Tune of = Demo.tunes().get(tune - 1);
        return Growth.grown(of, Stair.starting(of, Instrument.of("whistle-d"), 5), 1, profile);
    }

    /** A learner is never asked for more than a fluent player. */
    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4})
    void aLearnerBearsNoMore(int number) {
        Tune tune = Demo.tunes().get(number - 1);
        Profile learner = Profile.all().get(Profile.all().size() - 1);
        Stair fluent = grown(number, Profile.usual());
        Stair learns = grown(number, learner);
        for (int stage = 1; stage < 5; stage++) {
            assertThat(weight(tune, learns.at(stage)))
                    .as("stage %s", stage)
                    .isLessThanOrEqualTo(weight(tune, fluent.at(stage)));
        }
    }

    private static int weight(Tune tune, Version version) {
        return Load.of(Scene.of(tune, version, Profile.usual())).total();
    }

    /** Where two phrases side by side have a note of a crotchet or more while plain, they keep one that somebody can breathe on. */
    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4})
    void breathIsLeftWhereThereWasSome(int number) {
        Tune tune = Demo.tunes().get(number - 1);
        Stair stair = grown(number, Profile.usual());
        Choices choices = Growth.choices(tune, stair, Profile.usual());
        NoteRow row = choices.row();
        int met = 0;
        for (int stage = 1; stage < 5; stage++) {
            boolean before = true;
            for (NoteRow.Stretch stretch : row.stretches()) {
                if (stretch.isPickup()) {
                    continue;
                }
                boolean plain = false;
                boolean dressed = false;
                for (int note = stretch.first(); note < stretch.last(); note++) {
                    boolean isLong = row.starts().get(note + 1) - row.starts().get(note) >= row.crotchet();
                    plain |= isLong;
                    int weight = stair.at(stage)
                            .covering(tune, tune.notes().get(note).id())
                            .map(spot -> spot.first()
                                    .map(Placement::stack)
                                    .map(each -> each.weight())
                                    .orElse(0))
                            .orElse(0);
                    dressed |= isLong && weight <= 1;
                }
                if (plain) {
                    assertThat(dressed || before)
                            .as("stage %s, note %s on", stage, stretch.first() + 1)
                            .isTrue();
                    met++;
                }
                before = dressed || !plain;
            }
        }
        assertThat(met).isPositive();
    }

    /** A stage plays with less of a taste that is wished for all of it: none of its kinds is left out of a lower stage's limits. */
    @Test
    void theStageAboveIsFeasibleWithWhatStandsBelow() {
        for (int number = 1; number <= 4; number++) {
            Tune tune = Demo.tunes().get(number - 1);
            Stair begun = Stair.starting(tune, Instrument.of("whistle-d"), 5);
            Choices choices = Growth.choices(tune, begun, Profile.usual());
            Grown grown = Growth.planned(tune, begun, 1, Profile.usual(), choices);
            assertThat(grown.stuck()).isEmpty();
            for (int stage = 2; stage < 5; stage++) {
                Grown again = Growth.planned(tune, grown.stair(), stage, Profile.usual(), choices);
                assertThat(again.stuck()).isEmpty();
            }
        }
    }

    /** In the end no stage is worth more when it is planned once more between its neighbours; none is lighter than the stage below it. */
    @ParameterizedTest
    @CsvSource({"2, whistle-d", "5, whistle-d", "8, mouth-blown-pipes", "3, box-bc", "6, english-48"})
    void stagesAreSettledBetweenTheirNeighbours(int number, String instrument) {
        Tune tune = Demo.tunes().get(number - 1);
        Stair stair = Stair.starting(tune, Instrument.of(instrument), 5);
        Choices choices = Growth.choices(tune, stair, Profile.usual());
        Grown grown = Growth.planned(tune, stair, 1, Profile.usual(), choices);
        assertThat(grown.stair().isNested(tune)).isTrue();
        assertThat(grown.share()).isBetween(0.9, 1.0);
        int below = 0;
        for (int stage = 1; stage < 5; stage++) {
            Plan plan = grown.at(stage).orElseThrow().plan();
            assertThat(grown.at(stage)
                            .orElseThrow()
                            .task()
                            .searched()
                            .orElseThrow()
                            .worth())
                    .as("stage %s", stage)
                    .isEqualTo(plan.worth());
            int weight = plan.chosen().stream().mapToInt(Option::weight).sum();
            assertThat(weight).as("stage %s", stage).isGreaterThanOrEqualTo(below);
            below = weight;
        }
    }

    /** What returns is dressed as it was the first time, as far as it is the same, even where it comes too late to be planned together with it. */
    @ParameterizedTest
    @CsvSource({
        "1, whistle-d",
        "6, whistle-d",
        "6, english-48",
        "6, fiddle",
        "8, fiddle",
        "8, mouth-blown-pipes",
        "8, box-bc",
        "9, whistle-c"
    })
    void tiedReturnsDifferInTheirTailsOnly(int number, String instrument) {
        Tune tune = Demo.tunes().get(number - 1);
        Stair stair = Stair.starting(tune, Instrument.of(instrument), 5);
        for (int stage = 1; stage < 5; stage++) {
            Wish wish = Wish.USUAL.with(Wish.Returns.ALIKE);
            stair = stair.with(
                    stage, stair.at(stage).with(stair.at(stage).label().wishing(wish)));
        }
        Grown grown = Growth.planned(tune, stair, 1, Profile.usual(), Growth.choices(tune, stair, Profile.usual()));
        int alike = 0;
        for (int stage = 1; stage < 5; stage++) {
            StagePlan at = grown.at(stage).orElseThrow();
            List<NoteRow.Stretch> phrases = at.task().row().stretches();
            for (NoteRow.Stretch phrase : phrases) {
                NoteRow.Stretch first = phrases.stream()
                        .filter(each -> each.family() == phrase.family())
                        .findFirst()
                        .orElseThrow();
                List<String> own = dressed(at.plan(), phrase);
                assertThat(own)
                        .as("stage %s, from note %s", stage, phrase.first())
                        .isEqualTo(dressed(at.plan(), first));
                alike += phrase.equals(first) ? 0 : own.size();
            }
        }
        assertThat(alike).isPositive();
    }

    private static List<String> dressed(Plan plan, NoteRow.Stretch phrase) {
        return plan.chosen().stream()
                .filter(option -> phrase.first() <= option.from() && option.to() <= phrase.first() + phrase.trunk())
                .map(option -> option.from() - phrase.first() + " " + option.name())
                .toList();
    }

    /** A tune in D on a whistle in D and the same a tone lower on a whistle in C lie under the same fingers: they are planned alike. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "R:reel\nM:4/4\nL:1/8\nK:D\n|:d2fd edBA|F2AF EFDE|F2Ad BAFA|B2gf e2FA|d2fd edBA|F2AF EFDE|F2Ad BAFE|D4 D4:|",
                "R:jig\nM:6/8\nL:1/8\nK:D\n|:A2F FEF|A2B d2e|fef gfg|e3 edB|A2F FEF|A2B d2e|fed edB|A3 d3:|"
            })
    void theSameFingersArePlannedAlikeInAnotherKey(String notes) {
        String text = "X:1\nT:Made up\n" + notes + "\n";
        Tune tune = TuneText.read(text).value();
        Stair high = Growth.grown(tune, Stair.starting(tune, Instrument.of("whistle-d"), 5), 1, Profile.usual());
        Tune lower =
                TuneText.read(Transposer.transposed(text, -2).orElseThrow()).value();
        assertThat(lower.notes().get(0).melody())
                .isNotEqualTo(tune.notes().get(0).melody());
        Stair low = Growth.grown(lower, Stair.starting(lower, Instrument.of("whistle-c"), 5), 1, Profile.usual());
        for (int stage = 1; stage < 5; stage++) {
            assertThat(places(lower, low.at(stage))).isEqualTo(places(tune, high.at(stage)));
        }
    }

    private static List<String> places(Tune tune, Version version) {
        return version.spots().values().stream()
                .flatMap(spot -> spot.first().stream())
                .map(placement -> tune.placeOf(placement.span().first()).order() + " " + placement.stack())
                .toList();
    }

    /** What stages are worth by turns is no more than with all at once, and that no more than each by itself. */
    @ParameterizedTest
    @CsvSource({"3, whistle-d, 5", "8, whistle-d, 3", "4, fiddle, 3", "3, box-bc, 3", "8, mouth-blown-pipes, 4"})
    void turnsAreWithinAllAtOnceAndThatWithinEachByItself(int number, String instrument, int stages) {
        Tune tune = Demo.tunes().get(number - 1);
        Stair stair = Stair.starting(tune, Instrument.of(instrument), stages);
        Choices choices = Growth.choices(tune, stair, Profile.usual());
        Grown grown = Growth.planned(tune, stair, 1, Profile.usual(), choices);
        List<Double> shares = new ArrayList<>();
        double near = Growth.near(tune, grown, Profile.usual(), shares::add);
        assertThat(near).isBetween(0.9, 1.0);
        assertThat(shares).isSorted().last().isEqualTo(1.0);
        if (!instrument.equals("fiddle")) {
            assertThat(near).isGreaterThanOrEqualTo(grown.share() - 1e-9);
        }
    }
}
