package wildflourish.desktop.window;

import java.util.List;
import java.util.Optional;
import javafx.animation.AnimationTimer;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Metre;
import wildflourish.core.music.Tempo;
import wildflourish.core.performance.PlayRange;
import wildflourish.core.performance.Realisation;
import wildflourish.core.performance.Realiser;
import wildflourish.core.performance.Reeds;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.NotePlace;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Version;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.play.Performance;
import wildflourish.desktop.play.Player;

/** Plays what is chosen on the desk, and goes on in place when stage or speed changes. Looks at the player's clock only while it plays. */
final class Transport {
    /** What to hear. */
    enum Stretch {
        FROM_HERE,
        PHRASE,
        PART,
        TUNE
    }

    /** Told what happens to the sound. */
    interface Listener {
        /** What is heard, many times a second while something plays; nothing when it stops. */
        void heard(Optional<Player.Heard> heard);

        /** The tempo that would be heard is another now. */
        void retimed();
    }

    private final Desk desk;
    private final Player player;
    private final Listener listener;
    private final ReadOnlyBooleanWrapper playing = new ReadOnlyBooleanWrapper(false);
    private Fraction speed = Fraction.ONE;
    private boolean isRelaxed;
    private boolean isCountedIn = true;
    private boolean hasDrones = true;
    private Reeds reeds = Reeds.DRY;
    private final AnimationTimer timer = new AnimationTimer() {
        @Override
        public void handle(long now) {
            if (player.isPlaying()) {
                listener.heard(player.heard());
            } else {
                finished();
            }
        }
    };

    Transport(Desk desk, Player player, Listener listener) {
        this.desk = desk;
        this.player = player;
        this.listener = listener;
        desk.sight().addListener((at, before, after) -> {
            if (!before.tune().equals(after.tune())) {
                stop();
            } else if (!before.version().equals(after.version())) {
                goOn();
            }
        });
    }

    ReadOnlyBooleanProperty playing() {
        return playing.getReadOnlyProperty();
    }

    boolean isSilent() {
        return player.isSilent();
    }

    void setSpeed(Fraction factor) {
        speed = factor;
        goOn();
        listener.retimed();
    }

    void setRelaxed(boolean relaxed) {
        isRelaxed = relaxed;
        goOn();
        listener.retimed();
    }

    void setCountedIn(boolean countedIn) {
        isCountedIn = countedIn;
    }

    /** Whether the drones of pipes are heard. */
    void setDrones(boolean heard) {
        hasDrones = heard;
        goOn();
    }

    /** How the reeds of a box beat. */
    void setReeds(Reeds tuned) {
        reeds = tuned;
        goOn();
    }

    Reeds reeds() {
        return reeds;
    }

    /** The tempo that would be heard: the stage's own or the relaxed one, times the speed. */
    Optional<Tempo> tempo() {
        Sight sight = desk.sight().get();
        return sight.version()
                .map(version -> (isRelaxed
                                ? sight.tune().orElseThrow().header().type().relaxed()
                                : version.playing().tempo())
                        .times(speed));
    }

    /** The chosen stage worked out at the tempo that would be heard. */
    Optional<Realisation> realisation() {
        Sight sight = desk.sight().get();
        Optional<Tempo> tempo = tempo();
        if (sight.tune().isEmpty() || sight.version().isEmpty() || tempo.isEmpty()) {
            return Optional.empty();
        }
        Tune tune = sight.tune().get();
        Version version = sight.version().get();
        Realisation worked = desk.scene()
                .filter(scene -> scene.playing().tempo().equals(tempo.get()))
                .map(Realiser::realise)
                .orElseGet(() -> Realiser.realise(tune, version, sight.chosen().profile(), tempo.get()));
        return Optional.of((hasDrones ? worked : worked.withoutDrones()).with(reeds));
    }

