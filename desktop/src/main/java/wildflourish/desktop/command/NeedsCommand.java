package wildflourish.desktop.command;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.plain.Ladder;
import wildflourish.core.plain.Obstacles;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Playing;
import wildflourish.core.words.NeedsWords;
import wildflourish.core.words.ObstacleWords;
import wildflourish.core.words.Words;

@Command(
        name = "needs",
        description = "Says what each tune needs on an instrument, its hard spots and grade, the easiest order first.")
final class NeedsCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec = CommandSpec.create();

    @Mixin
    private TunesAsked tunes = new TunesAsked();

    @Option(
            names = "--instrument",
            required = true,
            description = "for example whistle-d; any name in the list of ./flourish chart")
    private String instrument = "";

    @Option(names = "--student", description = "fluent, steady or learner: the fingerings the student keeps to")
    private String student = Profile.usual().id();

    @Option(names = "--format", description = "table, json or csv")
    private Listing.Format format = Listing.Format.TABLE;

    @Override
    public Integer call() {
        Instrument asked = Asked.instrument(instrument);
        double otherHand = Asked.profile(student).otherHand();
        List<Map<String, String>> rows = new ArrayList<>();
        List<Tune> all = tunes.read(spec.commandLine().getErr());
        for (Ladder.Rung rung : Ladder.of(all, asked, otherHand)) {
            Map<String, String> row = new LinkedHashMap<>();
            row.put("tune", rung.tune().header().number() + " " + rung.tune().title());
            row.put("grade", rung.needs().grade().map(NeedsWords::grade).orElse("cannot"));
            row.put("new notes", Words.pitches(rung.added()));
            row.put("cannot", String.join(" ", obstacles(rung.tune(), asked)));
            row.put("needs", String.join(" ", NeedsWords.of(rung.needs(), rung.tune(), asked)));
            rows.add(row);
        }
        Listing.print(spec.commandLine().getOut(), rows, format);
        return Flourish.DONE;
    }

    private static List<String> obstacles(Tune tune, Instrument instrument) {
        Playing playing = Playing.usual(tune, instrument);
        return ObstacleWords.of(Obstacles.of(tune, instrument, playing.schools(), playing.tempo()), tune, instrument);
    }
}
