package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.instrument.Breath;
import wildflourish.core.instrument.ChartRow;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.instrument.Gracing;
import wildflourish.core.instrument.Hole;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.line.Tone;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Figure;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Refusal;
import wildflourish.core.ornament.Target;
import wildflourish.core.tune.Note;

/** A figure on holes: how its note and its neighbours are held, which finger lifts and which taps. */
final class HoleSpot {
    /** C natural half-holed: one finger does everything. */
    private static final String HALF_C = "hOOOOO";

    final Occasion occasion;
    final Figure figure;
    final Instrument instrument;
    final Family family;
    /** How the note under the figure is held. */
    final Held held;
    /** How the tone before is held; empty where silence or a missing note goes before. */
    final Optional<Held> before;

    final Optional<Held> after;
    final Optional<Gracing> gracing;

    /** A finger that is to move first, and whether it has moved right before, so that it must wait. */
    record Finger(int hole, boolean waits) {}

    HoleSpot(Occasion occasion, Figure figure) {
        this.occasion = occasion;
        this.figure = figure;
        this.instrument = occasion.playing().instrument();
        this.family = instrument.family();
        Note note = occasion.first().note();
        this.gracing = instrument.rowOf(note.melody()).flatMap(row -> instrument.gracingOf(row.pitch()));
        this.held = chosen(note);
        this.before = occasion.before().flatMap(tone -> occasion.ways().of(tone.note()));
        this.after = occasion.after().flatMap(tone -> occasion.ways().of(tone.note()));
    }

    /** As pinned or as usual, but where the ornament wants another way of holding the note. */
    private Held chosen(Note note) {
        ChartRow row = instrument.rowOf(note.melody()).orElseThrow();
        Held usual = occasion.ways().under(note).orElseThrow();
        if (occasion.ways().isPinned(note.id())) {
            return usual;
        }
        if (opensLowerHand()) {
            return row.fingerings().stream()
                    .filter(each -> tapSounds(each, row.breath()))
                    .findFirst()
                    .map(each -> new Held(each, row.breath()))
                    .orElse(usual);
        }
        boolean shakesUp = isStepUp() && !isStepDown();
        return shakesUp
                ? gracing.flatMap(Gracing::shakenAs)
                        .map(each -> new Held(each, row.breath()))
                        .orElse(usual)
                : usual;
    }

    /** Union pipes: rolls open the lower hand unless they are strict, taps only where that school is asked for. */
    private boolean opensLowerHand() {
        boolean isRoll = occasion.stack().choices().stream()
                .anyMatch(each -> each.ornament().kind() == Ornament.Kind.ROLL);
        boolean usesTap = figure.uses(Target.Kind.TAP);
        return family == Family.UNION_PIPES
                && usesTap
                && (occasion.isIn("open-lower-hand") || (isRoll && !occasion.isIn("strict")));
    }

    boolean tapSounds(Fingering fingering, Breath breath) {
        return gracing.flatMap(Gracing::tap)
                .filter(hole -> fingering.at(hole) != Hole.CLOSED)
                .flatMap(hole -> instrument.charted(fingering.with(hole, Hole.CLOSED), breath))
                .isPresent();
    }

    private boolean isStepDown() {
        return figure.parts().stream()
                .anyMatch(
                        part -> isDown(part.landing()) || part.graces().stream().anyMatch(HoleSpot::isDown));
    }

    private boolean isStepUp() {
        return figure.parts().stream()
                .anyMatch(part -> part.landing().kind() == Target.Kind.STEP
                        || part.graces().stream().anyMatch(grace -> grace.kind() == Target.Kind.STEP));
    }

    private static boolean isDown(Target target) {
        return target.kind() == Target.Kind.STEP && target.number() < 0;
    }

    // Pitches

    FingeredPitch pitch() {
        return instrument.reading().fingered(occasion.first().melody());
    }

    /** The note so many steps of the tune's scale away. */
    WrittenPitch step(WrittenPitch from, int steps) {
        WrittenPitch natural = WrittenPitch.ofStaffStep(from.staffStep() + steps);
        return natural.withAlter(occasion.setting().key().alterOf(natural.step()));
    }

    /** The scale note between two notes that lie a third apart. */
    WrittenPitch middle(WrittenPitch one, WrittenPitch other) {
        return step(one, (other.staffStep() - one.staffStep()) / 2);
    }

    /** The note that a small note of the middle comes between: the tone before, or the second one of the span. */
    Optional<WrittenPitch> middle() {
        List<Tone> tones = occasion.tones();
        if (tones.size() > 1) {
            return Optional.of(middle(tones.get(0).melody(), tones.get(1).melody()));
        }
        return occasion.before().map(tone -> middle(tone.melody(), tones.get(0).melody()));
    }

