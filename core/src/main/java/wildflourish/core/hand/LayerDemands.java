package wildflourish.core.hand;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.fingering.Demand;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.fingering.StringWay;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Strings;
import wildflourish.core.instrument.StrokeOrder;
import wildflourish.core.line.Line;
import wildflourish.core.line.Tone;
import wildflourish.core.music.Fraction;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Version;

/** What the layers of a version ask of the hand on strings: an order of strokes, strokes within a note, other pitches, fingers that stay down. */
final class LayerDemands {
    private static final Fraction QUAVER = Fraction.of(1, 8);

    private LayerDemands() {}

    /** Adds them to what is asked of each note. */
    static void add(Tune tune, Version version, Optional<HandLines> lines, Line line, Map<NoteId, Demand> demands) {
        if (version.layers().isEmpty()) {
            return;
        }
        ofTones(version, line, demands);
        for (Layer layer : version.layers()) {
            switch (layer.rule().work()) {
                case STROKES, SHUFFLE -> ofOrder(tune, version, layer, demands);
                case STAY_DOWN -> ofFinger(tune, lines, layer, demands);
                default -> {}
            }
        }
    }

    /** How layers want notes of the tune taken, as paths take pins. */
    static Map<NoteId, String> pins(Version version, Line line) {
        Map<NoteId, String> pins = new HashMap<>();
        Strings strings = version.playing().instrument().strings().orElseThrow();
        for (Tone tone : line.tones()) {
            boolean isOfNote =
                    tone.index() == 0 && tone.pitches().equals(tone.note().pitches());
            tone.pick()
                    .filter(pick -> isOfNote && pick.string() >= 0)
                    .ifPresent(pick -> pins.putIfAbsent(tone.note().id(), name(strings, pick)));
        }
        return pins;
    }

    private static String name(Strings strings, Tone.Pick pick) {
        String dot = strings.stroke() == Strings.Stroke.BANJO ? "." : "";
        return strings.stringName(pick.string()) + dot + pick.fret() + pick.fingers();
    }

    private static Demand at(Map<NoteId, Demand> demands, NoteId note) {
        return demands.getOrDefault(note, Demand.PLAIN);
    }

    /** Where layers have parted a note, joined it to the one before or put another pitch in its place. */
    private static void ofTones(Version version, Line line, Map<NoteId, Demand> demands) {
        Instrument instrument = version.playing().instrument();
        Map<NoteId, Integer> strokes = new HashMap<>();
        for (Tone tone : line.tones()) {
            NoteId id = tone.note().id();
            boolean isFirstTime = line.indexOf(id)
                    .filter(first -> line.tones().get(first).pass() == tone.pass())
                    .isPresent();
            if (tone.isRest() || !isFirstTime) {
                continue;
            }
            if (tone.index() > 0 && tone.touch() == Tone.Touch.STRUCK) {
                strokes.merge(id, 1, Integer::sum);
            } else if (!tone.pitches().equals(tone.note().pitches())) {
                demands.put(
                        id,
                        at(demands, id)
                                .with(tone.pitches().stream()
                                        .map(instrument.reading()::fingered)
                                        .toList()));
            }
        }
        strokes.forEach((id, count) ->
                demands.put(id, at(demands, id).withMore(at(demands, id).more() + count)));
    }

    private static void ofOrder(Tune tune, Version version, Layer layer, Map<NoteId, Demand> demands) {
        StrokeOrder order = StrokeOrder.of(layer.way());
        Set<NoteId> dressed = version.spots().keySet();
        Optional<Note> last = Optional.empty();
        for (Note note : layer.span().notes(tune)) {
            Fraction bar = tune.metreAt(tune.placeOf(note.id()).bar()).barLength();
            if (note.isRest() || !QUAVER.times(order.quavers()).equals(bar)) {
                last = Optional.empty();
                continue;
            }
            boolean isDressed = version.covering(tune, note.id()).isPresent();
            Demand demand =
                    (isDressed ? at(demands, note.id()) : at(demands, note.id()).free()).with(order);
            boolean isJoined = layer.rule().work() == Layer.Work.SHUFFLE
                    && last.filter(before -> before.pitches().equals(note.pitches()))
                            .isPresent()
                    && isJoined(tune, order, note)
                    && !dressed.contains(note.id())
                    && !dressed.contains(last.get().id());
            demands.put(note.id(), isJoined ? demand.goingOn() : demand);
            last = Optional.of(note);
        }
    }

    private static boolean isJoined(Tune tune, StrokeOrder order, Note note) {
        Fraction quaver = tune.placeOf(note.id()).offset().dividedBy(QUAVER);
        return quaver.denominator() == 1
                && quaver.isPositive()
                && order.joined().get((int) (quaver.numerator() % order.quavers()));
    }

    /** The first finger of the passage lies to its end, where no later note wants it gone. */
    private static void ofFinger(Tune tune, Optional<HandLines> lines, Layer layer, Map<NoteId, Demand> demands) {
        List<Note> notes = layer.span().notes(tune);
        List<Optional<StringWay>> ways = notes.stream()
                .map(note ->
                        lines.flatMap(each -> Optional.ofNullable(each.ways().get(note.id()))))
                .toList();
        boolean isHeld = ways.stream().allMatch(Optional::isPresent)
                && !Keeping.mustLift(
                        ways.stream().map(way -> way.orElseThrow().place()).toList())
                && !ways.get(0).orElseThrow().place().isOpen();
        if (isHeld && notes.size() > 1) {
            Note first = notes.get(0);
            demands.put(
                    first.id(),
                    at(demands, first.id()).staying(notes.get(notes.size() - 1).id()));
        }
    }
}
