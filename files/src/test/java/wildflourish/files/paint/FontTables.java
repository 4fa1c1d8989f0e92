package wildflourish.files.paint;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.awt.geom.GeneralPath;
import java.awt.geom.PathIterator;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.apache.fontbox.ttf.OTFParser;
import org.apache.fontbox.ttf.OpenTypeFont;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;

/**
 * Makes the core's two font tables from the fonts: outlines and boxes of the music glyphs we draw, and the widths of our text faces. Run
 * {@code main} with the core's resource folder after changing a font or the list of glyphs; a test holds the tables against the fonts.
 */
final class FontTables {
    static final List<String> GLYPHS = List.of(
            "gClef",
            "noteheadBlack",
            "noteheadHalf",
            "noteheadWhole",
            "augmentationDot",
            "accidentalSharp",
            "accidentalFlat",
            "accidentalNatural",
            "accidentalDoubleSharp",
            "accidentalDoubleFlat",
            "accidentalQuarterToneFlatStein",
            "accidentalThreeQuarterTonesFlatZimmermann",
            "accidentalQuarterToneSharpStein",
            "accidentalThreeQuarterTonesSharpStein",
            "flag8thUp",
            "flag8thDown",
            "flag16thUp",
            "flag16thDown",
            "flag32ndUp",
            "flag32ndDown",
            "restWhole",
            "restHalf",
            "restQuarter",
            "rest8th",
            "rest16th",
            "rest32nd",
            "timeSig0",
            "timeSig1",
            "timeSig2",
            "timeSig3",
            "timeSig4",
            "timeSig5",
            "timeSig6",
            "timeSig7",
            "timeSig8",
            "timeSig9",
            "timeSigCommon",
            "timeSigCutCommon",
            "timeSigPlus",
            "tuplet0",
            "tuplet1",
            "tuplet2",
            "tuplet3",
            "tuplet4",
            "tuplet5",
            "tuplet6",
            "tuplet7",
            "tuplet8",
            "tuplet9",
            "repeatDot",
            "articStaccatoAbove",
            "articAccentAbove",
            "articTenutoAbove",
            "breathMarkComma",
            "fermataAbove",
            "ornamentTrill",
            "ornamentTurn",
            "ornamentMordent",
            "ornamentShortTrill",
            "segno",
            "coda",
            "stringsUpBow",
            "stringsDownBow",
            "metNoteQuarterUp",
            "metNoteHalfUp",
            "metNote8thUp",
            "metAugmentationDot");
    static final List<String> FACES = List.of(
            "DejaVuSansCondensed",
            "DejaVuSansCondensed-Bold",
            "DejaVuSansCondensed-Oblique",
            "DejaVuSerifCondensed-Bold");
    private static final int[][] CHARACTERS = {
        {0x20, 0x7e},
        {0xa0, 0x17f},
        {0x2010, 0x2027},
        {0x2030, 0x2044},
        {0x2190, 0x2193},
        {0x2605, 0x2606},
        {0x266d, 0x266f},
        {0x25cf, 0x25cf},
        {0x25cb, 0x25cb},
        {0x2713, 0x2717}
    };

    private FontTables() {}

    public static void main(String[] arguments) throws IOException {
        Path folder = Path.of(arguments[0]);
        Files.writeString(folder.resolve("music-glyphs.table"), glyphTable());
        Files.writeString(folder.resolve("text-widths.table"), widthTable());
    }

    static String glyphTable() throws IOException {
        StringBuilder table = new StringBuilder("""
                # Music glyphs: SMuFL name, code point, box in staff spaces (left, bottom, right, top; y upward from the glyph's origin),
                # advance in staff spaces, stem anchors where the font gives them (up: right end, down: left end), and the outline in
                # thousandths of an em (four staff spaces), y upward: M move, L line, Q and C curves, Z close.
                # Made from the font Bravura 1.392 (SIL Open Font License 1.1, see Bravura-OFL.txt) by FontTables; do not edit by hand.
                name | code | box | advance | stem up | stem down | outline
                """);
        JsonNode metadata = new ObjectMapper().readTree(bytes("/fonts/bravura-metadata.json"));
        OpenTypeFont font = new OTFParser().parse(new RandomAccessReadBuffer(bytes("/fonts/bravura.otf")));
        for (String glyph : GLYPHS) {
            String code = codeOf(glyph);
            JsonNode box = metadata.at("/glyphBBoxes/" + glyph);
            JsonNode anchors = metadata.at("/glyphsWithAnchors/" + glyph);
            table.append(String.join(
                            " | ",
                            glyph,
                            code,
                            pair(box.get("bBoxSW")) + " " + pair(box.get("bBoxNE")),
                            metadata.at("/glyphAdvanceWidths/" + glyph).asText(),
                            pair(anchors.get("stemUpSE")),
                            pair(anchors.get("stemDownNW")),
                            outline(font.getPath("uni" + code))))
                    .append('\n');
        }
        font.close();
        return table.toString();
    }

    private static String pair(JsonNode pair) {
        return pair == null ? "–" : pair.get(0).asText() + " " + pair.get(1).asText();
    }

