package wildflourish.desktop.command;

import java.io.IOException;
import java.io.InputStream;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Stack;
import wildflourish.core.placing.Question;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;
import wildflourish.files.abc.BookReader;

/** A tune or one of its versions with things placed on it, as the command line names them. */
final class SpotAsked {
    private static final Pattern PLACE = Pattern.compile("(\\d+)(?:-(\\d+))?:(\\S+)");

    @Parameters(paramLabel = "FILE", description = "a tunebook in ABC; - reads it from standard input")
    private String file = "-";

    @Mixin
    private TuneChoice choice = new TuneChoice();

    @Option(names = "--version", description = "the stage with this name; the plain tune without it")
    private Optional<String> version = Optional.empty();

    @Option(
            names = "--place",
            description = "N[-M]:ornament[@school][+ornament…] on note N, or from N to M; may come again")
    private List<String> places = new ArrayList<>();

    @Option(names = "--instrument", description = "for example whistle-d; the version's own without it")
    private Optional<String> instrument = Optional.empty();

    @Option(names = "--tempo", description = "beats a minute of the tune type's beat")
    private Optional<String> tempo = Optional.empty();

    @Option(names = "--hold", description = "how notes are held, 4:XXXXOOXX; several between blanks")
    private String hold = "–";

    /** A tune and what is placed on it. */
    record Found(Tune tune, Version version) {}

    /** Notes are held as told; on strings the hold is that of the note asked about. */
    Found read(PrintWriter err, int note) {
        Lesson lesson = lesson(err);
        Version asked = version.isPresent() ? named(lesson, version.get()) : plain(lesson.tune());
        if (version.isPresent()
                && instrument.isPresent()
                && !asked.playing().instrument().id().equals(instrument.get())) {
            throw new UsageException("“" + asked.name() + "” is for the "
                    + asked.playing().instrument().name() + "; leave --instrument out, or name another version");
        }
        Playing playing = asked.playing();
        Version timed = tempo.isEmpty()
                ? asked
                : asked.withPlaying(playing.withTempo(
                        new Tempo(Asked.tempo(tempo.get()), playing.tempo().beatLength())));
        try {
            Version placed = timed;
            for (String place : places) {
                placed = placed(lesson.tune(), placed, place);
            }
            return new Found(lesson.tune(), Question.held(lesson.tune(), placed, hold, note));
        } catch (IllegalArgumentException e) {
            throw new UsageException(String.valueOf(e.getMessage()));
        }
    }

    private Lesson lesson(PrintWriter err) {
        if (!file.equals("-")) {
            return BookFile.lessons(Path.of(file), choice, err).get(0);
        }
        var read = BookReader.read(standardInput());
        read.problems().forEach(problem -> err.println("standard input: " + problem));
        if (read.value().lessons().isEmpty()) {
            throw new UsageException("standard input has no tune in it; a tune begins with a line X:1");
        }
        List<Lesson> lessons = read.value().lessons();
        return lessons.get(choice.of(lessons, Path.of("standard input")).get(0));
    }

    private static String standardInput() {
        try {
            InputStream in = System.in;
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UsageException("cannot read standard input: " + e.getMessage());
        }
    }

    private static Version named(Lesson lesson, String name) {
        return lesson.versions().stream()
                .filter(each -> each.name().equalsIgnoreCase(name))
                .findFirst()
                .orElseThrow(() -> new UsageException("the tune has no version “" + name + "”; there are "
                        + String.join(
                                ", ",
                                lesson.versions().stream().map(Version::name).toList())));
    }

    private Version plain(Tune plain) {
        Instrument asked = Asked.instrument(
                instrument.orElseThrow(() -> new UsageException("name an instrument, such as --instrument whistle-d")));
        return Version.plain("plain", Playing.usual(plain, asked));
    }

    private static Version placed(Tune tune, Version version, String place) {
        Matcher match = PLACE.matcher(place);
        if (!match.matches()) {
            throw new UsageException(
                    "“" + place + "” places nothing; write such as 3:cut or 5-7:long-roll@even+slide-in");
        }
        int first = Integer.parseInt(match.group(1));
        int last = match.group(2) == null ? first : Integer.parseInt(match.group(2));
        if (last < first) {
            throw new UsageException("“" + place + "” ends before it begins");
        }
        Span span = new Span(
                Question.sounding(tune, first).id(),
                Question.sounding(tune, last).id());
        return version.with(
                tune,
                Spot.of(Placement.of(
                        Stack.parse(
                                match.group(3), version.playing().instrument().family()),
                        span)));
    }
}
