package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.engraving.Drawn;
import wildflourish.core.engraving.Ink;
import wildflourish.core.engraving.Mark;
import wildflourish.core.engraving.NoteZone;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.PhraseSheet;
import wildflourish.core.engraving.Score;
import wildflourish.core.engraving.StairSheet;
import wildflourish.core.form.Phrase;
import wildflourish.core.form.Phrasing;
import wildflourish.core.hand.Scene;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Difference;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.words.Words;

/** A phrase through all stages: bars in columns, what is new lit, all else quiet. */
class StairSheetTest {
    private static final Tune TUNE = Demo.tunes().get(0);

    private static Stair stair(String instrument, int stages) {
        Stair stair = Stair.starting(TUNE, Instrument.of(instrument), stages);
        for (int stage = 1; stage < stages; stage++) {
            for (int i = stage; i < TUNE.notes().size(); i += 5) {
                Note note = TUNE.notes().get(i);
                List<Fit> fits = WhatFits.at(TUNE, stair.at(stage), note.id(), Profile.usual())
                        .fitting();
                if (!fits.isEmpty()) {
                    stair = stair.placed(TUNE, stage, fits.get(0).placement());
                }
            }
        }
        return stair;
    }

    private static StairSheet sheet(Stair stair, int inHand) {
        List<Scene> scenes = stair.stages().stream()
                .map(version -> Scene.of(TUNE, version, Profile.usual()))
                .toList();
        return StairSheet.of(scenes, inHand, TUNE.notes().get(3).id(), Score.Shows.BENCH, Paper.endless(118));
    }

    static Stream<String> instruments() {
        return Stream.of("whistle-d", "fiddle", "box-bc", "banjo-open-g", "mouth-blown-pipes");
    }

    @ParameterizedTest
    @MethodSource("instruments")
    void everyStageHasARowThePlainestAtTheFootAndBarsStandInColumns(String instrument) {
        StairSheet sheet = sheet(stair(instrument, 4), 2);
        assertThat(sheet.rows().stream().map(StairSheet.Row::stage).distinct()).containsExactly(3, 2, 1, 0);
        for (int i = 1; i < sheet.rows().size(); i++) {
            assertThat(sheet.rows().get(i).top())
                    .isCloseTo(sheet.rows().get(i - 1).bottom(), within(1e-9));
        }
        Map<Integer, List<Double>> lines = new TreeMap<>();
        for (StairSheet.Row row : sheet.rows()) {
            sheet.page().drawn().stream()
                    .filter(each -> each.subject().kind() == Drawn.Kind.BAR_LINE)
                    .filter(each -> each.mark().box().top() >= row.top()
                            && each.mark().box().bottom() < row.bottom())
                    .forEach(each -> lines.computeIfAbsent(row.stage(), key -> new ArrayList<>())
                            .add(each.mark().box().left()));
        }
        assertThat(lines).hasSize(4);
        List<Double> first = lines.get(0);
        lines.values().forEach(each -> {
            assertThat(each).hasSameSizeAs(first);
            for (int i = 0; i < first.size(); i++) {
                assertThat(each.get(i)).isCloseTo(first.get(i), within(1e-6));
            }
        });
        assertThat(sheet.page().drawn())
                .allSatisfy(each -> assertThat(each.mark().box().right()).isLessThanOrEqualTo(118.01));
    }

    @ParameterizedTest
    @MethodSource("instruments")
    void whatAStageAddsIsLitAndAllElseIsQuiet(String instrument) {
        Stair stair = stair(instrument, 4);
        StairSheet sheet = sheet(stair, 2);
        for (StairSheet.Row row : sheet.rows()) {
            List<NoteId> there = row.zones().stream().map(NoteZone::note).toList();
            Difference difference = row.stage() == 0
                    ? new Difference(List.of(), List.of(), List.of())
                    : Difference.between(TUNE, stair.at(row.stage() - 1), stair.at(row.stage()));
            assertThat(washed(sheet, row, Ink.NEW))
                    .containsExactlyInAnyOrderElementsOf(difference.newNotes().stream()
                            .filter(there::contains)
                            .toList());
            assertThat(washed(sheet, row, Ink.CHANGED))
                    .containsExactlyInAnyOrderElementsOf(difference.changedNotes().stream()
                            .filter(there::contains)
                            .toList());
            sheet.page().drawn().stream()
                    .filter(each -> each.subject().kind() == Drawn.Kind.SIGN && isIn(each, row))
                    .filter(each -> each.ink() != Ink.QUIET)
                    .forEach(each -> assertThat(each.subject().note())
                            .matches(note -> difference.newNotes().contains(note.orElseThrow())
                                    || difference.changedNotes().contains(note.orElseThrow())));
        }
    }

    private static List<NoteId> washed(StairSheet sheet, StairSheet.Row row, Ink ink) {
        return sheet.page().drawn().stream()
                .filter(each -> each.ink() == ink && isIn(each, row))
                .map(each -> each.subject().note().orElseThrow())
                .toList();
    }

    private static boolean isIn(Drawn drawn, StairSheet.Row row) {
        double middle = (drawn.mark().box().top() + drawn.mark().box().bottom()) / 2;
        return middle >= row.top() && middle < row.bottom();
    }

    @Test
    void fingeringsStandUnderTheStageInHandAlone() {
        Stair stair = stair("whistle-d", 4);
        StairSheet sheet = sheet(stair, 1);
        StairSheet.Row inHand = sheet.rows().stream()
                .filter(row -> row.stage() == 1)
                .findFirst()
                .orElseThrow();
        assertThat(sheet.page().drawn().stream().filter(each -> each.subject().kind() == Drawn.Kind.FINGERING))
                .isNotEmpty()
                .allMatch(each -> isIn(each, inHand));
        assertThat(sheet.page().zones()).isEqualTo(inHand.zones());
    }

