package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.instrument.Hole;
import wildflourish.core.line.Tone;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.SoundingPitch;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Begin;
import wildflourish.core.ornament.Bend;
import wildflourish.core.ornament.Choice;
import wildflourish.core.ornament.Figure;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Part;
import wildflourish.core.ornament.Share;
import wildflourish.core.ornament.Target;
import wildflourish.core.ornament.Times;

/** Makes a figure with fingers on holes: the sound of every part and how long its movements take. */
final class HoleMaking {
    private final HoleSpot spot;
    private final Times times;
    /** For each part the share of its slot. */
    private final List<Share> outer = new ArrayList<>();

    HoleMaking(HoleSpot spot) {
        this.spot = spot;
        this.times = spot.occasion.times();
        for (Figure.Slot slot : spot.figure.slots()) {
            slot.parts().forEach(part -> outer.add(slot.share()));
        }
    }

    /** Empty where some sound of it is not to be had. */
    Optional<Made> make() {
        List<Part> flat = spot.figure.parts();
        return Made.of(spot.figure, (slot, part, at) -> part(flat, at).map(made -> timed(slot, made)));
    }

    /** A slot whose own share is a time passes it to its only part. */
    private Made.Part timed(Figure.Slot slot, Made.Part only) {
        if (slot.share().time().isEmpty() || slot.parts().size() > 1) {
            return only;
        }
        Fraction fixed = times.of(slot.share().time());
        return new Made.Part(
                only.share(),
                only.waitMillis(),
                only.smalls(),
                only.landing(),
                only.slide(),
                Fraction.ZERO,
                Optional.of(fixed.max(only.smallMillis())));
    }

    private Optional<Made.Part> part(List<Part> flat, int at) {
        Part part = flat.get(at);
        Optional<Sound> landing = landing(part, at);
        List<Made.Small> smalls = new ArrayList<>();
        for (Target grace : part.graces()) {
            List<Made.Small> made = small(grace, at == 0);
            if (made.isEmpty()) {
                return Optional.empty();
            }
            smalls.addAll(made);
        }
        if (landing.isEmpty()) {
            return Optional.empty();
        }
        if (part.begin() == Begin.BREATH && spot.figure.opening() == Figure.Opening.BEFORE) {
            smalls.addAll(missingBreath(landing.get()));
        }
        Optional<Made.Slide> slide = slide(part);
        Sound bent = bent(landing.get(), part);
        Optional<Fraction> fixed = part.share().time().isEmpty()
                ? Optional.empty()
                : Optional.of(times.of(part.share().time()));
        return Optional.of(new Made.Part(part.share(), waiting(flat, at), smalls, bent, slide, need(flat, at), fixed));
    }

    // Sounds

    private Optional<Sound> landing(Part part, int at) {
        Target target = part.landing();
        Begin begin = part.begin() == Begin.SETTLE ? Begin.FINGERS : part.begin();
        if (target.isSilence()) {
            return Optional.of(new Sound(List.of(), Optional.of(spot.held), begin));
        }
        boolean isOfSpan =
                target.kind() == Target.Kind.MELODY && spot.occasion.tones().size() >= target.number();
        if (isOfSpan && target.number() > 1) {
            return Optional.of(plain(spot.occasion.tones().get(target.number() - 1), begin));
        }
        if (target.kind() == Target.Kind.MELODY) {
            return Optional.of(note(held(at), begin));
        }
        return switch (target.kind()) {
            case STEP -> written(spot.step(first().melody(), target.number()), begin);
            case MIDDLE -> spot.middle().flatMap(pitch -> written(pitch, begin));
            case OCTAVE -> octave(target.number(), begin);
            case OVER -> over(begin);
            default -> Optional.empty();
        };
    }

    private Tone first() {
        return spot.occasion.first();
    }

    /** While one finger of the bamboo flute pats, the next one lies shut. */
    private Held held(int at) {
        boolean isPat = spot.occasion.stack().has(PAT_ONE) && at > 0;
        return isPat ? resting() : spot.held;
    }

    private static final Ornament PAT_ONE = Ornament.of("pat-one");

    private Held resting() {
        Fingering fingering = spot.held.fingering();
        for (int hole = spot.tapHole().orElse(0) + 1; hole <= fingering.holes().size(); hole++) {
            if (fingering.at(hole) == Hole.OPEN) {
                return new Held(fingering.with(hole, Hole.CLOSED), spot.held.breath());
            }
        }
        return spot.held;
    }

    private Sound note(Held held, Begin begin) {
        WrittenPitch written = first().melody();
        return sound(spot.instrument.sounding(written), written, held, begin);
    }

    private Sound plain(Tone tone, Begin begin) {
        WrittenPitch written = tone.melody();
        Voice voice = Voice.of(spot.instrument.sounding(written), Optional.of(written));
        return new Sound(List.of(voice), spot.occasion.ways().of(tone.note()), begin);
    }

