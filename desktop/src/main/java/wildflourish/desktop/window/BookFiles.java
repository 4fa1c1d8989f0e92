package wildflourish.desktop.window;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.scene.control.Button;
import javafx.scene.control.TextArea;
import wildflourish.core.engraving.Handout;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.PhraseSheet;
import wildflourish.core.form.Phrasing;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.problem.Parsed;
import wildflourish.core.problem.Problem;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Book;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.words.Cautions;
import wildflourish.core.words.Steps;
import wildflourish.desktop.action.Controls;
import wildflourish.desktop.chart.ChartRoom;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.files.export.ChartExporter;
import wildflourish.files.export.ExportForm;
import wildflourish.files.export.Exporter;
import wildflourish.files.midi.MidiReader;
import wildflourish.files.paint.PdfPainter;
import wildflourish.files.store.BookStore;
import wildflourish.files.store.ChangedUnderneathException;
import wildflourish.files.store.StoredBook;

/** Opening, saving and taking away, with a notice and a way on wherever something stands against it. */
final class BookFiles {
    private static final int MOST_ROWS = 8;

    private final Desk desk;
    private final Surroundings around;
    private final Banner banner;
    private final Safekeeping safekeeping;
    private final Preferences preferences;
    private final LongWork work;
    private final ImportNotice imported;

    BookFiles(
            Desk desk,
            Surroundings around,
            Banner banner,
            Safekeeping safekeeping,
            Preferences preferences,
            LongWork work) {
        this.desk = desk;
        this.around = around;
        this.preferences = preferences;
        this.banner = banner;
        this.safekeeping = safekeeping;
        this.work = work;
        this.imported = new ImportNotice(desk, banner, this::putRight);
    }

    /** With the book that is on the desk when the window appears. */
    void begin() {
        tell();
        remember();
        safekeeping.opened();
    }

    void close() {
        safekeeping.close();
    }

    private static Button button(String words, String id, String tip, Runnable verb) {
        return Controls.button(words, id, tip, verb);
    }

    private boolean isSaved() {
        return desk.sight().get().filed().isSaved();
    }

    private Path path() {
        return desk.sight().get().filed().path();
    }

    private List<Problem> problems() {
        return desk.sight().get().filed().problems();
    }

    // Opening

    void open() {
        around.picker().toOpen().ifPresent(this::open);
    }

    /** Another book in a further window; this one stays as it is. */
    void openBeside() {
        around.picker().toOpen().ifPresent(path -> read(path, around.anotherWindow()));
    }

    /** The books opened last, the latest first. */
    List<Path> recent() {
        return preferences.recent();
    }

    /** The book is among those opened last, next time too; written away from the window's thread. */
    private void remember() {
        Path book = path();
        around.soon().execute(() -> {
            try {
                if (Files.isRegularFile(book)) {
                    preferences.addRecent(book);
                }
            } catch (IOException e) {
                Platform.runLater(() -> desk.say("The list of recent books cannot be kept: " + e.getMessage()));
            }
        });
    }

    void open(Path path) {
        if (!isSaved()) {
            askBeforeLosing("open", "Open the other book", () -> openNow(path, agreed()));
            return;
        }
        openNow(path, Optional.empty());
    }

    private Optional<Book> agreed() {
        return Optional.of(desk.sight().get().book());
    }

    /** @param mayGo the state of the present book that the user has said may go unsaved */
    private void openNow(Path path, Optional<Book> mayGo) {
        read(path, opened -> arrived(opened, mayGo));
    }

    private void read(Path path, Consumer<Parsed<StoredBook>> then) {
        work.start(
                "Reading " + path.getFileName(),
                progress -> BookStore.open(path, progress),
                then,
                e -> desk.say("Cannot open: " + e.getMessage()));
    }

    /** A book has been read; what was changed meanwhile in the one it replaces is asked about. */
    private void arrived(Parsed<StoredBook> opened, Optional<Book> mayGo) {
        if (!isSaved() && !mayGo.equals(agreed())) {
            askBeforeLosing("open", "Open the other book", () -> take(opened));
            return;
        }
        take(opened);
    }

    private void take(Parsed<StoredBook> opened) {
        banner.hide("unsaved");
        banner.hide("changed");
        banner.hide(ImportNotice.KIND);
        safekeeping.leave();
        desk.take(opened);
        remember();
        tell();
        safekeeping.opened();
    }

    /** What is to be said of a book that has just come. */
    private void tell() {
        if (!imported.tell()) {
            tellProblems();
        }
    }

    /** The file that the book was made of is read once more, with what the teacher has put right; what was done in the book meanwhile is asked about. */
    private void putRight(Path from, MidiReader.Corrections corrections) {
        if (desk.sight().get().filed().undoable() > 0) {
            askBeforeLosing("import", "Read it again", () -> readAgain(from, corrections));
            return;
        }
        readAgain(from, corrections);
    }

