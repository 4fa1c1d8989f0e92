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
        desk.does(here -> Choosing.stage(here, 1));
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
        desk.does(here -> Choosing.walk(here, -1));
        assertThat(desk.sight().get().note()).contains(new NoteId(0));
        desk.does(here -> Choosing.walk(here, 3));
        assertThat(desk.sight().get().note()).contains(new NoteId(3));
        desk.does(here -> Choosing.walkBar(here, 1));
        assertThat(desk.sight().get().note()).contains(new NoteId(6));
        desk.does(here -> Choosing.walkBar(here, -1));
        assertThat(desk.sight().get().note()).contains(new NoteId(0));
        desk.does(here -> Choosing.walk(here, 10_000));
        int last = desk.sight().get().tune().orElseThrow().notes().size() - 1;
        assertThat(desk.sight().get().note()).contains(new NoteId(last));
    }

    @Test
    void oneVerbPlacesTheBestAnotherCyclesAndRemoves() {
        desk.does(here -> Choosing.note(here, new NoteId(3)));
        desk.does(Placing::best);
        String best = here();
        assertThat(desk.said().get()).startsWith("Placed a ").contains(" on G4, bar 1, on beat 3");
        int choices = desk.here().whatFits().orElseThrow().fitting().size();
        assertThat(choices).isGreaterThan(8);
        List<String> seen = new ArrayList<>();
        for (int i = 0; i < choices; i++) {
            seen.add(here());
            desk.does(here -> Placing.cycle(here, 1));
        }
        assertThat(seen).contains("short-roll", "cut", "tap");
        assertThat(here()).isEqualTo(best);
        desk.does(here -> Placing.cycle(here, -1));
        assertThat(here()).isEqualTo(seen.get(choices - 1));
        desk.does(Placing::remove);
        assertThat(here()).isEqualTo("–");
        desk.does(Placing::remove);
        assertThat(desk.said().get()).isEqualTo("There is no ornament on this note.");
    }

    @Test
    void whereNothingFitsItSaysWhy() {
        desk.does(here -> Choosing.profile(here, Profile.of("learner")));
        desk.does(here -> Stages.tempo(here, Tempo.of(400, Fraction.of(1, 2))));
        desk.does(here -> Writing.correct(here, wildflourish.files.abc.TuneEditor::insertedRest));
        NoteId rest = desk.sight().get().tune().orElseThrow().notes().stream()
                .filter(note -> note.isRest())
                .findFirst()
                .orElseThrow()
                .id();
        desk.does(here -> Choosing.note(here, rest));
        desk.does(Placing::best);
        assertThat(here()).isEqualTo("–");
        assertThat(desk.said().get())
                .startsWith("A rest has nothing to ornament")
                .endsWith(".");
    }

    @Test
    void optionsAreKeptAndTurned() {
        desk.does(here -> Choosing.note(here, new NoteId(3)));
        desk.does(Placing::best);
        desk.does(Options::keepNextBest);
        assertThat(desk.here().spot().orElseThrow().options()).hasSize(2);
        desk.does(Options::next);
        assertThat(here()).isNotEqualTo("short-roll");
        desk.does(here -> Choosing.note(here, new NoteId(0)));
        desk.does(Options::next);
        assertThat(desk.said().get()).contains("Only spots with several options");
    }

    @Test
    void everyVerbIsUndoneAndDoneAgain() {
        Random random = new Random(3);
        Book start = desk.sight().get().book();
        List<Runnable> verbs = List.of(
                () -> desk.does(Placing::best),
                () -> desk.does(here -> Placing.cycle(here, 1)),
                () -> desk.does(Options::keepNextBest),
                () -> desk.does(Options::next),
                () -> desk.does(Placing::remove),
                () -> desk.does(Stages::copyUp),
                () -> desk.does(here -> Stages.school(here, School.all().get(random.nextInt(4)))),
                () -> desk.does(here -> Stages.tempo(here, Tempo.of(60 + random.nextInt(60), Fraction.of(1, 2)))));
        for (int i = 0; i < 120; i++) {
            desk.does(here -> Choosing.walk(here, random.nextInt(7) - 3));
            desk.does(here -> Choosing.stage(here, random.nextInt(3)));
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
        assertThat(desk.sight().get().filed().isSaved()).isTrue();
        desk.undo();
        assertThat(desk.said().get()).isEqualTo("There is nothing to undo.");
        for (int i = 0; i < changes; i++) {
            desk.redo();
        }
        assertThat(desk.sight().get().book()).isEqualTo(end);
    }

    @Test
    void aBookIsSavedAndReopenedToTheLastPlacement() throws IOException {
        desk.does(here -> Choosing.note(here, new NoteId(3)));
        desk.does(Placing::best);
        desk.does(Options::keepNextBest);
        assertThat(desk.sight().get().filed().isSaved()).isFalse();
        Path other = folder.resolve("other.abc");
        desk.saved(BookStore.save(desk.toSave(other)));
        assertThat(desk.sight().get().filed().isSaved()).isTrue();
        assertThat(desk.sight().get().filed().path()).isEqualTo(other);
        Book saved = desk.sight().get().book();
        Desk again = new Desk(BookStore.open(other));
        assertThat(again.sight().get().book()).isEqualTo(saved);
        assertThat(again.sight().get().filed().problems()).isEmpty();
    }

    @Test
    void whatIsDoneWhileASaveIsOnItsWayStaysUnsaved() throws IOException {
        desk.does(here -> Choosing.note(here, new NoteId(3)));
        desk.does(Placing::best);
        var asked = desk.toSave(path);
        desk.does(Placing::remove);
        desk.saved(BookStore.save(asked));
        assertThat(desk.sight().get().filed().isSaved()).isFalse();
        assertThat(desk.sight().get().filed().path()).isEqualTo(path);
        desk.saved(BookStore.save(desk.toSave(path)));
        assertThat(desk.sight().get().filed().isSaved()).isTrue();
    }

    @Test
    void tunesAreChosenAndABookWithoutTunesIsNoMatter() throws IOException {
        desk.does(here -> Choosing.lesson(here, 1));
        assertThat(desk.sight().get().tune().orElseThrow().title()).isEqualTo("Other");
        Path empty = Files.writeString(folder.resolve("empty.abc"), "nothing here\n");
        desk.take(BookStore.open(empty));
        assertThat(desk.sight().get().tune()).isEmpty();
        assertThat(desk.here().whatFits()).isEmpty();
        for (Runnable verb : List.<Runnable>of(
                () -> desk.does(Placing::best),
                () -> desk.does(Placing::remove),
                () -> desk.does(Stages::copyUp),
                () -> desk.does(Options::next),
                () -> desk.does(Options::keepNextBest),
                () -> desk.does(here -> Choosing.walk(here, 1)),
                () -> desk.does(here -> Choosing.walkBar(here, 1)),
                () -> desk.does(here -> Placing.cycle(here, 1)))) {
            verb.run();
        }
        assertThat(desk.sight().get().filed().isSaved()).isTrue();
    }

    @Test
    void aStageChangedElsewhereIsKeptUntilTheTeacherChooses() throws IOException {
        desk.does(here -> Choosing.note(here, new NoteId(3)));
        desk.does(Placing::best);
        desk.saved(BookStore.save(desk.toSave(path)));
        String text = Files.readString(path, StandardCharsets.UTF_8);
        int at = text.indexOf("E3F", text.indexOf("stage=2"));
        String changed = text.substring(0, at) + "E3G" + text.substring(at + 3);
        Files.writeString(path, changed);
        desk.take(BookStore.open(path));
        assertThat(desk.sight().get().filed().problems()).hasSize(1);
        assertThat(desk.here().undecided()).isPresent();
        desk.does(here -> AlteredStages.keepAsTune(here, here.undecided().orElseThrow()));
        assertThat(desk.here().undecided()).isEmpty();
        assertThat(desk.sight().get().book().lessons()).hasSize(3);
        desk.undo();
        desk.does(here -> AlteredStages.takeSaved(here, here.undecided().orElseThrow()));
        assertThat(desk.sight().get().book().lessons()).hasSize(2);
        assertThat(desk.here().undecided()).isEmpty();
        desk.undo();
        desk.saved(BookStore.save(desk.toSave(path)));
        assertThat(path).hasContent(changed);
    }
}
