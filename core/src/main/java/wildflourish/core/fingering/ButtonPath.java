package wildflourish.core.fingering;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.instrument.Button;
import wildflourish.core.instrument.ButtonLayout;
import wildflourish.core.instrument.School;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.tune.NoteId;

/**
 * The cheapest way to play a line on a box or a concertina: for each note button, direction of the bellows and finger, by shortest path; the air in the
 * bellows counts. What a teacher has pinned stays, and the rest moves round it. Costs are in turns of the bellows in smooth playing.
 */
public final class ButtonPath {
    private ButtonPath() {}

    /** The best way through a line. A pin is the name of a key, {@code i3d}, or of a way, {@code i3d/2}; it holds where the note can be played so. */
    public static LinePath<ButtonWay> of(
            List<Struck> line, ButtonLayout layout, School school, Map<NoteId, String> pins) {
        return of(line, layout, school, new Asked(pins, Map.of()), true).mapped(ButtonOption::way);
    }

    /** The same without the runner-up, in half the time. */
    static LinePath<ButtonWay> best(List<Struck> line, ButtonLayout layout, School school, Map<NoteId, String> pins) {
        return best(line, layout, school, new Asked(pins, Map.of())).mapped(ButtonOption::way);
    }

    /** What is asked of notes: ways that are pinned, and what ornaments leave to choose from. */
    record Asked(Map<NoteId, String> pins, Map<NoteId, List<ButtonOption>> options) {
        static Asked of(Map<NoteId, String> pins, Map<NoteId, ButtonDemand> demands) {
            Map<NoteId, List<ButtonOption>> options = new HashMap<>();
            demands.forEach((note, demand) -> options.put(note, demand.options()));
            return new Asked(pins, options);
        }
    }

    /** The same with ornaments on some of its notes. */
    static LinePath<ButtonOption> best(List<Struck> line, ButtonLayout layout, School school, Asked asked) {
        return of(line, layout, school, asked, false);
    }

    private static LinePath<ButtonOption> of(
            List<Struck> line, ButtonLayout layout, School school, Asked asked, boolean hasRunnerUp) {
        ButtonCosts costs = ButtonCosts.of(school);
        Choices choices = new Choices(layout, asked);
        return LinePath.of(
                line,
                struck -> refusal(struck, layout),
                run -> Bellows.of(run, choices.of(run), costs, hasRunnerUp),
                hasRunnerUp);
    }

    /** How the bellows stand before each note of a line that is played in some way; none where they sound the same both ways. */
    static Map<NoteId, Balance> balances(List<Struck> line, LinePath<ButtonOption> path, School school) {
        ButtonCosts costs = ButtonCosts.of(school);
        Map<NoteId, Balance> all = new HashMap<>();
        List<Struck> run = new ArrayList<>();
        for (int i = 0; i <= line.size() && costs.air() > 0; i++) {
            Optional<ButtonOption> way =
                    i < line.size() ? path.at(line.get(i).note().id()) : Optional.empty();
            if (way.isPresent()) {
                run.add(line.get(i));
            } else if (!run.isEmpty()) {
                List<ButtonOption> ways = run.stream()
                        .map(struck -> path.at(struck.note().id()).orElseThrow())
                        .toList();
                List<Balance> balances = Balance.of(run, ways, costs);
                for (int j = 0; j < balances.size(); j++) {
                    all.put(run.get(j).note().id(), balances.get(j));
                }
                run.clear();
            }
        }
        return all;
    }

    /** What there is to choose from for each note; notes of one pitch with nothing on them share one list. */
    static final class Choices {
        private final ButtonLayout layout;
        private final Asked asked;
        private final Map<List<FingeredPitch>, List<ButtonOption>> known = new HashMap<>();

        Choices(ButtonLayout layout, Asked asked) {
            this.layout = layout;
            this.asked = asked;
        }

        List<List<ButtonOption>> of(List<Struck> run) {
            return run.stream().map(struck -> of(struck, asked)).toList();
        }

