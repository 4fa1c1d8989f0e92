package wildflourish.files.export;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import wildflourish.core.arranging.Whole;
import wildflourish.core.engraving.Engraver;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Palette;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.RoadMap;
import wildflourish.core.engraving.Score;
import wildflourish.core.ornament.Profile;
import wildflourish.core.performance.Realisation;
import wildflourish.core.performance.Realiser;
import wildflourish.core.performance.Reeds;
import wildflourish.core.sound.Synth;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.files.abc.BookWriter;
import wildflourish.files.abc.TuneText;
import wildflourish.files.abc.WrittenOut;
import wildflourish.files.midi.MidiWriter;
import wildflourish.files.midi.NotesMidiWriter;
import wildflourish.files.musicxml.MusicXmlWriter;
import wildflourish.files.paint.PdfPainter;
import wildflourish.files.paint.PngPainter;
import wildflourish.files.paint.SvgPainter;
import wildflourish.files.wav.WavWriter;

/** One version of a tune in each form it can be taken away as. */
public final class Exporter {
    private static final double PIXELS_A_SPACE = 12;
    private static final double PICTURE_WIDTH = 122;
    /** Of a picture; more takes more memory than such a picture is worth. */
    private static final long MOST_PIXELS = 40_000_000;
    /** Of sound. */
    private static final int MOST_MINUTES = 12;

    private final Profile profile;
    private final Paper paper;
    private final boolean isInSmallNotes;
    private final Reeds reeds;
    private final boolean hasNotesInMidi;

    /** For a student, on a paper, ornaments as signs. */
    public Exporter(Profile profile, Paper paper) {
        this(profile, paper, false, Reeds.DRY, false);
    }

    private Exporter(Profile profile, Paper paper, boolean isInSmallNotes, Reeds reeds, boolean hasNotesInMidi) {
        this.hasNotesInMidi = hasNotesInMidi;
        this.reeds = reeds;
        this.profile = profile;
        this.paper = paper;
        this.isInSmallNotes = isInSmallNotes;
    }

    /** The same with ornaments written out as small notes on every page and picture. */
    public Exporter withSmallNotes() {
        return new Exporter(profile, paper, true, reeds, hasNotesInMidi);
    }

    /** The same with the reeds of a two-row box tuned otherwise. */
    public Exporter with(Reeds others) {
        return new Exporter(profile, paper, isInSmallNotes, others, hasNotesInMidi);
    }

    /** The same with ornaments in MIDI as notes for notation programs, or as bends for the ear. */
    public Exporter withNotesInMidi(boolean isSo) {
        return new Exporter(profile, paper, isInSmallNotes, reeds, isSo);
    }

    /** A version to take away. */
    public record Take(Tune tune, Version version) {}

    /** The file's bytes. A PDF has the decorated tune with its key to signs, then the plain one. */
    public byte[] export(Take take, ExportForm form) throws IOException {
        return switch (form) {
            case ABC -> BookWriter.writeVersion(take.tune(), take.version()).getBytes(StandardCharsets.UTF_8);
            case MIDI ->
                hasNotesInMidi
                        ? NotesMidiWriter.write(take.tune(), take.version())
                        : MidiWriter.write(take.tune(), realise(take));
            case MUSICXML -> MusicXmlWriter.write(take.tune(), take.version());
            case WAV -> WavWriter.write(Synth.render(sound(take)), Synth.SAMPLE_RATE);
            case PDF -> pdf(List.of(take), take.tune().title());
            case SVG ->
                SvgPainter.paint(picture(take), Palette.PRINT, paper.spaceMillimetres())
                        .getBytes(StandardCharsets.UTF_8);
            case PNG -> PngPainter.paint(pictureInPixels(take), Palette.PRINT, PIXELS_A_SPACE);
        };
    }

