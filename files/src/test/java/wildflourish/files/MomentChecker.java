package wildflourish.files;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.hand.Held;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.instrument.Hole;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Begin;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Stack;
import wildflourish.core.ornament.Times;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.Moment.Role;
import wildflourish.core.performance.Realisation;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;

/**
 * Looks at moments alone and says what in them a player could not do or a listener not hear; it knows nothing of figures, shares and limits. The motor times
 * are those of instructors (common practice, M).
 */
final class MomentChecker {
    private final Realisation realisation;
    private final Times times;
    private final Stack stack;
    private final List<String> faults = new ArrayList<>();

    private MomentChecker(Realisation realisation, Stack stack, Profile profile) {
        this.realisation = realisation;
        this.stack = stack;
        this.times = profile.times();
    }

    /** What is wrong around the only ornament of a realisation; an ornament that is not played at all is a fault. */
    static List<String> faults(Realisation realisation, Stack stack, Profile profile) {
        MomentChecker checker = new MomentChecker(realisation, stack, profile);
        checker.run();
        return checker.faults;
    }

    /** Also where in its tune it stands: a held note from a beat, no breath on a note the ear needs, silence after a fall. */
    static List<String> faults(Realisation realisation, Stack stack, Profile profile, Tune tune) {
        MomentChecker checker = new MomentChecker(realisation, stack, profile);
        checker.run();
        realisation.figures().forEach(figured -> checker.place(figured, tune));
        realisation.figures().stream().findFirst().ifPresent(figured -> {
            int bar = tune.placeOf(figured.placement().span().first()).bar();
            long playings = realisation.bars().stream()
                    .filter(each -> each.played().bar() == bar)
                    .count();
            if (playings != realisation.figures().size()) {
                checker.faults.add("it is played only some of the times through");
            }
        });
        return checker.faults;
    }

    private void place(Realisation.Figured figured, Tune tune) {
        NoteId first = figured.placement().span().first();
        var metre = tune.metreAt(tune.placeOf(first).bar());
        Fraction count = metre.isCompound() ? metre.countLength() : Fraction.of(1, 4);
        Fraction offset = tune.placeOf(first).offset();
        if (has("held-note") && !offset.modulo(count).isZero()) {
            faults.add("held from off the beat");
        }
        var part = tune.form().partAt(tune.placeOf(first).bar());
        List<NoteId> sounding = tune.notes().stream()
                .filter(note ->
                        !note.isRest() && part.has(tune.placeOf(note.id()).bar()))
                .map(note -> note.id())
                .toList();
        boolean isNeeded =
                offset.isZero() || sounding.indexOf(first) == 0 || sounding.indexOf(first) == sounding.size() - 1;
        if (has("breath-gap") && isIn("leave-out") && isNeeded) {
            faults.add("a note that the ear needs is left out");
        }
        Fraction end = figured.startMillis().plus(realisation.tempo().millisOf(figured.lengthWholeNotes()));
        boolean sounds =
                realisation.at(end.toDouble() + 0.1).flatMap(Moment::sounding).isPresent();
        if (has("fall-off") && sounds) {
            faults.add("no silence after the fall");
        }
    }

    private void run() {
        if (realisation.figures().isEmpty()) {
            faults.add("nothing of the ornament is played");
            return;
        }
        for (Realisation.Figured figured : realisation.figures()) {
            check(figured);
        }
    }

    private void check(Realisation.Figured figured) {
        Fraction end = figured.startMillis().plus(realisation.tempo().millisOf(figured.lengthWholeNotes()));
        List<Moment> all = realisation.moments();
        List<Moment> its = new ArrayList<>();
        int first = -1;
        for (int i = 0; i < all.size(); i++) {
            boolean isIn = all.get(i).cue().playedBar() == figured.playedBar()
                    && all.get(i)
                            .endMillis()
                            .isMoreThan(
                                    figured.startMillis().minus(figured.made().leadMillis()))
                    && all.get(i).startMillis().isLessThan(end)
                    && belongs(all.get(i), figured);
            if (isIn) {
                first = first < 0 ? i : first;
                its.add(all.get(i));
            }
        }
        Optional<Moment> before = first > 0 ? Optional.of(all.get(first - 1)) : Optional.empty();
        lender(before, its, figured);
        for (int i = 0; i < its.size(); i++) {
            moment(its, i);
        }
        strokes(its, end);
        moved(before, its);
        again(its);
        settling(its);
    }

