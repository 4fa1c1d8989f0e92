package wildflourish.files.abc;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads the fields of a tune from {@code X:} to {@code K:} as they stand, with where each one stands. */
final class HeaderReader {
    static final Pattern FIELD = Pattern.compile("([A-Za-z+]):(.*)");
    private static final Pattern USER_SYMBOL = Pattern.compile("\\s*([h-wH-W~])\\s*=\\s*[!+]([^!+]+)[!+]\\s*");

    private final Source source;
    private final Map<Character, String> defaults;
    private final Map<Character, String> fields = new HashMap<>();
    private final Map<Character, Integer> offsets = new HashMap<>();
    private final Map<Character, String> userSymbols = new HashMap<>();
    private final List<String> titles = new ArrayList<>();
    private final List<String> words = new ArrayList<>();
    private final VoiceChoice voices = new VoiceChoice();
    private int number;
    private int bodyStart;

    private HeaderReader(Source source, Map<Character, String> defaults) {
        this.source = source;
        this.defaults = defaults;
    }

    /** Defaults are fields of the book's heading by letter. */
    static HeaderReader read(Source source, Map<Character, String> defaults) {
        HeaderReader header = new HeaderReader(source, defaults);
        header.read();
        return header;
    }

    private void read() {
        char last = ' ';
        Blocks blocks = new Blocks(source.text());
        int blockEnd = 0;
        boolean goesOn = false;
        for (int start : source.lineStarts()) {
            if (start < blockEnd) {
                continue;
            }
            blockEnd = blocks.endOf(start);
            String line = source.text().substring(start, source.lineEnd(start));
            if (line.startsWith(VoiceChoice.DIRECTIVE + " ")) {
                voices.choose(line.substring(VoiceChoice.DIRECTIVE.length()).strip());
            }
            if (line.startsWith("%") || line.isBlank()) {
                continue;
            }
            String bare = withoutComment(line);
            Matcher field = FIELD.matcher(bare);
            boolean isBroken = goesOn && !field.matches();
            goesOn = bare.endsWith("\\");
            if (isBroken) {
                continued(last, cut(bare));
                continue;
            }
            if (!field.matches()) {
                source.warn(
                        "no-key",
                        start,
                        "the music begins without a K: line, so it is read without a key",
                        "Add a line such as K:D above the music.");
                bodyStart = start;
                return;
            }
            char name = field.group(1).charAt(0);
            last = field(name, cut(field.group(2)), last, start);
            if (name == 'K') {
                int next = source.text().indexOf('\n', start);
                bodyStart = next < 0 ? source.text().length() : next + 1;
                return;
            }
        }
        bodyStart = source.text().length();
        source.warn("no-key", 0, "this tune has no K: line", "Add a line such as K:D above the music.");
    }

    /** The words of a line without the sign that they go on in the next, as older books break fields. */
    private static String cut(String words) {
        return (words.endsWith("\\") ? words.substring(0, words.length() - 1) : words).trim();
    }

    private char field(char name, String value, char last, int offset) {
        switch (name) {
            case 'X' -> number = tuneNumber(value, offset);
            case 'T' -> titles.add(value);
            case 'W' -> words.add(value);
            case 'U' -> userSymbol(value);
            case 'V' -> voices.declare(value);
            case '+' -> continued(last, value);
            default -> {
                fields.putIfAbsent(name, value);
                offsets.putIfAbsent(name, offset);
            }
        }
        return name == '+' ? last : name;
    }

    private void continued(char last, String value) {
        if (last == 'T' && !titles.isEmpty()) {
            titles.set(titles.size() - 1, titles.get(titles.size() - 1) + " " + value);
        } else if (last == 'W' && !words.isEmpty()) {
            words.set(words.size() - 1, words.get(words.size() - 1) + " " + value);
        } else {
            fields.merge(last, value, (before, more) -> before + " " + more);
        }
    }

    private int tuneNumber(String value, int offset) {
        boolean isNumber = value.matches("\\d{1,9}");
        if (!isNumber) {
            source.warn(
                    "strange-number",
                    offset,
                    "the tune's number “" + value + "” is no whole number of up to nine digits",
                    "Write X: and a number.");
        }
        return isNumber ? Integer.parseInt(value) : 0;
    }

    /** {@code U:} gives a letter the meaning of a decoration. */
    void userSymbol(String value) {
        Matcher match = USER_SYMBOL.matcher(value);
        if (match.matches()) {
            userSymbols.put(match.group(1).charAt(0), match.group(2));
        }
    }

    /** A field's words; those of the book's heading where the tune has none. */
    Optional<String> value(char name) {
        String value = fields.get(name);
        if (value == null) {
            value = defaults.get(name);
        }
        return Optional.ofNullable(value).map(String::trim).filter(stated -> !stated.isEmpty());
    }

    /** Where a field stands; the tune's beginning where it stands in the book's heading. */
    int offsetOf(char name) {
        return offsets.getOrDefault(name, 0);
    }

    int number() {
        return number;
    }

    /** The first is the tune's name; titles within the music are added to it. */
    List<String> titles() {
        return titles;
    }

    /** Verses below the tune; the music's own lines of them are added. */
    List<String> words() {
        return words;
    }

    Map<Character, String> userSymbols() {
        return userSymbols;
    }

    VoiceChoice voices() {
        return voices;
    }

    /** Offset of the first line of music. */
    int bodyStart() {
        return bodyStart;
    }

    /** A line up to its comment; {@code \%} is no comment. */
    static String withoutComment(String line) {
        for (int i = line.indexOf('%'); i >= 0; i = line.indexOf('%', i + 1)) {
            if (i == 0 || line.charAt(i - 1) != '\\') {
                return line.substring(0, i).stripTrailing();
            }
        }
        return line.stripTrailing();
    }
}
