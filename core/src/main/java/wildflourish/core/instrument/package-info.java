/** Fingerings, charts and readings of instruments, as data. Uses music and table. */
package wildflourish.core.instrument;
