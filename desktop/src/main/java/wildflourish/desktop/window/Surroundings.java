package wildflourish.desktop.window;

import java.nio.file.Path;
import java.util.function.Consumer;

/**
 * What a window needs of the world around it.
 *
 * @param picker asks the user for files
 * @param own the folder where unsaved work and preferences are kept
 * @param anotherWindow opens a book in a further window
 */
public record Surroundings(FilePicker picker, Path own, Consumer<Path> anotherWindow) {}
