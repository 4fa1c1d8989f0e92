package wildflourish.files.abc;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.recognition.Recognition;
import wildflourish.core.recognition.Written;
import wildflourish.core.tune.Manuscript;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Span;
import wildflourish.core.version.Stair;

/** The text of a tune without ornaments that it writes itself, once a teacher has taken them as placements. Nothing else of it changes. */
public final class OrnamentText {
    private static final Pattern SMALL_NOTES = Pattern.compile("\\{[^}]*\\}");
    /** A decoration by its name, or by a letter or sign of its own. */
    private static final Pattern SIGN = Pattern.compile(MusicReader.DECORATION.pattern() + "|[.~H-Wh-w]");

    private static final Pattern USER_SYMBOL = Pattern.compile("(?m)^U:\\s*([H-Wh-w~])\\s*=\\s*[!+]?([^!+\\s]+)[!+]?");

    private final Tune tune;
    private final TuneEditor editor;
    private final Map<Character, String> letters = new HashMap<>(MusicReader.SHORT_DECORATIONS);
    private final StringBuilder text;

    private OrnamentText(Tune tune) {
        this.tune = tune;
        this.editor = new TuneEditor(tune);
        this.text = new StringBuilder(tune.manuscript().text());
        Matcher own = USER_SYMBOL.matcher(text);
        while (own.find()) {
            letters.put(own.group(1).charAt(0), own.group(2));
        }
    }

    /** The text without what was found at its notes; every other note and sign stays. */
    public static String without(Tune tune, Collection<Recognition.Found> taken) {
        return new OrnamentText(tune).without(taken);
    }

    /** A lesson whose text no longer writes what was recognised: it is placed at a stage of a stair and at those above. Empty where the text cannot be parted from it. */
    public static Optional<Lesson> taken(Lesson lesson, Stair stair, int stage, Recognition recognition) {
        Tune before = lesson.tune();
        Tune bare = TuneText.read(without(before, recognition.placeable())).value();
        if (bare.notes().size() != before.notes().size()) {
            return Optional.empty();
        }
        Lesson parted = lesson.with(stair).edited(bare).lesson();
        List<Placement> placements = recognition.placements().stream()
                .map(placement -> Placement.of(
                        placement.stack(),
                        Span.of(parted.tune()
                                .notes()
                                .get(before.placeOf(placement.span().first()).order())
                                .id())))
                .toList();
        Stair own = parted.stairFor(stair.instrument()).orElseThrow();
        return Optional.of(parted.with(own.placed(parted.tune(), stage, placements)));
    }

    private String without(Collection<Recognition.Found> taken) {
        List<Note> notes = tune.notes();
        Map<NoteId, List<Written>> written = new HashMap<>();
        taken.forEach(found ->
                written.computeIfAbsent(found.note(), id -> new ArrayList<>()).add(found.written()));
        for (int i = notes.size() - 1; i >= 0; i--) {
            NoteId id = notes.get(i).id();
            int from = i == 0
                    ? tune.manuscript().bodyStart()
                    : tune.manuscript().at(notes.get(i - 1).id()).end();
            for (Written each : written.getOrDefault(id, List.of())) {
                remove(each, notes.get(i), from);
            }
        }
        return TuneEditor.settled(text.toString(), editor.melodies());
    }

    private void remove(Written written, Note note, int from) {
        Manuscript.Stretch stretch = tune.manuscript().at(note.id());
        switch (written.sort()) {
            case CHORD -> melodyOnly(note, stretch);
            case SMALL_NOTES -> removeLast(SMALL_NOTES, from, stretch.start(), each -> true);
            case SIGN ->
                removeLast(
                        SIGN,
                        from,
                        stretch.start(),
                        each -> written.decoration().equals(nameOf(each)));
        }
    }

    private String nameOf(MatchResult sign) {
        String byName = sign.group(1) != null ? sign.group(1) : sign.group(2);
        return byName != null ? byName : letters.getOrDefault(sign.group().charAt(0), "");
    }

    /** Of what stands before a note, the last of its kind is the note's own. What is taken out before it moves nothing: it goes from the note backward. */
    private void removeLast(Pattern pattern, int from, int to, Predicate<MatchResult> isMeant) {
        Optional<MatchResult> last = pattern.matcher(text)
                .region(from, Math.min(to, text.length()))
                .results()
                .filter(isMeant)
                .reduce((first, second) -> second);
        last.ifPresent(each -> text.replace(each.start(), each.end(), ""));
    }

    /** The highest note of a chord in its place, as long as the chord and tied as it is; signs within the chord stand before it. */
    private void melodyOnly(Note note, Manuscript.Stretch stretch) {
        String chord = text.substring(stretch.start(), stretch.end());
        int close = chord.lastIndexOf(']');
        StringBuilder signs = new StringBuilder();
        Fraction length = Fraction.ZERO;
        int at = 1;
        while (at < close) {
            Optional<NoteToken> token = NoteToken.at(chord, at, close);
            if (token.isPresent()) {
                length = length.isZero() ? token.get().factor() : length;
                at += token.get().length();
            } else {
                signs.append(chord.charAt(at) == '-' ? "" : chord.substring(at, at + 1));
                at++;
            }
        }
        NoteToken whole = NoteToken.at("c" + chord.substring(close + 1), 0, chord.length() - close)
                .orElseThrow();
        WrittenPitch melody = note.melody();
        boolean isTiedWithin = chord.indexOf('-') >= 0 && note.marks().joins().tied();
        text.replace(
                stretch.start(),
                stretch.end(),
                signs
                        + editor.letter(note.id(), melody)
                        + VersionWriter.lengthText(length.times(whole.factor()))
                        + (isTiedWithin ? "-" : ""));
    }
}
