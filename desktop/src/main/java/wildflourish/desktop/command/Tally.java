package wildflourish.desktop.command;

import java.io.PrintWriter;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;

/** Says on the error stream, once a second at most and only where it takes longer than that, how far a long work is. Threads may share it. */
final class Tally {
    private static final long SECOND = TimeUnit.SECONDS.toNanos(1);

    private final PrintWriter out;
    private final String what;
    private final AtomicInteger done = new AtomicInteger();
    private long saidNanos = System.nanoTime();

    Tally(PrintWriter out, String what) {
        this.out = out;
        this.what = what;
    }

    /** One more of so many is done. */
    void one(int all) {
        int count = done.incrementAndGet();
        if (count < all) {
            say(count + " of " + all + " ");
        }
    }

    /** A share of all is done, from 0 to 1. */
    void reached(double share) {
        if (share < 1) {
            say((int) (share * 100) + " % ");
        }
    }

    private synchronized void say(String count) {
        if (System.nanoTime() - saidNanos > SECOND) {
            saidNanos = System.nanoTime();
            out.println(count + what);
            out.flush();
        }
    }
}
