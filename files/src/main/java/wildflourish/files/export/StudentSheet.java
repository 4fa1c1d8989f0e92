package wildflourish.files.export;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import wildflourish.core.engraving.Handout;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Paper;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.files.paint.PdfPainter;
import wildflourish.files.store.Student;

/** What one student takes home of a tune: the simple page, the decorated page of the student's stage with what is new in it, and the sound, slow. */
public final class StudentSheet {
    /** So much of the stage's tempo. */
    private static final Fraction SLOW = Fraction.of(7, 10);

    private final Lesson lesson;
    private final Student student;
    private final Profile profile;
    private final Paper paper;

    public StudentSheet(Lesson lesson, Student student, Paper paper) {
        this.lesson = lesson;
        this.student = student;
        this.profile = Profile.of(student.profile());
        this.paper = paper;
    }

    private Optional<Stair> stair() {
        return lesson.stairFor(Instrument.of(student.instrument()));
    }

    /** The student's stage; the plain tune where the stair has none of that name, or there is no stair for the instrument. */
    public Version version() {
        return stair().flatMap(stair -> stair.named(student.stage()))
                .orElseGet(() -> Handout.plain(lesson.tune(), Instrument.of(student.instrument())));
    }

    /** Whether the student gets the plain tune because the stage is not there. */
    public boolean isOfPlainTune() {
        return stair().flatMap(stair -> stair.named(student.stage())).isEmpty();
    }

    /** The pages as a PDF. */
    public byte[] pdf() throws IOException {
        Tune tune = lesson.tune();
        List<Page> pages = Handout.ofStages(tune, List.of(version()), Optional.empty(), profile, paper);
        return PdfPainter.paint(pages, tune.title() + " for " + student.name(), paper.spaceMillimetres());
    }

    /** The stage at seven tenths of its tempo as a WAV file. */
    public byte[] slowSound() throws IOException {
        Version version = version();
        Version slow = version.withPlaying(
                version.playing().withTempo(version.playing().tempo().times(SLOW)));
        return new Exporter(profile, paper).export(new Exporter.Take(lesson.tune(), slow), ExportForm.WAV);
    }
}
