package wildflourish.core.words;

import wildflourish.core.growing.Reading;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;

/** A critic's reading in words: what, and what mends it. */
public final class ReadingWords {
    private ReadingWords() {}

    /** One line: where, what and why. */
    public static String of(Reading.Remark remark, Tune tune) {
        return Words.place(tune, tune.note(remark.at())) + ": " + what(remark);
    }

    private static String what(Reading.Remark remark) {
        String name = remark.takes()
                .or(remark::puts)
                .map(each -> Words.name(each.stack()))
                .orElse("");
        return switch (remark.kind()) {
            case TOO_THICK -> remark.amount() + " ornaments in this bar are more than the stage bears";
            case TOO_ALIKE -> "three times " + name + " in a row";
            case TOO_MUCH -> "the phrase weighs " + remark.amount() + ", more than the stage bears";
            case NO_BREATH -> "nobody can breathe around here";
            case TOO_FAST -> name + ": the tempo is " + remark.amount() + " percent faster than it is clean";
            case TOO_HARD -> name + " is harder than the stage is meant to be";
            case ENDING_UNMARKED -> "the part ends without a mark";
            case GRATES ->
                name + " grates where it is held: the two notes lie a second, a tritone or a great seventh apart";
        };
    }

    /** What mends it, as a button says it. */
    public static String mend(Reading.Remark remark) {
        String puts = remark.puts().map(each -> Words.article(each.stack())).orElse("");
        return remark.takes()
                .map(takes -> puts.isEmpty() ? "Take the " + name(takes) + " away" : "Make it " + puts)
                .orElse("Put " + puts + " there");
    }

    private static String name(Placement placement) {
        return Words.name(placement.stack());
    }
}
