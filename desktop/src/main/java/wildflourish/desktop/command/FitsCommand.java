package wildflourish.desktop.command;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import wildflourish.core.fingering.FingeringPath;
import wildflourish.core.fingering.Habit;
import wildflourish.core.hand.Attempt;
import wildflourish.core.hand.HandCost;
import wildflourish.core.hand.Held;
import wildflourish.core.hand.Scene;
import wildflourish.core.hand.Ways;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Reason;
import wildflourish.core.ornament.Refusal;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.Question;
import wildflourish.core.placing.Verdict;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.words.Words;

@Command(
        name = "fits",
        description = "Says of every ornament whether it fits a note of a tune, why, and up to which tempo.")
final class FitsCommand implements Callable<Integer> {
    private static final int PLACES = 4;

    @Spec
    private CommandSpec spec = CommandSpec.create();

    @Mixin
    private SpotAsked spot = new SpotAsked();

    @Option(
            names = "--note",
            required = true,
            description = "the note, counted from 1 over those that sound, tied ones too")
    private int note;

    @Option(names = "--notes", description = "over how many notes; every span that begins there without it")
    private Optional<Integer> notes = Optional.empty();

    @Option(names = "--school", description = "schools joined by +: an ornament's own, of striking, of the hand")
    private String school = "–";

    @Option(names = "--student", description = "fluent, steady or learner")
    private String student = Profile.usual().id();

    @Option(names = "--ornament", description = "one ornament, one layer, or plain; everything without it")
    private Optional<String> ornament = Optional.empty();

    @Option(names = "--format", description = "table, json or csv")
    private Listing.Format format = Listing.Format.TABLE;

    @Override
    public Integer call() {
        SpotAsked.Found found = spot.read(spec.commandLine().getErr(), note);
        try {
            Question question = Question.of(found.tune(), found.version(), Asked.profile(student), school, note);
            List<Verdict> verdicts = verdicts(question);
            List<Map<String, ?>> rows = new ArrayList<>();
            HandCost cost = HandCost.of(Scene.of(question.tune(), question.version(), Asked.profile(student)));
            for (Verdict verdict : verdicts) {
                rows.add(row(question, verdict, cost));
            }
            Listing.print(spec.commandLine().getOut(), rows, format, Legends.verdicts(verdicts));
        } catch (IllegalArgumentException e) {
            throw new UsageException(String.valueOf(e.getMessage()));
        }
        return Flourish.DONE;
    }

    private List<Verdict> verdicts(Question question) {
        if (ornament.isEmpty()) {
            return question.all(notes);
        }
        if (notes.isPresent() || ornament.get().equals(Ornament.PLAIN)) {
            return List.of(question.about(ornament.get(), notes.orElse(1)));
        }
        return question.spans(ornament.get());
    }

    private Map<String, Object> row(Question question, Verdict verdict, HandCost cost) {
        Map<String, Object> row = new LinkedHashMap<>();
        row.put("ornament", verdict.ornament());
        row.put("first", note);
        row.put("count", verdict.count());
        row.put("fits", verdict.fits());
        row.put("cleanTo", verdict.cleanUpTo().map(tempo -> decimal(tempo.beatsPerMinute())));
        row.put("needsMillis", decimal(verdict.needMillis()));
        row.put(
                "reasons",
                verdict.reasons().stream()
                        .filter(each -> !each.isAgainst())
                        .map(Reason::id)
                        .toList());
        row.put(
                "against",
                verdict.reasons().stream()
                        .filter(Reason::isAgainst)
                        .map(Reason::id)
                        .toList());
        row.put("refusals", verdict.refusals().stream().map(Refusal::id).toList());
        row.put("sentence", sentence(verdict));
        row.put(
                "hold",
                hold(verdict)
                        .map(Held::fingering)
                        .map(Fingering::toString)
                        .or(() -> holdOnStrings(verdict))
                        .orElse("–"));
        Optional<Double> more =
                verdict.fit().flatMap(fit -> cost.told(fit.placement())).map(HandCost.Told::more);
        row.put("handCost", more.map(FitsCommand::rounded).orElseGet(() -> handCost(question, verdict)));
        return row;
    }

    private static BigDecimal decimal(Fraction exact) {
        return new BigDecimal(exact.numerator())
                .divide(new BigDecimal(exact.denominator()), PLACES, RoundingMode.HALF_UP);
    }

    private static String sentence(Verdict verdict) {
        return verdict.fit().map(Words::why).orElseGet(() -> Words.why(verdict));
    }

    /** How the first note is held under the ornament. */
    private static Optional<Held> hold(Verdict verdict) {
        return verdict.fit()
                .map(Fit::facts)
                .flatMap(facts -> facts.attempt())
                .flatMap(Attempt::made)
                .flatMap(made ->
                        made.parts().get(made.parts().size() - 1).landing().held());
    }

    private static Optional<String> holdOnStrings(Verdict verdict) {
        return verdict.fit().flatMap(fit -> fit.facts().attempt()).flatMap(Attempt::hold);
    }

    /** On holes what holding the notes so costs on the way through the whole tune, in fingers moved. */
    private static double handCost(Question question, Verdict verdict) {
        Optional<Held> held = hold(verdict);
        if (held.isEmpty()) {
            return 0;
        }
        Ways ways = Ways.of(question.tune(), question.version(), question.profile());
        Map<NoteId, Fingering> pins = new LinkedHashMap<>(Ways.pins(question.tune(), question.version()));
        Note first = Question.sounding(question.tune(), question.note());
        pins.put(first.id(), held.get().fingering());
        double with = FingeringPath.of(
                        question.tune().notes(),
                        question.version().playing().instrument(),
                        pins,
                        Habit.of(question.profile().otherHand(), question.tune()))
                .cost();
        return rounded(with - ways.path().cost());
    }

    private static double rounded(double cost) {
        return Double.isInfinite(cost) ? cost : Math.round(cost * 10_000) / 10_000.0;
    }
}
