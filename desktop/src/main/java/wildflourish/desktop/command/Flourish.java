package wildflourish.desktop.command;

import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.util.List;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.ArgSpec;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Model.OptionSpec;
import picocli.CommandLine.Model.PositionalParamSpec;

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
            RecogniseCommand.class,
            StairCommand.class,
            CompareCommand.class,
            CarryCommand.class,
            GrowCommand.class,
            ThinCommand.class,
            MixCommand.class,
            TimesCommand.class,
            FormCommand.class,
            NeedsCommand.class,
            FitCommand.class,
            ChartCommand.class,
            StepsCommand.class,
            HandoutCommand.class,
            PathCommand.class,
            GalleryCommand.class,
            KeysCommand.class,
            ImportCommand.class,
            CompletionCommand.class,
            CommandLine.HelpCommand.class
        })
public final class Flourish implements Runnable {
    /** Ends well. */
    static final int DONE = 0;

    private static final int USAGE_WIDTH = 110;

    /** Wrong usage, or a file that cannot be read. */
    static final int UNUSABLE = 2;

    private static final String VERSION = "0.1.0";

    private static final String ABOUT = """
            Wild Flourish: from a plain tune to decorated versions, with fingerings.
              flourish demo                     the window, on the demo book
              flourish demo --shot FILE.png     a picture of the window
              flourish open FILE.abc            the window, on your own tunebook
              flourish check FILE               what to look at in a book
              flourish export FILE --as pdf --out PATH
                                                abc, midi, musicxml, wav, pdf, svg or png
              flourish import FILE.mid --out PATH.abc
                                                a tunebook of a MIDI or MusicXML file
              flourish ornaments --instrument whistle-d --note D4
                                                what fits where, and why not
              flourish ornaments --list         every ornament there is, with its schools
              flourish fits FILE --note N --instrument I
                                                what fits that note of a tune, and why
              flourish realise FILE --place 3:cut --instrument I
                                                what sounds and moves, in milliseconds
              flourish recognise FILE           ornaments in a tune's own text, as placements
              flourish stair | compare | carry | mix | times | grow | thin
                                                stages, two of them, on another instrument, mixed, times through, planned
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
              flourish keys | gallery           what one can do in the window, with its keys; hard cases of notation
              flourish completion               a script that completes these words in bash
              flourish help COMMAND             every option of a command, with its units and what holds without it
              flourish --version                which version this is
              flourish test | bench             runs every test; measures speed
            """;

    @CommandLine.Option(
            names = {"-V", "--version"},
            description = "which version this is")
    private boolean asksVersion;

    @CommandLine.Spec
    private CommandSpec spec = CommandSpec.create();

    @Override
    public void run() {
        spec.commandLine().getOut().print(asksVersion ? "Wild Flourish " + VERSION + System.lineSeparator() : ABOUT);
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
        command.setExpandAtFiles(false);
        helped(command);
        command.setOut(out).setErr(err);
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

    /** Every command tells of itself when asked with -h or --help. */
    private static void helped(CommandLine command) {
        CommandSpec own = command.getCommandSpec();
        own.usageMessage().showDefaultValues(true).width(USAGE_WIDTH).sortOptions(false);
        List.copyOf(own.args()).stream().filter(Flourish::hasNoDefault).forEach(arg -> {
            own.remove(arg);
            own.add(
                    arg instanceof OptionSpec option
                            ? OptionSpec.builder(option)
                                    .showDefaultValue(CommandLine.Help.Visibility.NEVER)
                                    .build()
                            : PositionalParamSpec.builder((PositionalParamSpec) arg)
                                    .showDefaultValue(CommandLine.Help.Visibility.NEVER)
                                    .build());
        });
        if (!own.helpCommand()) {
            own.addOption(OptionSpec.builder("-h", "--help")
                    .usageHelp(true)
                    .description("tells of this command and its options")
                    .showDefaultValue(CommandLine.Help.Visibility.NEVER)
                    .build());
        }
        command.getSubcommands().values().forEach(Flourish::helped);
    }

    /** Whether leaving an option out means that nothing is asked, so that there is no value to tell. */
    private static boolean hasNoDefault(ArgSpec arg) {
        String told = String.valueOf(arg.defaultValueString());
        return List.of("null", "", "false", "–", "[]", "0", "Optional.empty").contains(told);
    }

    /** A fault of ours or of Java has no words that help a teacher: only what kind it is, to be passed on. */
    private static String oneLine(Exception fault) {
        boolean isRaw = fault instanceof NumberFormatException
                || fault instanceof ArithmeticException
                || fault instanceof IndexOutOfBoundsException
                || fault instanceof NullPointerException;
        if (isRaw) {
            return "something in the file or the words asked for goes beyond what can be counted ("
                    + fault.getClass().getSimpleName() + ")";
        }
        String words = fault.getMessage() == null ? fault.getClass().getSimpleName() : fault.getMessage();
        return words.replaceAll("\\s*\\R\\s*", " ").strip();
    }
}
