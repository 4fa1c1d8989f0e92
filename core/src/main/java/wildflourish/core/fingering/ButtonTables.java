package wildflourish.core.fingering;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import wildflourish.core.instrument.ButtonLayout;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Schools;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.Tempo;
import wildflourish.core.path.Tables;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;

/**
 * What a tune costs the hand on buttons, the air left aside, kept so that what an ornament adds to it is found without a new search, exactly. Nothing is told of a stretch
 * of the tune that cannot be played, and nothing at all of one that no hand gets through.
 */
public final class ButtonTables {
    /** So many times as slow that only the reach of the hand stops it. */
    private static final double SLOWLY = 8;

    private final ButtonLayout layout;
    private final ButtonCosts costs;
    private final List<Struck> plain;
    private final ButtonPath.Asked asked;
    private final ButtonPath.Choices choices;
    private final List<Struck> line;
    /** Where each plain note stands. */
    private final Map<NoteId, Integer> indexes;
    /** In which stage of the line each note is. */
    private final Map<NoteId, Integer> stages;

    private final List<Stretch> stretches = new ArrayList<>();

    /** Notes of the line that follow each other, from one on, with what they cost. */
    private record Stretch(int first, List<Struck> line, Tables tables) {
        int last() {
            return first + line.size() - 1;
        }
    }

    /**
     * What the whole tune costs more, or in all.
     *
     * @param cost in turns of the bellows; infinite where the hand cannot play it
     * @param turns how often the bellows turn
     */
    public record Price(double cost, int turns) {
        static final Price NEVER = new Price(Double.POSITIVE_INFINITY, 0);

        private static Price of(double cost) {
            return cost == Double.POSITIVE_INFINITY ? NEVER : new Price(cost, ButtonCosts.turnsIn(cost));
        }

        public Price minus(Price other) {
            return new Price(ButtonCosts.exact(cost - other.cost), turns - other.turns);
        }

        /** Whether there is a way at all. */
        public boolean isPlayable() {
            return cost < Double.POSITIVE_INFINITY;
        }
    }

    private ButtonTables(
            List<Struck> plain, List<Struck> line, ButtonLayout layout, ButtonCosts costs, ButtonPath.Asked asked) {
        this.plain = plain;
        this.line = line;
        this.indexes = indexes(plain);
        this.stages = stages(line);
        this.layout = layout;
        this.costs = costs;
        this.asked = asked;
        this.choices = new ButtonPath.Choices(layout, asked);
        List<Struck> run = new ArrayList<>();
        for (int i = 0; i <= line.size(); i++) {
            boolean isPlayed = i < line.size() && isPlayed(line.get(i));
            if (isPlayed) {
                run.add(line.get(i));
            } else if (!run.isEmpty()) {
                List<Struck> all = List.copyOf(run);
                stretches.add(new Stretch(i - all.size(), all, Tables.of(Bellows.plain(all, choices.of(all), costs))));
                run.clear();
            }
        }
    }

    private boolean isPlayed(Struck struck) {
        return ButtonPath.refusal(struck, layout)
                .map(LinePath.Why::leavesMelody)
                .orElse(true);
    }

    /** For a tune with what is asked of the hand already. */
    public static ButtonTables of(
            Tune tune,
            Instrument instrument,
            Schools schools,
            Tempo tempo,
            Map<NoteId, String> pins,
            Map<NoteId, ButtonDemand> demands) {
        List<Struck> plain = Struck.of(tune, tempo);
        return new ButtonTables(
                plain,
                Struck.joined(plain, demands),
                instrument.buttons().orElseThrow(),
                ButtonCosts.of(schools.hand()),
                ButtonPath.Asked.of(pins, demands));
    }

    /** What the whole tune costs. */
    public Price total() {
        double cost = 0;
        for (Stretch stretch : stretches) {
            cost += stretch.tables.total();
        }
        return Price.of(cost);
    }

    /** What it costs more where the whole tune is asked something else; empty where nothing can be told. */
    public Optional<Price> more(Map<NoteId, String> pins, Map<NoteId, ButtonDemand> demands) {
        ButtonPath.Asked other = ButtonPath.Asked.of(pins, demands);
        List<Struck> changed = Struck.joined(plain, demands);
        int first = 0;
        while (first < line.size() && first < changed.size() && isSame(line.get(first), changed.get(first), other)) {
            first++;
        }
        if (first == line.size()) {
            return Optional.of(new Price(0, 0));
        }
        int last = line.size() - 1;
        int end = changed.size() - 1;
        while (last > first && end > first && isSame(line.get(last), changed.get(end), other)) {
            last--;
            end--;
        }
        List<Struck> part = changed.subList(first, end + 1);
        Optional<Stretch> stretch =
                stretchOf(first, last).filter(each -> each.tables.total() < Double.POSITIVE_INFINITY);
        if (stretch.isEmpty() || !part.stream().allMatch(this::isPlayed)) {
            return Optional.empty();
        }
        Around around = around(new Place(stretch.get(), first, last, part), part, other);
        double then = around.tables().with(around.stages, around.first, around.last);
        return Optional.of(Price.of(then).minus(Price.of(around.tables.total())));
    }

    /**
     * What it costs more to make one thing in each of several ways, in place of whatever stands on its notes now; empty where nothing can be told.
     *
     * @param first the first of so many notes
     */
    public Optional<List<Price>> more(NoteId first, int count, List<ButtonOption> options) {
        Optional<Place> place = options.isEmpty() ? Optional.empty() : placeOf(first, count);
        if (place.isEmpty()) {
            return Optional.empty();
        }
        Map<NoteId, ButtonDemand> demand = Map.of(first, new ButtonDemand(count, options));
        List<Struck> part = Struck.joined(place.get().notes, demand);
        Around around = around(place.get(), part, ButtonPath.Asked.of(asked.pins(), demand));
        int own = around.before + at(indexes(part), first);
        double[] each = around.tables().through(around.stages, around.first, around.last, own);
        Price now = Price.of(around.tables.total());
        List<Price> prices = new ArrayList<>();
        for (double cost : each) {
            prices.add(Price.of(cost).minus(now));
        }
        return Optional.of(prices);
    }

