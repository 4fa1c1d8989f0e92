package wildflourish.files.paint;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.Base64;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TTFSubsetter;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import wildflourish.core.engraving.Face;

/** The few characters of a font that a page uses, as a font of their own. A font is read once for each thread, a set of characters taken out of it once. */
final class FontSubsets {
    private static final ThreadLocal<Map<Face, TrueTypeFont>> READ =
            ThreadLocal.withInitial(() -> new EnumMap<>(Face.class));
    private static final Map<Key, String> TAKEN = new ConcurrentHashMap<>();
    private static final int MOST_TAKEN = 2000;
    /** Beyond those that any font has: how letters are shaped in scripts that a page does not have takes most of the room. */
    private static final List<String> NO_MORE_TABLES = List.of("cvt ", "fpgm", "prep");

    private FontSubsets() {}

    private record Key(Face face, Set<Integer> codes) {}

    /** In base 64, as it travels inside a file. */
    static String of(Face face, Set<Integer> codes) throws IOException {
        Key key = new Key(face, Set.copyOf(codes));
        String known = TAKEN.get(key);
        if (known != null) {
            return known;
        }
        TTFSubsetter subsetter = new TTFSubsetter(font(face), NO_MORE_TABLES);
        codes.forEach(subsetter::add);
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        subsetter.writeToStream(bytes);
        String taken = Base64.getEncoder().encodeToString(bytes.toByteArray());
        if (TAKEN.size() < MOST_TAKEN) {
            TAKEN.put(key, taken);
        }
        return taken;
    }

    private static TrueTypeFont font(Face face) throws IOException {
        TrueTypeFont font = READ.get().get(face);
        if (font == null) {
            try (InputStream in = Fonts.open(face)) {
                font = new TTFParser().parse(new RandomAccessReadBuffer(in.readAllBytes()));
            }
            READ.get().put(face, font);
        }
        return font;
    }
}
