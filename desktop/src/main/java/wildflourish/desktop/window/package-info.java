/** The window that holds the views, with its keys. Uses bench, closeup and desk. */
package wildflourish.desktop.window;
