package wildflourish.files.abc;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.tune.TuneHeader;

/**
 * Which of the voices of a text is read: the one the teacher has chosen, else the first one the text names. Music before any voice is named belongs to the first
 * voice of the heading, else to voice 1.
 */
final class VoiceChoice {
    /** Names the voice that is taught, in the heading of a tune. */
    static final String DIRECTIVE = Directives.MARK + "voice";

    private static final String UNNAMED = "1";

    private final List<String> ids = new ArrayList<>();
    private final Map<String, StaffWords> staves = new HashMap<>();
    private Optional<String> taught = Optional.empty();
    private boolean isOther;

    /** The teacher's choice. */
    void choose(String id) {
        taught = Optional.of(id).filter(word -> !word.isEmpty());
    }

    /** A voice is named, with what is said of its staff. */
    private String named(String words) {
        String[] parts = words.trim().split("\\s+", 2);
        String id = parts[0].isEmpty() ? UNNAMED : parts[0];
        if (!ids.contains(id)) {
            ids.add(id);
        }
        if (parts.length > 1) {
            staves.merge(id, StaffWords.of(parts[1]), StaffWords::with);
        }
        return id;
    }

    /** The heading names a voice. */
    void declare(String words) {
        String id = named(words);
        taught = taught.or(() -> Optional.of(id));
    }

    /** The body goes on in a voice. */
    void change(String words) {
        String id = named(words);
        taught = taught.or(() -> Optional.of(id));
        isOther = !taught.equals(Optional.of(id));
    }

    /** The body begins, in no named voice yet. */
    void begin() {
        isOther = taught.isPresent() && !taught.get().equals(ids.isEmpty() ? UNNAMED : ids.get(0));
    }

    /** Music stands where no voice is named yet. */
    void unnamed() {
        if (ids.isEmpty()) {
            change(UNNAMED);
        }
    }

    /** Whether what is read now belongs to a voice that is not taught. */
    boolean isOther() {
        return isOther;
    }

    /** What is said of the staff of the voice that is taught. */
    StaffWords staff() {
        return taught.map(id -> staves.getOrDefault(id, StaffWords.NONE)).orElse(StaffWords.NONE);
    }

    TuneHeader.Voices voices() {
        return ids.size() > 1 ? new TuneHeader.Voices(ids, taught.orElse(ids.get(0))) : TuneHeader.Voices.ONE;
    }

    /** Whether the teacher has chosen a voice that the text does not have. */
    boolean isChosenMissing() {
        return taught.isPresent() && !ids.isEmpty() && !ids.contains(taught.get());
    }
}
