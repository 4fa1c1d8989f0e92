package wildflourish.files.abc;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Interval;
import wildflourish.core.music.Key;
import wildflourish.core.music.Metre;
import wildflourish.core.music.Step;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.tune.Manuscript;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.PhraseMark;
import wildflourish.core.tune.Tune;

/**
 * Corrects a tune note by note: each verb answers with the changed text, and every other note keeps its pitch, accidentals being added where a
 * change would have taken one away. Empty where the verb makes no sense: on a rest, in a chord, off the staff.
 */
public final class TuneEditor {
    private static final int LOWEST_STAFF_STEP = 14;
    private static final int HIGHEST_STAFF_STEP = 56;

    private static final Pattern VOICE_LINE = Pattern.compile("(?m)^" + VoiceChoice.DIRECTIVE + "\\b.*\\R");
    private static final Pattern METRE_LINE = Pattern.compile("(?m)^M:.*$");
    private static final Pattern KEY_LINE = Pattern.compile("(?m)^K:\\s*([A-G])([#b]?)(.*)$");
    private static final String FIFTHS = "FCGDAEB";

    private final Tune tune;
    private final String text;

    public TuneEditor(Tune tune) {
        this.tune = tune;
        this.text = tune.manuscript().text();
    }

    /** A note so many steps of the scale higher or lower, with the accidental of the key. */
    public Optional<String> stepped(NoteId id, int steps) {
        return token(id).flatMap(token -> {
            int staffStep = tune.note(id).melody().staffStep() + steps;
            if (staffStep < LOWEST_STAFF_STEP || staffStep > HIGHEST_STAFF_STEP) {
                return Optional.empty();
            }
            WrittenPitch natural = WrittenPitch.ofStaffStep(staffStep);
            return Optional.of(repitched(id, token, natural.withAlter(key(id).alterOf(natural.step()))));
        });
    }

    /** A note a semitone sharper (1) or flatter (−1) on the same line or space. */
    public Optional<String> altered(NoteId id, int by) {
        return token(id).flatMap(token -> {
            WrittenPitch pitch = tune.note(id).melody();
            int alter = pitch.alter() + by;
            return Math.abs(alter) > 1 ? Optional.empty() : Optional.of(repitched(id, token, pitch.withAlter(alter)));
        });
    }

    private String repitched(NoteId id, NoteToken token, WrittenPitch pitch) {
        List<WrittenPitch> wanted = melodies();
        wanted.set(indexOf(id), pitch);
        return settled(replaced(id, letter(id, pitch) + VersionWriter.lengthText(token.factor())), wanted);
    }

    /** A note or rest of another length, as a multiple of its present one. */
    public Optional<String> lengthened(NoteId id, Fraction factor) {
        Manuscript.Stretch stretch = tune.manuscript().at(id);
        String old = text.substring(stretch.start(), stretch.end());
        return NoteToken.at(old, 0, old.length()).flatMap(token -> {
            Fraction length = token.factor().times(factor);
            if (!length.isPositive() || length.denominator() > 64 || length.numerator() > 64) {
                return Optional.empty();
            }
            String head = old.replaceFirst("[0-9/]*$", "");
            return Optional.of(replaced(id, head + VersionWriter.lengthText(length)));
        });
    }

    /** A new note after another, on the nearest line or space of that letter, as long as the other, with the accidental of the key. */
    public Optional<String> inserted(NoteId after, Step step) {
        Note note = tune.note(after);
        int from = note.isRest()
                ? WrittenPitch.parse("B4").staffStep()
                : note.melody().staffStep();
        int distance = Math.floorMod(step.ordinal() - Math.floorMod(from, 7) + 3, 7) - 3;
        WrittenPitch natural = WrittenPitch.ofStaffStep(from + distance);
        WrittenPitch pitch = natural.withAlter(key(after).alterOf(natural.step()));
        List<WrittenPitch> wanted = melodies();
        wanted.add(indexOf(after) + (note.isRest() ? 0 : 1), pitch);
        return Optional.of(settled(added(after, letter(after, pitch) + lengthOf(after)), wanted));
    }

    /** A rest after a note, as long as the note. */
    public Optional<String> insertedRest(NoteId after) {
        return Optional.of(added(after, "z" + lengthOf(after)));
    }

    /** A bar line, or any other sign, right after a note. */
    public Optional<String> insertedSign(NoteId after, String sign) {
        return Optional.of(added(after, sign));
    }

