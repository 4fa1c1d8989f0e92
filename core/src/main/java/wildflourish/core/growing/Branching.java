package wildflourish.core.growing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;

/**
 * Finds the best plan in which so many ornaments stand as are asked for over several bars, exactly. The planner does not know of them: they are given a bonus that is just large enough for it
 * to take as many; where it then takes more than it must, the most promising are put into the plan one after the other, until nothing could be better.
 */
final class Branching {
    /** An ornament that costs more than this many points is not had at all. */
    private static final int MOST_BONUS = 512;
    /** How far below the best plan ornaments that are asked for are looked for, in points; in turn, until there are any. */
    private static final List<Integer> WINDOWS = List.of(40, 160, 640);
    /** So many plans are made at most; after that the best so far is taken. */
    private static final int MOST_PLANS = 300;

    /** What makes the order of equals certain. */
    private static final Comparator<Option> IN_ORDER = Comparator.comparingInt(Option::from)
            .thenComparingInt(Option::weight)
            .thenComparing(Option::name);

    private final KnownKin known;
    private final NoteRow row;
    private final Level level;
    private final List<Request> requests;
    /** For each request the points that an ornament of it has more. */
    private final int[] bonus;

    /**
     * Some of all plans: those that have certain options and not others.
     *
     * @param options what can be chosen in them
     * @param forced what all of them have of what is asked for
     * @param bound no plan among them is worth more
     */
    private record Branch(List<List<Option>> options, List<Option> forced, int bound) {}

    /** {@code row}: with returns tied as they are planned. */
    Branching(KnownKin known, NoteRow row, Level level) {
        this.known = known;
        this.row = row;
        this.level = level;
        this.requests = row.requests();
        this.bonus = new int[requests.size()];
    }

    /** The best plan, without prices; empty where there is no way to have all that is asked for. */
    Optional<Plan> best(List<List<Option>> options) {
        Optional<Plan> free = Planner.best(known, row, level, options);
        if (free.isEmpty() || isMet(free.get().chosen())) {
            return free;
        }
        Branch all = new Branch(options, List.of(), Integer.MAX_VALUE);
        for (int i = 0; i < bonus.length; i++) {
            if (!isRaised(i, all)) {
                return Optional.empty();
            }
        }
        return searched(all);
    }

    private boolean isMet(List<Option> chosen) {
        return requests.stream().allMatch(request -> request.isMet(chosen));
    }

    /** Raises the bonus of a request until as many are taken, by no more than that needs; false where they never are. */
    private boolean isRaised(int number, Branch all) {
        int low = -1;
        int high = 0;
        while (!isTaken(number, high, all)) {
            if (high >= MOST_BONUS) {
                return false;
            }
            low = high;
            high = Math.min(MOST_BONUS, Math.max(8, 2 * high));
        }
        while (high - low > 1) {
            int middle = (low + high) / 2;
            if (isTaken(number, middle, all)) {
                high = middle;
            } else {
                low = middle;
            }
        }
        bonus[number] = high;
        return true;
    }

    private boolean isTaken(int number, int points, Branch all) {
        bonus[number] = points;
        return leaning(all)
                .filter(plan -> requests.get(number).isMet(plan.chosen()))
                .isPresent();
    }

    private Optional<Plan> searched(Branch all) {
        PriorityQueue<Branch> queue =
                new PriorityQueue<>(Comparator.comparingInt(Branch::bound).reversed());
        queue.add(all);
        Optional<Plan> best = Optional.empty();
        for (int plans = 0; plans < MOST_PLANS && !queue.isEmpty(); plans++) {
            Branch branch = queue.remove();
            int known = best.map(Plan::worth).orElse(Integer.MIN_VALUE);
            Optional<Plan> leaning = branch.bound() <= known ? Optional.empty() : leaning(branch);
            if (leaning.isPresent()) {
                int bound = leaning.get().worth() - owed(branch.forced());
                Plan plan = asItIs(leaning.get(), branch);
                boolean isMet = isMet(plan.chosen());
                best = isMet && plan.worth() > known ? Optional.of(plan) : best;
                if (!isMet || plan.worth() < bound) {
                    queue.addAll(branches(branch, leaning.get().worth()));
                }
            }
        }
        return best;
    }

