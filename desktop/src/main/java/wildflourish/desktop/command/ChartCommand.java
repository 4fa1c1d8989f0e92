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
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import wildflourish.core.engraving.ChartSheet;
import wildflourish.core.engraving.Paper;
import wildflourish.core.instrument.ChartRow;
import wildflourish.core.instrument.Gracing;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.WrittenPitch;
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
            BookStore.writeAside(
                    out.get(), PdfPainter.paint(ChartSheet.of(asked, paper), asked.name(), paper.spaceMillimetres()));
            spec.commandLine().getOut().println("Wrote " + out.get());
            return Flourish.DONE;
        }
        List<Map<String, String>> rows =
                instrument.isEmpty() ? instruments() : notes(Asked.instrument(instrument.get()));
        Listing.print(spec.commandLine().getOut(), rows, format);
        return Flourish.DONE;
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
