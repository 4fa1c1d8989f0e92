package wildflourish.core.ornament;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What the pitch of a part does while it sounds: a glide into it, a glide out of it, a wave.
 *
 * @param from where it slides up or down from, and the name of the time that takes
 * @param to where its whole length slides to, and the name of the time that takes at least
 * @param wave how it is shaken
 */
public record Bend(Optional<Slide> from, Optional<Slide> to, Optional<Wave> wave) {
    /** A glide from or to a target. */
    public record Slide(Target target, String time) {}

    /** A shake of so many cents either way, or below only, once in so many milliseconds. */
    public record Wave(int cents, int periodMillis, boolean isBelow) {}

    public static final Bend LEVEL = new Bend(Optional.empty(), Optional.empty(), Optional.empty());

    private static final Pattern SLIDE = Pattern.compile("(from|to)\\(([^,]+),([a-z-]+)\\)");
    private static final Pattern WAVE = Pattern.compile("wave\\((\\d+),(\\d+)(,below)?\\)");

    static Bend parse(String word) {
        Matcher slide = SLIDE.matcher(word);
        if (slide.matches()) {
            Optional<Slide> made = Optional.of(
                    new Slide(Target.parse(slide.group(2)), slide.group(3).replace('-', ' ')));
            return slide.group(1).equals("from")
                    ? new Bend(made, Optional.empty(), Optional.empty())
                    : new Bend(Optional.empty(), made, Optional.empty());
        }
        Matcher wave = WAVE.matcher(word);
        if (wave.matches()) {
            return new Bend(
                    Optional.empty(),
                    Optional.empty(),
                    Optional.of(new Wave(
                            Integer.parseInt(wave.group(1)), Integer.parseInt(wave.group(2)), wave.group(3) != null)));
        }
        throw new IllegalArgumentException(
                "no curve “" + word + "”; write from(-1,slide), to(next,slide) or wave(20,200)");
    }

    boolean uses(Target.Kind kind) {
        return from.filter(slide -> slide.target().kind() == kind).isPresent()
                || to.filter(slide -> slide.target().kind() == kind).isPresent();
    }

    public boolean isLevel() {
        return equals(LEVEL);
    }

    /** With what another one says in place of what this one leaves open. */
    Bend with(Bend other) {
        return new Bend(
                other.from.isPresent() ? other.from : from,
                other.to.isPresent() ? other.to : to,
                other.wave.isPresent() ? other.wave : wave);
    }

    @Override
    public String toString() {
        StringBuilder text = new StringBuilder();
        from.ifPresent(each -> text.append("~from(").append(words(each)).append(')'));
        to.ifPresent(each -> text.append("~to(").append(words(each)).append(')'));
        wave.ifPresent(each -> text.append("~wave(")
                .append(each.cents)
                .append(',')
                .append(each.periodMillis)
                .append(each.isBelow ? ",below)" : ")"));
        return text.toString();
    }

    private static String words(Slide slide) {
        return slide.target + "," + slide.time.replace(' ', '-');
    }
}
