package wildflourish.desktop.window;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.Score;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.School;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Profile;
import wildflourish.core.performance.Reeds;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Version;
import wildflourish.desktop.action.Action;
import wildflourish.desktop.action.ActionRow;
import wildflourish.desktop.action.Actions;
import wildflourish.desktop.bench.BenchRoom;
import wildflourish.desktop.desk.Choosing;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Here;
import wildflourish.desktop.desk.Look;
import wildflourish.desktop.desk.Outcome;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.desk.Stages;
import wildflourish.desktop.desk.Writing;
import wildflourish.desktop.look.Theme;
import wildflourish.files.export.ExportForm;

/** What one can do in every room: walk, open, save, take away, undo, choose how things look. */
final class WindowActions {
    private static final int FAR = 100_000;
    private static final int TEMPO_STEP = 2;

    private final Desk desk;
    private final Actions actions;
    private final BookFiles files;
    private final MainWindow window;

    WindowActions(Desk desk, Actions actions, BookFiles files, MainWindow window) {
        this.desk = desk;
        this.actions = actions;
        this.files = files;
        this.window = window;
    }

    void bind() {
        bindBook();
        bindTakeAway();
        bindWalking();
        bindLooks();
        for (Profile each : Profile.all()) {
            actions.put(Action.of(
                            ActionRow.of("student-" + each.id(), "students", "For a student who is " + each.name()),
                            () -> desk.does(here -> Choosing.profile(here, each)))
                    .on(desk.of(sight -> sight.chosen().profile().equals(each))));
        }
        bindPlaying();
        for (int rounds : List.of(2, 3, 4, 6, 8)) {
            actions.put(Action.of(
                            ActionRow.of(
                                    "rounds-" + rounds,
                                    "rounds",
                                    "A first ending " + rounds + " times when a part is drilled"),
                            () -> desk.playback(playback -> playback.withRounds(rounds)))
                    .on(desk.of(sight -> sight.playback().rounds() == rounds)));
        }
    }

    /** Ways of playing; those that the instrument does not know cannot be chosen. */
    private void bindPlaying() {
        for (School each : School.all()) {
            actions.put(Action.of(
                            ActionRow.of("school-" + each.id(), "schools", "School: " + each.name()),
                            () -> desk.does(here -> Stages.school(here, each)))
                    .when(desk.of(sight -> sight.instrument().schools().contains(each)))
                    .on(desk.of(
                            sight -> isPlayed(sight, playing -> playing.school().equals(each)))));
            actions.put(Action.of(
                            ActionRow.of("strokes-" + each.id(), "strokes", "Strokes: " + each.name()),
                            () -> desk.does(here -> Stages.strokes(here, each)))
                    .when(desk.of(sight -> sight.instrument().strokes().contains(each)))
                    .on(desk.of(sight ->
                            isPlayed(sight, playing -> playing.strokes().equals(each)))));
        }
        for (Reeds each : Reeds.values()) {
            actions.put(Action.of(
                            ActionRow.of("reeds-" + each.word(), "reeds", "Reeds of the box: " + each.word()),
                            () -> desk.playback(playback -> playback.withReeds(each)))
                    .when(desk.of(sight -> sight.instrument().family() == Family.TWO_ROW_BOX))
                    .on(desk.of(sight -> sight.playback().reeds() == each)));
        }
    }

    private static boolean isPlayed(Sight sight, Predicate<Playing> how) {
        return sight.version().map(Version::playing).filter(how).isPresent();
    }

    private void does(String id, Function<Here, Outcome> verb) {
        actions.bind(id, () -> desk.does(verb));
    }

    private void bindBook() {
        actions.bind("open", files::open);
        actions.bind("open-beside", files::openBeside);
        actions.bind("save", files::save);
        actions.bind("save-as", files::saveAs);
        actions.bind("new-tune", () -> {
            desk.does(Writing::newTune);
            desk.enter(BenchRoom.ID);
            desk.look(look -> look.withPane(Look.Pane.WRITE));
        });
        does("another-form", Writing::anotherForm);
        actions.bind("print", window::print);
        does("next-tune", here -> Choosing.lesson(here, here.sight().lessonIndex() + 1));
        does("tune-before", here -> Choosing.lesson(here, here.sight().lessonIndex() - 1));
        actions.bind("undo", desk.of(sight -> sight.filed().undoable() > 0), desk::undo);
        actions.bind("redo", desk.of(sight -> sight.filed().redoable() > 0), desk::redo);
        actions.bind("done", window::findDone);
        actions.bind("find", window::findAction);
    }

