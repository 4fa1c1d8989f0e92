package wildflourish.core.arranging;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.form.Phrase;
import wildflourish.core.form.Phrasing;
import wildflourish.core.hand.Scene;
import wildflourish.core.instrument.Family;
import wildflourish.core.line.Line;
import wildflourish.core.line.Tone;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Breaths;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.Sizes;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/**
 * A version put together of phrases of others, and what does not go well where they join.
 *
 * @param joins in the order of the tune
 */
public record Mix(Version version, List<Join> joins) {
    private static final int OCTAVE = 12;
    /** Notes on either side of a join that are looked at for what fits no more. */
    private static final int NEAR = 4;

    public Mix {
        joins = List.copyOf(joins);
    }

    /**
     * Each phrase as one of the versions has it. All are of one instrument; name, tempo and schools are those of the first phrase's.
     *
     * @param phrases for each phrase of the tune, in its order, the version it is taken from
     */
    public static Mix of(Tune tune, List<Version> phrases, Profile profile) {
        List<Phrase> all = Phrasing.of(tune).phrases();
        if (phrases.size() != all.size()) {
            throw new IllegalArgumentException(
                    "the tune has " + all.size() + " phrases, and " + phrases.size() + " versions are named");
        }
        boolean isOfOne = phrases.stream()
                .allMatch(version -> version.playing()
                        .instrument()
                        .equals(phrases.get(0).playing().instrument()));
        if (!isOfOne) {
            throw new IllegalArgumentException("versions of different instruments do not mix; carry one over first");
        }
        return new Mixing(tune, phrases, all, profile).run();
    }

    /** One phrase of a version put into another. */
    public static Mix of(Tune tune, Version into, Version from, int phrase, Profile profile) {
        List<Version> phrases = new ArrayList<>();
        int count = Phrasing.of(tune).phrases().size();
        for (int i = 0; i < count; i++) {
            phrases.add(i == phrase ? from : into);
        }
        Mix mix = of(tune, phrases, profile);
        return mix.playedAs(into);
    }

    private Mix playedAs(Version other) {
        return new Mix(version.with(other.label()).withPlaying(other.playing()), joins);
    }

    private static final class Mixing {
        private final Tune tune;
        private final List<Version> from;
        private final List<Phrase> phrases;
        private final Profile profile;
        private final List<Join> joins = new ArrayList<>();
        private final Map<Version, Scene> scenes = new HashMap<>();

        Mixing(Tune tune, List<Version> from, List<Phrase> phrases, Profile profile) {
            this.tune = tune;
            this.from = from;
            this.phrases = phrases;
            this.profile = profile;
        }

        Mix run() {
            Version mixed = mixed();
            for (int i = 1; i < phrases.size(); i++) {
                if (!from.get(i).equals(from.get(i - 1))) {
                    check(mixed, i);
                }
            }
            joins.sort((one, other) -> Integer.compare(order(one.at()), order(other.at())));
            return new Mix(mixed, joins);
        }

        private int order(NoteId note) {
            return tune.placeOf(note).order();
        }

        private Version mixed() {
            Version first = from.get(0);
            Map<NoteId, Spot> spots = new HashMap<>();
            List<Layer> layers = new ArrayList<>();
            for (int i = 0; i < phrases.size(); i++) {
                List<NoteId> notes = notes(phrases.get(i));
                if (notes.isEmpty()) {
                    continue;
                }
                Span span = new Span(notes.get(0), notes.get(notes.size() - 1));
                for (NoteId note : notes) {
                    from.get(i).at(note).map(spot -> within(spot, span)).ifPresent(spot -> spots.put(note, spot));
                }
                for (Layer layer : from.get(i).layers()) {
                    clipped(layer, span).ifPresent(layers::add);
                }
            }
            return new Version(first.label(), first.playing(), spots, joined(layers), first.foreign());
        }

        private List<NoteId> notes(Phrase phrase) {
            return tune.bars().subList(phrase.firstBar(), phrase.lastBar() + 1).stream()
                    .flatMap(bar -> bar.notes().stream())
                    .map(Note::id)
                    .toList();
        }

        private Spot within(Spot spot, Span phrase) {
            List<Placement> kept = new ArrayList<>();
            for (Placement option : spot.options()) {
                if (order(option.span().last()) <= order(phrase.last())) {
                    kept.add(option);
                } else {
                    joins.add(new Join(Join.Kind.OVERLAP, spot.at(), Optional.of(option), Optional.empty()));
                }
            }
            return spot.withOptions(kept);
        }

        private Optional<Layer> clipped(Layer layer, Span phrase) {
            int first = Math.max(order(layer.span().first()), order(phrase.first()));
            int last = Math.min(order(layer.span().last()), order(phrase.last()));
            return first > last
                    ? Optional.empty()
                    : Optional.of(layer.over(
                            new Span(
                                    tune.notes().get(first).id(),
                                    tune.notes().get(last).id()),
                            layer.passes()));
        }

