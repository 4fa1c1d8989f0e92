package wildflourish.core.performance;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.form.Harmony;
import wildflourish.core.hand.Glide;
import wildflourish.core.hand.Scene;
import wildflourish.core.hand.Voice;
import wildflourish.core.instrument.Basses;
import wildflourish.core.instrument.Button;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.line.Tone;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Metre;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Begin;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Layer;

/**
 * The left hand of a two-row box under a passage: a bass on the beat, a chord after it, by the chord symbols, short and light; silent where the bellows go the way that lacks the chord, and where
 * the tune is silent. Each ends at the latest where the bellows turn.
 */
final class LeftHand {
    /** A stroke sounds for so much of the time to the next. */
    private static final Fraction SHORT = Fraction.of(3, 4);

    private static final Fraction CROTCHET = Fraction.of(1, 4);

    private final Scene scene;
    private final HandLines lines;
    private final List<Moment> moments;
    private final Instrument instrument;

    private LeftHand(Scene scene, HandLines lines, List<Moment> moments) {
        this.scene = scene;
        this.lines = lines;
        this.moments = moments;
        this.instrument = scene.playing().instrument();
    }

    /** A bass or a chord, and how long it may sound. */
    private record Stroke(Fraction startMillis, Fraction endMillis, List<Voice> voices) {}

    /** The moments with what the left hand adds to them. */
    static List<Moment> added(Scene scene, Optional<HandLines> lines, List<Moment> moments) {
        boolean hasBasses = scene.playing().instrument().family() == Family.TWO_ROW_BOX
                && scene.version().layers().stream()
                        .anyMatch(layer -> layer.rule().work() == Layer.Work.BASS);
        return hasBasses && lines.isPresent() ? new LeftHand(scene, lines.get(), moments).added() : moments;
    }

    private List<Moment> added() {
        List<Stroke> strokes = new ArrayList<>();
        for (Layer layer : scene.version().layers()) {
            if (layer.rule().work() == Layer.Work.BASS) {
                strokes.addAll(strokes(layer));
            }
        }
        List<Moment> all = new ArrayList<>();
        for (Moment moment : moments) {
            all.addAll(split(moment, strokes));
        }
        return List.copyOf(all);
    }

    // Strokes

    private List<Stroke> strokes(Layer layer) {
        Basses basses =
                Basses.parse(layer.own().or(() -> Basses.usual(instrument)).orElse(""));
        List<Stroke> strokes = new ArrayList<>();
        for (Tone tone : scene.line().tones()) {
            boolean isCovered = !tone.isRest()
                    && layer.covers(scene.tune(), tone.note().id())
                    && layer.passes().has(tone.pass());
            if (isCovered) {
                strokes.addAll(strokes(tone, basses));
            }
        }
        return strokes;
    }

    /** Those that begin while a tone sounds. */
    private List<Stroke> strokes(Tone tone, Basses basses) {
        Tune tune = scene.tune();
        Optional<Integer> root = Harmony.root(tune, tone.note().id());
        List<Stroke> strokes = new ArrayList<>();
        if (root.isEmpty()) {
            return strokes;
        }
        Metre metre = tune.metreAt(tune.placeOf(tone.note().id()).bar());
        Fraction offset = tune.placeOf(tone.note().id()).offset();
        List<Fraction> counts = counts(tune, metre);
        for (int i = 0; i < counts.size(); i++) {
            Fraction at = tone.start().plus(counts.get(i)).minus(offset);
            boolean beginsHere = !at.isLessThan(tone.start()) && at.isLessThan(tone.end());
            Fraction next = i + 1 < counts.size() ? counts.get(i + 1) : metre.barLength();
            Fraction length = next.minus(counts.get(i)).times(SHORT);
            boolean isBass = isBass(tune, metre, counts.get(i));
            if (beginsHere) {
                stroke(root.get(), isBass, at, length, basses).ifPresent(strokes::add);
            }
        }
        return strokes;
    }

    /** Where in a bar the left hand strikes: two in each beat, in a jig the first and the third quaver; in three-four each crotchet. */
    private static List<Fraction> counts(Tune tune, Metre metre) {
        List<Fraction> counts = new ArrayList<>();
        boolean isThree = !metre.isCompound() && metre.barLength().equals(CROTCHET.times(3));
        Fraction beat = isThree ? CROTCHET : beat(tune, metre);
        for (Fraction at = Fraction.ZERO; at.isLessThan(metre.barLength()); at = at.plus(beat)) {
            counts.add(at);
            if (!isThree) {
                counts.add(at.plus(beat.times(metre.isCompound() ? Fraction.of(2, 3) : Fraction.of(1, 2))));
            }
        }
        return counts;
    }

