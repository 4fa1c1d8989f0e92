package wildflourish.files.abc;

import java.util.Optional;
import java.util.regex.Matcher;
import wildflourish.core.music.Key;

/** Reads the lines of a tune below its key: music of the voice that is taught, and the fields between and within it. */
final class BodyReader {
    private final TuneReader tune;
    private final Source source;
    private final HeaderReader header;
    private final VoiceChoice voices;
    private final TuneBuilder builder;
    private final MusicReader music;
    private int verse;
    /** Words to be set under the last line of music, as far as they are read. */
    private Optional<String> sung = Optional.empty();

    BodyReader(TuneReader tune, Source source, HeaderReader header, TuneBuilder builder) {
        this.tune = tune;
        this.source = source;
        this.header = header;
        this.voices = header.voices();
        this.builder = builder;
        this.music = new MusicReader(source, builder, header.userSymbols(), this::field);
    }

    void read() {
        voices.begin();
        boolean continues = false;
        Blocks blocks = new Blocks(source.text());
        int next = header.bodyStart();
        for (int start : source.lineStarts()) {
            if (start >= next && start < source.text().length()) {
                next = blocks.endOf(start);
                continues = readLine(start, continues);
            }
        }
        sing();
        if (voices.isChosenMissing()) {
            source.warn(
                    "voice-missing",
                    0,
                    "the voice that was chosen is not in this tune",
                    "Choose one of its voices, or take out the line " + VoiceChoice.DIRECTIVE + ".");
        }
    }

    /** Returns whether the line of music goes on in the next line. */
    private boolean readLine(int start, boolean continues) {
        String line = source.text().substring(start, source.lineEnd(start));
        if (line.startsWith("%") || line.isBlank()) {
            return continues;
        }
        String bare = HeaderReader.withoutComment(line);
        Matcher field = HeaderReader.FIELD.matcher(bare);
        if (field.matches()) {
            field(field.group(1).charAt(0), field.group(2).trim(), start);
            return continues;
        }
        sing();
        if (!bare.startsWith("[V:")) {
            voices.unnamed();
        }
        if (!continues) {
            if (!voices.isOther()) {
                builder.beginLine();
            }
            verse = 0;
        }
        music.read(start, start + bare.length(), !voices.isOther());
        return bare.endsWith("\\");
    }

    /** Takes a field; returns whether the music after it is of the voice that is read. */
    private boolean field(char name, String value, int offset) {
        if (name == 'V') {
            changeVoice(value, offset);
        } else if (!voices.isOther()) {
            own(name, value, offset);
        }
        return !voices.isOther();
    }

    private void own(char name, String value, int offset) {
        if (name == '+') {
            continueLast(value);
            return;
        }
        sing();
        switch (name) {
            case 'K' -> changeKey(value, offset);
            case 'M' -> tune.told(Fields.metre(value), 'M', value, offset).ifPresent(builder::setMetre);
            case 'L' -> tune.told(Fields.unitLength(value), 'L', value, offset).ifPresent(builder::setUnitLength);
            case 'P' -> builder.setPart(value.trim());
            case 'Q' -> tune.changeTempo(value, offset);
            case 'w' -> sung = Optional.of(value);
            case 'W' -> header.words().add(value);
            case 'T' -> header.titles().add(value);
            case 'U' -> header.userSymbol(value);
            case 'r' -> PhraseText.parse(value).ifPresent(builder::setPhrase);
            default -> {
                // N, R, I and the rest change nothing that is taught here; they stay in the text.
            }
        }
    }

    private void continueLast(String value) {
        int last = header.words().size() - 1;
        if (sung.isPresent()) {
            sung = sung.map(words -> words + " " + value);
        } else if (last >= 0) {
            header.words().set(last, header.words().get(last) + " " + value);
        }
    }

    /** Sets the words that were read last, with all that continued them. */
    private void sing() {
        sung.ifPresent(words -> Lyrics.set(builder, words, verse++));
        sung = Optional.empty();
    }

    private void changeKey(String value, int offset) {
        StaffWords before = tune.staff();
        Optional<Key> key = tune.key(value, offset);
        if (key.isPresent()) {
            builder.setKey(key.get(), tune.staff(), offset);
        } else if (!tune.staff().equals(before)) {
            builder.onStaff(tune.staff(), offset);
        }
    }

    private void changeVoice(String value, int offset) {
        sing();
        voices.change(value);
        if (voices.isOther()) {
            source.noteOnce(
                    "voice-kept",
                    offset,
                    "further voices are kept but not shown",
                    "Choose another voice in the window if one of them is the tune; all are saved with the book.");
        } else if (value.contains("=") || value.contains(" ")) {
            tune.onStaff(voices.staff(), offset);
        }
    }
}
