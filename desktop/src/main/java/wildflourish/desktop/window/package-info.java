/** The window that holds the rooms: its bars, files, preferences. Uses all but the command line. */
package wildflourish.desktop.window;
