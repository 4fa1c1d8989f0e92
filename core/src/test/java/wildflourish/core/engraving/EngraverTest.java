package wildflourish.core.engraving;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.Melody;
import wildflourish.core.RandomVersions;
import wildflourish.core.Rounds;
import wildflourish.core.hand.Scene;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Stack;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/** Laws of the display list. */
class EngraverTest {
    private static final Instrument WHISTLE = Instrument.of("whistle-d");

    /** Source: SMuFL 1.4 (W3C), tables of glyphs, code points from memory. */
    @ParameterizedTest
    @CsvSource({
        "gClef, E050",
        "noteheadWhole, E0A2",
        "noteheadHalf, E0A3",
        "noteheadBlack, E0A4",
        "accidentalFlat, E260",
        "accidentalNatural, E261",
        "accidentalSharp, E262",
        "accidentalDoubleSharp, E263",
        "accidentalDoubleFlat, E264",
        "accidentalQuarterToneFlatStein, E280",
        "accidentalThreeQuarterTonesFlatZimmermann, E281",
        "accidentalQuarterToneSharpStein, E282",
        "accidentalThreeQuarterTonesSharpStein, E283",
        "flag8thUp, E240",
        "flag8thDown, E241",
        "flag16thUp, E242",
        "restWhole, E4E3",
        "restHalf, E4E4",
        "restQuarter, E4E5",
        "rest8th, E4E6",
        "timeSig0, E080",
        "timeSig9, E089",
        "timeSigCommon, E08A",
        "timeSigCutCommon, E08B",
        "augmentationDot, E1E7",
        "repeatDot, E044",
        "fermataAbove, E4C0",
        "articStaccatoAbove, E4A2",
        "tuplet3, E883",
        "stringsDownBow, E610",
        "stringsUpBow, E612",
        "ornamentTrill, E566",
        "segno, E047",
        "coda, E048"
    })
    void glyphsHaveTheirPublishedCodePoints(String name, String code) {
        assertThat(GlyphFont.of(name).codePoint()).isEqualTo(Integer.parseInt(code, 16));
        assertThat(GlyphFont.of(name).box().width()).isPositive();
    }

    /** Source: SMuFL 1.4, "Metrics": a note head fills one space, a stem meets it at its anchor. */
    @Test
    void aNoteHeadFillsASpace() {
        Box head = GlyphFont.of("noteheadBlack").box();
        assertThat(head.height()).isCloseTo(1.0, within(0.1));
        assertThat(GlyphFont.of("noteheadBlack")
                        .anchors()
                        .stemUp()
                        .orElseThrow()
                        .x())
                .isCloseTo(head.right(), within(0.01));
        assertThatThrownBy(() -> GlyphFont.of("noSuchGlyph")).hasMessageContaining("noSuchGlyph");
    }

    /** Common practice of notation: in the treble clef E4 lies on the lowest line, F5 on the highest. */
    @ParameterizedTest
    @CsvSource({"E4, 4", "G4, 3", "B4, 2", "F5, 0", "A5, -1", "D4, 4.5", "C4, 5"})
    void headsStandAtTheirHeights(String pitch, double spacesBelowTopLine) {
        Page page = bench(plain(Melody.reel(pitch + ":8 |")));
        double top = only(page, Drawn.Kind.STAFF).stream()
                .mapToDouble(each -> each.mark().box().top())
                .min()
                .orElseThrow();
        Box head = only(page, Drawn.Kind.HEAD).get(0).mark().box();
        assertThat((head.top() + head.bottom()) / 2 - top).isCloseTo(spacesBelowTopLine, within(0.15));
    }

    /** Common practice of notation: below the middle line stems go up, above it down; an octave long, to the middle line at least. */
    @ParameterizedTest
    @CsvSource({"E4, true", "A4, true", "C5, false", "F5, false"})
    void stemsTurnTowardsTheMiddleLine(String pitch, boolean isUp) {
        Page page = bench(plain(Melody.reel(pitch + ":2 r:6 |")));
        Box head = only(page, Drawn.Kind.HEAD).get(0).mark().box();
        Box stem = only(page, Drawn.Kind.STEM).get(0).mark().box();
        assertThat(stem.bottom() < head.bottom()).isEqualTo(isUp);
        assertThat(stem.height()).isBetween(3.2, 4.5);
    }

