package wildflourish.core.tune;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Key;
import wildflourish.core.music.Metre;

/** The plain melody with its form, and the text it was read from. Immutable. */
public final class Tune {
    private final TuneHeader header;
    private final List<Bar> bars;
    private final List<Tuplet> tuplets;
    private final Manuscript manuscript;
    /** Worked out when it is first asked for: a book of thousands of tunes is read without it. */
    private volatile Optional<Layout> layout = Optional.empty();

    public Tune(TuneHeader header, List<Bar> bars, List<Tuplet> tuplets, Manuscript manuscript) {
        this.header = header;
        this.bars = List.copyOf(bars);
        this.tuplets = List.copyOf(tuplets);
        this.manuscript = manuscript;
    }

    /** Everything that follows from the bars: notes in order and where each stands, form, key and metre of each bar. */
    private record Layout(
            List<Note> notes, Map<NoteId, NotePlace> places, Form form, List<Key> keys, List<Metre> metres) {
        static Layout of(TuneHeader header, List<Bar> bars) {
            List<Note> notes =
                    bars.stream().flatMap(bar -> bar.notes().stream()).toList();
            List<Key> keys = new ArrayList<>();
            List<Metre> metres = new ArrayList<>();
            Key key = header.key();
            Metre metre = header.metre();
            for (Bar bar : bars) {
                key = bar.change().key().orElse(key);
                metre = bar.change().metre().orElse(metre);
                keys.add(key);
                metres.add(metre);
            }
            Form form = Form.of(header.metre(), bars);
            return new Layout(notes, placed(bars, form, metres), form, keys, metres);
        }

        private static Map<NoteId, NotePlace> placed(List<Bar> bars, Form form, List<Metre> metres) {
            Map<NoteId, NotePlace> places = new HashMap<>();
            int order = 0;
            for (int bar = 0; bar < bars.size(); bar++) {
                Fraction offset = form.isPickup(bar)
                        ? metres.get(bar).barLength().minus(bars.get(bar).length())
                        : Fraction.ZERO;
                for (Note note : bars.get(bar).notes()) {
                    if (places.put(note.id(), new NotePlace(order++, bar, offset)) != null) {
                        throw new IllegalArgumentException("two notes of one tune share the identity " + note.id());
                    }
                    offset = offset.plus(note.played());
                }
            }
            return places;
        }
    }

    private Layout layout() {
        Optional<Layout> known = layout;
        if (known.isPresent()) {
            return known.get();
        }
        Layout made = Layout.of(header, bars);
        layout = Optional.of(made);
        return made;
    }

    public TuneHeader header() {
        return header;
    }

    public String title() {
        return header.title();
    }

    public List<Bar> bars() {
        return bars;
    }

    public List<Tuplet> tuplets() {
        return tuplets;
    }

    public Manuscript manuscript() {
        return manuscript;
    }

    public Form form() {
        return layout().form();
    }

    /** All notes and rests in written order. */
    public List<Note> notes() {
        return layout().notes();
    }

    public boolean has(NoteId id) {
        return layout().places().containsKey(id);
    }

    /** Where a note stands; throws IllegalArgumentException for a note that is not of this tune. */
    public NotePlace placeOf(NoteId id) {
        NotePlace place = layout().places().get(id);
        if (place == null) {
            throw new IllegalArgumentException("the tune “" + title() + "” has no note " + id);
        }
        return place;
    }

    public Note note(NoteId id) {
        return notes().get(placeOf(id).order());
    }

    /** The note so many places on in written order; empty past either end. */
    public Optional<Note> neighbour(NoteId id, int distance) {
        int order = placeOf(id).order() + distance;
        return order < 0 || order >= notes().size() ? Optional.empty() : Optional.of(notes().get(order));
    }

    /** From the first to the last note of a stretch, both included, in written order. */
    public List<Note> between(NoteId first, NoteId last) {
        return notes().subList(placeOf(first).order(), placeOf(last).order() + 1);
    }

    public Optional<Tuplet> tupletAt(NoteId id) {
        int order = placeOf(id).order();
        return tuplets.stream()
                .filter(tuplet -> placeOf(tuplet.first()).order() <= order
                        && order <= placeOf(tuplet.last()).order())
                .findFirst();
    }

    /** The key in force in a bar. */
    public Key keyAt(int bar) {
        return layout().keys().get(bar);
    }

    /** The metre in force in a bar. */
    public Metre metreAt(int bar) {
        return layout().metres().get(bar);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Tune that
                && header.equals(that.header)
                && bars.equals(that.bars)
                && tuplets.equals(that.tuplets)
                && manuscript.equals(that.manuscript);
    }

    @Override
    public int hashCode() {
        return Objects.hash(header, bars, tuplets);
    }

    @Override
    public String toString() {
        return "Tune[" + header.number() + " " + title() + ", " + bars.size() + " bars]";
    }
}
