package wildflourish.files.musicxml;

import java.io.ByteArrayOutputStream;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.audiveris.proxymusic.Attributes;
import org.audiveris.proxymusic.BackwardForward;
import org.audiveris.proxymusic.BarStyle;
import org.audiveris.proxymusic.BarStyleColor;
import org.audiveris.proxymusic.Barline;
import org.audiveris.proxymusic.Direction;
import org.audiveris.proxymusic.DirectionType;
import org.audiveris.proxymusic.Empty;
import org.audiveris.proxymusic.EmptyPlacement;
import org.audiveris.proxymusic.Ending;
import org.audiveris.proxymusic.Grace;
import org.audiveris.proxymusic.Identification;
import org.audiveris.proxymusic.Lyric;
import org.audiveris.proxymusic.Metronome;
import org.audiveris.proxymusic.Note;
import org.audiveris.proxymusic.NoteType;
import org.audiveris.proxymusic.ObjectFactory;
import org.audiveris.proxymusic.PartList;
import org.audiveris.proxymusic.PartName;
import org.audiveris.proxymusic.PerMinute;
import org.audiveris.proxymusic.Pitch;
import org.audiveris.proxymusic.Repeat;
import org.audiveris.proxymusic.Rest;
import org.audiveris.proxymusic.RightLeftMiddle;
import org.audiveris.proxymusic.ScorePart;
import org.audiveris.proxymusic.ScorePartwise;
import org.audiveris.proxymusic.Sound;
import org.audiveris.proxymusic.StartStop;
import org.audiveris.proxymusic.StartStopDiscontinue;
import org.audiveris.proxymusic.Step;
import org.audiveris.proxymusic.Syllabic;
import org.audiveris.proxymusic.TextElementData;
import org.audiveris.proxymusic.Tie;
import org.audiveris.proxymusic.Time;
import org.audiveris.proxymusic.TimeModification;
import org.audiveris.proxymusic.TimeSymbol;
import org.audiveris.proxymusic.TypedText;
import org.audiveris.proxymusic.YesNo;
import org.audiveris.proxymusic.util.Marshalling;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Key;
import wildflourish.core.music.Metre;
import wildflourish.core.music.Tempo;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.Tuplet;
import wildflourish.core.version.Version;
import wildflourish.files.abc.WrittenOut;

/** Writes a version as a MusicXML 4.0 score of one part: small notes, decorations, ties, tuplets, repeats, chord symbols, words, and how the hand plays it. */
public final class MusicXmlWriter {
    private static final ObjectFactory MAKE = new ObjectFactory();
    private static final String MXL_VERSION = "4.0";

    private final Tune tune;
    private final Tempo tempo;
    private final Handed handed;
    /** Divisions of a crotchet, so that every length is a whole number of them. */
    private final long divisions;

    private final Map<NoteId, Tuplet> tupletStarts = new HashMap<>();
    private final Map<NoteId, Tuplet> tupletEnds = new HashMap<>();
    private final Map<NoteId, Tuplet> tuplets = new HashMap<>();
    private int openSlurs;
    private boolean isTied;

    private MusicXmlWriter(Tune tune, Tempo tempo, Handed handed) {
        this.tune = tune;
        this.tempo = tempo;
        this.handed = handed;
        this.divisions = divisions(tune);
        for (Tuplet tuplet : tune.tuplets()) {
            tupletStarts.put(tuplet.first(), tuplet);
            tupletEnds.put(tuplet.last(), tuplet);
            tune.between(tuplet.first(), tuplet.last()).forEach(note -> tuplets.put(note.id(), tuplet));
        }
    }

    /** A version with its ornaments as notes, small notes and signs. */
    public static byte[] write(Tune tune, Version version) {
        WrittenOut written = WrittenOut.of(tune, version);
        Handed handed = Handed.of(tune, version, written.originals());
        return new MusicXmlWriter(written.tune(), version.playing().tempo(), handed).write();
    }

