package wildflourish.core.words;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import wildflourish.core.hand.Attempt;
import wildflourish.core.hand.HandCost;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.StrokeOrder;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Choice;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Reason;
import wildflourish.core.ornament.Refusal;
import wildflourish.core.ornament.Stack;
import wildflourish.core.performance.Moment;
import wildflourish.core.placing.Breaths;
import wildflourish.core.placing.Facts;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.Instead;
import wildflourish.core.placing.Remark;
import wildflourish.core.placing.Verdict;
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

    /** The same for a layer or the plain note. */
    public static String why(Verdict verdict) {
        if (verdict.fit().isPresent()) {
            return why(verdict.fit().get());
        }
        if (verdict.fits()) {
            return "It is possible here.";
        }
        return switch (verdict.refusals().get(0)) {
            case UNPARTED -> "A pipe never stops: part equal notes.";
            case NOT_ON_INSTRUMENT -> "The instrument does not have this note: choose another instrument or key.";
            case ON_A_BEAT -> "The beat needs its own note.";
            case LIES_WELL_ALREADY -> "It lies well: play what is written.";
            case NO_BASSES -> "A concertina has no basses.";
            case BELLOWS_DISAGREE -> "The bellows go different ways here: hold another button, or a shorter passage.";
            case FINGER_BUSY -> "That finger is holding the note: hold another button.";
            case HAND_CANNOT -> "One hand cannot reach or cross to these buttons: hold another.";
            case NO_AIR -> "The bellows run out that way: hold it over a shorter passage.";
            case NO_SUCH_NOTE -> "There is no note that would do: choose another passage.";
            case WRONG_LENGTH -> "It needs a crotchet or more.";
            case TOO_FAST -> "Too fast here: slow down.";
            default -> "Your instrument does not make this one: choose another.";
        };
    }

    /** What something costs the hand on buttons, in whole turns of the bellows. */
    static String turnsAndHops(double turns) {
        long whole = Math.round(turns);
        return whole == 1 ? "a turn or a hop" : whole + " turns and hops";
    }

    /** The words of a reason for facts of which it holds. */
    public static String of(Reason reason, Facts facts) {
        String note = letter(facts.situation().note());
        return switch (reason) {
            case PARTS_TWO_EQUAL -> "parts two equal notes";
            case PARTS_THIRD_EQUAL -> "the third one sounds new";
            case PARTS_EQUAL_TOO -> "parts them in the less usual way";
            case PARTS_EQUAL_NOTES -> "it parts equal notes";
            case BELONGS_HERE -> "players do this here";
            case FILLS_THE_GAP -> "it fills the gap";
            case ROUNDS_OFF_THE_PHRASE -> "it rounds off the phrase";
            case RESTING_PLACE -> "the tune rests here; there is room";
            case GAP_TO_FILL -> "the gap asks to be filled";
            case EQUAL_NOTES -> "equal notes want parting";
            case LONG_NOTE -> "a plucked note dies; feed it";
            case CHORD_NOTE -> "the chord of the bar asks for it";
            case SOFT_OFF_BEAT -> "a soft second note lights the beat";
            case FROM_BELOW -> "the line rises into it anyway";
            case SCALE_LINE -> "a scale may run across the strings";
            case PEAK -> "the top of the line may shine";
            case FINGERS_LIE -> "your fingers lie there already";
            case ON_BEAT -> "the beat bears the weight";
            case OPEN_STRING -> "your left hand is free here";
            case TURN_AHEAD -> "it tells them the part is turning";
            case IN_STYLE -> "it belongs to this kind of tune";
            case SAME_AGAIN -> "two alike in a row tire the ear";
            case RUNNING_LINE -> "a running line is full already";
            case SOFT_ON_BEAT -> "the beat would go soft";
            case WIDE_REACH -> "that is a stretch; warm up first";
            case STACK_NEAR -> "one stack a phrase is enough";
            case THIRD_BAR_ALIKE -> "three bars alike: change the roll";
            case SOUNDS_THE_CHORD -> "it sounds the chord";
            case NEXT_NOTE_READY -> "the finger already holds the next note";
            case KEEPS_THE_DANCE_GOING -> "a held note stops the dance; keep it going";
            case ANNOUNCES_THE_PART -> "it announces the part";
            case COMES_BACK -> "you come back to it; why lift?";
            case GRATES_HERE -> "that string grates here; some like it";
            case BURIES_THE_TUNE -> "the ear follows the upper note";
            case OPEN_STRING_RINGS -> "the open string rings";
            case LINE_RISES_INTO_IT -> "the line climbs into it";
            case ROOM_FOR_IT -> "there is room";
            case ONLY_A_NEIGHBOUR -> "the middle note is only a neighbour";
            case BOW_COMES_RIGHT -> "the next beat comes down by itself";
            case MARKS_THE_BEAT -> "it marks the beat";
            case HAND_IS_THERE -> "it all lies under the hand";
            case GAP_IN_A_RUN -> "a gap lets the run breathe";
            case ALL_IS_PLAIN_AROUND -> "all around is plain";
            case TURNS_THE_BOW -> "it turns the bowing round";
            case LIKE_ITS_NEIGHBOUR -> "its neighbour has one already";
            case HARD_SPOT -> "the spot is hard enough";
            case AGAINST_THE_STYLE -> "snaps are rare in this kind of tune";
            case BARELY_CLEAN -> "it is barely clean at this speed";
            case WEAK_FINGER -> "the little finger has to do it";
            case BLURS_THE_BEAT -> "it puts weight off the beat";
            case SAVE_FOR_REPEAT -> "save it for the repeat";
            case FILLS_HELD_NOTE -> "a held note wants life";
            case BREATH_DUE -> "you need air about now";
            case GATHERS_EQUAL_NOTES -> "gathers " + facts.count() + " equal notes into one figure";
            case FILLS_THIRD -> "fills the gap of a third";
            case RISES_INTO -> "a flick lights a rising note";
            case FALLS_INTO -> "the tune falls into it";
            case FILLS_A_GAP -> "it fills the gap";
            case BELONGS_TO_THE_CHORD -> "it belongs to the chord";
            case CLOSES_THE_PHRASE -> "it closes the phrase";
            case LIES_WITH_THE_BELLOWS -> "all lies the way the bellows go";
            case HANDS_ALTERNATE -> "the hands take turns";
            case LIFTS_THE_OFF_BEAT -> "a short off-beat lifts the dance";
            case CLASHES_WITH_THE_CHORD -> "it rubs against the chord";
            case GRACE_REPEATS_NOTE_BEFORE -> "the grace repeats the note before";
            case NEIGHBOUR_IS_DRESSED -> "its neighbour is dressed already";
            case WIDE_ROLL -> "so wide a roll is a broken chord";
            case TURN_CLIPS_THE_END -> "the turn after it must be smart";
            case LOW_THIRD_GROWLS -> "a low third growls";
            case LOW_REEDS_SPEAK_LATE -> "low reeds speak late";
            case FALLS_INTO_TAP -> "that finger is falling anyway";
            case COMES_FROM_BELOW -> "you come from below";
            case HIDES_CROSSING -> "hides the crossing of fingers";
            case ANNOUNCES_TURN -> "announces the turn";
            case HAS_ROOM -> "there is room";
            case FALLS_INTO_CUT -> "a cut sets the falling note off";
            case SEATS_REGISTER -> "seats the new register";
            case CAN_SPARE_ITS_END -> "a long note can spare its end";
            case STANDS_FOR_TURN -> "the middle note of " + letters(facts) + " is only a neighbour";
            case SECOND_TIME -> "they know the tune by now";
            case RESTS_THE_EAR -> "rest for the ear";
            case ONLY_ROLL_OF_CLOSED_NOTE -> "on the shut note it is the roll";
            case SAVES_THE_BELLOWS -> "saves turns of the bellows";
            case SAVES_A_HOP -> "saves the finger";
            case HOME_NOTE -> "the home note or its fifth";
            case TURN_ACCENTS_ALREADY -> "the turn accents it already";
            case LITTLE_AIR_LEFT -> "little air is left that way";
            case FOREIGN_NOTE -> "a foreign note, long enough to hear";
            case COSTS_A_DETOUR ->
                "it costs "
                        + facts.attempt()
                                .flatMap(Attempt::price)
                                .map(price -> turnsAndHops(price.more()))
                                .orElse("turns and hops")
                        + " more"
                        + Instead.of(facts)
                                .map(other -> ", the " + other.name() + " does not")
                                .orElse("");
            case ON_THE_BEAT -> "marks the beat";
            case ROOM_TO_SPARE -> "there is room to spare at this tempo";
            case SETS_OFF -> "sets the note off";
            case SPEAKS_WEAKLY -> "it speaks weakly on " + note;
            case LOST_IN_DANCE -> "nobody hears it in a dance";
            case ROLL_SPEAKS_HARD -> "rolls are hard up here";
            case TIRES_THE_EAR -> "twice tires the ear";
            case CROWDED -> "let the one next door ring";
            case STOPS_THE_RUN -> "it stops the run";
            case TIGHT -> "it is tight at this tempo";
            case OFF_THE_BEAT -> "weight where none belongs";
            case SQUEALS -> "it squeals up there";
            case TAP_ON_RISE -> "a rising line wants a cut";
            case BENDS_TUNING -> "it bends your tuning";
        };
    }

    /** The words of a refusal for facts of which it holds: why, and what to do instead. */
    public static String of(Refusal refusal, Facts facts) {
        return Refused.of(refusal, facts);
    }

    private static String letters(Facts facts) {
        return String.join(" ", facts.notes().stream().map(Words::letter).toList());
    }

    /** What a stack is called: the names of all its ornaments, the touches first. */
    public static String name(Stack stack) {
        List<String> names = new ArrayList<>();
        for (Choice choice : stack.choices()) {
            String school =
                    choice.school().isEmpty() ? "" : " (" + choice.school().replace('-', ' ') + ")";
            names.add(
                    choice.ornament().isTouch() ? names.size() : 0,
                    choice.ornament().name() + school);
        }
        return String.join(" + ", names);
    }

    /** The same after its article: {@code a long roll}, {@code an octave leap}. */
    public static String article(Stack stack) {
        String name = name(stack);
        boolean isSpokenAsVowel =
                "aeiou".indexOf(name.charAt(0)) >= 0 && !name.startsWith("one ") && !name.startsWith("uni");
        return (isSpokenAsVowel ? "an " : "a ") + name;
    }

    /** The heading over ornaments of a kind. */
    public static String name(Ornament.Kind kind) {
        return switch (kind) {
            case FLICK -> "Cuts, taps, small notes";
            case ROLL -> "Rolls";
            case CRAN -> "Crans";
            case GRACE -> "Graces";
            case MOVEMENT -> "Doublings and movements";
            case TRIPLET -> "Triplets and repeated notes";
            case SLIDE -> "Slides";
            case SHAKE -> "Trills and turns";
            case WAVE -> "Vibrato";
            case OCTAVE -> "Octaves";
            case FILL -> "Fills and passing notes";
            case DOUBLE_STOP -> "Two strings and more";
            case ARTICULATION -> "How notes begin";
            case REST -> "Held and left out";
        };
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

    /** What the fingers do for a movement, for people who read words better than pictures. */
    public static String gesture(Moment.Role role, Optional<String> finger) {
        String name = finger.map(each -> " " + each).orElse("");
        return switch (role) {
            case MELODY, SMALL_NOTE -> "the note";
            case REST -> "silence";
            case CUT -> "flick finger" + name + " up";
            case TAP -> "touch hole" + name;
            case GRACE -> "small note" + name;
            case SPREAD -> "string of the chord";
            case CLOSED -> "shut";
        };
    }

    /** What an ornament costs the hand on strings, or spares it; empty where that is next to nothing. */
    public static String handCost(HandCost.Told told) {
        List<String> words = new ArrayList<>();
        if (told.more() == Double.POSITIVE_INFINITY) {
            return "The hand cannot go on from it.";
        }
        if (told.turnsBow()) {
            words.add("turns the bow round");
        }
        if (told.turns() != 0) {
            String count = Math.abs(told.turns()) == 1 ? "one turn" : Math.abs(told.turns()) + " turns";
            words.add(count + " of the bellows " + (told.turns() > 0 ? "more" : "fewer"));
        }
        told.hold().ifPresent(hold -> words.add("held as " + hold));
        if (Math.abs(told.more()) >= SMALL_COST) {
            String amount = String.format(Locale.ROOT, "%.1f", Math.abs(told.more()));
            words.add(told.more() > 0 ? "costs the hand " + amount : "spares the hand " + amount);
        }
        String all = String.join(", ", words);
        return words.isEmpty() ? "" : Character.toUpperCase(all.charAt(0)) + all.substring(1) + ".";
    }

    private static final double SMALL_COST = 0.45;

    /** One of the ways of a layer: the name of an order of strokes, or the word itself. */
    public static String way(String option) {
        return StrokeOrder.all().stream()
                .filter(order -> order.id().equals(option))
                .findFirst()
                .map(StrokeOrder::name)
                .orElse(option.replace('-', ' '));
    }

    /** One line for what a critic says. */
    public static String of(Remark remark, Tune tune, Version version) {
        Note note = tune.note(remark.at());
        String where = place(tune, note) + ": ";
        if (remark instanceof Remark.Unfit unfit) {
            Facts facts = unfit.verdict().facts();
            return where + name(facts.stack()) + ": "
                    + of(unfit.verdict().refusals().get(0), facts);
        }
        if (remark instanceof Remark.Unparted) {
            return where + "a pipe never stops: part it from the same note before with a grace or a strike";
        }
        if (remark instanceof Remark.UpBow) {
            return where + "the phrase begins on an up bow: join or part a pair of notes before it";
        }
        if (remark instanceof Remark.NoBreath none) {
            return where + breath(none.stretch(), tune) + "; a breath lasts "
                    + seconds(none.breath().fromSeconds()) + " to "
                    + seconds(none.breath().toSeconds())
                    + " seconds: leave a note out, or shorten one";
        }
        Instrument instrument = version.playing().instrument();
        return where + "the " + instrument.name() + " does not have this note; choose another instrument or key";
    }

    /** {@code 7.2 seconds without a breath, to bar 4, on beat 2}. */
    public static String breath(Breaths.Stretch stretch, Tune tune) {
        return seconds(stretch.seconds()) + " seconds without a breath, to "
                + where(tune, tune.note(stretch.lastNote()));
    }

    private static String seconds(Fraction seconds) {
        return String.format(Locale.ROOT, seconds.denominator() == 1 ? "%.0f" : "%.1f", seconds.toDouble());
    }

    /** A short clock: {@code 1:05}. */
    public static String clock(double millis) {
        long seconds = Math.max(0, (long) (millis / 1000));
        return String.format(Locale.ROOT, "%d:%02d", seconds / 60, seconds % 60);
    }

    public static String pitches(List<WrittenPitch> pitches) {
        return String.join(" ", pitches.stream().map(WrittenPitch::toString).toList());
    }

    static String sentence(String words) {
        return words.isEmpty() ? words : words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1) + ".";
    }
}
