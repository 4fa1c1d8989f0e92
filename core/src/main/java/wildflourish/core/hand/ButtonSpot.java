package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.fingering.ButtonWay;
import wildflourish.core.form.Harmony;
import wildflourish.core.instrument.ButtonLayout;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Begin;
import wildflourish.core.ornament.Figure;
import wildflourish.core.ornament.Part;
import wildflourish.core.ornament.Second;
import wildflourish.core.ornament.Target;

/** A figure on buttons: the sounds it wants beside its note, and every set of keys and fingers for them that lies under the hand, the cheapest first. */
final class ButtonSpot {
    private static final String AS_IT_LIES = "as-it-lies";
    private static final int OCTAVE = 12;
    private static final int LITTLE_FINGER = 4;
    private static final double LITTLE = 0.3;
    /** What it is worth to leave the note on the key where the plain path has it, until a path decides. */
    private static final double OTHER_KEY = 0.8;

    final Occasion occasion;
    final Figure figure;
    final Instrument instrument;
    final ButtonSounds sounds;
    /** What sounds beside the note, each thing once. */
    final List<Role> roles;

    final List<Found> found;

    /** A small note, a neighbour or a second note. */
    record Role(Optional<Target> target, Optional<Second> second) {
        boolean isSmall() {
            return target.isPresent();
        }
    }

    /** Pitches for the roles (MIDI), and what they cost more than the best that there might be. */
    record Pitches(List<Integer> midi, double cost) {}

    /**
     * A set that lies under the hand.
     *
     * @param pitches of its roles (MIDI)
     * @param again the fingers that strike the note's button, one after the other; none where only its own does
     * @param cost of shape and pitches, in turns of the bellows
     */
    record Found(ButtonSet set, List<Integer> pitches, List<Integer> again, double cost) {}

    ButtonSpot(Occasion occasion, Figure figure) {
        this.occasion = occasion;
        this.figure = figure;
        this.instrument = occasion.playing().instrument();
        this.sounds = new ButtonSounds(
                instrument.buttons().orElseThrow(),
                instrument.family(),
                occasion.setting().key());
        this.roles = roles();
        this.found = found();
    }

    int midi() {
        return occasion.first().melody().midi();
    }

    private List<Role> roles() {
        Set<Role> all = new LinkedHashSet<>();
        for (Part part : figure.parts()) {
            part.graces().forEach(grace -> addTarget(all, grace));
            addTarget(all, part.landing());
            part.seconds().forEach(second -> all.add(new Role(Optional.empty(), Optional.of(second.level()))));
        }
        return List.copyOf(all);
    }

    private static void addTarget(Set<Role> all, Target target) {
        if (target.kind() != Target.Kind.MELODY && !target.isSilence()) {
            all.add(new Role(Optional.of(target), Optional.empty()));
        }
    }

    boolean has(Target.Kind kind) {
        return roles.stream().flatMap(role -> role.target().stream()).anyMatch(target -> target.kind() == kind);
    }

    /** Whether the note's button is struck again by another finger. */
    boolean strikesAgain() {
        return figure.parts().stream().anyMatch(part -> part.begin() == Begin.AGAIN);
    }

    // Pitches

