/** Where ornaments are placed: score, stages, what fits, close-up and text. A room; uses room. */
package wildflourish.desktop.bench;
