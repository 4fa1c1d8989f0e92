package wildflourish.core.version;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import wildflourish.core.Melody;
import wildflourish.core.RandomVersions;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Remark;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;

/** Placements follow their notes when the tune under them is edited; typing on is one change. */
class EditedLessonTest {
    private static final String LINE = "B4:1 A4:1 B4:1 G4:3 | E4:3 D4:3 |";
    private final Tune tune = Melody.jig(LINE);
    private final Stair stair = Stair.starting(tune, Instrument.of("whistle-d"), 2)
            .placed(tune, 0, Placement.of(Ornament.of("long-roll"), Melody.span(0, 2)))
            .placed(tune, 0, Placement.of(Ornament.of("cran"), Melody.span(5, 5)));
    private final Lesson lesson = Lesson.plain(tune).with(stair);

    private static Version root(Lesson.Edited edited) {
        return edited.lesson().stairs().get(0).at(0);
    }

    @Test
    void anUneditedTuneKeepsEverything() {
        assertThat(lesson.edited(Melody.jig(LINE)).lesson()).isEqualTo(lesson);
    }

    @Test
    void aNotePutInBeforeMovesNothingFromItsNote() {
        Lesson.Edited edited = lesson.edited(Melody.jig(LINE.replace("E4:3", "E4:1 F♯4:2")));
        assertThat(edited.lost()).isZero();
        assertThat(root(edited).spots()).containsOnlyKeys(new NoteId(0), new NoteId(5));
        Tune after = edited.lesson().tune();
        assertThat(after.note(new NoteId(5)).melody()).hasToString("D4");
    }

    @Test
    void aSpanThatLosesANoteKeepsToTheRestAndTheCriticTells() {
        Lesson.Edited edited = lesson.edited(Melody.jig(LINE.replace("A4:1 B4:1", "A4:2")));
        Tune after = edited.lesson().tune();
        Version version = root(edited);
        assertThat(edited.lost()).isZero();
        assertThat(version.spots()).containsKey(new NoteId(0));
        assertThat(Remark.of(after, version, Profile.usual()))
                .extracting(Remark::at)
                .contains(new NoteId(0));
    }

    @Test
    void aPinnedFingeringFollowsItsNoteForAsLongAsItKeepsItsPitch() {
        Lesson pinned = lesson.with(stair.pinned(new NoteId(3), "XXXOOO").pinned(new NoteId(5), "OXXXXX"));
        assertThat(pinned.stairs().get(0).stages())
                .allMatch(stage -> stage.at(new NoteId(3)).orElseThrow().pin().equals("XXXOOO"));
        Version version = root(pinned.edited(Melody.jig("C5:1 " + LINE.replace("D4:3", "E4:3"))));
        assertThat(version.at(new NoteId(3)).orElseThrow().pin()).isEqualTo("XXXOOO");
        assertThat(version.at(new NoteId(5)).orElseThrow().pin()).isEmpty();
        assertThat(version.at(new NoteId(5)).orElseThrow().options()).hasSize(1);
        assertThat(pinned.stairs().get(0).pinned(new NoteId(3), "").at(0).at(new NoteId(3)))
                .isEmpty();
    }

    @Test
    void aPlacementWithoutAnyNoteLeftIsCounted() {
        Lesson.Edited edited = lesson.edited(Melody.jig("B4:1 A4:1 B4:1 G4:3 | E4:6 |"));
        assertThat(edited.lost()).as("one in each of the two stages").isEqualTo(2);
        assertThat(root(edited).spots()).containsOnlyKeys(new NoteId(0));
    }

    @Test
    void typingOnIsOneChangeUntilItEnds() {
        Book start = new Book(List.of(lesson));
        History history = new History(start);
        Deed deed = new Deed(Deed.Kind.EDIT, "T", "");
        for (String line : List.of("B4:2 ", "B4:3 ", "B4:4 ")) {
            Lesson now = history.book().lessons().get(0);
            Lesson then = now.edited(Melody.jig(line + LINE)).lesson();
            history.applyMerging(Change.of(history.book(), 0, then, deed));
        }
        assertThat(history.done()).hasSize(1);
        history.endMerging();
        Lesson now = history.book().lessons().get(0);
        history.applyMerging(
                Change.of(history.book(), 0, now.edited(Melody.jig(LINE)).lesson(), deed));
        assertThat(history.done()).hasSize(2);
        history.undo();
        history.undo();
        assertThat(history.book()).isEqualTo(start);
        history.redo();
        history.redo();
        assertThat(history.book().lessons().get(0).tune().notes()).hasSize(6);
    }

    @Test
    void typingBackToTheBeginningLeavesNothingToUndo() {
        History history = new History(new Book(List.of(lesson)));
        Deed deed = new Deed(Deed.Kind.EDIT, "T", "");
        Lesson changed = lesson.edited(Melody.jig("B4:2 " + LINE)).lesson();
        history.applyMerging(Change.of(history.book(), 0, changed, deed));
        history.applyMerging(Change.of(history.book(), 0, lesson, deed));
        assertThat(history.done()).isEmpty();
        assertThat(history.isSaved()).isTrue();
    }

    @Test
    void anyEditLeavesAVersionWhoseSpotsAreNotesOfTheTune() {
        RandomVersions generator = new RandomVersions(31);
        for (int i = 0; i < 60; i++) {
            Tune before = generator.tune();
            Tune after = generator.tune();
            Stair made = Stair.starting(before, Instrument.of("whistle-d"), 2).with(1, generator.version(before));
            Lesson.Edited edited = Lesson.plain(before).with(made).edited(after);
            Tune carried = edited.lesson().tune();
            for (Version version : edited.lesson().versions()) {
                version.spots()
                        .values()
                        .forEach(spot -> spot.options().forEach(option -> {
                            assertThat(carried.placeOf(option.span().first()).order())
                                    .isLessThanOrEqualTo(
                                            carried.placeOf(option.span().last())
                                                    .order());
                        }));
            }
        }
    }
}
