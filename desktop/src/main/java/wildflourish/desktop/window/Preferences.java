package wildflourish.desktop.window;

import java.io.IOException;
import java.io.StringReader;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Properties;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.IntStream;
import wildflourish.core.engraving.Score;
import wildflourish.core.instrument.Instrument;
import wildflourish.desktop.look.Size;
import wildflourish.desktop.look.SystemTheme;
import wildflourish.desktop.look.Theme;
import wildflourish.files.store.BookStore;

/** What a user has chosen once and need not choose again, in a file of Java properties. A file that cannot be read counts as empty. */
final class Preferences {
    private static final int MOST_RECENT = 8;

    private final Path file;
    private final Properties values = new Properties();

    Preferences(Path folder) {
        this.file = folder.resolve("preferences.properties");
        try {
            values.load(new StringReader(Files.readString(file, StandardCharsets.UTF_8)));
        } catch (IOException | IllegalArgumentException e) {
            values.clear();
        }
    }

    synchronized Optional<String> get(String name) {
        return Optional.ofNullable(values.getProperty(name));
    }

    boolean isOn(String name) {
        return get(name).map("true"::equals).orElse(false);
    }

    /** Light or dark as chosen; empty where it follows the system. */
    Optional<Theme> chosenTheme() {
        return chosen("theme", Theme::valueOf);
    }

    /** Light or dark as the system has it. */
    static Theme systemTheme() {
        return SystemTheme.of(System.getenv(), Path.of(System.getProperty("user.home", "")));
    }

    /** What goes with the notes. */
    Score.Shows shows() {
        return Score.Shows.BENCH
                .withLetters(isOn("letters"))
                .withFingerings(chosen("fingerings", Score.Fingerings::valueOf).orElse(Score.Fingerings.ALL))
                .withSecond(chosen("second", Instrument::of));
    }

    Optional<Instrument> instrument() {
        return chosen("instrument", Instrument::of);
    }

    /** How large the score is drawn. */
    Size size() {
        return chosen("size", words -> new Size(Integer.parseInt(words))).orElse(Size.WIDTH);
    }

    /** How much later than the device says sound reaches the ear, in milliseconds. */
    int latencyMillis() {
        return chosen("latency", Integer::valueOf)
                .filter(millis -> millis >= 0 && millis <= 1000)
                .orElse(0);
    }

    /** The ids of the instruments that the class owns. */
    Set<String> owned() {
        return get("owned")
                .map(words -> Set.copyOf(List.of(words.split(",", -1))))
                .orElse(Set.of());
    }

    /** How often a first ending comes when a part is drilled. */
    int rounds() {
        return chosen("rounds", Integer::valueOf)
                .filter(rounds -> rounds > 1 && rounds < 33)
                .orElse(3);
    }

    /** A choice read; one that makes no sense, written by hand perhaps, counts as none. */
    private <T> Optional<T> chosen(String name, Function<String, T> reading) {
        try {
            return get(name).map(reading);
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    /** Remembers a choice at once, until {@link #keep} also for the next time; false where it is no change. */
    synchronized boolean set(String name, String value) {
        return !value.equals(values.setProperty(name, value));
    }

    /** Remembers a choice and writes it down. Throws IOException when the folder cannot be written. */
    synchronized void put(String name, String value) throws IOException {
        if (set(name, value)) {
            write();
        }
    }

    /** Writes the choices down. Throws IOException when the folder cannot be written. */
    synchronized void keep() throws IOException {
        write();
    }

    /** The books opened last, the latest first, those that are still there. */
    synchronized List<Path> recent() {
        return IntStream.range(0, MOST_RECENT)
                .mapToObj(i -> values.getProperty("recent." + i))
                .filter(Objects::nonNull)
                .map(Path::of)
                .filter(Files::isRegularFile)
                .toList();
    }

    /** A book was opened or saved: it comes first. */
    synchronized void addRecent(Path book) throws IOException {
        List<Path> books = new ArrayList<>(recent());
        Path whole = book.toAbsolutePath().normalize();
        books.remove(whole);
        books.add(0, whole);
        for (int i = 0; i < MOST_RECENT; i++) {
            values.remove("recent." + i);
            if (i < books.size()) {
                values.setProperty("recent." + i, books.get(i).toString());
            }
        }
        write();
    }

    private void write() throws IOException {
        StringWriter text = new StringWriter();
        values.store(text, "Wild Flourish: what was chosen in the window");
        Files.createDirectories(file.getParent());
        BookStore.writeAside(file, text.toString().getBytes(StandardCharsets.UTF_8));
    }
}
