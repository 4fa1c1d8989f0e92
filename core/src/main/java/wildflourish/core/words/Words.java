package wildflourish.core.words;

import java.util.Locale;
import java.util.Optional;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Gesture;
import wildflourish.core.placing.Facts;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.Reason;
import wildflourish.core.placing.Refusal;
import wildflourish.core.placing.Remark;
import wildflourish.core.placing.Situation;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NotePlace;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Version;

/** Values turned into sentences. */
public final class Words {
    private Words() {}

    /** One line for why an ornament fits: its strongest reason, and what speaks most against it if anything does. */
    public static String why(Fit fit) {
        if (!fit.fits()) {
            return sentence(of(fit.refusals().get(0), fit.facts()));
        }
        Optional<Reason> best =
                fit.reasons().stream().filter(each -> each.points() > 0).findFirst();
        Optional<Reason> worst =
                fit.reasons().stream().filter(each -> each.points() < 0).findFirst();
        String good = best.map(each -> of(each, fit.facts())).orElse("it is possible here");
        return sentence(good
                + worst.map(each -> "; but " + of(each, fit.facts())).orElse(""));
    }

    /** The words of a reason for facts of which it holds. */
    public static String of(Reason reason, Facts facts) {
        String note = letter(facts.situation().note());
        return switch (reason) {
            case PARTS_TWO_EQUAL -> "parts this " + note + " from the " + note + " before it";
            case PARTS_THIRD_EQUAL -> "a third " + note + " in a row: a tap after the cut";
            case PARTS_EQUAL_TOO -> "parts it from the same note before, in the less usual way";
            case FILLS_HELD_NOTE -> "gives the held " + note + " life and keeps the beat";
            case GATHERS_EQUAL_NOTES -> "gathers " + facts.notes().size() + " equal notes into one figure";
            case ONLY_ROLL_OF_CLOSED_NOTE -> "with all holes covered it takes the place of a roll";
            case RISES_INTO -> "the line rises into " + note + ": a cut lifts it";
            case FALLS_INTO_TAP -> "the line falls into " + note + ": a tap bounces it";
            case FALLS_INTO_CUT -> "the line falls into " + note + ": a cut sets it off";
            case ON_THE_BEAT -> "marks the beat";
            case ROOM_TO_SPARE -> "there is room to spare at this tempo";
            case SETS_OFF -> "sets the note off without the tongue";
            case STANDS_FOR_TURN -> "stands for " + letters(facts) + ", whose middle note it leaves out";
            case TIGHT -> "it is tight at this tempo";
            case TAP_ON_RISE -> "a rising line favours a cut";
            case SPEAKS_WEAKLY -> "it speaks weakly on " + note;
            case ROLL_SPEAKS_HARD -> "rolls are hard on high " + note;
        };
    }

    /** The words of a refusal for facts of which it holds: why, and what to do instead. */
    public static String of(Refusal refusal, Facts facts) {
        Situation situation = facts.situation();
        String note = situation.note().isRest() ? "the rest" : letter(situation.note());
        String name = facts.ornament().name();
        return switch (refusal) {
            case REST -> "a rest has nothing to ornament; choose a note";
            case NOT_ON_INSTRUMENT ->
                "the " + situation.playing().instrument().name() + " has no "
                        + situation.note().melody() + "; choose another instrument or key";
            case HELD_FROM_BEFORE -> "the note is held over from before; ornament the note the tie begins on";
            case HAS_SMALL_NOTES -> "the tune already writes small notes here";
            case NOTHING_LEFT_TO_TAP ->
                "all holes are covered on " + note + ": nothing is left to tap; try a cut or a cran";
            case NOTHING_LEFT_TO_LIFT -> "all holes are open on " + note + ": no finger is down to lift; try a tap";
            case ROLL_ALL_CLOSED -> "a roll taps, and on " + note + " all holes are covered; a cran does its work";
            case ROLL_ALL_OPEN -> "a roll cuts, and on " + note + " all holes are open; try a tap";
            case ROLL_CROSS_FINGERED -> "no true roll on the cross-fingered " + note + "; try a cut";
            case ROLL_HALF_HOLED -> "the half-covered hole of " + note + " makes rolls unsafe; try a cut";
            case NO_USAGE_KNOWN ->
                "no way to make a " + name + " on " + note + " is recorded for this instrument; leave it plain";
            case CRAN_NEEDS_ALL_CLOSED -> "a cran is for the note with all holes covered; here use a cut or a roll";
            case WRONG_LENGTH -> "a " + name + " needs " + lengths(facts) + "; here there " + available(situation);
            case TOO_FAST ->
                "too fast here: clean only up to " + clean(facts) + ", asked for "
                        + tempo(situation.playing().tempo());
        };
    }

    private static String clean(Facts facts) {
        return facts.cleanUpTo().map(Words::tempo).orElse("–");
    }

