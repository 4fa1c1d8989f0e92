package wildflourish.core.music;

/**
 * A pitch as the player fingers it: the row of the instrument's chart, named as on the chart's home instrument. A whistle in C that reads a
 * concert tune fingers written C4 as the D4 of the chart.
 *
 * @param midi MIDI number of the chart's name: D4 is 62
 */
public record FingeredPitch(int midi) {
    public static FingeredPitch parse(String name) {
        return new FingeredPitch(WrittenPitch.parse(name).midi());
    }

    /** The name with a natural or a sharp: {@code C♯5}. */
    @Override
    public String toString() {
        return WrittenPitch.ofMidi(midi).toString();
    }
}
