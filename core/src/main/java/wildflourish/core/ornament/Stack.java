package wildflourish.core.ornament;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiPredicate;
import wildflourish.core.instrument.Family;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Ornament.Place;

/**
 * Ornaments on one span: at most one that spans it, and touches on its first, its last or each part. The order in which they were placed does not matter.
 *
 * @param choices what spans first
 */
public record Stack(List<Choice> choices) {
    public Stack {
        List<Choice> sorted = new ArrayList<>(choices);
        if (sorted.isEmpty()) {
            throw new IllegalArgumentException("a stack has one ornament at least");
        }
        if (sorted.size() > 1) {
            Collections.sort(sorted);
        }
        choices = List.copyOf(sorted);
    }

    public static Stack of(Ornament ornament) {
        return new Stack(List.of(Choice.of(ornament)));
    }

    /** Reads {@code slide-in+long-roll@even} as a family's hand makes it. Throws IllegalArgumentException for an ornament that is in no table. */
    public static Stack parse(String words, Family family) {
        return new Stack(Arrays.stream(words.split("[+]", -1))
                .map(word -> Choice.parse(word, family))
                .toList());
    }

    /** The same as any hand makes it. */
    public static Stack parse(String words) {
        return new Stack(
                Arrays.stream(words.split("[+]", -1)).map(Choice::parse).toList());
    }

    /** The one that gives the stack its name: what spans, or the heaviest touch. */
    public Choice main() {
        Choice main = choices.get(0);
        for (Choice each : choices) {
            boolean isHeavier =
                    each.ornament().manner().weight() > main.ornament().manner().weight();
            main = main.ornament().isTouch() && isHeavier ? each : main;
        }
        return main;
    }

    public boolean has(Ornament ornament) {
        return choices.stream().anyMatch(choice -> choice.ornament().equals(ornament));
    }

    /** With another one on top; in place of itself where it is there in another school. */
    public Stack with(Choice choice) {
        List<Choice> more = new ArrayList<>(choices);
        more.removeIf(each -> each.ornament().equals(choice.ornament()));
        more.add(choice);
        return new Stack(more);
    }

    /** What all its ornaments weigh together. */
    public int weight() {
        int weight = 0;
        for (Choice each : choices) {
            weight += each.ornament().manner().weight();
        }
        return weight;
    }

    /** How hard all of it is together: as hard as the hardest, and half of what each other one is, rounded up. */
    public int difficulty() {
        int hardest = 0;
        int halves = 0;
        for (Choice each : choices) {
            int difficulty = each.ornament().manner().difficulty();
            hardest = Math.max(hardest, difficulty);
            halves += (difficulty + 1) / 2;
        }
        return hardest + halves - (hardest + 1) / 2;
    }

    /** The lowest stage that it is usual at: several at once are for the fullest. */
    public int stage() {
        return choices.size() > 1
                ? Ornament.Manner.FULLEST
                : choices.get(0).ornament().manner().stage();
    }

    /** Whether all of a smaller one is in this one or grows into something that is, on a family's instruments; it does not grow from itself. */
    public boolean isGrownFrom(Stack smaller, Family family) {
        return isGrownFrom(smaller, (lower, higher) -> higher.isGrownFrom(lower, family));
    }

    /** The same, by what is known of which ornaments grow into which; the smaller is asked about first. */
    public boolean isGrownFrom(Stack smaller, BiPredicate<Ornament, Ornament> growsInto) {
        if (equals(smaller)) {
            return false;
        }
        for (Choice choice : smaller.choices) {
            if (!bears(choice, growsInto)) {
                return false;
            }
        }
        return true;
    }

    private boolean bears(Choice choice, BiPredicate<Ornament, Ornament> growsInto) {
        for (Choice own : choices) {
            if (own.equals(choice) || growsInto.test(choice.ornament(), own.ornament())) {
                return true;
            }
        }
        return false;
    }

    /** The names of two that cannot go together, because both span or both claim the same; empty where all go together. */
    public Optional<List<Choice>> clash() {
        for (int i = 0; i < choices.size(); i++) {
            for (int j = i + 1; j < choices.size(); j++) {
                if (excludes(choices.get(i).ornament(), choices.get(j).ornament())) {
                    return Optional.of(List.of(choices.get(i), choices.get(j)));
                }
            }
        }
        return Optional.empty();
    }

    private static boolean excludes(Ornament one, Ornament other) {
        if (one.form().place() != other.form().place()) {
            return false;
        }
        return one.form().place() == Place.SPAN
                || !Collections.disjoint(one.form().claims(), other.form().claims());
    }

    /**
     * What the hand is to do on a family's instruments over a span of a length.
     *
     * @param figure empty where a choice has none for the length
     * @param clash the two of which both want the same; empty where all go together
     */
    public record Composed(Optional<Figure> figure, Optional<List<Choice>> clash) {}

    /** Whether each of its ornaments has a figure for such a span by itself. */
    public boolean hasFigures(Family family, Fraction length, int count) {
        return choices.stream()
                .allMatch(choice -> choice.ornament()
                        .figureFor(family, schoolOf(choice, family), length, count)
                        .isPresent());
    }

