package wildflourish.core.tune;

/** The line at one side of a bar. */
public enum BarLine {
    NONE,
    SINGLE,
    DOTTED,
    DOUBLE,
    THIN_THICK,
    THICK_THIN,
    REPEAT_START,
    REPEAT_END;

    /** Whether a part of the tune ends at such a line on the right of a bar. */
    public boolean endsPart() {
        return this == DOUBLE || this == THIN_THICK || this == REPEAT_END;
    }
}
