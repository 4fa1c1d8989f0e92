package wildflourish.core.fingering;

/**
 * How the bellows of a box or an anglo concertina stand before a note.
 *
 * @param millis by how much they have gone further in (above 0) or out than they came, in milliseconds of one reed
 * @param isKeyWorked whether the air key is worked right before
 */
public record Balance(double millis, boolean isKeyWorked) {}
