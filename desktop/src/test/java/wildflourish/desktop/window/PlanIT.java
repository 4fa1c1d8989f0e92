package wildflourish.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.VBox;
import org.junit.jupiter.api.Test;
import wildflourish.core.growing.Reading;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Wish;
import wildflourish.desktop.look.Pick;

/** A plan in a real window: pale signs outside the book, with reasons, taken and refused; a critic's remarks, mended by a key. */
class PlanIT extends WindowTest {
    private Stair stair() throws Exception {
        return sight().stair().orElseThrow();
    }

    @SuppressWarnings("unchecked")
    private ListView<Placement> proposals() throws Exception {
        return find("#plan-list", ListView.class);
    }

    @SuppressWarnings("unchecked")
    private ListView<Reading.Remark> remarks() throws Exception {
        return find("#remarks-list", ListView.class);
    }

    private String told() throws Exception {
        return find("#plan-told", Label.class).getText();
    }

    private void stage(int stage) throws Exception {
        while (sight().chosen().stage() < stage) {
            press(KeyCode.PAGE_UP);
        }
        while (sight().chosen().stage() > stage) {
            press(KeyCode.PAGE_DOWN);
        }
    }

    /** A stair of its own for the second tune, and a plan for it. */
    private void plan() throws Exception {
        plan(1);
    }

    private void plan(int from) throws Exception {
        press(KeyCode.CONTROL, KeyCode.PAGE_DOWN);
        does("begin-stair");
        stage(from);
        press(KeyCode.CONTROL, KeyCode.G);
        await("something is proposed", () -> !proposals().getItems().isEmpty());
    }

    private static long placed(Stair stair, int stage) {
        return stair.at(stage).spots().values().stream()
                .flatMap(spot -> spot.first().stream())
                .count();
    }