    Optional<Held> usual(WrittenPitch written) {
        return occasion.ways().usual(written);
    }

    // Fingers

    boolean isAllClosed(Fingering fingering) {
        return fingering.hasThumb()
                ? fingering.isAll(Hole.CLOSED)
                : fingering.with(1, Hole.CLOSED).isAll(Hole.CLOSED);
    }

    boolean isAllClosed() {
        return isAllClosed(held.fingering());
    }

    private boolean isHalfC() {
        return held.fingering().toString().equals(HALF_C);
    }

    /** The hole that this school lifts for the note, where its finger is down. */
    Optional<Integer> schoolHole() {
        if (isHalfC()) {
            return Optional.of(1);
        }
        Optional<Integer> hole =
                gracing.flatMap(each -> each.cutBy(occasion.playing().school()));
        return hole.isPresent() && held.fingering().at(hole.get()) == Hole.OPEN ? nearestClosed(hole.get()) : hole;
    }

    private Optional<Integer> nearestClosed(int hole) {
        Fingering fingering = held.fingering();
        for (int other = hole - 1; other > (fingering.hasThumb() ? 1 : 0); other--) {
            if (fingering.at(other) == Hole.CLOSED) {
                return Optional.of(other);
            }
        }
        for (int other = hole + 1; other <= fingering.holes().size(); other++) {
            if (fingering.at(other) == Hole.CLOSED) {
                return Optional.of(other);
            }
        }
        return Optional.empty();
    }

    Optional<Integer> tapHole() {
        return isHalfC() ? Optional.of(1) : gracing.flatMap(Gracing::tap);
    }

    /**
     * The finger that lifts first: the school's own where it is down already; where it is only about to land, one that stands, looked for towards
     * the mouth and then below; where none does, its own after it has landed.
     */
    Optional<Finger> lift() {
        return schoolHole().map(this::standing);
    }

    Finger standing(int hole) {
        boolean isSettled = before.isEmpty()
                || before.get().fingering().equals(held.fingering())
                || before.get().fingering().at(hole) == Hole.CLOSED;
        if (isSettled) {
            return new Finger(hole, false);
        }
        for (int other = hole - 1; other >= 1; other--) {
            if (isStanding(other)) {
                return new Finger(other, false);
            }
        }
        for (int other = hole + 1; other <= held.fingering().holes().size(); other++) {
            if (isStanding(other)) {
                return new Finger(other, false);
            }
        }
        return new Finger(hole, true);
    }

    private boolean isStanding(int hole) {
        Fingering fingering = held.fingering();
        boolean isThumb = fingering.hasThumb() && hole == 1;
        boolean isVented = family == Family.RECORDER && fingering.at(1) == Hole.HALF;
        boolean isHighD = !fingering.hasThumb()
                && held.breath() == Breath.FIRM
                && fingering.with(1, Hole.CLOSED).isAll(Hole.CLOSED);
        return fingering.at(hole) == Hole.CLOSED
                && before.orElseThrow().fingering().at(hole) == Hole.CLOSED
                && !(isThumb && family != Family.UNION_PIPES)
                && !isVented
                && !(isHighD && hole == 1);
    }

    /** The finger that taps first, and whether it has just lifted. */
    Optional<Finger> tap() {
        return tapHole().map(hole -> new Finger(hole, hasJustLifted(hole)));
    }

    boolean hasJustLifted(int hole) {
        return before.isPresent() && before.get().fingering().at(hole) == Hole.CLOSED;
    }

    /** Another finger than one that lifts: the next one down below it, else above; one that stands in the tone before too where there is one. */
    Optional<Integer> besides(int hole) {
        List<Integer> order = new ArrayList<>();
        Fingering fingering = held.fingering();
        for (int other = hole + 1; other <= fingering.holes().size(); other++) {
            order.add(other);
        }
        for (int other = hole - 1; other > (fingering.hasThumb() ? 1 : 0); other--) {
            order.add(other);
        }
        List<Integer> down = order.stream()
                .filter(other -> fingering.at(other) == Hole.CLOSED)
                .toList();
        return down.stream()
                .filter(other -> before.isEmpty() || before.get().fingering().at(other) == Hole.CLOSED)
                .findFirst()
                .or(() -> down.stream().findFirst());
    }

