/**
 * Ornaments as data: what they do with a span, in one grammar for every instrument; what may refuse them and what speaks for them, by name; the times they
 * need. Nothing here knows how a hand makes them. Uses music, table and instrument.
 */
package wildflourish.core.ornament;
