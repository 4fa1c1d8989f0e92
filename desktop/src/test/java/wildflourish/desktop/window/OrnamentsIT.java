package wildflourish.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Predicate;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ListView;
import javafx.scene.control.TitledPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import wildflourish.core.engraving.Drawn;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.version.Book;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Version;
import wildflourish.desktop.desk.PhraseLayers;
import wildflourish.desktop.desk.Placing;
import wildflourish.desktop.look.Paragraph;
import wildflourish.files.abc.BookReader;

/** One of each kind, one on top of another, breaths and rules over a phrase, the chanter: in a real window. */
class OrnamentsIT extends WindowTest {
    /** How many kinds of ornaments find a place in the tune of an instrument. */
    private static final Map<String, Integer> KINDS = Map.of(
            "whistle-d",
            9,
            "recorder-soprano",
            7,
            "union-d-closed",
            8,
            "border-pipes",
            3,
            "fiddle",
            9,
            "mandolin",
            6,
            "banjo-open-g",
            6,
            "box-bc",
            8,
            "english-48",
            8);

    /** For each kind of which something fits somewhere: a note and an ornament, each on notes of its own where that can be. */
    private Map<Ornament.Kind, Fit> oneOfEachKind() throws Exception {
        var tune = sight().tune().orElseThrow();
        Version version = sight().version().orElseThrow();
        Map<Ornament.Kind, List<Fit>> all = new TreeMap<>();
        for (Note note : tune.notes()) {
            for (Fit fit : WhatFits.at(tune, note.id(), version.playing(), Profile.usual())
                    .fitting()) {
                all.computeIfAbsent(fit.facts().ornament().kind(), kind -> new ArrayList<>())
                        .add(fit);
            }
        }
        Map<Ornament.Kind, Fit> found = new TreeMap<>();
        Set<NoteId> taken = new HashSet<>();
        all.forEach((kind, fits) -> {
            Fit free = fits.stream()
                    .filter(fit -> fit.facts().notes().stream().noneMatch(note -> taken.contains(note.id())))
                    .findFirst()
                    .orElse(fits.get(0));
            found.put(kind, free);
            free.facts().notes().forEach(note -> taken.add(note.id()));
        });
        return found;
    }

    /** The card that places an ornament; the fold of its kind is opened first where need be. */
    private Node card(String ornament) throws Exception {
        Optional<Node> open = inList(each -> each.getStyleClass().contains("card")
                && each.getUserData() instanceof Placement placement
                && placement.ornament().id().equals(ornament));
        if (open.isPresent()) {
            return open.get();
        }
        String kind = Ornament.of(ornament, sight().chosen().instrument().family())
                .kind()
                .name()
                .toLowerCase(Locale.ROOT);
        Node fold = inList(each -> ("kind-" + kind).equals(each.getId())).orElseThrow();
        inWindow(() -> {
            ((Button) fold).fire();
            return true;
        });
        org.testfx.util.WaitForAsyncUtils.waitForFxEvents();
        return inList(each -> each.getStyleClass().contains("card")
                        && each.getUserData() instanceof Placement placement
                        && placement.ornament().id().equals(ornament))
                .orElseThrow();
    }

    /** A button in the list of what fits, which is scrolled to where it is found. */
    private Optional<Node> inList(Predicate<Node> wanted) throws Exception {
        ListView<?> list = find("#fits-list", ListView.class);
        for (int i = 0; i < inWindow(() -> list.getItems().size()); i++) {
            int index = i;
            inWindow(() -> {
                list.scrollTo(index);
                return true;
            });
            Optional<Node> found = all("#fits-list .button").stream()
                    .filter(each -> isInSight(each) && wanted.test(each))
                    .findFirst();
            if (found.isPresent()) {
                return found;
            }
        }
        return Optional.empty();
    }

    @Test
    void oneOfEachKindIsPlacedByItsCardAndUndone() throws Exception {
        for (String instrument : KINDS.keySet()) {
            lesson(instrument.equals("border-pipes") ? 7 : 0, instrument);
            Book before = sight().book();
            int done = inWindow(() -> desk.done().size());
            var spots = oneOfEachKind();
            int kinds = KINDS.get(instrument);
            assertThat(spots).as(instrument).hasSize(kinds);
            for (Fit fit : spots.values()) {
                at(fit.facts().notes().get(0).id());
                String ornament = fit.facts().ornament().id();
                Node card = card(ornament);
                inWindow(() -> {
                    ((javafx.scene.control.Button) card).fire();
                    return true;
                });
                assertThat(here()).as(instrument).contains(ornament);
                String name = fit.facts().ornament().name();
                assertThat(said()).matches("Placed an? " + name + ".* on .*");
            }
            int changes = inWindow(() -> desk.done().size()) - done;
            assertThat(changes).as(instrument).isEqualTo(kinds);
            for (int i = 0; i < changes; i++) {
                press(KeyCode.CONTROL, KeyCode.Z);
            }
            assertThat(sight().book()).isEqualTo(before);
        }
    }

