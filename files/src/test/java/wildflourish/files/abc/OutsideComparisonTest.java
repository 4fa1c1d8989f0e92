package wildflourish.files.abc;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import javax.sound.midi.InvalidMidiDataException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import wildflourish.core.problem.Parsed;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Book;

/**
 * Books from elsewhere, read by us and by a reader from outside (abc2midi of Debian's package abcmidi): onset and pitch of every note of the melody. Where the two
 * differ for a reason that is not ours, the tune stands in {@code outside-differences.tsv}; one that differs and does not stand there fails, and so does one that
 * stands there and does not differ.
 */
class OutsideComparisonTest {
    private static final int TUNES = 500;
    private static final List<Path> FOLDERS =
            List.of(Path.of("/usr/share/doc/abcm2ps/examples"), Path.of("/usr/share/doc/abcmidi/examples"));

    @TempDir
    private Path folder;

    @Test
    void randomTunesAreReadNoteForNote() throws Exception {
        List<String> different = new ArrayList<>();
        for (int seed = 0; seed < TUNES; seed++) {
            String text = new ForeignGenerator(seed).tune();
            Parsed<Book> read = BookReader.read(text);
            assertThat(read.problems())
                    .as(text)
                    .allMatch(problem -> problem.code().endsWith("-kept"));
            difference(read.value().lessons().get(0).tune(), text)
                    .forEach(where -> different.add("seed " + text.hashCode() + " " + where + "\n" + text));
        }
        assertThat(different).isEmpty();
    }

    @Test
    void theExamplesOfDebiansPackagesAreReadNoteForNote() throws Exception {
        Map<String, String> found = new TreeMap<>();
        int tunes = 0;
        for (Path examples : FOLDERS) {
            for (Path file : books(examples)) {
                String text = text(file);
                Pieces pieces = Pieces.of(text);
                int place = 0;
                for (Pieces.Piece piece :
                        pieces.groups().stream().flatMap(List::stream).toList()) {
                    place++;
                    tunes++;
                    String one = pieces.before() + piece.text() + "\n";
                    Tune tune = BookReader.read(one).value().lessons().get(0).tune();
                    String name = file.getFileName() + " " + place;
                    difference(tune, one).forEach(where -> found.put(name, where));
                }
            }
        }
        assertThat(tunes)
                .as("the packages abcm2ps and abcmidi with their examples")
                .isEqualTo(79);
        assertThat(found).isEqualTo(listed());
    }

    /** Where the melodies part: the bar as it is written, counted from 1; empty where they are one. */
    private List<String> difference(Tune tune, String text)
            throws IOException, InterruptedException, InvalidMidiDataException {
        List<String> ours = Outside.ours(tune).melody();
        List<String> theirs = Outside.theirs(folder, text).melody();
        if (ours.equals(theirs)) {
            return List.of();
        }
        int at = 0;
        while (at < Math.min(ours.size(), theirs.size()) && ours.get(at).equals(theirs.get(at))) {
            at++;
        }
        return List.of("bar " + Outside.barAt(tune, at));
    }

    private static List<Path> books(Path folder) throws IOException {
        try (var files = Files.list(folder)) {
            return files.filter(file -> file.toString().endsWith(".abc"))
                    .sorted()
                    .toList();
        }
    }

    private static String text(Path file) throws IOException {
        byte[] bytes = Files.readAllBytes(file);
        String text = new String(bytes, StandardCharsets.UTF_8);
        return text.contains("\uFFFD") ? new String(bytes, StandardCharsets.ISO_8859_1) : text;
    }

    private static Map<String, String> listed() throws IOException {
        Map<String, String> listed = new TreeMap<>();
        try (var lines = Files.lines(Path.of("src/test/resources/expected/outside-differences.tsv"))) {
            lines.filter(line -> !line.startsWith("#") && !line.isBlank()).forEach(line -> {
                String[] cells = line.split("\t", -1);
                assertThat(cells).as(line).hasSize(5);
                listed.put(cells[0] + " " + cells[1], "bar " + cells[2]);
            });
        }
        return listed;
    }
}
