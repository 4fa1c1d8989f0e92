package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import wildflourish.core.arranging.StoredFigure;
import wildflourish.core.hand.Scene;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.line.FigureNotes;
import wildflourish.core.line.Line;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Book;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.files.abc.BookReader;
import wildflourish.files.abc.BookWriter;
import wildflourish.files.abc.FigureText;
import wildflourish.files.abc.TuneText;

/** Figures kept from a version and put where they fit. */
class StoredFigureTest {
    private static final Path DEMO = Path.of("../desktop/src/main/resources/wildflourish/desktop/demo");

    private static Book book(String name) throws IOException {
        return BookReader.read(Files.readString(DEMO.resolve(name))).value();
    }

    private static Span bar(Tune tune, int bar) {
        List<Note> notes = tune.bars().get(bar).notes();
        return new Span(notes.get(0).id(), notes.get(notes.size() - 1).id());
    }

    private static List<Placement> within(Tune tune, Version version, Span span) {
        return span.notes(tune).stream()
                .flatMap(note -> version.at(note.id()).flatMap(Spot::first).stream())
                .toList();
    }

    /** Every bar of every demo stage, kept, written, read and put back where it was taken: nothing changes. */
    @Test
    void whatIsPutBackChangesNothing() throws IOException {
        int kept = 0;
        for (Lesson lesson : book("saltmarsh-lane.abc").lessons()) {
            Tune tune = lesson.tune();
            for (Stair stair : lesson.stairs()) {
                Version version = stair.at(stair.stages().size() - 1);
                for (int bar = 0; bar < tune.bars().size(); bar++) {
                    if (tune.bars().get(bar).notes().isEmpty()) {
                        continue;
                    }
                    Span span = bar(tune, bar);
                    Lesson written = FigureText.lesson(tune, version, span, "Bar", 1);
                    Lesson read = BookReader.read(BookWriter.write(new Book(List.of(written))))
                            .value()
                            .lessons()
                            .get(0);
                    StoredFigure figure = FigureText.figure(read).orElseThrow();
                    assertThat(figure.notes()).hasSameSizeAs(span.notes(tune));
                    Version back = figure.put(tune, version, span, 0);
                    assertThat(within(tune, back, span)).isEqualTo(within(tune, version, span));
                    assertThat(back).isEqualTo(version);
                    kept += figure.ornamented();
                    boolean isThere = figure.places(tune, version, Profile.usual()).stream()
                            .anyMatch(place -> place.span().equals(span) && place.steps() == 0);
                    boolean isSounding = span.notes(tune).stream().anyMatch(note -> !note.isRest());
                    assertThat(isThere).as("bar %s of %s", bar, tune.title()).isEqualTo(isSounding);
                }
            }
        }
        assertThat(kept).isGreaterThan(100);
    }

    /** A fingering kept in the figure is kept where the note is the same, and nowhere else. */
    @Test
    void aPinIsCarriedToTheSameNoteAlone() {
        Tune tune = TuneText.read("X:1\nT:T\nM:4/4\nL:1/8\nK:D\n|D2FA G2BG|E2GB A2cA|D2FA G2BG|\n")
                .value();
        Version version = Version.plain("Leaf", Playing.usual(tune, Instrument.of("whistle-d")));
        NoteId first = tune.notes().get(0).id();
        Version pinned = version.with(tune, Spot.bare(first).withPin("XXXXXX"));
        Span span = bar(tune, 0);
        Lesson written = FigureText.lesson(tune, pinned, span, "Pinned", 1);
        StoredFigure figure = FigureText.figure(written).orElseThrow();
        for (int bar : List.of(1, 2)) {
            Version put = figure.put(tune, version, bar(tune, bar), bar == 2 ? 0 : 1);
            NoteId there = tune.bars().get(bar).notes().get(0).id();
            assertThat(put.at(there).map(Spot::pin)).isEqualTo(bar == 2 ? Optional.of("XXXXXX") : Optional.empty());
        }
    }

