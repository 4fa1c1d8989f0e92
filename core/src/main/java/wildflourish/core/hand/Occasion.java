package wildflourish.core.hand;

import java.util.List;
import java.util.Optional;
import wildflourish.core.line.Tone;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Key;
import wildflourish.core.ornament.Choice;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Stack;
import wildflourish.core.ornament.Times;
import wildflourish.core.version.Playing;

/**
 * Everything a hand may ask when it is to make a figure.
 *
 * @param stack the ornaments it is of
 * @param tones the notes it stands on
 * @param before the tone that sounds right up to it, and the one right after; empty beyond silence
 * @param ways how tones are held
 * @param setting the rest
 */
public record Occasion(
        Stack stack, List<Tone> tones, Optional<Tone> before, Optional<Tone> after, Ways ways, Setting setting) {
    /**
     * On what, for whom and in what key.
     *
     * @param isAir whether there is time for a slow slide
     * @param ignoresWaits whether it is asked as if every finger were ready at once
     */
    public record Setting(Playing playing, Times times, Key key, boolean isAir, boolean ignoresWaits) {}

    public Occasion {
        tones = List.copyOf(tones);
    }

    public Tone first() {
        return tones.get(0);
    }

    /** The same as if every finger were ready at once. */
    Occasion atOnce() {
        Setting other = new Setting(setting.playing, setting.times, setting.key, setting.isAir, true);
        return new Occasion(stack, tones, before, after, ways, other);
    }

    /** Milliseconds that all its tones take. */
    public Fraction spanMillis() {
        return playing().tempo().millisOf(lengthWholeNotes());
    }

    public Fraction lengthWholeNotes() {
        Fraction length = Fraction.ZERO;
        for (Tone tone : tones) {
            length = length.plus(tone.length());
        }
        return length;
    }

    public Playing playing() {
        return setting.playing();
    }

    public Times times() {
        return setting.times();
    }

    /** The own school in which an ornament of the stack is played; where none was named, one that has the name of the player's own school. */
    public String school(Ornament ornament) {
        return stack.choices().stream()
                .filter(choice -> choice.ornament().equals(ornament))
                .findFirst()
                .map(choice -> playing().schoolOf(choice))
                .orElse("");
    }

    /** Whether any ornament of the stack is played in one of its own schools. */
    public boolean isIn(String school) {
        return stack.choices().stream()
                .map(Choice::ornament)
                .anyMatch(each -> school(each).equals(school));
    }
}
