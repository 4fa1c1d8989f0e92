package wildflourish.core.performance;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.fingering.FingeringPath;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.instrument.ChartRow;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.instrument.Gracing;
import wildflourish.core.instrument.Hole;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.SoundingPitch;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Gesture;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Shape;
import wildflourish.core.ornament.Times;
import wildflourish.core.performance.Moment.Cue;
import wildflourish.core.performance.Moment.Held;
import wildflourish.core.performance.Moment.Onset;
import wildflourish.core.performance.Moment.Role;
import wildflourish.core.performance.Moment.Sounding;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.PlayOrder;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Version;

/**
 * Works a version out. The one place where ornaments become gestures; everything that is shown, heard or written of an ornament comes from
 * here.
 */
public final class Realiser {
    private static final Fraction HALF = Fraction.of(1, 2);

    private final Tune tune;
    private final Version version;
    private final Instrument instrument;
    private final Tempo tempo;
    private final Times times;
    private final Fraction millisPerWholeNote;
    private final List<Moment> moments = new ArrayList<>();
    private final List<Realisation.BarStart> bars = new ArrayList<>();
    private FingeringPath path = FingeringPath.NONE;
    private Optional<HandLines> lines = Optional.empty();
    private Fraction nowWholeNotes = Fraction.ZERO;

    private Realiser(Tune tune, Version version, Profile profile, Tempo tempo) {
        this.tune = tune;
        this.version = version;
        this.instrument = version.playing().instrument();
        this.tempo = tempo;
        this.times = profile.times();
        this.millisPerWholeNote = tempo.millisOf(Fraction.ONE);
    }

    /** At the version's own tempo. */
    public static Realisation realise(Tune tune, Version version, Profile profile) {
        return realise(tune, version, profile, version.playing().tempo());
    }

    /**
     * At another tempo. An ornament that is too fast for it is still worked out: its gestures are shortened, to half of the part they begin
     * at the least, and the critic says so.
     */
    public static Realisation realise(Tune tune, Version version, Profile profile, Tempo tempo) {
        return new Realiser(tune, version, profile, tempo).run();
    }

    /**
     * One placement by itself, as if after silence, at the version's tempo; times count from its own beginning. Empty where it cannot be
     * played at all.
     */
    public static List<Moment> alone(Tune tune, Version version, Placement placement, Profile profile) {
        Realiser realiser =
                new Realiser(tune, version, profile, version.playing().tempo());
        realiser.figureOf(tune.note(placement.span().first()), placement).ifPresent(figure -> realiser.play(figure, 0));
        return List.copyOf(realiser.moments);
    }

    private Fraction millisOf(Fraction lengthWholeNotes) {
        return lengthWholeNotes.times(millisPerWholeNote);
    }

    private Realisation run() {
        path = Hands.of(tune, version);
        lines = Hands.lines(tune, version);
        for (PlayOrder.Played played : PlayOrder.of(tune)) {
            bars.add(new Realisation.BarStart(played, millisOf(nowWholeNotes), nowWholeNotes));
            play(played, bars.size() - 1);
        }
        return new Realisation(instrument.family(), tempo, bars, moments, lines);
    }

    private void play(PlayOrder.Played played, int playedBar) {
        Bar bar = tune.bars().get(played.bar());
        int i = 0;
        while (i < bar.notes().size()) {
            Note note = bar.notes().get(i);
            Optional<Placement> placed = version.at(note.id()).flatMap(spot -> spot.playedOn(played.pass()));
            Optional<Figure> figure = placed.flatMap(placement -> figureOf(note, placement));
            if (figure.isPresent()) {
                play(figure.get(), playedBar);
                i += figure.get().notes().size();
            } else {
                play(note, playedBar);
                i++;
            }
        }
    }

    /** An ornament ready to be played: its written notes, its shape and what the instrument does for them. */
    private record Figure(List<Note> notes, Fraction length, Shape shape, ChartRow row, Gracing gracing) {}

