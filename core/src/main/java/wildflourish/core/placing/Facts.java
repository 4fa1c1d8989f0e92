package wildflourish.core.placing;

import java.util.List;
import java.util.Optional;
import wildflourish.core.instrument.Gracing;
import wildflourish.core.instrument.RollSpeech;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Gesture;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.tune.Note;

/** Everything that reasons and refusals may ask about one ornament over one span in one situation. */
public record Facts(Situation situation, Candidate candidate) {
    public Ornament ornament() {
        return candidate.ornament();
    }

    public boolean isA(Ornament.Family family) {
        return ornament().family() == family;
    }

    /** A cut or a tap alone. */
    public boolean isOnly(Gesture gesture) {
        return isA(Ornament.Family.SINGLE) && uses(gesture);
    }

    public boolean uses(Gesture gesture) {
        return ornament().uses(gesture);
    }

    public List<Note> notes() {
        return situation
                .tune()
                .between(candidate.span().first(), candidate.span().last());
    }

    public boolean isHeldNote() {
        return candidate.span().isOneNote();
    }

    public boolean areEqualNotes() {
        return notes().size() > 1 && Candidate.areEqual(notes());
    }

    public boolean isTurn() {
        return Candidate.isTurn(notes());
    }

    public Optional<Integer> cutHole() {
        return situation
                .gracing()
                .flatMap(gracing -> gracing.cutBy(situation.playing().school()));
    }

    public Optional<Integer> tapHole() {
        return situation.gracing().flatMap(Gracing::tap);
    }

    public RollSpeech rollSpeech() {
        return situation.gracing().map(gracing -> gracing.speech().roll()).orElse(RollSpeech.NONE_KNOWN);
    }

    public boolean speaksWeakly() {
        return situation.gracing().map(Gracing::speech).stream()
                .anyMatch(speech ->
                        (speech.weakCut() && isOnly(Gesture.CUT)) || (speech.weakTap() && isOnly(Gesture.TAP)));
    }

    /** The fastest tempo at which the span holds the ornament; empty when it has no shape here. */
    public Optional<Tempo> cleanUpTo() {
        return candidate
                .shape()
                .map(shape -> shape.cleanUpTo(
                        candidate.span().length(situation.tune()),
                        situation.playing().tempo().beatLength(),
                        situation.profile().times()));
    }

    /** Clean-up-to tempo as a multiple of the tempo asked for; 0 when there is no shape. */
    public Fraction roominess() {
        return cleanUpTo()
                .map(clean -> clean.beatsPerMinute()
                        .dividedBy(situation.playing().tempo().beatsPerMinute()))
                .orElse(Fraction.ZERO);
    }
}
