/** The one state of a window, and verbs that say what they come to. Uses look. */
package wildflourish.desktop.desk;
