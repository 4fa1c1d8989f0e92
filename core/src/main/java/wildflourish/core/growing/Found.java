package wildflourish.core.growing;

import java.util.List;
import java.util.Optional;
import wildflourish.core.hand.Attempt;
import wildflourish.core.hand.Made;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Metre;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Stack;
import wildflourish.core.placing.Fit;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NotePlace;
import wildflourish.core.tune.Part;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Wish;

/**
 * Something that fits.
 *
 * @param span the boundaries of the row that it lies between, and the fingers that it begins and leaves with
 * @param traits what it is worth something for
 * @param hand points for what it alone asks of the hand on strings and buttons more than the notes it stands on
 */
record Found(Placement placement, String name, Fit fit, Reach span, Traits traits, int hand) {
    private static final Fraction QUAVER = Fraction.of(1, 8);
    private static final Fraction CROTCHET = Fraction.of(1, 4);

    /**
     * Where it lies in the row and under the hand.
     *
     * @param begins the number of the finger that it begins with; {@link Option#NONE} where that does not matter
     * @param leaves the number of the finger that it leaves with
     */
    record Reach(int from, int to, int begins, int leaves) {}

    /**
     * What is the same of it at every stage.
     *
     * @param rank points of its reasons
     * @param beats twice on the first beat, once on another
     * @param isHeld whether its note is a crotchet or longer
     * @param isShort whether it has less than a quaver
     * @param isAtTurn whether it comes less than a crotchet before a part ends
     */
    record Traits(int rank, int weight, int beats, boolean isHeld, boolean isShort, boolean isAtTurn) {
        static Traits of(Fit fit, Tune tune) {
            Note first = tune.note(fit.placement().span().first());
            return new Traits(
                    fit.rank(),
                    fit.placement().stack().weight(),
                    Found.beats(first, tune),
                    !first.played().isLessThan(CROTCHET),
                    fit.facts().lengthWholeNotes().isLessThan(QUAVER),
                    Found.isAtTurn(first, tune));
        }
    }

    static Found of(Fit fit, Tune tune, int hand) {
        Placement placement = fit.placement();
        Optional<Made> made = fit.facts().attempt().flatMap(Attempt::made);
        Reach span = new Reach(
                tune.placeOf(placement.span().first()).order(),
                tune.placeOf(placement.span().last()).order() + 1,
                made.flatMap(Made::firstFinger).orElse(Option.NONE),
                made.flatMap(Made::lastFinger).orElse(Option.NONE));
        return new Found(placement, placement.stack().toString(), fit, span, Traits.of(fit, tune), hand);
    }

    /** Twice on the first beat, once on another. */
    static int beats(Note note, Tune tune) {
        NotePlace place = tune.placeOf(note.id());
        Metre metre = tune.metreAt(place.bar());
        Fraction count = metre.isCompound() ? metre.countLength() : CROTCHET;
        return place.offset().isZero() ? 2 : place.offset().modulo(count).isZero() ? 1 : 0;
    }

    private static boolean isAtTurn(Note note, Tune tune) {
        NotePlace place = tune.placeOf(note.id());
        Part part = tune.form().partAt(place.bar());
        return place.bar() == part.lastBar()
                && tune.bars().get(place.bar()).length().minus(place.offset()).isLessThan(CROTCHET);
    }

    int from() {
        return span.from();
    }

    int to() {
        return span.to();
    }

    /** Whether it is of the kinds of a stage, and clean at all of some tempos. */
    boolean isAllowed(Taste taste, List<Tempo> clean) {
        Stack stack = placement.stack();
        return stack.stage() <= taste.limits().highest()
                && stack.difficulty() <= taste.limits().hardest()
                && !(traits.isShort() && taste.worth().shortNote().isEmpty())
                && clean.stream()
                        .allMatch(tempo ->
                                fit.facts().isCleanAt(tempo, taste.limits().margin()));
    }

    boolean isRefused(Wish wish) {
        return wish.refuses(placement.span().first(), name)
                || placement.stack().choices().stream()
                        .anyMatch(choice ->
                                wish.never().contains(choice.ornament().id()));
    }

    /** With the points that it has at a stage by itself; {@code isHandInRank}: whether those of its reasons have what it asks of the hand. */
    Option option(Taste taste, Liking liking, boolean isHandInRank) {
        Taste.Worth worth = taste.worth();
        return option(traits.rank()
                + (worth.place() + liking.lean().place()) * traits.beats()
                + (traits.isHeld() ? worth.held() : 0)
                + (worth.size() + liking.lean().size()) * traits.weight()
                + liking.of(placement.stack())
                - liking.lean().fee()
                - (isHandInRank ? 0 : hand)
                - worth.fee()
                - worth.toil() * placement.stack().difficulty()
                + (traits.isAtTurn() ? worth.turn() : 0)
                - (traits.isShort() ? worth.shortNote().orElse(0) : 0));
    }

    Option option(int gain) {
        return new Option(
                from(),
                to(),
                name,
                placement.ornament().kind().ordinal(),
                span.begins(),
                span.leaves(),
                traits.weight(),
                gain);
    }
}
