package wildflourish.desktop.window;

import java.nio.file.Path;
import java.util.Optional;

/** Where the application keeps what is its own: unsaved work, preferences. */
final class OwnFolder {
    private OwnFolder() {}

    /**
     * The folder the property {@code flourish.own} names; without it one below the user's folder of application state
     * ({@code XDG_STATE_HOME} of the XDG Base Directory Specification, usually {@code ~/.local/state}).
     */
    static Path path() {
        Optional<Path> own =
                Optional.ofNullable(System.getProperty("flourish.own")).map(Path::of);
        Path state = Optional.ofNullable(System.getenv("XDG_STATE_HOME"))
                .filter(words -> !words.isBlank())
                .map(Path::of)
                .orElseGet(() -> Path.of(System.getProperty("user.home"), ".local", "state"));
        return own.orElseGet(() -> state.resolve("wild-flourish"));
    }
}
