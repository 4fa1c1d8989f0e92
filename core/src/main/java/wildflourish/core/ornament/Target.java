package wildflourish.core.ornament;

import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What a small note or a part of a figure is to sound, before any hand has made it.
 *
 * @param kind what it is taken from
 * @param number which one: of the span's notes from 1, of lifted or tapping fingers from 1; steps, semitones or octaves up (down when negative)
 * @param name the letter of a named pitch; empty for others
 */
public record Target(Kind kind, int number, String name) {
    /** What a target is taken from. */
    public enum Kind {
        /** A written note of the span. */
        MELODY,
        /** The upper gracing as the instrument makes it. */
        LIFT,
        /** The lower and the upper of two fingers that lift in turn. */
        LIFT_LOW,
        LIFT_HIGH,
        /** The lower gracing as the instrument makes it. */
        TAP,
        /** Steps of the tune's scale from the note. */
        STEP,
        SEMITONE,
        OCTAVE,
        /** The scale note between the note before and the note, or between the first and the second of the span. */
        MIDDLE,
        /** The half tone between the first note of the span and the second, a tone apart. */
        HALF,
        NEXT,
        /** Steps of the scale towards the next note. */
        TOWARDS,
        BEFORE,
        /** The notes of a walk round the note that leads on to the next one, counted from 1. */
        WALK,
        /** Steps towards the next note, a third or a fourth off; above it where that is the same. */
        LINK,
        /** The second and the third note of a triplet on one note: on to a next one a fourth off, or else round the note. */
        ROUND,
        /** The chord over the three high strings. */
        BRUSH,
        /** Over a fork: the top finger alone lifted, two steps up. */
        OVER,
        /** A pitch by its letter. */
        NAMED,
        /** The small notes that the table of the chanter's forms has here. */
        FORM,
        /** An open string, counted from 1, the highest; 0 for that of the note. */
        OPEN_STRING,
        SILENCE
    }

    private static final Map<String, Target> FIXED = Map.ofEntries(
            Map.entry("n", new Target(Kind.MELODY, 1, "")),
            Map.entry("^", new Target(Kind.LIFT, 1, "")),
            Map.entry("^low", new Target(Kind.LIFT_LOW, 1, "")),
            Map.entry("^high", new Target(Kind.LIFT_HIGH, 1, "")),
            Map.entry("_", new Target(Kind.TAP, 1, "")),
            Map.entry("8+", new Target(Kind.OCTAVE, 1, "")),
            Map.entry("8-", new Target(Kind.OCTAVE, -1, "")),
            Map.entry("mid", new Target(Kind.MIDDLE, 0, "")),
            Map.entry("half", new Target(Kind.HALF, 0, "")),
            Map.entry("next", new Target(Kind.NEXT, 0, "")),
            Map.entry("before", new Target(Kind.BEFORE, 0, "")),
            Map.entry("over", new Target(Kind.OVER, 0, "")),
            Map.entry("brush", new Target(Kind.BRUSH, 0, "")),
            Map.entry("form", new Target(Kind.FORM, 0, "")),
            Map.entry(".", new Target(Kind.SILENCE, 0, "")));

    private static final Pattern COUNTED = Pattern.compile("(n|\\^|_|#|o|>|walk|link|round|)([+-]?\\d+)");

    /** The note itself. */
    public static final Target NOTE = of(Kind.MELODY, 1);

    public static Target of(Kind kind, int number) {
        return new Target(kind, number, "");
    }

    /** Reads {@code n2}, {@code ^}, {@code _2}, {@code +1}, {@code #-1}, {@code =g}, {@code form} … Throws IllegalArgumentException for others. */
    static Target parse(String word) {
        Target fixed = FIXED.get(word);
        if (fixed != null) {
            return fixed;
        }
        if (word.length() == 2 && word.startsWith("=")) {
            return new Target(Kind.NAMED, 0, word.substring(1));
        }
        Matcher match = COUNTED.matcher(word);
        if (!match.matches()) {
            throw new IllegalArgumentException("no target “" + word + "”");
        }
        int number = Integer.parseInt(match.group(2));
        return switch (match.group(1)) {
            case "n" -> of(Kind.MELODY, number);
            case "^" -> of(Kind.LIFT, number);
            case "_" -> of(Kind.TAP, number);
            case "#" -> of(Kind.SEMITONE, number);
            case "o" -> of(Kind.OPEN_STRING, number);
            case ">" -> of(Kind.TOWARDS, number);
            case "walk" -> of(Kind.WALK, number);
            case "link" -> of(Kind.LINK, number);
            case "round" -> of(Kind.ROUND, number);
            default -> of(Kind.STEP, number);
        };
    }

    public boolean isNote() {
        return equals(NOTE);
    }

    public boolean isSilence() {
        return kind == Kind.SILENCE;
    }

    public boolean isLift() {
        return kind == Kind.LIFT || kind == Kind.LIFT_LOW || kind == Kind.LIFT_HIGH;
    }

    @Override
    public String toString() {
        String signed = number > 0 ? "+" + number : String.valueOf(number);
        return switch (kind) {
            case MELODY -> number == 1 ? "n" : "n" + number;
            case LIFT -> number == 1 ? "^" : "^" + number;
            case LIFT_LOW -> "^low";
            case LIFT_HIGH -> "^high";
            case TAP -> number == 1 ? "_" : "_" + number;
            case STEP -> signed;
            case SEMITONE -> "#" + signed;
            case OCTAVE -> number > 0 ? "8+" : "8-";
            case MIDDLE -> "mid";
            case HALF -> "half";
            case NEXT -> "next";
            case TOWARDS -> ">" + number;
            case WALK -> "walk" + number;
            case LINK -> "link" + number;
            case ROUND -> "round" + number;
            case BRUSH -> "brush";
            case BEFORE -> "before";
            case OVER -> "over";
            case NAMED -> "=" + name;
            case FORM -> "form";
            case OPEN_STRING -> "o" + number;
            case SILENCE -> ".";
        };
    }
}
