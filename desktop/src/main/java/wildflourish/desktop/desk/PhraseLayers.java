package wildflourish.desktop.desk;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.form.Phrasing;
import wildflourish.core.instrument.Basses;
import wildflourish.core.instrument.Family;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Deed;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Span;
import wildflourish.core.version.Version;

/** Rules that hold over the chosen notes, or over the phrase where one note is chosen: which there are, which hold and in which of their ways. */
public final class PhraseLayers {
    private PhraseLayers() {}

    /** Rules that the instrument has: bars before the tune where it begins, those after it where it ends. */
    public static List<Layer.Rule> rules(Here here) {
        return Layer.Rule.of(here.sight().instrument().family()).stream()
                .filter(rule -> isInPlace(here, rule) && (rule.isTurnedOn() || has(here, rule)))
                .toList();
    }

    private static boolean isInPlace(Here here, Layer.Rule rule) {
        Optional<Span> stretch = stretch(here);
        List<Note> notes = here.sight().tune().map(Tune::notes).orElse(List.of());
        return switch (rule.work()) {
            case INTRO ->
                stretch.filter(span -> span.first().equals(notes.get(0).id())).isPresent();
            case TAG ->
                stretch.filter(span ->
                                span.last().equals(notes.get(notes.size() - 1).id()))
                        .isPresent();
            case BASS -> here.sight().instrument().family() == Family.TWO_ROW_BOX;
            default -> true;
        };
    }

    /** Over what a rule would hold: the chosen notes where they are several, else the phrase. */
    private static Optional<Span> stretch(Here here) {
        return here.sight()
                .severalNotes()
                .or(() ->
                        here.sight().tune().flatMap(tune -> here.sight().note().map(note -> phraseOf(tune, note))));
    }

    /** The layer of a rule that holds at the chosen note. */
    private static Optional<Layer> held(Here here, Layer.Rule rule) {
        Sight sight = here.sight();
        return sight.note()
                .flatMap(note -> sight.version().stream()
                        .flatMap(version -> version.layers().stream())
                        .filter(layer -> layer.rule().equals(rule)
                                && layer.covers(sight.tune().orElseThrow(), note))
                        .findFirst());
    }

    /** Whether a rule holds at the chosen note. */
    public static boolean has(Here here, Layer.Rule rule) {
        return held(here, rule).isPresent();
    }

    /** The ways that a rule has on the instrument. */
    public static List<String> ways(Here here, Layer.Rule rule) {
        return rule.options(here.sight().instrument().family());
    }

    /** In which of its ways a rule holds, or would hold, by its index; −1 where it has no choice. */
    public static int way(Here here, Layer.Rule rule) {
        List<String> ways = ways(here, rule);
        return ways.indexOf(held(here, rule)
                .map(Layer::way)
                .orElse(ways.stream().findFirst().orElse("")));
    }

    /** The basses of the left hand as they are written, of the rule that holds here or as boxes of the kind mostly have them; empty on other instruments. */
    public static Optional<String> basses(Here here) {
        return rules(here).stream()
                .filter(rule -> rule.work() == Layer.Work.BASS)
                .flatMap(rule -> held(here, rule).stream())
                .findFirst()
                .flatMap(held -> held.own().or(() -> Basses.usual(here.sight().instrument())));
    }

    /** Other basses for the left hand; what cannot be read is told and nothing changes. */
    public static Outcome setBasses(Here here, String words) {
        String plain = words.replace(" ", "");
        try {
            Basses.parse(words);
        } catch (IllegalArgumentException e) {
            return Outcome.said(String.valueOf(e.getMessage()));
        }
        return basses(here).equals(Optional.of(plain))
                ? Outcome.nothing()
                : change(here, Layer.Rule.of("bass"), Optional.of(plain));
    }

    /** A rule holds over the chosen notes or the phrase, or no longer. */
    public static Outcome turn(Here here, Layer.Rule rule) {
        return change(here, rule, has(here, rule) ? Optional.empty() : Optional.of(""));
    }

    /** A rule holds in one of its ways. */
    public static Outcome choose(Here here, Layer.Rule rule, int way) {
        return change(here, rule, Optional.of(ways(here, rule).get(way)));
    }

    /** In a way, or no longer where that is empty. */
    private static Outcome change(Here here, Layer.Rule rule, Optional<String> way) {
        Sight sight = here.sight();
        Optional<Span> stretch = stretch(here);
        if (stretch.isEmpty() || sight.stair().isEmpty()) {
            return Outcome.nothing();
        }
        Version version = sight.version().orElseThrow();
        List<Layer> layers = new ArrayList<>(version.layers());
        layers.removeIf(layer -> layer.rule().equals(rule)
                && layer.covers(sight.tune().orElseThrow(), sight.note().orElseThrow()));
        way.ifPresent(option -> layers.add(new Layer(rule, option, stretch.get(), Passes.EVERY)));
        return changed(
                here,
                layers,
                rule.name(),
                (way.isEmpty()
                                ? "No longer here: "
                                : sight.severalNotes().isPresent() ? "Over the chosen notes: " : "In this phrase: ")
                        + rule.name());
    }

    private static Outcome changed(Here here, List<Layer> layers, String name, String words) {
        Sight sight = here.sight();
        Version version = sight.version().orElseThrow();
        return Outcome.of(
                here,
                sight.stair().orElseThrow().with(sight.chosen().stage(), version.withLayers(layers)),
                new Deed(Deed.Kind.LAYER, name, version.name()),
                words);
    }

    /** The next of the rules holds in place of the one that does; after the last none. */
    public static Outcome next(Here here) {
        List<Layer.Rule> rules = rules(here);
        if (rules.isEmpty() || here.sight().stair().isEmpty()) {
            return Outcome.said("Nothing of the kind is known for this instrument.");
        }
        int held = -1;
        for (int i = 0; i < rules.size(); i++) {
            held = has(here, rules.get(i)) ? i : held;
        }
        if (held + 1 == rules.size()) {
            return turn(here, rules.get(held));
        }
        Layer.Rule next = rules.get(held + 1);
        if (held < 0) {
            return turn(here, next);
        }
        Layer old = held(here, rules.get(held)).orElseThrow();
        List<Layer> layers =
                new ArrayList<>(here.sight().version().orElseThrow().layers());
        layers.remove(old);
        layers.add(new Layer(next, "", stretch(here).orElseThrow(), Passes.EVERY));
        return changed(here, layers, next.name(), "In this phrase: " + next.name());
    }

    private static Span phraseOf(Tune tune, NoteId note) {
        List<Note> notes =
                Choosing.notesOf(tune, Phrasing.of(tune).at(tune.placeOf(note).bar()));
        return new Span(notes.get(0).id(), notes.get(notes.size() - 1).id());
    }
}
