package wildflourish.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.scene.text.Text;
import org.junit.jupiter.api.Test;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.NotePlace;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Book;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.desktop.desk.Choosing;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.look.Pick;
import wildflourish.files.abc.BookReader;

/** Walking, placing, undoing, saving: by keyboard alone in a real window. */
class PlacingIT extends WindowTest {
    private static final int NOTES_OF_A_PART = 30;

    /** For each ornament a note on which it fits in a tune as it stands, none twice, so that each can be placed. */
    private static Map<String, NoteId> spots(Tune tune, Version version) {
        Map<String, NoteId> spots = new TreeMap<>();
        Set<NoteId> taken = new TreeSet<>();
        for (Note note : tune.notes()) {
            for (var fit : WhatFits.at(tune, note.id(), version.playing(), Profile.usual())
                    .fitting()) {
                String id = fit.facts().ornament().id();
                boolean isFree = version.covering(tune, note.id()).isEmpty()
                        && tune
                                .between(
                                        fit.placement().span().first(),
                                        fit.placement().span().last())
                                .stream()
                                .noneMatch(each -> taken.contains(each.id()));
                if (isFree && !spots.containsKey(id)) {
                    spots.put(id, note.id());
                    tune.between(
                                    fit.placement().span().first(),
                                    fit.placement().span().last())
                            .forEach(each -> taken.add(each.id()));
                    break;
                }
            }
        }
        return spots;
    }

    /** By bars as far as they go, then note by note. */
    private void walkTo(NoteId note) throws Exception {
        Tune tune = sight().tune().orElseThrow();
        NotePlace target = tune.placeOf(note);
        int bars = target.bar() - tune.placeOf(sight().note().orElseThrow()).bar();
        for (int i = 0; i < Math.abs(bars); i++) {
            press(KeyCode.CONTROL, bars > 0 ? KeyCode.RIGHT : KeyCode.LEFT);
        }
        int notes = target.order() - tune.placeOf(sight().note().orElseThrow()).order();
        for (int i = 0; i < Math.abs(notes); i++) {
            press(notes > 0 ? KeyCode.RIGHT : KeyCode.LEFT);
        }
        assertThat(sight().note()).contains(note);
    }

    @Test
    void eachOrnamentIsPlacedByKeyboardInEveryTuneWhereItFits() throws Exception {
        Book start = sight().book();
        Map<String, Integer> placed = new TreeMap<>();
        // A third of the ornaments in each tune, another third in the next one.
        int part = Boolean.getBoolean("wildflourish.long") ? 1 : 3;
        for (int lesson = 0; lesson < start.lessons().size(); lesson++) {
            int index = lesson;
            inWindow(() -> {
                desk.does(here -> Choosing.lesson(here, index));
                window.bench().score().requestFocus();
                return true;
            });
            press(KeyCode.HOME);
            Tune tune = sight().tune().orElseThrow();
            int order = lesson;
            for (Map.Entry<String, NoteId> spot :
                    spots(tune, sight().version().orElseThrow()).entrySet()) {
                if (order++ % part != 0) {
                    continue;
                }
                walkTo(spot.getValue());
                press(KeyCode.ENTER);
                for (int turn = 0; turn < 40 && !here().equals(Optional.of(spot.getKey())); turn++) {
                    press(KeyCode.N);
                }
                assertThat(here()).as(tune.title()).contains(spot.getKey());
                placed.merge(spot.getKey(), 1, Integer::sum);
            }
        }
        assertThat(placed.keySet())
                .contains("cut", "long-roll", "turn", "breath-gap", "slide-in", "cran", "turned-triplet");
        assertThat(placed).hasSizeGreaterThan(25);
        assertThat(placed.get("cut")).isGreaterThan(5 / part);
        saveAndCompare();
        undoAll(start);
    }

    /** Ctrl+S; the file, read by the reader alone, is the book on the desk, and holds the expected tokens. */
    private void saveAndCompare() throws Exception {
        press(KeyCode.CONTROL, KeyCode.S);
        Book saved = sight().book();
        assertThat(inWindow(() -> desk.sight().get().filed().isSaved())).isTrue();
        String text = Files.readString(book);
        assertThat(BookReader.read(text).value()).isEqualTo(saved);
        assertThat(BookReader.read(text).problems()).isEmpty();
        for (Lesson lesson : saved.lessons()) {
            Stair stair = lesson.stairs().get(0);
            for (Version version : stair.stages()) {
                version.spots()
                        .values()
                        .forEach(spot -> spot.options()
                                .forEach(option -> assertThat(text)
                                        .contains(option.ornament().id())));
            }
        }
        assertThat(text).contains("instrument=whistle-d school=two-finger");
    }

