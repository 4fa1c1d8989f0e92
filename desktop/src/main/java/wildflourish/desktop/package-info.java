/**
 * The JavaFX application, sound output and the command line; nothing here computes music.
 *
 * <pre>
 * play      sound: the player's clock and the loudspeaker, or a silent stand-in
 * desk      what is open, chosen and done: the state all views look at, with the verbs that change it
 * look      fonts, palettes and small pictures shared by the views
 * bench     the main view: score, growth stem, what fits here
 * closeup   a spot in milliseconds
 * window    the window that holds the views, with menus and keys
 * command   the command line
 * </pre>
 */
package wildflourish.desktop;
