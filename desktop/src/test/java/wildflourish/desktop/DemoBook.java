package wildflourish.desktop;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import wildflourish.core.arranging.Whole;
import wildflourish.core.hand.Scene;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Stack;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Book;
import wildflourish.core.version.BookItem;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Times;
import wildflourish.core.version.Version;
import wildflourish.files.abc.BookReader;
import wildflourish.files.abc.BookWriter;
import wildflourish.files.abc.FigureText;

/**
 * How the demo book was made: the stair of its first reel, placement by placement. Run {@code main} with the plain book and the file to
 * write after the form of lesson files has changed.
 */
final class DemoBook {
    /** A breakdown with chords and room for rolls. */
    private static final String PLUCKED = """

            X:10
            T:Candle in the Crab Pot
            R:breakdown
            M:4/4
            L:1/8
            K:G
            |:"G"G2B2 d2B2|"C"e3d c2E2|"G"D2G2 B2d2|"D"A4 F2D2|
            "G"G2B2 d2B2|"C"e2c2 "G"d2B2|"D"A2F2 D2F2|"G"G8:|
            |:"G"B3d B2G2|"C"c2E2 c4|"G"B2d2 B2G2|"D"A3B A2F2|
            "G"B3d B2G2|"C"c2e2 c2E2|"D"D2F2 A2F2|"G"G8:|
            """;

    private DemoBook() {}

    public static void main(String[] arguments) throws IOException {
        String plain = Files.readString(Path.of(arguments[0]), StandardCharsets.UTF_8);
        Book book = decorated(plain);
        Files.writeString(Path.of(arguments[1]), BookWriter.write(book));
        Files.writeString(Path.of(arguments[2]), BookWriter.write(figures(book)));
    }

    /** Six figures for each family, bars of the fullest stage of its stair, those with the most ornaments first. */
    static Book figures(Book book) {
        List<BookItem> items = new ArrayList<>();
        Set<Family> met = EnumSet.noneOf(Family.class);
        int number = 1;
        for (Lesson lesson : book.lessons()) {
            for (Stair stair : lesson.stairs()) {
                if (!met.add(stair.instrument().family())) {
                    continue;
                }
                Tune tune = lesson.tune();
                Version fullest = stair.at(stair.stages().size() - 1);
                List<Integer> bars = IntStream.range(0, tune.bars().size())
                        .filter(bar -> count(tune, fullest, bar) > 0)
                        .boxed()
                        .sorted(Comparator.comparingInt(bar -> -count(tune, fullest, bar)))
                        .limit(6)
                        .toList();
                for (int bar : bars) {
                    List<Note> notes = tune.bars().get(bar).notes();
                    Span span = new Span(
                            notes.get(0).id(), notes.get(notes.size() - 1).id());
                    String name = tune.title() + ", bar " + tune.form().countedNumber(bar) + ", "
                            + stair.instrument().family().word();
                    items.add(FigureText.lesson(tune, fullest, span, name, number++));
                    items.add(new BookItem.Text("\n\n"));
                }
            }
        }
        return new Book(items);
    }

    private static int count(Tune tune, Version version, int bar) {
        return (int) tune.bars().get(bar).notes().stream()
                .filter(note -> version.at(note.id()).flatMap(Spot::first).isPresent())
                .count();
    }

    /** The slip jig on union pipes: cuts on the beats at Leaf, rolls and crans at Bud, stopped notes and slides at Bloom. */
    private static Stair union(Tune tune) {
        Stair stair = Stair.starting(tune, Instrument.of("union-d-open"), 4);
        stair = onBeats(tune, stair, 1, Fraction.of(9, 8), "cut", "tap");
        stair = onBeats(tune, stair, 2, Fraction.of(9, 8), "cran", "long-roll", "short-roll");
        stair = onBeats(tune, stair, 2, Fraction.of(3, 8), "cut");
        stair = onBeats(tune, stair, 3, Fraction.of(3, 8), "long-roll", "short-roll", "condensed-roll", "slide-in");
        return said(tune, stair, 1, 1, "One cut on the first beat, and nothing else in the bar.");
    }

