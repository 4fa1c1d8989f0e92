package wildflourish.files.abc;

import java.util.Map;
import wildflourish.core.problem.Parsed;
import wildflourish.core.tune.Tune;

/** One tune as text, for typing it: reading what was typed, and what a new tune begins with. */
public final class TuneText {
    private TuneText() {}

    /** Reads the text of one tune; empty lines, which would end the tune in a book, are closed up first. Never throws. */
    public static Parsed<Tune> read(String text) {
        return TuneReader.read(closedUp(text), 1, Map.of());
    }

    /** The text without empty lines and without the last line's end. */
    public static String closedUp(String text) {
        String first = text.startsWith("X:") ? text : "X:1\n" + text;
        return first.replaceAll("(\\R)[ \\t]*(?=\\R|$)", "").stripTrailing();
    }

    /** What a new tune begins with: a reel in D, to be written over. */
    public static String fresh(int number) {
        return "X:" + number + "\nT:A new tune\nR:reel\nM:4/4\nL:1/8\nK:D\nD2FA d2fd|";
    }
}
