package wildflourish.desktop.bench;

import java.util.Optional;
import wildflourish.core.engraving.Engraver;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.Score;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Version;
import wildflourish.files.abc.WrittenOut;

/**
 * The page a view wants: all that decides how it is laid out, so that it can be laid out away from the window's thread.
 *
 * @param tune the tune; without one there is no page
 * @param version the stage drawn above it
 * @param look how it is laid out
 * @param shows what goes with the notes
 * @param width of the view in pixels
 * @param pixelsPerSpace how large a staff space is drawn
 */
record PageWish(
        Optional<Tune> tune,
        Optional<Version> version,
        Look look,
        Score.Shows shows,
        double width,
        double pixelsPerSpace) {
    static final double SHEET_GAP = 3;

    /**
     * One endless page, sheets of paper, or one phrase alone; ornaments as signs or as small notes.
     *
     * @param lens a note of the phrase looked at alone
     */
    record Look(boolean isInSheets, boolean isInSmallNotes, Optional<NoteId> lens) {}

    Optional<Page> laidOut() {
        return tune.map(this::layOut);
    }

    private Page layOut(Tune plain) {
        double widthSpaces = width / pixelsPerSpace;
        if (look.lens().isPresent()) {
            Score large = new Score(plain, version, shows.withLetters(true));
            return Engraver.engrave(
                            large, Paper.endless(widthSpaces), look.lens().get())
                    .get(0);
        }
        Optional<WrittenOut> written =
                look.isInSmallNotes() ? version.map(each -> WrittenOut.of(plain, each)) : Optional.empty();
        Optional<Version> drawn =
                written.isEmpty() ? version : version.map(each -> Version.plain(each.name(), each.playing()));
        Score score = new Score(
                written.map(WrittenOut::tune).orElse(plain),
                drawn,
                look.isInSmallNotes() ? shows.withoutSigns() : shows);
        Page laidOut = look.isInSheets()
                ? Page.stacked(Engraver.engrave(score, Paper.a4()), SHEET_GAP)
                : Engraver.engrave(score, Paper.endless(widthSpaces)).get(0);
        return written.map(each -> laidOut.renamed(each.originals())).orElse(laidOut);
    }
}
