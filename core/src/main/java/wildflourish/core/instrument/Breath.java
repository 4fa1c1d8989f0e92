package wildflourish.core.instrument;

/** How hard the player blows: soft for the first register, firm for the second. */
public enum Breath {
    SOFT,
    FIRM
}
