package wildflourish.desktop.hearing;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Supplier;
import javafx.animation.AnimationTimer;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.util.Duration;
import wildflourish.core.arranging.Whole;
import wildflourish.core.form.Phrase;
import wildflourish.core.form.Phrasing;
import wildflourish.core.hand.Bearing;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Key;
import wildflourish.core.music.Metre;
import wildflourish.core.music.Tempo;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Profile;
import wildflourish.core.performance.PlayRange;
import wildflourish.core.performance.Realisation;
import wildflourish.core.performance.Realiser;
import wildflourish.core.performance.Reeds;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.NotePlace;
import wildflourish.core.tune.OneNote;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Playback;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.play.Performance;
import wildflourish.desktop.play.Player;

/** Plays what is chosen on the desk, and goes on in place when stage, tempo or instrument change. Looks at the player's clock only while it plays. */
public final class Transport {
    private static final String NOTHING = "There is nothing to play: open a book with a tune in it.";

    /** A slider that is drawn along is followed so often. */
    private static final Duration FOLLOWED_AFTER = Duration.millis(60);

    private static final Tempo ONE_NOTE = new Tempo(Fraction.of(100), Fraction.of(1, 4));

    private final Desk desk;
    private final Player player;
    private final Executor soon;
    private final PauseTransition following = new PauseTransition(FOLLOWED_AFTER);
    private final ReadOnlyObjectWrapper<Optional<Player.Heard>> heard = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<Player.Status> status =
            new ReadOnlyObjectWrapper<>(new Player.Status(false, false, 0));
    /** Whether it is the tune that plays, not a note by itself. */
    private boolean isOfTune = true;
    /** The performance that plays, where it is of more than one version. */
    private Optional<Whole> whole = Optional.empty();

    private String section = "";

    private final AnimationTimer timer = new AnimationTimer() {
        @Override
        public void handle(long now) {
            status.set(player.status());
            if (player.isPlaying()) {
                Optional<Player.Heard> sounds = isOfTune || whole.isPresent() ? player.heard() : Optional.empty();
                tellSection(sounds);
                heard.set(sounds);
            } else {
                finished();
            }
        }
    };

    /** All that decides what is heard. */
    private record Wanted(Tune tune, Version version, Profile profile, Tempo tempo, boolean hasDrones, Reeds reeds) {
        static Optional<Wanted> of(Sight sight) {
            return sight.tune()
                    .flatMap(tune -> sight.version()
                            .map(version -> new Wanted(
                                    tune,
                                    version,
                                    sight.chosen().profile(),
                                    tempo(sight, tune, version),
                                    sight.playback().hasDrones(),
                                    sight.playback().reeds())));
        }

        private static Tempo tempo(Sight sight, Tune tune, Version version) {
            Tempo own = sight.playback().isRelaxed()
                    ? tune.header().type().relaxed()
                    : version.playing().tempo();
            return own.times(sight.playback().speed());
        }

        Realisation realised() {
            return dressed(Realiser.realise(tune, version, profile, tempo));
        }

        Realisation dressed(Realisation worked) {
            return (hasDrones ? worked : worked.withoutDrones()).with(reeds);
        }
    }

    /** With what works out a realisation away from the window's thread. */
    public Transport(Desk desk, Player player, Executor soon) {
        this.desk = desk;
        this.player = player;
        this.soon = soon;
        following.setOnFinished(event -> follow());
        desk.of(sight -> sight.playback().latencyMillis()).subscribe(player::setLatency);
        desk.of(Sight::tune).addListener((at, before, after) -> stop());
        desk.of(Wanted::of).addListener((at, before, after) -> {
            if (isPlaying() && isOfTune) {
                following.playFromStart();
            }
        });
    }

    private boolean isPlaying() {
        return desk.sight().get().playback().isPlaying();
    }

    /** What is heard, many times a second while something plays; nothing when it stops. */
    public ReadOnlyObjectProperty<Optional<Player.Heard>> heard() {
        return heard.getReadOnlyProperty();
    }

    /** How the sound fares; told anew when it is another while something plays, and when a device has been looked for. */
    public ReadOnlyObjectProperty<Player.Status> status() {
        return status.getReadOnlyProperty();
    }

    /** Looks for a sound device. */
    public void look() {
        player.look(found -> Platform.runLater(() -> status.set(found)));
    }

    /** Milliseconds since beats began to be knocked, by the device's clock alone, and how long a beat lasts; empty while none are. */
    public Optional<Double> knocking() {
        return player.knocking();
    }

    /** Knocks beats alone, to be tapped along with, for so long; gives how long a beat lasts, in milliseconds. */
    public Optional<Double> knock(int beats) {
        return ready().map(worked -> {
            Fraction beat = worked.tempo().beatLength();
            begin(new Performance(worked, PlayRange.whole(worked), new Performance.CountIn(beat.times(beats), beat)));
            return worked.tempo().millisOf(beat).toDouble();
        });
    }