    private byte[] write() {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try {
            Marshalling.marshal(score(), bytes, false, 2);
        } catch (Marshalling.MarshallingException e) {
            throw new IllegalStateException("a score was put together wrongly", e);
        }
        // The library writes its own version number where the format's belongs.
        return bytes.toString(StandardCharsets.UTF_8)
                .replaceFirst("(<score-partwise[^>]*?version=\")[^\"]*\"", "$1" + MXL_VERSION + "\"")
                .getBytes(StandardCharsets.UTF_8);
    }

    private static long divisions(Tune tune) {
        long common = 1;
        for (var note : tune.notes()) {
            long denominator = note.played().times(4).denominator();
            common = common / gcd(common, denominator) * denominator;
        }
        return common;
    }

    private static long gcd(long a, long b) {
        return b == 0 ? a : gcd(b, a % b);
    }

    private ScorePartwise score() {
        ScorePartwise score = MAKE.createScorePartwise();
        score.setMovementTitle(tune.title());
        Identification identification = MAKE.createIdentification();
        tune.header().credits().composer().ifPresent(name -> {
            TypedText composer = MAKE.createTypedText();
            composer.setType("composer");
            composer.setValue(name);
            identification.getCreator().add(composer);
        });
        tune.header().credits().source().ifPresent(identification::setSource);
        score.setIdentification(identification);
        PartList parts = MAKE.createPartList();
        ScorePart part = MAKE.createScorePart();
        part.setId("P1");
        PartName name = MAKE.createPartName();
        name.setValue(handed.instrument());
        part.setPartName(name);
        parts.getPartGroupOrScorePart().add(part);
        score.setPartList(parts);
        ScorePartwise.Part music = MAKE.createScorePartwisePart();
        music.setId(part);
        for (int bar = 0; bar < tune.bars().size(); bar++) {
            music.getMeasure().add(measure(bar));
        }
        score.getPart().add(music);
        return score;
    }

    // Bars

    private ScorePartwise.Part.Measure measure(int number) {
        Bar bar = tune.bars().get(number);
        ScorePartwise.Part.Measure measure = MAKE.createScorePartwisePartMeasure();
        boolean isPickup = tune.form().isPickup(number);
        measure.setNumber(
                isPickup ? "X" + (number + 1) : String.valueOf(tune.form().countedNumber(number)));
        if (isPickup) {
            measure.setImplicit(YesNo.YES);
        }
        List<Object> content = measure.getNoteOrBackupOrForward();
        left(bar).ifPresent(content::add);
        attributes(number).ifPresent(content::add);
        if (number == 0) {
            content.add(tempo());
        }
        Map<Integer, Integer> said = new HashMap<>();
        for (var note : bar.notes()) {
            note.marks()
                    .chordSymbol()
                    .ifPresent(symbol -> content.add(
                            ChordSymbols.harmony(symbol).map(Object.class::cast).orElseGet(() -> words(symbol))));
            note.marks().annotations().forEach(each -> content.add(words(each)));
            content.addAll(smallNotes(note));
            content.addAll(notes(note, tune.keyAt(number), said));
        }
        right(number).ifPresent(content::add);
        return measure;
    }

    private Optional<Attributes> attributes(int number) {
        Bar bar = tune.bars().get(number);
        boolean isFirst = number == 0;
        if (!isFirst && bar.change().key().isEmpty() && bar.change().metre().isEmpty()) {
            return Optional.empty();
        }
        Attributes attributes = MAKE.createAttributes();
        if (isFirst) {
            attributes.setDivisions(BigDecimal.valueOf(divisions));
        }
        if (isFirst || bar.change().key().isPresent()) {
            attributes.getKey().add(key(tune.keyAt(number)));
        }
        if (isFirst || bar.change().metre().isPresent()) {
            attributes.getTime().add(time(tune.metreAt(number)));
        }
        return Optional.of(attributes);
    }

