package wildflourish.core.placing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.hand.Attempt;
import wildflourish.core.hand.Forms;
import wildflourish.core.hand.Held;
import wildflourish.core.hand.Made;
import wildflourish.core.hand.Price;
import wildflourish.core.hand.Trait;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Hole;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.RollSpeech;
import wildflourish.core.line.Tone;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Metre;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Reason;
import wildflourish.core.ornament.Target;
import wildflourish.core.ornament.Usage;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NotePlace;
import wildflourish.core.tune.Part;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;

/** What speaks for a stack at a spot and against it. The predicate that gives the points is the one whose words are shown. */
final class Reasons {
    private static final int OCTAVE = 12;
    private static final Fraction CROTCHET = Fraction.of(1, 4);
    private static final Fraction QUAVER = Fraction.of(1, 8);

    /** What hardly costs anything, in turns of the bellows. */
    private static final double LITTLE = 0.3;

    private final Facts facts;
    private final Situation situation;

    private Reasons(Facts facts) {
        this.facts = facts;
        this.situation = facts.situation();
    }

    /** All that hold, those with the most points first. */
    static List<Reason> of(Facts facts) {
        Reasons reasons = new Reasons(facts);
        Instrument instrument = facts.situation().instrument();
        List<Reason> asked = new ArrayList<>(
                instrument.family().isWind()
                        ? Reason.OF_WINDS
                        : instrument.buttons().isPresent() && !isOfTouch(facts) ? Reason.OF_BUTTONS : List.of());
        facts.stack()
                .choices()
                .forEach(choice -> asked.addAll(choice.ornament().speech().reasons()));
        return Reason.STRONGEST_FIRST.stream()
                .filter(reason -> asked.contains(reason) && reasons.holds(reason))
                .toList();
    }

    /** Whether it only says how notes begin and end. */
    private static boolean isOfTouch(Facts facts) {
        return facts.stack().choices().stream()
                .allMatch(choice -> choice.ornament().kind() == Ornament.Kind.ARTICULATION);
    }

