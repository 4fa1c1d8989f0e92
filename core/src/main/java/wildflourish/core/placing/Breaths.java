package wildflourish.core.placing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import wildflourish.core.instrument.Family;
import wildflourish.core.line.Line;
import wildflourish.core.line.Tone;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Begin;
import wildflourish.core.ornament.Figure;
import wildflourish.core.table.Table;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Version;

/** Where a wind player breathes in a version, and how long it is from one breath to the next. */
public final class Breaths {
    /** How long a breath lasts, by family; pipes need none. */
    private static final Map<Family, Span> SPANS = Table.load("breaths.table").rows().stream()
            .collect(Collectors.toMap(
                    row -> row.read("family", word -> Family.parse(word)),
                    row -> new Span(row.read("from", Fraction::parse), row.read("to", Fraction::parse))));

    private Breaths() {}

    /** From so many seconds on a player wants air, and after so many has none. */
    public record Span(Fraction fromSeconds, Fraction toSeconds) {}

    /**
     * A stretch without a breath.
     *
     * @param first the tone it begins with, by its number in the line
     * @param last the tone it ends with
     */
    public record Stretch(int first, int last, NoteId firstNote, NoteId lastNote, Fraction seconds) {}

    /** How long a family's breath lasts; empty for pipes, strings and boxes. */
    public static Optional<Span> of(Family family) {
        return Optional.ofNullable(SPANS.get(family));
    }

    /** All stretches from one breath to the next, in playing order. */
    public static List<Stretch> stretches(Line line, Version version) {
        List<Stretch> stretches = new ArrayList<>();
        int first = -1;
        List<Tone> tones = line.tones();
        for (int i = 0; i < tones.size(); i++) {
            if (tones.get(i).isRest()) {
                first = close(stretches, line, version, first, i - 1);
            } else {
                first = first < 0 ? i : first;
                if (isBreath(tones.get(i), version)) {
                    first = close(stretches, line, version, first, i);
                }
            }
        }
        close(stretches, line, version, first, tones.size() - 1);
        return List.copyOf(stretches);
    }

    private static int close(List<Stretch> stretches, Line line, Version version, int first, int last) {
        if (first >= 0 && last >= first) {
            Fraction length =
                    line.tones().get(last).end().minus(line.tones().get(first).start());
            Fraction seconds = version.playing().tempo().millisOf(length).dividedBy(1000);
            stretches.add(new Stretch(
                    first,
                    last,
                    line.tones().get(first).note().id(),
                    line.tones().get(last).note().id(),
                    seconds));
        }
        return -1;
    }

    /** The longest of them; empty for an instrument whose player need not breathe for it. */
    public static Optional<Stretch> longest(Line line, Version version) {
        return of(version.playing().instrument().family())
                .flatMap(span -> stretches(line, version).stream().max(Comparator.comparing(Stretch::seconds)));
    }

    private static boolean isBreath(Tone tone, Version version) {
        return tone.placed().filter(placement -> breathes(placement, version)).isPresent();
    }

    /** Whether a placement holds a breath. */
    public static boolean breathes(Placement placement, Version version) {
        return placement.stack().choices().stream()
                .flatMap(choice -> choice.ornament().figures().stream())
                .map(sized -> sized.figure())
                .map(Figure::parts)
                .flatMap(List::stream)
                .anyMatch(part -> part.begin() == Begin.BREATH);
    }

    /** Whether a player wants air at a note: longer since the last breath than the shorter span of the table. */
    static boolean isDue(Situation situation) {
        Optional<Span> span = of(situation.instrument().family());
        if (span.isEmpty()) {
            return false;
        }
        List<Tone> tones = situation.scene().line().tones();
        int at = situation.tone();
        while (at > 0 && !tones.get(at - 1).isRest() && !isBreath(tones.get(at - 1), situation.version())) {
            at--;
        }
        Fraction length =
                tones.get(situation.tone()).start().minus(tones.get(at).start());
        Fraction seconds = situation.playing().tempo().millisOf(length).dividedBy(1000);
        return seconds.isMoreThan(span.get().fromSeconds());
    }

    /** Whole notes from the start of one note to that of another, whichever comes first. */
    static Fraction distance(Tune tune, NoteId one, NoteId other) {
        int from = Math.min(tune.placeOf(one).order(), tune.placeOf(other).order());
        int to = Math.max(tune.placeOf(one).order(), tune.placeOf(other).order());
        Fraction length = Fraction.ZERO;
        for (int i = from; i < to; i++) {
            length = length.plus(tune.notes().get(i).played());
        }
        return length;
    }
}
