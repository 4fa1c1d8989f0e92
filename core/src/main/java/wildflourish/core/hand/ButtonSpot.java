package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import wildflourish.core.fingering.Across;
import wildflourish.core.fingering.ButtonOption;
import wildflourish.core.fingering.ButtonTables;
import wildflourish.core.fingering.ButtonWalks;
import wildflourish.core.fingering.ButtonWay;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Begin;
import wildflourish.core.ornament.Figure;
import wildflourish.core.ornament.Part;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Second;
import wildflourish.core.ornament.Target;

/**
 * A figure on buttons: the sounds it wants beside its note, and every way in which the hand makes it, the best first. That is the one the path takes where the ornament stands already, and
 * the one that costs the whole tune least where it is only asked about.
 */
final class ButtonSpot {
    private static final int LITTLE_FINGER = 4;
    private static final double LITTLE = 0.3;
    /** Where nothing is known of the tune around: what it is worth to leave the note on the key where the plain path has it. */
    private static final double OTHER_KEY = 0.8;

    private static final double STAND_IN = 0.4;
    private static final double STROKES = 1;
    /** So slow that nothing is too fast, in milliseconds a sound. */
    private static final Fraction SLOW = Fraction.of(1000);

    final Occasion occasion;
    final Figure figure;
    final Instrument instrument;
    final ButtonSounds sounds;
    /** What sounds beside the note, each thing once. */
    final List<Role> roles;

    final ButtonPitches pitches;
    /** The parts of the figure. */
    final List<Part> parts;

    private final Set<Begin> begins;
    /** Every way in which the hand makes it, the best first. */
    final List<ButtonFound.Ready> found;

    /** What the best of them costs the whole tune more than its plain notes; empty where that is not known. */
    final Optional<ButtonTables.Price> price;

    /** A small note, a neighbour or a second note. */
    record Role(Optional<Target> target, Optional<Second> second) {
        boolean isSmall() {
            return target.isPresent();
        }
    }

    ButtonSpot(Occasion occasion, Figure figure) {
        this.occasion = occasion;
        this.figure = figure;
        this.parts = figure.parts();
        this.begins = EnumSet.noneOf(Begin.class);
        parts.forEach(part -> begins.add(part.begin()));
        this.instrument = occasion.playing().instrument();
        this.sounds = new ButtonSounds(
                instrument.buttons().orElseThrow(),
                instrument.family(),
                occasion.setting().key());
        this.roles = isWalked() || isJoined() ? List.of() : roles();
        this.pitches = new ButtonPitches(occasion, sounds, roles);
        List<ButtonFound.Ready> all =
                isKnown() ? occasion.ways().known(occasion, figure).orElseGet(this::ready) : ready();
        Optional<List<ButtonTables.Price>> prices = prices(all);
        Ranked ranked =
                prices.map(each -> byPrice(all, each)).orElseGet(() -> new Ranked(byHand(all), Optional.empty()));
        this.found = ranked.ready;
        this.price = ranked.price;
    }

    /** Whether what the path has been told of it holds for this player: how soon a hand walks on is the student's own. */
    private boolean isKnown() {
        return isPlaced()
                && (!isWalked() || occasion.times().equals(Profile.usual().times()));
    }

    private record Ranked(List<ButtonFound.Ready> ready, Optional<ButtonTables.Price> price) {}

    int midi() {
        return occasion.first().melody().midi();
    }

