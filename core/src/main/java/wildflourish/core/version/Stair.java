package wildflourish.core.version;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;

/**
 * Versions of one tune on one instrument by rising stages. Nested: what is placed at a stage is found at each stage above it too, there
 * perhaps grown into something bigger. So a placement goes up from its stage, and a removal goes down from it. Other versions may stand beside the stages;
 * they are numbered on from them.
 *
 * @param stages two to nine, the plainest first
 * @param beside versions that share only the tune, nine at most
 * @param times a plan of which version is played each time through; it names none that is not there
 */
public record Stair(List<Version> stages, List<Beside> beside, Optional<Times> times) {
    public static final List<String> USUAL_NAMES = List.of("Root", "Leaf", "Bud", "Bloom", "Wild");
    private static final int FEWEST = 2;
    private static final int MOST = 9;

    public Stair {
        stages = List.copyOf(stages);
        beside = List.copyOf(beside);
        Set<String> names = Stream.concat(stages.stream(), beside.stream().map(Beside::version))
                .map(Version::name)
                .collect(Collectors.toSet());
        times = times.flatMap(plan -> plan.within(names));
        if (stages.size() < FEWEST || stages.size() > MOST) {
            throw new IllegalArgumentException("a stair has two to nine stages, not " + stages.size());
        }
    }

    /** With nothing beside it and no plan. */
    public Stair(List<Version> stages) {
        this(stages, List.of(), Optional.empty());
    }

    /** A stair of that many plain stages with the usual names. */
    public static Stair starting(Tune tune, Instrument instrument, int stages) {
        List<Version> plain = new ArrayList<>();
        for (int i = 0; i < stages; i++) {
            plain.add(Version.plain(usualName(i), Playing.usual(tune, instrument)));
        }
        return new Stair(plain);
    }

    private static String usualName(int stage) {
        return stage < USUAL_NAMES.size() ? USUAL_NAMES.get(stage) : "Stage " + (stage + 1);
    }

    public Instrument instrument() {
        return stages.get(0).playing().instrument();
    }

    /** All versions: the stages, then those beside them. */
    public List<Version> versions() {
        return Stream.concat(stages.stream(), beside.stream().map(Beside::version))
                .toList();
    }

    /** A stage, or further on a version beside the stages. */
    public Version at(int index) {
        return index < stages.size()
                ? stages.get(index)
                : beside.get(index - stages.size()).version();
    }

    /** What stands beside the stages at a place counted on from them; empty for a stage. */
    public Optional<Beside> besideAt(int index) {
        int at = index - stages.size();
        return at < 0 || at >= beside.size() ? Optional.empty() : Optional.of(beside.get(at));
    }

    public boolean isStage(int index) {
        return index < stages.size();
    }

    /** The version of a name, which no two of a stair share. */
    public Optional<Version> named(String name) {
        return versions().stream()
                .filter(version -> version.name().equals(name))
                .findFirst();
    }

    public Stair with(int index, Version version) {
        if (at(index).equals(version)) {
            return this;
        }
        if (!isStage(index)) {
            List<Beside> changed = new ArrayList<>(beside);
            int at = index - stages.size();
            changed.set(at, beside.get(at).with(version));
            return new Stair(stages, changed, times);
        }
        List<Version> changed = new ArrayList<>(stages);
        changed.set(index, version);
        return withStages(changed);
    }

    /** Other stages, the same beside them. */
    Stair withStages(List<Version> others) {
        return new Stair(others, beside, times);
    }

    /** With a plan of times through, or without one. */
    public Stair with(Optional<Times> plan) {
        return new Stair(stages, beside, plan);
    }

    /** A version called otherwise, in the plan too. Throws IllegalArgumentException where another has the name. */
    public Stair renamed(int index, String name) {
        List<String> names = versions().stream().map(Version::name).toList();
        int other = names.indexOf(name);
        if (other >= 0 && other != index) {
            throw new IllegalArgumentException("another version is called " + name + " already");
        }
        Optional<Times> plan = times.map(each -> each.renamed(names.get(index), name));
        return with(Optional.empty()).with(index, at(index).withName(name)).with(plan);
    }

