package wildflourish.core.engraving;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.instrument.ChartRow;
import wildflourish.core.instrument.Hole;
import wildflourish.core.instrument.Instrument;

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
            assertThat(box.bottom()).isLessThanOrEqualTo(WindPicture.HEIGHT);
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
        Instrument whistle = Instrument.of("whistle-d");
        List<Page> plain = ChartSheet.of(whistle, Paper.a4());
        assertThat(words(plain)).contains("D4: soft breath");
        assertThat(plain).hasSize(1);
    }

    private static List<String> words(List<Page> pages) {
        return pages.stream()
                .flatMap(page -> page.drawn().stream())
                .map(Drawn::mark)
                .flatMap(mark -> mark instanceof Mark.Words words
                        ? Optional.of(words.text()).stream()
                        : Optional.<String>empty().stream())
                .toList();
    }
}
