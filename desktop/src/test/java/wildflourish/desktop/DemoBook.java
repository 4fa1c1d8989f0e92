package wildflourish.desktop;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Book;
import wildflourish.core.version.BookItem;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.files.abc.BookReader;
import wildflourish.files.abc.BookWriter;

/**
 * How the demo book was made: the stair of its first reel, placement by placement. Run {@code main} with the plain book and the file to
 * write after the form of lesson files has changed.
 */
final class DemoBook {
    private DemoBook() {}

    public static void main(String[] arguments) throws IOException {
        String plain = Files.readString(Path.of(arguments[0]), StandardCharsets.UTF_8);
        Files.writeString(Path.of(arguments[1]), BookWriter.write(decorated(plain)));
    }

    static Book decorated(String plain) {
        Book book = BookReader.read(plain).value();
        List<BookItem> items = new ArrayList<>(book.items());
        Lesson reel = book.lessons().get(0);
        items.set(items.indexOf(reel), reel.with(stair(reel.tune())));
        Lesson march = book.lessons().get(7);
        items.set(items.indexOf(march), march.with(pipes(march.tune())));
        return new Book(items);
    }

    /** Root is plain, Leaf marks beats with single ornaments, Bud lets the held notes roll. */
    private static Stair stair(Tune tune) {
        Stair stair = Stair.starting(tune, Instrument.of("whistle-d"), 3);
        for (int[] place : new int[][] {{1, 0}, {2, 0}, {3, 0}, {4, 0}, {5, 0}, {6, 0}, {11, 0}, {12, 0}, {15, 0}}) {
            stair = stair.placed(tune, 1, at(tune, place[0], place[1], "cut"));
        }
        stair = stair.placed(tune, 1, at(tune, 3, 5, "tap"));
        for (int[] place : new int[][] {{4, 3}, {8, 3}, {9, 3}, {14, 4}, {18, 2}, {19, 2}}) {
            stair = stair.placed(tune, 1, at(tune, place[0], place[1], "breath-gap"));
        }
        for (int[] place : new int[][] {{2, 0}, {3, 0}, {4, 0}, {6, 0}, {11, 0}, {12, 0}}) {
            stair = stair.placed(tune, 2, at(tune, place[0], place[1], "short-roll"));
        }
        stair = stair.placed(tune, 2, at(tune, 8, 0, "cran"));
        stair = stair.placed(tune, 2, at(tune, 18, 1, "cran"));
        stair = stair.placed(tune, 2, at(tune, 7, 4, "cut"));
        stair = stair.placed(tune, 2, at(tune, 16, 0, "slide-in"));
        Placement other = at(tune, 4, 0, "cut");
        Spot spot = stair.at(2).at(other.span().first()).orElseThrow().withOption(other);
        return stair.withSpot(tune, 2, spot);
    }

    /** The march on mouth-blown pipes: graces that part and mark at Leaf, doublings and movements on the beats at Bud. */
    private static Stair pipes(Tune tune) {
        Stair stair = Stair.starting(tune, Instrument.of("mouth-blown-pipes"), 3);
        for (Note note : tune.notes()) {
            boolean isBeat =
                    tune.placeOf(note.id()).offset().modulo(Fraction.of(1, 2)).isZero();
            for (String id : List.of("g-grace", "thumb-grace", "d-grace")) {
                stair = isBeat ? placedIfFits(tune, stair, 1, note, id) : stair;
            }
            for (String id : List.of("d-throw", "birl", "doubling", "taorluath")) {
                boolean isDownbeat = tune.placeOf(note.id()).offset().isZero();
                stair = isDownbeat ? placedIfFits(tune, stair, 2, note, id) : stair;
            }
        }
        return stair;
    }

    /** The first that fits a note at a stage stays. */
    private static Stair placedIfFits(Tune tune, Stair stair, int stage, Note note, String id) {
        Version version = stair.at(stage);
        boolean isTaken = version.at(note.id())
                .flatMap(Spot::first)
                .filter(placement -> placement.ornament().manner().weight() > 1 || stage == 1)
                .isPresent();
        boolean fits = WhatFits.at(tune, version, note.id(), Profile.usual()).fitting().stream()
                .anyMatch(fit -> fit.facts().ornament().id().equals(id));
        return fits && !isTaken ? stair.placed(tune, stage, Placement.of(Ornament.of(id), Span.of(note.id()))) : stair;
    }

    private static Placement at(Tune tune, int bar, int index, String ornament) {
        Note note = tune.bars().get(bar).notes().get(index);
        return Placement.of(Ornament.of(ornament), Span.of(note.id()));
    }
}
