package wildflourish.files.store;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;

/**
 * Somebody who is taught. Kept in {@code students.tsv} of the teacher's own folder, a line for each with tabs between: name, instrument, level, stage; never in a book.
 *
 * @param instrument by its id
 * @param profile by its id
 * @param stage the name of the stage that is played, such as Leaf; where a stair has none of that name its plain tune is given
 */
public record Student(String name, String instrument, String profile, String stage) {
    private static final String HEADING = "name\tinstrument\tlevel\tstage";

    public Student {
        name = oneCell(name);
        stage = oneCell(stage);
    }

    private static String oneCell(String words) {
        return words.replaceAll("\\s+", " ").strip();
    }

    /**
     * Students of a file.
     *
     * @param faults a line for each line of the file that cannot be understood; those lines are written back as they are
     */
    public record Register(List<Student> students, List<String> faults, List<String> kept) {
        public Register {
            students = List.copyOf(students);
            faults = List.copyOf(faults);
            kept = List.copyOf(kept);
        }

        public Register with(List<Student> others) {
            return new Register(others, faults, kept);
        }
    }

    /** Reads a file; none where there is no file. */
    public static Register read(Path file) throws IOException {
        List<Student> students = new ArrayList<>();
        List<String> faults = new ArrayList<>();
        List<String> kept = new ArrayList<>();
        if (Files.exists(file)) {
            List<String> lines =
                    Files.readString(file, StandardCharsets.UTF_8).lines().toList();
            for (int i = 0; i < lines.size(); i++) {
                String line = lines.get(i);
                if (line.isBlank() || line.equals(HEADING)) {
                    continue;
                }
                try {
                    students.add(parse(line));
                } catch (IllegalArgumentException e) {
                    kept.add(line);
                    faults.add(
                            file.getFileName() + ", line " + (i + 1) + ": " + e.getMessage() + "; the line is kept.");
                }
            }
        }
        return new Register(students, faults, kept);
    }

    private static Student parse(String line) {
        String[] cells = line.split("\t", -1);
        if (cells.length != 4 || cells[0].isBlank()) {
            throw new IllegalArgumentException(
                    "a student has a name, an instrument, a level and a stage, tabs between");
        }
        Instrument.of(cells[1]);
        Profile.of(cells[2]);
        return new Student(cells[0], cells[1], cells[2], cells[3]);
    }

    /** Writes all of them to a file, its folder too where it is not there. */
    public static void write(Path file, Register register) throws IOException {
        StringBuilder text = new StringBuilder(HEADING).append('\n');
        for (Student each : register.students()) {
            text.append(String.join("\t", each.name, each.instrument, each.profile, each.stage))
                    .append('\n');
        }
        register.kept().forEach(line -> text.append(line).append('\n'));
        Path folder = file.toAbsolutePath().getParent();
        if (folder != null) {
            Files.createDirectories(folder);
        }
        BookStore.writeAside(file, text.toString().getBytes(StandardCharsets.UTF_8));
    }
}
