package wildflourish.files.paint;

import java.io.IOException;
import java.io.InputStream;
import wildflourish.core.engraving.Face;

/** The text fonts that ship with the application, by face. */
public final class Fonts {
    private Fonts() {}

    /** The font file of a face, to be closed by the caller. */
    public static InputStream open(Face face) throws IOException {
        InputStream in = Fonts.class.getResourceAsStream("/wildflourish/files/fonts/" + face.fontName() + ".ttf");
        if (in == null) {
            throw new IOException("the font " + face.fontName() + " does not ship with the application");
        }
        return in;
    }
}
