/**
 * What a hand makes of a figure on its instrument: sounds, movements, the time they need, or the hitch that says why not; and how a figure then lies in its
 * span. One hand for each kind of instrument: holes, bowed strings; the
 * others make nothing yet. Uses line and all it uses.
 */
package wildflourish.core.hand;
