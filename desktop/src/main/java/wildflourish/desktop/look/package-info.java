/** Fonts, palettes, the theme, small pictures and choices, shared by all that is seen. */
package wildflourish.desktop.look;
