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

/** A plan of times through on paper: each version that is played, once, and under the first what comes after what, when and how full it is. */
public final class RoadMap {
    private static final double SIZE = 1.75;
    private static final double LINE = 3;
    private static final double NUMBER = 4;
    private static final double NAME = 34;
    private static final double BAR = 1.3;
    private static final double LEAST = 0.6;

    private RoadMap() {}

    /** The versions and the map on pages of a paper. */
    public static List<Page> of(Tune tune, Stair stair, Times times, Profile profile, Paper paper) {
        List<Page> pages = new ArrayList<>();
        Set<String> printed = new HashSet<>();
        for (String turn : times.turns()) {
            if (printed.add(turn)) {
                Score score = new Score(tune, stair.named(turn), Score.Shows.PRINT, profile);
                List<Sketch> below = pages.isEmpty() ? List.of(map(tune, stair, times, paper)) : List.of();
                pages.addAll(Engraver.engrave(score, paper, new Engraver.Below(below, List.of())));
            }
        }
        return pages;
    }

    /** The map by itself, as wide as the paper lets it be. */
    static Sketch map(Tune tune, Stair stair, Times times, Paper paper) {
        Sketch sketch = new Sketch();
        sketch.words("Times through", 0, 0, Face.BOLD, SIZE);
        double y = LINE;
        String on = "On the " + stair.instrument().name() + ", "
                + (times.turns().size() == 1 ? "once" : times.turns().size() + " times") + ", "
                + Words.tempo(times.tempo())
                + ". The bars show how much is ornamented; the clock says when each begins.";
        sketch.words(Face.BODY.drawable(on), 0, y, Face.BODY, SIZE);
        y += LINE;
        double room = paper.width() - 2 * paper.margin() - NUMBER - NAME;
        int heaviest = stair.versions().stream().mapToInt(Version::weight).max().orElse(0);
        for (TimesWords.Row row : TimesWords.rows(Whole.of(tune, stair, times))) {
            row(sketch, row, stair, y, room / Math.max(1, heaviest));
            y += LINE;
        }
        for (String remark : TimesWords.remarks(stair, times)) {
            sketch.words(Face.BODY.drawable(remark), 0, y, Face.BODY, SIZE);
            y += LINE;
        }
        return sketch;
    }

    private static void row(Sketch sketch, TimesWords.Row row, Stair stair, double y, double unit) {
        int blank = row.what().indexOf(' ');
        boolean isTurn = Character.isDigit(row.what().charAt(0));
        String name = isTurn ? row.what().substring(blank + 1) : row.what();
        if (isTurn) {
            sketch.words(row.what().substring(0, blank), 0, y, Face.BOLD, SIZE);
        }
        sketch.words(Face.BOLD.drawable(name), NUMBER, y, isTurn ? Face.BOLD : Face.BODY, SIZE);
        double at = NUMBER + Math.max(14, Face.BOLD.width(Face.BOLD.drawable(name), SIZE) + 2);
        sketch.words(row.at() + ", " + row.bars() + (row.bars() == 1 ? " bar" : " bars"), at, y, Face.BODY, SIZE);
        Optional<Version> version = isTurn ? stair.named(name) : Optional.empty();
        version.ifPresent(each -> {
            double from = NUMBER + NAME;
            double to = from + LEAST + (unit * each.weight()) * (1 - LEAST / 40);
            sketch.add(
                    new Mark.Shape(Outline.polygon(from, y - BAR, to, y - BAR, to, y, from, y), 0),
                    Ink.SINGLE,
                    Drawn.Kind.PICTURE);
        });
    }
}
