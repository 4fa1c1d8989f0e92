package wildflourish.desktop.play;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyInt;
import static org.mockito.Mockito.atLeastOnce;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.timeout;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Profile;
import wildflourish.core.performance.PlayRange;
import wildflourish.core.performance.Realisation;
import wildflourish.core.performance.Realiser;
import wildflourish.core.sound.Synth;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Version;
import wildflourish.files.abc.BookReader;

/** The player against a loudspeaker whose clock is in the test's hand. */
class PlayerTest {
    private static final Tune TUNE = BookReader.read("X:1\nT:Steps\nM:4/4\nR:reel\nL:1/4\nK:D\nDEFG|ABcd|\n")
            .value()
            .lessons()
            .get(0)
            .tune();

    /** Takes blocks as the test lets them through, and has heard what it has taken. */
    private static final class HandSpeaker implements Speaker {
        private final Semaphore room = new Semaphore(0);
        private final List<Float> taken = new ArrayList<>();
        private volatile double heard;
        private volatile boolean isClosed;

        @Override
        public boolean write(float[] samples, int count) {
            try {
                if (isClosed || !room.tryAcquire(5, TimeUnit.SECONDS)) {
                    return true;
                }
            } catch (InterruptedException e) {
                return true;
            }
            synchronized (taken) {
                for (int i = 0; i < count; i++) {
                    taken.add(samples[i]);
                }
            }
            heard += count * 1000.0 / Synth.SAMPLE_RATE;
            return true;
        }

        /** Lets that many blocks of ten milliseconds through and waits until they are taken. */
        void let(int blocks) throws InterruptedException {
            double end = heard + blocks * 10;
            room.release(blocks);
            for (int i = 0; i < 2000 && heard < end - 10.1; i++) {
                Thread.sleep(1);
            }
            Thread.sleep(20);
        }

        @Override
        public double heardMillis() {
            return heard;
        }

        @Override
        public boolean isSilent() {
            return true;
        }

        @Override
        public void close() {
            isClosed = true;
            room.release(100_000);
        }
    }

    private static Realisation realisation(Fraction speed) {
        Version version = Version.plain("Root", Playing.usual(TUNE, Instrument.of("whistle-d")));
        return Realiser.realise(
                TUNE, version, Profile.usual(), version.playing().tempo().times(speed));
    }

    private static Performance whole(Realisation realisation) {
        return new Performance(realisation, PlayRange.whole(realisation), Performance.CountIn.NONE);
    }

    @Test
    void whatIsHeardIsToldByTheSpeakersClock() throws Exception {
        HandSpeaker speaker = new HandSpeaker();
        try (Player player = new Player(() -> Optional.of(speaker), 50)) {
            Realisation realisation = realisation(Fraction.ONE);
            player.play(whole(realisation));
            speaker.let(60);
            Player.Heard heard = player.heard().orElseThrow();
            assertThat(heard.millis()).isCloseTo(speaker.heardMillis(), within(0.01));
            assertThat(heard.moment()).isEqualTo(realisation.at(speaker.heardMillis()));
            assertThat(player.status().isSilent()).isTrue();
        }
        assertThat(speaker.isClosed).isTrue();
    }

    @Test
    void aCountInComesFirstAndNothingIsLitMeanwhile() throws Exception {
        HandSpeaker speaker = new HandSpeaker();
        try (Player player = new Player(() -> Optional.of(speaker), 50)) {
            Realisation realisation = realisation(Fraction.ONE);
            double whole = realisation.tempo().millisOf(Fraction.ONE).toDouble();
            player.play(new Performance(
                    realisation,
                    PlayRange.whole(realisation),
                    new Performance.CountIn(Fraction.ONE, Fraction.of(1, 2))));
            speaker.let(20);
            assertThat(player.isPlaying()).isTrue();
            assertThat(player.heard()).isEmpty();
            speaker.let(120);
            assertThat(player.heard().orElseThrow().millis()).isCloseTo(speaker.heardMillis() - whole, within(0.05));
            assertThat(loudest(speaker, 0, 30)).isGreaterThan(0.2);
            assertThat(loudest(speaker, (int) (whole / 4), (int) (whole / 4) + 30))
                    .isLessThan(0.01);
            assertThat(loudest(speaker, (int) (whole / 2), (int) (whole / 2) + 30))
                    .isGreaterThan(0.2);
        }
    }