    @Test
    void anAccidentalHoldsThroughTheBarAndNoFurther() {
        Page page = bench(plain(Melody.reel("F4:2 F4:2 F♯4:2 F♯4:2 | F♯4:4 F4:4 |")));
        List<String> signs = only(page, Drawn.Kind.ACCIDENTAL).stream()
                .map(each -> ((Mark.Glyph) each.mark()).entry().name())
                .toList();
        assertThat(signs).containsExactly("accidentalNatural", "accidentalSharp", "accidentalNatural");
    }

    @Test
    void aTieOverTheBarLineCarriesItsAccidentalAlone() {
        Page page = bench(plain(Melody.reel("G4:6 F4:2~ | F4:2 F4:2 G4:4 |")));
        assertThat(only(page, Drawn.Kind.ACCIDENTAL).stream()
                        .map(each -> each.subject().note().orElseThrow()))
                .containsExactly(new NoteId(1), new NoteId(3));
    }

    @Test
    void aNoteTheWhistleLacksWearsASignInPlaceOfItsFingering() {
        Page page = bench(plain(Melody.reel("C4:2 D4:2 C♯4:2 E4:2 |")));
        assertThat(notes(page, Drawn.Kind.MISSING)).containsExactlyInAnyOrder(new NoteId(0), new NoteId(2));
        assertThat(notes(page, Drawn.Kind.FINGERING)).containsExactlyInAnyOrder(new NoteId(1), new NoteId(3));
    }

    private static Set<NoteId> notes(Page page, Drawn.Kind kind) {
        return only(page, kind).stream()
                .map(each -> each.subject().note().orElseThrow())
                .collect(Collectors.toSet());
    }

    @Test
    void systemsBreakAtPhrases() {
        String four = "D4:2 E4:2 F♯4:2 G4:2 | ".repeat(4);
        Page page = bench(plain(Melody.reel(four + four.replaceFirst("\\| $", "||") + four)));
        List<Double> clefs = only(page, Drawn.Kind.CLEF).stream()
                .map(each -> each.mark().box().top())
                .toList();
        assertThat(clefs).hasSize(3).isSorted();
        Tune tune = Melody.reel(four + four);
        Page two = bench(plain(tune));
        double secondLine = two.zoneOf(tune.bars().get(4).notes().get(0).id())
                .orElseThrow()
                .column()
                .top();
        assertThat(secondLine)
                .isGreaterThan(two.zoneOf(tune.bars().get(3).notes().get(0).id())
                                .orElseThrow()
                                .column()
                                .top()
                        + 5);
    }

    @Test
    void everyNoteIsDrawnInsideThePageAndFoundWhereItIsDrawn() {
        RandomVersions generator = new RandomVersions(21);
        for (int i = 0; i < Rounds.of(80, 500); i++) {
            Tune tune = generator.tune();
            Page page = bench(new Take(tune, generator.version(tune)));
            Box paper = new Box(0, 0, page.width(), page.height());
            for (Drawn each : page.drawn()) {
                Box box = each.mark().box();
                assertThat(box.and(paper))
                        .as(each.subject() + " leaves the page")
                        .isEqualTo(paper);
            }
            for (Note note : tune.notes()) {
                Box head = page.zoneOf(note.id()).orElseThrow().head();
                assertThat(page.noteAt((head.left() + head.right()) / 2, (head.top() + head.bottom()) / 2))
                        .contains(note.id());
            }
            long heads = only(page, Drawn.Kind.HEAD).size();
            assertThat(heads)
                    .isEqualTo(
                            tune.notes().stream().filter(note -> !note.isRest()).count());
        }
    }

    /** A printer keeps its own margins and leaves ours narrow; the sheet's last lines wrap there. */
    @Test
    void everySheetKeepsItsInkInsideHoweverNarrowItsMargins() {
        RandomVersions generator = new RandomVersions(23);
        for (int i = 0; i < 60; i++) {
            Tune tune = generator.tune();
            Score score = new Score(tune, Optional.of(generator.version(tune)), Score.Shows.PRINT);
            for (Page page : Engraver.engrave(score, new Paper(106, 150, 0.5 + i % 9, 1.5))) {
                Box paper = new Box(0, 0, page.width(), page.height());
                Box footer = page.drawn().get(page.drawn().size() - 1).mark().box();
                for (Drawn each : page.drawn()) {
                    assertThat(each.mark().box().and(paper)).isEqualTo(paper);
                }
                assertThat(page.zones()).allMatch(zone -> zone.column().bottom() < footer.top());
            }
        }
    }

