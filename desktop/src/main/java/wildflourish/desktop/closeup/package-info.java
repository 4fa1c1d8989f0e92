/** A spot in milliseconds: pitch line and lanes. Uses desk and look. */
package wildflourish.desktop.closeup;
