package wildflourish.core.tune;

import wildflourish.core.music.Fraction;

/**
 * Where a note stands.
 *
 * @param order its number in the tune as written, from 0
 * @param bar the bar's number in the tune as written, from 0
 * @param offset whole notes from where the bar counts from; a pickup bar counts as the end of a full one, so two pickup quavers in 4/4
 *     stand at 3/4 and 7/8
 */
public record NotePlace(int order, int bar, Fraction offset) {}
