package wildflourish.desktop.window;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.Executor;
import javafx.application.Platform;
import wildflourish.core.engraving.Score;
import wildflourish.core.instrument.Instrument;
import wildflourish.desktop.bench.ScoreView;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.look.SystemTheme;
import wildflourish.desktop.look.Theme;

/** How the teacher likes things: what is chosen once holds now and the next time too. */
final class Habits {
    private static final double ZOOM_STEP = 1.15;

    private final Desk desk;
    private final Preferences preferences;
    private final ScoreView score;
    private final Dress dress;
    private final Executor soon;

    /** With what the choices are made on; {@code soon} writes them down, away from the window's thread. */
    Habits(Desk desk, Preferences preferences, ScoreView score, Dress dress, Executor soon) {
        this.desk = desk;
        this.preferences = preferences;
        this.score = score;
        this.dress = dress;
        this.soon = soon;
    }

    /** Takes up what was chosen before, once all parts are there. */
    void begin() {
        dress.begin(preferences.theme());
        score.show(preferences.shows());
        score.setZoom(preferences.zoom());
        score.setInSmallNotes(preferences.isOn("small-notes"));
        score.setInSheets(preferences.isOn("sheets"));
        preferences.instrument().ifPresent(desk::chooseInstrument);
    }

    /** Keeps a choice for next time: writing a file takes longer than a keystroke may. */
    private void remember(String name, String value) {
        if (!preferences.set(name, value)) {
            return;
        }
        soon.execute(() -> {
            try {
                preferences.keep();
            } catch (IOException e) {
                Platform.runLater(() -> desk.say("The choice holds for now, but cannot be kept: " + e.getMessage()));
            }
        });
    }

    // Who is taught, on what

    void chooseInstrument(Instrument instrument) {
        desk.chooseInstrument(instrument);
        remember("instrument", instrument.id());
    }

    /** The id of the student chosen before. */
    Optional<String> student() {
        return preferences.get("student");
    }

    void rememberStudent(String id) {
        remember("student", id);
    }

    /** The ids of the instruments that the class owns. */
    Set<String> owned() {
        return preferences.owned();
    }

    void rememberOwned(Set<String> owned) {
        remember("owned", String.join(",", new TreeSet<>(owned)));
    }

    /** Whether the welcome was read. */
    boolean isWelcomed() {
        return preferences.get("welcomed").isPresent();
    }

    void rememberWelcome() {
        remember("welcomed", "true");
    }

    /** How often the first ending comes before the part is played as it is. */
    int rounds() {
        return preferences.rounds();
    }

    void chooseRounds(int rounds) {
        remember("rounds", String.valueOf(rounds));
        desk.say("The first ending comes " + rounds + " times when a part is drilled (Shift+P)");
    }

    // How the score is shown

    /** Light or dark as chosen; empty where it follows the system. */
    Optional<Theme> theme() {
        return preferences.chosenTheme();
    }

    void chooseTheme(Optional<Theme> chosen) {
        dress.turn(
                chosen.orElseGet(() -> SystemTheme.of(System.getenv(), Path.of(System.getProperty("user.home", "")))));
        remember("theme", chosen.map(Theme::name).orElse("system"));
    }

    void otherTheme() {
        chooseTheme(Optional.of(dress.theme().other()));
    }

    void show(Score.Shows shows) {
        score.show(shows);
        remember("letters", String.valueOf(shows.letters()));
        remember("fingerings", shows.fingerings().name());
    }

    /** The fingerings of another instrument of the class below the first one's, or of none. */
    void chooseSecond(Optional<Instrument> instrument) {
        score.show(score.shows().withSecond(instrument));
        remember("second", instrument.map(Instrument::id).orElse("none"));
        desk.say(instrument
                .map(each -> "Below: the fingerings of the " + each.name())
                .orElse("The fingerings of one instrument"));
    }

    void otherSigns() {
        score.setInSmallNotes(!score.isInSmallNotes());
        remember("small-notes", String.valueOf(score.isInSmallNotes()));
        desk.say(score.isInSmallNotes() ? "Ornaments are written out as small notes" : "Ornaments are drawn as signs");
    }

    void otherSheets() {
        score.setInSheets(!score.isInSheets());
        remember("sheets", String.valueOf(score.isInSheets()));
    }

    /** Larger for 1, smaller for −1, its usual size for 0. */
    void zoom(int direction) {
        score.setZoom(direction == 0 ? 1 : score.zoom() * Math.pow(ZOOM_STEP, direction));
        remember("zoom", String.valueOf(score.zoom()));
        desk.say("The score is at " + Math.round(score.zoom() * 100) + " percent");
    }
}
