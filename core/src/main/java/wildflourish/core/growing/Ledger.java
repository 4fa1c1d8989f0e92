package wildflourish.core.growing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * What a plan is worth, point by point, added up by itself and not by the planner.
 *
 * @param terms in no order; what is 0 is left out
 */
public record Ledger(List<Term> terms) {
    /** What a term is for. */
    public enum Kind {
        /** An ornament by itself: its reasons, place, size and kind, less its fee and toil. */
        OWN,
        /** More ornaments in a bar than are free. */
        THICK,
        /** Several techniques in a phrase. */
        TECHNIQUES,
        /** Neighbours that touch or are alike. */
        NEAR,
        /** Too much or too little in a phrase. */
        LOAD,
        /** Two phrases side by side with one and the same technique alone. */
        CLASH,
        /** Two phrases side by side in which nobody can breathe. */
        BREATH,
        /** What the ornaments of a phrase together ask of the hand more than each of them alone. */
        HAND
    }

    /**
     * Points for one thing.
     *
     * @param note the note, from 0, at which it stands; the first of its phrase for what is of a phrase
     * @param option the ornament, for what is of one
     */
    public record Term(Kind kind, int note, Optional<Option> option, int points) {}

    public Ledger {
        terms = List.copyOf(terms);
    }

    public int sum() {
        return terms.stream().mapToInt(Term::points).sum();
    }

    /** Without what the hand has to do for several together. */
    int sumByEach() {
        return terms.stream()
                .filter(term -> term.kind() != Kind.HAND)
                .mapToInt(Term::points)
                .sum();
    }

    /**
     * What this has over another, term by term: what both have alike is left out, what only the other has counts against it; the greatest first.
     */
    public List<Term> over(Ledger other) {
        List<Term> differences = new ArrayList<>();
        Set<Integer> met = new HashSet<>();
        for (Term term : terms) {
            int twin = find(other.terms, term, met);
            if (twin < 0) {
                differences.add(term);
            } else {
                met.add(twin);
                int points = term.points() - other.terms.get(twin).points();
                if (points != 0) {
                    differences.add(new Term(term.kind(), term.note(), term.option(), points));
                }
            }
        }
        for (int i = 0; i < other.terms.size(); i++) {
            if (!met.contains(i)) {
                Term term = other.terms.get(i);
                differences.add(new Term(term.kind(), term.note(), term.option(), -term.points()));
            }
        }
        differences.sort(
                Comparator.comparingInt((Term term) -> -Math.abs(term.points())).thenComparingInt(Term::note));
        return differences;
    }

    private static int find(List<Term> terms, Term wanted, Set<Integer> met) {
        for (int i = 0; i < terms.size(); i++) {
            Term term = terms.get(i);
            boolean isSame = term.kind() == wanted.kind()
                    && term.note() == wanted.note()
                    && (wanted.kind() != Kind.OWN || term.option().equals(wanted.option()));
            if (isSame && !met.contains(i)) {
                return i;
            }
        }
        return -1;
    }

    static Ledger of(Task task, List<Option> chosen) {
        NoteRow row = task.row();
        Level level = task.level();
        List<Term> terms = new ArrayList<>();
        Optional<Look> before = Optional.empty();
        for (NoteRow.Stretch stretch : row.stretches()) {
            List<Option> here = row.within(stretch, chosen);
            ofOptions(row, level, here, terms);
            Level.Load load =
                    level.loadOf(row.length(stretch.first(), stretch.last()), row.semibreve(), stretch.isPickup());
            int weight = here.stream().mapToInt(Option::weight).sum();
            add(terms, Kind.LOAD, stretch.first(), -Level.cost(load, weight));
            if (!stretch.isPickup()) {
                Look look = Look.of(row, stretch, here);
                if (before.isPresent()) {
                    boolean clashes = look.alone() != Option.NONE
                            && look.alone() == before.get().alone();
                    add(terms, Kind.CLASH, stretch.first(), clashes ? -level.clash() : 0);
                    boolean isBreathless =
                            row.isBlown() && !look.canBreathe() && !before.get().canBreathe();
                    add(terms, Kind.BREATH, stretch.first(), isBreathless ? -level.breath() : 0);
                }
                before = Optional.of(look);
            }
        }
        task.hand().ifPresent(hand -> {
            List<Integer> beyond = hand.beyond(row, chosen);
            for (int i = 0; i < beyond.size(); i++) {
                add(terms, Kind.HAND, row.stretches().get(i).first(), -beyond.get(i));
            }
        });
        return new Ledger(terms);
    }

    private static void add(List<Term> terms, Kind kind, int note, int points) {
        if (points != 0) {
            terms.add(new Term(kind, note, Optional.empty(), points));
        }
    }

    private static void ofOptions(NoteRow row, Level level, List<Option> chosen, List<Term> terms) {
        int bar = -1;
        int inBar = 0;
        Set<Integer> techniques = new HashSet<>();
        Optional<Option> last = Optional.empty();
        for (Option option : chosen) {
            int its = row.bars().get(option.from());
            inBar = its == bar ? inBar : 0;
            bar = its;
            terms.add(new Term(Kind.OWN, option.from(), Optional.of(option), option.gain()));
            int free = level.freeIn(row.barLengths().get(its), row.semibreve());
            int thick = -level.thickness(inBar, free);
            if (thick != 0) {
                terms.add(new Term(Kind.THICK, option.from(), Optional.of(option), thick));
            }
            inBar++;
            if (!techniques.contains(option.kind())) {
                int price = -level.technique(techniques.size());
                if (price != 0) {
                    terms.add(new Term(Kind.TECHNIQUES, option.from(), Optional.of(option), price));
                }
                techniques.add(option.kind());
            }
            int near = -last.map(each -> near(row, level, each, option)).orElse(0);
            if (near != 0) {
                terms.add(new Term(Kind.NEAR, option.from(), Optional.of(option), near));
            }
            last = Optional.of(option);
        }
    }

    private static int near(NoteRow row, Level level, Option before, Option option) {
        if (row.length(before.to(), option.from()) >= row.crotchet()) {
            return 0;
        }
        return (before.to() == option.from() ? level.near().touching() : 0)
                + (before.kind() == option.kind() ? level.near().sameKind() : 0)
                + (option.begins() != Option.NONE && before.finger() == option.begins()
                        ? level.near().sameFinger()
                        : 0);
    }

    /**
     * What a neighbour sees of a phrase.
     *
     * @param alone its only technique; −1 where there is none or several
     */
    private record Look(int alone, boolean canBreathe) {
        static Look of(NoteRow row, NoteRow.Stretch stretch, List<Option> chosen) {
            Set<Integer> kinds = new HashSet<>();
            chosen.forEach(option -> kinds.add(option.kind()));
            boolean canBreathe = false;
            int at = stretch.first();
            while (at < stretch.last()) {
                int here = at;
                Option step = chosen.stream()
                        .filter(option -> option.from() == here)
                        .findFirst()
                        .orElse(Option.plain(at));
                canBreathe |= step.weight() <= 1 && row.length(step.from(), step.to()) >= row.crotchet();
                at = step.to();
            }
            return new Look(kinds.size() == 1 ? kinds.iterator().next() : Option.NONE, canBreathe);
        }
    }
}
