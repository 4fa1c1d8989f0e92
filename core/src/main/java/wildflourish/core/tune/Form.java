package wildflourish.core.tune;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Metre;

/**
 * How a tune is built: its parts, and phrases of four bars (the length that session tunes are taught in) for as long as nobody has said
 * otherwise. Pickup bars belong to the phrase they lead into; endings of one part belong to one phrase.
 */
public final class Form {
    private static final int BARS_A_PHRASE = 4;

    private final List<Part> parts;
    private final List<Phrase> phrases;
    private final List<Boolean> pickups;

    /** A stretch of bars taught in one breath, from the first to the last as written; {@code number} counts from 1 within the part. */
    public record Phrase(Part part, int number, int firstBar, int lastBar) {
        public String name() {
            return part.name() + number;
        }

        public boolean has(int bar) {
            return firstBar <= bar && bar <= lastBar;
        }
    }

    private Form(List<Part> parts, List<Phrase> phrases, List<Boolean> pickups) {
        this.parts = List.copyOf(parts);
        this.phrases = List.copyOf(phrases);
        this.pickups = List.copyOf(pickups);
    }

    static Form of(Metre metre, List<Bar> bars) {
        List<Part> parts = partsOf(bars);
        List<Boolean> pickups = pickupsOf(metre, bars, parts);
        List<Phrase> phrases = new ArrayList<>();
        for (Part part : parts) {
            phrases.addAll(phrasesOf(part, bars, pickups));
        }
        return new Form(parts, phrases, pickups);
    }

    private static List<Part> partsOf(List<Bar> bars) {
        List<Part> parts = new ArrayList<>();
        int first = 0;
        String name = "";
        for (int i = 0; i < bars.size(); i++) {
            if (bars.get(i).change().part().isPresent()) {
                if (i > first) {
                    parts.add(new Part(nameOf(name, parts.size()), first, i - 1));
                    first = i;
                }
                name = bars.get(i).change().part().get();
            }
            if (i == bars.size() - 1 || endsPart(bars, first, i)) {
                parts.add(new Part(nameOf(name, parts.size()), first, i));
                first = i + 1;
                name = "";
            }
        }
        return parts;
    }

    private static String nameOf(String stated, int number) {
        return stated.isBlank() ? String.valueOf((char) ('A' + number % 26)) : stated;
    }

    /** A part ends at a double or repeat line, unless another ending follows or nothing but a pickup stands before the line. */
    private static boolean endsPart(List<Bar> bars, int first, int bar) {
        BarLine right = bars.get(bar).sides().right();
        boolean nextOpensRepeat = bars.get(bar + 1).sides().left() == BarLine.REPEAT_START;
        if (!right.endsPart() && !nextOpensRepeat) {
            return false;
        }
        if (!bars.get(bar + 1).ending().isEmpty()) {
            return false;
        }
        return !isShortLeadIn(bars, first, bar);
    }

    private static boolean isShortLeadIn(List<Bar> bars, int first, int bar) {
        return bar == first
                && bar + 1 < bars.size()
                && bars.get(bar).length().isLessThan(bars.get(bar + 1).length());
    }

    private static List<Boolean> pickupsOf(Metre metre, List<Bar> bars, List<Part> parts) {
        List<Boolean> pickups = new ArrayList<>();
        Set<Integer> firsts = parts.stream().map(Part::firstBar).collect(Collectors.toSet());
        Metre current = metre;
        for (int i = 0; i < bars.size(); i++) {
            current = bars.get(i).change().metre().orElse(current);
            boolean opens = firsts.contains(i);
            pickups.add(opens && !current.isFree() && isShort(bars.get(i), current));
        }
        return pickups;
    }

    private static boolean isShort(Bar bar, Metre metre) {
        Fraction length = bar.length();
        return length.isPositive() && length.isLessThan(metre.barLength());
    }

    private static List<Phrase> phrasesOf(Part part, List<Bar> bars, List<Boolean> pickups) {
        List<Phrase> phrases = new ArrayList<>();
        int first = part.firstBar();
        int counted = 0;
        boolean inEnding = false;
        for (int bar = part.firstBar(); bar <= part.lastBar(); bar++) {
            boolean opensEnding = !bars.get(bar).ending().isEmpty();
            boolean anotherEnding = opensEnding && inEnding;
            inEnding |= opensEnding;
            if (counted == BARS_A_PHRASE && !anotherEnding) {
                phrases.add(new Phrase(part, phrases.size() + 1, first, bar - 1));
                first = bar;
                counted = 0;
                inEnding = opensEnding;
            }
            if (!pickups.get(bar) && !anotherEnding) {
                counted++;
            }
        }
        if (!phrases.isEmpty() && isOnlyATail(bars, first, part.lastBar())) {
            Phrase last = phrases.remove(phrases.size() - 1);
            first = last.firstBar();
        }
        phrases.add(new Phrase(part, phrases.size() + 1, first, part.lastBar()));
        return phrases;
    }

    /** A rest of one bar, or of empty ones, does not make a phrase. */
    private static boolean isOnlyATail(List<Bar> bars, int first, int last) {
        return last == first
                || bars.subList(first, last + 1).stream()
                        .allMatch(bar -> bar.notes().isEmpty());
    }

    public List<Part> parts() {
        return parts;
    }

    public List<Phrase> phrases() {
        return phrases;
    }

    /** Whether a bar is a pickup: shorter than the metre at the start of a part. */
    public boolean isPickup(int bar) {
        return pickups.get(bar);
    }

    /** The number of a bar as players count: from 1, pickups not counted; a pickup has the number of the bar it leads into. */
    public int countedNumber(int bar) {
        int number = 1;
        for (int earlier = 0; earlier < bar; earlier++) {
            number += pickups.get(earlier) ? 0 : 1;
        }
        return number;
    }

    public Part partAt(int bar) {
        return phraseAt(bar).part();
    }

    public Phrase phraseAt(int bar) {
        int low = 0;
        int high = phrases.size() - 1;
        while (low < high) {
            int middle = (low + high + 1) >>> 1;
            if (phrases.get(middle).firstBar() <= bar) {
                low = middle;
            } else {
                high = middle - 1;
            }
        }
        if (phrases.isEmpty() || !phrases.get(low).has(bar)) {
            throw new IllegalArgumentException("the tune has no bar " + bar);
        }
        return phrases.get(low);
    }
}
