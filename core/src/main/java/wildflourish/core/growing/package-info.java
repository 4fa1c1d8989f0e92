/**
 * Plans the stages of a stair as the best way through the notes of a tune: what is planned is a sum of points, and the best plan and the price of every other choice are
 * found exactly. Uses arranging and all it uses.
 */
package wildflourish.core.growing;
