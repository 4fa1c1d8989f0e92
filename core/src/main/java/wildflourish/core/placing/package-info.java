/** Which ornament fits a spot and why, and what a critic says of a version: predicates over the facts of a spot. Uses hand and all it uses. */
package wildflourish.core.placing;
