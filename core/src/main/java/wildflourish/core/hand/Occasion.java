package wildflourish.core.hand;

import java.util.List;
import java.util.Optional;
import wildflourish.core.line.Line;
import wildflourish.core.line.Tone;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Key;
import wildflourish.core.ornament.Choice;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Stack;
import wildflourish.core.ornament.Times;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Version;

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
     * In what tune, on what, for whom and in what key.
     *
     * @param isInRoll whether the banjo hand rolls on under it
     * @param isAir whether there is time for a slow slide
     * @param ignoresWaits whether it is asked as if every finger were ready at once
     */
    public record Setting(
            Tune tune, Playing playing, Times times, Key key, boolean isInRoll, boolean isAir, boolean ignoresWaits) {}

    public Occasion {
        tones = List.copyOf(tones);
    }

    /** A stack on so many tones of a line from one on. */
    record Asked(int first, int count, Stack stack) {}

    static Occasion of(Tune tune, Version version, Times times, Line line, Ways ways, Asked asked) {
        int first = asked.first;
        int end = first + asked.count;
        List<Tone> tones = line.tones().subList(first, end);
        boolean isAir = tune.header().type().manner().equals("slow air");
        boolean isInRoll = version.layers().stream()
                .anyMatch(layer -> layer.rule().work() == Layer.Work.ROLL
                        && layer.covers(tune, tones.get(0).note().id()));
        Setting setting = new Setting(
                tune,
                version.playing(),
                times,
                tune.keyAt(tones.get(0).place().played().bar()),
                isInRoll,
                isAir,
                false);
        return new Occasion(asked.stack, tones, line.before(first), line.at(end), ways, setting);
    }

    public Tone first() {
        return tones.get(0);
    }

    /** The same as if every finger were ready at once. */
    Occasion atOnce() {
        Setting other = new Setting(
                setting.tune, setting.playing, setting.times, setting.key, setting.isInRoll, setting.isAir, true);
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
