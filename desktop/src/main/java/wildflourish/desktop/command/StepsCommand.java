package wildflourish.desktop.command;

import java.io.PrintWriter;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.version.Lesson;
import wildflourish.core.words.Cautions;
import wildflourish.core.words.Steps;

@Command(
        name = "steps",
        description = "Says a tune in sentences, note by note: for beginners and students who do not see the page.")
final class StepsCommand implements Callable<Integer> {
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

    @Option(names = "--version", description = "the name of a stage of the book; without it the plain tune")
    private Optional<String> version = Optional.empty();

    @Override
    public Integer call() {
        Instrument asked = Asked.instrument(instrument);
        PrintWriter out = spec.commandLine().getOut();
        for (Lesson lesson : tunes.lessons(spec.commandLine().getErr())) {
            Steps.sheet(lesson.tune(), Asked.stage(lesson, asked, school, version), Asked.profile(student))
                    .forEach(out::println);
            out.println();
        }
        Cautions.full(asked.family()).forEach(out::println);
        out.flush();
        return Flourish.DONE;
    }
}
