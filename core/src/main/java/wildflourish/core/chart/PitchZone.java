package wildflourish.core.chart;

import wildflourish.core.engraving.Box;
import wildflourish.core.music.FingeredPitch;

/** Where a note of an instrument is seen on a chart, in staff spaces; a note may be seen in several places. */
public record PitchZone(FingeredPitch pitch, Box box) {
    PitchZone moved(double dx, double dy) {
        return new PitchZone(pitch, box.moved(dx, dy));
    }
}