    private static org.audiveris.proxymusic.Key key(Key key) {
        org.audiveris.proxymusic.Key written = MAKE.createKey();
        if (key.extra().isEmpty() && key.hidden().isEmpty()) {
            written.setFifths(BigInteger.valueOf(key.fifths()));
            String mode = key.name().replaceFirst(".* ", "");
            if (List.of("major", "minor", "dorian", "phrygian", "lydian", "mixolydian", "aeolian", "ionian", "locrian")
                    .contains(mode)) {
                written.setMode(mode);
            }
            return written;
        }
        key.alters().forEach((step, alter) -> {
            if (alter != 0) {
                written.getNonTraditionalKey().add(Step.valueOf(step.name()));
                written.getNonTraditionalKey().add(BigDecimal.valueOf(alter));
            }
        });
        return written;
    }

    private static Time time(Metre metre) {
        Time time = MAKE.createTime();
        if (metre.isFree()) {
            time.setSenzaMisura("");
        } else {
            if (metre.look() == Metre.Look.COMMON) {
                time.setSymbol(TimeSymbol.COMMON);
            } else if (metre.look() == Metre.Look.CUT) {
                time.setSymbol(TimeSymbol.CUT);
            }
            String beats = String.join(
                    "+", metre.counts().stream().map(String::valueOf).toList());
            time.getTimeSignature().add(MAKE.createTimeBeats(beats));
            time.getTimeSignature().add(MAKE.createTimeBeatType(String.valueOf(metre.unit())));
        }
        return time;
    }

    private Direction tempo() {
        Direction direction = MAKE.createDirection();
        DirectionType type = MAKE.createDirectionType();
        Optional<NoteTypes> beat = NoteTypes.of(tempo.beatLength());
        Metronome metronome = MAKE.createMetronome();
        metronome.setBeatUnit(beat.map(NoteTypes::type).orElse("quarter"));
        for (int i = 0; i < beat.map(NoteTypes::dots).orElse(0); i++) {
            metronome.getBeatUnitDot().add(new Empty());
        }
        PerMinute beats = MAKE.createPerMinute();
        Tempo shown = beat.isPresent() ? tempo : tempo.in(Fraction.of(1, 4));
        beats.setValue(decimal(shown.beatsPerMinute()));
        metronome.setPerMinute(beats);
        type.setMetronome(metronome);
        direction.getDirectionType().add(type);
        Sound sound = MAKE.createSound();
        sound.setTempo(new BigDecimal(decimal(tempo.in(Fraction.of(1, 4)).beatsPerMinute())));
        direction.setSound(sound);
        return direction;
    }

    private static String decimal(Fraction number) {
        return BigDecimal.valueOf(Math.round(number.toDouble() * 100), 2)
                .stripTrailingZeros()
                .toPlainString();
    }

    private static Direction words(String words) {
        Direction direction = MAKE.createDirection();
        DirectionType type = MAKE.createDirectionType();
        var text = MAKE.createFormattedTextId();
        text.setValue(words);
        type.getWordsOrSymbol().add(text);
        direction.getDirectionType().add(type);
        return direction;
    }

    private Optional<Barline> left(Bar bar) {
        boolean repeats = bar.sides().left() == BarLine.REPEAT_START;
        if (!repeats && bar.ending().isEmpty()) {
            return Optional.empty();
        }
        Barline line = MAKE.createBarline();
        line.setLocation(RightLeftMiddle.LEFT);
        if (repeats) {
            line.setBarStyle(style(BarStyle.HEAVY_LIGHT));
        }
        if (!bar.ending().isEmpty()) {
            line.setEnding(ending(bar, StartStopDiscontinue.START));
        }
        if (repeats) {
            Repeat repeat = MAKE.createRepeat();
            repeat.setDirection(BackwardForward.FORWARD);
            line.setRepeat(repeat);
        }
        return Optional.of(line);
    }

