package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.hand.Scene;
import wildflourish.core.hand.Voice;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Strings;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.Realisation;
import wildflourish.core.performance.Realiser;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;
import wildflourish.files.abc.BookReader;

/** Tablature, read back as a player reads it, sounds the notes; strings and frets of an ornament are those that are heard. */
class TablatureTest {
    private static Tune tune(String body) {
        return BookReader.read("X:1\nT:Tab\nR:reel\nM:4/4\nL:1/8\nK:G\n" + body + "\n")
                .value()
                .lessons()
                .get(0)
                .tune();
    }

    private static Version with(Tune tune, String instrument, String ornament, int first, int last) {
        Instrument asked = Instrument.of(instrument);
        Playing playing = Playing.usual(tune, asked);
        Placement placement = Placement.of(
                Ornament.of(ornament, asked.family()),
                new Span(tune.notes().get(first).id(), tune.notes().get(last).id()));
        return Version.plain("Tab", playing).with(tune, Spot.of(placement));
    }

    /** What a label on a lane sounds, as MIDI number: the open string of that lane and so many frets up. */
    private static int sounding(Strings strings, HandLines.Label label) {
        return strings.soundingMidi(strings.fromTop().get(label.lane())) + Integer.parseInt(label.text());
    }

    @ParameterizedTest
    @CsvSource({
        "mandolin, dy-open, 1, 1",
        "mandolin, dy-3, 2, 2",
        "mandolin, hammer, 1, 2",
        "tenor-banjo-long, slide-in, 2, 2",
        "tenor-banjo, grace-h, 2, 2",
        "banjo-open-g, pinch, 4, 4",
        "banjo-open-g-capo-2, pull, 3, 4"
    })
    void stringsAndFretsSoundTheNotes(String instrument, String ornament, int first, int last) {
        Tune tune = tune("G2 AB d2 BA|G8|");
        Version version = with(tune, instrument, ornament, first, last);
        Scene scene = Scene.of(tune, version, Profile.usual());
        Strings strings = Instrument.of(instrument).strings().orElseThrow();
        for (Note note : tune.notes()) {
            HandLines.Touch touch = scene.lines().orElseThrow().touches().get(note.id());
            int melody = Instrument.of(instrument).sounding(note.melody()).midi();
            assertThat(sounding(strings, touch.labels().get(0))).isEqualTo(melody);
        }
    }

    /** Both strings of a double stop have their number, and they are what is heard. */
    @ParameterizedTest
    @CsvSource({"mandolin, dy-open, 0", "mandolin, dy-6, 3", "tenor-banjo, dy-open, 0", "banjo-open-g, pinch, 0"})
    void bothNumbersOfADoubleStopAreThose(String instrument, String ornament, int at) {
        Tune tune = tune("G2 AB d2 BA|G8|");
        Version version = with(tune, instrument, ornament, at, at);
        Scene scene = Scene.of(tune, version, Profile.usual());
        Strings strings = Instrument.of(instrument).strings().orElseThrow();
        HandLines.Touch touch =
                scene.lines().orElseThrow().touches().get(tune.notes().get(at).id());
        List<Integer> read = touch.labels().stream()
                .map(label -> sounding(strings, label))
                .sorted()
                .toList();
        Realisation realisation = Realiser.realise(scene);
        Moment heard = realisation.moments().stream()
                .filter(moment ->
                        moment.cue().note().equals(tune.notes().get(at).id()))
                .findFirst()
                .orElseThrow();
        List<Integer> sounds = heard.sounding().orElseThrow().voices().stream()
                .map(voice -> voice.pitch().midi())
                .sorted()
                .toList();
        assertThat(read).hasSize(2).isEqualTo(sounds);
    }

