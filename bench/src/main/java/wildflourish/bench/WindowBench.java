package wildflourish.bench;

import java.lang.management.ManagementFactory;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.stage.Window;
import wildflourish.core.engraving.Page;
import wildflourish.desktop.action.Action;
import wildflourish.desktop.view.ScoreView;
import wildflourish.desktop.window.FlourishApp;
import wildflourish.desktop.window.MainWindow;

/**
 * How long the window keeps who works in it waiting: every action that asks for no file is done in turn, each is timed from its beginning to the end of the next
 * layout of the window, the first time and later. With the argument {@code start} alone: the milliseconds from the start of the process to the first layout. With
 * {@code stair} alone: an ornament placed and removed at the lowest of five stages, to the next layout, and until all stages are drawn anew.
 */
public final class WindowBench {
    private static final String[] ON_THE_STAIR = {
        "--tune=9", "--instrument=whistle-c", "--stage=1", "--note=6", "--do=room-stair"
    };
    private static final int ROUNDS = 5;
    private static final double MILLION = 1e6;
    private static final long SETTLED_MILLIS = 60;
    /** Those that ask for a file, end something, or make a sound. */
    private static final Set<String> LEFT_OUT = Set.of("open", "open-beside", "save", "save-as", "print", "done");

    private WindowBench() {}

    public static void main(String[] arguments) throws Exception {
        boolean isStart = arguments.length > 0 && arguments[0].equals("start");
        boolean isStair = arguments.length > 0 && arguments[0].equals("stair");
        String[] parameters = isStair
                ? ON_THE_STAIR
                : arguments.length > 1 && !isStart ? new String[] {"--instrument=" + arguments[1]} : new String[0];
        // Nothing that an earlier window left unsaved is to be looked through.
        System.setProperty(
                "flourish.own", Files.createTempDirectory("flourish-bench").toString());
        new Thread(() -> FlourishApp.begin(parameters), "window").start();
        Scene scene = scene();
        CountDownLatch laidOut = new CountDownLatch(1);
        Platform.runLater(() -> {
            scene.addPostLayoutPulseListener(laidOut::countDown);
            Platform.requestNextPulse();
        });
        laidOut.await();
        if (isStart) {
            long begun = ManagementFactory.getRuntimeMXBean().getStartTime();
            System.out.println(System.currentTimeMillis() - begun);
        } else {
            Thread.sleep(1500);
            if (isStair) {
                measureStair(scene);
            } else {
                measure(scene);
            }
        }
        if (List.of(arguments).contains("leave")) {
            // In good order, so that the archive of classes is written.
            Platform.exit();
        } else {
            Runtime.getRuntime().halt(0);
        }
    }

    private static Scene scene() throws InterruptedException {
        while (true) {
            Thread.sleep(2);
            List<Window> windows = List.copyOf(Window.getWindows());
            if (!windows.isEmpty()
                    && windows.get(0).getScene() != null
                    && windows.get(0).isShowing()) {
                return windows.get(0).getScene();
            }
        }
    }

    private static void measure(Scene scene) throws InterruptedException {
        MainWindow window = (MainWindow) scene.getRoot();
        Map<String, List<Double>> took = new LinkedHashMap<>();
        for (int round = 0; round < ROUNDS; round++) {
            for (Action action : window.actions().all()) {
                if (isTimed(action)) {
                    double millis = time(scene, action);
                    took.computeIfAbsent(action.id(), id -> new ArrayList<>()).add(millis);
                    run(() -> leave(window, action));
                    Thread.sleep(SETTLED_MILLIS);
                }
            }
        }
        print(took);
    }