    private static String letters(Facts facts) {
        return String.join(" ", facts.notes().stream().map(Words::letter).toList());
    }

    private static String lengths(Facts facts) {
        return String.join(
                " or ",
                facts.ornament().shapes().stream()
                        .flatMap(shape -> shape.span().stream())
                        .map(Words::noteLength)
                        .toList());
    }

    private static String available(Situation situation) {
        return "is " + noteLength(situation.note().played());
    }

    /** The name of a note of that many whole notes: “a crotchet”; otherwise its length in quavers. */
    public static String noteLength(Fraction wholeNotes) {
        return switch (wholeNotes.toString()) {
            case "1" -> "a semibreve";
            case "3/4" -> "a dotted minim";
            case "1/2" -> "a minim";
            case "3/8" -> "a dotted crotchet";
            case "1/4" -> "a crotchet";
            case "3/16" -> "a dotted quaver";
            case "1/8" -> "a quaver";
            case "1/16" -> "a semiquaver";
            case "1/12" -> "a triplet quaver";
            default -> wholeNotes.times(8) + " quavers";
        };
    }

    /** Beats a minute to a tenth, with the beat: {@code 154.6 minims a minute}. */
    public static String tempo(Tempo tempo) {
        return beats(tempo) + " " + beatName(tempo.beatLength()) + " a minute";
    }

    /** Beats a minute, rounded down to a tenth, so that what is shown is still clean. */
    public static String beats(Tempo tempo) {
        long tenths = (long) Math.floor(tempo.beatsPerMinute().toDouble() * 10);
        return tenths % 10 == 0 ? String.valueOf(tenths / 10) : tenths / 10 + "." + tenths % 10;
    }

    /** The name of a beat in the plural. */
    public static String beatName(Fraction beatLength) {
        String name = noteLength(beatLength);
        return name.startsWith("a ") ? name.substring(2) + "s" : "beats of " + beatLength;
    }

    public static String letter(Note note) {
        return note.isRest() ? "rest" : note.melody().letter();
    }

    /** A note and where it stands: {@code F♯5, bar 3, on beat 2}, or {@code F♯4, pickup to bar 1, on beat 4}. */
    public static String place(Tune tune, Note note) {
        return (note.isRest() ? "rest" : note.melody().toString()) + ", " + where(tune, note);
    }

    /** Where a note stands: {@code bar 3, on beat 2}. */
    static String where(Tune tune, Note note) {
        NotePlace place = tune.placeOf(note.id());
        Fraction count = tune.metreAt(place.bar()).countLength();
        Fraction beats = place.offset().dividedBy(count);
        long beat = Math.floorDiv(beats.numerator(), beats.denominator()) + 1;
        boolean isOn = beats.denominator() == 1;
        String bar = (tune.form().isPickup(place.bar()) ? "pickup to bar " : "bar ")
                + tune.form().countedNumber(place.bar());
        return bar + ", " + (isOn ? "on beat " : "after beat ") + beat;
    }

    /** Which finger covers a hole, counted from 1 at the mouth: of eight the first is the thumb's. */
    public static String finger(int hole, int holes) {
        boolean hasThumb = holes > 7;
        if (hasThumb && hole == 1) {
            return "thumb";
        }
        int number = hasThumb ? hole - 1 : hole;
        return (number <= 3 ? "upper hand " : "lower hand ") + number;
    }

    /** What the fingers do for a gesture on a note, for people who read words better than pictures. */
    public static String gesture(Gesture gesture, Optional<Integer> hole) {
        String finger = hole.map(number -> " " + number).orElse("");
        return switch (gesture) {
            case PLAIN -> "the note";
            case CUT, CRAN -> "flick finger" + finger + " up";
            case TAP -> "touch hole" + finger;
        };
    }

    /** One line for what a critic says. */
    public static String of(Remark remark, Tune tune, Version version) {
        Note note = tune.note(remark.at());
        String where = place(tune, note) + ": ";
        if (remark instanceof Remark.Unfit unfit) {
            return where + unfit.verdict().facts().ornament().name() + ": "
                    + of(unfit.verdict().refusals().get(0), unfit.verdict().facts());
        }
        Instrument instrument = version.playing().instrument();
        return where + "the " + instrument.name() + " does not have this note; choose another instrument or key";
    }

    /** A short clock: {@code 1:05}. */
    public static String clock(double millis) {
        long seconds = Math.max(0, (long) (millis / 1000));
        return String.format(Locale.ROOT, "%d:%02d", seconds / 60, seconds % 60);
    }

    public static String pitches(java.util.List<WrittenPitch> pitches) {
        return String.join(" ", pitches.stream().map(WrittenPitch::toString).toList());
    }

    static String sentence(String words) {
        return words.isEmpty() ? words : words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1) + ".";
    }
}
