package wildflourish.core.version;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;

/**
 * One way to play a tune: a name, an instrument, a tempo, and what is placed where. The tune itself is not in it: the notes are named by identity.
 *
 * @param spots by the note they begin on; spots never overlap
 * @param layers rules over whole passages, in the order in which they act
 * @param foreign what a book says of it that this program does not understand
 */
public record Version(Label label, Playing playing, Map<NoteId, Spot> spots, List<Layer> layers, Foreign foreign) {
    /** Without layers. */
    public Version(String name, Playing playing, Map<NoteId, Spot> spots) {
        this(name, playing, spots, List.of());
    }

    /** With nothing that this program does not understand. */
    public Version(String name, Playing playing, Map<NoteId, Spot> spots, List<Layer> layers) {
        this(Label.of(name), playing, spots, layers, Foreign.NONE);
    }

    public Version {
        SortedMap<NoteId, Spot> sorted = new TreeMap<>(spots);
        sorted.values().removeIf(Spot::isEmpty);
        spots = Collections.unmodifiableSortedMap(sorted);
        layers = layers.stream()
                .sorted(Comparator.comparingInt(layer -> Layer.Rule.all().indexOf(layer.rule())))
                .toList();
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

    /** With these spots alone; they must not overlap. */
    public Version withSpots(Map<NoteId, Spot> others) {
        return others.equals(spots) ? this : new Version(label, playing, others, layers, foreign);
    }

    /** With a spot, in place of any that it overlaps. */
    public Version with(Tune tune, Spot spot) {
        if (spot.equals(spots.get(spot.at()))) {
            return this;
        }
        Map<NoteId, Spot> changed = new TreeMap<>(spots);
        changed.values().removeIf(other -> overlap(tune, other, spot));
        changed.put(spot.at(), spot);
        return new Version(label, playing, changed, layers, foreign);
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
        changed.put(note, spot.withOptions(List.of()));
        return new Version(label, playing, changed, layers, foreign);
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
                kept.merge(at.getKey(), Spot.bare(at.getKey()).withOptions(at.getValue()), Version::both);
            }
            if (after.has(spot.at())) {
                kept.merge(spot.at(), wordsOf(spot, before, after), Version::both);
            }
        }
        return new Followed(
                new Version(
                        label.wishing(label.wish().within(after)),
                        playing,
                        kept,
                        following(layers, before, after),
                        foreign),
                lost);
    }

    /** What a teacher has said and pinned at a note, without options; a pin holds for as long as the note keeps its pitch. */
    private static Spot wordsOf(Spot spot, Tune before, Tune after) {
        boolean isSamePitch =
                before.note(spot.at()).pitches().equals(after.note(spot.at()).pitches());
        return spot.withOptions(List.of()).withPin(isSamePitch ? spot.pin() : "");
    }

    /** Two spots that have come together on one note: the options of the first, words and pin of either. */
    private static Spot both(Spot one, Spot other) {
        return (one.options().isEmpty() ? one.withOptions(other.options()) : one)
                .withSentence(one.sentence().isEmpty() ? other.sentence() : one.sentence())
                .withPin(one.pin().isEmpty() ? other.pin() : one.pin());
    }

    private static List<Layer> following(List<Layer> layers, Tune before, Tune after) {
        List<Layer> kept = new ArrayList<>();
        for (Layer layer : layers) {
            List<NoteId> left = layer.span().notes(before).stream()
                    .map(Note::id)
                    .filter(after::has)
                    .toList();
            if (!left.isEmpty()) {
                kept.add(layer.over(new Span(left.get(0), left.get(left.size() - 1)), layer.passes()));
            }
        }
        return kept;
    }

    /** With other layers. */
    public Version withLayers(List<Layer> newLayers) {
        return newLayers.equals(layers) ? this : new Version(label, playing, spots, newLayers, foreign);
    }

    /** A version after an edit of its tune, and how many placements had no note left. */
    record Followed(Version version, int lost) {}

    /** A note keeping to a fingering, as the chart writes it; to none where that is empty. */
    Version pinned(NoteId note, String fingering) {
        Map<NoteId, Spot> changed = new TreeMap<>(spots);
        Spot spot = at(note).orElseGet(() -> Spot.bare(note));
        changed.put(note, spot.withPin(fingering));
        return changed.equals(spots) ? this : new Version(label, playing, changed, layers, foreign);
    }

    /** How many places have an ornament. */
    public int ornamented() {
        return (int)
                spots.values().stream().filter(spot -> spot.first().isPresent()).count();
    }

    /** The weights of all ornaments together. */
    public int weight() {
        return spots.values().stream()
                .flatMap(spot -> spot.first().stream())
                .mapToInt(placement -> placement.stack().weight())
                .sum();
    }

    public String name() {
        return label.name();
    }

    public Version withName(String newName) {
        return newName.equals(name()) ? this : with(label.withName(newName));
    }

    /** Called otherwise, with other words to students. */
    public Version with(Label other) {
        return new Version(other, playing, spots, layers, foreign);
    }

    public Version withPlaying(Playing newPlaying) {
        return newPlaying.equals(playing) ? this : new Version(label, newPlaying, spots, layers, foreign);
    }

    /** Whether it has neither ornaments nor the teacher's words: a sheet of the plain tune would be the same. */
    public boolean isPlain() {
        return layers.isEmpty()
                && spots.values().stream()
                        .allMatch(spot ->
                                spot.options().isEmpty() && spot.sentence().isEmpty());
    }
}
