package wildflourish.core.engraving;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.hand.ButtonBearing;
import wildflourish.core.instrument.Button;
import wildflourish.core.instrument.ButtonLayout;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Strings;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.Step;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.plain.HandFrame;
import wildflourish.core.words.Cautions;

/** Every note of an instrument with strings or buttons where the hand finds it: the neck string by string, or the rows with press and draw. */
final class HandChart {
    private static final double TEXT = 1.6;
    private static final double NOTE = 1.7;
    private static final double MARGIN_NAMES = 9;
    private static final int FRETS = 12;
    private static final int FIDDLE_SEMITONES = 8;

    private final Instrument instrument;
    private final Paper paper;
    private final Sketch page = new Sketch();
    private double y;

    private final List<HandFrame> frames;
    private final Optional<ChartSheet.Asked> asked;

    private HandChart(Instrument instrument, Paper paper, List<HandFrame> frames, Optional<ChartSheet.Asked> asked) {
        this.asked = asked;
        this.frames = List.copyOf(frames);
        this.instrument = instrument;
        this.paper = paper;
        this.y = paper.margin();
    }

    static List<Page> of(Instrument instrument, Paper paper, List<HandFrame> frames, Optional<ChartSheet.Asked> asked) {
        return List.of(new HandChart(instrument, paper, frames, asked).run());
    }

    private Page run() {
        page.words(instrument.name(), paper.margin(), y + 2.8, Face.TITLE, 3.2);
        String about =
                instrument.family().word() + " · trust " + instrument.trust().word()
                        + (instrument.reading().fingeredToSounding() < 0
                                ? " · sounds an octave lower than written"
                                : " · sounds as written");
        quiet(about, paper.margin(), y + 5.2);
        y += 9;
        instrument.strings().ifPresent(this::neck);
        instrument.buttons().ifPresent(this::rows);
        instrument.strings().ifPresent(this::frames);
        instrument.buttons().ifPresent(this::bearings);
        y += 2;
        for (String line : legend()) {
            for (String wrapped : KeyToSigns.wrapped(line, (paper.width() - 2 * paper.margin()) * 1.75 / TEXT)) {
                quiet(wrapped, paper.margin(), y);
                y += 2.2;
            }
        }
        double height = Double.isFinite(paper.height()) ? paper.height() : y + paper.margin();
        return new Page(paper.width(), height, page.drawn(), page.zones());
    }

    private void quiet(String words, double x, double at) {
        page.add(new Mark.Words(words, x, at, Face.BODY, TEXT), Ink.QUIET, Drawn.Kind.WORDS);
    }

    private void centred(String words, double x, double at, Face face, double size, Ink ink) {
        page.add(new Mark.Words(words, x - face.width(words, size) / 2, at, face, size), ink, Drawn.Kind.FINGERING);
    }

    /** As players of session music call it, without its octave. */
    private static String nameOf(FingeredPitch pitch) {
        WrittenPitch written = WrittenPitch.ofMidi(pitch.midi());
        boolean isFlat = written.alter() == 1 && (written.step() == Step.D || written.step() == Step.A);
        WrittenPitch named = isFlat ? WrittenPitch.of(written.step().plus(1), -1, written.octave()) : written;
        return named.toString();
    }

    // Strings

    private void neck(Strings strings) {
        int last = strings.stroke() == Strings.Stroke.BOW ? FIDDLE_SEMITONES : FRETS;
        double first = paper.margin() + MARGIN_NAMES;
        double step = (paper.width() - paper.margin() - first) / (last + 1);
        for (int semitones = 0; semitones <= last; semitones++) {
            centred(heading(strings, semitones), first + (semitones + 0.5) * step, y, Face.BOLD, TEXT, Ink.QUIET);
        }
        y += 2.4;
        int longStrings = strings.shortFret().isPresent()
                ? strings.open().size() - 1
                : strings.open().size();
        for (int string : strings.fromTop()) {
            boolean isShort = string >= longStrings;
            page.words(
                    strings.stringName(string) + (isShort ? ", short" : ""), paper.margin(), y + 1.6, Face.BOLD, NOTE);
            for (int semitones = 0; semitones <= (isShort ? 0 : last); semitones++) {
                FingeredPitch pitch =
                        new FingeredPitch(strings.open().get(string).midi() + semitones);
                centred(nameOf(pitch), first + (semitones + 0.5) * step, y + 1.6, Face.BODY, NOTE, Ink.FINGERING);
            }
            page.add(
                    new Mark.Line(first, y + 2.7, paper.width() - paper.margin(), y + 2.7, 0.1),
                    Ink.STAFF,
                    Drawn.Kind.FINGERING);
            y += 4;
        }
    }

