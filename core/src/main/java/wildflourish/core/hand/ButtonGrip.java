package wildflourish.core.hand;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import wildflourish.core.fingering.ButtonOption;
import wildflourish.core.fingering.ButtonWalks;
import wildflourish.core.instrument.Button;
import wildflourish.core.instrument.ButtonLayout;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.ornament.Figure;
import wildflourish.core.ornament.Refusal;

/** The hand on buttons: whatever set of keys and fingers lies under it will do, and the one is taken that costs the whole tune least. */
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
    public Optional<Made> quickest() {
        return spot.isWalked()
                ? spot.found.stream()
                        .map(ButtonFound.Ready::found)
                        .min(Comparator.comparing(found -> ButtonWalks.needMillis(found.walked(), spot.walkTimes())))
                        .flatMap(found -> new ButtonMaking(spot, found).make())
                : make();
    }

    @Override
    public Optional<String> hold() {
        return spot.best().map(found -> found.own().key().name());
    }

    @Override
    public Optional<Refusal> waits() {
        return Optional.empty();
    }

    @Override
    public Set<Trait> traits() {
        return spot.best().map(found -> ButtonTraits.of(spot, found)).orElse(Set.of());
    }

    @Override
    public Optional<Price> price() {
        return spot.price.map(price ->
                new Price(price.cost(), price.turns(), spot.bringsNotes(), price.isPlayable() || isReachable()));
    }

    private boolean isReachable() {
        List<ButtonOption> options =
                spot.found.stream().map(ButtonFound.Ready::option).toList();
        return spot.occasion
                .ways()
                .buttonTables()
                .filter(tables -> tables.isReachable(
                        spot.occasion.first().note().id(), spot.occasion.tones().size(), options))
                .isPresent();
    }

    // Hitches

    private boolean holds(Refusal refusal) {
        if (!spot.found.isEmpty()) {
            return false;
        }
        return switch (refusal) {
            case NO_BUTTON_FOLLOWS -> spot.occasion.isIn("row") && hasNoPitches();
            case NO_SECOND_FINGER -> spot.strikesAgain();
            case ONE_WAY_ONLY -> spot.isRocked() && !spot.canRock();
            case TURN_BETWEEN -> spot.isJoined() && spot.joins().allMatch(join -> !join.isOneWay());
            case SAME_BUTTON -> spot.isJoined() && spot.joins().allMatch(ButtonSpot.Join::isOneButton);
            case ONE_FINGER_BOTH -> spot.isJoined();
            case NO_CHORD -> hasNoPitches();
            case NO_SUCH_NOTE -> lacksNote();
            case BELLOWS_DISAGREE -> !lacksNote() && !hasCommonWay();
            case HAND_CANNOT -> true;
            default -> false;
        };
    }

    private Stream<ButtonPitches.Pitches> pitches() {
        return spot.notes().stream()
                .flatMap(note -> spot.pitches.pitches(note.way().key()).stream());
    }

    private boolean hasNoPitches() {
        return pitches().findAny().isEmpty();
    }

    /** The pitches that the school would choose first of those that the instrument has. */
    private List<Integer> wanted() {
        return pitches()
                .filter(pitches -> !lacksOne(pitches.midi()))
                .findFirst()
                .map(ButtonPitches.Pitches::midi)
                .orElse(List.of());
    }

    /** Whether the instrument lacks something whatever the school chooses. */
    private boolean lacksNote() {
        if (spot.isWalked()) {
            List<Integer> walked = spot.walkedPitches();
            return walked.isEmpty() || lacksOne(walked);
        }
        return pitches().allMatch(pitches -> lacksOne(pitches.midi()));
    }

    private boolean lacksOne(List<Integer> pitches) {
        return pitches.stream().anyMatch(midi -> !spot.sounds.has(midi));
    }

    private boolean hasCommonWay() {
        ButtonLayout layout = spot.instrument.buttons().orElseThrow();
        return Stream.of(Button.Bellows.values())
                .anyMatch(bellows -> Stream.concat(Stream.of(spot.midi()), wanted().stream())
                        .allMatch(midi -> layout.keysOf(new FingeredPitch(midi)).stream()
                                .anyMatch(key -> key.button().isSameBothWays() || key.bellows() == bellows)));
    }
}
