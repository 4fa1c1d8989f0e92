/** What went wrong with a user's text: a value with a place, an excerpt and what to do. Uses nothing. */
package wildflourish.core.problem;
