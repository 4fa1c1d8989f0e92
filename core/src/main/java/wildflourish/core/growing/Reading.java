package wildflourish.core.growing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import wildflourish.core.hand.Attempt;
import wildflourish.core.hand.Made;
import wildflourish.core.hand.Scene;
import wildflourish.core.hand.Voice;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Facts;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Part;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;

/** A critic's reading of a version, whoever made it, by what its stage bears: advice, each with what mends it. What cannot be played at all is told elsewhere. */
public final class Reading {
    /** Intervals in semitones, octaves aside, that grate when they are held: seconds, the tritone and the great seventh. */
    private static final Set<Integer> GRATING = Set.of(1, 2, 6, 11);

    private static final int OCTAVE = 12;
    private static final Fraction CROTCHET = Fraction.of(1, 4);
    private static final int FIRST_WITH_ENDINGS = 2;

    /** What a remark is about. */
    public enum Kind {
        TOO_THICK,
        TOO_ALIKE,
        TOO_MUCH,
        NO_BREATH,
        TOO_FAST,
        TOO_HARD,
        ENDING_UNMARKED,
        GRATES
    }

    /**
     * One thing to be said.
     *
     * @param at the note at which it is
     * @param takes what is taken away to mend it; empty where something is added
     * @param puts what is put there to mend it; empty where it is enough to take something away
     * @param amount how many, or by how much: ornaments of the bar, weight of the phrase, difficulty, percent too fast
     */
    public record Remark(Kind kind, NoteId at, Optional<Placement> takes, Optional<Placement> puts, int amount) {}

    private final Tune tune;
    private final Stair stair;
    private final int stage;
    private final Version version;
    private final Choices choices;
    private final Taste taste;
    private final Liking liking;
    private final Scene scene;
    private final List<Option> standing;
    private final List<Remark> remarks = new ArrayList<>();

    private Reading(Tune tune, Stair stair, int index, Profile profile, Choices choices) {
        this.tune = tune;
        this.stair = stair;
        // What stands beside the stages is read as the fullest of them.
        this.stage = stair.isStage(index) ? index : stair.stages().size() - 1;
        this.version = stair.at(index);
        this.choices = choices;
        this.taste = StageTasks.taste(stair, stage, profile);
        this.liking = choices.liking(version);
        this.scene = Scene.of(tune, version, profile);
        this.standing = Dressing.of(version).stream()
                .map(each -> choices.standing(each, taste, liking))
                .sorted(Comparator.comparingInt(Option::from))
                .toList();
    }

    /**
     * Everything there is to say, in the order of the tune; nothing of a plain version.
     *
     * @param choices what fits the tune, as {@link Growth#choices} finds it
     */
    public static List<Remark> of(Tune tune, Stair stair, int index, Profile profile, Choices choices) {
        boolean isRead = index > 0 && !stair.at(index).isPlain();
        return isRead ? new Reading(tune, stair, index, profile, choices).read() : List.of();
    }

    private List<Remark> read() {
        ofPhrases();
        ofPlacements();
        ofEndings();
        remarks.sort(
                Comparator.comparingInt((Remark remark) -> order(remark.at())).thenComparing(Remark::kind));
        return List.copyOf(remarks);
    }

    private int order(NoteId note) {
        return tune.placeOf(note).order();
    }

    private NoteId note(int index) {
        return tune.notes().get(index).id();
    }

