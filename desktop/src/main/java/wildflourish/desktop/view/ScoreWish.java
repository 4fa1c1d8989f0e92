package wildflourish.desktop.view;

import java.util.Optional;
import wildflourish.core.engraving.Score;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Version;
import wildflourish.desktop.look.Paging;
import wildflourish.desktop.look.Size;

/**
 * What a score is to show.
 *
 * @param tune the tune; without one there is no page
 * @param version what is drawn above it
 * @param profile the student it is for
 * @param at a note of the phrase that is looked at alone
 * @param preview what might be placed, drawn in pale ink
 */
public record ScoreWish(
        Optional<Tune> tune,
        Optional<Version> version,
        Profile profile,
        Score.Shows shows,
        Size size,
        Paging page,
        boolean isInSmallNotes,
        Optional<NoteId> at,
        Optional<Placement> preview) {
    /** Nothing at all. */
    static final ScoreWish NOTHING = new ScoreWish(
            Optional.empty(),
            Optional.empty(),
            Profile.usual(),
            Score.Shows.BENCH,
            Size.WIDTH,
            Paging.LONG,
            false,
            Optional.empty(),
            Optional.empty());

    /** The same with something that might be placed. */
    public ScoreWish with(Optional<Placement> other) {
        return new ScoreWish(tune, version, profile, shows, size, page, isInSmallNotes, at, other);
    }
}