    private void readAgain(Path from, MidiReader.Corrections corrections) {
        work.start(
                "Reading " + from.getFileName() + " again",
                progress -> BookStore.open(from, corrections, progress),
                this::take,
                e -> desk.say("Cannot read it again: " + e.getMessage()));
    }

    private void tellProblems() {
        if (problems().isEmpty()) {
            banner.hide("problems");
            return;
        }
        int count = problems().size();
        String more = count > 1 ? "   (and " + (count - 1) + " more)" : "";
        Button all = button("Show all", "all-problems", "Lists every problem with its line", this::listProblems);
        banner.show("problems", "Read with care: " + problems().get(0) + more, all, seen());
    }

    private Button seen() {
        return button("Good", "problems-seen", "Hides this", () -> banner.hide("problems"));
    }

    private void listProblems() {
        String all =
                String.join("\n", problems().stream().map(Problem::toString).toList());
        TextArea list = new TextArea(all);
        list.setId("problem-list");
        list.setEditable(false);
        list.setWrapText(true);
        list.setPrefRowCount(Math.min(MOST_ROWS, problems().size() + 1));
        banner.show("problems", list, seen());
    }

    // Saving

    void save() {
        save(path());
    }

    void saveAs() {
        around.picker().toSave(nameOf(path()), "abc").ifPresent(this::save);
    }

    private void save(Path path) {
        save(path, () -> {});
    }

    private void save(Path path, Runnable then) {
        StoredBook asked = desk.toSave(path);
        work.start(
                "Saving to " + path.getFileName(),
                progress -> saved(asked),
                now -> {
                    safekeeping.saving(path);
                    desk.saved(now);
                    safekeeping.saved();
                    remember();
                    banner.hide("changed");
                    banner.hide(ImportNotice.KIND);
                    then.run();
                },
                this::notSaved);
    }

    private static StoredBook saved(StoredBook asked) throws IOException {
        Path folder = asked.path().toAbsolutePath().getParent();
        if (folder != null) {
            Files.createDirectories(folder);
        }
        return BookStore.save(asked);
    }

    private void notSaved(IOException e) {
        if (e instanceof ChangedUnderneathException) {
            offerWaysRoundOthersChange();
        } else {
            desk.say("Cannot save: " + e.getMessage()
                    + ". Save to another place with Ctrl+Shift+S; nothing is lost here.");
        }
    }

    private void offerWaysRoundOthersChange() {
        desk.say("Not saved: another program has changed the file");
        banner.show(
                "changed",
                "Another program has changed " + path().getFileName()
                        + " since it was opened here. Nothing is lost yet.",
                button("Save over it", "save-over", "What the other program wrote is replaced", this::saveOver),
                button("Save to another file", "save-beside", "Both are kept", this::saveAs),
                button(
                        "Open what is there",
                        "open-theirs",
                        "The changes made here are asked about first",
                        () -> open(path())));
    }

    private void saveOver() {
        desk.replaceOnSave();
        save(path());
    }

    private static String nameOf(Path path) {
        return String.valueOf(path.getFileName()).replaceFirst("\\.[^.]*$", "");
    }

    // Taking away

    void takeAway(ExportForm form, Paper paper) {
        takeAway(form, new Exporter(desk.sight().get().chosen().profile(), paper));
    }

    /** A PDF with the ornaments written out as small notes in place of signs. */
    void takeAwaySmallNotes(Paper paper) {
        takeAway(ExportForm.PDF, new Exporter(desk.sight().get().chosen().profile(), paper).withSmallNotes());
    }

    /** What a student takes home of the plain tune, as a PDF. */
    void takeAwayHandout(Optional<Instrument> second, Paper paper) {
        Sight sight = desk.sight().get();
        if (sight.tune().isEmpty() || sight.version().isEmpty()) {
            desk.say("There is no tune to take away: open a book first.");
            return;
        }
        Tune tune = sight.tune().get();
        Version version = sight.version().get();
        String title = "Handout " + tune.title();
        write(
                title,
                "pdf",
                progress -> PdfPainter.paint(
                        Handout.of(tune, version, second, sight.chosen().profile(), paper),
                        title,
                        paper.spaceMillimetres()));
    }

    /** The plain tune and every stage of the stair in one PDF, each with what is new in it. */
    void takeAwayStages(Optional<Instrument> second, Paper paper) {
        Sight sight = desk.sight().get();
        if (sight.tune().isEmpty() || sight.stair().isEmpty()) {
            desk.say("There is no tune to take away: open a book first.");
            return;
        }
        Tune tune = sight.tune().get();
        List<Version> stages = sight.stair().get().stages();
        String title = "Stages " + tune.title();
        write(
                title,
                "pdf",
                progress -> PdfPainter.paint(
                        Handout.ofStages(tune, stages, second, sight.chosen().profile(), paper),
                        title,
                        paper.spaceMillimetres()));
    }