    private boolean holds(Reason reason) {
        return switch (reason) {
            case PARTS_TWO_EQUAL -> situation.equalBefore() == 1;
            case PARTS_THIRD_EQUAL -> situation.equalBefore() >= 2;
            case PARTS_EQUAL_TOO -> usesTap() ? situation.equalBefore() == 1 : situation.equalBefore() >= 2;
            case PARTS_EQUAL_NOTES -> situation.equalBefore() > 0 || hasEqualInside();
            case BELONGS_HERE -> belongsHere();
            case FILLS_THE_GAP -> fillsGap();
            case ROUNDS_OFF_THE_PHRASE -> situation.endsPhrase(lastNote());
            case RESTING_PLACE -> isRestingPlace();
            case GAP_TO_FILL -> fillsGap();
            case EQUAL_NOTES -> hasEqualBeside();
            case LONG_NOTE -> isLongNote();
            case CHORD_NOTE -> has(Trait.SOUNDS_CHORD);
            case SOFT_OFF_BEAT ->
                facts.notes().size() > 1 && !isOnCount(facts.notes().get(1));
            case SOFT_ON_BEAT ->
                facts.notes().size() > 1 && isOnCount(facts.notes().get(1));
            case FROM_BELOW -> situation.rise() > 0 && situation.rise() <= OCTAVE;
            case SCALE_LINE -> isScale();
            case PEAK -> isPeak();
            case FINGERS_LIE -> has(Trait.FINGERS_LIE);
            case ON_BEAT -> situation.isOnTuneBeat(situation.note());
            case OPEN_STRING -> has(Trait.OPEN_STRING);
            case TURN_AHEAD -> isLastBarOfPart();
            case IN_STYLE -> belongsHere();
            case SAME_AGAIN -> isSoonAfterItsKind();
            case RUNNING_LINE -> isInRunningLine();
            case WIDE_REACH -> has(Trait.STRETCH);
            case STACK_NEAR -> hasStackInPhrase();
            case THIRD_BAR_ALIKE -> isThirdAlike();
            case SOUNDS_THE_CHORD -> has(Trait.SOUNDS_CHORD);
            case NEXT_NOTE_READY -> has(Trait.HOLDS_NEXT);
            case GRATES_HERE -> has(Trait.GRATES);
            case BURIES_THE_TUNE -> has(Trait.SECOND_ON_TOP);
            case KEEPS_THE_DANCE_GOING -> isHeldInDance();
            case ANNOUNCES_THE_PART -> isFirstBarOfPart();
            case COMES_BACK -> comesBack();
            case OPEN_STRING_RINGS -> has(Trait.OPEN_STRING);
            case LINE_RISES_INTO_IT -> situation.rise() > 0;
            case ROOM_FOR_IT -> hasRoomForIt();
            case ONLY_A_NEIGHBOUR -> Forms.isTurn(facts.notes());
            case BOW_COMES_RIGHT -> has(Trait.TURNS_BOW) && isNextBeatUp();
            case MARKS_THE_BEAT -> situation.isOnTuneBeat(situation.note());
            case HAND_IS_THERE -> has(Trait.ONE_STRING);
            case GAP_IN_A_RUN -> isBetweenQuavers();
            case ALL_IS_PLAIN_AROUND -> others().isEmpty();
            case TURNS_THE_BOW -> has(Trait.TURNS_BOW);
            case LIKE_ITS_NEIGHBOUR -> isNearItsKind();
            case HARD_SPOT -> has(Trait.BESIDE_LEAP);
            case AGAINST_THE_STYLE -> List.of("reel", "hornpipe", "breakdown").contains(situation.kindOfTune());
            case BARELY_CLEAN -> !facts.isCleanAt(Fraction.of(11, 10));
            case WEAK_FINGER -> has(Trait.LITTLE_FINGER);
            case BLURS_THE_BEAT -> !situation.isOnTuneBeat(situation.note());
            case SAVE_FOR_REPEAT -> !isSecondTime() && isRepeated();
            case FILLS_HELD_NOTE -> facts.isOneNote() && isLong();
            case BREATH_DUE -> Breaths.isDue(situation);
            case GATHERS_EQUAL_NOTES -> facts.areEqualNotes();
            case FALLS_INTO -> situation.rise() < 0;
            case FILLS_A_GAP -> fillsGap();
            case BELONGS_TO_THE_CHORD -> has(Trait.SOUNDS_CHORD);
            case CLOSES_THE_PHRASE -> isLong() && situation.endsPhrase(lastNote());
            case LIES_WITH_THE_BELLOWS -> liesWithTheBellows();
            case SAVES_THE_BELLOWS ->
                price().filter(each -> each.more() <= -1 && each.turns() < 0).isPresent();
            case SAVES_A_HOP ->
                price().filter(each -> each.more() <= -1 && each.turns() >= 0).isPresent();
            case COSTS_A_DETOUR -> facts.detour() > 0;
            case HOME_NOTE -> false;
            case TURN_ACCENTS_ALREADY -> has(Trait.TURNS_ON);
            case LITTLE_AIR_LEFT -> has(Trait.LITTLE_AIR);
            case FOREIGN_NOTE -> has(Trait.FOREIGN_NOTE);
            case HANDS_ALTERNATE -> has(Trait.OTHER_HAND);
            case LIFTS_THE_OFF_BEAT -> !situation.isOnBeat();
            case CLASHES_WITH_THE_CHORD -> has(Trait.CLASHES);
            case GRACE_REPEATS_NOTE_BEFORE -> has(Trait.REPEATS_BEFORE);
            case NEIGHBOUR_IS_DRESSED -> isNearItsKind();
            case WIDE_ROLL -> has(Trait.WIDE);
            case TURN_CLIPS_THE_END -> has(Trait.TURNS_SOON);
            case LOW_THIRD_GROWLS -> has(Trait.LOW_THIRD);
            case LOW_REEDS_SPEAK_LATE -> has(Trait.LOW_REED);
            case FILLS_THIRD -> fillsThird();
            case RISES_INTO -> situation.rise() > 0;
            case FALLS_INTO_TAP -> situation.rise() < 0 && tapIsOpenBefore();
            case COMES_FROM_BELOW -> comesFromBelow();
            case HIDES_CROSSING -> hidesCrossing();
            case ANNOUNCES_TURN -> announcesTurn();
            case HAS_ROOM -> facts.after().isEmpty() || isAir();
            case FALLS_INTO_CUT -> situation.rise() < 0;
            case SEATS_REGISTER -> isOtherRegister();
            case CAN_SPARE_ITS_END -> isLong();
            case STANDS_FOR_TURN -> Forms.isTurn(facts.notes());
            case SECOND_TIME -> isSecondTime();
            case RESTS_THE_EAR -> isAfterBusyBar();
            case ONLY_ROLL_OF_CLOSED_NOTE -> true;
            case ON_THE_BEAT -> situation.isOnBeat();
            case ROOM_TO_SPARE -> facts.cleanUpTo().isPresent() && facts.isCleanAt(Fraction.of(5, 4));
            case SETS_OFF -> true;
            case SPEAKS_WEAKLY -> speaksWeakly();
            case LOST_IN_DANCE -> isDance();
            case ROLL_SPEAKS_HARD ->
                situation
                        .gracing()
                        .map(each -> each.speech().roll() == RollSpeech.HARD)
                        .orElse(false);
            case TIRES_THE_EAR -> isNearItsLike();
            case CROWDED -> isCrowded();
            case STOPS_THE_RUN -> isInRun();
            case TIGHT -> !facts.isCleanAt(Fraction.of(11, 10));
            case OFF_THE_BEAT -> !situation.isOnBeat();
            case SQUEALS -> squeals();
            case TAP_ON_RISE -> situation.rise() > 0;
            case BENDS_TUNING -> situation.instrument().family() == Family.WHISTLE;
        };
    }

