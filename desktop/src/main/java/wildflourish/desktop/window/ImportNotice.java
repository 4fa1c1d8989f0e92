package wildflourish.desktop.window;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import wildflourish.core.problem.Problem;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.TuneType;
import wildflourish.desktop.action.Controls;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.look.Pick;
import wildflourish.files.midi.MidiReader;

/** What was guessed when a file of another format became a book; of a MIDI file metre, key and kind of tune can be put right here. */
final class ImportNotice {
    static final String KIND = "imported";

    private static final List<String> METRES = List.of("4/4", "2/2", "2/4", "3/4", "3/2", "6/8", "9/8", "12/8");
    private static final List<String> TONICS = List.of("G", "D", "A", "E", "B", "F#", "C", "F", "Bb", "Eb", "Ab");
    private static final List<String> MODES = List.of("", "m", "dor", "mix");

    private final Desk desk;
    private final Banner banner;
    private final BiConsumer<Path, MidiReader.Corrections> putRight;

    /** {@code putRight} is told the file and how to read it. */
    ImportNotice(Desk desk, Banner banner, BiConsumer<Path, MidiReader.Corrections> putRight) {
        this.desk = desk;
        this.banner = banner;
        this.putRight = putRight;
    }

    /** Shows the notice for a book that was made of another file; answers whether there is anything to tell of that. */
    boolean tell() {
        Sight.Filed filed = desk.sight().get().filed();
        Optional<Tune> tune = desk.sight().get().tune();
        if (filed.from().isEmpty() || tune.isEmpty()) {
            return false;
        }
        Path from = filed.from().get();
        String told = filed.problems().stream().map(Problem::message).collect(Collectors.joining("; "));
        Label words = new Label("From " + from.getFileName() + ", as a new book "
                + filed.path().getFileName() + ", not saved yet" + (told.isEmpty() ? "." : ": " + told + "."));
        words.setWrapText(true);
        words.setMinHeight(Region.USE_PREF_SIZE);
        VBox content = new VBox(4, words);
        if (isMidi(from)) {
            content.getChildren().add(picks(from, tune.get()));
        }
        banner.show(
                KIND,
                content,
                Controls.button(
                        "It is right so",
                        "import-right",
                        "Hides this; the text of the tune can be corrected too (W)",
                        () -> banner.hide(KIND)));
        return true;
    }

    private static boolean isMidi(Path file) {
        return String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT).matches(".*\\.midi?");
    }

    /** The three things as they are now, each to be put right. */
    private FlowPane picks(Path from, Tune tune) {
        String metre = field(tune, "M");
        String key = field(tune, "K");
        String type = tune.header().type().name();
        List<String> metres = with(METRES, metre);
        List<String> keys = with(keys(), key);
        List<String> types = with(TuneType.all().stream().map(TuneType::name).toList(), type);
        Pick metrePick = pick(
                "import-metre",
                "Metre: bar lines are set anew",
                metres,
                metre,
                chosen -> putRight.accept(
                        from, new MidiReader.Corrections(Optional.of(chosen), Optional.of(key), Optional.empty())));
        Pick keyPick = pick(
                "import-key",
                "Key: notes are spelled anew",
                keys,
                key,
                chosen -> putRight.accept(
                        from, new MidiReader.Corrections(Optional.of(metre), Optional.of(chosen), Optional.of(type))));
        Pick typePick = pick(
                "import-type",
                "Kind of tune",
                types,
                type,
                chosen -> putRight.accept(
                        from, new MidiReader.Corrections(Optional.of(metre), Optional.of(key), Optional.of(chosen))));
        FlowPane picks = new FlowPane(
                8, 4, label("Put right: metre"), metrePick, label("key"), keyPick, label("kind of tune"), typePick);
        picks.setAlignment(Pos.CENTER_LEFT);
        return picks;
    }

    /** What a field of the heading says. */
    private static String field(Tune tune, String name) {
        Matcher line = Pattern.compile("(?m)^" + name + ":\\s*(\\S+)")
                .matcher(tune.manuscript().text());
        return line.find() ? line.group(1) : "";
    }

    private static Label label(String words) {
        Label label = new Label(words);
        label.setMinWidth(Region.USE_PREF_SIZE);
        return label;
    }

    private static Pick pick(String id, String tip, List<String> words, String now, Consumer<String> chose) {
        Pick pick = new Pick(id, tip, index -> chose.accept(words.get(index)));
        pick.setAccessibleText(tip);
        pick.show(words, words.indexOf(now));
        return pick;
    }

    private static List<String> keys() {
        List<String> keys = new ArrayList<>();
        TONICS.forEach(tonic -> MODES.forEach(mode -> keys.add(tonic + mode)));
        return keys;
    }

    /** The words, and one more before them where it is not among them. */
    private static List<String> with(List<String> words, String now) {
        List<String> all = new ArrayList<>(words);
        if (!all.contains(now)) {
            all.add(0, now);
        }
        return all;
    }
}
