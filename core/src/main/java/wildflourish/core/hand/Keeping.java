package wildflourish.core.hand;

import java.util.List;
import wildflourish.core.instrument.Strings;

/** Whether a finger can stay where it is. */
public final class Keeping {
    private Keeping() {}

    /** Whether the finger of the first place has to leave it: a later note lies lower on its string, or wants it elsewhere. */
    public static boolean mustLift(List<Strings.Place> places) {
        Strings.Place first = places.get(0);
        return places.stream().skip(1).anyMatch(place -> isLower(place, first) || wantsFinger(place, first));
    }

    private static boolean isLower(Strings.Place place, Strings.Place first) {
        return place.string() == first.string() && place.semitones() < first.semitones();
    }

    private static boolean wantsFinger(Strings.Place place, Strings.Place first) {
        boolean isThere = place.string() == first.string() && place.semitones() == first.semitones();
        return !place.isOpen()
                && !isThere
                && place.stop().finger() == first.stop().finger();
    }
}
