package wildflourish.files.abc;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wildflourish.core.tune.Manuscript;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.PhraseMark;
import wildflourish.core.tune.Tune;

/**
 * Phrases decided by hand, kept in the music as remarks that other readers skip: {@code [r:flourish phrase]}, {@code [r:flourish phrase Call]},
 * {@code [r:flourish no phrase]}. Source: the ABC music standard 2.1, section 3.1.17, the field r: may stand in the line.
 */
final class PhraseText {
    private static final Pattern WORDS = Pattern.compile("flourish (no )?phrase(?: (.*))?");
    private static final Pattern REMARK = Pattern.compile("\\[r:flourish [^\\]]*\\]");

    private PhraseText() {}

    /** What a remark says of phrases; empty for any other remark. */
    static Optional<PhraseMark> parse(String remark) {
        Matcher match = WORDS.matcher(remark.strip());
        if (!match.matches()) {
            return Optional.empty();
        }
        return Optional.of(
                match.group(1) != null
                        ? PhraseMark.GOES_ON
                        : new PhraseMark(true, Optional.ofNullable(match.group(2))));
    }

    private static String remark(PhraseMark mark) {
        String name = mark.name()
                .map(words -> " " + words.replaceAll("[\\]\\[%\\s]+", " "))
                .orElse("");
        return "[r:flourish " + (mark.begins() ? "phrase" : "no phrase") + name + "]";
    }

    /** The tune's text with a mark at a bar, in place of any that is there; without one where the mark is empty. The bar has notes. */
    static String marked(Tune tune, int bar, Optional<PhraseMark> mark) {
        String text = tune.manuscript().text();
        Note first = tune.bars().get(bar).notes().get(0);
        int to = tune.manuscript().at(first.id()).start();
        int from = tune.neighbour(first.id(), -1)
                .map(note -> tune.manuscript().at(note.id()).end())
                .orElse(tune.manuscript().bodyStart());
        Manuscript.Stretch last = tune.manuscript()
                .at(tune.bars()
                        .get(bar)
                        .notes()
                        .get(tune.bars().get(bar).notes().size() - 1)
                        .id());
        String within = REMARK.matcher(text.substring(to, last.end())).replaceAll("");
        String gap = REMARK.matcher(text.substring(from, to)).replaceAll("");
        int at = gap.length() - Gap.of(gap).head().length();
        String words = mark.map(PhraseText::remark).orElse("");
        return text.substring(0, from)
                + gap.substring(0, at)
                + words
                + gap.substring(at)
                + within
                + text.substring(last.end());
    }
}
