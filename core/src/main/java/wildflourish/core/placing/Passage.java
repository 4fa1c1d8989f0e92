package wildflourish.core.placing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.fingering.ButtonWay;
import wildflourish.core.fingering.Manners;
import wildflourish.core.fingering.Rolls;
import wildflourish.core.fingering.StringWay;
import wildflourish.core.form.Harmony;
import wildflourish.core.hand.Crossing;
import wildflourish.core.hand.HeldNote;
import wildflourish.core.hand.Keeping;
import wildflourish.core.hand.Price;
import wildflourish.core.hand.Rocking;
import wildflourish.core.hand.RollBars;
import wildflourish.core.hand.Scene;
import wildflourish.core.hand.StandIn;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.PickingHand;
import wildflourish.core.instrument.Strings;
import wildflourish.core.instrument.StrokeOrder;
import wildflourish.core.line.Tone;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Metre;
import wildflourish.core.music.Tempo;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Reason;
import wildflourish.core.ornament.Refusal;
import wildflourish.core.ornament.Usage;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Spot;

/** Whether a layer fits over a passage, and what speaks for it there. */
final class Passage {
    private static final Fraction MINIM = Fraction.of(1, 2);
    private static final Fraction CROTCHET = Fraction.of(1, 4);
    private static final Fraction QUAVER = Fraction.of(1, 8);
    private static final Set<String> HELD_TUNES = Set.of("slow air", "waltz");

    private static final int OCTAVE = 12;
    private static final int FIFTH = 7;
    private final Scene scene;
    private final Layer layer;
    private final List<Note> notes;

    private Passage(Scene scene, Layer layer) {
        this.scene = scene;
        this.layer = layer;
        this.notes = layer.span().notes(scene.tune()).stream()
                .filter(note -> !note.isRest())
                .toList();
    }

    /** Everything that is told of a layer over its passage. */
    static Verdict about(Scene scene, Layer layer) {
        Passage passage = new Passage(scene, layer);
        boolean isKnown =
                layer.rule().families().contains(scene.playing().instrument().family());
        List<Refusal> refusals = isKnown ? passage.refusals() : List.of(Refusal.NOT_FOR_THIS_INSTRUMENT);
        List<Reason> reasons = refusals.isEmpty() ? passage.reasons() : List.of();
        return new Verdict(
                layer.rule().id(), passage.notes.size(), Optional.empty(), passage.pace(), refusals, reasons);
    }

    private List<Refusal> refusals() {
        List<Refusal> told = new ArrayList<>();
        switch (layer.rule().work()) {
            case SHUFFLE -> {
                add(told, Refusal.OTHER_KIND_OF_TUNE, !hasBarsOfEight());
                add(told, Refusal.SLUR_SKIPS_STRING, hasBarsOfEight() && skipsString());
                add(told, Refusal.TOO_FAST, hasBarsOfEight() && isTooFast());
            }
            case STROKES -> {
                add(told, Refusal.OTHER_KIND_OF_TUNE, !hasBarsOf(order().quavers()));
                add(told, Refusal.SLUR_SKIPS_STRING, hasBarsOf(order().quavers()) && skipsString());
            }
            case STAY_DOWN -> {
                boolean isOpen =
                        place(notes.get(0)).filter(Strings.Place::isOpen).isPresent();
                add(told, Refusal.NO_FINGER_DOWN, isOpen);
                add(told, Refusal.MUST_LIFT, !isOpen && mustLift());
            }
            case INTRO -> add(told, Refusal.OTHER_KIND_OF_TUNE, !hasBarsOfEight());
            case TAG -> {
                add(told, Refusal.OTHER_KIND_OF_TUNE, !hasBarsOfEight());
                add(told, Refusal.NOT_AT_THE_END, !endsTune());
            }
            case OCTAVE_DOWN -> add(told, Refusal.TOO_LOW, isTooLow());
            case ROLL -> told.addAll(ofRoll());
            case DRONE -> {
                if (isOnButtons()) {
                    told.addAll(
                            held().map(each -> each.refusal().stream().toList()).orElse(List.of(Refusal.NO_SUCH_NOTE)));
                }
            }
            case REPEAT -> {
                boolean isShort = isOnButtons() && notes.stream().noneMatch(this::isCrotchet);
                add(told, Refusal.WRONG_LENGTH, isShort);
                add(told, Refusal.TOO_FAST, isOnButtons() && !isShort && isTooFast());
            }
            case STAND_IN -> told.addAll(ofStandIn());
            case BASS ->
                add(told, Refusal.NO_BASSES, scene.playing().instrument().family() != Family.TWO_ROW_BOX);
            case VAMP -> {
                add(
                        told,
                        Refusal.NO_CHORD,
                        Harmony.given(scene.tune(), notes.get(0).id()).isEmpty());
                add(told, Refusal.HAS_THE_TUNE, !hasBackup());
                add(told, Refusal.RINGS_ON, rings());
            }
            case CROSS -> told.addAll(Crossing.refusals(scene, barOf(notes.get(0))));
            default -> {}
        }
        return told;
    }

