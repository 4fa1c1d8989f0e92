package wildflourish.files.abc;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import wildflourish.core.line.AddedBars;
import wildflourish.core.music.Fraction;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.PlayOrder;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Version;

/**
 * A version with its ornaments as notes and small notes, as any reader of the lesson file sees it.
 *
 * @param tune the notes as they are played; the heading is the plain tune's
 * @param originals for each of its notes the note of the plain tune in whose time it begins
 */
public record WrittenOut(Tune tune, Map<NoteId, NoteId> originals) {
    public WrittenOut {
        originals = Map.copyOf(originals);
    }

    public static WrittenOut of(Tune plain, Version version) {
        Tune read = TuneText.read(BookWriter.writeVersion(plain, version)).value();
        Tune written = new Tune(plain.header(), read.bars(), read.tuplets(), read.manuscript());
        Map<NoteId, NoteId> originals = new HashMap<>();
        List<PlayOrder.Played> plainOrder = PlayOrder.of(plain);
        List<PlayOrder.Played> order = PlayOrder.of(written);
        int added = barsBefore(plain, version);
        for (int i = 0; i < Math.min(plainOrder.size(), order.size() - added); i++) {
            match(
                    plain.bars().get(plainOrder.get(i).bar()).notes(),
                    written.bars().get(order.get(i + added).bar()).notes(),
                    originals);
        }
        return new WrittenOut(written, originals);
    }

    /** How many bars the version adds before the tune. */
    private static int barsBefore(Tune plain, Version version) {
        List<Bar> bars = AddedBars.of(plain, version).bars();
        int added = 0;
        while (added < bars.size() && bars.get(added).isAdded()) {
            added++;
        }
        return added;
    }

    private static void match(List<Note> plain, List<Note> written, Map<NoteId, NoteId> originals) {
        Fraction at = Fraction.ZERO;
        int index = 0;
        Fraction end = plain.isEmpty() ? Fraction.ZERO : plain.get(0).played();
        for (Note note : written) {
            while (index + 1 < plain.size() && !at.isLessThan(end)) {
                index++;
                end = end.plus(plain.get(index).played());
            }
            if (!plain.isEmpty()) {
                originals.put(note.id(), plain.get(index).id());
            }
            at = at.plus(note.played());
        }
    }
}
