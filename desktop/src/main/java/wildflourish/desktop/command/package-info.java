/** The command line, and the way into the window. Uses all others. */
package wildflourish.desktop.command;
