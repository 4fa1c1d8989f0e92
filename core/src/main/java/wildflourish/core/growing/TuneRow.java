package wildflourish.core.growing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import wildflourish.core.form.Phrase;
import wildflourish.core.form.Phrasing;
import wildflourish.core.music.Fraction;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;

/** A tune as the row of notes that plans go through: its phrases, those that begin alike tied as far as they do. */
final class TuneRow {
    private TuneRow() {}

    static NoteRow of(Tune tune, boolean isBlown) {
        long unit = 4;
        for (Note note : tune.notes()) {
            unit = Fraction.leastCommonMultiple(unit, note.played().denominator());
        }
        List<Long> starts = new ArrayList<>();
        List<Integer> bars = new ArrayList<>();
        long now = 0;
        starts.add(now);
        for (Note note : tune.notes()) {
            now += ticks(note.played(), unit);
            starts.add(now);
            bars.add(tune.placeOf(note.id()).bar());
        }
        List<Long> lengths = new ArrayList<>();
        for (Bar bar : tune.bars()) {
            Fraction length = Fraction.ZERO;
            for (Note note : bar.notes()) {
                length = length.plus(note.played());
            }
            lengths.add(ticks(length, unit));
        }
        return new NoteRow(starts, unit / 4, bars, lengths, stretches(tune), isBlown);
    }

    private static long ticks(Fraction length, long unit) {
        return length.numerator() * (unit / length.denominator());
    }

    /** A phrase, from a boundary to a boundary. */
    private record Piece(int first, int last, boolean isPickup, int family) {}

    private static List<NoteRow.Stretch> stretches(Tune tune) {
        Phrasing phrasing = Phrasing.of(tune);
        List<Piece> pieces = new ArrayList<>();
        for (Phrase phrase : phrasing.phrases()) {
            int from = phrase.firstBar();
            if (tune.form().isPickup(from) && from < phrase.lastBar()) {
                add(pieces, tune, from, from, true, -1);
                from++;
            }
            int until = from;
            while (until < phrase.lastBar() && !isLaterEnding(tune, until + 1)) {
                until++;
            }
            add(pieces, tune, from, until, false, phrasing.familyOf(phrase));
            if (until < phrase.lastBar()) {
                add(pieces, tune, until + 1, phrase.lastBar(), false, -1);
            }
        }
        return tied(tune, pieces);
    }

    /** Whether another ending begins with a bar: it is played in place of the one before it, so it bears as much again. */
    private static boolean isLaterEnding(Tune tune, int bar) {
        List<Integer> ending = tune.bars().get(bar).ending();
        return !ending.isEmpty() && !ending.contains(1);
    }

    private static void add(List<Piece> pieces, Tune tune, int firstBar, int lastBar, boolean isPickup, int family) {
        List<Note> notes = tune.bars().subList(firstBar, lastBar + 1).stream()
                .flatMap(bar -> bar.notes().stream())
                .toList();
        if (!notes.isEmpty()) {
            int first = tune.placeOf(notes.get(0).id()).order();
            pieces.add(new Piece(first, first + notes.size(), isPickup, family));
        }
    }

    /** Phrases of one family are tied where they begin alike for half the first of them at least; the others stand by themselves. */
    private static List<NoteRow.Stretch> tied(Tune tune, List<Piece> pieces) {
        Map<Integer, Integer> firstOf = new HashMap<>();
        Map<Integer, Integer> trunks = new HashMap<>();
        int[] family = new int[pieces.size()];
        int next = 0;
        for (int i = 0; i < pieces.size(); i++) {
            Piece piece = pieces.get(i);
            Optional<Integer> first = Optional.ofNullable(firstOf.get(piece.family()));
            int alike =
                    first.map(index -> alike(tune, pieces.get(index), piece)).orElse(0);
            boolean isTied = piece.family() >= 0
                    && first.isPresent()
                    && 2 * alike
                            >= pieces.get(first.get()).last()
                                    - pieces.get(first.get()).first();
            if (isTied) {
                family[i] = family[first.get()];
                trunks.merge(family[i], alike, Math::min);
            } else {
                family[i] = next++;
                if (piece.family() >= 0) {
                    firstOf.putIfAbsent(piece.family(), i);
                }
            }
        }
        return IntStream.range(0, pieces.size())
                .mapToObj(i -> new NoteRow.Stretch(
                        pieces.get(i).first(),
                        pieces.get(i).last(),
                        pieces.get(i).isPickup(),
                        family[i],
                        trunks.getOrDefault(family[i], 0)))
                .toList();
    }

    /** With how many notes two phrases begin alike, and as far from their bar lines. */
    private static int alike(Tune tune, Piece one, Piece other) {
        int count = 0;
        while (one.first() + count < one.last() && other.first() + count < other.last()) {
            Note a = tune.notes().get(one.first() + count);
            Note b = tune.notes().get(other.first() + count);
            boolean isSame = a.pitches().equals(b.pitches())
                    && a.isRest() == b.isRest()
                    && a.played().equals(b.played())
                    && tune.placeOf(a.id()).offset().equals(tune.placeOf(b.id()).offset());
            if (!isSame) {
                return count;
            }
            count++;
        }
        return count;
    }
}
