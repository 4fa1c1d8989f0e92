package wildflourish.core.words;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Difference;
import wildflourish.core.version.Label;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Shaping;

/** What a stage has over another, and what a stair loses, in words a student understands. */
public final class StairWords {
    private StairWords() {}

    /** A line for each ornament that is new, with all its places; then for each that has become another; then for each that is gone. */
    public static List<String> of(Difference difference, Tune tune) {
        List<String> lines = new ArrayList<>();
        Map<String, List<Placement>> added = new LinkedHashMap<>();
        difference
                .added()
                .forEach(each -> added.computeIfAbsent(Words.name(each.stack()), name -> new ArrayList<>())
                        .add(each));
        added.forEach((name, all) -> lines.add("new: " + name + " on " + places(all, tune)));
        Map<String, List<Placement>> changed = new LinkedHashMap<>();
        difference
                .changed()
                .forEach(change -> changed.computeIfAbsent(
                                Words.name(change.before().stack()) + " becomes "
                                        + Words.article(change.after().stack()),
                                name -> new ArrayList<>())
                        .add(change.after()));
        changed.forEach((words, all) -> lines.add(words + " on " + places(all, tune)));
        Map<String, List<Placement>> gone = new LinkedHashMap<>();
        difference
                .gone()
                .forEach(each -> gone.computeIfAbsent(Words.name(each.stack()), name -> new ArrayList<>())
                        .add(each));
        gone.forEach((name, all) -> lines.add("no longer: " + name + " on " + places(all, tune)));
        return lines;
    }

    /** {@code A4 in bars 1 and 5, B4 in bar 3}. */
    private static String places(List<Placement> placements, Tune tune) {
        Map<String, List<String>> bars = new LinkedHashMap<>();
        for (Placement placement : placements) {
            NoteId at = placement.span().first();
            int bar = tune.placeOf(at).bar();
            String number = tune.form().isPickup(bar)
                    ? "the pickup to bar " + tune.form().countedNumber(bar)
                    : "bar " + tune.form().countedNumber(bar);
            bars.computeIfAbsent(tune.note(at).melody().toString(), note -> new ArrayList<>())
                    .add(number);
        }
        return bars.entrySet().stream()
                .map(entry -> entry.getKey() + " in " + together(entry.getValue()))
                .collect(Collectors.joining(", "));
    }

    /** {@code bars 1, 3 and 5 (twice)}. */
    private static String together(List<String> bars) {
        Map<String, Integer> counts = new LinkedHashMap<>();
        bars.forEach(bar -> counts.merge(bar, 1, Integer::sum));
        List<String> words = new ArrayList<>();
        boolean arePlain = counts.keySet().stream().allMatch(bar -> bar.startsWith("bar "));
        counts.forEach((bar, count) -> words.add((arePlain ? bar.replaceFirst("bar ", "") : bar)
                + (count == 1 ? "" : count == 2 ? " (twice)" : " (" + count + " times)")));
        String all = words.size() == 1
                ? words.get(0)
                : String.join(", ", words.subList(0, words.size() - 1)) + " and " + words.get(words.size() - 1);
        return arePlain ? (words.size() == 1 ? "bar " : "bars ") + all : all;
    }

    /** What students are told about a version as a whole: the teacher's words, how often it is to be played; empty for neither. */
    public static String toStudents(Label label) {
        String times = switch (label.passes()) {
            case 0 -> "";
            case 1 -> "Play it once through.";
            default -> "Play it " + label.passes() + " times through.";
        };
        return (label.note().replaceAll("\\s+", " ") + " " + times).strip();
    }

    /** What a stair loses in a new shape, a line each. */
    public static List<String> of(Shaping shaping, Tune tune) {
        return shaping.losses().stream()
                .map(loss -> loss.stage() + " loses "
                        + Words.article(loss.placement().stack()) + " on "
                        + Words.place(tune, tune.note(loss.placement().span().first())))
                .toList();
    }
}
