package wildflourish.files;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Begin;
import wildflourish.core.ornament.Profile;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.Realisation;

/**
 * Looks at the moments of an ornament on buttons and knows nothing of figures: whether each finger has the time it needs. Times of a fluent player in milliseconds,
 * common practice; what the ear wants is not scaled by the student.
 */
final class ButtonMomentChecker {
    private static final Fraction FLOOR = Fraction.of(62);
    private static final Fraction SMALL = Fraction.of(45);
    private static final Fraction LOW_REED = Fraction.of(15);
    private static final int LOW = 60;
    private static final Fraction NEXT_FINGER = Fraction.of(75);
    private static final Fraction OTHER_FINGER = Fraction.of(65);
    private static final Fraction SILENCE = Fraction.of(40);
    private static final Fraction SWELL = Fraction.of(600);
    private static final Fraction STROKE = Fraction.of(100);
    private static final Fraction FINGER_AGAIN = Fraction.of(110);

    private final Fraction factor;
    private final List<Moment> its;
    private final List<String> faults = new ArrayList<>();

    private ButtonMomentChecker(Fraction factor, List<Moment> its) {
        this.factor = factor;
        this.its = its;
    }

    /** What is wrong in the only ornament of a realisation; an ornament that is not played at all is a fault. */
    static List<String> faults(Realisation realisation, Profile profile) {
        if (realisation.figures().isEmpty()) {
            return List.of("nothing of the ornament is played");
        }
        Realisation.Figured figured = realisation.figures().get(0);
        Fraction end = figured.startMillis().plus(realisation.tempo().millisOf(figured.lengthWholeNotes()));
        List<Moment> its = realisation.moments().stream()
                .filter(moment -> !moment.startMillis().isLessThan(figured.startMillis())
                        && moment.startMillis().isLessThan(end))
                .toList();
        ButtonMomentChecker checker = new ButtonMomentChecker(profile.factor(), its);
        checker.run();
        return checker.faults;
    }

    private void run() {
        Map<String, Fraction> touched = new HashMap<>();
        for (int i = 0; i < its.size(); i++) {
            Moment moment = its.get(i);
            boolean goesOn = moment.sounding()
                    .filter(sounding -> !sounding.melody().begins())
                    .isPresent();
            if (moment.sounding().isEmpty()) {
                least("silence", moment.lengthMillis(), SILENCE);
            }
            if (goesOn && i > 0 && isSmall(i - 1) && !isOverlap(i - 1)) {
                least("note", moment.lengthMillis(), FLOOR);
            }
            if (moment.sounding().isEmpty() || goesOn) {
                continue;
            }
            Begin begin = moment.sounding().get().begin();
            if (begin == Begin.BITE || begin == Begin.SWELL) {
                least("push", moment.lengthMillis(), begin == Begin.BITE ? STROKE.times(factor) : SWELL);
            }
            String lane = laneOf(i);
            Fraction start = moment.startMillis();
            boolean isTurned = i > 0
                    && its.get(i - 1).sounding().isPresent()
                    && laneOf(i - 1).equals(lane);
            if (isTurned) {
                least("stroke of the bellows", start.minus(its.get(i - 1).startMillis()), STROKE.times(factor));
            } else if (touched.containsKey(lane)) {
                least("finger again", start.minus(touched.get(lane)), FINGER_AGAIN.times(factor));
            }
            touched.put(lane, start);
            if (turnsBefore(i) && i + 1 < its.size() && turnsBefore(i + 1)) {
                least("between two turns", moment.lengthMillis(), STROKE.times(factor));
            }
            if (isOverlap(i)) {
                Fraction end = i + 1 < its.size() ? its.get(i + 1).endMillis() : moment.endMillis();
                least("note", end.minus(start), FLOOR);
            } else {
                length(i);
            }
        }
    }

    /** Whether the button before is still down while this one begins. */
    private boolean isOverlap(int at) {
        return its.get(at).cue().role() == Moment.Role.GRACE
                && its.get(at).sounding().orElseThrow().under().stream().anyMatch(voice -> !voice.begins());
    }

    /** Whether the bellows go another way than in the moment before. */
    private boolean turnsBefore(int at) {
        if (at == 0
                || its.get(at).sounding().isEmpty()
                || its.get(at - 1).sounding().isEmpty()) {
            return false;
        }
        String before = keyOf(at - 1);
        String now = keyOf(at);
        return now.matches(".*[pd]") && before.charAt(before.length() - 1) != now.charAt(now.length() - 1);
    }

    private void length(int at) {
        Fraction length = its.get(at).lengthMillis();
        boolean isLast = at + 1 == its.size() || its.get(at + 1).sounding().isEmpty();
        boolean isSameButton =
                !isLast && keyOf(at).equals(keyOf(at + 1)) && !laneOf(at).equals(laneOf(at + 1));
        if (isSameButton) {
            least("next finger", length, NEXT_FINGER.times(factor));
        } else if (isSmall(at)) {
            int midi = its.get(at).sounding().orElseThrow().melody().pitch().midi();
            least("small note", length, midi < LOW ? SMALL.times(factor).plus(LOW_REED) : SMALL.times(factor));
        } else if (isLast || (isSmall(at + 1) && !isOverlap(at + 1))) {
            least("note", length, FLOOR);
        } else {
            least("other finger", length, OTHER_FINGER.times(factor).max(FLOOR));
        }
    }

    private boolean isSmall(int at) {
        Moment.Role role = its.get(at).cue().role();
        return role == Moment.Role.CUT || role == Moment.Role.TAP || role == Moment.Role.GRACE;
    }

    /** Button, direction and finger. */
    private String laneOf(int at) {
        return its.get(at).sounding().orElseThrow().melody().lane();
    }

    private String keyOf(int at) {
        return laneOf(at).split("/", -1)[0];
    }

    private void least(String what, Fraction length, Fraction least) {
        if (length.isLessThan(least)) {
            faults.add(what + " of " + length.toDouble() + " ms where " + least.toDouble() + " are needed");
        }
    }
}
