package wildflourish.files.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import wildflourish.core.engraving.Paper;
import wildflourish.core.version.Lesson;
import wildflourish.files.abc.BookReader;
import wildflourish.files.export.StudentSheet;

/** The list of students, and what each takes home. */
class StudentTest {
    @TempDir
    Path folder;

    @Test
    void theListComesBackAndWhatIsNotUnderstoodIsToldAndKept() throws IOException {
        Path file = folder.resolve("own").resolve("students.tsv");
        assertThat(Student.read(file).students()).isEmpty();
        List<Student> students = List.of(
                new Student("Ada", "whistle-d", "fluent", "Leaf"),
                new Student(" Jörg\tvon  der Höh ", "box-bc", "learner", "My stage"));
        Student.write(file, new Student.Register(students, List.of(), List.of()));
        assertThat(Student.read(file).students()).isEqualTo(students);
        assertThat(students.get(1).name()).isEqualTo("Jörg von der Höh");
        String strange = "Somebody\tkazoo\tfluent\tLeaf";
        Files.writeString(file, Files.readString(file) + strange + "\n\nno tabs at all\n");
        Student.Register read = Student.read(file);
        assertThat(read.students()).isEqualTo(students);
        assertThat(read.faults())
                .hasSize(2)
                .first()
                .asString()
                .startsWith("students.tsv, line 4: ")
                .contains("kazoo");
        Student.write(file, read);
        assertThat(file).content().contains(strange, "no tabs at all");
    }

    /** The stage where there is one for the instrument, with what is new in it; else the plain tune. */
    @Test
    void eachGetsTheirStageOrThePlainTune() throws IOException {
        Lesson lesson = BookReader.read(Files.readString(
                        Path.of("../desktop/src/main/resources/wildflourish/desktop/demo/saltmarsh-lane.abc")))
                .value()
                .lessons()
                .get(0);
        StudentSheet leaf = new StudentSheet(lesson, new Student("Ada", "whistle-d", "learner", "Leaf"), Paper.a4());
        assertThat(leaf.isOfPlainTune()).isFalse();
        assertThat(leaf.version().ornamented()).isEqualTo(16);
        StudentSheet other = new StudentSheet(lesson, new Student("Bo", "fiddle", "steady", "Leaf"), Paper.a4());
        assertThat(other.isOfPlainTune()).isTrue();
        assertThat(other.version().isPlain()).isTrue();
        assertThat(pages(leaf)).isGreaterThan(pages(other));
        byte[] sound = leaf.slowSound();
        assertThat(new String(sound, 0, 4, StandardCharsets.US_ASCII)).isEqualTo("RIFF");
    }

    private static int pages(StudentSheet sheet) throws IOException {
        try (PDDocument pdf = Loader.loadPDF(sheet.pdf())) {
            return pdf.getNumberOfPages();
        }
    }
}