    private void ofPhrases() {
        Task task = new Task(choices.row(), taste.level().bearing(choices.row(), standing, List.of()), List.of());
        Set<Integer> thick = new TreeSet<>();
        for (Ledger.Term term : task.ledger(standing).terms()) {
            switch (term.kind()) {
                case THICK -> {
                    // One remark a bar, at the last ornament that is too many.
                    if (isBeyond(term) && thick.add(choices.row().bars().get(term.note()))) {
                        about(Kind.TOO_THICK, term, inBar(term.note()));
                    }
                }
                case NEAR -> ofNeighbours(term);
                case BREATH ->
                    longest(term.note())
                            .ifPresent(option -> remarks.add(new Remark(
                                    Kind.NO_BREATH,
                                    note(option.from()),
                                    Optional.of(choices.placement(option)),
                                    Optional.empty(),
                                    0)));
                default -> {}
            }
        }
        for (NoteRow.Stretch stretch : choices.row().stretches()) {
            List<Option> here = in(stretch);
            int weight = here.stream().mapToInt(Option::weight).sum();
            int most = taste.level().load().most();
            if (!stretch.isPickup() && weight > most) {
                weakest(here)
                        .ifPresent(option -> remarks.add(new Remark(
                                Kind.TOO_MUCH,
                                note(option.from()),
                                Optional.of(choices.placement(option)),
                                Optional.empty(),
                                weight)));
            }
        }
    }

    /** Whether a stage bears no ornament there at all, however good. */
    private boolean isBeyond(Ledger.Term term) {
        int bar = choices.row().bars().get(term.note());
        int free = taste.level()
                .freeIn(choices.row().barLengths().get(bar), choices.row().semibreve());
        return inBar(term.note()) > free + taste.level().thick().size();
    }

    private int inBar(int note) {
        int bar = choices.row().bars().get(note);
        return (int) standing.stream()
                .filter(option -> choices.row().bars().get(option.from()) == bar)
                .count();
    }

    private List<Option> in(NoteRow.Stretch stretch) {
        return standing.stream()
                .filter(option -> stretch.first() <= option.from() && option.to() <= stretch.last())
                .toList();
    }

    private static Optional<Option> weakest(List<Option> options) {
        return options.stream().min(Comparator.comparingInt(Option::gain));
    }

    private void about(Kind kind, Ledger.Term term, int amount) {
        int bar = choices.row().bars().get(term.note());
        List<Option> here = standing.stream()
                .filter(option -> choices.row().bars().get(option.from()) == bar)
                .toList();
        weakest(here)
                .ifPresent(option -> remarks.add(new Remark(
                        kind, note(option.from()), Optional.of(choices.placement(option)), Optional.empty(), amount)));
    }

    /** The same ornament three times in a row, each right after the other. */
    private void ofNeighbours(Ledger.Term term) {
        int index = term.option().map(standing::indexOf).orElse(-1);
        if (index < 2) {
            return;
        }
        Option third = standing.get(index);
        Option second = standing.get(index - 1);
        Option first = standing.get(index - 2);
        boolean areAlike = third.name().equals(second.name())
                && second.name().equals(first.name())
                && third.from() == second.to()
                && second.from() == first.to();
        if (areAlike) {
            remarks.add(new Remark(
                    Kind.TOO_ALIKE, note(second.from()), Optional.of(choices.placement(second)), Optional.empty(), 0));
        }
    }

    /** The heaviest ornament on a crotchet or more in the phrase that begins with a note: without it somebody could breathe there. */
    private Optional<Option> longest(int first) {
        return choices.row().stretches().stream()
                .filter(stretch -> stretch.first() == first)
                .flatMap(stretch -> in(stretch).stream())
                .filter(option -> choices.row().length(option.from(), option.to())
                        >= choices.row().crotchet())
                .max(Comparator.comparingInt(Option::weight));
    }

    private void ofPlacements() {
        for (Placement placement : Dressing.of(version)) {
            Optional<Fit> fit = WhatFits.verdict(scene, placement);
            NoteId at = placement.span().first();
            int hardest = taste.limits().hardest();
            int difficulty = placement.stack().difficulty();
            int tooFast = fit.map(Fit::facts).map(this::percentTooFast).orElse(0);
            if (tooFast > 0) {
                remarks.add(new Remark(Kind.TOO_FAST, at, Optional.of(placement), lighter(placement), tooFast));
            } else if (difficulty > hardest) {
                remarks.add(new Remark(Kind.TOO_HARD, at, Optional.of(placement), lighter(placement), difficulty));
            }
            if (grates(placement)) {
                remarks.add(new Remark(Kind.GRATES, at, Optional.of(placement), Optional.empty(), 0));
            }
        }
    }

