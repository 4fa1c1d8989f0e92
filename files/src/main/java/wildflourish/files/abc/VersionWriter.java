package wildflourish.files.abc;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Step;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Profile;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.Realisation;
import wildflourish.core.performance.Realiser;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Manuscript;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Version;

/**
 * Writes a version out as an ABC tune: the plain tune's own text, with the notes of each ornament in place of the notes it stands on. The
 * notes come from the realisation; a cut is written by custom as the note of the finger it lifts, a tap as the note it sounds.
 */
final class VersionWriter {
    private static final Pattern BROKEN = Pattern.compile("(>+|<+)");

    private final Tune tune;
    private final Version version;
    private final Instrument instrument;
    private final Realisation realisation;
    private final Map<NoteId, String> replaced = new java.util.HashMap<>();
    private final Map<Step, Integer> outputState = new EnumMap<>(Step.class);
    private final Set<Step> touchedBySmallNotes = new HashSet<>();
    private boolean splitsNotes;
    private int bar;

    private VersionWriter(Tune tune, Version version) {
        this.tune = tune;
        this.version = version;
        this.instrument = version.playing().instrument();
        this.realisation = Realiser.realise(tune, version, Profile.usual());
    }

    /** The body of the tune below {@code K:} with the ornaments written out. */
    static String body(Tune tune, Version version) {
        return new VersionWriter(tune, version).write();
    }

    private String write() {
        for (bar = 0; bar < tune.bars().size(); bar++) {
            outputState.clear();
            touchedBySmallNotes.clear();
            writeBar(tune.bars().get(bar));
        }
        Manuscript manuscript = tune.manuscript();
        StringBuilder body = new StringBuilder();
        int at = manuscript.bodyStart();
        for (Note note : tune.notes()) {
            Manuscript.Stretch stretch = manuscript.at(note.id());
            body.append(manuscript.text(), at, stretch.start());
            String words = replaced.get(note.id());
            body.append(words != null ? words : manuscript.text().substring(stretch.start(), stretch.end()));
            at = stretch.end();
        }
        body.append(manuscript.text().substring(at));
        return splitsNotes ? withoutWords(body.toString()) : body.toString();
    }

    /** Words can't be set under notes that have become several: they stay with the plain tune. */
    private static String withoutWords(String body) {
        return body.replaceAll("(?m)^w:.*(?:\\R|$)", "");
    }

    private void writeBar(Bar written) {
        Optional<Integer> playing = realisation.firstPlaying(bar);
        int i = 0;
        while (i < written.notes().size()) {
            Note note = written.notes().get(i);
            Optional<List<Part>> figure = playing.flatMap(played -> figureAt(note, played));
            if (figure.isPresent()) {
                List<Note> slots = tune.between(note.id(), spanEnd(note.id(), playing.get()));
                writeFigure(slots, figure.get());
                i += slots.size();
            } else {
                copy(note);
                i++;
            }
        }
    }

    /** One part of an ornament as realised: the written pitch of the small note before it, if any, and its length in whole notes. */
    private record Part(NoteId note, Optional<Small> small, Fraction length) {}

    /** A small note; an exact one carries its accidental, a customary one goes by the key. */
    private record Small(WrittenPitch pitch, boolean isExact) {}

    private NoteId spanEnd(NoteId note, int playing) {
        int pass = realisation.bars().get(playing).played().pass();
        return version.at(note)
                .flatMap(spot -> spot.playedOn(pass))
                .map(placement -> placement.span().last())
                .orElse(note);
    }

    private Optional<List<Part>> figureAt(Note note, int playing) {
        int pass = realisation.bars().get(playing).played().pass();
        Optional<Placement> placement = version.at(note.id()).flatMap(spot -> spot.playedOn(pass));
        if (placement.isEmpty()) {
            return Optional.empty();
        }
        Set<NoteId> ids = new HashSet<>();
        tune.between(placement.get().span().first(), placement.get().span().last())
                .forEach(each -> ids.add(each.id()));
        List<Moment> moments = realisation.moments().stream()
                .filter(moment -> moment.cue().playedBar() == playing
                        && ids.contains(moment.cue().note()))
                .toList();
        return moments.stream().anyMatch(Moment::isGesture) ? Optional.of(partsOf(moments)) : Optional.empty();
    }