    @Test
    void oneOrnamentIsPlayedOnTopOfAnotherAndTakenOffByUndo() throws Exception {
        lesson(0, "whistle-d");
        NoteId held = sight().tune().orElseThrow().notes().stream()
                .filter(note -> note.played().equals(wildflourish.core.music.Fraction.of(1, 4)))
                .findFirst()
                .orElseThrow()
                .id();
        at(held);
        press(KeyCode.ENTER);
        press(KeyCode.S);
        Placement both =
                sight().version().orElseThrow().at(held).orElseThrow().first().orElseThrow();
        assertThat(both.stack().choices()).hasSize(2);
        assertThat(said()).startsWith("Placed a ").contains(" + ");
        press(KeyCode.CONTROL, KeyCode.S);
        assertThat(BookReader.read(Files.readString(book)).value()).isEqualTo(sight().book());
        press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(sight().version()
                        .orElseThrow()
                        .at(held)
                        .orElseThrow()
                        .first()
                        .orElseThrow()
                        .stack()
                        .choices())
                .hasSize(1);
    }

    private long decorations() throws Exception {
        return inWindow(() -> window.bench().score().page().orElseThrow().drawn().stream()
                .filter(each -> each.subject().kind() == Drawn.Kind.DECORATION)
                .count());
    }

    @Test
    void breathsAreMarkedAndTheLongestStretchIsTold() throws Exception {
        lesson(0, "whistle-d");
        long before = decorations();
        String longest = find("#breath", Paragraph.class).getText();
        assertThat(longest).isNotBlank();
        NoteId spared = oneOf("breath-gap");
        at(spared);
        var tune = sight().tune().orElseThrow();
        var playing = sight().version().orElseThrow().playing();
        inWindow(() -> {
            WhatFits.at(tune, spared, playing, Profile.usual()).fitting().stream()
                    .filter(fit -> fit.facts().ornament().id().equals("breath-gap"))
                    .findFirst()
                    .ifPresent(fit -> desk.does(here -> Placing.place(here, fit.placement())));
            return true;
        });
        assertThat(here()).contains("breath-gap");
        assertThat(decorations()).isGreaterThan(before);
        assertThat(find("#breath", Paragraph.class).getText()).isNotEqualTo(longest);
        press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(decorations()).isEqualTo(before);
        assertThat(find("#breath", Paragraph.class).getText()).isEqualTo(longest);
    }

    /** A note in the midst of the longest stretch, on which an ornament fits. */
    private NoteId oneOf(String ornament) throws Exception {
        var tune = sight().tune().orElseThrow();
        Version version = sight().version().orElseThrow();
        List<NoteId> spots = tune.notes().stream()
                .map(Note::id)
                .filter(note -> WhatFits.at(tune, note, version.playing(), Profile.usual()).fitting().stream()
                        .anyMatch(fit -> fit.facts().ornament().id().equals(ornament)))
                .toList();
        return spots.get(spots.size() / 2);
    }

    @Test
    void aRuleHoldsOverThePhraseAndIsKeptInTheFile() throws Exception {
        lesson(0, "whistle-d");
        at(sight().tune().orElseThrow().notes().get(4).id());
        press(KeyCode.SHIFT, KeyCode.L);
        assertThat(sight().version().orElseThrow().layers()).hasSize(1);
        assertThat(said()).startsWith("In this phrase: ");
        TitledPane rules = openRules();
        assertThat(rules.getText()).contains("In this phrase (1)");
        assertThat(find("#layer-hold-beats", CheckBox.class).isSelected()).isTrue();
        press(KeyCode.CONTROL, KeyCode.S);
        String text = Files.readString(book);
        assertThat(text).contains("%%flourish-layer");
        assertThat(BookReader.read(text).value()).isEqualTo(sight().book());
        press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(sight().version().orElseThrow().layers()).isEmpty();
    }

