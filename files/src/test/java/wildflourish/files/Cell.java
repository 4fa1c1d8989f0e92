package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;

import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Question;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Version;
import wildflourish.files.abc.BookReader;

/** A small tune as tables of verdicts write it, and a plain version of it on an instrument. */
record Cell(Tune tune, Version version) {
    /** The tune; one without bar lines is counted by its metre, and its last bar is filled with a rest. */
    static Cell of(String type, String metre, String key, String melody) {
        String head = "X:1\nT:Cell\nR:" + type + "\nM:" + metre + "\nL:1/8\nK:" + key + "\n";
        Tune loose = read(head + melody + "|]\n");
        Tune tune = melody.contains("|") ? loose : read(head + barred(loose, melody) + "|]\n");
        return new Cell(tune, Version.plain("cell", Playing.usual(tune, Instrument.first())));
    }

    /** On an instrument at a tempo, with notes held as told. */
    Cell on(String instrument, String tempo, String hold, int note) {
        Instrument asked = Instrument.of(instrument);
        Tempo beats = new Tempo(Fraction.parse(tempo), tune.header().type().beatLength());
        Version plain = Version.plain("cell", new Playing(asked, asked.schools().get(0), beats));
        return new Cell(tune, Question.held(tune, plain, hold, note));
    }

    Question ask(String student, String schools, int note) {
        return Question.of(tune, version, Profile.of(student), schools, note);
    }

    private static String barred(Tune loose, String melody) {
        Fraction bar = loose.header().metre().barLength();
        StringBuilder text = new StringBuilder();
        Fraction filled = Fraction.ZERO;
        int at = loose.manuscript().bodyStart();
        for (Note note : loose.notes()) {
            int end = loose.manuscript().at(note.id()).end();
            boolean isFull = filled.isPositive() && filled.modulo(bar).isZero();
            text.append(isFull ? "|" : "").append(loose.manuscript().text(), at, end);
            filled = filled.plus(note.played());
            at = end;
        }
        Fraction left = bar.minus(filled.modulo(bar)).modulo(bar);
        assertThat(text.toString().replace("|", "")).isEqualTo(melody);
        return text
                + (left.isZero()
                        ? ""
                        : "z" + left.times(8).numerator() + "/" + left.times(8).denominator());
    }

    private static Tune read(String text) {
        return BookReader.read(text).value().lessons().get(0).tune();
    }
}
