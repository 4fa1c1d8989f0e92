package wildflourish.desktop.command;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import wildflourish.core.engraving.ChartSheet;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Paper;
import wildflourish.core.hand.ButtonBearing;
import wildflourish.core.instrument.ChartRow;
import wildflourish.core.instrument.Gracing;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Refusal;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Playing;
import wildflourish.files.abc.BookReader;
import wildflourish.files.paint.PdfPainter;
import wildflourish.files.store.BookStore;

@Command(
        name = "chart",
        description =
                "Lists every note of an instrument with its fingerings, cuts and taps; without one, the instruments.")
final class ChartCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec = CommandSpec.create();

    @Option(names = "--instrument", description = "for example whistle-d")
    private Optional<String> instrument = Optional.empty();

    @Option(names = "--note", description = "on buttons: which ornaments a note bears, such as B4 or F#5")
    private Optional<String> note = Optional.empty();

    @Option(names = "--key", description = "the key that the note stands in, such as D, Em or Ador")
    private String key = "D";

    @Option(names = "--format", description = "table, json or csv")
    private Listing.Format format = Listing.Format.TABLE;

    @Option(names = "--out", description = "writes it as a PDF to this file in place of listing it")
    private Optional<Path> out = Optional.empty();

    @Override
    public Integer call() throws IOException {
        if (out.isPresent()) {
            Instrument asked = Asked.instrument(
                    instrument.orElseThrow(() -> new UsageException("name the instrument: --instrument whistle-d")));
            Paper paper = Paper.a4();
            List<Page> pages = ChartSheet.of(asked, paper, List.of(), note.map(each -> asked(asked, each)));
            BookStore.writeAside(out.get(), PdfPainter.paint(pages, asked.name(), paper.spaceMillimetres()));
            spec.commandLine().getOut().println("Wrote " + out.get());
            return Flourish.DONE;
        }
        if (note.isPresent()) {
            Instrument asked = Asked.instrument(instrument.orElseThrow(
                    () -> new UsageException("name the instrument of the note: --instrument box-bc")));
            Listing.print(spec.commandLine().getOut(), bearings(asked(asked, note.get())), format);
            return Flourish.DONE;
        }
        List<Map<String, String>> rows =
                instrument.isEmpty() ? instruments() : notes(Asked.instrument(instrument.get()));
        Listing.print(spec.commandLine().getOut(), rows, format);
        return Flourish.DONE;
    }

    private ChartSheet.Asked asked(Instrument instrument, String word) {
        if (instrument.buttons().isEmpty()) {
            throw new UsageException("--note is for boxes and concertinas; the " + instrument.name()
                    + " tells all its notes without it, and What fits here tells what each bears");
        }
        WrittenPitch pitch;
        try {
            pitch = WrittenPitch.parse(word.replace('#', '♯').replaceFirst("(?<=^[A-Ga-g])b", "♭"));
        } catch (IllegalArgumentException e) {
            throw new UsageException("“" + word + "” is no note; write its letter and octave, such as B4 or F#5");
        }
        if (!instrument.has(pitch)) {
            throw new UsageException("the " + instrument.name() + " has no " + pitch + "; choose another note");
        }
        Tune read = BookReader.read("X:1\nT:Key\nM:4/4\nL:1/8\nK:" + key + "\nC8|\n")
                .value()
                .lessons()
                .get(0)
                .tune();
        return new ChartSheet.Asked(
                Playing.usual(read, instrument), read.header().key(), pitch);
    }

    /** One row an ornament: the buttons that it takes, or why it is not to be had. */
    private static List<Map<String, String>> bearings(ChartSheet.Asked asked) {
        List<Map<String, String>> rows = new ArrayList<>();
        for (ButtonBearing bearing : ButtonBearing.of(asked.playing(), asked.key(), asked.note())) {
            Map<String, String> row = new LinkedHashMap<>();
            row.put("ornament", bearing.ornament().id());
            row.put("on", asked.note().toString());
            row.put(
                    "buttons",
                    bearing.used().stream()
                            .map(used -> used.pitch() + " " + used.key() + "/" + used.finger())
                            .collect(Collectors.joining(", ")));
            row.put("not", bearing.refusal().map(Refusal::id).orElse("–"));
            rows.add(row);
        }
        return rows;
    }

    private static List<Map<String, String>> instruments() {
        List<Map<String, String>> rows = new ArrayList<>();
        for (Instrument each : Instrument.all()) {
            Map<String, String> row = new LinkedHashMap<>();
            row.put("instrument", each.id());
            row.put("name", each.name());
            row.put("family", each.family().word());
            row.put("trust", each.trust().word());
            rows.add(row);
        }
        return rows;
    }

    /** On strings each place of the first position or of twelve frets, on buttons each button. */
    private static List<Map<String, String>> places(Instrument asked) {
        List<Map<String, String>> rows = new ArrayList<>();
        asked.strings().ifPresent(strings -> {
            for (int string : strings.fromTop()) {
                for (int semitones = 0; semitones <= 12; semitones++) {
                    FingeredPitch pitch =
                            new FingeredPitch(strings.open().get(string).midi() + semitones);
                    int at = string;
                    strings.placesOf(pitch).stream()
                            .filter(place -> place.string() == at && place.position() == 0)
                            .forEach(place -> rows.add(Map.of(
                                    "note", pitch.toString(),
                                    "string", strings.stringName(at),
                                    "semitones", String.valueOf(place.semitones()),
                                    "finger", place.stop().name())));
                }
            }
        });
        asked.buttons()
                .ifPresent(layout -> layout.buttons().forEach(button -> {
                    Map<String, String> row = new LinkedHashMap<>();
                    row.put("row", button.row());
                    row.put("button", String.valueOf(button.number()));
                    row.put("press", button.press().toString());
                    row.put("draw", button.draw().toString());
                    row.put("trust", button.trust().word());
                    rows.add(row);
                }));
        return rows.stream().map(ChartCommand::inOrder).toList();
    }

    private static Map<String, String> inOrder(Map<String, String> row) {
        Map<String, String> ordered = new LinkedHashMap<>();
        for (String column :
                List.of("note", "string", "semitones", "finger", "row", "button", "press", "draw", "trust")) {
            Optional.ofNullable(row.get(column)).ifPresent(cell -> ordered.put(column, cell));
        }
        return ordered;
    }

    private static List<Map<String, String>> notes(Instrument asked) {
        if (!asked.family().isWind()) {
            return places(asked);
        }
        List<Map<String, String>> rows = new ArrayList<>();
        for (ChartRow note : asked.chart()) {
            Map<String, String> row = new LinkedHashMap<>();
            row.put(
                    "note",
                    WrittenPitch.ofMidi(asked.reading().writtenMidi(note.pitch()))
                            .toString());
            row.put("sounds", asked.sounding(note.pitch()).toString());
            row.put("breath", note.breath().name().toLowerCase(Locale.ROOT));
            row.put("holes", note.usual().toString());
            row.put("alternates", alternates(note));
            for (School school : asked.schools()) {
                row.put(
                        "cut, " + school.id(),
                        asked.gracingOf(note.pitch())
                                .flatMap(gracing -> gracing.cutBy(school))
                                .map(hole -> note.usual().nameOf(hole))
                                .orElse("–"));
            }
            row.put(
                    "tap",
                    asked.gracingOf(note.pitch())
                            .flatMap(Gracing::tap)
                            .map(hole -> note.usual().nameOf(hole))
                            .orElse("–"));
            row.put("trust", note.trust().word());
            rows.add(row);
        }
        return rows;
    }

    private static String alternates(ChartRow note) {
        return String.join(
                " ",
                note.alternates().stream()
                        .map(each -> each + (note.doubtful().contains(each) ? "?" : ""))
                        .toList());
    }
}
