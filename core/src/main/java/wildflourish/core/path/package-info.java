/** The cheapest way through a row of choices, exactly, and the next cheapest. Uses nothing. */
package wildflourish.core.path;
