package wildflourish.files.abc;

import java.util.Random;

/** Tunes from a seed in the notation of ABC 2.1 as people write it who are not us: voices, staves, orders of parts, changes within the music. */
final class ForeignGenerator {
    private final Random random;

    ForeignGenerator(long seed) {
        this.random = new Random(seed * 0x9E3779B97F4A7C15L);
    }

    private boolean one(int in) {
        return random.nextInt(in) == 0;
    }

    private String any(String... choices) {
        return choices[random.nextInt(choices.length)];
    }

    String tune() {
        int quavers = any("4/4", "6/8", "3/4").equals("4/4") ? 8 : 6;
        boolean isVoiced = one(4);
        boolean isOrdered = !isVoiced && one(4);
        String staff = !isVoiced && one(3)
                ? any(" treble-8", " clef=treble+8", " octave=-1", " octave=1", " bass", " alto")
                : "";
        StringBuilder text = new StringBuilder("X:1\nT:Invented\n")
                .append("M:")
                .append(quavers == 8 ? any("4/4", "C", "C|", "(3+3+2)/8") : any("6/8", "3/4"))
                .append("\nL:1/8\n")
                .append(isOrdered ? "P:" + any("AB", "AAB", "ABA", "A2B2", "(AB)2", "A(BA)2") + "\n" : "")
                .append(isVoiced ? "V:T\nV:B\n" : "")
                .append("K:")
                .append(any("D", "G", "Am", "Edor", "Amix", "Bb", "F#m", "Dphr", "C", "D exp ^f_b", "G ^c"))
                .append(staff)
                .append('\n');
        if (isVoiced) {
            text.append(voiced(quavers));
        } else if (isOrdered) {
            text.append("P:A\n").append(part(quavers)).append("P:B\n").append(part(quavers));
        } else {
            text.append(part(quavers)).append(part(quavers));
        }
        // The outside reader keeps the octave of a clef when another clef without one follows.
        return staff.contains("8") ? text.toString().replace(" bass]", "]") : text.toString();
    }

    private String voiced(int quavers) {
        if (one(2)) {
            return "[V:T]" + bar(quavers) + "|" + bar(quavers) + "|\n[V:B]" + bar(quavers) + "|" + bar(quavers)
                    + "|\n[V:T]" + bar(quavers) + "|[V:B]" + bar(quavers) + "|\n";
        }
        return "V:T\n" + bar(quavers) + "|" + bar(quavers) + "|\nV:B\n" + bar(quavers) + "|" + bar(quavers) + "|\nV:T\n"
                + bar(quavers) + "|]\nV:B\n" + bar(quavers) + "|]\n";
    }

    private String part(int quavers) {
        boolean isRepeated = one(2);
        StringBuilder text = new StringBuilder(isRepeated ? "|:" : "");
        for (int i = 0; i < 3; i++) {
            text.append(bar(quavers)).append(one(4) ? "|\\\n" : one(3) ? "|\n" : "|");
        }
        if (isRepeated && one(2)) {
            return text + "[1 " + bar(quavers) + ":|[2 " + bar(quavers) + "||\n";
        }
        return text + bar(quavers) + (isRepeated ? ":|\n" : "||\n");
    }

    private String bar(int quavers) {
        StringBuilder text = new StringBuilder(one(12) ? any("[K:G]", "[K:Bb]", "[K:Edor]", "[K:Am bass]") : "");
        int left = quavers;
        while (left > 0) {
            int length = Math.min(left, 1 + random.nextInt(3));
            text.append(one(3) ? " " : "").append(group(length));
            left -= length;
        }
        return text.toString();
    }

    /** Something that takes so many quavers. */
    private String group(int length) {
        String count = length == 1 ? "" : String.valueOf(length);
        if (length == 2 && one(5)) {
            return any(
                    "(3" + pitch() + pitch() + pitch(),
                    "(3:2:2" + pitch() + "2" + pitch(),
                    pitch() + any(">", "<", ">>", "<<") + pitch(),
                    pitch() + "/" + pitch() + "/" + pitch(),
                    pitch() + "3/2" + pitch() + "/");
        }
        if (length == 3 && one(5)) {
            return "(2" + pitch() + pitch();
        }
        if (length > 1 && one(8)) {
            String pitch = pitch();
            return pitch + (length == 2 ? "" : "2") + "-" + pitch.replaceAll("^[_^=]+", "");
        }
        if (one(12)) {
            return any("z", "x") + count;
        }
        if (one(9)) {
            return any("[DA]", "[G,Dg]", "[F!accent!A]", "[.c.e]") + count;
        }
        return any("", "", "", "\"Em\"", "\"^up\"", "!accent!", ".", "(").replace("(", "") + pitch() + count;
    }

    private String pitch() {
        return any("", "", "", "", "", "^", "_", "=", "^^", "__")
                + any("C", "D", "E", "F", "G", "A", "B", "c", "d", "e", "f", "g", "a", "b", "G,", "A,", "c'", "d'");
    }
}
