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
 */
public record Task(NoteRow row, Level level, List<List<Option>> options, Optional<HandSum> hand) {
    private static final int MOST_TRIES = 3;
    /** Families of phrases that may wait for their return at one time. */
    private static final int MOST_WAITING = 2;
    /** Returns of one phrase that are planned together. */
    private static final int MOST_TIMES = 2;

    public Task {
        options = options.stream().map(List::copyOf).toList();
    }

    /** Where each option by itself is all that the hand has to do. */
    public Task(NoteRow row, Level level, List<List<Option>> options) {
        this(row, level, options, Optional.empty());
    }

    /** The same where each option by itself is all that the hand has to do. */
    public Task byEach() {
        return new Task(row, level, options);
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

    /** The best plan by what each option asks of the hand alone, without prices; empty where there is no way through. */
    public Optional<Plan> best() {
        return row.requests().isEmpty()
                ? Planner.best(planned(), level, options)
                : new Branching(planned(), level).best(options);
    }

    /** The same with the worth of the best plan through every option, at most where something is asked for over several bars; empty where there is no way through. */
    public Optional<Plan> priced() {
        NoteRow planned = planned();
        Optional<Plan> free = Planner.priced(planned, level, options);
        return row.requests().isEmpty()
                ? free
                : free.flatMap(prices -> new Branching(planned, level)
                        .best(options)
                        .map(plan -> new Plan(plan.chosen(), plan.worth(), plan.atMost(prices.through()))));
    }

    /** The row with as many returns tied as can be planned together. */
    private NoteRow planned() {
        return row.tiedWhere(options).boundedTo(MOST_WAITING, MOST_TIMES);
    }

    /** With an option that must be taken. */
    public Task forcing(Option forced) {
        return new Task(
                row,
                level,
                options.stream()
                        .map(here -> here.stream()
                                .filter(option -> option.equals(forced) || !option.overlaps(forced))
                                .toList())
                        .toList(),
                hand);
    }

    /** Without an option; returns that are tied to it lose it too. */
    public Task forbidding(Option forbidden) {
        return new Task(
                row,
                level,
                options.stream()
                        .map(here -> here.stream()
                                .filter(option -> !option.equals(forbidden))
                                .toList())
                        .toList(),
                hand);
    }

    /** What a plan is worth, point by point. */
    public Ledger ledger(List<Option> chosen) {
        return Ledger.of(this, chosen);
    }
}
