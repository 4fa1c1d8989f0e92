package wildflourish.core.fingering;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.instrument.Button;
import wildflourish.core.instrument.ButtonLayout;

/**
 * A way to play a note, or notes that sound together, on a box or a concertina: a button, the direction of the bellows, a finger from 1 for the index to 4 for
 * the little one.
 *
 * @param under the same for each second note, the highest first; each has none of its own
 */
public record ButtonWay(ButtonLayout.Key key, int finger, List<ButtonWay> under) {
    public ButtonWay {
        under = List.copyOf(under);
    }

    public ButtonWay(ButtonLayout.Key key, int finger) {
        this(key, finger, List.of());
    }

    /** With a second note. */
    public ButtonWay with(ButtonWay lower) {
        List<ButtonWay> all = new ArrayList<>(under);
        all.add(lower);
        return new ButtonWay(key, finger, all);
    }

    /** The melody's way and those under it. */
    List<ButtonWay> each() {
        List<ButtonWay> all = new ArrayList<>(under);
        all.add(0, under.isEmpty() ? this : new ButtonWay(key, finger));
        return all;
    }

    /** {@code i3d}: the key of the melody, then those under it: {@code i3d+i2d}. */
    String keys() {
        StringBuilder names = new StringBuilder(key.name());
        under.forEach(lower -> names.append('+').append(lower.key.name()));
        return names.toString();
    }

    /** Whether it is the same buttons, with whatever fingers. */
    boolean hasKeysOf(ButtonWay other) {
        boolean isSame = key.equals(other.key) && under.size() == other.under.size();
        for (int i = 0; isSame && i < under.size(); i++) {
            isSame = under.get(i).key.equals(other.under.get(i).key);
        }
        return isSame;
    }

    /** {@code i3d/2}: button, direction, finger. */
    @Override
    public String toString() {
        StringBuilder text = new StringBuilder(key.name() + "/" + finger);
        under.forEach(lower -> text.append('+').append(lower));
        return text.toString();
    }

    /** Hand and finger, as English concertina players say it: {@code R2} is the right middle finger. */
    public String handAndFinger() {
        return key.button().hand().name().substring(0, 1) + finger;
    }

    /** Whether two ways can be held at once with the bellows going one way. */
    boolean goesWith(ButtonWay other) {
        return isSameWay(other) && isHeldWith(other);
    }

    /** Which way it moves the bellows, 1 in, -1 out; 0 where they may go either way. */
    public int airWay() {
        return key.button().isSameBothWays() ? 0 : key.bellows() == Button.Bellows.PRESS ? 1 : -1;
    }

    boolean isSameWay(ButtonWay other) {
        return key.button().isSameBothWays()
                || other.key.button().isSameBothWays()
                || key.bellows() == other.key.bellows();
    }

    /** Whether the fingers allow it: one each, but for two neighbours in a row of an English concertina, which one finger takes. */
    private boolean isHeldWith(ButtonWay other) {
        Button one = key.button();
        Button two = other.key.button();
        if (one.hand() != two.hand()) {
            return true;
        }
        boolean areNeighbours = one.row().equals(two.row()) && Math.abs(one.number() - two.number()) == 1;
        boolean hasFingers = finger != other.finger || (one.isSameBothWays() && areNeighbours);
        return !one.equals(two) && hasFingers && Math.abs(one.place() - two.place()) <= ButtonCosts.REACH;
    }
}
