package wildflourish.files.abc;

import java.util.EnumSet;
import java.util.List;
import java.util.Random;
import java.util.Set;

/** Tunebooks from a seed that use, over a few dozen books, everything that is read. */
public final class BookGenerator {
    /** What a book may use. */
    enum Feature {
        SEVERAL_TUNES,
        FIELD_C,
        FIELD_S,
        FIELD_R,
        FIELD_Q,
        FIELD_N,
        FIELD_P,
        WORDS_BELOW,
        WORDS_UNDER_NOTES,
        MODE,
        EXPLICIT_ACCIDENTALS,
        PIPE_KEY,
        CHORD,
        CHORD_SYMBOL,
        BROKEN_RHYTHM,
        TUPLET,
        FULL_TUPLET,
        GRACES,
        TIE,
        SLUR,
        LONG_DECORATION,
        SHORT_DECORATION,
        OLD_DECORATION,
        INLINE_FIELD,
        REPEAT,
        ENDING,
        PICKUP,
        CONTINUATION,
        COMMENT,
        FURTHER_VOICE,
        DIRECTIVE,
        TEXT_BETWEEN,
        WINDOWS_LINE_ENDS,
        REST,
        ACCIDENTAL
    }

    private final Random random;
    private final Set<Feature> used = EnumSet.noneOf(Feature.class);
    private String lineEnd = "\n";

    public BookGenerator(long seed) {
        this.random = new Random(seed * 0x9E3779B97F4A7C15L);
    }

    Set<Feature> used() {
        return used;
    }

    private boolean uses(Feature feature, int oneIn) {
        if (random.nextInt(oneIn) != 0) {
            return false;
        }
        used.add(feature);
        return true;
    }

    private String any(String... choices) {
        return choices[random.nextInt(choices.length)];
    }

    public String book() {
        lineEnd = uses(Feature.WINDOWS_LINE_ENDS, 4) ? "\r\n" : "\n";
        StringBuilder text = new StringBuilder("%abc-2.1\n% an invented book\n");
        int tunes = uses(Feature.SEVERAL_TUNES, 2) ? 2 + random.nextInt(3) : 1;
        for (int i = 1; i <= tunes; i++) {
            text.append('\n').append(tune(i));
            if (uses(Feature.TEXT_BETWEEN, 3)) {
                text.append("\nA remark between tunes: it stays.\n%%sep 1cm\n");
            }
        }
        return text.toString().replace("\n", lineEnd);
    }

    private String tune(int number) {
        boolean isJig = random.nextBoolean();
        StringBuilder text = new StringBuilder("X:" + number * 3 + "\nT:Invention No " + number + "\n");
        text.append(uses(Feature.FIELD_C, 3) ? "C:nobody\n" : "")
                .append(uses(Feature.FIELD_S, 3) ? "S:a made-up kitchen\n" : "")
                .append(uses(Feature.FIELD_R, 2) ? "R:" + (isJig ? "jig" : "reel") + "\n" : "")
                .append("M:" + (isJig ? "6/8" : any("4/4", "C", "C|")) + "\nL:1/8\n")
                .append(uses(Feature.FIELD_Q, 3) ? "Q:" + (isJig ? "3/8=110" : "1/2=96") + "\n" : "")
                .append(uses(Feature.FIELD_N, 3) ? "N:lean on the second part\n" : "")
                .append(uses(Feature.DIRECTIVE, 3) ? "%%scale 0.7\nI:unknown 12\nZ:nobody's hand\n" : "")
                .append(uses(Feature.FIELD_P, 4) ? "P:AB\n" : "")
                .append("K:" + key() + "\n");
        text.append(body(isJig ? 6 : 8));
        text.append(uses(Feature.WORDS_BELOW, 4) ? "W:la la, the invented verse\n" : "");
        if (uses(Feature.FURTHER_VOICE, 5)) {
            text.append("V:2\nC8|D8|\n");
        }
        return text.toString();
    }

