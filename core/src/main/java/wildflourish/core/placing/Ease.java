package wildflourish.core.placing;

import java.util.Optional;
import wildflourish.core.hand.Scene;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;

/** How hard a version is at its own tempo for the student: how much room there is to the tempo at which its hardest ornament is no longer clean. */
public enum Ease {
    /** There is no ornament in it. */
    PLAIN("plain"),
    /** It could go a third faster. */
    EASY("easy"),
    /** It could go a tenth faster. */
    STEADY("steady"),
    /** It is clean, and would not be much faster. */
    HARD("hard"),
    /** Something in it is not clean at this tempo, or cannot be played. */
    TOO_HARD("too fast for this student");

    private static final Fraction MUCH = Fraction.of(4, 3);
    private static final Fraction SOME = Fraction.of(11, 10);

    private final String word;

    Ease(String word) {
        this.word = word;
    }

    public String word() {
        return word;
    }

    /** Of a version as it is played. */
    public static Ease of(Scene scene) {
        Tempo tempo = scene.playing().tempo();
        return scene.version().spots().values().stream()
                .flatMap(spot -> spot.first().stream())
                .map(placement -> WhatFits.verdict(scene, placement)
                        .map(fit -> of(fit, tempo))
                        .orElse(TOO_HARD))
                .reduce(PLAIN, (one, other) -> one.compareTo(other) > 0 ? one : other);
    }

    private static Ease of(Fit fit, Tempo tempo) {
        Optional<Tempo> clean = fit.facts().cleanUpTo();
        if (!fit.fits()) {
            return TOO_HARD;
        }
        return clean.map(each -> of(ratio(each, tempo))).orElse(EASY);
    }

    private static Ease of(Fraction room) {
        return !room.isLessThan(MUCH)
                ? EASY
                : !room.isLessThan(SOME) ? STEADY : !room.isLessThan(Fraction.ONE) ? HARD : TOO_HARD;
    }

    /** How many times as fast one tempo is as another. */
    private static Fraction ratio(Tempo one, Tempo other) {
        return other.millisOf(Fraction.ONE).dividedBy(one.millisOf(Fraction.ONE));
    }
}
