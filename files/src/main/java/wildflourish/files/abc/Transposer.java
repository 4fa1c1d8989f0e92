package wildflourish.files.abc;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wildflourish.core.music.Key;
import wildflourish.core.music.Step;
import wildflourish.core.music.WrittenPitch;

/**
 * Moves a whole tune up or down by semitones: keys, notes, small notes, chords and chord symbols; everything else in the text stays. Notes are
 * spelled in the new key, accidentals written where the new key and the bar so far ask for them.
 */
public final class Transposer {
    private static final Pattern FIELD = Pattern.compile("^([A-Za-z+]):(.*)$");
    private static final Pattern TONIC = Pattern.compile("^(\\s*)([A-G])([#b]?)(.*)$", Pattern.DOTALL);
    private static final Pattern SYMBOL = Pattern.compile("([A-G])([#b]?)([^/]*)(?:/([A-G])([#b]?))?");
    private static final Pattern SIGN = Pattern.compile("(\\^\\^|\\^|__|_|=)([A-Ga-g])(?![A-Za-z])");
    private static final Pattern CHORD = Pattern.compile("\\[[\\^_=]*[A-Ga-g]");
    private static final String FIFTHS = "FCGDAEB";

    private final int semitones;
    private final StringBuilder out = new StringBuilder();
    private final Map<Step, Integer> before = new EnumMap<>(Step.class);
    private final Map<Step, Integer> after = new EnumMap<>(Step.class);
    /** The note, or the notes of the chord, that a tie would go on from. */
    private final List<WrittenPitch> last = new ArrayList<>();
    /** By staff step, what a tie over the bar line makes of the next note. */
    private final Map<Integer, Integer> tiedOver = new HashMap<>();

    private boolean isTied;
    private boolean isAfterBar;
    private boolean isInChord;
    private boolean isSmall;
    private Key oldKey = Key.C_MAJOR;
    private Key newKey = Key.C_MAJOR;
    private int steps;
    private boolean isPossible = true;

    private Transposer(int semitones) {
        this.semitones = semitones;
    }

    /** The text of a tune so many semitones higher; empty where its key has no tonic that can be moved (pipe scale, no key). */
    public static Optional<String> transposed(String text, int semitones) {
        Transposer transposer = new Transposer(semitones);
        boolean isInHeader = true;
        String[] lines = text.split("\n", -1);
        for (int i = 0; i < lines.length; i++) {
            transposer.out.append(i == 0 ? "" : "\n");
            String line = lines[i];
            Matcher field = FIELD.matcher(line);
            if (field.matches() && field.group(1).equals("K")) {
                transposer.out.append("K:").append(transposer.key(field.group(2)));
                isInHeader = false;
            } else if (isInHeader || field.matches() || line.startsWith("%")) {
                transposer.out.append(line);
            } else {
                transposer.music(line);
            }
        }
        return transposer.isPossible && !isInHeader ? Optional.of(transposer.out.toString()) : Optional.empty();
    }

    private String key(String words) {
        Matcher tonic = TONIC.matcher(words);
        Optional<Key> old = Fields.key(words);
        if (!tonic.matches()
                || old.isEmpty()
                || words.trim().startsWith("HP")
                || words.trim().startsWith("Hp")) {
            isPossible = false;
            return words;
        }
        String moved = tonicMoved(tonic.group(2), tonic.group(3));
        int from = Step.valueOf(tonic.group(2)).ordinal();
        int to = Step.valueOf(moved.substring(0, 1)).ordinal();
        int rough = Math.round(semitones * 7 / 12f);
        steps = rough + Math.floorMod(to - from - rough + 3, 7) - 3;
        String whole = tonic.group(1) + moved + signsMoved(tonic.group(4));
        Optional<Key> now = Fields.key(whole);
        isPossible &= now.isPresent();
        oldKey = old.get();
        newKey = now.orElse(oldKey);
        before.clear();
        after.clear();
        return whole;
    }

    /** The explicit accidentals of a key, moved with it. */
    private String signsMoved(String words) {
        return SIGN.matcher(words).replaceAll(sign -> {
            WrittenPitch old = WrittenPitch.of(
                    Step.valueOf(sign.group(2).toUpperCase(Locale.ROOT)), Fields.alterOf(sign.group(1)), 4);
            WrittenPitch now = moved(old);
            return VersionWriter.accidentalText(now.alter()) + now.step().name().toLowerCase(Locale.ROOT);
        });
    }

    /** The tonic so many semitones higher, among its spellings the one with the fewest signs (as a major tonic, −5 to 6 fifths). */
    private String tonicMoved(String letter, String sign) {
        int fifths = FIFTHS.indexOf(letter) - 1 + (sign.equals("#") ? 7 : sign.equals("b") ? -7 : 0);
        int moved = Math.floorMod(fifths + 7 * semitones + 5, 12) - 5;
        int index = Math.floorMod(moved + 1, 7);
        int alter = Math.floorDiv(moved + 1, 7);
        return FIFTHS.charAt(index) + (alter > 0 ? "#" : alter < 0 ? "b" : "");
    }

    private void music(String line) {
        int at = 0;
        while (at < line.length()) {
            at = step(line, at);
        }
    }

