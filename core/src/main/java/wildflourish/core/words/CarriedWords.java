package wildflourish.core.words;

import wildflourish.core.carrying.Carried;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.tune.Tune;

/** What became of the placements of a stair carried over to another instrument. */
public final class CarriedWords {
    private CarriedWords() {}

    /** {@code 34 kept, 5 replaced, 3 left out}. */
    public static String count(Carried carried) {
        return carried.kept().size() + " kept, " + carried.replaced().size() + " replaced, "
                + carried.dropped().size() + " left out";
    }

    /** One line: the stage, the place, what stood there, what stands there now, and why. */
    public static String of(Carried carried, Carried.Move move, Tune tune) {
        return carried.stair().at(move.stage()).name() + ", " + place(move, tune) + ": "
                + Words.name(move.from().stack()) + " " + result(move)
                + (move.isKept() ? "" : ". " + why(carried, move));
    }

    /** Where it stands. */
    public static String place(Carried.Move move, Tune tune) {
        return Words.place(tune, tune.note(move.from().span().first()));
    }

    /** {@code kept}, {@code becomes a cut}, {@code is left out}. */
    public static String result(Carried.Move move) {
        return move.isKept()
                ? "kept"
                : move.to().map(to -> "becomes " + Words.article(to.stack())).orElse("is left out");
    }

    /** Why it is not the same there; nothing for what is kept. */
    public static String why(Carried carried, Carried.Move move) {
        Instrument to = carried.stair().instrument();
        return move.isKept()
                ? ""
                : move.refused()
                        .map(Words::why)
                        .orElseGet(() -> move.to().isPresent()
                                ? "The " + to.name() + " has this in place of it."
                                : "The " + to.name() + " has nothing of its kind that fits here.");
    }
}
