package wildflourish.bench;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import wildflourish.core.engraving.Engraver;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.Score;
import wildflourish.core.engraving.StairSheet;
import wildflourish.core.fingering.FingeringPath;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.form.Phrasing;
import wildflourish.core.hand.HandCost;
import wildflourish.core.hand.Scene;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Schools;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.performance.Realisation;
import wildflourish.core.performance.Realiser;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.Remark;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.plain.BestFit;
import wildflourish.core.problem.Parsed;
import wildflourish.core.sound.Synth;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Book;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;
import wildflourish.files.abc.BookReader;

/** One method a row of the budgets in the README. Samples, so that the median tells more than a mean on a busy machine; warm means warm. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 12, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class Budgets {
    private Tune tune;
    private Version version;
    private Realisation realisation;
    private Tune twice;
    private Tune demo;
    private Version demoVersion;
    private NoteId note;
    private Scene plain;
    private Version fiddle;
    private Version mandolin;
    private Version banjo;
    private Scene fiddleScene;
    private Scene mandolinScene;
    private Scene banjoScene;
    private Version box;
    private Version anglo;
    private Version english;
    private Scene boxScene;
    private Scene angloScene;
    private Scene englishScene;
    private HandCost boxCost;
    private List<Placement> boxFits;
    private HandCost fiddleCost;
    private List<Placement> fiddleFits;
    private String book;

    /** The material of all rows. */
    @Setup
    public void prepare() {
        tune = Long64.tune();
        version = Long64.version(tune);
        realisation = Realiser.realise(tune, version, Profile.usual());
        twice = Long64.tune(128);
        demo = BookReader.read("X:1\nT:Eight\nR:reel\nM:4/4\nL:1/8\nK:D\n|:" + "d2fd cdBA|F2AF EFDE|".repeat(8) + "\n")
                .value()
                .lessons()
                .get(0)
                .tune();
        demoVersion = Long64.version(demo);
        note = tune.bars().get(20).notes().get(0).id();
        plain = Scene.of(tune, Version.plain("plain", version.playing()), Profile.usual());
        fiddle = decorated("fiddle");
        mandolin = decorated("mandolin");
        banjo = decorated("banjo-open-g");
        fiddleScene = Scene.of(tune, fiddle, Profile.usual());
        mandolinScene = Scene.of(tune, mandolin, Profile.usual());
        banjoScene = Scene.of(tune, banjo, Profile.usual());
        box = decorated("box-bc");
        anglo = decorated("anglo-a");
        english = decorated("english-48");
        boxScene = Scene.of(tune, box, Profile.usual());
        angloScene = Scene.of(tune, anglo, Profile.usual());
        englishScene = Scene.of(tune, english, Profile.usual());
        boxCost = HandCost.of(boxScene);
        boxFits = WhatFits.at(boxScene, note).fitting().stream()
                .map(Fit::placement)
                .toList();
        fiddleCost = HandCost.of(fiddleScene);
        fiddleFits = WhatFits.at(fiddleScene, note).fitting().stream()
                .map(Fit::placement)
                .toList();
        StringBuilder many = new StringBuilder();
        for (int i = 1; i <= 10_000; i++) {
            many.append("X:").append(i).append("\nT:Tune ").append(i).append("\nR:reel\nM:4/4\nL:1/8\nK:D\n");
            many.append("|:d2fd cdBA|F2AF EFDE|F2Ad BAFA|B2gf e2FA|\n");
            many.append("d2fd cdBA|F2AF EFDE|FAde fdec|d2dc d4:|\n\n");
        }
        book = many.toString();
    }

    /** Place an ornament, then realise, check and lay out a tune of 64 bars. */
    @Benchmark
    public Object placeRealiseCheckLayOut64Bars() {
        Version placed = version.with(tune, Spot.of(Placement.of(Ornament.of("cut"), Span.of(note))));
        Scene scene = Scene.of(tune, placed, Profile.usual());
        Realisation worked = Realiser.realise(scene);
        List<Remark> remarks = Remark.of(scene);
        List<Page> pages = Engraver.engrave(Score.of(scene, Score.Shows.BENCH), Paper.endless(118));
        return List.of(worked.moments().size(), remarks.size(), pages.size());
    }

    /** Five stages of a tune of 64 bars made ready and the phrase of a note laid out through all of them. */
    @Benchmark
    public Object stairOfFiveStagesOf64Bars() {
        List<Scene> scenes = IntStream.range(0, 5)
                .parallel()
                .mapToObj(stage -> Scene.of(
                        tune,
                        stage == 0 ? Version.plain("Root", version.playing()) : version.withName("Stage " + stage),
                        Profile.usual()))
                .toList();
        return StairSheet.dressed(scenes, List.of(-1, 0, 1, 2, 3), 2, Score.Shows.BENCH, Optional.of(note))
                .on(Paper.endless(118));
    }

    /** A tune of 64 bars on strings with an ornament on every third note. */
    private Version decorated(String id) {
        Version decorated = Version.plain("decorated", Playing.usual(tune, Instrument.of(id)));
        Scene bare = Scene.of(tune, decorated, Profile.usual());
        int count = 0;
        for (Note each : tune.notes()) {
            if (count++ % 3 == 0) {
                Optional<Fit> best = WhatFits.at(bare, each.id()).best();
                decorated = best.isPresent()
                        ? decorated.with(tune, Spot.of(best.get().placement()))
                        : decorated;
            }
        }
        return decorated;
    }

    private Object placedOnHand(Version on, String ornament) {
        Ornament placed = Ornament.of(ornament, on.playing().instrument().family());
        Version changed = on.with(tune, Spot.of(Placement.of(placed, Span.of(note))));
        Scene scene = Scene.of(tune, changed, Profile.usual());
        Realisation worked = Realiser.realise(scene);
        List<Remark> remarks = Remark.of(scene);
        List<Page> pages = Engraver.engrave(Score.of(scene, Score.Shows.BENCH), Paper.endless(118));
        return List.of(worked.moments().size(), remarks.size(), pages.size());
    }

    /** Place an ornament on the fiddle, then find the path, realise, check and lay out 64 bars. */
    @Benchmark
    public Object placeToLayOutOnFiddle() {
        return placedOnHand(fiddle, "cut");
    }

    /** The same on the mandolin. */
    @Benchmark
    public Object placeToLayOutOnMandolin() {
        return placedOnHand(mandolin, "slide-in");
    }

    /** The same on the five-string banjo. */
    @Benchmark
    public Object placeToLayOutOnFiveStringBanjo() {
        return placedOnHand(banjo, "slide-in");
    }

    /** The same on the B/C box. */
    @Benchmark
    public Object placeToLayOutOnBCBox() {
        return placedOnHand(box, "cut");
    }

    /** The same on the anglo concertina. */
    @Benchmark
    public Object placeToLayOutOnAnglo() {
        return placedOnHand(anglo, "cut");
    }

    /** The same on the English concertina. */
    @Benchmark
    public Object placeToLayOutOnEnglish() {
        return placedOnHand(english, "cut");
    }

    /** What fits here on buttons, for one spot. */
    @Benchmark
    public WhatFits whatFitsOnBCBox() {
        return WhatFits.at(boxScene, note);
    }

    /** The same on the anglo concertina. */
    @Benchmark
    public WhatFits whatFitsOnAnglo() {
        return WhatFits.at(angloScene, note);
    }

    /** The same on the English concertina. */
    @Benchmark
    public WhatFits whatFitsOnEnglish() {
        return WhatFits.at(englishScene, note);
    }

    /** The tables of a version on the B/C box that has just been changed. */
    @Benchmark
    public HandCost tablesOfTheHandOnBCBox() {
        return HandCost.of(Scene.of(tune, box, Profile.usual()));
    }

    /** What each of the cards at one spot costs the hand on the B/C box, the tables being kept. */
    @Benchmark
    public List<Optional<HandCost.Told>> handCostOfTheCardsOnBCBox() {
        return boxFits.stream().map(boxCost::told).toList();
    }

    /** What fits here on strings, for one spot. */
    @Benchmark
    public WhatFits whatFitsOnFiddle() {
        return WhatFits.at(fiddleScene, note);
    }

    /** The same on the mandolin. */
    @Benchmark
    public WhatFits whatFitsOnMandolin() {
        return WhatFits.at(mandolinScene, note);
    }

    /** The same on the five-string banjo. */
    @Benchmark
    public WhatFits whatFitsOnFiveStringBanjo() {
        return WhatFits.at(banjoScene, note);
    }

    /** The tables by which the cards say what an ornament costs the hand. */
    @Benchmark
    public HandCost tablesOfTheHandOnFiddle() {
        return HandCost.of(fiddleScene);
    }

    /** What each of the cards at one spot costs the hand, the tables being kept. */
    @Benchmark
    public List<Optional<HandCost.Told>> handCostOfTheCardsOnFiddle() {
        return fiddleFits.stream().map(fiddleCost::told).toList();
    }

    /** What fits here, for one spot. */
    @Benchmark
    public WhatFits whatFitsAtOneSpot() {
        return WhatFits.at(plain, note);
    }

    /** Engrave a tune of 16 bars with fingerings. */
    @Benchmark
    public List<Page> engraveATuneWithFingerings() {
        return Engraver.engrave(new Score(demo, Optional.of(demoVersion), Score.Shows.BENCH), Paper.endless(118));
    }

    /** Phrases and families of 64 bars. */
    @Benchmark
    public Phrasing familiesOf64Bars() {
        return Phrasing.of(tune);
    }

    /** Phrases and families of 128 bars: about twice as long. */
    @Benchmark
    public Phrasing familiesOf128Bars() {
        return Phrasing.of(twice);
    }

    /** Best fit of 64 bars over all winds and keys. */
    @Benchmark
    public List<BestFit> bestFitOverAllWinds() {
        return BestFit.of(tune, BestFit.instruments(Family.Kind.HOLES), 0);
    }

    /** The fingering path of 64 bars on the instrument with most alternates. */
    @Benchmark
    public FingeringPath fingeringPathOf64Bars() {
        return FingeringPath.of(tune.notes(), version.playing().instrument(), Map.of());
    }

    /** The way to play 64 bars on an instrument with strings or buttons, as it stands under the notes. */
    private Object hand(String id) {
        Instrument instrument = Instrument.of(id);
        return HandLines.of(
                tune,
                instrument,
                Schools.usual(instrument),
                tune.header().type().session(),
                Map.of());
    }

    @Benchmark
    public Object pathOf64BarsOnFiddle() {
        return hand("fiddle");
    }

    @Benchmark
    public Object pathOf64BarsOnMandolin() {
        return hand("mandolin");
    }

    @Benchmark
    public Object pathOf64BarsOnFiveStringBanjo() {
        return hand("banjo-open-g");
    }

    @Benchmark
    public Object pathOf64BarsOnBCBox() {
        return hand("box-bc");
    }

    @Benchmark
    public Object pathOf64BarsOnAnglo() {
        return hand("anglo-a");
    }

    @Benchmark
    public Object pathOf64BarsOnEnglish() {
        return hand("english-48");
    }

    /** Read a tunebook of 10,000 tunes. */
    @Benchmark
    public Parsed<Book> readTenThousandTunes() {
        return BookReader.read(book);
    }

    /** Render the sound of 64 bars, repeats played; see the length it prints for the share of real time. */
    @Benchmark
    public float[] renderSoundOf64Bars() {
        return Synth.render(realisation);
    }
}
