package wildflourish.core.instrument;

import java.util.List;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.SoundingPitch;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.table.Table;

/**
 * The two steps of an instrument: from what is written to what is fingered, and from that to what sounds.
 *
 * @param writtenToFingered semitones from the written pitch to the name on the chart
 * @param fingeredToSounding semitones from the chart's name to what is heard
 * @param cents how much sharper than that the instrument is as a whole
 */
public record Reading(String name, int writtenToFingered, int fingeredToSounding, int cents) {
    private static final List<Reading> ALL = Table.load("readings.table").rows().stream()
            .map(row -> new Reading(
                    row.text("reading"),
                    row.integer("written to fingered"),
                    row.integer("fingered to sounding"),
                    row.integer("cents")))
            .toList();

    public static Reading of(String name) {
        return ALL.stream()
                .filter(reading -> reading.name.equals(name))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no reading “" + name + "”"));
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
