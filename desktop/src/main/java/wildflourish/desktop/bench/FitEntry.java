package wildflourish.desktop.bench;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import wildflourish.core.engraving.GesturePicture;
import wildflourish.core.engraving.Sign;
import wildflourish.core.hand.HandCost;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.placing.Fit;
import wildflourish.core.version.Placement;
import wildflourish.core.words.Words;
import wildflourish.desktop.desk.Here;

/** A line of the list of what fits. */
sealed interface FitEntry {
    /** By which typed letters find it. */
    String name();

    /** What would be placed. */
    default Optional<Fit> fit() {
        return Optional.empty();
    }

    /**
     * Something that fits.
     *
     * @param number among all that fits, from 1
     * @param isOffered whether it can be kept as another option
     * @param goesOnTop whether it can be added to what stands here
     * @param signs that are drawn for it
     * @param steps what the fingers do
     * @param price what it costs the hand, in words; empty where that is not known or next to nothing
     */
    record Card(
            Fit its,
            int number,
            boolean isOffered,
            boolean goesOnTop,
            List<Sign> signs,
            List<GesturePicture.Step> steps,
            String price)
            implements FitEntry {
        static Card of(Here here, Fit fit, int number, Optional<HandCost.Told> told) {
            Placement placement = fit.placement();
            boolean isOffered = here.spot()
                    .map(spot -> spot.at().equals(placement.span().first())
                            && !spot.options().contains(placement))
                    .orElse(false);
            return new Card(
                    fit,
                    number,
                    isOffered,
                    here.onTop(fit).isPresent(),
                    here.signsOf(fit),
                    here.fingersOf(placement),
                    told.map(Words::handCost).orElse(""));
        }

        @Override
        public String name() {
            return its.facts().ornament().name();
        }

        @Override
        public Optional<Fit> fit() {
            return Optional.of(its);
        }
    }

    /**
     * A kind, to be opened and closed.
     *
     * @param kind empty for what does not fit
     */
    record Fold(Optional<Ornament.Kind> kind, int count, boolean isOpen) implements FitEntry {
        @Override
        public String name() {
            return kind.map(Words::name).orElse("Does not fit");
        }

        String id() {
            return kind.map(each -> "kind-" + each.name().toLowerCase(Locale.ROOT))
                    .orElse("fold");
        }
    }

    /** Something that does not fit, with why not. */
    record Refused(Fit its) implements FitEntry {
        @Override
        public String name() {
            return its.facts().ornament().name();
        }
    }

    /** Where nothing fits: that it is so, and the first why. */
    record Nothing(String why) implements FitEntry {
        @Override
        public String name() {
            return "";
        }
    }
}
