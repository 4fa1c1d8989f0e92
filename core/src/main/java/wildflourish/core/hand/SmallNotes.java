package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.instrument.Family;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.tune.Note;

/** The small notes of what a hand makes, as they are written. */
public final class SmallNotes {
    private SmallNotes() {}

    /** A cut by custom as the note of its finger, in the key, and so are all small notes of nine-note pipes; empty for silence. */
    public static Optional<WrittenPitch> written(Scene scene, Made.Small small, Note note) {
        int bar = scene.tune().placeOf(note.id()).bar();
        boolean isCustom =
                small.role() == Made.Role.CUT || scene.playing().instrument().family() == Family.NINE_NOTE_PIPES;
        return small.sound().voices().stream()
                .findFirst()
                .flatMap(Voice::written)
                .map(pitch -> isCustom ? pitch.withAlter(scene.tune().keyAt(bar).alterOf(pitch.step())) : pitch);
    }

    /** All that sounds on a note before it comes to its last part: small notes, and the parts between them. */
    public static List<WrittenPitch> beforeTheLast(Scene scene, Made made, Note note) {
        List<WrittenPitch> before = new ArrayList<>();
        List<Made.Part> parts = made.parts();
        for (int i = 0; i < parts.size(); i++) {
            parts.get(i).smalls().forEach(small -> written(scene, small, note).ifPresent(before::add));
            if (i + 1 < parts.size()) {
                parts.get(i).landing().voices().stream()
                        .findFirst()
                        .flatMap(Voice::written)
                        .ifPresent(before::add);
            }
        }
        return before;
    }
}
