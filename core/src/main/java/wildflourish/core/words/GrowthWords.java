package wildflourish.core.words;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.growing.Asking;
import wildflourish.core.growing.Choices;
import wildflourish.core.growing.Grown;
import wildflourish.core.growing.Ledger;
import wildflourish.core.growing.Option;
import wildflourish.core.growing.Plan;
import wildflourish.core.growing.WhyNot;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Wish;

/** Plans, their prices and their reasons in words. */
public final class GrowthWords {
    private static final int AS_GOOD = 3;
    private static final int A_LITTLE_LESS = 12;
    private static final int CLEARLY_LESS = 30;
    private static final int MOST_SAID = 2;
    private static final double SMALL_FOR_A_HAND = 0.45;

    private GrowthWords() {}

    /** How much less a plan is worth by so many points; empty where it is not known, being more than is worked out. Below 0 where the hand does better with it than was found. */
    public static String price(Optional<Integer> points) {
        if (points.isEmpty()) {
            return "far less (over " + Plan.MOST_PRICE + ")";
        }
        int price = points.get();
        if (price < 0) {
            return "better by " + -price;
        }
        String words = price <= AS_GOOD
                ? "as good"
                : price <= A_LITTLE_LESS
                        ? "a little less"
                        : price <= CLEARLY_LESS ? "clearly less" : price <= Plan.MOST_PRICE ? "much less" : "far less";
        return words + " (" + price + ")";
    }

    /** Why something was planned: what speaks for it by itself. */
    public static String why(Choices choices, Placement placement) {
        return choices.fit(placement).map(Words::why).orElse("It stands there already.");
    }

    /** Why something was not planned, and what would come and go with it. */
    public static String of(WhyNot why, Tune tune, Choices choices) {
        List<String> parts = new ArrayList<>();
        why.reasons().stream()
                .filter(term -> term.points() < 0)
                .limit(MOST_SAID)
                .forEach(term -> parts.add(of(term, tune, choices) + " (" + -term.points() + ")"));
        String changes = changes(why, tune, choices);
        String lead = why.price() <= 0 ? "As good as what is planned" : "It would lose " + why.price() + " points";
        return lead
                + (parts.isEmpty() ? "." : ": " + String.join("; ", parts) + ".")
                + (changes.isEmpty() ? "" : " " + changes);
    }

    /** What a change of a plan means for the hand, worked out anew over the whole tune; empty where that is next to nothing. */
    public static String hand(double more) {
        if (Math.abs(more) < SMALL_FOR_A_HAND) {
            return "";
        }
        return String.format(
                Locale.ROOT,
                " Over the whole tune it %s the hand %.1f.",
                more > 0 ? "costs" : "spares",
                Math.abs(more));
    }

    private static String changes(WhyNot why, Tune tune, Choices choices) {
        String goes = list(why.goes(), tune, choices);
        String comes = list(why.comes(), tune, choices);
        return (goes.isEmpty() ? "" : "Goes: " + goes + ".") + (comes.isEmpty() ? "" : " Comes: " + comes + ".");
    }

    private static String list(List<Option> options, Tune tune, Choices choices) {
        List<String> words = options.stream()
                .limit(MOST_SAID + 1)
                .map(option -> at(option, tune, choices))
                .toList();
        int more = options.size() - words.size();
        return String.join(", ", words) + (more > 0 ? " and " + more + " more" : "");
    }

    private static String at(Option option, Tune tune, Choices choices) {
        return Words.name(choices.placement(option).stack()) + " on "
                + Words.letter(tune.notes().get(option.from())) + " in bar " + bar(tune, option.from());
    }

    private static String bar(Tune tune, int note) {
        return String.valueOf(tune.form()
                .countedNumber(tune.placeOf(tune.notes().get(note).id()).bar()));
    }

    private static String of(Ledger.Term term, Tune tune, Choices choices) {
        String bar = bar(tune, term.note());
        return switch (term.kind()) {
            case OWN ->
                term.option()
                        .map(option -> "what " + at(option, tune, choices) + " brings by itself")
                        .orElse("what it brings by itself");
            case THICK -> "bar " + bar + " would be thicker";
            case TECHNIQUES -> "another kind in the phrase at bar " + bar;
            case NEAR -> "close to its neighbour, or like it, in bar " + bar;
            case LOAD -> "the load of the phrase at bar " + bar;
            case CLASH -> "the phrases around bar " + bar + " would have one and the same kind";
            case HAND -> "more for the hand than each by itself, in the phrase at bar " + bar;
            case BREATH -> "nowhere to breathe around bar " + bar;
        };
    }

    /** That there is no way for a stage: {@code pins}, without any one of which there would be one, are named. */
    public static String stuck(Tune tune, List<Wish.Pin> pins) {
        String named =
                String.join("; or ", pins.stream().map(pin -> asked(tune, pin)).toList());
        return pins.isEmpty()
                ? "There is no way round what stands here and what is asked for: take a pin away, or allow more."
                : "There is no way to have " + named + ". Take that pin away, or allow more.";
    }

    /** What a pin asks for at its note, or in its bar, phrase or part: {@code part A: rolls, at least 1}. */
    public static String asked(Tune tune, Wish.Pin pin) {
        if (!pin.kind().isWide()) {
            return Words.place(tune, tune.note(pin.note())) + ": something";
        }
        String what = pin.asked().map(GrowthWords::kind).orElse("anything");
        return Asking.of(tune, pin).name() + ": " + what + ", at least " + pin.count();
    }

    /** A kind of ornament within a sentence. */
    public static String kind(Ornament.Kind kind) {
        return Words.name(kind).toLowerCase(Locale.ROOT);
    }

    /** How near the stages of a plan come to the best there is, and what that leaves aside. */
    public static String near(Grown grown, double share) {
        return near(share) + (grown.leavesHandAside() ? ", the hand left aside" : "");
    }

    /** How near stages come to the best there are, what they are worth against that being told from 0 to 1: {@code within 2 % of the best there is}. */
    public static String near(double share) {
        int lost = (int) Math.ceil(100 * (1 - share) - 1e-9);
        return lost <= 0 ? "the best there is" : "within " + lost + " % of the best there is";
    }

    /** How much is proposed, kind by kind: {@code 7 cuts, 2 short rolls}. */
    public static String count(List<Placement> placements) {
        Map<String, Integer> kinds = new LinkedHashMap<>();
        placements.forEach(each -> kinds.merge(Words.name(each.stack()), 1, Integer::sum));
        List<String> words = new ArrayList<>();
        kinds.forEach((name, count) -> words.add(count + " × " + name.toLowerCase(Locale.ROOT)));
        return String.join(", ", words);
    }
}
