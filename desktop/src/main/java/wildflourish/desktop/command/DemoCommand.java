package wildflourish.desktop.command;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

@Command(name = "demo", description = "Opens the window on the demo book.")
final class DemoCommand implements Callable<Integer> {
    @Option(names = "--shot", description = "writes a picture of the window to this file and leaves")
    private Optional<String> shot = Optional.empty();

    @Option(names = "--note", description = "chooses this note of the tune, from 1")
    private Optional<Integer> note = Optional.empty();

    @Option(names = "--tune", description = "chooses this tune of the book, from 1")
    private Optional<Integer> tune = Optional.empty();

    @Option(names = "--stage", description = "chooses this stage of the stair, from 1 at the foot")
    private Optional<Integer> stage = Optional.empty();

    @Option(names = "--instrument", description = "on this instrument, for example flute-d")
    private Optional<String> instrument = Optional.empty();

    @Option(names = "--close-up", description = "shows the chosen spot in milliseconds")
    private boolean closeUp;

    @Option(names = "--write", description = "shows the text of the tune")
    private boolean write;

    @Option(names = "--chart", description = "shows the chart of the instrument")
    private boolean chart;

    @Option(names = "--best-fit", description = "shows which instrument the tune lies best on")
    private boolean bestFit;

    @Option(
            names = "--beside",
            description = "with --best-fit: a second key, so many semitones up from the written one")
    private Optional<Integer> beside = Optional.empty();

    @Option(names = "--look-over", description = "shows the look-over of the plain tune")
    private boolean lookOver;

    @Option(names = "--lens", description = "shows one phrase, large")
    private boolean lens;

    @Option(names = "--sheets", description = "shows the sheets of paper as they are printed")
    private boolean sheets;

    @Option(names = "--printer", description = "a stand-in for a printer: what is printed lies in this folder as PDF")
    private Optional<String> printer = Optional.empty();

    @Option(names = "--first", description = "as on the very first start, with its welcome")
    private boolean first;

    @Option(names = "--dark", description = "dark colours")
    private boolean dark;

    @Override
    public Integer call() {
        List<String> parameters = new ArrayList<>();
        shot.ifPresent(file -> parameters.add("--shot=" + file));
        tune.ifPresent(number -> parameters.add("--tune=" + number));
        stage.ifPresent(number -> parameters.add("--stage=" + number));
        note.ifPresent(number -> parameters.add("--note=" + number));
        beside.ifPresent(semitones -> parameters.add("--beside=" + (Math.floorMod(semitones, 12) + 1)));
        instrument.map(Asked::instrument).ifPresent(each -> parameters.add("--instrument=" + each.id()));
        printer.ifPresent(folder -> parameters.add("--printer=" + folder));
        Map.of(
                        "--close-up", closeUp,
                        "--write", write,
                        "--chart", chart,
                        "--best-fit", bestFit,
                        "--look-over", lookOver,
                        "--lens", lens,
                        "--sheets", sheets,
                        "--first", first,
                        "--dark", dark)
                .forEach((flag, isOn) -> {
                    if (isOn) {
                        parameters.add(flag);
                    }
                });
        WindowStart.launch(parameters);
        return Flourish.DONE;
    }
}