    private boolean isOnButtons() {
        return scene.playing().instrument().buttons().isPresent();
    }

    private Optional<HeldNote> held() {
        return HeldNote.of(scene, layer);
    }

    private boolean isCrotchet(Note note) {
        return !note.played().isLessThan(CROTCHET);
    }

    /** The weightiest thing that keeps the note before from standing in for a note of the passage. */
    private List<Refusal> ofStandIn() {
        for (Note note : notes) {
            if (StandIn.isOnBeat(scene, note)) {
                return List.of(Refusal.ON_A_BEAT);
            }
            Optional<WrittenPitch> instead = StandIn.of(scene, layer, note);
            if (instead.isEmpty()) {
                return List.of(Refusal.NO_SUCH_NOTE);
            }
            if (!StandIn.isWorthIt(scene, note, instead.get())) {
                return List.of(Refusal.LIES_WELL_ALREADY);
            }
        }
        return List.of();
    }

    /** Whether somebody else has the tune here. */
    private boolean hasBackup() {
        return scene.version().layers().stream()
                .anyMatch(other -> other.rule().work() == Layer.Work.BACKUP
                        && other.covers(scene.tune(), notes.get(0).id()));
    }

    /** Whether the chord that the teacher has pinned has an open string. */
    private boolean rings() {
        String pin = scene.version().at(notes.get(0).id()).map(Spot::pin).orElse("");
        return Arrays.stream(pin.split("[+]", -1)).anyMatch(word -> word.endsWith(".0"));
    }

    /** The weightiest thing that keeps a roll out of the bar. */
    private List<Refusal> ofRoll() {
        Tune tune = scene.tune();
        int bar = barOf(notes.get(0));
        Strings strings = scene.playing().instrument().strings().orElseThrow();
        PickingHand hand = Manners.of(strings, scene.playing().schools(), tune.metreAt(bar))
                .order()
                .hand();
        if (!hand.equals(PickingHand.USUAL)) {
            return List.of(Refusal.NOT_THIS_HAND);
        }
        if (!RollBars.hasEight(tune, bar)) {
            return List.of(Refusal.NOT_THIS_TUNE);
        }
        if (!RollBars.isOnQuavers(tune, bar)) {
            return List.of(Refusal.OFF_THE_QUAVERS);
        }
        List<StrokeOrder> orders = RollBars.rollsOf(layer.rule());
        Optional<Rolls.Bar> asked = RollBars.of(tune, bar, scene.playing().instrument(), orders);
        if (asked.isEmpty()) {
            return List.of(Refusal.OFF_THE_QUAVERS);
        }
        List<Refusal> told = new ArrayList<>();
        add(told, Refusal.BAR_FULL, asked.get().isFull());
        add(told, Refusal.DRONE_CLASHES, clashes(strings, bar));
        boolean leans = layer.rule().id().equals("roll-s");
        add(told, Refusal.NOTHING_TO_LEAN, leans && !Rolls.canLean(asked.get()));
        if (!told.isEmpty()) {
            return told;
        }
        Rolls rolls = RollBars.rolls(scene.playing(), scene.times(), tune.keyAt(bar));
        boolean isPlayed = leans
                ? rolls.leaning(asked.get()).isPresent()
                : orders.stream().anyMatch(roll -> rolls.alone(asked.get(), roll) < Double.POSITIVE_INFINITY);
        add(told, Refusal.FINGER_CANNOT, !isPlayed);
        add(told, Refusal.FINGER_TWICE, isPlayed && comesTwice(orders, bar));
        return told;
    }

