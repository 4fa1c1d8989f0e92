package wildflourish.core.engraving;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.fingering.FingeringPath;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.form.Phrasing;
import wildflourish.core.hand.Scene;
import wildflourish.core.hand.Ways;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.performance.Hands;
import wildflourish.core.tune.NoteId;
import wildflourish.core.version.Version;

/** A score with what is worked out once for all its lines: the fingering of each note, on each instrument shown, and the phrases. */
record Setting(Score score, List<Hand> hands, Phrasing phrasing, Set<NoteId> dressed) {
    /**
     * An instrument with its fingerings.
     *
     * @param path on holes
     * @param lines on strings and buttons
     * @param version where the teacher has pinned some
     */
    record Hand(Instrument instrument, FingeringPath path, Optional<HandLines> lines, Optional<Version> version) {
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

    /** Of a score whose notes have been given what stands beside them, which are named. */
    static Setting of(Score score, Set<NoteId> dressed) {
        List<Hand> hands = new ArrayList<>();
        score.version()
                .ifPresent(version -> hands.add(new Hand(
                        version.playing().instrument(),
                        score.scene()
                                .map(Scene::ways)
                                .orElseGet(() -> Ways.of(score.tune(), version))
                                .path(),
                        Hands.lines(score.tune(), version),
                        Optional.of(version))));
        score.shows()
                .second()
                .ifPresent(instrument -> hands.add(new Hand(
                        instrument,
                        FingeringPath.of(score.tune().notes(), instrument, Map.of()),
                        HandLines.of(
                                score.tune(),
                                instrument,
                                instrument.schools().get(0),
                                score.tune().header().type().session(),
                                Map.of()),
                        Optional.empty())));
        return new Setting(score, List.copyOf(hands), Phrasing.of(score.tune()), Set.copyOf(dressed));
    }
}