    /** Empty where it cannot be played at all: the instrument lacks the note, or no finger is known for a gesture. */
    private Optional<Figure> figureOf(Note note, Placement placement) {
        if (note.isRest()) {
            return Optional.empty();
        }
        Fraction length = placement.span().length(tune);
        Optional<ChartRow> row = instrument.rowOf(note.melody());
        Optional<Gracing> gracing = row.flatMap(each -> instrument.gracingOf(each.pitch()));
        Optional<Shape> shape = placement.ornament().shapeFor(length);
        if (gracing.isEmpty() || shape.isEmpty()) {
            return Optional.empty();
        }
        List<Note> notes =
                tune.between(placement.span().first(), placement.span().last());
        Figure figure = new Figure(notes, length, shape.get(), row.get(), gracing.get());
        int crans = 0;
        for (Gesture gesture : figure.shape().parts()) {
            if (gesture != Gesture.PLAIN && heldFor(gesture, figure, crans).isEmpty()) {
                return Optional.empty();
            }
            crans += gesture == Gesture.CRAN ? 1 : 0;
        }
        return Optional.of(figure);
    }

    private void play(Figure figure, int playedBar) {
        Fraction start = nowWholeNotes;
        int parts = figure.shape().parts().size();
        int crans = 0;
        for (int i = 0; i < parts; i++) {
            Gesture gesture = figure.shape().parts().get(i);
            Fraction partStart = start.plus(figure.length().times(Fraction.of(i, parts)));
            Fraction partEnd = start.plus(figure.length().times(Fraction.of(i + 1, parts)));
            Note written = writtenAt(figure, start, partStart);
            playPart(figure, new Part(gesture, crans, written, i == 0), partStart, partEnd, playedBar);
            crans += gesture == Gesture.CRAN ? 1 : 0;
        }
        nowWholeNotes = start.plus(figure.length());
    }

    /** One part of a figure: what begins it, how many crans came before, the written note it falls on, whether it is the first. */
    private record Part(Gesture gesture, int cransBefore, Note written, boolean isFirst) {}

    private static Note writtenAt(Figure figure, Fraction figureStart, Fraction time) {
        Fraction start = figureStart;
        for (Note note : figure.notes()) {
            start = start.plus(note.played());
            if (time.isLessThan(start)) {
                return note;
            }
        }
        return figure.notes().get(figure.notes().size() - 1);
    }

    private void playPart(Figure figure, Part part, Fraction startWholeNotes, Fraction endWholeNotes, int playedBar) {
        Fraction start = millisOf(startWholeNotes);
        Fraction end = millisOf(endWholeNotes);
        Held melody = new Held(figure.row().usual(), figure.row().breath());
        SoundingPitch pitch = instrument.sounding(figure.row().pitch());
        if (part.gesture() == Gesture.PLAIN) {
            Onset onset = part.isFirst() ? onsetOf(pitch) : Onset.HELD;
            add(start, end, new Cue(playedBar, part.written().id(), Role.MELODY), sounding(pitch, melody, onset));
            return;
        }
        Held gesture = heldFor(part.gesture(), figure, part.cransBefore()).orElseThrow();
        Fraction until = start.plus(gestureLength(part.gesture(), end.minus(start)));
        boolean isTongued = isSilentBefore() && instrument.family() != Family.NINE_NOTE_PIPES;
        Onset onset = isTongued ? Onset.TONGUE : Onset.FINGERS;
        SoundingPitch chirp = instrument.soundOf(gesture.fingering(), gesture.breath());
        add(
                start,
                until,
                new Cue(playedBar, part.written().id(), roleOf(part.gesture())),
                sounding(chirp, gesture, onset));
        add(until, end, new Cue(playedBar, part.written().id(), Role.MELODY), sounding(pitch, melody, Onset.FINGERS));
    }

    /** As long as the student needs for it; in a part too short for that and a floor, what the floor leaves, but at least half. */
    private Fraction gestureLength(Gesture gesture, Fraction part) {
        return times.of(gesture).min(part.minus(times.floor()).max(part.times(HALF)));
    }

    private static Role roleOf(Gesture gesture) {
        return switch (gesture) {
            case PLAIN -> Role.MELODY;
            case CUT -> Role.CUT;
            case TAP -> Role.TAP;
            case CRAN -> Role.CRAN;
        };
    }

    private Optional<Held> heldFor(Gesture gesture, Figure figure, int cransBefore) {
        Fingering base = figure.row().usual();
        Optional<Fingering> moved = switch (gesture) {
            case PLAIN -> Optional.of(base);
            case CUT -> figure.gracing().cutBy(version.playing().school()).map(hole -> base.with(hole, Hole.OPEN));
            case TAP -> figure.gracing().tap().map(hole -> base.with(hole, Hole.CLOSED));
            case CRAN -> cranHole(figure, cransBefore).map(hole -> base.with(hole, Hole.OPEN));
        };
        return moved.map(fingering -> new Held(fingering, figure.row().breath()));
    }

