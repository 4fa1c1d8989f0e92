package wildflourish.core.chart;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import wildflourish.core.engraving.Box;
import wildflourish.core.engraving.Drawn;
import wildflourish.core.engraving.Face;
import wildflourish.core.engraving.FingeringStrip;
import wildflourish.core.engraving.Ink;
import wildflourish.core.engraving.Mark;
import wildflourish.core.engraving.Sketch;
import wildflourish.core.hand.Bearing;
import wildflourish.core.hand.ChanterForms;
import wildflourish.core.hand.Held;
import wildflourish.core.instrument.Breath;
import wildflourish.core.instrument.ChartRow;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.instrument.Gracing;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Target;
import wildflourish.core.table.Trust;

/** A wind instrument: large as it is held for one note, then every note with its fingerings, register by register, and what cuts, taps and rolls it. */
final class WindChart {
    private static final double STRIP = 3.3;
    /** How much larger holes are drawn than under a staff. */
    private static final double LARGER = 1.5;

    private static final double CELL_GAP = 2.4;

    private final ChartWish wish;
    private final Instrument instrument;
    private final double width;
    /** Whether a line of small words stands under the names of notes. */
    private final boolean hasSmall;

    private final List<Block> blocks = new ArrayList<>();

    private WindChart(ChartWish wish, double width) {
        this.wish = wish;
        this.instrument = wish.instrument();
        this.width = width;
        this.hasSmall = instrument.chart().stream()
                .anyMatch(row -> wish.shows(row.pitch()) && !smallOf(row).isEmpty());
    }

    /** Everything but the picture. */
    static List<Block> blocks(ChartWish wish, double width) {
        return new WindChart(wish, width).all();
    }

    /** The instrument as it is held for the note asked about, or for its lowest. */
    static Block picture(ChartWish wish, double width) {
        Instrument instrument = wish.instrument();
        ChartRow lowest = instrument.chart().get(0);
        return new WindChart(wish, width)
                .picture(wish.asked().flatMap(instrument::rowOf).orElse(lowest));
    }

    /** A note laid out, with its origin at its upper left corner. */
    private record Cell(ChartRow note, Sketch sketch, double width, double height) {}

    private List<Block> all() {
        List<ChartRow> chart = instrument.chart().stream()
                .filter(row -> wish.shows(row.pitch()))
                .toList();
        boolean hasRegisters = chart.stream().map(ChartRow::breath).distinct().count() > 1;
        List<Cell> row = new ArrayList<>();
        Optional<Breath> register = Optional.empty();
        Optional<Breath> named = Optional.empty();
        for (ChartRow note : chart) {
            Cell cell = cell(note);
            boolean isNewRegister = !register.equals(Optional.of(note.breath()));
            boolean isFull = row.stream().mapToDouble(Cell::width).sum() + cell.width() > width;
            if (!row.isEmpty() && (isNewRegister || isFull)) {
                blocks.add(row(row, named));
                row.clear();
                named = Optional.empty();
            }
            if (isNewRegister && hasRegisters) {
                named = Optional.of(note.breath());
            }
            register = Optional.of(note.breath());
            row.add(cell);
        }
        if (!row.isEmpty()) {
            blocks.add(row(row, named));
        }
        wish.asked().filter(instrument::has).ifPresent(note -> blocks.add(BearsBlock.of(wish, note, width)));
        blocks.add(Block.words("", legend(), width));
        return blocks;
    }

    /** The instrument itself, large, as it is held for a note. */
    private Block picture(ChartRow note) {
        Sketch sketch = new Sketch();
        String breath = note.breath() == Breath.FIRM
                ? instrument.family().isBlownByMouth() ? "firm breath" : "the bag pressed harder"
                : instrument.family().isBlownByMouth() ? "soft breath" : "easy on the bag";
        sketch.words(PitchNames.of(instrument, note.pitch()) + ": " + breath, 0, Block.NAME, Face.BOLD, Block.NAME);
        double top = Block.NAME + 1.2;
        WindPicture.of(instrument.family(), note, width).ifPresent(picture -> sketch.addAll(picture, 0, top));
        return Block.of(sketch, List.of(), 2.4);
    }

