package wildflourish.files;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Begin;
import wildflourish.core.ornament.Profile;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.Moment.Role;
import wildflourish.core.performance.Realisation;

/**
 * Looks at the moments of one ornament on plucked strings alone and says what in them a player could not do or a listener not hear; it knows nothing of figures, shares and limits.
 * Motor times in milliseconds for a fluent player are those of instructors (common practice, M).
 */
final class PluckMomentChecker {
    private static final Fraction FLOOR = Fraction.of(62);
    private static final Fraction STROKE = Fraction.of(60);
    private static final Fraction NEIGHBOUR = Fraction.of(75);
    private static final Fraction TWO_STRINGS = Fraction.of(70);
    private static final Fraction LEFT_HAND = Fraction.of(50);
    private static final Fraction ON_AND_OFF = Fraction.of(60);
    private static final Fraction BEND = Fraction.of(120);
    private static final Fraction NAIL_AGAIN = Fraction.of(140);
    private static final Fraction INDEX_AGAIN = Fraction.of(120);
    private static final Fraction TREMOLO = Fraction.of(400);
    private static final Fraction TREMOLO_STROKE = Fraction.of(77);
    private static final List<Integer> SLIDES = List.of(0, 60, 80, 110, 140);

    private final Fraction factor;
    /** What the written note of the ornament sounds (MIDI). */
    private final int note;

    private final List<Moment> its;
    private final Fraction start;
    private final Fraction end;
    private final List<String> faults = new ArrayList<>();

    private PluckMomentChecker(Fraction factor, int note, List<Moment> its, Fraction start, Fraction end) {
        this.factor = factor;
        this.note = note;
        this.its = its;
        this.start = start;
        this.end = end;
    }

    /** What is wrong in the only ornament of a realisation, on a note that sounds a pitch (MIDI); an ornament that is not played at all is a fault. */
    static List<String> faults(Realisation realisation, Profile profile, int note) {
        if (realisation.figures().isEmpty()) {
            return List.of("nothing of the ornament is played");
        }
        Realisation.Figured figured = realisation.figures().get(0);
        Fraction end = figured.startMillis().plus(realisation.tempo().millisOf(figured.lengthWholeNotes()));
        List<Moment> its = realisation.moments().stream()
                .filter(moment -> !moment.startMillis().isLessThan(figured.startMillis())
                        && moment.startMillis().isLessThan(end))
                .toList();
        PluckMomentChecker checker = new PluckMomentChecker(profile.factor(), note, its, figured.startMillis(), end);
        checker.run();
        checker.lender(realisation, figured);
        return checker.faults;
    }

    /** What is taken from the note before leaves it as much, and time to be heard; what is taken has its own time. */
    private void lender(Realisation realisation, Realisation.Figured figured) {
        List<Moment> taken = realisation.moments().stream()
                .filter(moment -> moment.startMillis().isLessThan(figured.startMillis())
                        && !moment.startMillis()
                                .isLessThan(figured.startMillis()
                                        .minus(figured.made().leadMillis())))
                .toList();
        int first = taken.isEmpty() ? 0 : realisation.moments().indexOf(taken.get(0));
        if (!figured.made().borrows() || first == 0) {
            return;
        }
        for (Moment moment : taken) {
            boolean glides = moment.sounding()
                    .filter(each -> !each.melody().glide().isLevel())
                    .isPresent();
            least("small note before", moment.lengthMillis(), motor(glides ? Fraction.of(SLIDES.get(1)) : LEFT_HAND));
        }
        Moment before = realisation.moments().get(first - 1);
        least(
                "the note before",
                before.lengthMillis(),
                figured.made().leadMillis().max(FLOOR));
    }

    private void least(String what, Fraction length, Fraction least) {
        if (length.isLessThan(least)) {
            faults.add(what + " takes " + least.toDouble() + " ms, there are " + length.toDouble());
        }
    }

    private Fraction motor(Fraction fluent) {
        return fluent.times(factor);
    }

    private void run() {
        for (int i = 0; i < its.size(); i++) {
            check(i);
        }
        boolean thenThumb = its.stream()
                .skip(1)
                .anyMatch(moment ->
                        moment.sounding().filter(each -> each.by().equals("T")).isPresent());
        String first = its.get(0).sounding().map(Moment.Sounding::by).orElse("");
        if (thenThumb && first.equals("N")) {
            least("the nail again", end.minus(start), motor(NAIL_AGAIN));
        }
        if (thenThumb && first.equals("I")) {
            least("the index again", end.minus(start), motor(INDEX_AGAIN));
        }
        if (isTremolo()) {
            least("tremolo", end.minus(start), TREMOLO);
        }
    }

    private Optional<Begin> begin(int at) {
        return at < 0 || at >= its.size()
                ? Optional.empty()
                : its.get(at).sounding().map(Moment.Sounding::begin);
    }

    private boolean isStroke(int at) {
        return begin(at).filter(Begin::isNewBow).isPresent();
    }

