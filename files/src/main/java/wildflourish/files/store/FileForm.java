package wildflourish.files.store;

import com.ibm.icu.text.CharsetDetector;
import com.ibm.icu.text.CharsetMatch;
import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.IllegalCharsetNameException;
import java.nio.charset.StandardCharsets;
import java.nio.charset.UnsupportedCharsetException;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Queue;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wildflourish.core.problem.Place;
import wildflourish.core.problem.Problem;
import wildflourish.core.problem.Severity;

/**
 * How a file stores its text: encoding, byte order mark, line ends. What was not changed is written back as the bytes it was read from.
 *
 * @param charset the encoding; of a file that mixes two, that of new lines
 * @param hasByteOrderMark whether the file begins with the mark some editors put first
 * @param old the lines of an irregular file, one that mixes encodings or ends lines in the old way; none of any other
 */
public record FileForm(Charset charset, boolean hasByteOrderMark, List<OldLine> old) {
    /** UTF-8 without a mark, as new books are. */
    public static final FileForm USUAL = new FileForm(StandardCharsets.UTF_8, false, List.of());

    private static final String MARK = "\uFEFF";
    private static final Pattern DECLARED =
            Pattern.compile("(?m)^(?:%%abc-charset|%abc-charset|I:\\s*abc-charset)\\s+([A-Za-z0-9._:-]{1,40})");
    /** A declaration stands in the heading: characters that are searched for it. */
    private static final int HEADING = 4000;

    private static final Charset WESTERN = Charset.forName("windows-1252");

    /**
     * A line of an irregular file.
     *
     * @param text as it is read, without its end
     * @param raw its bytes as they stand in the file, with the line's end, each as the letter of that number
     */
    public record OldLine(String text, String raw) {
        static OldLine of(String text, byte[] bytes) {
            return new OldLine(text, new String(bytes, StandardCharsets.ISO_8859_1));
        }
    }

    /** A text as it is read, with how it is stored and what there is to tell of that. */
    record Content(String text, FileForm form, List<Problem> problems) {}

    public FileForm {
        old = List.copyOf(old);
    }

    // Reading

    static Content read(byte[] bytes) {
        Optional<Charset> marked = marked(bytes);
        if (marked.isPresent()) {
            String text = new String(bytes, marked.get());
            return Arrays.equals(text.getBytes(marked.get()), bytes)
                    ? regular(text.substring(1), new FileForm(marked.get(), true, List.of()), List.of())
                    : western(bytes);
        }
        Optional<String> utf8 = strict(bytes, StandardCharsets.UTF_8);
        if (utf8.isPresent()) {
            return utf8(utf8.get());
        }
        Optional<Charset> declared = declared(new String(bytes, StandardCharsets.ISO_8859_1))
                .filter(charset -> !charset.equals(StandardCharsets.UTF_8));
        if (declared.isPresent() && strict(bytes, declared.get()).isPresent()) {
            return regular(
                    new String(bytes, declared.get()), new FileForm(declared.get(), false, List.of()), List.of());
        }
        return isMixed(bytes) ? mixed(bytes) : detected(bytes);
    }

    private static Optional<Charset> marked(byte[] bytes) {
        int first = bytes.length > 0 ? bytes[0] & 0xff : 0;
        int second = bytes.length > 1 ? bytes[1] & 0xff : 0;
        int third = bytes.length > 2 ? bytes[2] & 0xff : 0;
        if (first == 0xef && second == 0xbb && third == 0xbf) {
            return Optional.of(StandardCharsets.UTF_8);
        }
        if (first == 0xff && second == 0xfe) {
            return Optional.of(StandardCharsets.UTF_16LE);
        }
        return first == 0xfe && second == 0xff ? Optional.of(StandardCharsets.UTF_16BE) : Optional.empty();
    }

    private static Content utf8(String text) {
        Optional<Charset> wide = text.indexOf('\0') < 0 ? Optional.empty() : unmarkedWide(text);
        if (wide.isPresent()) {
            byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
            return regular(
                    new String(bytes, wide.get()),
                    new FileForm(wide.get(), false, List.of()),
                    List.of(told("read as " + wide.get() + ", which it does not say")));
        }
        List<Problem> problems = declared(text)
                .filter(charset -> !charset.equals(StandardCharsets.UTF_8))
                .filter(charset -> text.chars().anyMatch(letter -> letter > 127))
                .map(charset -> told("read as UTF-8, though it says it is " + charset.name()))
                .stream()
                .toList();
        return regular(text, USUAL, problems);
    }

    /** The wide encoding of a text in which every other byte is 0: letters of plain English in two bytes each. */
    private static Optional<Charset> unmarkedWide(String text) {
        int[] zeros = new int[2];
        int looked = Math.min(text.length(), HEADING);
        for (int i = 0; i < looked; i++) {
            zeros[i % 2] += text.charAt(i) == '\0' ? 1 : 0;
        }
        int most = looked * 2 / 5;
        return zeros[0] > most && zeros[1] == 0
                ? Optional.of(StandardCharsets.UTF_16BE)
                : zeros[1] > most && zeros[0] == 0 ? Optional.of(StandardCharsets.UTF_16LE) : Optional.empty();
    }

