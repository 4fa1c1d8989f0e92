package wildflourish.core.engraving;

import wildflourish.core.fingering.FingeringPath;
import wildflourish.core.form.Phrasing;
import wildflourish.core.performance.Hands;

/** A score with what is worked out once for all its lines: the fingering of each note and the phrases. */
record Setting(Score score, FingeringPath path, Phrasing phrasing) {
    static Setting of(Score score) {
        FingeringPath path =
                score.version().map(version -> Hands.of(score.tune(), version)).orElse(FingeringPath.NONE);
        return new Setting(score, path, Phrasing.of(score.tune()));
    }
}
