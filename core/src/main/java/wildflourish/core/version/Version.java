package wildflourish.core.version;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;

/**
 * One way to play a tune: an instrument, a tempo, and what is placed where. The tune itself is not in it: the notes are named by identity.
 *
 * @param spots by the note they begin on; spots never overlap
 */
public record Version(String name, Playing playing, Map<NoteId, Spot> spots) {
    public Version {
        SortedMap<NoteId, Spot> sorted = new TreeMap<>(spots);
        sorted.values().removeIf(Spot::isEmpty);
        spots = Collections.unmodifiableSortedMap(sorted);
    }

    public static Version plain(String name, Playing playing) {
        return new Version(name, playing, Map.of());
    }

    public Optional<Spot> at(NoteId note) {
        return Optional.ofNullable(spots.get(note));
    }

    /** The spot whose widest option covers a note, be it its first note or a later one. */
    public Optional<Spot> covering(Tune tune, NoteId note) {
        Spot here = spots.get(note);
        if (here != null && here.first().isPresent()) {
            return Optional.of(here);
        }
        Span asked = Span.of(note);
        return spots.values().stream()
                .filter(spot ->
                        spot.options().stream().anyMatch(option -> option.span().overlaps(asked, tune)))
                .findFirst();
    }

    /** With a spot, in place of any that it overlaps. */
    public Version with(Tune tune, Spot spot) {
        if (spot.equals(spots.get(spot.at()))) {
            return this;
        }
        Map<NoteId, Spot> changed = new TreeMap<>(spots);
        changed.values().removeIf(other -> overlap(tune, other, spot));
        changed.put(spot.at(), spot);
        return new Version(name, playing, changed);
    }

    private static boolean overlap(Tune tune, Spot one, Spot other) {
        for (Placement a : one.options()) {
            for (Placement b : other.options()) {
                if (a.span().overlaps(b.span(), tune)) {
                    return true;
                }
            }
        }
        return one.at().equals(other.at());
    }

    /** Without the ornaments that begin on a note; the teacher's sentence stays. */
    public Version without(NoteId note) {
        Spot spot = spots.get(note);
        if (spot == null || spot.options().isEmpty()) {
            return this;
        }
        Map<NoteId, Spot> changed = new TreeMap<>(spots);
        changed.put(note, new Spot(note, List.of(), spot.sentence()));
        return new Version(name, playing, changed);
    }

    /**
     * After the tune was edited: placements keep to the notes that are left of their spans. An option with no note left is gone, and with it
     * a spot that has nothing else; both are counted in {@link Followed#lost}.
     */
    Followed following(Tune before, Tune after) {
        Map<NoteId, Spot> kept = new TreeMap<>();
        int lost = 0;
        for (Spot spot : spots.values()) {
            Map<NoteId, List<Placement>> options = new TreeMap<>();
            for (Placement option : spot.options()) {
                Optional<Placement> followed = option.following(before, after);
                followed.ifPresent(each -> options.computeIfAbsent(each.span().first(), key -> new ArrayList<>())
                        .add(each));
                lost += followed.isPresent() ? 0 : 1;
            }
            for (Map.Entry<NoteId, List<Placement>> at : options.entrySet()) {
                String sentence = at.getKey().equals(spot.at()) ? spot.sentence() : "";
                kept.putIfAbsent(at.getKey(), new Spot(at.getKey(), at.getValue(), sentence));
            }
            if (options.isEmpty() && after.has(spot.at()) && !spot.sentence().isEmpty()) {
                kept.putIfAbsent(spot.at(), new Spot(spot.at(), List.of(), spot.sentence()));
            }
        }
        return new Followed(new Version(name, playing, kept), lost);
    }

    /** A version after an edit of its tune, and how many placements had no note left. */
    record Followed(Version version, int lost) {}

    public Version withName(String newName) {
        return newName.equals(name) ? this : new Version(newName, playing, spots);
    }

    public Version withPlaying(Playing newPlaying) {
        return newPlaying.equals(playing) ? this : new Version(name, newPlaying, spots);
    }

    public boolean isPlain() {
        return spots.isEmpty();
    }
}
