package wildflourish.core.fingering;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Schools;
import wildflourish.core.music.Tempo;
import wildflourish.core.path.Tables;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;

/** What a tune on strings costs the hand, kept so that what an ornament adds to it is found without a new search, exactly. */
public final class HandTables {
    private final Tune tune;
    private final Tempo tempo;
    private final Asked asked;
    private final List<Struck> line;
    private final StringPath.Manner manner;
    private final Tables tables;

    /**
     * What a version asks of the hand, note by note.
     *
     * @param pins what notes are pinned to
     * @param demands what ornaments and layers ask
     */
    public record Asked(Map<NoteId, String> pins, Map<NoteId, Demand> demands) {
        public Asked {
            pins = Map.copyOf(pins);
            demands = Map.copyOf(demands);
        }

        private String pinOf(Struck struck) {
            return pins.getOrDefault(struck.note().id(), "");
        }
    }

    private HandTables(
            Tune tune, Tempo tempo, Asked asked, List<Struck> line, StringPath.Manner manner, Tables tables) {
        this.tune = tune;
        this.tempo = tempo;
        this.asked = asked;
        this.line = line;
        this.manner = manner;
        this.tables = tables;
    }

    /** For a tune on strings, with what is asked of the hand already; empty on holes and buttons, and where some note cannot be played. */
    public static Optional<HandTables> of(Tune tune, Instrument instrument, Schools schools, Tempo tempo, Asked asked) {
        if (instrument.strings().isEmpty()) {
            return Optional.empty();
        }
        StringPath.Manner manner = Manners.of(instrument.strings().get(), schools, tune.metreAt(0));
        List<Struck> line = Struck.of(tune, tempo, asked.demands);
        if (line.isEmpty() || !isPlayable(manner, line)) {
            return Optional.empty();
        }
        Tables tables = Tables.of(stages(line, manner, asked));
        return tables.total() < Double.POSITIVE_INFINITY
                ? Optional.of(new HandTables(tune, tempo, asked, line, manner, tables))
                : Optional.empty();
    }

    private static boolean isPlayable(StringPath.Manner manner, List<Struck> line) {
        return line.stream()
                .allMatch(struck -> manner.together(struck.pitches()).why().isEmpty());
    }

    private static StringStages stages(List<Struck> line, StringPath.Manner manner, Asked asked) {
        return new StringStages(line, manner, StringCosts.of(manner.school()), asked.pins);
    }

    /** What the whole tune costs the hand. */
    public double total() {
        return tables.total();
    }

    /** What it costs more where the whole tune is asked something else; infinite where the hand can then not play it. */
    public double more(Asked other) {
        List<Struck> changed = Struck.of(tune, tempo, other.demands);
        int first = 0;
        while (first < line.size() && isSame(first, changed, other)) {
            first++;
        }
        if (first == line.size()) {
            return 0;
        }
        int last = line.size() - 1;
        while (isSame(last, changed, other)) {
            last--;
        }
        if (!isPlayable(manner, changed.subList(first, last + 1))) {
            return Double.POSITIVE_INFINITY;
        }
        List<Struck> part = changed.subList(Math.max(0, first - 1), Math.min(line.size(), last + 2));
        return tables.with(stages(part, manner, other), first, last) - tables.total();
    }

    private boolean isSame(int stage, List<Struck> changed, Asked other) {
        Struck now = line.get(stage);
        Struck then = changed.get(stage);
        return now.demand().equals(then.demand())
                && now.pitches().equals(then.pitches())
                && asked.pinOf(now).equals(other.pinOf(then));
    }
}
