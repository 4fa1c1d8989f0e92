package wildflourish.files.abc;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.problem.Severity;
import wildflourish.core.tune.Graces;
import wildflourish.core.tune.Manuscript;

/** Reads lines of ABC music (ABC 2.1 §4) into a {@link TuneBuilder}. What it does not know it reports and steps over. */
final class MusicReader {
    static final Map<Character, String> SHORT_DECORATIONS = Map.ofEntries(
            Map.entry('.', "staccato"),
            Map.entry('~', "roll"),
            Map.entry('H', "fermata"),
            Map.entry('L', "accent"),
            Map.entry('M', "lowermordent"),
            Map.entry('O', "coda"),
            Map.entry('P', "uppermordent"),
            Map.entry('S', "segno"),
            Map.entry('T', "trill"),
            Map.entry('u', "upbow"),
            Map.entry('v', "downbow"));
    private static final Pattern TUPLET = Pattern.compile("\\((\\d{1,2})(?::(\\d{0,2}))?(?::(\\d{0,2}))?");
    private static final Pattern INLINE_FIELD = Pattern.compile("\\[([A-Za-z]):([^\\]\\n]*)\\]");
    static final Pattern DECORATION = Pattern.compile("!([^!\\s|]{1,30})!|\\+([A-Za-z0-9<>().]{1,30})\\+");
    private static final String USUAL_HINT = "Take it out, or write it as ABC 2.1 does; everything around it was read.";

    private final Source source;
    private final TuneBuilder tune;
    private final Map<Character, String> userSymbols;
    private final FieldHandler fields;
    private final String text;
    private int at;
    private int end;
    /** Whether the music here is of the voice that is read. */
    private boolean isOurs;
    /** Bars of a second layer that are still to be stepped over; a layer in brackets goes on until they close. */
    private int overlaidBars;

    private boolean isInOverlayGroup;
    private boolean isOverlaid;
    /** Where the next closing sign of a kind stands from some offset on, so that a line without any is searched once. */
    private final Map<Character, Integer> closings = new HashMap<>();

    /** What happens to a field within the music; answers whether the music after it is of the voice that is read. */
    interface FieldHandler {
        boolean handle(char name, String value, int offset);
    }

    MusicReader(Source source, TuneBuilder tune, Map<Character, String> userSymbols, FieldHandler fields) {
        this.source = source;
        this.tune = tune;
        this.userSymbols = userSymbols;
        this.fields = fields;
        this.text = source.text();
    }

    /** Reads one line of music, from an offset up to an end, comments already cut off; at first it is of the voice that is read, or is not. */
    void read(int from, int to, boolean beginsOurs) {
        at = from;
        end = to;
        isOurs = beginsOurs;
        closings.clear();
        while (at < end) {
            int before = at;
            if (tune.isFull()) {
                tellFull();
                at = end;
            } else if (!isOurs) {
                toNextVoice();
            } else if (isOverlaid || overlaidBars > 0) {
                stepOverLayer(text.charAt(at));
            } else {
                step(text.charAt(at));
            }
            if (at <= before) {
                throw new IllegalStateException("the reader of music stands still at offset " + at);
            }
        }
    }

    private void step(char sign) {
        if (sign == ' ' || sign == '\t' || sign == '`' || sign == '\\' || sign == '\r' || sign == '$') {
            if (sign == ' ' || sign == '\t') {
                tune.space();
            }
            at++;
        } else if (sign == '[') {
            bracket();
        } else if (sign == '|' || sign == ':' || (sign == '.' && next() == '|')) {
            barLine();
        } else if (sign == '(' || (sign == '.' && next() == '(')) {
            open();
        } else if (sign == '{') {
            graces();
        } else if (sign == '"') {
            quoted();
        } else if (sign == '!' || sign == '+') {
            decoration();
        } else {
            rest(sign);
        }
    }

    private void rest(char sign) {
        switch (sign) {
            case ')' -> after(tune.closeSlur(), "a slur ends before any note");
            case '-' -> after(tune.tieLast(), "a tie stands before any note");
            case '>', '<' -> broken(sign);
            case 'y' -> spacer();
            case '&' -> overlay();
            default -> noteOrSymbol(sign);
        }
    }