    /** What the left hand makes takes no stroke: its sign is left out, the pick swings on. */
    @Test
    void aHammeredNoteHasNoStroke() {
        Tune tune = tune("G2 AB d2 BA|G8|");
        Scene scene = Scene.of(tune, with(tune, "mandolin", "hammer", 1, 2), Profile.usual());
        HandLines lines = scene.lines().orElseThrow();
        assertThat(lines.isBegun(tune.notes().get(1).id())).isTrue();
        assertThat(lines.isBegun(tune.notes().get(2).id())).isFalse();
    }

    /** No two voices of a moment share a string, in standard and in cross tunings. */
    @ParameterizedTest
    @CsvSource({"fiddle", "fiddle-aeae", "fiddle-adae", "fiddle-gdgd", "fiddle-gdad"})
    void doubleStopsAreFoundByRuleInEveryTuning(String instrument) {
        Tune tune = tune("A2 B2 c2 d2|e2 f2 g2 a2|D2 E2 F2 G2|");
        Instrument asked = Instrument.of(instrument);
        Strings strings = asked.strings().orElseThrow();
        int found = 0;
        for (String id : List.of("drone-below", "drone-above", "octave", "planted", "third", "sixth", "unison")) {
            for (Note note : tune.notes()) {
                Version version = Version.plain("Stop", Playing.usual(tune, asked))
                        .with(tune, Spot.of(Placement.of(Ornament.of(id, asked.family()), Span.of(note.id()))));
                Scene scene = Scene.of(tune, version, Profile.usual());
                Realisation realisation = Realiser.realise(scene);
                if (realisation.figures().isEmpty()) {
                    continue;
                }
                List<Voice> voices = realisation.moments().stream()
                        .filter(moment -> moment.cue().note().equals(note.id()))
                        .findFirst()
                        .orElseThrow()
                        .sounding()
                        .orElseThrow()
                        .voices();
                assertThat(voices)
                        .as(instrument + " " + id + " " + note.melody())
                        .hasSize(2);
                check(scene, strings, note, id, voices);
                found++;
            }
        }
        assertThat(found).as(instrument).isGreaterThan(15);
    }

    /** By the interval: semitones between the open strings and between the fingers add up to it; the fingers stand in order. */
    private static void check(Scene scene, Strings strings, Note note, String id, List<Voice> voices) {
        var hold = scene.ways().onStrings(note.id()).orElseThrow().hold();
        Strings.Place melody = hold.melody();
        Strings.Place second = hold.under().get(0);
        assertThat(Math.abs(melody.string() - second.string())).isEqualTo(1);
        int lower = Math.min(melody.string(), second.string());
        int apart =
                strings.open().get(lower + 1).midi() - strings.open().get(lower).midi();
        assertThat(apart).isIn(5, 7);
        Strings.Place low = melody.string() == lower ? melody : second;
        Strings.Place high = melody.string() == lower ? second : melody;
        int interval = apart + high.semitones() - low.semitones();
        int heard = voices.stream()
                        .mapToInt(voice -> voice.pitch().midi())
                        .max()
                        .orElseThrow()
                - voices.stream().mapToInt(voice -> voice.pitch().midi()).min().orElseThrow();
        assertThat(Math.abs(interval)).as(id).isEqualTo(heard);
        Optional<List<Integer>> wanted = switch (id) {
            case "octave" -> Optional.of(List.of(12));
            case "unison" -> Optional.of(List.of(0));
            case "third" -> Optional.of(List.of(3, 4));
            case "sixth" -> Optional.of(List.of(8, 9));
            case "planted" -> Optional.of(List.of(apart));
            default -> Optional.empty();
        };
        wanted.ifPresent(all -> assertThat(all).as(id).contains(heard));
        boolean areBothStopped = !melody.isOpen() && !second.isOpen();
        if (areBothStopped) {
            int fingers = Integer.compare(low.stop().finger(), high.stop().finger());
            assertThat(fingers).isEqualTo(Integer.compare(low.semitones(), high.semitones()));
        }
        assertThat(new ArrayList<>(List.of(melody.position(), second.position()))
                        .stream().distinct())
                .hasSize(1);
        assertThat(note.played()).isEqualTo(Fraction.of(1, 4));
    }
}