    /** A bar a step higher than the figure, in another key: found, said by how many steps, and put there with all it has; the other way it comes back. */
    @Test
    void aFigureIsFoundMovedAndInAnotherKey() {
        Tune from = TuneText.read("X:1\nT:From\nM:4/4\nL:1/8\nR:reel\nK:D\nF2AF D2FA|")
                .value();
        Tune to = TuneText.read("X:2\nT:To\nM:4/4\nL:1/8\nR:reel\nK:G\nA2cA F2Ac|B2dc G2AB|B2d2 G4|")
                .value();
        Version plain = Version.plain("plain", Playing.usual(from, Instrument.of("whistle-d")));
        Version decorated = plain.with(
                from,
                Spot.of(Placement.of(
                        Ornament.of("short-roll"), Span.of(from.notes().get(0).id()))));
        StoredFigure figure = FigureText.figure(FigureText.lesson(from, decorated, bar(from, 0), "Rolled", 1))
                .orElseThrow();
        List<StoredFigure.Place> places = figure.places(to, plain, Profile.usual());
        assertThat(places).hasSize(1);
        assertThat(places.get(0).span()).isEqualTo(bar(to, 0));
        assertThat(places.get(0).steps()).isEqualTo(-1);
        assertThat(places.get(0).fits()).isTrue();
        Version put = figure.put(to, plain, places.get(0).span(), places.get(0).steps());
        assertThat(within(to, put, bar(to, 0)))
                .singleElement()
                .satisfies(placement -> assertThat(placement.ornament().id()).isEqualTo("short-roll"));
        StoredFigure there = FigureText.figure(FigureText.lesson(to, put, bar(to, 0), "Moved", 1))
                .orElseThrow();
        assertThat(there.places(from, plain, Profile.usual()))
                .singleElement()
                .satisfies(place -> assertThat(place.steps()).isEqualTo(1));
        assertThat(there.put(from, plain, bar(from, 0), 1).spots()).isEqualTo(decorated.spots());
        assertThat(FigureNotes.of(from, there.put(from, plain, bar(from, 0), 1)).notes())
                .isEqualTo(from.notes());
        assertThat(pitches(FigureNotes.of(to, put), bar(to, 0))).isEqualTo("A4 C5 A4 F♯4 A4 C5");
    }

    private static String pitches(Tune tune, Span span) {
        return span.notes(tune).stream().map(note -> note.melody().toString()).collect(Collectors.joining(" "));
    }

    /** The figure brings its notes: what lies between the beats is its own, moved in the key; the tune keeps its own, and the text says what is played. */
    @Test
    void aFigureBringsItsNotes() {
        Tune from = TuneText.read("X:1\nT:From\nM:4/4\nL:1/8\nR:reel\nK:D\nD2FA dAFA|")
                .value();
        Tune to = TuneText.read("X:2\nT:To\nM:4/4\nL:1/8\nR:reel\nK:G\n|:G2BG g2ed:|G2BG geBd|G2AB gdBG|A8|")
                .value();
        for (String instrument : List.of("whistle-d", "fiddle", "mandolin", "box-bc", "english-48")) {
            Version plain = Version.plain("plain", Playing.usual(from, Instrument.of(instrument)));
            StoredFigure figure = FigureText.figure(FigureText.lesson(from, plain, bar(from, 0), "Own", 1))
                    .orElseThrow();
            List<StoredFigure.Place> places = figure.places(to, plain, Profile.usual());
            assertThat(places).hasSize(1);
            Span at = places.get(0).span();
            assertThat(at).isEqualTo(bar(to, 1));
            Version put = figure.put(to, plain, at, places.get(0).steps());
            assertThat(pitches(FigureNotes.of(to, put), at)).isEqualTo("G4 B4 D5 G5 D5 B4 D5");
            assertThat(to.notes())
                    .as("the tune itself")
                    .isEqualTo(Scene.of(to, plain, Profile.usual()).tune().notes());
            Scene scene = Scene.of(to, put, Profile.usual());
            Tune read = TuneText.read(BookWriter.writeVersion(to, put)).value();
            assertThat(sounds(Line.of(read, plain))).isEqualTo(sounds(scene.line()));
            Book book = new Book(
                    List.of(Lesson.plain(to).with(new Stair(List.of(plain.withName("Root"), put.withName("Leaf"))))));
            assertThat(BookReader.read(BookWriter.write(book)).value()).isEqualTo(book);
            StoredFigure again = FigureText.figure(FigureText.lesson(to, put, at, "Again", 1))
                    .orElseThrow();
            assertThat(FigureNotes.option(again.notes())).isEqualTo("G4.B4.D5.G5.D5.B4.D5");
            assertThat(again.put(to, put, at, 0)).isEqualTo(put);
        }
    }

