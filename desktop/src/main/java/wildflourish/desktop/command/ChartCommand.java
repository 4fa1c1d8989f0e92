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
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import wildflourish.core.chart.ChartNotes;
import wildflourish.core.chart.ChartWish;
import wildflourish.core.engraving.Paper;
import wildflourish.core.form.Phrase;
import wildflourish.core.form.Phrasing;
import wildflourish.core.hand.Bearing;
import wildflourish.core.instrument.ChartRow;
import wildflourish.core.instrument.Gracing;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.Key;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Refusal;
import wildflourish.core.tune.NoteId;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.files.export.ChartExporter;
import wildflourish.files.export.ExportForm;
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

    @Option(names = "--note", description = "which ornaments a note bears, such as B4 or F#5")
    private Optional<String> note = Optional.empty();

    @Option(names = "--key", description = "the key that the note stands in, such as D, Em, Ador or \"E flat\"")
    private String key = "D";

    @Option(names = "--format", description = "table, json or csv")
    private Listing.Format format = Listing.Format.TABLE;

    @Option(
            names = "--out",
            description = "writes it to this file in place of listing it; its ending says as what: pdf, svg or png")
    private Optional<Path> out = Optional.empty();

    @Option(names = "--paper", description = "of a PDF: a4, a3 or letter")
    private PaperName paper = PaperName.A4;

    @Option(
            names = "--of",
            description = "a tunebook: the notes of its first tune alone, or of the one that --tune names")
    private Optional<Path> book = Optional.empty();

    @Mixin
    private TuneChoice choice = new TuneChoice();

    @Option(names = "--version", description = "every note of the stage with this name, those of its ornaments too")
    private Optional<String> version = Optional.empty();

    @Option(names = "--phrase", description = "the notes of this phrase alone, by its number from 1")
    private Optional<Integer> phrase = Optional.empty();

    /** Papers that can be asked for. */
    enum PaperName {
        A4(Paper.a4()),
        A3(Paper.a3()),
        LETTER(Paper.letter());

        private final Paper paper;

        PaperName(Paper paper) {
            this.paper = paper;
        }
    }

    @Override
    public Integer call() throws IOException {
        if (instrument.isEmpty()) {
            if (out.isPresent() || note.isPresent() || book.isPresent()) {
                throw new UsageException("name the instrument: --instrument whistle-d");
            }
            Listing.print(spec.commandLine().getOut(), instruments(), format, Legends.trust());
            return Flourish.DONE;
        }
        Instrument asked = Asked.instrument(instrument.get());
        ChartWish wish = wish(asked);
        if (out.isPresent()) {
            BookStore.writeAside(out.get(), ChartExporter.export(wish, form(out.get()), paper.paper));
            spec.commandLine().getOut().println("Wrote " + out.get());
            return Flourish.DONE;
        }
        List<Map<String, String>> rows = note.isPresent()
                ? bearings(wish)
                : notes(asked).stream().filter(row -> isOf(wish, row)).toList();
        Listing.print(spec.commandLine().getOut(), rows, format, note.isPresent() ? List.of() : Legends.chart(asked));
        return Flourish.DONE;
    }

    private static ExportForm form(Path out) {
        String name = String.valueOf(out.getFileName());
        return ExportForm.from(name.substring(name.lastIndexOf('.') + 1))
                .filter(ChartExporter.forms()::contains)
                .orElseThrow(() -> new UsageException(
                        "a chart is written as pdf, svg or png; let the name of the file end so, not “" + name + "”"));
    }

    private ChartWish wish(Instrument asked) {
        ChartWish every = ChartWish.of(asked);
        ChartWish some = book.map(path -> every.with(ofTune(path, asked))).orElse(every);
        return note.map(each -> some.asking(pitch(asked, each), keyAsked())).orElse(some);
    }

    /** The notes of a tune, of its stage or its phrase. */
    private ChartNotes ofTune(Path path, Instrument asked) {
        Lesson lesson =
                BookFile.lessons(path, choice, spec.commandLine().getErr()).get(0);
        Version plain = Version.plain("chart", Playing.usual(lesson.tune(), asked));
        if (version.isPresent()) {
            return ChartNotes.of(
                    ChartNotes.Which.STAGE, lesson.tune(), staged(lesson, asked), Optional.empty(), Profile.usual());
        }
        if (phrase.isPresent()) {
            List<Phrase> phrases = Phrasing.of(lesson.tune()).phrases();
            if (phrase.get() < 1 || phrase.get() > phrases.size()) {
                throw new UsageException("the tune has phrases 1 to " + phrases.size() + ", not " + phrase.get());
            }
            NoteId first = lesson.tune()
                    .bars()
                    .get(phrases.get(phrase.get() - 1).firstBar())
                    .notes()
                    .get(0)
                    .id();
            return ChartNotes.of(ChartNotes.Which.PHRASE, lesson.tune(), plain, Optional.of(first), Profile.usual());
        }
        return ChartNotes.of(ChartNotes.Which.TUNE, lesson.tune(), plain, Optional.empty(), Profile.usual());
    }

    private Version staged(Lesson lesson, Instrument asked) {
        List<Version> stages = lesson.stairFor(asked).map(Stair::stages).orElse(List.of());
        return stages.stream()
                .filter(each -> each.name().equals(version.orElseThrow()))
                .findFirst()
                .orElseThrow(() -> new UsageException("the tune has no stage “" + version.orElseThrow() + "” for the "
                        + asked.name()
                        + (stages.isEmpty()
                                ? "; it has none"
                                : "; it has "
                                        + String.join(
                                                ", ",
                                                stages.stream()
                                                        .map(Version::name)
                                                        .toList()))));
    }

    private static boolean isOf(ChartWish wish, Map<String, String> row) {
        if (wish.only().isEmpty()) {
            return true;
        }
        return List.of("note", "press", "draw").stream()
                .flatMap(column -> Optional.ofNullable(row.get(column)).stream())
                .map(WrittenPitch::parse)
                .map(wish.instrument().reading()::fingered)
                .anyMatch(wish.only().get()::contains);
    }

    private static WrittenPitch pitch(Instrument instrument, String word) {
        WrittenPitch pitch;
        try {
            pitch = WrittenPitch.parse(word.replace('#', '♯').replaceFirst("(?<=^[A-Ga-g])b", "♭"));
        } catch (IllegalArgumentException e) {
            throw new UsageException("“" + word + "” is no note; write its letter and octave, such as B4 or F#5");
        }
        if (!instrument.has(pitch)) {
            throw new UsageException("the " + instrument.name() + " has no " + pitch + "; choose another note");
        }
        return pitch;
    }

    private Key keyAsked() {
        return Asked.key(key);
    }

    /** One row an ornament: the buttons that it takes or the notes that sound with it, or why it is not to be had. */
    private static List<Map<String, String>> bearings(ChartWish wish) {
        WrittenPitch note = wish.asked().orElseThrow();
        List<Map<String, String>> rows = new ArrayList<>();
        for (Bearing bearing : Bearing.of(wish.playing(), wish.key(), note)) {
            Map<String, String> row = new LinkedHashMap<>();
            row.put("ornament", bearing.ornament().id());
            row.put("on", note.toString());
            if (wish.instrument().buttons().isPresent()) {
                row.put(
                        "buttons",
                        bearing.used().stream()
                                .map(used -> used.pitch() + " " + used.key() + "/" + used.finger())
                                .collect(Collectors.joining(", ")));
            } else if (wish.instrument().strings().isPresent()) {
                row.put(
                        "with",
                        bearing.together().stream()
                                .map(WrittenPitch::toString)
                                .sorted()
                                .collect(Collectors.joining(", ")));
            }
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
