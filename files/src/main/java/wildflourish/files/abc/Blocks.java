package wildflourish.files.abc;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Blocks of text or drawing, from {@code %%begintext} to {@code %%endtext} and their like: kept, and no music. */
final class Blocks {
    private static final Pattern BEGIN = Pattern.compile("%%begin([a-z]{1,12})\\b");

    private Blocks() {}

    /** Where the block ends that begins with the line at an offset: right after its last line; the offset itself where none begins, or none ends. */
    static int endOf(String text, int lineStart) {
        if (!text.startsWith("%%begin", lineStart)) {
            return lineStart;
        }
        Matcher begin = BEGIN.matcher(text).region(lineStart, Math.min(text.length(), lineStart + 24));
        if (!begin.lookingAt()) {
            return lineStart;
        }
        String last = "\n%%end" + begin.group(1);
        int end = text.indexOf(last, lineStart);
        if (end < 0) {
            return lineStart;
        }
        int lineEnd = text.indexOf('\n', end + last.length());
        return lineEnd < 0 ? text.length() : lineEnd + 1;
    }
}
