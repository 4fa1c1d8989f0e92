package wildflourish.desktop.bench;

import javafx.geometry.Orientation;
import javafx.scene.control.Label;
import javafx.scene.layout.Region;

/** A name, and a figure at the end of its line; under the name where the two find no room beside each other. */
final class NameLine extends Region {
    private static final double LEAST_GAP = 6;

    private final Label name;
    private final Label figure;

    NameLine(Label name, Label figure) {
        this.name = name;
        this.figure = figure;
        getChildren().addAll(name, figure);
    }

    private boolean isOneLine(double width) {
        return name.prefWidth(-1) + LEAST_GAP + figure.prefWidth(-1) <= width;
    }

    @Override
    public Orientation getContentBias() {
        return Orientation.HORIZONTAL;
    }

    @Override
    protected double computeMinWidth(double height) {
        return 0;
    }

    @Override
    protected double computePrefWidth(double height) {
        return name.prefWidth(-1) + LEAST_GAP + figure.prefWidth(-1);
    }

    @Override
    protected double computeMinHeight(double width) {
        return computePrefHeight(width);
    }

    @Override
    protected double computePrefHeight(double width) {
        return width < 0 || isOneLine(width)
                ? Math.max(name.prefHeight(-1), figure.prefHeight(-1))
                : name.prefHeight(-1) + figure.prefHeight(-1);
    }

    @Override
    protected void layoutChildren() {
        name.autosize();
        figure.autosize();
        name.relocate(0, 0);
        if (isOneLine(getWidth())) {
            figure.relocate(getWidth() - figure.getWidth(), name.getBaselineOffset() - figure.getBaselineOffset());
        } else {
            figure.relocate(0, name.getHeight());
        }
    }
}