    /** Without a note or rest. */
    public Optional<String> deleted(NoteId id) {
        if (tune.notes().size() < 2) {
            return Optional.empty();
        }
        List<WrittenPitch> wanted = melodies();
        if (!tune.note(id).isRest()) {
            wanted.remove(indexOf(id));
        }
        return Optional.of(settled(replaced(id, ""), wanted));
    }

    /** Tied to the next note, or no longer tied. */
    public Optional<String> tied(NoteId id) {
        Manuscript.Stretch stretch = tune.manuscript().at(id);
        if (tune.note(id).isRest()) {
            return Optional.empty();
        }
        if (!tune.note(id).marks().joins().tied()) {
            return Optional.of(added(id, "-"));
        }
        int tie = text.indexOf('-', stretch.end());
        return tie < 0 ? Optional.empty() : Optional.of(text.substring(0, tie) + text.substring(tie + 1));
    }

    /** With a mark about phrases at the bar of a note, or without any. */
    public Optional<String> withPhrase(NoteId id, Optional<PhraseMark> mark) {
        return Optional.of(PhraseText.marked(tune, tune.placeOf(id).bar(), mark));
    }

    /** A phrase begins with the bar of a note from now on, or no longer does. Empty where a part begins, for there a phrase does too. */
    public Optional<String> phraseTurned(NoteId id) {
        int bar = tune.placeOf(id).bar();
        if (tune.form().partAt(bar).firstBar() == bar) {
            return Optional.empty();
        }
        boolean wanted = !tune.form().beginsPhrase(bar);
        String bare = PhraseText.marked(tune, bar, Optional.empty());
        boolean isSoAnyway = TuneText.read(bare).value().form().beginsPhrase(bar) == wanted;
        PhraseMark mark = wanted ? PhraseMark.BEGINS : PhraseMark.GOES_ON;
        return Optional.of(isSoAnyway ? bare : PhraseText.marked(tune, bar, Optional.of(mark)));
    }

    /** The phrase of a note under the teacher's own name; under the usual one where the name is blank. */
    public Optional<String> phraseNamed(NoteId id, String name) {
        int bar = tune.form().stretchAt(tune.placeOf(id).bar()).firstBar();
        while (tune.bars().get(bar).notes().isEmpty()) {
            bar++;
        }
        if (!name.isBlank()) {
            return Optional.of(PhraseText.marked(tune, bar, Optional.of(PhraseMark.named(name))));
        }
        String bare = PhraseText.marked(tune, bar, Optional.empty());
        boolean isSoAnyway = TuneText.read(bare).value().form().beginsPhrase(bar);
        return Optional.of(isSoAnyway ? bare : PhraseText.marked(tune, bar, Optional.of(PhraseMark.BEGINS)));
    }

    /** With another of its voices as the one that is taught; the first needs no line that says so. */
    public String withVoice(String voice) {
        String bare = VOICE_LINE.matcher(text).replaceAll("");
        if (tune.header().voices().ids().indexOf(voice) == 0) {
            return bare;
        }
        return bare.replaceFirst("(?m)^K:", Matcher.quoteReplacement(VoiceChoice.DIRECTIVE + " " + voice + "\nK:"));
    }

    /** In another metre from its beginning on; bar lines stay where they are, to be moved by hand. */
    public Optional<String> withMetre(Metre metre) {
        Matcher line = METRE_LINE.matcher(text);
        String words = "M:" + metre;
        if (line.find()) {
            return Optional.of(text.substring(0, line.start()) + words + text.substring(line.end()));
        }
        Matcher key = KEY_LINE.matcher(text);
        return key.find()
                ? Optional.of(text.substring(0, key.start()) + words + "\n" + text.substring(key.start()))
                : Optional.empty();
    }

    /**
     * With the key at its beginning so many fifths sharper, flatter when negative, mode and all; every note keeps its sound. Empty where the
     * key has no tonic, would have more than seven signs, or would change a note of a chord.
     */
    public Optional<String> withKeyMoved(int fifths) {
        Matcher key = KEY_LINE.matcher(text);
        if (!key.find()) {
            return Optional.empty();
        }
        int place = FIFTHS.indexOf(key.group(1))
                + (key.group(2).equals("#") ? 7 : key.group(2).equals("b") ? -7 : 0)
                + fifths;
        int alter = Math.floorDiv(place, 7);
        String words = FIFTHS.charAt(Math.floorMod(place, 7)) + (alter > 0 ? "#" : alter < 0 ? "b" : "") + key.group(3);
        if (Math.abs(alter) > 1 || Fields.key(words).isEmpty()) {
            return Optional.empty();
        }
        String changed = text.substring(0, key.start()) + "K:" + words + text.substring(key.end());
        String settled = settled(changed, melodies());
        return Optional.of(settled)
                .filter(each -> pitches(TuneText.read(each).value()).equals(pitches(tune)));
    }

