package wildflourish.core.fingering;

import java.util.HashMap;
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
    private final StringStages.Known known;
    /** The number of each stage by its note, of notes tied together the first. */
    private final Map<NoteId, Integer> stages = new HashMap<>();

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
            Tune tune,
            Tempo tempo,
            Asked asked,
            List<Struck> line,
            StringPath.Manner manner,
            Tables tables,
            StringStages.Known known) {
        this.known = known;
        this.tune = tune;
        this.tempo = tempo;
        this.asked = asked;
        this.line = line;
        this.manner = manner;
        this.tables = tables;
        for (int stage = 0; stage < line.size(); stage++) {
            stages.put(line.get(stage).note().id(), stage);
        }
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
        StringStages.Known known = new StringStages.Known();
        Tables tables = Tables.of(stages(line, manner, asked, known));
        return tables.total() < Double.POSITIVE_INFINITY
                ? Optional.of(new HandTables(tune, tempo, asked, line, manner, tables, known))
                : Optional.empty();
    }

    private static boolean isPlayable(StringPath.Manner manner, List<Struck> line) {
        return line.stream()
                .allMatch(struck -> manner.together(struck.pitches()).why().isEmpty());
    }

    private static StringStages stages(
            List<Struck> line, StringPath.Manner manner, Asked asked, StringStages.Known known) {
        return new StringStages(line, manner, StringCosts.of(manner.school()), asked.pins, known);
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
        return tables.with(stages(part, manner, other, known), first, last) - tables.total();
    }

    /** The tables for what else is asked of some notes; empty where the hand can then not play the tune. */
    public Optional<HandTables> with(Map<NoteId, Demand> others) {
        List<Struck> changed = changed(line, others);
        if (!isPlayable(manner, changed)) {
            return Optional.empty();
        }
        Map<NoteId, Demand> all = new HashMap<>(asked.demands);
        all.putAll(others);
        Asked together = new Asked(asked.pins, all);
        Tables made = Tables.of(stages(changed, manner, together, known));
        return made.total() < Double.POSITIVE_INFINITY
                ? Optional.of(new HandTables(tune, tempo, together, changed, manner, made, known))
                : Optional.empty();
    }

    private static List<Struck> changed(List<Struck> part, Map<NoteId, Demand> others) {
        return part.stream()
                .map(struck -> Optional.ofNullable(others.get(struck.note().id()))
                        .map(struck::asked)
                        .orElse(struck))
                .toList();
    }

    /** What is asked of a note by itself. */
    public Demand asked(NoteId note) {
        return asked.demands.getOrDefault(note, Demand.PLAIN);
    }

    /** What it costs more where some notes alone are asked something else, all others being asked what they are; infinite where the hand can then not play it. */
    public double moreAt(Map<NoteId, Demand> others) {
        List<Integer> changed = others.keySet().stream()
                .flatMap(note -> Optional.ofNullable(stages.get(note)).stream())
                .sorted()
                .toList();
        if (changed.isEmpty()) {
            return 0;
        }
        int first = changed.get(0);
        int last = changed.get(changed.size() - 1);
        boolean isFingeredOtherwise =
                others.values().stream().anyMatch(demand -> !demand.instead().isEmpty());
        List<Struck> part = changed(line.subList(Math.max(0, first - 1), Math.min(line.size(), last + 2)), others);
        return isFingeredOtherwise && !isPlayable(manner, part)
                ? Double.POSITIVE_INFINITY
                : tables.with(stages(part, manner, asked, known), first, last) - tables.total();
    }

    private boolean isSame(int stage, List<Struck> changed, Asked other) {
        Struck now = line.get(stage);
        Struck then = changed.get(stage);
        return now.demand().equals(then.demand())
                && now.pitches().equals(then.pitches())
                && asked.pinOf(now).equals(other.pinOf(then));
    }
}