    private static boolean belongs(Moment moment, Realisation.Figured figured) {
        return figured.placement().span().first().equals(moment.cue().note())
                || figured.placement().span().last().equals(moment.cue().note())
                || moment.startMillis().isMoreThan(figured.startMillis());
    }

    private boolean has(String ornament) {
        return stack.choices().stream()
                .anyMatch(choice -> choice.ornament().id().equals(ornament));
    }

    private boolean isIn(String school) {
        return stack.choices().stream().anyMatch(choice -> choice.school().equals(school));
    }

    /** Each movement as long as the student's fingers need, each sound as long as a listener does. */
    private void moment(List<Moment> its, int at) {
        Moment moment = its.get(at);
        Fraction length = moment.lengthMillis();
        switch (moment.cue().role()) {
            case CUT, TAP -> least(moment, length, times.of("cut"));
            case GRACE ->
                least(moment, length, times.of(realisation.family() == Family.NINE_NOTE_PIPES ? "small note" : "cut"));
            case CLOSED -> {
                if (!has("breath-gap")) {
                    least(moment, length, times.of(isOnKnee(its, at) ? "knee" : "close"));
                }
            }
            case REST -> silence(moment, its, at);
            case MELODY -> melody(its, at);
            case SMALL_NOTE -> {
                // The tune's own are not the ornament's.
            }
        }
    }

    /** Whether the chanter goes onto the knee or off it with a closing. */
    private boolean isOnKnee(List<Moment> its, int at) {
        int index = realisation.moments().indexOf(its.get(at));
        boolean isFrom = at == 0 && index > 0 && isOff(realisation.moments().get(index - 1));
        return isFrom || (at + 1 < its.size() && isOff(its.get(at + 1)));
    }

    private static boolean isOff(Moment moment) {
        return moment.held().map(Held::fingering).map(Fingering::offKnee).orElse(false);
    }

    private void silence(Moment moment, List<Moment> its, int at) {
        boolean isBreath = has("breath-gap");
        Fraction length = moment.lengthMillis();
        for (int i = at - 1; i >= 0 && its.get(i).cue().role() == Role.CLOSED; i--) {
            length = length.plus(its.get(i).lengthMillis());
        }
        least(moment, length, times.of(isBreath ? "breath" : "stop"));
    }

    private void melody(List<Moment> its, int at) {
        Moment moment = its.get(at);
        Fraction length = moment.lengthMillis();
        boolean isShaken = has("trill");
        boolean isLast = at == its.size() - 1;
        boolean settles = has("landing-cut") && at == 0;
        if (settles) {
            return;
        }
        if (has("pop")) {
            least(moment, length, times.of("pop"));
        } else if (has("finger-vibrato") || has("breath-vibrato") || has("knee-vibrato")) {
            least(moment, length, times.of("wave"));
        } else if (isShaken && !isLast) {
            least(moment, length, times.of("shake"));
        } else if (!moment.sounding().orElseThrow().melody().glide().isLevel()) {
            String name = isIn("lip") ? "lip slide" : "slide";
            boolean isWhole = has("slide-between") || has("fall-off");
            least(moment, length, isWhole ? times.of("slide").max(times.floor()) : times.of(name));
        } else if (has("pat-two") && !isLast && at > 0) {
            least(moment, length.plus(its.get(at - 1).lengthMillis()), times.of("other finger next"));
        } else {
            boolean follows = at > 0 && its.get(at - 1).isGesture();
            boolean isOther = at > 0
                    && !follows
                    && !its.get(at - 1)
                            .sounding()
                            .map(each -> each.pitch())
                            .equals(moment.sounding().map(each -> each.pitch()))
                    && its.get(at - 1).sounding().isPresent();
            boolean isNextOther = at + 1 < its.size()
                    && !its.get(at + 1).isGesture()
                    && its.get(at + 1).sounding().isPresent()
                    && its.get(at + 1).sounding().orElseThrow().melody().glide().isLevel()
                    && !its.get(at + 1)
                            .sounding()
                            .map(each -> each.pitch())
                            .equals(moment.sounding().map(each -> each.pitch()));
            boolean isMelodic = !isShaken && (isOther || (isNextOther && at > 0)) && !follows;
            least(moment, length, isMelodic ? times.floor().max(times.of("melodic note")) : times.floor());
        }
    }