    /** The next closing sign on the line; its end where there is none. */
    private int closing(char sign) {
        Integer known = closings.get(sign);
        if (known != null && known > at) {
            return known;
        }
        int found = text.indexOf(sign, at + 1);
        int close = found < 0 || found >= end ? end : found;
        closings.put(sign, close);
        return close;
    }

    private void tellFull() {
        source.tellOnce(
                Severity.WARNING,
                "too-long",
                at,
                "a tune is read up to " + TuneBuilder.MOST_NOTES + " notes; what follows is kept but not shown",
                "Cut it into several tunes.");
    }

    private void toNextVoice() {
        int voice = text.indexOf("[V:", at);
        at = voice < 0 || voice >= end ? end : voice;
        if (at < end) {
            bracket();
        }
    }

    private char next() {
        return at + 1 < end ? text.charAt(at + 1) : '\0';
    }

    private void after(boolean isDone, String message) {
        if (!isDone) {
            source.warn("nothing-before", at, message, "Put it after the note it belongs to.");
        }
        at++;
    }

    private void bracket() {
        boolean mayBeField = at + 2 < end && text.charAt(at + 2) == ':' && closing(']') < end;
        Matcher field = INLINE_FIELD.matcher(text).region(at, end);
        if (mayBeField && field.lookingAt()) {
            isOurs = fields.handle(field.group(1).charAt(0), field.group(2).trim(), at);
            at = field.end();
            return;
        }
        if (!isOurs) {
            at++;
            return;
        }
        Optional<BarTokens> ending = BarTokens.ending(text, at, end);
        if (ending.isPresent()) {
            tune.openEnding(ending.get().ending());
            at += ending.get().length();
        } else if (next() == '|') {
            barLine();
        } else {
            chord();
        }
    }

    private void barLine() {
        Optional<BarTokens> tokens = BarTokens.at(text, at, end);
        if (tokens.isEmpty()) {
            unknown();
            return;
        }
        if (tune.hasOpenTuplet()) {
            source.warn(
                    "open-tuplet",
                    at,
                    "a tuplet has fewer notes than it says before this bar line",
                    "Write its missing notes, or a smaller number.");
        }
        tune.barLine(tokens.get());
        at += tokens.get().length();
    }

    private void open() {
        Matcher tuplet = TUPLET.matcher(text).region(at, end);
        if (text.charAt(at) == '(' && tuplet.lookingAt()) {
            openTuplet(tuplet);
            at = tuplet.end();
            return;
        }
        if (next() == '&') {
            isInOverlayGroup = true;
            at += 2;
            return;
        }
        tune.openSlur();
        at += text.charAt(at) == '.' ? 2 : 1;
    }

    /** {@code (p:q:r}: p notes in the time of q for the next r notes (§4.13). */
    private void openTuplet(Matcher match) {
        int actual = Integer.parseInt(match.group(1));
        int inTimeOf = number(match.group(2)).orElseGet(() -> usualTime(actual));
        int count = number(match.group(3)).orElse(actual);
        if (actual < 2 || inTimeOf < 1 || count < 1) {
            source.warn(
                    "strange-tuplet",
                    at,
                    "this tuplet makes no sense",
                    "Write (3 for a triplet, or (p:q:r with numbers above 0.");
            return;
        }
        tune.openTuplet(actual, inTimeOf, count);
    }

    private static Optional<Integer> number(String digits) {
        return digits == null || digits.isEmpty() ? Optional.empty() : Optional.of(Integer.parseInt(digits));
    }

    private int usualTime(int actual) {
        return switch (actual) {
            case 2, 4, 8 -> 3;
            case 3, 6 -> 2;
            default -> tune.metre().isCompound() ? 3 : 2;
        };
    }

    private void graces() {
        int close = closing('}');
        if (close >= end) {
            source.warn("open-graces", at, "small notes are opened and not closed on this line", "Add the missing }.");
            at++;
            return;
        }
        int inside = at + 1;
        boolean isSlashed = inside < close && text.charAt(inside) == '/';
        List<WrittenPitch> pitches = new ArrayList<>();
        while (inside < close) {
            Optional<NoteToken> token = NoteToken.at(text, inside, close);
            token.filter(each -> !each.isRest()).ifPresent(each -> pitches.add(tune.pitch(each, false)));
            inside += Math.max(1, token.map(NoteToken::length).orElse(1));
        }
        tune.add(new Graces(pitches, isSlashed));
        at = close + 1;
    }

