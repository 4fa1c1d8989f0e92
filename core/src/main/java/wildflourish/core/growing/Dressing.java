package wildflourish.core.growing;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import wildflourish.core.tune.NoteId;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/** What versions have placed in them. */
final class Dressing {
    private Dressing() {}

    /** All that stands in a version, in the order of the tune. */
    static List<Placement> of(Version version) {
        return version.spots().values().stream()
                .flatMap(spot -> spot.first().stream())
                .toList();
    }

    /** A version with just these placements; where one stands already it keeps its words and its second choices. */
    static Version dressed(Version version, List<Placement> placements) {
        Set<Placement> wanted = new HashSet<>(placements);
        Version bare = version;
        for (Placement old : of(version)) {
            if (!wanted.contains(old)) {
                bare = bare.without(old.span().first());
            }
        }
        Map<NoteId, Spot> spots = new TreeMap<>(bare.spots());
        for (Placement placement : placements) {
            NoteId first = placement.span().first();
            Spot words = spots.getOrDefault(first, Spot.bare(first));
            if (!words.first().equals(Optional.of(placement))) {
                spots.put(first, words.withOptions(List.of(placement)));
            }
        }
        return bare.withSpots(spots);
    }
}
