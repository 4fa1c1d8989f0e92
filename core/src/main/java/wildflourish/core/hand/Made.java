package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Figure;
import wildflourish.core.ornament.Share;

/**
 * A figure as a hand makes it: every sound with the time its movement takes, not yet laid out in a span.
 *
 * @param borrows whether the small notes of its first part take their time from the note before
 */
public record Made(boolean borrows, List<Slot> slots) {
    /** Parts that share a stretch of the span. */
    public record Slot(Share share, List<Part> parts) {
        public Slot {
            parts = List.copyOf(parts);
        }
    }

    /** What makes one part of a figure, of all parts the at-th; empty where its sound is not to be had. */
    interface EachPart {
        Optional<Part> make(Figure.Slot slot, wildflourish.core.ornament.Part part, int at);
    }

    /** A figure made part by part; empty where one cannot be made. */
    static Optional<Made> of(Figure figure, EachPart each) {
        List<Slot> slots = new ArrayList<>();
        int at = 0;
        for (Figure.Slot slot : figure.slots()) {
            List<Part> parts = new ArrayList<>();
            for (wildflourish.core.ornament.Part part : slot.parts()) {
                Optional<Part> made = each.make(slot, part, at++);
                if (made.isEmpty()) {
                    return Optional.empty();
                }
                parts.add(made.get());
            }
            slots.add(new Slot(slot.share(), parts));
        }
        return Optional.of(new Made(figure.opening() == Figure.Opening.BEFORE, slots));
    }

    /** What a small note is. */
    public enum Role {
        CUT,
        TAP,
        GRACE,
        /** A string of a chord that is struck before the melody's. */
        SPREAD,
        CLOSED
    }

    /** A small note and how long its movement takes. */
    public record Small(Role role, Sound sound, Fraction millis) {}

    /**
     * One part.
     *
     * @param waitMillis how long the note sounds before its first small note, since that finger has just moved
     * @param landing what it comes to
     * @param slide the glide into the landing and how long it takes
     * @param needMillis what the landing needs, its slide included
     * @param fixedMillis how long the part is where its movement says so
     */
    public record Part(
            Share share,
            Fraction waitMillis,
            List<Small> smalls,
            Sound landing,
            Optional<Slide> slide,
            Fraction needMillis,
            Optional<Fraction> fixedMillis) {
        public Part {
            smalls = List.copyOf(smalls);
        }

        /** All its small notes together. */
        public Fraction smallMillis() {
            Fraction sum = Fraction.ZERO;
            for (Small small : smalls) {
                sum = sum.plus(small.millis());
            }
            return sum;
        }

        /** What the whole part needs within its span. */
        Fraction wholeMillis(boolean isBorrowed) {
            Fraction own = isBorrowed ? Fraction.ZERO : smallMillis();
            return waitMillis.plus(own).plus(needMillis);
        }
    }

    /**
     * The pitch comes from so many cents off within so many milliseconds; held so meanwhile, or as the note where the breath or the lip does it.
     *
     * @param voice which of the sounds that begin together glides, the melody being 0
     */
    public record Slide(int fromCents, Fraction millis, Optional<Held> held, int voice) {}

    public Made {
        slots = List.copyOf(slots);
    }

    public List<Part> parts() {
        List<Part> parts = new ArrayList<>();
        slots.forEach(slot -> parts.addAll(slot.parts()));
        return parts;
    }

    /** On holes the finger that moves before its first note, as the number of its hole; empty where none does by itself. */
    public Optional<Integer> firstFinger() {
        Part first = parts().get(0);
        return first.smalls.isEmpty() ? Optional.empty() : finger(first.smalls.get(0), first.landing);
    }

    /** On holes the finger of its last small note, as the number of its hole; empty where none moves by itself. */
    public Optional<Integer> lastFinger() {
        Optional<Integer> last = Optional.empty();
        for (Part part : parts()) {
            if (!part.smalls.isEmpty()) {
                last = finger(part.smalls.get(part.smalls.size() - 1), part.landing);
            }
        }
        return last;
    }

    /** The hole by which a small note is fingered otherwise than what it comes to, where it is one alone. */
    private static Optional<Integer> finger(Small small, Sound landing) {
        if (small.sound.held().isEmpty() || landing.held().isEmpty()) {
            return Optional.empty();
        }
        Fingering from = small.sound.held().get().fingering();
        Fingering to = landing.held().get().fingering();
        Optional<Integer> finger = Optional.empty();
        for (int hole = 1; hole <= Math.min(from.holes().size(), to.holes().size()); hole++) {
            if (from.at(hole) != to.at(hole)) {
                if (finger.isPresent()) {
                    return Optional.empty();
                }
                finger = Optional.of(hole);
            }
        }
        return finger;
    }

    /** The same with so much less time in its last part, which the next note borrows. */
    Made lending(Fraction millis) {
        List<Slot> changed = new ArrayList<>(slots);
        Slot slot = slots.get(slots.size() - 1);
        List<Part> parts = new ArrayList<>(slot.parts);
        Part last = parts.get(parts.size() - 1);
        parts.set(
                parts.size() - 1,
                new Part(
                        last.share,
                        last.waitMillis,
                        last.smalls,
                        last.landing,
                        last.slide,
                        last.needMillis.plus(millis),
                        last.fixedMillis));
        changed.set(changed.size() - 1, new Slot(slot.share, parts));
        return new Made(borrows, changed);
    }

    /** Milliseconds that it takes from the note before. */
    public Fraction leadMillis() {
        return borrows ? slots.get(0).parts().get(0).smallMillis() : Fraction.ZERO;
    }
}
