package wildflourish.core.line;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Metre;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Layer;

/** What each rule of a layer does to the tones of its passage. A tone with an ornament is left to the ornament. */
final class LayerRules {
    /** A gap for breath takes the second half of a note of a crotchet or more. */
    private static final Fraction BREATH_FROM = Fraction.of(1, 4);

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
}
