package wildflourish.core.version;

import java.util.List;
import java.util.stream.Stream;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.instrument.Schools;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Choice;
import wildflourish.core.ornament.Stack;
import wildflourish.core.tune.Tune;

/**
 * On what, in which schools and how fast a version is played.
 *
 * @param school of the hand
 * @param strokes how notes are struck, where good players of the instrument differ in it; else the usual way
 */
public record Playing(Instrument instrument, School school, School strokes, Tempo tempo) {
    /** In the usual way of striking. */
    public Playing(Instrument instrument, School school, Tempo tempo) {
        this(instrument, school, instrument.strokes().get(0), tempo);
    }

    /** An instrument's first schools at the tempo the tune states, or else at the slow end of its session tempos. */
    public static Playing usual(Tune tune, Instrument instrument) {
        return new Playing(
                instrument, instrument.schools().get(0), tune.header().usualTempo());
    }

    public Schools schools() {
        return new Schools(school, strokes);
    }

    public Playing withSchools(Schools others) {
        return withSchool(others.hand()).withStrokes(others.strokes());
    }

    public Playing withTempo(Tempo newTempo) {
        return newTempo.equals(tempo) ? this : new Playing(instrument, school, strokes, newTempo);
    }

    public Playing withSchool(School newSchool) {
        return newSchool.equals(school) ? this : new Playing(instrument, newSchool, strokes, tempo);
    }

    public Playing withStrokes(School newStrokes) {
        return newStrokes.equals(strokes) ? this : new Playing(instrument, school, newStrokes, tempo);
    }

    /** The own school of a choice: the one it names; else the one with the name of the player's school; else the ornament's usual one. */
    public String schoolOf(Choice choice) {
        if (!choice.school().isEmpty()) {
            return choice.school();
        }
        List<String> own = choice.ornament().schools(instrument.family());
        return Stream.of(school, strokes)
                .map(School::id)
                .filter(own::contains)
                .findFirst()
                .orElseGet(() -> Stack.schoolOf(choice, instrument.family()));
    }

    /** A stack with the own schools that this player's choices are played in. */
    public Stack schooled(Stack stack) {
        return new Stack(stack.choices().stream()
                .map(choice -> new Choice(choice.ornament(), schoolOf(choice)))
                .toList());
    }
}