    private static List<WrittenPitch> pitches(Tune of) {
        return of.notes().stream().flatMap(note -> note.pitches().stream()).toList();
    }

    // Text

    private Optional<NoteToken> token(NoteId id) {
        if (tune.note(id).isRest()) {
            return Optional.empty();
        }
        Manuscript.Stretch stretch = tune.manuscript().at(id);
        return NoteToken.at(text, stretch.start(), stretch.end());
    }

    private String lengthOf(NoteId id) {
        Manuscript.Stretch stretch = tune.manuscript().at(id);
        return NoteToken.at(text, stretch.start(), stretch.end())
                .map(token -> VersionWriter.lengthText(token.factor()))
                .orElse("");
    }

    /** The letter that stands for a pitch where a note is written. */
    String letter(NoteId at, WrittenPitch pitch) {
        Interval letters =
                tune.manuscript().aboveLetters(tune.manuscript().at(at).start()).downwards();
        return VersionWriter.letterText(letters.above(pitch));
    }

    private String replaced(NoteId id, String words) {
        Manuscript.Stretch stretch = tune.manuscript().at(id);
        return text.substring(0, stretch.start()) + words + text.substring(stretch.end());
    }

    private String added(NoteId after, String words) {
        int end = tune.manuscript().at(after).end();
        return text.substring(0, end) + words + text.substring(end);
    }

    private Key key(NoteId id) {
        return tune.keyAt(tune.placeOf(id).bar());
    }

    // Pitches that must not change

    List<WrittenPitch> melodies() {
        return new ArrayList<>(sounding(tune).stream().map(Note::melody).toList());
    }

    private static List<Note> sounding(Tune tune) {
        return tune.notes().stream().filter(note -> !note.isRest()).toList();
    }

    private int indexOf(NoteId id) {
        int index = 0;
        for (Note note : tune.notes()) {
            if (note.id().equals(id)) {
                return index;
            }
            index += note.isRest() ? 0 : 1;
        }
        throw new IllegalArgumentException("the tune has no note " + id);
    }

    /** The text with accidentals added, in all bars at once and in each from left to right, until every note has the pitch that is wanted of it. */
    static String settled(String changed, List<WrittenPitch> wanted) {
        String settled = changed;
        for (int round = 0; round <= wanted.size(); round++) {
            Tune read = TuneText.read(settled).value();
            List<Note> notes = sounding(read);
            List<Integer> wrong = firstWrongs(read, notes, wanted);
            String better = settled;
            for (int i = wrong.size() - 1; i >= 0; i--) {
                int index = wrong.get(i);
                Manuscript.Stretch stretch =
                        read.manuscript().at(notes.get(index).id());
                Interval letters =
                        read.manuscript().aboveLetters(stretch.start()).downwards();
                better = withAccidental(
                        better, stretch, letters.above(wanted.get(index)).alter());
            }
            if (better.equals(settled)) {
                return settled;
            }
            settled = better;
        }
        return settled;
    }

    /** Chords are left as they are. */
    private static String withAccidental(String text, Manuscript.Stretch stretch, int alter) {
        String old = text.substring(stretch.start(), stretch.end());
        if (old.startsWith("[")) {
            return text;
        }
        String words = VersionWriter.accidentalText(alter) + old.replaceFirst("^[\\^_=]+[\\d/]*|^", "");
        return text.substring(0, stretch.start()) + words + text.substring(stretch.end());
    }

    /** The first note of each bar that is sharper or flatter than wanted; not those that a tie makes so, for they follow the note before. */
    private static List<Integer> firstWrongs(Tune read, List<Note> notes, List<WrittenPitch> wanted) {
        List<Integer> wrong = new ArrayList<>();
        int lastBar = -1;
        boolean isCarried = false;
        for (int i = 0; i < Math.min(notes.size(), wanted.size()); i++) {
            Note note = notes.get(i);
            boolean isSameStep = note.melody().staffStep() == wanted.get(i).staffStep();
            boolean isWrong =
                    isSameStep && note.melody().alter() != wanted.get(i).alter();
            int bar = read.placeOf(note.id()).bar();
            if (isWrong && !isCarried && bar != lastBar) {
                wrong.add(i);
                lastBar = bar;
            }
            isCarried = isWrong && note.marks().joins().tied();
        }
        return wrong;
    }
}
