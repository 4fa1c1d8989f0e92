package wildflourish.desktop.window;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.scene.layout.Region;
import wildflourish.core.plain.HardSpot;
import wildflourish.core.version.Change;
import wildflourish.desktop.bench.FitsPanel;
import wildflourish.desktop.bench.ScoreView;
import wildflourish.desktop.closeup.CloseUpView;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.look.Frames;
import wildflourish.desktop.plain.BestFitView;
import wildflourish.desktop.plain.ChartView;
import wildflourish.desktop.plain.LookOverPanel;

/** What stands in the middle of the window, beside the score and below it, one panel in each place at a time. */
final class Panels {
    private static final double SCRUB_MILLIS = 5;

    private final Desk desk;
    private final ScoreView score;
    private final Transport transport;
    private final Frames frames;
    private final FitsPanel fits;
    private final CloseUpView closeUp;
    private final WritePanel write;
    private final ChartView chart;
    private final LookOverPanel lookOver;
    private final BestFitView bestFit;
    private final FinderPanel finder = new FinderPanel("finder", "What you can do", this::leaveFinder);
    private final FinderPanel done = new FinderPanel("done", "What you did", this::leaveFinder);
    private final Deck middle;
    private final Deck side;
    private final Deck under = Deck.following();
    private final ReadOnlyBooleanWrapper writing = new ReadOnlyBooleanWrapper();
    private final ReadOnlyBooleanWrapper near = new ReadOnlyBooleanWrapper();
    private List<FinderPanel.Entry> doable = List.of();

    Panels(Desk desk, ScoreView score, Transport transport, Habits habits, Surroundings around, LongWork work) {
        this.desk = desk;
        this.score = score;
        this.transport = transport;
        this.frames = around.frames();
        LookOverPanel.Away away = new LookOverPanel.Away() {
            @Override
            public <T> void work(Supplier<T> question, Consumer<T> then) {
                work.start(
                        "Looking the tune over",
                        progress -> question.get(),
                        then,
                        e -> desk.say("That cannot be worked out: " + e.getMessage()));
            }
        };
        fits = new FitsPanel(desk, frames);
        closeUp = new CloseUpView(desk);
        write = new WritePanel(desk);
        chart = new ChartView(desk, habits::chooseInstrument, around.soon());
        lookOver = new LookOverPanel(
                desk,
                new LookOverPanel.Choices(this::loop, habits::chooseInstrument, () -> showBestFit(true), away),
                frames);
        bestFit = new BestFitView(
                desk,
                new BestFitView.Choices(habits::chooseInstrument, habits::owned, habits::rememberOwned, away),
                frames);
        middle = Deck.of(score);
        side = Deck.of(fits);
        List.of(finder, done, lookOver, closeUp, write, chart, bestFit).forEach(panel -> panel.setVisible(false));
    }

    /** The place of the score. */
    Deck middle() {
        return middle;
    }

    /** The place beside it. */
    Deck side() {
        return side;
    }

    /** The place below it. */
    Deck under() {
        return under;
    }

    /** Those that are in sight at first are to be dressed. */
    void dressFront(Dress dress) {
        dress.with(score, score::setTheme).with(fits, fits::setTheme);
    }

    /** Those that come into sight later are to be dressed. */
    void dressBehind(Dress dress) {
        dress.with(closeUp, closeUp::setTheme)
                .with(write, write::fold, () -> List.of(write::fill))
                .with(lookOver)
                .with(finder, finder::fold, finder::unfoldInSight)
                .with(done, done::fold, done::unfoldInSight)
                .with(bestFit)
                .with(chart, chart::setTheme);
    }

    /** What one can do, for {@link #findAction}. */
    void offer(List<FinderPanel.Entry> all) {
        doable = all;
    }

    /** Makes what is not in sight yet ready for its first time, piece by piece; for when everything in sight is there. */
    void prepare() {
        finder.fill(doable);
        done.fill(doneSoFar());
        frames.execute(this::warmFocus);
        frames.execute(fits::prepare);
        List.of(finder, done, lookOver).forEach(panel -> frames.execute(() -> side.prepare(panel, frames)));
        List.of(finder, done).forEach(panel -> frames.execute(() -> frames.next(panel.unfold())));
        List.of(closeUp, write).forEach(panel -> frames.execute(() -> under.prepare(panel, frames)));
        List.of(chart, bestFit).forEach(panel -> frames.execute(() -> middle.prepare(panel, frames)));
        frames.execute(bestFit::prepare);
        frames.execute(() -> closeUp.show(transport.realisation()));
    }

    /** The first field that gets the focus makes the toolkit bring up what it types with, which takes longer than a keystroke may. */
    private void warmFocus() {
        if (score.isFocused()) {
            fits.focusWords();
            score.requestFocus();
        }
    }

    // Below the score: text or close-up, one at a time

