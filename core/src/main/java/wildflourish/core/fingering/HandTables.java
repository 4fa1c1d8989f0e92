package wildflourish.core.fingering;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.music.Tempo;
import wildflourish.core.path.Tables;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;

/** What a tune on strings costs the hand, kept so that what an ornament adds to it is found without a new search, exactly. */
public final class HandTables {
    private final List<Struck> line;
    private final StringPath.Manner manner;
    private final Map<NoteId, String> pins;
    private final Tables tables;
    private final Map<NoteId, Integer> stages = new HashMap<>();

    private HandTables(List<Struck> line, StringPath.Manner manner, Map<NoteId, String> pins, Tables tables) {
        this.line = line;
        this.manner = manner;
        this.pins = pins;
        this.tables = tables;
        for (int i = 0; i < line.size(); i++) {
            for (NoteId note : line.get(i).tied()) {
                stages.put(note, i);
            }
        }
    }

    /** For a tune on strings, with what its notes are pinned to and what is asked of the hand already; empty where some note cannot be played. */
    public static Optional<HandTables> of(
            Tune tune,
            Instrument instrument,
            School school,
            Tempo tempo,
            Map<NoteId, String> pins,
            Map<NoteId, Demand> demands) {
        if (instrument.strings().isEmpty()) {
            return Optional.empty();
        }
        StringPath.Manner manner = Manners.of(instrument.strings().get(), school, tune.metreAt(0));
        List<Struck> line = Struck.of(tune, tempo, demands);
        boolean isPlayable = !line.isEmpty()
                && line.stream()
                        .allMatch(struck ->
                                manner.together(struck.pitches()).why().isEmpty());
        if (!isPlayable) {
            return Optional.empty();
        }
        Tables tables = Tables.of(new StringStages(line, manner, StringCosts.of(manner.school()), pins));
        return tables.total() < Double.POSITIVE_INFINITY
                ? Optional.of(new HandTables(line, manner, pins, tables))
                : Optional.empty();
    }

    /** What the whole tune costs the hand. */
    public double total() {
        return tables.total();
    }

    /** What it costs more with other demands on some notes; infinite where the hand can then not play it. */
    public double more(Map<NoteId, Demand> others) {
        int first = line.size();
        int last = -1;
        List<Struck> changed = new ArrayList<>(line);
        for (Map.Entry<NoteId, Demand> other : others.entrySet()) {
            Integer stage = stages.get(other.getKey());
            boolean isBegun = stage != null && line.get(stage).note().id().equals(other.getKey());
            if (stage != null && isBegun) {
                first = Math.min(first, stage);
                last = Math.max(last, stage);
                changed.set(stage, line.get(stage).with(other.getValue()));
            }
        }
        if (last < 0) {
            return 0;
        }
        List<Struck> part = changed.subList(Math.max(0, first - 1), Math.min(line.size(), last + 2));
        StringStages local = new StringStages(part, manner, StringCosts.of(manner.school()), pins);
        return tables.with(local, first, last) - tables.total();
    }
}
