package wildflourish.core.ornament;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import wildflourish.core.music.Fraction;

/**
 * What an ornament does with its span: slots that follow each other, each with one part, or with several where a touch splits it.
 *
 * @param opening whose time the first small notes take
 * @param slots in order
 * @param shake slots that come again and again between two of the others; none for most
 */
public record Figure(Opening opening, List<Slot> slots, Shake shake) {
    /** Whose time the small notes of the first part take. */
    public enum Opening {
        OWN,
        BEFORE
    }

    /** A stretch of the span and the parts in it, whose shares are of the slot. */
    public record Slot(Share share, List<Part> parts) {
        public Slot {
            parts = List.copyOf(parts);
        }
    }

    /**
     * Slots that are repeated as often as the tempo lets fit.
     *
     * @param at the slot before which they come
     * @param slots one round of them
     * @param least how many rounds there are at the least
     */
    public record Shake(int at, List<Slot> slots, int least) {
        static final Shake NONE = new Shake(0, List.of(), 0);

        public Shake {
            slots = List.copyOf(slots);
        }

        public boolean isNone() {
            return slots.isEmpty();
        }
    }

    /** A plain note. */
    public static final Figure PLAIN =
            new Figure(Opening.OWN, List.of(new Slot(Share.WHOLE, List.of(Part.PLAIN))), Shake.NONE);

    private static final Pattern ROUND = Pattern.compile("(?<=^|\\s)\\((.*?)\\)x(\\d+)(?=\\s|$)");

    public Figure {
        slots = List.copyOf(slots);
        if (slots.isEmpty()) {
            throw new IllegalArgumentException("a figure has a part at least");
        }
    }

    /**
     * Reads parts one after the other, {@code 1/2:{^}n/fingers 1/2:{_}n/fingers}; in round brackets those that come again and again,
     * {@code (@shake:n/fingers @shake:+1/fingers)x2} at least twice. Throws IllegalArgumentException, saying what is wrong, for anything else.
     */
    static Figure parse(String text, Opening opening) {
        Matcher round = ROUND.matcher(text);
        if (!round.find()) {
            return new Figure(opening, slots(text), Shake.NONE);
        }
        List<Slot> before = slots(text.substring(0, round.start()));
        List<Slot> all = new ArrayList<>(before);
        all.addAll(slots(text.substring(round.end())));
        Shake shake = new Shake(before.size(), slots(round.group(1)), Integer.parseInt(round.group(2)));
        return new Figure(opening, all, shake);
    }

    private static List<Slot> slots(String text) {
        List<Slot> slots = new ArrayList<>();
        for (String word : words(text)) {
            Part part = Part.parse(word);
            slots.add(new Slot(part.share(), List.of(part.with(Share.WHOLE))));
        }
        return slots;
    }

    /** Words between blanks; blanks within braces part nothing. */
    private static List<String> words(String text) {
        List<String> words = new ArrayList<>();
        StringBuilder word = new StringBuilder();
        boolean isInBraces = false;
        for (char sign : (text + " ").toCharArray()) {
            isInBraces = sign == '{' || (isInBraces && sign != '}');
            if (sign == ' ' && !isInBraces) {
                if (!word.isEmpty()) {
                    words.add(word.toString());
                }
                word.setLength(0);
            } else {
                word.append(sign);
            }
        }
        return words;
    }

    /** With so many rounds of what is repeated. */
    public Figure unrolled(int rounds) {
        if (shake.isNone()) {
            return this;
        }
        List<Slot> all = new ArrayList<>(slots.subList(0, shake.at()));
        for (int i = 0; i < rounds; i++) {
            all.addAll(shake.slots());
        }
        all.addAll(slots.subList(shake.at(), slots.size()));
        return new Figure(opening, all, Shake.NONE);
    }

    /** With the lengths of written notes, in whole notes, where its parts are as long as those. */
    public Figure written(List<Fraction> lengths) {
        if (slots.stream().noneMatch(slot -> slot.share().kind() == Share.Kind.WRITTEN)) {
            return this;
        }
        Fraction whole = lengths.stream().reduce(Fraction.ZERO, Fraction::plus);
        List<Slot> all = new ArrayList<>();
        for (Slot slot : slots) {
            int note = slot.parts().get(0).landing().number();
            all.add(new Slot(Share.exact(lengths.get(note - 1).dividedBy(whole)), slot.parts()));
        }
        return new Figure(opening, all, shake);
    }

    /** All parts in order, what is repeated as often as it is at the least. */
    public List<Part> parts() {
        List<Part> parts = new ArrayList<>();
        for (Slot slot : unrolled(shake.least()).slots) {
            parts.addAll(slot.parts());
        }
        return Collections.unmodifiableList(parts);
    }

    /** Its parts, each with the share that its slot has. */
    List<Part> shared() {
        return unrolled(shake.least()).slots.stream()
                .map(slot -> slot.parts().get(0).with(slot.share()))
                .toList();
    }

    /** Whether anything of it is taken from there: a landing, a small note, where a slide comes from or goes. */
    public boolean uses(Target.Kind kind) {
        for (Part part : parts()) {
            boolean isIn = part.landing().kind() == kind || part.bend().uses(kind);
            for (Target grace : part.graces()) {
                isIn |= grace.kind() == kind;
            }
            if (isIn) {
                return true;
            }
        }
        return false;
    }

    Figure withSlot(int index, Slot slot) {
        List<Slot> changed = new ArrayList<>(slots);
        changed.set(index, slot);
        return new Figure(opening, changed, shake);
    }

    /** With second strings under everything it comes to, taken by the fingers that are wished; what glides among them does so at the beginning. */
    Figure withSeconds(List<Second> seconds, String by) {
        List<Second> level = seconds.stream().map(Second::level).toList();
        List<Slot> all = new ArrayList<>();
        for (Slot slot : slots) {
            List<Part> parts = new ArrayList<>();
            for (Part part : slot.parts()) {
                boolean isFirst = all.isEmpty() && parts.isEmpty();
                Part dressed = part.with(isFirst ? seconds : level);
                parts.add(by.isEmpty() ? dressed : dressed.withFinger(by));
            }
            all.add(new Slot(slot.share(), parts));
        }
        List<Slot> round = shake.slots().stream()
                .map(slot -> new Slot(
                        slot.share(),
                        slot.parts().stream().map(part -> part.with(level)).toList()))
                .toList();
        return new Figure(opening, all, new Shake(shake.at(), round, shake.least()));
    }

    /** Whether a second string of a kind sounds in it. */
    public boolean uses(Second.Kind kind) {
        return parts().stream().flatMap(part -> part.seconds().stream()).anyMatch(second -> second.kind() == kind);
    }

    Figure with(Opening other) {
        return new Figure(other, slots, shake);
    }

    /** The same with small notes that take nothing from the note before. */
    public Figure withOwnTime() {
        return with(Opening.OWN);
    }

    /** Whether it is a note that is not played at all. */
    public boolean isSilentFirst() {
        return slots.get(0).parts().get(0).landing().isSilence();
    }

    @Override
    public String toString() {
        return slots.stream()
                .map(slot -> slot.parts().size() == 1
                        ? slot.parts().get(0).with(slot.share()).toString()
                        : slot.share() + ":" + slot.parts())
                .collect(Collectors.joining(" "));
    }
}
