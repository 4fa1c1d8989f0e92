package wildflourish.files.abc;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import wildflourish.core.arranging.StoredFigure;
import wildflourish.core.music.Metre;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Beside;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;

/**
 * Figures as tunes of an ordinary tunebook: each is the bars it is taken from, plain, and after them the version that has it. What lies outside the figure in its first
 * and last bar is left bare.
 */
public final class FigureText {
    private static final String NAME = "Figure";

    private FigureText() {}

    /** The chosen notes of a version as a lesson of a figure book, under a name and a number. */
    public static Lesson lesson(Tune tune, Version version, Span span, String name, int number) {
        int first = tune.placeOf(span.first()).bar();
        int last = tune.placeOf(span.last()).bar();
        StringBuilder text = new StringBuilder();
        text.append("X:").append(number).append("\nT:").append(name.strip()).append('\n');
        text.append("M:").append(metre(tune.metreAt(first))).append('\n');
        text.append("L:").append(tune.header().time().unitLength()).append('\n');
        text.append("K:").append(keyField(tune)).append('\n');
        List<String> bars = new ArrayList<>();
        if (!tune.form().isPickup(first)) {
            // A short bar that came first would be taken for a pickup.
            bars.add("z"
                    + tune.metreAt(first)
                            .barLength()
                            .dividedBy(tune.header().time().unitLength()));
        }
        int before = bars.size();
        for (Bar bar : tune.bars().subList(first, last + 1)) {
            bars.add(TimesText.bar(tune, bar));
        }
        text.append(String.join("|", bars)).append("|]");
        Tune own = TuneText.read(text.toString()).value();
        int shift = tune.placeOf(tune.bars().get(first).notes().get(0).id()).order() - before;
        Version placed = Version.plain(NAME, version.playing());
        for (Note note : span.notes(tune)) {
            List<Placement> options = version.at(note.id()).map(Spot::options).orElse(List.of()).stream()
                    .filter(placement -> tune.placeOf(placement.span().last()).order()
                            <= tune.placeOf(span.last()).order())
                    .map(placement -> Placement.of(
                                    placement.stack(),
                                    new Span(
                                            at(own, tune, placement.span().first(), shift),
                                            at(own, tune, placement.span().last(), shift)))
                            .withPasses(placement.passes()))
                    .toList();
            String pin = version.at(note.id()).map(Spot::pin).orElse("");
            if (!options.isEmpty() || !pin.isEmpty()) {
                NoteId there = at(own, tune, note.id(), shift);
                placed = placed.with(own, Spot.bare(there).withOptions(options).withPin(pin));
            }
        }
        List<Layer> notes = version.layers().stream()
                .filter(layer -> layer.rule().work() == Layer.Work.FIGURE)
                .filter(layer -> span.notes(tune).containsAll(layer.span().notes(tune)))
                .map(layer -> layer.over(
                        new Span(
                                at(own, tune, layer.span().first(), shift),
                                at(own, tune, layer.span().last(), shift)),
                        layer.passes()))
                .toList();
        placed = placed.withLayers(notes);
        Version plain = Version.plain("Plain", version.playing());
        String source = (tune.placeOf(span.first()).order() - shift + 1) + " to "
                + (tune.placeOf(span.last()).order() - shift + 1);
        Stair stair = new Stair(List.of(plain, plain.withName("Bare")))
                .with(new Beside(Beside.Kind.FREE, source, placed))
                .orElseThrow();
        return Lesson.plain(own).with(stair);
    }

    private static String metre(Metre metre) {
        return metre.isFree()
                ? "none"
                : metre.counts().stream().map(String::valueOf).collect(Collectors.joining("+")) + "/" + metre.unit();
    }

    private static String keyField(Tune tune) {
        return tune.manuscript()
                .text()
                .lines()
                .filter(line -> line.startsWith("K:"))
                .findFirst()
                .map(line -> line.substring(2).replaceFirst("%.*", "").strip())
                .orElse("C");
    }

    private static NoteId at(Tune own, Tune tune, NoteId note, int shift) {
        return own.notes().get(tune.placeOf(note).order() - shift).id();
    }

    /** The figure of a lesson of a figure book; empty for a tune that is none. */
    public static Optional<StoredFigure> figure(Lesson lesson) {
        return lesson.stairs().stream()
                .flatMap(stair -> stair.beside().stream())
                .filter(beside -> beside.source().matches("\\d{1,3} to \\d{1,3}"))
                .findFirst()
                .flatMap(beside -> {
                    String[] ends = beside.source().split(" to ", 2);
                    int first = Integer.parseInt(ends[0]);
                    int last = Integer.parseInt(ends[1]);
                    List<Note> notes = lesson.tune().notes();
                    return first < 1 || last > notes.size() || first > last
                            ? Optional.empty()
                            : Optional.of(new StoredFigure(
                                    lesson.tune(),
                                    beside.version(),
                                    new Span(
                                            notes.get(first - 1).id(),
                                            notes.get(last - 1).id())));
                });
    }
}