    private Block row(List<Cell> cells, Optional<Breath> register) {
        Sketch sketch = new Sketch();
        List<PitchZone> zones = new ArrayList<>();
        double top = 0;
        if (register.isPresent()) {
            sketch.add(
                    new Mark.Words(registerName(register.get()), 0, 2.2, Face.BOLD, Block.TEXT),
                    Ink.QUIET,
                    Drawn.Kind.WORDS);
            top = 3.4;
        }
        double x = 0;
        double bottom = top;
        for (Cell cell : cells) {
            sketch.addAll(cell.sketch(), x, top);
            Box box = new Box(x - 0.6, top, x + cell.width() - CELL_GAP + 0.6, top + cell.height());
            zones.add(new PitchZone(cell.note().pitch(), box));
            x += cell.width();
            bottom = Math.max(bottom, box.bottom());
        }
        return new Block(sketch, zones, bottom + 1.6);
    }

    private String registerName(Breath breath) {
        return instrument.family().isBlownByMouth()
                ? breath == Breath.SOFT ? "First register, soft breath" : "Second register, firm breath"
                : breath == Breath.SOFT ? "First octave" : "Second octave, the bag pressed harder";
    }

    private Cell cell(ChartRow note) {
        Sketch sketch = new Sketch();
        sketch.words(PitchNames.of(instrument, note.pitch()), 0, 2.4, Face.TITLE, Block.NAME);
        double top = 3.6;
        String small = smallOf(note);
        if (!small.isEmpty()) {
            sketch.add(new Mark.Words(small, 0, top + 1.4, Face.ITALIC, Block.TEXT), Ink.QUIET, Drawn.Kind.WORDS);
        }
        top += hasSmall ? 2.6 : 0;
        for (int i = 0; i < note.fingerings().size(); i++) {
            Fingering fingering = note.fingerings().get(i);
            Sketch strip = new Sketch();
            FingeringStrip.draw(strip, new Held(fingering, note.breath()), 0, 0, Optional.empty());
            double centre = 0.9 + i * STRIP;
            sketch.addAll(strip.scaled(LARGER), centre, top);
            if (note.doubtful().contains(fingering)) {
                sketch.add(
                        new Mark.Words("?", centre + 0.9, top + 1.4, Face.BODY, Block.TEXT),
                        Ink.QUIET,
                        Drawn.Kind.WORDS);
            }
        }
        double below = top + FingeringStrip.height(instrument.holes()) * LARGER + 1.6;
        for (String line : gestures(note)) {
            sketch.add(new Mark.Words(line, 0, below, Face.BODY, Block.TEXT), Ink.WORDS, Drawn.Kind.WORDS);
            below += Block.LINE - 0.3;
        }
        double strips = note.fingerings().size() * STRIP;
        double right = sketch.box().map(Box::right).orElse(0.0);
        return new Cell(note, sketch, Math.max(strips, right) + CELL_GAP, below - 1);
    }

    /** What it sounds, where that is no plain octave from its name for all notes, and a mark where its trust is not high. */
    private String smallOf(ChartRow note) {
        String sounds =
                ChartSheet.octavesAbove(instrument).isPresent() ? "" : "sounds " + instrument.sounding(note.pitch());
        String mark = note.trust() == Trust.H ? "" : "trust " + note.trust().word();
        return (sounds + " " + mark).strip();
    }

    /** Which finger cuts, by school where they differ, which taps, and which kinds of roll it bears. */
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
        String rolls = String.join(", ", rolls(note));
        if (!rolls.isEmpty()) {
            lines.add(rolls);
        }
        return lines;
    }

    /** {@code roll}, {@code cran}: what turns round the note. */
    private List<String> rolls(ChartRow note) {
        WrittenPitch written = WrittenPitch.ofMidi(instrument.reading().writtenMidi(note.pitch()));
        return Bearing.of(wish.playing(), wish.key(), written, EnumSet.of(Ornament.Kind.ROLL, Ornament.Kind.CRAN))
                .stream()
                .filter(bearing -> bearing.refusal().isEmpty())
                .map(bearing -> bearing.ornament().kind().word())
                .distinct()
                .toList();
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
                    lines.add(movement.name().toLowerCase(Locale.ROOT) + " " + String.join(", ", forms));
                }
            }
        }
        return lines;
    }

    private List<String> legend() {
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
        return lines;
    }
}
