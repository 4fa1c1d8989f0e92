package wildflourish.core.placing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import wildflourish.core.hand.Scene;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.StrokeOrder;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.Form;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/**
 * Something a critic says about a version: a note the instrument lacks, a placement that does not fit, with all that refuses it, two equal notes on a pipe
 * with nothing between them, a stretch for which nobody has the breath.
 */
public sealed interface Remark
        permits Remark.MissingNote, Remark.Unfit, Remark.Unparted, Remark.NoBreath, Remark.UpBow {
    /** The note it is about. */
    NoteId at();

    /** A written note the instrument does not have. */
    record MissingNote(NoteId at) implements Remark {}

    /** A placement that does not fit where it stands. */
    record Unfit(NoteId at, Fit verdict) implements Remark {}

    /** A note equal to the one before it, on a pipe that never stops. */
    record Unparted(NoteId at) implements Remark {}

    /** The first note of a phrase, which the bow comes to on its way up. */
    record UpBow(NoteId at) implements Remark {}

    /** A stretch that is longer than a breath. */
    record NoBreath(NoteId at, Breaths.Stretch stretch, Breaths.Span breath) implements Remark {}

    /** Everything there is to say about a version, in the order of the tune. */
    static List<Remark> of(Tune tune, Version version, Profile profile) {
        boolean isOfNotesAlone = version.isPlain()
                && !WhatFits.wantsNotesParted(version.playing().instrument().family());
        return isOfNotesAlone ? missing(tune, version) : of(Scene.of(tune, version, profile));
    }

    /** What the instrument lacks: all there is to say of a plain tune, but on pipes that never stop. */
    private static List<Remark> missing(Tune tune, Version version) {
        return tune.bars().stream()
                .flatMap(bar -> bar.notes().stream())
                .filter(note -> isMissing(note, version))
                .<Remark>map(note -> new MissingNote(note.id()))
                .toList();
    }

    private static boolean isMissing(Note note, Version version) {
        return !note.isRest() && !version.playing().instrument().has(note.melody());
    }

    /** Everything there is to say about a version in its scene, in the order of the tune. */
    static List<Remark> of(Scene scene) {
        Tune tune = scene.tune();
        Version version = scene.version();
        List<Remark> remarks = new ArrayList<>();
        Set<NoteId> dressed = dressed(tune, version);
        for (Note note : tune.notes()) {
            if (note.id().isAdded()) {
                continue;
            }
            if (isMissing(note, version)) {
                remarks.add(new MissingNote(note.id()));
            }
            List<Placement> options = version.at(note.id()).map(Spot::options).orElse(List.of());
            for (Placement option : options) {
                WhatFits.refusal(scene, option).ifPresent(verdict -> remarks.add(new Unfit(note.id(), verdict)));
            }
            if (!dressed.contains(note.id()) && WhatFits.isUnparted(scene, note.id())) {
                remarks.add(new Unparted(note.id()));
            }
        }
        remarks.addAll(upBows(scene));
        remarks.addAll(breathless(scene));
        return List.copyOf(remarks);
    }

    /** The notes on which something is placed. */
    private static Set<NoteId> dressed(Tune tune, Version version) {
        return version.spots().values().stream()
                .flatMap(spot -> spot.first().stream())
                .flatMap(placement -> placement.span().notes(tune).stream())
                .map(Note::id)
                .collect(Collectors.toSet());
    }

    /** Phrases that begin on an up bow, where the order of bows there does not carry one over the bar line; a plain stage is left alone. */
    private static List<Remark> upBows(Scene scene) {
        Version version = scene.version();
        List<Remark> remarks = new ArrayList<>();
        if (version.playing().instrument().family() != Family.FIDDLE || version.isPlain()) {
            return remarks;
        }
        for (Form.Stretch stretch : scene.tune().form().stretches()) {
            int bar = scene.tune().form().isPickup(stretch.firstBar()) ? stretch.firstBar() + 1 : stretch.firstBar();
            Optional<Note> first = scene.tune().bars().get(bar).notes().stream()
                    .filter(note -> scene.tune().placeOf(note.id()).offset().isZero() && !note.isRest())
                    .findFirst();
            first.filter(note -> !note.id().isAdded() && isUp(scene, note.id()))
                    .ifPresent(note -> remarks.add(new UpBow(note.id())));
        }
        return remarks;
    }

    private static boolean isUp(Scene scene, NoteId note) {
        boolean isAsked = scene.version().layers().stream()
                .filter(layer -> layer.covers(scene.tune(), note))
                .flatMap(layer ->
                        StrokeOrder.all().stream().filter(order -> order.id().equals(layer.way())))
                .anyMatch(StrokeOrder::isUpOverBar);
        boolean isOfSchool = scene.playing().strokes().id().equals("across-the-beat");
        return !isAsked
                && !isOfSchool
                && scene.ways().onStrings(note).filter(way -> !way.isDown()).isPresent();
    }

    /** The longest stretch, where it is longer than anybody's breath; a plain stage is left alone. */
    private static List<Remark> breathless(Scene scene) {
        Version version = scene.version();
        Optional<Breaths.Span> breath =
                Breaths.of(version.playing().instrument().family());
        if (breath.isEmpty() || version.isPlain()) {
            return List.of();
        }
        return Breaths.longest(scene.line(), version)
                .filter(stretch -> stretch.seconds().isMoreThan(breath.get().toSeconds()))
                .map(stretch -> List.<Remark>of(new NoBreath(stretch.firstNote(), stretch, breath.get())))
                .orElse(List.of());
    }
}