    private String key() {
        if (uses(Feature.MODE, 3)) {
            return any("Edor", "Amix", "B minor", "Gmaj", "Dmixolydian");
        }
        if (uses(Feature.EXPLICIT_ACCIDENTALS, 5)) {
            return any("D =c", "Amix ^g", "G exp ^f ^c");
        }
        return uses(Feature.PIPE_KEY, 8) ? any("HP", "Hp") : any("D", "G", "A", "C", "F");
    }

    private String body(int quavers) {
        StringBuilder text = new StringBuilder(uses(Feature.PICKUP, 3) ? "dB" : "");
        boolean isRepeated = uses(Feature.REPEAT, 2);
        text.append(isRepeated ? "|:" : text.isEmpty() ? "" : "|");
        for (int line = 0; line < 2; line++) {
            for (int bar = 0; bar < 3; bar++) {
                text.append(bar(quavers)).append('|');
            }
            text.append(lineEnding());
            if (uses(Feature.WORDS_UNDER_NOTES, 4)) {
                text.append("w:one two-three | four~five * six_\n");
            }
        }
        if (isRepeated && uses(Feature.ENDING, 2)) {
            text.append("[1 " + bar(quavers) + ":|[2 " + bar(quavers) + "|]\n");
        } else {
            text.append(bar(quavers)).append(isRepeated ? ":|" : "|]").append('\n');
        }
        return text.toString();
    }

    private String lineEnding() {
        if (uses(Feature.CONTINUATION, 5)) {
            return "\\\n";
        }
        return uses(Feature.COMMENT, 5) ? " % breathe here\n" : "\n";
    }

    private String bar(int quavers) {
        StringBuilder text = new StringBuilder(uses(Feature.INLINE_FIELD, 14) ? any("[K:G]", "[P:B]", "[r:note]") : "");
        int left = quavers;
        while (left > 0) {
            int length = Math.min(left, 1 + random.nextInt(3));
            text.append(random.nextInt(3) == 0 ? " " : "").append(group(length));
            left -= length;
        }
        return text.toString();
    }

    /** Something that takes that many quavers. */
    private String group(int length) {
        if (length == 2 && uses(Feature.TUPLET, 6)) {
            return "(3" + pitch() + pitch() + pitch();
        }
        if (length == 2 && uses(Feature.FULL_TUPLET, 12)) {
            return "(3:2:2" + pitch() + "2" + pitch();
        }
        if (length == 2 && uses(Feature.BROKEN_RHYTHM, 6)) {
            return pitch() + any(">", "<", ">>") + pitch();
        }
        if (length == 2 && uses(Feature.SLUR, 8)) {
            return "(" + pitch() + pitch() + ")";
        }
        if (length > 1 && uses(Feature.TIE, 14)) {
            String pitch = pitch();
            return pitch + (length - 1 == 1 ? "" : length - 1) + "-" + pitch;
        }
        if (uses(Feature.REST, 16)) {
            return "z" + (length == 1 ? "" : length);
        }
        String before = (uses(Feature.CHORD_SYMBOL, 10) ? any("\"Em\"", "\"^soft\"", "\"D7\"") : "")
                + (uses(Feature.SHORT_DECORATION, 14) ? any("~", ".", "T") : "")
                + (uses(Feature.LONG_DECORATION, 16) ? "!trill!" : "")
                + (uses(Feature.OLD_DECORATION, 20) ? "+fermata+" : "")
                + (uses(Feature.GRACES, 12) ? any("{a}", "{/g}", "{gef}") : "");
        String note = uses(Feature.CHORD, 16) ? "[DA]" : pitch();
        return before + note + (length == 1 ? "" : length);
    }

    private String pitch() {
        String sign = uses(Feature.ACCIDENTAL, 18) ? any("^", "_", "=") : "";
        return sign
                + List.of("D", "E", "F", "G", "A", "B", "c", "d", "e", "f", "g", "a", "b")
                        .get(random.nextInt(13));
    }
}