    // Buttons

    private Optional<Price> price() {
        return facts.attempt().flatMap(Attempt::price);
    }

    /** It costs next to nothing, and the bellows turn no more often; where that is not known, they turn neither before it nor after. */
    private boolean liesWithTheBellows() {
        boolean isSameBothWays = situation.instrument().family() == Family.ENGLISH;
        return !isSameBothWays
                && price().map(each -> each.more() <= LITTLE && each.turns() <= 0)
                        .orElse(has(Trait.SAME_BELLOWS));
    }

    // Strings

    private boolean has(Trait trait) {
        return facts.attempt()
                .filter(attempt -> attempt.traits().contains(trait))
                .isPresent();
    }

    private Note lastNote() {
        return facts.notes().get(facts.notes().size() - 1);
    }

    private boolean hasEqualInside() {
        List<Note> notes = facts.notes();
        boolean hasEqual = false;
        for (int i = 1; i < notes.size(); i++) {
            hasEqual |= notes.get(i).melody().equals(notes.get(i - 1).melody());
        }
        return hasEqual;
    }

    private boolean belongsHere() {
        return facts.stack().choices().stream()
                .map(choice -> Usage.of(
                        situation.instrument().family(),
                        choice.ornament().id(),
                        situation.playing().schoolOf(choice)))
                .flatMap(Optional::stream)
                .anyMatch(usage -> usage.isUsualIn(situation.kindOfTune(), situation.isSixEight()));
    }

    /** A third or a fourth lies inside, or before the next note. */
    private boolean fillsGap() {
        List<Note> notes = facts.notes();
        Optional<Note> other =
                notes.size() > 1 ? Optional.of(notes.get(1)) : facts.after().map(Tone::note);
        return other.map(each -> Math.abs(
                        each.melody().staffStep() - notes.get(0).melody().staffStep()))
                .filter(steps -> steps == 2 || steps == 3)
                .isPresent();
    }

    private boolean hasRoomForIt() {
        Fraction length = facts.lengthWholeNotes();
        return !length.isLessThan(Fraction.of(3, 8))
                || !situation.playing().tempo().millisOf(length).isLessThan(Fraction.of(400));
    }

