/** The plain tune and its instrument: the chart, the look-over with best fit. Uses desk and look. */
package wildflourish.desktop.plain;
