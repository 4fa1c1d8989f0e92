package wildflourish.files.abc;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What stands between two notes of a tune's text.
 *
 * @param tail signs that belong to the note before: a tie, the end of a slur
 * @param edges bar lines, fields, remarks, ends of lines
 * @param head signs that belong to the note after: small notes, decorations, words
 */
record Gap(String tail, String edges, String head) {
    private static final Pattern BETWEEN = Pattern.compile(
            "\"[^\"\\n]*\"|![^!\\n]*!|\\{[^}\\n]*\\}|\\(\\d+(?::\\d*)*"
                    + "|(?<edge>\\[[A-Za-z]:[^\\]\\n]*\\]|%[^\\n]*\\n|(?<![^\\n])[A-Za-z+]:[^\\n]*\\n|(?<bar>[|:\\[\\]]+[0-9,\\-.]*)|\\n)");
    /** Fields that change how the notes after them are read. */
    private static final Pattern CHANGE = Pattern.compile("(?m)^[KLMUVms]:|\\[[KLMUVms]:");

    static Gap of(String text) {
        Matcher token = BETWEEN.matcher(text);
        int first = text.length();
        int last = 0;
        while (token.find()) {
            if (token.group("edge") != null) {
                first = Math.min(first, token.start());
                last = token.end();
            }
        }
        if (last == 0) {
            return new Gap("", "", text);
        }
        while (last < text.length() && text.charAt(last) == ' ') {
            last++;
        }
        return new Gap(text.substring(0, first), text.substring(first, last), text.substring(last));
    }

    boolean changesReading() {
        return CHANGE.matcher(edges).find();
    }

    boolean endsLine() {
        return edges.contains("\n");
    }

    /** The edges with one bar line in place of all that stand there; before everything where none does. */
    String edgesWith(String barLine) {
        Matcher token = BETWEEN.matcher(edges);
        StringBuilder text = new StringBuilder();
        int at = 0;
        boolean isPut = false;
        while (token.find()) {
            if (token.group("bar") != null) {
                text.append(edges, at, token.start()).append(isPut ? "" : barLine);
                at = token.end();
                isPut = true;
            }
        }
        text.append(edges.substring(at));
        return isPut ? text.toString() : barLine + text;
    }
}
