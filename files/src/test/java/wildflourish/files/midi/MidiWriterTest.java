package wildflourish.files.midi;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.util.ArrayList;
import java.util.List;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import org.junit.jupiter.api.Test;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Stack;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.Realisation;
import wildflourish.core.performance.Realiser;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;
import wildflourish.files.abc.BookReader;

/** What is written as MIDI, read back by the JDK's reader. */
class MidiWriterTest {
    private record Event(long tick, ShortMessage message) {}

    private static Tune tune(String body) {
        return BookReader.read("X:1\nT:Back\nR:march\nM:4/4\nL:1/8\nK:A\n" + body + "\n")
                .value()
                .lessons()
                .get(0)
                .tune();
    }

    private static Realisation realise(Tune tune, String instrument, String stack, int note) {
        Version plain = Version.plain("midi", Playing.usual(tune, Instrument.of(instrument)));
        Span span = Span.of(new NoteId(note));
        return Realiser.realise(
                tune,
                plain.with(
                        tune,
                        Spot.of(Placement.of(
                                Stack.parse(stack, Instrument.of(instrument).family()), span))),
                Profile.usual());
    }

    private static List<Event> read(Tune tune, Realisation realisation) throws Exception {
        Sequence sequence = MidiSystem.getSequence(new ByteArrayInputStream(MidiWriter.write(tune, realisation)));
        List<Event> events = new ArrayList<>();
        for (Track track : sequence.getTracks()) {
            for (int i = 0; i < track.size(); i++) {
                if (track.get(i).getMessage() instanceof ShortMessage message) {
                    events.add(new Event(track.get(i).getTick(), message));
                }
            }
        }
        return events;
    }

    private static double semitones(ShortMessage bend) {
        return ((bend.getData2() << 7 | bend.getData1()) - 8192) * MidiWriter.BEND_RANGE / 8192.0;
    }

    @Test
    void aBendOfTheMelodyLeavesTheDroneAlone() throws Exception {
        Tune tune = tune("A2A2B4|e8|");
        Realisation realisation = realise(tune, "union-d-closed", "slide-in", 2);
        assertThat(realisation.figures()).isNotEmpty();
        assertThat(realisation.drones()).isNotEmpty();
        List<Event> events = read(tune, realisation);
        List<Integer> droneChannels = events.stream()
                .filter(event -> event.message().getCommand() == ShortMessage.NOTE_ON && event.tick() == 0)
                .map(event -> event.message().getChannel())
                .filter(channel -> channel != 0)
                .toList();
        assertThat(droneChannels).hasSameSizeAs(realisation.drones()).doesNotHaveDuplicates();
        long melodyBends = events.stream()
                .filter(event -> event.message().getCommand() == ShortMessage.PITCH_BEND && event.tick() > 0)
                .peek(event -> assertThat(event.message().getChannel()).isZero())
                .count();
        assertThat(melodyBends).isGreaterThan(10);
        long end = events.stream().mapToLong(Event::tick).max().orElseThrow();
        for (int channel : droneChannels) {
            assertThat(events.stream()
                            .filter(event -> event.message().getChannel() == channel
                                    && event.message().getCommand() == ShortMessage.NOTE_OFF)
                            .map(Event::tick))
                    .containsExactly(end);
        }
    }

    /** Pitch bend range and centre: MIDI 1.0 specification. */
    /** Of two strings the one is bent up to the other: each has a channel, and the open one is never bent away. */
    @Test
    void ofTwoStringsOneIsBent() throws Exception {
        Tune tune = tune("D2D2A4|e8|");
        Realisation realisation = realise(tune, "fiddle", "slide-unison", 2);
        assertThat(realisation.figures()).hasSize(1);
        List<Event> events = read(tune, realisation);
        List<Integer> channels = events.stream()
                .filter(event -> event.message().getCommand() == ShortMessage.NOTE_ON
                        && event.message().getData1() == 69
                        && event.message().getData2() > 0)
                .map(event -> event.message().getChannel())
                .distinct()
                .toList();
        assertThat(channels).as("both strings sound A4").hasSize(2);
        List<Integer> bent = events.stream()
                .filter(event -> event.message().getCommand() == ShortMessage.PITCH_BEND
                        && Math.abs(semitones(event.message())) > 0.3)
                .map(event -> event.message().getChannel())
                .distinct()
                .toList();
        assertThat(bent).hasSize(1);
        assertThat(channels).containsAll(bent);
    }

    /** A chord that is spread over the strings is struck once a string, one after the other. */
    @Test
    void aSpreadChordIsStruckOnceAString() throws Exception {
        Tune tune = tune("\"A\"c8|A8|");
        Realisation realisation = realise(tune, "mandolin", "chord", 0);
        assertThat(realisation.figures()).hasSize(1);
        long strings = realisation.moments().stream()
                .filter(moment -> moment.cue().role() == Moment.Role.SPREAD)
                .count();
        assertThat(strings).isPositive();
        List<Event> struck = read(tune, realisation).stream()
                .filter(event -> event.message().getCommand() == ShortMessage.NOTE_ON
                        && event.message().getData2() > 0
                        && event.tick() < 3 * MidiWriter.TICKS)
                .toList();
        assertThat(struck).hasSize((int) strings + 1);
        assertThat(struck.stream().map(Event::tick)).isSorted().doesNotHaveDuplicates();
        assertThat(struck.stream().map(event -> event.message().getChannel())).doesNotHaveDuplicates();
    }

    @Test
    void aSlideIsBentAsTheRealisationSays() throws Exception {
        Tune tune = tune("A2A2B4|e8|");
        Realisation realisation = realise(tune, "whistle-d", "slide-in", 2);
        Moment slide = realisation.moments().stream()
                .filter(moment -> moment.sounding()
                        .filter(each -> !each.melody().glide().isLevel())
                        .isPresent())
                .findFirst()
                .orElseThrow();
        double millisOfTick = realisation
                        .tempo()
                        .millisOf(wildflourish.core.music.Fraction.of(1, 4))
                        .toDouble()
                / MidiWriter.TICKS;
        double start = slide.startMillis().toDouble();
        double length = slide.lengthMillis().toDouble();
        int key = 0;
        int measured = 0;
        for (Event event : read(tune, realisation)) {
            double at = event.tick() * millisOfTick - start;
            if (event.message().getCommand() == ShortMessage.NOTE_ON
                    && event.message().getChannel() == 0) {
                key = event.message().getData1();
            }
            boolean isInSlide = event.message().getCommand() == ShortMessage.PITCH_BEND && at > 1 && at < length - 1;
            if (isInSlide) {
                double wanted = slide.sounding().orElseThrow().semitonesAt(at, length);
                assertThat(key + semitones(event.message()))
                        .as("at " + at + " ms")
                        .isCloseTo(wanted, within(0.06));
                measured++;
            }
        }
        assertThat(measured).isGreaterThan(8);
    }
}