    private static double loudest(HandSpeaker speaker, int fromMillis, int toMillis) {
        synchronized (speaker.taken) {
            double loudest = 0;
            for (int i = fromMillis * 441 / 10; i < toMillis * 441 / 10; i++) {
                loudest = Math.max(loudest, Math.abs(speaker.taken.get(i)));
            }
            return loudest;
        }
    }

    @Test
    void anotherTempoGoesOnAtTheSamePlaceOfTheTune() throws Exception {
        HandSpeaker speaker = new HandSpeaker();
        try (Player player = new Player(() -> Optional.of(speaker), 50)) {
            Realisation fast = realisation(Fraction.ONE);
            Realisation slow = realisation(Fraction.of(1, 2));
            player.play(whole(fast));
            speaker.let(50);
            double before = wholeNotes(player);
            player.change(slow);
            speaker.let(10);
            double after = wholeNotes(player);
            assertThat(player.heard().orElseThrow().realisation()).isSameAs(slow);
            double step = 100 / slow.tempo().millisOf(Fraction.ONE).toDouble();
            assertThat(after - before).isCloseTo(step, within(step / 2));
        }
    }

    private static double wholeNotes(Player player) {
        Player.Heard heard = player.heard().orElseThrow();
        return heard.millis()
                / heard.realisation().tempo().millisOf(Fraction.ONE).toDouble();
    }

    @Test
    void aLoopBeginsAgainAtItsBeginning() throws Exception {
        HandSpeaker speaker = new HandSpeaker();
        try (Player player = new Player(() -> Optional.of(speaker), 50)) {
            Realisation realisation = realisation(Fraction.ONE);
            double whole = realisation.tempo().millisOf(Fraction.ONE).toDouble();
            player.play(new Performance(
                    realisation, new PlayRange(Fraction.ONE, Fraction.of(2), true), Performance.CountIn.NONE));
            speaker.let(20);
            assertThat(player.heard().orElseThrow().millis()).isBetween(whole, 2 * whole);
            speaker.let((int) (whole / 10) + 5);
            assertThat(player.heard().orElseThrow().millis()).isBetween(whole, whole + 300);
            assertThat(player.isPlaying()).isTrue();
        }
    }

    @Test
    void anAnswerHasTheTimeOfItsCallAndIsNearlySilent() throws Exception {
        HandSpeaker speaker = new HandSpeaker();
        try (Player player = new Player(() -> Optional.of(speaker), 50)) {
            Realisation realisation = realisation(Fraction.of(2));
            double whole = realisation.tempo().millisOf(Fraction.ONE).toDouble();
            PlayRange call = new PlayRange(Fraction.ZERO, Fraction.ONE, false);
            PlayRange next = new PlayRange(Fraction.ONE, Fraction.of(2), false);
            Performance.CountIn beats = new Performance.CountIn(Fraction.ZERO, Fraction.of(1, 2));
            player.play(new Performance(realisation, List.of(call, next), true, beats));
            speaker.let((int) (whole / 20));
            assertThat(player.heard()).as("the call is lit").isPresent();
            speaker.let((int) (whole / 10));
            assertThat(player.heard()).as("the answer is the student's").isEmpty();
            speaker.let((int) (whole / 10));
            assertThat(player.heard().orElseThrow().millis())
                    .as("the next call")
                    .isBetween(whole, 2 * whole);
            int samples = (int) (whole * Synth.SAMPLE_RATE / 1000);
            assertThat(loudness(speaker, 0, samples)).isGreaterThan(10 * loudness(speaker, samples, 2 * samples));
            assertThat(loudness(speaker, samples, 2 * samples))
                    .as("the pulse is there")
                    .isGreaterThan(0);
        }
    }

    /** The mean of the squares. */
    private static double loudness(HandSpeaker speaker, int from, int to) {
        synchronized (speaker.taken) {
            return speaker.taken.subList(from, to).stream()
                    .mapToDouble(sample -> sample * sample)
                    .average()
                    .orElse(0);
        }
    }

