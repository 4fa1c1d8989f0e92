package wildflourish.desktop.command;

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
import wildflourish.core.instrument.ChartRow;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.instrument.Schools;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.TuneType;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Stair;
import wildflourish.core.words.Words;
import wildflourish.files.abc.BookReader;

@Command(name = "ornaments", description = "Says what fits on which note and why, or why not.")
final class OrnamentsCommand implements Callable<Integer> {
    /** Lengths in quavers that a note is tried at. */
    private static final List<Integer> QUAVERS = List.of(1, 2, 3);

    @Spec
    private CommandSpec spec = CommandSpec.create();

    @Option(
            names = "--list",
            description = "every ornament, with its schools; only the instrument's where one is named")
    private boolean isList;

    @Option(names = "--instrument", description = "for example whistle-d")
    private Optional<String> instrument = Optional.empty();

    @Option(names = "--note", description = "a written note such as F#4; every note of the instrument without it")
    private Optional<String> note = Optional.empty();

    @Option(
            names = "--tempo",
            paramLabel = "BEATS",
            description = "beats a minute of the type's beat; the slow end of a session without it")
    private Optional<String> tempo = Optional.empty();

    @Option(names = "--type", description = "reel, jig, polka …: it says what a beat is")
    private String type = "reel";

    @Option(names = "--student", description = "fluent, steady or learner")
    private String student = Profile.usual().id();

    @Option(
            names = "--school",
            description =
                    "schools of the hand and of the strokes, joined by +, as --list has them; the first ones without it")
    private Optional<String> school = Optional.empty();

    @Option(names = "--format", description = "table, json or csv")
    private Listing.Format format = Listing.Format.TABLE;

    @Override
    public Integer call() {
        if (isList) {
            Listing.print(
                    spec.commandLine().getOut(),
                    list(),
                    format,
                    List.of(
                            "stage: the lowest one of a stair it belongs on. weight: 1 light to 9 heavy. difficulty: 1 easy to 9 hard.",
                            "own, strokes, hand: schools that differ in it, by their names; the first is the usual one.",
                            "trust: how sure the row is; H high, M medium, L low."));
            return Flourish.DONE;
        }
        Instrument asked = Asked.instrument(instrument.orElseThrow(
                () -> new UsageException("name an instrument, such as --instrument whistle-d, or ask for the --list")));
        Profile profile = Asked.profile(student);
        TuneType kind = TuneType.all().stream()
                .filter(each -> each.name().equals(type))
                .findFirst()
                .orElseThrow(() -> new UsageException("there is no tune type “" + type + "”; there are "
                        + String.join(
                                ", ",
                                TuneType.all().stream().map(TuneType::name).toList())));
        Tempo beats = tempo.map(words -> new Tempo(Asked.tempo(words), kind.beatLength()))
                .orElse(kind.session());
        Schools schools = Asked.schools(school, asked);
        Playing playing = new Playing(asked, schools.hand(), schools.strokes(), beats);
        List<Map<String, String>> rows = new ArrayList<>();
        for (WrittenPitch pitch : pitches(asked)) {
            QUAVERS.forEach(quavers -> rows.addAll(rows(pitch, quavers, playing, profile)));
        }
        Listing.print(spec.commandLine().getOut(), rows, format);
        return Flourish.DONE;
    }

    private List<Map<String, ?>> list() {
        Optional<Instrument> asked = instrument.map(Asked::instrument);
        List<Map<String, ?>> rows = new ArrayList<>();
        for (Ornament ornament : Ornament.all()) {
            for (Ornament.Maker maker : ornament.makers()) {
                boolean isWanted = asked.isEmpty()
                        || (asked.get().family() == maker.family()
                                && maker.isMadeOn(asked.get().id()));
                if (isWanted) {
                    rows.add(row(ornament, maker, asked));
                }
            }
        }
        return rows;
    }

    private static Map<String, Object> row(Ornament ornament, Ornament.Maker maker, Optional<Instrument> asked) {
        List<Instrument> family = Instrument.all().stream()
                .filter(each -> each.family() == maker.family())
                .toList();
        Instrument usual = asked.orElse(family.get(0));
        Map<String, Object> row = new LinkedHashMap<>();
        row.put("ornament", ornament.id());
        row.put("name", ornament.name());
        row.put("family", maker.family().word());
        row.put("kind", ornament.kind().word());
        row.put("stage", Stair.USUAL_NAMES.get(ornament.manner().stage()));
        row.put("weight", ornament.manner().weight());
        row.put("difficulty", ornament.manner().difficulty());
        row.put("own", ornament.schools(maker.family()));
        row.put(
                "strokes",
                maker.strokes().isEmpty()
                        ? usual.strokes().stream().map(School::id).toList()
                        : List.of(maker.strokes()));
        row.put("hand", usual.schools().stream().map(School::id).toList());
        row.put("trust", maker.trust().name());
        return row;
    }

    private List<WrittenPitch> pitches(Instrument asked) {
        if (note.isPresent()) {
            return List.of(Asked.pitch(note.get()));
        }
        return asked.chart().stream()
                .map(ChartRow::pitch)
                .map(fingered -> WrittenPitch.ofMidi(asked.reading().writtenMidi(fingered)))
                .toList();
    }

    private static List<Map<String, String>> rows(WrittenPitch pitch, int quavers, Playing playing, Profile profile) {
        Tune tune = noteAlone(pitch, quavers);
        Note only = tune.notes().get(0);
        WhatFits fits = WhatFits.at(tune, only.id(), playing, profile);
        List<Map<String, String>> rows = new ArrayList<>();
        fits.fitting().forEach(fit -> rows.add(row(pitch, only, fit)));
        fits.refused().forEach(fit -> rows.add(row(pitch, only, fit)));
        return rows;
    }

    private static Map<String, String> row(WrittenPitch pitch, Note note, Fit fit) {
        Map<String, String> row = new LinkedHashMap<>();
        row.put("note", pitch.toString());
        row.put("length", Words.noteLength(note.played()));
        row.put("ornament", fit.facts().ornament().name());
        row.put("fits", fit.fits() ? "yes" : "no");
        row.put("clean to", fit.facts().cleanUpTo().map(Words::tempo).orElse("–"));
        row.put("why", Words.why(fit));
        return row;
    }

    /** A tune of one note, to look at the note by itself. */
    private static Tune noteAlone(WrittenPitch pitch, int quavers) {
        String octave = pitch.octave() >= 5
                ? pitch.step().name().toLowerCase(Locale.ROOT) + "'".repeat(pitch.octave() - 5)
                : pitch.step().name() + ",".repeat(4 - pitch.octave());
        String sign =
                pitch.alter() == 0 ? "=" : pitch.alter() > 0 ? "^".repeat(pitch.alter()) : "_".repeat(-pitch.alter());
        String text = "X:1\nT:Note\nM:none\nL:1/8\nK:C\n" + sign + octave + quavers + "|]\n";
        Fraction length = Fraction.of(quavers, 8);
        Tune tune = BookReader.read(text).value().lessons().get(0).tune();
        if (!tune.notes().get(0).played().equals(length)) {
            throw new IllegalStateException("a note of " + length + " was read as "
                    + tune.notes().get(0).played());
        }
        return tune;
    }
}
