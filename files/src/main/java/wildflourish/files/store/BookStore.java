package wildflourish.files.store;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.AccessDeniedException;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;
import wildflourish.core.problem.Parsed;
import wildflourish.core.problem.Problem;
import wildflourish.core.version.Book;
import wildflourish.core.version.Lesson;
import wildflourish.files.abc.BookReader;
import wildflourish.files.abc.BookWriter;
import wildflourish.files.abc.Imported;
import wildflourish.files.abc.Progress;
import wildflourish.files.midi.MidiReader;

/** Opens and saves books. A save is written aside, flushed to the disk and renamed: the file is the old one or the new one, never half. */
public final class BookStore {
    /** Far beyond any tunebook: a bigger file is not one. */
    private static final long MOST_BYTES = 64L << 20;

    private BookStore() {}

    /** Reads a book in the encoding it is in, see {@link FileForm}. Throws IOException when the file cannot be read at all. */
    public static Parsed<StoredBook> open(Path path) throws IOException {
        return open(path, Progress.NONE);
    }

    /** Reads a book with somebody following, who may stop it. */
    public static Parsed<StoredBook> open(Path path, Progress progress) throws IOException {
        return open(path, MidiReader.Corrections.NONE, progress);
    }

    /** The same with what a teacher has put right of what was guessed in a MIDI file. */
    public static Parsed<StoredBook> open(Path path, MidiReader.Corrections corrections, Progress progress)
            throws IOException {
        byte[] bytes = bookBytes(path);
        Optional<Imported> other = OtherFormats.read(bytes, corrections);
        if (other.isPresent()) {
            Parsed<Book> made = BookReader.read(other.get().abc(), progress);
            return new Parsed<>(
                    new StoredBook(
                            OtherFormats.besides(path),
                            FileForm.USUAL,
                            Optional.empty(),
                            made.value(),
                            Optional.of(path)),
                    with(OtherFormats.told(other.get()), made.problems()));
        }
        FileForm.Content content = FileForm.read(bytes);
        Parsed<Book> book = BookReader.read(content.text(), progress);
        return new Parsed<>(
                new StoredBook(path, content.form(), Optional.of(Sums.of(bytes)), book.value()),
                with(content.problems(), book.problems()));
    }

    /** Reads a book lesson by lesson, each asked a question and let go, with somebody following. */
    public static <T> Parsed<List<T>> each(Path path, Function<Lesson, List<T>> question, Progress progress)
            throws IOException {
        byte[] bytes = bookBytes(path);
        Optional<Imported> other = OtherFormats.read(bytes, MidiReader.Corrections.NONE);
        if (other.isPresent()) {
            Parsed<List<T>> made = BookReader.each(other.get().abc(), question, progress);
            return new Parsed<>(made.value(), with(OtherFormats.told(other.get()), made.problems()));
        }
        FileForm.Content content = FileForm.read(bytes);
        Parsed<List<T>> answers = BookReader.each(content.text(), question, progress);
        return new Parsed<>(answers.value(), with(content.problems(), answers.problems()));
    }

    private static List<Problem> with(List<Problem> ofFile, List<Problem> ofBook) {
        return Stream.concat(ofFile.stream(), ofBook.stream()).toList();
    }

    private static byte[] bookBytes(Path path) throws IOException {
        if (Files.isDirectory(path)) {
            throw new IOException(path + " is a folder, not a tunebook; name a file");
        }
        if (!Files.exists(path)) {
            throw new IOException(path + " does not exist; check the name");
        }
        if (Files.size(path) > MOST_BYTES) {
            throw new IOException(path + " is larger than 64 MB, which no tunebook is; choose another file");
        }
        return bytesOf(path);
    }

    private static byte[] bytesOf(Path path) throws IOException {
        try {
            return Files.readAllBytes(path);
        } catch (AccessDeniedException e) {
            throw new IOException(path + " may not be read by you; ask its owner, or choose another file", e);
        }
    }

    /**
     * Saves in the form of the file; a book that has gained letters its encoding does not have is saved as UTF-8. Returns the book as it is stored now. Throws
     * ChangedUnderneathException when another program has written the file since it was read.
     */
    public static StoredBook save(StoredBook stored) throws IOException {
        if (stored.seen().isPresent()
                && Files.exists(stored.path())
                && !Sums.of(bytesOf(stored.path())).equals(stored.seen().get())) {
            throw new ChangedUnderneathException(stored.path());
        }
        String text = BookWriter.write(stored.book());
        FileForm form =
                stored.form().canStore(text) ? stored.form() : stored.form().asUtf8();
        boolean isConverted = !form.charset().equals(stored.form().charset());
        byte[] bytes = form.bytes(isConverted ? FileForm.declaredUtf8(text) : text);
        writeAside(stored.path(), bytes);
        FileForm stays = form.old().isEmpty() ? form : FileForm.read(bytes).form();
        return new StoredBook(stored.path(), stays, Optional.of(Sums.of(bytes)), stored.book());
    }

    /** Writes a file aside in the same folder, flushes it, and renames it over the old one. */
    public static void writeAside(Path path, byte[] bytes) throws IOException {
        writeAside(path, bytes, true);
    }

    /** The same for one of many files that can be made again: it is whole or not there, but nobody waits until the disk has it. */
    public static void writeOneOfMany(Path path, byte[] bytes) throws IOException {
        writeAside(path, bytes, false);
    }

    private static void writeAside(Path path, byte[] bytes, boolean isForced) throws IOException {
        Path target = Files.isSymbolicLink(path) ? path.toRealPath() : path.toAbsolutePath();
        Path folder = target.getParent();
        if (folder == null || !Files.isDirectory(folder)) {
            throw new IOException("there is no folder " + folder + " to save into; choose another place");
        }
        if (Files.isDirectory(target)) {
            throw new IOException(target + " is a folder; name a file in it");
        }
        Path aside = asideIn(folder);
        try {
            try (FileChannel channel = FileChannel.open(aside, StandardOpenOption.WRITE)) {
                ByteBuffer buffer = ByteBuffer.wrap(bytes);
                while (buffer.hasRemaining()) {
                    channel.write(buffer);
                }
                if (isForced) {
                    channel.force(true);
                }
            } catch (IOException e) {
                throw new IOException(
                        "the disk of " + folder + " takes no more (" + e.getMessage()
                                + "); make room, or choose another place",
                        e);
            }
            keepPermissions(target, aside);
            rename(aside, target);
        } finally {
            Files.deleteIfExists(aside);
        }
    }

    private static Path asideIn(Path folder) throws IOException {
        try {
            return Files.createTempFile(folder, ".flourish-", ".part");
        } catch (FileSystemException e) {
            throw new IOException("nothing can be written into the folder " + folder + "; choose another place", e);
        }
    }

    private static void keepPermissions(Path target, Path aside) throws IOException {
        if (!Files.getFileStore(aside.toAbsolutePath()).supportsFileAttributeView("posix")) {
            return;
        }
        var permissions = Files.exists(target)
                ? Files.getPosixFilePermissions(target)
                : java.nio.file.attribute.PosixFilePermissions.fromString("rw-r--r--");
        Files.setPosixFilePermissions(aside, permissions);
    }

    private static void rename(Path aside, Path target) throws IOException {
        try {
            Files.move(aside, target, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (AtomicMoveNotSupportedException e) {
            Files.move(aside, target, StandardCopyOption.REPLACE_EXISTING);
        }
    }
}
