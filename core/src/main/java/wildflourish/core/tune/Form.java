package wildflourish.core.tune;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Metre;

/**
 * How a tune is built: its parts, its phrases, and the lines of four bars in which it is set. Pickup bars belong to the line they lead into; endings of one
 * part belong to one line.
 */
public final class Form {
    private static final int BARS_A_LINE = 4;

    private final List<Part> parts;
    private final List<Stretch> stretches;
    private final List<Line> lines;
    private final List<Boolean> pickups;
    private final List<Boolean> added;

    /**
     * The bars of a phrase, a pickup and further endings included.
     *
     * @param name the teacher's name for it; empty where the usual one will do
     */
    public record Stretch(Part part, int firstBar, int lastBar, Optional<String> name) {
        public boolean has(int bar) {
            return firstBar <= bar && bar <= lastBar;
        }
    }

    /** A stretch of bars set on one line, from the first to the last as written; {@code number} counts from 1 within the part. */
    public record Line(Part part, int number, int firstBar, int lastBar) {
        public String name() {
            return part.name() + number;
        }

        public boolean has(int bar) {
            return firstBar <= bar && bar <= lastBar;
        }
    }

    private Form(
            List<Part> parts, List<Stretch> stretches, List<Line> lines, List<Boolean> pickups, List<Boolean> added) {
        this.added = List.copyOf(added);
        this.parts = List.copyOf(parts);
        this.stretches = List.copyOf(stretches);
        this.lines = List.copyOf(lines);
        this.pickups = List.copyOf(pickups);
    }

    static Form of(Metre metre, List<Bar> bars) {
        List<Part> parts = named(soundingParts(cut(bars), bars), bars);
        List<Boolean> pickups = pickupsOf(metre, bars, parts);
        List<Stretch> stretches = new ArrayList<>();
        List<Line> lines = new ArrayList<>();
        for (Part part : parts) {
            List<Stretch> cut = Stretches.of(part, bars, pickups);
            stretches.addAll(cut);
            boolean isCut = isCutByHand(part, bars);
            lines.addAll(
                    isCut && metre.isFree()
                            ? eachALine(cut)
                            : isCut ? linesOf(cut, bars, pickups) : linesOf(part, bars, pickups));
        }
        List<Boolean> added = bars.stream().map(Bar::isAdded).toList();
        return new Form(parts, stretches, lines, pickups, added);
    }

    /** Parts as they are cut, under the names that the tune states, if any. */
    private static List<Part> cut(List<Bar> bars) {
        List<Part> parts = new ArrayList<>();
        int first = 0;
        String name = "";
        for (int i = 0; i < bars.size(); i++) {
            if (bars.get(i).change().part().isPresent()) {
                if (i > first) {
                    parts.add(new Part(name, first, i - 1));
                    first = i;
                }
                name = bars.get(i).change().part().get();
            }
            if (i == bars.size() - 1 || endsPart(bars, first, i)) {
                parts.add(new Part(name, first, i));
                first = i + 1;
                name = "";
            }
        }
        return parts;
    }

    /** Rests alone are no part: they belong to the part before, or to the first. */
    private static List<Part> soundingParts(List<Part> parts, List<Bar> bars) {
        List<Part> sounding = new ArrayList<>();
        int first = 0;
        for (Part part : parts) {
            boolean isSilent = bars.subList(part.firstBar(), part.lastBar() + 1).stream()
                    .noneMatch(bar -> bar.notes().stream().anyMatch(note -> !note.isRest()));
            boolean isFirst = sounding.isEmpty();
            if (!isSilent) {
                sounding.add(new Part(part.name(), isFirst ? first : part.firstBar(), part.lastBar()));
            } else if (!isFirst) {
                Part before = sounding.remove(sounding.size() - 1);
                sounding.add(new Part(before.name(), before.firstBar(), part.lastBar()));
            }
        }
        return sounding.isEmpty() ? parts : sounding;
    }

    /** In free metre a phrase that is cut is a line, as the tune's text has it. */
    private static List<Line> eachALine(List<Stretch> cut) {
        List<Line> lines = new ArrayList<>();
        for (Stretch stretch : cut) {
            lines.add(new Line(stretch.part(), lines.size() + 1, stretch.firstBar(), stretch.lastBar()));
        }
        return lines;
    }

    /** Parts without a name of their own are A, B, C …; those that a version adds are not counted. */
    private static List<Part> named(List<Part> parts, List<Bar> bars) {
        List<Part> named = new ArrayList<>();
        int number = 0;
        for (Part part : parts) {
            named.add(new Part(nameOf(part.name(), number), part.firstBar(), part.lastBar()));
            number += bars.get(part.firstBar()).isAdded() ? 0 : 1;
        }
        return named;
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
        boolean sounds = bar.notes().stream().anyMatch(note -> !note.isRest());
        return sounds && length.isLessThan(metre.barLength());
    }

