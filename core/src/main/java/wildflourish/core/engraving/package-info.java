/** A tune or version laid out as a display list of glyphs, lines, curves and text. Uses performance and words. */
package wildflourish.core.engraving;
