package wildflourish.desktop.window;

import java.lang.management.ManagementFactory;
import java.lang.management.ThreadMXBean;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.CountDownLatch;
import javafx.application.Platform;
import javafx.event.Event;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;
import wildflourish.desktop.desk.Desk;

/**
 * Strikes every key of the table in the real window, several times over, and tells how long each kept the window's thread without a pause, in milliseconds of its
 * own work (drawing is done on a thread of its own), for {@code ./flourish bench thread} to print.
 */
final class ThreadClock {
    private static final boolean ASKED = Boolean.getBoolean("wildflourish.thread-clock");

    private static final int ROUNDS = Integer.getInteger("wildflourish.thread-clock.rounds", 12);
    private static final long SETTLED_MILLIS = 4000;
    private static final long QUIET_MILLIS = 70;
    private static final long LONGEST_WAIT_MILLIS = 600;
    /** Less work than this is the clock's own. */
    private static final long BUSY_NANOS = 400_000;

    private static final double MILLION = 1e6;

    /** What asks the user something, or leaves the window: it waits for people, not for us. */
    private static final Set<KeyCode> ASKING = Set.of(KeyCode.O, KeyCode.S, KeyCode.E, KeyCode.P, KeyCode.N);

    private final Scene scene;
    private final Node score;
    private final Desk desk;
    private final Keys keys;
    private final ThreadMXBean threads = ManagementFactory.getThreadMXBean();
    private final Map<String, List<Double>> longest = new LinkedHashMap<>();
    private volatile boolean isOver;
    private long before;
    private long longestNow;
    private volatile long lastBusy;

    private ThreadClock(Scene scene, Desk desk, Keys keys) {
        this.scene = scene;
        this.score = scene.lookup("#score");
        this.desk = desk;
        this.keys = keys;
    }

    /** Where it is asked for, begins once the window has settled, prints its table and ends the process. */
    static void watch(Scene scene, Desk desk, Keys keys) {
        if (ASKED) {
            ThreadClock clock = new ThreadClock(scene, desk, keys);
            Thread thread = new Thread(clock::run, "thread clock");
            thread.setDaemon(true);
            thread.start();
            Thread beats = new Thread(clock::beat, "beats");
            beats.setDaemon(true);
            beats.start();
        }
    }

    /** As often as can be, lets the window's thread note how much it has worked since the last time: the most it did without a pause. */
    private void beat() {
        while (!isOver) {
            onWindow(() -> {
                long now = threads.getCurrentThreadCpuTime();
                longestNow = Math.max(longestNow, now - before);
                if (now - before > BUSY_NANOS) {
                    lastBusy = System.nanoTime();
                }
                before = threads.getCurrentThreadCpuTime();
            });
            pause(1);
        }
    }

    private void run() {
        pause(SETTLED_MILLIS);
        for (int round = 0; round < ROUNDS; round++) {
            keys.byWords().forEach((words, actions) -> {
                onWindow(this::begin);
                settle();
                strike(words, actions);
            });
        }
        isOver = true;
        print();
        Runtime.getRuntime().halt(0);
    }

    /** The same spot of the same book, as it was opened, with the score before one. */
    private void begin() {
        press(new KeyCodeCombination(KeyCode.ESCAPE));
        press(new KeyCodeCombination(KeyCode.ESCAPE));
        score.requestFocus();
        while (!desk.done().isEmpty()) {
            desk.undo();
        }
        desk.chooseLesson(0);
        desk.chooseStage(1);
        desk.walk(-1000);
        desk.walk(4);
    }

    private void strike(String words, List<Keys.Action> actions) {
        KeyCodeCombination key = (KeyCodeCombination) actions.get(0).key();
        if (key.getShortcut() == KeyCombination.ModifierValue.DOWN && ASKING.contains(key.getCode())) {
            return;
        }
        timed(words, () -> press(key));
        if (key.getCode().isFunctionKey()) {
            timed("back from: " + words, () -> press(new KeyCodeCombination(KeyCode.ESCAPE)));
        } else if (isTurn(key)) {
            timed("back from: " + words, () -> press(key));
        }
    }

    /** A key that shows something and, struck again, hides it. */
    private static boolean isTurn(KeyCodeCombination key) {
        return key.getShortcut() != KeyCombination.ModifierValue.DOWN
                && key.getAlt() != KeyCombination.ModifierValue.DOWN
                && Set.of(
                                KeyCode.C,
                                KeyCode.H,
                                KeyCode.I,
                                KeyCode.K,
                                KeyCode.J,
                                KeyCode.D,
                                KeyCode.A,
                                KeyCode.G,
                                KeyCode.V,
                                KeyCode.W,
                                KeyCode.SPACE,
                                KeyCode.L,
                                KeyCode.P,
                                KeyCode.E,
                                KeyCode.T)
                        .contains(key.getCode());
    }

    private void press(KeyCodeCombination key) {
        Node focus = scene.getFocusOwner() == null ? scene.getRoot() : scene.getFocusOwner();
        KeyEvent event = new KeyEvent(
                KeyEvent.KEY_PRESSED,
                "",
                "",
                key.getCode(),
                key.getShift() == KeyCombination.ModifierValue.DOWN,
                key.getShortcut() == KeyCombination.ModifierValue.DOWN,
                key.getAlt() == KeyCombination.ModifierValue.DOWN,
                false);
        Event.fireEvent(focus, event);
    }

    private void timed(String words, Runnable verb) {
        onWindow(() -> {
            before = threads.getCurrentThreadCpuTime();
            longestNow = 0;
            verb.run();
        });
        settle();
        onWindow(() -> longest.computeIfAbsent(words, each -> new ArrayList<>()).add(longestNow / MILLION));
    }

    private void print() {
        List<Map.Entry<String, List<Double>>> rows = new ArrayList<>(longest.entrySet());
        rows.sort(Comparator.comparingDouble(row -> -median(row.getValue())));
        rows.forEach(row -> System.out.printf(
                Locale.ROOT,
                "%-55s first %6.1f  usual %6.1f  longest after the first %6.1f%n",
                row.getKey(),
                row.getValue().get(0),
                median(row.getValue()),
                row.getValue().stream()
                        .skip(1)
                        .mapToDouble(Double::doubleValue)
                        .max()
                        .orElse(0)));
    }

    private static double median(List<Double> figures) {
        return figures.stream().sorted().toList().get(figures.size() / 2);
    }

    private static void onWindow(Runnable verb) {
        CountDownLatch done = new CountDownLatch(1);
        Platform.runLater(() -> {
            verb.run();
            done.countDown();
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