    /** By how many percent the stage's tempo is faster than what is clean; 0 where it is clean. */
    private int percentTooFast(Facts facts) {
        return facts.cleanUpTo()
                .map(limit -> {
                    Fraction share = limit.millisOf(Fraction.ONE)
                            .dividedBy(version.playing().tempo().millisOf(Fraction.ONE));
                    double percent = 100 * (share.toDouble() - 1);
                    return percent <= 0 ? 0 : Math.max(1, (int) Math.round(percent));
                })
                .orElse(0);
    }

    /** The heaviest that it grows from and that is clean and not too hard there. */
    private Optional<Placement> lighter(Placement placement) {
        return choices.found(placement.span().first()).stream()
                .filter(other -> placement.span().equals(other.placement().span())
                        || other.placement()
                                .span()
                                .first()
                                .equals(placement.span().first()))
                .filter(other -> placement
                        .stack()
                        .isGrownFrom(
                                other.placement().stack(), stair.instrument().family()))
                .filter(other -> percentTooFast(other.facts()) == 0
                        && other.placement().stack().difficulty()
                                <= taste.limits().hardest())
                .max(Comparator.comparingInt(other -> other.placement().stack().weight()))
                .map(Fit::placement);
    }

    /** Whether notes that sound together for a crotchet or more lie a second, a tritone or a great seventh apart. */
    private boolean grates(Placement placement) {
        Note first = tune.note(placement.span().first());
        boolean isHeld = placement.ornament().kind() == Ornament.Kind.DOUBLE_STOP
                && !first.played().isLessThan(CROTCHET);
        List<WrittenPitch> pitches = isHeld
                ? scene.attempt(placement)
                        .filter(attempt -> attempt.hitches().isEmpty())
                        .flatMap(Attempt::made)
                        .map(Reading::lastSounding)
                        .orElse(List.of())
                : List.of();
        for (WrittenPitch one : pitches) {
            for (WrittenPitch other : pitches) {
                int interval = Math.floorMod(one.midi() - other.midi(), OCTAVE);
                if (one.midi() > other.midi() && GRATING.contains(interval)) {
                    return true;
                }
            }
        }
        return false;
    }

    private static List<WrittenPitch> lastSounding(Made made) {
        List<Made.Part> parts = made.parts();
        return parts.get(parts.size() - 1).landing().voices().stream()
                .map(Voice::written)
                .flatMap(Optional::stream)
                .toList();
    }

    /** From the second stage on the last bar of a part wants a mark, where something good fits it. */
    private void ofEndings() {
        if (stage < FIRST_WITH_ENDINGS) {
            return;
        }
        for (Part part : tune.form().parts()) {
            List<Note> notes = tune.bars().get(part.lastBar()).notes();
            boolean isMarked =
                    standing.stream().anyMatch(option -> choices.row().bars().get(option.from()) == part.lastBar());
            Optional<Placement> best = notes.stream()
                    .flatMap(note -> choices.found(note.id()).stream())
                    .map(Fit::placement)
                    .filter(placement ->
                            choices.standing(placement, taste, liking).gain() > 0
                                    && placement.stack().stage() <= stage
                                    && placement.stack().difficulty()
                                            <= taste.limits().hardest())
                    .max(Comparator.comparingInt(placement ->
                            choices.standing(placement, taste, liking).gain()));
            if (!isMarked && best.isPresent()) {
                remarks.add(new Remark(
                        Kind.ENDING_UNMARKED, best.get().span().first(), Optional.empty(), best, part.lastBar()));
            }
        }
    }
}
