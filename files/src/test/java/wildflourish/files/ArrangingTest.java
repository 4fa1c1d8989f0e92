package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.arranging.Join;
import wildflourish.core.arranging.Mix;
import wildflourish.core.arranging.Whole;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.form.Phrase;
import wildflourish.core.form.Phrasing;
import wildflourish.core.hand.Scene;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.line.Line;
import wildflourish.core.line.Tone;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.problem.Parsed;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.PlayOrder;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Beside;
import wildflourish.core.version.Book;
import wildflourish.core.version.BookItem;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Times;
import wildflourish.core.version.Version;
import wildflourish.files.abc.BookReader;
import wildflourish.files.abc.BookWriter;
import wildflourish.files.abc.TuneText;

/** Phrases of several versions put together, and performances of several times through, over the stairs of the demo book. */
class ArrangingTest {
    static Stream<Arguments> stairs() {
        return book().lessons().stream()
                .flatMap(lesson -> lesson.stairs().stream()
                        .map(stair -> Arguments.of(lesson.tune().title() + ", " + stair.instrument(), lesson, stair)));
    }

    private static Book book() {
        try {
            return BookReader.read(Files.readString(
                            Path.of("../desktop/src/main/resources/wildflourish/desktop/demo/saltmarsh-lane.abc")))
                    .value();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Times plan(Stair stair, int intro, int join, int tag) {
        List<Version> stages = stair.stages();
        return new Times(Times.rising(stages, stages.size()), Whole.slowest(stair.stages()))
                .withAdded(intro, join, tag);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("stairs")
    void aVersionMixedWithItselfIsAsItWas(String name, Lesson lesson, Stair stair) {
        Tune tune = lesson.tune();
        int phrases = Phrasing.of(tune).phrases().size();
        for (Version version : stair.versions()) {
            Mix mix = Mix.of(tune, Collections.nCopies(phrases, version), Profile.usual());
            assertThat(mix.version()).isEqualTo(version);
            assertThat(mix.joins()).isEmpty();
        }
    }

    /** Every phrase of the fullest version put into the plainest: it has what the one has there, and elsewhere what the other has. */
    @ParameterizedTest(name = "{0}")
    @MethodSource("stairs")
    void aPhraseIsTakenWhole(String name, Lesson lesson, Stair stair) {
        Tune tune = lesson.tune();
        Version base = stair.at(0);
        Version full = stair.at(stair.stages().size() - 1);
        List<Phrase> phrases = Phrasing.of(tune).phrases();
        for (int i = 0; i < phrases.size(); i++) {
            Mix mix = Mix.of(tune, base, full, i, Profile.usual());
            assertThat(mix.version().name()).isEqualTo(base.name());
            Phrase phrase = phrases.get(i);
            tune.notes().forEach(note -> {
                Version source = phrase.has(tune.placeOf(note.id()).bar()) ? full : base;
                assertThat(mix.version().at(note.id())).isEqualTo(source.at(note.id()));
            });
            Span whole = new Span(
                    tune.notes().get(0).id(),
                    tune.notes().get(tune.notes().size() - 1).id());
            for (Layer layer : full.layers()) {
                long covered = whole.notes(tune).stream()
                        .filter(note -> layer.covers(tune, note.id())
                                && phrase.has(tune.placeOf(note.id()).bar()))
                        .count();
                long there = mix.version().layers().stream()
                        .filter(each -> each.word().equals(layer.word()))
                        .flatMap(each -> each.span().notes(tune).stream())
                        .filter(note -> phrase.has(tune.placeOf(note.id()).bar()))
                        .count();
                assertThat(there).isGreaterThanOrEqualTo(covered);
            }
        }
    }

    /** Phrases of all versions by turns: what a remedy offers is right where it stands. */
    @Test
    void remediesOfJoinsHelp() {
        Set<Join.Kind> met = EnumSet.noneOf(Join.Kind.class);
        stairs().forEach(each -> {
            Lesson lesson = (Lesson) each.get()[1];
            Stair stair = (Stair) each.get()[2];
            Tune tune = lesson.tune();
            int phrases = Phrasing.of(tune).phrases().size();
            for (int shift = 0; shift < stair.stages().size(); shift++) {
                List<Version> from = new ArrayList<>();
                for (int i = 0; i < phrases; i++) {
                    from.add(stair.at((i + shift) % stair.stages().size()));
                }
                Mix mix = Mix.of(tune, from, Profile.usual());
                for (Join join : mix.joins()) {
                    met.add(join.kind());
                    join.remedy().ifPresent(remedy -> helps(tune, join, remedy.done(tune, mix.version())));
                }
            }
        });
        assertThat(met).isNotEmpty();
    }

    private static void helps(Tune tune, Join join, Version remedy) {
        Scene scene = Scene.of(tune, remedy, Profile.usual());
        if (join.kind() == Join.Kind.UNFIT) {
            remedy.at(join.at())
                    .flatMap(spot -> spot.first())
                    .ifPresent(placement -> assertThat(
                                    WhatFits.verdict(scene, placement).filter(Fit::fits))
                            .isPresent());
        }
    }

    /** Two things mended one after the other stay mended, whichever comes first. */
    @Test
    void oneRemedyLeavesTheOther() {
        Tune tune = TuneText.read("X:1\nT:T\nM:4/4\nL:1/8\nK:D\nD2FA G2BG|E2GB A2cA|D2FA G2BG|D8|]\n")
                .value();
        Version plain = Version.plain("Leaf", Playing.usual(tune, Instrument.of("whistle-d")));
        NoteId first = tune.notes().get(0).id();
        NoteId other = tune.notes().get(6).id();
        Placement cut = Placement.of(Ornament.of("cut"), new Span(other, other));
        Version mixed = plain.with(tune, Spot.of(cut));
        Join.Remedy words = new Join.Remedy(Spot.bare(first).withSentence("Breathe"), Optional.empty());
        Join.Remedy out = new Join.Remedy(Spot.bare(other), Optional.empty());
        Version both = plain.with(tune, Spot.bare(first).withSentence("Breathe"));
        assertThat(out.done(tune, words.done(tune, mixed))).isEqualTo(both);
        assertThat(words.done(tune, out.done(tune, mixed))).isEqualTo(both);
    }

    /** A phrase an octave lower than the one before it leaps up to the next: it is taken at the octave too, where that can be played. */
    @Test
    void aLeapAtAJoinIsTakenAtTheOctave() {
        Tune tune = TuneText.read(
                        "X:1\nT:T\nM:4/4\nL:1/8\nK:D\na2fa g2fd|a2fa g2fd|a2fa g2fd|d8||a2fa g2fd|a2fa g2fd|a2fa g2fd|d8|]\n")
                .value();
        Version high = Version.plain("High", Playing.usual(tune, Instrument.of("fiddle")));
        Span all = new Span(
                tune.notes().get(0).id(),
                tune.notes().get(tune.notes().size() - 1).id());
        Version low = high.withLayers(List.of(new Layer(Layer.Rule.of("octave-down"), all, Passes.EVERY)));
        List<Version> from = new ArrayList<>();
        int phrases = Phrasing.of(tune).phrases().size();
        for (int i = 0; i < phrases; i++) {
            from.add(i % 2 == 0 ? low : high);
        }
        Mix mix = Mix.of(tune, from, Profile.usual());
        List<Join> leaps = mix.joins().stream()
                .filter(join -> join.kind() == Join.Kind.LEAP)
                .toList();
        assertThat(leaps).isNotEmpty();
        for (Join leap : leaps) {
            Version done = leap.remedy().orElseThrow().done(tune, mix.version());
            List<Tone> tones = Line.of(tune, done).tones();
            int at = Line.of(tune, done).indexOf(leap.at()).orElseThrow();
            int wide =
                    tones.get(at).melody().midi() - tones.get(at - 1).melody().midi();
            assertThat(Math.abs(wide)).isLessThanOrEqualTo(12);
        }
    }

    /** Where the bellows come round the wrong way and another button brings them round, that is offered, and it does. */
    @Test
    void aButtonKeptBringsTheBellowsRound() {
        int met = 0;
        int mended = 0;
        Instrument box = Instrument.of("box-bc");
        for (Lesson lesson : book().lessons()) {
            Tune tune = lesson.tune();
            int phrases = Phrasing.of(tune).phrases().size();
            Version plain = Version.plain("Plain", Playing.usual(tune, box));
            for (Note pinned : tune.notes()) {
                List<String> pins = pinned.isRest() ? List.of() : HandLines.pins(box, pinned);
                if (pins.size() < 2 || met > 40) {
                    continue;
                }
                Version other = plain.with(tune, Spot.bare(pinned.id()).withPin(pins.get(pins.size() - 1)));
                List<Version> from = new ArrayList<>();
                for (int i = 0; i < phrases; i++) {
                    from.add(i % 2 == 0 ? plain : other);
                }
                Mix mix = Mix.of(tune, from, Profile.usual());
                for (Join join : mix.joins()) {
                    if (join.kind() == Join.Kind.BELLOWS) {
                        met++;
                        mended += join.remedy().isPresent() ? 1 : 0;
                        join.remedy()
                                .ifPresent(remedy -> assertThat(
                                                stroke(tune, remedy.done(tune, mix.version()), join.at()))
                                        .isNotEqualTo(stroke(tune, mix.version(), join.at())));
                    }
                }
            }
        }
        assertThat(met).isPositive();
        assertThat(mended).isPositive();
    }

    private static HandLines.Stroke stroke(Tune tune, Version version, NoteId note) {
        HandLines lines = Scene.of(tune, version, Profile.usual()).lines().orElseThrow();
        return lines.touches().get(note).stroke();
    }

    // Times through

    /** What sounds in each section of a performance is what the version alone sounds, tone for tone; and every bar has its time. */
    @ParameterizedTest(name = "{0}")
    @MethodSource("stairs")
    void aPerformanceIsItsVersionsOneAfterTheOther(String name, Lesson lesson, Stair stair) {
        Tune tune = lesson.tune();
        Times plan = plan(stair, 2, 1, 2);
        Whole whole = Whole.of(tune, stair, plan);
        List<Tone> tones =
                Scene.of(whole.tune(), whole.version(), Profile.usual()).line().tones();
        int played = PlayOrder.of(tune).size();
        int turn = 0;
        for (Whole.Section section : whole.sections()) {
            if (!Character.isDigit(section.name().charAt(0))) {
                continue;
            }
            assertThat(section.lastBar() - section.firstBar() + 1).isEqualTo(played);
            Version version = stair.named(plan.turns().get(turn++)).orElseThrow();
            boolean isOfHandAlone = version.layers().stream().noneMatch(Layer::isOfHand);
            boolean addsNothing = version.layers().stream()
                    .noneMatch(layer -> layer.rule().work().addsBars());
            if (isOfHandAlone && addsNothing) {
                List<String> here = tones.stream()
                        .filter(tone -> tone.place().played().bar() >= section.firstBar()
                                && tone.place().played().bar() <= section.lastBar())
                        .map(ArrangingTest::told)
                        .toList();
                List<String> alone = Scene.of(tune, version, Profile.usual()).line().tones().stream()
                        .map(ArrangingTest::told)
                        .toList();
                assertThat(here).isEqualTo(alone);
            }
        }
        assertThat(turn).isEqualTo(plan.turns().size());
        Set<Fraction> lengths = Set.of(tune.metreAt(0).barLength());
        for (int bar = 1; bar < whole.tune().bars().size() - 1; bar++) {
            Bar one = whole.tune().bars().get(bar);
            Bar next = whole.tune().bars().get(bar + 1);
            boolean isWhole = lengths.contains(one.length())
                    || lengths.contains(one.length().plus(next.length()))
                    || lengths.contains(
                            one.length().plus(whole.tune().bars().get(bar - 1).length()));
            assertThat(isWhole).as("bar %s of %s", bar, name).isTrue();
        }
        whole.tune()
                .notes()
                .forEach(note -> whole.original(note.id())
                        .ifPresent(original -> assertThat(note.pitches())
                                .isEqualTo(tune.note(original).pitches())));
    }

    private static String told(Tone tone) {
        return (tone.isRest() ? "z" : tone.melody().toString())
                + tone.length()
                + tone.placed().map(each -> each.stack().toString()).orElse("");
    }

    @Test
    void onePhraseThroughAllStagesIsOnePassForEach() {
        stairs().forEach(each -> {
            Tune tune = ((Lesson) each.get()[1]).tune();
            Stair stair = (Stair) each.get()[2];
            Phrase phrase = Phrasing.of(tune).phrases().get(1);
            Whole whole = Whole.of(tune, stair.stages(), phrase.firstBar(), phrase.lastBar());
            assertThat(whole.sections())
                    .extracting(Whole.Section::name)
                    .containsExactlyElementsOf(
                            stair.stages().stream().map(Version::name).toList());
            assertThat(whole.tune().bars())
                    .hasSize((phrase.lastBar() - phrase.firstBar() + 1)
                            * stair.stages().size());
        });
    }

    // In the book

    @ParameterizedTest(name = "{0}")
    @MethodSource("stairs")
    void planAndVersionsBesideAStairComeBackWithTheBook(String name, Lesson lesson, Stair stair) {
        Stair full = stair.with(new Beside(
                        Beside.Kind.STUDY,
                        "100 % of all, that fits",
                        24,
                        stair.at(1).withName("Everything, all")))
                .orElseThrow()
                .with(new Beside(Beside.Kind.FREE, "Leaf", stair.at(0).withName("By the 2nd way")))
                .orElseThrow()
                .with(new Beside(Beside.Kind.BELOW, "", stair.at(0).withName("Below")))
                .orElseThrow();
        List<String> turns =
                List.of(full.at(0).name(), "Everything, all", full.at(0).name(), "By the 2nd way");
        Stair planned = full.with(Optional.of(new Times(turns, Whole.slowest(full.stages())).withAdded(2, 1, 2)));
        Book book = new Book(List.of(Lesson.plain(lesson.tune()).with(planned), new BookItem.Text("\n\n")));
        String text = BookWriter.write(book);
        Parsed<Book> again = BookReader.read(text);
        assertThat(again.problems()).isEmpty();
        assertThat(again.value()).isEqualTo(book);
        assertThat(BookWriter.write(again.value())).isEqualTo(text);
    }

    /** A tune that has lost its notes, or has one alone, is still saved with its plan. */
    @Test
    void aPlanOfAnEmptyTuneIsSavedToo() {
        for (String body : List.of("", "z8|", "G8|", "|:G2|]")) {
            Tune tune =
                    TuneText.read("X:1\nT:Empty\nM:4/4\nL:1/8\nK:D\n" + body).value();
            Stair stair = Stair.starting(tune, Instrument.of("whistle-d"), 2);
            Stair planned = stair.with(
                    Optional.of(new Times(List.of("Root", "Leaf"), Whole.slowest(stair.stages())).withAdded(2, 1, 2)));
            Book book = new Book(List.of(Lesson.plain(tune).with(planned), new BookItem.Text("\n\n")));
            Parsed<Book> again = BookReader.read(BookWriter.write(book));
            assertThat(again.value().lessons().get(0).stairs()).as(body).containsExactly(planned);
        }
    }

    /** A version that the plan names was taken out of the book elsewhere: its turns are left out, and that is told. */
    @Test
    void turnsOfAVersionThatIsGoneAreTold() {
        Lesson lesson = book().lessons().get(0);
        Stair stair = lesson.stairs().get(0);
        Times plan = new Times(
                List.of(stair.at(0).name(), stair.at(1).name(), stair.at(0).name()), Whole.slowest(stair.stages()));
        Book book = new Book(
                List.of(Lesson.plain(lesson.tune()).with(stair.with(Optional.of(plan))), new BookItem.Text("\n\n")));
        String text = BookWriter.write(book).replaceFirst(" name=" + stair.at(1).name(), " name=Otherwise");
        Parsed<Book> again = BookReader.read(text);
        assertThat(again.problems()).singleElement().satisfies(problem -> {
            assertThat(problem.code()).isEqualTo("plan-without");
            assertThat(problem.tune()).isEqualTo(1);
            assertThat(problem.message()).contains("“" + stair.at(1).name() + "”");
            assertThat(text.lines().toList().get(problem.place().line() - 1)).startsWith("X:");
        });
        assertThat(again.value()
                        .lessons()
                        .get(0)
                        .stairs()
                        .get(0)
                        .times()
                        .orElseThrow()
                        .turns())
                .containsExactly(stair.at(0).name(), stair.at(0).name());
    }

    /** Bars that a fiddler adds before the tune open the first time through, those after it close the last; a plan with a lead-in and a tag of its own has none of them. */
    @Test
    void barsThatAVersionAddsOpenAndCloseThePlan() {
        Lesson lesson = book().lessons().stream()
                .filter(each -> each.stairFor(Instrument.of("fiddle")).isPresent())
                .findFirst()
                .orElseThrow();
        Tune tune = lesson.tune();
        Stair stair = lesson.stairFor(Instrument.of("fiddle")).orElseThrow();
        String full = stair.at(stair.stages().size() - 1).name();
        Times bare = new Times(List.of(full, stair.at(0).name(), full), Whole.slowest(stair.stages()));
        for (Times plan : List.of(bare, bare.withAdded(2, 0, 2))) {
            boolean hasOwn = plan.intro() > 0;
            Whole whole = Whole.of(tune, stair, plan);
            Scene scene = Scene.of(whole.tune(), whole.version(), Profile.usual());
            List<Bar> bars = scene.tune().bars();
            assertThat(bars.get(0).isAdded()).isEqualTo(!hasOwn);
            assertThat(bars.get(bars.size() - 1).isAdded()).isEqualTo(!hasOwn);
            long added = bars.stream().filter(Bar::isAdded).count();
            long alone = Scene.of(tune, stair.named(full).orElseThrow(), Profile.usual()).tune().bars().stream()
                    .filter(Bar::isAdded)
                    .count();
            assertThat(alone).isPositive();
            if (hasOwn) {
                assertThat(added).as("what fills a bar before a turn").isLessThan(alone);
            } else {
                assertThat(added).isEqualTo(alone);
            }
            Tune read = TuneText.read(BookWriter.writeWhole(tune, stair.with(Optional.of(plan))))
                    .value();
            long played = PlayOrder.of(read).size();
            assertThat(played).isEqualTo(PlayOrder.of(scene.tune()).size());
        }
    }

    /** Another program has changed the notes of the performance: they are kept as a tune of its own, and that is said. */
    @Test
    void aPlanChangedByAnotherProgramIsNoticed() {
        Lesson lesson = book().lessons().get(0);
        Stair stair = lesson.stairs().get(0);
        Book book = new Book(List.of(
                Lesson.plain(lesson.tune()).with(stair.with(Optional.of(plan(stair, 0, 1, 0)))),
                new BookItem.Text("\n")));
        String text = BookWriter.write(book);
        int at = text.lastIndexOf("P:Join");
        String changed = text.substring(0, at) + text.substring(at).replaceFirst("D6", "A6");
        Parsed<Book> again = BookReader.read(changed);
        assertThat(again.problems())
                .singleElement()
                .satisfies(problem -> assertThat(problem.message())
                        .contains("plan of times through were changed by another program"));
        assertThat(again.value().lessons()).hasSize(2);
        assertThat(BookWriter.write(again.value())).contains("A6");
        assertThat(again.value().lessons().get(0).stairs().get(0).times()).isEmpty();
    }

    /** As one tune in ABC: its bars are those of the plan, and what it sounds begins with the tune's end. */
    @ParameterizedTest(name = "{0}")
    @MethodSource("stairs")
    void aPerformanceIsWrittenOutAsOneTune(String name, Lesson lesson, Stair stair) {
        Times plan = plan(stair, 2, 1, 2);
        String text = BookWriter.writeWhole(lesson.tune(), stair.with(Optional.of(plan)));
        Parsed<Tune> read = TuneText.read(text);
        assertThat(read.problems()).isEmpty();
        List<String> parts = read.value().bars().stream()
                .flatMap(bar -> bar.change().part().stream())
                .filter(part -> part.matches("Intro|Tag|\\d+ .*"))
                .toList();
        List<String> wanted = new ArrayList<>(List.of("Intro"));
        for (int i = 0; i < plan.turns().size(); i++) {
            wanted.add((i + 1) + " " + plan.turns().get(i));
        }
        wanted.add("Tag");
        assertThat(parts).containsSubsequence(wanted);
        assertThat(text).doesNotContain("%%flourish");
    }
}
