package wildflourish.core.engraving;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.arranging.Whole;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Times;
import wildflourish.core.version.Version;
import wildflourish.core.words.TimesWords;
import wildflourish.core.words.Words;

/** A plan of times through on paper: what comes after what, when and how full it is; then each version that is played, once. */
public final class RoadMap {
    private static final double TITLE = 3.4;
    private static final double SIZE = 2;
    private static final double LINE = 4.6;
    private static final double NUMBER = 4;
    private static final double NAME = 34;
    private static final double BAR = 1.5;
    private static final double LEAST = 0.6;

    private RoadMap() {}

    /** The map and the versions on pages of a paper. */
    public static List<Page> of(Tune tune, Stair stair, Times times, Profile profile, Paper paper) {
        List<Page> pages = new ArrayList<>();
        pages.add(map(tune, stair, times, paper));
        Set<String> printed = new HashSet<>();
        for (String turn : times.turns()) {
            if (printed.add(turn)) {
                Score score = new Score(tune, stair.named(turn), Score.Shows.PRINT, profile);
                pages.addAll(Engraver.engrave(score, paper));
            }
        }
        return pages;
    }

    /** The map alone. */
    static Page map(Tune tune, Stair stair, Times times, Paper paper) {
        Sketch sketch = new Sketch();
        double left = paper.margin();
        double y = paper.margin() + TITLE;
        sketch.words(Face.TITLE.drawable(tune.title()), left, y, Face.TITLE, TITLE);
        y += LINE;
        String on = "On the " + stair.instrument().name() + ", " + times.turns().size()
                + (times.turns().size() == 1 ? " time" : " times") + " through, " + Words.tempo(times.tempo());
        sketch.words(Face.BODY.drawable(on), left, y, Face.BODY, SIZE);
        y += LINE * 1.5;
        double room = paper.width() - 2 * paper.margin() - NUMBER - NAME;
        int heaviest = stair.versions().stream().mapToInt(Version::weight).max().orElse(0);
        for (TimesWords.Row row : TimesWords.rows(Whole.of(tune, stair, times))) {
            row(sketch, row, stair, left, y, room / Math.max(1, heaviest));
            y += LINE;
        }
        y += LINE / 2;
        sketch.words(
                "The bars show how much is ornamented; the clock says when each begins.", left, y, Face.ITALIC, SIZE);
        for (String remark : TimesWords.remarks(stair, times)) {
            y += LINE / 1.5;
            sketch.words(Face.BODY.drawable(remark), left, y, Face.BODY, SIZE);
        }
        return new Page(paper.width(), paper.height(), sketch.drawn(), List.of());
    }

    private static void row(Sketch sketch, TimesWords.Row row, Stair stair, double left, double y, double unit) {
        int blank = row.what().indexOf(' ');
        boolean isTurn = Character.isDigit(row.what().charAt(0));
        String name = isTurn ? row.what().substring(blank + 1) : row.what();
        if (isTurn) {
            sketch.words(row.what().substring(0, blank), left, y, Face.BOLD, SIZE);
        }
        sketch.words(Face.BOLD.drawable(name), left + NUMBER, y, isTurn ? Face.BOLD : Face.BODY, SIZE);
        double at = left + NUMBER + Math.max(14, Face.BOLD.width(Face.BOLD.drawable(name), SIZE) + 2);
        sketch.words(row.at() + ", " + row.bars() + (row.bars() == 1 ? " bar" : " bars"), at, y, Face.BODY, SIZE);
        Optional<Version> version = isTurn ? stair.named(name) : Optional.empty();
        version.ifPresent(each -> {
            double from = left + NUMBER + NAME;
            double to = from + LEAST + (unit * each.weight()) * (1 - LEAST / 40);
            sketch.add(
                    new Mark.Shape(Outline.polygon(from, y - BAR, to, y - BAR, to, y, from, y), 0),
                    Ink.SINGLE,
                    Drawn.Kind.PICTURE);
        });
    }
}
