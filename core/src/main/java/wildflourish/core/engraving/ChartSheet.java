package wildflourish.core.engraving;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.hand.ChanterForms;
import wildflourish.core.hand.Held;
import wildflourish.core.instrument.Breath;
import wildflourish.core.instrument.ChartRow;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.instrument.Gracing;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.music.Key;
import wildflourish.core.music.Step;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Target;
import wildflourish.core.plain.HandFrame;
import wildflourish.core.table.Trust;
import wildflourish.core.version.Playing;
import wildflourish.core.words.Cautions;

/** Every note of an instrument with its fingerings, register by register, and the fingers that cut and tap it, laid out on pages. */
public final class ChartSheet {
    private static final double STRIP = 2.3;
    private static final double CELL_GAP = 1.7;
    private static final double NAME_SIZE = 2.0;
    private static final double SMALL = 1.35;
    private static final double TEXT = 1.6;
    private static final double ROW_GAP = 0.8;

    private final Instrument instrument;
    private final Paper paper;
    private final List<Page> pages = new ArrayList<>();
    private Sketch page = new Sketch();
    private double y;

    private ChartSheet(Instrument instrument, Paper paper) {
        this.instrument = instrument;
        this.paper = paper;
        this.y = paper.margin();
    }

    /** On paper, or on one endless page. */
    public static List<Page> of(Instrument instrument, Paper paper) {
        return of(instrument, paper, List.of());
    }

    /** A note, in a key, of which it is asked which ornaments it bears in the schools of a player. */
    public record Asked(Playing playing, Key key, WrittenPitch note) {}

    /** With pictures of how the fingers lie on the strings in a tune. */
    public static List<Page> of(Instrument instrument, Paper paper, List<HandFrame> frames) {
        return of(instrument, paper, frames, Optional.empty());
    }

    /** With the ornaments that a note bears on buttons, where one is asked about. */
    public static List<Page> of(Instrument instrument, Paper paper, List<HandFrame> frames, Optional<Asked> asked) {
        return instrument.family().isWind()
                ? new ChartSheet(instrument, paper).run(asked)
                : HandChart.of(instrument, paper, frames, asked);
    }

    private double width() {
        return paper.width() - 2 * paper.margin();
    }

    private List<Page> run(Optional<Asked> asked) {
        heading();
        picture(asked.map(Asked::note)
                .flatMap(instrument::rowOf)
                .orElse(instrument.chart().get(0)));
        List<ChartRow> chart = instrument.chart();
        List<ChartRow> row = new ArrayList<>();
        Optional<Breath> register = Optional.empty();
        for (ChartRow note : chart) {
            boolean isNewRegister = !register.equals(Optional.of(note.breath()));
            if (isNewRegister || widthOf(row) + widthOf(note) > width()) {
                draw(row);
                row.clear();
            }
            if (isNewRegister && hasRegisters(chart)) {
                registerName(note.breath());
            }
            register = Optional.of(note.breath());
            row.add(note);
        }
        draw(row);
        legend();
        finish();
        return List.copyOf(pages);
    }

    private static boolean hasRegisters(List<ChartRow> chart) {
        return chart.stream().map(ChartRow::breath).distinct().count() > 1;
    }

    private void heading() {
        page.words(instrument.name(), paper.margin(), y + 2.8, Face.TITLE, 3.2);
        String about =
                instrument.family().word() + " · trust " + instrument.trust().word() + " · "
                        + (instrument.tuning().name().equals("equal")
                                ? "equal steps"
                                : instrument.tuning().name())
                        + octavesAbove().map(ChartSheet::octaves).orElse("");
        page.add(new Mark.Words(about, paper.margin(), y + 5.2, Face.BODY, TEXT), Ink.QUIET, Drawn.Kind.WORDS);
        y += 7.4;
    }

    private static String octaves(int above) {
        return above == 0
                ? " · sounds as written"
                : above == 1
                        ? " · sounds an octave higher than written"
                        : " · sounds " + -above + " octave lower than written";
    }

    /** The instrument itself, large, as it is held for a note. */
    private void picture(ChartRow note) {
        WindPicture.of(instrument.family(), note, width()).ifPresent(picture -> {
            String words = nameOf(note) + ": "
                    + (note.breath() == Breath.FIRM
                            ? instrument.family().isBlownByMouth() ? "firm breath" : "the bag pressed harder"
                            : instrument.family().isBlownByMouth() ? "soft breath" : "easy on the bag");
            page.add(new Mark.Words(words, paper.margin(), y + 1.6, Face.BOLD, NAME_SIZE), Ink.WORDS, Drawn.Kind.WORDS);
            page.addAll(picture, paper.margin(), y + 1.5);
            y += WindPicture.HEIGHT + 2.5;
        });
    }

