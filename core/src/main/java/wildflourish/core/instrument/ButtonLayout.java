package wildflourish.core.instrument;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;
import wildflourish.core.table.Trust;

/** The buttons of a box or a concertina; the rows of {@code layouts/NAME.layout}, some of which single buttons of an instrument may differ from. */
public final class ButtonLayout {
    private final String name;
    private final List<Button> buttons;
    private final Map<FingeredPitch, List<Key>> keys = new HashMap<>();

    /** A button worked in a direction. */
    public record Key(Button button, Button.Bellows bellows) {
        /** {@code i3d}; where both directions sound alike without one. */
        public String name() {
            return button.name() + (button.isSameBothWays() ? "" : bellows.sign());
        }
    }

    private ButtonLayout(String name, List<Button> buttons) {
        this.name = name;
        this.buttons = List.copyOf(buttons);
        for (Button button : buttons) {
            for (Button.Bellows bellows : Button.Bellows.values()) {
                if (bellows == Button.Bellows.PRESS || !button.isSameBothWays()) {
                    keys.computeIfAbsent(button.pitch(bellows), pitch -> new ArrayList<>())
                            .add(new Key(button, bellows));
                }
            }
        }
    }

    /** The layout of a name with all buttons, or only those that smaller boxes have too. */
    public static ButtonLayout of(String name, boolean hasAll) {
        List<Button> buttons = new ArrayList<>();
        for (Row row : Table.load("layouts/" + name + ".layout").rows()) {
            if (hasAll || row.text("boxes").equals("all")) {
                buttons.add(Button.from(row));
            }
        }
        return new ButtonLayout(name, buttons);
    }

    /** With another button in the place of the one of its row and number, for boxes that a maker has made otherwise. */
    public ButtonLayout with(Button other) {
        List<Button> changed = new ArrayList<>(buttons);
        changed.replaceAll(each -> each.row().equals(other.row()) && each.number() == other.number() ? other : each);
        return new ButtonLayout(name, changed);
    }

    /**
     * The button of a name with other notes: {@code o1.G♯3.A3}, what it sounds pressed and drawn; one note for both directions. Throws
     * IllegalArgumentException, saying what to write, for anything else.
     */
    Button changed(String words) {
        String[] parts = words.split("[.]", -1);
        Button usual = buttons.stream()
                .filter(button -> button.name().equalsIgnoreCase(parts[0]))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("there is no button “" + parts[0] + "”; there are "
                        + String.join(" ", buttons.stream().map(Button::name).toList())));
        if (parts.length < 2 || parts.length > 3) {
            throw new IllegalArgumentException(
                    "“" + words + "” is no button with its notes; write such as " + usual.name() + ".G♯3.A3");
        }
        FingeredPitch press = pitch(parts[1]);
        FingeredPitch draw = pitch(parts[parts.length - 1]);
        return new Button(
                usual.row(), usual.number(), usual.place(), usual.hand(), press, draw, usual.fingers(), Trust.L);
    }

    private static FingeredPitch pitch(String word) {
        return new FingeredPitch(WrittenPitch.parse(word).midi());
    }

    public String name() {
        return name;
    }

    public List<Button> buttons() {
        return buttons;
    }

    /** The buttons that sound a pitch, each with its direction; none where it has no such note. */
    public List<Key> keysOf(FingeredPitch pitch) {
        return List.copyOf(keys.getOrDefault(pitch, List.of()));
    }

    /** Whether every button sounds the same pressed and drawn, so that the bellows do not matter to the tune. */
    public boolean isSameBothWays() {
        return buttons.stream().allMatch(Button::isSameBothWays);
    }
}