    /** What the roles may sound where the note is played by a key, the school's first choice first; none where something has no such pitch. */
    List<Pitches> pitches(ButtonLayout.Key key) {
        if (has(Target.Kind.LIFT) && has(Target.Kind.TAP)) {
            return shapes();
        }
        List<Pitches> all = List.of(new Pitches(List.of(), 0));
        for (Role role : roles) {
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
        String school = instrument.family() == wildflourish.core.instrument.Family.ENGLISH ? "step-step" : AS_IT_LIES;
        String asked =
                List.of("step-step", "third-step", "third-semitone", "step-semitone", "step-third", "third-third")
                        .stream()
                        .filter(occasion::isIn)
                        .findFirst()
                        .orElse(school);
        List<Pitches> all = new ArrayList<>();
        for (ButtonSounds.Shape shape : sounds.shapes(midi(), asked)) {
            List<Integer> midi = new ArrayList<>();
            for (Role role : roles) {
                boolean isUpper = role.target()
                        .filter(target -> target.kind() == Target.Kind.LIFT)
                        .isPresent();
                midi.add(isUpper ? shape.upper() : shape.lower());
            }
            all.add(new Pitches(midi, shape.cost()));
        }
        return all;
    }

    private List<ButtonSounds.Choice> choices(Role role, ButtonLayout.Key key) {
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
        if (occasion.isIn("semitone")) {
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

    // Sets

    /** The note's own ways: as the teacher has pinned it, or any. */
    List<ButtonSet.Held> notes() {
        String pin = occasion.ways().pinOnStrings(occasion.first().note().id());
        List<ButtonSet.Held> all = sounds.ways(midi(), false);
        List<ButtonSet.Held> pinned = all.stream()
                .filter(held -> held.way().toString().equals(pin)
                        || held.way().key().name().equals(pin))
                .toList();
        return pinned.isEmpty() ? all : pinned;
    }

    private List<Found> found() {
        List<Found> all = new ArrayList<>();
        for (ButtonSet.Held note : notes()) {
            List<List<Integer>> again = strikesAgain() ? again(note) : List.of(List.of());
            for (Pitches pitches :
                    again.isEmpty() ? List.<Pitches>of() : pitches(note.way().key())) {
                for (ButtonSet set : sets(note, pitches)) {
                    for (List<Integer> fingers : again) {
                        double small = set.cost() - chordCost(set);
                        all.add(new Found(set, pitches.midi(), fingers, pitches.cost() + small + costOf(fingers)));
                    }
                }
            }
        }
        Optional<ButtonWay> plain =
                occasion.ways().onButtons(occasion.first().note().id());
        if (isPlaced()) {
            all.sort(Comparator.comparing((Found each) ->
                            plain.filter(way -> isOwn(way, each.set().first())).isEmpty())
                    .thenComparingDouble(Found::cost));
            return List.copyOf(all);
        }
        all.sort(Comparator.comparingDouble(each -> each.cost()
                + (each.set().first().finger() == LITTLE_FINGER ? LITTLE : 0)
                + (plain.filter(way -> !way.key().equals(each.set().first().key()))
                                .isPresent()
                        ? OTHER_KEY
                        : 0)));
        return List.copyOf(all);
    }

    /** Whether it stands there already, so that the path has decided by which button and finger its note is played. */
    private boolean isPlaced() {
        return occasion.first()
                .placed()
                .filter(placement -> placement.stack().equals(occasion.stack()))
                .isPresent();
    }

    private static boolean isOwn(ButtonWay way, ButtonWay own) {
        return way.key().equals(own.key()) && way.finger() == own.finger();
    }

    private List<ButtonSet> sets(ButtonSet.Held note, Pitches pitches) {
        List<ButtonSet> sets = ButtonSet.of(List.of(note)).stream().toList();
        for (int i = 0; i < roles.size(); i++) {
            List<ButtonSet.Held> ways =
                    sounds.ways(pitches.midi().get(i), roles.get(i).isSmall());
            sets = sets.stream()
                    .flatMap(set -> ways.stream().flatMap(way -> set.with(way).stream()))
                    .toList();
        }
        return sets;
    }

    /** What the shape of the note and its second notes costs, which a path reckons for itself. */
    private double chordCost(ButtonSet set) {
        List<ButtonSet.Held> chord = new ArrayList<>(List.of(set.held().get(0)));
        for (int i = 0; i < roles.size(); i++) {
            if (!roles.get(i).isSmall()) {
                chord.add(set.held().get(i + 1));
            }
        }
        return ButtonSet.of(chord).map(ButtonSet::cost).orElse(0.0);
    }

    // The same button again

    /** How many times the note's button is struck one after the other. */
    private int strikes() {
        return 1
                + (int) figure.parts().stream()
                        .filter(part -> part.begin() == Begin.AGAIN)
                        .count();
    }

    /** The fingers that may strike a button one after the other, the note's own finger last where there are two, first where there are more. */
    private List<List<Integer>> again(ButtonSet.Held note) {
        List<Integer> fingers = sounds.ways(midi(), false).stream()
                .filter(held -> held.way().key().equals(note.way().key()))
                .map(held -> held.way().finger())
                .toList();
        int own = note.way().finger();
        List<List<Integer>> all = new ArrayList<>();
        int strikes = strikes();
        if (strikes == 2) {
            fingers.stream()
                    .filter(other -> Math.abs(other - own) == 1)
                    .forEach(other ->
                            all.add(occasion.isIn("home-then-away") ? List.of(own, other) : List.of(other, own)));
            return all;
        }
        for (int step : new int[] {-1, 1}) {
            List<Integer> run = new ArrayList<>();
            for (int i = 0; i < strikes; i++) {
                run.add(own + step * i);
            }
            boolean isInReach = fingers.containsAll(run);
            if (isInReach && instrument.family() == wildflourish.core.instrument.Family.TWO_ROW_BOX) {
                all.add(run);
            }
            if (fingers.contains(own + step)) {
                List<Integer> turns = new ArrayList<>();
                for (int i = 0; i < strikes; i++) {
                    turns.add(i % 2 == 0 ? own : own + step);
                }
                all.add(turns);
            }
        }
        return all;
    }

    /** Three neighbouring fingers that fall cost least; two by turns a little more, three that rise more still. */
    private static double costOf(List<Integer> fingers) {
        if (fingers.isEmpty()) {
            return 0;
        }
        boolean isRun = fingers.size() > 2 && !fingers.get(0).equals(fingers.get(2));
        boolean isRising = isRun && fingers.get(1) > fingers.get(0);
        return 0.5 + (fingers.size() == 2 || (isRun && !isRising) ? 0 : isRising ? 0.2 : 0.1);
    }

    /** The set that the hand takes: as the path has the note where it can be. */
    Optional<Found> best() {
        return found.stream().findFirst();
    }

    WrittenPitch written(int midi) {
        return occasion.setting().key().spelled(midi);
    }
}