    private void quoted() {
        int close = closing('"');
        if (close >= end) {
            source.warn("open-quotes", at, "words are opened and not closed on this line", "Add the missing \".");
            at++;
            return;
        }
        String words = text.substring(at + 1, close);
        if (!words.isEmpty() && "^_<>@".indexOf(words.charAt(0)) >= 0) {
            tune.addAnnotation(words.substring(1));
        } else if (!words.isBlank()) {
            tune.addChordSymbol(words.trim());
        }
        at = close + 1;
    }

    private void decoration() {
        Matcher match = DECORATION.matcher(text).region(at, end);
        if (match.lookingAt()) {
            tune.addDecoration(match.group(1) != null ? match.group(1) : match.group(2));
            at = match.end();
        } else if (text.charAt(at) == '!') {
            // A lone ! is the old sign for a line break: it asks for nothing here.
            at++;
        } else {
            unknown();
        }
    }

    private void broken(char sign) {
        int signs = 1;
        while (at + signs < end && text.charAt(at + signs) == sign && signs < 3) {
            signs++;
        }
        if (!tune.breakRhythm(signs, sign == '>')) {
            source.warn(
                    "nothing-before",
                    at,
                    "broken rhythm stands before any note of the bar",
                    "Put it between the two notes it belongs to.");
        }
        at += signs;
    }

    private void spacer() {
        tune.space();
        at++;
        at += Math.max(0, NoteToken.lengthAt(text, at, end).end() - at);
    }

    /** A second layer of music in a bar, or in as many bars as there are signs: kept in the text, not read (ABC 2.1 §7.4). */
    private void overlay() {
        source.noteOnce(
                "overlay-kept",
                at,
                "a second layer in a bar is kept but not shown",
                "Nothing to do; it is saved with the book.");
        int signs = 0;
        while (at < end && text.charAt(at) == '&' && next() != ')') {
            signs++;
            at++;
        }
        isOverlaid = isInOverlayGroup;
        overlaidBars = isInOverlayGroup ? 0 : Math.max(1, signs);
        at = Math.min(end, signs == 0 ? at + 1 : at);
    }

    /** Goes on to the bar line, or the bracket, that ends a second layer. */
    private void stepOverLayer(char sign) {
        boolean isBarLine = sign == '|';
        if (isOverlaid && sign == '&' && next() == ')') {
            isOverlaid = false;
            isInOverlayGroup = false;
            at += 2;
        } else if (!isOverlaid && isBarLine && --overlaidBars == 0) {
            // The bar line belongs to both layers and is read as the first one's.
            step(sign);
        } else if (!isOverlaid && isBarLine) {
            at += BarTokens.at(text, at, end).map(BarTokens::length).orElse(1);
        } else if (sign == '"') {
            at = Math.min(end, closing('"') + 1);
        } else {
            at++;
        }
    }

    private void noteOrSymbol(char sign) {
        Optional<NoteToken> token = NoteToken.at(text, at, end);
        if (token.isPresent()) {
            note(token.get());
            return;
        }
        Optional<String> symbol =
                Optional.ofNullable(userSymbols.get(sign)).or(() -> Optional.ofNullable(SHORT_DECORATIONS.get(sign)));
        if (symbol.isPresent()) {
            tune.addDecoration(symbol.get());
            at++;
        } else {
            unknown();
        }
    }

    private void note(NoteToken token) {
        int start = at;
        at += token.length();
        Fraction length = lengthOf(token, start);
        Manuscript.Stretch stretch = new Manuscript.Stretch(start, at);
        if (token.isRest()) {
            tune.add(List.of(), length, stretch);
        } else {
            WrittenPitch pitch = tune.pitch(token, true);
            tune.add(List.of(pitch), length, stretch, cents(token, start));
        }
    }

