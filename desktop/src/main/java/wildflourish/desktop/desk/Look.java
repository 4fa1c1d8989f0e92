package wildflourish.desktop.desk;

import java.util.Optional;
import wildflourish.core.chart.ChartNotes;
import wildflourish.core.engraving.Score;
import wildflourish.desktop.look.Paging;
import wildflourish.desktop.look.Size;
import wildflourish.desktop.look.Theme;

/**
 * How things are shown.
 *
 * @param theme light or dark; empty where it follows the system
 * @param shows what goes with the notes
 * @param size how large the score is drawn
 * @param page on what the score is laid out
 * @param isInSmallNotes ornaments as small notes, not as signs
 * @param pane what stands under the score
 * @param chartNotes which notes the chart of the instrument shows
 * @param isWholeStair whether the Stair shows the whole tune, not one phrase
 */
public record Look(
        Optional<Theme> theme,
        Score.Shows shows,
        Size size,
        Paging page,
        boolean isInSmallNotes,
        Pane pane,
        ChartNotes.Which chartNotes,
        boolean isWholeStair) {
    /** As it is before anything is chosen. */
    public static final Look USUAL = new Look(
            Optional.empty(),
            Score.Shows.BENCH,
            Size.WIDTH,
            Paging.LONG,
            false,
            Pane.NONE,
            ChartNotes.Which.ALL,
            false);

    /** What stands under the score. */
    public enum Pane {
        NONE,
        CLOSE_UP,
        WRITE
    }

    public Look withTheme(Optional<Theme> other) {
        return new Look(other, shows, size, page, isInSmallNotes, pane, chartNotes, isWholeStair);
    }

    public Look withShows(Score.Shows other) {
        return new Look(theme, other, size, page, isInSmallNotes, pane, chartNotes, isWholeStair);
    }

    public Look withSize(Size other) {
        return new Look(theme, shows, other, page, isInSmallNotes, pane, chartNotes, isWholeStair);
    }

    public Look withPage(Paging other) {
        return new Look(theme, shows, size, other, isInSmallNotes, pane, chartNotes, isWholeStair);
    }

    public Look withSmallNotes(boolean small) {
        return new Look(theme, shows, size, page, small, pane, chartNotes, isWholeStair);
    }

    public Look withPane(Pane other) {
        return new Look(theme, shows, size, page, isInSmallNotes, other, chartNotes, isWholeStair);
    }

    public Look withChartNotes(ChartNotes.Which other) {
        return new Look(theme, shows, size, page, isInSmallNotes, pane, other, isWholeStair);
    }

    public Look withWholeStair(boolean isSo) {
        return new Look(theme, shows, size, page, isInSmallNotes, pane, chartNotes, isSo);
    }
}
