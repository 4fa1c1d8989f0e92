package wildflourish.core.arranging;

import java.util.Optional;
import java.util.stream.Stream;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/**
 * Something that does not go well where a phrase of one version follows one of another.
 *
 * @param at the note it is about
 * @param placement the ornament it is about, where it is one
 * @param remedy what puts it right; empty where only the player can help
 */
public record Join(Kind kind, NoteId at, Optional<Placement> placement, Optional<Remedy> remedy) {
    /**
     * What puts a join right. Several may be done one after the other, each beside what the others do.
     *
     * @param spot what stands on a note then, in place of what stands there
     * @param layer a rule over some notes, beside the others; empty where none is needed
     */
    public record Remedy(Spot spot, Optional<Layer> layer) {
        Remedy(Spot spot) {
            this(spot, Optional.empty());
        }

        /** The mixed version with it. */
        public Version done(Tune tune, Version mixed) {
            Version changed = spot.isEmpty() ? mixed.without(spot.at()) : mixed.with(tune, spot);
            return layer.map(rule -> changed.withLayers(Stream.concat(changed.layers().stream(), Stream.of(rule))
                            .toList()))
                    .orElse(changed);
        }
    }

    /** What is wrong. */
    public enum Kind {
        /** An ornament reaches over the end of its phrase, and is left out. */
        OVERLAP,
        /** An ornament that fits in its own version does not fit after, or before, the other. */
        UNFIT,
        /** The bow comes to the phrase the other way round. */
        BOW,
        /** The bellows come to the phrase the other way round. */
        BELLOWS,
        /** The stretch over the join is longer than a breath. */
        BREATH,
        /** The line leaps by more than an octave where neither version does. */
        LEAP
    }
}