    private int cents(NoteToken token, int offset) {
        int cents = tune.cents(token);
        if (cents != 0) {
            source.noteOnce(
                    "microtone",
                    offset,
                    "signs for less than a semitone sound, but are drawn as the nearest note",
                    "Nothing to do; they are saved with the book.");
        }
        return cents;
    }

    private Fraction lengthOf(NoteToken token, int offset) {
        if (!token.factor().isPositive()) {
            source.warn(
                    "strange-length",
                    offset,
                    "this length makes no sense and is read as 1",
                    "Write lengths like 2, 3/2 or /2.");
        }
        Fraction factor = token.factor().isPositive() ? token.factor() : Fraction.ONE;
        boolean countsBars = token.letter() == 'Z' || token.letter() == 'X';
        return factor.times(countsBars ? tune.metre().barLength() : tune.unitLength());
    }

    private void chord() {
        int start = at;
        int close = closing(']');
        if (close >= end) {
            source.warn("open-chord", at, "a chord is opened and not closed on this line", "Add the missing ].");
            at++;
            return;
        }
        ChordReader chord = new ChordReader(close);
        while (at < close) {
            chord.step();
        }
        at = close + 1;
        Matcher outer = NoteToken.lengthAt(text, at, end);
        Fraction factor = NoteToken.factor(outer.group(1), outer.group(2), outer.group(3));
        at = Math.max(at, outer.end());
        if (chord.pitches.isEmpty()) {
            source.warn("empty-chord", start, "a chord without notes is left out", "Write its notes between [ and ].");
            return;
        }
        Fraction length = chord.length.times(factor.isPositive() ? factor : Fraction.ONE);
        List<WrittenPitch> pitches = chord.pitches.stream().distinct().toList();
        tune.add(pitches, length, new Manuscript.Stretch(start, at), chord.cents);
        chord.tie();
    }

    /** The inside of a chord: notes with their own decorations, ties and lengths; the first length is the chord's (ABC 2.1 §4.17). */
    private final class ChordReader {
        private final int close;
        private final List<WrittenPitch> pitches = new ArrayList<>();
        private Fraction length = Fraction.ZERO;
        private int cents;
        private final List<WrittenPitch> tied = new ArrayList<>();

        ChordReader(int close) {
            this.close = close;
            at++;
        }

        void step() {
            char sign = text.charAt(at);
            Optional<NoteToken> token = NoteToken.at(text, at, close);
            if (token.isPresent() && !token.get().isRest()) {
                add(token.get());
            } else if (sign == '-') {
                if (!pitches.isEmpty()) {
                    tied.add(pitches.get(pitches.size() - 1));
                }
                at++;
            } else if (sign == '!' || sign == '+') {
                decoration();
            } else if (sign == '"' && closing('"') < close) {
                quoted();
            } else {
                symbol(sign, token);
            }
        }

        private void add(NoteToken token) {
            WrittenPitch pitch = tune.pitch(token, true);
            boolean isHighest = pitches.stream().allMatch(other -> other.midi() < pitch.midi());
            int own = cents(token, at);
            cents = isHighest ? own : cents;
            pitches.add(pitch);
            length = length.isZero() ? lengthOf(token, at) : length;
            at += token.length();
        }

        private void symbol(char sign, Optional<NoteToken> rest) {
            String name = userSymbols.getOrDefault(sign, SHORT_DECORATIONS.getOrDefault(sign, ""));
            if (rest.isEmpty() && !name.isEmpty()) {
                tune.addDecoration(name);
            }
            at += Math.max(1, rest.map(NoteToken::length).orElse(1));
        }

        /** A chord is held over where its highest note is; else lower notes of it by themselves. */
        void tie() {
            int highest = pitches.stream().mapToInt(WrittenPitch::midi).max().orElse(0);
            if (tied.stream().anyMatch(pitch -> pitch.midi() == highest)) {
                tune.tieLast();
            } else if (!tied.isEmpty()) {
                tune.holdLast(tied);
            }
        }
    }

    /** A sign that means nothing; a length after it belongs to it. */
    private void unknown() {
        source.warn("unknown-character", at, "“" + text.charAt(at) + "” means nothing in music", USUAL_HINT);
        at = Math.max(at + 1, NoteToken.lengthAt(text, at + 1, end).end());
    }
}
