package wildflourish.desktop.view;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import wildflourish.core.engraving.Drawn;
import wildflourish.core.engraving.Engraver;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.Score;
import wildflourish.core.form.Phrasing;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;
import wildflourish.desktop.look.Paging;
import wildflourish.desktop.look.Size;
import wildflourish.files.abc.WrittenOut;

/**
 * The page a view wants: all that decides how it is laid out, so that it can be laid out away from the window's thread.
 *
 * @param width of the view in device pixels
 * @param height of the view in device pixels
 */
record PageWish(ScoreWish wish, int width, int height) {
    private static final double SHEET_GAP = 3;

    /** Staff spaces across the usual page. */
    private static final int WIDTH_SPACES = 118;

    private static final int LARGEST_PHRASE = 20;
    private static final int USUAL_SPACE = 8;

    /**
     * A page laid out.
     *
     * @param pixels device pixels to a staff space
     * @param pale marks of what might be placed
     */
    record LaidOut(Page page, int pixels, Set<Drawn> pale) {}

    /** The same with a lens that stays put while the chosen note moves within its phrase, so that it is not laid out anew. */
    static PageWish of(ScoreWish wish, int width, int height) {
        boolean isPhrase = wish.page() == Paging.PHRASE;
        Optional<NoteId> lens = !isPhrase ? Optional.empty() : wish.tune().flatMap(tune -> firstOf(tune, wish.at()));
        ScoreWish plain = new ScoreWish(
                wish.tune(),
                wish.version(),
                wish.shows(),
                wish.size(),
                wish.page(),
                wish.isInSmallNotes(),
                lens,
                wish.preview());
        boolean needsHeight = isPhrase || wish.size().equals(Size.WHOLE);
        return new PageWish(plain, width, needsHeight ? height : 0);
    }

    private static Optional<NoteId> firstOf(Tune tune, Optional<NoteId> note) {
        return note.filter(tune::has).flatMap(id -> {
            var phrase = Phrasing.of(tune).at(tune.placeOf(id).bar());
            return tune.bars().subList(phrase.firstBar(), phrase.lastBar() + 1).stream()
                    .flatMap(bar -> bar.notes().stream())
                    .map(Note::id)
                    .findFirst();
        });
    }

    Optional<LaidOut> laidOut() {
        return wish.tune().map(tune -> {
            LaidOut plain = sized(tune, wish.version());
            Optional<Version> tried = wish.version()
                    .flatMap(version -> wish.preview().map(placement -> version.with(tune, tried(version, placement))));
            return tried.map(version -> tried(tune, plain, version)).orElse(plain);
        });
    }

    private static Spot tried(Version version, Placement placement) {
        NoteId at = placement.span().first();
        return version.at(at).orElse(Spot.bare(at)).withPlayed(placement);
    }

    /** With what might be placed; the marks that come with it are pale. */
    private LaidOut tried(Tune tune, LaidOut plain, Version version) {
        Page page = layOut(tune, Optional.of(version), plain.pixels());
        Set<Drawn> before = new HashSet<>(plain.page().drawn());
        Set<NoteId> dressed = new HashSet<>(wish.preview().orElseThrow().span().notes(tune).stream()
                .map(Note::id)
                .toList());
        Set<Drawn> pale = new HashSet<>(page.drawn().stream()
                .filter(each -> !before.contains(each) && isOrnament(each, dressed))
                .toList());
        return new LaidOut(page, plain.pixels(), pale);
    }

    private static boolean isOrnament(Drawn drawn, Set<NoteId> notes) {
        boolean isOfThem = drawn.subject().note().map(notes::contains).orElse(false);
        return isOfThem
                && switch (drawn.subject().kind()) {
                    case SIGN, SMALL_NOTE, DECORATION, CURVE, SLIDE, FINGERING -> true;
                    default -> false;
                };
    }

    private LaidOut sized(Tune tune, Optional<Version> version) {
        if (wish.page() == Paging.PHRASE) {
            return largest(tune, version, LARGEST_PHRASE, USUAL_SPACE);
        }
        if (wish.page() == Paging.SHEETS) {
            return laidOut(tune, version, (int) (width / (Paper.a4().width() + 2 * SHEET_GAP)));
        }
        if (wish.size().equals(Size.WHOLE)) {
            return largest(tune, version, USUAL_SPACE + 4, Size.SMALLEST + 1);
        }
        int usual = Math.round((float) width / WIDTH_SPACES);
        return laidOut(tune, version, wish.size().pixels() > 0 ? wish.size().pixels() : usual);
    }

    /** As large as the height of the view lets it be, no smaller than something that can be read. */
    private LaidOut largest(Tune tune, Optional<Version> version, int most, int least) {
        return Stream.iterate(most, pixels -> pixels > least, pixels -> pixels - 1)
                .map(pixels -> laidOut(tune, version, pixels))
                .filter(each -> each.page().height() * each.pixels() <= height)
                .findFirst()
                .orElseGet(() -> laidOut(tune, version, least));
    }

    private LaidOut laidOut(Tune tune, Optional<Version> version, int wanted) {
        int pixels = Size.of(wanted).pixels();
        return new LaidOut(layOut(tune, version, pixels), pixels, Set.of());
    }

    private Page layOut(Tune plain, Optional<Version> version, int pixels) {
        Paper endless = Paper.endless((double) width / pixels).onScreen(pixels);
        if (wish.at().isPresent() && wish.page() == Paging.PHRASE) {
            Score large = new Score(plain, version, wish.shows().withLetters(true));
            return Engraver.engrave(large, endless, wish.at().get()).get(0);
        }
        Optional<WrittenOut> written =
                wish.isInSmallNotes() ? version.map(each -> WrittenOut.of(plain, each)) : Optional.empty();
        Optional<Version> drawn =
                written.isEmpty() ? version : version.map(each -> Version.plain(each.name(), each.playing()));
        Score score = new Score(
                written.map(WrittenOut::tune).orElse(plain),
                drawn,
                wish.isInSmallNotes() ? wish.shows().withoutSigns() : wish.shows());
        List<Page> pages = Engraver.engrave(
                score, wish.page() == Paging.SHEETS ? Paper.a4().onScreen(pixels) : endless);
        Page page = wish.page() == Paging.SHEETS ? Page.stacked(pages, SHEET_GAP) : pages.get(0);
        return written.map(each -> page.renamed(each.originals())).orElse(page);
    }
}
