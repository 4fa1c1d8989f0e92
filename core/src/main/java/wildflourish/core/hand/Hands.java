package wildflourish.core.hand;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.fingering.Demand;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.line.Line;
import wildflourish.core.line.Tone;
import wildflourish.core.ornament.Figure;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/** What the hands do on strings or buttons for a version, through what the teacher has pinned; the last few answers are remembered. */
public final class Hands {
    private Hands() {}

    /** What the hands do on strings or buttons, through what the teacher has pinned; empty for an instrument fingered on holes. */
    public static Optional<HandLines> lines(Tune tune, Version version) {
        boolean isWind = version.playing().instrument().family().isWind();
        return isWind ? Optional.empty() : lines(tune, version, Line.of(tune, version));
    }

    /** The same along a line of the version. */
    static Optional<HandLines> lines(Tune tune, Version version, Line line) {
        if (version.playing().instrument().family().isWind()) {
            return Optional.empty();
        }
        Asked plain = new Asked(tune, version.playing(), linePins(version), Map.of());
        Optional<HandLines> lines = LAST.of(plain);
        Map<NoteId, Demand> demands = demands(tune, version, lines, line);
        return demands.isEmpty() ? lines : LAST.of(new Asked(tune, plain.playing, plain.pins, demands));
    }

    /** What the ornaments and layers of a version ask of the hand, note by note; the hand being where the plain tune has it. */
    private static Map<NoteId, Demand> demands(Tune tune, Version version, Optional<HandLines> lines, Line line) {
        if (version.playing().instrument().strings().isEmpty()) {
            return Map.of();
        }
        Map<NoteId, Demand> demands = ofPlacements(tune, version, lines, line);
        LayerDemands.add(tune, version, lines, line, demands);
        return demands;
    }

    private static Map<NoteId, Demand> ofPlacements(Tune tune, Version version, Optional<HandLines> lines, Line line) {
        Map<NoteId, Demand> demands = new HashMap<>();
        if (version.playing().instrument().family() != Family.FIDDLE) {
            return demands;
        }
        Ways ways = Ways.on(version, lines);
        for (Spot spot : version.spots().values()) {
            Optional<Placement> placement =
                    spot.first().filter(each -> each.span().isInOneBar(tune));
            Optional<Integer> at = line.indexOf(spot.at());
            if (placement.isPresent() && at.isPresent()) {
                demands.putAll(demands(tune, version, placement.get(), line, at.get(), ways));
            }
        }
        return demands;
    }

    private static Map<NoteId, Demand> demands(
            Tune tune, Version version, Placement placement, Line line, int at, Ways ways) {
        int count = line.countOf(at, placement);
        Playing playing = version.playing();
        List<Tone> tones = line.tones().subList(at, at + count);
        if (tones.stream()
                .anyMatch(tone -> tone.isRest() || !playing.instrument().has(tone.melody()))) {
            return Map.of();
        }
        Occasion occasion = Occasion.of(
                tune, playing, Profile.usual().times(), line, ways, new Occasion.Asked(at, count, placement.stack()));
        Optional<Figure> figure = playing.schooled(placement.stack())
                .over(playing.instrument().family(), occasion.lengthWholeNotes(), count)
                .figure()
                .map(each -> each.written(tones.stream().map(Tone::length).toList()));
        return figure.map(each -> Demands.of(occasion, each)).orElse(Map.of());
    }

    /** What the teacher has pinned on strings or buttons, by note, as paths take it. */
    public static Map<NoteId, String> linePins(Version version) {
        Map<NoteId, String> pins = new HashMap<>();
        version.spots().values().stream()
                .filter(spot -> !spot.pin().isEmpty())
                .forEach(spot -> pins.put(spot.at(), spot.pin()));
        return pins;
    }

    /** One of a kind is asked for by the score, the sound and the close-up in turn: the last few are remembered. */
    private static final LastAsked LAST = new LastAsked();

    private record Asked(Tune tune, Playing playing, Map<NoteId, String> pins, Map<NoteId, Demand> demands) {}

    private record Answer(Asked asked, Optional<HandLines> found) {}

    private static final class LastAsked {
        private static final int MOST = 6;

        /** Few, so that they are looked through: to compare two tunes is quicker than to reckon a number for each. */
        private final Deque<Answer> answers = new ArrayDeque<>();

        synchronized Optional<HandLines> of(Asked asked) {
            Optional<Answer> known =
                    answers.stream().filter(each -> each.asked.equals(asked)).findFirst();
            if (known.isPresent()) {
                return known.get().found;
            }
            Playing playing = asked.playing;
            Optional<HandLines> found = HandLines.of(
                    asked.tune, playing.instrument(), playing.school(), playing.tempo(), asked.pins, asked.demands);
            if (answers.size() == MOST) {
                answers.removeLast();
            }
            answers.addFirst(new Answer(asked, found));
            return found;
        }
    }

    /** Whether the teacher's own fingering is the one that a note has. */
    public static boolean isPinned(Version version, NoteId note, Fingering fingering) {
        return version.at(note)
                .filter(spot -> spot.pin().equals(fingering.toString()))
                .isPresent();
    }
}