    private static Optional<Charset> declared(String text) {
        Matcher match = DECLARED.matcher(text).region(0, Math.min(HEADING, text.length()));
        try {
            return match.find() ? Optional.of(Charset.forName(match.group(1))) : Optional.empty();
        } catch (IllegalCharsetNameException | UnsupportedCharsetException e) {
            return Optional.empty();
        }
    }

    /** The text, where the bytes are one in an encoding and come out of it again. */
    private static Optional<String> strict(byte[] bytes, Charset charset) {
        try {
            String text = charset.newDecoder()
                    .onMalformedInput(CodingErrorAction.REPORT)
                    .onUnmappableCharacter(CodingErrorAction.REPORT)
                    .decode(ByteBuffer.wrap(bytes))
                    .toString();
            boolean comesBack = charset.equals(StandardCharsets.UTF_8)
                    || (charset.canEncode() && Arrays.equals(text.getBytes(charset), bytes));
            return comesBack ? Optional.of(text) : Optional.empty();
        } catch (CharacterCodingException e) {
            return Optional.empty();
        }
    }

    /** By the detector of the ICU library, among what can be written back. */
    private static Content detected(byte[] bytes) {
        for (CharsetMatch match : new CharsetDetector().setText(bytes).detectAll()) {
            boolean isKnown = Charset.isSupported(match.getName());
            Charset charset = isKnown ? Charset.forName(match.getName()) : StandardCharsets.ISO_8859_1;
            if (isKnown && strict(bytes, charset).isPresent()) {
                return regular(
                        new String(bytes, charset),
                        new FileForm(charset, false, List.of()),
                        List.of(told("read as " + charset.name() + ", by the look of its letters")));
            }
        }
        return western(bytes);
    }

    /** Every byte is a letter of ISO 8859-1, whatever it was meant to be. */
    private static Content western(byte[] bytes) {
        return regular(
                new String(bytes, StandardCharsets.ISO_8859_1),
                new FileForm(StandardCharsets.ISO_8859_1, false, List.of()),
                List.of(told("read as ISO-8859-1, since its bytes are no text in the encoding it says")));
    }

    private static Problem told(String how) {
        return new Problem(
                Severity.NOTE,
                "charset",
                new Place(1, 1, ""),
                "the letters of this file are " + how,
                "Nothing to do if titles look right; it is saved as it is, or as UTF-8 if you ask for it.");
    }

    /** Some lines beyond plain English are UTF-8 and others are not. */
    private static boolean isMixed(byte[] bytes) {
        boolean hasUtf8 = false;
        for (byte[] line : lines(bytes)) {
            boolean isPlain = true;
            for (byte each : line) {
                isPlain &= each >= 0;
            }
            hasUtf8 |= !isPlain && strict(line, StandardCharsets.UTF_8).isPresent();
        }
        return hasUtf8;
    }

    private static Content mixed(byte[] bytes) {
        List<OldLine> old = new ArrayList<>();
        int foreign = 0;
        int firstForeign = 0;
        for (byte[] line : lines(bytes)) {
            Optional<String> utf8 = strict(line, StandardCharsets.UTF_8);
            if (utf8.isEmpty()) {
                foreign++;
                firstForeign = firstForeign == 0 ? old.size() + 1 : firstForeign;
            }
            String text =
                    utf8.or(() -> strict(line, WESTERN)).orElseGet(() -> new String(line, StandardCharsets.ISO_8859_1));
            old.add(OldLine.of(withoutEnd(text), line));
        }
        Problem problem = new Problem(
                Severity.NOTE,
                "charset-mixed",
                new Place(firstForeign, 1, old.get(firstForeign - 1).text()),
                "this file mixes encodings: UTF-8, and in lines such as this (" + foreign + " in all) an older one",
                "Nothing to do if titles look right; lines that are not changed are saved as they are.");
        return new Content(joined(old, bytes), new FileForm(StandardCharsets.UTF_8, false, old), List.of(problem));
    }

    /** A file in one encoding; old line ends are read as new ones. */
    private static Content regular(String text, FileForm form, List<Problem> problems) {
        if (text.indexOf('\r') < 0 || !hasOldEnds(text)) {
            return new Content(text, form, problems);
        }
        List<OldLine> old = new ArrayList<>();
        int start = 0;
        for (int i = 0; i < text.length(); i++) {
            boolean isNew = text.charAt(i) == '\n';
            boolean isOld = text.charAt(i) == '\r' && (i + 1 == text.length() || text.charAt(i + 1) != '\n');
            if (isNew || isOld) {
                old.add(oldLine(text.substring(start, i + 1), form.charset));
                start = i + 1;
            }
        }
        if (start < text.length()) {
            old.add(oldLine(text.substring(start), form.charset));
        }
        return new Content(
                text.replaceAll("\r(?!\n)", "\n"), new FileForm(form.charset, form.hasByteOrderMark, old), problems);
    }

