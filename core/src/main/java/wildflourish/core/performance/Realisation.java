package wildflourish.core.performance;

import java.util.List;
import java.util.Optional;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.hand.Made;
import wildflourish.core.hand.Voice;
import wildflourish.core.instrument.Family;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.PlayOrder;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;

/**
 * A version worked out: every moment from the first note to the end of the last, repeats played.
 *
 * @param tune that is played, with the bars that the version adds
 * @param family what kind of instrument sounds
 * @param bars the bars in playing order with the time each begins
 * @param moments in time, without gap or overlap
 * @param lines what the hand does on strings or buttons; empty for other instruments
 * @param figures the ornaments that are played, in time
 * @param drones what sounds from the beginning to the end, whatever the melody does
 * @param reeds how the reeds of a two-row box are tuned
 */
public record Realisation(
        Tune tune,
        Family family,
        Tempo tempo,
        List<BarStart> bars,
        List<Moment> moments,
        Optional<HandLines> lines,
        List<Figured> figures,
        List<Voice> drones,
        Reeds reeds) {
    /** A bar played and where it begins, in milliseconds and in whole notes from the beginning of the tune. */
    public record BarStart(PlayOrder.Played played, Fraction startMillis, Fraction startWholeNotes) {}

    /**
     * An ornament as it is played.
     *
     * @param lengthWholeNotes of its span
     * @param startMillis where the span begins; what it borrows comes before
     */
    public record Figured(
            int playedBar, Placement placement, Made made, Fraction lengthWholeNotes, Fraction startMillis) {}

    /** A stretch of time in milliseconds. */
    public record Stretch(Fraction startMillis, Fraction endMillis) {
        public Fraction lengthMillis() {
            return endMillis.minus(startMillis);
        }
    }

    public Realisation {
        bars = List.copyOf(bars);
        moments = List.copyOf(moments);
        figures = List.copyOf(figures);
        drones = List.copyOf(drones);
    }

    /** The same without drones. */
    public Realisation withoutDrones() {
        return drones.isEmpty()
                ? this
                : new Realisation(tune, family, tempo, bars, moments, lines, figures, List.of(), reeds);
    }

    /** The same with the reeds tuned otherwise; other instruments than two-row boxes have none that beat. */
    public Realisation with(Reeds others) {
        return family == Family.TWO_ROW_BOX
                ? new Realisation(tune, family, tempo, bars, moments, lines, figures, drones, others)
                : this;
    }

    /** The ornament that begins on a note in a bar played; empty where none does. */
    public Optional<Figured> figureAt(NoteId note, int playedBar) {
        return figures.stream()
                .filter(each -> each.playedBar() == playedBar
                        && each.placement().span().first().equals(note))
                .findFirst();
    }

    public Fraction endMillis() {
        return moments.isEmpty()
                ? Fraction.ZERO
                : moments.get(moments.size() - 1).endMillis();
    }

    /** The moment in which a time lies; empty before the beginning and from the end on. */
    public Optional<Moment> at(double millis) {
        int low = 0;
        int high = moments.size() - 1;
        while (low <= high) {
            int middle = (low + high) >>> 1;
            Moment moment = moments.get(middle);
            if (millis < moment.startMillis().toDouble()) {
                high = middle - 1;
            } else if (millis >= moment.endMillis().toDouble()) {
                low = middle + 1;
            } else {
                return Optional.of(moment);
            }
        }
        return Optional.empty();
    }

    /** When a written note first sounds in a bar played; empty where it does not sound then. */
    public Optional<Stretch> of(NoteId note, int playedBar) {
        List<Moment> its = moments.stream()
                .filter(moment -> moment.cue().playedBar() == playedBar
                        && moment.cue().note().equals(note))
                .toList();
        return its.isEmpty()
                ? Optional.empty()
                : Optional.of(new Stretch(
                        its.get(0).startMillis(), its.get(its.size() - 1).endMillis()));
    }

    /** The first playing of a written bar; empty when repeats never reach it. */
    public Optional<Integer> firstPlaying(int bar) {
        for (int i = 0; i < bars.size(); i++) {
            if (bars.get(i).played().bar() == bar) {
                return Optional.of(i);
            }
        }
        return Optional.empty();
    }

    /** Moments that lie wholly or partly in a stretch. */
    public List<Moment> within(Stretch stretch) {
        return moments.stream()
                .filter(moment -> moment.startMillis().isLessThan(stretch.endMillis())
                        && stretch.startMillis().isLessThan(moment.endMillis()))
                .toList();
    }
}
