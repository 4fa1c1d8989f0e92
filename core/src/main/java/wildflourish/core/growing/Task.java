package wildflourish.core.growing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What is to be planned at one stage: the notes, what a plan is judged by, and for each note what may begin on it.
 *
 * @param options for each note of the row, a plain note among them where it may stay plain
 */
public record Task(NoteRow row, Level level, List<List<Option>> options) {
    /** Families of phrases that may wait for their return at one time. */
    private static final int MOST_WAITING = 2;
    /** Returns of one phrase that are planned together. */
    private static final int MOST_TIMES = 2;

    public Task {
        options = options.stream().map(List::copyOf).toList();
    }

    /** The best plan, without prices; empty where there is no way through. */
    public Optional<Plan> best() {
        return Planner.best(planned(), level, options);
    }

    /** The best plan with the worth of the best one through every option; empty where there is no way through. */
    public Optional<Plan> priced() {
        return Planner.priced(planned(), level, options);
    }

    /** The row with as many returns tied as can be planned together. */
    private NoteRow planned() {
        return row.tiedWhere(options).boundedTo(MOST_WAITING, MOST_TIMES);
    }

    /** With an option that must be taken. */
    public Task forcing(Option forced) {
        List<List<Option>> left = new ArrayList<>();
        for (List<Option> here : options) {
            left.add(here.stream()
                    .filter(option -> option.equals(forced) || !option.overlaps(forced))
                    .toList());
        }
        return new Task(row, level, left);
    }

    /** Without an option; returns that are tied to it lose it too. */
    public Task forbidding(Option forbidden) {
        List<List<Option>> left = new ArrayList<>();
        for (List<Option> here : options) {
            left.add(here.stream().filter(option -> !option.equals(forbidden)).toList());
        }
        return new Task(row, level, left);
    }

    /** What a plan is worth, point by point. */
    public Ledger ledger(List<Option> chosen) {
        return Ledger.of(this, chosen);
    }
}
