package wildflourish.files.musicxml;

import jakarta.xml.bind.JAXBElement;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.audiveris.proxymusic.Articulations;
import org.audiveris.proxymusic.Attributes;
import org.audiveris.proxymusic.BackwardForward;
import org.audiveris.proxymusic.BarStyle;
import org.audiveris.proxymusic.Barline;
import org.audiveris.proxymusic.Direction;
import org.audiveris.proxymusic.DirectionType;
import org.audiveris.proxymusic.Fermata;
import org.audiveris.proxymusic.FormattedTextId;
import org.audiveris.proxymusic.Forward;
import org.audiveris.proxymusic.Harmony;
import org.audiveris.proxymusic.Key;
import org.audiveris.proxymusic.Lyric;
import org.audiveris.proxymusic.Notations;
import org.audiveris.proxymusic.Note;
import org.audiveris.proxymusic.Ornaments;
import org.audiveris.proxymusic.RightLeftMiddle;
import org.audiveris.proxymusic.ScorePartwise;
import org.audiveris.proxymusic.Slur;
import org.audiveris.proxymusic.StartStop;
import org.audiveris.proxymusic.StartStopContinue;
import org.audiveris.proxymusic.StartStopDiscontinue;
import org.audiveris.proxymusic.Syllabic;
import org.audiveris.proxymusic.Technical;
import org.audiveris.proxymusic.TextElementData;
import org.audiveris.proxymusic.Time;
import org.audiveris.proxymusic.TimeSymbol;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Step;
import wildflourish.core.music.WrittenPitch;
import wildflourish.files.abc.AbcNotes;

/** Turns one part of a score into lines of ABC, four bars a line. */
final class PartReader {
    private static final int BARS_A_LINE = 4;
    private static final Fraction UNIT = Fraction.of(1, 8);
    private static final String[] MAJORS = {
        "Cb", "Gb", "Db", "Ab", "Eb", "Bb", "F", "C", "G", "D", "A", "E", "B", "F#", "C#"
    };
    private static final Map<String, Integer> MODES = Map.of(
            "minor", -3, "aeolian", -3, "dorian", -2, "phrygian", -4, "lydian", 1, "mixolydian", -1, "locrian", -5);
    private static final Map<String, String> SIGNS = Map.ofEntries(
            Map.entry("trill-mark", "!trill!"),
            Map.entry("turn", "!turn!"),
            Map.entry("inverted-turn", "!invertedturn!"),
            Map.entry("mordent", "!lowermordent!"),
            Map.entry("inverted-mordent", "!uppermordent!"),
            Map.entry("staccato", "."),
            Map.entry("accent", "!accent!"),
            Map.entry("up-bow", "u"),
            Map.entry("down-bow", "v"));

    private final StringBuilder music = new StringBuilder();
    private final List<String> told = new ArrayList<>();
    private final Map<Integer, Integer> said = new HashMap<>();
    private List<String> words = new ArrayList<>();
    private boolean hasWords;
    private String metre = "none";
    private String key = "none";
    private Optional<String> tempo = Optional.empty();
    private wildflourish.core.music.Key inForce = wildflourish.core.music.Key.none();
    private Fraction divisions = Fraction.ONE;
    private Optional<String> voice = Optional.empty();
    private boolean hasMusic;
    /** Chord symbols, words and small notes that wait for the next note. */
    private String small = "";

    void read(ScorePartwise.Part part) {
        int count = 0;
        for (ScorePartwise.Part.Measure measure : part.getMeasure()) {
            measure(measure);
            count++;
            if (count % BARS_A_LINE == 0 || count == part.getMeasure().size()) {
                endLine();
            }
        }
    }

    private void endLine() {
        music.append('\n');
        if (hasWords) {
            music.append("w: ").append(String.join(" ", words)).append('\n');
        }
        words = new ArrayList<>();
        hasWords = false;
    }

