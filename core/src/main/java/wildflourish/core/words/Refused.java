package wildflourish.core.words;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import wildflourish.core.hand.Attempt;
import wildflourish.core.ornament.Choice;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Ornament.StandsFor;
import wildflourish.core.ornament.Refusal;
import wildflourish.core.ornament.Usage;
import wildflourish.core.placing.Facts;
import wildflourish.core.placing.Instead;
import wildflourish.core.placing.Situation;

/** Why an ornament does not fit, and what to do instead, in a sentence a student understands. */
final class Refused {
    private Refused() {}

    static String of(Refusal refusal, Facts facts) {
        Situation situation = facts.situation();
        String note = Words.letter(situation.note());
        return switch (refusal) {
            case REST -> "a rest has nothing to ornament: choose a note";
            case NOT_ON_INSTRUMENT ->
                "the " + situation.instrument().name() + " has no "
                        + situation.note().melody() + ": choose another instrument or key";
            case HELD_FROM_BEFORE -> "the note is held over from before: ornament the note the tie begins on";
            case HAS_SMALL_NOTES ->
                "the tune already writes small notes here: leave them, or take them out of the tune";
            case CROSSES_BAR_LINE -> "it would reach over a bar line: place it within the bar";
            case NOT_FOR_THIS_INSTRUMENT -> "your instrument does not make this one: choose another";
            case NO_TONGUE_HERE -> "no tongue here: use fingers, throat or closing";
            case NO_BREATH_AT_REED -> "no breath meets this reed: close the chanter";
            case CLAIMED_TWICE -> claimed(facts);
            case WRONG_LENGTH ->
                facts.cleanUpTo().isPresent()
                        ? "the note is too short to swell: slow down, or choose a longer one"
                        : "it needs " + lengths(facts) + "; here " + (facts.count() == 1 ? "is " : "are ")
                                + Words.noteLength(facts.lengthWholeNotes());
            case WRONG_NOTES -> "these notes are not what it stands for: " + standsFor(facts);
            case PITCHES_DIFFER -> "its strokes repeat one pitch; these notes differ";
            case NOTES_DO_NOT_MATCH -> "these are not the notes it stands for";
            case RHYTHM_DIFFERS -> "it needs long, short, short, long";
            case NO_STEP_TO_FILL -> "there is no step here to fill";
            case NOT_RISING -> "each note must rise, so that a new finger drops";
            case NO_OTHER_NOTE -> "there is no other note before it to catch";
            case OTHER_KIND_OF_TUNE -> "it belongs to another kind of tune";
            case BEAT_WOULD_BE_LOST -> "without this note the beat is lost";
            case NOTHING_BELOW_ON_STRING ->
                isPlucked(situation)
                        ? "nothing lies below on this string"
                        : "nothing lies below this note on its string";
            case NO_FINGER_ABOVE -> "no finger is left above to do it";
            case FINGER_JUST_PLAYED -> "that finger has just played; nobody would hear the grace";
            case TWO_STRINGS ->
                isPlucked(situation)
                        ? "both notes must lie on one string"
                        : "crossing to another string would break it";
            case EQUAL_UNDER_SLUR -> "in one bow equal notes melt into one";
            case SLUR_SKIPS_STRING -> "the bow would sweep the string between";
            case NEEDS_NEW_BOW -> "it starts with a new bow; this note is slurred on";
            case OPEN_STRING_FIXED -> "an open string cannot slide or shake; try the fourth finger below";
            case NUT_IN_THE_WAY -> "the nut is in the way";
            case TOO_WIDE -> "the finger cannot travel so far in tune";
            case TIED_OVER -> "it is already sounding; there is no stroke to decorate";
            case NO_BUTTON_FOLLOWS -> "no higher button follows in this row";
            case NO_SECOND_FINGER -> "only one finger reaches that button";
            case ONE_WAY_ONLY -> note + " sounds one way of the bellows only: nothing to rock on";
            case TURN_BETWEEN -> "the bellows turn between them";
            case SAME_BUTTON -> "the same button must come up first";
            case ONE_FINGER_BOTH -> "one finger has both buttons";
            case NO_WAY_IN_OR_OUT -> "your hand cannot come from, or go on to, its neighbours" + instead(facts);
            case TOO_FAR_ROUND -> "it costs " + turnsAndHops(facts) + ": " + smaller(facts);
            case FINGER_BUSY -> "that finger is holding another note";
            case NO_AIR -> "the bellows run out that way";
            case NO_BASSES -> "a concertina has no basses";
            case ON_A_BEAT -> "the beat needs its own note";
            case LIES_WELL_ALREADY -> "it lies well: play what is written";
            case WRONG_KIND_OF_TUNE -> "it belongs in " + kindsOfTune(facts);
            case NO_SUCH_NOTE -> "a note that it wants is not on this instrument" + instead(facts);
            case BELLOWS_DISAGREE -> "its notes go different ways of the bellows" + instead(facts);
            case HAND_CANNOT -> "one hand cannot reach or cross to these buttons" + instead(facts);
            case NOT_THIS_HAND -> "your picking hand leaves that out";
            case PAIRED_STRINGS -> "paired strings do not bend; slide instead";
            case TOO_SHORT -> "the note is too short for it";
            case TIED_ON -> "it is held into the next; do not stop it";
            case NOT_THIS_TUNE -> "it belongs to another kind of tune";
            case NOT_EQUAL -> "these strokes repeat one pitch; here are two";
            case SAME_PITCH -> "the left hand cannot repeat a pitch: pick it again";
            case WRONG_WAY -> "a hammer goes up, a pull comes down";
            case NO_GAP -> "there is no such gap to fill";
            case HIDES_BEAT -> "it would hide the beat";
            case STRING_SKIP -> "in a burst the pick cannot jump strings";
            case SAME_STRING -> "it is the same string: pull it off there";
            case MUST_BE_OPEN -> "only an open string answers the left hand";
            case OUT_OF_REACH -> "your hand cannot span that";
            case OPEN_STRING_CANNOT -> "no finger is on an open string: find the fretted place";
            case AT_THE_NUT -> "there is no fret below to start from";
            case TOO_STIFF -> "the string is too stiff there";
            case BENT_OUT_OF_KEY -> "pushed up, that note belongs nowhere here";
            case NO_NEIGHBOUR -> "no string lies on that side";
            case NO_PARTNER -> "the other string does not have that note";
            case NO_CHORD -> "no chord is given here";
            case NOT_IN_CHORD -> "that note fights the chord";
            case NOT_THE_HOME_NOTE -> "it turns round the home note only";
            case SCALE_HAS_IT -> "in this key that is a plain note";
            case NOT_THE_END -> "a tag waits for the very last note";
            case DRONE_CLASHES -> "your short string is out of key: raise it";
            case FINGER_CANNOT -> "the finger whose turn it is cannot take that string";
            case FINGER_TWICE -> "the same finger again comes too soon";
            case THUMB_ON_BEAT -> "the thumb waits till the beat is past";
            case ONE_STRING_ONLY -> "those notes lie on one string; pick them plainly";
            case BAR_FULL -> "the tune fills the bar; there is no room";
            case OFF_THE_QUAVERS -> "a roll goes in even quavers; this bar does not";
            case NOTHING_TO_LEAN -> "no inner note here can lean";
            case STRING_NOT_DUE -> "the tune is not on the string whose turn it is";
            case HAS_THE_TUNE -> "someone must play the tune: that is you";
            case RINGS_ON -> "open strings ring on; take a closed shape";
            case NO_FINGER_DOWN -> "it is an open string; no finger is down";
            case MUST_LIFT -> "a later note needs this finger out of the way";
            case NEEDS_OPEN_STRING -> "it needs a note that an open string has";
            case NO_CHORD_GIVEN -> "no chord stands here to choose from: write one, or let the notes around choose";
            case NOT_AT_THE_END -> "it closes a part; here the tune goes on";
            case NO_STRING_THERE -> "there is no string on that side";
            case FINGERS_CANNOT_STAND -> "the fingers cannot stand so on two strings";
            case OFF_THE_SCALE -> "the second note is no note of this scale";
            case GRATES ->
                isPlucked(situation) ? "those two strings grate here" : "that string grates against this note";
            case TOO_LOW -> "the fiddle goes no lower";
            case NOTHING_LEFT_TO_LIFT -> "nothing is down to flick: tap instead";
            case NOTHING_LEFT_TO_TAP -> "all holes are shut: cut instead";
            case NO_CLEAN_TAP -> "no single finger gives a clean note below " + note + ": cut instead";
            case NO_USAGE_KNOWN -> "no custom is known for " + note + " here: leave it plain";
            case ROLL_ALL_CLOSED -> "all shut: cran it";
            case ROLL_ALL_OPEN -> "all open: no cut, so no roll; try a tap";
            case ROLL_CROSS_FINGERED -> "no true roll on this fork: leave out the bounce";
            case ROLL_HALF_HOLED -> "the half hole makes the bounce unsafe: leave it out";
            case TAP_IS_SILENCE -> "closed like this the tap is silence: open the lower hand";
            case TAP_SOUNDS -> "opened like this the tap sounds: call it a tap";
            case TWO_HOLES_OPEN -> "two holes are open: one finger cannot stop it";
            case REGISTER_JUMP -> "a flick here jumps the register: tongue it";
            case THUMB_PINCHED -> "the thumb is pinched: a flick would crack it; tongue it";
            case ONE_FINGER_DOWN -> "only one finger is down: a single cut";
            case TOP_TWO_NOT_DOWN -> "both top fingers must be down for the fork";
            case NOTHING_LANDS -> "no finger lands here: an ordinary cut does it";
            case NOTHING_OPENS -> "no open hole lies below: nothing to slide or shade";
            case CROSSING_FINGERS -> "fingers would cross: too clumsy for so short a note";
            case CRAN_NEEDS_ALL_CLOSED -> "a cran is for the shut note: roll this one";
            case NO_OCTAVE -> "the same fingers give no octave here: choose another note";
            case THUMB_ONLY -> "more than the thumb would move: choose another note";
            case OFF_THE_KNEE -> "low D is off the knee: this needs the knee";
            case KNEE_RANGE -> "only E to B pop off the knee";
            case LOW_D_ONLY -> "only low D leaves the knee free";
            case TWO_OPEN_HOLES -> "two holes must be open: one rests, one pats";
            case REST_MUST_FOLLOW -> "a fall needs silence after it";
            case TOO_SHORT_TO_WAVE -> "too short to wave: let it ring";
            case STRUCTURAL_NOTE -> "the ear needs this note: breathe elsewhere";
            case NOT_FROM_A_BEAT -> "hold from a beat, or the pulse is lost";
            case UNPARTED -> "a pipe never stops: part equal notes";
            case NOT_ABOVE_BOTH -> "a grace must stand above both its neighbours";
            case NOT_BELOW_BOTH -> "a strike must lie below both its neighbours";
            case NOTHING_BELOW -> "nothing lies below low G: take a grace";
            case SAME_SOUND_TWICE -> "two like sounds running are one sound: take another movement";
            case BELONGS_TO -> "this movement belongs to " + owner(facts);
            case CANNOT_LEND -> "the note before is too short to lend time: slow down, or dress another note";
            case FINGER_LANDING -> "that finger is only just landing: tap, or slow down to " + clean(facts);
            case FINGER_JUST_LIFTED -> "that finger has only just lifted: cut, or slow down to " + clean(facts);
            case TOO_FAST ->
                isPlucked(situation)
                        ? "at this speed it blurs: slower than " + clean(facts) + ", or leave it out"
                        : tooFast(facts);
        };
    }

