package wildflourish.desktop.desk;

import java.util.List;
import java.util.Optional;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.instrument.ChartRow;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.version.Deed;
import wildflourish.core.version.Spot;
import wildflourish.core.words.Steps;
import wildflourish.core.words.Words;

/** Fingerings of the chosen note: which there are, and the one the teacher keeps to, at every stage of the stair. */
public final class Fingers {
    private final Desk desk;

    Fingers(Desk desk) {
        this.desk = desk;
    }

    /** What the chosen note may be fingered with, the usual one first; none for rests and notes the instrument lacks. */
    public List<Fingering> choices() {
        return row().map(ChartRow::fingerings).orElse(List.of());
    }

    /** The teacher's own among the choices; empty where the program chooses. */
    public Optional<Fingering> pinned() {
        Sight current = desk.sight().get();
        String pin = current.note()
                .flatMap(note -> current.version().flatMap(version -> version.at(note)))
                .map(Spot::pin)
                .orElse("");
        return choices().stream().filter(each -> each.toString().equals(pin)).findFirst();
    }

    private Optional<ChartRow> row() {
        Sight current = desk.sight().get();
        return note().filter(note -> !note.isRest())
                .flatMap(note -> current.chosen().instrument().rowOf(note.melody()));
    }

    private Optional<Note> note() {
        Sight current = desk.sight().get();
        return current.tune().flatMap(tune -> current.note().map(tune::note));
    }

    /** The next fingering of the chosen note is kept; after the last one the program chooses again. */
    public void next() {
        if (!desk.sight().get().chosen().instrument().family().isWind()) {
            nextPlace();
            return;
        }
        List<Fingering> choices = choices();
        if (choices.size() < 2) {
            desk.say(choices.isEmpty() ? "There is no fingering here." : "There is only one fingering for this note.");
            return;
        }
        int next = pinned().map(choices::indexOf).orElse(-1) + 1;
        keep(next == choices.size() ? Optional.empty() : Optional.of(choices.get(next)));
    }

    /** On strings and buttons: the next place of the chosen note is kept, after the last one none. */
    private void nextPlace() {
        Sight current = desk.sight().get();
        List<String> places = note().map(note -> HandLines.pins(current.chosen().instrument(), note))
                .orElse(List.of());
        if (places.size() < 2 || current.stair().isEmpty()) {
            desk.say(
                    places.isEmpty()
                            ? "There is no place for this note here."
                            : "There is only one place for this note.");
            return;
        }
        NoteId id = note().orElseThrow().id();
        String pin = current.version()
                .flatMap(version -> version.at(id))
                .map(Spot::pin)
                .orElse("");
        int next = places.indexOf(pin) + 1;
        String chosen = next == places.size() ? "" : places.get(next);
        String letter = Words.letter(note().orElseThrow());
        desk.change(current.stair().get().pinned(id, chosen), new Deed(Deed.Kind.PIN, letter, ""));
        desk.say(
                chosen.isEmpty()
                        ? "The program chooses where to play this " + letter + " again"
                        : letter + " on " + chosen + ", kept for this note; the rest moves round it");
    }

    /** The chosen note keeps to a fingering; with none the program chooses. */
    public void keep(Optional<Fingering> fingering) {
        Sight current = desk.sight().get();
        Optional<NoteId> note = current.note();
        if (note.isEmpty() || current.stair().isEmpty() || row().isEmpty()) {
            desk.say("There is no fingering here.");
            return;
        }
        String letter = Words.letter(note().orElseThrow());
        String words = fingering.map(Fingering::toString).orElse("");
        desk.change(current.stair().get().pinned(note.get(), words), new Deed(Deed.Kind.PIN, letter, ""));
        desk.say(fingering
                .map(each -> letter + ": " + Steps.holes(each) + ", kept for this note"
                        + (desk.spotHere().isPresent() ? "; the ornament on it is made from the usual one" : ""))
                .orElse("The program chooses the fingering of this " + letter + " again"));
    }
}
