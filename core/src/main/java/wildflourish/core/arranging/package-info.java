/** Versions made of a tune and of other versions: all that fits, to be thinned; phrases of one put into another; a plan of times through. Uses placing and all it uses. */
package wildflourish.core.arranging;
