package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.fingering.ButtonOption;
import wildflourish.core.fingering.ButtonWalks;
import wildflourish.core.fingering.ButtonWay;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Begin;
import wildflourish.core.ornament.Figure;
import wildflourish.core.ornament.Part;
import wildflourish.core.ornament.Second;
import wildflourish.core.ornament.Target;
import wildflourish.core.ornament.Times;

/** Makes a figure with fingers on buttons: the sound of every part and how long its movements take. */
final class ButtonMaking {
    /** Reeds below C4 (MIDI) speak late. */
    private static final int LOW = 60;

    private final ButtonSpot spot;
    private final ButtonFound found;
    private final Times times;
    private final List<Part> flat;
    /** How often the note's button has been struck so far. */
    private int struck;

    ButtonMaking(ButtonSpot spot, ButtonFound found) {
        this.spot = spot;
        this.found = found;
        this.times = spot.occasion.times();
        this.flat = spot.parts;
    }

    Optional<Made> make() {
        return Made.of(spot.figure, (slot, part, at) -> Optional.of(part(part, at, slot)));
    }

    /** How the path comes to it, has its note and leaves it, at the tempo of the playing, where its last sound lasts so many milliseconds. */
    ButtonOption option(double lastMillis) {
        Part first = flat.get(0);
        ButtonWay own = found.own();
        List<Integer> again = found.again();
        Target entering =
                first.graces().isEmpty() ? first.landing() : first.graces().get(0);
        ButtonWay entry = again.isEmpty() ? wayOf(entering) : new ButtonWay(own.key(), again.get(0));
        Target leaving = flat.get(flat.size() - 1).landing();
        ButtonWay last = again.isEmpty() ? wayOf(leaving) : new ButtonWay(own.key(), again.get(again.size() - 1));
        ButtonWay whole = own;
        for (int i = 0; i < spot.roles.size(); i++) {
            if (!spot.roles.get(i).isSmall()) {
                whole = whole.with(found.set().held().get(i + 1).way());
            }
        }
        boolean isChord = !whole.under().isEmpty();
        boolean entersByNote = entry.equals(own);
        boolean leavesByNote = last.equals(own);
        return new ButtonOption(
                whole,
                isChord && entersByNote ? whole : entry,
                isChord && leavesByNote ? whole : last,
                found.cost(),
                lastMillis,
                new ButtonOption.Strokes(found.walked(), shares(), false));
    }

    /** How much of the whole each stroke of the bellows takes. */
    private List<Double> shares() {
        return found.walked().isEmpty()
                ? List.of()
                : spot.figure.slots().stream()
                        .map(slot -> slot.share().part().toDouble())
                        .toList();
    }

    /** From the last touch of a button to the end of the span, in milliseconds at the tempo of the playing. */
    double lastMillis() {
        Optional<Made> made = make();
        Fraction span = spot.occasion.spanMillis();
        List<Fraction> lengths = made.map(each -> Timing.lengths(each, span)).orElse(List.of(span));
        List<Made.Part> parts = made.map(Made::parts).orElse(List.of());
        Fraction last = lengths.get(lengths.size() - 1);
        Fraction smalls =
                parts.isEmpty() ? Fraction.ZERO : parts.get(parts.size() - 1).smallMillis();
        return last.minus(smalls).toDouble();
    }

    private Made.Part part(Part part, int at, Figure.Slot slot) {
        List<Made.Small> smalls = new ArrayList<>();
        for (Target grace : part.graces()) {
            smalls.add(part.begin() == Begin.CRUSHED ? crushed(grace, at) : small(grace));
        }
        if (spot.isJoined() && at > 0) {
            smalls.add(overlap(at));
        }
        String fixed = slot.share().time();
        Optional<Fraction> fixedMillis = fixed.isEmpty() ? Optional.empty() : Optional.of(times.of(fixed));
        Sound landing = landing(part, at);
        Fraction need = need(part, at);
        return new Made.Part(
                part.share(),
                Fraction.ZERO,
                smalls,
                landing,
                Optional.empty(),
                fixedMillis.map(need::min).orElse(need),
                fixedMillis);
    }

