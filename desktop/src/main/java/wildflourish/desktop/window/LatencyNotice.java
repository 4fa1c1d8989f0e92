package wildflourish.desktop.window;

import java.util.Optional;
import javafx.scene.control.Button;
import wildflourish.desktop.action.Controls;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.hearing.Taps;
import wildflourish.desktop.hearing.Transport;

/** A notice in which one taps along with knocked beats, so that the lit note is the one that is heard. */
final class LatencyNotice {
    private static final int BEATS = 32;
    private static final String KIND = "latency";

    private final Desk desk;
    private final Transport transport;
    private final Banner banner;

    LatencyNotice(Desk desk, Transport transport, Banner banner) {
        this.desk = desk;
        this.transport = transport;
        this.banner = banner;
    }

    void begin() {
        transport.stop();
        Optional<Double> beat = transport.knock(BEATS);
        if (beat.isEmpty()) {
            return;
        }
        Taps taps = new Taps(beat.get());
        Button tap = Controls.button(words(taps), "tap", "Press Space with each knock", () -> {});
        tap.setOnAction(event -> {
            transport.knocking().ifPresent(taps::tap);
            tap.setText(words(taps));
            taps.latencyMillis().ifPresent(this::found);
        });
        Button none = Controls.button("No delay", "no-latency", "The note is lit as the device says", () -> found(0));
        Button leave = Controls.button("Leave it as it is", "leave-latency", "Nothing changes", this::end);
        banner.show(
                KIND,
                "Tap with the knocks you hear: so the program learns how late the sound reaches you. Now it is taken for "
                        + desk.sight().get().playback().latencyMillis() + " ms.",
                tap,
                none,
                leave);
        tap.requestFocus();
    }

    private static String words(Taps taps) {
        return "Tap (" + taps.count() + " of " + Taps.ENOUGH + ")";
    }

    private void found(int millis) {
        end();
        desk.playback(playback -> playback.withLatency(millis));
        desk.say("The lit note follows the sound by " + millis + " ms now");
    }

    private void end() {
        transport.stop();
        banner.hide(KIND);
    }
}
