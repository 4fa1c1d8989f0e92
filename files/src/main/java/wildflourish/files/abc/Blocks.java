package wildflourish.files.abc;

import java.util.HashMap;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The blocks of text or drawing in a text, from {@code %%begintext} to {@code %%endtext} and their like: kept, and no music. */
final class Blocks {
    private static final Pattern BEGIN = Pattern.compile("%%begin([a-z]{1,12})\\b");

    private final String text;
    /** By kind, where its next end stands from some offset on; past the text where there is none. */
    private final Map<String, Integer> ends = new HashMap<>();

    Blocks(String text) {
        this.text = text;
    }

    /** Where the block ends that begins with the line at an offset: right after its last line; the offset itself where none begins, or none ends. */
    int endOf(int lineStart) {
        if (!text.startsWith("%%begin", lineStart)) {
            return lineStart;
        }
        Matcher begin = BEGIN.matcher(text).region(lineStart, Math.min(text.length(), lineStart + 24));
        if (!begin.lookingAt()) {
            return lineStart;
        }
        int end = nextEnd(begin.group(1), lineStart);
        if (end > text.length()) {
            return lineStart;
        }
        int lineEnd = text.indexOf('\n', end + 1);
        return lineEnd < 0 ? text.length() : lineEnd + 1;
    }

    private int nextEnd(String kind, int from) {
        int known = ends.getOrDefault(kind, -1);
        if (known < from) {
            int found = text.indexOf("\n%%end" + kind, from);
            known = found < 0 ? text.length() + 1 : found;
            ends.put(kind, known);
        }
        return known;
    }
}
