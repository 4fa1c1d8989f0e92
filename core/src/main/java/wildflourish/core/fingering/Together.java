package wildflourish.core.fingering;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import wildflourish.core.instrument.PickingHand;
import wildflourish.core.instrument.Strings;
import wildflourish.core.music.FingeredPitch;

/**
 * Which strings and fingers notes that sound together can be held with. A bow takes two strings side by side, a pick as many side by side as there are, a
 * banjo hand one with each of its fingers, or some side by side with the nail. On a fiddle one finger stops two strings only where it lies as high on both, and of two fingers the
 * higher-numbered lies further up; on frets two fingers may share what one does alone.
 */
public final class Together {
    /** How much further up the fourth finger lies than the first where they stop an octave. */
    private static final int OCTAVE_STRETCH = 5;

    private Together() {}

    /**
     * What can be held, or why nothing can.
     *
     * @param why empty where there is a hold
     */
    public record Holds(List<StringHold> holds, Optional<LinePath.Why> why) {
        public Holds {
            holds = List.copyOf(holds);
        }
    }

    /** Every hold for pitches that sound together, from the lowest to the highest. */
    public static Holds of(Strings strings, List<FingeredPitch> pitches) {
        return of(strings, PickingHand.USUAL, pitches);
    }

    /** The same with a banjo hand that is not the usual one; for bows and picks it is not asked. */
    static Holds of(Strings strings, PickingHand hand, List<FingeredPitch> pitches) {
        List<List<Strings.Place>> places =
                pitches.stream().map(strings::placesOf).toList();
        if (places.stream().anyMatch(List::isEmpty)) {
            boolean hasMelody = !places.get(places.size() - 1).isEmpty();
            return new Holds(List.of(), Optional.of(hasMelody ? LinePath.Why.SECOND_MISSING : LinePath.Why.MISSING));
        }
        if (pitches.size() > most(strings, hand)) {
            return new Holds(List.of(), Optional.of(LinePath.Why.TOO_MANY));
        }
        List<StringHold> holds = combined(places);
        return narrowed(holds, Together::isOnStringsOfTheirOwn, LinePath.Why.ONE_STRING)
                .or(() -> narrowed(holds, hold -> isWithinStroke(strings, hand, hold), LinePath.Why.APART))
                .or(() -> narrowed(holds, hold -> isWithinHand(strings, hold), LinePath.Why.FINGERS))
                .orElseGet(() -> new Holds(holds, Optional.empty()));
    }

    /** Leaves only the holds that pass; the refusal where none does. */
    private static Optional<Holds> narrowed(List<StringHold> holds, Predicate<StringHold> passes, LinePath.Why why) {
        holds.removeIf(passes.negate());
        return holds.isEmpty() ? Optional.of(new Holds(List.of(), Optional.of(why))) : Optional.empty();
    }

    private static int most(Strings strings, PickingHand hand) {
        return switch (strings.stroke()) {
            case BOW -> 2;
            case PICK -> strings.open().size();
            case BANJO -> hand.most();
        };
    }

    private static List<StringHold> combined(List<List<Strings.Place>> places) {
        List<List<Strings.Place>> all = List.of(List.of());
        for (List<Strings.Place> choices : places) {
            List<List<Strings.Place>> longer = new ArrayList<>();
            for (List<Strings.Place> held : all) {
                for (Strings.Place place : choices) {
                    List<Strings.Place> more = new ArrayList<>(held);
                    more.add(place);
                    longer.add(more);
                }
            }
            all = longer;
        }
        List<StringHold> holds = new ArrayList<>();
        all.forEach(each -> holds.add(new StringHold(each)));
        return holds;
    }

    private static boolean isOnStringsOfTheirOwn(StringHold hold) {
        Set<Integer> strings = new HashSet<>();
        return hold.places().stream().allMatch(place -> strings.add(place.string()));
    }

    private static boolean isWithinStroke(Strings strings, PickingHand hand, StringHold hold) {
        List<Integer> used =
                hold.places().stream().map(Strings.Place::string).sorted().toList();
        return strings.stroke() == Strings.Stroke.BANJO
                ? BanjoStrokes.canPinch(strings, hand, hold)
                : used.get(used.size() - 1) - used.get(0) == used.size() - 1;
    }

    private static boolean isWithinHand(Strings strings, StringHold hold) {
        List<Strings.Place> places = hold.places();
        boolean isOnePosition = places.stream().allMatch(place -> place.position() == hold.position());
        boolean areFingersFree =
                strings.stroke() != Strings.Stroke.BOW || places.size() < 2 || canStop(places.get(0), places.get(1));
        return isOnePosition && areFingersFree;
    }

    /** Whether fingers can stop two strings side by side so: none crosses another, and one stops both only as high. */
    public static boolean canStop(Strings.Place one, Strings.Place other) {
        if (one.isOpen() || other.isOpen()) {
            return true;
        }
        int fingers = Integer.compare(one.stop().finger(), other.stop().finger());
        return fingers == Integer.compare(one.semitones(), other.semitones());
    }

    /** Whether a double stop of the fiddle lies badly: the fourth finger by the second, a wide first and third, octaves of first and fourth, third or fourth on both. */
    public static boolean isAwkward(StringHold hold) {
        if (hold.places().size() != 2
                || hold.places().get(0).isOpen()
                || hold.melody().isOpen()) {
            return false;
        }
        Strings.Place one = hold.places().get(0);
        Strings.Place other = hold.melody();
        boolean isOneLower = one.stop().finger() <= other.stop().finger();
        Strings.Stop low = isOneLower ? one.stop() : other.stop();
        Strings.Stop high = isOneLower ? other.stop() : one.stop();
        return switch (low.finger()) {
            case 1 ->
                high.name().equals("H3")
                        || (high.finger() == 4 && high.semitones() - low.semitones() >= OCTAVE_STRETCH);
            case 2 -> high.finger() == 4;
            case 3 -> high.finger() == 3;
            default -> true;
        };
    }
}