    /** Several versions in one PDF, each decorated and then plain. */
    public byte[] pdf(List<Take> takes, String title) throws IOException {
        // Laid out by all cores, in the order of the book.
        List<Page> pages =
                takes.parallelStream().map(this::printed).flatMap(List::stream).toList();
        return PdfPainter.paint(pages, title, paper.spaceMillimetres());
    }

    /** The plan of times through of a stair as one performance; as PDF its road map with each version that is played. Throws IOException for a picture. */
    public byte[] whole(Tune tune, Stair stair, ExportForm form) throws IOException {
        return switch (form) {
            case PDF -> roadMap(tune, stair);
            case ABC -> BookWriter.writeWhole(tune, stair).getBytes(StandardCharsets.UTF_8);
            case MUSICXML -> {
                Tune written = TuneText.read(BookWriter.writeWhole(tune, stair)).value();
                Playing playing = stair.at(0)
                        .playing()
                        .withTempo(stair.times().orElseThrow().tempo());
                yield MusicXmlWriter.write(written, Version.plain("Times through", playing));
            }
            case MIDI, WAV -> {
                Whole whole = Whole.of(tune, stair, stair.times().orElseThrow());
                yield export(new Take(whole.tune(), whole.version()), form);
            }
            case SVG, PNG -> throw new IOException("a performance is no picture; take the road map as PDF");
        };
    }

    private byte[] roadMap(Tune tune, Stair stair) throws IOException {
        List<Page> pages = RoadMap.of(tune, stair, stair.times().orElseThrow(), profile, paper);
        return PdfPainter.paint(pages, tune.title(), paper.spaceMillimetres());
    }

    /** Decorated where it is, then plain. */
    private List<Page> printed(Take take) {
        List<Page> pages = new ArrayList<>();
        if (!take.version().isPlain()) {
            pages.addAll(pages(take, Score.Shows.PRINT));
        }
        pages.addAll(pages(take, Score.Shows.PLAIN));
        return pages;
    }

    private List<Page> pages(Take take, Score.Shows shows) {
        return Engraver.engrave(score(take, shows), paper);
    }

    private Score score(Take take, Score.Shows shows) {
        if (!isInSmallNotes || !shows.signs()) {
            return new Score(take.tune(), Optional.of(take.version()), shows, profile);
        }
        Version plain = Version.plain(take.version().name(), take.version().playing());
        Tune written = WrittenOut.of(take.tune(), take.version()).tune();
        return new Score(written, Optional.of(plain), shows.withoutSigns(), profile);
    }

    private Page picture(Take take) {
        Score score = score(take, Score.Shows.PRINT);
        return Engraver.engrave(score, Paper.endless(PICTURE_WIDTH)).get(0);
    }

    /** Throws IOException for a picture that no program would open. */
    private Page pictureInPixels(Take take) throws IOException {
        Page page = picture(take);
        double pixels = page.width() * page.height() * PIXELS_A_SPACE * PIXELS_A_SPACE;
        if (pixels > MOST_PIXELS) {
            throw new IOException(String.format(
                    Locale.ROOT,
                    "%s would be a picture of %.0f million pixels, and %d is the most; take it as PDF or SVG",
                    take.tune().title(),
                    pixels / 1e6,
                    MOST_PIXELS / 1_000_000));
        }
        return page;
    }

    /** Throws IOException for what would sound longer than anybody listens to a tune. */
    private Realisation sound(Take take) throws IOException {
        Realisation realisation = realise(take).with(reeds);
        double minutes = realisation.endMillis().toDouble() / 60_000;
        if (minutes > MOST_MINUTES) {
            throw new IOException(String.format(
                    Locale.ROOT,
                    "%s would sound for %.0f minutes, and %d is the most; take it as MIDI",
                    take.tune().title(),
                    minutes,
                    MOST_MINUTES));
        }
        return realisation;
    }

    private Realisation realise(Take take) {
        return Realiser.realise(take.tune(), take.version(), profile);
    }
}
