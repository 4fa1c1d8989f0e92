package wildflourish.core.chart;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.engraving.Box;
import wildflourish.core.engraving.Drawn;
import wildflourish.core.engraving.Ink;
import wildflourish.core.engraving.Mark;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.Sketch;
import wildflourish.core.instrument.ChartRow;
import wildflourish.core.instrument.Hole;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Key;
import wildflourish.core.music.WrittenPitch;

class WindPictureTest {
    private static final double WIDTH = 100;

    static List<Instrument> winds() {
        return Instrument.all().stream().filter(each -> each.family().isWind()).toList();
    }

    /** Every wind instrument is drawn, with as many closed holes as the note has. */
    @ParameterizedTest
    @MethodSource("winds")
    void theHolesAreClosedAsTheNoteHasThem(Instrument instrument) {
        for (ChartRow note : instrument.chart()) {
            Sketch picture = WindPicture.of(instrument.family(), note, WIDTH).orElseThrow();
            long closed = picture.drawn().stream()
                    .filter(each ->
                            each.ink() == Ink.FINGERING && each.mark() instanceof Mark.Shape shape && shape.isFilled())
                    .count();
            long wanted = note.usual().holes().stream()
                    .filter(hole -> hole != Hole.OPEN)
                    .count();
            assertThat(closed).as(instrument.id() + " " + note.pitch()).isEqualTo(wanted);
            Box box = picture.box().orElseThrow();
            assertThat(box.right()).isLessThanOrEqualTo(WIDTH + 0.2);
            assertThat(box.left()).isGreaterThanOrEqualTo(-0.2);
            assertThat(box.top()).isGreaterThanOrEqualTo(0);
        }
    }

    @Test
    void theHandsAreNamed() {
        Instrument whistle = Instrument.of("whistle-d");
        List<String> words =
                WindPicture.of(whistle.family(), whistle.chart().get(0), WIDTH).orElseThrow().drawn().stream()
                        .filter(each -> each.mark() instanceof Mark.Words)
                        .map(each -> ((Mark.Words) each.mark()).text())
                        .toList();
        assertThat(words).containsExactlyInAnyOrder("1", "2", "3", "4", "5", "6", "upper hand", "lower hand");
    }

    @Test
    void theChartShowsTheNoteThatIsAskedAbout() {
        ChartWish wish = ChartWish.of(Instrument.of("whistle-d"));
        assertThat(words(wish)).contains("D4: soft breath");
        assertThat(words(wish.asking(WrittenPitch.parse("B5"), Key.C_MAJOR))).contains("B5: firm breath");
    }

    private static List<String> words(ChartWish wish) {
        return ChartSheet.of(wish, Paper.a4()).stream()
                .flatMap(page -> page.page().drawn().stream())
                .map(Drawn::mark)
                .flatMap(mark -> mark instanceof Mark.Words words
                        ? Optional.of(words.text()).stream()
                        : Optional.<String>empty().stream())
                .toList();
    }
}