    private Optional<Barline> right(int number) {
        Bar bar = tune.bars().get(number);
        Optional<Bar> opened = endingThatEndsAt(number);
        Optional<BarStyle> style = Optional.ofNullable(
                switch (bar.sides().right()) {
                    case DOUBLE -> BarStyle.LIGHT_LIGHT;
                    case DOTTED -> BarStyle.DOTTED;
                    case THIN_THICK, REPEAT_END -> BarStyle.LIGHT_HEAVY;
                    case THICK_THIN, REPEAT_START -> BarStyle.HEAVY_LIGHT;
                    case NONE -> BarStyle.NONE;
                    case SINGLE -> null;
                });
        if (style.isEmpty() && opened.isEmpty()) {
            return Optional.empty();
        }
        Barline line = MAKE.createBarline();
        line.setLocation(RightLeftMiddle.RIGHT);
        style.ifPresent(each -> line.setBarStyle(style(each)));
        opened.ifPresent(first -> line.setEnding(ending(first, StartStopDiscontinue.STOP)));
        if (bar.sides().right() == BarLine.REPEAT_END) {
            Repeat repeat = MAKE.createRepeat();
            repeat.setDirection(BackwardForward.BACKWARD);
            line.setRepeat(repeat);
        }
        return Optional.of(line);
    }

    /** The bar that opens the ending of which a bar is the last. */
    private Optional<Bar> endingThatEndsAt(int number) {
        int first = number;
        while (first >= 0 && tune.bars().get(first).ending().isEmpty()) {
            if (first < number && tune.bars().get(first).sides().right().endsPart()) {
                return Optional.empty();
            }
            first--;
        }
        if (first < 0
                || (first < number && tune.bars().get(first).sides().right().endsPart())) {
            return Optional.empty();
        }
        boolean isLast = number + 1 == tune.bars().size()
                || tune.bars().get(number).sides().right().endsPart()
                || !tune.bars().get(number + 1).ending().isEmpty();
        return isLast ? Optional.of(tune.bars().get(first)) : Optional.empty();
    }

    private static Ending ending(Bar bar, StartStopDiscontinue type) {
        Ending ending = MAKE.createEnding();
        ending.setNumber(
                String.join(",", bar.ending().stream().map(String::valueOf).toList()));
        ending.setType(type);
        return ending;
    }

    private static BarStyleColor style(BarStyle style) {
        BarStyleColor colour = MAKE.createBarStyleColor();
        colour.setValue(style);
        return colour;
    }

    // Notes

    private List<Note> smallNotes(wildflourish.core.tune.Note note) {
        List<Note> small = new ArrayList<>();
        for (WrittenPitch pitch : note.marks().graces().pitches()) {
            Note each = MAKE.createNote();
            Grace grace = MAKE.createGrace();
            grace.setSlash(note.marks().graces().slashed() ? YesNo.YES : YesNo.NO);
            each.setGrace(grace);
            each.setPitch(pitch(pitch));
            each.setVoice("1");
            each.setType(type("eighth"));
            small.add(each);
        }
        return small;
    }

    private List<Note> notes(wildflourish.core.tune.Note note, Key key, Map<Integer, Integer> said) {
        List<Note> written = new ArrayList<>();
        boolean comesTied = isTied;
        isTied = note.marks().joins().tied();
        if (note.isRest()) {
            Note rest = MAKE.createNote();
            rest.setRest(new Rest());
            written.add(timed(rest, note));
            return written;
        }
        List<WrittenPitch> pitches = new ArrayList<>(note.pitches());
        Collections.reverse(pitches);
        for (WrittenPitch pitch : pitches) {
            Note each = MAKE.createNote();
            if (!written.isEmpty()) {
                each.setChord(new Empty());
            }
            each.setPitch(pitch(pitch));
            ties(each, comesTied, isTied);
            timed(each, note);
            int inForce = said.getOrDefault(pitch.staffStep(), key.alterOf(pitch.step()));
            if (inForce != pitch.alter() && !comesTied) {
                each.setAccidental(Accidentals.of(pitch.alter()));
                said.put(pitch.staffStep(), pitch.alter());
            }
            if (written.isEmpty()) {
                marks(each, note, comesTied);
            }
            written.add(each);
        }
        return written;
    }