    /** The tempo that would be heard: the stage's own or the relaxed one, times the speed. */
    public static Optional<Tempo> tempo(Sight sight) {
        return Wanted.of(sight).map(Wanted::tempo);
    }

    /** The chosen stage worked out at the tempo that would be heard. */
    public Optional<Realisation> realisation() {
        return Wanted.of(desk.sight().get())
                .map(wanted -> desk.here()
                        .scene()
                        .filter(scene -> scene.playing().tempo().equals(wanted.tempo()))
                        .map(scene -> wanted.dressed(Realiser.realise(scene)))
                        .orElseGet(wanted::realised));
    }

    // Playing

    /** Plays a stretch, or stops where something plays. */
    public void playOrStop(Playback.Stretch stretch, boolean isLooped) {
        if (isPlaying()) {
            stop();
        } else {
            play(stretch, isLooped);
        }
    }

    private void play(Playback.Stretch stretch, boolean isLooped) {
        NoteId note = desk.sight().get().note().orElse(new NoteId(-1));
        ready().ifPresent(worked -> {
            PlayRange range = switch (stretch) {
                case HERE -> PlayRange.from(worked, note);
                case PHRASE -> PlayRange.phrase(worked, note);
                case PART -> PlayRange.part(worked, note);
                case TUNE -> PlayRange.whole(worked);
            };
            play(worked, range.looped(isLooped));
        });
    }

    /** What can be played; where there is nothing that is said. */
    private Optional<Realisation> ready() {
        Optional<Realisation> worked = realisation()
                .filter(each ->
                        desk.sight().get().note().isPresent() && !each.moments().isEmpty());
        if (worked.isEmpty()) {
            desk.say(NOTHING);
        }
        return worked;
    }

    /** Goes round from one written note to another. */
    public void loop(NoteId first, NoteId last) {
        ready().ifPresent(worked -> play(worked, PlayRange.between(worked, first, last)));
    }

    /** Plays the place of something that might be placed as it would sound, once. */
    public void playTried(Placement placement) {
        Optional<Wanted> wanted = Wanted.of(desk.sight().get());
        wanted.ifPresent(each -> soon.execute(() -> {
            NoteId at = placement.span().first();
            Spot spot = each.version().at(at).orElse(Spot.bare(at)).withPlayed(placement);
            Version tried = each.version().with(each.tune(), spot);
            Realisation worked = each.dressed(Realiser.realise(each.tune(), tried, each.profile(), each.tempo()));
            PlayRange range = PlayRange.between(
                            worked,
                            beside(each.tune(), at, -1),
                            beside(each.tune(), placement.span().last(), 1))
                    .looped(false);
            Platform.runLater(() -> begin(new Performance(worked, range, Performance.CountIn.NONE)));
        }));
    }

    /** Sounds one note of the instrument by itself. */
    public void playNote(WrittenPitch note) {
        Sight sight = desk.sight().get();
        Playing playing = Bearing.playing(sight.instrument()).withTempo(ONE_NOTE);
        Profile profile = sight.chosen().profile();
        soon.execute(() -> {
            Tune tune = OneNote.tune(Key.C_MAJOR, note, Fraction.of(1, 2));
            Realisation worked = Realiser.realise(tune, Version.plain("note", playing), profile)
                    .withoutDrones();
            PlayRange range =
                    PlayRange.between(worked, new NoteId(0), new NoteId(0)).looped(false);
            Platform.runLater(() -> {
                begin(new Performance(worked, range, Performance.CountIn.NONE), false);
            });
        });
    }

    private static NoteId beside(Tune tune, NoteId note, int distance) {
        return tune.neighbour(note, distance).map(each -> each.id()).orElse(note);
    }

    /** Call and answer from the phrase of the chosen note on: so many phrases joined, then as long a silence with a quiet pulse. */
    public void echo(int joined) {
        if (isPlaying()) {
            stop();
            return;
        }
        ready().ifPresent(worked -> {
            List<PlayRange> calls =
                    PlayRange.phrases(worked, desk.sight().get().note().orElseThrow(), joined);
            begin(new Performance(worked, calls, true, countIn(worked, calls.get(0))));
            desk.say("Call and answer: listen, then play it back over the quiet pulse");
        });
    }

    /** The part of the chosen note, its first ending so many times, then as it is really played. */
    public void drill() {
        if (isPlaying()) {
            stop();
            return;
        }
        int rounds = desk.sight().get().playback().rounds();
        ready().ifPresent(worked -> {
            List<PlayRange> ranges =
                    PlayRange.drill(worked, desk.sight().get().note().orElseThrow(), rounds);
            begin(new Performance(worked, ranges, false, countIn(worked, ranges.get(0))));
            desk.say(
                    ranges.size() > rounds
                            ? "The part " + rounds + " times with its first ending, then on as it is played"
                            : "The part " + rounds + " times");
        });
    }

