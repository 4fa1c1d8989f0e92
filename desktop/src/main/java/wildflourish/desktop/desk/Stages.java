package wildflourish.desktop.desk;

import java.util.Optional;
import java.util.function.UnaryOperator;
import wildflourish.core.carrying.Carried;
import wildflourish.core.instrument.School;
import wildflourish.core.music.Tempo;
import wildflourish.core.version.Deed;
import wildflourish.core.version.Label;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.words.CarriedWords;
import wildflourish.core.words.StairWords;
import wildflourish.core.words.Words;

/** The stages of the stair: another one, its name, its tempo, the schools of all. */
public final class Stages {
    private static final int LONGEST_NAME = 40;

    private Stages() {}

    /** The stage worked on, copied over the one above. */
    public static Outcome copyUp(Here here) {
        Sight sight = here.sight();
        int stage = sight.chosen().stage();
        return grown(
                here,
                sight.stair().flatMap(stair -> stair.copiedUp(stage)),
                new Deed(Deed.Kind.COPY_UP, "", here.stageName()),
                "Copied " + here.stageName() + " up to ");
    }

    /** A further stage at the top, as the highest is now, and it is worked on. */
    public static Outcome add(Here here) {
        Sight sight = here.sight();
        Optional<Stair> after =
                sight.stair().flatMap(stair -> stair.copiedUp(stair.stages().size() - 1));
        return grown(here, after, new Deed(Deed.Kind.ADD_STAGE, "", here.stageName()), "Another stage on top: ");
    }

    /** A stair for the instrument, as it is shown before anything is placed: its stages are there and can be named, timed and filled. */
    public static Outcome begin(Here here) {
        Sight sight = here.sight();
        return sight.stair()
                .filter(stair -> !sight.isBegun())
                .map(stair -> Outcome.of(
                        here,
                        stair,
                        new Deed(Deed.Kind.BEGIN_STAIR, "", here.stageName()),
                        "A stair for the " + sight.instrument().name() + ", "
                                + stair.stages().size() + " stages"))
                .orElse(Outcome.nothing());
    }

    /** A stair that was carried over from another instrument becomes the one of this. */
    public static Outcome carried(Here here, Carried carried) {
        return Outcome.of(
                here,
                carried.stair(),
                new Deed(Deed.Kind.CARRY, carried.stair().instrument().name(), here.stageName()),
                "Carried over: " + CarriedWords.count(carried));
    }

    private static Outcome grown(Here here, Optional<Stair> after, Deed deed, String words) {
        if (after.isEmpty()) {
            return Outcome.said(here.isBeside() ? Besides.NO_STAGE : "A stair has nine stages at most.");
        }
        Sight sight = here.sight();
        int stage = deed.kind() == Deed.Kind.ADD_STAGE
                ? after.get().stages().size() - 1
                : sight.chosen().stage() + 1;
        return Outcome.of(here, after.get(), deed, words + after.get().at(stage).name())
                .choosing(sight.chosen().withStage(stage));
    }

    /** The stage worked on under another name; one that is empty, too long or another stage's is refused. */
    public static Outcome rename(Here here, String name) {
        Sight sight = here.sight();
        String wanted = name.strip();
        if (sight.stair().isEmpty() || wanted.equals(here.stageName())) {
            return Outcome.nothing();
        }
        boolean isTaken = sight.stair().get().versions().stream()
                .anyMatch(each -> each.name().equalsIgnoreCase(wanted));
        if (wanted.isEmpty() || wanted.length() > LONGEST_NAME || isTaken) {
            return Outcome.said(
                    isTaken
                            ? "Another version is called " + wanted + " already: take another name."
                            : "A version has a name of 1 to " + LONGEST_NAME + " letters.");
        }
        Stair after = sight.stair().get().renamed(sight.chosen().stage(), wanted);
        return Outcome.of(
                here,
                after,
                new Deed(Deed.Kind.RENAME, wanted, here.stageName()),
                here.stageName() + " is called " + wanted + " now");
    }

    /** What students are told about the stage worked on, and how often it is to be played, as typed. */
    public static Outcome tell(Here here, String note, String typed) {
        Sight sight = here.sight();
        String times = typed.strip();
        if (sight.stair().isEmpty() || sight.version().isEmpty()) {
            return Outcome.nothing();
        }
        if (!times.matches("\\d{0,2}")) {
            return Outcome.said(
                    "“" + times + "” is no number of times: type 1 to " + Label.MOST_PASSES + ", or nothing.");
        }
        Version version = sight.version().get();
        Label told = version.label().telling(note, times.isEmpty() ? 0 : Integer.parseInt(times));
        String words = StairWords.toStudents(told);
        return told.equals(version.label())
                ? Outcome.nothing()
                : Outcome.of(
                        here,
                        sight.stair().get().with(sight.chosen().stage(), version.with(told)),
                        new Deed(Deed.Kind.TELL, "", version.name()),
                        words.isEmpty()
                                ? "Students are told nothing about " + version.name()
                                : "Students are told about " + version.name() + ": " + words);
    }

    /** The tempo of the stage worked on. */
    public static Outcome tempo(Here here, Tempo tempo) {
        Sight sight = here.sight();
        if (sight.stair().isEmpty() || sight.version().isEmpty()) {
            return Outcome.nothing();
        }
        Version version = sight.version().get();
        Version changed = version.withPlaying(version.playing().withTempo(tempo));
        return Outcome.of(
                here,
                sight.stair().get().with(sight.chosen().stage(), changed),
                new Deed(Deed.Kind.TEMPO, Words.tempo(tempo), version.name()),
                version.name() + " goes at " + Words.tempo(tempo));
    }

    /** A school for every stage of the stair. */
    public static Outcome school(Here here, School school) {
        boolean isSame = here.sight()
                .version()
                .map(version -> version.playing().school())
                .equals(Optional.of(school));
        return isSame ? Outcome.nothing() : schooled(here, school, playing -> playing.withSchool(school));
    }

    /** Strokes for every stage of the stair. */
    public static Outcome strokes(Here here, School strokes) {
        boolean isSame = here.sight()
                .version()
                .map(version -> version.playing().strokes())
                .equals(Optional.of(strokes));
        return isSame ? Outcome.nothing() : schooled(here, strokes, playing -> playing.withStrokes(strokes));
    }

    private static Outcome schooled(Here here, School school, UnaryOperator<Playing> change) {
        return here.sight()
                .stair()
                .map(stair -> Outcome.of(
                        here,
                        stair.withEach(version -> version.withPlaying(change.apply(version.playing()))),
                        new Deed(Deed.Kind.SCHOOL, school.name(), here.stageName()),
                        school.name() + ": " + school.about()))
                .orElse(Outcome.nothing());
    }
}
