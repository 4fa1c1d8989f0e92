package wildflourish.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.animation.AnimationTimer;
import javafx.scene.control.Button;
import javafx.scene.control.Slider;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import wildflourish.core.performance.Moment;
import wildflourish.core.tune.NoteId;
import wildflourish.desktop.look.TempoPicture;
import wildflourish.desktop.play.Player;
import wildflourish.desktop.view.CloseUpView;

/** Hearing in a real window, the silent loudspeaker keeping the time. */
class PlayingIT extends WindowTest {
    private static final double LAG_MILLIS = 20;

    private void withoutCountIn() throws Exception {
        click("#count-in");
    }

    private void waitUntilHeard() throws Exception {
        await("something is heard", () -> player.heard().isPresent());
    }

    /** Lit and heard at one instant. */
    private record Sample(Optional<NoteId> lit, Player.Heard heard) {
        private Optional<NoteId> noteAt(double millis) {
            return heard.realisation()
                    .at(millis)
                    .filter(moment -> moment.sounding().isPresent())
                    .map(Moment::cue)
                    .map(Moment.Cue::note);
        }

        /** Whether the lit note is one that sounded within the last so many milliseconds. */
        boolean isWithin(double lag) {
            for (double back = 0; back <= lag; back += 1) {
                if (noteAt(heard.millis() - back).equals(lit)) {
                    return true;
                }
            }
            return false;
        }
    }

    /**
     * A sample counts when the window has drawn a frame within the last 18 ms: then what is lit may not be older than that frame. Frames that
     * the machine itself drops say nothing about the light.
     */
    @Test
    void theLitNoteIsWithinTwentyMillisecondsOfTheSound() throws Exception {
        long[] lastFrame = {0};
        AnimationTimer frames = new AnimationTimer() {
            @Override
            public void handle(long now) {
                lastFrame[0] = System.nanoTime();
            }
        };
        withoutCountIn();
        focusScore();
        press(KeyCode.T);
        waitUntilHeard();
        inWindow(() -> {
            frames.start();
            return true;
        });
        Thread.sleep(400);
        List<Sample> samples = new ArrayList<>();
        for (int i = 0; i < 600 && samples.size() < 120; i++) {
            inWindow(() -> {
                boolean isFresh = System.nanoTime() - lastFrame[0] < 18_000_000;
                if (isFresh) {
                    player.heard()
                            .ifPresent(heard -> samples.add(
                                    new Sample(window.bench().score().lit(), heard)));
                }
                return true;
            });
            Thread.sleep(13);
        }
        inWindow(() -> {
            frames.stop();
            return true;
        });
        press(KeyCode.SPACE);
        assertThat(samples).hasSizeGreaterThan(60);
        // On a machine that is busy with other things a frame may come late.
        long late =
                samples.stream().filter(sample -> !sample.isWithin(LAG_MILLIS)).count();
        assertThat(late).isLessThan(samples.size() / 10);
        assertThat(samples.stream().map(Sample::lit).distinct().count()).isGreaterThan(8);
        assertThat(inWindow(() -> window.bench().score().lit())).isEmpty();
        assertThat(inWindow(() -> player.isPlaying())).isFalse();
    }

    @Test
    void aStageIsChangedWhileItPlaysWithoutLosingThePlace() throws Exception {
        withoutCountIn();
        focusScore();
        press(KeyCode.T);
        waitUntilHeard();
        Thread.sleep(500);
        Player.Heard before = inWindow(() -> player.heard().orElseThrow());
        press(KeyCode.PAGE_UP);
        await(
                "another stage is heard",
                () -> !player.heard().orElseThrow().realisation().equals(before.realisation()));
        Player.Heard after = inWindow(() -> player.heard().orElseThrow());
        assertThat(after.millis()).isGreaterThan(before.millis()).isLessThan(before.millis() + 2500);
        press(KeyCode.SPACE);
    }

    @Test
    void phrasesPartsAndTheTuneArePlayedFromTheKeyboard() throws Exception {
        withoutCountIn();
        focusScore();
        for (KeyCode key : List.of(KeyCode.SPACE, KeyCode.L, KeyCode.P, KeyCode.T)) {
            press(key);
            waitUntilHeard();
            assertThat(find("#play", Button.class).getAccessibleText()).isEqualTo("Stop");
            press(KeyCode.SPACE);
            assertThat(inWindow(() -> player.isPlaying())).isFalse();
            assertThat(find("#play", Button.class).getAccessibleText()).isEqualTo("Play");
        }
    }

    @Test
    void aCountInComesFirst() throws Exception {
        focusScore();
        press(KeyCode.T);
        Thread.sleep(300);
        assertThat(inWindow(() -> player.isPlaying())).isTrue();
        assertThat(inWindow(() -> window.bench().score().lit())).isEmpty();
        press(KeyCode.SPACE);
    }

    @Test
    void theTempoGoesFromATenthToDoubleAndToRelaxed() throws Exception {
        TempoPicture tempo = find("#tempo", TempoPicture.class);
        assertThat(tempo.getAccessibleText()).isEqualTo("105 minims a minute");
        click(find("#relaxed", ToggleButton.class));
        assertThat(tempo.getAccessibleText()).isEqualTo("70 minims a minute");
        click(find("#relaxed", ToggleButton.class));
        Slider speed = find("#speed", Slider.class);
        inWindow(() -> {
            speed.setValue(10);
            return true;
        });
        assertThat(tempo.getAccessibleText()).isEqualTo("10.5 minims a minute");
        inWindow(() -> {
            speed.setValue(200);
            return true;
        });
        assertThat(tempo.getAccessibleText()).isEqualTo("210 minims a minute");
    }

    @Test
    void theCloseUpShowsTheSpotInMillisecondsAtTheTempoHeard() throws Exception {
        focusScore();
        press(KeyCode.RIGHT);
        press(KeyCode.RIGHT);
        press(KeyCode.C);
        CloseUpView closeUp = find("#close-up", CloseUpView.class);
        assertThat(closeUp.getAccessibleText())
                .isEqualTo("Close-up: cut on D5, bar 1, on beat 1 · Leaf at 105 minims a minute");
        inWindow(() -> {
            find("#speed", Slider.class).setValue(50);
            return true;
        });
        assertThat(closeUp.getAccessibleText()).endsWith("Leaf at 52.5 minims a minute");
        press(KeyCode.PERIOD);
        press(KeyCode.C);
        assertThat(isShown("#close-up")).isFalse();
    }

    @Test
    void withoutASoundDeviceTheWindowSaysSo() throws Exception {
        await(
                "no sound device is told",
                () -> find("#sound-device", Button.class).getText().contains("no sound device"));
    }
}
