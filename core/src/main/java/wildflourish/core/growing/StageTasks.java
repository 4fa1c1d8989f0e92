package wildflourish.core.growing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.version.Wish;

/** What is asked of each stage of a stair, beside what stands below and above it. */
final class StageTasks {
    /** A later return that agrees with the first costs so much where returns are to be varied. */
    private static final int AGREEING = 5;

    private final Tune tune;
    private final Stair stair;
    private final Profile profile;
    private final Choices choices;
    private final Neighbours.Growing growing;
    /** For each stage what may be chosen there, were it alone. */
    private final Map<Integer, List<List<Candidate>>> allowed = new HashMap<>();

    private final Map<Integer, Taste> tastes = new HashMap<>();
    private final Map<Integer, KnownKin> known = new HashMap<>();
    /** What was chosen and then did not fit beside what else was chosen, without points. */
    private final Set<Option> never = new HashSet<>();

    /** What stands below and above a stage, as far as that is planned. */
    record Around(List<Placement> below, Optional<List<Placement>> above) {}

    StageTasks(Tune tune, Stair stair, Profile profile, Choices choices) {
        this.tune = tune;
        this.stair = stair;
        this.profile = profile;
        this.choices = choices;
        this.growing = new Neighbours.Growing(stair.instrument().family());
    }

    /** No stage has something any more that was found not to fit. */
    void forbid(Placement unfit) {
        never.add(choices.bare(unfit));
    }

    /** Whether something may stand under something else. */
    boolean isBorne(Option lower, Option higher) {
        return Neighbours.isBorne(growing, lower, choices.placement(lower), higher, choices.placement(higher));
    }

    /** What stands at a stage and what it must bear, where nothing can be planned. */
    Plan standing(int stage, List<Placement> below) {
        Taste taste = taste(stage);
        Liking liking = liking(stage);
        List<Option> all = new ArrayList<>();
        Stream.concat(kept(stage).stream(), below.stream())
                .map(each -> choices.standing(each, taste, liking))
                .filter(option -> all.stream().noneMatch(option::overlaps))
                .forEach(all::add);
        all.sort(Comparator.comparingInt(Option::from));
        return new Plan(all, 0, Map.of());
    }

    /** What stands at a stage already. */
    private List<Placement> kept(int stage) {
        return Dressing.of(stair.at(stage));
    }

    Wish wish(int stage) {
        return stair.at(stage).label().wish();
    }

    private Liking liking(int stage) {
        return choices.liking(stair.at(stage));
    }

    /** What is planned in the end: where returns are to be varied, less for what agrees with the first time. */
    Task goal(int stage, Task task) {
        return wish(stage).isVaried()
                ? task.best().map(first -> varied(task, first)).orElse(task)
                : task;
    }

    Task task(int stage, Around around) {
        Taste taste = taste(stage);
        Liking liking = liking(stage);
        List<Option> kept = kept(stage).stream()
                .map(each -> choices.standing(each, taste, liking))
                .toList();
        List<Option> under = around.below().stream()
                .map(each -> choices.standing(each, taste, liking))
                .filter(option -> kept.stream().noneMatch(option::overlaps))
                .toList();
        List<Placement> staying = new ArrayList<>();
        for (int each = stage + 1; each < stair.stages().size(); each++) {
            staying.addAll(kept(each));
        }
        Neighbours neighbours = new Neighbours(tune, growing, around.below(), around.above(), staying);
        List<List<Option>> options = new ArrayList<>();
        for (List<Candidate> here : allowed.computeIfAbsent(stage, this::allowed)) {
            List<Option> admitted = new ArrayList<>();
            for (Candidate candidate : here) {
                Option option = candidate.option();
                boolean isAdmitted = candidate.placement().isEmpty()
                        ? neighbours.admitsPlain(option.from())
                        : neighbours.admits(option, candidate.placement().get()) && !isRefused(stage, option);
                if (isAdmitted && (kept.isEmpty() || kept.stream().noneMatch(option::overlaps))) {
                    admitted.add(option);
                }
            }
            options.add(admitted);
        }
        Stream.concat(kept.stream(), under.stream())
                .filter(option -> !options.get(option.from()).contains(option))
                .forEach(option -> options.get(option.from()).add(0, option));
        NoteRow row = choices.asked(wish(stage), taste.isTied(wish(stage).returns()));
        Level level = taste.level()
                .bearing(row, Stream.concat(kept.stream(), under.stream()).toList(), options);
        return new Task(row, level, options, choices.hand(), known.computeIfAbsent(stage, key -> new KnownKin()));
    }