    /** Equal strokes on one pitch, more than four to a crotchet's length would need. */
    private boolean isTremolo() {
        boolean areEqual = its.size() >= 4
                && its.stream()
                        .allMatch(moment ->
                                moment.lengthMillis().equals(its.get(0).lengthMillis()));
        boolean isLong = !end.minus(start).isLessThan(Fraction.of(300));
        return areEqual
                && isLong
                && its.stream()
                        .allMatch(moment -> moment.sounding()
                                .filter(each -> each.begin() == Begin.STROKE
                                        && each.pitch()
                                                .equals(its.get(0)
                                                        .sounding()
                                                        .orElseThrow()
                                                        .pitch()))
                                .isPresent());
    }

    private void check(int at) {
        Moment moment = its.get(at);
        Fraction length = moment.lengthMillis();
        if (moment.sounding().isEmpty()) {
            return;
        }
        Moment.Sounding sounding = moment.sounding().get();
        boolean glides = !sounding.melody().glide().isLevel();
        if (glides) {
            int cents = (int) Math.abs(Math.round(sounding.melody().glide().centsAt(0, 1)));
            boolean isBend = moment.cue().role() == Role.MELODY && isBent(at, cents);
            Fraction way = isBend ? BEND : Fraction.of(SLIDES.get(Math.min(4, Math.max(1, cents / 100))));
            least("glide", length, motor(way));
            return;
        }
        switch (moment.cue().role()) {
            case GRACE -> least("small note", length, motor(LEFT_HAND));
            case SPREAD -> least("string", length, motor(Fraction.of(isBrush(at) ? 20 : 25)));
            default -> note(at, sounding, length);
        }
    }

    /** A glide of a semitone away from the written note or back to it. */
    private boolean isBent(int at, int cents) {
        int written = its.get(at)
                .sounding()
                .orElseThrow()
                .melody()
                .written()
                .orElseThrow()
                .midi();
        boolean isAway = its.stream()
                .flatMap(moment -> moment.sounding().stream())
                .map(each -> each.melody().written().orElseThrow().midi())
                .anyMatch(midi -> midi != written);
        boolean isFromBelow =
                its.get(at).sounding().orElseThrow().melody().glide().centsAt(0, 1) < 0;
        boolean isSharpened = its.get(at).sounding().orElseThrow().pitch().midi() != note;
        return cents == 100 && (isAway || (isFromBelow && isSharpened));
    }

    private boolean isBrush(int at) {
        return its.get(at).sounding().filter(each -> each.by().equals("N")).isPresent();
    }

    private void note(int at, Moment.Sounding sounding, Fraction length) {
        boolean isAfterSmall = at > 0
                && (its.get(at - 1).cue().role() == Role.GRACE
                        || its.get(at - 1).cue().role() == Role.SPREAD
                        || !its.get(at - 1)
                                .sounding()
                                .map(each -> each.melody().glide().isLevel())
                                .orElse(true));
        if (isAfterSmall) {
            least("note", length, FLOOR);
        } else if (sounding.begin() == Begin.SLIDE) {
            int frets = Math.abs(pitch(at) - pitch(at - 1));
            least(
                    "slide",
                    length,
                    motor(Fraction.of(SLIDES.get(Math.min(4, frets)))).plus(FLOOR));
        } else if (sounding.begin() == Begin.HAMMER || sounding.begin() == Begin.PULL) {
            boolean isBoth = its.stream()
                            .anyMatch(each -> each.sounding()
                                    .filter(one -> one.begin() == Begin.HAMMER)
                                    .isPresent())
                    && its.stream()
                            .anyMatch(each -> each.sounding()
                                    .filter(one -> one.begin() == Begin.PULL)
                                    .isPresent());
            least("left hand", length, motor(isBoth ? ON_AND_OFF : LEFT_HAND).max(FLOOR));
        } else if (isStroke(at)) {
            stroke(at, sounding, length);
        } else {
            least("note", length, FLOOR);
        }
    }

    private void stroke(int at, Moment.Sounding sounding, Fraction length) {
        boolean isInBurst = isStroke(at - 1) || isStroke(at + 1);
        if (!isInBurst) {
            least("stroke", length, FLOOR);
            return;
        }
        boolean isBanjo = !sounding.by().isEmpty();
        boolean changes = isInBurst && !isBanjo && (isOther(at, at - 1) || isOther(at, at + 1));
        Fraction own = isTremolo()
                ? TREMOLO_STROKE.max(motor(STROKE))
                : motor(sounding.voices().size() > 1 && isInBurst ? TWO_STRINGS : changes ? NEIGHBOUR : STROKE);
        least("stroke", length, own.max(FLOOR));
    }

    private boolean isOther(int at, int other) {
        return isStroke(other)
                && !its.get(at)
                        .sounding()
                        .orElseThrow()
                        .melody()
                        .lane()
                        .equals(its.get(other).sounding().orElseThrow().melody().lane());
    }

    private int pitch(int at) {
        return its.get(at).sounding().orElseThrow().pitch().midi();
    }
}
