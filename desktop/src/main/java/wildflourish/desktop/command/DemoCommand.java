package wildflourish.desktop.command;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Stair;
import wildflourish.desktop.action.ActionRow;
import wildflourish.desktop.window.FlourishApp;

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

    @Option(
            names = "--do",
            description =
                    "does these actions one after the other, by their ids as ./flourish keys lists them: close-up,dark")
    private Optional<String> actions = Optional.empty();

    @Option(names = "--size", description = "how large the window is, for example 1920x1080")
    private Optional<String> size = Optional.empty();

    @Option(names = "--printer", description = "a stand-in for a printer: what is printed lies in this folder as PDF")
    private Optional<String> printer = Optional.empty();

    @Option(
            names = "--speaker",
            description =
                    "a stand-in for a sound device: what it hears lies in this folder as heard.wav; a file called unplugged in it takes the device away")
    private Optional<String> speaker = Optional.empty();

    @Option(names = "--first", description = "as on the very first start, with its welcome")
    private boolean first;

    @Override
    public Integer call() {
        if (tune.isPresent() || stage.isPresent() || note.isPresent()) {
            checkPlaces();
        }
        List<String> parameters = new ArrayList<>();
        shot.ifPresent(file -> parameters.add("--shot=" + file));
        tune.ifPresent(number -> parameters.add("--tune=" + number));
        stage.ifPresent(number -> parameters.add("--stage=" + number));
        note.ifPresent(number -> parameters.add("--note=" + number));
        actions.ifPresent(ids -> parameters.add("--do=" + known(ids)));
        size.ifPresent(pixels -> parameters.add("--size=" + checked(pixels)));
        instrument.map(Asked::instrument).ifPresent(each -> parameters.add("--instrument=" + each.id()));
        printer.ifPresent(folder -> parameters.add("--printer=" + folder));
        speaker.ifPresent(folder -> parameters.add("--speaker=" + folder));
        if (first) {
            parameters.add("--first");
        }
        WindowStart.launch(parameters);
        return Flourish.DONE;
    }

    /** Refuses a tune, stage or note that the demo book does not have, before any window opens. */
    private void checkPlaces() {
        List<Lesson> lessons = FlourishApp.demoLessons();
        within("tune", tune, lessons.size());
        Lesson lesson = lessons.get(tune.orElse(1) - 1);
        within("note", note, lesson.tune().notes().size());
        Optional<Stair> stair = instrument
                .map(Asked::instrument)
                .map(lesson::stairFor)
                .orElseGet(() -> lesson.stairs().stream().findFirst());
        within("stage", stage, stair.map(each -> each.versions().size()).orElse(1));
    }

    private static void within(String what, Optional<Integer> number, int most) {
        if (number.isPresent() && (number.get() < 1 || number.get() > most)) {
            throw new UsageException(
                    "there are " + what + "s 1 to " + most + " there, no " + what + " " + number.get());
        }
    }

    private static String known(String ids) {
        for (String id : ids.split(",", -1)) {
            if (ActionRow.all().stream().noneMatch(row -> row.id().equals(id)) && !id.contains("-")) {
                throw new UsageException("there is no action called “" + id + "”; ./flourish keys lists them");
            }
        }
        return ids;
    }

    private static String checked(String size) {
        if (!size.matches("[1-9]\\d{2,3}x[1-9]\\d{2,3}")) {
            throw new UsageException("a size is written such as 1280x800, not “" + size + "”");
        }
        return size;
    }
}