    private static boolean isCutByHand(Part part, List<Bar> bars) {
        return bars.subList(part.firstBar(), part.lastBar() + 1).stream()
                .anyMatch(bar -> bar.change().phrase().isPresent());
    }

    /** Where phrases were cut by hand, lines keep to them: as many whole phrases as make up four bars, a single bar more at most. */
    private static List<Line> linesOf(List<Stretch> cut, List<Bar> bars, List<Boolean> pickups) {
        List<Line> lines = new ArrayList<>();
        int first = cut.get(0).firstBar();
        int counted = 0;
        for (Stretch stretch : cut) {
            int more = counted(stretch, bars, pickups);
            if (counted > 0 && (counted >= BARS_A_LINE || counted + more > BARS_A_LINE + 1)) {
                lines.add(new Line(stretch.part(), lines.size() + 1, first, stretch.firstBar() - 1));
                first = stretch.firstBar();
                counted = 0;
            }
            counted += more;
        }
        Stretch last = cut.get(cut.size() - 1);
        lines.add(new Line(last.part(), lines.size() + 1, first, last.lastBar()));
        return lines;
    }

    /** Bars that take their own room on a line: no pickups, one ending for each place. */
    private static int counted(Stretch stretch, List<Bar> bars, List<Boolean> pickups) {
        int counted = 0;
        int endings = 0;
        for (int bar = stretch.firstBar(); bar <= stretch.lastBar(); bar++) {
            endings += bars.get(bar).ending().isEmpty() ? 0 : 1;
            counted += pickups.get(bar) || endings > 1 ? 0 : 1;
        }
        return counted;
    }

    private static List<Line> linesOf(Part part, List<Bar> bars, List<Boolean> pickups) {
        List<Line> lines = new ArrayList<>();
        int first = part.firstBar();
        int counted = 0;
        boolean inEnding = false;
        for (int bar = part.firstBar(); bar <= part.lastBar(); bar++) {
            boolean opensEnding = !bars.get(bar).ending().isEmpty();
            boolean anotherEnding = opensEnding && inEnding;
            inEnding |= opensEnding;
            if (counted == BARS_A_LINE && !anotherEnding) {
                lines.add(new Line(part, lines.size() + 1, first, bar - 1));
                first = bar;
                counted = 0;
                inEnding = opensEnding;
            }
            if (!pickups.get(bar) && !anotherEnding) {
                counted++;
            }
        }
        if (!lines.isEmpty() && isOnlyATail(bars, first, part.lastBar())) {
            Line last = lines.remove(lines.size() - 1);
            first = last.firstBar();
        }
        lines.add(new Line(part, lines.size() + 1, first, part.lastBar()));
        return lines;
    }

    /** A rest of one bar, or of empty ones, does not make a line. */
    private static boolean isOnlyATail(List<Bar> bars, int first, int last) {
        return last == first
                || bars.subList(first, last + 1).stream()
                        .allMatch(bar -> bar.notes().isEmpty());
    }

    public List<Part> parts() {
        return parts;
    }

    /** The phrases in the order of the tune as written. */
    public List<Stretch> stretches() {
        return stretches;
    }

    /** The phrase that a bar belongs to; throws IllegalArgumentException for a bar the tune does not have. */
    public Stretch stretchAt(int bar) {
        return stretches.stream()
                .filter(stretch -> stretch.has(bar))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("the tune has no bar " + bar));
    }

    public boolean beginsPhrase(int bar) {
        return stretchAt(bar).firstBar() == bar;
    }

    public List<Line> lines() {
        return lines;
    }

    /** Whether a bar is a pickup: shorter than the metre at the start of a part. */
    public boolean isPickup(int bar) {
        return pickups.get(bar);
    }

    /** The number of a bar as players count: from 1, neither pickups nor bars that a version adds are counted; a pickup has the number of the bar it leads into. */
    public int countedNumber(int bar) {
        int number = 1;
        for (int earlier = 0; earlier < bar; earlier++) {
            number += pickups.get(earlier) || added.get(earlier) ? 0 : 1;
        }
        return number;
    }

    public Part partAt(int bar) {
        return lineAt(bar).part();
    }

    public Line lineAt(int bar) {
        int low = 0;
        int high = lines.size() - 1;
        while (low < high) {
            int middle = (low + high + 1) >>> 1;
            if (lines.get(middle).firstBar() <= bar) {
                low = middle;
            } else {
                high = middle - 1;
            }
        }
        if (lines.isEmpty() || !lines.get(low).has(bar)) {
            throw new IllegalArgumentException("the tune has no bar " + bar);
        }
        return lines.get(low);
    }
}
