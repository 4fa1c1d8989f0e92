package wildflourish.files;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Begin;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Times;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.Moment.Role;
import wildflourish.core.performance.Realisation;

/**
 * Looks at the moments of one ornament on bowed strings alone and says what in them a player could not do or a listener not hear; it knows nothing of figures,
 * shares and limits. The motor times are those of instructors (common practice, M).
 */
final class BowMomentChecker {
    private static final Fraction WHOLE_WAVE = Fraction.of(400);
    /** G3 D4 A4 E5 (MIDI). */
    private static final List<Integer> USUAL_STRINGS = List.of(55, 62, 69, 76);

    /** The intervals between strings in semitones: so far apart on neighbours is what one finger stops. */
    private static final List<Integer> PLANTED = List.of(5, 7);

    private final Times times;
    /** Sounding pitches (MIDI). */
    private final List<Integer> openStrings;

    private final List<Moment> its;
    private final Fraction end;
    private final List<String> faults = new ArrayList<>();

    private BowMomentChecker(Times times, List<Integer> openStrings, List<Moment> its, Fraction end) {
        this.times = times;
        this.openStrings = openStrings;
        this.its = its;
        this.end = end;
    }

    /** What is wrong in the only ornament of a realisation; an ornament that is not played at all is a fault. */
    static List<String> faults(Realisation realisation, Profile profile) {
        return faults(realisation, profile, USUAL_STRINGS);
    }

    /** The same on strings tuned otherwise (MIDI). */
    static List<String> faults(Realisation realisation, Profile profile, List<Integer> openStrings) {
        if (realisation.figures().isEmpty()) {
            return List.of("nothing of the ornament is played");
        }
        Realisation.Figured figured = realisation.figures().get(0);
        Fraction lead = figured.made().leadMillis();
        Fraction end = figured.startMillis().plus(realisation.tempo().millisOf(figured.lengthWholeNotes()));
        List<Moment> its = realisation.moments().stream()
                .filter(moment -> moment.cue().playedBar() == figured.playedBar()
                        && !moment.startMillis()
                                .isLessThan(figured.startMillis().minus(lead))
                        && moment.startMillis().isLessThan(end))
                .toList();
        BowMomentChecker checker = new BowMomentChecker(profile.times(), openStrings, its, end);
        checker.lender(realisation, figured, lead);
        checker.run();
        return checker.faults;
    }

    private void lender(Realisation realisation, Realisation.Figured figured, Fraction lead) {
        int first = realisation.moments().indexOf(its.get(0));
        if (lead.isPositive() && first > 0) {
            Moment before = realisation.moments().get(first - 1);
            least("the note before", before.lengthMillis(), lead.max(times.floor()));
            least("what is borrowed", figured.startMillis().minus(its.get(0).startMillis()), lead);
        }
    }

    private void run() {
        List<Integer> starts = new ArrayList<>();
        for (int i = 0; i < its.size(); i++) {
            length(i);
            boolean goesOn = begin(i).equals(Optional.of(Begin.HELD)) && isLevel(i);
            boolean isAfterLanding = i == 0 || !isSmall(i - 1);
            if (isAfterLanding && (i == 0 || !goesOn)) {
                starts.add(i);
            }
        }
        for (int k = 0; k + 1 < starts.size(); k++) {
            way(starts.get(k), starts.get(k + 1));
        }
        long strokes = starts.stream().filter(i -> isNewBow(begin(i))).count();
        int last = starts.get(starts.size() - 1);
        if (strokes > 1 && isNewBow(begin(last))) {
            least("the last stroke", end.minus(its.get(last).startMillis()), times.of("bow stroke"));
        }
        boolean isPulse = its.stream()
                        .anyMatch(moment -> moment.sounding()
                                .map(each -> each.begin() == Begin.NUDGE)
                                .orElse(false))
                && its.stream()
                                .map(moment -> moment.sounding()
                                        .map(each -> each.melody().written()))
                                .distinct()
                                .count()
                        == 1;
        if (isPulse) {
            least("pulse", end.minus(its.get(0).startMillis()), WHOLE_WAVE);
        }
    }

