/** Display lists as PDF, SVG and PNG, all from the same list. */
package wildflourish.files.paint;