    private static void measureStair(Scene scene) throws InterruptedException {
        MainWindow window = (MainWindow) scene.getRoot();
        ScoreView score = (ScoreView) scene.lookup("#score");
        List<Double> frames = new ArrayList<>();
        List<Double> all = new ArrayList<>();
        for (int round = 0; round < 4 * ROUNDS; round++) {
            Optional<Page> before = score.page();
            long begun = System.nanoTime();
            frames.add(time(scene, window.actions().of(round % 2 == 0 ? "place" : "remove")));
            while (score.page().equals(before) && System.nanoTime() - begun < 2_000 * MILLION) {
                Thread.sleep(1);
            }
            all.add((System.nanoTime() - begun) / MILLION);
            // Until the change is kept aside, which begins a moment after it.
            Thread.sleep(30 * SETTLED_MILLIS);
        }
        System.out.printf(
                Locale.ROOT,
                "to the next layout %.1f ms, at most %.1f; all stages drawn anew %.1f ms, at most %.1f%n",
                part(frames.stream().sorted().toList(), 0.5),
                part(frames.stream().sorted().toList(), 1),
                part(all.stream().sorted().toList(), 0.5),
                part(all.stream().sorted().toList(), 1));
    }

    private static boolean isTimed(Action action) {
        String group = action.row().group();
        return !LEFT_OUT.contains(action.id()) && !group.equals("take away") && !group.equals("hear");
    }

    /** Back to the Bench, so that the next action can be done. */
    private static void leave(MainWindow window, Action action) {
        if (action.row().group().equals("rooms")
                || action.id().equals("find")
                || action.id().equals("name-phrase")) {
            window.actions().of("room-bench").run();
        }
    }

    private static void run(Runnable verb) throws InterruptedException {
        CountDownLatch done = new CountDownLatch(1);
        Platform.runLater(() -> {
            verb.run();
            done.countDown();
        });
        done.await(20, TimeUnit.SECONDS);
    }

    private static double time(Scene scene, Action action) throws InterruptedException {
        long[] times = new long[2];
        CountDownLatch drawn = new CountDownLatch(1);
        Runnable pulse = new Runnable() {
            @Override
            public void run() {
                scene.removePostLayoutPulseListener(this);
                times[1] = System.nanoTime();
                drawn.countDown();
            }
        };
        Platform.runLater(() -> {
            times[0] = System.nanoTime();
            action.run();
            // What was put off to right after the key belongs to it.
            Platform.runLater(() -> {
                scene.addPostLayoutPulseListener(pulse);
                Platform.requestNextPulse();
            });
        });
        drawn.await(20, TimeUnit.SECONDS);
        return (times[1] - times[0]) / MILLION;
    }

    private static void print(Map<String, List<Double>> took) {
        List<Double> first =
                took.values().stream().map(each -> each.get(0)).sorted().toList();
        List<Double> later = took.values().stream()
                .flatMap(each -> each.stream().skip(1))
                .sorted()
                .toList();
        took.entrySet().stream()
                .sorted(Comparator.comparingDouble(each -> -each.getValue().get(0)))
                .limit(15)
                .forEach(each -> System.out.printf(
                        Locale.ROOT,
                        "%7.1f ms the first time, later %5.1f to %5.1f  %s%n",
                        each.getValue().get(0),
                        each.getValue().stream()
                                .skip(1)
                                .mapToDouble(Double::doubleValue)
                                .min()
                                .orElse(0),
                        each.getValue().stream()
                                .skip(1)
                                .mapToDouble(Double::doubleValue)
                                .max()
                                .orElse(0),
                        each.getKey()));
        System.out.printf(
                Locale.ROOT,
                "%d things done: the first time half within %.1f ms, all within %.1f; later half within %.1f, 95 of 100 within %.1f, all within %.1f (a frame has up to 16.7 to wait for)%n",
                took.size(),
                part(first, 0.5),
                part(first, 1),
                part(later, 0.5),
                part(later, 0.95),
                part(later, 1));
    }

    private static double part(List<Double> sorted, double share) {
        return sorted.get((int) Math.min(sorted.size() - 1, Math.round(share * (sorted.size() - 1))));
    }
}
