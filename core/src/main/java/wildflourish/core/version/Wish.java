package wildflourish.core.version;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Stream;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;

/**
 * What a teacher wishes of a stage when it is planned.
 *
 * @param taste id of a school of taste; empty for the usual one of the instrument's family
 * @param degrees by how much, from −2 to 2; what is 0 is left out
 * @param returns how a phrase that comes back is dressed
 * @param isConcert whether it is for listeners, practised beforehand, and not for a session
 * @param never ids of ornaments that are never planned
 * @param pins for single notes
 */
public record Wish(
        String taste,
        Map<Degree, Integer> degrees,
        Returns returns,
        boolean isConcert,
        Set<String> never,
        List<Pin> pins) {
    /** Nothing is wished for. */
    public static final Wish USUAL = new Wish("", Map.of(), Returns.USUAL, false, Set.of(), List.of());

    public static final int MOST = 2;
    /** No more is asked for in a bar, a phrase or a part. */
    public static final int MOST_ASKED = 4;

    /** What may be more or less. */
    public enum Degree {
        /** How much there is. */
        FULL,
        /** How hard and heavy the single ornaments may be. */
        DARING,
        /** On the beat (more) or off it (less). */
        BEAT,
        /** How soon the stairs rise: early (more) or late (less). */
        RISE;

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** How a phrase that comes back is dressed. */
    public enum Returns {
        /** Alike, but at the fullest stages each as is best there. */
        USUAL,
        /** As it was the first time. */
        ALIKE,
        /** Otherwise than the first time. */
        VARIED;

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }

        /** Throws IllegalArgumentException for a word that is none of them. */
        public static Returns parse(String word) {
            return Arrays.stream(values())
                    .filter(each -> each.word().equals(word))
                    .findFirst()
                    .orElseThrow(() -> new IllegalArgumentException("returns are usual, alike or varied, not " + word));
        }
    }

    /**
     * What is to be, or not to be, at a note.
     *
     * @param option what is never planned there, as in the file, or the {@link Ornament.Kind#word kind} that is asked for; empty for anything
     * @param count how many ornaments are asked for; 0 where none is
     */
    public record Pin(Kind kind, NoteId note, String option, int count) {
        /** What a pin asks for. */
        public enum Kind {
            /** It is not planned there. */
            NEVER,
            /** Something stands there. */
            SOMETHING,
            /** So many stand in its bar, at least. */
            LEAST,
            /** So many stand in its phrase, at least. */
            PHRASE,
            /** So many stand in its part, at least. */
            PART;

            /** Whether it is for more than its note. */
            public boolean isWide() {
                return this == LEAST || this == PHRASE || this == PART;
            }

            public String word() {
                return name().toLowerCase(Locale.ROOT);
            }
        }

        /** An option is never planned at a note; nothing at all where it is empty. */
        public static Pin never(NoteId note, String option) {
            return new Pin(Kind.NEVER, note, option, 0);
        }

        /** Something stands at a note. */
        public static Pin something(NoteId note) {
            return new Pin(Kind.SOMETHING, note, "", 1);
        }

        /** So many stand in the bar of a note, at least. */
        public static Pin least(NoteId note, int count) {
            return new Pin(Kind.LEAST, note, "", count);
        }

        /**
         * So many stand in the phrase or the part of a note, at least.
         *
         * @param kind {@link Kind#PHRASE} or {@link Kind#PART}
         * @param of the kind of ornament; empty for any
         */
        public static Pin among(Kind kind, NoteId note, Optional<Ornament.Kind> of, int count) {
            return new Pin(kind, note, of.map(Ornament.Kind::word).orElse(""), count);
        }

        /** The kind of ornament that is asked for; empty for any. */
        public Optional<Ornament.Kind> asked() {
            return kind.isWide() && !option.isEmpty() ? Optional.of(Ornament.Kind.parse(option)) : Optional.empty();
        }

        /** Whether it asks for the same as another, but for how many. */
        private boolean isLike(Pin other) {
            return kind == other.kind && note.equals(other.note) && option.equals(other.option);
        }
    }

    public Wish {
        degrees = Map.copyOf(degrees);
        never = Set.copyOf(never);
        pins = List.copyOf(pins);
        for (Map.Entry<Degree, Integer> each : degrees.entrySet()) {
            if (each.getValue() == 0 || Math.abs(each.getValue()) > MOST) {
                throw new IllegalArgumentException(
                        each.getKey().word() + " is −" + MOST + " to " + MOST + ", not " + each.getValue());
            }
        }
    }

    public int of(Degree degree) {
        return degrees.getOrDefault(degree, 0);
    }

    public Wish withTaste(String other) {
        return new Wish(other, degrees, returns, isConcert, never, pins);
    }

    /** With so much more or less of something, brought within bounds. */
    public Wish with(Degree degree, int amount) {
        Map<Degree, Integer> changed = new TreeMap<>(degrees);
        int within = Math.max(-MOST, Math.min(MOST, amount));
        if (within == 0) {
            changed.remove(degree);
        } else {
            changed.put(degree, within);
        }
        return new Wish(taste, changed, returns, isConcert, never, pins);
    }

    public Wish with(Returns other) {
        return new Wish(taste, degrees, other, isConcert, never, pins);
    }

    /** Whether a phrase that comes back is dressed otherwise than the first time. */
    public boolean isVaried() {
        return returns == Returns.VARIED;
    }

    public Wish forConcert(boolean newConcert) {
        return new Wish(taste, degrees, returns, newConcert, never, pins);
    }

    /** With an ornament that is never planned, or planned again. */
    public Wish withNever(String ornament, boolean isNever) {
        Set<String> changed = new TreeSet<>(never);
        if (isNever) {
            changed.add(ornament);
        } else {
            changed.remove(ornament);
        }
        return new Wish(taste, degrees, returns, isConcert, changed, pins);
    }

    /** With a pin; the same wish where it is there already. */
    public Wish with(Pin pin) {
        return pins.contains(pin)
                ? this
                : withPins(Stream.concat(pins.stream(), Stream.of(pin)).toList());
    }

    private Wish withPins(List<Pin> others) {
        return new Wish(taste, degrees, returns, isConcert, never, others);
    }

    /** With at least so many in the bar of a note, in place of what was asked for that bar; none for 0, and no more than {@link #MOST_ASKED}. */
    public Wish withLeast(Tune tune, NoteId note, int count) {
        int bar = tune.placeOf(note).bar();
        List<Pin> others = pins.stream()
                .filter(pin -> pin.kind() != Pin.Kind.LEAST
                        || !tune.has(pin.note())
                        || tune.placeOf(pin.note()).bar() != bar)
                .toList();
        Wish without = withPins(others);
        return count <= 0 ? without : without.with(Pin.least(note, Math.min(MOST_ASKED, count)));
    }

    /** With at least so many in a phrase or a part, in place of as many of that kind as were asked for there; none for a count of 0, and no more than {@link #MOST_ASKED}. */
    public Wish asking(Pin asked) {
        Wish without = lifting(asked);
        int count = Math.min(MOST_ASKED, asked.count());
        return count <= 0 ? without : without.with(new Pin(asked.kind(), asked.note(), asked.option(), count));
    }

    /** Without what a pin asks for, however many that are. */
    public Wish lifting(Pin lifted) {
        return withPins(pins.stream().filter(pin -> !pin.isLike(lifted)).toList());
    }

    /** How many are asked for as a pin asks for them; 0 where none is. */
    public int asked(Pin like) {
        return pins.stream()
                .filter(pin -> pin.isLike(like))
                .mapToInt(Pin::count)
                .max()
                .orElse(0);
    }

    /** How many are asked for in a bar, at least; 0 where none is. */
    public int leastIn(Tune tune, int bar) {
        return pins.stream()
                .filter(pin -> pin.kind() == Pin.Kind.LEAST
                        && tune.has(pin.note())
                        && tune.placeOf(pin.note()).bar() == bar)
                .mapToInt(Pin::count)
                .max()
                .orElse(0);
    }

    /** Without what is asked for and refused at a note; what is asked for in its bar, its phrase and its part stays. */
    public Wish without(NoteId note) {
        return withPins(pins.stream()
                .filter(pin -> pin.kind().isWide() || !pin.note().equals(note))
                .toList());
    }

    /** Without pins of notes that a tune has not. */
    public Wish within(Tune tune) {
        List<Pin> kept = pins.stream().filter(pin -> tune.has(pin.note())).toList();
        return kept.equals(pins) ? this : withPins(kept);
    }

    /** Whether an option is never to be planned at a note. */
    public boolean refuses(NoteId note, String option) {
        for (Pin pin : pins) {
            boolean isNever = pin.kind() == Pin.Kind.NEVER && pin.note().equals(note);
            if (isNever && (pin.option().isEmpty() || pin.option().equals(option))) {
                return true;
            }
        }
        return false;
    }

    /** Whether something is to stand at a note. */
    public boolean asksFor(NoteId note) {
        return pins.stream()
                .anyMatch(pin -> pin.kind() == Pin.Kind.SOMETHING && pin.note().equals(note));
    }
}