    /** With another version beside the stages, under a name that no other has. Empty where nine stand there. */
    public Optional<Stair> with(Beside another) {
        if (beside.size() == MOST) {
            return Optional.empty();
        }
        List<Beside> changed = new ArrayList<>(beside);
        changed.add(another.with(
                another.version().withName(freshName(another.version().name()))));
        return Optional.of(new Stair(stages, changed, times));
    }

    /** What stands at a place beside the stages in place of what stood there. */
    public Stair withBeside(int index, Beside other) {
        List<Beside> changed = new ArrayList<>(beside);
        changed.set(index - stages.size(), other);
        return new Stair(stages, changed, times);
    }

    /** Without what stands at a place beside the stages. */
    public Stair withoutBeside(int index) {
        List<Beside> changed = new ArrayList<>(beside);
        changed.remove(index - stages.size());
        return new Stair(stages, changed, times);
    }

    /** Every version changed alike: tempo, school. */
    public Stair withEach(UnaryOperator<Version> change) {
        return new Stair(
                stages.stream().map(change).toList(),
                beside.stream()
                        .map(each -> each.with(change.apply(each.version())))
                        .toList(),
                times);
    }

    /**
     * Places at a stage and at every stage above that has nothing there or had what stood here before; a stage above that holds something
     * at least as heavy keeps it. Stages below that held something heavier here, or something else where this is no growth of it, get this
     * too, so that the stair stays nested.
     */
    public Stair placed(Tune tune, int stage, Placement placement) {
        if (!isStage(stage)) {
            return with(stage, played(tune, at(stage), placement));
        }
        Optional<Placement> before = at(stage).at(placement.span().first()).flatMap(Spot::first);
        List<Version> changed = new ArrayList<>();
        for (int i = 0; i < stages.size(); i++) {
            boolean takes =
                    i == stage || (i > stage ? risesTo(tune, i, placement, before) : sinksTo(tune, i, placement));
            changed.add(takes ? played(tune, stages.get(i), placement) : stages.get(i));
        }
        pruneBelow(tune, changed.size() - 1, changed);
        return withStages(changed);
    }

    /** Places several, none of which overlaps another, at a stage and above. */
    public Stair placed(Tune tune, int stage, List<Placement> placements) {
        boolean isBare = isStage(stage)
                && stages.stream().allMatch(version -> version.spots().isEmpty());
        if (!isBare) {
            Stair grown = this;
            for (Placement placement : placements) {
                grown = grown.placed(tune, stage, placement);
            }
            return grown;
        }
        Map<NoteId, Spot> spots = new HashMap<>();
        placements.forEach(placement -> spots.put(placement.span().first(), Spot.of(placement)));
        List<Version> changed = new ArrayList<>(stages);
        for (int i = stage; i < changed.size(); i++) {
            Version bare = changed.get(i);
            changed.set(i, new Version(bare.label(), bare.playing(), spots, bare.layers(), bare.foreign()));
        }
        return withStages(changed);
    }

    private boolean risesTo(Tune tune, int higher, Placement placement, Optional<Placement> before) {
        List<Placement> there = overlapping(tune, stages.get(higher), placement);
        return there.stream().allMatch(other -> before.equals(Optional.of(other)) || weight(other) < weight(placement));
    }

    private boolean sinksTo(Tune tune, int lower, Placement placement) {
        List<Placement> there = overlapping(tune, stages.get(lower), placement);
        return there.stream().anyMatch(other -> weight(other) > weight(placement));
    }

    private static int weight(Placement placement) {
        return placement.stack().weight();
    }

    private static List<Placement> overlapping(Tune tune, Version version, Placement placement) {
        return version.spots().values().stream()
                .flatMap(spot -> spot.first().stream())
                .filter(other -> other.span().overlaps(placement.span(), tune))
                .toList();
    }

