package wildflourish.core.growing;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Predicate;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Span;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Wish;

/**
 * A stair that has been planned.
 *
 * @param begun as it was before
 * @param tasks for each planned stage what was asked, its neighbours as they are in the end
 * @param plans for each planned stage the plan; none for a stage that there was no way for
 * @param stuck for stages that there was no way for, which have what stands there and below, no more: those pins without any one of which there would be one
 * @param share what the stages are worth at least against the best that there are, from 0 to 1, what the hand does for several together and returns that are varied left aside
 */
public record Grown(
        Stair begun,
        Stair stair,
        Map<Integer, Task> tasks,
        Map<Integer, Plan> plans,
        Map<Integer, List<Wish.Pin>> stuck,
        double share,
        Choices choices) {
    public Grown {
        tasks = Map.copyOf(tasks);
        plans = Map.copyOf(plans);
        stuck = Map.copyOf(stuck);
    }

    /** Whether {@link #share} leaves aside what the hand does for several together, as on strings and buttons. */
    public boolean leavesHandAside() {
        return tasks.values().stream().anyMatch(task -> task.hand().isPresent());
    }

    /** What was asked and planned at a stage; empty for one that was not planned or that there was no way for. */
    public Optional<StagePlan> at(int stage) {
        Task task = tasks.get(stage);
        Plan plan = plans.get(stage);
        return task == null || plan == null ? Optional.empty() : Optional.of(new StagePlan(task, plan, choices));
    }

    /** What is proposed at a stage: all that does not stand there yet, in the order of the tune. */
    public List<Placement> proposed(int stage) {
        List<Placement> standing = Dressing.of(begun.at(stage));
        return Optional.ofNullable(plans.get(stage)).stream()
                .flatMap(plan -> plan.chosen().stream())
                .map(choices::placement)
                .filter(each -> !standing.contains(each))
                .toList();
    }

    /** Another way for a stage, nearly as good, for the next time through; empty where nothing different comes near. */
    public Optional<Grown> secondWay(int stage) {
        return at(stage)
                .flatMap(now -> SecondWay.of(now.task(), now.plan()).map(other -> {
                    Map<Integer, Plan> others = new TreeMap<>(plans);
                    others.put(
                            stage,
                            new Plan(
                                    other,
                                    now.task().ledger(other).sum(),
                                    now.plan().through()));
                    List<Placement> all = other.stream().map(choices::placement).toList();
                    Stair changed = stair.with(stage, Dressing.dressed(begun.at(stage), all));
                    return new Grown(begun, changed, tasks, others, stuck, share, choices);
                }));
    }

    /** The stair with what is proposed at a stage and those above it on some spans, all else as it was; with what parts equal notes at the plain stage too, where that one is the lowest. */
    public Stair taking(int stage, Predicate<Span> isTaken) {
        Stair taking = begun;
        boolean isPlainPlanned = stage == 1 && plans.containsKey(0);
        for (int each = isPlainPlanned ? 0 : stage; each < begun.stages().size(); each++) {
            List<Placement> all = new ArrayList<>(Dressing.of(begun.at(each)));
            proposed(each).stream()
                    .filter(placement -> isTaken.test(placement.span()))
                    .forEach(all::add);
            taking = taking.with(each, Dressing.dressed(begun.at(each), all));
        }
        return taking;
    }
}
