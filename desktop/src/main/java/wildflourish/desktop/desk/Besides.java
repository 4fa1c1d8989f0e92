package wildflourish.desktop.desk;

import java.util.List;
import java.util.stream.Stream;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Beside;
import wildflourish.core.version.Deed;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Span;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;

/** Versions beside the stair: free ones, all that fits to be thinned, one simpler than the plain tune. */
public final class Besides {
    static final String NO_STAGE = "This version stands beside the stair; go to a stage for that.";
    private static final String FULL = "Nine versions at most stand beside a stair; take one out first.";

    private Besides() {}

    /** The version worked on once more, free of the stair. */
    public static Outcome free(Here here) {
        return here.sight()
                .version()
                .map(version -> add(
                        here,
                        new Beside(Beside.Kind.FREE, version.name(), version.withName("Free")),
                        "Free of the stair, at first like " + version.name()))
                .orElse(Outcome.nothing());
    }

    /** That there is no room for another. */
    public static Outcome full() {
        return Outcome.said(FULL);
    }

    /** A version below the plain tune: the notes that matter most and wide leaps at the octave; other rules can be turned on and off over it. */
    public static Outcome simpler(Here here) {
        Sight sight = here.sight();
        List<Note> notes = sight.tune().map(Tune::notes).orElse(List.of());
        if (notes.isEmpty() || sight.version().isEmpty()) {
            return Outcome.said("There are no notes to make simpler.");
        }
        Span all = new Span(notes.get(0).id(), notes.get(notes.size() - 1).id());
        List<Layer> layers = Stream.of("hold-best", "narrow")
                .map(id -> new Layer(Layer.Rule.of(id), all, Passes.EVERY))
                .toList();
        Version simpler =
                Version.plain("Below", sight.version().get().playing()).withLayers(layers);
        return add(
                here,
                new Beside(Beside.Kind.BELOW, "the plain tune", simpler),
                "Below the plain tune: four notes a bar, those that matter most; wide leaps taken at the octave");
    }

    /** Another version beside the stair, and it is worked on. */
    public static Outcome add(Here here, Beside beside, String words) {
        Sight sight = here.sight();
        if (sight.stair().isEmpty()) {
            return Outcome.nothing();
        }
        return sight.stair()
                .get()
                .with(beside)
                .map(stair -> added(here, stair, words))
                .orElseGet(Besides::full);
    }

    private static Outcome added(Here here, Stair stair, String words) {
        int last = stair.versions().size() - 1;
        Version made = stair.at(last);
        return Outcome.of(here, stair, new Deed(Deed.Kind.BESIDE, made.name(), here.stageName()), words)
                .choosing(here.sight().chosen().withStage(last));
    }

    /** The same as it is typed; nothing typed is no aim. */
    public static Outcome aim(Here here, String typed) {
        String digits = typed.strip();
        if (digits.isEmpty()) {
            return aim(here, 0);
        }
        return digits.matches("\\d{1,3}")
                ? aim(here, Integer.parseInt(digits))
                : Outcome.said("“" + digits + "” is no count: type a number of ornaments, up to 999.");
    }

    /** How many ornaments are to be left in the version worked on; 0 for as many as there are. */
    public static Outcome aim(Here here, int aim) {
        Sight sight = here.sight();
        int stage = sight.chosen().stage();
        return sight.stair()
                .flatMap(stair -> stair.besideAt(stage)
                        .map(beside -> Outcome.of(
                                here,
                                stair.withBeside(stage, beside.withAim(aim)),
                                new Deed(Deed.Kind.AIM, String.valueOf(aim), here.stageName()),
                                aim == 0
                                        ? "Nothing is aimed at in " + here.stageName()
                                        : here.stageName() + " is to have " + aim + " ornaments in the end")))
                .orElseGet(() -> Outcome.said("A stage is not thinned to a count; make a free version of it first."));
    }
}
