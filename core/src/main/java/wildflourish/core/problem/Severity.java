package wildflourish.core.problem;

/** How much a problem matters to the person who reads it. */
public enum Severity {
    /** Something kept as it stands but not understood. */
    NOTE,
    /** Something read in the likeliest sense; the rest of the work is whole. */
    WARNING,
    /** Something left out, because it could not be read at all. */
    ERROR
}
