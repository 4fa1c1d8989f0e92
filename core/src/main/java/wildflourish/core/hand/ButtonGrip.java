package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import wildflourish.core.fingering.ButtonWay;
import wildflourish.core.form.Harmony;
import wildflourish.core.instrument.Button;
import wildflourish.core.instrument.ButtonLayout;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Figure;
import wildflourish.core.ornament.Refusal;
import wildflourish.core.ornament.Target;

/** The hand on buttons: whatever set of keys and fingers lies under it will do. */
final class ButtonGrip implements Hand.Grip {
    /** Reeds below C4 (MIDI) speak late, and thirds upon them growl. */
    private static final int LOW = 60;

    private static final int OCTAVE = 12;
    private static final int LITTLE_FINGER = 4;

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
        Set<Trait> traits = EnumSet.noneOf(Trait.class);
        spot.best().ifPresent(found -> {
            ButtonWay own = found.set().first();
            Button button = own.key().button();
            List<ButtonSet.Held> others =
                    found.set().held().subList(1, found.set().held().size());
            boolean isOther = !others.isEmpty()
                    && others.stream().allMatch(held -> held.button().hand() != button.hand());
            Trait.add(traits, Trait.OTHER_HAND, button.isSameBothWays() && isOther);
            Trait.add(
                    traits,
                    Trait.SAME_BELLOWS,
                    !button.isSameBothWays() && !turns(before(), own) && !turns(after(), own));
            Trait.add(traits, Trait.LOW_REED, pitches(found, true).stream().anyMatch(midi -> midi < LOW));
            Trait.add(traits, Trait.WIDE, isWide(found));
            Trait.add(traits, Trait.LITTLE_FINGER, own.finger() == LITTLE_FINGER && strikesTwice());
            List<Integer> seconds = pitches(found, false);
            Trait.add(traits, Trait.LOW_THIRD, seconds.stream().anyMatch(this::growls));
            Optional<Set<Integer>> chord = Harmony.given(
                    spot.occasion.setting().tune(), spot.occasion.first().note().id());
            boolean isInChord = chord.isPresent()
                    && seconds.stream().allMatch(midi -> chord.get().contains(Math.floorMod(midi, OCTAVE)));
            Trait.add(traits, Trait.SOUNDS_CHORD, !seconds.isEmpty() && isInChord);
            Trait.add(traits, Trait.CLASHES, !seconds.isEmpty() && chord.isPresent() && !isInChord);
            Trait.add(traits, Trait.REPEATS_BEFORE, repeatsBefore(found));
            Trait.add(traits, Trait.TURNS_SOON, turns(after(), own) && turnsSoon(found));
        });
        return traits;
    }

    /** How the path plays the notes beside it. */
    private Optional<ButtonWay> before() {
        return spot.occasion
                .before()
                .flatMap(tone -> spot.occasion.ways().onButtons(tone.note().id()));
    }

    private Optional<ButtonWay> after() {
        return spot.occasion
                .after()
                .flatMap(tone -> spot.occasion.ways().onButtons(tone.note().id()));
    }

    private static boolean turns(Optional<ButtonWay> other, ButtonWay own) {
        return other.filter(way -> !ButtonSet.isOneWay(way.key(), own.key())).isPresent();
    }

    /** What its small notes sound, or what sounds with the note (MIDI). */
    private List<Integer> pitches(ButtonSpot.Found found, boolean isSmall) {
        List<Integer> pitches = new ArrayList<>();
        for (int i = 0; i < spot.roles.size(); i++) {
            if (spot.roles.get(i).isSmall() == isSmall) {
                pitches.add(found.pitches().get(i));
            }
        }
        return pitches;
    }

    private boolean isWide(ButtonSpot.Found found) {
        for (int i = 0; i < spot.roles.size(); i++) {
            boolean isLower = spot.roles
                    .get(i)
                    .target()
                    .filter(target -> target.kind() == Target.Kind.TAP)
                    .isPresent();
            int steps = spot.written(spot.midi()).staffStep()
                    - spot.written(found.pitches().get(i)).staffStep();
            if (isLower && steps > 1) {
                return true;
            }
        }
        return false;
    }

    private boolean strikesTwice() {
        return spot.figure.parts().stream()
                        .filter(part -> part.landing().kind() == Target.Kind.MELODY)
                        .count()
                > 1;
    }

    private boolean growls(int second) {
        int lower = Math.min(second, spot.midi());
        int interval = Math.abs(second - spot.midi());
        return lower < LOW && (interval == 3 || interval == 4);
    }

    private boolean repeatsBefore(ButtonSpot.Found found) {
        List<Integer> smalls = pitches(found, true);
        return !smalls.isEmpty()
                && spot.occasion
                        .before()
                        .filter(tone -> tone.melody().midi() == smalls.get(0))
                        .isPresent();
    }

    /** Whether less time is left from the beginning of the last part to the turn than makes it easy. */
    private boolean turnsSoon(ButtonSpot.Found found) {
        Optional<Made> made = new ButtonMaking(spot, found).make();
        List<Fraction> lengths = made.map(each -> Timing.lengths(each, spot.occasion.spanMillis()))
                .orElse(List.of());
        return !lengths.isEmpty()
                && lengths.get(lengths.size() - 1)
                        .isLessThan(spot.occasion.times().of("bellows turn"));
    }

    // Hitches

    private boolean holds(Refusal refusal) {
        if (!spot.found.isEmpty()) {
            return false;
        }
        return switch (refusal) {
            case NO_BUTTON_FOLLOWS -> spot.occasion.isIn("row") && hasNoPitches();
            case NO_SECOND_FINGER -> spot.strikesAgain();
            case NO_CHORD -> hasNoPitches();
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

    /** The pitches that the school would choose first of those that the instrument has. */
    private List<Integer> wanted() {
        return spot.notes().stream()
                .flatMap(note -> spot.pitches(note.way().key()).stream())
                .filter(pitches -> !lacksOne(pitches))
                .findFirst()
                .map(ButtonSpot.Pitches::midi)
                .orElse(List.of());
    }

    /** Whether the instrument lacks something whatever the school chooses. */
    private boolean lacksNote() {
        return spot.notes().stream()
                .flatMap(note -> spot.pitches(note.way().key()).stream())
                .allMatch(this::lacksOne);
    }

    private boolean lacksOne(ButtonSpot.Pitches pitches) {
        return pitches.midi().stream().anyMatch(midi -> !spot.sounds.has(midi));
    }

    private boolean hasCommonWay() {
        ButtonLayout layout = spot.instrument.buttons().orElseThrow();
        return Stream.of(Button.Bellows.values())
                .anyMatch(bellows -> Stream.concat(Stream.of(spot.midi()), wanted().stream())
                        .allMatch(midi -> layout.keysOf(new FingeredPitch(midi)).stream()
                                .anyMatch(key -> key.button().isSameBothWays() || key.bellows() == bellows)));
    }
}
