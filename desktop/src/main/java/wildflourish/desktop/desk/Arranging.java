package wildflourish.desktop.desk;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.arranging.Mix;
import wildflourish.core.arranging.StoredFigure;
import wildflourish.core.form.Phrase;
import wildflourish.core.form.Phrasing;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Beside;
import wildflourish.core.version.Book;
import wildflourish.core.version.BookItem;
import wildflourish.core.version.Change;
import wildflourish.core.version.Deed;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Shaping;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Times;
import wildflourish.core.version.Version;
import wildflourish.core.words.TimesWords;
import wildflourish.files.abc.FigureText;

/** Versions put together: a phrase of one taken into another, and which is played each time through. */
public final class Arranging {
    private Arranging() {}

    /** The phrase of the chosen note as another version has it, in the version worked on. Where a stair could not bear that, it becomes a free version. */
    public static Outcome takePhrase(Here here, int other) {
        Sight sight = here.sight();
        Optional<Stair> stair = sight.stair();
        Optional<NoteId> note = sight.note();
        if (stair.isEmpty() || note.isEmpty() || other == sight.chosen().stage()) {
            return Outcome.said("Choose another version to take the phrase from.");
        }
        Tune tune = sight.tune().orElseThrow();
        int stage = sight.chosen().stage();
        Version from = stair.get().at(other);
        int index = phrase(tune, note.get());
        String name = Phrasing.of(tune).phrases().get(index).name();
        Mix mix =
                Mix.of(tune, stair.get().at(stage), from, index, sight.chosen().profile());
        String words = name + " is as " + from.name() + " has it"
                + (mix.joins().isEmpty()
                        ? ""
                        : "; look at the joins: " + mix.joins().size() + " to mend");
        Deed deed = new Deed(Deed.Kind.TAKE_PHRASE, from.name(), here.stageName());
        Shaping shaping = here.isBeside()
                ? new Shaping(stair.get().with(stage, mix.version()), List.of())
                : Shaping.replaced(tune, stair.get(), stage, mix.version());
        boolean isKept = shaping.losses().isEmpty() && shaping.stair().at(stage).equals(mix.version());
        return isKept
                ? Outcome.of(here, shaping.stair(), deed, words)
                : Besides.add(
                        here,
                        new Beside(
                                Beside.Kind.FREE,
                                here.stageName() + " with " + name + " of " + from.name(),
                                mix.version().withName("Mixed")),
                        "A stage must bear what the one below has, so this is a free version: " + words);
    }

    /** A figure put into the version worked on; where the stair could not bear that it goes up and down like any placement. */
    public static Outcome put(Here here, StoredFigure figure, StoredFigure.Place place) {
        Sight sight = here.sight();
        if (sight.stair().isEmpty() || sight.version().isEmpty()) {
            return Outcome.nothing();
        }
        Tune tune = sight.tune().orElseThrow();
        int stage = sight.chosen().stage();
        Stair stair = sight.stair().get();
        Span at = place.span();
        Version put = figure.put(tune, stair.at(stage), at, place.steps());
        Stair after = stair;
        for (Note note : at.notes(tune)) {
            after = after.removed(tune, stage, note.id());
        }
        for (Note note : at.notes(tune)) {
            Optional<Spot> spot = put.at(note.id());
            Optional<Placement> placement = spot.flatMap(Spot::first);
            if (placement.isPresent()) {
                after = after.placed(tune, stage, placement.get()).withSpot(tune, stage, spot.get());
            }
            String pin = spot.map(Spot::pin).orElse("");
            if (!pin.isEmpty()) {
                after = after.pinned(note.id(), pin);
            }
        }
        for (int i = stage; i < after.versions().size(); i++) {
            if (i == stage || (stair.isStage(stage) && stair.isStage(i))) {
                after = after.with(i, after.at(i).withLayers(layers(tune, after.at(i), put, at)));
            }
        }
        return Outcome.of(
                        withCopy(sight, sight.lesson().orElseThrow().with(after), figure, here.stageName()),
                        figure.name() + " put into " + here.stageName())
                .choosing(sight.chosen().withNote(Optional.of(at.first())));
    }

    /** The rules of a version with the figure's notes over its place, and without those of another figure there. */
    private static List<Layer> layers(Tune tune, Version version, Version put, Span at) {
        List<Layer> layers = new ArrayList<>();
        for (Version each : List.of(version, put)) {
            each.layers().stream()
                    .filter(layer -> layer.rule().work() != Layer.Work.FIGURE
                            ? each.equals(version)
                            : layer.span().overlaps(at, tune) == each.equals(put))
                    .forEach(layers::add);
        }
        return layers;
    }

    /** The changed lesson, and at the end of the book a copy of the figure, where the book has none: so whoever has the book has the figure. */
    private static Change withCopy(Sight sight, Lesson lesson, StoredFigure figure, String stage) {
        Book book = sight.book();
        Deed deed = new Deed(Deed.Kind.PLACE, figure.name(), stage);
        boolean isThere = book.lessons().stream()
                .flatMap(each -> FigureText.figure(each).stream())
                .anyMatch(each -> each.name().equals(figure.name()));
        if (isThere) {
            return Change.of(book, sight.lessonIndex(), lesson, deed);
        }
        int item = book.itemOf(sight.lessonIndex());
        List<BookItem> before = book.items().subList(item, book.items().size());
        List<BookItem> after = new ArrayList<>(before);
        after.set(0, lesson);
        if (!(after.get(after.size() - 1) instanceof BookItem.Text)) {
            after.add(new BookItem.Text("\n\n"));
        }
        Lesson copy = FigureText.lesson(
                figure.tune(), figure.version(), figure.span(), figure.name(), book.highestNumber() + 1);
        after.add(copy);
        after.add(new BookItem.Text("\n\n"));
        return new Change(item, before, after, deed);
    }

    /** The phrase in which a note stands, by its place among the phrases. */
    private static int phrase(Tune tune, NoteId note) {
        Phrase phrase = Phrasing.of(tune).at(tune.placeOf(note).bar());
        return Phrasing.of(tune).phrases().indexOf(phrase);
    }

    /** Which version is played each time through; nothing where none is planned any more. */
    public static Outcome plan(Here here, Optional<Times> times) {
        return here.sight()
                .stair()
                .map(stair -> Outcome.of(
                        here,
                        stair.with(times),
                        new Deed(Deed.Kind.PLAN, "", here.stageName()),
                        times.map(plan -> "Times through: " + TimesWords.of(plan))
                                .orElse("No times through are planned")))
                .orElse(Outcome.nothing());
    }
}