    private void registerName(Breath breath) {
        String pressure = instrument.family().isBlownByMouth()
                ? breath == Breath.SOFT ? "First register, soft breath" : "Second register, firm breath"
                : breath == Breath.SOFT ? "First octave" : "Second octave, the bag pressed harder";
        breakIfShort(cellHeight() + 3);
        page.add(new Mark.Words(pressure, paper.margin(), y + 1.4, Face.BOLD, TEXT), Ink.QUIET, Drawn.Kind.WORDS);
        y += 3;
    }

    // Cells

    private double widthOf(ChartRow note) {
        double strips = note.fingerings().size() * STRIP;
        double words = gestures(note).stream()
                .mapToDouble(line -> Face.BODY.width(line, SMALL))
                .max()
                .orElse(0);
        double name = Face.TITLE.width(nameOf(note), NAME_SIZE) + 1.2;
        double small = Face.ITALIC.width(smallOf(note), SMALL);
        return Math.max(Math.max(strips, words), Math.max(name, small)) + CELL_GAP;
    }

    private double widthOf(List<ChartRow> row) {
        return row.stream().mapToDouble(this::widthOf).sum();
    }

    private double cellHeight() {
        return 4.6 + FingeringStrip.height(instrument.holes()) + 1.3 + 1.7 * mostLines() + ROW_GAP;
    }

    /** Lines of words below a note, of the note that has most. */
    private int mostLines() {
        return Math.max(
                2,
                instrument.chart().stream()
                        .mapToInt(row -> gestures(row).size())
                        .max()
                        .orElse(0));
    }

    /** As players of session music call it: E and B flat, F, C and G sharp. */
    private String nameOf(ChartRow note) {
        WrittenPitch written = WrittenPitch.ofMidi(instrument.reading().writtenMidi(note.pitch()));
        boolean isFlat = written.alter() == 1 && (written.step() == Step.D || written.step() == Step.A);
        return isFlat
                ? WrittenPitch.of(written.step().plus(1), -1, written.octave()).toString()
                : written.toString();
    }

    /** What it sounds, where that is no plain octave from its name for all notes, and a mark where its trust is not high. */
    private String smallOf(ChartRow note) {
        String sounds = octavesAbove().isPresent() ? "" : "sounds " + instrument.sounding(note.pitch());
        String mark = note.trust() == Trust.H ? "" : "trust " + note.trust().word();
        return (sounds + " " + mark).strip();
    }

    /** How many octaves above what is written everything sounds; empty where it is no whole number of them, or differs from note to note. */
    private Optional<Integer> octavesAbove() {
        int shift =
                instrument.reading().fingeredToSounding() + instrument.reading().writtenToFingered();
        boolean isPlain = shift % 12 == 0
                && instrument.reading().cents() == 0
                && instrument.tuning().cents().isEmpty();
        return isPlain ? Optional.of(shift / 12) : Optional.empty();
    }

    private void draw(List<ChartRow> row) {
        if (row.isEmpty()) {
            return;
        }
        breakIfShort(cellHeight());
        double x = paper.margin();
        for (ChartRow note : row) {
            cell(note, x);
            x += widthOf(note);
        }
        y += cellHeight();
    }

    private void cell(ChartRow note, double x) {
        page.words(nameOf(note), x, y + 1.8, Face.TITLE, NAME_SIZE);
        page.add(new Mark.Words(smallOf(note), x, y + 3.5, Face.ITALIC, SMALL), Ink.QUIET, Drawn.Kind.WORDS);
        double top = y + 4.6;
        for (int i = 0; i < note.fingerings().size(); i++) {
            Fingering fingering = note.fingerings().get(i);
            double centre = x + 0.8 + i * STRIP;
            FingeringStrip.draw(page, new Held(fingering, note.breath()), centre, top, Optional.empty());
            if (note.doubtful().contains(fingering)) {
                page.add(new Mark.Words("?", centre + 0.5, top + 0.9, Face.BODY, SMALL), Ink.QUIET, Drawn.Kind.WORDS);
            }
        }
        double below = top + FingeringStrip.height(instrument.holes()) + 1.3;
        for (String line : gestures(note)) {
            page.add(new Mark.Words(line, x, below, Face.BODY, SMALL), Ink.WORDS, Drawn.Kind.WORDS);
            below += 1.7;
        }
    }

