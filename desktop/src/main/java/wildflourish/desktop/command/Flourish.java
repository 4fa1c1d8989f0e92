package wildflourish.desktop.command;

import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.util.List;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/** The command line: {@code ./flourish} and its words. */
@Command(
        name = "flourish",
        subcommands = {
            DemoCommand.class,
            OpenCommand.class,
            CheckCommand.class,
            ExportCommand.class,
            OrnamentsCommand.class,
            FitsCommand.class,
            RealiseCommand.class,
            FormCommand.class,
            NeedsCommand.class,
            FitCommand.class,
            ChartCommand.class,
            StepsCommand.class,
            HandoutCommand.class,
            PathCommand.class,
            GalleryCommand.class,
            KeysCommand.class
        })
public final class Flourish implements Runnable {
    /** Ends well. */
    static final int DONE = 0;

    /** Wrong usage, or a file that cannot be read. */
    static final int UNUSABLE = 2;

    private static final String ABOUT = """
            Wild Flourish: from a plain tune to decorated versions, with fingerings.
              flourish demo                     the window, on the demo book
              flourish demo --shot FILE.png     a picture of the window
              flourish open FILE.abc            the window, on your own tunebook
              flourish check FILE               what to look at in a book
              flourish export FILE --as pdf --out PATH
                                                abc, midi, wav, pdf, svg or png
              flourish ornaments --instrument whistle-d --note D4
                                                what fits where, and why not
              flourish ornaments --list         every ornament there is, with its schools
              flourish fits FILE --note N --instrument I
                                                what fits that note of a tune, and why
              flourish realise FILE --place 3:cut --instrument I
                                                what sounds and moves, in milliseconds
              flourish form FILE                how the tunes are built, what comes back
              flourish needs FILE --instrument flute-d
                                                notes, hard spots, grade, easiest first
              flourish fit FILE --sounding "G minor"
                                                which instrument it lies best on
              flourish steps FILE --instrument recorder-soprano
                                                a tune in sentences
              flourish chart --instrument I     every note with its fingerings; without one, the instruments
              flourish path FILE --instrument box-bc
                                                the best way to play it on strings or buttons
              flourish handout FILE --instrument I --out FILE.pdf
                                                what a student takes home of the plain tune
              flourish keys                     what one can do in the window, with its keys
              flourish gallery --out DIR        hard cases of notation, drawn
              flourish test | bench             runs every test; measures speed
            """;

    @CommandLine.Spec
    private CommandLine.Model.CommandSpec spec = CommandLine.Model.CommandSpec.create();

    @Override
    public void run() {
        spec.commandLine().getOut().print(ABOUT);
        spec.commandLine().getOut().flush();
    }

    public static void main(String[] arguments) {
        PrintWriter out = new PrintWriter(System.out, true, StandardCharsets.UTF_8);
        PrintWriter err = new PrintWriter(System.err, true, StandardCharsets.UTF_8);
        if (arguments.length == 1 && arguments[0].equals("demo")) {
            // The commonest start of all needs no reader of options, which takes a third of a second.
            try {
                WindowStart.launch(List.of());
                return;
            } catch (UsageException e) {
                err.println("flourish: " + oneLine(e));
                System.exit(UNUSABLE);
            }
        }
        System.exit(execute(out, err, arguments));
    }

    /** Runs a command; returns its exit code. Faults of use end in one line, never in a stack trace. */
    public static int execute(PrintWriter out, PrintWriter err, String... arguments) {
        CommandLine command = new CommandLine(new Flourish()).setOut(out).setErr(err);
        command.setCaseInsensitiveEnumValuesAllowed(true);
        command.setParameterExceptionHandler((fault, words) -> {
            err.println("flourish: " + oneLine(fault) + ". See ./flourish for what it can do.");
            return UNUSABLE;
        });
        command.setExecutionExceptionHandler((fault, line, parsed) -> {
            if (fault instanceof UsageException) {
                err.println("flourish: " + oneLine(fault));
            } else {
                err.println("flourish: cannot do that: " + oneLine(fault));
            }
            return UNUSABLE;
        });
        return command.execute(arguments);
    }

    private static String oneLine(Exception fault) {
        String words = fault.getMessage() == null ? fault.getClass().getSimpleName() : fault.getMessage();
        return words.replaceAll("\\s*\\R\\s*", " ").strip();
    }
}