    /** Shows the text of the tune, to be typed, or hides it. */
    void showWrite(boolean isShown) {
        if (isShown) {
            showCloseUp(false);
            under.show(write);
            write.fill();
            write.focus();
        } else {
            if (isWriting()) {
                under.clear();
            }
            write.finish();
            score.requestFocus();
        }
        writing.set(isShown);
    }

    boolean isWriting() {
        return under.isInFront(write);
    }

    /** Whether the text of the tune is shown. */
    ReadOnlyBooleanProperty writing() {
        return writing.getReadOnlyProperty();
    }

    /** Shows the chosen spot in milliseconds, or hides it. */
    void showCloseUp(boolean isShown) {
        if (isShown) {
            if (isWriting()) {
                showWrite(false);
            }
            under.show(closeUp);
        } else if (isCloseUp()) {
            under.clear();
        }
        near.set(isShown);
        lookClose();
    }

    boolean isCloseUp() {
        return under.isInFront(closeUp);
    }

    /** Whether the close-up is shown. */
    ReadOnlyBooleanProperty near() {
        return near.getReadOnlyProperty();
    }

    /** The close-up of what is chosen now, where it is shown. */
    void lookClose() {
        if (isCloseUp()) {
            closeUp.show(transport.realisation());
        }
    }

    /** Where the close-up is shown, its pointer goes a little later for 1, earlier for −1. */
    void scrub(int direction) {
        closeUp.scrubBy(direction * SCRUB_MILLIS);
    }

    /** What of the tune is heard now, in milliseconds from its beginning. */
    void hear(Optional<Double> millis) {
        if (isCloseUp()) {
            closeUp.setHeard(millis);
        }
    }

    // In place of the score

    /** The chart of the instrument in place of the score, or the score again. */
    void showChart(boolean isShown) {
        bring(isShown ? chart : score);
    }

    private void bring(Region panel) {
        middle.show(panel);
        panel.requestFocus();
    }

    /** Whether the score is in front. */
    boolean isScore() {
        return middle.isInFront(score);
    }

    boolean isChart() {
        return middle.isInFront(chart);
    }

    /** Which instrument the tune lies best on, in place of the score, or the score again. */
    void showBestFit(boolean isShown) {
        bring(isShown ? bestFit : score);
        if (isShown) {
            bestFit.show();
        }
    }

    /** A second key beside the first one of the best fit, so many semitones up from the written key. */
    void compareKeys(int semitones) {
        bestFit.compare(semitones);
    }

    boolean isBestFit() {
        return middle.isInFront(bestFit);
    }

    /** One phrase at a time, large; B goes on to the next. */
    void showLens(boolean isShown) {
        score.setLens(isShown);
        if (isShown) {
            showChart(false);
            desk.say("One phrase, large: B goes on to the next, Shift+B back, L loops it, J shows the whole tune");
        }
    }

    // Beside the score

    /** The look-over of the plain tune in place of what fits, or what fits again. */
    void showLookOver(boolean isShown) {
        side.show(isShown ? lookOver : fits);
        if (isShown) {
            lookOver.show();
        }
    }

    boolean isLookOver() {
        return side.isInFront(lookOver);
    }

    void namePhrase() {
        showLookOver(true);
        lookOver.focusName();
    }

    private void loop(HardSpot spot) {
        desk.choose(spot.at());
        transport.loop(spot.loop().first(), spot.loop().last());
    }

    /** Everything one can do, to be found by typing. */
    void findAction() {
        finder.fill(doable);
        show(finder);
    }

    /** Everything that was done since the book was opened; choosing one goes back to just after it. */
    void findDone() {
        done.fill(doneSoFar());
        show(done);
    }

    private List<FinderPanel.Entry> doneSoFar() {
        List<Change> changes = desk.done();
        List<FinderPanel.Entry> entries = new ArrayList<>();
        for (int i = 0; i < changes.size(); i++) {
            int later = i;
            entries.add(new FinderPanel.Entry(
                    Desk.describe(changes.get(i).deed()), i == 0 ? "now" : i + " back", () -> takeBack(later)));
        }
        entries.add(new FinderPanel.Entry(
                "the book as it was opened",
                changes.isEmpty() ? "now" : changes.size() + " back",
                () -> takeBack(changes.size())));
        return entries;
    }

    private void takeBack(int changes) {
        IntStream.range(0, changes).forEach(each -> desk.undo());
    }

    private void show(FinderPanel panel) {
        side.show(panel);
        frames.next(panel.unfold());
        panel.focus();
    }

    /** Back to what fits, and to the score. */
    void leaveFinder() {
        if (!side.isInFront(fits)) {
            side.show(fits);
            List.of(finder, done).forEach(panel -> frames.next(panel.forget()));
            middle.front().ifPresent(Region::requestFocus);
        } else {
            showChart(false);
        }
    }
}