    // Sounds

    private ButtonWay wayOf(Target target) {
        int role = roleOf(target);
        return role < 0 ? found.set().first() : found.set().held().get(role + 1).way();
    }

    private int roleOf(Target target) {
        return spot.roles.indexOf(new ButtonSpot.Role(Optional.of(target), Optional.empty()));
    }

    private int midiOf(Target target) {
        int role = roleOf(target);
        return role < 0 ? spot.midi() : found.pitches().get(role);
    }

    private Sound landing(Part part, int at) {
        Target target = part.landing();
        if (target.isSilence()) {
            return new Sound(List.of(), Optional.empty(), Begin.STOP);
        }
        List<Voice> voices = new ArrayList<>();
        if (spot.isWalked() || spot.isJoined()) {
            return walked(at);
        }
        ButtonWay own = found.walked().isEmpty() ? struckBy() : found.walked().get(at);
        Voice melody = voice(midiOf(target), target.kind() == Target.Kind.MELODY ? own : wayOf(target));
        voices.add(part.begin() == Begin.CRUSHED ? melody.goingOn() : melody);
        for (Second second : part.seconds()) {
            int role = spot.roles.indexOf(new ButtonSpot.Role(Optional.empty(), Optional.of(second.level())));
            Voice lower = voice(
                    found.pitches().get(role), found.set().held().get(role + 1).way());
            boolean goesOn = second.kind() == Second.Kind.KEY && (at > 0 || HeldNote.isHeldBefore(spot.occasion));
            voices.add(goesOn ? lower.goingOn() : lower);
        }
        boolean isStroke = part.begin() == Begin.AGAIN || part.begin() == Begin.TURN;
        Begin begin = isStroke ? Begin.STROKE : part.begin();
        return new Sound(voices, Optional.empty(), begin);
    }

    /** A small note over the note itself, which goes down with it where nothing has sounded before. */
    private Made.Small crushed(Target grace, int at) {
        Made.Small alone = small(grace);
        Voice note = unwritten(voice(spot.midi(), found.own()));
        List<Voice> both = new ArrayList<>(alone.sound().voices());
        both.add(at > 0 ? note.goingOn() : note);
        return new Made.Small(alone.role(), new Sound(both, Optional.empty(), Begin.FINGERS), alone.millis());
    }

    /** Both buttons down: the note before lingers while this one begins. */
    private Made.Small overlap(int at) {
        Voice now = voice(found.pitches().get(at), found.walked().get(at));
        Voice before = voice(found.pitches().get(at - 1), found.walked().get(at - 1));
        List<Voice> both = List.of(unwritten(now), unwritten(before).goingOn());
        return new Made.Small(Made.Role.GRACE, new Sound(both, Optional.empty(), Begin.FINGERS), times.of("overlap"));
    }

    private static Voice unwritten(Voice voice) {
        return new Voice(voice.lane(), voice.pitch(), Optional.empty(), voice.begins(), voice.glide());
    }

    /** A note of a melodic triplet: it begins anew where the bellows turn or a button is struck again. */
    private Sound walked(int at) {
        ButtonWay way = found.walked().get(at);
        boolean isStruck = at == 0
                || !ButtonSet.isOneWay(way.key(), found.walked().get(at - 1).key())
                || way.key().equals(found.walked().get(at - 1).key());
        Voice voice = voice(found.pitches().get(at), way);
        boolean lingers = spot.isJoined() && at > 0;
        return new Sound(
                List.of(lingers ? voice.goingOn() : voice),
                Optional.empty(),
                lingers ? Begin.JOINED : isStruck ? Begin.STROKE : Begin.FINGERS);
    }