    private List<Part> partsOf(List<Moment> moments) {
        List<Part> parts = new ArrayList<>();
        Fraction wholeNoteMillis = realisation.tempo().millisOf(Fraction.ONE);
        for (int i = 0; i < moments.size(); i++) {
            Moment moment = moments.get(i);
            boolean isGesture = moment.isGesture() && i + 1 < moments.size();
            Moment melody = isGesture ? moments.get(i + 1) : moment;
            Optional<Small> small = isGesture ? Optional.of(small(moment, melody)) : Optional.empty();
            Fraction length = melody.endMillis().minus(moment.startMillis()).dividedBy(wholeNoteMillis);
            parts.add(new Part(moment.cue().note(), small, length));
            i += isGesture ? 1 : 0;
        }
        return parts;
    }

    private Small small(Moment gesture, Moment melody) {
        Moment.Held made = gesture.sounding().orElseThrow().held().orElseThrow();
        if (gesture.cue().role() == Moment.Role.TAP) {
            double sounding = gesture.sounding().orElseThrow().pitch().semitones()
                    - instrument.reading().cents() / 100.0;
            int midi = (int) Math.round(sounding)
                    - instrument.reading().fingeredToSounding()
                    - instrument.reading().writtenToFingered();
            return new Small(spelledBelow(midi, tune.note(gesture.cue().note()).melody()), true);
        }
        Fingering held = melody.sounding().orElseThrow().held().orElseThrow().fingering();
        int hole = lifted(held, made.fingering());
        int midi = instrument.reading().writtenMidi(instrument.writtenForLift(hole, made.breath()));
        return new Small(WrittenPitch.ofMidi(midi), false);
    }

    private static int lifted(Fingering from, Fingering to) {
        for (int hole = 1; hole <= from.holes().size(); hole++) {
            if (from.at(hole) != to.at(hole)) {
                return hole;
            }
        }
        return 1;
    }

    /** The spelling on the step right below a note where a semitone or two reach it, else the usual one. */
    private static WrittenPitch spelledBelow(int midi, WrittenPitch above) {
        if (midi == above.midi()) {
            return above;
        }
        WrittenPitch natural = WrittenPitch.ofStaffStep(above.staffStep() - 1);
        int alter = midi - natural.midi();
        return Math.abs(alter) <= 1 ? natural.withAlter(alter) : WrittenPitch.ofMidi(midi);
    }

    private void writeFigure(List<Note> slots, List<Part> parts) {
        splitsNotes |= parts.size() != slots.size();
        NoteToken head = token(slots.get(0)).orElse(null);
        if (parts.size() == 1 && slots.size() == 1) {
            String small = parts.get(0).small().map(this::smallText).orElse("");
            copy(slots.get(0));
            String copied = replaced.getOrDefault(slots.get(0).id(), textOf(slots.get(0)));
            replaced.put(slots.get(0).id(), small + copied);
            return;
        }
        if (head == null) {
            slots.forEach(this::copy);
            return;
        }
        List<List<Part>> shared = shared(slots, parts);
        for (int s = 0; s < slots.size(); s++) {
            Note slot = slots.get(s);
            List<Part> here = shared.get(s);
            StringBuilder text = new StringBuilder();
            for (int i = 0; i < here.size(); i++) {
                boolean isFirst = i == 0;
                boolean isLast = i == here.size() - 1;
                text.append(here.get(i).small().map(this::smallText).orElse(""));
                text.append(noteText(slots.get(0)));
                text.append(lengthText(slot, here.get(i).length(), isFirst, isLast));
            }
            replaced.put(slot.id(), text.toString());
        }
    }

    /**
     * The parts for each written note in turn: those that begin in its time. A note in whose time none begins gets the last one of the
     * notes before it, so that no sign of broken rhythm is left without its two notes.
     */
    private static List<List<Part>> shared(List<Note> slots, List<Part> parts) {
        List<List<Part>> shared = new ArrayList<>();
        for (Note slot : slots) {
            shared.add(new ArrayList<>(
                    parts.stream().filter(part -> part.note().equals(slot.id())).toList()));
        }
        for (int s = slots.size() - 1; s > 0; s--) {
            int giver = s - 1;
            while (giver >= 0 && shared.get(giver).isEmpty()) {
                giver--;
            }
            if (shared.get(s).isEmpty() && giver >= 0) {
                shared.get(s).add(shared.get(giver).remove(shared.get(giver).size() - 1));
            }
        }
        return shared;
    }

    private String smallText(Small small) {
        WrittenPitch pitch = small.pitch();
        String accidental = "";
        int inForce = outputState.getOrDefault(pitch.step(), tune.keyAt(bar).alterOf(pitch.step()));
        if (small.isExact() && (pitch.alter() != inForce || touchedBySmallNotes.contains(pitch.step()))) {
            accidental = accidentalText(pitch.alter());
            touchedBySmallNotes.add(pitch.step());
        }
        return "{" + accidental + letterText(pitch) + "}";
    }

