package wildflourish.desktop.command;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Remark;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Version;
import wildflourish.core.words.Words;

@Command(name = "check", description = "Says what to look at in a book.")
final class CheckCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec = CommandSpec.create();

    @Parameters(paramLabel = "FILE", description = "a tunebook in ABC")
    private Path file = Path.of("");

    @Option(names = "--instrument", description = "the instrument for tunes without versions")
    private String instrument = Instrument.first().id();

    @Option(names = "--student", description = "fluent, steady or learner")
    private String student = Profile.usual().id();

    @Option(names = "--format", description = "table, json or csv")
    private Listing.Format format = Listing.Format.TABLE;

    @Override
    public Integer call() {
        PrintWriter out = spec.commandLine().getOut();
        PrintWriter err = spec.commandLine().getErr();
        Profile profile = Asked.profile(student);
        Instrument usual = Asked.instrument(instrument);
        List<Map<String, String>> rows = BookFile.each(file, lesson -> remarks(lesson, usual, profile), err);
        if (rows.isEmpty() && format == Listing.Format.TABLE) {
            out.println("Nothing to remark: every note and every placement fits.");
        } else {
            Listing.print(out, rows, format);
        }
        out.flush();
        return Flourish.DONE;
    }

    private static List<Map<String, String>> remarks(Lesson lesson, Instrument usual, Profile profile) {
        Tune tune = lesson.tune();
        List<Version> versions = lesson.versions().isEmpty()
                ? List.of(Version.plain("plain", Playing.usual(tune, usual)))
                : lesson.versions();
        List<Map<String, String>> rows = new ArrayList<>();
        Optional<String> before = Optional.empty();
        for (Version version : versions) {
            for (Remark remark : Remark.of(tune, version, profile)) {
                Map<String, String> row = new LinkedHashMap<>();
                row.put("tune", tune.header().number() + " " + tune.title());
                row.put("version", version.name());
                row.put("remark", Words.of(remark, tune, version));
                boolean isRepeated = remark instanceof Remark.MissingNote
                        && before.isPresent()
                        && !before.get().equals(version.name());
                if (!isRepeated) {
                    rows.add(row);
                }
            }
            before = before.or(() -> Optional.of(version.name()));
        }
        return rows;
    }
}