    private static void ties(Note each, boolean stops, boolean starts) {
        if (stops) {
            Tie stop = MAKE.createTie();
            stop.setType(StartStop.STOP);
            each.getTie().add(stop);
        }
        if (starts) {
            Tie start = MAKE.createTie();
            start.setType(StartStop.START);
            each.getTie().add(start);
        }
    }

    private Note timed(Note each, wildflourish.core.tune.Note note) {
        Fraction duration = note.played().times(4).times(divisions);
        each.setDuration(BigDecimal.valueOf(duration.numerator()));
        each.setVoice("1");
        NoteTypes.of(note.duration().notated()).ifPresent(types -> {
            each.setType(type(types.type()));
            for (int i = 0; i < types.dots(); i++) {
                each.getDot().add(new EmptyPlacement());
            }
        });
        Optional.ofNullable(tuplets.get(note.id())).ifPresent(tuplet -> {
            TimeModification modification = MAKE.createTimeModification();
            modification.setActualNotes(BigInteger.valueOf(tuplet.actual()));
            modification.setNormalNotes(BigInteger.valueOf(tuplet.inTimeOf()));
            each.setTimeModification(modification);
        });
        return each;
    }

    private void marks(Note each, wildflourish.core.tune.Note note, boolean comesTied) {
        NoteMarks marks = new NoteMarks();
        marks.tie(comesTied, note.marks().joins().tied());
        for (int i = 0; i < note.marks().joins().slursOpen(); i++) {
            marks.slur(true, ++openSlurs);
        }
        for (int i = 0; i < note.marks().joins().slursClose() && openSlurs > 0; i++) {
            marks.slur(false, openSlurs--);
        }
        if (tupletStarts.containsKey(note.id())) {
            marks.tuplet(true);
        }
        if (tupletEnds.containsKey(note.id())) {
            marks.tuplet(false);
        }
        note.marks().decorations().forEach(marks::decoration);
        handed.at(note.id()).ifPresent(marks::technical);
        marks.notations().ifPresent(each.getNotations()::add);
        for (int verse = 0; verse < note.marks().syllables().size(); verse++) {
            String syllable = note.marks().syllables().get(verse);
            if (!syllable.isBlank() && !syllable.equals("_")) {
                each.getLyric().add(lyric(syllable, verse));
            }
        }
    }

    private static Lyric lyric(String syllable, int verse) {
        Lyric lyric = MAKE.createLyric();
        lyric.setNumber(String.valueOf(verse + 1));
        TextElementData text = MAKE.createTextElementData();
        boolean goesOn = syllable.endsWith("-") && syllable.length() > 1;
        lyric.getElisionAndSyllabicAndText().add(goesOn ? Syllabic.BEGIN : Syllabic.SINGLE);
        text.setValue(goesOn ? syllable.substring(0, syllable.length() - 1) : syllable);
        lyric.getElisionAndSyllabicAndText().add(text);
        return lyric;
    }

    private static Pitch pitch(WrittenPitch pitch) {
        Pitch written = MAKE.createPitch();
        written.setStep(Step.valueOf(pitch.step().name()));
        if (pitch.alter() != 0) {
            written.setAlter(BigDecimal.valueOf(pitch.alter()));
        }
        written.setOctave(pitch.octave());
        return written;
    }

    private static NoteType type(String word) {
        NoteType type = MAKE.createNoteType();
        type.setValue(word);
        return type;
    }
}
