/** The shapes of ornaments and the exact time they need. Uses music and table. */
package wildflourish.core.ornament;
