package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.engraving.Drawn;
import wildflourish.core.engraving.Engraver;
import wildflourish.core.engraving.Handout;
import wildflourish.core.engraving.Mark;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.Score;
import wildflourish.core.fingering.ButtonPath;
import wildflourish.core.fingering.ButtonWay;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.fingering.LinePath;
import wildflourish.core.fingering.Manners;
import wildflourish.core.fingering.StringPath;
import wildflourish.core.fingering.StringWay;
import wildflourish.core.fingering.Struck;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.instrument.Strings;
import wildflourish.core.music.Tempo;
import wildflourish.core.plain.Needs;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.words.LineSteps;

/** The demo tunes on strings and buttons. */
class LinesTest {
    static Stream<Row> matrix() throws IOException {
        try (var in = LinesTest.class.getResourceAsStream("/expected/lines.table")) {
            return Table.parse("lines.table", new String(in.readAllBytes(), StandardCharsets.UTF_8)).rows().stream();
        }
    }

    static Stream<Instrument> lines() {
        return Instrument.all().stream().filter(each -> !each.family().isWind());
    }

    private static Tempo tempo(Tune tune) {
        return tune.header().type().session();
    }

    private static HandLines hand(Tune tune, Instrument instrument, School school) {
        return HandLines.of(tune, instrument, school, tempo(tune), Map.of()).orElseThrow();
    }

    /** Written down before the program computed it, see the head of the file. */
    @ParameterizedTest
    @MethodSource("matrix")
    void whichTuneCanBePlayedOnWhichInstrument(Row row) {
        Instrument instrument = Instrument.of(row.text("instrument"));
        for (Tune tune : Demo.tunes()) {
            HandLines hand = hand(tune, instrument, instrument.schools().get(0));
            boolean isPlayable =
                    row.text(String.valueOf(tune.header().number())).equals("y");
            assertThat(hand.troubles().isEmpty())
                    .as(tune.title() + " on " + instrument + " " + hand.troubles())
                    .isEqualTo(isPlayable);
            Needs needs = Needs.of(tune, instrument, tempo(tune));
            assertThat(needs.missing().isEmpty()).isEqualTo(isPlayable);
            assertThat(needs.grade().isPresent()).isEqualTo(isPlayable);
        }
    }

    @ParameterizedTest
    @MethodSource("lines")
    void everyNoteOnTheInstrumentHasItsLabelInEverySchool(Instrument instrument) {
        for (Tune tune : Demo.tunes()) {
            for (School school : instrument.schools()) {
                HandLines hand = hand(tune, instrument, school);
                for (Note note : tune.notes()) {
                    boolean isThere = !note.isRest() && instrument.has(note.melody());
                    boolean isHeld = tune.neighbour(note.id(), -1)
                            .map(before -> before.marks().joins().tied())
                            .orElse(false);
                    assertThat(hand.touches().containsKey(note.id()))
                            .as(tune.title() + " " + note.id() + " on " + instrument + ", " + school.id())
                            .isEqualTo(isThere && !isHeld);
                }
                assertThat(hand.touches().values().stream().flatMap(touch -> touch.labels().stream()))
                        .allMatch(label ->
                                label.lane() >= 0 && label.lane() < hand.lanes().size());
            }
        }
    }

    /** Common practice: each phrase begins with a down bow. */
    @Test
    void everyPhraseOfTheReelsBeginsDownOnTheFiddle() {
        Instrument fiddle = Instrument.of("fiddle");
        for (Tune tune : Demo.tunes()) {
            if (!tune.header().type().equals(Demo.tunes().get(0).header().type())) {
                continue;
            }
            HandLines hand = hand(tune, fiddle, School.of("separate-bows"));
            for (Struck struck : Struck.of(tune, tempo(tune))) {
                if (struck.beginsPhrase()) {
                    HandLines.Touch touch = hand.touches().get(struck.note().id());
                    assertThat(touch.stroke() == HandLines.Stroke.DOWN && touch.isBegun())
                            .as(tune.title() + " " + struck.note().id())
                            .isTrue();
                }
            }
        }
    }

    @ParameterizedTest
    @MethodSource("lines")
    void stepsAreReadBackToTheNotesAndWaysTheyCameFrom(Instrument instrument) {
        School school = instrument.schools().get(0);
        for (Tune tune : Demo.tunes()) {
            List<Struck> line = Struck.of(tune, tempo(tune));
            Map<NoteId, String> words = LineSteps.of(tune, instrument, school, tempo(tune));
            if (instrument.strings().isPresent()) {
                Strings strings = instrument.strings().get();
                LinePath<StringWay> path = StringPath.of(line, Manners.of(strings, school, tune.metreAt(0)), Map.of());
                path.ways().forEach((note, way) -> {
                    List<StringWay> read = LineSteps.parse(words.get(note), strings, tune.note(note));
                    assertThat(read).as(words.get(note)).isNotEmpty();
                    assertThat(read)
                            .allMatch(each -> each.place().string()
                                            == way.place().string()
                                    && each.place().semitones() == way.place().semitones()
                                    && each.isSlurred() == way.isSlurred()
                                    && each.picker() == way.picker());
                });
            } else {
                LinePath<ButtonWay> path =
                        ButtonPath.of(line, instrument.buttons().orElseThrow(), school, Map.of());
                path.ways()
                        .forEach((note, way) -> assertThat(LineSteps.parse(words.get(note), instrument))
                                .as(words.get(note))
                                .contains(way));
            }
        }
    }

    @ParameterizedTest
    @MethodSource("lines")
    void noFingerStandsOnAnother(Instrument instrument) {
        for (Tune tune : Demo.tunes()) {
            Score score = new Score(tune, Optional.of(Handout.plain(tune, instrument)), Score.Shows.BENCH);
            Page page = Engraver.engrave(score, Paper.endless(118)).get(0);
            List<Drawn> fingers = page.drawn().stream()
                    .filter(each -> each.subject().kind() == Drawn.Kind.FINGERING)
                    .filter(each -> each.mark() instanceof Mark.Words)
                    .toList();
            assertThat(fingers).isNotEmpty();
            for (int i = 0; i < fingers.size(); i++) {
                for (int j = i + 1; j < fingers.size(); j++) {
                    assertThat(fingers.get(i)
                                    .mark()
                                    .box()
                                    .overlaps(fingers.get(j).mark().box()))
                            .as(tune.title() + " on " + instrument + ": " + fingers.get(i) + " on " + fingers.get(j))
                            .isFalse();
                }
            }
            for (Drawn each : page.drawn()) {
                assertThat(each.mark().box().left()).as(each.toString()).isGreaterThanOrEqualTo(0);
                assertThat(each.mark().box().right()).as(each.toString()).isLessThanOrEqualTo(page.width());
            }
        }
    }
}
