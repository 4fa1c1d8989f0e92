package wildflourish.core.engraving;

/** Something to draw, in staff spaces, y downward. A painter implements {@link Brush} and is called back with one of four shapes. */
public sealed interface Mark permits Mark.Glyph, Mark.Line, Mark.Shape, Mark.Words {
    /** The box around its ink. */
    Box box();

    Mark moved(double dx, double dy);

    /** Larger by a factor, round the origin of the page. */
    Mark scaled(double factor);

    void paint(Brush brush);

    /** A painter's side of a mark. */
    interface Brush {
        void glyph(Glyph glyph);

        void line(Line line);

        void shape(Shape shape);

        void words(Words words);
    }

    /** A music glyph with its origin at x, y. */
    record Glyph(GlyphFont.Entry entry, double x, double y, double scale) implements Mark {
        @Override
        public Box box() {
            Box box = entry.box();
            return new Box(
                    x + box.left() * scale, y + box.top() * scale, x + box.right() * scale, y + box.bottom() * scale);
        }

        @Override
        public Mark moved(double dx, double dy) {
            return new Glyph(entry, x + dx, y + dy, scale);
        }

        @Override
        public Mark scaled(double factor) {
            return new Glyph(entry, x * factor, y * factor, scale * factor);
        }

        @Override
        public void paint(Brush brush) {
            brush.glyph(this);
        }
    }

    /** A straight line with square ends. */
    record Line(double x1, double y1, double x2, double y2, double thickness) implements Mark {
        @Override
        public Box box() {
            double half = thickness / 2;
            boolean isFlat = y1 == y2;
            double dx = isFlat ? 0 : half;
            double dy = isFlat ? half : 0;
            return new Box(Math.min(x1, x2) - dx, Math.min(y1, y2) - dy, Math.max(x1, x2) + dx, Math.max(y1, y2) + dy);
        }

        @Override
        public Mark moved(double dx, double dy) {
            return new Line(x1 + dx, y1 + dy, x2 + dx, y2 + dy, thickness);
        }

        @Override
        public Mark scaled(double factor) {
            return new Line(x1 * factor, y1 * factor, x2 * factor, y2 * factor, thickness * factor);
        }

        @Override
        public void paint(Brush brush) {
            brush.line(this);
        }
    }

    /** A path with its origin at x, y, filled when its thickness is 0, otherwise drawn as a line of that thickness. */
    record Shape(Outline outline, double x, double y, double thickness) implements Mark {
        public Shape(Outline outline, double thickness) {
            this(outline, 0, 0, thickness);
        }

        public boolean isFilled() {
            return thickness == 0;
        }

        /** The path where it stands. */
        public Outline placed() {
            return x == 0 && y == 0 ? outline : outline.placed(x, y, 1);
        }

        @Override
        public Box box() {
            Box box = outline.box();
            double half = thickness / 2;
            return new Box(
                    box.left() + x - half, box.top() + y - half, box.right() + x + half, box.bottom() + y + half);
        }

        @Override
        public Mark moved(double dx, double dy) {
            return new Shape(outline, x + dx, y + dy, thickness);
        }

        @Override
        public Mark scaled(double factor) {
            return new Shape(outline.placed(0, 0, factor), x * factor, y * factor, thickness * factor);
        }

        @Override
        public void paint(Brush brush) {
            brush.shape(this);
        }
    }

    /** Words on a baseline that begins at x, y; {@code size} is an em in staff spaces. */
    record Words(String text, double x, double y, Face face, double size) implements Mark {
        @Override
        public Box box() {
            return new Box(x, y - 0.76 * size, x + face.width(text, size), y + 0.24 * size);
        }

        @Override
        public Mark moved(double dx, double dy) {
            return new Words(text, x + dx, y + dy, face, size);
        }

        @Override
        public Mark scaled(double factor) {
            return new Words(text, x * factor, y * factor, face, size * factor);
        }

        @Override
        public void paint(Brush brush) {
            brush.words(this);
        }
    }
}
