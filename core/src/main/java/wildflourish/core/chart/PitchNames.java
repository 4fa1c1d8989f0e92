package wildflourish.core.chart;

import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.Step;
import wildflourish.core.music.WrittenPitch;

/** Notes as players of session music call them: E and B flat, F, C and G sharp. */
final class PitchNames {
    private PitchNames() {}

    /** With its octave. */
    static String of(Instrument instrument, FingeredPitch pitch) {
        WrittenPitch written = WrittenPitch.ofMidi(instrument.reading().writtenMidi(pitch));
        boolean isFlat = written.alter() == 1 && (written.step() == Step.D || written.step() == Step.A);
        return isFlat
                ? WrittenPitch.of(written.step().plus(1), -1, written.octave()).toString()
                : written.toString();
    }

    /** Without its octave. */
    static String letter(Instrument instrument, FingeredPitch pitch) {
        return of(instrument, pitch).replaceAll("\\d", "");
    }
}
