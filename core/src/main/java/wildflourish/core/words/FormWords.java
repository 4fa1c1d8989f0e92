package wildflourish.core.words;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import wildflourish.core.form.Phrase;
import wildflourish.core.form.Phrasing;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Metre;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Part;
import wildflourish.core.tune.Tune;

/** A teacher's summary of a plain tune: its plan, what is new and what one has already, where it starts, how its parts join. */
public final class FormWords {
    private static final String MEETS = "the bars meet.";

    private FormWords() {}

    /** A few sentences, the plan first. */
    public static List<String> of(Tune tune) {
        List<String> lines = new ArrayList<>();
        Phrasing phrasing = Phrasing.of(tune);
        lines.add(plan(phrasing));
        lines.add(toLearn(phrasing));
        lines.addAll(likenesses(phrasing));
        lines.add(start(tune));
        lines.addAll(joins(tune));
        return List.copyOf(lines);
    }

    /** {@code A1 A2 A1 A3, B1 B2 B1 B3}. */
    public static String plan(Phrasing phrasing) {
        StringBuilder plan = new StringBuilder();
        Part before = null;
        for (Phrase phrase : phrasing.phrases()) {
            boolean isNewPart = before != null && !before.equals(phrase.part());
            plan.append(plan.isEmpty() ? "" : isNewPart ? ", " : " ").append(phrase.name());
            before = phrase.part();
        }
        return plan.toString();
    }

    private static String toLearn(Phrasing phrasing) {
        int written = phrasing.bars();
        int learn = phrasing.barsToLearn();
        return learn + (learn == 1 ? " bar" : " bars") + " to learn, of " + written + " written"
                + (learn < written ? ": the others come back." : ".");
    }

    private static List<String> likenesses(Phrasing phrasing) {
        Set<String> lines = new LinkedHashSet<>();
        for (Phrase phrase : phrasing.phrases()) {
            phrase.like().ifPresent(like -> lines.add(of(phrase, like)));
        }
        return List.copyOf(lines);
    }

    private static String of(Phrase phrase, Phrase.Likeness like) {
        String name = phrase.name();
        String earlier = like.earlier();
        if (name.equals(earlier) && like.kind() != Phrase.Kind.SAME) {
            return earlier + " comes back in part " + phrase.part().name() + ", changed.";
        }
        return switch (like.kind()) {
            case SAME ->
                name.equals(earlier)
                        ? earlier + " comes back in part " + phrase.part().name() + "."
                        : name + " is " + earlier + " note for note.";
            case ONE_NOTE -> name + " is " + earlier + " but for one note.";
            case SAME_START -> name + " begins as " + earlier + " and ends otherwise.";
            case MOVED -> name + " is " + earlier + " " + steps(like.steps()) + ".";
            case SAME_RHYTHM -> name + " has the rhythm of " + earlier + ".";
        };
    }

    private static String steps(int steps) {
        int count = Math.abs(steps);
        return count + (count == 1 ? " step " : " steps ") + (steps > 0 ? "higher" : "lower");
    }

    /** Where the tune starts and how to count in: players take pickup notes for beat one. */
    public static String start(Tune tune) {
        if (tune.notes().isEmpty()) {
            return "There is no note in it yet.";
        }
        Note first = tune.notes().get(0);
        var place = tune.placeOf(first.id());
        Metre metre = tune.metreAt(place.bar());
        if (metre.isFree()) {
            return "It has no metre: begin when you are ready.";
        }
        Fraction beats = place.offset().dividedBy(metre.countLength());
        long whole = Math.floorDiv(beats.numerator(), beats.denominator());
        long inBar = Math.floorDiv(
                metre.barLength().dividedBy(metre.countLength()).numerator(),
                metre.barLength().dividedBy(metre.countLength()).denominator());
        StringBuilder count = new StringBuilder();
        for (int beat = 1; beat <= inBar; beat++) {
            count.append(beat).append(' ');
        }
        String words = count.toString().strip();
        if (place.offset().isZero()) {
            return "It starts on beat 1: count " + words + ", then play.";
        }
        boolean isOn = beats.denominator() == 1;
        return "It starts with a pickup, " + (isOn ? "on beat " : "after beat ") + (whole + 1)
                + ", not on beat 1: count " + words + ", then " + lead(whole, isOn) + ".";
    }

    private static String lead(long whole, boolean isOn) {
        StringBuilder lead = new StringBuilder();
        for (long beat = 1; beat <= (isOn ? whole : whole + 1); beat++) {
            lead.append(beat).append(' ');
        }
        return lead.isEmpty() ? "play" : lead + "and play";
    }

    /** How each part leads round to its own beginning and on to the next: whether the last bar leaves just the time of the pickup. */
    private static List<String> joins(Tune tune) {
        List<String> lines = new ArrayList<>();
        List<Part> parts = tune.form().parts();
        for (Part part : parts) {
            lines.add(join(tune, part, part));
        }
        for (int i = 0; i < parts.size(); i++) {
            Part next = parts.get((i + 1) % parts.size());
            if (parts.size() > 1) {
                lines.add(join(tune, parts.get(i), next));
            }
        }
        lines.removeIf(line -> line.endsWith(MEETS));
        return lines.isEmpty() ? List.of("Every part leads round and on without a gap.") : lines;
    }

    private static String join(Tune tune, Part from, Part to) {
        String way = from.name() + " to " + to.name() + ": ";
        int lastBar = lastBarFor(tune, from, from.equals(to));
        Bar last = tune.bars().get(lastBar);
        Fraction full = tune.metreAt(lastBar).barLength();
        Fraction pickup = tune.form().isPickup(to.firstBar())
                ? tune.bars().get(to.firstBar()).length()
                : Fraction.ZERO;
        boolean isWrittenOnce =
                pickup.isPositive() && from.equals(to) && !last.length().isLessThan(full);
        Fraction sum = isWrittenOnce ? last.length() : last.length().plus(pickup);
        if (tune.metreAt(lastBar).isFree() || sum.equals(full)) {
            return way + MEETS;
        }
        Fraction gap = full.minus(sum);
        return gap.isPositive()
                ? way + "hold on or rest for " + Words.noteLength(gap) + ", or make an ending."
                : way + "leave out " + Words.noteLength(gap.negated()) + " of the end, or make an ending.";
    }

    /** Going round, the bar before the second ending; going on, the last one. */
    private static int lastBarFor(Tune tune, Part part, boolean goesRound) {
        int last = part.lastBar();
        while (last > part.firstBar() && tune.bars().get(last).notes().isEmpty()) {
            last--;
        }
        if (!goesRound) {
            return last;
        }
        int endings = 0;
        for (int bar = part.firstBar(); bar <= part.lastBar(); bar++) {
            if (!tune.bars().get(bar).ending().isEmpty() && ++endings == 2) {
                return bar - 1;
            }
        }
        return last;
    }
}
