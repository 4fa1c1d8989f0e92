package wildflourish.core.engraving;

import java.util.EnumMap;
import java.util.Map;

/** A colour for every ink, as {@code 0xRRGGBB}, and the paper's own. */
public record Palette(Map<Ink, Integer> inks, int paper) {
    public static final Palette PRINT =
            of(0xFFFFFF, 0x000000, 0x4A4A4A, 0x000000, 0x4A4A4A, 0x1E5A2E, 0x6A2F86, 0x8A4500, 0xA01818);
    public static final Palette LIGHT =
            of(0xFBF6EA, 0x2A2420, 0x8C8172, 0x2A2420, 0x6B6154, 0x2C6B3A, 0x7A3E96, 0x8F4A06, 0xB02A20);
    public static final Palette DARK =
            of(0x24211E, 0xF1E9DA, 0x8A8072, 0xF1E9DA, 0xB5AA99, 0x8CCB8F, 0xD0A2E4, 0xE8AE6A, 0xFF9084);

    public Palette {
        inks = Map.copyOf(inks);
    }

    private static Palette of(int paper, int notes, int staff, int words, int quiet, int... families) {
        Map<Ink, Integer> inks = new EnumMap<>(Ink.class);
        inks.put(Ink.NOTES, notes);
        inks.put(Ink.STAFF, staff);
        inks.put(Ink.WORDS, words);
        inks.put(Ink.FINGERING, notes);
        inks.put(Ink.QUIET, quiet);
        inks.put(Ink.SINGLE, families[0]);
        inks.put(Ink.ROLL, families[1]);
        inks.put(Ink.CRAN, families[2]);
        inks.put(Ink.WARNING, families[3]);
        inks.put(Ink.NEW, washed(paper, families[0]));
        inks.put(Ink.CHANGED, washed(paper, families[1]));
        return new Palette(inks, paper);
    }

    /** A fifth of a colour on the paper. */
    private static int washed(int paper, int colour) {
        int mixed = 0;
        for (int shift = 0; shift <= 16; shift += 8) {
            int of = (paper >> shift) & 0xFF;
            int with = (colour >> shift) & 0xFF;
            mixed |= ((of * 4 + with) / 5) << shift;
        }
        return mixed;
    }

    public int of(Ink ink) {
        Integer colour = inks.get(ink);
        if (colour == null) {
            throw new IllegalStateException("the palette has no colour for " + ink);
        }
        return colour;
    }
}
