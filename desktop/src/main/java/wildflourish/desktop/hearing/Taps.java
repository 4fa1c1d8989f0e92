package wildflourish.desktop.hearing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Taps of someone who taps along with knocked beats: how much later than the device says the sound reaches them. */
public final class Taps {
    /** So many are enough. */
    public static final int ENOUGH = 8;

    /** The first ones only find the beat. */
    private static final int FINDING = 2;
    /** A hand that is earlier than the sound hears nothing early: it is a little before the beat by habit. */
    private static final double EARLIEST_PART = 0.25;

    private final double beatMillis;
    private final List<Double> late = new ArrayList<>();

    /** With how long a beat lasts, in milliseconds. */
    public Taps(double beatMillis) {
        this.beatMillis = beatMillis;
    }

    /** A tap so many milliseconds after the beats began. */
    public void tap(double sinceBeganMillis) {
        double within = sinceBeganMillis % beatMillis;
        late.add(within > beatMillis * (1 - EARLIEST_PART) ? within - beatMillis : within);
    }

    public int count() {
        return late.size();
    }

    /** How much later, in whole milliseconds, by the middle one of the taps; none before there are enough, never less than 0. */
    public Optional<Integer> latencyMillis() {
        if (late.size() < ENOUGH) {
            return Optional.empty();
        }
        List<Double> sorted = late.stream().skip(FINDING).sorted().toList();
        double middle = (sorted.get((sorted.size() - 1) / 2) + sorted.get(sorted.size() / 2)) / 2;
        return Optional.of((int) Math.max(0, Math.round(middle)));
    }
}
