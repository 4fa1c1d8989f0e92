package wildflourish.core.fingering;

import java.util.List;
import java.util.Map;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Schools;
import wildflourish.core.music.Tempo;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;

/**
 * The cheapest way through a tune on buttons, the air left aside: by it what an ornament costs the hand is told before it is placed.
 *
 * @param cost in turns of the bellows; infinite where a note that could be played no longer can
 * @param turns how often the bellows turn
 * @param ways by note
 */
public record ButtonSearch(double cost, int turns, Map<NoteId, ButtonWay> ways) {
    public ButtonSearch {
        ways = Map.copyOf(ways);
    }

    public static ButtonSearch of(
            Tune tune,
            Instrument instrument,
            Schools schools,
            Tempo tempo,
            Map<NoteId, String> pins,
            Map<NoteId, ButtonDemand> demands) {
        List<Struck> line = Struck.joined(Struck.of(tune, tempo), demands);
        LinePath<ButtonWay> path = ButtonPath.withoutAir(
                line, instrument.buttons().orElseThrow(), schools.hand(), ButtonPath.Asked.of(pins, demands));
        boolean isStuck = path.troubles().stream()
                .anyMatch(trouble -> trouble.why() == LinePath.Why.STUCK || trouble.why() == LinePath.Why.TOO_FAST);
        return new ButtonSearch(
                isStuck ? Double.POSITIVE_INFINITY : path.cost(), ButtonPath.turns(path, line), path.ways());
    }
}
