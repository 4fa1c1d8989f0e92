package wildflourish.desktop.desk;

import wildflourish.core.music.Fraction;
import wildflourish.core.performance.Reeds;

/**
 * What is to be heard, and how.
 *
 * @param stretch what to play
 * @param isLooped whether it goes round
 * @param speed of the tempo; 1 for the tempo itself
 * @param isRelaxed at the tempo of relaxed practice, not at the stage's own
 * @param isCountedIn whether beats are knocked first
 * @param hasDrones whether the drones of pipes sound
 * @param reeds how the reeds of a box beat
 * @param rounds how often a first ending comes when a part is drilled
 * @param latencyMillis how much later than the device says sound reaches the ear
 * @param isPlaying whether it is playing now
 */
public record Playback(
        Stretch stretch,
        boolean isLooped,
        Fraction speed,
        boolean isRelaxed,
        boolean isCountedIn,
        boolean hasDrones,
        Reeds reeds,
        int rounds,
        int latencyMillis,
        boolean isPlaying) {
    /** As it is before anything is chosen. */
    public static final Playback USUAL =
            new Playback(Stretch.HERE, false, Fraction.ONE, false, true, true, Reeds.DRY, 3, 0, false);

    /** What to play. */
    public enum Stretch {
        HERE,
        PHRASE,
        PART,
        TUNE
    }

    public Playback withStretch(Stretch other, boolean looped) {
        return new Playback(
                other, looped, speed, isRelaxed, isCountedIn, hasDrones, reeds, rounds, latencyMillis, isPlaying);
    }

    public Playback withSpeed(Fraction other) {
        return new Playback(
                stretch, isLooped, other, isRelaxed, isCountedIn, hasDrones, reeds, rounds, latencyMillis, isPlaying);
    }

    public Playback withRelaxed(boolean relaxed) {
        return new Playback(
                stretch, isLooped, speed, relaxed, isCountedIn, hasDrones, reeds, rounds, latencyMillis, isPlaying);
    }

    public Playback withCountIn(boolean counted) {
        return new Playback(
                stretch, isLooped, speed, isRelaxed, counted, hasDrones, reeds, rounds, latencyMillis, isPlaying);
    }

    public Playback withDrones(boolean drones) {
        return new Playback(
                stretch, isLooped, speed, isRelaxed, isCountedIn, drones, reeds, rounds, latencyMillis, isPlaying);
    }

    public Playback withReeds(Reeds other) {
        return new Playback(
                stretch, isLooped, speed, isRelaxed, isCountedIn, hasDrones, other, rounds, latencyMillis, isPlaying);
    }

    public Playback withRounds(int count) {
        return new Playback(
                stretch, isLooped, speed, isRelaxed, isCountedIn, hasDrones, reeds, count, latencyMillis, isPlaying);
    }

    public Playback withLatency(int millis) {
        return new Playback(
                stretch, isLooped, speed, isRelaxed, isCountedIn, hasDrones, reeds, rounds, millis, isPlaying);
    }

    public Playback playing(boolean now) {
        return new Playback(
                stretch, isLooped, speed, isRelaxed, isCountedIn, hasDrones, reeds, rounds, latencyMillis, now);
    }
}
