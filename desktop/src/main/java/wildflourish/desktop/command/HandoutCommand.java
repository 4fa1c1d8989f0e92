package wildflourish.desktop.command;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import wildflourish.core.engraving.Handout;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.PhraseSheet;
import wildflourish.core.form.Phrase;
import wildflourish.core.form.Phrasing;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.files.paint.PdfPainter;
import wildflourish.files.store.BookStore;

@Command(
        name = "handout",
        description =
                "Writes what a student takes home of the plain tunes: letters, fingerings, what to watch, cautions.")
final class HandoutCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec = CommandSpec.create();

    @Mixin
    private TunesAsked tunes = new TunesAsked();

    @Option(
            names = "--instrument",
            required = true,
            description = "for example whistle-d; any name in the list of ./flourish chart")
    private String instrument = "";

    @Option(
            names = "--student",
            description = "fluent, steady or learner: a learner keeps one fingering for a note within a phrase")
    private String student = Profile.usual().id();

    @Option(
            names = "--school",
            description = "a way of playing it, such as crisp or shuffle; without it the book's own, or the first")
    private Optional<String> school = Optional.empty();

    @Option(names = "--beside", description = "another instrument of the class, whose fingerings stand below")
    private Optional<String> beside = Optional.empty();

    @Option(
            names = "--stages",
            description =
                    "all, or names such as Leaf,Bud: their decorated pages after the plain tune, each with what is new in it")
    private Optional<String> stages = Optional.empty();

    @Option(
            names = "--phrase",
            description = "a phrase such as A2: through the stages, all below each other, instead of the whole tune")
    private Optional<String> phrase = Optional.empty();

    @Option(names = "--paper", description = "a4 or letter")
    private String paper = "a4";

    @Option(names = "--out", required = true, description = "the PDF to write")
    private Path out = Path.of("");

    @Override
    public Integer call() throws IOException {
        Instrument asked = Asked.instrument(instrument);
        Optional<Instrument> second = beside.map(Asked::instrument);
        Paper sheet = Asked.paper(paper);
        PrintWriter err = spec.commandLine().getErr();
        List<Page> pages = new ArrayList<>();
        List<Lesson> lessons = tunes.lessons(err);
        for (Lesson lesson : lessons) {
            Version version = Asked.foot(lesson, asked, school);
            Profile profile = Asked.profile(student);
            if (phrase.isPresent()) {
                NoteId first = firstNote(lesson.tune(), phrase.get());
                pages.addAll(PhraseSheet.of(lesson.tune(), chosen(lesson, asked), first, profile, sheet));
                continue;
            }
            pages.addAll(
                    stages.isEmpty()
                            ? Handout.of(lesson.tune(), version, second, profile, sheet)
                            : Handout.ofStages(lesson.tune(), chosen(lesson, asked), second, profile, sheet));
        }
        String title = lessons.size() == 1 ? lessons.get(0).tune().title() : "Handouts";
        BookStore.writeAside(out, PdfPainter.paint(pages, title, sheet.spaceMillimetres()));
        spec.commandLine().getOut().println("Wrote " + out);
        return Flourish.DONE;
    }

    private static NoteId firstNote(Tune tune, String name) {
        List<Phrase> phrases = Phrasing.of(tune).phrases();
        return phrases.stream()
                .filter(each -> each.name().equalsIgnoreCase(name.strip()))
                .findFirst()
                .flatMap(each -> tune.bars().subList(each.firstBar(), each.lastBar() + 1).stream()
                        .flatMap(bar -> bar.notes().stream())
                        .findFirst())
                .map(Note::id)
                .orElseThrow(() -> new UsageException("“" + tune.title() + "” has no phrase " + name + "; it has "
                        + phrases.stream().map(Phrase::name).collect(Collectors.joining(", "))));
    }

    /** The stages asked for, the foot of the stair before them. */
    private List<Version> chosen(Lesson lesson, Instrument asked) {
        Stair stair = lesson.stairFor(asked)
                .orElseThrow(() -> new UsageException("“" + lesson.tune().title() + "” has no stair for the "
                        + asked.name() + "; ./flourish stair lists those there are"));
        if (stages.orElse("all").equals("all")) {
            return stair.stages();
        }
        List<Version> chosen = new ArrayList<>();
        chosen.add(stair.at(0));
        for (String name : stages.orElse("").split(",", -1)) {
            Version stage = Asked.stage(lesson, asked, school, Optional.of(name.strip()));
            if (!chosen.contains(stage)) {
                chosen.add(stage);
            }
        }
        return chosen;
    }
}
