package wildflourish.desktop.desk;

import java.util.List;
import java.util.Optional;
import wildflourish.core.form.Phrase;
import wildflourish.core.form.Phrasing;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Version;

/** Choosing what to work on: tune, instrument, student, stage, note and range of notes. */
public final class Choosing {
    private Choosing() {}

    /** Another tune of the book; none where there is none of that index, from 0. */
    public static Outcome lesson(Here here, int index) {
        Sight sight = here.sight();
        boolean isThere = index >= 0 && index < sight.book().lessons().size();
        return isThere && index != sight.lessonIndex()
                ? Outcome.chose(sight.chosen().withNote(Optional.empty()), "").inLesson(index)
                : Outcome.nothing();
    }

    public static Outcome stage(Here here, int stage) {
        Sight sight = here.sight();
        int stages = sight.stair().map(each -> each.versions().size()).orElse(1);
        if (stage < 0 || stage >= stages || stage == sight.chosen().stage()) {
            return Outcome.nothing();
        }
        String name =
                sight.stair().map(stair -> stair.at(stage)).map(Version::name).orElse("the plain tune");
        return Outcome.chose(sight.chosen().withStage(stage), "Working on " + name);
    }

    /** The stage above (1) or below (−1). */
    public static Outcome climb(Here here, int direction) {
        return stage(here, here.sight().chosen().stage() + direction);
    }

    public static Outcome profile(Here here, Profile profile) {
        return Outcome.chose(here.sight().chosen().withProfile(profile), "");
    }

    /** Works on the tune's stair on another instrument; a tune has one stair for each. */
    public static Outcome instrument(Here here, Instrument instrument) {
        Sight.Chosen chosen = here.sight().chosen();
        return instrument.equals(chosen.instrument())
                ? Outcome.nothing()
                : Outcome.chose(
                        chosen.withInstrument(instrument),
                        "On the " + instrument.name() + " now; what is placed for other instruments stays with them");
    }

    public static Outcome note(Here here, NoteId note) {
        Sight.Chosen chosen = here.sight().chosen();
        boolean isAlone =
                chosen.note().equals(Optional.of(note)) && chosen.until().isEmpty();
        return isAlone ? Outcome.nothing() : Outcome.chose(chosen.withNote(Optional.of(note)), "");
    }

    /** From the note that stands to another one. */
    public static Outcome until(Here here, NoteId note) {
        Sight.Chosen chosen = here.sight().chosen();
        Outcome outcome = Outcome.chose(
                chosen.withUntil(Optional.of(note).filter(each -> !chosen.note().equals(Optional.of(each)))), "");
        int notes = here.sight()
                .tune()
                .flatMap(tune -> chosen.note().map(from -> between(tune, from, note)))
                .orElse(1);
        return outcome.saying(notes == 1 ? "One note" : notes + " notes chosen");
    }

    private static int between(Tune tune, NoteId from, NoteId to) {
        return Math.abs(tune.placeOf(from).order() - tune.placeOf(to).order()) + 1;
    }

    /** To the next note, or the one so many places on; stays at either end. */
    public static Outcome walk(Here here, int distance) {
        return here.sight()
                .tune()
                .flatMap(tune -> here.sight().note().map(note -> note(here, beside(tune, note, distance))))
                .orElse(Outcome.nothing());
    }

    /** The range of notes grows or shrinks by so many at its other end. */
    public static Outcome stretch(Here here, int distance) {
        Sight.Chosen chosen = here.sight().chosen();
        return here.sight()
                .tune()
                .flatMap(tune -> chosen.until()
                        .filter(tune::has)
                        .or(chosen::note)
                        .map(note -> until(here, beside(tune, note, distance))))
                .orElse(Outcome.nothing());
    }

    /** The notes of the phrase of the chosen note. */
    public static Outcome phraseRange(Here here) {
        return here.sight()
                .tune()
                .flatMap(tune -> here.sight().note().map(note -> {
                    List<Note> notes = notesOf(
                            tune, Phrasing.of(tune).at(tune.placeOf(note).bar()));
                    Sight.Chosen chosen = here.sight()
                            .chosen()
                            .withNote(Optional.of(notes.get(0).id()));
                    return Outcome.chose(
                            chosen.withUntil(
                                    Optional.of(notes.get(notes.size() - 1).id())),
                            notes.size() + " notes chosen: the phrase");
                }))
                .orElse(Outcome.nothing());
    }

    /** One note alone again. */
    public static Outcome noRange(Here here) {
        Sight.Chosen chosen = here.sight().chosen();
        return chosen.until().isEmpty() ? Outcome.nothing() : Outcome.chose(chosen.withNote(chosen.note()), "One note");
    }

    private static NoteId beside(Tune tune, NoteId note, int distance) {
        int last = tune.notes().size() - 1;
        int order = Math.max(0, Math.min(last, tune.placeOf(note).order() + distance));
        return tune.notes().get(order).id();
    }

    /** To the first note of the neighbouring bar that has one. */
    public static Outcome walkBar(Here here, int direction) {
        Optional<Tune> tune = here.sight().tune();
        if (tune.isEmpty() || here.sight().note().isEmpty()) {
            return Outcome.nothing();
        }
        int bar = tune.get().placeOf(here.sight().note().get()).bar() + direction;
        while (bar >= 0 && bar < tune.get().bars().size()) {
            List<Note> notes = tune.get().bars().get(bar).notes();
            if (!notes.isEmpty()) {
                return note(here, notes.get(0).id());
            }
            bar += direction;
        }
        return Outcome.nothing();
    }

    /** To the first note of the next phrase (1) or of the one before (−1); stays at either end. */
    public static Outcome walkPhrase(Here here, int direction) {
        Optional<Tune> tune = here.sight().tune();
        if (tune.isEmpty() || here.sight().note().isEmpty()) {
            return Outcome.nothing();
        }
        List<Phrase> phrases = Phrasing.of(tune.get()).phrases();
        int bar = tune.get().placeOf(here.sight().note().get()).bar();
        int at = 0;
        while (at + 1 < phrases.size() && !phrases.get(at).has(bar)) {
            at++;
        }
        return phrase(here, Math.max(0, Math.min(phrases.size() - 1, at + direction)));
    }

    /** To the first note of a phrase, by its index from 0. */
    public static Outcome phrase(Here here, int index) {
        return here.sight()
                .tune()
                .flatMap(tune -> {
                    Phrase phrase = Phrasing.of(tune).phrases().get(index);
                    return notesOf(tune, phrase).stream()
                            .findFirst()
                            .map(first -> note(here, first.id()).saying("Phrase " + phrase.name()));
                })
                .orElse(Outcome.nothing());
    }

    static List<Note> notesOf(Tune tune, Phrase phrase) {
        return tune.bars().subList(phrase.firstBar(), phrase.lastBar() + 1).stream()
                .flatMap(bar -> bar.notes().stream())
                .toList();
    }
}