    @Test
    void longerNotesTakeNoLessRoom() {
        RandomVersions generator = new RandomVersions(22);
        for (int i = 0; i < 30; i++) {
            Tune tune = generator.tune();
            Page page = bench(plain(tune));
            for (var bar : tune.bars()) {
                List<double[]> widths = new ArrayList<>();
                for (int n = 0; n + 1 < bar.notes().size(); n++) {
                    Box here =
                            page.zoneOf(bar.notes().get(n).id()).orElseThrow().head();
                    Box next = page.zoneOf(bar.notes().get(n + 1).id())
                            .orElseThrow()
                            .head();
                    boolean isBare = !hasAccidental(page, bar.notes().get(n + 1).id());
                    if (isBare && next.left() > here.left()) {
                        widths.add(new double[] {bar.notes().get(n).played().toDouble(), next.left() - here.left()});
                    }
                }
                for (double[] one : widths) {
                    for (double[] other : widths) {
                        if (one[0] < other[0]) {
                            assertThat(one[1]).isLessThanOrEqualTo(other[1] + 1.0);
                        }
                    }
                }
            }
        }
    }

    /** Common practice of notation: stems are at least two and a half spaces, beams rise or fall by no more than a space and a half. */
    @Test
    void stemsAreLongEnoughAndBeamsAreNearlyFlat() {
        RandomVersions generator = new RandomVersions(24);
        int beams = 0;
        for (int i = 0; i < 500; i++) {
            Page page = bench(plain(generator.tune()));
            for (Drawn stem : only(page, Drawn.Kind.STEM)) {
                assertThat(stem.mark().box().height()).as("stem in round " + i).isBetween(2.3, 10.0);
            }
            for (Drawn beam : only(page, Drawn.Kind.BEAM)) {
                List<Outline.Move> corners = ((Mark.Shape) beam.mark()).placed().moves();
                double rise = Math.abs(corners.get(1).at(1) - corners.get(0).at(1));
                double run = corners.get(1).at(0) - corners.get(0).at(0);
                assertThat(rise).as("beam in round " + i).isLessThanOrEqualTo(1.5);
                assertThat(rise / run).isLessThan(0.4);
                beams++;
            }
        }
        assertThat(beams).isGreaterThan(2000);
    }

    @Test
    void fingeringsStandUnderTheirNotesAndApart() {
        RandomVersions generator = new RandomVersions(25);
        for (int i = 0; i < 100; i++) {
            Page page = bench(plain(generator.tune()));
            for (Drawn mark : only(page, Drawn.Kind.FINGERING)) {
                Box head = page.zoneOf(mark.subject().note().orElseThrow())
                        .orElseThrow()
                        .head();
                double middle = (mark.mark().box().left() + mark.mark().box().right()) / 2;
                assertThat(middle).isCloseTo((head.left() + head.right()) / 2, within(0.25));
            }
            List<NoteZone> zones = page.zones();
            for (int n = 0; n + 1 < zones.size(); n++) {
                Box here = zones.get(n).column();
                Box next = zones.get(n + 1).column();
                assertThat(here.overlaps(next)).as("columns in round " + i).isFalse();
            }
        }
    }

    private static boolean hasAccidental(Page page, NoteId note) {
        return only(page, Drawn.Kind.ACCIDENTAL).stream()
                .anyMatch(each -> each.subject().note().equals(Optional.of(note)));
    }

