package wildflourish.desktop.window;

import java.lang.management.ManagementFactory;
import java.lang.management.ThreadMXBean;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.CountDownLatch;
import java.util.stream.DoubleStream;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;

/**
 * Strikes every key of the table in the real window, several times over, and tells how long each kept the window's thread without a pause, in milliseconds of its
 * own work (drawing is done on a thread of its own), for {@code ./flourish bench thread} to print.
 */
final class ThreadClock {
    private static final boolean ASKED = Boolean.getBoolean("wildflourish.thread-clock");

    private static final int ROUNDS = Math.max(2, Integer.getInteger("wildflourish.thread-clock.rounds", 8));
    private static final int WARMING = 50;
    private static final int YARD = 200_000;
    private static final long QUIET_MILLIS = 70;
    private static final long LONGEST_WAIT_MILLIS = 2000;
    /** Less work than this is the clock's own. */
    private static final long BUSY_NANOS = 400_000;

    private static final double MILLION = 1e6;
    private static final double BUDGET_MILLIS = 8;

    private final MainWindow window;
    private final ThreadMXBean threads = ManagementFactory.getThreadMXBean();
    private final Map<String, List<Double>> longest = new LinkedHashMap<>();
    private final List<Double> yards = new ArrayList<>();
    /** Kept, so that the work is done. */
    private volatile double yardSum;

    /** What took the thread while the window got ready. */
    private final List<Double> gettingReady = new ArrayList<>();

    private boolean isReady;
    private long before;
    private long longestNow;
    private volatile long lastBusy;

    private ThreadClock(MainWindow window) {
        this.window = window;
    }

    /** Where it is asked for, looks on from now, as a window gets ready. Gives what begins the striking, prints the table and ends the process. */
    static Runnable watch(MainWindow window) {
        if (!ASKED) {
            return () -> {};
        }
        ThreadClock clock = new ThreadClock(window);
        clock.before = clock.threads.getCurrentThreadCpuTime();
        new AnimationTimer() {
            @Override
            public void handle(long now) {
                clock.frame();
            }
        }.start();
        return clock::begin;
    }

    private void begin() {
        isReady = true;
        Thread thread = new Thread(this::run, "thread clock");
        thread.setDaemon(true);
        thread.start();
    }

    /** At the beginning of each frame and after it: what came before was done without a pause. */
    private void frame() {
        beat();
        Platform.runLater(this::beat);
    }

    /** Notes how much the window's thread has worked since the last time. */
    private void beat() {
        long now = threads.getCurrentThreadCpuTime();
        longestNow = Math.max(longestNow, now - before);
        if (now - before > BUSY_NANOS) {
            lastBusy = System.nanoTime();
            if (!isReady) {
                gettingReady.add((now - before) / MILLION);
            }
        }
        before = threads.getCurrentThreadCpuTime();
    }

    private void run() {
        for (int warming = 0; warming < WARMING; warming++) {
            onWindow(() -> yard());
        }
        for (int round = 0; round < ROUNDS; round++) {
            for (Round.Deed deed : window.round(2 + round % 2)) {
                onWindow(() -> {
                    before = threads.getCurrentThreadCpuTime();
                    longestNow = 0;
                    deed.verb().run();
                    beat();
                });
                settle();
                if (!deed.bare()) {
                    onWindow(() -> longest.computeIfAbsent(deed.words(), each -> new ArrayList<>())
                            .add(longestNow / MILLION));
                    onWindow(() -> yards.add(yard()));
                }
            }
        }
        print();
        Runtime.getRuntime().halt(0);
    }

    /** What the same little work takes, in milliseconds: what it takes more at times is the machine's doing, not ours. */
    private double yard() {
        long began = threads.getCurrentThreadCpuTime();
        double sum = 0;
        for (int i = 1; i < YARD; i++) {
            sum += Math.sqrt(i);
        }
        yardSum = sum;
        return (threads.getCurrentThreadCpuTime() - began) / MILLION;
    }

    private void print() {
        List<Double> ready = gettingReady.stream().sorted().toList();
        System.out.printf(
                Locale.ROOT,
                "while the window got ready: %d frames with work, %d of them more than %.0f ms, half %.1f, one in a hundred %.1f, the longest %.1f ms%n",
                ready.size(),
                ready.stream().filter(each -> each > BUDGET_MILLIS).count(),
                BUDGET_MILLIS,
                ready.get(ready.size() / 2),
                ready.get(ready.size() * 99 / 100),
                ready.get(ready.size() - 1));
        List<Map.Entry<String, List<Double>>> rows = new ArrayList<>(longest.entrySet());
        rows.sort(Comparator.comparingDouble(row -> -row.getValue().get(0)));
        System.out.printf(
                Locale.ROOT,
                "%6s %6s %6s  milliseconds of the window's thread without a pause%n",
                "first",
                "usual",
                "worst");
        rows.forEach(row -> System.out.printf(
                Locale.ROOT,
                "%6.1f %6.1f %6.1f  %s%n",
                row.getValue().get(0),
                median(row.getValue()),
                later(row.getValue()).max().orElse(0),
                row.getKey()));
        List<Double> later = rows.stream()
                .flatMap(row -> later(row.getValue()).boxed())
                .sorted()
                .toList();
        System.out.printf(
                Locale.ROOT,
                "%d things done: the first time %d take more than %.0f ms, usually %d; of all later times half %.1f, one in a hundred %.1f, the longest %.1f ms%n",
                rows.size(),
                rows.stream()
                        .filter(row -> row.getValue().get(0) > BUDGET_MILLIS)
                        .count(),
                BUDGET_MILLIS,
                rows.stream()
                        .filter(row -> median(row.getValue()) > BUDGET_MILLIS)
                        .count(),
                later.get(later.size() / 2),
                later.get(later.size() * 99 / 100),
                later.get(later.size() - 1));
        List<Double> yard = yards.stream().sorted().toList();
        System.out.printf(
                Locale.ROOT,
                "the same little work, done after each: half %.1f, one in a hundred %.1f, the longest %.1f ms (%.0f); so much is the machine%n",
                yard.get(yard.size() / 2),
                yard.get(yard.size() * 99 / 100),
                yard.get(yard.size() - 1),
                yardSum);
    }

    /** All times but the first. */
    private static DoubleStream later(List<Double> figures) {
        return figures.stream().skip(1).mapToDouble(Double::doubleValue);
    }

    private static double median(List<Double> figures) {
        return figures.stream().sorted().toList().get(figures.size() / 2);
    }

    /** Does it where the window lives; ends the process where it fails, for there would be nothing to wait for. */
    private static void onWindow(Runnable verb) {
        CountDownLatch done = new CountDownLatch(1);
        Platform.runLater(() -> {
            try {
                verb.run();
                done.countDown();
            } catch (RuntimeException e) {
                System.out.println("The clock stopped: " + e);
                Runtime.getRuntime().halt(1);
            }
        });
        try {
            done.await();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** Waits until the window's thread has done nothing for a while. */
    private void settle() {
        long began = System.nanoTime();
        do {
            pause(5);
        } while (System.nanoTime() - Math.max(lastBusy, began) < QUIET_MILLIS * MILLION
                && System.nanoTime() - began < LONGEST_WAIT_MILLIS * MILLION);
    }

    private static void pause(long millis) {
        try {
            Thread.sleep(millis);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
