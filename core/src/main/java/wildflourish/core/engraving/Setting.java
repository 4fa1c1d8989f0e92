package wildflourish.core.engraving;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.fingering.FingeringPath;
import wildflourish.core.fingering.Habit;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.form.Phrasing;
import wildflourish.core.hand.Attempt;
import wildflourish.core.hand.Hands;
import wildflourish.core.hand.Held;
import wildflourish.core.hand.Scene;
import wildflourish.core.hand.Sound;
import wildflourish.core.hand.Voice;
import wildflourish.core.hand.Ways;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Schools;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/** A score with what is worked out once for all its lines: the fingering of each note, on each instrument shown, and the phrases. */
record Setting(Score score, List<Hand> hands, Phrasing phrasing, Set<NoteId> dressed) {
    /**
     * An instrument with its fingerings.
     *
     * @param path on holes
     * @param lines on strings and buttons
     * @param version where the teacher has pinned some
     * @param scene what is played, where notes may be held otherwise for the ornaments on them
     */
    record Hand(
            Instrument instrument,
            FingeringPath path,
            Optional<HandLines> lines,
            Optional<Version> version,
            Optional<Scene> scene) {
        /** How a note is held for the ornament on it; empty where that makes no difference. */
        Optional<Held> underOrnament(NoteId note) {
            return scene.filter(each -> each.tune().has(note)).flatMap(each -> Setting.underOrnament(each, note));
        }

        /** Whether the teacher has pinned something at a note. */
        boolean hasPin(NoteId note) {
            return version.flatMap(each -> each.at(note))
                    .filter(spot -> !spot.pin().isEmpty())
                    .isPresent();
        }

        boolean isPinned(NoteId note, Fingering fingering) {
            return version.filter(each -> Hands.isPinned(each, note, fingering)).isPresent();
        }
    }

    /** How a note is held under the ornament that begins on it, where that is made and begins with the note itself. */
    private static Optional<Held> underOrnament(Scene scene, NoteId id) {
        Optional<Sound> first = scene.version()
                .at(id)
                .flatMap(Spot::first)
                .flatMap(scene::attempt)
                .filter(attempt -> attempt.hitches().isEmpty())
                .flatMap(Attempt::made)
                .map(made -> made.parts().get(0).landing());
        Optional<WrittenPitch> heard =
                first.flatMap(sound -> sound.voices().stream().findFirst()).flatMap(Voice::written);
        Note note = scene.tune().note(id);
        boolean isItself = !note.isRest() && heard.equals(Optional.of(note.melody()));
        return isItself ? first.flatMap(Sound::held) : Optional.empty();
    }

    /** Of a score whose notes have been given what stands beside them, which are named, with what the hand does for notes that were added. */
    static Setting of(Score score, Set<NoteId> dressed, Map<NoteId, HandLines.Touch> more) {
        List<Hand> hands = new ArrayList<>();
        score.version()
                .ifPresent(version -> hands.add(new Hand(
                        version.playing().instrument(),
                        score.scene()
                                .map(Scene::ways)
                                .orElseGet(() -> Ways.of(score.tune(), version, score.profile()))
                                .path(),
                        score.scene()
                                .flatMap(Scene::lines)
                                .or(() -> Hands.lines(score.tune(), version))
                                .map(lines -> lines.with(more)),
                        Optional.of(version),
                        score.scene())));
        score.shows()
                .second()
                .ifPresent(instrument -> hands.add(new Hand(
                        instrument,
                        FingeringPath.of(
                                score.tune().notes(),
                                instrument,
                                Map.of(),
                                Habit.of(score.profile().otherHand(), score.tune())),
                        HandLines.of(
                                score.tune(),
                                instrument,
                                Schools.usual(instrument),
                                score.tune().header().usualTempo(),
                                Map.of()),
                        Optional.empty(),
                        Optional.empty())));
        return new Setting(score, List.copyOf(hands), Phrasing.of(score.tune()), Set.copyOf(dressed));
    }
}
