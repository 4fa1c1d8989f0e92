package wildflourish.core.growing;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import wildflourish.core.music.Fraction;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;
import wildflourish.core.version.Wish;

/**
 * What a plan of one stage is judged by: a column of {@code taste.table}.
 *
 * @param worth what an ornament by itself brings and costs
 * @param limits what it may be at all
 * @param level what depends on several together
 */
public record Taste(Worth worth, Limits limits, Level level) {
    /** Points; {@code shortNote} is empty where a note below a quaver bears nothing. */
    public record Worth(int fee, int place, int held, int size, int toil, int turn, Optional<Integer> shortNote) {}

    /** The hardest, and how many times as fast as the tempo it must be clean at least. */
    public record Limits(int hardest, Fraction margin) {}

    private static final Map<String, Row> ROWS = Table.load("taste.table").rows().stream()
            .collect(Collectors.toMap(row -> row.text("what"), Function.identity()));

    private static final int FEE_A_DEGREE = 6;
    private static final int PLACE_A_DEGREE = 3;
    private static final int SIZE_A_DEGREE = 2;
    private static final List<String> STAGES = List.of("Leaf", "Bud", "Bloom", "Wild");

    /**
     * Of a stage of a stair. Stairs of up to five stages have the first columns, in larger ones a stage has the column that lies nearest below its place.
     *
     * @param stage from 1, for the plain stage has none
     */
    public static Taste of(int stage, int stages) {
        if (stage < 1 || stage >= stages) {
            throw new IllegalArgumentException(
                    "a stair of " + stages + " plans stages 1 to " + (stages - 1) + ", not " + stage);
        }
        int column = stages <= STAGES.size() + 1 ? stage - 1 : (stage - 1) * (STAGES.size() - 1) / (stages - 2);
        String name = STAGES.get(column);
        return new Taste(
                new Worth(
                        number("fee", name),
                        number("place", name),
                        number("held", name),
                        number("size", name),
                        number("toil", name),
                        number("turn", name),
                        row("short").readOptional(name, Integer::valueOf)),
                new Limits(number("hardest", name), row("margin").read(name, Fraction::parse)),
                new Level(
                        numbers("more", name),
                        number("free", name),
                        new Level.Load(
                                number("from", name),
                                number("to", name),
                                number("most", name),
                                number("under", name),
                                number("over", name)),
                        numbers("techniques", name),
                        new Level.Near(
                                number("touching", name), number("same-kind", name), number("same-finger", name)),
                        number("clash", name),
                        number("breath", name)));
    }

    /** For a student who learns more slowly: harder ornaments cost more, a phrase bears less. */
    Taste askingMore(int toil, int load) {
        Level.Load now = level.load();
        Level.Load less = new Level.Load(
                Math.max(0, now.from() - load), Math.max(1, now.to() - load), now.most(), now.under(), now.over());
        return new Taste(
                new Worth(
                        worth.fee(),
                        worth.place(),
                        worth.held(),
                        worth.size(),
                        worth.toil() + toil,
                        worth.turn(),
                        worth.shortNote()),
                limits,
                new Level(
                        level.thick(),
                        level.free(),
                        less,
                        level.techniques(),
                        level.near(),
                        level.clash(),
                        level.breath()));
    }

    /** As a teacher wishes it: fuller or barer, more or less daring, more on the beat or off it. */
    Taste wished(Wish wish) {
        int full = wish.of(Wish.Degree.FULL);
        int daring = wish.of(Wish.Degree.DARING);
        Level.Load load = level.load();
        Level.Load wished = new Level.Load(
                Math.max(0, load.from() + full),
                Math.max(1, load.to() + full),
                Math.max(1, load.most() + full),
                load.under(),
                load.over());
        return new Taste(
                new Worth(
                        worth.fee() - FEE_A_DEGREE * full,
                        worth.place() + PLACE_A_DEGREE * wish.of(Wish.Degree.BEAT),
                        worth.held(),
                        worth.size() + SIZE_A_DEGREE * daring,
                        worth.toil(),
                        worth.turn(),
                        worth.shortNote()),
                new Limits(limits.hardest() + daring, limits.margin()),
                new Level(
                        level.thick(),
                        level.free(),
                        wished,
                        level.techniques(),
                        level.near(),
                        level.clash(),
                        level.breath()));
    }

    private static Row row(String what) {
        return Optional.ofNullable(ROWS.get(what))
                .orElseThrow(() -> new IllegalStateException("taste.table has no row " + what));
    }

    private static int number(String what, String stage) {
        return row(what).integer(stage);
    }

    private static List<Integer> numbers(String what, String stage) {
        return row(what).words(stage).stream().map(Integer::valueOf).toList();
    }
}
