package wildflourish.core.version;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;

/**
 * Versions of one tune on one instrument by rising stages. Nested: what is placed at a stage is found at each stage above it too, there
 * perhaps grown into something bigger. So a placement goes up from its stage, and a removal goes down from it.
 *
 * @param stages two to nine, the plainest first
 */
public record Stair(List<Version> stages) {
    public static final List<String> USUAL_NAMES = List.of("Root", "Leaf", "Bud", "Bloom", "Wild");
    private static final int FEWEST = 2;
    private static final int MOST = 9;

    public Stair {
        stages = List.copyOf(stages);
        if (stages.size() < FEWEST || stages.size() > MOST) {
            throw new IllegalArgumentException("a stair has two to nine stages, not " + stages.size());
        }
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

    public Version at(int stage) {
        return stages.get(stage);
    }

    public Stair with(int stage, Version version) {
        if (stages.get(stage).equals(version)) {
            return this;
        }
        List<Version> changed = new ArrayList<>(stages);
        changed.set(stage, version);
        return new Stair(changed);
    }

    /** Every stage changed alike: tempo, school. */
    public Stair withEach(UnaryOperator<Version> change) {
        return new Stair(stages.stream().map(change).toList());
    }

    /**
     * Places at a stage and at every stage above that has nothing there or had what stood here before; a stage above that holds something
     * at least as heavy keeps it. Stages below that held something heavier here, or something else where this is no growth of it, get this
     * too, so that the stair stays nested.
     */
    public Stair placed(Tune tune, int stage, Placement placement) {
        Optional<Placement> before = at(stage).at(placement.span().first()).flatMap(Spot::first);
        List<Version> changed = new ArrayList<>();
        for (int i = 0; i < stages.size(); i++) {
            boolean takes =
                    i == stage || (i > stage ? risesTo(tune, i, placement, before) : sinksTo(tune, i, placement));
            changed.add(takes ? played(tune, stages.get(i), placement) : stages.get(i));
        }
        pruneBelow(tune, changed.size() - 1, changed);
        return new Stair(changed);
    }

    /** Places several, none of which overlaps another, at a stage and above. */
    public Stair placed(Tune tune, int stage, List<Placement> placements) {
        boolean isBare = stages.stream().allMatch(version -> version.spots().isEmpty());
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
            changed.set(i, new Version(bare.name(), bare.playing(), spots, bare.layers(), bare.foreign()));
        }
        return new Stair(changed);
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
        List<Version> changed = new ArrayList<>(stages);
        changed.set(stage, at(stage).without(note));
        pruneBelow(tune, stage, changed);
        return changed.equals(stages) ? this : new Stair(changed);
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
        Version version = stages.get(stage);
        if (stage + 1 < stages.size()) {
            changed.set(stage + 1, version.withName(stages.get(stage + 1).name()));
        } else if (stages.size() < MOST) {
            changed.add(version.withName(freshName()));
        } else {
            return Optional.empty();
        }
        return Optional.of(new Stair(changed));
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
        return changed.equals(stages) ? this : new Stair(changed);
    }

    /** A name that no stage has. */
    String freshName() {
        List<String> taken = stages.stream().map(Version::name).toList();
        for (int i = stages.size(); ; i++) {
            String name = usualName(i);
            if (!taken.contains(name)) {
                return name;
            }
        }
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