    /** The reel in C on a whistle in C, five stages: cuts and breaths, rolls on the downbeats, rolls on the beats, slides and taps, triplets and double cuts. */
    private static Stair lowered(Tune tune) {
        Stair stair = Stair.starting(tune, Instrument.of("whistle-c"), 5);
        stair = onBeats(tune, stair, 1, Fraction.ONE, "cut");
        stair = placedIfFits(
                tune, stair, 1, "4.4.breath-gap.1", "8.1.breath-gap.1", "13.4.breath-gap.1", "17.1.breath-gap.1");
        stair = onBeats(tune, stair, 2, Fraction.ONE, "long-roll", "short-roll");
        stair = onBeats(tune, stair, 3, Fraction.of(1, 2), "long-roll", "short-roll", "cut");
        stair = onBeats(tune, stair, 3, Fraction.ONE, "slide-in");
        stair = onBeats(tune, stair, 4, Fraction.of(1, 4), "double-cut-roll", "filled-triplet", "short-roll");
        stair = said(tune, stair, 1, 1, "The cut is part of the beat: nobody should hear it arrive.");
        stair = said(tune, stair, 4, 9, "Only for the last time through.");
        List<String> turns = List.of("Root", "Leaf", "Bud", "Bloom", "Wild");
        return stair.with(Optional.of(new Times(turns, Whole.slowest(stair.stages())).withAdded(2, 0, 2)));
    }

    /** On each note that begins so often the first of some ornaments that fits and is heavier than what stands there. */
    private static Stair onBeats(Tune tune, Stair begun, int stage, Fraction every, String... ids) {
        Stair stair = begun;
        for (Note note : tune.notes()) {
            boolean isThere = !note.isRest()
                    && tune.placeOf(note.id()).offset().modulo(every).isZero();
            for (String id : ids) {
                Version version = stair.at(stage);
                int weight =
                        Ornament.of(id, begun.instrument().family()).manner().weight();
                boolean isFree = version.covering(tune, note.id()).flatMap(Spot::first).stream()
                        .allMatch(placement -> placement.stack().weight() < weight);
                Optional<Placement> fit = isThere && isFree
                        ? WhatFits.at(tune, version, note.id(), Profile.usual()).fitting().stream()
                                .filter(each -> each.facts().ornament().id().equals(id))
                                .map(Fit::placement)
                                .findFirst()
                        : Optional.empty();
                if (fit.isPresent()) {
                    stair = stair.placed(tune, stage, fit.get());
                    break;
                }
            }
        }
        return stair;
    }

    /** With a sentence of the teacher on the first note of a bar. */
    private static Stair said(Tune tune, Stair stair, int stage, int bar, String words) {
        Note note = tune.bars().get(bar).notes().get(0);
        Spot spot = stair.at(stage).at(note.id()).orElse(Spot.bare(note.id()));
        return stair.withSpot(tune, stage, spot.withSentence(words));
    }

    /** What students are told about each stage, the plainest first: fewer times through the fuller it is. */
    private static Stair told(Stair begun, String... notes) {
        Stair stair = begun;
        for (int stage = 0; stage < notes.length; stage++) {
            Version version = stair.at(stage);
            stair = stair.with(stage, version.with(version.label().telling(notes[stage], Math.max(2, 5 - stage))));
        }
        return stair;
    }

