package wildflourish.desktop.bench;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Consumer;
import javafx.application.Platform;
import wildflourish.core.hand.HandCost;
import wildflourish.core.hand.Scene;
import wildflourish.core.version.Placement;

/** What ornaments cost the hand on strings, worked out beside the window's thread; an answer that comes too late is left out. */
final class HandCosts {
    private final ExecutorService beside = Executors.newSingleThreadExecutor(work -> {
        Thread thread = new Thread(work, "hand costs");
        thread.setDaemon(true);
        return thread;
    });

    /** Used on the thread beside alone. */
    private Optional<Known> known = Optional.empty();

    private int asked;

    private record Known(Scene scene, HandCost cost) {}

    /** Answers with what the placements cost in a scene, unless something else has been asked meanwhile. */
    void ask(Scene scene, List<Placement> placements, Consumer<Map<Placement, HandCost.Told>> answer) {
        int mine = ++asked;
        if (scene.playing().instrument().family().isWind()) {
            answer.accept(Map.of());
            return;
        }
        beside.execute(() -> {
            HandCost cost = known.filter(each -> each.scene().equals(scene))
                    .map(Known::cost)
                    .orElseGet(() -> HandCost.of(scene));
            known = Optional.of(new Known(scene, cost));
            Map<Placement, HandCost.Told> told = new HashMap<>();
            placements.forEach(each -> cost.told(each).ifPresent(one -> told.put(each, one)));
            Platform.runLater(() -> {
                if (mine == asked) {
                    answer.accept(told);
                }
            });
        });
    }
}