    /** The best plan of a branch where what is asked for has its bonus. */
    private Optional<Plan> leaning(Branch branch) {
        return Planner.best(known, row, level, favoured(branch));
    }

    private List<List<Option>> favoured(Branch branch) {
        return branch.options().stream()
                .map(here -> here.stream()
                        .map(option -> option.worth(option.gain() + bonus(option, branch.forced())))
                        .toList())
                .toList();
    }

    /** What an option has more in a branch: what is forced has nothing more, and what a request needs no more of. */
    private int bonus(Option option, List<Option> forced) {
        int more = 0;
        boolean isForced = forced.stream().anyMatch(option.worth(0)::equals);
        for (int i = 0; i < bonus.length && !isForced; i++) {
            boolean isOpen = missing(i, forced) > 0;
            more += isOpen && requests.get(i).asksFor(option) ? bonus[i] : 0;
        }
        return more;
    }

    private int missing(int number, List<Option> forced) {
        Request request = requests.get(number);
        return request.count() - (int) forced.stream().filter(request::asksFor).count();
    }

    /** The bonuses that any plan of a branch has at least. */
    private int owed(List<Option> forced) {
        int owed = 0;
        for (int i = 0; i < bonus.length; i++) {
            owed += bonus[i] * Math.max(0, missing(i, forced));
        }
        return owed;
    }

    /** A plan without bonuses. */
    private Plan asItIs(Plan leaning, Branch branch) {
        List<Option> chosen = new ArrayList<>();
        int worth = leaning.worth();
        for (Option option : leaning.chosen()) {
            Option own = branch.options().get(option.from()).stream()
                    .filter(each -> each.worth(0).equals(option.worth(0)))
                    .findFirst()
                    .orElseThrow();
            chosen.add(own);
            worth -= option.gain() - own.gain();
        }
        return new Plan(chosen, worth, Map.of());
    }

    /** All plans of a branch have one more of what a request still misses: a branch for each of those, without those before it, and one for all that are too far below. */
    private List<Branch> branches(Branch branch, int worth) {
        Optional<Request> open = requests.stream()
                .filter(request -> missing(requests.indexOf(request), branch.forced()) > 0)
                .findFirst();
        int owed = owed(branch.forced());
        List<Branch> branches = new ArrayList<>();
        for (int i = 0; i < WINDOWS.size() && branches.isEmpty() && open.isPresent(); i++) {
            Map<Option, Integer> through = Planner.priced(row, level, favoured(branch), WINDOWS.get(i))
                    .map(Plan::through)
                    .orElse(Map.of());
            List<List<Option>> left = branch.options();
            for (Option each : asked(open.get(), through, branch.forced())) {
                List<Option> forced = new ArrayList<>(branch.forced());
                forced.add(each.worth(0));
                branches.add(new Branch(forcing(left, each), forced, through.getOrDefault(each, worth) - owed));
                left = forbidding(left, each);
            }
            if (!branches.isEmpty()) {
                branches.add(new Branch(left, branch.forced(), worth - owed - WINDOWS.get(i) - 1));
            }
        }
        return branches;
    }

    /** Those that are asked for and not forced yet, the most promising first. */
    private static List<Option> asked(Request request, Map<Option, Integer> through, List<Option> forced) {
        return through.keySet().stream()
                .filter(option -> request.asksFor(option) && !forced.contains(option.worth(0)))
                .sorted(Comparator.comparing((Option option) -> through.getOrDefault(option, 0))
                        .reversed()
                        .thenComparing(IN_ORDER))
                .toList();
    }

    private static List<List<Option>> forcing(List<List<Option>> options, Option forced) {
        return options.stream()
                .map(here -> here.stream()
                        .filter(option -> option.worth(0).equals(forced.worth(0)) || !option.overlaps(forced))
                        .toList())
                .toList();
    }

    private static List<List<Option>> forbidding(List<List<Option>> options, Option forbidden) {
        return options.stream()
                .map(here -> here.stream()
                        .filter(option -> !option.worth(0).equals(forbidden.worth(0)))
                        .toList())
                .toList();
    }
}
