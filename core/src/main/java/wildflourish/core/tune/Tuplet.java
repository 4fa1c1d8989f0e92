package wildflourish.core.tune;

/** {@code actual} notes played in the time of {@code inTimeOf}, from the first to the last note: a triplet is 3 in the time of 2. */
public record Tuplet(NoteId first, NoteId last, int actual, int inTimeOf) {}