    private static Sound sound(SoundingPitch pitch, WrittenPitch written, Held held, Begin begin) {
        return new Sound(List.of(Voice.of(pitch, Optional.of(written))), Optional.of(held), begin);
    }

    private Optional<Sound> written(WrittenPitch written, Begin begin) {
        return spot.usual(written).map(held -> sound(spot.instrument.sounding(written), written, held, begin));
    }

    private Optional<Sound> octave(int up, Begin begin) {
        WrittenPitch note = first().melody();
        WrittenPitch written = WrittenPitch.of(note.step(), note.alter(), note.octave() + up);
        return spot.instrument.rowOf(written).map(row -> {
            boolean hasSame = row.isSure(spot.held.fingering());
            Held held = new Held(hasSame ? spot.held.fingering() : row.usual(), row.breath());
            return sound(spot.instrument.sounding(written), written, held, begin);
        });
    }

    /** The top finger alone lifts over the middle one, which stays: two steps up. */
    private Optional<Sound> over(Begin begin) {
        WrittenPitch written = spot.step(first().melody(), 2);
        Held held = new Held(spot.held.fingering().with(1, Hole.OPEN), spot.held.breath());
        return Optional.of(sound(spot.instrument.sounding(written), written, held, begin));
    }

    // Small notes

    private List<Made.Small> small(Target grace, boolean isFirst) {
        return switch (grace.kind()) {
            case LIFT, LIFT_LOW, LIFT_HIGH ->
                spot.fingerOf(grace)
                        .map(finger -> List.of(lifted(finger.hole())))
                        .orElse(List.of());
            case TAP ->
                spot.fingerOf(grace)
                        .map(finger -> List.of(tapped(finger.hole())))
                        .orElse(List.of());
            case SILENCE -> List.of(closed(isFirst));
            case STEP ->
                written(spot.step(first().melody(), grace.number()), Begin.FINGERS)
                        .map(sound -> List.of(new Made.Small(Made.Role.GRACE, sound, times.of("cut"))))
                        .orElse(List.of());
            case MIDDLE ->
                spot.middle()
                        .flatMap(pitch -> written(pitch, Begin.FINGERS))
                        .map(sound -> List.of(new Made.Small(Made.Role.GRACE, sound, times.of("cut"))))
                        .orElse(List.of());
            case NAMED -> List.of(chanter(ChanterForms.pitch(grace.name())));
            case FORM -> forms();
            default -> List.of();
        };
    }

    private Made.Small lifted(int hole) {
        Held held = new Held(spot.held.fingering().with(hole, Hole.OPEN), spot.held.breath());
        int midi = spot.instrument
                .reading()
                .writtenMidi(spot.instrument.writtenForLift(held.fingering(), hole, held.breath()));
        return new Made.Small(Made.Role.CUT, chirp(held, WrittenPitch.ofMidi(midi)), times.of("cut"));
    }

    private Made.Small tapped(int hole) {
        Held held = new Held(spot.held.fingering().with(hole, Hole.CLOSED), spot.held.breath());
        SoundingPitch heard = spot.instrument
                .soundOf(held.fingering(), held.breath())
                .orElse(spot.instrument.sounding(first().melody()));
        int midi =
                (int) Math.round(heard.semitones() - spot.instrument.reading().cents() / 100.0)
                        - spot.instrument.reading().fingeredToSounding()
                        - spot.instrument.reading().writtenToFingered();
        WrittenPitch written = below(midi, first().melody());
        return new Made.Small(Made.Role.TAP, chirp(held, written), times.of("tap"));
    }

    /** The spelling on the step right below a note where a semitone or two reach it, else the usual one. */
    private static WrittenPitch below(int midi, WrittenPitch above) {
        if (midi == above.midi()) {
            return above;
        }
        WrittenPitch natural = WrittenPitch.ofStaffStep(above.staffStep() - 1);
        int alter = midi - natural.midi();
        return Math.abs(alter) <= 1 ? natural.withAlter(alter) : WrittenPitch.ofMidi(midi);
    }

    /** A fingering that is only passed through; where it is silent the note is written all the same. */
    private Sound chirp(Held held, WrittenPitch written) {
        List<Voice> voices = spot.instrument
                .soundOf(held.fingering(), held.breath())
                .map(pitch -> List.of(Voice.of(pitch, Optional.of(written))))
                .orElse(List.of());
        return new Sound(voices, Optional.of(held), Begin.FINGERS);
    }

