package wildflourish.core.form;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import wildflourish.core.music.Fraction;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.NotePlace;
import wildflourish.core.tune.Tune;

/**
 * Where a stretch of notes comes back: at the same place of every phrase of the same family, with the same notes. Phrases that differ in one note or in their
 * ending bring back what they have in common.
 */
public final class Returns {
    private final Tune tune;
    private final Phrasing phrasing;

    private Returns(Tune tune) {
        this.tune = tune;
        this.phrasing = Phrasing.of(tune);
    }

    public static Returns of(Tune tune) {
        return new Returns(tune);
    }

    /**
     * The stretches, first and last note each, in which the notes from one to another come back, in the order of the tune, the asked one among them. A
     * stretch that begins in one phrase and ends in another comes back nowhere else.
     */
    public List<List<NoteId>> of(NoteId first, NoteId last) {
        List<Note> asked = tune.between(first, last);
        Phrase phrase = phrasing.at(tune.placeOf(first).bar());
        if (!phrase.has(tune.placeOf(last).bar())) {
            return List.of(List.of(first, last));
        }
        List<List<NoteId>> found = new ArrayList<>();
        for (Phrase each : phrasing.phrases()) {
            if (each.equals(phrase)) {
                found.add(List.of(first, last));
            } else if (phrasing.familyOf(each) == phrasing.familyOf(phrase) && !isMoved(each, phrase)) {
                twin(phrase, each, first)
                        .map(twin -> from(twin, asked.size()))
                        .filter(notes -> isSame(asked, notes))
                        .ifPresent(notes -> found.add(List.of(
                                notes.get(0).id(), notes.get(notes.size() - 1).id())));
            }
        }
        return found;
    }

    /** Of phrases that stand on other degrees the same places have other notes. */
    private static boolean isMoved(Phrase one, Phrase other) {
        return isMoved(one) != isMoved(other);
    }

    private static boolean isMoved(Phrase phrase) {
        return phrase.like().filter(each -> each.kind() == Phrase.Kind.MOVED).isPresent();
    }

    /** The note at the same place of another phrase: so many full bars after its beginning, as far from the bar line. */
    private Optional<Note> twin(Phrase phrase, Phrase other, NoteId note) {
        NotePlace place = tune.placeOf(note);
        int bar = firstFull(other) + place.bar() - firstFull(phrase);
        if (!other.has(bar)) {
            return Optional.empty();
        }
        return tune.bars().get(bar).notes().stream()
                .filter(each -> fromBarLine(bar, tune.placeOf(each.id())).equals(fromBarLine(place.bar(), place)))
                .findFirst();
    }

    /** In a pickup the place is told from the bar line after it, elsewhere from the one before. */
    private Fraction fromBarLine(int bar, NotePlace place) {
        Bar written = tune.bars().get(bar);
        return tune.form().isPickup(bar) ? place.offset().minus(written.length()) : place.offset();
    }

    private int firstFull(Phrase phrase) {
        return IntStream.rangeClosed(phrase.firstBar(), phrase.lastBar())
                .filter(bar -> !tune.form().isPickup(bar))
                .findFirst()
                .orElse(phrase.firstBar());
    }

    private List<Note> from(Note note, int count) {
        int order = tune.placeOf(note.id()).order();
        return tune.notes().subList(order, Math.min(tune.notes().size(), order + count));
    }

    private static boolean isSame(List<Note> asked, List<Note> found) {
        return asked.size() == found.size()
                && IntStream.range(0, asked.size())
                        .allMatch(i -> asked.get(i).isRest() == found.get(i).isRest()
                                && asked.get(i).played().equals(found.get(i).played())
                                && (asked.get(i).isRest()
                                        || asked.get(i)
                                                .melody()
                                                .equals(found.get(i).melody())));
    }
}
