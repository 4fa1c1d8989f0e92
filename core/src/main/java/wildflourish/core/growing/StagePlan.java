package wildflourish.core.growing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.hand.HandCost;
import wildflourish.core.hand.Scene;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Version;

/** What was asked and what was planned at one stage. */
public record StagePlan(Task task, Plan plan, Choices choices) {
    /** Whether prices have to be searched for: on strings and buttons, where the hand does one thing for several ornaments, where something is asked for over several bars, and where a return follows the first from far. */
    public boolean isSearched() {
        return task.hand().isPresent() || task.isAskedAnew();
    }

    /** What the plan would lose by having an option, exactly; empty where nothing leaves room for it and where that is more than is worked out. */
    public Optional<Integer> priceOf(Option option) {
        Optional<Integer> price = plan.priceOf(option);
        return isSearched() && price.isPresent() ? WhyNot.of(task, plan, option).map(WhyNot::price) : price;
    }

    /** What the plan would lose at least without what it has on some notes, exactly; empty where that is more than is worked out. */
    public Optional<Integer> priceWithout(Option taken) {
        Optional<Integer> price = plan.priceWithout(taken);
        return isSearched() && price.isPresent()
                ? task.forbidding(taken).searched().map(other -> plan.worth() - other.worth())
                : price;
    }

    /**
     * By how much more the hand has to do with what would come and without what would go, each worked out anew over the whole tune: what one ornament costs by itself says little where another
     * has the hand there already.
     *
     * @param version of the stage
     * @return in the units of the string costs, on buttons in turns of the bellows; empty on holes, and where the hand cannot go one of the two ways
     */
    public Optional<Double> handMore(Tune tune, Version version, Profile profile, WhyNot why) {
        List<Option> changed = new ArrayList<>(plan.chosen());
        changed.removeAll(why.goes());
        changed.addAll(why.comes());
        Optional<Double> now = hand(tune, version, profile, plan.chosen());
        return now.flatMap(before -> hand(tune, version, profile, changed)
                .map(after -> after - before)
                .filter(Double::isFinite));
    }

    private Optional<Double> hand(Tune tune, Version version, Profile profile, List<Option> chosen) {
        Version dressed = Dressing.dressed(
                version, chosen.stream().map(choices::placement).toList());
        return HandCost.of(Scene.of(tune, dressed, profile)).total();
    }
}
