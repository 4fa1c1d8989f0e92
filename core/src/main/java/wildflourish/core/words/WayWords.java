package wildflourish.core.words;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import wildflourish.core.fingering.ButtonPath;
import wildflourish.core.fingering.LinePath;
import wildflourish.core.fingering.Manners;
import wildflourish.core.fingering.StringPath;
import wildflourish.core.fingering.Struck;
import wildflourish.core.hand.Hands;
import wildflourish.core.instrument.Strings;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Version;

/** What the way through a tune on strings or buttons costs, where it costs most, and what the next best way would be. */
public final class WayWords {
    private static final int MOST_PLACES = 3;

    private WayWords() {}

    /** Through what the teacher has pinned; none for an instrument fingered on holes. */
    public static List<String> of(Tune tune, Version version) {
        Playing playing = version.playing();
        Map<NoteId, String> pins = Hands.linePins(version);
        List<Struck> line = Struck.of(tune, playing.tempo());
        if (line.isEmpty()) {
            return List.of();
        }
        if (playing.instrument().strings().isPresent()) {
            Strings strings = playing.instrument().strings().get();
            StringPath.Manner manner = Manners.of(strings, playing.schools(), tune.metreAt(0));
            return of(tune, line, StringPath.of(line, manner, pins), way -> LineSteps.of(way, strings));
        }
        return playing.instrument()
                .buttons()
                .map(layout -> of(
                        tune,
                        line,
                        ButtonPath.of(line, layout, playing.school(), pins),
                        way -> LineSteps.of(way, playing.instrument().family())))
                .orElse(List.of());
    }

    private static <W> List<String> of(Tune tune, List<Struck> line, LinePath<W> path, Function<W, String> name) {
        List<String> lines = new ArrayList<>();
        lines.add("The way through costs " + number(path.cost()) + ", " + number(path.cost() / line.size())
                + " a note, in turns of the bellows or changes of the string.");
        List<String> dearest = path.costs().entrySet().stream()
                .filter(each -> each.getValue() > 0)
                .sorted(Map.Entry.<NoteId, Double>comparingByValue()
                        .reversed()
                        .thenComparing(Map.Entry.comparingByKey()))
                .limit(MOST_PLACES)
                .map(each -> Words.place(tune, tune.note(each.getKey())) + " (" + number(each.getValue()) + ")")
                .toList();
        if (!dearest.isEmpty()) {
            lines.add("Most at " + String.join("; ", dearest) + ".");
        }
        path.runnerUp().ifPresent(other -> lines.add(of(tune, other, name)));
        return List.copyOf(lines);
    }

    private static <W> String of(Tune tune, LinePath.RunnerUp<W> other, Function<W, String> name) {
        List<String> changes = other.different().entrySet().stream()
                .sorted(Comparator.comparing(Map.Entry::getKey))
                .limit(MOST_PLACES)
                .map(each -> Words.place(tune, tune.note(each.getKey())) + ": " + name.apply(each.getValue()))
                .toList();
        int more = other.different().size() - changes.size();
        String cost = other.more() == 0 ? "as much" : number(other.more()) + " more";
        return "The next best way costs " + cost + ": " + String.join("; ", changes)
                + (more > 0 ? "; and " + more + " more" : "") + ".";
    }

    private static String number(double cost) {
        return String.format(Locale.ROOT, cost < 0.1 && cost > 0 ? "%.2f" : "%.1f", cost);
    }
}
