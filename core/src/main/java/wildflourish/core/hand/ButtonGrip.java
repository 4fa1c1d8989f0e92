package wildflourish.core.hand;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import wildflourish.core.instrument.Button;
import wildflourish.core.instrument.ButtonLayout;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.ornament.Figure;
import wildflourish.core.ornament.Refusal;

/** The hand on buttons: whatever set of keys and fingers lies under it will do. */
final class ButtonGrip implements Hand.Grip {
    private final ButtonSpot spot;

    ButtonGrip(Occasion occasion, Figure figure) {
        this.spot = new ButtonSpot(occasion, figure);
    }

    @Override
    public List<Refusal> hitches(List<Refusal> asked) {
        return asked.stream().filter(this::holds).limit(1).toList();
    }

    @Override
    public Optional<Made> make() {
        return spot.best().flatMap(found -> new ButtonMaking(spot, found).make());
    }

    @Override
    public Optional<String> hold() {
        return spot.best().map(found -> found.set().first().key().name());
    }

    @Override
    public Optional<Refusal> waits() {
        return Optional.empty();
    }

    @Override
    public Set<Trait> traits() {
        return Set.of();
    }

    // Hitches

    private boolean holds(Refusal refusal) {
        if (!spot.found.isEmpty()) {
            return false;
        }
        return switch (refusal) {
            case NO_BUTTON_FOLLOWS -> spot.occasion.isIn("row") && hasNoPitches();
            case NO_SECOND_FINGER -> spot.strikesAgain();
            case NO_CHORD_GIVEN -> hasNoPitches();
            case NO_SUCH_NOTE -> lacksNote();
            case BELLOWS_DISAGREE -> !lacksNote() && !hasCommonWay();
            case HAND_CANNOT -> true;
            default -> false;
        };
    }

    private boolean hasNoPitches() {
        return spot.notes().stream()
                .allMatch(note -> spot.pitches(note.way().key()).isEmpty());
    }

    /** The pitches that the school would choose first. */
    private List<Integer> wanted() {
        return spot.notes().stream()
                .flatMap(note -> spot.pitches(note.way().key()).stream().limit(1))
                .findFirst()
                .map(ButtonSpot.Pitches::midi)
                .orElse(List.of());
    }

    private boolean lacksNote() {
        return wanted().stream().anyMatch(midi -> !spot.sounds.has(midi));
    }

    private boolean hasCommonWay() {
        ButtonLayout layout = spot.instrument.buttons().orElseThrow();
        return Stream.of(Button.Bellows.values())
                .anyMatch(bellows -> Stream.concat(Stream.of(spot.midi()), wanted().stream())
                        .allMatch(midi -> layout.keysOf(new FingeredPitch(midi)).stream()
                                .anyMatch(key -> key.button().isSameBothWays() || key.bellows() == bellows)));
    }
}
