package wildflourish.core.line;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.instrument.StrokeOrder;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Metre;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.tune.Part;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Layer;

/** What each rule of a layer does to the tones of its passage. A tone with an ornament is left to the ornament. */
final class LayerRules {
    /** A gap for breath takes the second half of a note of a crotchet or more. */
    private static final Fraction BREATH_FROM = Fraction.of(1, 4);

    private static final Fraction QUAVER = Fraction.of(1, 8);

    private final Layer layer;
    private final Tune tune;
    private final List<Tone> made = new ArrayList<>();

    private LayerRules(Layer layer, Tune tune) {
        this.layer = layer;
        this.tune = tune;
    }

    static Line apply(Layer layer, Line line, Tune tune) {
        LayerRules rules = new LayerRules(layer, tune);
        int coveredUntil = 0;
        for (int i = 0; i < line.tones().size(); i++) {
            Tone tone = line.tones().get(i);
            int at = i;
            coveredUntil = Math.max(
                    coveredUntil,
                    tone.placed().map(each -> at + line.countOf(at, each)).orElse(0));
            boolean isOrnaments = i < coveredUntil;
            if (tone.isRest()
                    || !layer.covers(tune, tone.note().id())
                    || !layer.passes().has(tone.pass())) {
                rules.made.add(tone);
            } else {
                rules.play(tone, isOrnaments);
            }
        }
        return new Line(rules.made, line.bars());
    }

    private void play(Tone tone, boolean isOrnaments) {
        switch (layer.rule().work()) {
            case TONGUE_ALL -> made.add(struck(tone));
            case TONGUE_BEATS -> made.add(isOnBeat(tone) ? struck(tone) : slurred(tone));
            case SLUR -> made.add(slurred(tone));
            case HOLD_BEATS -> hold(tone, isOrnaments);
            case BREATHE -> breathe(tone, isOrnaments);
            case SHUFFLE -> {
                if (layer.isOfPairs()) {
                    made.add(tone);
                } else {
                    shuffle(tone, isOrnaments);
                }
            }
            case OCTAVE_DOWN ->
                made.add(tone.withPitches(tone.pitches().stream()
                        .map(pitch -> new WrittenPitch(pitch.step(), pitch.alter(), pitch.octave() - 1))
                        .toList()));
            default -> made.add(tone);
        }
    }

    private static Tone struck(Tone tone) {
        return tone.touch() == Tone.Touch.TIED ? tone : tone.with(Tone.Touch.STRUCK);
    }

    /** The first of a passage, and what comes after silence, begins as it must. */
    private Tone slurred(Tone tone) {
        boolean isAfterSilence = made.isEmpty() || made.get(made.size() - 1).isRest();
        boolean isEqual = !isAfterSilence
                && made.get(made.size() - 1).note().pitches().equals(tone.note().pitches());
        return tone.touch() == Tone.Touch.TIED || isAfterSilence || isEqual ? tone : tone.with(Tone.Touch.SLURRED);
    }

    private boolean isOnBeat(Tone tone) {
        Metre metre = tune.metreAt(tone.place().played().bar());
        Fraction count = metre.isCompound() ? metre.countLength() : Fraction.of(1, 4);
        return tune.placeOf(tone.note().id()).offset().modulo(count).isZero();
    }

    /** A note on a beat is held through the beat: those between beats are left out. */
    private void hold(Tone tone, boolean isOrnaments) {
        Tone last = made.isEmpty() ? tone : made.get(made.size() - 1);
        boolean joins = !made.isEmpty()
                && !isOrnaments
                && !last.isRest()
                && last.placed().isEmpty()
                && !isOnBeat(tone)
                && last.place().playedBar() == tone.place().playedBar()
                && layer.covers(tune, last.note().id());
        if (joins) {
            made.set(
                    made.size() - 1,
                    last.withPlace(last.place().withLength(last.length().plus(tone.length()))));
        } else {
            made.add(tone);
        }
    }

    /** The second half of a note is given to the breath. */
    private void breathe(Tone tone, boolean isOrnaments) {
        if (isOrnaments || tone.length().isLessThan(BREATH_FROM)) {
            made.add(tone);
            return;
        }
        Fraction half = tone.length().dividedBy(2);
        made.add(tone.withPlace(tone.place().withLength(half)).with(Optional.empty()));
        made.add(tone.silent(tone.start().plus(half), half));
    }

    /** A long note is parted where the order begins a new bow within it; equal notes that the order joins become one. The last note of a part is left whole. */
    private void shuffle(Tone tone, boolean isOrnaments) {
        Optional<StrokeOrder> order = order(tone);
        Fraction offset = tune.placeOf(tone.note().id()).offset();
        boolean isOnGrid =
                offset.modulo(QUAVER).isZero() && tone.length().modulo(QUAVER).isZero();
        if (order.isEmpty() || isOrnaments || !isOnGrid || tone.index() > 0 || endsPart(tone)) {
            made.add(tone);
            return;
        }
        Tone last = made.isEmpty() ? tone : made.get(made.size() - 1);
        boolean joins = !made.isEmpty()
                && isJoined(order.get(), offset)
                && last.placed().isEmpty()
                && last.pitches().equals(tone.pitches())
                && last.place().playedBar() == tone.place().playedBar()
                && layer.covers(tune, last.note().id());
        List<Fraction> begins = new ArrayList<>();
        for (Fraction at = Fraction.ZERO; at.isLessThan(tone.length()); at = at.plus(QUAVER)) {
            boolean isFirst = at.isZero();
            if (isFirst ? !joins : !isJoined(order.get(), offset.plus(at))) {
                begins.add(at);
            }
        }
        if (joins) {
            Fraction until = begins.isEmpty() ? tone.length() : begins.get(0);
            made.set(
                    made.size() - 1,
                    last.withPlace(last.place().withLength(last.length().plus(until))));
        }
        for (int i = 0; i < begins.size(); i++) {
            Fraction end = i + 1 < begins.size() ? begins.get(i + 1) : tone.length();
            made.add(tone.part(joins ? i + 1 : i, tone.start().plus(begins.get(i)), end.minus(begins.get(i))));
        }
    }

    /** The order that is kept to, where it is one for such bars. */
    private Optional<StrokeOrder> order(Tone tone) {
        StrokeOrder order = StrokeOrder.of(layer.way());
        Fraction bar = tune.metreAt(tone.place().played().bar()).barLength();
        return Optional.of(order).filter(each -> QUAVER.times(each.quavers()).equals(bar));
    }

    private static boolean isJoined(StrokeOrder order, Fraction offset) {
        Fraction quaver = offset.dividedBy(QUAVER);
        return order.joined().get((int) (quaver.numerator() % order.quavers()));
    }

    private boolean endsPart(Tone tone) {
        int bar = tone.place().played().bar();
        Part part = tune.form().partAt(bar);
        return tune.bars().subList(part.firstBar(), part.lastBar() + 1).stream()
                .flatMap(each -> each.notes().stream())
                .filter(note -> !note.isRest())
                .reduce((one, other) -> other)
                .filter(tone.note()::equals)
                .isPresent();
    }
}
