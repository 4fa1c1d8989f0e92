package wildflourish.core.hand;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.fingering.ButtonDemand;
import wildflourish.core.fingering.ButtonTables;
import wildflourish.core.fingering.Demand;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.fingering.HandTables;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.line.Line;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Version;

/** What the hands do on strings or buttons for a version, through what the teacher has pinned; the last few answers are remembered. */
public final class Hands {
    private Hands() {}

    /** What the hands do on strings or buttons, through what the teacher has pinned; empty for an instrument fingered on holes. */
    public static Optional<HandLines> lines(Tune tune, Version version) {
        boolean isWind = version.playing().instrument().family().isWind();
        return isWind
                ? Optional.empty()
                : Scene.of(tune, version, Profile.usual()).lines();
    }

    /** What they do for the tune as it is written; empty for an instrument fingered on holes. */
    static Optional<HandLines> plain(Tune tune, Version version) {
        return version.playing().instrument().family().isWind()
                ? Optional.empty()
                : LAST.of(new Asked(
                        tune,
                        version.playing(),
                        linePins(version),
                        WrittenSlurs.of(tune, version.playing().instrument()),
                        Map.of()));
    }

    /** What they do along a line of the version, where its ornaments and layers ask more than the tune. */
    static Optional<HandLines> lines(Tune tune, Version version, Line line, Optional<HandLines> plain) {
        if (version.playing().instrument().buttons().isPresent()) {
            Map<NoteId, ButtonDemand> demands = demandsOnButtons(tune, version, line, plain);
            return demands.isEmpty()
                    ? plain
                    : LAST.of(new Asked(tune, version.playing(), linePins(version), Map.of(), demands));
        }
        if (version.playing().instrument().strings().isEmpty()) {
            return plain;
        }
        HandTables.Asked asked = asked(tune, version, line, plain);
        boolean isPlain = asked.pins().equals(linePins(version))
                && asked.demands()
                        .equals(WrittenSlurs.of(tune, version.playing().instrument()));
        return isPlain ? plain : LAST.of(new Asked(tune, version.playing(), asked.pins(), asked.demands(), Map.of()));
    }

    /** What ornaments ask of the hand on buttons; what those of the last tune ask is remembered, each one once. */
    static Map<NoteId, ButtonDemand> demandsOnButtons(
            Tune tune, Version version, Line line, Optional<HandLines> plain) {
        return DEMANDS.of(tune, version.playing(), plain).of(version, line);
    }

    /** What has been found of ornaments of a tune on buttons; empty on other instruments. */
    static Optional<ButtonDemands> knownOnButtons(Tune tune, Version version) {
        return version.playing().instrument().buttons().isEmpty()
                ? Optional.empty()
                : Optional.of(DEMANDS.of(tune, version.playing(), plain(tune, version)));
    }

    private static final LastDemands DEMANDS = new LastDemands();

    private static final class LastDemands {
        private Optional<Known> known = Optional.empty();

        private record Known(Tune tune, Playing playing, Optional<HandLines> plain, ButtonDemands demands) {}

        synchronized ButtonDemands of(Tune tune, Playing playing, Optional<HandLines> plain) {
            Optional<Known> same = known.filter(
                    each -> each.playing.equals(playing) && each.plain.equals(plain) && each.tune.equals(tune));
            Known found = same.orElseGet(() -> new Known(tune, playing, plain, new ButtonDemands(tune, plain)));
            known = Optional.of(found);
            return found.demands;
        }
    }

    /** What the version costs the hand on buttons along a line of it; empty on other instruments. */
    static Optional<ButtonTables> buttonTables(Tune tune, Version version, Line line) {
        Playing playing = version.playing();
        return playing.instrument().buttons().isEmpty()
                ? Optional.empty()
                : Optional.of(ButtonTables.of(
                        tune,
                        playing.instrument(),
                        playing.schools(),
                        playing.tempo(),
                        linePins(version),
                        demandsOnButtons(tune, version, line, plain(tune, version))));
    }

    /** What ornaments, layers and the teacher ask of the hand on strings along a line of the version. */
    static HandTables.Asked asked(Tune tune, Version version, Line line, Optional<HandLines> plain) {
        Map<NoteId, String> pins = LayerDemands.pins(version, line);
        pins.putAll(linePins(version));
        return new HandTables.Asked(pins, Demands.of(tune, version, line, plain));
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

    private record Asked(
            Tune tune,
            Playing playing,
            Map<NoteId, String> pins,
            Map<NoteId, Demand> demands,
            Map<NoteId, ButtonDemand> buttons) {}

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
                    asked.tune,
                    playing.instrument(),
                    playing.schools(),
                    playing.tempo(),
                    asked.pins,
                    asked.demands,
                    asked.buttons);
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