    private boolean clashes(Strings strings, int bar) {
        int shortOne = strings.open().size() - 1;
        int midi = scene.playing()
                .instrument()
                .reading()
                .writtenMidi(strings.open().get(shortOne));
        WrittenPitch written = scene.tune().keyAt(bar).spelled(midi);
        return written.alter() != scene.tune().keyAt(bar).alterOf(written.step());
    }

    /** Whether the roll of the bar before ends on the finger with which this one begins, and that is too soon. */
    private boolean comesTwice(List<StrokeOrder> orders, int bar) {
        Fraction quaver = scene.playing().tempo().millisOf(QUAVER);
        boolean isSoon = quaver.isLessThan(scene.times().of("banjo same finger"));
        return isSoon
                && bar > 0
                && scene.version().layers().stream()
                        .filter(other -> other.rule().work() == Layer.Work.ROLL)
                        .filter(other -> scene.tune().bars().get(bar - 1).notes().stream()
                                .anyMatch(note -> other.covers(scene.tune(), note.id())))
                        .flatMap(other -> RollBars.rollsOf(other.rule()).stream())
                        .anyMatch(before -> orders.stream()
                                .allMatch(roll -> roll.fingers()
                                        .get(0)
                                        .equals(before.fingers().get(7))));
    }

    private static <T> void add(List<T> told, T one, boolean holds) {
        if (holds) {
            told.add(one);
        }
    }

    private List<Reason> reasons() {
        List<Reason> told = new ArrayList<>();
        switch (layer.rule().work()) {
            case SHUFFLE -> {
                add(told, Reason.BELONGS_HERE, belongsHere());
                add(told, Reason.KEEPS_THE_DANCE_GOING, isHeldInDance());
                add(told, Reason.SAVE_FOR_REPEAT, isFirstOfMoreTimes());
            }
            case INTRO -> {
                add(told, Reason.BELONGS_HERE, belongsHere());
                told.add(Reason.ANNOUNCES_THE_PART);
            }
            case TAG -> {
                add(told, Reason.BELONGS_HERE, belongsHere());
                told.add(Reason.ROUNDS_OFF_THE_PHRASE);
            }
            case STAY_DOWN -> {
                add(told, Reason.COMES_BACK, notes.get(0).pitches().equals(last().pitches()));
                add(told, Reason.HAND_IS_THERE, isOnOneString());
            }
            case ROLL -> {
                add(told, Reason.LONG_NOTE, isLong());
                add(told, Reason.IN_STYLE, belongsHere());
                add(told, Reason.ON_BEAT, isOnBeat());
            }
            case DRONE -> {
                if (isOnButtons()) {
                    told.addAll(ofHeld(held().orElseThrow().way()));
                }
            }
            case REPEAT -> add(told, Reason.FILLS_HELD_NOTE, isOnButtons());
            case STAND_IN -> {
                List<Price> prices = notes.stream()
                        .flatMap(note ->
                                StandIn.of(scene, layer, note)
                                        .flatMap(pitch -> StandIn.price(scene, note, pitch))
                                        .stream())
                        .toList();
                boolean savesTurns = prices.stream().anyMatch(price -> price.turns() < 0);
                add(told, Reason.SAVES_THE_BELLOWS, savesTurns);
                add(told, Reason.SAVES_A_HOP, !savesTurns && !prices.isEmpty());
            }
            case BASS -> told.add(Reason.BELONGS_TO_THE_CHORD);
            case VAMP -> {
                told.add(Reason.CHORD_NOTE);
                add(told, Reason.ON_BEAT, isOnBeat());
            }
            case CROSS -> {
                told.add(Reason.CHORD_NOTE);
                add(told, Reason.LONG_NOTE, isLong());
            }
            case OCTAVE_DOWN ->
                add(told, Reason.SECOND_TIME, layer.passes().equals(wildflourish.core.version.Passes.only(2)));
            default -> {}
        }
        return told;
    }

