package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.hand.Scene;
import wildflourish.core.hand.Voice;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.line.Tone;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Choice;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Stack;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.Realisation;
import wildflourish.core.performance.Realiser;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Book;
import wildflourish.core.version.BookItem;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.files.abc.BookReader;
import wildflourish.files.abc.BookWriter;
import wildflourish.files.midi.MidiWriter;

/** Rules over a passage on boxes and concertinas, and every ornament of theirs as it is written. */
class ButtonLayersTest {
    private static Book book(String body) {
        return BookReader.read("X:1\nT:Layers\nR:reel\nM:4/4\nL:1/8\nK:D\n" + body + "\n")
                .value();
    }

    private static Tune tune(String body) {
        return book(body).lessons().get(0).tune();
    }

    private static Version plain(Tune tune, String instrument) {
        return Version.plain("Bud", Playing.usual(tune, Instrument.of(instrument)));
    }

    private static Span whole(Tune tune) {
        List<Note> notes = tune.notes();
        return new Span(notes.get(0).id(), notes.get(notes.size() - 1).id());
    }

    private static Version with(Tune tune, String instrument, String rule) {
        return plain(tune, instrument).withLayers(List.of(Layer.parse(rule, whole(tune), Passes.EVERY)));
    }

    /** What is played of a line: pitches with what sounds with them, a line between the bars. */
    private static List<String> played(Tune tune, Version version) {
        return Scene.of(tune, version, Profile.usual()).line().tones().stream()
                .map(tone -> tone.isRest()
                        ? "z"
                        : tone.placed().map(placed -> placed.stack() + ":").orElse("") + melody(tone) + ":"
                                + tone.length().times(8))
                .toList();
    }

    private static WrittenPitch melody(Tone tone) {
        return tone.melody();
    }

    @Test
    void aPulseStrikesLongNotesAgain() {
        Tune tune = tune("A2B2 d3e|");
        assertThat(played(tune, with(tune, "english-48", "pulse")))
                .containsExactly("A4:1", "A4:1", "B4:1", "B4:1", "D5:1", "D5:1", "D5:1", "E5:1");
    }

    /** On B/C A is drawn between two pressed notes: the note before stands in for it; on a beat, and where it lies well, the tune stays. */
    @Test
    void theNoteBeforeStandsInWhereThatSavesTurns() {
        Tune tune = tune("FAGF GFEF|");
        List<String> played = played(tune, with(tune, "box-bc", "stand-in"));
        assertThat(played.subList(0, 4)).containsExactly("F♯4:1", "F♯4:1", "G4:1", "F♯4:1");
        assertThat(played.subList(4, 8)).containsExactly("G4:1", "F♯4:1", "E4:1", "F♯4:1");
        Tune beats = tune("FGAF GFEF|");
        assertThat(played(beats, with(beats, "box-bc", "stand-in")).get(2)).isEqualTo("A4:1");
    }

    @Test
    void octavesStandWhereTheyLieUnderTheHand() {
        Tune tune = tune("G2A2 G2A2|");
        Realisation above = Realiser.realise(tune, with(tune, "box-bc", "octaves@above"), Profile.usual());
        assertThat(voices(above)).containsExactly(2, 2, 2, 2);
        Tune low = tune("D2G2 D2G2|");
        Realisation below = Realiser.realise(low, with(low, "english-48", "octaves"), Profile.usual());
        assertThat(voices(below)).as("below D4 the concertina has no octave").containsExactly(1, 2, 1, 2);
    }

    private static List<Integer> voices(Realisation worked) {
        return worked.moments().stream()
                .map(moment -> moment.sounding().orElseThrow().voices().size())
                .toList();
    }

    /** The held note is tied from note to note and let go with the last. */
    @Test
    void aHeldNoteIsWrittenTied() {
        Tune tune = tune("B2A2G2A2|");
        Version held = with(tune, "english-48", "drone@R21");
        assertThat(BookWriter.writeVersion(tune, held)).contains("[G,-B]2[G,-A]2[G,-G]2[G,A]2|");
    }

