package wildflourish.files.abc;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Key;
import wildflourish.core.music.Metre;
import wildflourish.core.problem.Parsed;
import wildflourish.core.problem.Severity;
import wildflourish.core.tune.Manuscript;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.TuneHeader;
import wildflourish.core.tune.TuneType;

/** Reads one tune, from its {@code X:} line to its last, with the fields that the book's heading gives all tunes. */
final class TuneReader {
    private static final Pattern FIELD = Pattern.compile("([A-Za-z+]):(.*)");
    private static final Pattern USER_SYMBOL = Pattern.compile("\\s*([h-wH-W~])\\s*=\\s*[!+]([^!+]+)[!+]\\s*");
    private static final int NO_BODY = -1;

    private final Source source;
    private final Map<Character, String> defaults;
    private final Map<Character, String> userSymbols = new HashMap<>();
    private final List<String> titles = new ArrayList<>();
    private final List<String> words = new ArrayList<>();
    private final Map<Character, String> header = new HashMap<>();
    private int bodyStart = NO_BODY;
    private int number;
    private Optional<String> voiceRead = Optional.empty();
    private boolean isOtherVoice;
    private boolean hasToldOfVoices;
    private int verse;

    private TuneReader(String text, int firstLine, Map<Character, String> defaults) {
        this.source = new Source(text, firstLine);
        this.defaults = defaults;
    }

    /** {@code firstLine} is the number in the file of the tune's first line; defaults are fields of the book's heading by letter. */
    static Parsed<Tune> read(String text, int firstLine, Map<Character, String> defaults) {
        TuneReader reader = new TuneReader(text, firstLine, defaults);
        Tune tune = reader.readTune();
        return new Parsed<>(tune, reader.source.problems());
    }

    private Tune readTune() {
        readHeader();
        Metre metre = value('M')
                .flatMap(words -> told(Fields.metre(words), 'M', words))
                .orElse(Metre.FREE);
        Fraction unit = value('L')
                .flatMap(words -> told(Fields.unitLength(words), 'L', words))
                .orElseGet(() -> Fields.usualUnitLength(metre));
        Key key =
                value('K').flatMap(words -> told(Fields.key(words), 'K', words)).orElse(Key.none());
        TuneBuilder builder = new TuneBuilder(key, metre, unit);
        readBody(builder);
        TuneHeader.Credits credits = new TuneHeader.Credits(value('C'), value('S'));
        TuneHeader head = new TuneHeader(
                number,
                titles,
                credits,
                TuneType.of(value('R'), metre),
                new TuneHeader.Time(metre, unit),
                key,
                value('Q').flatMap(words -> Fields.tempo(words, unit)),
                words);
        Manuscript manuscript = new Manuscript(source.text(), Math.max(0, bodyStart), builder.stretches());
        Tune tune = new Tune(head, builder.bars(), builder.tuplets(), manuscript);
        if (tune.bars().stream().allMatch(bar -> bar.notes().isEmpty())) {
            source.warn("no-notes", 0, "this tune has no notes", "Write its music below the K: line.");
        }
        return tune;
    }

    private Optional<String> value(char name) {
        String value = header.get(name);
        if (value == null) {
            value = defaults.get(name);
        }
        return Optional.ofNullable(value).map(String::trim).filter(words -> !words.isEmpty());
    }

    private <T> Optional<T> told(Optional<T> read, char name, String words) {
        if (read.isEmpty()) {
            int offset = Math.max(0, source.text().indexOf(name + ":"));
            source.warn("strange-field", offset, "the field " + name + ": cannot be “" + words + "”", hintFor(name));
        }
        return read;
    }

    private static String hintFor(char name) {
        return switch (name) {
            case 'K' -> "Write a key like K:D, K:Edor or K:HP.";
            case 'M' -> "Write a metre like M:6/8 or M:C.";
            case 'L' -> "Write a length like L:1/8.";
            default -> "Mend or remove it.";
        };
    }

    // Header