        /** One layer again where the end of one is followed by the beginning of the same. */
        private List<Layer> joined(List<Layer> layers) {
            List<Layer> all = new ArrayList<>();
            for (Layer layer : layers) {
                Optional<Layer> before = all.stream()
                        .filter(each -> each.word().equals(layer.word())
                                && each.passes().equals(layer.passes())
                                && order(each.span().last()) + 1
                                        == order(layer.span().first()))
                        .findFirst();
                before.ifPresent(all::remove);
                all.add(before.map(each -> each.over(
                                new Span(each.span().first(), layer.span().last()), layer.passes()))
                        .orElse(layer));
            }
            return all;
        }

        private Scene scene(Version version) {
            return scenes.computeIfAbsent(version, each -> Scene.of(tune, each, profile));
        }

        /** What does not go well where a phrase begins. */
        private void check(Version mixed, int phrase) {
            List<NoteId> after = sounding(notes(phrases.get(phrase)));
            List<NoteId> before = sounding(notes(phrases.get(phrase - 1)));
            if (after.isEmpty() || before.isEmpty()) {
                return;
            }
            List<NoteId> end = before.subList(Math.max(0, before.size() - NEAR), before.size());
            List<NoteId> start = after.subList(0, Math.min(NEAR, after.size()));
            end.forEach(note -> checkFit(mixed, from.get(phrase - 1), note));
            start.forEach(note -> checkFit(mixed, from.get(phrase), note));
            checkStroke(mixed, from.get(phrase), start.get(0), end);
            checkBreath(mixed, from.get(phrase - 1), from.get(phrase), start.get(0), end);
            checkLeap(mixed, phrase, end.get(end.size() - 1), start.get(0));
        }

        private List<NoteId> sounding(List<NoteId> notes) {
            return notes.stream().filter(note -> !tune.note(note).isRest()).toList();
        }

        private void checkFit(Version mixed, Version source, NoteId note) {
            Optional<Placement> placement = mixed.at(note).flatMap(Spot::first);
            if (placement.isPresent() && !fits(scene(mixed), placement.get()) && fits(scene(source), placement.get())) {
                Spot there = mixed.at(note).orElseThrow();
                Spot remedy = Sizes.next(scene(mixed), placement.get(), -1)
                        .map(smaller -> there.withOptions(List.of(smaller)))
                        .orElse(there.withOptions(List.of()));
                joins.add(new Join(Join.Kind.UNFIT, note, placement, Optional.of(new Join.Remedy(remedy))));
            }
        }

        private static boolean fits(Scene scene, Placement placement) {
            return WhatFits.verdict(scene, placement).filter(Fit::fits).isPresent();
        }

        private void checkStroke(Version mixed, Version source, NoteId first, List<NoteId> end) {
            Optional<HandLines.Stroke> now = stroke(mixed, first);
            Optional<HandLines.Stroke> wanted = stroke(source, first);
            if (now.isEmpty() || now.equals(wanted)) {
                return;
            }
            boolean isBow = mixed.playing().instrument().family() == Family.FIDDLE;
            boolean areBellows = now.get() == HandLines.Stroke.PRESS || now.get() == HandLines.Stroke.DRAW;
            if (isBow) {
                Optional<Join.Remedy> remedy =
                        joinedBefore(mixed, end, other -> stroke(other, first).equals(wanted));
                joins.add(new Join(Join.Kind.BOW, first, Optional.empty(), remedy));
            } else if (areBellows) {
                joins.add(new Join(Join.Kind.BELLOWS, first, Optional.empty(), keptButton(mixed, first, wanted)));
            }
        }

        /** The button kept that brings the bellows round. */
        private Optional<Join.Remedy> keptButton(Version mixed, NoteId first, Optional<HandLines.Stroke> wanted) {
            Spot there = mixed.at(first).orElse(Spot.bare(first));
            return HandLines.pins(mixed.playing().instrument(), tune.note(first)).stream()
                    .map(there::withPin)
                    .map(Join.Remedy::new)
                    .filter(remedy -> stroke(remedy.done(tune, mixed), first).equals(wanted))
                    .findFirst();
        }

        private Optional<HandLines.Stroke> stroke(Version version, NoteId note) {
            return scene(version)
                    .lines()
                    .flatMap(lines -> Optional.ofNullable(lines.touches().get(note)))
                    .map(HandLines.Touch::stroke);
        }

