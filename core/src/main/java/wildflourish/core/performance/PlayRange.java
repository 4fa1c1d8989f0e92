package wildflourish.core.performance;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.function.IntPredicate;
import wildflourish.core.form.Phrase;
import wildflourish.core.form.Phrasing;
import wildflourish.core.music.Fraction;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;

/**
 * What to listen to, in whole notes from the beginning of the tune as played, so that it stays the same when stage or tempo changes.
 *
 * @param isLooped whether it begins again at its end
 */
public record PlayRange(Fraction startWholeNotes, Fraction endWholeNotes, boolean isLooped) {
    public static PlayRange whole(Realisation realisation) {
        return new PlayRange(Fraction.ZERO, wholeNotes(realisation, realisation.endMillis()), false);
    }

    /** From a written note, the first time it is played, to the end of the realisation.tune(). */
    public static PlayRange from(Realisation realisation, NoteId note) {
        int playing = firstPlaying(realisation, note);
        Fraction start = realisation
                .of(note, playing)
                .map(Realisation.Stretch::startMillis)
                .orElse(realisation.bars().get(playing).startMillis());
        return new PlayRange(wholeNotes(realisation, start), wholeNotes(realisation, realisation.endMillis()), false);
    }

    /** The same, going round or not. */
    public PlayRange looped(boolean goesRound) {
        return new PlayRange(startWholeNotes, endWholeNotes, goesRound);
    }

    /** The phrase of a written note as first played, looped. */
    public static PlayRange phrase(Realisation realisation, NoteId note) {
        var phrase = Phrasing.of(realisation.tune())
                .at(realisation.tune().placeOf(note).bar());
        return around(realisation, firstPlaying(realisation, note), phrase::has, true);
    }

    /**
     * From the phrase of a note on, phrase after phrase as written, each as it is first played; so many joined each time, the last time what is
     * left. To be answered one by one.
     */
    public static List<PlayRange> phrases(Realisation realisation, NoteId from, int joined) {
        List<PlayRange> ranges = new ArrayList<>();
        int bar = realisation.tune().placeOf(from).bar();
        for (Phrase phrase : Phrasing.of(realisation.tune()).phrases()) {
            Optional<NoteId> first = realisation.tune().bars().subList(phrase.firstBar(), phrase.lastBar() + 1).stream()
                    .flatMap(each -> each.notes().stream())
                    .map(Note::id)
                    .findFirst();
            if (phrase.lastBar() >= bar && first.isPresent()) {
                ranges.add(phrase(realisation, first.get()));
            }
        }
        List<PlayRange> together = new ArrayList<>();
        for (int i = 0; i < ranges.size(); i += joined) {
            PlayRange last = ranges.get(Math.min(i + joined, ranges.size()) - 1);
            together.add(new PlayRange(ranges.get(i).startWholeNotes, last.endWholeNotes, false));
        }
        return List.copyOf(together);
    }

    /**
     * The part of a note for practice: its first time through, first ending and all, so many times; then as it is really played, through the further
     * endings. Every round but the first begins where the repeat goes back to. A part without a repeat goes round so many times as it is.
     */
    public static List<PlayRange> drill(Realisation realisation, NoteId note, int rounds) {
        var part = realisation
                .tune()
                .form()
                .partAt(realisation.tune().placeOf(note).bar());
        PlayRange whole = part(realisation, note);
        var bars = realisation.bars();
        int first = 0;
        while (first + 1 < bars.size() && !bars.get(first).startWholeNotes().equals(whole.startWholeNotes)) {
            first++;
        }
        int last = first;
        while (last + 1 < bars.size()
                && part.has(bars.get(last + 1).played().bar())
                && bars.get(last + 1).played().bar() > bars.get(last).played().bar()) {
            last++;
        }
        boolean comesBack =
                last + 1 < bars.size() && part.has(bars.get(last + 1).played().bar());
        if (!comesBack) {
            return Collections.nCopies(rounds, whole);
        }
        Fraction end = bars.get(last + 1).startWholeNotes();
        int back = bars.get(last + 1).played().bar();
        Fraction again = bars.get(realisation.firstPlaying(back).orElse(first)).startWholeNotes();
        List<PlayRange> all = new ArrayList<>();
        all.add(new PlayRange(whole.startWholeNotes, end, false));
        for (int round = 1; round < rounds; round++) {
            all.add(new PlayRange(again, end, false));
        }
        all.add(new PlayRange(end, whole.endWholeNotes, false));
        return List.copyOf(all);
    }

    /** From one written note to the end of another, as first played, looped. */
    public static PlayRange between(Realisation realisation, NoteId first, NoteId last) {
        PlayRange from = from(realisation, first);
        Fraction end = realisation
                .of(last, firstPlaying(realisation, last))
                .map(Realisation.Stretch::endMillis)
                .orElse(realisation.endMillis());
        return new PlayRange(from.startWholeNotes, wholeNotes(realisation, end), true);
    }

    /** The part of a written note with its repeats. */
    public static PlayRange part(Realisation realisation, NoteId note) {
        var part = realisation
                .tune()
                .form()
                .partAt(realisation.tune().placeOf(note).bar());
        return around(realisation, firstPlaying(realisation, note), part::has, false);
    }

    private static int firstPlaying(Realisation realisation, NoteId note) {
        return realisation.firstPlaying(realisation.tune().placeOf(note).bar()).orElse(0);
    }

    private static PlayRange around(Realisation realisation, int playing, IntPredicate inside, boolean isLooped) {
        var bars = realisation.bars();
        int first = playing;
        while (first > 0
                && inside.test(bars.get(first - 1).played().bar())
                && (!isLooped
                        || bars.get(first - 1).played().bar()
                                < bars.get(first).played().bar())) {
            first--;
        }
        int last = playing;
        while (last + 1 < bars.size()
                && inside.test(bars.get(last + 1).played().bar())
                && (!isLooped
                        || bars.get(last + 1).played().bar()
                                > bars.get(last).played().bar())) {
            last++;
        }
        Fraction end = last + 1 < bars.size()
                ? bars.get(last + 1).startWholeNotes()
                : wholeNotes(realisation, realisation.endMillis());
        return new PlayRange(bars.get(first).startWholeNotes(), end, isLooped);
    }

    private static Fraction wholeNotes(Realisation realisation, Fraction millis) {
        return millis.dividedBy(realisation.tempo().millisOf(Fraction.ONE));
    }
}