    private void play(Realisation realisation, PlayRange range) {
        begin(new Performance(realisation, range, countIn(realisation, range)));
    }

    private void begin(Performance performance) {
        begin(performance, true);
    }

    private void begin(Performance performance, boolean isTune) {
        isOfTune = isTune;
        whole = Optional.empty();
        section = "";
        player.play(performance);
        desk.playback(playback -> playback.playing(true));
        timer.start();
    }

    /** A bar of beats, and where a pickup follows, the beats before it too: so the first beat of the tune is never in doubt. */
    private Performance.CountIn countIn(Realisation realisation, PlayRange range) {
        if (!desk.sight().get().playback().isCountedIn()) {
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

    /** Works out away from the window's thread what is to be heard from now on. */
    private void follow() {
        Wanted.of(desk.sight().get())
                .ifPresent(wanted -> soon.execute(() -> {
                    Realisation worked = wanted.realised();
                    Platform.runLater(() -> {
                        if (isPlaying()
                                && isOfTune
                                && Wanted.of(desk.sight().get()).equals(Optional.of(wanted))) {
                            player.change(worked);
                        }
                    });
                }));
    }

    public void stop() {
        player.stop();
        finished();
    }

    private void finished() {
        timer.stop();
        if (isPlaying()) {
            desk.playback(playback -> playback.playing(false));
        }
        heard.set(Optional.empty());
    }

    // Several versions one after the other

    /** Plays a performance of several versions, once or round and round. */
    private void play(Supplier<Whole> made, boolean isLooped) {
        Sight sight = desk.sight().get();
        Profile profile = sight.chosen().profile();
        Fraction speed = sight.playback().speed();
        boolean hasDrones = sight.playback().hasDrones();
        Reeds reeds = sight.playback().reeds();
        soon.execute(() -> {
            Whole several = made.get();
            Tempo tempo = several.version().playing().tempo().times(speed);
            Realisation worked = Realiser.realise(several.tune(), several.version(), profile, tempo);
            Realisation dressed = (hasDrones ? worked : worked.withoutDrones()).with(reeds);
            PlayRange range = PlayRange.whole(dressed).looped(isLooped);
            Platform.runLater(() -> {
                begin(new Performance(dressed, range, countIn(dressed, range)), false);
                whole = Optional.of(several);
            });
        });
    }

    /** The phrase of the chosen note in every stage, the plainest first, round and round. */
    public void throughStages() {
        Sight sight = desk.sight().get();
        if (isPlaying()) {
            stop();
        } else if (sight.tune().isEmpty()
                || sight.note().isEmpty()
                || sight.stair().isEmpty()) {
            desk.say(NOTHING);
        } else {
            Tune tune = sight.tune().get();
            Phrase phrase =
                    Phrasing.of(tune).at(tune.placeOf(sight.note().get()).bar());
            List<Version> stages = sight.stair().get().stages();
            play(() -> Whole.of(tune, stages, phrase.firstBar(), phrase.lastBar()), true);
        }
    }

    /** The plan of times through from beginning to end. */
    public void playTimes() {
        Sight sight = desk.sight().get();
        Optional<Stair> planned = sight.stair().filter(stair -> stair.times().isPresent());
        if (isPlaying()) {
            stop();
        } else if (sight.tune().isEmpty() || planned.isEmpty()) {
            desk.say("No times through are planned: plan them in Versions (Q) first.");
        } else {
            Tune tune = sight.tune().get();
            Stair stair = planned.get();
            play(() -> Whole.of(tune, stair, stair.times().orElseThrow()), false);
        }
    }

    /** The written note that is heard; empty in silence and in bars that are not the tune's own. */
    public Optional<NoteId> noteOf(Player.Heard now) {
        Optional<NoteId> note = now.moment()
                .filter(moment -> moment.sounding().isPresent())
                .map(moment -> moment.cue().note());
        return whole.isPresent() ? note.flatMap(whole.get()::original) : note;
    }

    /** Which version is heard, whenever it is another. */
    private void tellSection(Optional<Player.Heard> now) {
        whole.ifPresent(several -> now.flatMap(Player.Heard::moment).ifPresent(moment -> {
            String name = several.sectionOf(moment.cue().note()).name();
            if (!name.equals(section)) {
                section = name;
                desk.say("Now: " + name);
            }
        }));
    }

    /** Nothing sounds any more; it is of no use afterwards. */
    public void close() {
        stop();
        player.close();
    }
}