    /** Whatever a rule does, time is whole, no two sounds share a lane, and without it the tune is plain again. */
    @ParameterizedTest
    @CsvSource({
        "box-bc, pulse",
        "box-bc, stand-in",
        "box-bc, octaves@above",
        "box-bc, drone",
        "box-bc, bass",
        "box-dg, bass@G/D,D/A",
        "anglo-a, octaves",
        "anglo-a, drone",
        "english-48, drone@R21",
        "english-48, pulse",
        "english-48, octaves"
    })
    void laws(String instrument, String rule) throws java.io.IOException {
        for (Tune tune : Demo.tunes().subList(0, 6)) {
            Version plain = plain(tune, instrument);
            Version layered = with(tune, instrument, rule);
            Realisation worked = Realiser.realise(tune, layered, Profile.usual());
            Realisation before = Realiser.realise(tune, plain, Profile.usual());
            assertThat(worked.endMillis()).isEqualTo(before.endMillis());
            Fraction now = Fraction.ZERO;
            for (Moment moment : worked.moments()) {
                assertThat(moment.startMillis()).isEqualTo(now);
                now = moment.endMillis();
                Set<String> lanes = new HashSet<>();
                moment.sounding().stream()
                        .flatMap(sounding -> sounding.voices().stream())
                        .map(Voice::lane)
                        .forEach(lane ->
                                assertThat(lanes.add(lane)).as(lane + " twice").isTrue());
            }
            assertThat(MidiWriter.write(tune, worked)).isNotEmpty();
            assertWritten(tune, layered);
        }
    }

    private static void assertWritten(Tune tune, Version version) {
        String text = BookWriter.writeVersion(tune, version);
        var read = BookReader.read(text.replaceAll("(?m)^%%.*\\R", ""));
        assertThat(read.problems()).as(text).isEmpty();
        Tune written = read.value().lessons().get(0).tune();
        assertThat(written.bars()).hasSameSizeAs(tune.bars());
        for (int bar = 0; bar < tune.bars().size(); bar++) {
            assertThat(written.bars().get(bar).length())
                    .as("bar " + bar + " of " + text)
                    .isEqualTo(tune.bars().get(bar).length());
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"drone@i3d", "drone", "octaves@above", "pulse", "stand-in@chord", "bass@D/A,G/D", "bass"})
    void itsWayIsKeptInTheBook(String rule) {
        Book book = book("\"D\"A2B2 d3e|fdAF D4|");
        Tune tune = book.lessons().get(0).tune();
        Layer layer = Layer.parse(rule, whole(tune), Passes.EVERY);
        Stair stair = Stair.starting(tune, Instrument.of("box-dg"), 2);
        Stair layered = stair.with(1, stair.at(1).withLayers(List.of(layer)));
        List<BookItem> items = new ArrayList<>(book.items());
        items.replaceAll(item -> item instanceof Lesson lesson ? lesson.with(layered) : item);
        String written = BookWriter.write(new Book(items));
        Book again = BookReader.read(written).value();
        assertThat(again.lessons().get(0).stairs()).isEqualTo(List.of(layered));
        assertThat(BookWriter.write(again)).isEqualTo(written);
    }

    /** Every ornament in every school, where it first fits in a demo tune, is written so that the bars stay whole and nothing in it is misread. */
    @ParameterizedTest
    @ValueSource(strings = {"box-bc", "box-dg", "anglo-a", "english-48"})
    void everyOrnamentIsWritten(String id) throws java.io.IOException {
        Instrument instrument = Instrument.of(id);
        Set<String> written = new HashSet<>();
        for (Ornament ornament : Ornament.of(instrument.family())) {
            List<String> schools = ornament.schools(instrument.family());
            for (String school : schools.isEmpty() ? List.of("") : schools) {
                Optional<Placed> placed = firstFit(instrument, new Choice(ornament, school));
                if (placed.isPresent()) {
                    assertWritten(placed.get().tune, placed.get().version);
                    Realisation worked = Realiser.realise(placed.get().tune, placed.get().version, Profile.usual());
                    assertThat(worked.figures()).as(ornament + " " + school).isNotEmpty();
                    assertThat(MidiWriter.write(placed.get().tune, worked)).isNotEmpty();
                    written.add(ornament.id());
                }
            }
        }
        assertThat(written).hasSizeGreaterThan(19);
    }

    private record Placed(Tune tune, Version version) {}

    private static Optional<Placed> firstFit(Instrument instrument, Choice choice) {
        for (Tune tune : Demo.tunes()) {
            Version version = Version.plain("Bud", Playing.usual(tune, instrument));
            Scene scene = Scene.of(tune, version, Profile.usual());
            for (Note note : tune.notes()) {
                for (int count = 3; count >= 1; count--) {
                    Optional<Fit> fit = tune.placeOf(note.id()).order() + count
                                    <= tune.notes().size()
                            ? WhatFits.verdict(scene, note.id(), count, new Stack(List.of(choice)))
                                    .filter(Fit::fits)
                            : Optional.empty();
                    if (fit.isPresent()) {
                        return Optional.of(new Placed(
                                tune, version.with(tune, Spot.of(fit.get().placement()))));
                    }
                }
            }
        }
        return Optional.empty();
    }
}