    private void measure(ScorePartwise.Part.Measure measure) {
        said.clear();
        String end = "|";
        List<Object> content = measure.getNoteOrBackupOrForward();
        for (int i = 0; i < content.size(); i++) {
            Object each = content.get(i);
            if (each instanceof Attributes attributes) {
                attributes(attributes);
            } else if (each instanceof Direction direction) {
                direction(direction);
            } else if (each instanceof Barline line) {
                end = line.getLocation() == RightLeftMiddle.LEFT ? left(line, end) : right(line);
            } else if (each instanceof Harmony harmony) {
                ChordSymbols.symbol(harmony).ifPresent(symbol -> small = small + "\"" + symbol + "\"");
            } else if (each instanceof Forward forward && isOurs(forward)) {
                // Time that a voice leaves empty is a rest that is not drawn.
                music.append('x')
                        .append(AbcNotes.length(fraction(forward.getDuration())
                                .dividedBy(divisions)
                                .dividedBy(4)
                                .dividedBy(UNIT)));
            } else if (each instanceof Note note && isRead(note)) {
                i = notes(content, i);
            }
        }
        music.append(end);
    }

    private String left(Barline line, String end) {
        if (line.getRepeat() != null && line.getRepeat().getDirection() == BackwardForward.FORWARD) {
            music.append("|:");
        }
        if (line.getEnding() != null && line.getEnding().getType() == StartStopDiscontinue.START) {
            music.append('[')
                    .append(line.getEnding().getNumber().replaceAll("[^0-9,]", ""))
                    .append(' ');
        }
        return end;
    }

    private static String right(Barline line) {
        if (line.getRepeat() != null && line.getRepeat().getDirection() == BackwardForward.BACKWARD) {
            return ":|";
        }
        BarStyle style = line.getBarStyle() == null
                ? BarStyle.REGULAR
                : line.getBarStyle().getValue();
        return switch (style) {
            case LIGHT_LIGHT -> "||";
            case LIGHT_HEAVY, HEAVY_HEAVY -> "|]";
            case HEAVY_LIGHT -> "[|";
            case DOTTED, DASHED -> ".|";
            case NONE -> "";
            default -> "|";
        };
    }

    // What changes

    private void attributes(Attributes attributes) {
        Optional.ofNullable(attributes.getDivisions()).ifPresent(number -> divisions = fraction(number));
        attributes.getTime().stream().findFirst().ifPresent(time -> metre(metreOf(time)));
        attributes.getKey().stream().findFirst().ifPresent(this::key);
        attributes.getTranspose().stream()
                .findFirst()
                .filter(transpose -> transpose.getChromatic() != null
                        && transpose.getChromatic().signum() != 0)
                .ifPresent(
                        transpose -> told.add("the part is for a transposing instrument and is read as it is written"));
    }

    private static String metreOf(Time time) {
        List<String> numbers =
                time.getTimeSignature().stream().map(JAXBElement::getValue).toList();
        boolean isFree = time.getSenzaMisura() != null || numbers.size() < 2;
        if (!isFree && time.getSymbol() == TimeSymbol.COMMON) {
            return "C";
        }
        if (!isFree && time.getSymbol() == TimeSymbol.CUT) {
            return "C|";
        }
        return isFree
                ? "none"
                : numbers.get(0).replace(" ", "") + "/" + numbers.get(1).strip();
    }

    private void metre(String words) {
        String bare = words.contains("+") ? "(" + words.replace("/", ")/") : words;
        if (hasMusic) {
            music.append("[M:").append(bare).append(']');
        } else {
            metre = bare;
        }
    }

    private void key(Key written) {
        String words = keyWords(written);
        inForce = wildflourish.files.abc.Fields.key(words).orElse(inForce);
        if (hasMusic) {
            music.append("[K:").append(words).append(']');
        } else {
            key = words;
        }
    }

    private static String keyWords(Key written) {
        if (written.getFifths() == null) {
            StringBuilder signs = new StringBuilder("none");
            for (int i = 0; i + 1 < written.getNonTraditionalKey().size(); i += 2) {
                if (written.getNonTraditionalKey().get(i) instanceof org.audiveris.proxymusic.Step step
                        && written.getNonTraditionalKey().get(i + 1) instanceof BigDecimal alter) {
                    signs.append(' ')
                            .append(AbcNotes.sign(alter.intValue()))
                            .append(step.name().toLowerCase(Locale.ROOT));
                }
            }
            return signs.toString();
        }
        int fifths = Math.max(-7, Math.min(7, written.getFifths().intValue()));
        String mode = written.getMode() == null ? "major" : written.getMode().toLowerCase(Locale.ROOT);
        int tonic = fifths - MODES.getOrDefault(mode, 0);
        boolean isNamed = MODES.containsKey(mode) && tonic >= -7 && tonic <= 7;
        return isNamed ? MAJORS[tonic + 7] + mode.substring(0, 3) : MAJORS[fifths + 7];
    }