    /** What speaks for a button that is held, and against it. */
    private List<Reason> ofHeld(ButtonWay way) {
        int midi = way.key().button().pitch(way.key().bellows()).midi();
        int bar = barOf(notes.get(0));
        boolean isHome = Harmony.tonic(scene.tune().keyAt(bar))
                .map(tonic -> Math.floorMod(midi - tonic, OCTAVE))
                .filter(over -> over == 0 || over == FIFTH)
                .isPresent();
        boolean liesSo = way.airWay() != 0
                && notes.stream()
                        .allMatch(note -> scene.ways()
                                .onButtons(note.id())
                                .filter(each -> each.airWay() == way.airWay())
                                .isPresent());
        boolean clashes = notes.stream()
                .anyMatch(note -> Harmony.given(scene.tune(), note.id())
                        .filter(chord -> !chord.contains(Math.floorMod(midi, OCTAVE)))
                        .isPresent());
        boolean hasLittleAir = scene.ways()
                .balance(notes.get(0).id())
                .filter(balance -> balance.isShort(way.airWay()))
                .isPresent();
        List<Reason> told = new ArrayList<>();
        add(told, Reason.LIES_WITH_THE_BELLOWS, liesSo);
        add(told, Reason.HOME_NOTE, isHome);
        add(told, Reason.CLASHES_WITH_THE_CHORD, clashes);
        add(told, Reason.LITTLE_AIR_LEFT, hasLittleAir);
        return told;
    }

    private boolean isLong() {
        return !notes.get(0).played().isLessThan(CROTCHET);
    }

    private boolean isOnBeat() {
        return scene.tune()
                .placeOf(notes.get(0).id())
                .offset()
                .modulo(scene.tune().header().type().beatLength())
                .isZero();
    }

    private Note last() {
        return notes.get(notes.size() - 1);
    }

    private StrokeOrder order() {
        return StrokeOrder.of(layer.way());
    }

    private boolean hasBarsOfEight() {
        return notes.stream()
                .map(note -> scene.tune().metreAt(barOf(note)))
                .allMatch(metre -> !metre.isCompound() && metre.barLength().equals(Fraction.ONE));
    }

    private boolean hasBarsOf(int quavers) {
        return notes.stream()
                .map(note -> scene.tune().metreAt(barOf(note)))
                .map(Metre::barLength)
                .allMatch(QUAVER.times(quavers)::equals);
    }

    private int barOf(Note note) {
        return scene.tune().placeOf(note.id()).bar();
    }

    /** Whether two notes that the order joins lie more than a string apart however they are held. */
    private boolean skipsString() {
        Tune tune = scene.tune();
        StrokeOrder order = order();
        for (int i = 1; i < notes.size(); i++) {
            Fraction quaver = tune.placeOf(notes.get(i).id()).offset().dividedBy(QUAVER);
            boolean isJoined =
                    quaver.denominator() == 1 && order.joined().get((int) (quaver.numerator() % order.quavers()));
            if (isJoined && stringsBetween(notes.get(i - 1), notes.get(i)) > 1) {
                return true;
            }
        }
        return false;
    }

    private int stringsBetween(Note one, Note other) {
        int least = Integer.MAX_VALUE;
        for (Strings.Place from : places(one.melody())) {
            for (Strings.Place to : places(other.melody())) {
                least = Math.min(least, Math.abs(from.string() - to.string()));
            }
        }
        return least;
    }

