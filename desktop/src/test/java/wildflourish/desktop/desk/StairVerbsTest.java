package wildflourish.desktop.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.arranging.Study;
import wildflourish.core.arranging.Whole;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.version.Beside;
import wildflourish.core.version.Book;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Times;
import wildflourish.core.version.Version;
import wildflourish.files.abc.BookReader;
import wildflourish.files.abc.BookWriter;
import wildflourish.files.store.BookStore;

/** Whatever is done to a stair in whatever order: it stays nested, every bit of it is undone and done again, the numbers in the book stay, and the book comes back. */
class StairVerbsTest {
    private static final int DEEDS = 70;

    @TempDir
    private Path folder;

    private Desk desk;
    private Random random;

    /** Verbs after which every stage must still bear what the one below has. */
    private Map<String, Runnable> verbs() {
        Map<String, Runnable> verbs = new LinkedHashMap<>();
        verbs.put("place", () -> desk.does(Placing::best));
        verbs.put("cycle", () -> desk.does(here -> Placing.cycle(here, 1)));
        verbs.put("remove", () -> desk.does(Placing::remove));
        verbs.put("everywhere", () -> desk.does(Everywhere::place));
        verbs.put("copy up", () -> desk.does(Stages::copyUp));
        verbs.put("add", () -> desk.does(Stages::add));
        verbs.put("insert", () -> desk.does(Shapes::insert));
        verbs.put("take out", () -> take(Shapes.withoutStage(desk.here())));
        verbs.put("higher", () -> take(Shapes.movedStage(desk.here(), 1)));
        verbs.put("lower", () -> take(Shapes.movedStage(desk.here(), -1)));
        verbs.put("later", () -> desk.does(Shapes::later));
        verbs.put("earlier", () -> desk.does(Shapes::earlier));
        verbs.put("heavier", () -> desk.does(here -> Shapes.resized(here, 1)));
        verbs.put("lighter", () -> desk.does(here -> Shapes.resized(here, -1)));
        verbs.put("free", () -> desk.does(Besides::free));
        verbs.put("simpler", () -> desk.does(Besides::simpler));
        verbs.put(
                "study",
                () -> desk.does(here -> Besides.add(
                        here,
                        new Beside(
                                Beside.Kind.STUDY,
                                "",
                                Study.of(
                                        here.sight().tune().orElseThrow(),
                                        version().withName("Study"),
                                        here.sight().chosen().profile())),
                        "All that fits")));
        verbs.put("aim", () -> desk.does(here -> Besides.aim(here, random.nextInt(30))));
        verbs.put(
                "take phrase",
                () -> desk.does(here -> Arranging.takePhrase(
                        here, random.nextInt(stair().versions().size()))));
        verbs.put("rename", () -> desk.does(here -> Stages.rename(here, "Name " + random.nextInt(9))));
        verbs.put(
                "tell",
                () -> desk.does(
                        here -> Stages.tell(here, "Slowly, " + random.nextInt(9), String.valueOf(random.nextInt(9)))));
        verbs.put(
                "tempo",
                () -> desk.does(here -> Stages.tempo(here, Tempo.of(60 + random.nextInt(60), Fraction.of(1, 2)))));
        verbs.put("rule", () -> desk.does(here -> PhraseLayers.turn(here, Layer.Rule.of("hold-passing"))));
        verbs.put("plan", () -> desk.does(here -> Arranging.plan(here, plan())));
        return verbs;
    }

    private Optional<Times> plan() {
        List<Version> stages = stair().stages();
        return Optional.of(new Times(Times.rising(stages, stages.size()), Whole.slowest(stair().stages()))
                .withAdded(random.nextInt(3), random.nextInt(3), random.nextInt(3)));
    }

    private void take(Optional<Shapes.Shaped> shaped) {
        desk.does(here -> shaped.map(each -> random.nextBoolean()
                        ? Shapes.take(here, each)
                        : Shapes.keeping(here, each)
                                .map(kept -> Shapes.take(here, kept))
                                .orElse(Outcome.nothing()))
                .orElseGet(() -> Shapes.noShape(here)));
    }

    private Stair stair() {
        return desk.sight().get().stair().orElseThrow();
    }

    private Version version() {
        return desk.sight().get().version().orElseThrow();
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6})
    void anyOrderOfVerbsKeepsWhatHasToBeKept(int seed) throws IOException {
        random = new Random(seed);
        Path path = folder.resolve("book.abc");
        Files.writeString(
                path,
                "X:1\nT:Rungs\nR:reel\nM:4/4\nL:1/8\nK:D\n|:D2FA G2BG|E3F G2FE|d2fa g2bg|f4 d4:|\n\nX:2\nT:Other\nR:jig\nM:6/8\nL:1/8\nK:G\nGAB c3|\n");
        desk = new Desk(BookStore.open(path));
        desk.does(here -> Choosing.instrument(here, Instrument.of(seed % 2 == 0 ? "fiddle" : "whistle-d")));
        Book start = desk.sight().get().book();
        Map<String, Runnable> verbs = verbs();
        List<String> names = List.copyOf(verbs.keySet());
        Set<String> done = new HashSet<>();
        Map<String, Integer> numbers = new LinkedHashMap<>();
        for (int i = 0; i < DEEDS; i++) {
            desk.does(here -> Choosing.walk(here, random.nextInt(9) - 4));
            desk.does(here ->
                    Choosing.stage(here, random.nextInt(stair().versions().size())));
            String verb = names.get(random.nextInt(names.size()));
            int before = desk.done().size();
            Objects.requireNonNull(verbs.get(verb)).run();
            if (desk.done().size() > before) {
                done.add(verb);
            }
            assertThat(stair().isNested(desk.sight().get().tune().orElseThrow()))
                    .as("nested after “%s”, deed %s: %s", verb, i, desk.said().get())
                    .isTrue();
            Map<String, Integer> now = numbers();
            assertThat(new HashSet<>(now.values())).as("after %s", verb).hasSize(now.size());
            now.forEach((name, number) -> {
                if (numbers.containsKey(name)
                        && !Set.of("rename", "higher", "lower", "take out").contains(verb)) {
                    assertThat(number).as("%s after %s", name, verb).isEqualTo(numbers.get(name));
                }
            });
            numbers.clear();
            numbers.putAll(now);
        }
        assertThat(done).as("verbs that did something").hasSizeGreaterThan(names.size() / 2);
        Book end = desk.sight().get().book();
        assertThat(BookReader.read(BookWriter.write(end)).value()).isEqualTo(end);
        String text = BookWriter.write(end);
        int changes = desk.done().size();
        for (int i = 0; i < changes; i++) {
            desk.undo();
        }
        assertThat(desk.sight().get().book()).isEqualTo(start);
        for (int i = 0; i < changes; i++) {
            desk.redo();
        }
        assertThat(desk.sight().get().book()).isEqualTo(end);
        assertThat(BookWriter.write(desk.sight().get().book())).isEqualTo(text);
    }

    private Map<String, Integer> numbers() {
        Map<String, Integer> numbers = new LinkedHashMap<>();
        if (desk.sight().get().isBegun()) {
            stair().versions()
                    .forEach(each ->
                            numbers.put(each.name(), each.label().number().value()));
        }
        return numbers;
    }
}
