package wildflourish.core.chart;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import wildflourish.core.engraving.Box;
import wildflourish.core.engraving.Drawn;
import wildflourish.core.engraving.Face;
import wildflourish.core.engraving.HandFrames;
import wildflourish.core.engraving.Ink;
import wildflourish.core.engraving.Mark;
import wildflourish.core.engraving.Outline;
import wildflourish.core.engraving.Sketch;
import wildflourish.core.hand.Bearing;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Strings;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Ornament;

/** A neck with its strings: the highest on top, the nut at the left, each note in its place with its letter, in the shape of its finger. */
final class NeckChart {
    private static final int LAST = 12;
    /** From string to string on a sheet of A4 upright; wider sheets have more. */
    private static final double STRING = 6.6;

    private static final double USUAL_WIDTH = 124;
    private static final double MOST_LARGER = 1.3;
    private static final double NUT = 8.5;

    private static final double THIN = 0.12;
    /** Half steps of thirds, fourths, fifths, sixths, octaves and unisons, and the third above an octave; common practice. */
    private static final Set<Integer> CONSONANT = Set.of(0, 3, 4, 5, 7, 8, 9, 12, 15, 16);

    /** How much larger pictures of the hand are drawn than on a handout. */
    private static final double LARGER = 2.05;

    private final ChartWish wish;
    private final Instrument instrument;
    private final Strings strings;
    private final double width;
    private final double scale;
    private final double radius;
    private final boolean isBowed;
    private final Sketch sketch = new Sketch();
    private final List<PitchZone> zones = new ArrayList<>();

    private NeckChart(ChartWish wish, Strings strings, double width) {
        this.wish = wish;
        this.instrument = wish.instrument();
        this.strings = strings;
        this.width = width;
        this.scale = Math.max(0.9, Math.min(MOST_LARGER, width / USUAL_WIDTH));
        this.radius = 0.34 * STRING * scale;
        this.isBowed = strings.stroke() == Strings.Stroke.BOW;
    }

    static List<Block> blocks(ChartWish wish, Strings strings, double width) {
        List<Block> blocks = new ArrayList<>();
        NeckChart chart = new NeckChart(wish, strings, width);
        blocks.add(chart.neck());
        blocks.add(chart.shapes());
        blocks.addAll(chart.frames());
        wish.asked().filter(wish.instrument()::has).ifPresent(note -> blocks.add(BearsBlock.of(wish, note, width)));
        blocks.add(chart.together());
        return blocks;
    }

    /** Where a half step above the open string is stopped, the neck so long that the last fret stands near its end. */
    private double fret(double semitones) {
        double whole = 1 - Math.pow(2, -(LAST + 0.7) / 12.0);
        return NUT + (width - NUT) * (1 - Math.pow(2, -semitones / 12.0)) / whole;
    }

    /** Where a finger stands: on frets behind the fret, on a fingerboard without them on the note. */
    private double finger(int semitones) {
        return semitones == 0
                ? NUT - radius - 0.9
                : isBowed ? fret(semitones) : (fret(semitones - 1) + fret(semitones)) / 2;
    }

    private Block neck() {
        double top = isBowed ? 6.2 : 4.6;
        List<Integer> order = strings.fromTop();
        double first = top + 3 * scale;
        double bottom = first + (order.size() - 1) * STRING * scale;
        headings(top - 2.2);
        line(NUT, top - 0.6, width, top - 0.6, THIN);
        line(NUT, bottom + 3.4 * scale, width, bottom + 3.4 * scale, THIN);
        line(NUT, top - 0.6, NUT, bottom + 3.4 * scale, 0.8);
        if (!isBowed) {
            for (int fret = 1; fret <= LAST; fret++) {
                line(fret(fret), top - 0.6, fret(fret), bottom + 3.4 * scale, 0.2);
            }
        }
        for (int at = 0; at < order.size(); at++) {
            string(order.get(at), first + at * STRING * scale);
        }
        return new Block(sketch, zones, bottom + 3.4 * scale + 2.2);
    }

    private void line(double x1, double y1, double x2, double y2, double thickness) {
        sketch.add(new Mark.Line(x1, y1, x2, y2, thickness), Ink.QUIET, Drawn.Kind.PICTURE);
    }

    /** Above each place of a bow's instrument the finger in the first position as players call it, of frets their numbers. */
    private void headings(double y) {
        for (int semitones = 1; semitones <= LAST; semitones++) {
            int at = semitones;
            String words = !isBowed
                    ? String.valueOf(semitones + strings.capo())
                    : String.join(
                            " ",
                            strings.hand().stream()
                                    .filter(stop -> stop.semitones() == at)
                                    .map(Strings.Stop::name)
                                    .toList());
            Block.centred(sketch, words, finger(semitones), y, Face.BOLD, Block.TEXT, Ink.QUIET);
        }
        String left = isBowed ? "finger" : strings.capo() > 0 ? "capo " + strings.capo() : "fret";
        Block.quiet(sketch, left, 0, y + 0.8);
        if (isBowed) {
            double from = finger(LAST - 3);
            double to = finger(LAST);
            Block.centred(sketch, "the hand moved up", (from + to) / 2, y, Face.BODY, Block.TEXT, Ink.QUIET);
        }
    }

