package wildflourish.desktop.command;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Key;
import wildflourish.core.plain.BestFit;
import wildflourish.core.tune.Tune;
import wildflourish.core.words.NeedsWords;

@Command(
        name = "fit",
        description = "Ranks the instruments for each tune: in which key it is fingered and what is hard.")
final class FitCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec = CommandSpec.create();

    @Mixin
    private TunesAsked tunes = new TunesAsked();

    @Option(names = "--sounding", description = "the key it is to sound in, such as \"G minor\"; as written without it")
    private Optional<String> sounding = Optional.empty();

    @Option(names = "--or", description = "a second usual key, shown beside the first, such as \"A minor\"")
    private Optional<String> other = Optional.empty();

    @Option(names = "--recording", description = "how many semitones to move a recording for each instrument instead")
    private boolean isRecording;

    @Option(
            names = "--instrument",
            description = "only these, such as whistle-d,whistle-c: what the class owns",
            split = ",")
    private List<String> owned = List.of();

    @Option(
            names = "--kind",
            description = "holes, strings or buttons: what the fingers work on; each is ranked by costs of its own")
    private Family.Kind kind = Family.Kind.HOLES;

    @Option(names = "--format", description = "table, json or csv")
    private Listing.Format format = Listing.Format.TABLE;

    @Override
    public Integer call() {
        List<Instrument> instruments = owned.isEmpty()
                ? BestFit.instruments(kind)
                : owned.stream().map(Asked::instrument).toList();
        if (isRecording) {
            Listing.print(
                    spec.commandLine().getOut(),
                    recordings(instruments),
                    format,
                    List.of("recording: how far to move it, in semitones; + up, - down."));
            return Flourish.DONE;
        }
        List<Map<String, String>> rows = new ArrayList<>();
        for (Tune each : tunes.read(spec.commandLine().getErr())) {
            int semitones = sounding.map(words -> semitonesTo(each, words)).orElse(0);
            for (BestFit fit : BestFit.of(each, instruments, semitones)) {
                Map<String, String> row = new LinkedHashMap<>();
                row.put("tune", each.header().number() + " " + each.title());
                row.put("instrument", fit.instrument().id());
                row.putAll(cells(fit, ""));
                other.ifPresent(words ->
                        row.putAll(cells(fit.inKey(each, instruments, semitonesTo(each, words)), ", " + words)));
                rows.add(row);
            }
        }
        Listing.print(
                spec.commandLine().getOut(),
                rows,
                format,
                List.of(
                        "cost a note: what the hand pays a note on average, in units of a comfortable move; the least is best."));
        return Flourish.DONE;
    }

    /** From the written tonic up to the one asked for. */
    private static int semitonesTo(Tune tune, String words) {
        Key asked = Asked.key(words);
        Key written = tune.keyAt(0);
        return BestFit.semitones(written, asked)
                .orElseThrow(() ->
                        new UsageException(tune.title() + " is in " + written.name() + ", which has no tonic to move"));
    }

    /** How far to move a recording for each instrument, best first. */
    private List<Map<String, String>> recordings(List<Instrument> instruments) {
        List<Map<String, String>> rows = new ArrayList<>();
        for (Tune each : tunes.read(spec.commandLine().getErr())) {
            for (Instrument instrument : instruments) {
                for (BestFit.Moved moved : BestFit.recordingMoved(each, instrument)) {
                    Map<String, String> row = new LinkedHashMap<>();
                    row.put("tune", each.header().number() + " " + each.title());
                    row.put("instrument", instrument.id());
                    row.put("recording", String.format(Locale.ROOT, "%+d", moved.semitones()));
                    row.putAll(cells(moved.fit(), ""));
                    rows.add(row);
                }
            }
        }
        return rows;
    }

    private static Map<String, String> cells(BestFit fit, String suffix) {
        Map<String, String> cells = new LinkedHashMap<>();
        cells.put("plays it" + suffix, fit.isPlayable() ? "yes" : "no");
        cells.put("cost a note" + suffix, fit.isPlayable() ? String.format(Locale.ROOT, "%.2f", fit.cost()) : "–");
        cells.put("how" + suffix, NeedsWords.of(fit));
        return cells;
    }
}
