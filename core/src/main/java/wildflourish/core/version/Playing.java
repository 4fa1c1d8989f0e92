package wildflourish.core.version;

import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.music.Tempo;
import wildflourish.core.tune.Tune;

/** On what, in which school and how fast a version is played. */
public record Playing(Instrument instrument, School school, Tempo tempo) {
    /** An instrument's first school at the slow end of the tune's session tempos. */
    public static Playing usual(Tune tune, Instrument instrument) {
        return new Playing(
                instrument, instrument.schools().get(0), tune.header().type().session());
    }

    public Playing withTempo(Tempo newTempo) {
        return newTempo.equals(tempo) ? this : new Playing(instrument, school, newTempo);
    }

    public Playing withSchool(School newSchool) {
        return newSchool.equals(school) ? this : new Playing(instrument, newSchool, tempo);
    }
}
