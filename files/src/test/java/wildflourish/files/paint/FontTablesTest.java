package wildflourish.files.paint;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The core's font tables say what the fonts say. */
class FontTablesTest {
    @Test
    void theGlyphTableIsWhatTheMusicFontHas() throws IOException {
        assertThat(FontTables.committed("music-glyphs.table")).isEqualTo(FontTables.glyphTable());
    }

    @Test
    void theWidthTableIsWhatTheTextFontsHave() throws IOException {
        assertThat(FontTables.committed("text-widths.table")).isEqualTo(FontTables.widthTable());
    }

    /** Source: SMuFL 1.4, tables “Noteheads”, “Clefs”, “Standard accidentals (12-EDO)”, “Time signatures” (from memory). */
    @ParameterizedTest
    @CsvSource({"gClef, E050", "noteheadBlack, E0A4", "accidentalSharp, E262", "timeSig4, E084", "flag8thUp, E240"})
    void codePointsAreThoseOfSmufl(String glyph, String code) {
        assertThat(FontTables.codeOf(glyph)).isEqualTo(code);
    }

    /** The font's own metadata lists optional glyphs with code points; all others follow SMuFL and must be drawn by the font. */
    @Test
    void everyGlyphHasABoxInTheFontsMetadata() throws IOException {
        try (var in = FontTablesTest.class.getResourceAsStream("/fonts/bravura-metadata.json")) {
            JsonNode boxes = new ObjectMapper().readTree(in).get("glyphBBoxes");
            assertThat(FontTables.GLYPHS)
                    .allSatisfy(glyph -> assertThat(boxes.has(glyph)).isTrue());
        }
    }
}