    private void undoAll(Book start) throws Exception {
        int changes = inWindow(() -> desk.done().size());
        for (int i = 0; i < changes; i++) {
            press(KeyCode.CONTROL, KeyCode.Z);
        }
        assertThat(sight().book()).isEqualTo(start);
        for (int i = 0; i < changes; i++) {
            press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.Z);
        }
        assertThat(Files.readString(book)).isEqualTo(wildflourish.files.abc.BookWriter.write(sight().book()));
    }

    @Test
    void deleteRemovesAndStagesAreClimbedAndCopied() throws Exception {
        press(KeyCode.RIGHT, KeyCode.RIGHT);
        press(KeyCode.HOME);
        press(KeyCode.RIGHT);
        press(KeyCode.RIGHT);
        assertThat(here()).contains("cut");
        press(KeyCode.DELETE);
        assertThat(here()).isEmpty();
        assertThat(said()).startsWith("Removed the cut");
        press(KeyCode.PAGE_UP);
        assertThat(sight().version().orElseThrow().name()).isEqualTo("Bud");
        assertThat(here()).contains("cut");
        press(KeyCode.CONTROL, KeyCode.UP);
        assertThat(sight().stair().orElseThrow().stages()).hasSize(4);
        assertThat(sight().version().orElseThrow().name()).isEqualTo("Bloom");
        press(KeyCode.PAGE_DOWN);
        press(KeyCode.PAGE_DOWN);
        press(KeyCode.PAGE_DOWN);
        press(KeyCode.PAGE_DOWN);
        assertThat(sight().version().orElseThrow().name()).isEqualTo("Root");
    }

    @Test
    void aSpotKeepsASecondOptionAndTheOtherIsPlayed() throws Exception {
        NoteId note = spots(sight().tune().orElseThrow(), sight().version().orElseThrow())
                .get("cut");
        walkTo(note);
        press(KeyCode.ENTER);
        String first = here().orElseThrow();
        press(KeyCode.SHIFT, KeyCode.ENTER);
        assertThat(sight().version().orElseThrow().at(note).orElseThrow().options())
                .hasSize(2);
        press(KeyCode.O);
        assertThat(here()).isPresent().get().isNotEqualTo(first);
        press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(here()).contains(first);
    }

    @Test
    void whatFitsIsShownWithReasonsAndWhatDoesNotWithWhyNot() throws Exception {
        List<String> cards = new ArrayList<>();
        all(".card", Button.class).forEach(card -> cards.add(card.getAccessibleText()));
        assertThat(cards).hasSize(5).allMatch(words -> words.contains("clean to") && words.endsWith("."));
        inWindow(() -> {
            ListView<?> list = find("#fits-list", ListView.class);
            list.scrollTo(list.getItems().size() - 1);
            return true;
        });
        Button fold = find("#fold", Button.class);
        assertThat(fold.getText()).contains("Does not fit");
        click(fold);
        Sight sight = sight();
        Tune tune = sight.tune().orElseThrow();
        WhatFits asked = WhatFits.at(
                tune,
                sight.version().orElseThrow(),
                sight.note().orElseThrow(),
                sight.chosen().profile());
        assertThat(inWindow(() -> find("#fits-list", ListView.class).getItems().size()))
                .isGreaterThan(asked.refused().size() + 5);
        inWindow(() -> {
            ListView<?> list = find("#fits-list", ListView.class);
            list.scrollTo(list.getItems().size() - 1);
            return true;
        });
        assertThat(isShown(".refusal")).isTrue();
        inWindow(() -> {
            find("#fits-list", ListView.class).scrollTo(0);
            return true;
        });
        click(placing("stop", ".card"));
        assertThat(here()).contains("stop");
        click(placing("pitch-grace", ".or"));
        assertThat(sight().version()
                        .orElseThrow()
                        .at(new NoteId(0))
                        .orElseThrow()
                        .options())
                .hasSize(2);
    }

    /** The button that places an ornament, or keeps it as another option. */
    private Node placing(String ornament, String query) throws Exception {
        return all(query).stream()
                .filter(each -> isInSight(each)
                        && each.getUserData() instanceof Placement placement
                        && placement.ornament().id().equals(ornament))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aNoteIsChosenByTheMouseWhereItIsDrawn() throws Exception {
        NoteId wanted = sight().tune().orElseThrow().notes().get(12).id();
        var column = inWindow(() -> window.bench()
                .score()
                .page()
                .orElseThrow()
                .zoneOf(wanted)
                .orElseThrow()
                .head());
        double scale = inWindow(() -> window.bench().score().pixelsPerSpace());
        var bounds = inWindow(() ->
                window.bench().score().localToScreen(window.bench().score().getBoundsInLocal()));
        robot.clickOn(
                bounds.getMinX() + 2 + (column.left() + column.right()) / 2 * scale,
                bounds.getMinY() + 2 + (column.top() + column.bottom()) / 2 * scale);
        assertThat(sight().note()).contains(wanted);
    }

    @Test
    void theStudentAndTheSchoolChangeWhatFits() throws Exception {
        inWindow(() -> {
            desk.does(here -> Choosing.profile(here, Profile.of("learner")));
            return true;
        });
        assertThat(all(".clean", Text.class))
                .anyMatch(words -> words.getText().equals("clean to 113.6 minims a minute"));
        Pick schools = find("#school", Pick.class);
        inWindow(() -> {
            schools.choose(1);
            return true;
        });
        assertThat(sight().version().orElseThrow().playing().school().id()).isEqualTo("hand-over");
        assertThat(said()).contains("cut");
    }

    @Test
    void theChosenNoteIsToldInWordsToo() throws Exception {
        press(KeyCode.RIGHT);
        press(KeyCode.RIGHT);
        assertThat(inWindow(() -> window.bench().score().getAccessibleText()))
                .isEqualTo("D5, bar 1, on beat 1, holes OXXXXX, breath firm, cut");
    }

    @Test
    void noWordOfACardIsCutShortAtAnyNote() throws Exception {
        inWindow(() -> {
            desk.does(here -> Choosing.stage(here, 1));
            return true;
        });
        int labels = 0;
        for (int note = 0; note < NOTES_OF_A_PART; note++) {
            for (Label label : all(".card .label", Label.class)) {
                if (isInSight(label)) {
                    Text drawn = (Text) label.lookup(".text");
                    assertThat(drawn.getText()).isEqualTo(label.getText());
                    labels++;
                }
            }
            press(KeyCode.RIGHT);
        }
        assertThat(labels).isGreaterThan(NOTES_OF_A_PART);
    }
}
