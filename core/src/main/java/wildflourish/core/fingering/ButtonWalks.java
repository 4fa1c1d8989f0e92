package wildflourish.core.fingering;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import wildflourish.core.instrument.School;
import wildflourish.core.music.Fraction;

/** How a hand goes through the sounds of a melodic triplet, from button to button as from note to note, the bellows turning where they must. */
public final class ButtonWalks {
    private ButtonWalks() {}

    /** A way to play one of the sounds, and what it costs more than a plain note would, in turns of the bellows. */
    public record Step(ButtonWay way, double cost) {}

    /**
     * How soon things follow each other, in milliseconds for the student.
     *
     * @param button another button, or the other way of the bellows
     * @param sameFinger another button with the same finger
     * @param stroke from a turn of the bellows to the next
     */
    public record Times(Fraction button, Fraction sameFinger, Fraction stroke) {}

    /** Ways through all the sounds, the cheapest from each first one to each last one, as they are where each sound lasts so many milliseconds. */
    public static List<ButtonOption> of(List<List<Step>> sounds, Fraction partMillis, Times times, School school) {
        ButtonCosts costs = ButtonCosts.of(school);
        Map<List<ButtonWay>, ButtonOption> best = new LinkedHashMap<>();
        List<Double> shares = sounds.stream().map(sound -> 1.0 / sounds.size()).toList();
        for (List<Step> walk : all(sounds)) {
            List<ButtonWay> ways = walk.stream().map(Step::way).toList();
            if (partMillis.isLessThan(needMillis(ways, times))) {
                continue;
            }
            ButtonWay first = ways.get(0);
            ButtonWay last = ways.get(ways.size() - 1);
            ButtonOption option = new ButtonOption(
                    first,
                    first,
                    last,
                    walk.stream().mapToDouble(Step::cost).sum(),
                    partMillis.toDouble(),
                    new ButtonOption.Strokes(ways, shares, true));
            double cost = costs.ofChoice(option);
            ButtonOption known = best.get(List.of(first, last));
            if (cost < Double.POSITIVE_INFINITY && (known == null || cost < costs.ofChoice(known))) {
                best.put(List.of(first, last), option);
            }
        }
        return List.copyOf(best.values());
    }

    /** What each sound must last so that all of them can follow each other. */
    public static Fraction needMillis(List<ButtonWay> ways, Times times) {
        Fraction need = times.button;
        for (int i = 1; i < ways.size(); i++) {
            ButtonWay from = ways.get(i - 1);
            ButtonWay to = ways.get(i);
            boolean isTurn = ButtonCosts.isTurn(from, to);
            boolean turnsOn = i + 1 < ways.size() && ButtonCosts.isTurn(to, ways.get(i + 1));
            need = isTurn && turnsOn ? need.max(times.stroke) : need;
            need = ButtonCosts.isAgain(from, to) ? need.max(times.sameFinger) : need;
        }
        return need;
    }

    private static List<List<Step>> all(List<List<Step>> sounds) {
        List<List<Step>> walks = List.of(List.of());
        for (List<Step> steps : sounds) {
            List<List<Step>> longer = new ArrayList<>();
            for (List<Step> walk : walks) {
                for (Step step : steps) {
                    List<Step> more = new ArrayList<>(walk);
                    more.add(step);
                    longer.add(more);
                }
            }
            walks = longer;
        }
        return walks;
    }
}
