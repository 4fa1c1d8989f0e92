/** Menus within the window: what opens them, their lines, and the panel that shows them. */
package wildflourish.desktop.menu;
