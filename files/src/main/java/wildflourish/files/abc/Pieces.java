package wildflourish.files.abc;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The text of a book cut into its tunes.
 *
 * @param before what stands before the first tune
 * @param defaults fields of the heading by letter, which hold for all tunes
 * @param groups tunes that are read without knowing of each other: a plain tune with the written-out versions that follow it; all in one group where a version
 *     names another tune than the one before it
 */
record Pieces(String before, Map<Character, String> defaults, List<List<Piece>> groups) {
    private static final Pattern HEADING_FIELD = Pattern.compile("([A-WYZ]):(.*)");
    private static final Pattern NUMBER = Pattern.compile("X:\\s*(\\d{1,9})\\b.*");

    /**
     * A tune of the text as it stands, without its last line end, and the text after it up to the next tune or to the end.
     *
     * @param firstLine its number in the text, from 1
     */
    record Piece(String text, int firstLine, String after) {
        boolean isVersion() {
            return Directives.isOfAnother(text);
        }

        private Optional<Integer> number() {
            Matcher match = NUMBER.matcher(text.lines().findFirst().orElse(""));
            return match.matches() ? Optional.of(Integer.valueOf(match.group(1))) : Optional.empty();
        }

        /** Whether it is a version of a tune of a number. */
        private boolean isVersionOf(Optional<Integer> number) {
            try {
                return number.equals(Optional.of(Directives.tuneOf(text)));
            } catch (IllegalArgumentException e) {
                return false;
            }
        }
    }

    static Pieces of(String text) {
        Cutter cutter = new Cutter(text);
        Map<Character, String> defaults = new HashMap<>();
        boolean isHeading = true;
        while (cutter.hasMore() && !cutter.isTuneStart()) {
            isHeading &= !cutter.isBlank() || defaults.isEmpty();
            Matcher field = HEADING_FIELD.matcher(isHeading ? cutter.line() : "");
            if (field.matches()) {
                defaults.putIfAbsent(field.group(1).charAt(0), field.group(2));
            }
            cutter.next();
        }
        String before = text.substring(0, cutter.at);
        List<Piece> all = new ArrayList<>();
        while (cutter.hasMore()) {
            all.add(cutter.piece());
        }
        return new Pieces(before, Map.copyOf(defaults), grouped(all));
    }

    private static List<List<Piece>> grouped(List<Piece> all) {
        List<List<Piece>> groups = new ArrayList<>();
        Optional<Integer> number = Optional.empty();
        for (Piece piece : all) {
            if (!piece.isVersion()) {
                number = piece.number();
                groups.add(new ArrayList<>(List.of(piece)));
            } else if (!groups.isEmpty() && piece.isVersionOf(number)) {
                groups.get(groups.size() - 1).add(piece);
            } else {
                return List.of(all);
            }
        }
        return groups;
    }

    /** Goes through a text line by line. */
    private static final class Cutter {
        private final String text;
        private final Blocks blocks;
        private int at;
        private int number = 1;
        /** Where the line ends that was left last, its line end not included. */
        private int lastContentEnd;

        Cutter(String text) {
            this.text = text;
            this.blocks = new Blocks(text);
        }

        boolean hasMore() {
            return at < text.length();
        }

        boolean isTuneStart() {
            return text.startsWith("X:", at);
        }

        /** The line without its end. */
        String line() {
            return text.substring(at, contentEnd());
        }

        /** Goes on to the next line, over a block of text or drawing as one. */
        void next() {
            int end = blocks.endOf(at);
            do {
                nextLine();
            } while (at < end);
        }

        private void nextLine() {
            lastContentEnd = contentEnd();
            int end = text.indexOf('\n', at);
            at = end < 0 ? text.length() : end + 1;
            number++;
        }

        private int contentEnd() {
            int end = text.indexOf('\n', at);
            end = end < 0 ? text.length() : end;
            return end > at && text.charAt(end - 1) == '\r' ? end - 1 : end;
        }

        private boolean isBlank() {
            int end = contentEnd();
            for (int i = at; i < end; i++) {
                if (!Character.isWhitespace(text.charAt(i))) {
                    return false;
                }
            }
            return true;
        }

        /** The tune that begins here, to its last line before an empty one or the next tune, and what follows it. */
        Piece piece() {
            int start = at;
            int firstLine = number;
            int end = at;
            while (hasMore() && !isBlank() && (at == start || !isTuneStart())) {
                next();
                end = lastContentEnd;
            }
            while (hasMore() && !isTuneStart()) {
                next();
            }
            return new Piece(text.substring(start, end), firstLine, text.substring(end, at));
        }
    }
}
