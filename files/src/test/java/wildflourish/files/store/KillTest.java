package wildflourish.files.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import wildflourish.files.Demo;

/** Two hundred times a process is killed at a random moment while it saves: the file is the old book or the new one, never half. */
class KillTest {
    private static final int KILLS = Boolean.getBoolean("wildflourish.long") ? 200 : 80;

    @TempDir
    private Path folder;

    @Test
    void aSaveIsOldOrNewWhateverMomentItIsKilled() throws Exception {
        String one = Demo.text();
        String other = Demo.text() + "\nX:99\nT:One more\nK:D\n" + "ABcd efga|".repeat(400) + "\n";
        ExecutorService pair = Executors.newFixedThreadPool(2);
        try {
            Future<int[]> first = pair.submit(() -> killOften(one, other, new Random(1), KILLS / 2));
            Future<int[]> second = pair.submit(() -> killOften(one, other, new Random(2), KILLS - KILLS / 2));
            int[] a = first.get();
            int[] b = second.get();
            assertThat(a[0] + b[0] + a[1] + b[1]).isEqualTo(KILLS);
            assertThat(a[0] + b[0]).as("killed while the old one stood").isGreaterThan(10);
            assertThat(a[1] + b[1]).as("killed while the new one stood").isGreaterThan(10);
        } finally {
            pair.shutdownNow();
        }
    }

    /** How often the one and how often the other book stood there. */
    private int[] killOften(String one, String other, Random random, int kills) throws Exception {
        Path mine = Files.createTempDirectory(folder, "kill");
        Path book = Files.writeString(mine.resolve("book.abc"), one);
        Path first = Files.writeString(mine.resolve("one.txt"), one);
        Path second = Files.writeString(mine.resolve("other.txt"), other);
        int[] seen = new int[2];
        for (int i = 0; i < kills; i++) {
            Process child = new ProcessBuilder(List.of(
                            Path.of(System.getProperty("java.home"), "bin", "java")
                                    .toString(),
                            "-XX:TieredStopAtLevel=1",
                            "-XX:+UseSerialGC",
                            "-cp",
                            System.getProperty("java.class.path"),
                            SavingChild.class.getName(),
                            book.toString(),
                            first.toString(),
                            second.toString()))
                    .redirectError(ProcessBuilder.Redirect.DISCARD)
                    .start();
            assertThat(child.getInputStream().read()).as("the child has begun").isEqualTo('r');
            Thread.sleep(random.nextInt(60));
            child.destroyForcibly().waitFor();
            String text = Files.readString(book);
            assertThat(text.equals(one) || text.equals(other)).as("kill " + i).isTrue();
            seen[text.equals(one) ? 0 : 1]++;
        }
        return seen;
    }
}