    private void bindTakeAway() {
        takes("take-pdf", ExportForm.PDF, Paper.a4());
        takes("take-pdf-letter", ExportForm.PDF, Paper.letter());
        actions.bind("take-small-notes", () -> files.takeAwaySmallNotes(Paper.a4()));
        actions.bind(
                "take-handout",
                () -> files.takeAwayHandout(desk.sight().get().look().shows().second(), Paper.a4()));
        actions.bind(
                "take-stages",
                () -> files.takeAwayStages(desk.sight().get().look().shows().second(), Paper.a4()));
        actions.bind("take-phrase-stages", () -> files.takeAwayPhrase(Paper.a4()));
        wholes("take-times-pdf", ExportForm.PDF);
        wholes("take-times-midi", ExportForm.MIDI);
        wholes("take-times-wav", ExportForm.WAV);
        wholes("take-times-abc", ExportForm.ABC);
        actions.bind("take-chart", () -> files.takeAwayChart(ExportForm.PDF, Paper.a4()));
        actions.bind("take-chart-wall", () -> files.takeAwayChart(ExportForm.PDF, Paper.a3()));
        actions.bind("take-chart-svg", () -> files.takeAwayChart(ExportForm.SVG, Paper.a4()));
        actions.bind("take-chart-png", () -> files.takeAwayChart(ExportForm.PNG, Paper.a4()));
        takes("take-png", ExportForm.PNG, Paper.a4());
        takes("take-svg", ExportForm.SVG, Paper.a4());
        actions.bind("take-steps", files::takeAwaySteps);
        takes("take-abc", ExportForm.ABC, Paper.a4());
        takes("take-wav", ExportForm.WAV, Paper.a4());
        takes("take-midi", ExportForm.MIDI, Paper.a4());
        takes("take-musicxml", ExportForm.MUSICXML, Paper.a4());
    }

    private void wholes(String id, ExportForm form) {
        actions.bind(id, () -> files.takeAwayTimes(form));
    }

    private void takes(String id, ExportForm form, Paper paper) {
        actions.bind(id, () -> files.takeAway(form, paper));
    }

    private void bindWalking() {
        does("next-note", here -> Choosing.walk(here, 1));
        does("note-before", here -> Choosing.walk(here, -1));
        does("next-bar", here -> Choosing.walkBar(here, 1));
        does("bar-before", here -> Choosing.walkBar(here, -1));
        actions.bind("line-below", () -> window.walkLine(1));
        actions.bind("line-above", () -> window.walkLine(-1));
        does("next-phrase", here -> Choosing.walkPhrase(here, 1));
        does("phrase-before", here -> Choosing.walkPhrase(here, -1));
        does("first-note", here -> Choosing.walk(here, -FAR));
        does("last-note", here -> Choosing.walk(here, FAR));
        does("range-on", here -> Choosing.stretch(here, 1));
        does("range-back", here -> Choosing.stretch(here, -1));
        does("range-phrase", Choosing::phraseRange);
        does("stage-above", here -> Choosing.climb(here, 1));
        does("stage-below", here -> Choosing.climb(here, -1));
        does("tempo-up", here -> faster(here, TEMPO_STEP));
        does("tempo-down", here -> faster(here, -TEMPO_STEP));
        actions.bind("back", window::back);
    }

    private static Outcome faster(Here here, int beats) {
        return here.sight()
                .version()
                .map(version -> version.playing().tempo())
                .map(tempo -> Stages.tempo(here, moved(tempo, beats)))
                .orElse(Outcome.nothing());
    }

    private static Tempo moved(Tempo tempo, int beats) {
        Fraction wanted = tempo.beatsPerMinute().plus(Fraction.of(beats));
        return new Tempo(wanted.max(Fraction.of(20)).min(Fraction.of(400)), tempo.beatLength());
    }

    private void bindLooks() {
        theme("light", Optional.of(Theme.LIGHT));
        theme("dark", Optional.of(Theme.DARK));
        theme("as-system", Optional.empty());
        actions.bind(
                "other-theme",
                () -> desk.look(look ->
                        look.withTheme(Optional.of(Habits.themeOf(look.theme()).other()))));
        for (Score.Fingerings each : Score.Fingerings.values()) {
            String words = switch (each) {
                case ALL -> "Fingerings under all notes";
                case FIRST_OF_EACH -> "Fingerings under the first of each";
                case NONE -> "No fingerings";
            };
            actions.put(Action.of(
                            ActionRow.of("fingerings-" + each.name().toLowerCase(Locale.ROOT), "fingerings", words),
                            () -> desk.look(look -> look.withShows(look.shows().withFingerings(each))))
                    .on(desk.of(sight -> sight.look().shows().fingerings() == each)));
        }
    }

    private void theme(String id, Optional<Theme> theme) {
        actions.bindOn(
                id,
                desk.of(sight -> sight.look().theme().equals(theme)),
                () -> desk.look(look -> look.withTheme(theme)));
    }
}