    /** A minim or more, but in airs and waltzes. */
    private boolean isHeldInDance() {
        return !facts.lengthWholeNotes().isLessThan(Fraction.of(1, 2))
                && !isAir()
                && !situation.kindOfTune().equals("waltz");
    }

    private boolean isFirstBarOfPart() {
        int bar = situation.place().bar();
        return situation.tune().form().partAt(bar).firstBar() == bar;
    }

    /** Whether it ends on the pitch it began with. */
    private boolean comesBack() {
        return facts.notes().size() > 1
                && lastNote().melody().equals(facts.notes().get(0).melody());
    }

    // Plucked strings

    /** A crotchet or more, the last of a phrase or before a rest. */
    private boolean isRestingPlace() {
        boolean isBeforeRest = facts.after().isEmpty();
        return !lastNote().played().isLessThan(CROTCHET) && (situation.endsPhrase(lastNote()) || isBeforeRest);
    }

    /** The span is of one pitch, or the note before or after it has the same. */
    private boolean hasEqualBeside() {
        WrittenPitch pitch = situation.note().melody();
        boolean isBefore =
                situation.before().filter(tone -> tone.melody().equals(pitch)).isPresent();
        boolean isAfter = facts.after()
                .filter(tone -> tone.melody().equals(lastNote().melody()))
                .isPresent();
        return facts.areEqualNotes() || isBefore || isAfter;
    }

    private boolean isLongNote() {
        Fraction length = situation.note().played();
        return !length.isLessThan(CROTCHET)
                || !situation.playing().tempo().millisOf(length).isLessThan(Fraction.of(400));
    }

    /** On a crotchet; in compound metre on a beat. */
    private boolean isOnCount(Note note) {
        NotePlace place = situation.tune().placeOf(note.id());
        Metre metre = situation.tune().metreAt(place.bar());
        Fraction count = metre.isCompound() ? metre.countLength() : CROTCHET;
        return place.offset().modulo(count).isZero();
    }

    /** Four quavers or more by step one way. */
    private boolean isScale() {
        List<Note> notes = facts.notes();
        int way = notes.size() < 2
                ? 0
                : notes.get(1).melody().staffStep() - notes.get(0).melody().staffStep();
        boolean isScale = notes.size() >= 4 && Math.abs(way) == 1;
        for (int i = 1; i < notes.size(); i++) {
            isScale &= notes.get(i).melody().staffStep()
                            - notes.get(i - 1).melody().staffStep()
                    == way;
        }
        return isScale;
    }

    private boolean isPeak() {
        int here = situation.note().melody().midi();
        return situation.before().filter(tone -> tone.melody().midi() < here).isPresent()
                && facts.after().filter(tone -> tone.melody().midi() < here).isPresent();
    }

    private boolean isLastBarOfPart() {
        int bar = situation.place().bar();
        return situation.tune().form().partAt(bar).lastBar() == bar;
    }

    private boolean isSoonAfterItsKind() {
        Tune tune = situation.tune();
        int order = situation.place().order();
        return others().stream()
                .filter(each -> each.ornament().kind() == facts.ornament().kind()
                        && tune.placeOf(each.span().first()).order() < order)
                .anyMatch(each -> Breaths.distance(
                                tune, each.span().first(), situation.note().id())
                        .isLessThan(Fraction.of(1, 2)));
    }

    /** A quaver between quavers, by steps or thirds. */
    private boolean isInRunningLine() {
        Optional<Tone> before = situation.before();
        Optional<Tone> after = facts.after();
        return facts.isOneNote()
                && situation.note().played().equals(QUAVER)
                && before.filter(this::runsBeside).isPresent()
                && after.filter(this::runsBeside).isPresent();
    }

    private boolean runsBeside(Tone tone) {
        int steps =
                Math.abs(tone.melody().staffStep() - situation.note().melody().staffStep());
        return tone.length().equals(QUAVER) && (steps == 1 || steps == 2);
    }

