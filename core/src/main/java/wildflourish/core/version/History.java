package wildflourish.core.version;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;

/** A book with every change since it was opened, undone and done again without end; knows whether the book is as it was last saved. */
public final class History {
    private final Deque<Change> done = new ArrayDeque<>();
    private final Deque<Change> undone = new ArrayDeque<>();
    private Book book;
    private Book saved;

    public History(Book book) {
        this.book = book;
        this.saved = book;
    }

    public Book book() {
        return book;
    }

    /** Applies a change; one that changes nothing is not remembered. */
    public void apply(Change change) {
        if (change.isNothing()) {
            return;
        }
        Change numbered = change.withNumbers(book);
        book = numbered.applied(book);
        done.push(numbered);
        undone.clear();
    }

    /** Applies a change that goes on with the last one of its kind, as typing does: both are taken back together. */
    public void applyMerging(Change unnumbered) {
        Change change = unnumbered.withNumbers(book);
        Optional<Change> both = Optional.ofNullable(done.peek())
                .filter(last -> last.deed().equals(change.deed()))
                .flatMap(last -> last.merged(change));
        if (change.isNothing()) {
            return;
        }
        if (both.isEmpty()) {
            apply(change);
            return;
        }
        book = change.applied(book);
        undone.clear();
        done.pop();
        if (!both.get().isNothing()) {
            done.push(both.get());
        }
    }

    /** From now on the next change stands by itself, even if it goes on with the last one. */
    public void endMerging() {
        Change last = done.poll();
        if (last != null) {
            Deed deed = last.deed();
            done.push(new Change(last.at(), last.before(), last.after(), deed.closed()));
        }
    }

    /** Takes the last change back; returns it, or nothing where there is none. */
    public Optional<Change> undo() {
        Change change = done.poll();
        if (change == null) {
            return Optional.empty();
        }
        book = change.inverse().applied(book);
        undone.push(change);
        return Optional.of(change);
    }

    /** Does the last undone change again; returns it, or nothing where there is none. */
    public Optional<Change> redo() {
        Change change = undone.poll();
        if (change == null) {
            return Optional.empty();
        }
        book = change.applied(book);
        done.push(change);
        return Optional.of(change);
    }

    /** Changes that can be taken back, the latest first. */
    public List<Change> done() {
        return List.copyOf(new ArrayList<>(done));
    }

    public List<Change> undone() {
        return List.copyOf(new ArrayList<>(undone));
    }

    /** From now on this book counts as saved. */
    public void markSaved() {
        saved = book;
    }

    public boolean isSaved() {
        return book.equals(saved);
    }
}
