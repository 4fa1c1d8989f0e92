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
        return of(line, layout, school, new Asked(pins, Map.of()), true);
    }

    /** The same without the runner-up, in half the time. */
    static LinePath<ButtonWay> best(List<Struck> line, ButtonLayout layout, School school, Map<NoteId, String> pins) {
        return of(line, layout, school, new Asked(pins, Map.of()), false);
    }

    /** What is asked of notes: ways that are pinned, and what ornaments leave to choose from. */
    record Asked(Map<NoteId, String> pins, Map<NoteId, List<ButtonOption>> options) {
        static Asked of(Map<NoteId, String> pins, Map<NoteId, ButtonDemand> demands) {
            Map<NoteId, List<ButtonOption>> options = new HashMap<>();
            demands.forEach((note, demand) -> options.put(note, demand.options()));
            return new Asked(pins, options);
        }
    }

    /** The same with the air left aside. */
    static LinePath<ButtonWay> withoutAir(List<Struck> line, ButtonLayout layout, School school, Asked asked) {
        return of(line, layout, school, asked, Bellows::plain, false);
    }

    /** What makes stages of a run of notes. */
    private interface Stages {
        LinePath.Run<ButtonWay> of(List<Struck> run, List<List<ButtonOption>> choices, ButtonCosts costs);
    }

    /** The same with ornaments on some of its notes. */
    static LinePath<ButtonWay> best(List<Struck> line, ButtonLayout layout, School school, Asked asked) {
        return of(line, layout, school, asked, false);
    }

    private static LinePath<ButtonWay> of(
            List<Struck> line, ButtonLayout layout, School school, Asked asked, boolean hasRunnerUp) {
        return of(
                line,
                layout,
                school,
                asked,
                (run, choices, costs) -> Bellows.of(run, choices, costs, hasRunnerUp),
                hasRunnerUp);
    }

    private static LinePath<ButtonWay> of(
            List<Struck> line, ButtonLayout layout, School school, Asked asked, Stages stages, boolean hasRunnerUp) {
        ButtonCosts costs = ButtonCosts.of(school);
        Map<List<FingeredPitch>, List<ButtonOption>> known = new HashMap<>();
        return LinePath.of(
                line,
                struck -> refusal(struck, layout),
                run -> {
                    List<List<ButtonOption>> choices = run.stream()
                            .map(struck -> pinned(
                                    struck,
                                    Optional.ofNullable(asked.options.get(
                                                    struck.note().id()))
                                            .orElseGet(() -> known.computeIfAbsent(
                                                    struck.pitches(), pitches -> plain(choices(pitches, layout)))),
                                    asked.pins))
                            .toList();
                    return stages.of(run, choices, costs);
                },
                hasRunnerUp);
    }

    /** The melody by itself where what is under it cannot be held with it. */
    private static List<ButtonWay> choices(List<FingeredPitch> pitches, ButtonLayout layout) {
        List<ButtonWay> together = together(pitches, layout);
        return together.isEmpty() ? waysOf(pitches.get(pitches.size() - 1), layout) : together;
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
    private static Optional<LinePath.Why> refusal(Struck struck, ButtonLayout layout) {
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
