package wildflourish.core.recognition;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import wildflourish.core.hand.Attempt;
import wildflourish.core.hand.Made;
import wildflourish.core.hand.Scene;
import wildflourish.core.hand.SmallNotes;
import wildflourish.core.hand.Voice;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Choice;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Stack;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Graces;
import wildflourish.core.tune.Marks;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Span;
import wildflourish.core.version.Version;

/**
 * The ornaments that the text of a tune writes, held against those that fit. A sign means an ornament of the kind that it stands for; small notes mean the ornament that sounds them,
 * or else one that goes the same way, up or down; a chord means the ornament that sounds those notes together. Of several the best.
 *
 * @param all in the order of the tune
 */
public record Recognition(List<Found> all) {
    /**
     * Something written at a note, and what it is.
     *
     * @param stack what it and all before it at this note come to; empty where it is nothing that can be placed
     * @param refused what it would be if it fitted; empty where nothing is meant by it on this instrument
     */
    public record Found(NoteId note, Written written, Optional<Stack> stack, Optional<Fit> refused) {}

    public Recognition {
        all = List.copyOf(all);
    }

    /** A tune that writes more than this is not looked at: it would take longer than anybody waits. */
    public static final int MOST_WRITTEN = 4_000;

    /** For a version of a tune; notes on which something is placed already are passed over. Nothing is recognised where {@link #MOST_WRITTEN} is passed. */
    public static Recognition of(Tune tune, Version version, Profile profile) {
        return count(tune) > MOST_WRITTEN ? new Recognition(List.of()) : new Reading(tune, version, profile).read();
    }

    /** How much is written that may be an ornament, whatever it comes to. */
    public static int count(Tune tune) {
        return tune.notes().stream().mapToInt(note -> Written.at(note).size()).sum();
    }

    /** What can be placed, a placement for each note. */
    public List<Placement> placements() {
        Map<NoteId, Stack> stacks = new LinkedHashMap<>();
        all.forEach(found -> found.stack().ifPresent(stack -> stacks.put(found.note(), stack)));
        return stacks.entrySet().stream()
                .map(entry -> Placement.of(entry.getValue(), Span.of(entry.getKey())))
                .toList();
    }

    /** What can be placed. */
    public List<Found> placeable() {
        return all.stream().filter(found -> found.stack().isPresent()).toList();
    }

    private static final class Reading {
        private static final Comparator<Fit> BEST = Comparator.comparingInt(Fit::rank);

        private final Tune tune;
        private final Version version;
        private final Scene scene;

        Reading(Tune tune, Version version, Profile profile) {
            this.tune = tune;
            this.version = version;
            this.scene = Scene.of(bare(tune), version, profile);
        }

        Recognition read() {
            List<Found> all = new ArrayList<>();
            for (Note note : tune.notes()) {
                List<Written> written = Written.at(note).stream()
                        .filter(each -> each.sort() != Written.Sort.CHORD || soundsChords())
                        .toList();
                if (!written.isEmpty() && version.covering(tune, note.id()).isEmpty()) {
                    read(note, written, all);
                }
            }
            return new Recognition(kept(all));
        }

        /** Where something stays at a note, the rest is placed only if it fits beside that; else all of it stays. */
        private List<Found> kept(List<Found> all) {
            Map<NoteId, List<Found>> byNote =
                    all.stream().collect(Collectors.groupingBy(Found::note, LinkedHashMap::new, Collectors.toList()));
            byNote.values()
                    .removeIf(its -> its.stream().allMatch(each -> each.stack().isPresent())
                            || its.stream().allMatch(each -> each.stack().isEmpty()));
            if (byNote.isEmpty()) {
                return all;
            }
            Set<Written> none = Set.of();
            Scene beside = Scene.of(
                    mapped(
                            tune,
                            note -> without(
                                    note,
                                    byNote.containsKey(note.id())
                                            ? byNote.get(note.id()).stream()
                                                    .filter(each -> each.stack().isPresent())
                                                    .map(Found::written)
                                                    .collect(Collectors.toSet())
                                            : none)),
                    version,
                    scene.profile());
            Set<NoteId> spoilt = new HashSet<>();
            byNote.forEach((note, its) -> its.stream()
                    .flatMap(each -> each.stack().stream())
                    .reduce((first, last) -> last)
                    .filter(stack -> WhatFits.verdict(beside, note, 1, stack)
                            .filter(Fit::fits)
                            .isEmpty())
                    .ifPresent(stack -> spoilt.add(note)));
            return all.stream()
                    .map(each -> spoilt.contains(each.note())
                            ? new Found(each.note(), each.written(), Optional.empty(), each.refused())
                            : each)
                    .toList();
        }

