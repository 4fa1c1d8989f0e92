package wildflourish.core.performance;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.hand.Attempt;
import wildflourish.core.hand.Glide;
import wildflourish.core.hand.Hand;
import wildflourish.core.hand.Held;
import wildflourish.core.hand.Made;
import wildflourish.core.hand.Scene;
import wildflourish.core.hand.Sound;
import wildflourish.core.hand.Timing;
import wildflourish.core.hand.Voice;
import wildflourish.core.hand.Ways;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.line.Line;
import wildflourish.core.line.Tone;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.SoundingPitch;
import wildflourish.core.music.Tempo;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Begin;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Times;
import wildflourish.core.performance.Moment.Cue;
import wildflourish.core.performance.Moment.Role;
import wildflourish.core.performance.Moment.Sounding;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Version;

/**
 * Works a version out. The one place where ornaments become moments; everything that is shown, heard or written of an ornament comes from here.
 */
public final class Realiser {
    private static final Fraction HALF = Fraction.of(1, 2);

    private final Instrument instrument;
    private final Tempo tempo;
    private final Times times;
    private final Line line;
    private final Ways ways;
    private final Scene scene;
    private final Optional<HandLines> lines;
    private final List<Moment> moments = new ArrayList<>();
    private final List<Realisation.Figured> figures = new ArrayList<>();
    /** For each tone the ornament that begins on it, ready to be played. */
    private final List<Optional<Ready>> ready = new ArrayList<>();

    /** An ornament that can be played here, and how many tones it takes. */
    private record Ready(Placement placement, Made made, int count, Fraction leadMillis) {
        Ready(Placement placement, Made made, int count) {
            this(placement, made, count, made.leadMillis());
        }
    }

    private Realiser(Scene scene, Optional<HandLines> lines) {
        this.scene = scene;
        this.line = scene.line();
        this.ways = scene.ways();
        this.instrument = scene.playing().instrument();
        this.tempo = scene.playing().tempo();
        this.times = scene.times();
        this.lines = lines;
    }

    /** At the version's own tempo. */
    public static Realisation realise(Tune tune, Version version, Profile profile) {
        return realise(tune, version, profile, version.playing().tempo());
    }

    /**
     * At another tempo. An ornament that is too fast for it is still worked out: its movements are shortened, to half of the part they begin at the
     * least, and the critic says so. One that the hand cannot make here is left out.
     */
    public static Realisation realise(Tune tune, Version version, Profile profile, Tempo tempo) {
        return realise(
                tune,
                version,
                profile,
                tempo,
                Hand.of(version.playing().instrument().family()));
    }

    /** With another hand than the instrument's own. */
    public static Realisation realise(Tune tune, Version version, Profile profile, Tempo tempo, Hand hand) {
        Version played = version.withPlaying(version.playing().withTempo(tempo));
        return realise(Scene.of(tune, played, profile, hand));
    }

    /** A version in its scene, at its own tempo. */
    public static Realisation realise(Scene scene) {
        return new Realiser(scene, scene.lines()).run();
    }

    /**
     * One placement by itself, where it first stands in its tune, at the version's tempo; times count from its own beginning. Empty where the hand cannot
     * make it.
     */
    public static List<Moment> alone(Scene scene, Placement placement) {
        Realiser realiser = new Realiser(scene, Optional.empty());
        Optional<Integer> at = scene.line().indexOf(placement.span().first());
        Optional<Ready> made = at.flatMap(tone -> realiser.ready(tone, placement));
        if (made.isEmpty()) {
            return List.of();
        }
        Tone first = scene.line().tones().get(at.orElseThrow());
        realiser.play(made.get(), at.get(), realiser.endOf(at.get(), made.get().count, Fraction.ZERO));
        Fraction start = realiser.millisOf(first.start()).minus(made.get().leadMillis);
        return realiser.moments.stream()
                .map(moment -> new Moment(
                        moment.startMillis().minus(start),
                        moment.endMillis().minus(start),
                        moment.cue(),
                        moment.sounding(),
                        moment.held()))
                .toList();
    }

    private Fraction millisOf(Fraction lengthWholeNotes) {
        return tempo.millisOf(lengthWholeNotes);
    }

