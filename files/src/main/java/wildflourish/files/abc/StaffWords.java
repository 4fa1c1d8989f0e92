package wildflourish.files.abc;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wildflourish.core.music.Interval;
import wildflourish.core.music.Key;
import wildflourish.core.music.WrittenPitch;

/**
 * What the words after a key or the name of a voice say of the staff (ABC 2.1 §4.6): clef, octave, transposition and the like. What they do not speak of is empty.
 *
 * @param clefOctaves octaves that the clef itself says, as in {@code treble-8}, or its middle line in {@code middle=}
 * @param octaves of {@code octave=}
 * @param transposition semitones of {@code transpose=}: how far the notes sound above what is written
 * @param others the words that say nothing of the staff, in order
 */
record StaffWords(
        Optional<Integer> clefOctaves, Optional<Integer> octaves, Optional<Integer> transposition, String others) {
    static final StaffWords NONE = new StaffWords(Optional.empty(), Optional.empty(), Optional.empty(), "");

    private static final Pattern WORD = Pattern.compile("([A-Za-z-]+)=(\"[^\"]*\"|\\S*)|\\S+");
    private static final Pattern CLEF = Pattern.compile(
            "(?i)(?:treble|alto|tenor|bass|soprano|mezzo-?soprano|mezzo|baritone|perc|percussion)?[1-5]?(?:[+-](?:8|15))?");

    private static final Pattern NATURALS = Pattern.compile("[A-G][#b]?[A-Za-z]*(?:(?:\\^\\^?|__?|=)[A-Ga-g])+");

    /** Middle lines as letters of ABC, by clef. */
    private static final List<String[]> MIDDLES = List.of(
            new String[] {"bass", "D,"},
            new String[] {"alto", "C"},
            new String[] {"tenor", "A,"},
            new String[] {"soprano", "G"},
            new String[] {"mezzo", "E"},
            new String[] {"baritone", "F,"});

    private static final int MOST_OCTAVES = 4;
    private static final int MOST_SEMITONES = 48;
    private static final int STEPS = 7;

    static StaffWords of(String words) {
        return words.isEmpty() ? NONE : new Reading().read(words);
    }

    /** Whether any of it speaks of the staff. */
    boolean isStated() {
        return clefOctaves.isPresent() || octaves.isPresent() || transposition.isPresent();
    }

    private int semitones() {
        return transposition.orElse(0);
    }

    /** From letters to what sounds, in a key. */
    Interval above(Key key) {
        Interval octave = Interval.octaves(clefOctaves.orElse(0) + octaves.orElse(0));
        boolean isOctaves = semitones() % 12 == 0;
        return octave.plus(isOctaves ? Interval.octaves(semitones() / 12) : interval(key));
    }

    /** The key of what sounds where a key is written. */
    Key sounding(Key written) {
        return semitones() % 12 == 0 ? written : written.moved(semitones());
    }

    /** The interval that moves a key to the key of what sounds. */
    private Interval interval(Key key) {
        int rough = Math.round(semitones() * STEPS / 12f);
        String from = key.name();
        String to = key.moved(semitones()).name();
        boolean hasTonic = from.matches("[A-G][♯♭]? .*") && !from.equals(to);
        if (!hasTonic) {
            return new Interval(rough, semitones());
        }
        int letters = "CDEFGAB".indexOf(to.charAt(0)) - "CDEFGAB".indexOf(from.charAt(0));
        return new Interval(rough + Math.floorMod(letters - rough + 3, STEPS) - 3, semitones());
    }

    /** With what newer words say in place of what these do; what they do not speak of stays. */
    StaffWords with(StaffWords newer) {
        return new StaffWords(
                newer.clefOctaves.or(() -> clefOctaves),
                newer.octaves.or(() -> octaves),
                newer.transposition.or(() -> transposition),
                newer.others);
    }

    /** Goes through the words. */
    private static final class Reading {
        private Optional<Integer> ofClef = Optional.empty();
        private Optional<Integer> octaves = Optional.empty();
        private Optional<Integer> middle = Optional.empty();
        private Optional<Integer> transposition = Optional.empty();
        private String clef = "treble";
        private final List<String> others = new ArrayList<>();

        StaffWords read(String words) {
            Matcher word = WORD.matcher(words);
            while (word.find()) {
                if (word.group(1) == null) {
                    bare(word.group());
                } else {
                    property(word.group(1).toLowerCase(Locale.ROOT), word.group(2), word.group());
                }
            }
            Optional<Integer> byMiddle = middle.map(step -> Math.round((middleOf(clef) - step) / (float) STEPS));
            Optional<Integer> both =
                    byMiddle.map(more -> more + ofClef.orElse(0)).or(() -> ofClef);
            return new StaffWords(both, octaves, transposition, String.join(" ", others));
        }

        private void bare(String word) {
            if (CLEF.matcher(word).matches() && !word.matches("[1-5]")) {
                clef(word);
            } else {
                others.add(word);
            }
        }

        private void clef(String word) {
            clef = word.toLowerCase(Locale.ROOT);
            int count = word.endsWith("15") ? 2 : 1;
            ofClef = Optional.of(word.matches(".*\\+(8|15)") ? count : word.matches(".*-(8|15)") ? -count : 0);
        }

        private void property(String name, String value, String whole) {
            String bare = value.replace("\"", "");
            switch (name) {
                case "clef" -> clef(bare);
                case "octave" -> octaves = number(bare, MOST_OCTAVES);
                case "transpose", "t" -> transposition = number(bare, MOST_SEMITONES);
                case "middle", "m" ->
                    middle = NoteToken.at(bare, 0, bare.length())
                            .filter(token -> !token.isRest())
                            .map(token -> WrittenPitch.of(token.step(), 0, Math.max(-1, Math.min(10, token.octave())))
                                    .staffStep());
                default -> {
                    // Natural signs right after a key are no property; the other properties speak of how the staff
                    // looks.
                    if (NATURALS.matcher(whole).matches()) {
                        others.add(whole);
                    }
                }
            }
        }

        private static Optional<Integer> number(String words, int most) {
            boolean isNumber = words.matches("[+-]?\\d{1,3}");
            return isNumber && Math.abs(Integer.parseInt(words)) <= most
                    ? Optional.of(Integer.parseInt(words))
                    : Optional.empty();
        }

        private static int middleOf(String clef) {
            String letter = MIDDLES.stream()
                    .filter(each -> clef.startsWith(each[0]))
                    .map(each -> each[1])
                    .findFirst()
                    .orElse("B");
            NoteToken token = NoteToken.at(letter, 0, letter.length()).orElseThrow();
            return WrittenPitch.of(token.step(), 0, token.octave()).staffStep();
        }
    }
}
