package wildflourish.desktop.view;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.engraving.Score;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Stair;
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
 * @param preview what might be placed, in the order in which it is tried, drawn in pale ink
 * @param stair all stages, of which the phrase is shown one under the other; empty where one version is shown
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
        List<Placement> preview,
        Optional<Stages> stair) {
    /**
     * Versions one over the other, the first at the foot.
     *
     * @param over for each the index of the one that it is held against; −1 for none
     * @param inHand the one worked on
     */
    public record Stages(List<Version> versions, List<Integer> over, int inHand) {
        public Stages {
            versions = List.copyOf(versions);
            over = List.copyOf(over);
        }

        /** With another in place of the one in hand. */
        Stages with(Version other) {
            List<Version> others = new ArrayList<>(versions);
            others.set(inHand, other);
            return new Stages(others, over, inHand);
        }

        /** A stair with what stands beside it: each stage is held against the one below, a version beside them against the one it was made of. */
        public static Stages of(Stair stair, int inHand) {
            List<String> names = stair.versions().stream().map(Version::name).toList();
            List<Integer> over = new ArrayList<>();
            for (int i = 0; i < names.size(); i++) {
                over.add(stair.besideAt(i)
                        .map(beside -> names.indexOf(beside.source()))
                        .orElse(i - 1));
            }
            return new Stages(stair.versions(), over, inHand);
        }
    }

    /** Of one version. */
    public ScoreWish(
            Optional<Tune> tune,
            Optional<Version> version,
            Profile profile,
            Score.Shows shows,
            Size size,
            Paging page,
            boolean isInSmallNotes,
            Optional<NoteId> at,
            List<Placement> preview) {
        this(tune, version, profile, shows, size, page, isInSmallNotes, at, preview, Optional.empty());
    }

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
            List.of());

    /** The same with something that might be placed. */
    public ScoreWish with(List<Placement> other) {
        return new ScoreWish(tune, version, profile, shows, size, page, isInSmallNotes, at, other, stair);
    }

    /** The same with all stages of a stair. */
    public ScoreWish with(Stages stages) {
        return new ScoreWish(
                tune, version, profile, shows, size, page, isInSmallNotes, at, preview, Optional.of(stages));
    }
}