    private Realisation run() {
        for (int i = 0; i < line.tones().size(); i++) {
            int tone = i;
            ready.add(line.tones().get(i).placed().flatMap(placement -> ready(tone, placement)));
        }
        int i = 0;
        while (i < line.tones().size()) {
            Optional<Ready> figure = ready.get(i);
            int count = figure.map(Ready::count).orElse(1);
            Fraction end = endOf(i, count, leadOf(i + count));
            if (figure.isPresent()) {
                play(figure.get(), i, end);
            } else {
                play(i, end);
            }
            i += count;
        }
        List<Realisation.BarStart> bars = line.bars().stream()
                .map(bar ->
                        new Realisation.BarStart(bar.played(), millisOf(bar.startWholeNotes()), bar.startWholeNotes()))
                .toList();
        List<Moment> all = LeftHand.added(scene, lines, moments);
        return new Realisation(
                scene.tune(), instrument.family(), tempo, bars, all, lines, figures, drones(), Reeds.DRY);
    }

    private List<Voice> drones() {
        List<Voice> drones = new ArrayList<>();
        for (SoundingPitch pitch : instrument.drones()) {
            drones.add(new Voice("drone " + (drones.size() + 1), pitch, Optional.empty(), false, Glide.LEVEL));
        }
        return drones;
    }

    /** Where what begins on a tone ends: where the next one begins, less what that borrows. */
    private Fraction endOf(int tone, int count, Fraction lead) {
        return millisOf(line.tones().get(tone + count - 1).end()).minus(lead);
    }

    /** What a tone borrows from the one before, at most half of that. */
    private Fraction leadOf(int tone) {
        if (tone >= line.tones().size()
                || ready.get(tone).isEmpty()
                || line.before(tone).isEmpty()) {
            return Fraction.ZERO;
        }
        Fraction before = millisOf(line.tones().get(tone - 1).length());
        return ready.get(tone).get().leadMillis.min(before.times(HALF));
    }

    /** Empty where it cannot be made: a rest, a note the instrument lacks, no finger for it, something the hand refuses. */
    private Optional<Ready> ready(int tone, Placement placement) {
        int count = line.countOf(tone, placement);
        boolean hasSmallNotes = line.tones().subList(tone, tone + count).stream()
                .anyMatch(each -> !each.note().marks().graces().isEmpty());
        if (hasSmallNotes || line.tones().get(tone).touch() == Tone.Touch.TIED) {
            return Optional.empty();
        }
        Optional<Attempt> attempt = scene.attempt(tone, count, placement.stack());
        return attempt.filter(each -> each.hitches().isEmpty())
                .flatMap(Attempt::made)
                .map(made -> new Ready(placement, made, count));
    }

    // Figures

    private void play(Ready figure, int tone, Fraction end) {
        Tone first = line.tones().get(tone);
        Fraction start = millisOf(first.start());
        Fraction span =
                millisOf(line.tones().get(tone + figure.count - 1).end()).minus(start);
        List<Fraction> lengths = Timing.lengths(figure.made, span);
        List<Made.Part> parts = figure.made.parts();
        Fraction lead = ready.isEmpty() ? figure.leadMillis : leadOf(tone);
        figures.add(new Realisation.Figured(
                first.place().playedBar(),
                figure.placement,
                figure.made,
                span.dividedBy(millisOf(Fraction.ONE)),
                start));
        Fraction now = start;
        for (int i = 0; i < parts.size(); i++) {
            Fraction until =
                    i == parts.size() - 1 ? end : now.plus(lengths.get(i)).min(end);
            if (!now.isLessThan(until)) {
                break;
            }
            NoteId note = writtenAt(tone, figure.count, now);
            boolean isBorrowed = i == 0 && figure.made.borrows() && lead.isPositive();
            Frame frame = new Frame(first, note, i == 0);
            if (isBorrowed) {
                smalls(parts.get(i), frame, now.minus(lead), now);
                land(parts.get(i), frame, now, until, true);
            } else {
                Fraction at = open(parts.get(i), frame, now, until);
                land(parts.get(i), frame, at, until, at.isMoreThan(now));
            }
            now = now.plus(lengths.get(i));
        }
    }

