package wildflourish.core.tune;

import java.util.List;
import java.util.Optional;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Key;
import wildflourish.core.music.Metre;
import wildflourish.core.music.Tempo;

/**
 * What stands above the notes.
 *
 * @param number the tune's number in its book (the ABC field X)
 * @param titles the first is the tune's name
 * @param credits composer and source, as the tune states them
 * @param type the kind of tune, from its stated rhythm or else its metre
 * @param tempo the tempo the tune states itself
 * @param words verses to print below the tune
 * @param order names of the parts in the order in which they are played, repeats within them apart; empty where it is the order of the page
 * @param voices those of the text, where it has several
 */
public record TuneHeader(
        int number,
        List<String> titles,
        Credits credits,
        TuneType type,
        Time time,
        Key key,
        Optional<Tempo> tempo,
        List<String> words,
        List<String> order,
        Voices voices) {
    /** One voice, played as it stands. */
    public TuneHeader(
            int number,
            List<String> titles,
            Credits credits,
            TuneType type,
            Time time,
            Key key,
            Optional<Tempo> tempo,
            List<String> words) {
        this(number, titles, credits, type, time, key, tempo, words, List.of(), Voices.ONE);
    }

    /** Who made it and where it was had from. */
    public record Credits(Optional<String> composer, Optional<String> source) {}

    /** Metre and the length in whole notes that the text's numbers count by. */
    public record Time(Metre metre, Fraction unitLength) {}

    /**
     * The voices of a text of several.
     *
     * @param ids as the text names them, the first one first
     * @param taught the one that is the tune here; the others are kept in the text
     */
    public record Voices(List<String> ids, String taught) {
        public static final Voices ONE = new Voices(List.of(), "");

        public Voices {
            ids = List.copyOf(ids);
        }

        public boolean areSeveral() {
            return ids.size() > 1;
        }
    }

    public TuneHeader {
        order = List.copyOf(order);
        titles = List.copyOf(titles);
        words = List.copyOf(words);
    }

    /** The same with its parts played in another order; in that of the page where none is named. */
    public TuneHeader inOrder(List<String> names) {
        return new TuneHeader(number, titles, credits, type, time, key, tempo, words, names, voices);
    }

    public String title() {
        return titles.isEmpty() ? "Untitled tune " + number : titles.get(0);
    }

    /** The title, with the source where the tune states one: several forms of a tune are told apart by it. */
    public String nameInBook() {
        return title() + credits.source().map(source -> " · " + source).orElse("");
    }

    /** The tempo it states, in beats of its kind, or else the slow end of a session's for its kind. */
    public Tempo usualTempo() {
        return tempo.map(stated -> stated.in(type.beatLength())).orElseGet(type::session);
    }

    public Metre metre() {
        return time.metre();
    }
}