    /** What it costs more to play another pitch in place of a note; empty where nothing can be told, and where the instrument lacks it. */
    public Optional<Price> instead(NoteId note, FingeredPitch pitch) {
        return more(note, 1, ButtonPath.plainOptions(pitch, layout))
                .flatMap(prices -> prices.stream().min(Comparator.comparingDouble(Price::cost)));
    }

    /** Whether a hand that has all the time in the world gets from the note before to it, and on to the one after. */
    public boolean isReachable(NoteId first, int count, List<ButtonOption> options) {
        List<ButtonOption> slow =
                options.stream().map(option -> option.slower(SLOWLY)).toList();
        Map<NoteId, ButtonDemand> demand = Map.of(first, new ButtonDemand(count, slow));
        return placeOf(first, count)
                .map(place ->
                        around(place, Struck.joined(place.notes, demand), ButtonPath.Asked.of(asked.pins(), demand)))
                .map(around -> Tables.of(around.stages.slower(SLOWLY)).total() < Double.POSITIVE_INFINITY)
                .orElse(false);
    }

    /** What it costs more to leave so many notes from one on plain, whatever stands on them now; empty where nothing can be told. */
    public Optional<Price> bare(NoteId first, int count) {
        return placeOf(first, count).map(place -> {
            boolean isBare = line.subList(place.from, place.to + 1).stream()
                    .noneMatch(stage -> asked.options().containsKey(stage.note().id()));
            if (isBare) {
                return new Price(0, 0);
            }
            Around around = around(place, place.notes, new ButtonPath.Asked(asked.pins(), Map.of()));
            double then = around.tables.with(around.stages, around.first, around.last);
            return Price.of(then).minus(Price.of(around.tables.total()));
        });
    }

    /** The stages of the line from the one to the other, which hold some notes, and the plain notes of all of them. */
    private record Place(Stretch stretch, int from, int to, List<Struck> notes) {}

    /** Empty where some of the notes cannot be played, or no hand gets through the stretch. */
    private Optional<Place> placeOf(NoteId first, int count) {
        Integer at = indexes.get(first);
        if (at == null) {
            return Optional.empty();
        }
        int from = at(stages, first);
        int to = at(
                stages, plain.get(Math.min(plain.size(), at + count) - 1).note().id());
        int begin = at(indexes, line.get(from).note().id());
        List<Struck> notes = plain.subList(begin, lastOf(line.get(to)) + 1);
        return stretchOf(from, to)
                .filter(stretch -> stretch.tables.total() < Double.POSITIVE_INFINITY)
                .map(stretch -> new Place(stretch, from, to, notes));
    }

    /** Stages that are changed with those beside them, and the tables they are put into. */
    private record Around(Tables tables, Bellows stages, int first, int last, int before) {}

    private Around around(Place place, List<Struck> part, ButtonPath.Asked other) {
        Stretch stretch = place.stretch;
        int first = place.from;
        int last = place.to;
        List<Struck> all = new ArrayList<>();
        List<List<ButtonOption>> options = new ArrayList<>();
        if (first > stretch.first) {
            all.add(line.get(first - 1));
            options.add(choices.of(line.get(first - 1), asked));
        }
        int before = all.size();
        for (Struck struck : part) {
            all.add(struck);
            options.add(choices.of(struck, other));
        }
        if (last < stretch.last()) {
            all.add(line.get(last + 1));
            options.add(choices.of(line.get(last + 1), asked));
        }
        return new Around(
                stretch.tables,
                Bellows.plain(all, options, costs),
                first - stretch.first,
                last - stretch.first,
                before);
    }

    private Optional<Stretch> stretchOf(int first, int last) {
        return stretches.stream()
                .filter(stretch -> stretch.first <= first && last <= stretch.last())
                .findFirst();
    }

    private boolean isSame(Struck now, Struck then, ButtonPath.Asked other) {
        NoteId note = now.note().id();
        return now.tied().equals(then.tied())
                && Optional.ofNullable(asked.options().get(note))
                        .equals(Optional.ofNullable(other.options().get(note)))
                && asked.pins().getOrDefault(note, "").equals(other.pins().getOrDefault(note, ""));
    }

    /** By the first note of each stage. */
    private static Map<NoteId, Integer> indexes(List<Struck> line) {
        Map<NoteId, Integer> indexes = new HashMap<>();
        for (int i = 0; i < line.size(); i++) {
            indexes.put(line.get(i).note().id(), i);
        }
        return indexes;
    }

    /** By every note that is part of a stage. */
    private static Map<NoteId, Integer> stages(List<Struck> line) {
        Map<NoteId, Integer> stages = new HashMap<>();
        for (int i = 0; i < line.size(); i++) {
            for (NoteId note : line.get(i).tied()) {
                stages.put(note, i);
            }
        }
        return stages;
    }

    private static int at(Map<NoteId, Integer> indexes, NoteId note) {
        return Objects.requireNonNull(indexes.get(note), "no stage has note " + note);
    }

    /** Where the last note of a stage stands among the plain notes. */
    private int lastOf(Struck stage) {
        int end = at(indexes, stage.note().id());
        while (end < plain.size() && stage.tied().contains(plain.get(end).note().id())) {
            end++;
        }
        return end - 1;
    }
}