    /** The tone a figure begins on, the written note that a part falls on, and whether it is the first part. */
    private record Frame(Tone first, NoteId note, boolean isFirst) {
        Cue cue(Role role) {
            return new Cue(first.place().playedBar(), note, role);
        }
    }

    private NoteId writtenAt(int tone, int count, Fraction millis) {
        for (int i = tone; i < tone + count - 1; i++) {
            if (millis.isLessThan(millisOf(line.tones().get(i).end()))) {
                return line.tones().get(i).note().id();
            }
        }
        return line.tones().get(tone + count - 1).note().id();
    }

    /** What comes before the landing of a part: the wait and the small notes, within their part. Returns where the landing begins. */
    private Fraction open(Made.Part part, Frame frame, Fraction start, Fraction end) {
        Fraction wanted = part.waitMillis().plus(part.smallMillis());
        Fraction most =
                end.minus(start).minus(times.floor()).max(end.minus(start).times(HALF));
        Fraction given = wanted.min(most);
        if (!given.isPositive()) {
            return start;
        }
        Fraction wait = part.waitMillis().times(given).dividedBy(wanted);
        Fraction now = start;
        if (wait.isPositive()) {
            now = start.plus(wait);
            Begin begin = beginOf(part.landing(), Begin.ATTACK, frame);
            add(start, now, frame.cue(Role.MELODY), part.landing().with(begin).with(Glide.LEVEL));
        }
        smalls(part, frame, now, start.plus(given));
        return start.plus(given);
    }

    /** Small notes in a stretch, each in proportion to its movement. */
    private void smalls(Made.Part part, Frame frame, Fraction start, Fraction end) {
        Fraction sum = part.smallMillis();
        Fraction now = start;
        for (int i = 0; i < part.smalls().size(); i++) {
            Made.Small small = part.smalls().get(i);
            Fraction length = end.minus(start).times(small.millis()).dividedBy(sum);
            Fraction until = i == part.smalls().size() - 1 ? end : now.plus(length);
            Begin own = part.landing().begin();
            boolean isFirst = i == 0
                    && (frame.isFirst || own.isNewBow())
                    && part.waitMillis().isZero();
            Begin wanted = isFirst ? wanted(own) : Begin.FINGERS;
            Begin begin = isFirst ? beginOf(small.sound(), wanted, frame) : Begin.FINGERS;
            add(now, until, frame.cue(roleOf(small.role())), small.sound().with(begin));
            now = until;
        }
    }

    /** How the first small note of a part begins, by how the part begins; what is hammered is struck on its small note. */
    private static Begin wanted(Begin own) {
        if (own.isTongue()) {
            return Begin.TONGUE;
        }
        return own.isNewBow() ? own : own == Begin.HAMMER ? Begin.STROKE : Begin.FINGERS;
    }

    private static Role roleOf(Made.Role role) {
        return switch (role) {
            case CUT -> Role.CUT;
            case TAP -> Role.TAP;
            case GRACE -> Role.GRACE;
            case SPREAD -> Role.SPREAD;
            case CLOSED -> Role.CLOSED;
        };
    }

    /** What a part comes to: a glide into it first, where it has one. */
    private void land(Made.Part part, Frame frame, Fraction start, Fraction end, boolean isAfterSmalls) {
        if (!start.isLessThan(end)) {
            return;
        }
        Role role = part.landing().isSilent() ? Role.REST : Role.MELODY;
        Begin own = part.landing().begin();
        boolean isOwn = own == Begin.CLOSE || own == Begin.HAMMER || own == Begin.PULL;
        Begin begin = isAfterSmalls && !isOwn
                ? Begin.FINGERS
                : beginOf(part.landing(), part.landing().begin(), frame);
        Sound landing = part.landing().with(begin);
        Fraction now = start;
        if (part.slide().isPresent()) {
            Made.Slide slide = part.slide().get();
            Fraction length = end.minus(start);
            Fraction most = length.minus(times.floor()).max(length.times(Fraction.of(2, 3)));
            now = start.plus(slide.millis().min(most));
            Sound sliding = landing.with(Glide.of(slide.fromCents(), 0), slide.voice());
            add(start, now, frame.cue(role), slide.held().map(sliding::with).orElse(sliding));
            landing = landing.with(Begin.HELD);
        }
        add(now, end, frame.cue(role), landing);
    }

