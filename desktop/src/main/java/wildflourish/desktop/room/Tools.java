package wildflourish.desktop.room;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import java.util.function.DoubleConsumer;
import java.util.function.Function;
import java.util.function.Supplier;
import javafx.beans.value.ObservableValue;
import wildflourish.core.arranging.StoredFigure;
import wildflourish.core.growing.Liking;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Book;
import wildflourish.core.version.Span;
import wildflourish.core.version.Version;
import wildflourish.desktop.action.Actions;
import wildflourish.desktop.desk.Choosing;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.hearing.Transport;
import wildflourish.desktop.view.ScoreView;

/**
 * What a room works with.
 *
 * @param actions where it puts what one can do in it
 * @param soon does what takes milliseconds: lays out a score
 * @param away for what takes longer
 * @param owned the instruments that the class owns
 * @param shelf the figures to be used again
 * @param tastes the teacher's own
 */
public record Tools(
        Desk desk,
        Actions actions,
        Transport transport,
        Executor soon,
        Away away,
        Owned owned,
        Shelf shelf,
        Tastes tastes) {
    /** Works something out away from the window's thread and gives it back, with a notice when it takes a while. */
    public interface Away {
        <T> void work(String words, Supplier<T> question, Consumer<T> then);

        /**
         * The same for a question that tells how far it is.
         *
         * @param question is given whom to tell the share that is done, from 0 to 1; that throws where the work is stopped
         * @param stopped is called where somebody has stopped it
         */
        <T> void follow(String words, Function<DoubleConsumer, T> question, Consumer<T> then, Runnable stopped);
    }

    /** The ids of the instruments that the class owns, kept from one start to the next. */
    public interface Owned {
        Set<String> all();

        void keep(Set<String> ids);
    }

    /** The figures that ship and those the teacher has kept, in her own folder. */
    public interface Shelf {
        /** Those of the book first, then the teacher's own, then those that ship; no name twice. */
        List<StoredFigure> of(Family family, Book book);

        /** Keeps the notes of a version as a figure under a name; gives what is to be said. */
        String keep(Tune tune, Version version, Span span, String name);
    }

    /** The tastes that the teacher has had learnt from her own versions, in her own folder. */
    public interface Tastes {
        Optional<Liking> of(Family family);

        /** Keeps a taste in place of the one that its family had; gives what is to be said. */
        String keep(Liking taste);

        /** Forgets the taste of a family; gives what is to be said. */
        String forget(Family family);
    }

    /** Whether a room is the one in sight. */
    public ObservableValue<Boolean> isIn(String room) {
        return desk.of(sight -> sight.room().equals(room));
    }

    /** Shows a part of what is on the desk, and shows it again whenever it is another, as long as one is in the room; what changes elsewhere is shown when one comes in. */
    public <T> void whileIn(String room, Function<Sight, T> part, Consumer<T> shower) {
        whileIn(Set.of(room), part, shower);
    }

    /** The same for something that several rooms show. */
    public <T> void whileIn(Set<String> rooms, Function<Sight, T> part, Consumer<T> shower) {
        List<T> shown = new ArrayList<>();
        desk.of(sight -> rooms.contains(sight.room()) ? List.of(part.apply(sight)) : List.<T>of())
                .subscribe(now -> {
                    if (!now.isEmpty() && !shown.equals(now)) {
                        shown.clear();
                        shown.addAll(now);
                        shower.accept(now.get(0));
                    }
                });
    }

    /** Hands that choose notes on a score. */
    public ScoreView.Hands hands() {
        return new ScoreView.Hands() {
            @Override
            public void chose(NoteId note) {
                desk.does(here -> Choosing.note(here, note));
            }

            @Override
            public void chose(int stage, NoteId note) {
                desk.does(here -> Choosing.stage(here, stage));
                desk.does(here -> Choosing.note(here, note));
            }

            @Override
            public void reached(NoteId note) {
                desk.does(here -> Choosing.until(here, note));
            }
        };
    }

    /** Works on another instrument. */
    public void work(Instrument instrument) {
        desk.does(here -> Choosing.instrument(here, instrument));
    }
}
