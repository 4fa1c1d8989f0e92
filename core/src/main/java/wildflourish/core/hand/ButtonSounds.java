package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.fingering.ButtonWay;
import wildflourish.core.instrument.Button;
import wildflourish.core.instrument.ButtonLayout;
import wildflourish.core.instrument.Family;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.Key;
import wildflourish.core.music.WrittenPitch;

/**
 * Where the sounds of ornaments lie on a box or a concertina: every key of a pitch with the fingers of its button and those that can stand in for them, and the
 * pitches that may serve as the upper or the lower gracing of a note. Derived from the layout alone.
 *
 * <p>Source: common practice and arithmetic; trust M, the surcharges L.
 */
final class ButtonSounds {
    private static final int LITTLE_FINGER = 4;
    private static final double OUTSIDE_THE_SCALE = 0.4;
    private static final double FOURTH = 0.4;
    private static final double FIFTH = 0.5;

    private final ButtonLayout layout;
    private final Family family;
    private final Key key;

    ButtonSounds(ButtonLayout layout, Family family, Key key) {
        this.layout = layout;
        this.family = family;
        this.key = key;
    }

    /** A pitch that may serve, and what it costs more than the best that might. */
    record Choice(int midi, double cost) {}

    /**
     * The pitches of a roll about a note.
     *
     * @param cost what the shape costs more than two neighbouring notes of the scale
     */
    record Shape(String name, int upper, int lower, double cost) {}

    // Keys and fingers

    /** Every key and finger for a pitch (MIDI); none where the instrument lacks it. */
    List<ButtonSet.Held> ways(int midi, boolean isSmall) {
        List<ButtonSet.Held> all = new ArrayList<>();
        for (ButtonLayout.Key each : layout.keysOf(new FingeredPitch(midi))) {
            for (int finger : each.button().fingers()) {
                all.add(new ButtonSet.Held(new ButtonWay(each, finger), isSmall, false));
            }
            for (int finger : standIns(each.button())) {
                all.add(new ButtonSet.Held(new ButtonWay(each, finger), isSmall, true));
            }
        }
        return all;
    }

    boolean has(int midi) {
        return !layout.keysOf(new FingeredPitch(midi)).isEmpty();
    }

    /** On an anglo concertina the finger of a column beside it, on an English one the finger beside the button's own, never the little one. */
    private List<Integer> standIns(Button button) {
        List<Integer> fingers = new ArrayList<>();
        if (family == Family.ANGLO) {
            layout.buttons().stream()
                    .filter(other -> other.row().equals(button.row())
                            && other.hand() == button.hand()
                            && Math.abs(other.place() - button.place()) == 1)
                    .map(other -> other.fingers().get(0))
                    .filter(finger -> !button.fingers().contains(finger) && !fingers.contains(finger))
                    .forEach(fingers::add);
        } else if (family == Family.ENGLISH) {
            int own = button.fingers().get(0);
            for (int finger : List.of(own - 1, own + 1)) {
                if (finger > 0 && finger < LITTLE_FINGER && !button.fingers().contains(finger)) {
                    fingers.add(finger);
                }
            }
        }
        return fingers;
    }

    // Pitches

    /** So many steps of the scale from a note (MIDI). */
    int step(int midi, int steps) {
        WrittenPitch note = key.spelled(midi);
        WrittenPitch natural = WrittenPitch.ofStaffStep(note.staffStep() + steps);
        return natural.withAlter(key.alterOf(natural.step())).midi();
    }

    private boolean isInScale(int midi) {
        WrittenPitch pitch = key.spelled(midi);
        return pitch.alter() == key.alterOf(pitch.step());
    }

