package wildflourish.core.line;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.music.Fraction;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.PlayOrder;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Version;

/**
 * What is to be played of a version: tones in playing order, repeats unfolded, with exact times; layers have done their work, ornaments stand on
 * the tones they begin on.
 *
 * @param bars each bar played and where it begins, in whole notes
 * @param places where each written note stands among the tones, counted from 0
 */
public record Line(List<Tone> tones, List<BarStart> bars, Map<NoteId, List<Integer>> places) {
    /** A bar played and where it begins. */
    public record BarStart(PlayOrder.Played played, Fraction startWholeNotes) {}

    public Line {
        tones = List.copyOf(tones);
        bars = List.copyOf(bars);
        places = Map.copyOf(places);
    }

    Line(List<Tone> tones, List<BarStart> bars) {
        this(tones, bars, places(tones));
    }

    private static Map<NoteId, List<Integer>> places(List<Tone> tones) {
        Map<NoteId, List<Integer>> places = new HashMap<>();
        for (int i = 0; i < tones.size(); i++) {
            places.computeIfAbsent(tones.get(i).note().id(), id -> new ArrayList<>())
                    .add(i);
        }
        return places;
    }

    public static Line of(Tune written, Version version) {
        Tune tune = FigureNotes.of(written, version);
        Line line = plain(tune, version);
        for (Layer layer : version.layers()) {
            line = LayerRules.apply(layer, line, tune, version.playing().instrument());
        }
        return line;
    }

    /** With other tones in the same bars. */
    public Line with(List<Tone> others) {
        return new Line(others, bars);
    }

    private static Line plain(Tune tune, Version version) {
        List<Tone> tones = new ArrayList<>();
        List<BarStart> bars = new ArrayList<>();
        Fraction now = Fraction.ZERO;
        boolean isTied = false;
        int slurs = 0;
        for (PlayOrder.Played played : PlayOrder.of(tune)) {
            bars.add(new BarStart(played, now));
            for (Note note : tune.bars().get(played.bar()).notes()) {
                Tone.Place place = new Tone.Place(bars.size() - 1, played, now, note.played());
                boolean goesOn = isTied && goesOn(tones.get(tones.size() - 1), note);
                Optional<Placement> placed = placedOn(tune, version, note, played);
                Tone.Touch touch = goesOn ? Tone.Touch.TIED : touch(note, slurs);
                slurs = Math.max(
                        0,
                        slurs
                                + note.marks().joins().slursOpen()
                                - note.marks().joins().slursClose());
                tones.add(Tone.of(note, place, touch, placed));
                now = now.plus(note.played());
                isTied = note.marks().joins().tied();
            }
        }
        return new Line(tones, bars);
    }

    /** Whether a tie holds a tone on into a note: both have one melody. */
    private static boolean goesOn(Tone before, Note note) {
        return !note.isRest() && !before.isRest() && before.note().melody().equals(note.melody());
    }

    /** In bars that a version adds each note is struck by itself. */
    private static Tone.Touch touch(Note note, int slurs) {
        if (note.isRest()) {
            return Tone.Touch.USUAL;
        }
        return note.id().isAdded() ? Tone.Touch.STRUCK : slurs > 0 ? Tone.Touch.SLURRED : Tone.Touch.USUAL;
    }

    /** What is placed on a note for one time through; nothing where its span reaches over a bar line. */
    private static Optional<Placement> placedOn(Tune tune, Version version, Note note, PlayOrder.Played played) {
        return version.at(note.id())
                .flatMap(spot -> spot.playedOn(played.pass()))
                .filter(placement -> placement.span().isInOneBar(tune));
    }

    /** How many tones a placement on a tone takes; those of its span. */
    public int countOf(int tone, Placement placement) {
        NoteId last = placement.span().last();
        int count = 1;
        while (!tones.get(tone + count - 1).note().id().equals(last)
                && tone + count < tones.size()
                && tones.get(tone + count).place().playedBar()
                        == tones.get(tone).place().playedBar()) {
            count++;
        }
        return count;
    }

    /** The tone before one that sounds right up to it; empty at the start and after a rest. */
    public Optional<Tone> before(int tone) {
        return tone == 0 ? Optional.empty() : Optional.of(tones.get(tone - 1)).filter(each -> !each.isRest());
    }

    /** The tone at a place that sounds; empty past the end and for a rest. */
    public Optional<Tone> at(int tone) {
        return tone >= tones.size()
                ? Optional.empty()
                : Optional.of(tones.get(tone)).filter(each -> !each.isRest());
    }

    /** Where a written note first stands among the tones; empty where it is never played. */
    public Optional<Integer> indexOf(NoteId note) {
        return places.getOrDefault(note, List.of()).stream().findFirst();
    }

    /**
     * An earlier tone of the same written note with the same tones around it, so many before and, with itself, so many from it on: another time through that
     * differs in nothing there. Empty where there is none.
     */
    public Optional<Integer> earlierLike(int tone, int before, int from) {
        for (int earlier : places.getOrDefault(tones.get(tone).note().id(), List.of())) {
            if (earlier >= tone) {
                break;
            }
            boolean isLike = true;
            for (int i = -before; i < from && isLike; i++) {
                isLike = areLike(earlier + i, tone + i);
            }
            if (isLike) {
                return Optional.of(earlier);
            }
        }
        return Optional.empty();
    }

    /** The same in everything but time and place; or nothing at both. */
    private boolean areLike(int one, int other) {
        boolean isNoOne = one < 0 || one >= tones.size();
        boolean isNoOther = other < 0 || other >= tones.size();
        if (isNoOne || isNoOther) {
            return isNoOne && isNoOther;
        }
        Tone a = tones.get(one);
        Tone b = tones.get(other);
        return a.note().id().equals(b.note().id())
                && a.index() == b.index()
                && a.pitches().equals(b.pitches())
                && a.pick().equals(b.pick())
                && a.touch() == b.touch()
                && a.isRest() == b.isRest()
                && a.length().equals(b.length())
                && a.placed().equals(b.placed());
    }

    /** Everywhere a written note stands among the tones, with the tones around it told apart: each surrounding once. */
    public List<Integer> playings(NoteId note) {
        List<Integer> all = new ArrayList<>();
        List<List<Object>> seen = new ArrayList<>();
        for (int i : places.getOrDefault(note, List.of())) {
            if (tones.get(i).index() == 0) {
                List<Object> around =
                        List.of(before(i).map(Tone::note), at(i + 1).map(Tone::note));
                if (!seen.contains(around)) {
                    seen.add(around);
                    all.add(i);
                }
            }
        }
        return all;
    }
}