    private boolean hasStackInPhrase() {
        return others().stream()
                .anyMatch(each -> each.stack().choices().size() > 1
                        || each.ornament().form().claims().contains(Ornament.Slot.SECONDS));
    }

    /** Whether the same figure has stood in each of the two bars before. */
    private boolean isThirdAlike() {
        int bar = situation.place().bar();
        return List.of(bar - 1, bar - 2).stream()
                .allMatch(before -> others().stream()
                        .anyMatch(
                                each -> barOf(each) == before && each.ornament().equals(facts.ornament())));
    }

    private boolean isBetweenQuavers() {
        return situation.before().filter(tone -> tone.length().equals(QUAVER)).isPresent()
                && facts.after().filter(tone -> tone.length().equals(QUAVER)).isPresent();
    }

    /** Whether the plain bow comes up on the next beat after the span. */
    private boolean isNextBeatUp() {
        List<Tone> tones = situation.scene().line().tones();
        return tones.stream()
                .skip(situation.tone() + (long) facts.tones().size())
                .filter(tone -> !tone.isRest() && situation.isOnTuneBeat(tone.note()))
                .findFirst()
                .flatMap(tone -> situation.scene().ways().onStrings(tone.note().id()))
                .filter(way -> !way.isDown())
                .isPresent();
    }

    private boolean isNearItsKind() {
        Tune tune = situation.tune();
        Fraction length = tune.metreAt(situation.place().bar()).barLength();
        return others().stream()
                .filter(each -> each.ornament().kind() == facts.ornament().kind())
                .anyMatch(each -> Breaths.distance(
                                tune, each.span().first(), situation.note().id())
                        .isLessThan(length));
    }

    private boolean isRepeated() {
        return situation.scene().line().tones().stream()
                .anyMatch(tone -> tone.pass() > 1 && tone.note().equals(situation.note()));
    }

    private boolean isLong() {
        return !facts.lengthWholeNotes().isLessThan(CROTCHET);
    }

    private boolean isAir() {
        return situation.tune().header().type().manner().equals("slow air");
    }

    private boolean isDance() {
        String type = situation.tune().header().type().manner();
        return !isAir() && !type.equals("waltz") && !type.equals("march");
    }

    private boolean uses(Target.Kind kind) {
        return facts.attempt()
                .flatMap(Attempt::figure)
                .map(figure -> figure.uses(kind))
                .orElse(false);
    }

    private boolean usesTap() {
        return uses(Target.Kind.TAP);
    }

    private boolean fillsThird() {
        List<Note> notes = facts.notes();
        return notes.size() == 2
                ? isThird(notes.get(0), notes.get(1))
                : situation
                        .before()
                        .map(each -> isThird(each.note(), notes.get(0)))
                        .orElse(false);
    }

    private static boolean isThird(Note one, Note other) {
        return Math.abs(one.melody().staffStep() - other.melody().staffStep()) == 2;
    }

    private boolean tapIsOpenBefore() {
        Optional<Integer> tap = situation.gracing().flatMap(each -> each.tap());
        return tap.isPresent()
                && situation
                        .heldBefore()
                        .map(held -> held.fingering().at(tap.get()) != Hole.CLOSED)
                        .orElse(false);
    }

    private boolean comesFromBelow() {
        return situation
                .before()
                .map(each ->
                        situation.note().melody().staffStep() - each.melody().staffStep() == 1)
                .orElse(true);
    }

    /** Some holes close while others open. */
    private boolean hidesCrossing() {
        Optional<Held> before = situation.heldBefore();
        Optional<Held> here = situation.scene().ways().under(situation.note());
        if (before.isEmpty() || here.isEmpty()) {
            return false;
        }
        boolean opens = false;
        boolean closes = false;
        for (int hole = 1; hole <= here.get().fingering().holes().size(); hole++) {
            int change = here.get().fingering().at(hole).openness()
                    - before.get().fingering().at(hole).openness();
            opens |= change > 0;
            closes |= change < 0;
        }
        return opens && closes;
    }

