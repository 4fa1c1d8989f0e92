package wildflourish.core.growing;

import java.util.List;
import java.util.Optional;
import wildflourish.core.form.Phrase;
import wildflourish.core.form.Phrasing;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Part;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Wish;

/**
 * Where a pin asks for something that is for more than its note.
 *
 * @param name of the place: {@code bar 3}, {@code phrase A2}, {@code part A}
 */
public record Asking(String name, int firstBar, int lastBar) {
    /** The place of a wide pin. */
    public static Asking of(Tune tune, Wish.Pin pin) {
        int bar = tune.placeOf(pin.note()).bar();
        return switch (pin.kind()) {
            case PHRASE -> of(Phrasing.of(tune).at(bar));
            case PART -> of(tune.form().partAt(bar));
            case LEAST, NEVER, SOMETHING -> new Asking("bar " + tune.form().countedNumber(bar), bar, bar);
        };
    }

    private static Asking of(Phrase phrase) {
        return new Asking("phrase " + phrase.name(), phrase.firstBar(), phrase.lastBar());
    }

    private static Asking of(Part part) {
        return new Asking("part " + part.name(), part.firstBar(), part.lastBar());
    }

    /**
     * A pin for the phrase or the part of a note, on the first note there, so that it is the same from wherever it is asked.
     *
     * @param reach {@link Wish.Pin.Kind#PHRASE} or {@link Wish.Pin.Kind#PART}
     * @param kind what is asked for; empty for any ornament
     */
    public static Wish.Pin pin(Tune tune, Wish.Pin.Kind reach, NoteId note, Optional<Ornament.Kind> kind, int count) {
        Asking place = of(tune, Wish.Pin.among(reach, note, kind, count));
        NoteId first = tune.bars().subList(place.firstBar, place.lastBar + 1).stream()
                .flatMap(bar -> bar.notes().stream())
                .findFirst()
                .orElseThrow()
                .id();
        return Wish.Pin.among(reach, first, kind, count);
    }

    /** As it is asked of the notes of a row. */
    Request request(List<Integer> bars, Wish.Pin pin) {
        int kind = pin.asked().map(Ornament.Kind::ordinal).orElse(Option.NONE);
        return new Request(bars.indexOf(firstBar), bars.lastIndexOf(lastBar) + 1, kind, pin.count());
    }
}
