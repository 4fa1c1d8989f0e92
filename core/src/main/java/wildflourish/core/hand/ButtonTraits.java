package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.fingering.ButtonWay;
import wildflourish.core.form.Harmony;
import wildflourish.core.instrument.Button;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Target;

/** What speaks for or against the way in which a hand makes a figure on buttons. */
final class ButtonTraits {
    /** Reeds below C4 (MIDI) speak late, and thirds upon them growl. */
    private static final int LOW = 60;

    private static final int OCTAVE = 12;
    private static final int LITTLE_FINGER = 4;
    private final ButtonSpot spot;
    private final ButtonFound found;
    private final Set<Trait> traits = EnumSet.noneOf(Trait.class);

    private ButtonTraits(ButtonSpot spot, ButtonFound found) {
        this.spot = spot;
        this.found = found;
    }

    static Set<Trait> of(ButtonSpot spot, ButtonFound found) {
        ButtonTraits all = new ButtonTraits(spot, found);
        all.ofHands();
        all.ofPitches();
        all.ofBellows();
        return Set.copyOf(all.traits);
    }

    private void add(Trait trait, boolean holds) {
        Trait.add(traits, trait, holds);
    }

    private void ofHands() {
        ButtonWay own = found.own();
        Button button = own.key().button();
        List<Button> others = found.walked().isEmpty()
                ? found.set().held().stream()
                        .skip(1)
                        .map(ButtonSet.Held::button)
                        .toList()
                : found.walked().stream()
                        .map(way -> way.key().button())
                        .filter(other -> !other.equals(button))
                        .toList();
        boolean isOther = !others.isEmpty() && others.stream().allMatch(other -> other.hand() != button.hand());
        add(Trait.OTHER_HAND, button.isSameBothWays() && isOther);
        add(Trait.LITTLE_FINGER, own.finger() == LITTLE_FINGER && strikesTwice());
    }

    private void ofPitches() {
        add(Trait.LOW_REED, smalls().stream().anyMatch(midi -> midi < LOW));
        add(Trait.WIDE, spot.isWide(found));
        List<Integer> seconds = seconds();
        add(Trait.LOW_THIRD, seconds.stream().anyMatch(this::growls));
        Optional<Set<Integer>> chord = Harmony.given(
                spot.occasion.setting().tune(), spot.occasion.first().note().id());
        boolean isInChord = chord.isPresent()
                && seconds.stream().allMatch(midi -> chord.get().contains(Math.floorMod(midi, OCTAVE)));
        add(Trait.SOUNDS_CHORD, !seconds.isEmpty() && isInChord);
        add(Trait.CLASHES, !seconds.isEmpty() && chord.isPresent() && !isInChord);
        add(Trait.REPEATS_BEFORE, repeatsBefore());
        add(Trait.FOREIGN_NOTE, hasForeignNote());
    }

    private void ofBellows() {
        ButtonWay first =
                found.walked().isEmpty() ? found.own() : found.walked().get(0);
        ButtonWay last = found.walked().isEmpty()
                ? found.own()
                : found.walked().get(found.walked().size() - 1);
        boolean isSameBothWays = first.key().button().isSameBothWays();
        add(Trait.SAME_BELLOWS, !isSameBothWays && !turns(before(), first) && !turns(after(), last));
        add(Trait.TURNS_ON, turns(before(), first));
        add(Trait.TURNS_SOON, turnsSoon(last));
        add(Trait.LITTLE_AIR, hasLittleAir(first));
        add(Trait.OUT_OF_AIR, !isSameBothWays && !spot.isRocked() && isOutOfAir());
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

    /** What its small notes sound (MIDI). */
    private List<Integer> smalls() {
        return pitches(true);
    }

    /** What sounds with the note (MIDI). */
    private List<Integer> seconds() {
        return pitches(false);
    }

    private List<Integer> pitches(boolean isSmall) {
        List<Integer> pitches = new ArrayList<>();
        for (int i = 0; i < spot.roles.size(); i++) {
            if (spot.roles.get(i).isSmall() == isSmall) {
                pitches.add(found.pitches().get(i));
            }
        }
        return pitches;
    }

    private boolean strikesTwice() {
        return !spot.isWalked()
                && spot.parts.stream()
                                .filter(part -> part.landing().kind() == Target.Kind.MELODY)
                                .count()
                        > 1;
    }

    private boolean growls(int second) {
        int lower = Math.min(second, spot.midi());
        int interval = Math.abs(second - spot.midi());
        return lower < LOW && (interval == 3 || interval == 4);
    }

    private boolean repeatsBefore() {
        List<Integer> smalls = smalls();
        return !smalls.isEmpty()
                && spot.occasion
                        .before()
                        .filter(tone -> tone.melody().midi() == smalls.get(0))
                        .isPresent();
    }

    /** A part that lasts as long as the ear wants and comes to a pitch outside the scale that is none of the tune's own notes. */
    private boolean hasForeignNote() {
        Set<Integer> own = Set.copyOf(
                spot.occasion.tones().stream().map(tone -> tone.melody().midi()).toList());
        return new ButtonMaking(spot, found)
                .make().stream()
                        .flatMap(made -> made.parts().stream())
                        .flatMap(part -> part.landing().voices().stream())
                        .flatMap(voice -> voice.written().stream())
                        .anyMatch(pitch -> !own.contains(pitch.midi()) && isForeign(pitch));
    }

    private boolean isForeign(WrittenPitch pitch) {
        return spot.occasion.setting().key().alterOf(pitch.step()) != pitch.alter();
    }

    /** Whether less time than makes it easy is left before a turn, from the beginning of the sound right before it. */
    private boolean turnsSoon(ButtonWay last) {
        Fraction span = spot.occasion.spanMillis();
        List<Fraction> lengths = new ButtonMaking(spot, found)
                .make()
                .map(each -> Timing.lengths(each, span))
                .orElse(List.of());
        Fraction easy = spot.occasion.times().of("bellows turn");
        boolean isSoonAfter = !lengths.isEmpty()
                && turns(after(), last)
                && lengths.get(lengths.size() - 1).isLessThan(easy);
        boolean isSoonWithin = false;
        for (int i = 1; i < found.walked().size() && !spot.isRocked(); i++) {
            boolean isTurn = !ButtonSet.isOneWay(
                    found.walked().get(i - 1).key(), found.walked().get(i).key());
            isSoonWithin |= isTurn && lengths.get(i - 1).isLessThan(easy);
        }
        return isSoonAfter || isSoonWithin;
    }

    private boolean hasLittleAir(ButtonWay own) {
        return spot.occasion
                .ways()
                .balance(spot.occasion.first().note().id())
                .filter(balance -> balance.isShort(own.airWay()))
                .isPresent();
    }

    /** Whether it lasts longer than the bellows go one way, each further reed taking half as much again. */
    private boolean isOutOfAir() {
        Fraction reeds = Fraction.ONE.plus(Fraction.of(seconds().size(), 2));
        return spot.occasion
                .spanMillis()
                .times(reeds)
                .isMoreThan(spot.occasion.times().of("bellows one way"));
    }
}
