package wildflourish.desktop.view;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import wildflourish.core.engraving.Drawn;
import wildflourish.core.engraving.Engraver;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.Score;
import wildflourish.core.engraving.StairSheet;
import wildflourish.core.form.Phrasing;
import wildflourish.core.hand.Scene;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.TuneHeader;
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

    /** Pixels of a view that must be won for notes to be drawn larger or smaller than is usual. */
    private static final int WORTH_IT = 40;

    private static final int LARGEST_PHRASE = 20;
    private static final int USUAL_SPACE = 8;
    private static final int LARGEST_STAIR = 13;
    private static final int SMALLEST_STAIR = 6;

    /**
     * A page laid out.
     *
     * @param pixels device pixels to a staff space
     * @param pale marks of what might be placed
     * @param stair the rows of the stages; empty where one version is shown
     */
    record LaidOut(Page page, int pixels, Set<Drawn> pale, Optional<StairSheet> stair) {
        LaidOut(Page page, int pixels, Set<Drawn> pale) {
            this(page, pixels, pale, Optional.empty());
        }
    }

    /** The same with a lens that stays put while the chosen note moves within its phrase, so that it is not laid out anew. */
    static PageWish of(ScoreWish wish, int width, int height) {
        boolean isPhrase = wish.page() == Paging.PHRASE
                || (wish.stair().isPresent() && wish.at().isPresent());
        Optional<NoteId> lens = !isPhrase ? Optional.empty() : wish.tune().flatMap(tune -> firstOf(tune, wish.at()));
        ScoreWish plain = new ScoreWish(
                wish.tune(),
                wish.version(),
                wish.profile(),
                wish.shows(),
                wish.size(),
                wish.page(),
                wish.isInSmallNotes(),
                lens,
                wish.preview(),
                wish.stair());
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

    /**
     * What decides how large a usual page across is drawn; as long as it stays, the size stays.
     *
     * @param width in device pixels
     */
    record Filled(
            Optional<TuneHeader> tune,
            Optional<Instrument> instrument,
            Score.Shows shows,
            boolean isInSmallNotes,
            Paging page,
            int width) {}

    Filled filled() {
        return new Filled(
                wish.tune().map(Tune::header),
                wish.version().map(version -> version.playing().instrument()),
                wish.shows(),
                wish.isInSmallNotes(),
                wish.page(),
                width);
    }

    /**
     * The page. A usual page across is drawn with as many pixels to a staff space as are known, or else with those with which its systems fill a view of so many
     * device pixels best.
     */
    Optional<LaidOut> laidOut(OptionalInt known, int view) {
        if (wish.stair().isPresent() && wish.tune().isPresent()) {
            return Optional.of(stair(wish.tune().get(), wish.stair().get()));
        }
        return wish.tune().map(tune -> {
            LaidOut plain = isAcross() ? across(tune, wish.version(), known, view) : sized(tune, wish.version());
            Optional<Version> tried = wish.version().flatMap(version -> tried(tune, version));
            return tried.map(version -> tried(tune, plain, version)).orElse(plain);
        });
    }

    /** All stages of a phrase, as large as the height lets them be; of the whole tune where no note is asked for. */
    private LaidOut stair(Tune tune, ScoreWish.Stages stages) {
        int asked = wish.size().pixels() > 0 ? wish.size().pixels() : USUAL_SPACE;
        LaidOut plain = wish.at().isPresent() ? fitted(tune, stages) : stair(dressed(tune, stages), asked);
        Version inHand = stages.versions().get(stages.inHand());
        return tried(tune, inHand)
                .map(version -> stages.with(version))
                .map(tried -> stair(dressed(tune, tried), plain.pixels()))
                .map(tried -> paleInHand(tune, plain, tried, stages.inHand()))
                .orElse(plain);
    }

    /** What is new in the version in hand is pale. */
    private LaidOut paleInHand(Tune tune, LaidOut plain, LaidOut tried, int inHand) {
        Predicate<Drawn> isInHand = each -> tried.stair()
                .flatMap(sheet -> sheet.rowAt(each.mark().box().top()))
                .filter(row -> row.stage() == inHand)
                .isPresent();
        Set<NoteId> dressed = dressed(tune);
        Set<Drawn> pale =
                pale(plain, tried.page(), dressed).stream().filter(isInHand).collect(Collectors.toSet());
        return new LaidOut(tried.page(), plain.pixels(), pale, tried.stair());
    }

    private StairSheet.Dressed dressed(Tune tune, ScoreWish.Stages stages) {
        List<Scene> scenes = stages.versions().parallelStream()
                .map(version -> Scene.of(tune, version, wish.profile()))
                .toList();
        return StairSheet.dressed(scenes, stages.over(), stages.inHand(), wish.shows(), wish.at());
    }

    /** As large as the height lets the rows be, found by halving: the larger, the higher. */
    private LaidOut fitted(Tune tune, ScoreWish.Stages stages) {
        StairSheet.Dressed dressed = dressed(tune, stages);
        LaidOut best = stair(dressed, SMALLEST_STAIR);
        int fits = SMALLEST_STAIR;
        int tooLarge = LARGEST_STAIR + 1;
        while (fits + 1 < tooLarge) {
            int pixels = (fits + tooLarge) / 2;
            LaidOut tried = stair(dressed, pixels);
            if (tried.page().height() * tried.pixels() <= height) {
                fits = pixels;
                best = tried;
            } else {
                tooLarge = pixels;
            }
        }
        return best;
    }

    private LaidOut stair(StairSheet.Dressed dressed, int wanted) {
        int pixels = Size.of(wanted).pixels();
        Paper endless = Paper.endless((double) width / pixels).onScreen(pixels);
        StairSheet sheet = dressed.on(endless);
        return new LaidOut(sheet.page(), pixels, Set.of(), Optional.of(sheet));
    }

    /** A version with what might be placed; empty where nothing is. */
    private Optional<Version> tried(Tune tune, Version version) {
        Version tried = version;
        for (Placement placement : wish.preview()) {
            NoteId at = placement.span().first();
            tried = tried.with(tune, tried.at(at).orElse(Spot.bare(at)).withPlayed(placement));
        }
        return wish.preview().isEmpty() ? Optional.empty() : Optional.of(tried);
    }

    /** With what might be placed; the marks that come with it are pale. */
    private LaidOut tried(Tune tune, LaidOut plain, Version version) {
        Page page = layOut(tune, Optional.of(version), plain.pixels());
        return new LaidOut(page, plain.pixels(), pale(plain, page, dressed(tune)));
    }

    /** The notes on which something is tried. */
    private Set<NoteId> dressed(Tune tune) {
        return wish.preview().stream()
                .flatMap(placement -> placement.span().notes(tune).stream())
                .map(Note::id)
                .collect(Collectors.toSet());
    }

    private static Set<Drawn> pale(LaidOut plain, Page tried, Set<NoteId> dressed) {
        Set<Drawn> before = new HashSet<>(plain.page().drawn());
        Set<Drawn> pale = tried.drawn().stream()
                .filter(each -> !before.contains(each) && isOrnament(each, dressed))
                .collect(Collectors.toSet());
        pale.addAll(new NewHeads(plain.page(), tried).of(dressed));
        return pale;
    }

    private static boolean isOrnament(Drawn drawn, Set<NoteId> notes) {
        boolean isOfThem = drawn.subject().note().map(notes::contains).orElse(false);
        return isOfThem
                && switch (drawn.subject().kind()) {
                    case SIGN, SMALL_NOTE, DECORATION, CURVE, SLIDE, FINGERING -> true;
                    default -> false;
                };
    }

    private boolean isAcross() {
        return wish.page() == Paging.LONG && wish.size().equals(Size.WIDTH);
    }

    private LaidOut across(Tune tune, Optional<Version> version, OptionalInt known, int view) {
        if (known.isPresent()) {
            return laidOut(tune, version, known.getAsInt());
        }
        int usual = Math.round((float) width / WIDTH_SPACES);
        LaidOut best = laidOut(tune, version, usual);
        for (int pixels : new int[] {usual + 1, usual - 1}) {
            LaidOut other = laidOut(tune, version, pixels);
            if (empty(other, view) + WORTH_IT < empty(best, view)) {
                best = other;
            }
        }
        return best;
    }

    /** Device pixels of a view below the last system that is seen whole in it. */
    private static double empty(LaidOut laidOut, int view) {
        double last = laidOut.page().zones().stream()
                .mapToDouble(zone -> zone.column().bottom() * laidOut.pixels())
                .filter(bottom -> bottom <= view)
                .max()
                .orElse(0);
        return view - last;
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
            Score large = new Score(plain, version, wish.shows().withLetters(true), wish.profile());
            return Engraver.engrave(large, endless, wish.at().get()).get(0);
        }
        Optional<WrittenOut> written =
                wish.isInSmallNotes() ? version.map(each -> WrittenOut.of(plain, each)) : Optional.empty();
        Optional<Version> drawn =
                written.isEmpty() ? version : version.map(each -> Version.plain(each.name(), each.playing()));
        Score score = new Score(
                written.map(WrittenOut::tune).orElse(plain),
                drawn,
                wish.isInSmallNotes() ? wish.shows().withoutSigns() : wish.shows(),
                wish.profile());
        List<Page> pages = Engraver.engrave(
                score, wish.page() == Paging.SHEETS ? Paper.a4().onScreen(pixels) : endless);
        Page page = wish.page() == Paging.SHEETS ? Page.stacked(pages, SHEET_GAP) : pages.get(0);
        return written.map(each -> page.renamed(each.originals())).orElse(page);
    }
}
