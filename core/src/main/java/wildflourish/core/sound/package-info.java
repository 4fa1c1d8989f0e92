/** The sounding line of a realisation as samples, with continuous phase. Uses performance. */
package wildflourish.core.sound;