    @Test
    void aPlanIsShownInPaleSignsAndTakenSpotByPhraseAndWhole() throws Exception {
        plan();
        Stair before = stair();
        int proposed = inWindow(() -> proposals().getItems().size());
        assertThat(inWindow(() -> window.bench().score().previewed())).hasSize(proposed);
        assertThat(placed(before, 1)).as("nothing is placed unasked").isZero();
        assertThat(inWindow(this::told)).contains(proposed + " proposed");
        inWindow(() -> {
            proposals().getSelectionModel().select(0);
            return true;
        });
        Placement first = inWindow(() -> proposals().getItems().get(0));
        assertThat(sight().note()).contains(first.span().first());
        assertThat(inWindow(() -> find("#plan-why", Label.class).getText())).contains("Without it:");
        press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.ENTER);
        assertThat(placed(stair(), 1)).isEqualTo(1);
        assertThat(stair().at(1).at(first.span().first()).flatMap(Spot::first)).contains(first);
        assertThat(stair().isNested(sight().tune().orElseThrow())).isTrue();
        await("the rest is planned anew", () -> !proposals().getItems().isEmpty());
        Placement next = inWindow(() -> {
            proposals().getSelectionModel().select(0);
            return proposals().getItems().get(0);
        });
        press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.DELETE);
        Wish wish = stair().at(1).label().wish();
        assertThat(wish.refuses(next.span().first(), next.stack().toString())).isTrue();
        await(
                "it is not proposed again",
                () -> !proposals().getItems().isEmpty()
                        && !proposals().getItems().contains(next));
        press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.F);
        long phrase = placed(stair(), 1);
        assertThat(phrase).isGreaterThanOrEqualTo(1);
        await("the rest is planned once more", () -> !told().contains("Planning"));
        does("take-all-proposals");
        assertThat(placed(stair(), 1)).isGreaterThan(phrase);
        assertThat(stair().isNested(sight().tune().orElseThrow())).isTrue();
        press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(placed(stair(), 1)).as("one step back").isEqualTo(phrase);
        press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.G);
        assertThat(inWindow(() -> window.bench().score().previewed())).isEmpty();
        assertThat(inWindow(() -> find("#fits-list", ListView.class).isVisible()))
                .isTrue();
    }

    @Test
    void wishesAreChosenByHandAndPinsByKey() throws Exception {
        plan();
        int usual = inWindow(() -> proposals().getItems().size());
        inWindow(() -> {
            find("#wish-full", Pick.class).choose(4);
            return true;
        });
        assertThat(stair().at(1).label().wish().of(Wish.Degree.FULL)).isEqualTo(2);
        await("more is proposed", () -> proposals().getItems().size() > usual);
        inWindow(() -> {
            find("#wish-taste", Pick.class).choose(2);
            return true;
        });
        assertThat(stair().at(1).label().wish().taste()).isEqualTo("sung-and-slow");
        inWindow(() -> {
            CheckMenuItem cut = (CheckMenuItem) find("#wish-kinds", MenuButton.class).getItems().stream()
                    .filter(item -> "kind-cut".equals(item.getId()))
                    .findFirst()
                    .orElseThrow();
            cut.setSelected(false);
            cut.getOnAction().handle(null);
            return true;
        });
        assertThat(stair().at(1).label().wish().never()).containsExactly("cut");
        await(
                "no cut is proposed",
                () -> !told().contains("Planning")
                        && proposals().getItems().stream()
                                .noneMatch(each -> each.ornament().id().equals("cut")));
        assertThat(sight().note()).isPresent();
        press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.X);
        assertThat(said()).contains("Nothing is planned");
        assertThat(stair().at(1).label().wish().pins()).hasSize(1);
        press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.K);
        assertThat(stair().at(1).label().wish().pins())
                .singleElement()
                .satisfies(pin -> assertThat(pin.kind()).isEqualTo(Wish.Pin.Kind.SOMETHING));
        press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.L);
        assertThat(stair().at(1).label().wish().pins()).isEmpty();
        press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(stair().at(1).label().wish().pins())
                .as("wishes are undone too")
                .hasSize(1);
    }

    /** What is asked for in a phrase or a part is asked for and lifted in one menu, and named where there is no way to have it. */
    @Test
    void aPhraseAndAPartAreAskedForMore() throws Exception {
        plan();
        press(KeyCode.RIGHT);
        press(KeyCode.RIGHT);
        choose("ask-phrase", "ask-phrase-anything");
        assertThat(said()).contains("Asked for in phrase A1: anything, at least 1");
        choose("ask-phrase", "ask-phrase-anything");
        assertThat(said()).contains("Asked for in phrase A1: anything, at least 2");
        assertThat(find("#wish-asked", MenuButton.class).getText()).isEqualTo("1 thing");
        choose("ask-part", "ask-part-roll");
        await("there is no way", () -> told().contains("There is no way to have part A: rolls, at least 1"));
        Wish.Pin pin = stair().at(1).label().wish().pins().get(1);
        inWindow(() -> {
            find("#wish-asked", MenuButton.class).getItems().stream()
                    .filter(item -> item.getText().equals("Lift: part A: rolls, at least 1"))
                    .findFirst()
                    .orElseThrow()
                    .getOnAction()
                    .handle(null);
            return true;
        });
        assertThat(stair().at(1).label().wish().pins()).hasSize(1).doesNotContain(pin);
        await("something is proposed again", () -> !proposals().getItems().isEmpty());
    }

    private void choose(String menu, String item) throws Exception {
        inWindow(() -> {
            Menu within = (Menu) find("#wish-asked", MenuButton.class).getItems().stream()
                    .filter(each -> menu.equals(each.getId()))
                    .findFirst()
                    .orElseThrow();
            within.getItems().stream()
                    .filter(each -> item.equals(each.getId()))
                    .findFirst()
                    .orElseThrow()
                    .getOnAction()
                    .handle(null);
            return true;
        });
    }

    /** How soon the stair rises and what it is for is of all its stages; bars that ask for more and what is kept for later are pins. */
    @Test
    void theWholeStairHasItsWishesAndBarsAskForMore() throws Exception {
        plan();
        inWindow(() -> {
            find("#wish-rise", Pick.class).choose(4);
            return true;
        });
        inWindow(() -> {
            find("#wish-occasion", Pick.class).choose(1);
            return true;
        });
        for (int stage = 1; stage < stair().stages().size(); stage++) {
            Wish wish = stair().at(stage).label().wish();
            assertThat(wish.of(Wish.Degree.RISE)).isEqualTo(2);
            assertThat(wish.isConcert()).isTrue();
        }
        press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(stair().at(2).label().wish().isConcert()).isFalse();
        press(KeyCode.RIGHT);
        press(KeyCode.RIGHT);
        press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.B);
        assertThat(said()).contains("at least 1 into this bar");
        press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.B);
        assertThat(stair().at(1).label().wish().pins())
                .singleElement()
                .satisfies(pin -> assertThat(pin.count()).isEqualTo(2));
        Tune tune = sight().tune().orElseThrow();
        int bar = tune.placeOf(sight().note().orElseThrow()).bar();
        await(
                "the bar gets them",
                () -> !told().contains("Planning")
                        && proposals().getItems().stream()
                                        .filter(each -> tune.placeOf(each.span().first())
                                                        .bar()
                                                == bar)
                                        .count()
                                >= 2);
        press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.I);
        assertThat(said()).contains("the first time");
    }

    @Test
    void aTasteIsLearntFromTheBookAndKept() throws Exception {
        does("learn-taste");
        assertThat(inWindow(() -> find("#taste-told", Label.class).getText())).contains("too little to learn from");
        assertThat(inWindow(() -> find("#keep-taste", Button.class).isDisabled()))
                .isTrue();
        for (int tune = 2; tune <= 4; tune++) {
            plan(1);
            does("take-all-proposals");
        }
        does("learn-taste");
        await(
                "something is learnt",
                () -> find("#taste-told", Label.class).getText().contains("On tunes I had not seen"));
        assertThat(inWindow(() -> find("#taste-changes", VBox.class).getChildren()))
                .allMatch(each -> ((CheckBox) each).isSelected());
        fire("#keep-taste");
        assertThat(said()).contains("Kept");
        does("plan-from-here");
        List<String> tastes =
                inWindow(() -> List.copyOf(find("#wish-taste", Pick.class).getItems()));
        assertThat(tastes).last().isEqualTo("my own");
        inWindow(() -> {
            find("#wish-taste", Pick.class).choose(tastes.size() - 1);
            return true;
        });
        assertThat(stair().at(1).label().wish().taste()).isEqualTo("own");
        does("learn-taste");
        fire("#forget-taste");
        assertThat(said()).contains("Forgotten");
    }

    @Test
    void whyNotIsAnsweredByPlanningWithIt() throws Exception {
        plan(2);
        Placement roll = inWindow(() -> proposals().getItems().stream()
                .filter(each -> each.ornament().id().endsWith("roll"))
                .findFirst()
                .orElseThrow());
        inWindow(() -> {
            proposals().getSelectionModel().select(roll);
            return true;
        });
        List<String> ids = inWindow(() -> window.lookupAll(".button").stream()
                .map(node -> node.getId())
                .filter(id -> id != null && id.startsWith("why-not-"))
                .toList());
        assertThat(ids).isNotEmpty();
        fire("#" + ids.get(0));
        await("it is said what it would lose", () -> {
            String said = find("#plan-why", Label.class).getText();
            return said.contains("lose") || said.contains("As good as") || said.contains("leaves no room");
        });
    }

    /** The fullest stage thinned: a version of its own beside the stair, which stays. */
    @Test
    void aFullVersionIsThinnedBesideTheStair() throws Exception {
        stage(0);
        does("thin-version");
        assertThat(said()).contains("nothing to thin");
        stage(stair().stages().size() - 1);
        Stair before = stair();
        int full = before.at(before.stages().size() - 1).ornamented();
        does("thin-version");
        await(
                "it stands beside the stair",
                () -> desk.sight().get().stair().orElseThrow().beside().size()
                        > before.beside().size());
        assertThat(sight().version().orElseThrow().name()).startsWith("Thinned");
        assertThat(sight().version().orElseThrow().ornamented()).isLessThanOrEqualTo(full);
        assertThat(stair().stages()).isEqualTo(before.stages());
        press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(stair()).isEqualTo(before);
    }

    @Test
    void aPlanBeginsAboveThePlainStage() throws Exception {
        stage(0);
        press(KeyCode.CONTROL, KeyCode.G);
        assertThat(said()).contains("above the plain stage");
        press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.ENTER);
        assertThat(said()).contains("pale signs");
    }

    @Test
    void aRemarkIsMendedByAKey() throws Exception {
        stage(2);
        press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.R);
        await(
                "the version is read",
                () -> !find("#remarks-told", Label.class).getText().contains("Reading"));
        Stair before = stair();
        boolean hasAny = inWindow(() -> !remarks().getItems().isEmpty());
        if (!hasAny) {
            // What is placed everywhere is too much for a stage so low.
            press(KeyCode.HOME);
            for (int i = 0; i < 6; i++) {
                press(KeyCode.ENTER);
                press(KeyCode.RIGHT);
            }
            await("there is something to remark", () -> !remarks().getItems().isEmpty());
            before = stair();
        }
        int count = inWindow(() -> {
            remarks().getSelectionModel().select(0);
            return remarks().getItems().size();
        });
        press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.M);
        assertThat(stair()).isNotEqualTo(before);
        assertThat(said()).startsWith("Mended: ");
        await(
                "it is read again",
                () -> !find("#remarks-told", Label.class).getText().contains("Reading"));
        assertThat(inWindow(() -> remarks().getItems().size())).isLessThan(count);
        assertThat(stair().isNested(sight().tune().orElseThrow())).isTrue();
        press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(stair()).isEqualTo(before);
        press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.R);
        assertThat(inWindow(() -> find("#fits-list", ListView.class).isVisible()))
                .isTrue();
    }

    /** On strings what something else would lose is searched for with the hand, and told when that is done. */
    @Test
    void pricesOnStringsAreToldWhenTheHandHasBeenSearched() throws Exception {
        lesson(1, "fiddle");
        does("begin-stair");
        stage(2);
        press(KeyCode.CONTROL, KeyCode.G);
        await("something is proposed", () -> !proposals().getItems().isEmpty());
        assertThat(inWindow(this::told)).contains("the best there is");
        inWindow(() -> {
            proposals().getSelectionModel().select(0);
            return true;
        });
        await(
                "what it would lose",
                () -> find("#plan-why", Label.class).getText().contains("Without it:"));
        assertThat(inWindow(() -> find("#plan-why", Label.class).getText())).containsPattern("Without it: .*\\d+\\)");
        await(
                "what else would lose",
                () -> find("#plan-others", VBox.class).lookupAll(".label").stream()
                        .map(node -> (Label) node)
                        .anyMatch(label -> label.getText().contains("(")));
    }
}
