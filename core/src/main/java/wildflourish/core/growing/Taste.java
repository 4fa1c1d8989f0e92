package wildflourish.core.growing;

import java.util.ArrayList;
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
    public record Worth(int fee, int place, int held, int size, int toil, int turn, Optional<Integer> shortNote) {
        /** With so many points more of each. */
        Worth plus(int moreFee, int morePlace, int moreSize, int moreToil, int moreTurn) {
            return new Worth(
                    fee + moreFee,
                    place + morePlace,
                    held,
                    size + moreSize,
                    toil + moreToil,
                    turn + moreTurn,
                    shortNote);
        }
    }

    /**
     * What an ornament may be.
     *
     * @param hardest difficulty
     * @param margin how many times as fast as the tempo it must be clean at least
     * @param highest the stage of a stair of five, from 1, whose kinds are reached
     * @param isTied whether a phrase that comes back is dressed alike, where nothing else is wished
     */
    public record Limits(int hardest, Fraction margin, int highest, boolean isTied) {
        Limits harder(int more) {
            return new Limits(hardest + more, margin, highest, isTied);
        }

        Limits atTempo() {
            return new Limits(hardest, Fraction.ONE, highest, isTied);
        }
    }

    private static final Map<String, Row> ROWS = Table.load("taste.table").rows().stream()
            .collect(Collectors.toMap(row -> row.text("what"), Function.identity()));

    private static final int FEE_A_DEGREE = 6;
    private static final int PLACE_A_DEGREE = 3;
    private static final int SIZE_A_DEGREE = 2;
    private static final int TURN_IN_CONCERT = 4;
    private static final List<String> STAGES = List.of("Leaf", "Bud", "Bloom", "Wild");

    /** A place among the columns: between two of them there are four steps. */
    private static final int STEPS = 4;

    /** Of a stage of a stair that rises evenly. */
    public static Taste of(int stage, int stages) {
        return of(stage, stages, 0);
    }

    /**
     * Of a stage of a stair. Stairs of up to five stages have the first columns, in larger ones a stage lies between columns, as far up as in the stair.
     *
     * @param stage from 1, for the plain stage has none
     * @param rise how much sooner than evenly the stages rise, from −2 for much later to 2 for much sooner; the lowest and the highest stay where they are
     */
    public static Taste of(int stage, int stages, int rise) {
        if (stage < 1 || stage >= stages) {
            throw new IllegalArgumentException(
                    "a stair of " + stages + " plans stages 1 to " + (stages - 1) + ", not " + stage);
        }
        int top = Math.min(stages - 2, STAGES.size() - 1);
        double even = stages == 2 ? 0 : (stage - 1.0) / (stages - 2);
        double bent = Math.pow(even, Math.pow(2, -rise / 2.0));
        return at(Fraction.of(Math.round(STEPS * top * bent), STEPS));
    }

    /** The column of a place and, where it lies between two, so much of the next. */
    private static Taste at(Fraction place) {
        int column = (int) (place.numerator() / place.denominator());
        Fraction more = place.minus(Fraction.of(column));
        Between between = new Between(STAGES.get(column), STAGES.get(Math.min(column + 1, STAGES.size() - 1)), more);
        return new Taste(
                new Worth(
                        between.number("fee"),
                        between.number("place"),
                        between.number("held"),
                        between.number("size"),
                        between.number("toil"),
                        between.number("turn"),
                        row("short").readOptional(between.nearer(), Integer::valueOf)),
                new Limits(
                        between.number("hardest"),
                        between.fraction("margin"),
                        column + 1,
                        row("returns").text(between.nearer()).equals("tied")),
                new Level(
                        between.numbers("more"),
                        between.number("free"),
                        new Level.Load(
                                between.number("from"),
                                between.number("to"),
                                between.number("most"),
                                between.number("under"),
                                between.number("over")),
                        between.numbers("techniques"),
                        new Level.Near(
                                between.number("touching"), between.number("same-kind"), between.number("same-finger")),
                        between.number("clash"),
                        between.number("breath")));
    }

    /** Values between two columns, whole points. */
    private record Between(String lower, String upper, Fraction more) {
        /** The column that is nearer; of two as near the lower. */
        String nearer() {
            return Fraction.of(1, 2).isLessThan(more) ? upper : lower;
        }

        int number(String what) {
            return number(row(what).integer(lower), row(what).integer(upper));
        }

        private int number(int from, int to) {
            Fraction between = more.times(Fraction.of(to - from));
            return from + (int) Math.round((double) between.numerator() / between.denominator());
        }

        Fraction fraction(String what) {
            Fraction from = row(what).read(lower, Fraction::parse);
            return from.plus(row(what).read(upper, Fraction::parse).minus(from).times(more));
        }

        /** As many as the nearer column has. */
        List<Integer> numbers(String what) {
            List<Integer> from = list(what, lower);
            List<Integer> to = list(what, upper);
            List<Integer> between = new ArrayList<>();
            for (int i = 0; i < list(what, nearer()).size(); i++) {
                between.add(
                        i < from.size() && i < to.size()
                                ? number(from.get(i), to.get(i))
                                : i < from.size() ? from.get(i) : to.get(i));
            }
            return between;
        }

        private static List<Integer> list(String what, String column) {
            return row(what).words(column).stream().map(Integer::valueOf).toList();
        }
    }

    /** For a student who learns more slowly: harder ornaments cost more, a phrase bears less. */
    Taste askingMore(int toil, int load) {
        Level.Load now = level.load();
        Level.Load less = new Level.Load(
                Math.max(0, now.from() - load), Math.max(1, now.to() - load), now.most(), now.under(), now.over());
        return new Taste(worth.plus(0, 0, 0, toil, 0), limits, level.bearing(less));
    }

    /** Whether a phrase that comes back is dressed as it was the first time. */
    boolean isTied(Wish.Returns wished) {
        return wished == Wish.Returns.ALIKE || (wished == Wish.Returns.USUAL && limits.isTied());
    }

    /** As a teacher wishes it: fuller or barer, more or less daring, more on the beat or off it, for a session or for a concert. */
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
        Taste taste = new Taste(
                worth.plus(
                        -FEE_A_DEGREE * full, PLACE_A_DEGREE * wish.of(Wish.Degree.BEAT), SIZE_A_DEGREE * daring, 0, 0),
                limits.harder(daring),
                level.bearing(wished));
        return wish.isConcert() ? taste.forConcert() : taste;
    }

    /** For listeners: practised up to its tempo, so nothing is held back for a faster one; the same thing again costs twice, another technique half, endings are marked more. */
    private Taste forConcert() {
        return new Taste(
                worth.plus(0, 0, 0, 0, TURN_IN_CONCERT),
                limits.atTempo(),
                new Level(
                        level.thick(),
                        level.free(),
                        level.load(),
                        level.techniques().stream().map(points -> points / 2).toList(),
                        new Level.Near(
                                level.near().touching(),
                                2 * level.near().sameKind(),
                                level.near().sameFinger()),
                        2 * level.clash(),
                        level.breath()));
    }

    private static Row row(String what) {
        return Optional.ofNullable(ROWS.get(what))
                .orElseThrow(() -> new IllegalStateException("taste.table has no row " + what));
    }
}