    private int step(String line, int at) {
        char sign = line.charAt(at);
        if (sign == '%' && (at == 0 || line.charAt(at - 1) != '\\')) {
            out.append(line, at, line.length());
            return line.length();
        }
        if (sign == '"') {
            return quoted(line, at);
        }
        if (sign == '!' || sign == '+') {
            return decoration(line, at, sign);
        }
        if (sign == '[' && at + 2 < line.length() && line.charAt(at + 2) == ':') {
            return inlineField(line, at);
        }
        if (sign == '|' || (sign == ':' && at + 1 < line.length() && "|:".indexOf(line.charAt(at + 1)) >= 0)) {
            before.clear();
            after.clear();
            goOver(isTied);
        }
        Optional<NoteToken> token = NoteToken.at(line, at, line.length());
        follow(
                sign,
                line.startsWith("[", at)
                        && CHORD.matcher(line).region(at, line.length()).lookingAt());
        if (token.isPresent() && !token.get().isRest()) {
            note(token.get(), line.substring(at, at + token.get().length()));
            return at + token.get().length();
        }
        token.ifPresent(rest -> begin(List.of()));
        out.append(sign);
        return at + 1;
    }

    /** Past a bar line: what is tied goes on. */
    private void goOver(boolean isTiedOver) {
        if (isTiedOver) {
            last.forEach(pitch -> tiedOver.put(pitch.staffStep(), pitch.alter()));
        }
        isAfterBar = true;
        isTied = false;
    }

    /** Whether the next notes are small ones or of a chord, and what is tied; a tie may stand after its bar line, too. */
    private void follow(char sign, boolean opensChord) {
        if (opensChord) {
            isInChord = true;
            last.clear();
        } else if (sign == ']' && isInChord) {
            isInChord = false;
            tiedOver.clear();
        } else if (sign == '{' || sign == '}') {
            isSmall = sign == '{';
        } else if (sign == '-' && isAfterBar) {
            goOver(true);
        } else if (sign == '-') {
            isTied = !isInChord;
        }
    }

    private void note(NoteToken token, String words) {
        Step step = token.step();
        isPossible &= token.cents() == 0;
        if (!token.accidental().isEmpty()) {
            before.put(step, Fields.alterOf(token.accidental()));
        }
        int inOldForce = before.getOrDefault(step, oldKey.alterOf(step));
        WrittenPitch natural = WrittenPitch.of(step, 0, token.octave());
        boolean goesOn = !isSmall && token.accidental().isEmpty() && tiedOver.containsKey(natural.staffStep());
        WrittenPitch old =
                natural.withAlter(goesOn ? tiedOver.getOrDefault(natural.staffStep(), inOldForce) : inOldForce);
        WrittenPitch moved = moved(old);
        int inForce = after.getOrDefault(moved.step(), newKey.alterOf(moved.step()));
        if (moved.alter() != inForce && !goesOn) {
            after.put(moved.step(), moved.alter());
            out.append(VersionWriter.accidentalText(moved.alter()));
        }
        begin(List.of(old));
        out.append(VersionWriter.letterText(moved)).append(words.replaceFirst("^[\\^_=]*[A-Ga-g][,']*", ""));
    }

    /** What a tie would go on from now: nothing after a rest. */
    private void begin(List<WrittenPitch> pitches) {
        if (isSmall) {
            return;
        }
        if (!isInChord) {
            last.clear();
            tiedOver.clear();
        }
        isAfterBar = false;
        isTied = false;
        last.addAll(pitches);
    }

    private WrittenPitch moved(WrittenPitch old) {
        WrittenPitch natural = WrittenPitch.ofStaffStep(old.staffStep() + steps);
        int alter = old.midi() + semitones - natural.midi();
        return Math.abs(alter) <= 2 ? natural.withAlter(alter) : WrittenPitch.ofMidi(old.midi() + semitones);
    }

    private int quoted(String line, int at) {
        int end = line.indexOf('"', at + 1);
        end = end < 0 ? line.length() - 1 : end;
        String inside = line.substring(at + 1, Math.max(at + 1, end));
        Matcher symbol = SYMBOL.matcher(inside);
        if (symbol.matches()) {
            String bass = symbol.group(4) == null ? "" : "/" + rootMoved(symbol.group(4), symbol.group(5));
            inside = rootMoved(symbol.group(1), symbol.group(2)) + symbol.group(3) + bass;
        }
        out.append('"').append(inside).append(line, end, end + 1);
        return end + 1;
    }

    private String rootMoved(String letter, String sign) {
        int alter = sign.equals("#") ? 1 : sign.equals("b") ? -1 : 0;
        WrittenPitch root = moved(WrittenPitch.of(Step.valueOf(letter), alter, 4));
        return root.letter().replace('♯', '#').replace('♭', 'b');
    }

    private int decoration(String line, int at, char sign) {
        int end = line.indexOf(sign, at + 1);
        boolean isOne = end > 0 && line.substring(at + 1, end).matches("[A-Za-z0-9<>().]{1,30}");
        int to = isOne ? end + 1 : at + 1;
        out.append(line, at, to);
        return to;
    }

    private int inlineField(String line, int at) {
        int end = line.indexOf(']', at);
        end = end < 0 ? line.length() : end + 1;
        if (line.charAt(at + 1) == 'K' && end > at + 4) {
            out.append("[K:").append(key(line.substring(at + 3, end - 1))).append(']');
        } else {
            out.append(line, at, end);
        }
        return end;
    }
}