    /** Which finger cuts, by school where they differ, and which taps. */
    private List<String> gestures(ChartRow note) {
        if (instrument.family() == Family.NINE_NOTE_PIPES) {
            return movements(note);
        }
        Optional<Gracing> gracing = instrument.gracingOf(note.pitch());
        if (gracing.isEmpty()) {
            return List.of();
        }
        List<String> cuts = instrument.schools().stream()
                .map(school ->
                        gracing.get().cutBy(school).map(note.usual()::nameOf).orElse("–"))
                .toList();
        List<String> lines = new ArrayList<>();
        if (cuts.stream().anyMatch(cut -> !cut.equals("–"))) {
            boolean isOne = cuts.stream().distinct().count() == 1;
            lines.add("cut " + (isOne ? cuts.get(0) : String.join(" ", cuts)));
        }
        gracing.get().tap().ifPresent(hole -> lines.add("tap " + note.usual().nameOf(hole)));
        return lines;
    }

    /** The small notes of the chanter's movements onto a note, by school where they differ. */
    private static List<String> movements(ChartRow note) {
        List<String> lines = new ArrayList<>();
        for (Ornament movement : Ornament.of(Family.NINE_NOTE_PIPES)) {
            boolean isOfForms = movement.figures().get(0).figure().uses(Target.Kind.FORM)
                    && movement.form().standsFor().contains(Ornament.StandsFor.NOTE);
            if (isOfForms) {
                List<String> forms = new ArrayList<>();
                String usual = ChanterForms.spelled(movement.id(), "", note.pitch());
                if (!usual.isEmpty()) {
                    forms.add(usual);
                }
                for (String school : movement.schools(Family.NINE_NOTE_PIPES)) {
                    String own = ChanterForms.spelled(movement.id(), school, note.pitch());
                    if (!own.isEmpty() && !own.equals(usual)) {
                        forms.add(school + " " + own);
                    }
                }
                if (!forms.isEmpty()) {
                    lines.add(movement.name().toLowerCase(java.util.Locale.ROOT) + " " + String.join(", ", forms));
                }
            }
        }
        return lines;
    }

    // Below

    private void legend() {
        List<String> lines = new ArrayList<>();
        String signs = "Filled: closed. Ring: open. Half filled: half closed.";
        signs += instrument.family().isBlownByMouth() ? " Cross below: firm breath." : "";
        signs += instrument.family() == Family.UNION_PIPES
                ? " Wedge below: off the knee. Cross below: the bag pressed harder."
                : "";
        boolean hasDoubtful =
                instrument.chart().stream().anyMatch(note -> !note.doubtful().isEmpty());
        signs += hasDoubtful ? " Beside the usual fingering stand others; ? is out of tune on many instruments." : "";
        lines.add(signs + (instrument.holes() > 7 ? " The thumb stands above the fingers." : ""));
        if (instrument.family() == Family.NINE_NOTE_PIPES) {
            lines.add(
                    "Below each note the small notes that may lead to it, as from silence; where a school plays others, they follow its name.");
        } else if (instrument.schools().size() > 1) {
            lines.add("Cuts in this order where they differ: "
                    + String.join(
                            ", ",
                            instrument.schools().stream().map(School::name).toList()) + ".");
        }
        lines.add(Cautions.brief(Optional.of(instrument.family())));
        breakIfShort(lines.size() * 2.2 + 4);
        double at = y + 1;
        for (String line : lines) {
            for (String wrapped : KeyToSigns.wrapped(line, width() * 1.75 / TEXT)) {
                page.add(new Mark.Words(wrapped, paper.margin(), at, Face.BODY, TEXT), Ink.QUIET, Drawn.Kind.WORDS);
                at += 2.2;
            }
        }
        y = at;
    }

    private void breakIfShort(double height) {
        if (Double.isFinite(paper.height()) && y + height > paper.height() - paper.margin()) {
            finish();
        }
    }

    private void finish() {
        double height = Double.isFinite(paper.height()) ? paper.height() : y + paper.margin();
        pages.add(new Page(paper.width(), height, page.drawn(), page.zones()));
        page = new Sketch();
        y = paper.margin();
    }
}