    /** A string with all its notes; a short one begins at its own spike and is only played open. */
    private void string(int string, double y) {
        boolean isShort = strings.isShort(string);
        double begin = isShort ? fret(strings.shortFret().orElseThrow()) : NUT;
        if (isShort) {
            Block.quiet(sketch, "short string", NUT + 1.2, y + 0.75);
            sketch.add(new Mark.Shape(Outline.circle(begin + 0.3, y, 0.6), 0), Ink.QUIET, Drawn.Kind.PICTURE);
        }
        double from = begin;
        double thickness = 0.14
                + 0.05
                        * (strings.open().size()
                                - 1
                                - Math.min(string, strings.open().size() - 1));
        for (int semitones = 0; semitones <= (isShort ? 0 : LAST); semitones++) {
            FingeredPitch pitch = new FingeredPitch(strings.open().get(string).midi() + semitones);
            double x = semitones == 0 && isShort ? begin - 3.2 : finger(semitones);
            double half = place(string, semitones, pitch, x, y);
            if (semitones > 0) {
                line(from, y, x - half, y, thickness);
                from = x + half;
            }
        }
        line(from, y, width, y, thickness);
    }

    /** Draws a note; returns half the width it takes on its string. */
    private double place(int string, int semitones, FingeredPitch pitch, double x, double y) {
        Optional<Strings.Place> stopped = strings.placesOf(pitch).stream()
                .filter(place -> place.string() == string && place.semitones() == semitones)
                .min(Comparator.comparingInt(Strings.Place::position));
        if (stopped.isEmpty()) {
            return 0;
        }
        if (!wish.shows(pitch) && semitones == 0) {
            // The name of the string stands there all the same.
            String name = PitchNames.letter(instrument, pitch);
            Block.centred(sketch, name, x, y, Face.BODY, Block.TEXT, Ink.QUIET);
            return 0;
        }
        if (!wish.shows(pitch)) {
            sketch.add(new Mark.Shape(Outline.circle(x, y, 0.5), 0.14), Ink.QUIET, Drawn.Kind.PICTURE);
            return 0.6;
        }
        boolean isAsked = wish.isAsked(pitch);
        FingerShape shape = FingerShape.of(stopped.get().stop().finger());
        double thickness = isAsked ? 0.6 : shape == FingerShape.OPEN ? THIN : 0.22;
        sketch.add(new Mark.Shape(shape.around(x, y, radius), thickness), Ink.FINGERING, Drawn.Kind.FINGERING);
        Face face = isAsked ? Face.TITLE : Face.BOLD;
        Block.centred(sketch, PitchNames.letter(instrument, pitch), x, y, face, Block.TEXT * scale, Ink.FINGERING);
        Box box = shape.around(x, y, radius).box();
        zones.add(new PitchZone(pitch, box));
        return box.width() / 2;
    }

    /** Which shape is which finger. */
    private Block shapes() {
        Sketch key = new Sketch();
        double x = 0;
        for (FingerShape shape : FingerShape.values()) {
            double thickness = shape == FingerShape.OPEN ? THIN : 0.22;
            key.add(new Mark.Shape(shape.around(x + 2.6, 2.6, 1.8), thickness), Ink.FINGERING, Drawn.Kind.FINGERING);
            if (shape != FingerShape.OPEN) {
                String finger = String.valueOf(shape.ordinal());
                Block.centred(key, finger, x + 2.6, 2.6, Face.BOLD, Block.TEXT, Ink.FINGERING);
            }
            Block.quiet(key, shape.word(), x + 5.6, 3.4);
            x += 8.6 + Face.BODY.width(shape.word(), Block.TEXT);
        }
        String more = wish.only().isPresent() ? "Small rings: other notes." : "The highest string stands on top.";
        Block.quiet(key, more, x, 3.4);
        return new Block(key, List.of(), 7);
    }

    /** How the fingers lie in the phrases of a tune, in rows. */
    private List<Block> frames() {
        List<Block> rows = new ArrayList<>();
        int inRow = HandFrames.inRow(strings, width / LARGER);
        for (int i = 0; i < wish.frames().size(); i += inRow) {
            Sketch row = HandFrames.row(
                    wish.frames().subList(i, Math.min(wish.frames().size(), i + inRow)), wish.frames(), strings);
            Sketch block = new Sketch();
            double top = 0;
            if (i == 0) {
                block.words(
                        "Under the hand: from line to line is a half step", 0, Block.HEADING, Face.BOLD, Block.HEADING);
                top = Block.HEADING + 1.6;
            }
            block.addAll(row.scaled(LARGER), 0, top);
            rows.add(Block.of(block, List.of(), 2));
        }
        return rows;
    }

    /** Which notes sound well with those of the chart on the string beside them, in thirds, fourths, fifths, sixths, octaves. */
    private Block together() {
        List<String> lines = new ArrayList<>();
        TreeSet<FingeredPitch> pitches = new TreeSet<>(Comparator.comparingInt(FingeredPitch::midi));
        zones.forEach(zone -> pitches.add(zone.pitch()));
        for (FingeredPitch pitch : pitches) {
            WrittenPitch written = WrittenPitch.ofMidi(instrument.reading().writtenMidi(pitch));
            TreeSet<Integer> with = new TreeSet<>();
            for (Bearing bearing :
                    Bearing.of(wish.playing(), wish.key(), written, EnumSet.of(Ornament.Kind.DOUBLE_STOP))) {
                bearing.together().stream()
                        .map(WrittenPitch::midi)
                        .filter(other -> CONSONANT.contains(Math.abs(other - written.midi())))
                        .forEach(with::add);
            }
            if (!with.isEmpty()) {
                String others = with.stream()
                        .map(midi -> PitchNames.of(instrument, new FingeredPitch(midi)))
                        .collect(Collectors.joining("  "));
                lines.add(PitchNames.of(instrument, pitch) + " with  " + others);
            }
        }
        return Block.grid("Double stops that sound well by themselves", lines, width);
    }
}
