package wildflourish.core.words;

import java.util.Optional;
import wildflourish.core.arranging.Join;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.tune.Tune;

/** What does not go well where phrases of two versions join, and what helps. */
public final class MixWords {
    private MixWords() {}

    /** A line for a join. */
    public static String of(Join join, Tune tune, Instrument instrument) {
        String remedy = remedy(join).map(words -> "; " + words).orElse("");
        return place(join, tune) + ": " + what(join, instrument) + remedy;
    }

    public static String place(Join join, Tune tune) {
        return Words.place(tune, tune.note(join.at()));
    }

    /** What is wrong. */
    public static String what(Join join, Instrument instrument) {
        String ornament =
                join.placement().map(each -> Words.article(each.stack())).orElse("an ornament");
        return switch (join.kind()) {
            case OVERLAP -> ornament + " reaches over the end of its phrase and is left out";
            case UNFIT -> ornament + " does not fit beside the other version";
            case BOW -> "the bow comes to the phrase the other way round";
            case BELLOWS -> "the bellows of the " + instrument.name() + " come to the phrase the other way round";
            case BREATH -> "nobody has the breath from the one phrase into the other";
            case LEAP -> "the line leaps by more than an octave";
        };
    }

    /** What puts it right; empty where only the player can. */
    public static Optional<String> remedy(Join join) {
        return switch (join.kind()) {
            case OVERLAP -> Optional.empty();
            case LEAP -> join.remedy().map(remedy -> "take the phrase at the octave where it leaps");
            case BELLOWS -> join.remedy().map(remedy -> "keep the button that brings them round");
            case UNFIT ->
                join.remedy()
                        .map(remedy -> remedy.spot()
                                .first()
                                .map(placement -> "take " + Words.article(placement.stack()) + " there")
                                .orElse("leave it out"));
            case BOW -> join.remedy().map(remedy -> "slur two notes before it");
            case BREATH -> join.remedy().map(remedy -> "take a breath before it");
        };
    }
}
