/** The main view: score, growth stem, what fits here. Uses desk and look. */
package wildflourish.desktop.bench;
