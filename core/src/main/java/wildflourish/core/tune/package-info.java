/** The plain melody: notes that keep their identity, bars, form and the order they are played in. Uses music and table. */
package wildflourish.core.tune;