        /** Where something else is asked. */
        List<ButtonOption> of(Struck struck, Asked other) {
            List<ButtonOption> all = Optional.ofNullable(
                            other.options.get(struck.note().id()))
                    .orElseGet(
                            () -> known.computeIfAbsent(struck.pitches(), pitches -> plain(choices(pitches, layout))));
            return pinned(struck, all, other.pins);
        }
    }

    /** The melody by itself where what is under it cannot be held with it. */
    private static List<ButtonWay> choices(List<FingeredPitch> pitches, ButtonLayout layout) {
        List<ButtonWay> together = together(pitches, layout);
        return together.isEmpty() ? waysOf(pitches.get(pitches.size() - 1), layout) : together;
    }

    /** Every way for a pitch with nothing on it. */
    static List<ButtonOption> plainOptions(FingeredPitch pitch, ButtonLayout layout) {
        return plain(waysOf(pitch, layout));
    }

    private static List<ButtonOption> plain(List<ButtonWay> ways) {
        return ways.stream().map(ButtonOption::plain).toList();
    }

    private static List<ButtonOption> pinned(Struck struck, List<ButtonOption> all, Map<NoteId, String> pins) {
        String pin = pins.getOrDefault(struck.note().id(), "");
        if (pin.isEmpty()) {
            return all;
        }
        List<ButtonOption> pinned = all.stream()
                .filter(option -> option.way().toString().equals(pin)
                        || option.way().keys().equals(pin))
                .toList();
        return pinned.isEmpty() ? all : pinned;
    }

    private static List<ButtonWay> waysOf(FingeredPitch pitch, ButtonLayout layout) {
        List<ButtonWay> all = new ArrayList<>();
        for (ButtonLayout.Key key : layout.keysOf(pitch)) {
            key.button().fingers().forEach(finger -> all.add(new ButtonWay(key, finger)));
        }
        return all;
    }

    /** Every way for pitches that sound together, from the lowest to the melody. */
    static List<ButtonWay> together(List<FingeredPitch> pitches, ButtonLayout layout) {
        List<ButtonWay> ways = waysOf(pitches.get(pitches.size() - 1), layout);
        for (int i = pitches.size() - 2; i >= 0; i--) {
            List<ButtonWay> lower = waysOf(pitches.get(i), layout);
            ways = ways.stream()
                    .flatMap(way -> lower.stream()
                            .filter(each -> way.each().stream().allMatch(each::goesWith))
                            .map(way::with))
                    .toList();
        }
        return ways;
    }

    /** Why a note, or notes together, cannot be played; empty where they can. */
    static Optional<LinePath.Why> refusal(Struck struck, ButtonLayout layout) {
        List<FingeredPitch> pitches = struck.pitches();
        if (pitches.stream().anyMatch(pitch -> layout.keysOf(pitch).isEmpty())) {
            boolean hasMelody = !layout.keysOf(pitches.get(pitches.size() - 1)).isEmpty();
            return Optional.of(hasMelody ? LinePath.Why.SECOND_MISSING : LinePath.Why.MISSING);
        }
        if (pitches.size() == 1 || !together(pitches, layout).isEmpty()) {
            return Optional.empty();
        }
        boolean isOneWay = Arrays.stream(Button.Bellows.values())
                .anyMatch(bellows -> pitches.stream()
                        .allMatch(pitch -> layout.keysOf(pitch).stream()
                                .anyMatch(key -> key.button().isSameBothWays() || key.bellows() == bellows)));
        return Optional.of(isOneWay ? LinePath.Why.FINGERS : LinePath.Why.BELLOWS);
    }

    /** How often the bellows turn. */
    public static int turns(LinePath<ButtonWay> path, List<Struck> line) {
        int turns = 0;
        Optional<ButtonWay> before = Optional.empty();
        for (Struck struck : line) {
            Optional<ButtonWay> now = path.at(struck.note().id());
            boolean turned = before.isPresent()
                    && now.isPresent()
                    && before.get().key().bellows() != now.get().key().bellows();
            turns += turned ? 1 : 0;
            before = now;
        }
        return turns;
    }
}
