/** Tune and version as one line: tones in playing order with exact times, after the layers have done their work. Uses version and all it uses. */
package wildflourish.core.line;
