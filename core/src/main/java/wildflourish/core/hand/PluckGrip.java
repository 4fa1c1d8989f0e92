package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import wildflourish.core.fingering.StringWay;
import wildflourish.core.instrument.Strings;
import wildflourish.core.line.Tone;
import wildflourish.core.ornament.Begin;
import wildflourish.core.ornament.Figure;
import wildflourish.core.ornament.Part;
import wildflourish.core.ornament.Refusal;
import wildflourish.core.ornament.Target;

/** The hands on plucked strings. Every place of the notes is tried; what is told is why the least refused one will not do. */
final class PluckGrip implements Hand.Grip {
    private static final int FOURTH = 4;

    private final PluckSpot spot;
    private final PluckHitches hitches;
    private Optional<List<List<Strings.Place>>> clean = Optional.empty();

    PluckGrip(Occasion occasion, Figure figure) {
        this.spot = new PluckSpot(occasion, figure);
        this.hitches = new PluckHitches(spot);
    }

    @Override
    public List<Refusal> hitches(List<Refusal> asked) {
        List<Refusal> least = asked;
        boolean isFirst = true;
        for (List<Strings.Place> grasp : spot.grasps) {
            List<Refusal> own = asked.stream()
                    .filter(refusal -> hitches.holds(refusal, grasp))
                    .toList();
            if (own.isEmpty()) {
                return own;
            }
            if (isFirst || own.size() < least.size()) {
                least = own;
            }
            isFirst = false;
        }
        return least;
    }

    /** Everything that the ornaments of the stack may be refused for. */
    private static List<Refusal> all(Occasion occasion) {
        return Stream.concat(
                        occasion.stack().choices().stream()
                                .flatMap(choice -> choice.ornament().speech().refusals().stream()),
                        Stream.of(Refusal.OUT_OF_REACH))
                .distinct()
                .toList();
    }

    /** The ways of stopping the notes that meet with nothing, worked out when they are first asked for. */
    private List<List<Strings.Place>> clean() {
        if (clean.isEmpty()) {
            List<Refusal> all = all(spot.occasion);
            clean = Optional.of(spot.grasps.stream()
                    .filter(grasp -> all.stream().noneMatch(refusal -> hitches.holds(refusal, grasp)))
                    .toList());
        }
        return clean.get();
    }

    /** The first way without a hitch that is no stretch, or any without; the first of all where none is. */
    private Optional<List<Strings.Place>> best() {
        return clean().stream()
                .filter(grasp -> !isStretch(grasp))
                .findFirst()
                .or(() -> clean().stream().findFirst())
                .or(() -> spot.grasps.stream().findFirst());
    }

    /** The ways of stopping one of the notes with which it can be made, as they are pinned. */
    Set<String> able(int note) {
        Set<String> names = new LinkedHashSet<>();
        clean().forEach(grasp -> names.add(spot.name(grasp.get(note))));
        return names;
    }

    /** For each way of stopping one of the notes the last of what is held beside it, as far as anything is. */
    Map<String, Strings.Place> seconds(int note) {
        Map<String, Strings.Place> seconds = new HashMap<>();
        spot.grasps.stream().map(grasp -> grasp.get(note)).distinct().forEach(place -> {
            List<Strings.Place> beside = beside(note, place);
            if (!beside.isEmpty()) {
                seconds.put(spot.name(place), beside.get(beside.size() - 1));
            }
        });
        return seconds;
    }

    @Override
    public Optional<Made> make() {
        return best().flatMap(grasp -> new PluckMaking(spot, grasp).make());
    }

    @Override
    public Optional<String> hold() {
        return best().map(grasp -> spot.name(grasp.get(0)));
    }

    @Override
    public Optional<Refusal> waits() {
        return Optional.empty();
    }

    /** What is held beside one of the notes where it is stopped at a place. */
    private List<Strings.Place> beside(int note, Strings.Place place) {
        return spot.figure.parts().stream()
                .filter(part -> part.landing().equals(Target.of(Target.Kind.MELODY, note + 1)))
                .findFirst()
                .stream()
                .flatMap(part -> part.seconds().stream())
                .flatMap(second ->
                        hitches.beside.of(place, spot.occasion.tones().get(note).melody(), second).places().stream())
                .toList();
    }

    @Override
    public Set<Trait> traits() {
        Set<Trait> traits = EnumSet.noneOf(Trait.class);
        best().ifPresent(grasp -> {
            List<Strings.Place> seconds = beside(0, grasp.get(0));
            add(traits, Trait.OPEN_STRING, grasp.get(0).isOpen());
            add(traits, Trait.LITTLE_FINGER, isLittle(grasp));
            add(traits, Trait.STRETCH, isStretch(grasp));
            add(traits, Trait.SOUNDS_CHORD, soundsChord(grasp, seconds));
            add(traits, Trait.FINGERS_LIE, fingersLie(grasp, seconds));
        });
        return traits;
    }

    private static void add(Set<Trait> traits, Trait trait, boolean holds) {
        if (holds) {
            traits.add(trait);
        }
    }

    private boolean soundsChord(List<Strings.Place> grasp, List<Strings.Place> seconds) {
        boolean hasBrush = spot.figure.uses(Target.Kind.BRUSH);
        return hitches.beside.chord().isPresent()
                && (hasBrush || !seconds.isEmpty())
                && seconds.stream().allMatch(place -> hitches.beside.isInChord(grasp.get(0), place));
    }

    /** Whether each added or later place is open, or held by a neighbour already. */
    private boolean fingersLie(List<Strings.Place> grasp, List<Strings.Place> seconds) {
        List<Strings.Place> added = seconds.isEmpty() ? grasp.subList(1, grasp.size()) : seconds;
        return !added.isEmpty() && added.stream().allMatch(place -> place.isOpen() || isHeldBeside(place));
    }

    private boolean isHeldBeside(Strings.Place place) {
        return Stream.of(spot.occasion.before(), spot.occasion.after())
                .flatMap(Optional::stream)
                .flatMap(tone -> placeOf(tone).stream())
                .anyMatch(other -> PluckSpot.isSame(other, place));
    }

    private Optional<Strings.Place> placeOf(Tone tone) {
        return spot.occasion.ways().onStrings(tone.note().id()).map(StringWay::place);
    }

    /** Whether the fourth finger hammers, pulls or bends. */
    private boolean isLittle(List<Strings.Place> grasp) {
        List<Part> parts = spot.figure.parts();
        for (Part part : parts) {
            boolean works = part.begin() == Begin.HAMMER
                    || part.begin() == Begin.PULL
                    || part.bend()
                            .from()
                            .filter(from -> from.time().equals("bend"))
                            .isPresent();
            if (works && upper(grasp, part).stop().finger() == FOURTH) {
                return true;
            }
        }
        return false;
    }

    /** The higher of the places between which a finger works. */
    private Strings.Place upper(List<Strings.Place> grasp, Part part) {
        Strings.Place upper = grasp.get(0);
        for (Strings.Place place : hitches.along(grasp, part)) {
            upper = place.semitones() > upper.semitones() ? place : upper;
        }
        return upper;
    }

    private boolean isStretch(List<Strings.Place> grasp) {
        List<Strings.Place> held = new ArrayList<>(grasp);
        held.addAll(beside(0, grasp.get(0)));
        spot.figure.parts().forEach(part -> held.addAll(hitches.along(grasp, part)));
        for (Strings.Place one : held) {
            for (Strings.Place other : held) {
                if (spot.isStretch(one, other)) {
                    return true;
                }
            }
        }
        return false;
    }
}
