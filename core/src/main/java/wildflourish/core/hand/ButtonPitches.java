package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.form.Harmony;
import wildflourish.core.instrument.ButtonLayout;
import wildflourish.core.instrument.Family;
import wildflourish.core.line.Tone;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Second;
import wildflourish.core.ornament.Target;

/** The pitches that what stands beside a note on buttons may sound: small notes, neighbours, second notes, the notes of a melodic triplet. */
final class ButtonPitches {
    private static final String AS_IT_LIES = "as-it-lies";
    private static final String STEP_STEP = "step-step";
    private static final int OCTAVE = 12;

    private final Occasion occasion;
    private final ButtonSounds sounds;
    private final List<ButtonSpot.Role> roles;

    ButtonPitches(Occasion occasion, ButtonSounds sounds, List<ButtonSpot.Role> roles) {
        this.occasion = occasion;
        this.sounds = sounds;
        this.roles = List.copyOf(roles);
    }

    /** Pitches for the roles (MIDI), and what they cost more than the best that there might be. */
    record Pitches(List<Integer> midi, double cost) {}

    private int midi() {
        return occasion.first().melody().midi();
    }

    private boolean isRoll() {
        return has(Target.Kind.LIFT) && has(Target.Kind.TAP);
    }

    private boolean has(Target.Kind kind) {
        return roles.stream().flatMap(role -> role.target().stream()).anyMatch(target -> target.kind() == kind);
    }

    /** What the roles may sound where the note is played by a key, the school's first choice first; none where something has no such pitch. */
    List<Pitches> pitches(ButtonLayout.Key key) {
        if (isRoll()) {
            return shapes();
        }
        List<Pitches> all = List.of(new Pitches(List.of(), 0));
        for (ButtonSpot.Role role : roles) {
            List<ButtonSounds.Choice> choices = choices(role, key);
            List<Pitches> longer = new ArrayList<>();
            for (Pitches so : all) {
                for (ButtonSounds.Choice choice : choices) {
                    if (!so.midi().contains(choice.midi()) && choice.midi() != midi()) {
                        List<Integer> more = new ArrayList<>(so.midi());
                        more.add(choice.midi());
                        longer.add(new Pitches(more, so.cost() + choice.cost()));
                    }
                }
            }
            all = longer;
        }
        return all;
    }

    private List<Pitches> shapes() {
        boolean isEnglish = occasion.playing().instrument().family() == Family.ENGLISH;
        String school = isEnglish ? STEP_STEP : AS_IT_LIES;
        String asked =
                List.of(STEP_STEP, "third-step", "third-semitone", "step-semitone", "step-third", "third-third")
                        .stream()
                        .filter(occasion::isIn)
                        .findFirst()
                        .orElse(school);
        List<Pitches> all = new ArrayList<>();
        for (ButtonSounds.Shape shape : sounds.shapes(midi(), asked)) {
            List<Integer> midi = new ArrayList<>();
            for (ButtonSpot.Role role : roles) {
                boolean isUpper = role.target()
                        .filter(target -> target.kind() == Target.Kind.LIFT)
                        .isPresent();
                midi.add(isUpper ? shape.upper() : shape.lower());
            }
            all.add(new Pitches(midi, shape.cost()));
        }
        return all;
    }

    private List<ButtonSounds.Choice> choices(ButtonSpot.Role role, ButtonLayout.Key key) {
        if (role.second().isPresent()) {
            return second(role.second().get()).stream()
                    .map(midi -> new ButtonSounds.Choice(midi, 0))
                    .toList();
        }
        Target target = role.target().orElseThrow();
        return switch (target.kind()) {
            case LIFT -> uppers(key);
            case TAP -> lowers();
            case STEP -> List.of(new ButtonSounds.Choice(sounds.step(midi(), target.number()), 0));
            case SEMITONE -> List.of(new ButtonSounds.Choice(midi() + target.number(), 0));
            default -> List.of();
        };
    }

    private List<ButtonSounds.Choice> uppers(ButtonLayout.Key key) {
        if (occasion.isIn("row")) {
            return sounds.inRow(key, 1).filter(next -> next > midi()).stream()
                    .map(next -> new ButtonSounds.Choice(next, 0))
                    .toList();
        }
        if (occasion.isIn("step") || occasion.isIn("third")) {
            return List.of(new ButtonSounds.Choice(sounds.step(midi(), occasion.isIn("step") ? 1 : 2), 0));
        }
        return sounds.uppers(midi(), key);
    }

    private List<ButtonSounds.Choice> lowers() {
        if (occasion.isIn("semitone") || occasion.isIn("slid")) {
            return List.of(new ButtonSounds.Choice(midi() - 1, 0));
        }
        return occasion.isIn("step")
                ? List.of(new ButtonSounds.Choice(sounds.step(midi(), -1), 0))
                : sounds.lowers(midi());
    }

    /** The pitch of a second note (MIDI); empty where there is no chord to choose from. */
    private Optional<Integer> second(Second second) {
        return switch (second.kind()) {
            case OCTAVE -> Optional.of(midi() + OCTAVE * second.number());
            case STEP -> Optional.of(sounds.step(midi(), second.number()));
            case CHORD -> chordBelow(1);
            case CLOSE -> chordBelow(2);
            case KEY ->
                HeldNote.keyOf(occasion)
                        .map(key -> key.button().pitch(key.bellows()).midi());
            default -> Optional.empty();
        };
    }

    /** The nearest notes of the chord below the note, the first or the second of them. */
    private Optional<Integer> chordBelow(int number) {
        Optional<Set<Integer>> chord =
                Harmony.given(occasion.setting().tune(), occasion.first().note().id());
        List<Integer> below = new ArrayList<>();
        for (int midi = midi() - 1; midi > midi() - OCTAVE; midi--) {
            if (chord.isPresent() && chord.get().contains(Math.floorMod(midi, OCTAVE))) {
                below.add(midi);
            }
        }
        return below.size() < number ? Optional.empty() : Optional.of(below.get(number - 1));
    }

    // Melodic triplets

    /** What a part of a melodic triplet sounds (MIDI); empty where there is no such note. */
    Optional<Integer> walked(Target target) {
        List<Tone> tones = occasion.tones();
        return switch (target.kind()) {
            case MELODY -> Optional.of(tones.get(target.number() - 1).melody().midi());
            case STEP -> Optional.of(sounds.step(midi(), target.number()));
            case SEMITONE -> Optional.of(midi() + target.number());
            case MIDDLE -> Optional.of(sounds.step(midi(), way(tones.get(1))));
            case HALF ->
                Optional.of(midi() + Integer.signum(tones.get(1).melody().midi() - midi()));
            case TOWARDS -> occasion.after().map(next -> sounds.step(midi(), target.number() * way(next)));
            default -> Optional.empty();
        };
    }

    /** Whether another tone lies above the first, 1, or below it, -1. */
    private int way(Tone other) {
        WrittenPitch first = occasion.first().melody();
        return Integer.signum(other.melody().staffStep() - first.staffStep());
    }
}
