package wildflourish.desktop.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import wildflourish.core.instrument.School;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.NoteId;
import wildflourish.core.version.Book;
import wildflourish.core.version.Spot;
import wildflourish.files.store.BookStore;

class DeskTest {
    @TempDir
    private Path folder;

    private Path path;
    private Desk desk;

    @BeforeEach
    void openABook() throws IOException {
        path = folder.resolve("book.abc");
        Files.writeString(
                path,
                "X:1\nT:Rungs\nR:reel\nM:4/4\nL:1/8\nK:D\n|:D2FA G2BG|E3F G2FE|D2FA G2BG|F4 D4:|\n"
                        + "\nX:2\nT:Other\nR:jig\nM:6/8\nL:1/8\nK:G\nGAB c3|\n");
        desk = new Desk(BookStore.open(path));
        desk.chooseStage(1);
    }

    private String here() {
        return desk.sight()
                .get()
                .version()
                .flatMap(version -> version.at(desk.sight().get().note().orElseThrow()))
                .flatMap(Spot::first)
                .map(placement -> placement.ornament().id())
                .orElse("–");
    }

    @Test
    void walkingStaysWithinTheTune() {
        desk.walk(-1);
        assertThat(desk.sight().get().note()).contains(new NoteId(0));
        desk.walk(3);
        assertThat(desk.sight().get().note()).contains(new NoteId(3));
        desk.walkBar(1);
        assertThat(desk.sight().get().note()).contains(new NoteId(6));
        desk.walkBar(-1);
        assertThat(desk.sight().get().note()).contains(new NoteId(0));
        desk.walk(10_000);
        int last = desk.sight().get().tune().orElseThrow().notes().size() - 1;
        assertThat(desk.sight().get().note()).contains(new NoteId(last));
    }

    @Test
    void oneVerbPlacesTheBestAnotherCyclesAndRemoves() {
        desk.choose(new NoteId(3));
        desk.placeBest();
        String best = here();
        assertThat(desk.said().get()).startsWith("Placed a ").contains(" on G4, bar 1, on beat 3");
        int choices = desk.whatFits().orElseThrow().fitting().size();
        assertThat(choices).isGreaterThan(8);
        List<String> seen = new ArrayList<>();
        for (int i = 0; i < choices; i++) {
            seen.add(here());
            desk.cycle(1);
        }
        assertThat(seen).contains("short-roll", "cut", "tap");
        assertThat(here()).isEqualTo(best);
        desk.cycle(-1);
        assertThat(here()).isEqualTo(seen.get(choices - 1));
        desk.remove();
        assertThat(here()).isEqualTo("–");
        desk.remove();
        assertThat(desk.said().get()).isEqualTo("There is no ornament on this note.");
    }

    @Test
    void whereNothingFitsItSaysWhy() {
        desk.chooseProfile(Profile.of("learner"));
        desk.setTempo(Tempo.of(400, Fraction.of(1, 2)));
        desk.writing().add(wildflourish.files.abc.TuneEditor::insertedRest);
        NoteId rest = desk.sight().get().tune().orElseThrow().notes().stream()
                .filter(note -> note.isRest())
                .findFirst()
                .orElseThrow()
                .id();
        desk.choose(rest);
        desk.placeBest();
        assertThat(here()).isEqualTo("–");
        assertThat(desk.said().get())
                .startsWith("A rest has nothing to ornament")
                .endsWith(".");
    }

    @Test
    void optionsAreKeptAndTurned() {
        desk.choose(new NoteId(3));
        desk.placeBest();
        desk.keepNextBest();
        assertThat(desk.spotHere().orElseThrow().options()).hasSize(2);
        desk.nextOption();
        assertThat(here()).isNotEqualTo("short-roll");
        desk.choose(new NoteId(0));
        desk.nextOption();
        assertThat(desk.said().get()).contains("Only spots with several options");
    }

