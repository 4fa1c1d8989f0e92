package wildflourish.desktop.window;

import java.io.IOException;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.Executor;
import java.util.function.Function;
import javafx.application.Platform;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.desktop.desk.Choosing;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Look;
import wildflourish.desktop.desk.Playback;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.look.Paging;
import wildflourish.desktop.look.Theme;
import wildflourish.desktop.room.Tools;

/** How the teacher likes things: what is chosen once holds the next time too. It looks at the desk and writes down what changes, away from the window's thread. */
final class Habits implements Tools.Owned {
    private final Desk desk;
    private final Preferences preferences;
    private final Executor soon;

    Habits(Desk desk, Preferences preferences, Executor soon) {
        this.desk = desk;
        this.preferences = preferences;
        this.soon = soon;
        takeUp();
        keep("instrument", Sight::instrument, Instrument::id);
        keep("student", sight -> sight.chosen().profile(), Profile::id);
        keep(
                "theme",
                sight -> sight.look().theme(),
                theme -> theme.map(Theme::name).orElse("system"));
        keep("letters", sight -> sight.look().shows().letters(), String::valueOf);
        keep("fingerings", sight -> sight.look().shows().fingerings(), Enum::name);
        keep(
                "second",
                sight -> sight.look().shows().second(),
                each -> each.map(Instrument::id).orElse("none"));
        keep("size", sight -> sight.look().size(), size -> String.valueOf(size.pixels()));
        keep("small-notes", sight -> sight.look().isInSmallNotes(), String::valueOf);
        keep("sheets", sight -> sight.look().page() == Paging.SHEETS, String::valueOf);
        keep("rounds", sight -> sight.playback().rounds(), String::valueOf);
        keep("latency", sight -> sight.playback().latencyMillis(), String::valueOf);
    }

    /** Puts what was chosen before onto the desk. */
    private void takeUp() {
        Look look = Look.USUAL
                .withTheme(preferences.chosenTheme())
                .withShows(preferences.shows())
                .withSize(preferences.size())
                .withSmallNotes(preferences.isOn("small-notes"))
                .withPage(preferences.isOn("sheets") ? Paging.SHEETS : Paging.LONG);
        desk.look(before -> look);
        desk.playback(
                before -> Playback.USUAL.withRounds(preferences.rounds()).withLatency(preferences.latencyMillis()));
        preferences.instrument().ifPresent(instrument -> desk.does(here -> Choosing.instrument(here, instrument)));
        preferences
                .get("student")
                .flatMap(id -> Profile.all().stream()
                        .filter(each -> each.id().equals(id))
                        .findFirst())
                .ifPresent(profile -> desk.does(here -> Choosing.profile(here, profile)));
    }

    private <T> void keep(String name, Function<Sight, T> part, Function<T, String> words) {
        desk.of(part).addListener((at, before, after) -> remember(name, words.apply(after)));
    }

    /** Keeps a choice for next time. */
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

    @Override
    public Set<String> all() {
        return preferences.owned();
    }

    @Override
    public void keep(Set<String> owned) {
        remember("owned", String.join(",", new TreeSet<>(owned)));
    }

    /** Whether the welcome was read. */
    boolean isWelcomed() {
        return preferences.get("welcomed").isPresent();
    }

    void rememberWelcome() {
        remember("welcomed", "true");
    }

    /** Light or dark as chosen, or as the system has it. */
    static Theme themeOf(Optional<Theme> chosen) {
        return chosen.orElseGet(Preferences::systemTheme);
    }
}