    /** How the first sound of a part really begins: struck after silence and where a layer wants it, in the instrument's own way. */
    private Begin beginOf(Sound sound, Begin wanted, Frame frame) {
        if (sound.isSilent()) {
            return wanted;
        }
        boolean isSilent = isSilentBefore() && !isShutBefore();
        if (frame.isFirst && (isSilent || frame.first.touch() == Tone.Touch.STRUCK)) {
            return wanted.isNewBow() ? wanted : strike();
        }
        if (wanted != Begin.ATTACK) {
            boolean goesOn = frame.isFirst
                    && wanted == Begin.STROKE
                    && lines.filter(hand -> !hand.isBegun(frame.first.note().id()))
                            .isPresent();
            return goesOn ? Begin.SAME_BOW : wanted;
        }
        if (!frame.isFirst) {
            boolean hasTongue = strike() == Begin.TONGUE;
            return hasTongue ? Begin.TONGUE : isSilentBefore() ? strike() : Begin.FINGERS;
        }
        return beginOf(frame.first, sound.voices().get(0).pitch());
    }

    private boolean isShutBefore() {
        return !moments.isEmpty() && moments.get(moments.size() - 1).cue().role() == Role.CLOSED;
    }

    // Plain tones

    private void play(int index, Fraction end) {
        Tone tone = line.tones().get(index);
        Fraction start = millisOf(tone.start());
        Cue rest = new Cue(tone.place().playedBar(), tone.note().id(), Role.REST);
        if (!start.isLessThan(end)) {
            return;
        }
        if (tone.isRest()) {
            moments.add(new Moment(start, end, rest, Optional.empty(), Optional.empty()));
            return;
        }
        Fraction afterGraces = tone.index() == 0 ? graces(tone, start, end) : start;
        Note note = tone.note();
        SoundingPitch pitch = instrument.sounding(tone.melody()).plusCents(note.cents());
        Begin begin = afterGraces.isMoreThan(start) ? Begin.FINGERS : beginOf(tone, pitch);
        Cue cue = new Cue(tone.place().playedBar(), note.id(), Role.MELODY);
        if (tone.pick().isPresent()) {
            Sounding picked = picked(tone, tone.pick().get());
            moments.add(new Moment(afterGraces, end, cue, Optional.of(picked), Optional.empty()));
            return;
        }
        moments.add(new Moment(
                afterGraces,
                end,
                cue,
                Optional.of(new Sounding(voices(index, pitch, begin != Begin.HELD), begin)),
                tone.pitches().equals(note.pitches()) ? ways.of(note) : ways.usual(tone.melody())));
    }

    /** What a layer has a picking hand take: the melody on its string, and what sounds with it. */
    private Sounding picked(Tone tone, Tone.Pick pick) {
        List<Voice> voices = new ArrayList<>();
        for (int i = tone.pitches().size() - 1; i >= 0; i--) {
            WrittenPitch pitch = tone.pitches().get(i);
            boolean isOnString = voices.isEmpty() && pick.string() >= 0;
            String lane = isOnString
                    ? instrument.strings().orElseThrow().stringName(pick.string())
                    : voices.isEmpty() ? Voice.MELODY : "second " + voices.size();
            voices.add(new Voice(lane, instrument.sounding(pitch), Optional.of(pitch), true, Glide.LEVEL));
        }
        boolean isFill = tone.index() > 0 && !pick.fingers().contains("+");
        return new Sounding(voices, isFill ? Begin.LIGHT : Begin.STROKE, pick.fingers());
    }

    /** The melody, and the second notes that the hand can hold with it. */
    private List<Voice> voices(int index, SoundingPitch pitch, boolean begins) {
        Tone tone = line.tones().get(index);
        List<Voice> voices = new ArrayList<>();
        voices.add(new Voice(Voice.MELODY, pitch, Optional.of(tone.melody()), begins, Glide.LEVEL));
        boolean sounds = tone.pitches().size() > 1
                && lines.filter(hand -> hand.troubles().stream()
                                .noneMatch(trouble ->
                                        trouble.note().equals(tone.note().id())))
                        .isPresent();
        if (sounds) {
            List<WrittenPitch> goingOn = heldInto(index);
            for (WrittenPitch under : tone.pitches().subList(0, tone.pitches().size() - 1)) {
                voices.add(new Voice(
                        "second " + voices.size(),
                        instrument.sounding(under),
                        Optional.of(under),
                        begins && !goingOn.contains(under),
                        Glide.LEVEL));
            }
        }
        return voices;
    }

