package wildflourish.core.fingering;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.instrument.School;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/** The buttons of those who play an anglo concertina across its rows. */
public final class Across {
    private static final Map<FingeredPitch, String> ALL = new HashMap<>();
    /** What it costs to leave such a button for an ornament that it cannot make, in turns of the bellows. */
    private static final double LEFT_FOR_ORNAMENT = 0.5;

    static {
        for (Row row : Table.load("layouts/anglo-across.table").rows()) {
            ALL.put(row.read("note", FingeredPitch::parse), row.text("way"));
        }
    }

    private Across() {}

    /** The name of the key that such a player takes for a pitch; empty where there is no choice. */
    public static Optional<String> keyOf(FingeredPitch pitch) {
        return Optional.ofNullable(ALL.get(pitch));
    }

    static boolean isLeft(ButtonWay way) {
        return keyOf(way.key().button().pitch(way.key().bellows()))
                .filter(key -> !key.equals(way.key().name()))
                .isPresent();
    }

    /** By how much it costs less to leave such a button where it cannot make an ornament; 0 for players who have no such buttons. */
    public static double forgiven(School school) {
        double cost = ButtonCosts.of(school).notAcross();
        return cost > 0 ? cost - LEFT_FOR_ORNAMENT : 0;
    }
}