    private static Version played(Tune tune, Version version, Placement placement) {
        Spot spot = version.at(placement.span().first())
                .map(there -> there.withPlayed(placement))
                .orElseGet(() -> Spot.of(placement));
        return version.with(tune, spot);
    }

    /** Removes what stands on a note at a stage, and with it whatever on its span the stages below would have without the stage above. */
    public Stair removed(Tune tune, int stage, NoteId note) {
        if (!isStage(stage)) {
            return with(stage, at(stage).without(note));
        }
        List<Version> changed = new ArrayList<>(stages);
        changed.set(stage, at(stage).without(note));
        pruneBelow(tune, stage, changed);
        return changed.equals(stages) ? this : withStages(changed);
    }

    /** From a stage downward takes away what the stage above does not bear, so that the stair stays nested. */
    private static void pruneBelow(Tune tune, int stage, List<Version> stages) {
        for (int lower = stage - 1; lower >= 0; lower--) {
            Version above = stages.get(lower + 1);
            for (Spot spot : stages.get(lower).spots().values()) {
                if (!isBorne(tune, spot, above)) {
                    stages.set(lower, stages.get(lower).without(spot.at()));
                }
            }
        }
    }

    private static boolean isBorne(Tune tune, Spot spot, Version above) {
        Optional<Placement> played = spot.first();
        return played.isEmpty()
                || overlapping(tune, above, played.get()).stream()
                        .anyMatch(other -> weight(other) >= weight(played.get()));
    }

    /** A spot changed at one stage only: its options, its sentence. */
    public Stair withSpot(Tune tune, int stage, Spot spot) {
        return with(
                stage, spot.isEmpty() ? at(stage).without(spot.at()) : at(stage).with(tune, spot));
    }

    /** A note keeping to a fingering at every stage; to none where that is empty. */
    public Stair pinned(NoteId note, String fingering) {
        return withEach(version -> version.pinned(note, fingering));
    }

    /** Everything of a stage, copied over the next one; at the top a new stage grows for it, if there is room. */
    public Optional<Stair> copiedUp(int stage) {
        List<Version> changed = new ArrayList<>(stages);
        Version version = at(stage);
        if (!isStage(stage)) {
            return Optional.empty();
        }
        if (stage + 1 < stages.size()) {
            changed.set(stage + 1, version.with(stages.get(stage + 1).label()));
        } else if (stages.size() < MOST) {
            changed.add(version.with(Label.of(freshName())));
        } else {
            return Optional.empty();
        }
        return Optional.of(withStages(changed));
    }

    boolean isFull() {
        return stages.size() == MOST;
    }

    boolean isSmallest() {
        return stages.size() == FEWEST;
    }

    /** Without whatever a stage above does not bear. */
    Stair nested(Tune tune) {
        List<Version> changed = new ArrayList<>(stages);
        pruneBelow(tune, changed.size() - 1, changed);
        return changed.equals(stages) ? this : withStages(changed);
    }

    /** A name for a further stage, which no version has. */
    String freshName() {
        List<String> taken = versions().stream().map(Version::name).toList();
        for (int i = stages.size(); ; i++) {
            String name = usualName(i);
            if (!taken.contains(name)) {
                return name;
            }
        }
    }

    /** A name as wished, with a number after it where a version has it already. */
    private String freshName(String wished) {
        List<String> taken = versions().stream().map(Version::name).toList();
        String name = wished;
        for (int i = 2; taken.contains(name); i++) {
            name = wished + " " + i;
        }
        return name;
    }

    /** Whether every spot below is found above, at least as heavy. */
    public boolean isNested(Tune tune) {
        for (int i = 0; i + 1 < stages.size(); i++) {
            Version above = stages.get(i + 1);
            if (!stages.get(i).spots().values().stream().allMatch(spot -> isBorne(tune, spot, above))) {
                return false;
            }
        }
        return true;
    }
}
