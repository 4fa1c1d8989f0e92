package wildflourish.core.words;

import wildflourish.core.growing.Learning;
import wildflourish.core.ornament.Ornament;

/** A learnt taste in words. */
public final class TasteWords {
    private TasteWords() {}

    /** How much more it agrees with its teacher than the usual taste, on tunes that were left out. */
    public static String of(Learning.Learnt learnt) {
        String agreement = "From " + learnt.tunes() + " tunes with " + learnt.placements()
                + " placements. On tunes I had not seen, " + learnt.own()
                + " of 100 placements as you have them; the usual taste "
                + learnt.usual() + ".";
        return agreement
                + (learnt.isBetter()
                        ? " Each change can be left out."
                        : " That is no more than chance would make of it: the usual taste serves you as well.");
    }

    /** What there is too little of to learn from. */
    public static String tooLittle(int tunes, int placements, String family) {
        return "There is too little to learn from: " + tunes + " tunes with " + placements
                + " placements for the " + family + " in this book; it takes " + Learning.LEAST_TUNES + " and "
                + Learning.LEAST_PLACEMENTS + ".";
    }

    /** One thing that is liked more or less. */
    public static String of(Learning.Change change) {
        int points = Math.abs(change.points());
        String more = points + (points == 1 ? " point " : " points ") + (change.points() > 0 ? "more" : "less");
        return switch (change.what()) {
            case "fee" -> "what any ornament must bring: " + more;
            case "place" -> "on the beat: " + more;
            case "size" -> "for its weight: " + more;
            default -> Ornament.find(change.what()).map(Ornament::name).orElse(change.what()) + ": " + more;
        };
    }
}