    @Test
    void everyVerbIsUndoneAndDoneAgain() {
        Random random = new Random(3);
        Book start = desk.sight().get().book();
        List<Runnable> verbs = List.of(
                desk::placeBest,
                () -> desk.cycle(1),
                desk::keepNextBest,
                desk::nextOption,
                desk::remove,
                desk::copyUp,
                () -> desk.setSchool(School.all().get(random.nextInt(4))),
                () -> desk.setTempo(Tempo.of(60 + random.nextInt(60), Fraction.of(1, 2))));
        for (int i = 0; i < 120; i++) {
            desk.walk(random.nextInt(7) - 3);
            desk.chooseStage(random.nextInt(3));
            verbs.get(random.nextInt(verbs.size())).run();
        }
        Book end = desk.sight().get().book();
        int changes = desk.done().size();
        assertThat(changes).isGreaterThan(30);
        for (int i = 0; i < changes; i++) {
            desk.undo();
            assertThat(desk.said().get()).startsWith("Undone: ");
        }
        assertThat(desk.sight().get().book()).isEqualTo(start);
        assertThat(desk.isSaved()).isTrue();
        desk.undo();
        assertThat(desk.said().get()).isEqualTo("There is nothing to undo.");
        for (int i = 0; i < changes; i++) {
            desk.redo();
        }
        assertThat(desk.sight().get().book()).isEqualTo(end);
    }

    @Test
    void aBookIsSavedAndReopenedToTheLastPlacement() throws IOException {
        desk.choose(new NoteId(3));
        desk.placeBest();
        desk.keepNextBest();
        assertThat(desk.isSaved()).isFalse();
        Path other = folder.resolve("other.abc");
        desk.saved(BookStore.save(desk.toSave(other)));
        assertThat(desk.isSaved()).isTrue();
        assertThat(desk.path()).isEqualTo(other);
        Book saved = desk.sight().get().book();
        Desk again = new Desk(BookStore.open(other));
        assertThat(again.sight().get().book()).isEqualTo(saved);
        assertThat(again.problems()).isEmpty();
    }

    @Test
    void whatIsDoneWhileASaveIsOnItsWayStaysUnsaved() throws IOException {
        desk.choose(new NoteId(3));
        desk.placeBest();
        var asked = desk.toSave(path);
        desk.remove();
        desk.saved(BookStore.save(asked));
        assertThat(desk.isSaved()).isFalse();
        assertThat(desk.path()).isEqualTo(path);
        desk.saved(BookStore.save(desk.toSave(path)));
        assertThat(desk.isSaved()).isTrue();
    }

    @Test
    void tunesAreChosenAndABookWithoutTunesIsNoMatter() throws IOException {
        desk.chooseLesson(1);
        assertThat(desk.sight().get().tune().orElseThrow().title()).isEqualTo("Other");
        Path empty = Files.writeString(folder.resolve("empty.abc"), "nothing here\n");
        desk.take(BookStore.open(empty));
        assertThat(desk.sight().get().tune()).isEmpty();
        assertThat(desk.whatFits()).isEmpty();
        for (Runnable verb : List.<Runnable>of(
                desk::placeBest,
                desk::remove,
                desk::copyUp,
                desk::nextOption,
                desk::keepNextBest,
                () -> desk.walk(1),
                () -> desk.walkBar(1),
                () -> desk.cycle(1))) {
            verb.run();
        }
        assertThat(desk.isSaved()).isTrue();
    }

    @Test
    void aStageChangedElsewhereIsKeptUntilTheTeacherChooses() throws IOException {
        desk.choose(new NoteId(3));
        desk.placeBest();
        desk.saved(BookStore.save(desk.toSave(path)));
        String text = Files.readString(path, StandardCharsets.UTF_8);
        int at = text.indexOf("E3F", text.indexOf("stage=2"));
        String changed = text.substring(0, at) + "E3G" + text.substring(at + 3);
        Files.writeString(path, changed);
        desk.take(BookStore.open(path));
        assertThat(desk.problems()).hasSize(1);
        assertThat(desk.undecided()).isPresent();
        desk.keepAsTune(desk.undecided().orElseThrow());
        assertThat(desk.undecided()).isEmpty();
        assertThat(desk.sight().get().book().lessons()).hasSize(3);
        desk.undo();
        desk.takeSaved(desk.undecided().orElseThrow());
        assertThat(desk.sight().get().book().lessons()).hasSize(2);
        assertThat(desk.undecided()).isEmpty();
        desk.undo();
        desk.saved(BookStore.save(desk.toSave(path)));
        assertThat(path).hasContent(changed);
    }
}
