package wildflourish.desktop.window;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import wildflourish.desktop.look.Frames;
import wildflourish.desktop.look.Pieces;
import wildflourish.desktop.look.Theme;

/** Turns the parts of a window light or dark, one a frame: all at once takes longer than a keystroke may. */
final class Dress {
    private final Frames frames;
    private final List<Runnable> parts = new ArrayList<>();
    private final List<Region> regions = new ArrayList<>();
    private Theme theme = Theme.LIGHT;
    private boolean isBegun;

    Dress(Frames frames) {
        this.frames = frames;
    }

    /** A part that takes its colours from the style sheet. */
    Dress with(Region part) {
        regions.add(part);
        parts.add(() -> {
            List<Runnable> back = isBegun ? Pieces.of(part) : List.of();
            dress(part);
            frames.next(back);
        });
        return this;
    }

    /** The parts within a pane, each by itself; the pane's own colours come from a leaf under them. */
    Dress within(Pane pane, String groundClass) {
        Region ground = new Region();
        ground.setManaged(false);
        ground.getStyleClass().add(groundClass);
        pane.layoutBoundsProperty().addListener((at, before, now) -> ground.resize(now.getWidth(), now.getHeight()));
        pane.getChildren().add(0, ground);
        regions.add(pane);
        pane.getChildren().forEach(child -> parts.add(() -> dress((Region) child)));
        return this;
    }

    /** A part that also draws something itself. */
    Dress with(Region part, Consumer<Theme> drawing) {
        with(part);
        parts.add(() -> drawing.accept(theme));
        return this;
    }

    /** A part with something in it that cannot be taken apart: it is folded before and unfolded after, step by step; the first time it stays folded. */
    Dress with(Region part, Supplier<List<Runnable>> fold, Supplier<List<Runnable>> unfold) {
        parts.add(() -> frames.next(isBegun ? fold.get() : List.of()));
        with(part);
        parts.add(() -> frames.next(isBegun ? unfold.get() : List.of()));
        return this;
    }

    /** Takes out what is within the parts in sight; gives the steps that put it back. */
    List<Runnable> takeApart() {
        return regions.stream()
                .filter(Region::isVisible)
                .flatMap(part -> Pieces.of(part).stream())
                .toList();
    }

    private void dress(Region part) {
        part.getStyleClass().removeAll(Theme.LIGHT.styleClass(), Theme.DARK.styleClass());
        part.getStyleClass().add(theme.styleClass());
    }

    /** Dresses all parts before they are seen. */
    void begin(Theme newTheme) {
        theme = newTheme;
        parts.forEach(Runnable::run);
        isBegun = true;
    }

    /** Dresses all parts one after the other; those not dressed yet when another theme is chosen go on to that one. */
    void turn(Theme newTheme) {
        if (newTheme != theme) {
            theme = newTheme;
            parts.forEach(frames::execute);
        }
    }

    Theme theme() {
        return theme;
    }
}