        private boolean soundsChords() {
            return !version.playing().instrument().family().isWind();
        }

        private void read(Note note, List<Written> written, List<Found> all) {
            Optional<Stack> stack = Optional.empty();
            for (Written each : written) {
                List<Fit> refused = new ArrayList<>();
                Optional<Choice> choice = choice(note, each, refused);
                Optional<Stack> before = stack;
                Optional<Stack> now = choice.map(
                        meant -> before.map(there -> there.with(meant)).orElseGet(() -> new Stack(List.of(meant))));
                boolean isNew = before.isPresent()
                        || choice.filter(meant -> !meant.school().isEmpty()).isPresent();
                now = now.filter(both -> !isNew || fits(note, both));
                boolean isToldWhy = now.isEmpty() && each.sort() == Written.Sort.SIGN;
                all.add(new Found(
                        note.id(), each, now, isToldWhy ? refused.stream().findFirst() : Optional.empty()));
                stack = now.or(() -> before);
            }
        }

        private boolean fits(Note note, Stack stack) {
            return WhatFits.verdict(scene, note.id(), 1, stack)
                    .filter(Fit::fits)
                    .isPresent();
        }

        private Optional<Choice> choice(Note note, Written written, List<Fit> refused) {
            return switch (written.sort()) {
                case SIGN -> bySign(note, written, refused);
                case SMALL_NOTES -> bySmallNotes(note, refused);
                case CHORD -> best(fits(note, Reading::soundsMore, refused), fit -> sounds(fit, note.pitches()));
            };
        }

        /** The ornaments of a sort that fit a note by itself; those that do not go to {@code refused}. */
        private List<Fit> fits(Note note, Predicate<Ornament> isMeant, List<Fit> refused) {
            List<Fit> fits = new ArrayList<>();
            for (Ornament ornament : Ornament.of(version.playing().instrument().family())) {
                if (isMeant.test(ornament)) {
                    WhatFits.verdict(scene, note.id(), 1, Stack.of(ornament))
                            .ifPresent(fit -> (fit.fits() ? fits : refused).add(fit));
                }
            }
            return fits;
        }

        /** Whether something sounds with the note. */
        private static boolean soundsMore(Ornament ornament) {
            return ornament.form().claims().contains(Ornament.Slot.SECONDS);
        }

        private Optional<Choice> bySign(Note note, Written written, List<Fit> refused) {
            WrittenSign sign = WrittenSign.of(written.decoration()).orElseThrow();
            return fits(note, ornament -> sign.meaning(ornament).isPresent(), refused).stream()
                    .max(BEST)
                    .flatMap(fit -> sign.meaning(fit.facts().ornament()));
        }

        /** Of ornaments that are always written as small notes before others, and of those that sound just these before those that go the same way. */
        private Optional<Choice> bySmallNotes(Note note, List<Fit> refused) {
            List<WrittenPitch> written = note.marks().graces().pitches();
            List<WrittenPitch> afterNote =
                    written.get(0).equals(note.melody()) ? written.subList(1, written.size()) : written;
            Set<List<WrittenPitch>> wanted = new HashSet<>(List.of(written, afterNote));
            Set<List<Integer>> ways =
                    wanted.stream().map(each -> way(each, note)).collect(Collectors.toSet());
            List<Fit> small = fits(note, Reading::isSmall, refused);
            Optional<Choice> exact = best(small, fit -> wanted.contains(smallNotes(fit, note)));
            if (exact.isPresent()) {
                return exact;
            }
            List<Fit> others = fits(note, ornament -> !isSmall(ornament) && !soundsMore(ornament), refused);
            return best(others, fit -> wanted.contains(smallNotes(fit, note)))
                    .or(() -> best(small, fit -> ways.contains(way(smallNotes(fit, note), note))))
                    .or(() -> best(others, fit -> ways.contains(way(smallNotes(fit, note), note))));
        }