    static Book decorated(String plain) {
        Book book = BookReader.read(plain).value();
        List<BookItem> items = new ArrayList<>(book.items());
        Lesson reel = book.lessons().get(0);
        items.set(
                items.indexOf(reel),
                reel.with(told(
                        stair(reel.tune()),
                        "Plain, with the foot; breathe where the long notes are.",
                        "Only cuts and taps: the tune stays as it was.",
                        "Rolls come where one note stood; keep them even.")));
        Lesson march = book.lessons().get(7);
        items.set(
                items.indexOf(march),
                march.with(told(
                        pipes(march.tune()),
                        "Every low note closed before the bag is full.",
                        "One grace note for each beat, all the same length.",
                        "The doublings open like a hand, never like a rattle.")));
        Lesson breakdown = book.lessons().get(6);
        items.set(
                items.indexOf(breakdown),
                breakdown.with(told(
                        fiddle(breakdown.tune()),
                        "Bow as it comes, the wrist loose.",
                        "The slurs carry over the beat; slides start before it.",
                        "A treble is the bow's: the left hand waits.",
                        "Second strings ring, they are never pressed.")));
        Lesson jig = book.lessons().get(1);
        items.set(
                items.indexOf(jig),
                jig.with(told(
                        box(jig.tune()),
                        "Short bellows, the bass hand quiet.",
                        "Cuts are of the finger, not of the bellows.",
                        "Three fingers on one button, light as rain.",
                        "Octaves only where the tune rests.")));
        Lesson air = book.lessons().get(5);
        items.set(
                items.indexOf(air),
                air.with(told(
                        english(air.tune()),
                        "Sing it before you play it.",
                        "One mordent a line is enough.",
                        "Trills begin slowly and end in time.",
                        "Second notes softer than the tune.")));
        Lesson slip = book.lessons().get(3);
        items.set(
                items.indexOf(slip),
                slip.with(told(
                        union(slip.tune()),
                        "Off the knee only for the lowest note.",
                        "One finger up, and down before anybody hears it.",
                        "Crans on the lowest note, rolls above.",
                        "Slides last: they hide nothing.")));
        Lesson chandler = book.lessons().get(8);
        items.set(
                items.indexOf(chandler),
                chandler.with(told(
                        lowered(chandler.tune()),
                        "Plain, twice as many times as you think.",
                        "Cuts on the downbeats, breath in bars 4 and 8.",
                        "The downbeats roll now; what was easy stays easy.",
                        "Two to the bar, still in one breath a phrase.",
                        "Only for the last time through.")));
        Lesson plucked = BookReader.read(PLUCKED).value().lessons().get(0);
        items.add(plucked.with(told(
                        banjo(plucked.tune()),
                        "Thumb on the beat, and nothing else yet.",
                        "Slides land on the beat, pinches close a part.",
                        "The roll never stops; the tune comes through it."))
                .with(told(
                        mandolin(plucked.tune()),
                        "Down on the beat, up between.",
                        "Slides and hammers with the same wrist.",
                        "Tremolo only where the tune stands still.")));
        return new Book(items);
    }

    /** The jig on a B/C box: cuts at Leaf, triplets and rolls at Bud, octaves and second notes at Bloom. */
    private static Stair box(Tune tune) {
        Stair stair = Stair.starting(tune, Instrument.of("box-bc"), 4);
        stair = placedIfFits(
                tune,
                stair,
                1,
                "1.3.cut.1",
                "2.0.cut-repeat.1",
                "3.3.cut.1",
                "5.3.cut.1",
                "6.0.cut-repeat.1",
                "7.3.cut.1",
                "10.3.cut.1",
                "11.0.cut-repeat.1",
                "12.3.cut.1",
                "14.3.cut.1",
                "15.0.cut-repeat.1");
        stair = placedIfFits(
                tune,
                stair,
                2,
                "4.3.finger-triplet.1",
                "6.0.finger-triplet.1",
                "8.3.finger-triplet.1",
                "10.0.long-roll.3",
                "13.3.finger-triplet.1",
                "14.0.long-roll.3",
                "17.3.finger-triplet.1");
        return placedIfFits(
                tune,
                stair,
                3,
                "2.0.short-roll.1",
                "8.3.octave.1",
                "11.0.short-roll.1",
                "12.0.octave.1",
                "16.0.octave.1",
                "17.3.octave.1");
    }

    /** The air on an English concertina: mordents at Leaf, trills and rolls at Bud, thirds, sixths and octaves at Bloom. */
    private static Stair english(Tune tune) {
        Stair stair = Stair.starting(tune, Instrument.of("english-48"), 4);
        stair = placedIfFits(
                tune,
                stair,
                1,
                "1.0.mordent.1",
                "3.0.mordent.1",
                "5.0.mordent.1",
                "7.0.mordent.1",
                "10.0.mordent.1",
                "14.0.mordent.1");
        stair = placedIfFits(
                tune,
                stair,
                2,
                "1.0.trill.1",
                "3.0.long-roll.1",
                "6.0.long-roll.1",
                "7.0.trill.1",
                "10.0.long-roll.1",
                "12.0.trill.1",
                "14.0.long-roll.1",
                "2.0.same-grace.1");
        return placedIfFits(
                tune,
                stair,
                3,
                "1.2.double-stop@sixth-below.1",
                "2.2.double-stop@third-below.1",
                "4.0.octave.1",
                "8.0.octave.1",
                "11.0.double-stop@third-below.1",
                "13.0.octave@above.1",
                "16.0.octave.1");
    }

