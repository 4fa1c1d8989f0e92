/**
 * The JavaFX application, sound output and the command line; nothing here computes music.
 *
 * <pre>
 * play      sound: the player's clock and the loudspeaker, or a silent stand-in
 * desk      what is open, chosen and done: the state all views look at, with the verbs that change it
 * look      fonts, palettes, small pictures and the frames in which things grow, shared by the views
 * bench     the main view: score, growth stem, what fits here
 * plain     the plain tune and its instrument: chart, look-over, best fit
 * closeup   a spot in milliseconds
 * window    the window that holds the views, with menus and keys
 * command   the command line
 * </pre>
 */
package wildflourish.desktop;
