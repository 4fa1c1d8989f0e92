package wildflourish.core.placing;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/** Something a critic says about a version: a note the instrument lacks, or a placement that does not fit, with all that refuses it. */
public sealed interface Remark permits Remark.MissingNote, Remark.Unfit {
    /** The note it is about. */
    NoteId at();

    /** A written note the instrument does not have. */
    record MissingNote(NoteId at) implements Remark {}

    /** A placement that does not fit where it stands. */
    record Unfit(NoteId at, Fit verdict) implements Remark {}

    /** Everything there is to say about a version, in the order of the tune. */
    static List<Remark> of(Tune tune, Version version, Profile profile) {
        List<Remark> remarks = new ArrayList<>();
        for (Note note : tune.notes()) {
            if (!note.isRest() && !version.playing().instrument().has(note.melody())) {
                remarks.add(new MissingNote(note.id()));
            }
            version.at(note.id()).map(Spot::options).orElse(List.of()).stream()
                    .map(option -> WhatFits.facts(tune, option, version.playing(), profile))
                    .filter(Refusal::anyHolds)
                    .forEach(facts -> remarks.add(new Unfit(note.id(), Fit.of(facts))));
        }
        return List.copyOf(remarks);
    }
}
