package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
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
import wildflourish.core.hand.Hands;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.instrument.Schools;
import wildflourish.core.instrument.Strings;
import wildflourish.core.music.Tempo;
import wildflourish.core.plain.Needs;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
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

    /** Of the hand and of the bow. */
    private static List<School> schools(Instrument instrument) {
        return Stream.of(instrument.schools(), instrument.strokes())
                .flatMap(List::stream)
                .toList();
    }

    private static HandLines hand(Tune tune, Instrument instrument, School school) {
        Schools schools = Schools.usual(instrument).with(school, instrument);
        return HandLines.of(tune, instrument, schools, tempo(tune), Map.of()).orElseThrow();
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

    /** But for triplets of quavers at session speed, which no nail and thumb can strike one by one: those are told. */
    @ParameterizedTest
    @MethodSource("lines")
    void everyNoteOnTheInstrumentHasItsLabelInEverySchool(Instrument instrument) {
        for (Tune tune : Demo.tunes()) {
            for (School school : schools(instrument)) {
                HandLines hand = hand(tune, instrument, school);
                Set<NoteId> tooFast = hand.troubles().stream()
                        .filter(trouble -> trouble.why() == LinePath.Why.TOO_FAST)
                        .map(LinePath.Trouble::note)
                        .collect(Collectors.toSet());
                assertThat(tooFast.isEmpty() || school.id().equals("down-picking"))
                        .as(tune.title() + " on " + instrument + ", " + school.id() + ": " + tooFast)
                        .isTrue();
                for (Note note : tune.notes()) {
                    boolean isThere = !note.isRest() && instrument.has(note.melody());
                    boolean isHeld = tune.neighbour(note.id(), -1)
                            .map(before -> before.marks().joins().tied())
                            .orElse(false);
                    assertThat(hand.touches().containsKey(note.id()))
                            .as(tune.title() + " " + note.id() + " on " + instrument + ", " + school.id())
                            .isEqualTo(isThere && !isHeld && !tooFast.contains(note.id()));
                }
                assertThat(hand.touches().values().stream().flatMap(touch -> touch.labels().stream()))
                        .allMatch(label ->
                                label.lane() >= 0 && label.lane() < hand.lanes().size());
            }
        }
    }

    /** Common practice: each phrase begins with a down bow; where bows are carried over the bar line, with an up one. */
    @Test
    void everyPhraseOfTheReelsBeginsOnItsBowOnTheFiddle() {
        Instrument fiddle = Instrument.of("fiddle");
        for (Tune tune : Demo.tunes()) {
            if (!tune.header().type().equals(Demo.tunes().get(0).header().type())) {
                continue;
            }
            for (School school : schools(fiddle)) {
                HandLines hand = hand(tune, fiddle, school);
                for (Struck struck : Struck.of(tune, tempo(tune))) {
                    if (struck.beginsPhrase()) {
                        HandLines.Touch touch = hand.touches().get(struck.note().id());
                        boolean isDown = !school.id().equals("across-the-beat");
                        HandLines.Stroke expected = isDown ? HandLines.Stroke.DOWN : HandLines.Stroke.UP;
                        assertThat(touch.stroke() == expected && touch.isBegun())
                                .as(tune.title() + " " + struck.note().id() + ", " + school.id())
                                .isTrue();
                    }
                }
            }
        }
    }

    /** Common practice: of two fingers the thumb keeps off the first string and the index off the short one; the nail has every beat, the thumb none. */
    @Test
    void banjoHandsKeepToTheirStringsAndBeats() {
        Instrument banjo = Instrument.of("banjo-open-g");
        for (Tune tune : Demo.tunes()) {
            int quavers = tune.metreAt(0).isCompound() ? 3 : 2;
            Map<HandLines.Stroke, Set<Integer>> lead = strings(tune, hand(tune, banjo, School.of("two-finger-thumb")));
            assertThat(lead).containsOnlyKeys(HandLines.Stroke.THUMB, HandLines.Stroke.INDEX);
            assertThat(lead.get(HandLines.Stroke.INDEX)).containsOnly(1);
            assertThat(lead.get(HandLines.Stroke.THUMB)).doesNotContain(1);
            Map<HandLines.Stroke, Set<Integer>> index = strings(tune, hand(tune, banjo, School.of("two-finger-index")));
            assertThat(index).containsOnlyKeys(HandLines.Stroke.THUMB, HandLines.Stroke.INDEX);
            assertThat(index.get(HandLines.Stroke.INDEX)).doesNotContain(5);
            assertThat(index.get(HandLines.Stroke.THUMB)).doesNotContain(1);
            HandLines down = hand(tune, banjo, School.of("down-picking"));
            assertThat(strings(tune, down).get(HandLines.Stroke.NAIL)).doesNotContain(5);
            for (Struck struck : Struck.of(tune, tempo(tune))) {
                HandLines.Touch touch = down.touches().get(struck.note().id());
                if (touch != null && struck.beginsQuaver() && struck.quaver() % quavers == 0) {
                    assertThat(touch.stroke())
                            .as(tune.title() + " " + struck.note().id())
                            .isEqualTo(HandLines.Stroke.NAIL);
                }
            }
        }
    }

    /** Which strings, counted from 1, each finger takes. */
    private static Map<HandLines.Stroke, Set<Integer>> strings(Tune tune, HandLines hand) {
        Map<HandLines.Stroke, Set<Integer>> strings = new HashMap<>();
        for (Note note : tune.notes()) {
            HandLines.Touch touch = hand.touches().get(note.id());
            if (touch != null) {
                String string = hand.lanes().get(touch.labels().get(0).lane());
                strings.computeIfAbsent(touch.stroke(), stroke -> new HashSet<>())
                        .add(Integer.valueOf(string));
            }
        }
        return strings;
    }

    /** The school does what it is called: over all the tunes no instrument's fingers hop oftener than in its usual school, and most hop less. */
    @Test
    void fingersThatDoNotHopHopLess() {
        int fewer = 0;
        List<Instrument> boxes =
                lines().filter(each -> each.buttons().isPresent()).toList();
        for (Instrument box : boxes) {
            int usual = 0;
            int careful = 0;
            for (Tune tune : Demo.tunes()) {
                usual += hops(tune, box, box.schools().get(0));
                careful += hops(tune, box, School.of("no-hops"));
            }
            assertThat(careful).as(box + " " + usual).isLessThanOrEqualTo(usual);
            fewer += careful < usual ? 1 : 0;
        }
        assertThat(fewer).isGreaterThan(boxes.size() / 2);
    }

    /** How often a finger goes from one button straight to another. */
    private static int hops(Tune tune, Instrument box, School school) {
        List<Struck> line = Struck.of(tune, tempo(tune));
        LinePath<ButtonWay> path = ButtonPath.of(line, box.buttons().orElseThrow(), school, Map.of());
        int hops = 0;
        for (int i = 1; i < line.size(); i++) {
            Optional<ButtonWay> before = path.at(line.get(i - 1).note().id());
            Optional<ButtonWay> way = path.at(line.get(i).note().id());
            if (before.isPresent() && way.isPresent()) {
                boolean isSameFinger =
                        before.get().handAndFinger().equals(way.get().handAndFinger());
                boolean isSameButton =
                        before.get().key().button().equals(way.get().key().button());
                hops += isSameFinger && !isSameButton ? 1 : 0;
            }
        }
        return hops;
    }

    @ParameterizedTest
    @MethodSource("lines")
    void stepsAreReadBackToTheNotesAndWaysTheyCameFrom(Instrument instrument) {
        Schools schools = Schools.usual(instrument);
        for (Tune tune : Demo.tunes()) {
            List<Struck> line = Struck.of(tune, tempo(tune));
            Map<NoteId, String> words = LineSteps.of(tune, Version.plain("plain", Playing.usual(tune, instrument)));
            if (instrument.strings().isPresent()) {
                Strings strings = instrument.strings().get();
                LinePath<StringWay> path = StringPath.of(line, Manners.of(strings, schools, tune.metreAt(0)), Map.of());
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
                        ButtonPath.of(line, instrument.buttons().orElseThrow(), schools.hand(), Map.of());
                path.ways()
                        .forEach((note, way) -> assertThat(LineSteps.parse(words.get(note), instrument))
                                .as(words.get(note))
                                .contains(way));
            }
        }
    }

    /** Whatever school is chosen and wherever a note is pinned, the sentences say what stands under the notes. */
    @Test
    void stepsSayTheSchoolAndThePinsOfTheVersion() {
        Instrument fiddle = Instrument.of("fiddle");
        Tune tune = Demo.tunes().get(0);
        Note open = tune.notes().stream()
                .filter(note -> !note.isRest() && note.melody().midi() == 69)
                .findFirst()
                .orElseThrow();
        Stair stair = Stair.starting(tune, fiddle, 2).pinned(open.id(), "D4");
        Version version = stair.at(0);
        version = version.withPlaying(version.playing().withStrokes(School.of("shuffle")));
        Map<NoteId, String> words = LineSteps.of(tune, version);
        HandLines hand = Hands.lines(tune, version).orElseThrow();
        assertThat(words.get(open.id())).startsWith("D string, fourth finger, ");
        assertThat(words.values()).anyMatch(each -> each.endsWith("same bow"));
        words.forEach((note, each) -> {
            if (hand.touches().containsKey(note)) {
                assertThat(each.endsWith("same bow")).as(each).isEqualTo(!hand.isBegun(note));
            }
        });
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
