package wildflourish.desktop.look;

import javafx.scene.text.Text;

/** Words broken into lines of a fixed width. They are laid out once, where a label that wraps is measured anew whenever something near it moves. */
public final class Paragraph extends Text {
    /** With the width in pixels, and what the style sheet knows it as. */
    public Paragraph(double width, String... styleClasses) {
        setWrappingWidth(width);
        getStyleClass().add("paragraph");
        getStyleClass().addAll(styleClasses);
    }

    public Paragraph(String words, double width, String... styleClasses) {
        this(width, styleClasses);
        setText(words);
    }
}
