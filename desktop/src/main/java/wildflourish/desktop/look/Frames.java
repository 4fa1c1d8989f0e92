package wildflourish.desktop.look;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.concurrent.Executor;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;

/**
 * Does things to the window a frame each, in the order asked for: what would keep a keystroke waiting if done at once is seen to grow instead. Everything is to be
 * called where the window lives.
 */
public class Frames implements Executor {
    /** Of a frame, for what is asked for here; the rest is for the toolkit's own work and for keys. */
    private static final double ROOM_NANOS = 4e6;
    /** However little the last ones took: the next may be of another kind. */
    private static final int MOST_STEPS = 2;
    /** How much of what a step is thought to take is forgotten with every frame. */
    private static final double FORGETTING = 0.99;

    private final Deque<Runnable> waiting = new ArrayDeque<>();
    private double nanosAStep = ROOM_NANOS;
    private final AnimationTimer timer = new AnimationTimer() {
        @Override
        public void handle(long now) {
            if (waiting.isEmpty()) {
                stop();
            } else {
                frame();
            }
        }
    };

    /** A step; on a machine that is quick, as many as there is room for. What the last ones took is known when the toolkit has styled and laid out what they changed. */
    private void frame() {
        int count = Math.max(1, Math.min(MOST_STEPS, (int) (ROOM_NANOS / nanosAStep)));
        long began = System.nanoTime();
        int done = 0;
        while (done < count && !waiting.isEmpty()) {
            waiting.poll().run();
            done++;
        }
        int steps = done;
        Platform.runLater(() ->
                nanosAStep = Math.max((double) (System.nanoTime() - began) / steps, nanosAStep * FORGETTING));
    }

    /** Frames that do not wait: everything is done when it is asked for. */
    public static Frames atOnce() {
        return new Frames() {
            @Override
            public void execute(Runnable step) {
                step.run();
            }

            @Override
            public void next(List<Runnable> steps) {
                steps.forEach(Runnable::run);
            }
        };
    }

    /** Does it in a frame of its own, after all that waits already. */
    @Override
    public void execute(Runnable step) {
        waiting.add(step);
        timer.start();
    }

    /** Does these in the frames that come next, before all that waits already. */
    public void next(List<Runnable> steps) {
        for (int i = steps.size() - 1; i >= 0; i--) {
            waiting.addFirst(steps.get(i));
        }
        timer.start();
    }

    /** Hands on a list in parts of some length, one a frame, as long as it is still wanted. */
    public <T> void grow(List<T> all, int length, BooleanSupplier isWanted, Consumer<List<T>> taker) {
        for (int from = 0; from < all.size(); from += length) {
            List<T> part = all.subList(from, Math.min(from + length, all.size()));
            execute(() -> {
                if (isWanted.getAsBoolean()) {
                    taker.accept(part);
                }
            });
        }
    }
}
