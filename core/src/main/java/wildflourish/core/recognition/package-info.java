/** Ornaments that the text of a tune writes itself, by signs, small notes and chords, as placements of an instrument. Uses placing and all it uses. */
package wildflourish.core.recognition;
