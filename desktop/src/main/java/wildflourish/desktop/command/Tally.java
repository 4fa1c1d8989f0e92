package wildflourish.desktop.command;

import java.io.PrintWriter;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;

/** Says on the error stream, once a second at most and only where it takes longer than that, how far a long work is. Threads may share it. */
final class Tally {
    private static final long SECOND = TimeUnit.SECONDS.toNanos(1);

    private final PrintWriter out;
    private final String what;
    private final int all;
    private final AtomicInteger done = new AtomicInteger();
    private long saidNanos = System.nanoTime();

    Tally(PrintWriter out, String what, int all) {
        this.out = out;
        this.what = what;
        this.all = all;
    }

    void one() {
        say(done.incrementAndGet());
    }

    private synchronized void say(int count) {
        if (System.nanoTime() - saidNanos > SECOND && count < all) {
            saidNanos = System.nanoTime();
            out.println(count + " of " + all + " " + what);
            out.flush();
        }
    }
}
