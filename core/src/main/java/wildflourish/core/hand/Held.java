package wildflourish.core.hand;

import wildflourish.core.instrument.Breath;
import wildflourish.core.instrument.Fingering;

/** What the fingers and the breath of a wind player hold. */
public record Held(Fingering fingering, Breath breath) {}
