package wildflourish.desktop.desk;

import java.util.List;
import java.util.Optional;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.instrument.ChartRow;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.tune.Note;
import wildflourish.core.version.Deed;
import wildflourish.core.version.Spot;
import wildflourish.core.words.Steps;
import wildflourish.core.words.Words;

/** Fingerings of the chosen note: which there are, and the one the teacher keeps to, at every stage of the stair. */
public final class Fingers {
    private Fingers() {}

    /** What the chosen note may be fingered with, the usual one first; none for rests and notes the instrument lacks. */
    public static List<Fingering> choices(Here here) {
        return row(here).map(ChartRow::fingerings).orElse(List.of());
    }

    /** The teacher's own among the choices; empty where the program chooses. */
    public static Optional<Fingering> pinned(Here here) {
        String pin = here.spotAtNote().map(Spot::pin).orElse("");
        return choices(here).stream()
                .filter(each -> each.toString().equals(pin))
                .findFirst();
    }

    private static Optional<ChartRow> row(Here here) {
        return note(here)
                .filter(note -> !note.isRest())
                .flatMap(note -> here.sight().instrument().rowOf(note.melody()));
    }

    private static Optional<Note> note(Here here) {
        return here.sight().tune().flatMap(tune -> here.sight().note().map(tune::note));
    }

    /** The next fingering of the chosen note is kept; after the last one the program chooses again. */
    public static Outcome next(Here here) {
        if (!here.sight().instrument().family().isWind()) {
            return nextPlace(here);
        }
        List<Fingering> choices = choices(here);
        if (choices.size() < 2) {
            return Outcome.said(
                    choices.isEmpty() ? "There is no fingering here." : "There is only one fingering for this note.");
        }
        int next = pinned(here).map(choices::indexOf).orElse(-1) + 1;
        return keep(here, next == choices.size() ? Optional.empty() : Optional.of(choices.get(next)));
    }

    /** On strings and buttons: the next place of the chosen note is kept, after the last one none. */
    private static Outcome nextPlace(Here here) {
        List<String> places = note(here)
                .map(note -> HandLines.pins(here.sight().instrument(), note))
                .orElse(List.of());
        if (places.size() < 2 || here.sight().stair().isEmpty()) {
            return Outcome.said(
                    places.isEmpty()
                            ? "There is no place for this note here."
                            : "There is only one place for this note.");
        }
        String pin = here.spotAtNote().map(Spot::pin).orElse("");
        int next = places.indexOf(pin) + 1;
        String chosen = next == places.size() ? "" : places.get(next);
        String letter = Words.letter(note(here).orElseThrow());
        return pin(
                here,
                chosen,
                chosen.isEmpty()
                        ? "The program chooses where to play this " + letter + " again"
                        : letter + " on " + chosen + ", kept for this note; the rest moves round it");
    }

    /** The chosen note keeps to a fingering; with none the program chooses. */
    public static Outcome keep(Here here, Optional<Fingering> fingering) {
        if (here.sight().stair().isEmpty() || row(here).isEmpty()) {
            return Outcome.said("There is no fingering here.");
        }
        String letter = Words.letter(note(here).orElseThrow());
        String fingers = fingering.map(Fingering::toString).orElse("");
        return pin(
                here,
                fingers,
                fingering
                        .map(each -> letter + ": " + Steps.holes(each) + ", kept for this note"
                                + (here.spot().isPresent() ? "; the ornament on it is made from the usual one" : ""))
                        .orElse("The program chooses the fingering of this " + letter + " again"));
    }

    private static Outcome pin(Here here, String pin, String words) {
        Note note = note(here).orElseThrow();
        return Outcome.of(
                here,
                here.sight().stair().orElseThrow().pinned(note.id(), pin),
                new Deed(Deed.Kind.PIN, Words.letter(note), ""),
                words);
    }
}