    private Optional<Begin> begin(int at) {
        return its.get(at).sounding().map(Moment.Sounding::begin);
    }

    private static boolean isNewBow(Optional<Begin> begin) {
        return begin.map(Begin::isNewBow).orElse(false);
    }

    private boolean isLevel(int at) {
        return its.get(at)
                .sounding()
                .map(each -> each.melody().glide().isLevel())
                .orElse(true);
    }

    private boolean isSmall(int at) {
        Role role = its.get(at).cue().role();
        return role == Role.CUT || role == Role.TAP || role == Role.GRACE;
    }

    private void length(int at) {
        Moment moment = its.get(at);
        Fraction length = moment.lengthMillis();
        if (moment.cue().role() == Role.REST) {
            least("stop of the bow", length, times.of("bow stop"));
        } else if (isSmall(at)) {
            boolean isHammered = at + 1 < its.size() && begin(at + 1).equals(Optional.of(Begin.HAMMER));
            boolean isOneOfMany = isOfFall(at);
            String name = !isLevel(at) ? "string slide" : isHammered ? "hammer" : isOneOfMany ? "falling note" : "cut";
            least("small note", length, times.of(name));
        } else if (isWave(at)) {
            least("wave", length, WHOLE_WAVE);
        } else if (!isLevel(at)) {
            boolean isLast = at == its.size() - 1;
            least("slide", length, isLast ? times.of("string slide").max(times.floor()) : times.of("string slide"));
        } else if (areTwoStopped(moment)) {
            least("double stop", length, times.of("double stop").plus(times.floor()));
        } else {
            least("note", length, times.floor());
        }
    }

    /** Whether two fingers stop two strings: neither sounds the pitch of an open one. */
    private boolean areTwoStopped(Moment moment) {
        List<Integer> pitches = moment.sounding().stream()
                .flatMap(each -> each.voices().stream())
                .map(voice -> voice.pitch().midi())
                .toList();
        return pitches.size() == 2
                && pitches.stream().noneMatch(openStrings::contains)
                && !PLANTED.contains(Math.abs(pitches.get(0) - pitches.get(1)));
    }

    /** Rocked, or swelling. */
    private boolean isWave(int at) {
        return its.get(at)
                .sounding()
                .map(each -> each.melody().glide().waveCents() > 0 || each.begin() == Begin.SWELL)
                .orElse(false);
    }

    /** Small notes that come down one after the other into their note. */
    private boolean isOfFall(int at) {
        boolean isAfter = at > 0 && isSmall(at - 1) && pitch(at - 1) > pitch(at);
        boolean isBefore = at + 1 < its.size() && isSmall(at + 1) && pitch(at) > pitch(at + 1);
        return its.get(at).cue().role() == Role.GRACE && (isAfter || isBefore) && pitch(its.size() - 1) < pitch(at);
    }

    private int pitch(int at) {
        return its.get(at).sounding().orElseThrow().melody().pitch().midi();
    }

    /** From one movement to the next. */
    private void way(int from, int to) {
        Fraction between = its.get(to).startMillis().minus(its.get(from).startMillis());
        if (its.get(from).cue().role() == Role.REST || its.get(to).cue().role() == Role.REST) {
            return;
        }
        Begin next = begin(to).orElseThrow();
        if (next.isNewBow()) {
            least("stroke", between, times.of("bow stroke"));
        } else if (next == Begin.NUDGE) {
            least("nudge", between, times.of("nudge"));
        } else if (next == Begin.HAMMER || next == Begin.PULL || next == Begin.SAME_BOW) {
            least("finger", between, times.of("hammer"));
        } else if (isSmall(from) && isSmall(to)) {
            boolean isSame = pitch(from) == pitch(to);
            boolean areCuts = its.get(from).cue().role() == its.get(to).cue().role();
            if (areCuts) {
                least("brush", between, times.of(isSame ? "same finger again" : "other finger next"));
            }
        }
    }

    private void least(String what, Fraction length, Fraction least) {
        if (length.isLessThan(least)) {
            faults.add(what + " of " + length.toDouble() + " ms where " + least.toDouble() + " are needed");
        }
    }
}