    private void direction(Direction direction) {
        if (direction.getSound() != null && direction.getSound().getTempo() != null && !hasMusic) {
            tempo = Optional.of("1/4=" + direction.getSound().getTempo().toPlainString());
        }
        for (DirectionType type : direction.getDirectionType()) {
            if (type.getMetronome() != null
                    && type.getMetronome().getBeatUnit() != null
                    && type.getMetronome().getPerMinute() != null
                    && !hasMusic) {
                Fraction beat = NoteTypes.length(
                        type.getMetronome().getBeatUnit(),
                        type.getMetronome().getBeatUnitDot().size());
                tempo = Optional.of(
                        beat + "=" + type.getMetronome().getPerMinute().getValue());
            }
            for (Object word : type.getWordsOrSymbol()) {
                if (word instanceof FormattedTextId text && text.getValue() != null) {
                    String bare = MusicXmlReader.oneLine(text.getValue()).replace("\"", "'");
                    small = small + "\"^" + bare + "\"";
                }
            }
        }
    }

    // Notes

    /** The first voice of the first staff, and no small notes for cues. */
    private boolean isRead(Note note) {
        String of = note.getVoice() == null ? "1" : note.getVoice();
        boolean isFirstStaff = note.getStaff() == null || note.getStaff().intValue() == 1;
        if (note.getCue() != null || !isFirstStaff) {
            return false;
        }
        voice = voice.or(() -> Optional.of(of));
        if (!voice.get().equals(of)) {
            told.add("further voices within a part are left out");
        }
        return voice.get().equals(of);
    }

    private boolean isOurs(Forward forward) {
        boolean isNamed = forward.getVoice() != null && voice.isPresent();
        return forward.getDuration() != null && isNamed && forward.getVoice().equals(voice.get());
    }

    /** Writes the note or chord at a place; returns the place of its last note. */
    private int notes(List<Object> content, int at) {
        Note first = (Note) content.get(at);
        int last = at;
        List<Note> all = new ArrayList<>(List.of(first));
        while (last + 1 < content.size() && content.get(last + 1) instanceof Note more && more.getChord() != null) {
            all.add(more);
            last++;
        }
        if (first.getGrace() != null) {
            grace(first, all);
            return last;
        }
        hasMusic = true;
        Fraction played = first.getDuration() == null
                ? UNIT
                : fraction(first.getDuration()).dividedBy(divisions).dividedBy(4);
        tuplet(content, at, first);
        music.append(small);
        small = "";
        Marks marks = new Marks(first);
        music.append(marks.before);
        String length = AbcNotes.length(notated(first, played).dividedBy(UNIT));
        List<String> letters = all.stream()
                .filter(note -> note.getPitch() != null)
                .map(this::letter)
                .toList();
        String text =
                letters.isEmpty() ? "z" : letters.size() == 1 ? letters.get(0) : "[" + String.join("", letters) + "]";
        music.append(text).append(length).append(marks.after);
        // Notes with flags are written close, so that they may be beamed.
        boolean hasFlags = notated(first, played).isLessThan(Fraction.of(1, 4)) && !letters.isEmpty();
        music.append(hasFlags ? "" : " ");
        if (!letters.isEmpty()) {
            sing(first);
        }
        return last;
    }

    private void grace(Note first, List<Note> all) {
        boolean isSlashed = first.getGrace().getSlash() == org.audiveris.proxymusic.YesNo.YES;
        StringBuilder letters = new StringBuilder();
        all.stream().filter(note -> note.getPitch() != null).map(this::letter).forEach(letters::append);
        small = small.endsWith("}")
                ? small.substring(0, small.length() - 1) + letters + "}"
                : small + "{" + (isSlashed ? "/" : "") + letters + "}";
    }

    private static Fraction notated(Note note, Fraction played) {
        if (note.getTimeModification() == null) {
            return played;
        }
        return played.times(Fraction.of(
                note.getTimeModification().getActualNotes().longValue(),
                note.getTimeModification().getNormalNotes().longValue()));
    }

