package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import wildflourish.core.engraving.Drawn;
import wildflourish.core.engraving.Engraver;
import wildflourish.core.engraving.Handout;
import wildflourish.core.engraving.Mark;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.Score;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.words.Cautions;
import wildflourish.core.words.FormWords;

/** What a student takes home of a plain tune, and two instruments of the class under one staff. */
class HandoutTest {
    private static final Instrument WHISTLE = Instrument.of("whistle-d");

    private static String words(List<Page> pages) {
        return pages.stream()
                .flatMap(page -> page.drawn().stream())
                .map(Drawn::mark)
                .filter(Mark.Words.class::isInstance)
                .map(mark -> ((Mark.Words) mark).text())
                .collect(Collectors.joining(" "));
    }

    private static long count(List<Page> pages, Drawn.Kind kind) {
        return pages.stream()
                .flatMap(page -> page.drawn().stream())
                .filter(each -> each.subject().kind() == kind)
                .count();
    }

    @Test
    void allThatIsToBeSaidStandsOnTwoSheetsAtMost() {
        for (Tune tune : Demo.tunes()) {
            for (String id : List.of("whistle-d", "union-d-open", "recorder-soprano", "mouth-blown-pipes")) {
                Instrument instrument = Instrument.of(id);
                List<Page> pages = Handout.of(tune, Handout.plain(tune, instrument), Optional.empty(), Paper.a4());
                String words = words(pages);
                assertThat(words)
                        .as(tune.title() + " on " + id)
                        .contains("To begin", "What comes back", "Take care here", "From your teacher")
                        .contains(instrument.name());
                for (String line : Cautions.full(instrument.family())) {
                    assertThat(words).contains(line.substring(0, 30));
                }
                assertThat(words).contains(FormWords.of(tune).get(0));
                assertThat(pages.size()).as(tune.title() + " on " + id).isLessThanOrEqualTo(2);
            }
        }
    }

    @Test
    void theTeachersSentencesArePrintedAndOrnamentsLeftOut() {
        Tune tune = Demo.tunes().get(0);
        Note note = tune.notes().get(3);
        Stair stair = Stair.starting(tune, WHISTLE, 2)
                .placed(tune, 0, Placement.of(Ornament.of("cut"), new Span(note.id(), note.id())));
        Spot spot = stair.at(0).at(note.id()).orElseThrow().withSentence("Lean on this one.");
        Version version = stair.withSpot(tune, 0, spot).at(0);
        List<Page> pages = Handout.of(tune, version, Optional.empty(), Paper.a4());
        assertThat(words(pages)).contains("Lean on this one.");
        assertThat(count(pages, Drawn.Kind.SIGN)).isZero();
    }

    @Test
    void twoInstrumentsStandUnderOneStaffTheSecondBelowTheFirst() {
        Instrument second = Instrument.of("recorder-soprano");
        for (Tune tune : Demo.tunes()) {
            Version version = Handout.plain(tune, WHISTLE);
            Score.Shows both = Score.Shows.PLAIN.withSecond(Optional.of(second));
            Page page = Engraver.engrave(new Score(tune, Optional.of(version), both), Paper.endless(118))
                    .get(0);
            for (Note note : tune.notes()) {
                if (note.isRest() || WHISTLE.rowOf(note.melody()).isEmpty()) {
                    continue;
                }
                List<Drawn> marks = page.drawn().stream()
                        .filter(each -> each.subject().kind() == Drawn.Kind.FINGERING)
                        .filter(each -> each.subject().note().equals(Optional.of(note.id())))
                        .toList();
                double top = marks.get(0).mark().box().top();
                double lowest = marks.stream()
                        .mapToDouble(each -> each.mark().box().bottom())
                        .max()
                        .orElseThrow();
                int holes = 6 + (second.rowOf(note.melody()).isPresent() ? 8 : 0);
                assertThat(marks.size()).isGreaterThanOrEqualTo(holes);
                assertThat(lowest - top).isGreaterThan(holes * 0.9);
            }
            assertThat(words(List.of(page))).contains("whistle in D, below it soprano recorder in C");
        }
    }
}
