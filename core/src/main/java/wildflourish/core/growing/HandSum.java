package wildflourish.core.growing;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.hand.HandBeside;
import wildflourish.core.version.Placement;

/**
 * What the hand has to do on strings and buttons for everything that is planned together. Plans are made by what each ornament costs the hand alone; where several share a way of the hand, or stand in
 * each other's, that is too dear or too cheap, and here it is put right.
 */
public final class HandSum {
    /** Points for a unit of the string costs, on buttons for a turn of the bellows. */
    private static final double A_UNIT = 10;
    /** What all the ornaments of a version cost together that no hand can play; more than any plan is worth. */
    private static final int IMPOSSIBLE = 100_000;

    private final Choices choices;
    private final HandBeside bare;

    HandSum(Choices choices, HandBeside bare) {
        this.choices = choices;
        this.bare = bare;
    }

    /** Points for a cost to the hand. */
    static int points(double units) {
        return (int) Math.round(A_UNIT * units);
    }

    private List<Placement> placements(List<Option> options) {
        return options.stream().map(choices::placement).toList();
    }

    /** Points for all of them together. */
    private int together(List<Option> chosen) {
        double units = bare.together(placements(chosen));
        return units == Double.POSITIVE_INFINITY ? IMPOSSIBLE : points(units);
    }

    /** For each phrase the points that its ornaments cost together more than each of them alone; what phrases cost beside each other more than alone is added to the last that has any. All of them together are exact. */
    List<Integer> beyond(NoteRow row, List<Option> chosen) {
        List<Integer> beyond = new ArrayList<>();
        int rest = together(chosen);
        int last = 0;
        for (NoteRow.Stretch stretch : row.stretches()) {
            List<Option> here = row.within(stretch, chosen);
            int each = here.stream().mapToInt(choices::hand).sum();
            int own = here.size() < 2 ? each : together(here);
            last = here.isEmpty() ? last : beyond.size();
            beyond.add(own - each);
            rest -= own;
        }
        beyond.set(last, beyond.get(last) + rest);
        return beyond;
    }

    /** The phrases in which what each costs alone is off by more than a unit. */
    static Set<Integer> off(NoteRow row, Ledger ledger) {
        Set<Integer> off = new HashSet<>();
        for (Ledger.Term term : ledger.terms()) {
            if (term.kind() == Ledger.Kind.HAND && Math.abs(term.points()) > A_UNIT) {
                off.add(row.stretchAt(term.note()));
            }
        }
        return off;
    }

    /** A task in which everything that may be chosen in some phrases costs what it would cost beside the rest of a plan; empty where the hand cannot play the plan. */
    Optional<Task> beside(Task task, List<Option> chosen, Set<Integer> phrases) {
        return bare.standing(placements(chosen)).map(all -> {
            List<List<Option>> options = new ArrayList<>(task.options());
            for (int phrase : phrases) {
                NoteRow.Stretch stretch = task.row().stretches().get(phrase);
                for (int note = stretch.first(); note < stretch.last(); note++) {
                    options.set(
                            note,
                            options.get(note).stream()
                                    .flatMap(option -> beside(all, option).stream())
                                    .toList());
                }
            }
            return task.choosing(options);
        });
    }

    private Optional<Option> beside(HandBeside all, Option option) {
        if (option.isPlain()) {
            return Optional.of(option);
        }
        double units = all.of(choices.placement(option));
        return units == Double.POSITIVE_INFINITY
                ? Optional.empty()
                : Optional.of(option.worth(option.gain() + choices.hand(option) - points(units)));
    }
}
