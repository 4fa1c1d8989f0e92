package wildflourish.desktop.action;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import javafx.beans.property.SimpleBooleanProperty;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.kordamp.ikonli.feather.Feather;

class ActionTableTest {
    private static final Path README = Path.of("..", "README.md");
    private static final String BEGIN = "<!-- keys, as the table of actions has them -->\n";
    private static final String END = "<!-- end of keys -->";

    @Test
    void everyActionHasAnIdOfItsOwnAndSaysWhatItDoes() {
        List<ActionRow> rows = ActionRow.all();
        assertThat(rows).hasSizeGreaterThan(100);
        assertThat(rows.stream().map(ActionRow::id)).doesNotHaveDuplicates().allMatch(id -> id.matches("[a-z-]+"));
        assertThat(rows.stream().map(ActionRow::words)).doesNotHaveDuplicates().allMatch(words -> words.length() > 3);
    }

    @Test
    void everyIconShips() {
        ActionRow.all().stream()
                .flatMap(row -> row.icon().stream())
                .forEach(icon ->
                        assertThat(Feather.findByDescription(icon)).as(icon).isNotNull());
    }

    @ParameterizedTest
    @CsvSource({
        "CTRL+SHIFT+Z, Ctrl+Shift+Z",
        "RIGHT, →",
        "CTRL+DIGIT1, Ctrl+1",
        "PAGE_UP, Page Up",
        "ALT+PERIOD, Alt+.",
        "F1, F1",
        "BACK_SPACE, Backspace"
    })
    void aKeyIsReadAndWritten(String read, String written) {
        assertThat(Key.parse(read)).hasToString(written);
    }

    @ParameterizedTest
    @ValueSource(strings = {"HYPER+A", "NOKEY", "CTRL+"})
    void aKeyThereIsNotIsAFault(String words) {
        assertThatThrownBy(() -> Key.parse(words)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void whatCannotBeDoneDoesNothing() {
        SimpleBooleanProperty may = new SimpleBooleanProperty(false);
        int[] done = {0};
        Action action =
                Action.of(ActionRow.of("x", "group", "X"), () -> done[0]++).when(may);
        action.run();
        assertThat(done[0]).isZero();
        may.set(true);
        action.run();
        assertThat(done[0]).isOne();
    }

    @Test
    void anIdIsBoundOnce() {
        Actions actions = new Actions();
        actions.bind("save", () -> {});
        assertThatThrownBy(() -> actions.bind("save", () -> {})).hasMessageContaining("save");
        assertThatThrownBy(() -> actions.bind("sing", () -> {})).hasMessageContaining("sing");
        assertThatThrownBy(() -> actions.of("open")).hasMessageContaining("open");
    }

    /** The list of keys in the README, made from the table. With {@code -Dwildflourish.write=true} it is written anew. */
    @Test
    void theReadmeHasTheKeysOfTheTable() throws IOException {
        String readme = Files.readString(README, StandardCharsets.UTF_8);
        int begin = readme.indexOf(BEGIN);
        int end = readme.indexOf(END);
        assertThat(begin).isPositive();
        if (Boolean.getBoolean("wildflourish.write")) {
            Files.writeString(README, readme.substring(0, begin) + BEGIN + keys() + readme.substring(end));
            return;
        }
        assertThat(readme.substring(begin + BEGIN.length(), end))
                .as("run this test with -Dwildflourish.write=true to write the list anew")
                .isEqualTo(keys());
    }

    private static String keys() {
        Map<String, List<ActionRow>> groups = ActionRow.all().stream()
                .filter(row -> !row.keys().isEmpty())
                .collect(Collectors.groupingBy(ActionRow::group, LinkedHashMap::new, Collectors.toList()));
        return "| | |\n|---|---|\n"
                + groups.entrySet().stream()
                        .map(group -> "| **" + group.getKey() + "** | "
                                + group.getValue().stream()
                                        .map(ActionTableTest::line)
                                        .collect(Collectors.joining(" · "))
                                + " |\n")
                        .collect(Collectors.joining());
    }

    private static String line(ActionRow row) {
        String words = row.words().replace(" …", "");
        boolean isName = Character.isUpperCase(words.charAt(1));
        String first = words.substring(0, 1);
        return "`" + row.keyWords().replace(", ", "` `") + "` " + (isName ? first : first.toLowerCase(Locale.ROOT))
                + words.substring(1);
    }
}