    /** The note before keeps a floor, and lends no more than half of itself. */
    private void lender(Optional<Moment> before, List<Moment> its, Realisation.Figured figured) {
        Fraction wanted = figured.made().leadMillis();
        if (!wanted.isPositive() || its.isEmpty()) {
            return;
        }
        Fraction taken = figured.startMillis().minus(its.get(0).startMillis());
        if (taken.isLessThan(wanted)) {
            faults.add("borrows " + taken + " of " + wanted);
        }
        before.ifPresent(moment -> {
            least(moment, moment.lengthMillis(), times.floor());
            if (moment.lengthMillis().isLessThan(taken)) {
                faults.add("the note before lends more than half of itself");
            }
        });
    }

    /** Strokes of the tongue and pushes of the breath come no faster than one can. */
    private void strokes(List<Moment> its, Fraction end) {
        List<Moment> tongued = its.stream()
                .filter(moment -> begin(moment).map(Begin::isTongue).orElse(false))
                .toList();
        for (int i = 0; i + 1 < tongued.size(); i++) {
            boolean isDouble = begin(tongued.get(i)).get() == Begin.DOUBLE
                    || begin(tongued.get(i + 1)).get() == Begin.DOUBLE;
            String name = isDouble ? "double tongue" : tongued.size() > 2 ? "tongue burst" : "tongue again";
            boolean isApart = its.stream().anyMatch(Moment::isGesture)
                    || its.stream().anyMatch(each -> each.cue().role() == Role.REST);
            Fraction between =
                    tongued.get(i + 1).startMillis().minus(tongued.get(i).startMillis());
            if (!isApart) {
                least(tongued.get(i), between, times.of(name));
            }
        }
        its.stream()
                .filter(moment -> begin(moment).equals(Optional.of(Begin.PUSH)))
                .forEach(push ->
                        least(push, push.startMillis().minus(its.get(0).startMillis()), times.of("push again")));
    }

    private static Optional<Begin> begin(Moment moment) {
        return moment.sounding().map(Moment.Sounding::begin);
    }

    /** A finger that has just moved rests before it moves again; one that strikes twice takes its time between. */
    private void moved(Optional<Moment> before, List<Moment> its) {
        Optional<Moment> gesture = its.stream().filter(Moment::isGesture).findFirst();
        boolean isFingers = gesture.filter(
                        each -> each.cue().role() == Role.CUT || each.cue().role() == Role.TAP || has("stopped-tap"))
                .isPresent();
        if (!isFingers || before.isEmpty() || before.get().held().isEmpty()) {
            return;
        }
        Held held = its.get(its.size() - 1).held().orElseThrow();
        Optional<Integer> finger = has("stopped-tap")
                ? Optional.of(held.fingering().firstOpen())
                : moved(gesture.get().held().orElseThrow().fingering(), held.fingering());
        Fraction since = gesture.get().startMillis().minus(its.get(0).startMillis());
        boolean wantsClosed = gesture.get().cue().role() == Role.CUT;
        boolean hasMoved = finger.isPresent()
                && (before.get().held().get().fingering().at(finger.get()) == Hole.CLOSED) != wantsClosed
                && (held.fingering().at(finger.get()) == Hole.CLOSED) == wantsClosed
                && !before.get().cue().note().equals(gesture.get().cue().note());
        if (hasMoved) {
            least(gesture.get(), since, times.of("same finger again"));
        }
    }

    private void again(List<Moment> its) {
        Optional<Moment> last = Optional.empty();
        for (Moment moment : its) {
            boolean isFinger = moment.cue().role() == Role.CUT || moment.cue().role() == Role.TAP;
            if (isFinger && last.isPresent() && last.get().held().equals(moment.held())) {
                least(moment, moment.startMillis().minus(last.get().startMillis()), times.of("same finger again"));
            }
            last = isFinger ? Optional.of(moment) : last;
        }
    }

    private void settling(List<Moment> its) {
        if (has("landing-cut") && its.size() > 1) {
            least(its.get(1), its.get(1).startMillis().minus(its.get(0).startMillis()), times.of("landing"));
        }
    }

    private static Optional<Integer> moved(Fingering from, Fingering to) {
        for (int hole = 1; hole <= from.holes().size(); hole++) {
            if (from.at(hole) != to.at(hole) && from.at(hole) != Hole.HALF) {
                return Optional.of(hole);
            }
        }
        return Optional.empty();
    }

    private void least(Moment moment, Fraction length, Fraction least) {
        if (length.isLessThan(least)) {
            faults.add(
                    moment.cue().role() + " of " + length.toDouble() + " ms where " + least.toDouble() + " are needed");
        }
    }
}
