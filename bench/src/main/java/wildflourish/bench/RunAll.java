package wildflourish.bench;

import java.util.Locale;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import wildflourish.core.ornament.Profile;
import wildflourish.core.performance.Realiser;
import wildflourish.core.tune.Tune;

/** Runs all rows, or those whose names are given. */
public final class RunAll {
    private RunAll() {}

    public static void main(String[] arguments) throws Exception {
        Tune tune = Long64.tune();
        double seconds = Realiser.realise(tune, Long64.version(tune), Profile.usual())
                        .endMillis()
                        .toDouble()
                / 1000;
        System.out.printf(Locale.ROOT, "The 64 bars, repeats played, last %.1f s.%n", seconds);
        OptionsBuilder options = new OptionsBuilder();
        options.include(arguments.length == 0 ? Budgets.class.getName() : arguments[0]);
        new Runner(options.build()).run();
    }
}
