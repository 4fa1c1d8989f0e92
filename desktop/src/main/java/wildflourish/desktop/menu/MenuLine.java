package wildflourish.desktop.menu;

import java.util.List;
import java.util.function.Supplier;

/** A line of a menu: its words, what stands at its end (a key, a folder), what it is, what choosing it does, and the lines that it leads to. */
public record MenuLine(String words, String end, Kind kind, Runnable verb, Supplier<List<MenuLine>> further) {
    /** What a line is. */
    public enum Kind {
        /** Stands over the lines below it, up to the next heading. */
        HEADING,
        /** Something to do. */
        DEED,
        /** Something to choose or to turn on. */
        CHOICE,
        /** Something chosen or turned on now. */
        CHOSEN,
        /** Leads to further lines. */
        LEADING,
        /** Leads back from them. */
        BACK
    }

    static final MenuLine BACK = new MenuLine("Back", "Backspace", Kind.BACK, MenuLine::nothing, List::of);

    private MenuLine(String words, String end, Kind kind, Runnable verb) {
        this(words, end, kind, verb, List::of);
    }

    /** A heading over the lines below it. */
    public static MenuLine heading(String words) {
        return new MenuLine(words, "", Kind.HEADING, MenuLine::nothing);
    }

    /** Something to do. */
    public static MenuLine deed(String words, Runnable verb) {
        return deed(words, "", verb);
    }

    /** Something to do, with what stands at the end of the line. */
    public static MenuLine deed(String words, String end, Runnable verb) {
        return new MenuLine(words, end, Kind.DEED, verb);
    }

    /** Something that holds now or not. */
    public static MenuLine choice(String words, boolean isChosen, Runnable verb) {
        return choice(words, "", isChosen, verb);
    }

    /** Something that holds now or not, with what stands at the end of the line. */
    public static MenuLine choice(String words, String end, boolean isChosen, Runnable verb) {
        return new MenuLine(words, end, isChosen ? Kind.CHOSEN : Kind.CHOICE, verb);
    }

    /** Leads to further lines. */
    public static MenuLine leading(String words, String end, Supplier<List<MenuLine>> further) {
        return new MenuLine(words + " …", end, Kind.LEADING, MenuLine::nothing, further);
    }

    private static void nothing() {}

    /** Whether it can be chosen. */
    public boolean isForHands() {
        return kind != Kind.HEADING;
    }
}
