package wildflourish.desktop.look;

import wildflourish.core.engraving.Palette;

/** Light or dark: the palette of the score and the style class of the window. */
public enum Theme {
    LIGHT(Palette.LIGHT, "light"),
    DARK(Palette.DARK, "dark");

    private final Palette palette;
    private final String styleClass;

    Theme(Palette palette, String styleClass) {
        this.palette = palette;
        this.styleClass = styleClass;
    }

    public Palette palette() {
        return palette;
    }

    public String styleClass() {
        return styleClass;
    }

    public Theme other() {
        return this == LIGHT ? DARK : LIGHT;
    }
}