    void play(Stretch stretch) {
        Sight sight = desk.sight().get();
        Optional<Realisation> worked = realisation();
        if (worked.isEmpty() || sight.note().isEmpty() || worked.get().moments().isEmpty()) {
            desk.say("There is nothing to play: open a book with a tune in it.");
            return;
        }
        Realisation realisation = worked.get();
        play(
                realisation,
                switch (stretch) {
                    case FROM_HERE -> PlayRange.from(realisation, sight.note().get());
                    case PHRASE -> PlayRange.phrase(realisation, sight.note().get());
                    case PART -> PlayRange.part(realisation, sight.note().get());
                    case TUNE -> PlayRange.whole(realisation);
                });
    }

    /** Goes round from one written note to another. */
    void loop(NoteId first, NoteId last) {
        Optional<Tune> tune = desk.sight().get().tune();
        realisation()
                .filter(worked -> tune.isPresent() && !worked.moments().isEmpty())
                .ifPresent(worked -> play(worked, PlayRange.between(worked, first, last)));
    }

    /** Call and answer from the phrase of the chosen note on: so many phrases joined, then as long a silence with a quiet pulse. */
    void echo(int joined) {
        Sight sight = desk.sight().get();
        Optional<Realisation> worked = realisation();
        if (worked.isEmpty() || sight.note().isEmpty() || worked.get().moments().isEmpty()) {
            desk.say("There is nothing to play: open a book with a tune in it.");
            return;
        }
        List<PlayRange> calls = PlayRange.phrases(worked.get(), sight.note().get(), joined);
        Performance.CountIn beats = countIn(worked.get(), calls.get(0));
        begin(new Performance(worked.get(), calls, true, beats));
        desk.say("Call and answer: listen, then play it back over the quiet pulse");
    }

    /** The part of the chosen note, its first ending so many times, then as it is really played. */
    void drill(int rounds) {
        Sight sight = desk.sight().get();
        Optional<Realisation> worked = realisation();
        if (worked.isEmpty() || sight.note().isEmpty() || worked.get().moments().isEmpty()) {
            desk.say("There is nothing to play: open a book with a tune in it.");
            return;
        }
        List<PlayRange> ranges = PlayRange.drill(worked.get(), sight.note().get(), rounds);
        begin(new Performance(worked.get(), ranges, false, countIn(worked.get(), ranges.get(0))));
        desk.say(
                ranges.size() > rounds
                        ? "The part " + rounds + " times with its first ending, then on as it is played"
                        : "The part " + rounds + " times");
    }

    private void play(Realisation realisation, PlayRange range) {
        begin(new Performance(realisation, range, countIn(realisation, range)));
    }

    private void begin(Performance performance) {
        player.play(performance);
        playing.set(true);
        timer.start();
    }

    /** A bar of beats, and where a pickup follows, the beats before it too: so the first beat of the tune is never in doubt. */
    private Performance.CountIn countIn(Realisation realisation, PlayRange range) {
        if (!isCountedIn) {
            return new Performance.CountIn(Fraction.ZERO, realisation.tempo().beatLength());
        }
        Tune tune = realisation.tune();
        Fraction perWhole = realisation.tempo().millisOf(Fraction.ONE);
        NotePlace first = realisation
                .at(range.startWholeNotes().times(perWhole).toDouble() + 1e-6)
                .map(moment -> tune.placeOf(moment.cue().note()))
                .orElse(new NotePlace(0, 0, Fraction.ZERO));
        Metre metre = tune.metreAt(first.bar());
        Fraction beat = realisation.tempo().beatLength();
        boolean beatsFillBar = metre.barLength().modulo(beat).isZero();
        return new Performance.CountIn(
                metre.barLength().plus(first.offset()), beatsFillBar ? beat : metre.countLength());
    }

    private void goOn() {
        if (playing.get()) {
            realisation().ifPresent(player::change);
        }
    }

    void stop() {
        player.stop();
        finished();
    }

    private void finished() {
        timer.stop();
        playing.set(false);
        listener.heard(Optional.empty());
    }

    void close() {
        stop();
        player.close();
    }
}
