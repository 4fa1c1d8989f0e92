package wildflourish.files.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import wildflourish.core.version.Book;
import wildflourish.files.abc.BookReader;

class RecoveryTest {
    @TempDir
    private Path folder;

    private Recovery recovery;
    private final Path path = Path.of("/some/where/book.abc");

    @BeforeEach
    void make() {
        recovery = new Recovery(folder.resolve("unsaved"));
    }

    private static Book book(String notes) {
        return BookReader.read("X:1\nT:Kept\nK:D\n" + notes + "|\n").value();
    }

    @Test
    void whatWasKeptIsFoundUntilItIsDropped() throws IOException {
        assertThat(recovery.find(path, book("ABc"))).isEmpty();
        recovery.keep(path, book("ABd"));
        Recovery.Kept kept = recovery.find(path, book("ABc")).orElseThrow();
        assertThat(kept.book()).isEqualTo(book("ABd"));
        assertThat(Duration.between(kept.touched(), Instant.now()).abs()).isLessThan(Duration.ofMinutes(1));
        recovery.drop(path);
        assertThat(recovery.find(path, book("ABc"))).isEmpty();
        recovery.drop(path);
    }

    @Test
    void whatIsNoDifferentFromTheFileIsNotOffered() throws IOException {
        recovery.keep(path, book("ABc"));
        assertThat(recovery.find(path, book("ABc"))).isEmpty();
        try (var files = Files.list(folder.resolve("unsaved"))) {
            assertThat(files).isEmpty();
        }
    }

    @Test
    void booksAreKeptApartByTheirPaths() throws IOException {
        recovery.keep(path, book("ABd"));
        recovery.keep(Path.of("/some/where/./other.abc"), book("ABe"));
        assertThat(recovery.find(Path.of("/some/where/other.abc"), book("ABc"))
                        .orElseThrow()
                        .book())
                .isEqualTo(book("ABe"));
        assertThat(recovery.find(path, book("ABc")).orElseThrow().book()).isEqualTo(book("ABd"));
    }

    @Test
    void aBookIsClaimedOnceUntilGivenBack() throws IOException {
        Recovery.Claim first = recovery.claim(path).orElseThrow();
        assertThat(recovery.claim(path)).isEmpty();
        assertThat(new Recovery(folder.resolve("unsaved")).claim(path)).isEmpty();
        try (Recovery.Claim other = recovery.claim(Path.of("/other.abc")).orElseThrow()) {
            assertThat(other).isNotNull();
        }
        first.close();
        try (Recovery.Claim again = recovery.claim(path).orElseThrow()) {
            assertThat(again).isNotNull();
        }
    }
}
