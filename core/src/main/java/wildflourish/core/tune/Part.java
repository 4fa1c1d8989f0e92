package wildflourish.core.tune;

/**
 * A part of a tune: what is played round before the next begins.
 *
 * @param name the tune's own name for it, or A, B, C …
 * @param firstBar its first bar as written, from 0, a pickup included
 * @param lastBar its last bar, endings included
 */
public record Part(String name, int firstBar, int lastBar) {
    public boolean has(int bar) {
        return firstBar <= bar && bar <= lastBar;
    }
}