    private static boolean hasOldEnds(String text) {
        for (int i = text.indexOf('\r'); i >= 0; i = text.indexOf('\r', i + 1)) {
            if (i + 1 == text.length() || text.charAt(i + 1) != '\n') {
                return true;
            }
        }
        return false;
    }

    private static OldLine oldLine(String line, Charset charset) {
        return OldLine.of(withoutEnd(line), line.getBytes(charset));
    }

    /** Without a new or old line end; the first half of a two-letter end stays, as it does in regular files. */
    private static String withoutEnd(String line) {
        return line.endsWith("\n") || line.endsWith("\r") ? line.substring(0, line.length() - 1) : line;
    }

    private static String joined(List<OldLine> lines, byte[] bytes) {
        StringBuilder text = new StringBuilder(bytes.length);
        for (OldLine line : lines) {
            text.append(line.text()).append('\n');
        }
        boolean isEnded = bytes.length > 0 && (bytes[bytes.length - 1] == '\n' || bytes[bytes.length - 1] == '\r');
        return isEnded ? text.toString() : text.substring(0, text.length() - 1);
    }

    /** Each with its end: a line feed, or a carriage return without one. */
    private static List<byte[]> lines(byte[] bytes) {
        List<byte[]> lines = new ArrayList<>();
        int start = 0;
        for (int i = 0; i < bytes.length; i++) {
            boolean isOld = bytes[i] == '\r' && (i + 1 == bytes.length || bytes[i + 1] != '\n');
            if (bytes[i] == '\n' || isOld) {
                lines.add(Arrays.copyOfRange(bytes, start, i + 1));
                start = i + 1;
            }
        }
        if (start < bytes.length) {
            lines.add(Arrays.copyOfRange(bytes, start, bytes.length));
        }
        return lines;
    }

    // Writing

    /** Whether a text can be stored in this form. */
    boolean canStore(String text) {
        return charset.newEncoder().canEncode(text);
    }

    /** The form in which a text is stored that this one cannot hold, or that is asked for as UTF-8. */
    FileForm asUtf8() {
        return new FileForm(StandardCharsets.UTF_8, hasByteOrderMark && !isWide(), List.of());
    }

    private boolean isWide() {
        return charset.equals(StandardCharsets.UTF_16LE) || charset.equals(StandardCharsets.UTF_16BE);
    }

    /** A text that says it is in another encoding, made to say UTF-8. */
    static String declaredUtf8(String text) {
        Matcher match = DECLARED.matcher(text).region(0, Math.min(HEADING, text.length()));
        return match.find() ? text.substring(0, match.start(1)) + "utf-8" + text.substring(match.end(1)) : text;
    }

    /** The bytes of a text: of unchanged lines of an irregular file as they were, of everything else in this encoding. */
    byte[] bytes(String text) {
        String mark = hasByteOrderMark ? MARK : "";
        return old.isEmpty() ? (mark + text).getBytes(charset) : irregular(text, mark);
    }

    private byte[] irregular(String text, String mark) {
        Map<String, Queue<String>> known = new HashMap<>();
        for (OldLine line : old) {
            known.computeIfAbsent(line.text(), key -> new ArrayDeque<>()).add(line.raw());
        }
        ByteArrayOutputStream bytes = new ByteArrayOutputStream(text.length());
        bytes.writeBytes(mark.getBytes(charset));
        String end = oldEnd();
        String endless = isEnded(old.get(old.size() - 1).raw())
                ? ""
                : old.get(old.size() - 1).raw();
        int start = 0;
        while (start < text.length()) {
            int next = text.indexOf('\n', start);
            String line = text.substring(start, next < 0 ? text.length() : next);
            Queue<String> kept = known.getOrDefault(line, new ArrayDeque<>());
            if (kept.isEmpty()) {
                bytes.writeBytes((line + (next < 0 ? "" : end)).getBytes(charset));
            } else {
                String raw = kept.remove();
                bytes.writeBytes(raw.getBytes(StandardCharsets.ISO_8859_1));
                bytes.writeBytes((next >= 0 && raw.equals(endless) ? end : "").getBytes(charset));
            }
            start = next < 0 ? text.length() : next + 1;
        }
        return bytes.toByteArray();
    }

    /** Whether the bytes of a line have an end, in whatever encoding. */
    private static boolean isEnded(String raw) {
        String last = raw.substring(Math.max(0, raw.length() - 2));
        return last.indexOf('\n') >= 0 || last.indexOf('\r') >= 0;
    }

    /** How most lines of an irregular file end. */
    private String oldEnd() {
        long carriage = old.stream()
                .filter(line -> isEnded(line.raw()) && line.raw().indexOf('\n') < 0)
                .count();
        return carriage * 2 > old.size() ? "\r" : "\n";
    }
}
