/** Fonts, palettes and small pictures shared by the views. */
package wildflourish.desktop.look;
