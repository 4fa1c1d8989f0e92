package wildflourish.desktop.view;

import java.util.List;
import java.util.Optional;
import wildflourish.core.engraving.Ink;
import wildflourish.core.engraving.Sign;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Profile;
import wildflourish.core.performance.Lane;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.Realisation;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.PlayOrder;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;
import wildflourish.core.words.Words;

/**
 * A spot in milliseconds.
 *
 * @param spot how long it lasts
 * @param window a stretch around it
 * @param moments what sounds in the window
 * @param air of a box; empty elsewhere
 * @param family the ink of the ornament's family
 * @param isThroat whether the throat does what the tongue does for others: on a flute whose player does not tongue
 */
public record CloseUp(
        Realisation realisation,
        Realisation.Stretch spot,
        Realisation.Stretch window,
        List<Moment> moments,
        List<Lane> lanes,
        List<Lane.Air> air,
        Ink family,
        boolean isThroat,
        String title) {
    /** What stands at a note of a version, in a realisation of it; empty where it does not sound. */
    public static Optional<CloseUp> of(Realisation worked, Version version, Profile profile, NoteId chosen) {
        Tune tune = worked.tune();
        if (!tune.has(chosen)) {
            return Optional.empty();
        }
        Optional<Spot> spot = version.covering(tune, chosen);
        NoteId first = spot.map(Spot::at).orElse(chosen);
        NoteId last = spot.flatMap(Spot::first)
                .map(placement -> placement.span().last())
                .orElse(chosen);
        return playingOf(worked, tune, first, spot)
                .flatMap(bar -> soundOf(worked, tune, first, last, bar))
                .map(sound -> around(worked, version, profile, spot, sound, first));
    }

    private static CloseUp around(
            Realisation worked,
            Version version,
            Profile profile,
            Optional<Spot> spot,
            Realisation.Stretch sound,
            NoteId first) {
        Fraction margin = sound.lengthMillis().times(Fraction.of(2, 5)).max(Fraction.of(90));
        Realisation.Stretch window = new Realisation.Stretch(
                sound.startMillis().minus(margin).max(Fraction.ZERO),
                sound.endMillis().plus(margin).min(worked.endMillis()));
        List<Moment> moments = worked.within(window);
        return new CloseUp(
                worked,
                sound,
                window,
                moments,
                worked.lines()
                        .map(lines -> Lane.of(moments, lines))
                        .orElseGet(() -> Lane.of(moments, version.playing().instrument(), profile.times())),
                worked.lines().map(lines -> Lane.air(moments, lines)).orElse(List.of()),
                spot.flatMap(Spot::first)
                        .map(placement -> Sign.inkOf(placement.ornament()))
                        .orElse(Ink.SINGLE),
                version.playing().instrument().strokes().size() > 1
                        && !version.playing().strokes().id().equals("tongued"),
                title(worked.tune(), version, first, spot, worked.tempo()));
    }

    /** The first time through on which the ornament of the spot is played; the very first where none stands there. */
    private static Optional<Integer> playingOf(Realisation worked, Tune tune, NoteId first, Optional<Spot> spot) {
        int bar = tune.placeOf(first).bar();
        Passes passes = spot.flatMap(Spot::first).map(Placement::passes).orElse(Passes.EVERY);
        for (int i = 0; i < worked.bars().size(); i++) {
            PlayOrder.Played played = worked.bars().get(i).played();
            if (played.bar() == bar && passes.has(played.pass())) {
                return Optional.of(i);
            }
        }
        return worked.firstPlaying(bar);
    }

    private static Optional<Realisation.Stretch> soundOf(
            Realisation worked, Tune tune, NoteId first, NoteId last, int playing) {
        List<Realisation.Stretch> sounds = tune.between(first, last).stream()
                .flatMap(note -> worked.of(note.id(), playing).stream())
                .toList();
        return sounds.isEmpty()
                ? Optional.empty()
                : Optional.of(new Realisation.Stretch(
                        sounds.get(0).startMillis(),
                        sounds.get(sounds.size() - 1).endMillis()));
    }

    private static String title(Tune tune, Version version, NoteId first, Optional<Spot> spot, Tempo tempo) {
        Note note = tune.note(first);
        String what = spot.flatMap(Spot::first)
                .map(placement -> Words.name(placement.stack()))
                .orElse("plain note");
        return "Close-up: " + what + " on " + Words.place(tune, note) + " · " + version.name() + " at "
                + Words.tempo(tempo);
    }
}
