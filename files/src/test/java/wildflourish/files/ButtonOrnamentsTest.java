package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.hand.HandCost;
import wildflourish.core.hand.Scene;
import wildflourish.core.hand.Voice;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Stack;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.Realisation;
import wildflourish.core.performance.Realiser;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;
import wildflourish.files.abc.BookReader;

/** Ornaments of boxes and concertinas: what they cost the hand and when each button goes down, worked by hand (common practice, trust M). */
class ButtonOrnamentsTest {
    private static Tune tune(String type, String metre, String key, String body) {
        return BookReader.read("X:1\nT:Buttons\nR:" + type + "\nM:" + metre + "\nL:1/8\nK:" + key + "\n" + body + "\n")
                .value()
                .lessons()
                .get(0)
                .tune();
    }

    private static Version plain(Tune tune, String instrument, String tempo) {
        Instrument asked = Instrument.of(instrument);
        Tempo beats = new Tempo(Fraction.parse(tempo), tune.header().type().beatLength());
        return Version.plain("Bud", new Playing(asked, asked.schools().get(0), beats));
    }

    private static Placement on(Version version, String ornament, int note) {
        return Placement.of(
                Stack.parse(ornament, version.playing().instrument().family()), Span.of(new NoteId(note - 1)));
    }

    /** On B/C in a jig E lies drawn between two D's: a cut fits there; a roll takes it to another row and turns the bellows twice more; before F sharp the turn was coming anyway. */
    @ParameterizedTest
    @CsvSource({
        "D E3 D2|D6|], cut, 0.2, 0",
        "D E3 D2|D6|], long-roll, 1.1, 2",
        "D E3 F2|D6|], long-roll, 0.7, 0",
        "D E3 F2|D6|], staccato, 0, 0"
    })
    void whatAnOrnamentCostsTheHand(String body, String ornament, double more, int turns) {
        Tune tune = tune("jig", "6/8", "D", body);
        Version version = plain(tune, "box-bc", "115");
        HandCost.Told told = HandCost.of(Scene.of(tune, version, Profile.usual()))
                .told(on(version, ornament, 2))
                .orElseThrow();
        assertThat(told.more()).isCloseTo(more, within(0.06));
        assertThat(told.turns()).isEqualTo(turns);
    }

    /** When each button goes down, in milliseconds from the beginning of the note, and by which finger. */
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "reel; 4/4; D; dBABABd2|; box-bc; 110; cut; 3; 0 i6d, 45 i5d",
                "reel; 4/4; D; d2A2B2d2|; box-bc; 100; condensed-roll; 2; 0 i5d/2, 65 i6d/3, 110 i5d/2, 182.5 o5d/1, 227.5 i5d/2",
                "jig; 6/8; G; G3BAG|; english-48; 115; long-roll; 1; 0 L22/1, 173.9 R23/1, 218.9 L22/1, 347.8 R42/3, 392.8 L22/1",
                "jig; 6/8; D; BABdBA|; english-48; 115; same-grace; 2; 0 R23/2, 75 R23/1",
                "hornpipe; 4/4; D; d2A2B2d2|; box-dg; 80; bellows-treble; 2; 0 i3d, 125 o5p, 250 i3d"
            })
    void theMoments(
            String type,
            String metre,
            String key,
            String body,
            String instrument,
            String tempo,
            String ornament,
            int note,
            String expected) {
        Tune tune = tune(type, metre, key, body);
        Version version = plain(tune, instrument, tempo);
        Realisation realisation =
                Realiser.realise(tune, version.with(tune, Spot.of(on(version, ornament, note))), Profile.usual());
        Realisation.Figured figured = realisation.figures().get(0);
        Fraction end = figured.startMillis().plus(realisation.tempo().millisOf(figured.lengthWholeNotes()));
        List<Moment> its = realisation.moments().stream()
                .filter(moment -> !moment.startMillis().isLessThan(figured.startMillis())
                        && moment.startMillis().isLessThan(end))
                .toList();
        assertThat(its.stream()
                        .map(moment -> tenths(moment.startMillis()
                                        .minus(figured.startMillis())
                                        .toDouble()) + " "
                                + lane(moment, expected))
                        .collect(Collectors.joining(", ")))
                .isEqualTo(expected);
    }

    /** Button and finger; the button alone where the fingers hang on the notes around. */
    private static String lane(Moment moment, String expected) {
        String lane = moment.sounding().orElseThrow().melody().lane();
        return expected.contains("/") ? lane : lane.split("/", -1)[0];
    }

    private static String tenths(double millis) {
        double rounded = Math.round(millis * 10) / 10.0;
        return rounded == Math.rint(rounded) ? String.valueOf((int) rounded) : String.valueOf(rounded);
    }

    /** What is heard of a note under an ornament is the button and the finger that the path has chosen for it, which stand below it on the page. */
    @ParameterizedTest
    @CsvSource({"box-bc, 2", "box-c-sharp-d, 2", "box-dg, 3", "anglo-a, 1", "english-48, 6"})
    void whatIsHeardIsWhatIsShown(String instrument, int number) {
        Tune tune = Demo.tunes().get(number - 1);
        Version version = plain(
                tune, instrument, String.valueOf(tune.header().type().session().beatsPerMinute()));
        int placed = 0;
        for (int note = 0; note < tune.notes().size(); note += 4) {
            var best = WhatFits.at(tune, version, tune.notes().get(note).id(), Profile.usual()).fitting().stream()
                    .filter(fit -> fit.facts().ornament().kind() != Ornament.Kind.ARTICULATION)
                    .findFirst();
            if (best.isPresent()) {
                version = version.with(tune, Spot.of(best.get().placement()));
                placed++;
            }
        }
        assertThat(placed).isGreaterThan(5);
        Scene scene = Scene.of(tune, version, Profile.usual());
        for (Realisation.Figured figured : Realiser.realise(scene).figures()) {
            String own = scene.ways()
                    .onButtons(figured.placement().span().first())
                    .orElseThrow()
                    .toString()
                    .split("[+]", -1)[0];
            assertThat(figured.made().parts().stream()
                            .flatMap(part -> part.landing().voices().stream())
                            .map(Voice::lane))
                    .as(figured.placement() + " on " + instrument)
                    .contains(own);
        }
    }
}