    /** The figures of all choices as one. */
    public Composed over(Family family, Fraction length, int count) {
        Optional<List<Choice>> clash = clash();
        if (clash.isPresent()) {
            return new Composed(Optional.empty(), clash);
        }
        Figure figure = Figure.PLAIN;
        Map<Ornament.Slot, Choice> touches = new EnumMap<>(Ornament.Slot.class);
        for (Choice choice : choices) {
            Optional<Figure> own = choice.ornament().figureFor(family, schoolOf(choice, family), length, count);
            if (own.isEmpty()) {
                return new Composed(Optional.empty(), Optional.empty());
            }
            if (choice.ornament().isTouch()) {
                choice.ornament().form().claims().forEach(slot -> touches.putIfAbsent(slot, choice));
            } else {
                figure = own.get();
            }
        }
        List<Choice> done = new ArrayList<>();
        for (Map.Entry<Ornament.Slot, Choice> touch : touches.entrySet()) {
            Choice choice = touch.getValue();
            if (!done.contains(choice)) {
                done.add(choice);
                Figure own = choice.ornament()
                        .figureFor(family, schoolOf(choice, family), length, count)
                        .orElseThrow();
                Optional<Figure> dressed = dressed(figure, own, choice.ornament(), touch.getKey());
                if (dressed.isEmpty()) {
                    return new Composed(Optional.empty(), Optional.of(List.of(choices.get(0), choice)));
                }
                figure = dressed.get();
            }
        }
        return new Composed(Optional.of(figure), Optional.empty());
    }

    /** The own school that a choice is played in: the one it names, or the ornament's usual one. */
    public static String schoolOf(Choice choice, Family family) {
        return choice.school().isEmpty()
                ? choice.ornament().schools(family).stream().findFirst().orElse("")
                : choice.school();
    }

    /** A figure with a touch on its first or last slot; empty where what the touch wants is taken already. */
    private static Optional<Figure> dressed(Figure figure, Figure touch, Ornament ornament, Ornament.Slot claim) {
        if (ornament.form().place() == Place.EACH) {
            Part each = touch.parts().get(0);
            Figure begun = figure.equals(Figure.PLAIN) ? touch : figure;
            return Optional.of(begun.withSeconds(each.seconds(), each.by()));
        }
        boolean isFirst = ornament.form().place() == Place.FIRST;
        int index = isFirst ? 0 : figure.slots().size() - 1;
        Figure.Slot slot = figure.slots().get(index);
        List<Part> parts = new ArrayList<>(slot.parts());
        int at = isFirst ? 0 : parts.size() - 1;
        Part part = parts.get(at);
        List<Part> wanted = touch.shared();
        boolean isPlain = figure.equals(Figure.PLAIN);
        switch (claim) {
            case GRACES -> {
                if (!part.graces().isEmpty()) {
                    return Optional.empty();
                }
                parts.remove(at);
                parts.addAll(at, onto(part, wanted, isPlain));
            }
            case BEGIN -> {
                Part first = wanted.get(0);
                parts.set(at, part.withBegin(first.begin(), first.graces()));
            }
            case FRONT -> {
                if (!part.graces().isEmpty()) {
                    return Optional.empty();
                }
                parts.set(at, part.withBend(wanted.get(0).bend()));
            }
            case TAIL, END, SECONDS, WEIGHT -> {
                parts.remove(at);
                parts.addAll(at, onto(part, wanted, isPlain));
            }
        }
        Figure changed = figure.withSlot(index, new Figure.Slot(slot.share(), parts));
        boolean borrows = isFirst && touch.opening() == Figure.Opening.BEFORE;
        return Optional.of(borrows ? changed.with(Figure.Opening.BEFORE) : changed);
    }

    /** The parts of a touch in place of one part: what the touch does not say for itself stays as it was. */
    private static List<Part> onto(Part part, List<Part> wanted, boolean isPlain) {
        List<Part> all = new ArrayList<>();
        for (int i = 0; i < wanted.size(); i++) {
            Part each = wanted.get(i);
            boolean isFirst = i == 0;
            List<Target> graces = new ArrayList<>(isFirst ? part.graces() : List.of());
            graces.addAll(each.graces());
            boolean keepsBegin = isFirst
                    && (!part.graces().isEmpty() || (!isPlain && each.graces().isEmpty()));
            all.add(new Part(
                    wanted.size() == 1 ? part.share() : part.share().times(each.share()),
                    graces,
                    each.landing().isNote() ? part.landing() : each.landing(),
                    each.seconds().isEmpty() ? part.seconds() : each.seconds(),
                    keepsBegin ? part.begin() : each.begin(),
                    each.by().isEmpty() ? part.by() : each.by(),
                    isFirst ? part.bend().with(each.bend()) : each.bend()));
        }
        return all;
    }

    @Override
    public String toString() {
        return String.join("+", choices.stream().map(Choice::toString).toList());
    }
}