    /** Everything shut on the knee; a throat shut over the same fingers. To or from low D the knee takes its time. */
    private Made.Small closed(boolean isFirst) {
        boolean isPipe = spot.family == Family.UNION_PIPES;
        Fingering shut = spot.held.fingering();
        if (isPipe) {
            for (int hole = 1; hole <= shut.holes().size(); hole++) {
                shut = shut.with(hole, Hole.CLOSED);
            }
            shut = new Fingering(shut.holes(), false);
        }
        boolean isKnee = isPipe
                && (spot.held.fingering().offKnee()
                        || (isFirst
                                && spot.before
                                        .filter(each -> each.fingering().offKnee())
                                        .isPresent()));
        Sound silence = new Sound(List.of(), Optional.of(new Held(shut, spot.held.breath())), Begin.CLOSE);
        return new Made.Small(Made.Role.CLOSED, silence, times.of(isKnee ? "knee" : "close"));
    }

    /** Where a note that is left out is too short for a breath, the note before gives the rest. */
    private List<Made.Small> missingBreath(Sound silence) {
        Fraction missing = times.of("breath").minus(spot.occasion.spanMillis());
        return missing.isPositive() && spot.occasion.before().isPresent()
                ? List.of(new Made.Small(Made.Role.CLOSED, silence, missing))
                : List.of();
    }

    // The chanter

    private List<Made.Small> forms() {
        Ornament movement = spot.occasion.stack().choices().stream()
                .map(Choice::ornament)
                .filter(each -> each.figures().get(0).figure().uses(Target.Kind.FORM))
                .findFirst()
                .orElseThrow();
        Optional<FingeredPitch> before =
                spot.occasion.before().map(tone -> spot.instrument.reading().fingered(tone.melody()));
        return ChanterForms.of(movement.id(), spot.occasion.school(movement), spot.pitch(), before).small().stream()
                .map(this::chanter)
                .toList();
    }

    /** A single finger lifted over the note, or the note's own fingering. */
    private Made.Small chanter(FingeredPitch pitch) {
        int number = ChanterForms.numberOf(pitch);
        int hole = 9 - number;
        Fingering note = spot.held.fingering();
        boolean isLift = hole >= 1 && hole <= 5 && pitch.midi() > spot.pitch().midi();
        Fingering fingering = isLift
                ? note.with(hole, Hole.OPEN)
                : spot.instrument.rowOf(pitch).orElseThrow().usual();
        WrittenPitch written = WrittenPitch.ofMidi(spot.instrument.reading().writtenMidi(pitch));
        Sound sound =
                sound(spot.instrument.sounding(pitch), written, new Held(fingering, spot.held.breath()), Begin.FINGERS);
        return new Made.Small(Made.Role.GRACE, sound, times.of("small note"));
    }

    // Glides

    private Optional<Made.Slide> slide(Part part) {
        return part.bend().from().map(from -> {
            String name =
                    from.time().equals("slide") && spot.occasion.setting().isAir() ? "slide of an air" : from.time();
            boolean isLip = from.time().startsWith("lip");
            return new Made.Slide(centsTo(from.target()), times.of(name), isLip ? Optional.empty() : drawn(), 0);
        });
    }

    /** While a finger draws off, it lies half upon the hole that it opens. */
    private Optional<Held> drawn() {
        return spot.openHole().map(hole -> new Held(spot.held.fingering().with(hole, Hole.HALF), spot.held.breath()));
    }

    /** From the note to a target, in cents; a slide of the finger is a whole step at the most, into G a semitone. */
    private int centsTo(Target target) {
        SoundingPitch note = spot.instrument.sounding(first().melody());
        return switch (target.kind()) {
            case SEMITONE -> 100 * target.number();
            case STEP -> {
                WrittenPitch step = spot.step(first().melody(), target.number());
                int cents = (step.midi() - first().melody().midi()) * 100;
                yield Math.max(cents, isThreeDown() ? -100 : -200);
            }
            case NEXT ->
                spot.occasion
                        .after()
                        .map(tone -> (int) Math.round(
                                (spot.instrument.sounding(tone.melody()).semitones() - note.semitones()) * 100))
                        .orElse(0);
            default -> 0;
        };
    }

    private boolean isThreeDown() {
        return spot.held.fingering().firstOpen() == (spot.held.fingering().hasThumb() ? 5 : 4);
    }

    private Sound bent(Sound landing, Part part) {
        Optional<Bend.Wave> wave = part.bend().wave();
        if (wave.isPresent()) {
            return landing.with(new Glide(
                    0,
                    0,
                    wave.get().cents(),
                    wave.get().periodMillis(),
                    wave.get().isBelow()));
        }
        Optional<Glide> to = part.bend().to().map(each -> Glide.of(0, centsTo(each.target())));
        return to.map(glide -> landing.with(glide).with(shaded())).orElse(landing);
    }