    private List<Role> roles() {
        Set<Role> all = new LinkedHashSet<>();
        for (Part part : parts) {
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

    /** Whether the note's button is struck again by another finger. */
    boolean strikesAgain() {
        return hasPart(Begin.AGAIN);
    }

    /** Whether the hand goes from sound to sound as from note to note. */
    boolean isWalked() {
        return hasPart(Begin.STROKE);
    }

    /** Whether the bellows turn on the note. */
    boolean isRocked() {
        return hasPart(Begin.TURN);
    }

    /** Whether one button goes down before the other comes up. */
    boolean isJoined() {
        return hasPart(Begin.JOINED);
    }

    /** Whether it brings further notes of a tune. */
    boolean bringsNotes() {
        return isWalked() && parts.stream().anyMatch(part -> part.landing().kind() != Target.Kind.MELODY);
    }

    private boolean hasPart(Begin begin) {
        return begins.contains(begin);
    }

    // The best of them

    /** Each way once: of those with the same first, own and last button and finger the cheapest. */
    private List<ButtonFound.Ready> ready() {
        if (isWalked()) {
            return walks();
        }
        if (isJoined()) {
            return joined();
        }
        Map<List<ButtonWay>, ButtonFound.Ready> best = new LinkedHashMap<>();
        Map<List<Integer>, Double> lasts = new LinkedHashMap<>();
        for (ButtonFound each : acrossForgiven(isRocked() ? rocked() : sets())) {
            ButtonMaking making = new ButtonMaking(this, each);
            double last = lasts.computeIfAbsent(each.pitches(), key -> making.lastMillis());
            ButtonOption option = making.option(last);
            best.merge(
                    List.of(option.way(), option.entry(), option.exit()),
                    new ButtonFound.Ready(each, option),
                    (one, other) -> one.option().cost() <= other.option().cost() ? one : other);
        }
        return List.copyOf(best.values());
    }

    /** Those who play across the rows leave their button for little where it cannot make the ornament, wide rolls not counted. */
    private List<ButtonFound> acrossForgiven(List<ButtonFound> all) {
        double forgiven = Across.forgiven(occasion.playing().school());
        Optional<String> across = Across.keyOf(new FingeredPitch(midi()));
        boolean isMadeThere = forgiven == 0
                || across.isEmpty()
                || all.stream().anyMatch(each -> each.own().key().name().equals(across.get()) && !isWide(each));
        return isMadeThere
                ? all
                : all.stream()
                        .map(each ->
                                each.own().key().name().equals(across.orElseThrow()) ? each : each.cheaper(forgiven))
                        .toList();
    }

    /** Whether the lower note of a roll lies a third away. */
    boolean isWide(ButtonFound each) {
        for (int i = 0; i < roles.size(); i++) {
            boolean isLower = roles.get(i)
                    .target()
                    .filter(target -> target.kind() == Target.Kind.TAP)
                    .isPresent();
            int steps =
                    written(midi()).staffStep() - written(each.pitches().get(i)).staffStep();
            if (isLower && steps > 1) {
                return true;
            }
        }
        return false;
    }

    private Optional<List<ButtonTables.Price>> prices(List<ButtonFound.Ready> all) {
        if (all.isEmpty() || isPlaced()) {
            return Optional.empty();
        }
        return occasion.ways()
                .buttonTables()
                .flatMap(tables -> tables.more(
                        occasion.first().note().id(),
                        occasion.tones().size(),
                        all.stream().map(ButtonFound.Ready::option).toList()));
    }

    /** Those that cost the whole tune least first; of two that cost the same the one on the key where the plain path has the note. */
    private Ranked byPrice(List<ButtonFound.Ready> all, List<ButtonTables.Price> prices) {
        List<Integer> order = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            order.add(i);
        }
        order.sort(Comparator.comparingDouble((Integer at) -> prices.get(at).cost())
                .thenComparing(at -> isElsewhere(all.get(at))));
        ButtonTables.Price plain = occasion.ways()
                .buttonTables()
                .flatMap(tables -> tables.bare(
                        occasion.first().note().id(), occasion.tones().size()))
                .orElse(prices.get(order.get(0)));
        return new Ranked(
                order.stream().map(all::get).toList(),
                Optional.of(prices.get(order.get(0)).minus(plain)));
    }

    /** As the path has it where it stands already; where nothing is known, the cheapest for the hand. */
    private List<ButtonFound.Ready> byHand(List<ButtonFound.Ready> all) {
        List<ButtonFound.Ready> sorted = new ArrayList<>(all);
        if (isPlaced()) {
            Optional<ButtonOption> taken =
                    occasion.ways().optionOnButtons(occasion.first().note().id());
            sorted.sort(Comparator.comparingInt((ButtonFound.Ready each) ->
                            taken.map(option -> unlike(option, each.option())).orElse(0))
                    .thenComparingDouble(each -> each.option().cost()));
        } else {
            sorted.sort(Comparator.comparingDouble(each -> each.option().cost()
                    + (each.found().own().finger() == LITTLE_FINGER ? LITTLE : 0)
                    + (isElsewhere(each) ? OTHER_KEY : 0)));
        }
        return List.copyOf(sorted);
    }

    /** In how many of first, own and last button and finger two ways differ. */
    private static int unlike(ButtonOption one, ButtonOption other) {
        return (one.way().equals(other.way()) ? 0 : 4)
                + (one.exit().equals(other.exit()) ? 0 : 2)
                + (one.entry().equals(other.entry()) ? 0 : 1);
    }

    /** Whether its note is played by another key than where the plain path has it. */
    private boolean isElsewhere(ButtonFound.Ready each) {
        return occasion.ways()
                .onButtons(occasion.first().note().id())
                .filter(way -> !way.key().equals(each.found().own().key()))
                .isPresent();
    }

    /** Whether it stands there already, so that the path has decided by which button and finger its note is played. */
    private boolean isPlaced() {
        return occasion.first()
                .placed()
                .filter(placement -> placement.stack().equals(occasion.stack()))
                .isPresent();
    }

    /** The way that the hand takes. */
    Optional<ButtonFound> best() {
        return found.stream().findFirst().map(ButtonFound.Ready::found);
    }

    WrittenPitch written(int midi) {
        return occasion.setting().key().spelled(midi);
    }

    // Sets under the hand

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

    private List<ButtonFound> sets() {
        List<ButtonFound> all = new ArrayList<>();
        for (ButtonSet.Held note : notes()) {
            List<List<Integer>> again = strikesAgain() ? again(note) : List.of(List.of());
            for (ButtonPitches.Pitches some : again.isEmpty()
                    ? List.<ButtonPitches.Pitches>of()
                    : pitches.pitches(note.way().key())) {
                for (ButtonSet set : sets(note, some)) {
                    for (List<Integer> fingers : again) {
                        double small = set.cost() - chordCost(set);
                        double cost = some.cost() + small + costOf(fingers);
                        all.add(new ButtonFound(set, some.midi(), fingers, List.of(), cost));
                    }
                }
            }
        }
        return all;
    }

    private List<ButtonSet> sets(ButtonSet.Held note, ButtonPitches.Pitches some) {
        List<ButtonSet> sets = ButtonSet.of(List.of(note)).stream().toList();
        if (occasion.isIn("slid")) {
            return sounds.ways(some.midi().get(0), true).stream()
                    .filter(small -> ButtonSet.isBesideAcross(note, small))
                    .map(small -> new ButtonSet(List.of(note, small), 0))
                    .toList();
        }
        for (int i = 0; i < roles.size(); i++) {
            List<ButtonSet.Held> ways = ways(roles.get(i), some.midi().get(i));
            sets = sets.stream()
                    .flatMap(set -> ways.stream().flatMap(way -> set.with(way).stream()))
                    .toList();
        }
        return sets;
    }

    /** A button that is held under a passage has one finger all the while. */
    private List<ButtonSet.Held> ways(Role role, int midi) {
        boolean isHeld =
                role.second().filter(second -> second.kind() == Second.Kind.KEY).isPresent();
        return isHeld
                ? HeldNote.wayOf(occasion).map(ButtonSpot::held).stream().toList()
                : sounds.ways(midi, role.isSmall());
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

    // Strokes of the bellows

    /** The note on one key and on another the other way of the bellows, by turns; where a button sounds the same both ways it stays down. */
    private List<ButtonFound> rocked() {
        List<ButtonFound> all = new ArrayList<>();
        int strokes = parts.size();
        for (ButtonSet.Held note : notes()) {
            if (note.button().isSameBothWays()) {
                for (ButtonPitches.Pitches some : pitches.pitches(note.way().key())) {
                    for (ButtonSet set : sets(note, some)) {
                        List<ButtonWay> walked = Collections.nCopies(strokes, set.first());
                        all.add(new ButtonFound(set, some.midi(), List.of(), walked, STROKES));
                    }
                }
            } else if (roles.isEmpty()) {
                for (ButtonSet.Held back : sounds.ways(midi(), false)) {
                    ButtonSet.shape(note, back).ifPresent(cost -> {
                        List<ButtonWay> walked = new ArrayList<>();
                        for (int i = 0; i < strokes; i++) {
                            walked.add(i % 2 == 0 ? note.way() : back.way());
                        }
                        ButtonSet set = ButtonSet.of(List.of(note)).orElseThrow();
                        all.add(new ButtonFound(set, List.of(), List.of(), walked, STROKES + cost));
                    });
                }
            }
        }
        return all;
    }

    /** Whether the note has a key the other way of the bellows. */
    boolean canRock() {
        List<ButtonSet.Held> ways = sounds.ways(midi(), false);
        return ways.stream()
                .anyMatch(one -> one.button().isSameBothWays()
                        || ways.stream()
                                .anyMatch(other -> other.way().key().bellows()
                                        != one.way().key().bellows()));
    }

    // Walks

    /** What each part of a melodic triplet sounds (MIDI); none where something has no such note. */
    List<Integer> walkedPitches() {
        List<Integer> midi = new ArrayList<>();
        for (Part part : parts) {
            pitches.walked(part.landing()).ifPresent(midi::add);
        }
        return midi.size() == parts.size() ? midi : List.of();
    }

    private List<ButtonFound.Ready> walks() {
        List<Integer> midi = walkedPitches();
        List<List<ButtonWalks.Step>> steps = new ArrayList<>();
        for (int i = 0; i < midi.size(); i++) {
            List<ButtonSet.Held> ways = i == 0 ? notes() : sounds.ways(midi.get(i), true);
            steps.add(ways.stream()
                    .map(held -> new ButtonWalks.Step(held.way(), held.isStandIn() ? STAND_IN : 0))
                    .toList());
        }
        if (steps.isEmpty() || steps.stream().anyMatch(List::isEmpty)) {
            return List.of();
        }
        Fraction part = occasion.spanMillis().dividedBy(steps.size());
        List<ButtonOption> options =
                ButtonWalks.of(steps, part, walkTimes(), occasion.playing().school());
        if (options.isEmpty()) {
            options =
                    ButtonWalks.of(steps, SLOW, walkTimes(), occasion.playing().school());
        }
        return options.stream()
                .map(option -> new ButtonFound.Ready(
                        new ButtonFound(
                                ButtonSet.of(List.of(held(option.way()))).orElseThrow(),
                                midi,
                                List.of(),
                                option.strokes().ways(),
                                option.cost()),
                        option))
                .toList();
    }

    private static ButtonSet.Held held(ButtonWay way) {
        return new ButtonSet.Held(way, false, false);
    }

    // Joined

    /** Two notes by one way each. */
    record Join(ButtonSet.Held from, ButtonSet.Held to) {
        boolean isOneWay() {
            return ButtonSet.isOneWay(from.way().key(), to.way().key());
        }

        boolean isOneButton() {
            return !isOneWay() || from.button().equals(to.button());
        }
    }

    /** Both notes by every two ways, each finger on its own button. */
    Stream<Join> joins() {
        List<ButtonSet.Held> ends = sounds.ways(occasion.tones().get(1).melody().midi(), false);
        return notes().stream()
                .filter(note -> !note.isStandIn())
                .flatMap(note -> ends.stream().filter(end -> !end.isStandIn()).map(end -> new Join(note, end)));
    }

    private List<ButtonFound.Ready> joined() {
        double whole = occasion.spanMillis().toDouble();
        List<Double> shares = occasion.tones().stream()
                .map(tone ->
                        tone.length().dividedBy(occasion.lengthWholeNotes()).toDouble())
                .toList();
        List<ButtonFound.Ready> all = new ArrayList<>();
        joins().forEach(join -> ButtonSet.of(List.of(join.from, join.to)).ifPresent(set -> {
            List<ButtonWay> ways = List.of(join.from.way(), join.to.way());
            List<Integer> midi =
                    occasion.tones().stream().map(tone -> tone.melody().midi()).toList();
            all.add(new ButtonFound.Ready(
                    new ButtonFound(ButtonSet.of(List.of(join.from)).orElseThrow(), midi, List.of(), ways, 0),
                    new ButtonOption(
                            ways.get(0),
                            ways.get(0),
                            ways.get(1),
                            0,
                            whole * shares.get(1),
                            new ButtonOption.Strokes(ways, shares, true))));
        }));
        return all;
    }

    ButtonWalks.Times walkTimes() {
        return new ButtonWalks.Times(
                occasion.times().floor().max(occasion.times().of("button")),
                occasion.times().of("button same finger"),
                occasion.times().of("bellows stroke"));
    }

    // The same button again

    /** How many times the note's button is struck one after the other. */
    private int strikes() {
        return 1
                + (int) parts.stream()
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
            if (isInReach && instrument.family() == Family.TWO_ROW_BOX) {
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
}
