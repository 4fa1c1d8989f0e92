package wildflourish.desktop.window;

import java.util.Optional;
import javafx.scene.canvas.Canvas;
import wildflourish.core.engraving.ChartSheet;
import wildflourish.core.engraving.Engraver;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.Score;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Step;
import wildflourish.core.performance.Realiser;
import wildflourish.core.plain.BestFit;
import wildflourish.core.problem.Parsed;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Version;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.desk.Writing;
import wildflourish.desktop.look.CanvasPainter;
import wildflourish.desktop.look.Theme;
import wildflourish.desktop.plain.ChartView;
import wildflourish.files.abc.TuneEditor;
import wildflourish.files.store.StoredBook;

/**
 * Goes through what will be asked for, with the demo book on a desk that nobody sees, beside the window: what a machine does for the first time takes it several
 * times as long as later.
 */
final class DeskRehearsal {
    private static final int TIMES = 4;
    private static final int FIRST_NOTE = 4;
    private static final int NOTES = 6;
    private static final double PIXELS_PER_SPACE = 7;

    private final Desk desk;

    DeskRehearsal(Parsed<StoredBook> book, Instrument instrument) {
        desk = new Desk(book);
        desk.chooseInstrument(instrument);
    }

    /** Begins on a thread of its own, with the instrument that is worked on. */
    static void begin(Parsed<StoredBook> book, Instrument instrument) {
        Thread thread = new Thread(new DeskRehearsal(book, instrument)::run, "rehearsal");
        thread.setDaemon(true);
        thread.start();
    }

    /** Goes through everything; afterwards the desk has its book as it was. */
    Desk run() {
        for (int time = 0; time < TIMES; time++) {
            desk.chooseLesson(0);
            desk.chooseStage(1);
            desk.walk(FIRST_NOTE);
            place();
            write();
            show();
            desk.chooseLesson(1);
            while (!desk.done().isEmpty()) {
                desk.undo();
            }
        }
        return desk;
    }

    private void place() {
        for (int note = 0; note < NOTES; note++) {
            desk.walk(1);
            desk.whatFits();
            desk.placeBest();
            desk.cycle(1);
            desk.keepNextBest();
            desk.nextOption();
            desk.fingers().next();
            desk.remove();
            desk.undo();
            desk.redo();
        }
        desk.walkBar(1);
        desk.walkPhrase(1);
        desk.copyUp();
    }

    private void write() {
        Writing writing = desk.writing();
        for (Step step : Step.values()) {
            writing.add((editor, note) -> editor.inserted(note, step));
            writing.correct((editor, note) -> editor.stepped(note, 1));
            writing.correct((editor, note) -> editor.altered(note, 1));
        }
        writing.correct(TuneEditor::tied);
        writing.takeOut();
        writing.turnPhrase();
        writing.transpose(1);
        writing.nextMetre(1);
        writing.moveKey(1);
        writing.anotherForm();
    }

    /** The score, its sound and the chart as they would be shown. */
    private void show() {
        Sight sight = desk.sight().get();
        Optional<Tune> tune = sight.tune();
        Optional<Version> version = sight.version();
        if (tune.isPresent() && version.isPresent()) {
            Score score = new Score(tune.get(), version, Score.Shows.BENCH);
            paint(Engraver.engrave(score, Paper.endless(FirstSight.WIDTH_SPACES))
                    .get(0));
            Realiser.realise(
                    tune.get(),
                    version.get(),
                    sight.chosen().profile(),
                    version.get().playing().tempo());
        }
        for (Family.Kind kind : Family.Kind.values()) {
            tune.ifPresent(each -> BestFit.of(each, BestFit.instruments(kind), 0));
        }
        ChartSheet.of(sight.chosen().instrument(), Paper.endless(FirstSight.WIDTH_SPACES), ChartView.frames(sight));
    }

    /** On a canvas in no window. */
    private static void paint(Page page) {
        Canvas canvas = new Canvas(FlourishApp.WIDTH, FlourishApp.HEIGHT);
        CanvasPainter.paint(canvas.getGraphicsContext2D(), page.drawn(), Theme.LIGHT.palette(), PIXELS_PER_SPACE);
    }
}
