package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.fingering.ButtonDemand;
import wildflourish.core.fingering.ButtonOption;
import wildflourish.core.fingering.ButtonWay;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.form.Harmony;
import wildflourish.core.line.Line;
import wildflourish.core.line.Tone;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Key;
import wildflourish.core.ornament.Figure;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Stack;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Version;

/**
 * What the ornaments of a version ask of the hand on buttons: for each note they stand on the ways in which they can be made. How a note begins or ends asks
 * nothing.
 */
final class ButtonDemands {
    private ButtonDemands() {}

    /** By the first note, where it is first played. */
    static Map<NoteId, ButtonDemand> of(Tune tune, Version version, Line line, Optional<HandLines> plain) {
        Map<NoteId, ButtonDemand> demands = new HashMap<>();
        Map<Alike, List<ButtonOption>> known = new HashMap<>();
        Ways ways = Ways.on(version, plain);
        for (int i = 0; i < line.tones().size(); i++) {
            Tone tone = line.tones().get(i);
            boolean isFirst = line.indexOf(tone.note().id()).equals(Optional.of(i));
            if (tone.placed().isPresent() && isFirst) {
                int at = i;
                ofPlacement(
                                tune,
                                version,
                                tone.placed().get(),
                                new Occasion.Asked(
                                        at,
                                        line.countOf(at, tone.placed().get()),
                                        tone.placed().get().stack()),
                                line,
                                ways,
                                known)
                        .ifPresent(demand -> demands.put(tone.note().id(), demand));
            }
        }
        return demands;
    }

    private static Optional<ButtonDemand> ofPlacement(
            Tune tune,
            Version version,
            Placement placement,
            Occasion.Asked asked,
            Line line,
            Ways ways,
            Map<Alike, List<ButtonOption>> known) {
        List<Tone> tones = line.tones().subList(asked.first(), asked.first() + asked.count());
        var instrument = version.playing().instrument();
        boolean isOfTouch = placement.stack().choices().stream()
                .allMatch(choice -> choice.ornament().kind() == Ornament.Kind.ARTICULATION);
        if (isOfTouch) {
            return Optional.empty();
        }
        if (tones.stream()
                .anyMatch(tone -> tone.isRest()
                        || !instrument.has(tone.melody())
                        || tone.pitches().size() > 1)) {
            return Optional.empty();
        }
        Occasion occasion = Occasion.of(tune, version, Profile.usual().times(), line, ways, asked);
        Optional<Figure> figure = version.playing()
                .schooled(placement.stack())
                .over(instrument.family(), occasion.lengthWholeNotes(), asked.count())
                .figure()
                .map(each -> each.written(tones.stream().map(Tone::length).toList()));
        return figure.filter(each -> Forms.suit(occasion))
                .map(each -> known.computeIfAbsent(Alike.of(occasion, each), key -> options(occasion, each)))
                .filter(options -> !options.isEmpty())
                .map(options -> new ButtonDemand(asked.count(), options));
    }

    /** All that decides in which ways an ornament can be made at a tempo: notes that come back are looked at once. */
    private record Alike(
            Figure figure,
            int midi,
            Key key,
            String pin,
            Stack stack,
            Fraction lengthWholeNotes,
            Optional<Set<Integer>> chord) {
        static Alike of(Occasion occasion, Figure figure) {
            NoteId note = occasion.first().note().id();
            return new Alike(
                    figure,
                    occasion.first().melody().midi(),
                    occasion.setting().key(),
                    occasion.ways().pinOnStrings(note),
                    occasion.playing().schooled(occasion.stack()),
                    occasion.lengthWholeNotes(),
                    Harmony.given(occasion.setting().tune(), note));
        }
    }

    /** Each way once, the cheapest with the same first, own and last button and finger. */
    private static List<ButtonOption> options(Occasion occasion, Figure figure) {
        ButtonSpot spot = new ButtonSpot(occasion, figure);
        Map<List<ButtonWay>, ButtonOption> options = new HashMap<>();
        for (ButtonSpot.Found found : spot.found) {
            ButtonOption option = new ButtonMaking(spot, found).option();
            options.merge(
                    List.of(option.way(), option.entry(), option.exit()),
                    option,
                    (one, other) -> one.cost() <= other.cost() ? one : other);
        }
        return new ArrayList<>(options.values());
    }
}
