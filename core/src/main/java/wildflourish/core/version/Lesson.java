package wildflourish.core.version;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.tune.Identities;
import wildflourish.core.tune.Tune;

/**
 * A plain tune with all that has been made of it.
 *
 * @param stairs one for each instrument it has been worked on for; none at first
 * @param altered written-out stages that another program has changed, until the teacher decides
 * @param kept stages of an older form of the file, whose text stays as it is until they are worked on
 */
public record Lesson(Tune tune, List<Stair> stairs, List<Altered> altered, List<Kept> kept) implements BookItem {
    /** With nothing of an older form. */
    public Lesson(Tune tune, List<Stair> stairs, List<Altered> altered) {
        this(tune, stairs, altered, List.of());
    }

    /**
     * A stage as an older form of the file wrote it.
     *
     * @param version what was read from it, to see whether it has been worked on since
     */
    public record Kept(Version version, String text) {}

    /**
     * A written-out stage whose notes are no longer what the stage says.
     *
     * @param stair number of the stair
     * @param stage number of the stage in it, on from the stages that of a version beside them
     * @param saved the stage as it was read, to see whether it has been worked on since
     * @param text the changed text, whole
     */
    public record Altered(int stair, int stage, Version saved, String text) {}

    public Lesson {
        stairs = List.copyOf(stairs);
        altered = List.copyOf(altered);
        kept = List.copyOf(kept);
    }

    /** The text that a stage keeps; empty for one that has been worked on, or that was never of an older form. */
    public Optional<String> keptText(Version version) {
        return kept.stream()
                .filter(each -> each.version().equals(version))
                .map(Kept::text)
                .findFirst();
    }

    public static Lesson plain(Tune tune) {
        return new Lesson(tune, List.of(), List.of());
    }

    public Optional<Stair> stairFor(Instrument instrument) {
        return stairs.stream()
                .filter(stair -> stair.instrument().id().equals(instrument.id()))
                .findFirst();
    }

    /** With a stair in place of the one for the same instrument, or as a further one. */
    public Lesson with(Stair stair) {
        List<Stair> changed = new ArrayList<>(stairs);
        for (int i = 0; i < changed.size(); i++) {
            if (changed.get(i).instrument().equals(stair.instrument())) {
                changed.set(i, stair);
                return changed.equals(stairs) ? this : new Lesson(tune, changed, altered, kept);
            }
        }
        changed.add(stair);
        return new Lesson(tune, changed, altered, kept);
    }

    /** A lesson after an edit of its tune, and how many placements, over all stages, had no note left. */
    public record Edited(Lesson lesson, int lost) {}

    /**
     * The tune edited: notes that are still there keep their identity, and placements follow their notes. What then no longer fits stays where
     * it is, for the critic to tell.
     */
    public Edited edited(Tune changed) {
        Tune carried = Identities.carry(tune, changed);
        int lost = 0;
        List<Stair> followed = new ArrayList<>();
        for (Stair stair : stairs) {
            lost += stair.versions().stream()
                    .mapToInt(version -> version.following(tune, carried).lost())
                    .sum();
            followed.add(
                    stair.withEach(version -> version.following(tune, carried).version()));
        }
        return new Edited(new Lesson(carried, followed, altered), lost);
    }

    public Lesson without(Altered decided) {
        List<Altered> left = new ArrayList<>(altered);
        left.remove(decided);
        return new Lesson(tune, stairs, left, kept);
    }

    /** All versions of all stairs, the first stair first, in each the stages first. */
    public List<Version> versions() {
        return stairs.stream().flatMap(stair -> stair.versions().stream()).toList();
    }
}
