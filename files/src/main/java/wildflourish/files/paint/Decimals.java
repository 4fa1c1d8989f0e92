package wildflourish.files.paint;

/** Writes numbers of a drawing: three places at most, none that say nothing. General formatters take most of the time of a page. */
final class Decimals {
    private static final int PER_ONE = 1000;

    private Decimals() {}

    /** Appends {@code 1.5} for 1.5004, {@code 2} for 1.9999, {@code -0.25} for −0.25. */
    static StringBuilder append(StringBuilder out, double value) {
        long thousandths = Math.round(value * PER_ONE);
        if (thousandths < 0) {
            out.append('-');
            thousandths = -thousandths;
        }
        out.append(thousandths / PER_ONE);
        int rest = (int) (thousandths % PER_ONE);
        if (rest > 0) {
            out.append('.').append((char) ('0' + rest / 100));
            if (rest % 100 > 0) {
                out.append((char) ('0' + rest / 10 % 10));
                if (rest % 10 > 0) {
                    out.append((char) ('0' + rest % 10));
                }
            }
        }
        return out;
    }
}
