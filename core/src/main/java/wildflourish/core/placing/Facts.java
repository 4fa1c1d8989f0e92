package wildflourish.core.placing;

import java.util.List;
import java.util.Optional;
import wildflourish.core.hand.Attempt;
import wildflourish.core.hand.Forms;
import wildflourish.core.line.Tone;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Stack;
import wildflourish.core.tune.Note;
import wildflourish.core.version.Span;

/**
 * Everything that reasons and refusals may ask about a stack of ornaments over one span in one situation.
 *
 * @param count how many written notes it is over
 * @param attempt what the hand makes of it; empty where there is nothing to make it on
 */
public record Facts(Situation situation, Stack stack, int count, Optional<Attempt> attempt) {
    /** Tried where there is a note, within its bar. */
    static Facts of(Situation situation, Stack stack, int count) {
        Facts bare = new Facts(situation, stack, count, Optional.empty());
        boolean isWhole = bare.tones().size() == count;
        Optional<Attempt> attempt =
                isWhole ? situation.scene().attempt(situation.tone(), count, stack) : Optional.empty();
        return new Facts(situation, stack, count, attempt);
    }

    public Ornament ornament() {
        return stack.main().ornament();
    }

    /** The tones it stands on; fewer than its notes where the bar ends before. */
    public List<Tone> tones() {
        List<Tone> all = situation.scene().line().tones();
        int bar = all.get(situation.tone()).place().playedBar();
        int end = situation.tone();
        while (end < all.size()
                && end < situation.tone() + count
                && all.get(end).place().playedBar() == bar) {
            end++;
        }
        return all.subList(situation.tone(), end);
    }

    public List<Note> notes() {
        return tones().stream().map(Tone::note).toList();
    }

    public Span span() {
        List<Note> notes = notes();
        return new Span(notes.get(0).id(), notes.get(notes.size() - 1).id());
    }

    public Fraction lengthWholeNotes() {
        Fraction length = Fraction.ZERO;
        for (Tone tone : tones()) {
            length = length.plus(tone.length());
        }
        return length;
    }

    /** The tone after the span that sounds; empty beyond silence. */
    public Optional<Tone> after() {
        return situation.scene().line().at(situation.tone() + tones().size());
    }

    public boolean isOneNote() {
        return count == 1;
    }

    public boolean areEqualNotes() {
        return count > 1 && Forms.areEqual(notes());
    }

    /** By how much it costs the hand on buttons more than fits easily, in turns of the bellows; 0 where it does not. */
    double detour() {
        return attempt.flatMap(Attempt::price)
                .flatMap(price -> Detour.of(situation.playing().school()).map(each -> each.over(price)))
                .orElse(0.0);
    }

    /** The fastest tempo at which it is clean; empty where it needs no time or cannot be made. */
    public Optional<Tempo> cleanUpTo() {
        return attempt.flatMap(Attempt::cleanUpTo);
    }

    /** Whether it is clean at so many times the tempo asked for. */
    boolean isCleanAt(Fraction factor) {
        return isCleanAt(situation.playing().tempo(), factor);
    }

    /** Whether it is clean at so many times a tempo. */
    public boolean isCleanAt(Tempo tempo, Fraction factor) {
        return cleanUpTo()
                .map(clean -> !tempo.millisOf(Fraction.ONE)
                        .isLessThan(clean.millisOf(Fraction.ONE).times(factor)))
                .orElse(true);
    }
}