    private static boolean isPlucked(Situation situation) {
        return situation.instrument().family().isPlucked();
    }

    private static String clean(Facts facts) {
        return facts.cleanUpTo().map(Words::tempo).orElse("–");
    }

    private static String tooFast(Facts facts) {
        boolean isCleanByItself = facts.attempt().flatMap(Attempt::tooFast).isEmpty();
        if (isCleanByItself) {
            return "at this speed the fingers do not come to it and on from it in time: slow down, or "
                    + smaller(facts);
        }
        boolean hasSmaller = !facts.ornament().manner().growsFrom().isEmpty();
        return "above " + clean(facts) + " it blurs: " + (hasSmaller ? "" : "slow down, or ") + smaller(facts);
    }

    /** What it costs more, in whole turns and hops. */
    private static String turnsAndHops(Facts facts) {
        return facts.attempt()
                .flatMap(Attempt::price)
                .map(price -> Words.turnsAndHops(price.more()))
                .orElse("too many turns and hops");
    }

    /** What fits in its place on buttons, where something does. */
    private static String instead(Facts facts) {
        return Instead.of(facts).map(other -> ": take the " + other.name()).orElse("");
    }

    private static String smaller(Facts facts) {
        Optional<Ornament> easier = Instead.of(facts);
        if (easier.isPresent()) {
            return "take the " + easier.get().name();
        }
        return facts.ornament().manner().growsFrom().stream()
                .findFirst()
                .flatMap(id -> Ornament.find(id, facts.situation().instrument().family()))
                .map(each -> "take the " + each.name())
                .orElse("leave it plain");
    }