    @Test
    void itEndsByItselfAndTheLineIsClosedAfterSomeSilence() {
        Speaker speaker = mock(Speaker.class);
        when(speaker.heardMillis()).thenReturn(1e9);
        when(speaker.write(any(), anyInt())).thenReturn(true);
        Player player = new Player(() -> Optional.of(speaker), 50);
        player.play(whole(realisation(Fraction.of(2))));
        verify(speaker, timeout(5000)).close();
        verify(speaker, atLeastOnce()).write(any(), anyInt());
        assertThat(player.isPlaying()).isFalse();
        assertThat(player.heard()).isEmpty();
    }

    @Test
    void whatIsPlayedNextGoesOutThroughTheSameLine() throws Exception {
        List<HandSpeaker> speakers = new ArrayList<>();
        try (Player player = new Player(() -> {
            speakers.add(new HandSpeaker());
            return Optional.of(speakers.get(speakers.size() - 1));
        })) {
            player.play(whole(realisation(Fraction.ONE)));
            while (speakers.isEmpty()) {
                Thread.sleep(1);
            }
            speakers.get(0).let(5);
            player.stop();
            assertThat(player.isPlaying()).isFalse();
            speakers.get(0).let(5);
            player.play(whole(realisation(Fraction.ONE)));
            speakers.get(0).let(20);
            assertThat(player.heard()).isPresent();
            assertThat(speakers).hasSize(1);
            assertThat(speakers.get(0).isClosed).isFalse();
        }
    }

    @Test
    void theNoteIsToldAsLateAsTheEarHearsIt() throws Exception {
        HandSpeaker speaker = new HandSpeaker();
        try (Player player = new Player(() -> Optional.of(speaker))) {
            player.setLatency(40);
            player.play(whole(realisation(Fraction.ONE)));
            speaker.let(30);
            assertThat(player.heard().orElseThrow().millis()).isCloseTo(speaker.heardMillis() - 40, within(0.01));
        }
    }

    @Test
    void whereTheDeviceIsLostItPlaysOnAndTakesItUpAgain(@TempDir Path folder) throws Exception {
        Player player = new Player(() -> PretendSpeaker.open(folder));
        Realisation realisation = realisation(Fraction.ONE);
        player.play(new Performance(realisation, PlayRange.whole(realisation).looped(true), Performance.CountIn.NONE));
        await(() -> player.heard().isPresent());
        assertThat(player.status()).isEqualTo(new Player.Status(false, false, 0));
        Files.createFile(folder.resolve("unplugged"));
        await(() -> player.status().isLost());
        assertThat(player.status().isSilent()).isTrue();
        double lost = wholeNotes(player);
        await(() -> player.isPlaying() && wholeNotes(player) != lost);
        Files.delete(folder.resolve("unplugged"));
        await(() -> !player.status().isLost() && !player.status().isSilent());
        await(() -> player.heard().isPresent());
        assertThat(player.isPlaying()).isTrue();
        double again = wholeNotes(player);
        await(() -> Math.abs(wholeNotes(player) - again) > 0.05);
        player.close();
        assertThat(Files.size(folder.resolve("heard.wav"))).isGreaterThan(1000);
    }

    private static void await(Callable<Boolean> isSo) throws Exception {
        for (int i = 0; i < 1000 && !isSo.call(); i++) {
            Thread.sleep(10);
        }
        assertThat(isSo.call()).isTrue();
    }

    @Test
    void theSilentSpeakerKeepsThePaceOfTheClock() {
        long[] now = {0};
        SilentSpeaker speaker = new SilentSpeaker(() -> now[0] += 3_000_000);
        float[] block = new float[441];
        for (int i = 0; i < 50; i++) {
            speaker.write(block, 441);
        }
        assertThat(now[0] / 1e6).as("500 ms less the buffer have passed").isGreaterThan(410);
        assertThat(speaker.heardMillis()).isLessThanOrEqualTo(500);
        assertThat(speaker.isSilent()).isTrue();
    }
}
