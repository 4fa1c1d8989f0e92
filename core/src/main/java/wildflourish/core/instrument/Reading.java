package wildflourish.core.instrument;

import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.SoundingPitch;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.table.Row;

/**
 * The two steps of an instrument: from what is written to what is fingered, and from that to what sounds.
 *
 * @param writtenToFingered semitones from the written pitch to the name on the chart
 * @param fingeredToSounding semitones from the chart's name to what is heard
 * @param cents how much sharper than that the instrument is as a whole
 */
public record Reading(int writtenToFingered, int fingeredToSounding, int cents) {
    static Reading from(Row row) {
        return new Reading(
                row.integer("written to fingered"), row.integer("fingered to sounding"), row.integer("cents"));
    }

    public FingeredPitch fingered(WrittenPitch written) {
        return new FingeredPitch(written.midi() + writtenToFingered);
    }

    public SoundingPitch sounding(FingeredPitch fingered) {
        return new SoundingPitch(fingered.midi() + fingeredToSounding, cents);
    }

    public SoundingPitch sounding(WrittenPitch written) {
        return sounding(fingered(written));
    }

    /** MIDI number of the written pitch for which the chart's name is fingered. */
    public int writtenMidi(FingeredPitch fingered) {
        return fingered.midi() - writtenToFingered;
    }
}
