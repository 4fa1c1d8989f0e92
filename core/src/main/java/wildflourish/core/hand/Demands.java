package wildflourish.core.hand;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.fingering.Demand;
import wildflourish.core.line.Tone;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Begin;
import wildflourish.core.ornament.Choice;
import wildflourish.core.ornament.Effort;
import wildflourish.core.ornament.Figure;
import wildflourish.core.ornament.Part;
import wildflourish.core.ornament.Refusal;
import wildflourish.core.ornament.Share;
import wildflourish.core.tune.NoteId;

/** What a figure asks of the bow and of the fingers on each of its written notes. */
final class Demands {
    private Demands() {}

    static Map<NoteId, Demand> of(Occasion occasion, Figure figure) {
        BowGrip grip = new BowGrip(occasion, figure.unrolled(figure.shake().least()));
        Map<NoteId, Demand> demands = new HashMap<>();
        List<Part> parts = figure.parts();
        boolean isNewOnly = occasion.stack().choices().stream()
                .anyMatch(choice -> choice.ornament().speech().refusals().contains(Refusal.NEEDS_NEW_BOW));
        Demand.Extra extra = extra(occasion);
        Fraction begins = Fraction.ZERO;
        for (int i = 0; i < occasion.tones().size(); i++) {
            Tone tone = occasion.tones().get(i);
            Fraction ends = begins.plus(tone.length());
            List<Part> within = within(figure, parts, begins, ends, occasion.lengthWholeNotes());
            Demand.Join join = i == 0 ? isNewOnly ? Demand.Join.NEW_BOW : Demand.Join.FREE : joinOf(within);
            demands.put(
                    tone.note().id(),
                    new Demand(
                            more(within),
                            join,
                            i == 0 ? grip.able() : Set.of(),
                            join == Demand.Join.SAME_BOW,
                            grip.seconds(i),
                            Optional.empty(),
                            List.of(),
                            Optional.empty(),
                            i == 0 ? extra : Demand.Extra.NONE));
            begins = ends;
        }
        return demands;
    }

    private static Demand.Extra extra(Occasion occasion) {
        double always = 0;
        double onUp = 0;
        for (Choice choice : occasion.stack().choices()) {
            Effort effort = Effort.of(choice.ornament().id());
            always += effort.always();
            onUp += effort.onUp();
        }
        return new Demand.Extra(always, onUp);
    }

    /** The parts that begin while a written note lasts. */
    private static List<Part> within(Figure figure, List<Part> parts, Fraction begins, Fraction ends, Fraction whole) {
        List<Part> within = new java.util.ArrayList<>();
        Fraction at = Fraction.ZERO;
        boolean isExact = figure.slots().stream().allMatch(slot -> slot.share().kind() == Share.Kind.EXACT);
        if (!isExact) {
            return begins.isZero() ? parts : within;
        }
        for (Figure.Slot slot : figure.slots()) {
            if (!at.isLessThan(begins) && at.isLessThan(ends)) {
                within.addAll(slot.parts());
            }
            at = at.plus(whole.times(slot.share().part()));
        }
        return within;
    }

    /** A note within which nothing begins anew goes on with the bow before. */
    private static Demand.Join joinOf(List<Part> within) {
        boolean isNew = !within.isEmpty() && within.get(0).begin().isNewBow();
        return isNew ? Demand.Join.NEW_BOW : Demand.Join.SAME_BOW;
    }

    private static int more(List<Part> within) {
        return (int)
                within.stream().skip(1).map(Part::begin).filter(Begin::isNewBow).count();
    }
}
