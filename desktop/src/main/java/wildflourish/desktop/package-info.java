/**
 * The JavaFX application, sound output and the command line; nothing here computes music.
 *
 * <pre>
 * play      sound: the engine and its devices; no interface code
 * look      fonts, palettes, the theme, small pictures and choices
 * view      what music is looked at in: score, chart, close-up; they know no desk
 * desk      the one state of a window, and the verbs that say what they come to
 * action    everything one can do: the table, the registry, menus, buttons and keys made from it
 * hearing   what is chosen, heard: between desk and play
 * room      what a room is, and what it is given
 * bench, lookover, chart, fit    the rooms; none knows another
 * window    the window that holds the rooms, its bars, files and preferences
 * command   the command line
 * </pre>
 */
package wildflourish.desktop;