    private static String kindsOfTune(Facts facts) {
        return Usage.of(
                        facts.situation().instrument().family(),
                        facts.ornament().id(),
                        facts.situation().playing().schoolOf(facts.stack().main()))
                .map(usage -> usage.onlyIn().stream().map(Refused::plural).collect(Collectors.joining(" and ")))
                .orElse("another kind of tune");
    }

    private static String plural(String kind) {
        return kind + (kind.endsWith("z") ? "es" : "s");
    }

    private static String claimed(Facts facts) {
        List<Choice> both =
                facts.attempt().flatMap(Attempt::clash).orElse(facts.stack().choices());
        return String.join(
                        " and ",
                        both.stream()
                                .map(each -> each.ornament().name())
                                .distinct()
                                .toList())
                + " want the same place: keep one of them";
    }

    private static String lengths(Facts facts) {
        String own = facts.ornament().figures().stream()
                .map(Ornament.Sized::length)
                .distinct()
                .flatMap(length -> length
                        .least()
                        .map(least -> length.isExact() ? Words.noteLength(least) : Words.noteLength(least) + " or more")
                        .stream())
                .distinct()
                .collect(Collectors.joining(" or "));
        return own.isEmpty() ? "another length" : own;
    }

    private static String standsFor(Facts facts) {
        return facts.ornament().form().standsFor().stream()
                .sorted()
                .map(Refused::name)
                .collect(Collectors.joining(", "));
    }

    private static String name(StandsFor form) {
        return switch (form) {
            case NOTE -> "one note";
            case EQUAL -> "equal notes";
            case TURN -> "a note, its neighbour and the note again";
            case THIRD -> "two quavers a third apart";
            case TONE -> "two quavers a tone apart";
            case NOTES -> "two to four notes";
            case APPROACH -> "a note that goes on by step";
            case AFTER -> "a note that comes after another";
            case BEFORE -> "a note that goes on to another";
            case MID -> "a note a third from the one before";
            case TACHUM -> "two quavers, B or C and then lower";
            case PAIR -> "two notes";
            case QUAVERS -> "two quavers";
            case THREE -> "three notes";
            case UNEQUAL -> "two different notes";
            case RISING -> "rising notes";
            case LEAP -> "a note whose next lies a fourth off";
            case DRIVEN -> "long, short, short, long";
            case OTHER -> "a note after another pitch";
            case NEAR -> "a note whose next lies no more than a third off";
        };
    }

    private static String owner(Facts facts) {
        return switch (facts.ornament().id()) {
            case "birl" -> "low A";
            case "d-throw" -> "D";
            case "crunluath" -> "E";
            default -> "another note";
        };
    }
}