    private static Fraction beat(Tune tune, Metre metre) {
        Fraction beat = tune.header().type().beatLength();
        boolean isWhole = metre.barLength().modulo(beat).isZero();
        return metre.isCompound() ? metre.countLength() : isWhole ? beat : CROTCHET;
    }

    private static boolean isBass(Tune tune, Metre metre, Fraction at) {
        boolean isThree = !metre.isCompound() && metre.barLength().equals(CROTCHET.times(3));
        return isThree ? at.isZero() : at.modulo(beat(tune, metre)).isZero();
    }

    private Optional<Stroke> stroke(int root, boolean isBass, Fraction at, Fraction length, Basses basses) {
        Fraction start = scene.playing().tempo().millisOf(at);
        Fraction end = start.plus(scene.playing().tempo().millisOf(length));
        Optional<Button.Bellows> bellows = momentAt(start).flatMap(this::bellows);
        if (bellows.isEmpty() || !basses.has(root, bellows.get())) {
            return Optional.empty();
        }
        List<Voice> voices = new ArrayList<>();
        if (isBass) {
            voices.add(voice("bass", Basses.bass(root)));
        } else {
            Basses.chord(root).forEach(midi -> voices.add(voice("chord " + (voices.size() + 1), midi)));
        }
        return Optional.of(new Stroke(start, lastOneWay(start, end, bellows.get()), voices));
    }

    private Voice voice(String lane, int midi) {
        WrittenPitch pitch = scene.tune().keyAt(0).spelled(midi);
        return new Voice(lane, instrument.sounding(pitch), Optional.empty(), true, Glide.LEVEL);
    }

    private Optional<Moment> momentAt(Fraction millis) {
        return moments.stream()
                .filter(moment -> !millis.isLessThan(moment.startMillis()) && millis.isLessThan(moment.endMillis()))
                .findFirst();
    }

    /** Which way the bellows go in a moment; empty in silence. */
    private Optional<Button.Bellows> bellows(Moment moment) {
        return moment.sounding()
                .flatMap(sounding -> Optional.ofNullable(
                                lines.keys().get(sounding.melody().lane()))
                        .or(() -> Optional.ofNullable(
                                lines.touches().get(moment.cue().note()))))
                .flatMap(touch -> switch (touch.stroke()) {
                    case PRESS -> Optional.of(Button.Bellows.PRESS);
                    case DRAW -> Optional.of(Button.Bellows.DRAW);
                    default -> Optional.empty();
                });
    }

    /** The end, or the turn of the bellows before it. */
    private Fraction lastOneWay(Fraction start, Fraction end, Button.Bellows way) {
        return moments.stream()
                .filter(moment -> moment.startMillis().isMoreThan(start)
                        && moment.startMillis().isLessThan(end)
                        && !bellows(moment).equals(Optional.of(way)))
                .map(Moment::startMillis)
                .min(Fraction::compareTo)
                .orElse(end);
    }

    // Under the tune

    private static List<Moment> split(Moment moment, List<Stroke> strokes) {
        List<Stroke> its = strokes.stream()
                .filter(stroke -> stroke.startMillis.isLessThan(moment.endMillis())
                        && moment.startMillis().isLessThan(stroke.endMillis))
                .toList();
        if (its.isEmpty() || moment.sounding().isEmpty()) {
            return List.of(moment);
        }
        TreeSet<Fraction> cuts = new TreeSet<>(List.of(moment.startMillis(), moment.endMillis()));
        its.forEach(stroke -> {
            cuts.add(stroke.startMillis.max(moment.startMillis()));
            cuts.add(stroke.endMillis.min(moment.endMillis()));
        });
        List<Fraction> times = List.copyOf(cuts);
        List<Moment> pieces = new ArrayList<>();
        for (int i = 0; i + 1 < times.size(); i++) {
            pieces.add(piece(moment, times.get(i), times.get(i + 1), its));
        }
        return pieces;
    }

    private static Moment piece(Moment moment, Fraction start, Fraction end, List<Stroke> strokes) {
        Moment.Sounding sounding = moment.sounding().orElseThrow();
        boolean isFirst = start.equals(moment.startMillis());
        List<Voice> voices = new ArrayList<>();
        sounding.voices().forEach(voice -> voices.add(isFirst ? voice : voice.goingOn()));
        for (Stroke stroke : strokes) {
            boolean sounds = !start.isLessThan(stroke.startMillis) && start.isLessThan(stroke.endMillis);
            boolean begins = start.equals(stroke.startMillis);
            if (sounds) {
                stroke.voices.forEach(voice -> voices.add(begins ? voice : voice.goingOn()));
            }
        }
        return new Moment(
                start,
                end,
                moment.cue(),
                Optional.of(new Moment.Sounding(voices, isFirst ? sounding.begin() : Begin.HELD, sounding.by())),
                moment.held());
    }
}
