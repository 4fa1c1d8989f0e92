package wildflourish.core.table;

/** How far a value of the trade can be trusted; it stands beside the value wherever the value is shown. */
public enum Trust {
    H("high"),
    M("medium"),
    L("low");

    private final String word;

    Trust(String word) {
        this.word = word;
    }

    public String word() {
        return word;
    }
}