    /** Code points of the SMuFL 1.4 specification for the glyphs we draw, from memory and held against the font by a test. */
    static String codeOf(String glyph) {
        if (glyph.matches("timeSig\\d")) {
            return hex(0xE080 + glyph.charAt(7) - '0');
        }
        if (glyph.matches("tuplet\\d")) {
            return hex(0xE880 + glyph.charAt(6) - '0');
        }
        return hex(
                switch (glyph) {
                    case "gClef" -> 0xE050;
                    case "noteheadWhole" -> 0xE0A2;
                    case "noteheadHalf" -> 0xE0A3;
                    case "noteheadBlack" -> 0xE0A4;
                    case "augmentationDot" -> 0xE1E7;
                    case "accidentalFlat" -> 0xE260;
                    case "accidentalNatural" -> 0xE261;
                    case "accidentalSharp" -> 0xE262;
                    case "accidentalDoubleSharp" -> 0xE263;
                    case "accidentalDoubleFlat" -> 0xE264;
                    case "accidentalQuarterToneFlatStein" -> 0xE280;
                    case "accidentalThreeQuarterTonesFlatZimmermann" -> 0xE281;
                    case "accidentalQuarterToneSharpStein" -> 0xE282;
                    case "accidentalThreeQuarterTonesSharpStein" -> 0xE283;
                    case "flag8thUp" -> 0xE240;
                    case "flag8thDown" -> 0xE241;
                    case "flag16thUp" -> 0xE242;
                    case "flag16thDown" -> 0xE243;
                    case "flag32ndUp" -> 0xE244;
                    case "flag32ndDown" -> 0xE245;
                    case "restWhole" -> 0xE4E3;
                    case "restHalf" -> 0xE4E4;
                    case "restQuarter" -> 0xE4E5;
                    case "rest8th" -> 0xE4E6;
                    case "rest16th" -> 0xE4E7;
                    case "rest32nd" -> 0xE4E8;
                    case "timeSigCommon" -> 0xE08A;
                    case "timeSigCutCommon" -> 0xE08B;
                    case "timeSigPlus" -> 0xE08C;
                    case "repeatDot" -> 0xE044;
                    case "segno" -> 0xE047;
                    case "coda" -> 0xE048;
                    case "articAccentAbove" -> 0xE4A0;
                    case "articStaccatoAbove" -> 0xE4A2;
                    case "articTenutoAbove" -> 0xE4A4;
                    case "fermataAbove" -> 0xE4C0;
                    case "breathMarkComma" -> 0xE4CE;
                    case "ornamentTrill" -> 0xE566;
                    case "ornamentTurn" -> 0xE567;
                    case "ornamentShortTrill" -> 0xE56C;
                    case "ornamentMordent" -> 0xE56D;
                    case "stringsDownBow" -> 0xE610;
                    case "stringsUpBow" -> 0xE612;
                    case "metNoteHalfUp" -> 0xECA3;
                    case "metNoteQuarterUp" -> 0xECA5;
                    case "metNote8thUp" -> 0xECA7;
                    case "metAugmentationDot" -> 0xECB7;
                    default -> throw new IllegalArgumentException(glyph);
                });
    }

    private static String hex(int code) {
        return String.format(Locale.ROOT, "%04X", code);
    }

    private static String outline(GeneralPath path) {
        StringBuilder text = new StringBuilder();
        double[] points = new double[6];
        for (PathIterator each = path.getPathIterator(null); !each.isDone(); each.next()) {
            int kind = each.currentSegment(points);
            text.append("MLQCZ".charAt(kind));
            int count = switch (kind) {
                case PathIterator.SEG_QUADTO -> 4;
                case PathIterator.SEG_CUBICTO -> 6;
                case PathIterator.SEG_CLOSE -> 0;
                default -> 2;
            };
            for (int i = 0; i < count; i++) {
                text.append(i == 0 ? "" : " ").append(Math.round(points[i]));
            }
        }
        return text.toString();
    }

    static String widthTable() throws IOException {
        StringBuilder table = new StringBuilder("""
                # Widths of the text faces in thousandths of an em: the face, the first character's code, and the widths from it on.
                # Made from the fonts by FontTables; do not edit by hand.
                face | first | widths
                """);
        for (String face : FACES) {
            TrueTypeFont font = new TTFParser()
                    .parse(new RandomAccessReadBuffer(bytes("/wildflourish/files/fonts/" + face + ".ttf")));
            var cmap = font.getUnicodeCmapLookup();
            for (int[] block : CHARACTERS) {
                List<String> widths = new ArrayList<>();
                for (int code = block[0]; code <= block[1]; code++) {
                    int units = font.getAdvanceWidth(cmap.getGlyphId(code));
                    widths.add(String.valueOf(Math.round(units * 1000.0 / font.getUnitsPerEm())));
                }
                table.append(face + " | " + hex(block[0]) + " | " + String.join(" ", widths) + "\n");
            }
            font.close();
        }
        return table.toString();
    }

    private static byte[] bytes(String resource) throws IOException {
        try (var in = FontTables.class.getResourceAsStream(resource)) {
            return in.readAllBytes();
        }
    }

    static String committed(String name) throws IOException {
        return new String(bytes("/wildflourish/core/" + name), StandardCharsets.UTF_8);
    }
}
