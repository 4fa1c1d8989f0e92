package wildflourish.desktop.window;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import javafx.stage.Window;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Paper;

/** What pages are printed on: a printer the system knows, or a stand-in. */
public interface PaperPrinter {
    /** Something to print on, chosen by the user where there is a choice; empty where there is no printer at all. */
    Optional<Job> job(Window owner);

    /** One print. */
    interface Job {
        /** Whether the user wants it after all. */
        boolean isWanted();

        /** The room on the sheet that was chosen, within the printer's margins. */
        Paper paper();

        /** Prints pages laid out for {@link #paper()}. Throws IOException with one line of why when the printer does not take them all. */
        void print(List<Page> pages) throws IOException;
    }

    /** Prints pages as they come out for the printer's paper; returns one line of what came of it. */
    default String print(Window owner, Function<Paper, List<Page>> laidOut) {
        Optional<Job> job = job(owner);
        if (job.isEmpty()) {
            return "No printer is set up here. Take the tune away as PDF (Ctrl+E) and print that.";
        }
        if (!job.get().isWanted()) {
            return "Nothing was printed";
        }
        List<Page> pages = laidOut.apply(job.get().paper());
        try {
            job.get().print(pages);
            return "Sent to the printer: " + pages.size() + (pages.size() == 1 ? " page" : " pages");
        } catch (IOException e) {
            return "It could not be printed whole: " + e.getMessage()
                    + ". Take the tune away as PDF (Ctrl+E), or try again.";
        }
    }
}