    /** A key slurs two notes, then three, then none; the bows after them are drawn at once, and an order of bows holds over the phrase in the way that is chosen. */
    @Test
    void bowsAreSlurredByAKeyAndOrderedOverAPhrase() throws Exception {
        lesson(8, "fiddle");
        var tune = sight().tune().orElseThrow();
        NoteId note = tune.bars().get(3).notes().get(1).id();
        at(note);
        press(KeyCode.U);
        assertThat(here()).contains("slur2");
        press(KeyCode.U);
        assertThat(here()).contains("slur3");
        press(KeyCode.U);
        assertThat(here()).isEmpty();
        openRules();
        inWindow(() -> {
            find("#layer-bows", CheckBox.class).fire();
            return true;
        });
        assertThat(sight().version().orElseThrow().layers()).hasSize(1);
        inWindow(() -> {
            desk.does(here -> PhraseLayers.choose(here, wildflourish.core.version.Layer.Rule.of("bows"), 1));
            return true;
        });
        assertThat(sight().version().orElseThrow().layers().get(0).way()).isEqualTo("long-short-short");
        assertThat(find("#way-bows", wildflourish.desktop.look.Pick.class).word())
                .contains("shuffle");
        press(KeyCode.CONTROL, KeyCode.Z);
        press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(sight().version().orElseThrow().layers()).isEmpty();
    }

    /** Bars before the tune are offered where it begins, those after it where it ends; they are on the page, cannot be chosen, and the tune keeps its own notes. */
    @Test
    void barsAroundTheTuneAreOfferedWhereTheyBelong() throws Exception {
        lesson(6, "fiddle");
        var tune = sight().tune().orElseThrow();
        at(tune.notes().get(0).id());
        openRules();
        assertThat(window.lookup("#layer-closing-tag")).isNull();
        inWindow(() -> {
            find("#layer-intro-shuffle", CheckBox.class).fire();
            return true;
        });
        inWindow(() -> true);
        long added = inWindow(() -> window.bench().score().page().orElseThrow().zones().stream()
                .filter(zone -> zone.note().isAdded())
                .count());
        assertThat(added).isPositive();
        assertThat(sight().tune().orElseThrow()).isEqualTo(tune);
        press(KeyCode.UP);
        assertThat(sight().note().orElseThrow().isAdded()).isFalse();
        at(tune.notes().get(tune.notes().size() - 1).id());
        inWindow(() -> true);
        assertThat(find("#layer-closing-tag", CheckBox.class).isVisible()).isTrue();
        press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(sight().version().orElseThrow().layers()).isEmpty();
    }

    /** A note whose tones a layer has changed says what becomes of it. */
    @Test
    void aNoteUnderALayerSaysSo() throws Exception {
        lesson(8, "fiddle");
        var tune = sight().tune().orElseThrow();
        NoteId held = tune.bars().get(3).notes().get(0).id();
        at(held);
        assertThat(isInSight(find("#under-layer", javafx.scene.control.Label.class)))
                .isFalse();
        inWindow(() -> {
            desk.does(here -> PhraseLayers.choose(here, wildflourish.core.version.Layer.Rule.of("shuffle"), 6));
            return true;
        });
        inWindow(() -> true);
        NoteId changed = inWindow(() -> desk.here().scene().orElseThrow().line().tones().stream()
                .filter(tone -> tone.index() > 0)
                .map(tone -> tone.note().id())
                .findFirst()
                .orElseThrow());
        at(changed);
        inWindow(() -> true);
        assertThat(find("#under-layer", javafx.scene.control.Label.class).getText())
                .startsWith("Under shuffle (double shuffle) this note becomes");
        press(KeyCode.CONTROL, KeyCode.Z);
    }

    /** Cards of strings say what an ornament does to the hand, beside the window's thread. */
    @Test
    void aCardSaysWhatAnOrnamentCostsTheHand() throws Exception {
        lesson(8, "fiddle");
        var tune = sight().tune().orElseThrow();
        NoteId equal = tune.bars().get(3).notes().get(0).id();
        at(equal);
        org.testfx.util.WaitForAsyncUtils.waitFor(
                10,
                java.util.concurrent.TimeUnit.SECONDS,
                () -> inWindow(() -> window.lookupAll(".hand-cost").stream()
                        .anyMatch(each -> each.isVisible()
                                && each instanceof javafx.scene.text.Text text
                                && text.getText().endsWith("."))));
    }

    @Test
    void dronesCanBeSilencedWhereThereAreAny() throws Exception {
        lesson(0, "whistle-d");
        assertThat(isInSight(find("#drones", ToggleButton.class))).isFalse();
        lesson(7, "border-pipes");
        ToggleButton drones = find("#drones", ToggleButton.class);
        assertThat(isInSight(drones)).isTrue();
        assertThat(drones.isSelected()).isTrue();
        inWindow(() -> {
            drones.fire();
            return true;
        });
        assertThat(drones.isSelected()).isFalse();
    }
}
