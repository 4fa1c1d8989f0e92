/** Turns reasons, refusals, gestures, remarks and numbers into sentences; nothing else holds prose. Uses performance and all it uses. */
package wildflourish.core.words;