    /** The finger that strikes the note's button this time. */
    private ButtonWay struckBy() {
        ButtonWay own = found.own();
        return found.again().isEmpty()
                ? own
                : new ButtonWay(
                        own.key(),
                        found.again().get(Math.min(struck++, found.again().size() - 1)));
    }

    private Made.Small small(Target grace) {
        boolean isNote = grace.kind() == Target.Kind.MELODY;
        boolean isAgain = isNote && spot.strikesAgain();
        Made.Role role = switch (grace.kind()) {
            case LIFT -> Made.Role.CUT;
            case TAP -> Made.Role.TAP;
            default -> Made.Role.GRACE;
        };
        ButtonWay way = isNote ? struckBy() : wayOf(grace);
        Fraction millis =
                isAgain ? times.of("button next finger") : isNote ? times.of("button") : ofSmall(midiOf(grace));
        Sound sound = new Sound(List.of(voice(midiOf(grace), way)), Optional.empty(), Begin.FINGERS);
        return new Made.Small(role, sound, millis);
    }

    private Fraction ofSmall(int midi) {
        return midi < LOW ? times.of("box grace").plus(times.of("low reed")) : times.of("box grace");
    }

    private Voice voice(int midi, ButtonWay way) {
        var written = spot.written(midi);
        return new Voice(way.toString(), spot.instrument.sounding(written), Optional.of(written), true, Glide.LEVEL);
    }

    // Time

    /** What the ear wants, and the way to the next touch of the finger that strikes the note. */
    private Fraction need(Part part, int at) {
        if (part.landing().isSilence()) {
            return times.of("box silence");
        }
        if (spot.isWalked()) {
            return ButtonWalks.needMillis(found.walked(), spot.walkTimes());
        }
        if (spot.isJoined()) {
            return at == 0
                    ? times.of("button").max(times.floor())
                    : times.floor().minus(times.of("overlap"));
        }
        if (spot.isRocked()) {
            return times.of("bellows stroke");
        }
        if (spot.strikesAgain() && at + 1 < flat.size()) {
            return times.of("button next finger");
        }
        if (part.begin() == Begin.AGAIN && at > 0) {
            return times.of("button next finger");
        }
        if (part.begin() == Begin.SWELL) {
            return times.of("swell");
        }
        if (part.begin() == Begin.BITE) {
            return times.of("surge").max(times.floor());
        }
        Fraction own = isPlainStep(part, at) ? times.of("button").max(times.floor()) : times.floor();
        return own.max(toNextStrike(part, at));
    }

    /** A part without small notes that another finger follows, or that follows one. */
    private boolean isPlainStep(Part part, int at) {
        boolean isFollowed = at + 1 < flat.size()
                && flat.get(at + 1).graces().isEmpty()
                && !flat.get(at + 1).landing().isSilence()
                && !flat.get(at + 1).landing().equals(part.landing());
        boolean follows = at > 0
                && part.graces().isEmpty()
                && flat.get(at - 1).graces().isEmpty()
                && !flat.get(at - 1).landing().equals(part.landing());
        return isFollowed || follows;
    }

    /** From the note's own touch within a part to its next one: what of that must lie in this part. */
    private Fraction toNextStrike(Part part, int at) {
        boolean isTouched = part.landing().kind() == Target.Kind.MELODY;
        boolean staysDown = at + 1 < flat.size() && flat.get(at + 1).begin() == Begin.CRUSHED;
        if (staysDown
                || !isTouched
                || at + 1 >= flat.size()
                || flat.get(at + 1).landing().kind() != Target.Kind.MELODY) {
            return Fraction.ZERO;
        }
        Fraction after = Fraction.ZERO;
        for (Target grace : flat.get(at + 1).graces()) {
            after = after.plus(ofSmall(midiOf(grace)));
        }
        return times.of("button same finger").minus(after).max(Fraction.ZERO);
    }
}