    /** How the fingers lie in the phrases of a tune. */
    private void frames(Strings strings) {
        Sketch block = HandFrames.block(frames, strings, paper.width() - 2 * paper.margin());
        if (block.box().isPresent()) {
            y += 3;
            page.addAll(block, paper.margin(), y);
            y += block.box().get().bottom() + 1;
        }
    }

    /** The finger that stops it in the first position, as players call it; on frets the fret with it. */
    private static String heading(Strings strings, int semitones) {
        String finger = semitones == 0
                ? "0"
                : String.join(
                        " ",
                        strings.hand().stream()
                                .filter(stop -> stop.semitones() == semitones)
                                .map(Strings.Stop::name)
                                .toList());
        return strings.stroke() == Strings.Stroke.BOW ? finger : "fret " + semitones;
    }

    // Buttons

    private void rows(ButtonLayout layout) {
        // The row at the edge of the keyboard stands on top, as it does under the notes.
        Map<String, List<Button>> rows = new LinkedHashMap<>(Map.of("outer", new ArrayList<>()));
        layout.buttons()
                .forEach(button -> rows.computeIfAbsent(button.row(), row -> new ArrayList<>())
                        .add(button));
        rows.values().removeIf(List::isEmpty);
        int most = rows.values().stream().mapToInt(List::size).max().orElse(1);
        double first = paper.margin() + MARGIN_NAMES + 4;
        double step = Math.min(8.5, (paper.width() - paper.margin() - first) / (most + 0.5));
        boolean isOneWay = layout.isSameBothWays();
        Optional<String> hand = Optional.empty();
        for (Map.Entry<String, List<Button>> row : rows.entrySet()) {
            String side = row.getKey().split(" ", 2)[0];
            if (hand.isPresent() && !hand.get().equals(side) && !side.equals("inner")) {
                y += 2;
            }
            hand = Optional.of(side);
            page.words(row.getKey(), paper.margin(), y + 2.6, Face.BOLD, TEXT);
            for (Button button : row.getValue()) {
                double x = first
                        + (row.getValue().indexOf(button) + 0.5 + (row.getKey().equals("inner") ? 0.5 : 0)) * step;
                button(button, x, isOneWay);
            }
            y += isOneWay ? 4.6 : 6.4;
        }
    }

    /** The number above, what it sounds pressed in a box, drawn below it. */
    private void button(Button button, double x, boolean isOneWay) {
        centred(String.valueOf(button.number()), x, y + 0.3, Face.BODY, 1.2, Ink.QUIET);
        String press = nameOf(button.press());
        centred(press, x, y + 2.4, Face.BODY, NOTE, Ink.FINGERING);
        if (isOneWay) {
            return;
        }
        double half = Face.BODY.width(press, NOTE) / 2 + 0.35;
        for (double edge : new double[] {y + 0.9, y + 2.9}) {
            page.add(new Mark.Line(x - half, edge, x + half, edge, 0.12), Ink.FINGERING, Drawn.Kind.FINGERING);
        }
        for (double edge : new double[] {x - half, x + half}) {
            page.add(new Mark.Line(edge, y + 0.9, edge, y + 2.9, 0.12), Ink.FINGERING, Drawn.Kind.FINGERING);
        }
        centred(nameOf(button.draw()), x, y + 4.7, Face.BODY, NOTE, Ink.FINGERING);
    }

    /** What the note that is asked about bears. */
    private void bearings(ButtonLayout layout) {
        if (asked.isEmpty()) {
            return;
        }
        ChartSheet.Asked note = asked.get();
        Sketch block = ButtonPictures.block(
                note,
                ButtonBearing.of(note.playing(), note.key(), note.note()),
                layout,
                paper.width() - 2 * paper.margin());
        y += 3.4;
        page.addAll(block, paper.margin(), y);
        y += block.box().map(Box::bottom).orElse(0.0) + 1;
    }

    private List<String> legend() {
        List<String> lines = new ArrayList<>();
        if (instrument.strings().isPresent()) {
            lines.add(
                    instrument.strings().get().stroke() == Strings.Stroke.BOW
                            ? "Above each column the finger in the first position: L low, H high; 0 the open string."
                            : "The highest string stands on top. Fret 0 is the open string.");
        } else {
            lines.add(
                    instrument.buttons().orElseThrow().isSameBothWays()
                            ? "Each key sounds the same both ways. Rows as they lie under the fingers of each hand."
                            : "In a box what a button sounds pressed, below it what it sounds drawn.");
            asked.ifPresent(
                    note -> lines.add(
                            "In the pictures of ornaments the number of the finger stands on its button, 1 the index; the thick ring is the note's own."));
        }
        lines.add(Cautions.brief(Optional.of(instrument.family())));
        return lines;
    }
}