    /** The holes that a cran lifts in turn, a different one each time. */
    List<Integer> cranOrder() {
        boolean isLong =
                figure.parts().stream().filter(part -> !part.graces().isEmpty()).count() > 2
                        || figure.parts().size() > 2;
        List<List<Integer>> orders = gracing.map(Gracing::crans)
                .map(crans -> isLong ? crans.longOrders() : crans.shortOrders())
                .orElse(List.of());
        String school = occasion.school(occasion.stack().main().ornament());
        List<Integer> order = orders.stream()
                .filter(each -> nameOf(each).equals(school))
                .findFirst()
                .or(() -> orders.stream().findFirst())
                .orElse(List.of());
        if (order.isEmpty()) {
            return order;
        }
        List<Integer> all = new ArrayList<>(order);
        all.set(0, standing(order.get(0)).hole());
        if (all.size() > 1 && all.get(1).equals(all.get(0))) {
            all.set(1, order.get(0));
        }
        return List.copyOf(all);
    }

    /** {@code 3-4}, in the names players have for their fingers. */
    private String nameOf(List<Integer> order) {
        return String.join("-", order.stream().map(held.fingering()::nameOf).toList());
    }

    /** Why the first finger of the figure must wait, since it has moved right before; empty where it need not. */
    Optional<Refusal> waiting() {
        if (occasion.setting().ignoresWaits()) {
            return Optional.empty();
        }
        Optional<Target> first = figure.parts().stream()
                .flatMap(part -> part.graces().stream())
                .filter(grace -> grace.isLift() || grace.kind() == Target.Kind.TAP)
                .findFirst();
        if (first.isPresent()) {
            boolean isTap = first.get().kind() == Target.Kind.TAP;
            return fingerOf(first.get())
                    .filter(Finger::waits)
                    .map(finger -> isTap ? Refusal.FINGER_JUST_LIFTED : Refusal.FINGER_LANDING);
        }
        return isStoppedTap() && openHole().map(this::hasJustLifted).orElse(false)
                ? Optional.of(Refusal.FINGER_JUST_LIFTED)
                : Optional.empty();
    }

    boolean waits() {
        return waiting().isPresent();
    }

    boolean isStoppedTap() {
        return occasion.stack().choices().stream()
                .anyMatch(each -> each.ornament().id().equals("stopped-tap"));
    }

    /** The highest open hole. */
    Optional<Integer> openHole() {
        int open = held.fingering().firstOpen();
        return open == 0 ? Optional.empty() : Optional.of(open);
    }

    /** The finger of a lift or a tap of the figure. */
    Optional<Finger> fingerOf(Target target) {
        boolean isCran = occasion.stack().main().ornament().kind() == Ornament.Kind.CRAN;
        if (isCran && target.isLift()) {
            return cranFinger(target.number());
        }
        return switch (target.kind()) {
            case LIFT -> target.number() == 1 ? lift() : second();
            case LIFT_LOW -> pair(true);
            case LIFT_HIGH -> pair(false);
            case TAP -> target.number() == 1 ? tap() : tap().flatMap(this::below);
            default -> Optional.empty();
        };
    }

    private Optional<Finger> cranFinger(int number) {
        List<Integer> order = cranOrder();
        if (number > order.size()) {
            return Optional.empty();
        }
        boolean waits = number == 1
                && schoolHole().isPresent()
                && standing(order.get(0)).waits();
        return Optional.of(new Finger(order.get(number - 1), waits));
    }

    private Optional<Finger> second() {
        return lift().flatMap(first -> besides(first.hole()).map(hole -> standsOrWaits(hole, first)));
    }

    /** Of a second finger: it waits only where it was itself about to land and nobody stands in for it. */
    private Finger standsOrWaits(int hole, Finger first) {
        boolean lands = before.isPresent()
                && !before.get().fingering().equals(held.fingering())
                && before.get().fingering().at(hole) != Hole.CLOSED;
        return new Finger(hole, lands || first.waits());
    }

    /** The lower or the upper of the two fingers that lift in turn. */
    private Optional<Finger> pair(boolean isLower) {
        return lift().flatMap(first -> second().map(other -> {
            boolean isFirst = first.hole() > other.hole() == isLower;
            return isFirst ? first : other;
        }));
    }

    private Optional<Finger> below(Finger finger) {
        for (int hole = finger.hole() + 1; hole <= held.fingering().holes().size(); hole++) {
            if (held.fingering().at(hole) == Hole.OPEN) {
                return Optional.of(new Finger(hole, false));
            }
        }
        return Optional.empty();
    }

    /** All holes that change close, or all open, and no more than so many do. */
    static boolean isSmallChange(Fingering from, Fingering to, int most) {
        int up = 0;
        int down = 0;
        for (int hole = 1; hole <= from.holes().size(); hole++) {
            int change = to.at(hole).openness() - from.at(hole).openness();
            up += change > 0 ? 1 : 0;
            down += change < 0 ? 1 : 0;
        }
        return (up == 0 || down == 0) && up + down <= most;
    }
}