    @Test
    void signsAndFingeringsTouchNothing() {
        RandomVersions generator = new RandomVersions(23);
        int signs = 0;
        for (int i = 0; i < 150; i++) {
            Tune tune = generator.tune();
            Page page = bench(new Take(tune, generator.version(tune)));
            List<Drawn> music = page.drawn().stream()
                    .filter(each -> Set.of(
                                    Drawn.Kind.HEAD,
                                    Drawn.Kind.STEM,
                                    Drawn.Kind.FLAG,
                                    Drawn.Kind.ACCIDENTAL,
                                    Drawn.Kind.STAFF,
                                    Drawn.Kind.ENDING)
                            .contains(each.subject().kind()))
                    .toList();
            for (Drawn sign : page.drawn()) {
                Drawn.Kind kind = sign.subject().kind();
                if (kind == Drawn.Kind.SIGN || kind == Drawn.Kind.FINGERING) {
                    signs++;
                    for (Drawn other : music) {
                        assertThat(sign.mark().box().overlaps(other.mark().box()))
                                .as(sign.subject() + " on " + other.subject() + " in round " + i)
                                .isFalse();
                    }
                    for (Drawn beam : only(page, Drawn.Kind.BEAM)) {
                        assertThat(isCrossed(beam, sign.mark().box()))
                                .as(sign.subject() + " on a beam in round " + i)
                                .isFalse();
                    }
                }
            }
        }
        assertThat(signs).isGreaterThan(1000);
    }

    /** Whether a beam, whose edges are straight, has a point inside a box; sampled along both of its long edges. */
    private static boolean isCrossed(Drawn beam, Box box) {
        if (!beam.mark().box().overlaps(box)) {
            return false;
        }
        List<Outline.Move> corners = ((Mark.Shape) beam.mark()).placed().moves();
        for (double t = 0; t <= 1; t += 0.01) {
            for (int[] edge : new int[][] {{0, 1}, {3, 2}}) {
                double x = corners.get(edge[0]).at(0) * (1 - t)
                        + corners.get(edge[1]).at(0) * t;
                double y = corners.get(edge[0]).at(1) * (1 - t)
                        + corners.get(edge[1]).at(1) * t;
                if (box.has(x, y)) {
                    return true;
                }
            }
        }
        return false;
    }

    @Test
    void theNumberOfAnEndingHangsClearOfSigns() {
        Tune tune = Melody.reel("|: D4:8 | D4:8 | D4:8 | [1 D5:2 D5:6 :| [2 D5:2 D5:6 |]");
        Version version = plain(tune)
                .version()
                .with(tune, Spot.of(Placement.of(Ornament.of("cran"), Melody.span(3, 3))))
                .with(tune, Spot.of(Placement.of(Ornament.of("cran"), Melody.span(5, 5))));
        Page page = bench(new Take(tune, version));
        for (Drawn ending : only(page, Drawn.Kind.ENDING)) {
            for (Drawn sign : only(page, Drawn.Kind.SIGN)) {
                assertThat(ending.mark().box().overlaps(sign.mark().box())).isFalse();
            }
        }
        assertThat(only(page, Drawn.Kind.SIGN)).isNotEmpty();
    }

    @Test
    void furtherOptionsStandAboveWithAnOr() {
        Tune tune = Melody.reel("A4:2 G4:6 |");
        Spot spot = Spot.of(Placement.of(Ornament.of("cut"), Melody.span(0, 0)))
                .withOption(Placement.of(Ornament.of("short-roll"), Melody.span(0, 0)));
        Page page = bench(new Take(tune, plain(tune).version().with(tune, spot)));
        assertThat(words(page)).contains("or");
        assertThat(only(page, Drawn.Kind.SIGN).stream().map(Drawn::ink).distinct())
                .containsExactly(Ink.ROLL);
        assertThat(only(page, Drawn.Kind.SMALL_NOTE))
                .as("a cut stands in the staff as a small note")
                .isNotEmpty()
                .allMatch(each -> each.ink() == Ink.SINGLE);
    }

    @Test
    void familiesDifferInShapeAndInColour() {
        Set<Ink> inks = Ornament.all().stream().map(Sign::inkOf).collect(Collectors.toSet());
        assertThat(inks).hasSize(3);
        List<Ornament> own = Ornament.all().stream()
                .filter(ornament -> ornament.look().sign().startsWith("own"))
                .toList();
        assertThat(own).hasSizeGreaterThan(20);
        for (Family family : Family.values()) {
            Map<List<String>, Ornament> shapes = new HashMap<>();
            for (Ornament ornament : own) {
                List<Sign> signs = Sign.of(Stack.of(ornament), Optional.empty(), Optional.empty());
                List<String> marks = Signs.picture(signs, 0, 0).stream()
                        .map(each -> each.mark().toString())
                        .toList();
                assertThat(ornament.isMadeBy(family) ? shapes.put(marks, ornament) : null)
                        .as(ornament + " looks like another in black print")
                        .isNull();
            }
        }
    }

