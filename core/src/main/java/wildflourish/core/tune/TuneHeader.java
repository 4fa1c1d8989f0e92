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
 */
public record TuneHeader(
        int number,
        List<String> titles,
        Credits credits,
        TuneType type,
        Time time,
        Key key,
        Optional<Tempo> tempo,
        List<String> words) {
    /** Who made it and where it was had from. */
    public record Credits(Optional<String> composer, Optional<String> source) {}

    /** Metre and the length in whole notes that the text's numbers count by. */
    public record Time(Metre metre, Fraction unitLength) {}

    public TuneHeader {
        titles = List.copyOf(titles);
        words = List.copyOf(words);
    }

    public String title() {
        return titles.isEmpty() ? "Untitled tune " + number : titles.get(0);
    }

    /** The title, with the source where the tune states one: several forms of a tune are told apart by it. */
    public String nameInBook() {
        return title() + credits.source().map(source -> " · " + source).orElse("");
    }

    public Metre metre() {
        return time.metre();
    }
}
