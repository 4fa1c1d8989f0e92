package wildflourish.files.abc;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import wildflourish.core.hand.Attempt;
import wildflourish.core.hand.Hand;
import wildflourish.core.hand.Made;
import wildflourish.core.hand.Scene;
import wildflourish.core.hand.Voice;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Strings;
import wildflourish.core.line.Tone;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Interval;
import wildflourish.core.music.Step;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Begin;
import wildflourish.core.ornament.Choice;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Share;
import wildflourish.core.ornament.Stack;
import wildflourish.core.performance.Realisation;
import wildflourish.core.performance.Realiser;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Duration;
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
    private static final Pattern SIGN_OF_GROUP = Pattern.compile("[<>]|\\(\\d+(:\\d*){0,2}");
    private static final Pattern BROKEN = Pattern.compile("(>+|<+)");
    /** Decorations that the tune itself writes right before a note. */
    private static final Pattern DECORATED = Pattern.compile("((?:[.~HLMOPSTuv]|![^!]*!|\\+[^+]*\\+)+)$");

    private final Tune tune;
    private final Version version;
    private final Instrument instrument;
    private final Realisation realisation;
    private final Scene scene;
    private final Map<NoteId, String> replaced = new HashMap<>();
    private final Map<Step, Integer> outputState = new EnumMap<>(Step.class);
    private final Set<Step> touchedBySmallNotes = new HashSet<>();
    /** Notes that are held as one with the note before: no sign of broken rhythm is left between them. */
    private final Set<NoteId> joined = new HashSet<>();

    /** Notes that begin a group under a number: their decorations follow it. */
    private final Set<NoteId> grouped = new HashSet<>();

    /** Notes of a tuplet or of a broken pair of which a simpler version leaves some out: each is written with its own length, without the sign of the group. */
    private final Set<NoteId> ungrouped = new HashSet<>();

    private boolean splitsNotes;
    private int bar;
    /** From the pitches of a bar to the letters that stand for them. */
    private Interval letters = Interval.UNISON;

    private VersionWriter(Tune tune, Version version, Hand hand) {
        this.tune = tune;
        this.version = version;
        this.instrument = version.playing().instrument();
        this.scene = Scene.of(tune, version, Profile.usual(), hand);
        this.realisation = Realiser.realise(scene);
    }

    /** The body of the tune below {@code K:} with the ornaments written out. */
    static String body(Tune tune, Version version) {
        return body(tune, version, Hand.of(version.playing().instrument().family()));
    }

    /** The same, as a hand makes it. */
    static String body(Tune tune, Version version, Hand hand) {
        AddedText added = AddedText.of(tune, version);
        Unfolding unfolding = Unfolding.of(added.tune(), added.version());
        return new VersionWriter(unfolding.tune(), unfolding.version(), hand).write();
    }

    private String write() {
        for (bar = 0; bar < tune.bars().size(); bar++) {
            outputState.clear();
            touchedBySmallNotes.clear();
            tune.bars().get(bar).notes().stream().findFirst().ifPresent(note -> letters = lettersAt(note));
            writeBar(tune.bars().get(bar));
        }
        Manuscript manuscript = tune.manuscript();
        StringBuilder body = new StringBuilder();
        int at = manuscript.bodyStart();
        for (Note note : tune.notes()) {
            Manuscript.Stretch stretch = manuscript.at(note.id());
            String gap = manuscript.text().substring(at, stretch.start());
            String kept = joined.contains(note.id()) ? gap.replaceAll("[<>]", "") : gap;
            kept = ungrouped.contains(note.id()) ? SIGN_OF_GROUP.matcher(kept).replaceAll("") : kept;
            body.append(grouped.contains(note.id()) ? DECORATED.matcher(kept).replaceFirst("") : kept);
            String words = replaced.get(note.id());
            body.append(words != null ? words : manuscript.text().substring(stretch.start(), stretch.end()));
            at = stretch.end();
        }
        body.append(manuscript.text().substring(at));
        return splitsNotes ? withoutWords(body.toString()) : body.toString();
    }

    private Interval lettersAt(Note note) {
        Manuscript manuscript = tune.manuscript();
        return manuscript.aboveLetters(manuscript.at(note.id()).start()).downwards();
    }

    /** Words can't be set under notes that have become several: they stay with the plain tune. */
    private static String withoutWords(String body) {
        return body.replaceAll("(?m)^w:.*(?:\\R|$)", "");
    }

    private void writeBar(Bar written) {
        Optional<Integer> playing = realisation.firstPlaying(bar);
        playing.ifPresent(played -> ungroup(written, played));
        int i = 0;
        while (i < written.notes().size()) {
            Note note = written.notes().get(i);
            Optional<Placement> placed = playing.flatMap(played -> placedOn(note, played));
            if (playing.isPresent() && isLayered(note, playing.get()) && !isOnWhole(note, playing.get())) {
                layered(note, playing.get());
                i++;
            } else if (placed.isPresent()) {
                List<Note> slots = placed.get().span().notes(tune);
                write(placed.get(), slots, playing.orElseThrow());
                i += slots.size();
            } else {
                copy(note);
                i++;
            }
        }
    }

    /** Whether an ornament stands on the whole of a note, or on several: its one tone is as long as written. */
    private boolean isOnWhole(Note note, int playing) {
        List<Tone> tones = tonesOf(note, playing);
        return tones.size() == 1
                && tones.get(0).placed().isPresent()
                && tones.get(0).length().equals(note.played());
    }

    /** What is really played on a note in a bar: nothing that the hand has refused. */
    private Optional<Placement> placedOn(Note note, int playing) {
        return realisation.figureAt(note.id(), playing).map(Realisation.Figured::placement);
    }

    /** A small note; an exact one carries its accidental, a customary one goes by the key. */
    private record Small(WrittenPitch pitch, boolean isExact) {}

    /**
     * One part of an ornament as it is written.
     *
     * @param voices the melody first; none for a rest
     * @param isShut whether everything is shut right before it
     */
    private record Part(
            NoteId note, List<Small> smalls, List<Voice> voices, Fraction length, boolean isShut, Begin begin) {
        /** Whether it goes on with the bow before it. */
        boolean isJoined() {
            return switch (begin) {
                case SAME_BOW, NUDGE, HAMMER, PULL, FINGERS -> true;
                default -> false;
            };
        }

        Optional<WrittenPitch> pitch() {
            return voices.stream().findFirst().flatMap(Voice::written);
        }
    }

    // Placements

    /** Ornaments with a sign of their own in ABC stand before their note; the others are written out as notes and small notes. */
    private void write(Placement placement, List<Note> slots, int playing) {
        List<Choice> spelled = new ArrayList<>();
        StringBuilder signs = new StringBuilder();
        for (Choice choice : placement.stack().choices()) {
            String[] way = choice.ornament().look().written().split(" ", 2);
            switch (way[0]) {
                case "notes", "dot-parts", "pulse" -> spelled.add(choice);
                case "arpeggio" -> {
                    spelled.add(choice);
                    signs.append(mark("arpeggio"));
                }
                case "slid-notes" -> {
                    spelled.add(choice);
                    signs.append(mark("slide"));
                }
                case "breath" -> {
                    if (schoolOf(choice).equals("leave-out")) {
                        spelled.add(choice);
                    } else {
                        signs.append("!breath!");
                    }
                }
                case "hairpin" -> signs.append(mark("crescendo(")).append(mark("crescendo)"));
                case "dot" -> signs.append('.');
                case "dot-before" -> dotBefore(slots.get(0));
                case "mordent" -> signs.append(schoolOf(choice).equals("upper") ? "P" : "M");
                case "words" -> signs.append("\"^").append(way[1]).append('"');
                default -> signs.append(mark(way[1]));
            }
        }
        Optional<Made> made = spelled.isEmpty() ? Optional.empty() : made(new Stack(spelled), placement, playing);
        if (made.isPresent()) {
            writeFigure(slots, parts(made.get(), slots), signs.toString(), spelled, partAfter(slots, playing));
        } else {
            slots.forEach(slot -> copyOr(slot, playing));
            String text = replaced.getOrDefault(slots.get(0).id(), textOf(slots.get(0)));
            replaced.put(slots.get(0).id(), signs + text);
        }
    }

    /** A note as it stands in the text, or the one that a figure has in its place. */
    private void copyOr(Note note, int playing) {
        List<Tone> tones = tonesOf(note, playing);
        if (tones.size() == 1 && !tones.get(0).pitches().equals(note.pitches())) {
            replaced.put(
                    note.id(),
                    pitchesText(tones.get(0)) + lengthText(note, tones.get(0).length(), false, false));
        } else {
            copy(note);
        }
    }

    private String schoolOf(Choice choice) {
        return version.playing().schoolOf(choice);
    }

    private static String mark(String name) {
        return name.equals("trill") ? "T" : "!" + name + "!";
    }

    private void dotBefore(Note note) {
        tune.neighbour(note.id(), -1).filter(before -> !before.isRest()).ifPresent(before -> {
            String text = replaced.getOrDefault(before.id(), textOf(before));
            replaced.put(before.id(), text.replaceFirst("^((?:\\{[^}]*\\})?)", "$1."));
        });
    }

    private Optional<Made> made(Stack stack, Placement placement, int playing) {
        for (int i = 0; i < scene.line().tones().size(); i++) {
            Tone tone = scene.line().tones().get(i);
            if (tone.place().playedBar() == playing
                    && tone.note().id().equals(placement.span().first())) {
                return scene.attempt(i, scene.line().countOf(i, placement), stack)
                        .flatMap(Attempt::made);
            }
        }
        return Optional.empty();
    }

    /** The parts of a figure by their shares; one that is too short to be a note joins the small notes of the next. */
    private List<Part> parts(Made made, List<Note> slots) {
        Fraction whole = Fraction.ZERO;
        for (Note slot : slots) {
            whole = whole.plus(slot.played());
        }
        List<Part> parts = new ArrayList<>();
        Fraction at = Fraction.ZERO;
        boolean isEven = made.slots().stream().anyMatch(slot -> isShort(slot.share()));
        for (Made.Slot slot : made.slots()) {
            Fraction length = isEven
                    ? whole.dividedBy(made.slots().size())
                    : whole.times(slot.share().part());
            List<Small> smalls = new ArrayList<>();
            for (int i = 0; i < slot.parts().size(); i++) {
                Made.Part part = slot.parts().get(i);
                boolean isShut = false;
                for (Made.Small small : part.smalls()) {
                    isShut |= small.role() == Made.Role.CLOSED;
                    small(small).ifPresent(smalls::add);
                }
                Optional<WrittenPitch> pitch =
                        part.landing().voices().stream().findFirst().flatMap(Voice::written);
                if (isShort(part.share()) && i + 1 < slot.parts().size()) {
                    pitch.ifPresent(each -> smalls.add(new Small(each, true)));
                } else {
                    Fraction own = slot.parts().size() == 1 || isShort(part.share())
                            ? length
                            : length.times(part.share().part());
                    parts.add(new Part(
                            noteAt(slots, at),
                            List.copyOf(smalls),
                            part.landing().voices(),
                            own,
                            isShut,
                            part.landing().begin()));
                    smalls.clear();
                    at = at.plus(own);
                }
            }
        }
        return parts;
    }

    private static boolean isShort(Share share) {
        return share.kind() == Share.Kind.SHORTEST || share.kind() == Share.Kind.TIMED;
    }

    private static NoteId noteAt(List<Note> slots, Fraction at) {
        Fraction end = Fraction.ZERO;
        for (Note slot : slots) {
            end = end.plus(slot.played());
            if (at.isLessThan(end)) {
                return slot.id();
            }
        }
        return slots.get(slots.size() - 1).id();
    }

    /** A cut is written by custom as the note of the finger it lifts, in the key; the chanter's small notes are in its scale. */
    private Optional<Small> small(Made.Small small) {
        boolean isCustom = small.role() == Made.Role.CUT || instrument.family() == Family.NINE_NOTE_PIPES;
        return small.role() == Made.Role.CLOSED || small.role() == Made.Role.SPREAD
                ? Optional.empty()
                : small.sound().voices().stream()
                        .findFirst()
                        .flatMap(Voice::written)
                        .map(pitch -> new Small(pitch, !isCustom));
    }

    /** What stands right after some notes, where it goes on with something that sounds in them; empty where nothing is placed there. */
    private Optional<Part> partAfter(List<Note> slots, int playing) {
        NoteId last = slots.get(slots.size() - 1).id();
        List<Tone> tones = scene.line().tones();
        for (int i = 0; i + 1 < tones.size(); i++) {
            boolean isLast = tones.get(i).place().playedBar() == playing
                    && tones.get(i).note().id().equals(last);
            if (isLast && !tones.get(i + 1).note().id().equals(last)) {
                NoteId next = tones.get(i + 1).note().id();
                return scene.placed(i + 1)
                        .flatMap(Attempt::made)
                        .map(made -> made.parts().get(0).landing())
                        .map(sound -> new Part(next, List.of(), sound.voices(), Fraction.ONE, false, sound.begin()));
            }
        }
        return Optional.empty();
    }

    private void writeFigure(
            List<Note> slots, List<Part> parts, String signs, List<Choice> spelled, Optional<Part> next) {
        splitsNotes |= parts.size() != slots.size();
        NoteToken head = token(slots.get(0)).orElse(null);
        boolean isOneNote =
                parts.size() == 1 && slots.size() == 1 && parts.get(0).voices().size() == 1;
        if (isOneNote && parts.get(0).pitch().equals(Optional.of(slots.get(0).melody()))) {
            String small = smallText(parts.get(0).smalls());
            copy(slots.get(0));
            String copied = replaced.getOrDefault(slots.get(0).id(), textOf(slots.get(0)));
            boolean isSlurred = isBowed() && !small.isEmpty() && parts.get(0).isJoined();
            String note = small + dot(parts.get(0), spelled) + signs + copied;
            replaced.put(slots.get(0).id(), isSlurred ? "(" + note + ")" : note);
            return;
        }
        if (head == null) {
            slots.forEach(this::copy);
            return;
        }
        if (parts.size() == 1 && parts.get(0).pitch().isPresent()) {
            joinAll(slots, parts.get(0), signs, next);
            return;
        }
        Optional<Fraction> group = groupFactor(parts);
        List<List<Part>> shared = shared(slots, parts);
        boolean isPulse = spelled.stream()
                .anyMatch(choice -> choice.ornament().look().written().equals("pulse"));
        for (int s = 0; s < slots.size(); s++) {
            Note slot = slots.get(s);
            List<Part> here = shared.get(s);
            StringBuilder text = new StringBuilder(s == 0 && group.isPresent() ? groupSign(parts, slots) : "");
            for (int i = 0; i < here.size(); i++) {
                Part part = here.get(i);
                boolean isVeryFirst = s == 0 && i == 0;
                boolean isOn = !isVeryFirst && isSlurred(part);
                boolean goesOn = after(shared, s, i).filter(this::isSlurred).isPresent();
                text.append(goesOn && !isOn ? "(" : "");
                text.append(smallText(part.smalls())).append(isVeryFirst ? signs : "");
                text.append(dot(part, spelled)).append(isPulse && i > 0 ? "!accent!" : "");
                text.append(voicesText(part, after(shared, s, i)));
                Fraction written = part.length().times(group.orElse(Fraction.ONE));
                Duration duration = slot.duration();
                Fraction notated = written.times(duration.notated()).dividedBy(duration.played());
                text.append(lengthText(slot, notated, i == 0, i == here.size() - 1));
                text.append(isPulse && i + 1 < here.size() ? "-" : "");
                text.append(isOn && !goesOn ? ")" : "");
            }
            replaced.put(slot.id(), text.toString());
        }
    }

    /** The part after one of those that a slot has; empty after the last. */
    private static Optional<Part> after(List<List<Part>> shared, int slot, int part) {
        return shared.subList(slot, shared.size()).stream()
                .flatMap(List::stream)
                .skip(part + 1L)
                .findFirst();
    }

    /** A note, a rest, or a chord from the lowest note up, in which what goes on into the next part is tied. */
    private String voicesText(Part part, Optional<Part> next) {
        if (part.voices().size() < 2) {
            return part.pitch().map(this::noteText).orElse("z");
        }
        StringBuilder text = new StringBuilder("[");
        part.voices().stream()
                .filter(voice -> voice.written().isPresent())
                .sorted(Comparator.comparingInt((Voice voice) -> voice.pitch().midi()))
                .forEach(voice -> text.append(noteText(voice.written().get()))
                        .append(next.filter(each -> goesOn(voice, each)).isPresent() ? "-" : ""));
        return text.append(']').toString();
    }

    private static boolean goesOn(Voice voice, Part next) {
        return next.voices().stream()
                .anyMatch(each ->
                        each.lane().equals(voice.lane()) && each.written().equals(voice.written()) && !each.begins());
    }

    /** Whether it is slurred on from the part before: in one bow, or while the button before is still down. */
    private boolean isSlurred(Part part) {
        return part.begin() == Begin.JOINED || (isBowed() && part.isJoined());
    }

    /** Whether notes that go on in one bow are written under a slur. */
    private boolean isBowed() {
        return instrument
                .strings()
                .filter(each -> each.stroke() == Strings.Stroke.BOW)
                .isPresent();
    }

    /** Several written notes as one. */
    private void joinAll(List<Note> slots, Part part, String signs, Optional<Part> next) {
        Note first = slots.get(0);
        Note last = slots.get(slots.size() - 1);
        Fraction before = brokenFactor(gapBefore(first), false);
        Fraction notated = part.length()
                .times(first.duration().notated())
                .dividedBy(first.duration().played());
        Fraction written =
                notated.dividedBy(unitOf(first)).dividedBy(before).dividedBy(brokenFactor(gapAfter(last), true));
        String text = smallText(part.smalls()) + signs + voicesText(part, next) + lengthText(written);
        replaced.put(first.id(), text);
        for (Note slot : slots.subList(1, slots.size())) {
            replaced.put(slot.id(), "");
            joined.add(slot.id());
        }
    }

    private static String dot(Part part, List<Choice> spelled) {
        boolean isDotted = part.isShut()
                && spelled.stream()
                        .anyMatch(choice -> choice.ornament().look().written().equals("dot-parts"));
        return isDotted ? "." : "";
    }

    /** For equal parts that are no halves of halves: how much longer each is written under the number of their group. */
    private static Optional<Fraction> groupFactor(List<Part> parts) {
        boolean areEqual = parts.stream()
                .allMatch(part -> part.length().equals(parts.get(0).length()));
        long denominator = parts.get(0).length().denominator();
        boolean isPlain = Long.bitCount(denominator) == 1;
        return areEqual && !isPlain && parts.size() > 2
                ? Optional.of(Fraction.of(parts.size(), Integer.highestOneBit(parts.size() - 1)))
                : Optional.empty();
    }

    /** The number of a group, with the decorations that the tune writes before its first note after it. */
    private String groupSign(List<Part> parts, List<Note> slots) {
        Matcher decorations = DECORATED.matcher(gapBefore(slots.get(0)));
        grouped.add(slots.get(0).id());
        int count = parts.size();
        String number = count == 3 ? "(3" : "(" + count + ":" + Integer.highestOneBit(count - 1) + ":" + count;
        return number + (decorations.find() ? decorations.group(1) : "");
    }

    // Layers

    /** The tones of a note in one playing of its bar. */
    private List<Tone> tonesOf(Note note, int playing) {
        return scene.line().tones().stream()
                .filter(tone ->
                        tone.place().playedBar() == playing && tone.note().id().equals(note.id()))
                .toList();
    }

    /** Whether layers have made something else of a note than one tone as it is written. */
    private boolean isLayered(Note note, int playing) {
        if (version.layers().isEmpty()
                || note.isRest()
                || (isBroken(note) && !ungrouped.contains(note.id()))
                || token(note).isEmpty()) {
            return false;
        }
        return ungrouped.contains(note.id()) || differs(note, playing);
    }

    private boolean differs(Note note, int playing) {
        List<Tone> tones = tonesOf(note, playing);
        boolean isAsWritten = tones.size() == 1
                && tones.get(0).length().equals(note.played())
                && tones.get(0).pitches().equals(note.pitches());
        return !isAsWritten;
    }

    /** Finds the groups of which a simpler version leaves notes out or moves them. */
    private void ungroup(Bar written, int playing) {
        boolean isSimpler =
                version.layers().stream().anyMatch(layer -> layer.rule().work().rewrites());
        for (int i = 0; isSimpler && i < written.notes().size(); i++) {
            Note note = written.notes().get(i);
            boolean isPair = i > 0 && !brokenFactor(gapBefore(note), false).equals(Fraction.ONE);
            List<Note> group = tune.tupletAt(note.id())
                    .map(tuplet -> tune.between(tuplet.first(), tuplet.last()))
                    .orElse(isPair ? written.notes().subList(i - 1, i + 1) : List.of());
            if (group.stream().noneMatch(Note::isRest) && group.stream().anyMatch(each -> differs(each, playing))) {
                group.forEach(each -> ungrouped.add(each.id()));
            }
        }
    }

    /** A note as layers have it: its tones one after the other, with the picking finger under each; nothing where it has become part of the one before. */
    private void layered(Note note, int playing) {
        List<Tone> tones = tonesOf(note, playing);
        splitsNotes |= tones.size() != 1;
        StringBuilder text = new StringBuilder();
        for (Tone tone : tones) {
            int at = scene.line().tones().indexOf(tone);
            Optional<Made> made = tone.placed()
                    .flatMap(placement -> scene.attempt(at, 1, placement.stack()))
                    .filter(attempt -> attempt.hitches().isEmpty())
                    .flatMap(Attempt::made);
            String finger = tone.pick()
                    .map(Tone.Pick::fingers)
                    .filter(each -> !each.isEmpty())
                    .map(each -> "\"_" + each.replace("+", "") + "\"")
                    .orElse("");
            text.append(tone.isRest() ? "" : finger).append(signs(tone));
            if (made.isPresent()) {
                text.append(madeText(note, made.get(), tone.length()));
            } else if (tone.isRest()) {
                text.append('z').append(lengthText(note, tone.length(), false, false));
            } else {
                text.append(pitchesText(tone)).append(lengthText(note, tone.length(), false, false));
            }
        }
        replaced.put(note.id(), text.toString());
    }

    /** The signs before a tone of those ornaments on it that ABC has one for. */
    private static String signs(Tone tone) {
        StringBuilder signs = new StringBuilder();
        for (Placement placement : tone.placed().stream().toList()) {
            for (Choice choice : placement.stack().choices()) {
                String[] way = choice.ornament().look().written().split(" ", 2);
                signs.append(
                        switch (way[0]) {
                            case "mark" -> mark(way[1]);
                            case "words" -> "\"^" + way[1] + "\"";
                            case "arpeggio" -> mark("arpeggio");
                            case "slid-notes" -> mark("slide");
                            case "hairpin" -> mark("crescendo(") + mark("crescendo)");
                            default -> "";
                        });
            }
        }
        return signs.toString();
    }

    private String pitchesText(Tone tone) {
        return tone.pitches().size() == 1
                ? noteText(tone.melody())
                : tone.pitches().stream()
                        .sorted(Comparator.comparingInt(WrittenPitch::midi))
                        .map(this::noteText)
                        .collect(Collectors.joining("", "[", "]"));
    }

    /** An ornament on one tone of several. */
    private String madeText(Note note, Made made, Fraction length) {
        StringBuilder text = new StringBuilder();
        List<Made.Part> parts = made.parts();
        for (Made.Part part : parts) {
            List<Small> smalls =
                    part.smalls().stream().flatMap(each -> small(each).stream()).toList();
            Part written = new Part(
                    note.id(),
                    smalls,
                    part.landing().voices(),
                    length.times(part.share().part()),
                    false,
                    part.landing().begin());
            text.append(smallText(smalls))
                    .append(voicesText(written, Optional.empty()))
                    .append(lengthText(note, written.length(), false, false));
        }
        return text.toString();
    }

    private boolean isBroken(Note note) {
        boolean isAlone = brokenFactor(gapBefore(note), false).equals(Fraction.ONE)
                && brokenFactor(gapAfter(note), true).equals(Fraction.ONE);
        return !isAlone || tune.tupletAt(note.id()).isPresent();
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

    private String smallText(List<Small> smalls) {
        if (smalls.isEmpty()) {
            return "";
        }
        StringBuilder text = new StringBuilder("{");
        for (Small small : smalls) {
            WrittenPitch pitch = letters.above(small.pitch());
            int inForce = inForce(pitch.step());
            if (small.isExact() && (pitch.alter() != inForce || touchedBySmallNotes.contains(pitch.step()))) {
                text.append(accidentalText(pitch.alter()));
                touchedBySmallNotes.add(pitch.step());
            }
            text.append(letterText(pitch));
        }
        return text.append('}').toString();
    }

    /** A note of a figure: accidental where the output needs one, letter, octave. */
    private String noteText(WrittenPitch pitch) {
        WrittenPitch letter = letters.above(pitch);
        return accidentalFor(letter, false) + letterText(letter);
    }

    /** What a letter without a sign stands for here, in semitones. */
    private int inForce(Step letter) {
        Integer stated = outputState.get(letter);
        if (stated != null) {
            return stated;
        }
        Step step = letters.downwards().above(WrittenPitch.of(letter, 0, 4)).step();
        return letters.above(WrittenPitch.of(step, tune.keyAt(bar).alterOf(step), 4))
                .alter();
    }

    private String accidentalFor(WrittenPitch pitch, boolean isWrittenInSource) {
        int inForce = inForce(pitch.step());
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
                ? pitch.step().name().toLowerCase(Locale.ROOT)
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
        Fraction before = brokenFactor(gapBefore(slot), false);
        Fraction after = brokenFactor(gapAfter(slot), true);
        Fraction written = length.dividedBy(unitOf(slot));
        written = isFirst ? written.dividedBy(before) : written;
        written = isLast ? written.dividedBy(after) : written;
        return lengthText(written);
    }

    /** The unit of length in force at a note. */
    private Fraction unitOf(Note slot) {
        Fraction factor =
                token(slot).map(NoteToken::factor).filter(Fraction::isPositive).orElse(Fraction.ONE);
        return slot.duration()
                .notated()
                .dividedBy(factor)
                .dividedBy(brokenFactor(gapBefore(slot), false))
                .dividedBy(brokenFactor(gapAfter(slot), true));
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
            for (WrittenPitch pitch : note.pitches()) {
                WrittenPitch letter = letters.above(pitch);
                outputState.put(letter.step(), letter.alter());
            }
            return;
        }
        boolean isWritten = !token.get().accidental().isEmpty();
        String accidental = accidentalFor(letters.above(note.melody()), isWritten);
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
