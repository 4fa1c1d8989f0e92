package wildflourish.desktop.command;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import wildflourish.files.abc.Imported;
import wildflourish.files.midi.MidiReader;
import wildflourish.files.store.BookStore;
import wildflourish.files.store.OtherFormats;

@Command(
        name = "import",
        description = "Makes a tunebook of a MIDI or MusicXML file; what is guessed is told and can be put right.")
final class ImportCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec = CommandSpec.create();

    @Parameters(paramLabel = "FILE", description = "a .mid, .musicxml or .mxl file")
    private Path file = Path.of("");

    @Option(names = "--out", required = true, description = "the tunebook to write")
    private Path out = Path.of("");

    @Option(names = "--metre", description = "of a MIDI file, such as 6/8, in place of what it states or is guessed")
    private Optional<String> metre = Optional.empty();

    @Option(names = "--key", description = "of a MIDI file, as in ABC, such as Em or Ador, in place of what is guessed")
    private Optional<String> key = Optional.empty();

    @Option(names = "--type", description = "of a MIDI file: reel, jig, polka …, in place of what is guessed")
    private Optional<String> type = Optional.empty();

    @Override
    public Integer call() throws IOException {
        metre.filter(words -> !words.matches("[1-9]\\d?/(1|2|4|8|16)")).ifPresent(words -> {
            throw new UsageException("“" + words + "” is no metre; write one such as 6/8");
        });
        key.ifPresent(Asked::key);
        if (!Files.isRegularFile(file)) {
            throw new UsageException("cannot read: " + file + " is no file; check the name");
        }
        Imported imported;
        try {
            imported = OtherFormats.read(Files.readAllBytes(file), new MidiReader.Corrections(metre, key, type))
                    .orElseThrow(() -> new UsageException(
                            file + " is neither MIDI nor MusicXML; a tunebook in ABC is opened as it is"));
        } catch (IOException e) {
            throw new UsageException("cannot read " + file + ": " + e.getMessage());
        }
        imported.told().forEach(words -> spec.commandLine().getErr().println(file + ": " + words));
        if (Files.exists(out)) {
            throw new UsageException(out + " is there already; name another file");
        }
        BookStore.writeAside(out, imported.abc().getBytes(StandardCharsets.UTF_8));
        spec.commandLine().getOut().println("Wrote " + out);
        return Flourish.DONE;
    }
}
