package wildflourish.desktop.window;

import java.nio.file.Path;
import java.util.Optional;

/** Asks the user for a file. */
public interface FilePicker {
    /** A tunebook to open; empty when the user thinks better of it. */
    Optional<Path> toOpen();

    /** A place to save a file whose name ends in {@code ending}, with a suggested name. */
    Optional<Path> toSave(String suggestedName, String ending);

    /** A folder for several files; empty when the user thinks better of it. */
    Optional<Path> toFolder();
}
