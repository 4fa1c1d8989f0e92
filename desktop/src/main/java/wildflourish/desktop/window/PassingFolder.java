package wildflourish.desktop.window;

import java.io.IOException;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.attribute.BasicFileAttributes;

/** A folder among the temporary ones, for a window whose work is not to be kept; it goes with the window. */
record PassingFolder(Path path) {
    /** Makes one; throws IOException where there is no room for it. */
    static PassingFolder make(String purpose) throws IOException {
        return new PassingFolder(Files.createTempDirectory("flourish-" + purpose));
    }

    /** Takes it away with all that is in it. */
    void remove() {
        try {
            Files.walkFileTree(path, new SimpleFileVisitor<>() {
                @Override
                public FileVisitResult visitFile(Path file, BasicFileAttributes attributes) throws IOException {
                    Files.delete(file);
                    return FileVisitResult.CONTINUE;
                }

                @Override
                public FileVisitResult postVisitDirectory(Path folder, IOException thrown) throws IOException {
                    Files.delete(folder);
                    return FileVisitResult.CONTINUE;
                }
            });
        } catch (IOException e) {
            // Then a small folder is left among the temporary ones.
        }
    }
}