        /** With two notes before the join on one bow, the last pair that helps. */
        private Optional<Join.Remedy> joinedBefore(Version mixed, List<NoteId> end, Predicate<Version> helps) {
            Ornament slur = Ornament.of("slur2", Family.FIDDLE);
            for (int i = end.size() - 2; i >= 0; i--) {
                if (mixed.covering(tune, end.get(i)).isEmpty()) {
                    Optional<Join.Remedy> slurred = WhatFits.at(scene(mixed), end.get(i), slur).stream()
                            .filter(Fit::fits)
                            .map(fit -> remedy(mixed, fit.placement()))
                            .filter(remedy -> helps.test(remedy.done(tune, mixed)))
                            .findFirst();
                    if (slurred.isPresent()) {
                        return slurred;
                    }
                }
            }
            return Optional.empty();
        }

        private static Join.Remedy remedy(Version mixed, Placement placement) {
            NoteId at = placement.span().first();
            return new Join.Remedy(mixed.at(at).orElse(Spot.bare(at)).withOptions(List.of(placement)));
        }

        private void checkBreath(Version mixed, Version before, Version after, NoteId first, List<NoteId> end) {
            Optional<Breaths.Stretch> stretch = tooLong(mixed, first);
            if (stretch.isEmpty()
                    || tooLong(before, first).isPresent()
                    || tooLong(after, first).isPresent()) {
                return;
            }
            Optional<Join.Remedy> remedy = end.stream()
                    .filter(note ->
                            mixed.covering(tune, note).flatMap(Spot::first).isEmpty())
                    .flatMap(note -> WhatFits.at(scene(mixed), note).fitting().stream())
                    .map(Fit::placement)
                    .filter(placement -> Breaths.breathes(placement, mixed))
                    .map(placement -> remedy(mixed, placement))
                    .filter(each -> tooLong(each.done(tune, mixed), first).isEmpty())
                    .reduce((one, other) -> other);
            joins.add(new Join(Join.Kind.BREATH, first, Optional.empty(), remedy));
        }

        /** A stretch over a note and the one before it for which nobody has the breath. */
        private Optional<Breaths.Stretch> tooLong(Version version, NoteId first) {
            Optional<Breaths.Span> span =
                    Breaths.of(version.playing().instrument().family());
            Line line = scene(version).line();
            return span.flatMap(breath -> Breaths.stretches(line, version).stream()
                    .filter(stretch -> breath.toSeconds().isLessThan(stretch.seconds()))
                    .filter(stretch -> line.indexOf(first)
                            .filter(at -> stretch.first() < at && at <= stretch.last())
                            .isPresent())
                    .findFirst());
        }

        private void checkLeap(Version mixed, int phrase, NoteId last, NoteId first) {
            boolean leaps = leap(mixed, last, first) > OCTAVE;
            boolean leapAnyway =
                    leap(from.get(phrase - 1), last, first) > OCTAVE || leap(from.get(phrase), last, first) > OCTAVE;
            if (leaps && !leapAnyway) {
                joins.add(new Join(Join.Kind.LEAP, first, Optional.empty(), atTheOctave(mixed, phrase, last, first)));
            }
        }

        /** The phrase from the join on at the octave, its wide leaps alone or all of it, where that leaves no leap and everything of it still fits. */
        private Optional<Join.Remedy> atTheOctave(Version mixed, int phrase, NoteId last, NoteId first) {
            List<NoteId> notes = sounding(notes(phrases.get(phrase)));
            Span span = new Span(first, notes.get(notes.size() - 1));
            Spot there = mixed.at(first).orElse(Spot.bare(first));
            return Layer.Rule.of(mixed.playing().instrument().family()).stream()
                    .filter(rule -> rule.work() == Layer.Work.NARROW || rule.work() == Layer.Work.OCTAVE_DOWN)
                    .map(rule -> new Join.Remedy(there, Optional.of(new Layer(rule, span, Passes.EVERY))))
                    .filter(remedy -> isCalm(remedy.done(tune, mixed), notes, last))
                    .findFirst();
        }

        private boolean isCalm(Version version, List<NoteId> notes, NoteId last) {
            return leap(version, last, notes.get(0)) <= OCTAVE
                    && notes.stream()
                            .flatMap(note -> version.at(note).flatMap(Spot::first).stream())
                            .allMatch(placement -> fits(scene(version), placement));
        }

        /** Semitones from the tone that sounds last of a note to the one that sounds first of another, as they follow each other. */
        private int leap(Version version, NoteId last, NoteId first) {
            List<Tone> tones = scene(version).line().tones();
            for (int i = 1; i < tones.size(); i++) {
                if (tones.get(i).note().id().equals(first)
                        && tones.get(i - 1).note().id().equals(last)
                        && !tones.get(i).isRest()
                        && !tones.get(i - 1).isRest()) {
                    return Math.abs(tones.get(i).melody().midi()
                            - tones.get(i - 1).melody().midi());
                }
            }
            return 0;
        }
    }
}