    /** In first position. */
    private List<Strings.Place> places(WrittenPitch pitch) {
        Instrument instrument = scene.playing().instrument();
        return instrument.strings().orElseThrow().placesOf(instrument.reading().fingered(pitch)).stream()
                .filter(place -> place.position() == 0)
                .toList();
    }

    private Optional<Strings.Place> place(Note note) {
        return scene.ways().onStrings(note.id()).map(StringWay::place);
    }

    private boolean mustLift() {
        List<Optional<Strings.Place>> places = notes.stream().map(this::place).toList();
        return places.stream().allMatch(Optional::isPresent)
                && Keeping.mustLift(places.stream().map(Optional::orElseThrow).toList());
    }

    private boolean isOnOneString() {
        return notes.stream()
                        .map(note -> place(note).map(Strings.Place::string))
                        .distinct()
                        .count()
                == 1;
    }

    /** Whether the last note that sounds is the tune's last, whatever the version adds after it. */
    private boolean endsTune() {
        return scene.tune().notes().stream()
                .filter(note -> !note.isRest() && !note.id().isAdded())
                .reduce((one, other) -> other)
                .filter(last()::equals)
                .isPresent();
    }

    /** A shuffle that rocks over two strings needs a stroke on another string for each quaver. */
    private Optional<Verdict.Pace> pace() {
        if (layer.rule().work() == Layer.Work.REPEAT && isOnButtons()) {
            return Optional.of(paceOf(scene.times().of(hasTwoFingers() ? "button next finger" : "button same finger")));
        }
        if (layer.rule().work() != Layer.Work.SHUFFLE || !Rocking.isWay(layer.way())) {
            return Optional.empty();
        }
        return Optional.of(paceOf(scene.times().of("other string")));
    }

    /** Whether each of the long notes lies on a button that two fingers reach. */
    private boolean hasTwoFingers() {
        return notes.stream()
                .filter(this::isCrotchet)
                .allMatch(note -> scene.ways()
                        .onButtons(note.id())
                        .filter(way -> way.key().button().fingers().size() > 1)
                        .isPresent());
    }

    /** The fastest tempo at which a quaver lasts so long. */
    private Verdict.Pace paceOf(Fraction need) {
        Tempo tempo = scene.playing().tempo();
        Fraction beats = tempo.beatsPerMinute().times(tempo.millisOf(QUAVER)).dividedBy(need);
        return new Verdict.Pace(need, new Tempo(beats, tempo.beatLength()));
    }

    private boolean isTooFast() {
        return pace().filter(pace ->
                        pace.needMillis().isMoreThan(scene.playing().tempo().millisOf(QUAVER)))
                .isPresent();
    }

    private boolean isTooLow() {
        Instrument instrument = scene.playing().instrument();
        return notes.stream()
                .map(Note::melody)
                .map(pitch -> new WrittenPitch(pitch.step(), pitch.alter(), pitch.octave() - 1))
                .anyMatch(pitch -> !instrument.has(pitch));
    }

    private boolean belongsHere() {
        String kind = scene.tune().header().type().manner();
        return Usage.of(scene.playing().instrument().family(), layer.rule().id(), layer.way())
                .filter(usage -> usage.isUsualIn(kind, false))
                .isPresent();
    }

    private boolean isHeldInDance() {
        boolean isDance = !HELD_TUNES.contains(scene.tune().header().type().manner());
        return isDance && notes.stream().anyMatch(note -> !note.played().isLessThan(MINIM));
    }

    private boolean isFirstOfMoreTimes() {
        NoteId first = notes.get(0).id();
        return layer.passes().has(1)
                && scene.line().tones().stream()
                        .filter(tone -> tone.note().id().equals(first))
                        .mapToInt(Tone::pass)
                        .anyMatch(pass -> pass > 1);
    }
}
