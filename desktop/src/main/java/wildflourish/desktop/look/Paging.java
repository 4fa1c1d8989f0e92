package wildflourish.desktop.look;

/** On what a score is laid out. */
public enum Paging {
    /** One page that grows downward. */
    LONG,
    /** Sheets of paper as they will be printed. */
    SHEETS,
    /** One phrase alone, as large as the room lets it be. */
    PHRASE
}
