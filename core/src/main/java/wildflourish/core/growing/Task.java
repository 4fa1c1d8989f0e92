package wildflourish.core.growing;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What is to be planned at one stage: the notes, what a plan is judged by, and for each note what may begin on it.
 *
 * @param options for each note of the row, a plain note among them where it may stay plain
 * @param hand what the hand has to do for several together; empty where each by itself is all that counts
 * @param known phrases that were planned before at the stage, and are then
 */
public record Task(NoteRow row, Level level, List<List<Option>> options, Optional<HandSum> hand, KnownKin known) {
    private static final int MOST_TRIES = 3;

    public Task {
        options = options.stream().map(List::copyOf).toList();
    }

    /** Where each option by itself is all that the hand has to do. */
    public Task(NoteRow row, Level level, List<List<Option>> options) {
        this(row, level, options, Optional.empty(), new KnownKin());
    }

    /** The same where each option by itself is all that the hand has to do. */
    public Task byEach() {
        return new Task(row, level, options, Optional.empty(), known);
    }

    /** The same with other options to choose from. */
    public Task choosing(List<List<Option>> others) {
        return new Task(row, level, others, hand, known);
    }

    /**
     * The best plan, what the hand has to do for all of it worked out anew: phrases in which that is off are planned once more beside the rest, and what is worth more is kept. Its worth is
     * exact; that no other plan is worth more is certain only where the hand does nothing for several together.
     */
    public Optional<Plan> searched() {
        return best().map(first -> hand.map(sum -> searched(sum, first)).orElse(first));
    }

    /** A plan as it is, or a better one for the hand. */
    Plan searched(HandSum sum, Plan first) {
        List<Option> best = own(first.chosen());
        Ledger ledger = ledger(best);
        boolean hasRisen = true;
        for (int i = 0; i < MOST_TRIES && hasRisen; i++) {
            Set<Integer> off = HandSum.off(row, ledger);
            Optional<List<Option>> other = off.isEmpty()
                    ? Optional.empty()
                    : sum.beside(this, best, off).flatMap(Task::best).map(plan -> own(plan.chosen()));
            Optional<Ledger> its = other.map(this::ledger);
            hasRisen = its.isPresent() && its.get().sum() > ledger.sum();
            best = hasRisen ? other.orElse(best) : best;
            ledger = hasRisen ? its.orElse(ledger) : ledger;
        }
        return new Plan(best, ledger.sum(), Map.of());
    }

    /** Options with the points that they have here. */
    List<Option> own(List<Option> chosen) {
        return chosen.stream()
                .map(option -> options.get(option.from()).stream()
                        .filter(each -> each.to() == option.to() && each.name().equals(option.name()))
                        .findFirst()
                        .orElse(option))
                .toList();
    }

    /** The best plan by what each option asks of the hand alone, without prices; empty where there is no way through. Returns that are planned by themselves follow the first: it is the best for that. */
    public Optional<Plan> best() {
        Returning returning = new Returning(row, options);
        Optional<Plan> plan = best(returning.planned(), options);
        return plan.filter(first -> !returning.isFollowed(first.chosen())).isPresent()
                ? plan.flatMap(first -> best(returning.planned(), returning.following(options, first.chosen())))
                        .or(() -> plan)
                : plan;
    }

    /**
     * What no plan is worth more than by what each option asks of the hand alone: the best one, with returns that follow from far left free.
     *
     * @param last what was asked in the end of the same stage: returns are tied as far as they are there too
     * @param best the worth of {@link #best}
     */
    int most(Task last, int best) {
        Returning returning = new Returning(row, options);
        NoteRow common = returning.tied().tiedAsIn(new Returning(last.row, last.options).tied());
        boolean isSure = common.equals(returning.tied()) && !returning.hasFollowers();
        return isSure
                ? best
                : best(new Returning(common, options).planned(), options)
                        .map(Plan::worth)
                        .orElse(best);
    }

    private Optional<Plan> best(NoteRow planned, List<List<Option>> choices) {
        return row.requests().isEmpty()
                ? Planner.best(known, planned, level, choices)
                : new Branching(known, planned, level).best(choices);
    }

    /** The same with the worth of the best plan through every option, at most where {@link #isAskedAnew}; empty where there is no way through. */
    public Optional<Plan> priced() {
        Optional<Plan> free = Planner.priced(new Returning(row, options).planned(), level, options);
        return isAskedAnew()
                ? free.flatMap(prices ->
                        best().map(plan -> new Plan(plan.chosen(), plan.worth(), plan.atMost(prices.through()))))
                : free;
    }

    /** Whether the worth of plans through an option is only told by asking for it: where something is asked for over several bars, and where a return follows the first from far. */
    boolean isAskedAnew() {
        return !row.requests().isEmpty() || new Returning(row, options).hasFollowers();
    }

    /** With an option that must be taken, in all returns that are tied. */
    public Task forcing(Option forced) {
        List<Option> all = new Returning(row, options).twins(forced, options);
        return choosing(options.stream()
                .map(here -> here.stream()
                        .filter(option -> all.contains(option) || all.stream().noneMatch(option::overlaps))
                        .toList())
                .toList());
    }

    /** Without an option; returns that are tied to it lose it too. */
    public Task forbidding(Option forbidden) {
        List<Option> all = new Returning(row, options).twins(forbidden, options);
        return choosing(options.stream()
                .map(here ->
                        here.stream().filter(option -> !all.contains(option)).toList())
                .toList());
    }

    /** What a plan is worth, point by point. */
    public Ledger ledger(List<Option> chosen) {
        return Ledger.of(this, chosen);
    }
}