    /** Of seven stages those more than two away from the one in hand have no staff of their own. */
    @Test
    void distantStagesOfManyAreRowsOfSigns() {
        StairSheet sheet = sheet(stair("whistle-d", 7), 1);
        Map<Integer, Long> heads = new TreeMap<>();
        sheet.rows()
                .forEach(row -> heads.merge(
                        row.stage(),
                        sheet.page().drawn().stream()
                                .filter(each -> each.subject().kind() == Drawn.Kind.HEAD && isIn(each, row))
                                .count(),
                        Long::sum));
        heads.forEach(
                (stage, count) -> assertThat(count > 0).as("stage " + stage).isEqualTo(stage <= 3));
    }

    /** A stage that begins with a shuffle of its own shows the same phrase as the others. */
    @Test
    void barsThatAStageAddsMoveNothing() {
        Stair stair = stair("fiddle", 3);
        Span all = new Span(
                TUNE.notes().get(0).id(),
                TUNE.notes().get(TUNE.notes().size() - 1).id());
        Layer intro = Layer.parse("intro-shuffle", all, Passes.EVERY);
        Stair begun = stair.with(2, stair.at(2).withLayers(List.of(intro)));
        List<List<NoteId>> notes = sheet(begun, 2).rows().stream()
                .map(row -> row.zones().stream().map(NoteZone::note).distinct().toList())
                .toList();
        assertThat(notes).hasSize(3);
        assertThat(notes.get(0)).isEqualTo(notes.get(2));
    }

    @Test
    void aPlaceOnThePageIsANoteOfAStage() {
        StairSheet sheet = sheet(stair("whistle-d", 3), 2);
        for (StairSheet.Row row : sheet.rows()) {
            for (NoteZone zone : row.zones()) {
                double x = (zone.head().left() + zone.head().right()) / 2;
                double y = (zone.head().top() + zone.head().bottom()) / 2;
                assertThat(sheet.rowAt(y)).contains(row);
                assertThat(row.noteNear(x)).contains(zone.note());
            }
        }
        assertThat(sheet.rowAt(-1)).isEmpty();
    }

    /** The whole tune: every phrase in all stages, one phrase after the other, each note of the stage in hand found once. */
    @Test
    void theWholeTuneGoesThroughAllStages() {
        Stair stair = stair("whistle-d", 3);
        List<Scene> scenes = stair.stages().stream()
                .map(version -> Scene.of(TUNE, version, Profile.usual()))
                .toList();
        StairSheet sheet = StairSheet.dressed(scenes, List.of(-1, 0, 1), 1, Score.Shows.BENCH, Optional.empty())
                .on(Paper.endless(118));
        List<NoteId> zones = sheet.page().zones().stream().map(NoteZone::note).toList();
        assertThat(zones).doesNotHaveDuplicates().hasSize(TUNE.notes().size());
        assertThat(sheet.rows().size() % 3).isZero();
        assertThat(sheet.rows())
                .hasSizeGreaterThanOrEqualTo(3 * Phrasing.of(TUNE).phrases().size());
        for (int i = 0; i < sheet.rows().size(); i++) {
            assertThat(sheet.rows().get(i).stage()).isEqualTo(2 - i % 3);
        }
    }

    /** On paper the plainest comes first, every stage once, and the key has what any of them plays in the phrase; nine stages go on to further pages, none cut. */
    @ParameterizedTest
    @MethodSource("instruments")
    void aPhraseOnPaperHasEveryStageAndAKey(String instrument) {
        for (int stages : List.of(4, 9)) {
            Stair stair = stair(instrument, stages);
            NoteId at = TUNE.notes().get(3).id();
            Paper paper = Paper.a4();
            List<Page> pages = PhraseSheet.of(TUNE, stair.stages(), at, Profile.usual(), paper);
            List<String> words = pages.stream()
                    .flatMap(page -> page.drawn().stream())
                    .flatMap(each -> each.mark() instanceof Mark.Words mark ? Stream.of(mark.text()) : Stream.of())
                    .toList();
            List<String> names = words.stream()
                    .filter(each -> stair.stages().stream().anyMatch(stage -> each.startsWith(stage.name() + "   ")))
                    .map(each -> each.substring(0, each.indexOf("   ")))
                    .distinct()
                    .toList();
            assertThat(names)
                    .containsExactlyElementsOf(
                            stair.stages().stream().map(Version::name).toList());
            Phrase phrase = Phrasing.of(TUNE).at(TUNE.placeOf(at).bar());
            stair.stages()
                    .forEach(stage -> TUNE.bars().subList(phrase.firstBar(), phrase.lastBar() + 1).stream()
                            .flatMap(bar -> bar.notes().stream())
                            .flatMap(note -> stage.at(note.id()).flatMap(Spot::first).stream())
                            .forEach(placement -> assertThat(words).contains(Words.name(placement.stack()))));
            assertThat(words.stream().anyMatch(each -> each.startsWith("Holes are numbered")))
                    .isEqualTo(stair.instrument().holes() > 0);
            pages.forEach(page -> page.drawn().forEach(each -> {
                assertThat(each.mark().box().top()).isGreaterThanOrEqualTo(paper.margin() - 2);
                assertThat(each.mark().box().bottom()).isLessThanOrEqualTo(paper.height() - paper.margin() + 1);
                assertThat(each.mark().box().right()).isLessThanOrEqualTo(paper.width());
            }));
        }
    }
}
