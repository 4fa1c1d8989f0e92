package wildflourish.core.fingering;

import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import wildflourish.core.instrument.School;
import wildflourish.core.instrument.Strings;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/** What a way to play costs on strings: rows of {@code string-costs.table}. */
final class StringCosts {
    private static final double USUAL_MILLIS = 150;
    private static final int FOURTH = 4;
    private static final int FIFTH = 7;

    private final Map<String, Double> values = new HashMap<>();

    private StringCosts(Row row) {
        for (String column : new String[] {
            "change",
            "skip",
            "fourth",
            "open",
            "same finger",
            "across",
            "planted",
            "kept",
            "shift",
            "beat",
            "long slur",
            "slur skip",
            "retake",
            "order",
            "again",
            "string again",
            "pick beat",
            "pick twice",
            "not lead",
            "high",
            "awkward",
            "phrase",
            "roll",
            "stopped",
            "far string"
        }) {
            values.put(column, row.read(column, Double::valueOf));
        }
    }

    private static final Map<String, StringCosts> ALL = new HashMap<>();

    static {
        for (Row row : Table.load("string-costs.table").rows()) {
            ALL.put(row.text("school"), new StringCosts(row));
        }
    }

    /** Throws IllegalArgumentException for a school that says nothing of strings. */
    static StringCosts of(School school) {
        StringCosts costs = ALL.get(school.id());
        if (costs == null) {
            throw new IllegalArgumentException("“" + school.name() + "” is no way of playing strings");
        }
        return costs;
    }

    double of(String name) {
        return Objects.requireNonNull(values.get(name), name);
    }

    /** What a hold costs by itself. */
    double ofChoice(Strings strings, StringHold hold) {
        double cost = hold.position() > 0 ? of("high") : 0;
        for (Strings.Place place : hold.places()) {
            cost += ofPlace(strings, place);
        }
        boolean isAwkward = strings.stroke() == Strings.Stroke.BOW && Together.isAwkward(hold);
        return ButtonCosts.exact(cost + (isAwkward ? of("awkward") : 0));
    }

    /** What a place costs where the next string's open note is the same as the fourth finger's. */
    private double ofPlace(Strings strings, Strings.Place place) {
        double cost = place.stop().extra() + (place.isOpen() ? 0 : of("stopped"));
        boolean isFourth = place.stop().finger() == FOURTH
                && place.position() == 0
                && place.semitones() == FIFTH
                && strings.open().stream()
                        .anyMatch(open -> open.midi()
                                == strings.open().get(place.string()).midi() + FIFTH);
        cost += isFourth ? of("fourth") : 0;
        boolean hasFourth = place.isOpen()
                && strings.hand().stream().anyMatch(stop -> stop.semitones() == FIFTH)
                && strings.open().stream()
                        .anyMatch(open -> open.midi()
                                == strings.open().get(place.string()).midi() - FIFTH);
        return cost + (hasFourth ? of("open") : 0);
    }

    /** What it costs to begin with a hold: the hand begins in the first position and has time to move. */
    double ofBegin(Strings strings, StringHold hold) {
        double moved = hold.position() > 0 ? (of("shift") + hold.position()) / 2 : 0;
        return ButtonCosts.exact(ofChoice(strings, hold) + moved);
    }

    /** What the left hand does from one hold to the next. */
    double ofMove(StringHold from, StringHold to, Struck before, Struck struck) {
        double cost = ofStrings(from, to);
        int moved = Math.abs(to.position() - from.position());
        if (moved > 0) {
            double shift = of("shift") + moved;
            boolean isEasy = struck.restMillis() > 0 || from.places().stream().allMatch(Strings.Place::isOpen);
            cost += isEasy ? shift / 2 : shift;
        } else {
            for (Strings.Place place : to.places()) {
                cost += place.isOpen() ? 0 : ofFinger(from, place);
            }
        }
        return forgiven(cost, before, struck);
    }

    /** What a cost comes to where notes follow each other slower or faster than quavers usually do: slow music forgives. */
    static double forgiven(double cost, Struck before, Struck struck) {
        return ButtonCosts.exact(cost * USUAL_MILLIS / HandTimes.between(before, struck));
    }

    private double ofStrings(StringHold from, StringHold to) {
        int between = from.stringsTo(to);
        return between > 1
                ? of("skip") + (between - 2) * of("change")
                : Math.abs(to.level() - from.level()) * of("change");
    }

    /** What the finger of a place did before, or one that it can leave down. */
    private double ofFinger(StringHold from, Strings.Place to) {
        double again = Double.POSITIVE_INFINITY;
        double kept = 0;
        for (Strings.Place held : from.places()) {
            if (held.isOpen()) {
                continue;
            }
            boolean isSameString = held.string() == to.string();
            if (held.stop().finger() == to.stop().finger()) {
                again = Math.min(again, ofSameFinger(held, to));
            } else if (isSameString && to.stop().finger() > held.stop().finger()) {
                kept = of("kept");
            }
        }
        return again < Double.POSITIVE_INFINITY ? again : kept;
    }

    private double ofSameFinger(Strings.Place from, Strings.Place to) {
        boolean isAsHigh = from.semitones() == to.semitones();
        if (from.string() == to.string()) {
            return isAsHigh ? 0 : of("same finger");
        }
        return isAsHigh ? of("planted") : of("across");
    }
}
