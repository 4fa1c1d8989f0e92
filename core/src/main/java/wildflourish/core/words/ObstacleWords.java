package wildflourish.core.words;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import wildflourish.core.fingering.LinePath;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.plain.Obstacle;
import wildflourish.core.plain.Obstacles;
import wildflourish.core.plain.Remedy;
import wildflourish.core.tune.Tune;

/** What cannot be played, where, and what helps, in sentences. */
public final class ObstacleWords {
    private static final int MOST_PLACES = 3;

    private ObstacleWords() {}

    /** A line for each obstacle, then one for what helps everywhere; none where all can be played. */
    public static List<String> of(Obstacles obstacles, Tune tune, Instrument instrument) {
        List<String> lines = new ArrayList<>();
        for (Obstacle obstacle : obstacles.obstacles()) {
            lines.add(of(obstacle, tune, instrument));
        }
        if (!obstacles.isEmpty()) {
            lines.add(whole(obstacles));
        }
        return List.copyOf(lines);
    }

    /** What, where, what to do. */
    public static String of(Obstacle obstacle, Tune tune, Instrument instrument) {
        String pitches = obstacle.pitches().stream().map(WrittenPitch::toString).collect(Collectors.joining(" with "));
        List<String> places = obstacle.places().stream()
                .limit(MOST_PLACES)
                .map(note -> Words.where(tune, tune.note(note)))
                .toList();
        int more = obstacle.places().size() - places.size();
        return pitches + " (" + String.join("; ", places) + (more > 0 ? "; and " + more + " more" : "") + "): "
                + of(obstacle.why(), instrument) + ". " + remedies(obstacle);
    }

    /** Why, as the end of a sentence about the note. */
    public static String of(LinePath.Why why, Instrument instrument) {
        return switch (why) {
            case MISSING -> "not on the " + instrument.name();
            case STUCK -> "the fingers do not reach so far from the note before";
            case TOO_FAST -> "the hand does not get there in time from the note before";
            case AIR -> "the bellows have no air left";
            case SECOND_MISSING -> "the note below is not on the " + instrument.name();
            case ONE_STRING -> "both lie on one string only";
            case APART -> "they lie on strings that one stroke does not take together";
            case FINGERS -> "no hand holds them together";
            case BELLOWS -> "one sounds only pressed, the other only drawn";
            case TOO_MANY -> "too many notes at once";
            case ONE_AT_A_TIME -> "the " + instrument.name() + " sounds one note at a time";
        };
    }

    private static String remedies(Obstacle obstacle) {
        return obstacle.remedies().isEmpty()
                ? "Nothing at this place alone helps."
                : "Tried, and helps: "
                        + obstacle.remedies().stream().map(ObstacleWords::of).collect(Collectors.joining("; ")) + ".";
    }

    /** What helps everywhere at once. */
    public static String whole(Obstacles obstacles) {
        List<Remedy> remedies = obstacles.whole();
        return remedies.isEmpty()
                ? "No other key and no instrument like it plays all of it as written."
                : "For the whole tune: "
                        + remedies.stream().map(ObstacleWords::of).collect(Collectors.joining("; ")) + ".";
    }

    /** A remedy as something to do. */
    public static String of(Remedy remedy) {
        String pitches = remedy.pitches().stream()
                .map(FingeredPitch::midi)
                .map(midi -> WrittenPitch.ofMidi(midi).toString())
                .collect(Collectors.joining(" or "));
        return switch (remedy.kind()) {
            case MELODY_ALONE -> "play the melody by itself";
            case OCTAVE_DOWN -> "an octave lower";
            case OCTAVE_UP -> "an octave higher";
            case NOTE_BEFORE -> "repeat the note before, " + pitches;
            case CHORD_NOTE -> "drop to a note of the chord, " + pitches;
            case SLOWER -> "play it at " + Words.tempo(remedy.tempo().orElseThrow());
            case OTHER_SCHOOL ->
                "play it another way: " + remedy.school().orElseThrow().name();
            case TUNE_AN_OCTAVE -> "play the tune an octave " + (remedy.semitones() > 0 ? "higher" : "lower");
            case OTHER_KEY -> "play it in " + remedy.key().orElseThrow().name() + ", " + semitones(remedy.semitones());
            case OTHER_INSTRUMENT ->
                "take the " + remedy.instrument().orElseThrow().name();
        };
    }

    private static String semitones(int semitones) {
        int count = Math.abs(semitones);
        return count + (count == 1 ? " semitone " : " semitones ") + (semitones > 0 ? "up" : "down");
    }
}
