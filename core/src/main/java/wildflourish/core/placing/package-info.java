/** Which ornament fits a spot and why: predicates over the facts of a spot. Uses version and all it uses. */
package wildflourish.core.placing;