    /** What may be flicked above a note that is played by a key: the scale and the buttons that follow in the row. */
    List<Choice> uppers(int midi, ButtonLayout.Key at) {
        List<Choice> all = new ArrayList<>();
        boolean isTwoRow = family == Family.TWO_ROW_BOX;
        if (isTwoRow) {
            inRow(at, 1).ifPresent(next -> add(all, next, ofRow(next, 0)));
            add(all, step(midi, 1), 0.1);
            add(all, step(midi, 2), 0.2);
            inRow(at, 2).ifPresent(next -> add(all, next, ofRow(next, 0.2)));
        } else {
            add(all, step(midi, 1), 0);
            if (family == Family.ANGLO) {
                inRow(at, 1).filter(next -> next > midi).ifPresent(next -> add(all, next, ofRow(next, 0.1)));
            }
            add(all, step(midi, 2), 0.2);
            if (family == Family.ANGLO) {
                inRow(at, 2).filter(next -> next > midi).ifPresent(next -> add(all, next, ofRow(next, 0.2)));
            }
        }
        add(all, step(midi, 3), FOURTH);
        add(all, step(midi, 4), FIFTH);
        return all;
    }

    private double ofRow(int midi, double cost) {
        return cost + (isInScale(midi) ? 0 : OUTSIDE_THE_SCALE);
    }

    private static void add(List<Choice> all, int midi, double cost) {
        Optional<Choice> known =
                all.stream().filter(each -> each.midi() == midi).findFirst();
        if (known.filter(each -> each.cost() <= cost).isEmpty()) {
            known.ifPresent(all::remove);
            all.add(new Choice(midi, cost));
        }
    }

    /** What the button so many further up the row sounds in the same direction; from the left hand of an anglo concertina on into the right. */
    Optional<Integer> inRow(ButtonLayout.Key at, int further) {
        List<Button> row = layout.buttons().stream()
                .filter(button -> rowName(button).equals(rowName(at.button())))
                .toList();
        int place = row.indexOf(at.button()) + further;
        return place < row.size()
                ? Optional.of(row.get(place).pitch(at.bellows()).midi())
                : Optional.empty();
    }

    /** A row of an anglo concertina runs through both hands. */
    private String rowName(Button button) {
        return family == Family.ANGLO ? button.row().replaceFirst("^(left|right) ", "") : button.row();
    }

    /** What may be flicked below a note. */
    List<Choice> lowers(int midi) {
        List<Choice> all = new ArrayList<>();
        if (family == Family.TWO_ROW_BOX) {
            add(all, midi - 1, 0);
            add(all, step(midi, -1), 0.1);
        } else {
            add(all, step(midi, -1), 0);
        }
        return all;
    }

    /** The shapes of rolls about a note, by school: as it lies all of them, on concertinas without the semitones; or one by name. */
    List<Shape> shapes(int midi, String school) {
        int up = step(midi, 1);
        int third = step(midi, 2);
        int down = step(midi, -1);
        int below = step(midi, -2);
        List<Shape> all = new ArrayList<>(List.of(
                new Shape("step-step", up, down, 0),
                new Shape("third-step", third, down, 0.5),
                new Shape("step-third", up, below, 1.0),
                new Shape("third-third", third, below, 1.3)));
        List<Shape> semitones = List.of(
                new Shape("step-semitone", up, midi - 1, 0.2), new Shape("third-semitone", third, midi - 1, 0.7));
        boolean isNamed = school.matches("(step|third)-(step|semitone|third)");
        if (isNamed || family == Family.TWO_ROW_BOX) {
            all.addAll(semitones);
        }
        return isNamed
                ? all.stream().filter(shape -> shape.name().equals(school)).toList()
                : all;
    }

    // Together

    /** Every set of keys and fingers for a note (MIDI) and others beside it, each a small note or a second one. */
    List<ButtonSet> sets(int midi, List<Integer> others) {
        List<ButtonSet> sets = new ArrayList<>();
        for (ButtonSet.Held held : ways(midi, false)) {
            sets.addAll(sets(held, others));
        }
        return sets;
    }

    /** The same with the note held in one way. */
    List<ButtonSet> sets(ButtonSet.Held note, List<Integer> others) {
        List<ButtonSet> sets = ButtonSet.of(List.of(note)).stream().toList();
        for (int other : others) {
            List<ButtonSet.Held> ways = ways(other, true);
            sets = sets.stream()
                    .flatMap(set -> ways.stream().flatMap(way -> set.with(way).stream()))
                    .toList();
        }
        return sets;
    }
}
