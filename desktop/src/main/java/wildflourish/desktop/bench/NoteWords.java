package wildflourish.desktop.bench;

import java.util.Locale;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Spot;
import wildflourish.core.words.Words;
import wildflourish.desktop.desk.Here;
import wildflourish.desktop.desk.Sight;

/** The chosen note in words, for whoever hears the window rather than sees it: where it stands, its fingering, what is placed. */
final class NoteWords {
    private NoteWords() {}

    static String of(Here here) {
        Sight sight = here.sight();
        if (sight.tune().isEmpty() || sight.note().isEmpty()) {
            return "Score: no tune here yet";
        }
        Tune tune = sight.tune().get();
        Note note = tune.note(sight.note().get());
        String fingering = note.isRest()
                ? ""
                : sight.version()
                        .flatMap(version -> version.playing().instrument().rowOf(note.melody()))
                        .map(row -> ", holes " + row.usual() + ", breath "
                                + row.breath().name().toLowerCase(Locale.ROOT))
                        .orElse(", not on this instrument");
        String placed = here.spot()
                .flatMap(Spot::first)
                .map(placement -> ", " + placement.ornament().name())
                .orElse("");
        String several = sight.severalNotes()
                .map(span -> ", first of " + span.notes(tune).size() + " chosen notes")
                .orElse("");
        return Words.place(tune, note) + fingering + placed + several;
    }
}
