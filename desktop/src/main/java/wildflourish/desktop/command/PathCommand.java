package wildflourish.desktop.command;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.function.Function;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import wildflourish.core.fingering.BarStrokes;
import wildflourish.core.fingering.ButtonPath;
import wildflourish.core.fingering.ButtonWay;
import wildflourish.core.fingering.LinePath;
import wildflourish.core.fingering.Manners;
import wildflourish.core.fingering.StringPath;
import wildflourish.core.fingering.StringWay;
import wildflourish.core.fingering.Struck;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Schools;
import wildflourish.core.instrument.Strings;
import wildflourish.core.instrument.StrokeOrder;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.words.ObstacleWords;
import wildflourish.core.words.Words;

@Command(
        name = "path",
        description = "The best way to play each tune on strings or buttons, note by note, with what each note costs.")
final class PathCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec = CommandSpec.create();

    @Mixin
    private TunesAsked tunes = new TunesAsked();

    @Option(names = "--instrument", required = true, description = "for example fiddle, box-bc, anglo-a, banjo-open-g")
    private String instrument = "";

    @Option(
            names = "--school",
            description =
                    "ways of playing it, joined by +, such as smooth, crisp, fourth-finger+shuffle; its first without it")
    private Optional<String> school = Optional.empty();

    @Option(names = "--capo", description = "the fret of a capo; a short string is raised as much")
    private int capo;

    @Option(names = "--format", description = "table, json or csv")
    private Listing.Format format = Listing.Format.TABLE;

    @Override
    public Integer call() {
        Instrument asked = Asked.instrument(instrument);
        if (asked.family().isWind()) {
            throw new UsageException("the " + asked.name() + " is fingered on holes; ask for its steps or its chart");
        }
        Schools schools = Asked.schools(school, asked);
        List<Map<String, String>> rows = new ArrayList<>();
        for (Tune tune : tunes.read(spec.commandLine().getErr())) {
            List<Struck> line = Struck.of(tune, tune.header().usualTempo());
            if (asked.strings().isPresent()) {
                Strings strings = capoed(asked.strings().get());
                StringPath.Manner how = Manners.of(strings, schools, tune.metreAt(0));
                LinePath<StringWay> path = StringPath.of(line, how, Map.of());
                add(
                        rows,
                        tune,
                        line,
                        new Found<>(
                                asked,
                                path,
                                way -> way.name(strings),
                                BarStrokes.of(tune, line, path, strings.stroke())));
            } else {
                LinePath<ButtonWay> path = ButtonPath.of(line, asked.buttons().orElseThrow(), schools.hand(), Map.of());
                add(rows, tune, line, new Found<>(asked, path, ButtonWay::toString, Map.of()));
            }
        }
        Listing.print(spec.commandLine().getOut(), rows, format, Legends.ways(asked));
        return Flourish.DONE;
    }

    private Strings capoed(Strings strings) {
        try {
            return capo == 0 ? strings : strings.withCapo(capo);
        } catch (IllegalArgumentException e) {
            throw new UsageException(String.valueOf(e.getMessage()));
        }
    }

    /** A way through a line and how each part of it is called. */
    private record Found<W>(
            Instrument instrument, LinePath<W> path, Function<W, String> name, Map<Integer, StrokeOrder> orders) {}

    private static <W> void add(List<Map<String, String>> rows, Tune tune, List<Struck> line, Found<W> found) {
        LinePath<W> path = found.path;
        Function<W, String> name = found.name;
        Map<NoteId, LinePath.Why> troubles = new LinkedHashMap<>();
        path.troubles().forEach(trouble -> troubles.put(trouble.note(), trouble.why()));
        for (Struck struck : line) {
            Note note = struck.note();
            Map<String, String> row = new LinkedHashMap<>();
            row.put("tune", String.valueOf(tune.header().number()));
            row.put("where", Words.place(tune, note));
            row.put("way", path.at(note.id()).map(name).orElse("–"));
            row.put(
                    "cannot",
                    Optional.ofNullable(troubles.get(note.id()))
                            .map(why -> ObstacleWords.of(why, found.instrument))
                            .orElse(""));
            row.put(
                    "strokes",
                    Optional.ofNullable(found.orders.get(tune.placeOf(note.id()).bar()))
                            .map(StrokeOrder::name)
                            .orElse(""));
            row.put("cost", String.format(Locale.ROOT, "%.2f", path.costs().getOrDefault(note.id(), 0.0)));
            row.put(
                    "or",
                    path.runnerUp()
                            .flatMap(other -> Optional.ofNullable(
                                            other.different().get(note.id()))
                                    .map(way ->
                                            name.apply(way) + String.format(Locale.ROOT, ", %.2f more", other.more())))
                            .orElse(""));
            rows.add(row);
        }
    }
}
