package wildflourish.core.performance;

import java.util.HashMap;
import java.util.Map;
import wildflourish.core.fingering.FingeringPath;
import wildflourish.core.instrument.ChartRow;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/** The fingering of every note of a version: the shortest way through the tune, with the usual fingering where an ornament stands, since its gestures are made from that. */
public final class Hands {
    private Hands() {}

    public static FingeringPath of(Tune tune, Version version) {
        Map<NoteId, Fingering> pins = new HashMap<>();
        for (Spot spot : version.spots().values()) {
            for (Placement option : spot.options()) {
                for (Note note :
                        tune.between(option.span().first(), option.span().last())) {
                    if (!note.isRest()) {
                        version.playing()
                                .instrument()
                                .rowOf(note.melody())
                                .map(ChartRow::usual)
                                .ifPresent(usual -> pins.put(note.id(), usual));
                    }
                }
            }
        }
        return FingeringPath.of(tune.notes(), version.playing().instrument(), pins);
    }
}
