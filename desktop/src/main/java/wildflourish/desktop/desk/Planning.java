package wildflourish.desktop.desk;

import java.util.Optional;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import wildflourish.core.form.Phrasing;
import wildflourish.core.growing.Asking;
import wildflourish.core.growing.Reading;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Deed;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.version.Wish;
import wildflourish.core.words.GrowthWords;
import wildflourish.core.words.ReadingWords;
import wildflourish.core.words.Words;

/** What a teacher wishes of a stage when it is planned, and what she takes of a plan. */
public final class Planning {
    private Planning() {}

    /** Something else is wished of the stage worked on. */
    public static Outcome wish(Here here, UnaryOperator<Wish> change, String words) {
        Sight sight = here.sight();
        if (sight.stair().isEmpty() || sight.version().isEmpty()) {
            return Outcome.nothing();
        }
        Version version = sight.version().get();
        Wish wished = change.apply(version.label().wish());
        return Outcome.of(
                here,
                sight.stair()
                        .get()
                        .with(
                                sight.chosen().stage(),
                                version.with(version.label().wishing(wished))),
                new Deed(Deed.Kind.WISH, "", here.stageName()),
                words);
    }

    /** Something else is wished of all stages above the plain one. */
    public static Outcome wishOfAll(Here here, UnaryOperator<Wish> change, String words) {
        Optional<Stair> stair = here.sight().stair();
        if (stair.isEmpty()) {
            return Outcome.nothing();
        }
        Stair wished = stair.get();
        for (int stage = 1; stage < wished.stages().size(); stage++) {
            Version version = wished.at(stage);
            wished = wished.with(
                    stage,
                    version.with(
                            version.label().wishing(change.apply(version.label().wish()))));
        }
        return Outcome.of(here, wished, new Deed(Deed.Kind.WISH, "", here.stageName()), words);
    }

    /** What was proposed is never planned there again. */
    public static Outcome refuse(Here here, Placement placement) {
        String name = Words.name(placement.stack());
        return wish(
                here,
                wish -> wish.with(Wish.Pin.never(
                        placement.span().first(), placement.stack().toString())),
                name + " is not planned here again");
    }

    /** Something is to stand at the chosen note. */
    public static Outcome askSomething(Here here) {
        return pin(here, Wish.Pin::something, "Plans put something on this note");
    }

    /** Nothing is to stand at the chosen note. */
    public static Outcome askNothing(Here here) {
        return pin(here, note -> Wish.Pin.never(note, ""), "Nothing is planned at this note");
    }

    /** One ornament more than so far is to stand in the bar of the chosen note, at least. */
    public static Outcome askInBar(Here here) {
        Optional<Tune> tune = here.sight().tune();
        Optional<NoteId> note = here.sight().note();
        if (tune.isEmpty() || note.isEmpty() || here.sight().version().isEmpty()) {
            return Outcome.nothing();
        }
        Wish now = here.sight().version().get().label().wish();
        int bar = tune.get().placeOf(note.get()).bar();
        int notes = tune.get().bars().get(bar).notes().size();
        int more = Math.min(Math.min(Wish.MOST_ASKED, notes), now.leastIn(tune.get(), bar) + 1);
        return wish(
                here,
                wish -> wish.withLeast(tune.get(), note.get(), more),
                "Plans put at least " + more + " into this bar");
    }

    /** One ornament of a kind more than so far is to stand in the phrase or the part of the chosen note, at least; any ornament where the kind is empty. */
    public static Outcome askAmong(Here here, Wish.Pin.Kind reach, Optional<Ornament.Kind> kind) {
        Optional<Tune> tune = here.sight().tune();
        Optional<NoteId> note = here.sight().note();
        if (tune.isEmpty() || note.isEmpty() || here.sight().version().isEmpty()) {
            return Outcome.nothing().saying("Choose a note first: what is asked for is for its phrase or part.");
        }
        Wish now = here.sight().version().get().label().wish();
        Wish.Pin one = Asking.pin(tune.get(), reach, note.get(), kind, 1);
        int more = Math.min(Wish.MOST_ASKED, now.asked(one) + 1);
        Wish.Pin asked = Asking.pin(tune.get(), reach, note.get(), kind, more);
        return wish(here, wish -> wish.asking(asked), "Asked for in " + GrowthWords.asked(tune.get(), asked));
    }

    /** Plans go by a pin no more that is for a bar, a phrase or a part. */
    public static Outcome lift(Here here, Wish.Pin pin) {
        return here.sight()
                .tune()
                .map(tune ->
                        wish(here, wish -> wish.lifting(pin), "No longer asked for in " + GrowthWords.asked(tune, pin)))
                .orElse(Outcome.nothing());
    }

    /** Nothing is to stand where the phrase of the chosen note is heard for the first time; where it comes again it may. */
    public static Outcome askLater(Here here) {
        Optional<NoteId> first = here.sight()
                .tune()
                .flatMap(tune ->
                        here.sight().note().flatMap(note -> Phrasing.of(tune).firstOf(note)));
        return first.map(note -> wish(
                        here,
                        wish -> wish.without(note).with(Wish.Pin.never(note, "")),
                        "Nothing is planned here the first time"))
                .orElse(Outcome.nothing()
                        .saying("This phrase comes only once: there is no later time to keep it for."));
    }

    private static Outcome pin(Here here, Function<NoteId, Wish.Pin> pin, String words) {
        return here.sight()
                .note()
                .map(note -> wish(here, wish -> wish.without(note).with(pin.apply(note)), words))
                .orElse(Outcome.nothing());
    }

    /** Plans go by no pin of the chosen note and its bar any more. */
    public static Outcome lift(Here here) {
        Optional<Tune> tune = here.sight().tune();
        return here.sight()
                .note()
                .flatMap(note -> tune.map(of ->
                        wish(here, wish -> wish.without(note).withLeast(of, note, 0), "No pin is left at this note")))
                .orElse(Outcome.nothing());
    }

    /** What a critic's remark wants: something taken away, put there or made lighter; the stair stays nested as with any placing. */
    public static Outcome mend(Here here, Reading.Remark remark) {
        Sight sight = here.sight();
        if (sight.stair().isEmpty() || sight.tune().isEmpty()) {
            return Outcome.nothing();
        }
        Tune tune = sight.tune().get();
        int stage = sight.chosen().stage();
        Stair mended = sight.stair().get();
        if (remark.takes().isPresent()) {
            mended = mended.removed(tune, stage, remark.takes().get().span().first());
        }
        if (remark.puts().isPresent()) {
            mended = mended.placed(tune, stage, remark.puts().get());
        }
        Placement subject = remark.puts().or(remark::takes).orElseThrow();
        Deed.Kind kind = remark.puts().isPresent() ? Deed.Kind.PLACE : Deed.Kind.REMOVE;
        return Outcome.of(
                        here,
                        mended,
                        new Deed(kind, Words.name(subject.stack()), here.stageName()),
                        "Mended: " + ReadingWords.of(remark, tune))
                .choosing(sight.chosen().withNote(Optional.of(remark.at())));
    }

    /** A stair with what was taken of a plan. */
    public static Outcome take(Here here, Stair taking, String what) {
        return Outcome.of(
                here,
                taking,
                new Deed(Deed.Kind.GROW, what, here.stageName()),
                "Taken into " + here.stageName() + ": " + what);
    }
}