    /** Opens a tuplet where one starts: with its ratio, and the count of notes up to its end. */
    private void tuplet(List<Object> content, int at, Note first) {
        if (first.getTimeModification() == null || !hasTuplet(first, StartStop.START)) {
            return;
        }
        int count = 0;
        for (int i = at; i < content.size(); i++) {
            if (content.get(i) instanceof Note note && note.getChord() == null && note.getGrace() == null) {
                count++;
                if (hasTuplet(note, StartStop.STOP)) {
                    break;
                }
            }
        }
        music.append('(')
                .append(first.getTimeModification().getActualNotes())
                .append(':')
                .append(first.getTimeModification().getNormalNotes())
                .append(':')
                .append(count);
    }

    private static boolean hasTuplet(Note note, StartStop type) {
        return note.getNotations().stream()
                .flatMap(notations -> notations.getTiedOrSlurOrTuplet().stream())
                .anyMatch(each -> each instanceof org.audiveris.proxymusic.Tuplet tuplet && tuplet.getType() == type);
    }

    private String letter(Note note) {
        org.audiveris.proxymusic.Pitch pitch = note.getPitch();
        int alter = pitch.getAlter() == null
                ? 0
                : Math.max(
                        -2,
                        Math.min(
                                2,
                                pitch.getAlter()
                                        .setScale(0, java.math.RoundingMode.HALF_DOWN)
                                        .intValue()));
        WrittenPitch written = WrittenPitch.of(
                Step.valueOf(pitch.getStep().name()), alter, Math.max(-1, Math.min(10, pitch.getOctave())));
        // In ABC a sign holds for its letter in every octave of the bar.
        int step = written.step().ordinal();
        int now = said.getOrDefault(step, inForce.alterOf(written.step()));
        if (now == alter) {
            return AbcNotes.letter(written);
        }
        said.put(step, alter);
        return AbcNotes.sign(alter) + AbcNotes.letter(written);
    }

    private void sing(Note note) {
        Optional<Lyric> lyric = note.getLyric().stream().findFirst();
        boolean goesOn = lyric.stream()
                .flatMap(each -> each.getElisionAndSyllabicAndText().stream())
                .anyMatch(each -> each == Syllabic.BEGIN || each == Syllabic.MIDDLE);
        String syllable = lyric.stream()
                .flatMap(each -> each.getElisionAndSyllabicAndText().stream())
                .filter(TextElementData.class::isInstance)
                .map(each -> String.valueOf(((TextElementData) each).getValue()))
                .findFirst()
                .map(text ->
                        MusicXmlReader.oneLine(text).replace(" ", "~").replaceFirst("-$", "") + (goesOn ? "-" : ""))
                .orElse("");
        hasWords |= !syllable.isEmpty();
        words.add(syllable.isEmpty() ? "*" : syllable);
    }

    /** Signs before and after a note. */
    private static final class Marks {
        private String before = "";
        private String after = "";

        Marks(Note note) {
            for (Notations notations : note.getNotations()) {
                notations.getTiedOrSlurOrTuplet().forEach(this::add);
            }
            boolean isTied = note.getTie().stream().anyMatch(tie -> tie.getType() == StartStop.START);
            after += isTied ? "-" : "";
        }

        private void add(Object each) {
            if (each instanceof Slur slur && slur.getType() == StartStopContinue.START) {
                before += "(";
            } else if (each instanceof Slur slur && slur.getType() == StartStopContinue.STOP) {
                after += ")";
            } else if (each instanceof Fermata) {
                before += "!fermata!";
            } else if (each instanceof Ornaments ornaments) {
                ornaments.getTrillMarkOrTurnOrDelayedTurn().forEach(this::sign);
            } else if (each instanceof Articulations articulations) {
                articulations.getAccentOrStrongAccentOrStaccato().forEach(this::sign);
            } else if (each instanceof Technical technical) {
                technical.getUpBowOrDownBowOrHarmonic().forEach(this::sign);
            }
        }

        private void sign(JAXBElement<?> element) {
            before += SIGNS.getOrDefault(element.getName().getLocalPart(), "");
        }
    }

    private static Fraction fraction(BigDecimal number) {
        return Fraction.parse(number.stripTrailingZeros().toPlainString());
    }

    String metre() {
        return metre;
    }

    String key() {
        return key;
    }

    Optional<String> tempo() {
        return tempo;
    }

    String music() {
        return music.toString();
    }

    List<String> told() {
        return told;
    }
}
