/** Every note of an instrument. A room; uses room. */
package wildflourish.desktop.chart;