        /** Whether it is an ornament that is always written as small notes. */
        private static boolean isSmall(Ornament ornament) {
            return ornament.look().sign().equals("small");
        }

        /** What sounds before the note itself; that the figure begins with the note is understood. */
        private List<WrittenPitch> smallNotes(Fit fit, Note note) {
            List<WrittenPitch> all = fit.facts()
                    .attempt()
                    .flatMap(Attempt::made)
                    .filter(made -> endsOn(made, note))
                    .map(made -> SmallNotes.beforeTheLast(scene, made, note))
                    .orElse(List.of());
            return all.size() > 1 && all.get(0).equals(note.melody()) ? all.subList(1, all.size()) : all;
        }

        private static boolean endsOn(Made made, Note note) {
            List<Made.Part> parts = made.parts();
            return parts.get(parts.size() - 1).landing().voices().stream()
                    .findFirst()
                    .flatMap(Voice::written)
                    .equals(Optional.of(note.melody()));
        }

        /** For each small note whether it lies above the note (1), below (−1) or on it (0). */
        private static List<Integer> way(List<WrittenPitch> pitches, Note note) {
            return pitches.stream()
                    .map(pitch -> Integer.signum(pitch.midi() - note.melody().midi()))
                    .toList();
        }

        private static boolean sounds(Fit fit, List<WrittenPitch> pitches) {
            return fit.facts()
                    .attempt()
                    .flatMap(Attempt::made)
                    .filter(made -> made.parts().size() == 1)
                    .map(made -> made.parts().get(0).landing().voices().stream()
                            .flatMap(voice -> voice.written().stream())
                            .map(WrittenPitch::midi)
                            .sorted()
                            .toList())
                    .equals(Optional.of(
                            pitches.stream().map(WrittenPitch::midi).sorted().toList()));
        }

        private static Optional<Choice> best(List<Fit> fits, Predicate<Fit> isMeant) {
            return fits.stream()
                    .filter(isMeant)
                    .max(BEST)
                    .map(fit -> Choice.of(fit.facts().ornament()));
        }

        /** The tune without what is written at its notes. */
        private static Tune bare(Tune tune) {
            return mapped(tune, note -> without(note, Set.copyOf(Written.at(note))));
        }

        private static Tune mapped(Tune tune, UnaryOperator<Note> each) {
            List<Bar> bars = tune.bars().stream()
                    .map(bar ->
                            new Bar(bar.notes().stream().map(each).toList(), bar.sides(), bar.ending(), bar.change()))
                    .toList();
            return new Tune(tune.header(), bars, tune.tuplets(), tune.manuscript());
        }

        /** A note without some of what is written at it. */
        private static Note without(Note note, Set<Written> taken) {
            if (taken.isEmpty()) {
                return note;
            }
            Set<Written.Sort> sorts = taken.stream().map(Written::sort).collect(Collectors.toSet());
            Marks marks = note.marks();
            Note alone = sorts.contains(Written.Sort.CHORD) ? note.withPitches(List.of(note.melody())) : note;
            return alone.withMarks(new Marks(
                    sorts.contains(Written.Sort.SMALL_NOTES) ? Graces.NONE : marks.graces(),
                    marks.decorations().stream()
                            .filter(name -> taken.stream()
                                    .noneMatch(each -> each.decoration().equals(name)))
                            .toList(),
                    marks.chordSymbol(),
                    marks.annotations(),
                    marks.syllables(),
                    marks.joins()));
        }
    }
}
