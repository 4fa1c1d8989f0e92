package wildflourish.core.growing;

import java.util.List;
import java.util.Map;

/** The best ways through phrases that begin alike, taken together. */
interface Ways {
    /** For what neighbours see of all its phrases the best worth of the family by itself. */
    Map<Long, Integer> sights();

    /** The options of the best way of which neighbours see so much. */
    List<Option> way(long sight);
}
