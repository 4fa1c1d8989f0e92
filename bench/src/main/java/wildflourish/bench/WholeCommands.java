package wildflourish.bench;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import wildflourish.core.version.BookItem;
import wildflourish.core.version.Lesson;
import wildflourish.files.abc.BookReader;

/** What whole commands take, each a process of its own as a user starts it: its time, and the most memory it had. Arguments: the launcher, and the demo book. */
public final class WholeCommands {
    private static final int ROUNDS = 3;

    private WholeCommands() {}

    private record Taken(double seconds, double megabytes) {}

    public static void main(String[] arguments) throws Exception {
        Path launcher = Path.of(arguments[0]);
        List<String> plain = plainTunes(Path.of(arguments[1]));
        Path folder = Files.createTempDirectory("flourish-whole");
        Path thousand = Files.writeString(folder.resolve("1000.abc"), book(plain, 1000));
        Path many = Files.writeString(folder.resolve("10000.abc"), book(plain, 10_000));
        Path drawings = folder.resolve("svg");
        measure(
                "1,000 tunes as SVG",
                launcher,
                "export",
                thousand.toString(),
                "--as",
                "svg",
                "--out",
                drawings.toString());
        System.out.printf(Locale.ROOT, "  each %s%n", sizes(drawings));
        measure(
                "1,000 tunes as PDF",
                launcher,
                "export",
                thousand.toString(),
                "--as",
                "pdf",
                "--out",
                folder.resolve("book.pdf").toString());
        measure(
                String.format(Locale.ROOT, "check of 10,000 tunes (%.1f MB)", Files.size(many) / 1e6),
                launcher,
                "check",
                many.toString());
        try (Stream<Path> all = Files.walk(folder)) {
            for (Path each : all.sorted(Comparator.reverseOrder()).toList()) {
                Files.delete(each);
            }
        }
    }

    /** The plain tunes of a book as they are written. */
    private static List<String> plainTunes(Path book) throws IOException {
        List<String> tunes = new ArrayList<>();
        for (BookItem item : BookReader.read(Files.readString(book)).value().items()) {
            if (item instanceof Lesson lesson) {
                tunes.add(lesson.tune().manuscript().text());
            }
        }
        return tunes;
    }

    private static String book(List<String> tunes, int count) {
        return IntStream.rangeClosed(1, count)
                .mapToObj(number -> tunes.get(number % tunes.size())
                        .replaceFirst("(?m)^X:.*$", "X:" + number)
                        .replaceFirst("(?m)^T:.*$", "T:Tune number " + number))
                .collect(Collectors.joining("\n\n"));
    }

    private static void measure(String what, Path launcher, String... words) throws Exception {
        List<Taken> taken = new ArrayList<>();
        for (int i = 0; i < ROUNDS; i++) {
            taken.add(once(launcher, words));
        }
        Taken middle = taken.stream()
                .sorted(Comparator.comparingDouble(Taken::seconds))
                .toList()
                .get(ROUNDS / 2);
        System.out.printf(
                Locale.ROOT,
                "%s: %.1f s, %.0f MB (the middle of %d)%n",
                what,
                middle.seconds(),
                middle.megabytes(),
                ROUNDS);
    }

    private static Taken once(Path launcher, String... words) throws Exception {
        List<String> command = new ArrayList<>(List.of(launcher.toString()));
        command.addAll(List.of(words));
        long began = System.nanoTime();
        Process process = new ProcessBuilder(command)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        double most = 0;
        while (process.isAlive()) {
            most = Math.max(most, megabytes(process));
            Thread.sleep(20);
        }
        return new Taken((System.nanoTime() - began) / 1e9, most);
    }

    /** Resident memory of a process and those it has started, as Linux tells it; 0 elsewhere. */
    private static double megabytes(Process process) {
        return Stream.concat(Stream.of(process.toHandle()), process.descendants())
                .mapToDouble(each -> resident(Path.of("/proc", String.valueOf(each.pid()), "status")))
                .sum();
    }

    private static double resident(Path status) {
        try {
            return Files.readString(status, StandardCharsets.ISO_8859_1)
                            .lines()
                            .filter(line -> line.startsWith("VmRSS:"))
                            .mapToDouble(line -> Double.parseDouble(line.replaceAll("\\D", "")))
                            .sum()
                    / 1024;
        } catch (IOException e) {
            return 0;
        }
    }

    private static String sizes(Path folder) throws IOException {
        try (Stream<Path> all = Files.list(folder)) {
            List<Long> sizes = all.map(each -> each.toFile().length()).sorted().toList();
            double mean = sizes.stream().mapToLong(Long::longValue).average().orElse(0);
            return String.format(
                    Locale.ROOT, "%.0f KB on average, %.0f at most", mean / 1000, sizes.get(sizes.size() - 1) / 1000.0);
        }
    }
}
