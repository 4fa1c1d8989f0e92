package wildflourish.core.fingering;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.instrument.School;
import wildflourish.core.instrument.Strings;
import wildflourish.core.instrument.StrokeOrder;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.tune.NoteId;

/**
 * The cheapest way to play a line on strings: for each note string, finger, position of the hand and stroke, by shortest path. What a teacher has pinned stays,
 * and the rest moves round it.
 */
public final class StringPath {
    private StringPath() {}

    /**
     * How strings are played.
     *
     * @param strings tuned, with their capo
     * @param order of bows or picks
     */
    public record Manner(Strings strings, StrokeOrder order, School school) {
        /** What can be held for pitches that sound together. */
        Together.Holds together(List<FingeredPitch> pitches) {
            return Together.of(strings, order.hand(), pitches);
        }
    }

    /** The best way through a line. A pin is string and finger, {@code D3}, or the whole way, {@code D3u}; it holds where the note can be played so. */
    public static LinePath<StringWay> of(List<Struck> line, Manner manner, Map<NoteId, String> pins) {
        return of(line, manner, pins, true);
    }

    /** The same without the runner-up, in half the time. */
    static LinePath<StringWay> best(List<Struck> line, Manner manner, Map<NoteId, String> pins) {
        return of(line, manner, pins, false);
    }

    private static LinePath<StringWay> of(
            List<Struck> line, Manner manner, Map<NoteId, String> pins, boolean hasRunnerUp) {
        StringCosts costs = StringCosts.of(manner.school());
        Map<List<FingeredPitch>, Optional<LinePath.Why>> refused = new HashMap<>();
        return LinePath.of(
                line,
                struck -> refused.computeIfAbsent(
                        struck.pitches(), pitches -> manner.together(pitches).why()),
                run -> new StringStages(run, manner, costs, pins),
                hasRunnerUp);
    }
}
