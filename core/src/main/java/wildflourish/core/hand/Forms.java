package wildflourish.core.hand;

import java.util.List;
import java.util.Optional;
import wildflourish.core.line.Tone;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Choice;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.tune.Note;

/** What notes an ornament may stand for. */
public final class Forms {
    private static final Fraction QUAVER = Fraction.of(1, 8);

    private Forms() {}

    /** Whether the notes are such as their ornaments stand for; a touch alone may sit on a note, with a frame on what the frame takes. */
    static boolean suit(Occasion occasion) {
        boolean hasFrame = occasion.stack().choices().stream()
                .anyMatch(each -> !each.ornament().isTouch());
        return occasion.stack().choices().stream()
                .map(Choice::ornament)
                .allMatch(ornament -> (hasFrame && ornament.isTouch()) || suits(occasion, ornament));
    }

    private static boolean suits(Occasion occasion, Ornament ornament) {
        return ornament.isOfLayers() || ornament.form().standsFor().stream().anyMatch(form -> suits(occasion, form));
    }

    private static boolean suits(Occasion facts, Ornament.StandsFor form) {
        List<Note> notes = facts.tones().stream().map(Tone::note).toList();
        boolean isOne = notes.size() == 1;
        return switch (form) {
            case NOTE -> isOne;
            case EQUAL -> notes.size() > 1 && areBare(notes) && areEqual(notes);
            case TURN -> areBare(notes) && isTurn(notes);
            case THIRD ->
                notes.size() == 2 && areBare(notes) && areQuavers(notes) && steps(notes.get(0), notes.get(1)) == 2;
            case TONE ->
                notes.size() == 2
                        && areBare(notes)
                        && areQuavers(notes)
                        && Math.abs(notes.get(0).melody().midi()
                                        - notes.get(1).melody().midi())
                                == 2;
            case NOTES -> notes.size() >= 2 && notes.size() <= 4 && areBare(notes);
            case APPROACH ->
                isOne
                        && facts.after()
                                .map(next -> steps(notes.get(0), next.note()) == 1)
                                .orElse(false);
            case AFTER -> isOne && facts.before().isPresent();
            case BEFORE ->
                isOne
                        && facts.after()
                                .map(next -> !areEqual(List.of(notes.get(0), next.note())))
                                .orElse(false);
            case MID -> {
                Optional<Tone> before = facts.before();
                yield isOne
                        && before.map(each -> steps(each.note(), notes.get(0)) == 2)
                                .orElse(false);
            }
            case PAIR -> notes.size() == 2;
            case QUAVERS -> notes.size() == 2 && areQuavers(notes);
            case THREE -> notes.size() == 3;
            case UNEQUAL -> notes.size() == 2 && !areEqual(notes);
            case RISING -> notes.size() >= 2 && areRising(notes);
            case LEAP ->
                isOne
                        && facts.after()
                                .map(next -> steps(notes.get(0), next.note()) == 3)
                                .orElse(false);
            case NEAR ->
                isOne
                        && facts.after()
                                .map(next -> steps(notes.get(0), next.note()) <= 2)
                                .orElse(false);
            case DRIVEN -> areDriven(notes);
            case OTHER ->
                isOne
                        && facts.before()
                                .map(before -> !areEqual(List.of(notes.get(0), before.note())))
                                .orElse(false);
            case TACHUM -> notes.size() == 2 && areQuavers(notes) && isTachum(facts, notes);
        };
    }

    private static boolean isTachum(Occasion facts, List<Note> notes) {
        var reading = facts.playing().instrument().reading();
        int first = reading.fingered(notes.get(0).melody()).midi();
        int second = reading.fingered(notes.get(1).melody()).midi();
        boolean isOnBOrC = first == ChanterForms.pitch("B").midi()
                || first == ChanterForms.pitch("c").midi();
        return isOnBOrC && second < first;
    }

    private static boolean areRising(List<Note> notes) {
        boolean areRising = true;
        for (int i = 1; i < notes.size(); i++) {
            areRising &=
                    notes.get(i).melody().midi() > notes.get(i - 1).melody().midi();
        }
        return areRising;
    }

    /** Long, short, short, long, as 3 1 1 3. */
    private static boolean areDriven(List<Note> notes) {
        if (notes.size() != 4) {
            return false;
        }
        Fraction shortOne = notes.get(1).played();
        return notes.get(2).played().equals(shortOne)
                && notes.get(0).played().equals(shortOne.times(3))
                && notes.get(3).played().equals(shortOne.times(3));
    }

    private static boolean areQuavers(List<Note> notes) {
        return notes.stream().allMatch(note -> note.played().equals(QUAVER));
    }

    /** No small notes of their own after the first, no chords, no tuplets. */
    private static boolean areBare(List<Note> notes) {
        boolean haveSmall =
                notes.stream().skip(1).anyMatch(note -> !note.marks().graces().isEmpty());
        return !haveSmall
                && notes.stream()
                        .noneMatch(note ->
                                note.isChord() || !note.duration().notated().equals(note.played()));
    }

    /** Notes of one pitch. */
    public static boolean areEqual(List<Note> notes) {
        return notes.stream().allMatch(note -> note.melody().equals(notes.get(0).melody()));
    }

    /** Three notes of one length: a note, a neighbour one step off, the note again. */
    public static boolean isTurn(List<Note> notes) {
        return notes.size() == 3
                && notes.get(0).melody().equals(notes.get(2).melody())
                && steps(notes.get(0), notes.get(1)) == 1
                && notes.stream()
                        .allMatch(note -> note.played().equals(notes.get(0).played()));
    }

    private static int steps(Note one, Note other) {
        return Math.abs(one.melody().staffStep() - other.melody().staffStep());
    }
}
