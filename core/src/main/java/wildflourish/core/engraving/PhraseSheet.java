package wildflourish.core.engraving;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.IntStream;
import wildflourish.core.form.Phrase;
import wildflourish.core.form.Phrasing;
import wildflourish.core.hand.Scene;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Version;

/** One phrase through all stages on paper: the plainest first, bars below each other, what is new lit, then the key to the signs. */
public final class PhraseSheet {
    private static final double GAP = 2;

    private final Paper paper;
    private final List<Page> pages = new ArrayList<>();
    private Sketch page = new Sketch();
    private double y;

    private PhraseSheet(Paper paper) {
        this.paper = paper;
        this.y = paper.margin();
    }

    /**
     * Of the phrase in which a note stands.
     *
     * @param stages of one stair, the plainest first; its hands stand under that
     */
    public static List<Page> of(Tune tune, List<Version> stages, NoteId note, Profile profile, Paper paper) {
        List<Version> fullestFirst = new ArrayList<>(stages);
        Collections.reverse(fullestFirst);
        List<Scene> scenes = fullestFirst.parallelStream()
                .map(stage -> Scene.of(tune, stage, profile))
                .toList();
        int plainest = scenes.size() - 1;
        List<Integer> over = IntStream.rangeClosed(1, scenes.size())
                .map(plainer -> plainer > plainest ? -1 : plainer)
                .boxed()
                .toList();
        StairSheet stair = StairSheet.of(scenes, over, plainest, note, Score.Shows.PRINT, paper);
        Phrase phrase = Phrasing.of(tune).at(tune.placeOf(note).bar());
        List<Note> notes = tune.bars().subList(phrase.firstBar(), phrase.lastBar() + 1).stream()
                .flatMap(bar -> bar.notes().stream())
                .toList();
        PhraseSheet sheet = new PhraseSheet(paper);
        sheet.place(heading(tune, phrase, stages.get(0)), paper.margin());
        for (int row = 0; row < stair.rows().size(); row++) {
            sheet.place(row(stair, row), 0);
        }
        sheet.place(KeyToSigns.block(scenes, notes, paper.width() - 2 * paper.margin()), paper.margin());
        sheet.finish();
        return sheet.pages;
    }

    private static Sketch heading(Tune tune, Phrase phrase, Version any) {
        Sketch sketch = new Sketch();
        sketch.words(tune.title() + ", " + phrase.name() + " from plain to wild", 0, 2.4, Face.TITLE, 2.4);
        sketch.words("On the " + any.playing().instrument().name(), 0, 5, Face.BODY, 1.75);
        return sketch;
    }

    /** What stands between the tops of a row and of the next, from the left edge of what is printed. */
    private static Sketch row(StairSheet stair, int index) {
        double top = stair.rows().get(index).top();
        boolean isLast = index + 1 == stair.rows().size();
        double end =
                isLast ? Double.POSITIVE_INFINITY : stair.rows().get(index + 1).top();
        Sketch row = new Sketch();
        for (Drawn drawn : stair.page().drawn()) {
            Box box = drawn.mark().box();
            double middle = (box.top() + box.bottom()) / 2;
            if (middle >= top && middle < end) {
                row.drawn().add(drawn);
            }
        }
        return row;
    }

    /** Puts a block below what is there, on a new page where it does not fit. */
    private void place(Sketch block, double left) {
        if (block.box().isEmpty()) {
            return;
        }
        Box box = block.box().get();
        if (y + box.height() > paper.height() - paper.margin() && !page.drawn().isEmpty()) {
            finish();
        }
        page.addAll(block, left, y - box.top());
        y += box.height() + GAP;
    }

    private void finish() {
        pages.add(new Page(paper.width(), paper.height(), page.drawn(), List.of()));
        page = new Sketch();
        y = paper.margin();
    }
}
