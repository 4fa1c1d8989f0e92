package wildflourish.desktop.bench;

import java.util.List;
import java.util.Optional;
import java.util.function.DoubleConsumer;
import java.util.function.Predicate;
import wildflourish.core.growing.Choices;
import wildflourish.core.growing.Grown;
import wildflourish.core.growing.Growth;
import wildflourish.core.growing.Liking;
import wildflourish.core.growing.StagePlan;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Span;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Wish;
import wildflourish.core.words.GrowthWords;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.room.Tools;

/** A plan that is shown and not taken: outside the book, worked out away from the window's thread, anew whenever what it goes by is another. */
final class Planned {
    /** About how much of the time goes into finding what fits. */
    private static final double SHARE_OF_FINDING = 0.7;

    private final Tools tools;
    private final Runnable shown;
    private final Fitting fitting;
    private boolean isOn;
    private int lowest = 1;
    private int lesson;
    private Optional<Asked> asked = Optional.empty();
    private Optional<Grown> grown = Optional.empty();

    /** All that a plan goes by. */
    private record Asked(Tune tune, Stair stair, Profile profile, int lowest, Optional<Liking> own) {}

    /** {@code shown} is told whenever there is something else to be seen. */
    Planned(Tools tools, Fitting fitting, Runnable shown) {
        this.tools = tools;
        this.fitting = fitting;
        this.shown = shown;
    }

    boolean isOn() {
        return isOn;
    }

    boolean isWorking() {
        return isOn && grown.isEmpty();
    }

    /** From the stage worked on upward. */
    void begin(Sight sight) {
        isOn = true;
        lowest = sight.chosen().stage();
        lesson = sight.lessonIndex();
        asked = Optional.empty();
        follow(sight);
    }

    void end() {
        isOn = false;
        asked = Optional.empty();
        grown = Optional.empty();
    }

    /** Plans anew where something else is on the desk. */
    void follow(Sight sight) {
        if (!isOn) {
            return;
        }
        Optional<Asked> now = sight.tune()
                .flatMap(tune -> sight.stair()
                        .filter(stair -> lowest < stair.stages().size())
                        .map(stair -> new Asked(
                                tune,
                                stair,
                                sight.chosen().profile(),
                                lowest,
                                tools.tastes().of(stair.instrument().family()))));
        if (now.equals(asked)) {
            return;
        }
        asked = now;
        grown = Optional.empty();
        if (now.isEmpty() || sight.lessonIndex() != lesson) {
            end();
            return;
        }
        Asked question = now.get();
        tools.away()
                .follow(
                        "Planning the stages",
                        reached -> planned(question, reached),
                        answer -> {
                            if (asked.equals(Optional.of(question))) {
                                grown = Optional.of(answer);
                                shown.run();
                            }
                        },
                        () -> {
                            end();
                            shown.run();
                        });
    }

    private Grown planned(Asked question, DoubleConsumer reached) {
        Choices choices = fitting.of(
                question.tune(),
                question.stair(),
                question.profile(),
                share -> reached.accept(SHARE_OF_FINDING * share));
        return Growth.planned(
                question.tune(),
                question.stair(),
                question.lowest(),
                question.profile(),
                choices,
                share -> reached.accept(SHARE_OF_FINDING + (1 - SHARE_OF_FINDING) * share));
    }

    /** What is proposed at a stage and does not stand there; none while a plan is worked out. */
    List<Placement> proposed(int stage) {
        return grown.map(plan -> plan.proposed(stage)).orElse(List.of());
    }

    /** The pins that leave no way for a stage, none where those are not known; empty where there is a way. */
    Optional<List<Wish.Pin>> stuck(int stage) {
        return grown.flatMap(plan -> Optional.ofNullable(plan.stuck().get(stage)));
    }

    /** In words how near the planned stages come to the best there are. */
    String near() {
        return grown.map(plan -> GrowthWords.near(plan, plan.share())).orElse("");
    }

    Optional<StagePlan> of(int stage) {
        return grown.flatMap(plan -> plan.at(stage));
    }

    /** The stair with what is proposed from a stage on upward on some spans; empty where nothing is. */
    Optional<Stair> taking(int stage, Predicate<Span> isTaken) {
        return grown.filter(plan -> plan.plans().containsKey(stage)).map(plan -> plan.taking(stage, isTaken));
    }

    /** Shows another way for a stage, nearly as good. */
    void secondWay(int stage) {
        Optional<Grown> now = grown;
        Optional<Asked> question = asked;
        if (now.isEmpty() || question.isEmpty() || !now.get().plans().containsKey(stage)) {
            return;
        }
        tools.away().work("Looking for another way", () -> now.get().secondWay(stage), other -> {
            if (grown.equals(now) && other.isPresent()) {
                grown = other;
                shown.run();
            } else if (other.isEmpty()) {
                tools.desk().say("No other way comes near this one.");
            }
        });
    }
}