    @Test
    void sameScoreSameDisplayList() {
        Tune tune = new RandomVersions(4).tune();
        Version version = new RandomVersions(5).version(tune);
        assertThat(bench(new Take(tune, version))).isEqualTo(bench(new Take(tune, version)));
    }

    @Test
    void printedPagesHoldTheirContentAndTheCautions() {
        String phrase = "D4:1 E4:1 F♯4:1 G4:1 A4:1 B4:1 C♯5:1 D5:1 | ".repeat(4);
        Tune tune = Melody.reel(phrase.repeat(14));
        for (Paper paper : List.of(Paper.a4(), Paper.letter())) {
            List<Page> pages =
                    Engraver.engrave(new Score(tune, Optional.of(plain(tune).version()), Score.Shows.PRINT), paper);
            assertThat(pages).hasSizeGreaterThan(1);
            for (Page page : pages) {
                assertThat(words(page)).anyMatch(each -> each.contains("Warm up first"));
                page.drawn().forEach(each -> {
                    assertThat(each.mark().box().bottom()).isLessThan(page.height());
                    assertThat(each.mark().box().right()).isLessThan(page.width());
                });
            }
        }
    }

    @Test
    void theKeyToSignsNamesTheFingersOfEachOrnamentUsed() {
        Tune tune = Melody.reel("F♯4:2 D4:2 G4:1 G4:3 |");
        Version version = plain(tune)
                .version()
                .with(tune, Spot.of(Placement.of(Ornament.of("short-roll"), Melody.span(0, 0))))
                .with(tune, Spot.of(Placement.of(Ornament.of("cran"), Melody.span(1, 1))))
                .with(tune, Spot.of(Placement.of(Ornament.of("long-roll"), Melody.span(3, 3))));
        List<KeyToSigns.Entry> entries = KeyToSigns.of(Scene.of(tune, version, Profile.usual()));
        assertThat(entries.stream().flatMap(entry -> entry.gestures().stream()))
                .containsExactly(
                        "F♯: flick finger 3 up, touch hole 5",
                        "D: flick finger 3 up, flick finger 4 up",
                        "G: the note, flick finger 3 up, touch hole 4");
        assertThat(KeyToSigns.of(Scene.of(tune, plain(tune).version(), Profile.usual())))
                .isEmpty();
    }

    @Test
    void theGesturePictureShowsTheFingerThatMoves() {
        Tune tune = Melody.reel("A4:1 G4:3 |");
        Version version = plain(tune).version();
        var moments = wildflourish.core.performance.Realiser.alone(
                Scene.of(tune, version, Profile.usual()), Placement.of(Ornament.of("long-roll"), Melody.span(1, 1)));
        List<GesturePicture.Step> steps = GesturePicture.stepsOf(moments);
        assertThat(steps.stream().map(GesturePicture.Step::hole))
                .containsExactly(Optional.empty(), Optional.of(2), Optional.of(4));
        assertThat(steps.get(1).held())
                .as("the third finger is only landing: the second stands")
                .hasToString("XOXOOO");
        assertThat(steps.get(2).held()).hasToString("XXXXOO");
        assertThat(GesturePicture.of(steps, Ink.ROLL).stream().filter(each -> each.ink() == Ink.ROLL))
                .hasSize(4);
    }

    private record Take(Tune tune, Version version) {}

    private static Take plain(Tune tune) {
        return new Take(tune, Version.plain("Root", Playing.usual(tune, WHISTLE)));
    }

    private static Page bench(Take take) {
        Score score = new Score(take.tune(), Optional.of(take.version()), Score.Shows.BENCH);
        return Engraver.engrave(score, Paper.endless(118)).get(0);
    }

    private static List<Drawn> only(Page page, Drawn.Kind kind) {
        return page.drawn().stream()
                .filter(each -> each.subject().kind() == kind)
                .toList();
    }

    private static List<String> words(Page page) {
        return page.drawn().stream()
                .filter(each -> each.mark() instanceof Mark.Words)
                .map(each -> ((Mark.Words) each.mark()).text())
                .toList();
    }
}