    /** In the last bar of a part that something comes after: the part again, or another one. */
    private boolean announcesTurn() {
        Tune tune = situation.tune();
        int bar = situation.place().bar();
        Part part = tune.form().partAt(bar);
        List<Tone> tones = situation.scene().line().tones();
        Tone last = tones.get(tones.size() - 1);
        int playedBar = tones.get(situation.tone()).place().playedBar();
        return part.lastBar() == bar && last.place().playedBar() > playedBar;
    }

    private boolean isOtherRegister() {
        return situation
                .heldBefore()
                .flatMap(before -> situation.row().map(row -> row.breath() != before.breath()))
                .orElse(false);
    }

    private boolean isSecondTime() {
        return situation.scene().line().tones().get(situation.tone()).pass() > 1;
    }

    // What else is placed

    /** What is placed from two bars before to two bars after: farther off nothing is asked. */
    private List<Placement> others() {
        List<Bar> bars = situation.tune().bars();
        int bar = situation.place().bar();
        return bars.subList(Math.max(0, bar - 2), Math.min(bars.size(), bar + 3)).stream()
                .flatMap(each -> each.notes().stream())
                .filter(note -> !note.id().equals(situation.note().id()))
                .flatMap(note -> situation.version().at(note.id()).stream())
                .map(Spot::first)
                .flatMap(Optional::stream)
                .toList();
    }

    private int barOf(Placement placement) {
        return situation.tune().placeOf(placement.span().first()).bar();
    }

    private boolean isAfterBusyBar() {
        int before = situation.place().bar() - 1;
        return others().stream().filter(each -> barOf(each) == before).count() >= 2;
    }

    private boolean isNearItsLike() {
        Tune tune = situation.tune();
        Fraction length = tune.metreAt(situation.place().bar()).barLength();
        return others().stream()
                .filter(each -> each.ornament().equals(facts.ornament()) && !Refusals.parts(each.ornament()))
                .anyMatch(each -> Breaths.distance(
                                tune, each.span().first(), situation.note().id())
                        .isLessThan(length));
    }

    private boolean isCrowded() {
        Tune tune = situation.tune();
        int first = situation.place().order();
        int last = tune.placeOf(facts.span().last()).order();
        return others().stream()
                .filter(each ->
                        !Refusals.parts(each.ornament()) && each.ornament().kind() != Ornament.Kind.REST)
                .anyMatch(each -> tune.placeOf(each.span().last()).order() == first - 1
                        || tune.placeOf(each.span().first()).order() == last + 1);
    }

    /** Among quavers or shorter notes that go on by step one way. */
    private boolean isInRun() {
        Optional<Tone> before = situation.before();
        Optional<Tone> after = facts.after();
        if (before.isEmpty() || after.isEmpty() || !facts.isOneNote()) {
            return false;
        }
        int here = situation.note().melody().staffStep();
        int from = here - before.get().melody().staffStep();
        int to = after.get().melody().staffStep() - here;
        return from == to
                && Math.abs(from) == 1
                && isShort(before.get())
                && isShort(after.get())
                && isShort(situation.scene().line().tones().get(situation.tone()));
    }

    private static boolean isShort(Tone tone) {
        return !tone.length().isMoreThan(QUAVER);
    }

    private boolean speaksWeakly() {
        boolean usesLift = uses(Target.Kind.LIFT);
        return situation
                .gracing()
                .map(each ->
                        (each.speech().weakCut() && usesLift) || (each.speech().weakTap() && usesTap()))
                .orElse(false);
    }

    /** A whistle from high B on. */
    private boolean squeals() {
        if (situation.instrument().family() != Family.WHISTLE) {
            return false;
        }
        int highB = situation
                .instrument()
                .sounding(new wildflourish.core.music.FingeredPitch(83))
                .midi();
        return facts.attempt().flatMap(Attempt::made).stream()
                .flatMap(made -> made.parts().stream())
                .map(Made.Part::landing)
                .flatMap(sound -> sound.voices().stream())
                .anyMatch(voice -> voice.pitch().midi() >= highB);
    }
}
