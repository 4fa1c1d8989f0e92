package wildflourish.files.store;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Instant;
import java.util.Optional;
import wildflourish.core.version.Book;
import wildflourish.files.abc.BookReader;
import wildflourish.files.abc.BookWriter;

/**
 * Unsaved work, kept in a folder of its own so that it outlives a crash: one file a book, named by a sum of the book's path. And claims: a
 * book that is open in one window is claimed, so that a second window can say so.
 */
public final class Recovery {
    private final Path folder;

    /** The folder is made when it is first needed. */
    public Recovery(Path folder) {
        this.folder = folder;
    }

    /** Work that was not saved, and when it was last touched. */
    public record Kept(Book book, Instant touched) {}

    /** A book claimed by this window until closed. */
    public static final class Claim implements AutoCloseable {
        private final FileChannel channel;

        private Claim(FileChannel channel) {
            this.channel = channel;
        }

        @Override
        public void close() throws IOException {
            channel.close();
        }
    }

    private Path fileFor(Path book, String ending) {
        String name = Sums.of(book.toAbsolutePath().normalize().toString().getBytes(StandardCharsets.UTF_8));
        return folder.resolve(name.substring(0, 24) + ending);
    }

    /** Keeps a book's present state; written aside, flushed and renamed like a save. */
    public void keep(Path path, Book book) throws IOException {
        Files.createDirectories(folder);
        BookStore.writeAside(fileFor(path, ".abc"), BookWriter.write(book).getBytes(StandardCharsets.UTF_8));
    }

    /** What was kept for a book and differs from what its file says; empty when there is nothing to recover. */
    public Optional<Kept> find(Path path, Book saved) throws IOException {
        Path file = fileFor(path, ".abc");
        try {
            String text = Files.readString(file, StandardCharsets.UTF_8);
            if (text.equals(BookWriter.write(saved))) {
                drop(path);
                return Optional.empty();
            }
            Instant touched = Files.getLastModifiedTime(file).toInstant();
            return Optional.of(new Kept(BookReader.read(text).value(), touched));
        } catch (NoSuchFileException e) {
            return Optional.empty();
        }
    }

    /** Forgets what was kept: the book was saved, or its changes let go. */
    public void drop(Path path) throws IOException {
        Files.deleteIfExists(fileFor(path, ".abc"));
    }

    /** Claims a book for this window; empty when another window, of this or another process, has it open. */
    public Optional<Claim> claim(Path path) throws IOException {
        Files.createDirectories(folder);
        FileChannel channel =
                FileChannel.open(fileFor(path, ".open"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
        try {
            FileLock lock = channel.tryLock();
            if (lock != null) {
                return Optional.of(new Claim(channel));
            }
        } catch (OverlappingFileLockException e) {
            // Another window of this very process has it.
        }
        channel.close();
        return Optional.empty();
    }
}
