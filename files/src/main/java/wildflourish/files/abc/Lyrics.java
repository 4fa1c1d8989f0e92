package wildflourish.files.abc;

import java.util.List;
import wildflourish.core.tune.NoteId;

/** Sets a line of words under the notes of the music line before it (ABC 2.1 §5.1). */
final class Lyrics {
    private final TuneBuilder tune;
    private final List<NoteId> notes;
    private final int verse;
    private int next;

    private Lyrics(TuneBuilder tune, int verse) {
        this.tune = tune;
        this.notes = tune.line();
        this.verse = verse;
    }

    static void set(TuneBuilder tune, String words, int verse) {
        new Lyrics(tune, verse).read(words.trim());
    }

    private void read(String words) {
        StringBuilder syllable = new StringBuilder();
        for (int i = 0; i < words.length(); i++) {
            char sign = words.charAt(i);
            if (sign == '\\' && i + 1 < words.length() && words.charAt(i + 1) == '-') {
                syllable.append('-');
                i++;
            } else if (sign == '~') {
                syllable.append(' ');
            } else if (" -_*|".indexOf(sign) >= 0) {
                sign(sign, syllable);
            } else {
                syllable.append(sign);
            }
        }
        flush(syllable, "");
    }

    private void sign(char sign, StringBuilder syllable) {
        boolean hadSyllable = !syllable.isEmpty();
        flush(syllable, sign == '-' ? "-" : "");
        switch (sign) {
            case '_' -> put("_");
            case '*' -> next++;
            case '|' -> toNextBar();
            case '-' -> {
                if (!hadSyllable) {
                    put("-");
                }
            }
            default -> {
                // A space has done its work by ending the syllable.
            }
        }
    }

    private void flush(StringBuilder syllable, String tail) {
        if (!syllable.isEmpty()) {
            put(syllable + tail);
            syllable.setLength(0);
        }
    }

    private void put(String syllable) {
        if (next < notes.size()) {
            tune.addSyllable(notes.get(next), verse, syllable);
        }
        next++;
    }

    private void toNextBar() {
        if (next == 0 || next > notes.size()) {
            return;
        }
        int bar = tune.barOf(notes.get(next - 1));
        while (next < notes.size() && tune.barOf(notes.get(next)) == bar) {
            next++;
        }
    }
}
