package wildflourish.bench;

import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import wildflourish.core.growing.Choices;
import wildflourish.core.growing.Grown;
import wildflourish.core.growing.Growth;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Stair;

/** A stair of five stages planned from plain, over the length of the tune: linear in its bars. Budgets for 32 bars: 250 ms with what fits known, 400 ms to find it on winds, 1.5 s on strings and boxes. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 3, time = 1)
public class Planning {
    @Param({"16", "32", "64", "128", "256", "512"})
    private int bars;

    @Param({"whistle-d"})
    private String instrument;

    private Tune tune;
    private Stair stair;
    private Choices choices;

    @Setup
    public void prepare() {
        tune = Long64.tune(bars);
        stair = Stair.starting(tune, Instrument.of(instrument), 5);
        choices = Growth.choices(tune, stair, Profile.usual());
    }

    /** Five stages, what fits being known. */
    @Benchmark
    public Grown fiveStages() {
        return Growth.planned(tune, stair, 1, Profile.usual(), choices);
    }

    /** What fits every note, found once for all stages. */
    @Benchmark
    public Choices whatFits() {
        return Growth.choices(tune, stair, Profile.usual());
    }
}
