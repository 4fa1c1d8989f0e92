/** A stair of one instrument carried over to another: what is kept, what stands in for what, what is left out and why. Uses placing and all it uses. */
package wildflourish.core.carrying;
