package wildflourish.core.fingering;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Schools;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.Metre;
import wildflourish.core.tune.NoteId;

/** How a line is played on any instrument: what cannot be played of it, and on strings and buttons the cheapest way. */
public final class LineWays {
    private LineWays() {}

    /**
     * The way of an instrument with strings or buttons. Throws IllegalArgumentException for one fingered on holes.
     *
     * @param line pitches as the instrument fingers them
     */
    public static LinePath<?> best(List<Struck> line, Instrument instrument, Schools schools, Metre metre) {
        if (instrument.strings().isPresent()) {
            return StringPath.best(line, Manners.of(instrument.strings().get(), schools, metre), Map.of());
        }
        return ButtonPath.best(
                line,
                instrument
                        .buttons()
                        .orElseThrow(() -> new IllegalArgumentException(instrument + " has no line of ways")),
                schools.hand(),
                Map.of());
    }

    /** What cannot be played, in the order of the line. */
    public static List<LinePath.Trouble> troubles(
            List<Struck> line, Instrument instrument, Schools schools, Metre metre) {
        return instrument.family().isWind()
                ? onHoles(line, instrument)
                : best(line, instrument, schools, metre).troubles();
    }

    private static List<LinePath.Trouble> onHoles(List<Struck> line, Instrument instrument) {
        List<LinePath.Trouble> troubles = new ArrayList<>();
        for (Struck struck : line) {
            NoteId note = struck.note().id();
            FingeredPitch melody = new FingeredPitch(
                    struck.melody().midi() + instrument.reading().writtenToFingered());
            if (instrument.rowOf(melody).isEmpty()) {
                troubles.add(new LinePath.Trouble(note, LinePath.Why.MISSING));
            } else if (struck.isChord()) {
                troubles.add(new LinePath.Trouble(note, LinePath.Why.ONE_AT_A_TIME));
            }
        }
        return List.copyOf(troubles);
    }
}
