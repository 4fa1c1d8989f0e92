package wildflourish.desktop.window;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import wildflourish.core.arranging.StoredFigure;
import wildflourish.core.instrument.Family;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Book;
import wildflourish.core.version.BookItem;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Span;
import wildflourish.core.version.Version;
import wildflourish.desktop.room.Tools;
import wildflourish.files.abc.BookReader;
import wildflourish.files.abc.BookWriter;
import wildflourish.files.abc.FigureText;
import wildflourish.files.store.BookStore;
import wildflourish.files.store.StoredBook;

/** Figures that ship with the application and those in {@code figures.abc} of the teacher's own folder, an ordinary tunebook. */
final class FigureShelf implements Tools.Shelf {
    private static final String SHIPPED = "/wildflourish/desktop/demo/figures.abc";
    private static final int LONGEST_NAME = 60;

    private final Path file;
    private List<Lesson> shipped = List.of();

    FigureShelf(Path folder) {
        this.file = folder.resolve("figures.abc");
    }

    @Override
    public List<StoredFigure> of(Family family, Book book) {
        Set<String> names = new HashSet<>();
        return Stream.of(book.lessons(), own(), shipped())
                .flatMap(List::stream)
                .flatMap(lesson -> FigureText.figure(lesson).stream())
                .filter(figure -> figure.version().playing().instrument().family() == family)
                .filter(figure -> names.add(figure.name()))
                .toList();
    }

    private List<Lesson> shipped() {
        if (shipped.isEmpty()) {
            try (var in = FigureShelf.class.getResourceAsStream(SHIPPED)) {
                shipped = BookReader.read(new String(in.readAllBytes(), StandardCharsets.UTF_8))
                        .value()
                        .lessons();
            } catch (IOException e) {
                throw new UncheckedIOException("cannot read " + SHIPPED, e);
            }
        }
        return shipped;
    }

    /** Those of the teacher's own file; none where it cannot be read, which is told when one is kept. */
    private List<Lesson> own() {
        try {
            return Files.exists(file) ? BookStore.open(file).value().book().lessons() : List.of();
        } catch (IOException e) {
            return List.of();
        }
    }

    @Override
    public String keep(Tune tune, Version version, Span span, String name) {
        String wanted = name.strip().replaceAll("\\s+", " ");
        if (wanted.isEmpty() || wanted.length() > LONGEST_NAME) {
            return "A figure has a name of 1 to " + LONGEST_NAME + " letters.";
        }
        try {
            List<BookItem> items = new ArrayList<>();
            if (Files.exists(file)) {
                StoredBook book = BookStore.open(file).value();
                items.addAll(book.book().items());
            }
            boolean isTaken = new Book(items)
                    .lessons().stream().anyMatch(lesson -> lesson.tune().title().equals(wanted));
            if (isTaken) {
                return "A figure is called " + wanted + " already: take another name.";
            }
            Lesson lesson = FigureText.lesson(tune, version, span, wanted, new Book(items).highestNumber() + 1);
            if (FigureText.figure(lesson)
                    .filter(figure -> figure.ornamented() > 0)
                    .isEmpty()) {
                return "Nothing is placed on these notes, so there is no figure in them.";
            }
            items.add(lesson);
            items.add(new BookItem.Text("\n\n"));
            Files.createDirectories(file.toAbsolutePath().getParent());
            BookStore.writeAside(file, BookWriter.write(new Book(items)).getBytes(StandardCharsets.UTF_8));
            return "Kept as a figure: " + wanted;
        } catch (IOException e) {
            return "Cannot keep the figure in " + file + ": " + e.getMessage();
        }
    }
}
