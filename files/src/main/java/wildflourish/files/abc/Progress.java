package wildflourish.files.abc;

/** Follows long work, and can stop it by throwing {@link java.util.concurrent.CancellationException}. */
@FunctionalInterface
public interface Progress {
    /** Nobody follows. */
    Progress NONE = share -> {};

    /** A share of the work is done, from 0 to 1. */
    void reached(double share);
}
