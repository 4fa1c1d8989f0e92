package wildflourish.core.hand;

/**
 * What an ornament costs the hand over the whole tune more than its plain notes, the air left aside.
 *
 * @param more in turns of the bellows in smooth playing; below 0 where it makes things easier, infinite where the hand cannot come to it or go on from it
 * @param turns how many times more the bellows turn
 * @param isWalked whether it is of notes that the hand goes through as through notes of the tune
 * @param isReachable whether the hand gets to it and on from it at any speed
 */
public record Price(double more, int turns, boolean isWalked, boolean isReachable) {
    /** Whether there is a way at the speed asked for. */
    public boolean isPlayable() {
        return more < Double.POSITIVE_INFINITY;
    }
}