    /** The melody note of a figure: accidental where the output needs one, letter, octave. */
    private String noteText(Note note) {
        return accidentalFor(note.melody(), false) + letterText(note.melody());
    }

    private String accidentalFor(WrittenPitch pitch, boolean isWrittenInSource) {
        int inForce = outputState.getOrDefault(pitch.step(), tune.keyAt(bar).alterOf(pitch.step()));
        boolean needed = isWrittenInSource || inForce != pitch.alter() || touchedBySmallNotes.contains(pitch.step());
        if (!needed) {
            return "";
        }
        outputState.put(pitch.step(), pitch.alter());
        touchedBySmallNotes.remove(pitch.step());
        return accidentalText(pitch.alter());
    }

    static String accidentalText(int alter) {
        return switch (alter) {
            case -2 -> "__";
            case -1 -> "_";
            case 1 -> "^";
            case 2 -> "^^";
            default -> "=";
        };
    }

    static String letterText(WrittenPitch pitch) {
        String letter = pitch.octave() >= 5
                ? pitch.step().name().toLowerCase(java.util.Locale.ROOT)
                : pitch.step().name();
        return letter + (pitch.octave() >= 5 ? "'".repeat(pitch.octave() - 5) : ",".repeat(4 - pitch.octave()));
    }

    static String lengthText(Fraction factor) {
        if (factor.equals(Fraction.ONE)) {
            return "";
        }
        if (factor.denominator() == 1) {
            return String.valueOf(factor.numerator());
        }
        return (factor.numerator() == 1 ? "" : factor.numerator()) + "/" + factor.denominator();
    }

    /** A length as a multiple of the unit in force, allowing for broken rhythm that still stands beside the note in the text. */
    private String lengthText(Note slot, Fraction length, boolean isFirst, boolean isLast) {
        Fraction factor =
                token(slot).map(NoteToken::factor).filter(Fraction::isPositive).orElse(Fraction.ONE);
        Fraction before = brokenFactor(gapBefore(slot), false);
        Fraction after = brokenFactor(gapAfter(slot), true);
        Fraction unit =
                slot.duration().notated().dividedBy(factor).dividedBy(before).dividedBy(after);
        Fraction written = length.dividedBy(unit);
        written = isFirst ? written.dividedBy(before) : written;
        written = isLast ? written.dividedBy(after) : written;
        return lengthText(written);
    }

    private String gapBefore(Note note) {
        int start = tune.neighbour(note.id(), -1)
                .map(other -> tune.manuscript().at(other.id()).end())
                .orElse(tune.manuscript().bodyStart());
        return tune.manuscript()
                .text()
                .substring(start, tune.manuscript().at(note.id()).start());
    }

    private String gapAfter(Note note) {
        int end = tune.neighbour(note.id(), 1)
                .map(other -> tune.manuscript().at(other.id()).start())
                .orElse(tune.manuscript().text().length());
        return tune.manuscript()
                .text()
                .substring(tune.manuscript().at(note.id()).end(), end);
    }

    private static Fraction brokenFactor(String gap, boolean isBefore) {
        String bare = gap.replaceAll("\"[^\"]*\"|![^!]*!|\\{[^}]*\\}|\\[[A-Za-z]:[^\\]]*\\]|%.*", "");
        Matcher match = BROKEN.matcher(bare);
        if (!match.find()) {
            return Fraction.ONE;
        }
        int signs = Math.min(3, match.group().length());
        Fraction small = Fraction.of(1, 1L << signs);
        boolean isLong = match.group().startsWith(">") == isBefore;
        return isLong ? Fraction.of(2).minus(small) : small;
    }

    /** A note copied from the text, with an accidental added where the output would otherwise read it differently. */
    private void copy(Note note) {
        Optional<NoteToken> token = token(note);
        if (note.isRest()) {
            return;
        }
        if (token.isEmpty()) {
            note.pitches().forEach(pitch -> outputState.put(pitch.step(), pitch.alter()));
            return;
        }
        boolean isWritten = !token.get().accidental().isEmpty();
        String accidental = accidentalFor(note.melody(), isWritten);
        if (!isWritten && !accidental.isEmpty()) {
            replaced.put(note.id(), accidental + textOf(note));
        }
    }

    private String textOf(Note note) {
        Manuscript.Stretch stretch = tune.manuscript().at(note.id());
        return tune.manuscript().text().substring(stretch.start(), stretch.end());
    }

    /** The single note at a stretch; empty for chords. */
    private Optional<NoteToken> token(Note note) {
        String text = textOf(note);
        return NoteToken.at(text, 0, text.length());
    }
}