    private static Optional<Integer> cranHole(Figure figure, int cransBefore) {
        List<List<Integer>> orders = figure.shape().parts().size() > 2
                ? figure.gracing().crans().longOrders()
                : figure.gracing().crans().shortOrders();
        return orders.stream().findFirst().map(order -> order.get(cransBefore % order.size()));
    }

    private void play(Note note, int playedBar) {
        Fraction start = millisOf(nowWholeNotes);
        nowWholeNotes = nowWholeNotes.plus(note.played());
        Fraction end = millisOf(nowWholeNotes);
        if (note.isRest()) {
            add(start, end, new Cue(playedBar, note.id(), Role.REST), Optional.empty());
            return;
        }
        boolean isTied = tune.neighbour(note.id(), -1)
                .map(before -> before.marks().joins().tied() && !isSilentBefore())
                .orElse(false);
        Fraction afterGraces = playGraces(note, start, end, playedBar);
        SoundingPitch pitch = instrument.sounding(note.melody());
        Onset onset = isTied ? Onset.HELD : afterGraces.equals(start) ? onsetOf(note, pitch) : Onset.FINGERS;
        Optional<Held> held = instrument
                .rowOf(note.melody())
                .map(row -> new Held(path.at(note.id()).orElse(row.usual()), row.breath()));
        add(
                afterGraces,
                end,
                new Cue(playedBar, note.id(), Role.MELODY),
                Optional.of(new Sounding(pitch, under(note), held, onset)));
    }

    /** The second notes that the hand can hold with the melody. */
    private List<SoundingPitch> under(Note note) {
        boolean sounds = note.isChord()
                && lines.filter(hand -> hand.troubles().stream()
                                .noneMatch(trouble -> trouble.note().equals(note.id())))
                        .isPresent();
        return sounds
                ? note.pitches().subList(0, note.pitches().size() - 1).stream()
                        .map(instrument::sounding)
                        .toList()
                : List.of();
    }

    /** Small notes that the tune itself writes: each as long as a cut, all together at most half of the note. */
    private Fraction playGraces(Note note, Fraction start, Fraction end, int playedBar) {
        int count = note.marks().graces().pitches().size();
        if (count == 0) {
            return start;
        }
        Fraction each = times.of(Gesture.CUT).min(end.minus(start).times(HALF).dividedBy(count));
        Fraction now = start;
        for (var small : note.marks().graces().pitches()) {
            SoundingPitch pitch = instrument.sounding(small);
            Optional<Held> held = instrument.rowOf(small).map(row -> new Held(row.usual(), row.breath()));
            Fraction next = now.plus(each);
            add(
                    now,
                    next,
                    new Cue(playedBar, note.id(), Role.SMALL_NOTE),
                    Optional.of(new Sounding(pitch, held, onsetOf(pitch))));
            now = next;
        }
        return now;
    }

    /**
     * The tongue begins a note after silence and parts two notes of one pitch; other notes follow from the fingers. On union pipes closing the
     * chanter does what the tongue does elsewhere; on nine-note pipes nothing does: the sound never stops.
     */
    private Onset onsetOf(SoundingPitch pitch) {
        if (instrument.family() == Family.NINE_NOTE_PIPES) {
            return Onset.FINGERS;
        }
        if (isSilentBefore()) {
            return Onset.TONGUE;
        }
        SoundingPitch before =
                moments.get(moments.size() - 1).sounding().orElseThrow().pitch();
        return before.equals(pitch) ? Onset.TONGUE : Onset.FINGERS;
    }

    /** On strings and buttons a stroke, a turn of the bellows or a button struck again begins a note; after a repeat it does in any case. */
    private Onset onsetOf(Note note, SoundingPitch pitch) {
        return lines.map(hand -> isSilentBefore() || hand.isBegun(note.id()) ? Onset.TONGUE : Onset.FINGERS)
                .orElseGet(() -> onsetOf(pitch));
    }

    private boolean isSilentBefore() {
        return moments.isEmpty() || moments.get(moments.size() - 1).sounding().isEmpty();
    }

    private static Optional<Sounding> sounding(SoundingPitch pitch, Held held, Onset onset) {
        return Optional.of(new Sounding(pitch, Optional.of(held), onset));
    }

    private void add(Fraction start, Fraction end, Cue cue, Optional<Sounding> sounding) {
        moments.add(new Moment(start, end, cue, sounding));
    }
}
