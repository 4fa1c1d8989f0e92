package wildflourish.desktop.bench;

import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import wildflourish.core.growing.Choices;
import wildflourish.core.growing.Growth;
import wildflourish.core.growing.StagePlan;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Span;
import wildflourish.core.version.Stair;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.room.Tools;

/** A plan that is shown and not taken: outside the book, worked out away from the window's thread, anew whenever what it goes by is another. */
final class Planned {
    private final Tools tools;
    private final Runnable shown;
    private boolean isOn;
    private int lowest = 1;
    private int lesson;
    private Optional<Asked> asked = Optional.empty();
    private Optional<Growth.Grown> grown = Optional.empty();
    private Optional<Known> known = Optional.empty();

    /** All that a plan goes by. */
    private record Asked(Tune tune, Stair stair, Profile profile, int lowest) {}

    /** What fits, for as long as what decides it stays. */
    private record Known(Tune tune, Playing playing, List<Tempo> tempos, Profile profile, Choices choices) {
        static Known of(Asked asked) {
            return new Known(
                    asked.tune(),
                    asked.stair().at(0).playing(),
                    tempos(asked.stair()),
                    asked.profile(),
                    Growth.choices(asked.tune(), asked.stair(), asked.profile()));
        }

        private static List<Tempo> tempos(Stair stair) {
            return stair.stages().stream()
                    .map(version -> version.playing().tempo())
                    .toList();
        }

        boolean isFor(Asked asked) {
            return tune.equals(asked.tune())
                    && playing.equals(asked.stair().at(0).playing())
                    && tempos.equals(tempos(asked.stair()))
                    && profile.equals(asked.profile());
        }
    }

    /** {@code shown} is told whenever there is something else to be seen. */
    Planned(Tools tools, Runnable shown) {
        this.tools = tools;
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
                        .map(stair -> new Asked(tune, stair, sight.chosen().profile(), lowest)));
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
        Optional<Known> before = known.filter(each -> each.isFor(question));
        tools.away()
                .work(
                        "Planning the stages",
                        () -> {
                            Known choices = before.orElseGet(() -> Known.of(question));
                            return new Answer(
                                    choices,
                                    Growth.planned(
                                            question.tune(),
                                            question.stair(),
                                            question.lowest(),
                                            question.profile(),
                                            choices.choices()));
                        },
                        answer -> {
                            if (asked.equals(Optional.of(question))) {
                                known = Optional.of(answer.known());
                                grown = Optional.of(answer.grown());
                                shown.run();
                            }
                        });
    }

    private record Answer(Known known, Growth.Grown grown) {}

    /** What is proposed at a stage and does not stand there; none while a plan is worked out. */
    List<Placement> proposed(int stage) {
        return grown.map(plan -> plan.proposed(stage)).orElse(List.of());
    }

    boolean isStuck(int stage) {
        return grown.filter(plan -> plan.stuck().contains(stage)).isPresent();
    }

    Optional<StagePlan> of(int stage) {
        return grown.flatMap(plan -> plan.at(stage));
    }

    /** The stair with what is proposed from a stage on upward on some spans; empty where nothing is. */
    Optional<Stair> taking(Tune tune, int stage, Predicate<Span> isTaken) {
        return grown.filter(plan -> plan.plans().containsKey(stage)).map(plan -> plan.taking(tune, stage, isTaken));
    }

    /** Shows another way for a stage, nearly as good. */
    void secondWay(int stage) {
        Optional<Growth.Grown> now = grown;
        Optional<Asked> question = asked;
        if (now.isEmpty() || question.isEmpty() || !now.get().plans().containsKey(stage)) {
            return;
        }
        tools.away()
                .work(
                        "Looking for another way",
                        () -> now.get().secondWay(question.get().tune(), stage),
                        other -> {
                            if (grown.equals(now) && other.isPresent()) {
                                grown = other;
                                shown.run();
                            } else if (other.isEmpty()) {
                                tools.desk().say("No other way comes near this one.");
                            }
                        });
    }
}
