package wildflourish.core.tune;

import java.util.Optional;

/**
 * What a teacher has decided about the phrases at a bar.
 *
 * @param begins whether a phrase begins with this bar; otherwise the phrase before goes on through it
 * @param name the teacher's name for the phrase that begins; empty where the usual one will do
 */
public record PhraseMark(boolean begins, Optional<String> name) {
    public static final PhraseMark BEGINS = new PhraseMark(true, Optional.empty());
    public static final PhraseMark GOES_ON = new PhraseMark(false, Optional.empty());

    public PhraseMark {
        name = name.map(String::strip).filter(words -> !words.isEmpty());
        if (!begins && name.isPresent()) {
            throw new IllegalArgumentException("a phrase that only goes on has no name here: " + name.get());
        }
    }

    public static PhraseMark named(String name) {
        return new PhraseMark(true, Optional.of(name));
    }
}
