package wildflourish.desktop.window;

import java.nio.file.Path;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import wildflourish.core.problem.Parsed;
import wildflourish.files.store.StoredBook;

/**
 * What a window needs of the world around it.
 *
 * @param picker asks the user for files
 * @param own the folder where unsaved work and preferences are kept
 * @param anotherWindow shows a book that was read in a further window
 * @param worker does what takes long
 * @param soon does what takes milliseconds: lays out the score, keeps preferences
 * @param printer what pages are printed on
 */
public record Surroundings(
        FilePicker picker,
        Path own,
        Consumer<Parsed<StoredBook>> anotherWindow,
        Executor worker,
        Executor soon,
        PaperPrinter printer) {}
