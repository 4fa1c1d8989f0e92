package wildflourish.desktop.command;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import wildflourish.core.arranging.Join;
import wildflourish.core.arranging.Mix;
import wildflourish.core.form.Phrase;
import wildflourish.core.form.Phrasing;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Beside;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.words.MixWords;

@Command(
        name = "mix",
        description =
                "A version put together of phrases of others, with what does not go well where they join, and what helps.")
final class MixCommand implements Callable<Integer> {
    private static final List<String> LEGEND = List.of("remedy: what would put it right; – where only the player can.");

    @Spec
    private CommandSpec spec = CommandSpec.create();

    @Mixin
    private TunesAsked tunes = new TunesAsked();

    @Option(names = "--instrument", required = true, description = "whose stair, for example whistle-d")
    private String instrument = "";

    @Option(
            names = "--base",
            required = true,
            paramLabel = "NAME",
            description = "the version that has all other phrases")
    private String base = "";

    @Option(
            names = "--phrase",
            required = true,
            paramLabel = "P=NAME",
            description = "a phrase and the version it is taken from, for example A2=Wild; as often as wished."
                    + " A name that comes twice stands for both places; its place from 1, for example 3=Wild, for one")
    private List<String> phrases = new ArrayList<>();

    @Option(names = "--name", description = "what the new version is called; Mixed by itself")
    private String name = "Mixed";

    @Option(names = "--student", description = "fluent, steady or learner")
    private String student = Profile.usual().id();

    @Option(names = "--out", description = "writes the tune with the new version beside its stair to this new tunebook")
    private Optional<Path> out = Optional.empty();

    @Option(names = "--format", description = "table, json or csv")
    private Listing.Format format = Listing.Format.TABLE;

    @Override
    public Integer call() throws IOException {
        Instrument asked = Asked.instrument(instrument);
        Lesson lesson = tunes.one(spec.commandLine().getErr());
        Stair stair = lesson.stairFor(asked)
                .orElseThrow(() -> new UsageException(
                        "no stair of the " + asked.name() + " is there; ./flourish stair lists those there are"));
        Mix mix = Mix.of(lesson.tune(), versions(lesson), Asked.profile(student));
        if (out.isPresent()) {
            Beside beside = new Beside(
                    Beside.Kind.FREE,
                    base + " with " + String.join(", ", phrases),
                    mix.version().withName(name));
            Stair with = stair.with(beside)
                    .orElseThrow(() -> new UsageException("nine versions stand beside the stair already"));
            BookFile.writeNew(
                    out.get(), List.of(lesson.with(with)), spec.commandLine().getErr());
        }
        List<Map<String, Object>> rows = new ArrayList<>();
        mix.joins().forEach(join -> rows.add(row(lesson.tune(), asked, join)));
        if (rows.isEmpty() && format == Listing.Format.TABLE) {
            spec.commandLine().getOut().println("The phrases join well.");
        } else {
            Listing.print(spec.commandLine().getOut(), rows, format, LEGEND);
        }
        return Flourish.DONE;
    }

    private List<Version> versions(Lesson lesson) {
        List<Phrase> all = Phrasing.of(lesson.tune()).phrases();
        List<Version> versions = new ArrayList<>();
        all.forEach(phrase -> versions.add(named(lesson, base)));
        for (String each : phrases) {
            String[] halves = each.split("=", 2);
            if (halves.length < 2) {
                throw new UsageException("--phrase " + each + " names no version; write for example A2=Wild");
            }
            boolean isThere = false;
            for (int i = 0; i < all.size(); i++) {
                if (all.get(i).name().equals(halves[0]) || String.valueOf(i + 1).equals(halves[0])) {
                    versions.set(i, named(lesson, halves[1]));
                    isThere = true;
                }
            }
            if (!isThere) {
                throw new UsageException("there is no phrase “" + halves[0] + "”; there are "
                        + String.join(", ", all.stream().map(Phrase::name).toList()));
            }
        }
        return versions;
    }

    private Version named(Lesson lesson, String wanted) {
        return Asked.stage(lesson, Asked.instrument(instrument), Optional.empty(), Optional.of(wanted));
    }

    private static Map<String, Object> row(Tune tune, Instrument instrument, Join join) {
        Map<String, Object> row = new LinkedHashMap<>();
        row.put("tune", tune.header().number() + " " + tune.title());
        row.put("place", MixWords.place(join, tune));
        row.put("what", MixWords.what(join, instrument));
        row.put("remedy", MixWords.remedy(join));
        return row;
    }
}
