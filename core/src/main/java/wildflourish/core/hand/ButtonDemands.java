package wildflourish.core.hand;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.fingering.ButtonDemand;
import wildflourish.core.fingering.ButtonWay;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.form.Harmony;
import wildflourish.core.instrument.ButtonLayout;
import wildflourish.core.line.Line;
import wildflourish.core.line.Tone;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Key;
import wildflourish.core.ornament.Begin;
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
    private final Tune tune;
    private final Optional<HandLines> plain;
    private final Map<Alike, List<ButtonFound.Ready>> known = new HashMap<>();

    private final Map<Alike, ButtonDemand> asked = new HashMap<>();

    /** For versions of a tune. */
    ButtonDemands(Tune tune, Optional<HandLines> plain) {
        this.tune = tune;
        this.plain = plain;
    }

    /** By the first note, where it is first played, for one of the versions, all for the same player; what one has in common with another is worked out once. */
    synchronized Map<NoteId, ButtonDemand> of(Version version, Line line) {
        Map<NoteId, ButtonDemand> demands = new HashMap<>();
        Ways ways = Ways.on(version, plain);
        for (int i = 0; i < line.tones().size(); i++) {
            Tone tone = line.tones().get(i);
            boolean isFirst = line.indexOf(tone.note().id()).equals(Optional.of(i));
            boolean isOther = isFirst
                    && tone.placed().isEmpty()
                    && !tone.isRest()
                    && !tone.pitches().equals(tone.note().pitches());
            if (isOther) {
                var instrument = version.playing().instrument();
                ButtonDemand.instead(
                                instrument.reading().fingered(tone.melody()),
                                instrument.buttons().orElseThrow())
                        .ifPresent(demand -> demands.put(tone.note().id(), demand));
            }
            if (tone.placed().isPresent() && isFirst) {
                int at = i;
                ofPlacement(
                                version,
                                tone.placed().get(),
                                new Occasion.Asked(
                                        at,
                                        line.countOf(at, tone.placed().get()),
                                        tone.placed().get().stack()),
                                line,
                                ways)
                        .ifPresent(demand -> demands.put(tone.note().id(), demand));
            }
        }
        return demands;
    }

    private Optional<ButtonDemand> ofPlacement(
            Version version, Placement placement, Occasion.Asked asked, Line line, Ways ways) {
        List<Tone> tones = line.tones().subList(asked.first(), asked.first() + asked.count());
        var instrument = version.playing().instrument();
        boolean isOfTouch = asked.count() == 1
                && placement.stack().choices().stream()
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
                .map(each -> this.asked.computeIfAbsent(
                        Alike.of(occasion, each), key -> options(asked.count(), ready(key, occasion, each))))
                .filter(demand -> !demand.options().isEmpty());
    }

    /** All that decides in which ways an ornament can be made at a tempo: notes that come back are looked at once. */
    private record Alike(
            Figure figure,
            List<Integer> midi,
            Optional<Integer> next,
            Key key,
            Optional<ButtonLayout.Key> plain,
            String pin,
            Stack stack,
            Fraction lengthWholeNotes,
            Optional<Set<Integer>> chord) {
        static Alike of(Occasion occasion, Figure figure) {
            NoteId note = occasion.first().note().id();
            boolean isWalked = figure.parts().stream().anyMatch(part -> part.begin() == Begin.STROKE);
            return new Alike(
                    figure,
                    occasion.tones().stream().map(tone -> tone.melody().midi()).toList(),
                    isWalked ? occasion.after().map(tone -> tone.melody().midi()) : Optional.empty(),
                    occasion.setting().key(),
                    occasion.ways().onButtons(note).map(ButtonWay::key),
                    occasion.ways().pinOnStrings(note),
                    occasion.playing().schooled(occasion.stack()),
                    occasion.lengthWholeNotes(),
                    Harmony.given(occasion.setting().tune(), note));
        }
    }

    private List<ButtonFound.Ready> ready(Alike alike, Occasion occasion, Figure figure) {
        return known.computeIfAbsent(alike, key -> new ButtonSpot(occasion, figure).found);
    }

    private static ButtonDemand options(int count, List<ButtonFound.Ready> ready) {
        return new ButtonDemand(
                count, ready.stream().map(ButtonFound.Ready::option).toList());
    }

    /** All ways in which something that has been asked about before can be made; empty where it has not. */
    synchronized Optional<List<ButtonFound.Ready>> known(Occasion occasion, Figure figure) {
        return Optional.ofNullable(known.get(Alike.of(occasion, figure)));
    }
}