    /** Those of a stage's pins that ask for something and without any one of which there is a way. */
    List<Wish.Pin> inTheWay(int stage, Around around) {
        Version version = stair.at(stage);
        Around below = new Around(around.below(), Optional.empty());
        return wish(stage).within(tune).pins().stream()
                .filter(pin -> pin.kind() != Wish.Pin.Kind.NEVER)
                .filter(pin -> {
                    Wish lifted = wish(stage).lifting(pin);
                    Stair without =
                            stair.with(stage, version.with(version.label().wishing(lifted)));
                    return new StageTasks(tune, without, profile, choices)
                            .task(stage, below)
                            .best()
                            .isPresent();
                })
                .toList();
    }

    /** What may be chosen, with what it stands for; a plain note for nothing. */
    private record Candidate(Option option, Optional<Placement> placement) {}

    /** What may be chosen at a stage, were it alone. */
    private List<List<Candidate>> allowed(int stage) {
        List<List<Option>> options = choices.options(taste(stage), tempos(stage), liking(stage), wish(stage));
        return (stage == 0 ? choices.partings(options) : options)
                .stream()
                        .map(here -> here.stream().map(this::candidate).toList())
                        .toList();
    }

    private Candidate candidate(Option option) {
        return new Candidate(option, option.isPlain() ? Optional.empty() : Optional.of(choices.placement(option)));
    }

    /** Whether something was found not to fit beside what else was chosen, or a stage above, which would have to bear it, is never to have it there. */
    private boolean isRefused(int stage, Option option) {
        if (!never.isEmpty() && never.contains(option.worth(0))) {
            return true;
        }
        NoteId note = tune.notes().get(option.from()).id();
        for (int above = stage + 1; above < stair.stages().size(); above++) {
            if (wish(above).refuses(note, option.name())) {
                return true;
            }
        }
        return false;
    }

    /** Later returns dressed otherwise than the first, where that costs little: exact given the first. */
    private Task varied(Task task, Plan first) {
        List<List<Option>> options = new ArrayList<>(task.options());
        Map<Integer, NoteRow.Stretch> firsts = new TreeMap<>();
        for (NoteRow.Stretch stretch : choices.row().stretches()) {
            NoteRow.Stretch model = firsts.putIfAbsent(stretch.family(), stretch);
            if (model == null) {
                continue;
            }
            int moved = stretch.first() - model.first();
            for (int note = stretch.first(); note < stretch.last(); note++) {
                options.set(
                        note,
                        options.get(note).stream()
                                .map(option -> isAgreeing(option.moved(-moved), first)
                                        ? option.worth(option.gain() - AGREEING)
                                        : option)
                                .toList());
            }
        }
        return task.choosing(options);
    }

    private static boolean isAgreeing(Option option, Plan first) {
        return !option.isPlain()
                && first.chosen().stream()
                        .anyMatch(each -> each.from() == option.from()
                                && each.to() == option.to()
                                && each.name().equals(option.name()));
    }

    /** The tempos of a stage and of all above it, for what is placed there is played at all of them. */
    private List<Tempo> tempos(int stage) {
        return stair.stages().subList(stage, stair.stages().size()).stream()
                .map(version -> version.playing().tempo())
                .distinct()
                .toList();
    }

    private Taste taste(int stage) {
        return tastes.computeIfAbsent(stage, key -> taste(stair, stage, profile));
    }

    /** What a stage of a stair is judged by, for a student, as its teacher wishes; the plain stage by what the one above it is. */
    static Taste taste(Stair stair, int stage, Profile profile) {
        Wish wish = stair.at(stage).label().wish();
        Taste taste = Taste.of(Math.max(1, stage), stair.stages().size(), wish.of(Wish.Degree.RISE))
                .wished(wish);
        boolean isSlower = profile.factor().isMoreThan(Fraction.ONE);
        boolean isLearner = profile.equals(Profile.all().get(Profile.all().size() - 1));
        return !isSlower ? taste : isLearner ? taste.askingMore(2, 1) : taste.askingMore(1, 0);
    }
}
