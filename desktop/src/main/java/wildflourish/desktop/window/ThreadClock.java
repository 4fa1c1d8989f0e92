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
import java.util.stream.DoubleStream;
import javafx.application.Platform;
import javafx.event.Event;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.TextArea;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.desktop.desk.Desk;

/**
 * Strikes every key of the table in the real window, several times over, and tells how long each kept the window's thread without a pause, in milliseconds of its
 * own work (drawing is done on a thread of its own), for {@code ./flourish bench thread} to print.
 */
final class ThreadClock {
    private static final boolean ASKED = Boolean.getBoolean("wildflourish.thread-clock");

    private static final int ROUNDS = Math.max(2, Integer.getInteger("wildflourish.thread-clock.rounds", 8));
    private static final long SETTLED_MILLIS = 4000;
    private static final long QUIET_MILLIS = 70;
    private static final long LONGEST_WAIT_MILLIS = 600;
    /** Less work than this is the clock's own. */
    private static final long BUSY_NANOS = 400_000;

    /** What is typed is taken after a pause. */
    private static final long TAKEN_MILLIS = 400;

    private static final double MILLION = 1e6;
    private static final double BUDGET_MILLIS = 8;

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
            onWindow(this::begin);
            settle();
            choose();
            lookAnew(2 + round % 2);
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
        boolean isPlain = !isDown(key.getShortcut()) && !isDown(key.getAlt());
        if (isDown(key.getShortcut()) && ASKING.contains(key.getCode())) {
            return;
        }
        timed(words, () -> press(key));
        if (key.getCode().isFunctionKey()) {
            timed(words + ", and back", () -> press(new KeyCodeCombination(KeyCode.ESCAPE)));
        } else if (isPlain && (key.getCode().isLetterKey() || key.getCode() == KeyCode.SPACE)) {
            timed(words + ", and again", () -> press(key));
        }
    }

    /** What is done without a key: choosing an instrument or a student, typing. */
    private void choose() {
        for (String instrument : List.of("flute-d", "fiddle", "box-bc", "english-48", "banjo-open-g", "whistle-d")) {
            timed(
                    "choose the " + Instrument.of(instrument).name(),
                    () -> desk.chooseInstrument(Instrument.of(instrument)));
        }
        Profile.all()
                .forEach(profile -> timed("choose the student: " + profile.name(), () -> desk.chooseProfile(profile)));
        onWindow(() -> press(new KeyCodeCombination(KeyCode.W)));
        settle();
        TextArea text = (TextArea) scene.lookup("#tune-text");
        timed("type a note", () -> text.appendText("d"));
        pause(TAKEN_MILLIS);
        timed("type another, and it is taken", () -> {
            text.appendText("e");
            ((WritePanel) scene.lookup("#write")).finish();
        });
        onWindow(() -> press(new KeyCodeCombination(KeyCode.ESCAPE)));
        onWindow(() -> score.requestFocus());
        onWindow(() -> press(new KeyCodeCombination(KeyCode.W)));
        settle();
    }

    /** The views that keep what they worked out, on a tune they were not on the last time. */
    private void lookAnew(int lesson) {
        onWindow(this::begin);
        onWindow(() -> desk.chooseLesson(lesson));
        settle();
        timed("look over another tune", () -> press(new KeyCodeCombination(KeyCode.K)));
        timed("best fit of another tune", () -> press(new KeyCodeCombination(KeyCode.I)));
        timed("another tune while both are open", () -> desk.chooseLesson(lesson + 2));
    }

    private static boolean isDown(KeyCombination.ModifierValue modifier) {
        return modifier == KeyCombination.ModifierValue.DOWN;
    }

    private void press(KeyCodeCombination key) {
        Node focus = scene.getFocusOwner() == null ? scene.getRoot() : scene.getFocusOwner();
        KeyEvent event = new KeyEvent(
                KeyEvent.KEY_PRESSED,
                "",
                "",
                key.getCode(),
                isDown(key.getShift()),
                isDown(key.getShortcut()),
                isDown(key.getAlt()),
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
