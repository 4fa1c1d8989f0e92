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
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import wildflourish.core.growing.Growth;
import wildflourish.core.growing.Reading;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Remark;
import wildflourish.core.problem.Parsed;
import wildflourish.core.problem.Place;
import wildflourish.core.problem.Problem;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.words.ReadingWords;
import wildflourish.core.words.Words;

@Command(name = "check", description = "Says what to look at in a book.")
final class CheckCommand implements Callable<Integer> {
    private static final List<String> LEGEND = List.of(
            "place N: the tune at that place of the book, from 1. line and column: in the file, from 1.",
            "Without a line: of the notes and of what is placed on them, for the instrument and student asked about.");

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

    @Mixin
    private TuneChoice choice = new TuneChoice();

    @Option(names = "--version", description = "only the stages with this name, with what a critic would say of them")
    private Optional<String> version = Optional.empty();

    @Override
    public Integer call() {
        PrintWriter out = spec.commandLine().getOut();
        PrintWriter err = spec.commandLine().getErr();
        Profile profile = Asked.profile(student);
        Instrument usual = Asked.instrument(instrument);
        Parsed<List<Map<String, Object>>> answers = answers(err, usual, profile);
        List<Map<String, Object>> rows = new ArrayList<>();
        answers.problems().forEach(problem -> rows.add(row(problem)));
        rows.addAll(answers.value());
        if (rows.isEmpty() && format == Listing.Format.TABLE) {
            out.println("Nothing to remark: every note and every placement fits.");
        } else {
            Listing.print(out, rows, format, LEGEND);
        }
        out.flush();
        return Flourish.DONE;
    }

    /** What there is to say of the tunes that are meant, with what is wrong with their text. */
    private Parsed<List<Map<String, Object>>> answers(PrintWriter err, Instrument usual, Profile profile) {
        if (choice.isEvery() && version.isEmpty()) {
            return BookFile.each(file, lesson -> remarks(lesson, versions(lesson, usual), profile), err);
        }
        Parsed<List<Lesson>> meant = BookFile.meant(file, choice);
        List<Map<String, Object>> rows = new ArrayList<>();
        boolean isAny = false;
        for (Lesson lesson : meant.value()) {
            List<Version> named = versions(lesson, usual).stream()
                    .filter(each -> version.isEmpty() || each.name().equalsIgnoreCase(version.get()))
                    .toList();
            isAny |= !named.isEmpty();
            rows.addAll(remarks(lesson, named, profile));
            rows.addAll(readings(lesson, profile));
        }
        if (!isAny) {
            throw new UsageException("no tune has a version “" + version.orElse("") + "”; there are "
                    + String.join(
                            ", ",
                            meant.value().stream()
                                    .flatMap(lesson -> lesson.versions().stream())
                                    .map(Version::name)
                                    .distinct()
                                    .toList()));
        }
        return new Parsed<>(rows, meant.problems());
    }

    /** Of stages and versions asked for by name also what a critic would say: advice, each with what mends it. */
    private List<Map<String, Object>> readings(Lesson lesson, Profile profile) {
        List<Map<String, Object>> rows = new ArrayList<>();
        for (Stair stair : version.isPresent() ? lesson.stairs() : List.<Stair>of()) {
            for (int index = 1; index < stair.versions().size(); index++) {
                boolean isMeant = stair.at(index).name().equalsIgnoreCase(version.orElse(""));
                List<Reading.Remark> remarks = isMeant
                        ? Reading.of(
                                lesson.tune(), stair, index, profile, Growth.choices(lesson.tune(), stair, profile))
                        : List.of();
                for (Reading.Remark remark : remarks) {
                    rows.add(row(
                            lesson.tune().header().number() + " "
                                    + lesson.tune().title(),
                            stair.at(index).name(),
                            Optional.empty(),
                            ReadingWords.of(remark, lesson.tune()) + ". " + ReadingWords.mend(remark)));
                }
            }
        }
        return rows;
    }

    private static Map<String, Object> row(Problem problem) {
        return row(
                problem.tune() == 0 ? "–" : "place " + problem.tune(),
                "–",
                Optional.of(problem.place()),
                problem.message() + ". " + problem.hint());
    }

    private static Map<String, Object> row(String tune, String version, Optional<Place> place, String remark) {
        Map<String, Object> row = new LinkedHashMap<>();
        row.put("tune", tune);
        row.put("version", version);
        row.put("line", place.map(Place::line));
        row.put("column", place.map(Place::column));
        row.put("remark", remark);
        return row;
    }

    private static List<Version> versions(Lesson lesson, Instrument usual) {
        return lesson.versions().isEmpty()
                ? List.of(Version.plain("plain", Playing.usual(lesson.tune(), usual)))
                : lesson.versions();
    }

    private static List<Map<String, Object>> remarks(Lesson lesson, List<Version> versions, Profile profile) {
        Tune tune = lesson.tune();
        List<Map<String, Object>> rows = new ArrayList<>();
        Optional<String> before = Optional.empty();
        for (Version version : versions) {
            for (Remark remark : Remark.of(tune, version, profile)) {
                boolean isRepeated = remark instanceof Remark.MissingNote
                        && before.isPresent()
                        && !before.get().equals(version.name());
                if (!isRepeated) {
                    rows.add(row(
                            tune.header().number() + " " + tune.title(),
                            version.name(),
                            Optional.empty(),
                            Words.of(remark, tune, version)));
                }
            }
            before = before.or(() -> Optional.of(version.name()));
        }
        return rows;
    }
}