    private void readHeader() {
        char last = ' ';
        for (int start : source.lineStarts()) {
            String line = source.text().substring(start, source.lineEnd(start));
            Matcher field = FIELD.matcher(withoutComment(line));
            if (line.startsWith("%") || line.isBlank()) {
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
            String value = field.group(2).trim();
            last = headerField(name, value, last, start);
            if (name == 'K') {
                int next = source.text().indexOf('\n', start);
                bodyStart = next < 0 ? source.text().length() : next + 1;
                return;
            }
        }
        bodyStart = source.text().length();
        source.warn("no-key", 0, "this tune has no K: line", "Add a line such as K:D above the music.");
    }

    private char headerField(char name, String value, char last, int offset) {
        switch (name) {
            case 'X' -> number = tuneNumber(value, offset);
            case 'T' -> titles.add(value);
            case 'W' -> words.add(value);
            case 'U' -> userSymbol(value);
            case '+' -> continued(last, value);
            default -> header.putIfAbsent(name, value);
        }
        return name == '+' ? last : name;
    }

    private void continued(char last, String value) {
        if (last == 'T' && !titles.isEmpty()) {
            titles.set(titles.size() - 1, titles.get(titles.size() - 1) + " " + value);
        } else if (last == 'W' && !words.isEmpty()) {
            words.set(words.size() - 1, words.get(words.size() - 1) + " " + value);
        } else {
            header.merge(last, value, (before, more) -> before + " " + more);
        }
    }

    private int tuneNumber(String value, int offset) {
        try {
            return Math.max(0, Integer.parseInt(value));
        } catch (NumberFormatException e) {
            source.warn("strange-number", offset, "the tune's number is not a number", "Write X: and a number.");
            return 0;
        }
    }

    private void userSymbol(String value) {
        Matcher match = USER_SYMBOL.matcher(value);
        if (match.matches()) {
            userSymbols.put(match.group(1).charAt(0), match.group(2));
        }
    }

    // Body

    private void readBody(TuneBuilder builder) {
        value('P').filter(parts -> parts.length() == 1).ifPresent(builder::setPart);
        MusicReader music = new MusicReader(
                source, builder, userSymbols, (name, value, offset) -> bodyField(builder, name, value, offset));
        header.computeIfPresent('V', (name, value) -> {
            voiceRead = Optional.of(voiceName(value));
            return value;
        });
        boolean continues = false;
        for (int start : source.lineStarts()) {
            if (start >= bodyStart && start < source.text().length()) {
                continues = readLine(builder, music, start, continues);
            }
        }
    }

    /** Returns whether the line of music goes on in the next line. */
    private boolean readLine(TuneBuilder builder, MusicReader music, int start, boolean continues) {
        String line = source.text().substring(start, source.lineEnd(start));
        if (line.startsWith("%") || line.isBlank()) {
            return continues;
        }
        String bare = withoutComment(line);
        Matcher field = FIELD.matcher(bare);
        if (field.matches() && !bare.startsWith("|")) {
            bodyField(builder, field.group(1).charAt(0), field.group(2).trim(), start);
            return continues;
        }
        if (!isOtherVoice || bare.startsWith("[V:")) {
            if (!continues) {
                builder.beginLine();
            }
            verse = 0;
            builder.space();
            music.read(start, start + bare.length());
        }
        return bare.endsWith("\\");
    }

    private void bodyField(TuneBuilder builder, char name, String value, int offset) {
        if (name == 'V') {
            changeVoice(value, offset);
            return;
        }
        if (isOtherVoice) {
            return;
        }
        switch (name) {
            case 'K' -> told(Fields.key(value), 'K', value).ifPresent(builder::setKey);
            case 'M' -> told(Fields.metre(value), 'M', value).ifPresent(builder::setMetre);
            case 'L' -> told(Fields.unitLength(value), 'L', value).ifPresent(builder::setUnitLength);
            case 'P' -> builder.setPart(value.trim());
            case 'w' -> Lyrics.set(builder, value, verse++);
            case 'W' -> words.add(value);
            case 'T' -> titles.add(value);
            case 'U' -> userSymbol(value);
            case 'r' -> PhraseText.parse(value).ifPresent(builder::setPhrase);
            default -> {
                // Q, N, R, I and the rest change nothing that is taught here; they stay in the text.
            }
        }
    }

    private void changeVoice(String value, int offset) {
        String name = voiceName(value);
        voiceRead = voiceRead.or(() -> Optional.of(name));
        isOtherVoice = !voiceRead.get().equals(name);
        if (isOtherVoice && !hasToldOfVoices) {
            hasToldOfVoices = true;
            source.problem(
                    Severity.NOTE,
                    "voice-kept",
                    offset,
                    "further voices are kept but not shown",
                    "Nothing to do; they are saved with the book.");
        }
    }

    private static String voiceName(String value) {
        return value.trim().split("\\s+", -1)[0];
    }

    /** A line up to its comment; {@code \%} is no comment. */
    private static String withoutComment(String line) {
        for (int i = line.indexOf('%'); i >= 0; i = line.indexOf('%', i + 1)) {
            if (i == 0 || line.charAt(i - 1) != '\\') {
                return line.substring(0, i).stripTrailing();
            }
        }
        return line.stripTrailing();
    }
}
