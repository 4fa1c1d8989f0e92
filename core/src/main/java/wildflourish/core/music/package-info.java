/** Exact time, the three kinds of pitch, key, metre and tempo. Uses nothing. */
package wildflourish.core.music;
