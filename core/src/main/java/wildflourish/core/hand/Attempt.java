package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.fingering.Manners;
import wildflourish.core.fingering.StringPath;
import wildflourish.core.instrument.PickingHand;
import wildflourish.core.line.Tone;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Begin;
import wildflourish.core.ornament.Choice;
import wildflourish.core.ornament.Figure;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Refusal;
import wildflourish.core.ornament.Share;
import wildflourish.core.ornament.Stack;
import wildflourish.core.tune.Tune;

/**
 * A stack of ornaments tried on tones of a line: its figure, what the hand makes of it, and the times that must be there for it.
 *
 * @param figure empty where the stack has none for such a span
 * @param clash the two ornaments of which both want the same; empty where all go together
 * @param hitches everything that the hand and the instrument have against it, time left aside; in the order in which it is told
 * @param made empty where the hand cannot make it
 * @param traits what speaks for or against the way in which it is made
 * @param hold how its first note is held on strings, as pins name it
 * @param price what it costs the hand over the whole tune; empty where that is not known
 * @param limits stretches of time that must last so long at least
 */
public record Attempt(
        Occasion occasion,
        Optional<Figure> figure,
        Optional<List<Choice>> clash,
        List<Refusal> hitches,
        Optional<Made> made,
        List<Limit> limits,
        Set<Trait> traits,
        Optional<String> hold,
        Optional<Price> price) {
    /**
     * A stretch of time that must last so many milliseconds.
     *
     * @param why what is told where it does not
     */
    public record Limit(Fraction lengthWholeNotes, Fraction millis, Refusal why) {
        /** The fastest tempo at which it does, in beats of a length a minute. */
        public Tempo fastest(Fraction beatLength) {
            return Tempo.atWhich(lengthWholeNotes, millis, beatLength);
        }

        boolean holdsAt(Tempo tempo) {
            return !tempo.millisOf(lengthWholeNotes).isLessThan(millis);
        }
    }

    public Attempt {
        hitches = List.copyOf(hitches);
        limits = List.copyOf(limits);
        traits = Set.copyOf(traits);
    }

    /** Tries a stack on so many tones from one on, none of them a rest or a note that the instrument lacks. */
    static Attempt of(Scene scene, int first, int count, Stack stack) {
        Occasion occasion = scene.occasion(first, count, stack);
        boolean isPlucked = scene.playing().instrument().family().isPlucked();
        List<Refusal> unmade = isPlucked ? unmade(occasion) : List.of();
        if (!unmade.isEmpty()) {
            return new Attempt(
                    occasion,
                    Optional.empty(),
                    Optional.empty(),
                    unmade,
                    Optional.empty(),
                    List.of(),
                    Set.of(),
                    Optional.empty(),
                    Optional.empty());
        }
        Stack schooled = scene.playing().schooled(stack);
        Stack.Composed composed =
                schooled.over(scene.playing().instrument().family(), occasion.lengthWholeNotes(), count);
        if (composed.figure().isEmpty()) {
            List<Refusal> hitches = composed.clash().isPresent()
                    ? List.of(Refusal.CLAIMED_TWICE)
                    : orElse(unmade(occasion), wrongLength(occasion));
            return new Attempt(
                    occasion,
                    Optional.empty(),
                    composed.clash(),
                    hitches,
                    Optional.empty(),
                    List.of(),
                    Set.of(),
                    Optional.empty(),
                    Optional.empty());
        }
        List<Fraction> lengths = occasion.tones().stream().map(Tone::length).toList();
        Figure figure = onBeat(composed.figure().get().written(lengths), occasion);
        Figure least = figure.unrolled(figure.shake().least());
        Hand.Grip grip = scene.hand().grip(occasion, least);
        Optional<Made> shortest = grip.make();
        if (shortest.isEmpty() || figure.shake().isNone()) {
            List<Limit> limits = shortest.isEmpty()
                    ? List.of()
                    : limits(
                            scene, first, occasion, least, grip, grip.quickest().orElse(shortest.get()));
            return new Attempt(
                    occasion,
                    Optional.of(least),
                    Optional.empty(),
                    hitches(occasion, grip),
                    shortest,
                    limits,
                    grip.traits(),
                    grip.hold(),
                    grip.price());
        }
        List<Limit> limits = limits(scene, first, occasion, least, grip, shortest.get());
        Figure full = figure.unrolled(rounds(figure, shortest.get(), occasion));
        Hand.Grip fullGrip = scene.hand().grip(occasion, full);
        return new Attempt(
                occasion,
                Optional.of(full),
                Optional.empty(),
                hitches(occasion, fullGrip),
                fullGrip.make(),
                limits,
                fullGrip.traits(),
                fullGrip.hold(),
                fullGrip.price());
    }

    /** Whether so many tones are such as a stack stands for, and of a length it has a figure for. */
    public static boolean suits(Scene scene, int first, int count, Stack stack) {
        Occasion occasion = scene.occasion(first, count, stack);
        boolean hasFigure = scene.playing()
                .schooled(stack)
                .hasFigures(scene.playing().instrument().family(), occasion.lengthWholeNotes(), count);
        return hasFigure && Forms.suit(occasion);
    }

    /** With nothing before it to borrow from, a figure begins on the beat. */
    private static Figure onBeat(Figure figure, Occasion occasion) {
        return occasion.before().isEmpty() && figure.opening() == Figure.Opening.BEFORE && !figure.isSilentFirst()
                ? figure.withOwnTime()
                : figure;
    }

    /** As many rounds of what is repeated as fit into the span. */
    private static int rounds(Figure figure, Made least, Occasion occasion) {
        Fraction cycle = Fraction.ZERO;
        for (Figure.Slot slot : figure.shake().slots()) {
            cycle = slot.share().kind() == Share.Kind.TIMED
                    ? cycle.plus(occasion.times().of(slot.share().time()))
                    : cycle.plus(strokeOf(least));
        }
        Fraction spare = occasion.spanMillis().minus(Timing.needMillis(least));
        boolean isRoomy = cycle.isPositive() && spare.isPositive();
        long more = isRoomy ? (long) Math.floor(spare.dividedBy(cycle).toDouble()) : 0;
        return figure.shake().least() + (int) Math.min(more, 200);
    }

    /** What one of the even strokes of a tremolo needs. */
    private static Fraction strokeOf(Made least) {
        return least.parts().get(0).needMillis();
    }

    private static List<Limit> limits(
            Scene scene, int first, Occasion occasion, Figure least, Hand.Grip grip, Made shortest) {
        Fraction span = occasion.lengthWholeNotes();
        if (least.isSilentFirst() && least.opening() == Figure.Opening.BEFORE) {
            return breath(scene, occasion, span);
        }
        List<Limit> limits = new ArrayList<>();
        boolean isWaved =
                least.parts().stream().anyMatch(part -> part.bend().wave().isPresent());
        Optional<Refusal> wait = grip.waits();
        boolean isWind = occasion.playing().instrument().family().isWind();
        boolean isSwelling = !isWind
                && occasion.playing().instrument().buttons().isPresent()
                && least.parts().stream().anyMatch(part -> part.begin() == Begin.SWELL);
        Refusal slow =
                isWaved && isWind ? Refusal.TOO_SHORT_TO_WAVE : isSwelling ? Refusal.WRONG_LENGTH : Refusal.TOO_FAST;
        Fraction need = Timing.needMillis(shortest);
        if (wait.isPresent()) {
            Fraction atOnce = scene.hand()
                    .grip(occasion.atOnce(), least)
                    .make()
                    .map(Timing::needMillis)
                    .orElse(need);
            limits.add(new Limit(span, atOnce, slow));
            limits.add(new Limit(span, need, wait.get()));
        } else {
            limits.add(new Limit(span, need, slow));
        }
        boolean isTremolo = !occasion.playing().instrument().family().isWind()
                && shortest.slots().stream().allMatch(slot -> slot.share().kind() == Share.Kind.ELASTIC);
        if (isTremolo) {
            limits.add(new Limit(span, scene.times().of("tremolo"), slow));
        }
        leadAgain(occasion, least).ifPresent(again -> limits.add(new Limit(span, again, slow)));
        if (shortest.borrows() && occasion.before().isPresent()) {
            limits.addAll(lending(scene, first, occasion.before().get(), shortest.leadMillis()));
        }
        return limits;
    }

    /** What the finger that leads needs before it strikes the next note; empty where the figure does not begin with it. */
    private static Optional<Fraction> leadAgain(Occasion occasion, Figure figure) {
        boolean leads = figure.parts().get(0).by().equals("L");
        boolean isNail = leads && PickingHand.isNail(PluckSpot.handOf(occasion).lead());
        return leads
                ? Optional.of(occasion.times().of(isNail ? "banjo nail again" : "banjo same finger"))
                : Optional.empty();
    }

    /** A note left out and half of the one before it are the breath; the one before keeps a floor. */
    private static List<Limit> breath(Scene scene, Occasion occasion, Fraction span) {
        Fraction breath = scene.times().of("breath");
        if (occasion.before().isEmpty()) {
            return List.of(new Limit(span, breath, Refusal.TOO_FAST));
        }
        Fraction before = occasion.before().get().length();
        return List.of(
                new Limit(span.plus(before.dividedBy(2)), breath, Refusal.TOO_FAST),
                new Limit(span.plus(before), breath.plus(scene.times().floor()), Refusal.TOO_FAST));
    }

    /** The note before lends at most half of itself, and keeps what its own figure needs. */
    private static List<Limit> lending(Scene scene, int first, Tone before, Fraction lead) {
        List<Limit> limits = new ArrayList<>();
        boolean isWind = scene.playing().instrument().family().isWind();
        Refusal why = isWind ? Refusal.CANNOT_LEND : Refusal.TOO_FAST;
        limits.add(new Limit(before.length(), lead.times(2), why));
        limits.add(new Limit(before.length(), lead.plus(scene.times().floor()), why));
        ownFigure(scene, first)
                .ifPresent(own -> own.made()
                        .ifPresent(made -> limits.add(new Limit(
                                own.occasion.lengthWholeNotes(),
                                Timing.needMillis(made.lending(lead)),
                                Refusal.CANNOT_LEND))));
        return limits;
    }

    /** What is placed on the tones right before one. */
    private static Optional<Attempt> ownFigure(Scene scene, int tone) {
        for (int i = tone - 1; i >= Math.max(0, tone - 8); i--) {
            Tone earlier = scene.line().tones().get(i);
            if (earlier.placed().isPresent()) {
                int count = scene.line().countOf(i, earlier.placed().get());
                return i + count == tone ? scene.placed(i) : Optional.empty();
            }
        }
        return Optional.empty();
    }

    private static List<Refusal> hitches(Occasion occasion, Hand.Grip grip) {
        List<Refusal> unmade = unmade(occasion);
        if (!unmade.isEmpty()) {
            return unmade;
        }
        if (!Forms.suit(occasion)) {
            return List.of(wrongNotes(occasion));
        }
        List<Refusal> asked = new ArrayList<>();
        for (Choice choice : occasion.stack().choices()) {
            for (Refusal refusal : choice.ornament().speech().refusals()) {
                if (!asked.contains(refusal)) {
                    asked.add(refusal);
                }
            }
        }
        if (occasion.playing().instrument().family().isPlucked()) {
            asked.add(Refusal.OUT_OF_REACH);
        }
        Collections.sort(asked);
        return asked.isEmpty() ? List.of() : grip.hitches(asked);
    }

    /** What is told where the notes are not such as it is made of. */
    private static Refusal wrongNotes(Occasion occasion) {
        return occasion.stack().choices().stream()
                .flatMap(choice -> choice.ornament().speech().refusals().stream())
                .filter(Refusal::isOfNotes)
                .findFirst()
                .orElse(Refusal.WRONG_NOTES);
    }

    /** What is told of a span that it has no figure for; on plucked strings whether that is too short. */
    private static Refusal wrongLength(Occasion occasion) {
        boolean isShort = occasion.stack().choices().stream()
                .flatMap(choice -> choice.ornament().figures().stream())
                .flatMap(sized -> sized.length().least().stream())
                .min(Comparator.naturalOrder())
                .filter(least -> occasion.lengthWholeNotes().isLessThan(least))
                .isPresent();
        boolean isPlucked = occasion.playing().instrument().family().isPlucked();
        return isPlucked && isShort ? Refusal.TOO_SHORT : Refusal.WRONG_LENGTH;
    }

    private static List<Refusal> orElse(List<Refusal> refusals, Refusal other) {
        return refusals.isEmpty() ? List.of(other) : refusals;
    }

    /** Why an instrument does not make an ornament of the stack at all. */
    private static List<Refusal> unmade(Occasion occasion) {
        for (Choice choice : occasion.stack().choices()) {
            List<Refusal> own = choice.ornament().speech().refusals();
            Optional<Ornament.Maker> maker = choice.ornament().makers().stream()
                    .filter(each ->
                            each.family() == occasion.playing().instrument().family())
                    .findFirst();
            boolean isPlucked = occasion.playing().instrument().family().isPlucked();
            if (isPlucked && (maker.isEmpty() || !hasHand(occasion, maker.get()))) {
                return List.of(own.contains(Refusal.PAIRED_STRINGS) ? Refusal.PAIRED_STRINGS : Refusal.NOT_THIS_HAND);
            }
            if (maker.isEmpty() && own.contains(Refusal.ONE_WAY_ONLY)) {
                return List.of(Refusal.ONE_WAY_ONLY);
            }
            if (maker.isEmpty()) {
                boolean isPipe = !occasion.playing().instrument().family().isBlownByMouth();
                return List.of(
                        isPipe && own.contains(Refusal.NO_TONGUE_HERE)
                                ? Refusal.NO_TONGUE_HERE
                                : isPipe && own.contains(Refusal.NO_BREATH_AT_REED)
                                        ? Refusal.NO_BREATH_AT_REED
                                        : Refusal.NOT_FOR_THIS_INSTRUMENT);
            }
            boolean isBound = !maker.get().strokes().isEmpty()
                    && !maker.get()
                            .strokes()
                            .equals(occasion.playing().strokes().id())
                    && !maker.get().strokes().equals(choice.school());
            boolean isLimited =
                    !maker.get().isMadeOn(occasion.playing().instrument().id());
            if (isBound || isLimited) {
                return List.of(isBound ? Refusal.NO_TONGUE_HERE : Refusal.NOT_FOR_THIS_INSTRUMENT);
            }
        }
        return List.of();
    }

    /** Whether the picking hand of the player's school is one of those that make it. */
    private static boolean hasHand(Occasion occasion, Ornament.Maker maker) {
        if (maker.hands().isEmpty()) {
            return true;
        }
        Tune tune = occasion.setting().tune();
        int bar = tune.placeOf(occasion.first().note().id()).bar();
        StringPath.Manner manner = Manners.of(
                occasion.playing().instrument().strings().orElseThrow(),
                occasion.playing().schools(),
                tune.metreAt(bar));
        return maker.hands().contains(manner.order().hand().id());
    }

    /** The fastest tempo at which everything it needs is there; empty where it needs no time, or cannot be made. */
    public Optional<Tempo> cleanUpTo() {
        Fraction beat = occasion.playing().tempo().beatLength();
        return limits.stream()
                .filter(limit -> limit.millis.isPositive())
                .map(limit -> limit.fastest(beat))
                .min(Comparator.comparing(Tempo::beatsPerMinute));
    }

    /** Milliseconds that the tightest stretch needs; 0 where none does. */
    public Fraction needMillis() {
        Fraction beat = occasion.playing().tempo().beatLength();
        return limits.stream()
                .filter(limit -> limit.millis.isPositive())
                .min(Comparator.comparing((Limit limit) -> limit.fastest(beat).beatsPerMinute()))
                .map(Limit::millis)
                .orElse(Fraction.ZERO);
    }

    /** Why there is no time for it at the player's tempo; of two the one that is not for want of waiting. */
    public Optional<Refusal> tooFast() {
        return limits.stream()
                .filter(limit -> !limit.holdsAt(occasion.playing().tempo()))
                .map(Limit::why)
                .findFirst();
    }
}
