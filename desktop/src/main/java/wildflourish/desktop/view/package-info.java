/** What music is looked at in: score, chart, a spot in milliseconds. They show what they are given and know no desk. Uses look. */
package wildflourish.desktop.view;
