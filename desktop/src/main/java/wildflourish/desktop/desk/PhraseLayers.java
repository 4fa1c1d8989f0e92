package wildflourish.desktop.desk;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.form.Phrase;
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

/** Rules that hold over the phrase of the chosen note: which there are, which hold and in which of their ways. */
public final class PhraseLayers {
    private final Desk desk;

    PhraseLayers(Desk desk) {
        this.desk = desk;
    }

    /** Rules over the phrase that the instrument has: bars before the tune where it begins, those after it where it ends. */
    public List<Layer.Rule> rules() {
        return Layer.Rule.of(desk.sight().get().chosen().instrument().family()).stream()
                .filter(this::isInPlace)
                .toList();
    }

    private boolean isInPlace(Layer.Rule rule) {
        Sight current = desk.sight().get();
        Optional<Span> phrase = current.tune().flatMap(tune -> current.note().map(note -> phraseOf(tune, note)));
        List<Note> notes = current.tune().map(Tune::notes).orElse(List.of());
        return switch (rule.work()) {
            case INTRO ->
                phrase.filter(span -> span.first().equals(notes.get(0).id())).isPresent();
            case TAG ->
                phrase.filter(span ->
                                span.last().equals(notes.get(notes.size() - 1).id()))
                        .isPresent();
            case BASS -> current.chosen().instrument().family() == Family.TWO_ROW_BOX;
            default -> true;
        };
    }

    /** The layer of a rule that holds at the chosen note. */
    private Optional<Layer> held(Layer.Rule rule) {
        Sight current = desk.sight().get();
        return current.note()
                .flatMap(note -> current.version().stream()
                        .flatMap(version -> version.layers().stream())
                        .filter(layer -> layer.rule().equals(rule)
                                && layer.covers(current.tune().orElseThrow(), note))
                        .findFirst());
    }

    /** Whether a rule holds at the chosen note. */
    public boolean has(Layer.Rule rule) {
        return held(rule).isPresent();
    }

    /** The ways that a rule has on the instrument. */
    public List<String> ways(Layer.Rule rule) {
        return rule.options(desk.sight().get().chosen().instrument().family());
    }

    /** In which of its ways a rule holds, or would hold, by its index; −1 where it has no choice. */
    public int way(Layer.Rule rule) {
        List<String> ways = ways(rule);
        return ways.indexOf(
                held(rule).map(Layer::way).orElse(ways.stream().findFirst().orElse("")));
    }

    /** The basses of the left hand as they are written, of the rule that holds here or as boxes of the kind mostly have them; empty on other instruments. */
    public Optional<String> basses() {
        Optional<Layer> layer = rules().stream()
                .filter(rule -> rule.work() == Layer.Work.BASS)
                .flatMap(rule -> held(rule).stream())
                .findFirst();
        return layer.flatMap(held ->
                held.own().or(() -> Basses.usual(desk.sight().get().chosen().instrument())));
    }

    /** Other basses for the left hand in the phrase of the chosen note; what cannot be read is told and nothing changes. */
    public void setBasses(String words) {
        try {
            Basses.parse(words);
        } catch (IllegalArgumentException e) {
            desk.say(String.valueOf(e.getMessage()));
            return;
        }
        if (!basses().equals(Optional.of(words.replace(" ", "")))) {
            change(Layer.Rule.of("bass"), Optional.of(words.replace(" ", "")));
        }
    }

    /** A rule holds over the phrase of the chosen note, or no longer. */
    public void turn(Layer.Rule rule) {
        boolean hadIt = has(rule);
        change(rule, hadIt ? Optional.empty() : Optional.of(""));
    }

    /** A rule holds over the phrase in one of its ways. */
    public void choose(Layer.Rule rule, int way) {
        change(rule, Optional.of(ways(rule).get(way)));
    }

    /** In a way, or no longer where that is empty. */
    private void change(Layer.Rule rule, Optional<String> way) {
        Sight current = desk.sight().get();
        if (current.tune().isEmpty()
                || current.note().isEmpty()
                || current.stair().isEmpty()) {
            return;
        }
        Tune tune = current.tune().get();
        Version version = current.version().orElseThrow();
        List<Layer> layers = new ArrayList<>(version.layers());
        layers.removeIf(layer ->
                layer.rule().equals(rule) && layer.covers(tune, current.note().get()));
        way.ifPresent(option ->
                layers.add(new Layer(rule, option, phraseOf(tune, current.note().get()), Passes.EVERY)));
        desk.change(
                current.stair().get().with(current.chosen().stage(), version.withLayers(layers)),
                new Deed(Deed.Kind.LAYER, rule.name(), version.name()));
        desk.say(way.isEmpty() ? "No longer here: " + rule.name() : "In this phrase: " + rule.name());
    }

    /** The next of the rules holds over the phrase in place of the one that does; after the last none. */
    public void next() {
        List<Layer.Rule> rules = rules();
        if (rules.isEmpty()) {
            desk.say("Nothing of the kind is known for this instrument.");
            return;
        }
        int held = -1;
        for (int i = 0; i < rules.size(); i++) {
            held = has(rules.get(i)) ? i : held;
        }
        if (held >= 0) {
            turn(rules.get(held));
        }
        if (held + 1 < rules.size()) {
            turn(rules.get(held + 1));
        }
    }

    private static Span phraseOf(Tune tune, NoteId note) {
        Phrase phrase = Phrasing.of(tune).at(tune.placeOf(note).bar());
        List<Note> notes = tune.bars().subList(phrase.firstBar(), phrase.lastBar() + 1).stream()
                .flatMap(bar -> bar.notes().stream())
                .toList();
        return new Span(notes.get(0).id(), notes.get(notes.size() - 1).id());
    }
}
