package wildflourish.desktop.view;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.scene.Group;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import wildflourish.core.engraving.Box;
import wildflourish.core.engraving.Drawn;
import wildflourish.core.engraving.Page;
import wildflourish.desktop.look.CanvasPainter;
import wildflourish.desktop.look.Theme;

/** A page painted on canvases one under the other, each painted anew only when something on it differs; no page is too long for them. */
final class Strips extends Group {
    private static final double HEIGHT = 256;
    /** Ink may reach this many staff spaces beyond its box: smoothed edges, and words of another face than measured. */
    private static final double SLACK = 1;

    private static final double PALE = 0.45;

    private List<Strip> shown = List.of();
    private Theme shownIn = Theme.LIGHT;

    /** What one canvas shows. */
    private record Strip(List<Drawn> drawn, List<Drawn> pale, double width, double height, double pixelsPerSpace) {}

    /** A page cut into strips, ready to be shown. */
    static final class Cut {
        private final List<Strip> strips;

        private Cut(List<Strip> strips) {
            this.strips = strips;
        }

        /** Nothing to show. */
        static final Cut EMPTY = new Cut(List.of());

        static Cut of(Optional<PageWish.LaidOut> page, double scale) {
            return page.map(each -> of(each.page(), each.pixels() / scale, each.pale()))
                    .orElse(EMPTY);
        }

        private static Cut of(Page page, double pixelsPerSpace, Set<Drawn> pale) {
            double width = Math.ceil(page.width() * pixelsPerSpace);
            double height = Math.ceil(page.height() * pixelsPerSpace);
            int count = Math.max(1, (int) Math.ceil(height / HEIGHT));
            List<List<Drawn>> cut = new ArrayList<>();
            for (int i = 0; i < count; i++) {
                cut.add(new ArrayList<>());
            }
            double spaces = HEIGHT / pixelsPerSpace;
            for (Drawn each : page.drawn()) {
                Box box = each.mark().box();
                int first = Math.max(0, (int) Math.floor((box.top() - SLACK) / spaces));
                int last = Math.min(count - 1, (int) Math.floor((box.bottom() + SLACK) / spaces));
                for (int i = first; i <= last; i++) {
                    cut.get(i).add(each);
                }
            }
            List<Strip> strips = new ArrayList<>();
            for (int i = 0; i < count; i++) {
                List<Drawn> its = cut.get(i);
                strips.add(new Strip(
                        its,
                        pale.isEmpty()
                                ? List.of()
                                : its.stream().filter(pale::contains).toList(),
                        width,
                        Math.min(HEIGHT, height - i * HEIGHT),
                        pixelsPerSpace));
            }
            return new Cut(strips);
        }
    }

    void show(Cut cut, Theme theme) {
        List<Strip> wanted = cut.strips;
        boolean isSameTheme = theme == shownIn;
        while (getChildren().size() > wanted.size()) {
            getChildren().remove(getChildren().size() - 1);
        }
        for (int i = 0; i < wanted.size(); i++) {
            if (i == getChildren().size()) {
                Canvas canvas = new Canvas();
                canvas.setLayoutY(i * HEIGHT);
                getChildren().add(canvas);
            }
            if (!isSameTheme || i >= shown.size() || !shown.get(i).equals(wanted.get(i))) {
                paint((Canvas) getChildren().get(i), wanted.get(i), theme, i * HEIGHT);
            }
        }
        shown = wanted;
        shownIn = theme;
    }

    /** Of all strips together, in pixels. */
    double height() {
        return shown.stream().mapToDouble(Strip::height).sum();
    }

    private static void paint(Canvas canvas, Strip strip, Theme theme, double top) {
        canvas.setWidth(strip.width());
        canvas.setHeight(strip.height());
        GraphicsContext graphics = canvas.getGraphicsContext2D();
        graphics.clearRect(0, 0, strip.width(), strip.height());
        graphics.save();
        graphics.translate(0, -top);
        List<Drawn> full = strip.pale().isEmpty()
                ? strip.drawn()
                : strip.drawn().stream()
                        .filter(each -> !strip.pale().contains(each))
                        .toList();
        CanvasPainter.paint(graphics, full, theme.palette(), strip.pixelsPerSpace());
        graphics.setGlobalAlpha(PALE);
        CanvasPainter.paint(graphics, strip.pale(), theme.palette(), strip.pixelsPerSpace());
        graphics.restore();
    }
}
