package wildflourish.core.line;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Metre;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Form;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Layer;

/** Which notes of a tune matter least: those that are left out where only so many of a bar are to be begun. What leaving one out costs is told in points. */
final class WhatStays {
    private static final Fraction QUAVER = Fraction.of(1, 8);
    private static final Fraction CROTCHET = Fraction.of(1, 4);
    private static final Fraction MINIM = Fraction.of(1, 2);

    private static final int FIRST_OF_PHRASE = 30;
    private static final int LAST_OF_PHRASE = 20;
    private static final int TOP_OF_PHRASE = 6;
    private static final int BEAT = 14;
    private static final int HALF_BEAT = 7;
    private static final int THIRD_OF_BEAT = 5;
    private static final int PASSING = 1;
    private static final int NEIGHBOUR = 2;
    private static final int REPEATED = 3;
    private static final int STEP = 4;
    private static final int SKIP = 6;
    private static final int EACH_QUAVER = 6;

    private final Tune tune;
    private final List<Note> notes;

    private WhatStays(Tune tune) {
        this.tune = tune;
        this.notes = tune.notes();
    }

    /**
     * Notes of a passage that are left out, each held by the one before it.
     *
     * @param most so many notes are begun in a bar at most; what begins a bar or comes after silence always is
     */
    static Set<NoteId> leftOut(Tune tune, Layer layer, int most) {
        WhatStays stays = new WhatStays(tune);
        Set<NoteId> leftOut = new HashSet<>();
        for (Bar bar : tune.bars()) {
            List<Note> begun = bar.notes().stream()
                    .filter(note -> !note.isRest() && !stays.isTied(note))
                    .toList();
            List<Note> spared = new ArrayList<>(begun.stream()
                    .filter(note -> layer.covers(tune, note.id()) && stays.isHeldOver(note))
                    .toList());
            spared.sort(Comparator.comparingInt(stays::cost)
                    .thenComparingInt(stays::ofBeat)
                    .thenComparing(stays::isStrong)
                    .thenComparing(Comparator.comparing(
                                    (Note note) -> tune.placeOf(note.id()).order())
                            .reversed()));
            spared.stream().limit(Math.max(0, begun.size() - most)).forEach(note -> leftOut.add(note.id()));
        }
        return leftOut;
    }

    private Optional<Note> at(int order) {
        return order < 0 || order >= notes.size() || notes.get(order).isRest()
                ? Optional.empty()
                : Optional.of(notes.get(order));
    }

    private int order(Note note) {
        return tune.placeOf(note.id()).order();
    }

    private boolean isTied(Note note) {
        return at(order(note) - 1)
                .filter(before -> before.marks().joins().tied())
                .isPresent();
    }

    /** Whether there is a note in its bar to hold it. */
    private boolean isHeldOver(Note note) {
        return at(order(note) - 1)
                .filter(before -> tune.placeOf(before.id()).bar()
                        == tune.placeOf(note.id()).bar())
                .isPresent();
    }

    /** What is lost without a note. */
    private int cost(Note note) {
        double quavers = note.played().dividedBy(QUAVER).toDouble();
        return ofPhrase(note) + ofBeat(note) + ofLine(note) + (int) Math.round(EACH_QUAVER * quavers);
    }

    /** What comes after the last beat of a phrase leads on to the next one and counts no more than others. */
    private int ofPhrase(Note note) {
        Form.Stretch stretch = tune.form().stretchAt(tune.placeOf(note.id()).bar());
        List<Note> its = tune.bars().subList(stretch.firstBar(), stretch.lastBar() + 1).stream()
                .flatMap(bar -> bar.notes().stream())
                .filter(each -> !each.isRest())
                .toList();
        int cost = note.id().equals(its.get(0).id()) ? FIRST_OF_PHRASE : 0;
        Optional<Note> last = its.stream().filter(each -> ofBeat(each) == BEAT).reduce((one, later) -> later);
        cost += last.filter(note::equals).isPresent() ? LAST_OF_PHRASE : 0;
        Note top = its.stream()
                .reduce((one, later) -> later.melody().midi() > one.melody().midi() ? later : one)
                .orElseThrow();
        return cost + (note.id().equals(top.id()) ? TOP_OF_PHRASE : 0);
    }

    private Fraction offset(Note note) {
        return tune.placeOf(note.id()).offset();
    }

    private Metre metre(Note note) {
        return tune.metreAt(tune.placeOf(note.id()).bar());
    }

    private int ofBeat(Note note) {
        boolean isCompound = metre(note).isCompound();
        Fraction beat = isCompound ? metre(note).countLength() : CROTCHET;
        Fraction within = offset(note).modulo(beat);
        if (within.isZero()) {
            return BEAT;
        }
        if (isCompound) {
            return within.equals(beat.times(2).dividedBy(3)) ? THIRD_OF_BEAT : 0;
        }
        return within.equals(beat.dividedBy(2)) ? HALF_BEAT : 0;
    }

    /** Of beats that cost as much, whether it is one on which the foot comes down. */
    private boolean isStrong(Note note) {
        return offset(note).modulo(MINIM).isZero();
    }

    private int ofLine(Note note) {
        Optional<Integer> in = at(order(note) - 1).map(before -> steps(before, note));
        Optional<Integer> out = at(order(note) + 1).map(after -> steps(note, after));
        if (in.isEmpty()) {
            return SKIP;
        }
        if (in.get() == 0) {
            return REPEATED;
        }
        if (Math.abs(in.get()) > 1) {
            return SKIP;
        }
        return out.filter(in.get()::equals).isPresent()
                ? PASSING
                : out.filter(steps -> steps == -in.get()).isPresent() ? NEIGHBOUR : STEP;
    }

    private static int steps(Note from, Note to) {
        return to.melody().staffStep() - from.melody().staffStep();
    }
}
