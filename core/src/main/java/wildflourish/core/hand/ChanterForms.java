package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.ornament.Refusal;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/** Which small notes make a movement of the nine-note chanter, from what onto what; the rows of {@code ornaments/chanter.forms}. */
public final class ChanterForms {
    /** The notes of the chanter by their letters, low to high. */
    public static final String LETTERS = "GABcdefga";

    private static final List<Integer> MIDI = List.of(67, 69, 71, 73, 74, 76, 78, 79, 81);
    private static final List<Form> ALL = Table.load("ornaments/chanter.forms").rows().stream()
            .map(Form::from)
            .toList();

    private ChanterForms() {}

    /** A row. */
    private record Form(String movement, String school, String onto, String from, List<Integer> small, Refusal orElse) {
        static Form from(Row row) {
            return new Form(
                    row.text("movement"),
                    row.optional("school").orElse(""),
                    row.read("onto", Form::letters),
                    row.read("from", cell -> cell.equals("any") || cell.equals("same") ? cell : letters(cell)),
                    row.words("small notes").stream()
                            .map(word -> row.read("small notes", cell -> index(word)))
                            .toList(),
                    row.read("else", Refusal::parse));
        }

        /** {@code A-d} as all letters from A to d; letters between blanks as they are. */
        private static String letters(String cell) {
            if (!cell.contains("-")) {
                return cell.replace(" ", "");
            }
            return LETTERS.substring(index(cell.substring(0, 1)), index(cell.substring(2)) + 1);
        }

        boolean suits(int note, Optional<Integer> before) {
            boolean isOnto = onto.indexOf(LETTERS.charAt(note)) >= 0;
            boolean isFrom = switch (from) {
                case "any" -> true;
                case "same" -> before.equals(Optional.of(note));
                default -> before.isPresent() && from.indexOf(LETTERS.charAt(before.get())) >= 0;
            };
            return isOnto && isFrom;
        }
    }

    /** What a movement is here: its small notes, or why it is not to be had. */
    public record Found(List<FingeredPitch> small, Optional<Refusal> refusal) {
        public Found {
            small = List.copyOf(small);
        }
    }

    private static int index(String letter) {
        int index = LETTERS.indexOf(letter);
        if (index < 0 || letter.length() != 1) {
            throw new IllegalArgumentException("the chanter's notes are " + LETTERS);
        }
        return index;
    }

    /** The pitch of a letter. */
    public static FingeredPitch pitch(String letter) {
        return new FingeredPitch(MIDI.get(index(letter)));
    }

    /** The number of a pitch among the chanter's notes, from 0; −1 for one it does not have. */
    static int numberOf(FingeredPitch pitch) {
        return MIDI.indexOf(pitch.midi());
    }

    /**
     * The small notes of a movement onto a note, in a school, from the note before.
     *
     * @param before empty after silence
     */
    public static Found of(String movement, String school, FingeredPitch onto, Optional<FingeredPitch> before) {
        int note = numberOf(onto);
        Optional<Integer> from = before.map(ChanterForms::numberOf).filter(number -> number >= 0);
        List<Form> named =
                ALL.stream().filter(form -> form.movement.equals(movement)).toList();
        Optional<Form> form = named.stream()
                .filter(each -> !each.school.isEmpty() && each.school.equals(school) && each.suits(note, from))
                .findFirst()
                .or(() -> named.stream()
                        .filter(each -> each.school.isEmpty() && each.suits(note, from))
                        .findFirst());
        Refusal refusal = form.orElseGet(() -> named.get(named.size() - 1)).orElse;
        boolean isLegal = note >= 0
                && form.isPresent()
                && !form.get().small.isEmpty()
                && isLegal(form.get().small, note, from, isBelow(movement));
        return isLegal
                ? new Found(
                        form.get().small.stream()
                                .map(each -> new FingeredPitch(MIDI.get(each)))
                                .toList(),
                        Optional.empty())
                : new Found(List.of(), Optional.of(refusal));
    }

    /** The letters of a movement onto a note after silence, {@code gcd}; empty where there is none. */
    public static String spelled(String movement, String school, FingeredPitch onto) {
        StringBuilder letters = new StringBuilder();
        of(movement, school, onto, Optional.empty())
                .small()
                .forEach(pitch -> letters.append(LETTERS.charAt(numberOf(pitch))));
        return letters.toString();
    }

    private static boolean isBelow(String movement) {
        return movement.equals("strike");
    }

    /** No two like sounds side by side; a single grace stands above both its neighbours, a strike below both. */
    private static boolean isLegal(List<Integer> small, int note, Optional<Integer> before, boolean isBelow) {
        List<Integer> sounds = new ArrayList<>();
        before.ifPresent(sounds::add);
        sounds.addAll(small);
        sounds.add(note);
        for (int i = 0; i + 1 < sounds.size(); i++) {
            if (sounds.get(i).equals(sounds.get(i + 1))) {
                return false;
            }
        }
        if (small.size() > 1) {
            return true;
        }
        int only = small.get(0);
        int least = Math.min(note, before.orElse(note));
        int most = Math.max(note, before.orElse(note));
        return isBelow ? only < least : only > most;
    }
}
