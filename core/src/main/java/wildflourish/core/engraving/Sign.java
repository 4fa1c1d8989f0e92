package wildflourish.core.engraving;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import wildflourish.core.hand.Made;
import wildflourish.core.ornament.Begin;
import wildflourish.core.ornament.Choice;
import wildflourish.core.ornament.Figure;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Part;
import wildflourish.core.ornament.Stack;
import wildflourish.core.ornament.Target;

/**
 * What stands for an ornament: common notation where there is one, small notes or a mark; our own shapes, part by part, elsewhere.
 *
 * @param kind which of the three
 * @param frame what holds our own shapes together, or the name of a mark
 * @param elements our own shapes in order
 * @param heights of small notes, in steps from the note; of the shapes none
 * @param ink the colour of its kind
 */
public record Sign(Kind kind, String frame, List<String> elements, List<Integer> heights, Ink ink) {
    /** How it is told. */
    public enum Kind {
        SMALL,
        MARK,
        OWN
    }

    public Sign {
        elements = List.copyOf(elements);
        heights = List.copyOf(heights);
    }

    /** Ornaments of a kind share a colour. */
    public static Ink inkOf(Ornament ornament) {
        return switch (ornament.kind()) {
            case FLICK, GRACE, SLIDE, WAVE, OCTAVE -> Ink.SINGLE;
            case ROLL, SHAKE, REST, DOUBLE_STOP -> Ink.ROLL;
            case CRAN, MOVEMENT, TRIPLET, FILL, ARTICULATION -> Ink.CRAN;
        };
    }

    /** The signs of a stack: what spans first, then the touches. */
    public static List<Sign> of(Stack stack, Optional<Figure> figure, Optional<Made> made) {
        return stack.choices().stream()
                .map(choice -> of(choice, stack.choices().size() == 1 ? figure : Optional.empty(), made))
                .toList();
    }

    private static Sign of(Choice choice, Optional<Figure> figure, Optional<Made> made) {
        Ornament ornament = choice.ornament();
        List<String> words =
                new ArrayList<>(Arrays.asList(ornament.look().sign().split(" ", -1)));
        Kind kind = Kind.valueOf(words.remove(0).toUpperCase(Locale.ROOT));
        Figure own = figure.orElse(ornament.figures().get(0).figure());
        Ink ink = inkOf(ornament);
        return switch (kind) {
            case SMALL -> new Sign(kind, "", List.of(), made.map(Sign::heights).orElseGet(() -> heights(own)), ink);
            case MARK -> new Sign(kind, mark(choice, words.get(0)), List.of(), List.of(), ink);
            case OWN -> {
                String frame = words.remove(0);
                yield new Sign(kind, frame, words.isEmpty() ? elements(own, ornament) : words, List.of(), ink);
            }
        };
    }

    private static String mark(Choice choice, String name) {
        return name.equals("mordent") ? choice.school().equals("upper") ? "uppermordent" : "lowermordent" : name;
    }

    /** What each part is: how its small note is made, or how it begins. */
    private static List<String> elements(Figure figure, Ornament ornament) {
        List<String> elements = new ArrayList<>();
        for (Part part : figure.parts()) {
            elements.add(element(part, ornament));
        }
        return elements;
    }

    private static String element(Part part, Ornament ornament) {
        if (!part.graces().isEmpty()) {
            Target grace = part.graces().get(part.graces().size() - 1);
            return grace.isLift()
                    ? ornament.kind() == Ornament.Kind.CRAN ? "bud" : "leaf"
                    : grace.kind() == Target.Kind.TAP ? "berry" : grace.isSilence() ? "shut" : "small";
        }
        boolean isOwnNote = part.landing().kind() == Target.Kind.MELODY;
        return part.landing().isSilence()
                ? "gap"
                : part.begin() == Begin.TONGUE
                        ? "tongue"
                        : part.begin() == Begin.CLOSE ? "shut" : isOwnNote ? "seed" : "hollow";
    }

    /** The heights of small notes from the figure alone: a lifted finger above, a tap below. */
    private static List<Integer> heights(Figure figure) {
        List<Integer> heights = new ArrayList<>();
        List<Part> parts = figure.parts();
        for (int i = 0; i < parts.size(); i++) {
            if (i > 0 && parts.size() == 2) {
                heights.add(0);
            }
            for (Target grace : parts.get(i).graces()) {
                boolean isBelow =
                        grace.kind() == Target.Kind.TAP || (grace.kind() == Target.Kind.STEP && grace.number() < 0);
                heights.add(isBelow ? -1 : grace.kind() == Target.Kind.LIFT_HIGH ? 2 : 1);
            }
        }
        return heights;
    }

    /** The heights of small notes as the hand makes them here. */
    private static List<Integer> heights(Made made) {
        List<Integer> heights = new ArrayList<>();
        List<Made.Part> parts = made.parts();
        Optional<Integer> note = stepOf(parts.get(parts.size() - 1).landing());
        for (int i = 0; i < parts.size() && note.isPresent(); i++) {
            if (i > 0 && parts.size() <= 3) {
                heights.add(0);
            }
            for (Made.Small small : parts.get(i).smalls()) {
                stepOf(small.sound()).ifPresent(step -> heights.add(step - note.get()));
            }
        }
        return heights.stream().map(each -> Math.max(-4, Math.min(7, each))).toList();
    }

    private static Optional<Integer> stepOf(wildflourish.core.hand.Sound sound) {
        return sound.voices().stream()
                .findFirst()
                .flatMap(voice -> voice.written())
                .map(written -> written.staffStep());
    }
}
