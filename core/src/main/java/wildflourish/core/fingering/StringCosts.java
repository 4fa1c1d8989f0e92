package wildflourish.core.fingering;

import java.util.HashMap;
import java.util.Map;
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
            "not thumb",
            "high"
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
        return java.util.Objects.requireNonNull(values.get(name), name);
    }

    /** What a place costs by itself, where the next string's open note is the same as the fourth finger's. */
    double ofChoice(Strings strings, Strings.Place place) {
        double cost = place.stop().extra() + (place.position() > 0 ? of("high") : 0);
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
        return ButtonCosts.exact(cost + (hasFourth ? of("open") : 0));
    }

    /** What it costs to begin at a place: the hand begins in the first position and has time to move. */
    double ofBegin(Strings strings, Strings.Place place) {
        double moved = place.position() > 0 ? (of("shift") + place.position()) / 2 : 0;
        return ButtonCosts.exact(ofChoice(strings, place) + moved);
    }

    /** What the left hand does from one place to the next. */
    double ofMove(Strings.Place from, Strings.Place to, Struck before, Struck struck) {
        double cost = 0;
        int strings = Math.abs(to.string() - from.string());
        if (strings > 0) {
            cost += strings == 1 ? of("change") : of("skip") + (strings - 2) * of("change");
        }
        int moved = Math.abs(to.position() - from.position());
        if (moved > 0) {
            double shift = of("shift") + moved;
            cost += from.isOpen() || struck.restMillis() > 0 ? shift / 2 : shift;
        } else if (!from.isOpen() && !to.isOpen()) {
            cost += fingers(from, to);
        }
        return ButtonCosts.exact(cost * USUAL_MILLIS / (before.millis() + struck.restMillis()));
    }

    private double fingers(Strings.Place from, Strings.Place to) {
        boolean isSameFinger = from.stop().finger() == to.stop().finger();
        if (from.string() == to.string()) {
            boolean isSamePlace = from.semitones() == to.semitones();
            return isSameFinger
                    ? isSamePlace ? 0 : of("same finger")
                    : to.stop().finger() > from.stop().finger() ? of("kept") : 0;
        }
        if (!isSameFinger) {
            return 0;
        }
        return from.semitones() == to.semitones() ? of("planted") : of("across");
    }

    /** Whether fingers of a banjo hand follow each other too fast to be the same. */
    static boolean isTooFast(Struck before, Struck struck) {
        return before.millis() + struck.restMillis() < 120;
    }
}
