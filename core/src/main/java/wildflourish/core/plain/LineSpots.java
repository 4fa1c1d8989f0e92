package wildflourish.core.plain;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.fingering.ButtonWay;
import wildflourish.core.fingering.LinePath;
import wildflourish.core.fingering.LineWays;
import wildflourish.core.fingering.StringWay;
import wildflourish.core.fingering.Struck;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Schools;
import wildflourish.core.music.Tempo;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;

/** What is hard from one note to the next on strings and buttons, read off the best way to play the line. */
final class LineSpots {
    private static final double EASY_REACH = 3;
    private static final int SECOND_FINGER = 2;

    private LineSpots() {}

    /** By the note it leads to; none for instruments fingered on holes. */
    static Map<NoteId, List<HardSpot.Kind>> of(Tune tune, Instrument instrument, Tempo tempo) {
        if (instrument.family().isWind()) {
            return Map.of();
        }
        List<Struck> line = Struck.of(tune, tempo);
        return of(line, LineWays.best(line, instrument, Schools.usual(instrument), tune.metreAt(0)));
    }

    /** Of a way to play a line. */
    static Map<NoteId, List<HardSpot.Kind>> of(List<Struck> line, LinePath<?> path) {
        Map<NoteId, List<HardSpot.Kind>> spots = new HashMap<>();
        for (int i = 1; i < line.size(); i++) {
            Optional<?> from = path.at(line.get(i - 1).note().id());
            Optional<?> to = path.at(line.get(i).note().id());
            if (from.isPresent() && to.isPresent() && line.get(i).restMillis() == 0) {
                spots.put(line.get(i).note().id(), between(from.get(), to.get()));
            }
        }
        return spots;
    }

    private static List<HardSpot.Kind> between(Object from, Object to) {
        if (from instanceof StringWay one && to instanceof StringWay other) {
            return strings(one, other);
        }
        return from instanceof ButtonWay one && to instanceof ButtonWay other ? buttons(one, other) : List.of();
    }

    private static List<HardSpot.Kind> strings(StringWay from, StringWay to) {
        if (from.place().position() != to.place().position()) {
            return List.of(HardSpot.Kind.SHIFT);
        }
        if (from.hold().stringsTo(to.hold()) > 1) {
            return List.of(HardSpot.Kind.SKIP);
        }
        boolean isSecond = from.place().string() == to.place().string()
                && from.place().stop().finger() == SECOND_FINGER
                && to.place().stop().finger() == SECOND_FINGER
                && from.place().semitones() != to.place().semitones();
        return isSecond ? List.of(HardSpot.Kind.SECOND) : List.of();
    }

    private static List<HardSpot.Kind> buttons(ButtonWay from, ButtonWay to) {
        boolean isTurn = !to.key().button().isSameBothWays()
                && from.key().bellows() != to.key().bellows();
        boolean isFar = from.key().button().hand() == to.key().button().hand()
                && Math.abs(from.key().button().place() - to.key().button().place()) > EASY_REACH;
        return isTurn ? List.of(HardSpot.Kind.TURN) : isFar ? List.of(HardSpot.Kind.REACH) : List.of();
    }
}
