package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.growing.Asking;
import wildflourish.core.growing.Grown;
import wildflourish.core.growing.Growth;
import wildflourish.core.growing.Option;
import wildflourish.core.growing.Plan;
import wildflourish.core.growing.StagePlan;
import wildflourish.core.growing.Task;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.Part;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Book;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.version.Wish;
import wildflourish.core.words.GrowthWords;
import wildflourish.files.abc.BookReader;
import wildflourish.files.abc.BookWriter;

/** What is asked for in a whole phrase or part: it is there, it costs what it costs, and where there is no way the pin is named. */
class RequestsTest {
    private static final Tune TUNE = Demo.tunes().get(1);

    private static Stair asking(String instrument, int stage, Wish.Pin pin) {
        Stair begun = Stair.starting(TUNE, Instrument.of(instrument), 5);
        Version version = begun.at(stage);
        return begun.with(stage, version.with(version.label().wishing(Wish.USUAL.asking(pin))));
    }

    private static Grown planned(Stair stair) {
        return Growth.planned(TUNE, stair, 1, Profile.usual(), Growth.choices(TUNE, stair, Profile.usual()));
    }

    /** In the last part of the tune. */
    private static Wish.Pin pin(Wish.Pin.Kind reach, String kind, int count) {
        List<Part> parts = TUNE.form().parts();
        int bar = parts.get(parts.size() - 1).lastBar();
        return Asking.pin(
                TUNE,
                reach,
                TUNE.bars().get(bar).notes().get(0).id(),
                kind.equals("any") ? Optional.empty() : Optional.of(Ornament.Kind.parse(kind)),
                count);
    }

    private static long count(Version version, Wish.Pin pin) {
        Asking place = Asking.of(TUNE, pin);
        return version.spots().values().stream()
                .flatMap(spot -> spot.first().stream())
                .filter(placement -> {
                    int bar = TUNE.placeOf(placement.span().first()).bar();
                    return place.firstBar() <= bar && bar <= place.lastBar();
                })
                .filter(placement ->
                        pin.asked().map(placement.ornament().kind()::equals).orElse(true))
                .count();
    }

    /** The usual plan has fewer of these, so each of them makes a difference. */
    @ParameterizedTest(name = "{0}: {3} {2} in a {1} at stage {4}")
    @CsvSource({
        "whistle-d, PART, slide, 1, 1",
        "whistle-d, PART, slide, 2, 2",
        "whistle-d, PHRASE, slide, 1, 2",
        "whistle-d, PHRASE, any, 4, 1",
        "fiddle, PART, slide, 1, 2",
        "box-bc, PART, double-stop, 2, 3"
    })
    void whatIsAskedForIsThereAndPricesBesideItAreWhatAnotherPlanLoses(
            String instrument, Wish.Pin.Kind reach, String kind, int count, int stage) {
        Wish.Pin pin = pin(reach, kind, count);
        Grown usual = planned(Stair.starting(TUNE, Instrument.of(instrument), 5));
        assertThat(count(usual.stair().at(stage), pin)).isLessThan(count);
        Grown grown = planned(asking(instrument, stage, pin));
        assertThat(grown.stuck()).isEmpty();
        assertThat(count(grown.stair().at(stage), pin)).isGreaterThanOrEqualTo(count);
        assertThat(grown.stair().isNested(TUNE)).isTrue();
        StagePlan at = grown.at(stage).orElseThrow();
        Task task = at.task();
        List<Option> others = task.options().stream()
                .flatMap(List::stream)
                .filter(option -> !option.isPlain() && at.plan().priceOf(option).isPresent())
                .toList();
        Random random = new Random(count);
        for (int i = 0; i < 4; i++) {
            Option option = others.get(random.nextInt(others.size()));
            Optional<Integer> price = at.priceOf(option);
            assertThat(task.forcing(option).searched().map(Plan::worth))
                    .as("%s forced", option)
                    .isEqualTo(price.map(points -> at.plan().worth() - points));
        }
    }

    @Test
    void whereThereIsNoWayThePinIsNamedAndLiftingItIsTheUsualPlan() {
        Wish.Pin pin = pin(Wish.Pin.Kind.PART, "roll", 1);
        Stair stair = asking("whistle-d", 1, pin);
        Grown grown = planned(stair);
        assertThat(grown.stuck()).containsOnlyKeys(1);
        assertThat(GrowthWords.stuck(TUNE, grown.stuck().getOrDefault(1, List.of())))
                .isEqualTo("There is no way to have part B: rolls, at least 1. Take that pin away, or allow more.");
        Version version = stair.at(1);
        Stair lifted = stair.with(
                1, version.with(version.label().wishing(version.label().wish().lifting(pin))));
        assertThat(planned(lifted).stair())
                .isEqualTo(planned(Stair.starting(TUNE, Instrument.of("whistle-d"), 5))
                        .stair());
    }

    @Test
    void asMuchIsAskedForAsWasAskedLast() {
        Wish once = Wish.USUAL.asking(pin(Wish.Pin.Kind.PART, "roll", 1));
        Wish twice = once.asking(pin(Wish.Pin.Kind.PART, "roll", 2));
        assertThat(twice.pins())
                .singleElement()
                .satisfies(pin -> assertThat(pin.count()).isEqualTo(2));
        assertThat(twice.asking(pin(Wish.Pin.Kind.PART, "roll", 9)).asked(pin(Wish.Pin.Kind.PART, "roll", 1)))
                .isEqualTo(Wish.MOST_ASKED);
        assertThat(twice.asking(pin(Wish.Pin.Kind.PART, "slide", 1)).pins()).hasSize(2);
        assertThat(twice.asking(pin(Wish.Pin.Kind.PART, "roll", 0))).isEqualTo(Wish.USUAL);
    }

    @Test
    void whatIsAskedForComesBackFromTheBook() {
        Stair stair = asking("whistle-d", 1, pin(Wish.Pin.Kind.PART, "roll", 2));
        Version version = stair.at(2);
        stair = stair.with(
                2, version.with(version.label().wishing(Wish.USUAL.asking(pin(Wish.Pin.Kind.PHRASE, "any", 3)))));
        Book book = new Book(List.of(Lesson.plain(TUNE).with(stair)));
        String text = BookWriter.write(book);
        assertThat(text).contains(" part=2 of=roll\n").contains(" phrase=3\n");
        assertThat(BookReader.read(text).value()).isEqualTo(book);
        String newer = text.replace("part=2 of=roll", "part=2 of=whirl");
        assertThat(BookWriter.write(BookReader.read(newer).value()))
                .as("what a newer form says stays")
                .contains("part=2 of=whirl");
    }
}