    /** Lower notes that the tune itself ties into a tone from the one before. */
    private List<WrittenPitch> heldInto(int index) {
        return index < 1 || line.tones().get(index).index() > 0
                ? List.of()
                : line.tones().get(index - 1).note().marks().joins().held();
    }

    /** Small notes that the tune itself writes: each as long as a cut, all together at most half of the note. */
    private Fraction graces(Tone tone, Fraction start, Fraction end) {
        List<WrittenPitch> pitches = tone.note().marks().graces().pitches();
        if (pitches.isEmpty()) {
            return start;
        }
        Fraction each = times.of("cut").min(end.minus(start).times(HALF).dividedBy(pitches.size()));
        Fraction now = start;
        for (WrittenPitch small : pitches) {
            SoundingPitch pitch = instrument.sounding(small);
            Fraction next = now.plus(each);
            Cue cue = new Cue(tone.place().playedBar(), tone.note().id(), Role.SMALL_NOTE);
            Begin begin = now.equals(start) ? beginOf(tone, pitch) : Begin.FINGERS;
            moments.add(new Moment(
                    now,
                    next,
                    cue,
                    Optional.of(new Sounding(List.of(Voice.of(pitch, Optional.of(small))), begin)),
                    ways.usual(small)));
            now = next;
        }
        return now;
    }

    /**
     * How a tone begins by itself. The tongue, or what does its work, begins a note after silence and parts two notes of one pitch; others follow from the
     * fingers. On strings and buttons a stroke, a turn of the bellows or a button struck again begins a note.
     */
    private Begin beginOf(Tone tone, SoundingPitch pitch) {
        if (tone.touch() == Tone.Touch.TIED && !isSilentBefore()) {
            return Begin.HELD;
        }
        if (lines.isPresent() && tone.index() > 0) {
            return tone.touch() != Tone.Touch.STRUCK
                    ? Begin.FINGERS
                    : instrument.family().isPlucked() ? Begin.LIGHT : Begin.STROKE;
        }
        if (lines.isPresent()) {
            boolean isBegun =
                    isSilentBefore() || lines.get().isBegun(tone.note().id());
            return isBegun ? Begin.STROKE : Begin.FINGERS;
        }
        boolean isStruck = isSilentBefore()
                || tone.touch() == Tone.Touch.STRUCK
                || lastPitch().equals(Optional.of(pitch));
        return isStruck ? strike() : Begin.FINGERS;
    }

    private Optional<SoundingPitch> lastPitch() {
        return moments.isEmpty()
                ? Optional.empty()
                : moments.get(moments.size() - 1).sounding().map(Sounding::pitch);
    }

    /** What the tongue does elsewhere: throat or tongue on flutes, closing on union pipes; on the nine-note chanter the sound never stops. */
    private Begin strike() {
        return switch (instrument.family()) {
            case WHISTLE, RECORDER, BAMBOO_FLUTE -> Begin.TONGUE;
            case FLUTE -> scene.playing().strokes().id().equals("tongued") ? Begin.TONGUE : Begin.CLOSE;
            case UNION_PIPES -> Begin.CLOSE;
            case NINE_NOTE_PIPES -> Begin.FINGERS;
            default -> Begin.STROKE;
        };
    }

    private boolean isSilentBefore() {
        return moments.isEmpty() || moments.get(moments.size() - 1).sounding().isEmpty();
    }

    private void add(Fraction start, Fraction end, Cue cue, Sound sound) {
        List<Voice> voices = sound.begin() == Begin.HELD
                ? sound.voices().stream().map(Voice::goingOn).toList()
                : sound.voices();
        Optional<Sounding> sounding =
                voices.isEmpty() ? Optional.empty() : Optional.of(new Sounding(voices, sound.begin(), sound.by()));
        Optional<Held> held = cue.role() == Role.REST ? Optional.empty() : sound.held();
        moments.add(new Moment(start, end, cue, sounding, held));
    }
}