    /** The phrase of the chosen note through all stages, below each other. */
    void takeAwayPhrase(Paper paper) {
        Sight sight = desk.sight().get();
        if (sight.tune().isEmpty() || sight.stair().isEmpty() || sight.note().isEmpty()) {
            desk.say("There is no phrase to take away: open a book first.");
            return;
        }
        Tune tune = sight.tune().get();
        NoteId note = sight.note().get();
        List<Version> stages = sight.stair().get().stages();
        String phrase = Phrasing.of(tune).at(tune.placeOf(note).bar()).name() + " of " + tune.title();
        write(
                phrase,
                "pdf",
                progress -> PdfPainter.paint(
                        PhraseSheet.of(tune, stages, note, sight.chosen().profile(), paper),
                        phrase,
                        paper.spaceMillimetres()));
    }

    /** The plan of times through as one performance. */
    void takeAwayTimes(ExportForm form) {
        Sight sight = desk.sight().get();
        Optional<Stair> planned = sight.stair().filter(stair -> stair.times().isPresent());
        if (sight.tune().isEmpty() || planned.isEmpty()) {
            desk.say("No times through are planned: plan them in Versions (Q) first.");
            return;
        }
        Tune tune = sight.tune().get();
        Exporter exporter = new Exporter(sight.chosen().profile(), Paper.a4());
        write("Times through " + tune.title(), form.ending(), progress -> exporter.whole(tune, planned.get(), form));
    }

    /** The stage in sentences, as a text, for beginners and students who do not see the page. */
    void takeAwaySteps() {
        Sight sight = desk.sight().get();
        if (sight.tune().isEmpty() || sight.version().isEmpty()) {
            desk.say("There is no tune to take away: open a book first.");
            return;
        }
        Tune tune = sight.tune().get();
        Version version = sight.version().get();
        Instrument instrument = sight.chosen().instrument();
        write("Steps " + tune.title(), "txt", progress -> {
            List<String> lines =
                    new ArrayList<>(Steps.sheet(tune, version, sight.chosen().profile()));
            lines.add("");
            lines.addAll(Cautions.full(instrument.family()));
            return String.join("\n", lines).concat("\n").getBytes(StandardCharsets.UTF_8);
        });
    }

    /** Asks where to, and writes beside the window's thread what is made there. */
    private void write(String name, String ending, LongWork.Work<byte[]> content) {
        around.picker()
                .toSave(plainName(name), ending)
                .ifPresent(path -> work.start(
                        "Writing " + path.getFileName(),
                        progress -> {
                            BookStore.writeAside(path, content.run(progress));
                            return path;
                        },
                        written -> desk.say("Wrote " + written),
                        e -> desk.say("Cannot write: " + e.getMessage() + ".")));
    }

    /** A name that every file system takes. */
    static String plainName(String words) {
        return words.replaceAll("[^\\p{L}\\p{N} '-]", "").trim();
    }

    /** The chart of the chosen instrument, with the notes that the chart room shows. */
    void takeAwayChart(ExportForm form, Paper paper) {
        Sight sight = desk.sight().get();
        write(
                "Chart " + sight.instrument().name(),
                form.ending(),
                progress -> ChartExporter.export(ChartRoom.wish(sight), form, paper));
    }

    private void takeAway(ExportForm form, Exporter exporter) {
        Sight sight = desk.sight().get();
        if (sight.tune().isEmpty() || sight.version().isEmpty()) {
            desk.say("There is no tune to take away: open a book first.");
            return;
        }
        Exporter.Take take =
                new Exporter.Take(sight.tune().get(), sight.version().get());
        write(take.tune().title() + " " + take.version().name(), form.ending(), progress -> {
            byte[] bytes = exporter.export(take, form);
            progress.reached(0.9);
            return bytes;
        });
    }

    // Leaving

    boolean mayClose(Runnable close) {
        if (isSaved()) {
            return true;
        }
        askBeforeLosing("close", "Close without saving", close);
        return false;
    }

    private void askBeforeLosing(String id, String words, Runnable verb) {
        Button save = button("Save first", "save-first", "Saves, then goes on", () -> {
            banner.hide("unsaved");
            save(path(), verb);
        });
        Button go = button(words, id + "-anyway", "The changes are lost", () -> {
            safekeeping.letGo();
            verb.run();
        });
        Button stay = button("Stay here", "stay", "Nothing happens", () -> banner.hide("unsaved"));
        banner.show("unsaved", "There are changes that are not saved.", save, go, stay);
    }
}