    /** The breakdown on the fiddle: slurs, hammers and slides at Leaf, rolls and trebles at Bud, second strings at Bloom. */
    private static Stair fiddle(Tune tune) {
        Stair stair = Stair.starting(tune, Instrument.of("fiddle"), 4);
        stair = placedIfFits(
                tune,
                stair,
                1,
                "1.2.slur2.2",
                "2.2.slur2.2",
                "3.2.slur2.2",
                "5.2.slur2.2",
                "6.2.slur2.2",
                "11.2.slur2.2",
                "1.0.slide-in.1",
                "3.4.hammer-grace.1",
                "5.0.slide-in.1",
                "12.4.slur2.2",
                "13.0.slide-in.1",
                "16.2.slur2.2");
        stair = placedIfFits(
                tune,
                stair,
                2,
                "2.0.open-cran.1",
                "4.0.short-roll.1",
                "6.0.open-cran.1",
                "8.0.treble.1",
                "11.0.short-roll.1",
                "4.3.treble.1",
                "14.3.short-roll.1",
                "17.0.treble.1");
        stair = placedIfFits(
                tune,
                stair,
                3,
                "8.1.unison.1",
                "8.2.end-stop.1",
                "3.5.drone-below.1",
                "12.0.planted.1",
                "13.4.third.1",
                "17.1.slide-unison.1",
                "17.2.end-stop.1");
        List<Layer> around = List.of(over(tune, "intro-shuffle", 0, 1), over(tune, "closing-tag", 16, 17));
        return stair.with(3, stair.at(3).withLayers(around));
    }

    /** The plucked breakdown on the five-string: slides, hammers and a pinch at Leaf, then rolls over the first part and a tag at the end. */
    private static Stair banjo(Tune tune) {
        Stair stair = Stair.starting(tune, Instrument.of("banjo-open-g"), 3);
        stair = placedIfFits(
                tune,
                stair,
                1,
                "0.1.slide-in.1",
                "4.1.slide-in.1",
                "7.0.pinch.1",
                "8.0.slide-in.1",
                "12.0.slide-in.1",
                "10.0.slide-in.1");
        stair = placedIfFits(tune, stair, 2, "15.0.tag.1");
        return stair.with(2, stair.at(2).withLayers(List.of(over(tune, "rolls", 0, 7))));
    }

    /** The same on the mandolin: slides and trebles at Leaf, repeated and connecting notes at Bud, double stops and blue notes at Bloom. */
    private static Stair mandolin(Tune tune) {
        Stair stair = Stair.starting(tune, Instrument.of("mandolin"), 4);
        stair = placedIfFits(
                tune,
                stair,
                1,
                "0.2.slide-in.1",
                "2.0.treble.1",
                "4.2.slide-in.1",
                "9.1.treble.1",
                "8.0.slide-in.1",
                "13.1.slide-in.1");
        List<Layer> layers = new ArrayList<>(List.of(over(tune, "repeat", 0, 15), over(tune, "connect", 0, 15)));
        stair = stair.with(2, stair.at(2).withLayers(layers));
        layers.add(over(tune, "double", 0, 15));
        layers.add(over(tune, "blue-fills", 0, 15));
        return stair.with(3, stair.at(3).withLayers(layers));
    }

    private static Layer over(Tune tune, String rule, int firstBar, int lastBar) {
        List<Note> last = tune.bars().get(lastBar).notes();
        Span span = new Span(
                tune.bars().get(firstBar).notes().get(0).id(),
                last.get(last.size() - 1).id());
        return new Layer(Layer.Rule.of(rule), span, Passes.EVERY);
    }

    /** Each place as bar, note, ornament and how many notes; left out where it does not fit. */
    private static Stair placedIfFits(Tune tune, Stair begun, int stage, String... places) {
        Stair stair = begun;
        for (String place : places) {
            stair = placedIfFits(tune, stair, stage, place);
        }
        return stair;
    }

    private static Stair placedIfFits(Tune tune, Stair stair, int stage, String place) {
        String[] words = place.split("[.]", -1);
        List<Note> bar = tune.bars().get(Integer.parseInt(words[0])).notes();
        int at = Integer.parseInt(words[1]);
        int count = Integer.parseInt(words[3]);
        Stack stack = Stack.parse(words[2], stair.instrument().family());
        Placement placement = Placement.of(
                stack, new Span(bar.get(at).id(), bar.get(at + count - 1).id()));
        boolean fits = WhatFits.verdict(
                        Scene.of(tune, stair.at(stage), Profile.usual()),
                        bar.get(at).id(),
                        count,
                        stack)
                .filter(Fit::fits)
                .isPresent();
        if (!fits) {
            System.err.println(place + " does not fit");
        }
        return fits ? stair.placed(tune, stage, placement) : stair;
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