    /** A figure with fewer notes on the same beats: it holds its own through those of the tune, with what is placed on them; a long roll stands on a note that the tune has not. */
    @Test
    void aFigureHoldsItsNotesThroughThoseOfTheTune() {
        Tune from = TuneText.read("X:1\nT:From\nM:4/4\nL:1/8\nR:reel\nK:D\nE3F G2FE|")
                .value();
        Tune to = TuneText.read("X:2\nT:To\nM:4/4\nL:1/8\nR:reel\nK:D\n|:F2DE A2GF|EFEF GAFE|EFGF G>AFE|EFE2 GAFE:|\n")
                .value();
        for (String instrument : List.of("whistle-d", "fiddle", "mandolin", "box-bc", "english-48")) {
            Version plain = Version.plain("plain", Playing.usual(from, Instrument.of(instrument)));
            Version decorated = WhatFits.at(
                            Scene.of(from, plain, Profile.usual()),
                            from.notes().get(0).id())
                    .best()
                    .map(fit -> plain.with(from, Spot.of(fit.placement())))
                    .orElseThrow();
            StoredFigure figure = FigureText.figure(FigureText.lesson(from, decorated, bar(from, 0), "Own", 1))
                    .orElseThrow();
            List<StoredFigure.Place> places = figure.places(to, plain, Profile.usual());
            assertThat(places).extracting(StoredFigure.Place::span).containsExactly(bar(to, 1));
            Span at = places.get(0).span();
            assertThat(places.get(0).steps()).isZero();
            Version put = figure.put(to, plain, at, 0);
            Scene scene = Scene.of(to, put, Profile.usual());
            assertThat(sounds(scene.line()).subList(6, 11))
                    .containsExactly("[E4]3/8", "[F♯4]1/8", "[G4]1/4", "[F♯4]1/8", "[E4]1/8");
            assertThat(within(to, put, at))
                    .singleElement()
                    .satisfies(placement -> assertThat(placement.stack())
                            .isEqualTo(
                                    within(from, decorated, bar(from, 0)).get(0).stack()));
            assertThat(places.get(0).fits()).as(instrument).isTrue();
            Tune read = TuneText.read(BookWriter.writeVersion(to, put.without(at.first())))
                    .value();
            assertThat(sounds(Line.of(read, plain))).isEqualTo(sounds(Line.of(to, put.without(at.first()))));
            Book book = new Book(
                    List.of(Lesson.plain(to).with(new Stair(List.of(plain.withName("Root"), put.withName("Leaf"))))));
            assertThat(BookReader.read(BookWriter.write(book)).value()).isEqualTo(book);
            StoredFigure again = FigureText.figure(FigureText.lesson(to, put, at, "Again", 1))
                    .orElseThrow();
            assertThat(FigureNotes.option(again.notes())).isEqualTo("E4*3.F♯4.G4*2.F♯4.E4");
            assertThat(again.put(to, put, at, 0)).isEqualTo(put);
            assertThat(again.put(from, plain, bar(from, 0), 0).spots()).isEqualTo(decorated.spots());
        }
    }

    private static List<String> sounds(Line line) {
        return line.tones().stream()
                .map(tone -> (tone.isRest() ? "z" : tone.pitches().toString()) + tone.length())
                .toList();
    }

    /** What is said to fit where a figure is put is clean by the critic. */
    @Test
    void whatFitsIsClean() throws IOException {
        Random random = new Random(4);
        List<Lesson> figures = book("figures.abc").lessons();
        int fitting = 0;
        for (Lesson lesson : book("saltmarsh-lane.abc").lessons()) {
            for (Stair stair : lesson.stairs()) {
                Version plain = Version.plain("plain", stair.at(0).playing());
                for (Lesson each : figures) {
                    StoredFigure figure = FigureText.figure(each).orElseThrow();
                    boolean isOfIt = figure.version().playing().instrument().family()
                            == stair.instrument().family();
                    if (!isOfIt || random.nextInt(3) > 0) {
                        continue;
                    }
                    for (StoredFigure.Place place : figure.places(lesson.tune(), plain, Profile.usual())) {
                        Scene scene = Scene.of(
                                lesson.tune(),
                                figure.put(lesson.tune(), plain, place.span(), place.steps()),
                                Profile.usual());
                        boolean isClean = within(lesson.tune(), scene.version(), place.span()).stream()
                                .allMatch(placement -> WhatFits.verdict(scene, placement)
                                        .filter(Fit::fits)
                                        .isPresent());
                        boolean isThere = place.span().notes(scene.tune()).stream()
                                .allMatch(note ->
                                        note.isRest() || stair.instrument().has(note.melody()));
                        assertThat(place.fits()).isEqualTo(isClean && isThere);
                        fitting += isClean ? 1 : 0;
                    }
                }
            }
        }
        assertThat(fitting).isPositive();
    }

    /** Six ship for each family that has a stair in the demo book, and each is a bar of one of its stages. */
    @Test
    void sixShipForEachFamilyAndEachIsUsedInADemoStair() throws IOException {
        Book demo = book("saltmarsh-lane.abc");
        Map<Family, List<StoredFigure>> figures = book("figures.abc").lessons().stream()
                .map(FigureText::figure)
                .map(Optional::orElseThrow)
                .collect(Collectors.groupingBy(
                        figure -> figure.version().playing().instrument().family()));
        assertThat(figures).hasSizeGreaterThanOrEqualTo(8);
        figures.forEach((family, all) -> {
            assertThat(all).as("%s", family).hasSize(6);
            for (StoredFigure figure : all) {
                boolean isUsed = demo.lessons().stream()
                        .flatMap(lesson -> lesson.stairs().stream()
                                .filter(stair -> stair.instrument().family() == family)
                                .flatMap(stair -> stair.stages().stream())
                                .filter(version -> figure.places(lesson.tune(), version, Profile.usual()).stream()
                                        .anyMatch(
                                                place -> figure.put(lesson.tune(), version, place.span(), place.steps())
                                                        .equals(version))))
                        .findAny()
                        .isPresent();
                assertThat(isUsed).as(figure.name()).isTrue();
            }
        });
    }
}