    /** While the pitch glides, the fingers that go on to the next note, or else that of the tap, lie half upon their holes. */
    private Held shaded() {
        Fingering fingering = spot.held.fingering();
        boolean goesOn = spot.figure.uses(Target.Kind.NEXT) && spot.after.isPresent();
        if (goesOn) {
            Fingering half = fingering;
            for (int hole = 1; hole <= fingering.holes().size(); hole++) {
                half = fingering.at(hole) == spot.after.get().fingering().at(hole) ? half : half.with(hole, Hole.HALF);
            }
            return new Held(half, spot.held.breath());
        }
        return spot.tapHole()
                .or(spot::openHole)
                .map(hole -> new Held(fingering.with(hole, Hole.HALF), spot.held.breath()))
                .orElse(spot.held);
    }

    // Time

    /** The first small note of the figure waits where its finger has just moved; one that settles lets the fingers land first. */
    private Fraction waiting(List<Part> flat, int at) {
        Part part = flat.get(at);
        if (part.begin() == Begin.SETTLE) {
            Fraction settled = times.of("landing");
            return spot.waits() ? settled.max(times.of("same finger again")) : settled;
        }
        boolean isFirst = at == 0 && !part.graces().isEmpty() && part.landing().kind() != Target.Kind.SILENCE;
        return isFirst && spot.waits() ? times.of("same finger again") : Fraction.ZERO;
    }

    private Fraction need(List<Part> flat, int at) {
        Fraction need = landingNeed(flat, at);
        boolean isBeforeFirst = at + 1 < flat.size()
                && flat.get(at + 1).graces().stream().anyMatch(grace -> !grace.isSilence() || spot.isStoppedTap())
                && flat.subList(0, at + 1).stream()
                        .allMatch(each -> each.graces().isEmpty());
        if (isBeforeFirst && spot.waits()) {
            need = need.max(times.of("same finger again"));
        }
        if (isSameFingerNext(flat, at)) {
            need = need.max(times.of("same finger again").minus(times.of("cut")));
        }
        Optional<Fraction> strike = untilNextStroke(flat, at);
        return strike.map(need::max).orElse(need);
    }

    /** Whether the finger that begins a part begins the next one too. */
    private static boolean isSameFingerNext(List<Part> flat, int at) {
        return at + 1 < flat.size()
                && !flat.get(at).graces().isEmpty()
                && flat.get(at).graces().equals(flat.get(at + 1).graces())
                && (flat.get(at).graces().get(0).isLift()
                        || flat.get(at).graces().get(0).kind() == Target.Kind.TAP);
    }

    private Fraction landingNeed(List<Part> flat, int at) {
        Part part = flat.get(at);
        Fraction floor = times.floor();
        if (part.landing().isSilence()) {
            boolean isLeftOut = part.begin() == Begin.BREATH && spot.figure.opening() == Figure.Opening.BEFORE;
            Fraction need = times.of(part.begin() == Begin.BREATH ? "breath" : "stop");
            return isLeftOut ? need.min(spot.occasion.spanMillis()) : need;
        }
        if (part.begin() == Begin.POP) {
            return times.of("pop");
        }
        if (part.bend().wave().isPresent()) {
            return times.of("wave");
        }
        if (part.bend().to().isPresent()) {
            return floor.max(times.of(part.bend().to().get().time()));
        }
        if (part.bend().from().isPresent()) {
            return slide(part).orElseThrow().millis().plus(floor);
        }
        boolean isShakesEnd = at > 0 && outer.get(at - 1).kind() == Share.Kind.TIMED;
        boolean isMelodic = part.graces().isEmpty() && !isShakesEnd && changes(flat, at);
        return isMelodic ? floor.max(times.of("melodic note")) : floor;
    }

    /** Whether a part is a note of its own: another pitch than the part before, or than the note itself. */
    private static boolean changes(List<Part> flat, int at) {
        Target own = flat.get(at).landing();
        Target last = at == 0 ? own : flat.get(at - 1).landing();
        boolean isNote = own.kind() == Target.Kind.MELODY && own.number() == 1;
        return !isNote || (!last.equals(own) && !last.isSilence());
    }

    /** Two strokes of the tongue, two pushes of the breath need so much from one to the next. */
    private Optional<Fraction> untilNextStroke(List<Part> flat, int at) {
        if (at + 1 >= flat.size()) {
            return Optional.empty();
        }
        Begin here = flat.get(at).begin();
        Begin next = flat.get(at + 1).begin();
        if (next == Begin.PUSH) {
            return Optional.of(times.of("push again"));
        }
        if (!here.isTongue() || !next.isTongue()) {
            return Optional.empty();
        }
        boolean isDouble = here == Begin.DOUBLE || next == Begin.DOUBLE;
        boolean isBurst = flat.stream().filter(part -> part.begin().isTongue()).count() > 2;
        return Optional.of(times.of(isDouble ? "double tongue" : isBurst ? "tongue burst" : "tongue again"));
    }
}
