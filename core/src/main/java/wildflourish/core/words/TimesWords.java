package wildflourish.core.words;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.arranging.Whole;
import wildflourish.core.music.Fraction;
import wildflourish.core.tune.Bar;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Times;
import wildflourish.core.version.Version;

/** A plan of times through in words. */
public final class TimesWords {
    private TimesWords() {}

    /**
     * A stretch of a performance.
     *
     * @param bars how many bars it takes, repeats played out
     * @param at when it begins, in minutes and seconds
     */
    public record Row(String what, int bars, String at) {}

    /** A row for each stretch, in the order in which they are played. */
    public static List<Row> rows(Whole whole) {
        List<Row> rows = new ArrayList<>();
        Fraction now = Fraction.ZERO;
        for (Whole.Section section : whole.sections()) {
            double seconds = whole.version().playing().tempo().millisOf(now).toDouble() / 1000;
            int bars = section.lastBar() - section.firstBar() + 1;
            rows.add(new Row(section.name(), bars, Words.clock(seconds * 1000)));
            for (Bar bar : whole.tune().bars().subList(section.firstBar(), section.lastBar() + 1)) {
                now = now.plus(bar.length());
            }
        }
        return rows;
    }

    /** How a plan is read out: {@code an intro of 2 bars; Root; Leaf; Wild; a tag of 2 bars}. */
    public static String of(Times times) {
        List<String> parts = new ArrayList<>();
        if (times.intro() > 0) {
            parts.add("an intro of " + bars(times.intro()));
        }
        parts.add(String.join(times.join() > 0 ? ", held " + bars(times.join()) + ", " : ", ", times.turns()));
        if (times.tag() > 0) {
            parts.add("a tag of " + bars(times.tag()));
        }
        return String.join("; ", parts);
    }

    private static String bars(int count) {
        return count == 1 ? "a bar" : count + " bars";
    }

    /** What a plan does not keep to: that two neighbours differ, that it begins with the plainest and ends with the fullest of its versions. */
    public static List<String> remarks(Stair stair, Times times) {
        List<String> remarks = new ArrayList<>();
        for (int second : times.alike()) {
            remarks.add("Times " + second + " and " + (second + 1) + " are alike: "
                    + times.turns().get(second) + "; take another version for one of them.");
        }
        List<Version> played = times.turns().stream()
                .map(name -> stair.named(name).orElseThrow())
                .toList();
        int first = played.get(0).weight();
        int last = played.get(played.size() - 1).weight();
        if (played.stream().anyMatch(version -> version.weight() < first)) {
            remarks.add("It does not begin with the plainest of its versions.");
        }
        if (played.stream().anyMatch(version -> version.weight() > last)) {
            remarks.add("It does not end with the fullest of its versions.");
        }
        return remarks;
    }
}
