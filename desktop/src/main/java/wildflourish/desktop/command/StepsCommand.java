package wildflourish.desktop.command;

import java.io.PrintWriter;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.tune.Tune;
import wildflourish.core.words.FormWords;
import wildflourish.core.words.Steps;
import wildflourish.core.words.Words;

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

    @Override
    public Integer call() {
        Instrument asked = Asked.instrument(instrument);
        PrintWriter out = spec.commandLine().getOut();
        for (Tune each : tunes.read(spec.commandLine().getErr())) {
            out.println(each.title() + ", on the " + asked.name() + ".");
            out.println(FormWords.start(each));
            Steps.of(each, asked).forEach(out::println);
            out.println();
        }
        out.println(Words.handCautions());
        out.flush();
        return Flourish.DONE;
    }
}
