package wildflourish.desktop.menu;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MenuColumnsTest {
    /** A menu as a word: h for a heading, any other letter for a line to choose. */
    private static List<MenuLine> menu(String word) {
        return word.chars()
                .mapToObj(letter -> letter == 'h' ? MenuLine.heading("h") : MenuLine.deed("d", () -> {}))
                .toList();
    }

    private static String cut(String word, int most) {
        List<String> parts = new ArrayList<>();
        MenuColumns.of(menu(word), most)
                .columns()
                .forEach(column -> parts.add(word.substring(column.from(), column.to())));
        return String.join(" ", parts);
    }

    @ParameterizedTest
    @CsvSource({
        "ddd, 5, ddd",
        "ddddddd, 3, ddd ddd d",
        "hddhdd, 6, hddhdd",
        // A heading never ends a column.
        "ddddhdd, 5, dddd hdd",
        // What is under a heading stays together where the column is half full.
        "hdddhddd, 6, hddd hddd",
        // Where it is less than half full, room matters more.
        "hdhdddddd, 6, hdhddd ddd",
        // A section longer than a column is cut where it must be.
        "hddddddd, 4, hddd dddd"
    })
    void linesAreCutIntoColumns(String word, int most, String wanted) {
        assertThat(cut(word, most)).isEqualTo(wanted);
    }

    @Test
    void everyLineStandsInOneColumnAndNoneIsTooLong() {
        Random random = new Random(7);
        for (int round = 0; round < 2000; round++) {
            StringBuilder word = new StringBuilder();
            int length = random.nextInt(60);
            for (int i = 0; i < length; i++) {
                word.append(random.nextInt(5) == 0 ? 'h' : 'd');
            }
            int most = 3 + random.nextInt(16);
            MenuColumns columns = MenuColumns.of(menu(word.toString()), most);
            int next = 0;
            for (MenuColumns.Column column : columns.columns()) {
                assertThat(column.from()).isEqualTo(next);
                assertThat(column.size()).isBetween(1, most);
                next = column.to();
            }
            assertThat(next).isEqualTo(length);
            for (int i = 0; i < length; i++) {
                assertThat(columns.columns().get(columns.of(i)).has(i)).isTrue();
            }
        }
    }

    @Test
    void aLineThatIsNotThereHasNoColumn() {
        MenuColumns columns = MenuColumns.of(menu("dd"), 5);
        assertThatThrownBy(() -> columns.of(2)).hasMessageContaining("line 2");
    }

    @Test
    void oneGoesFromLineToLineAndColumnToColumn() {
        // Two columns: h d d | h d d d
        MenuColumns columns = MenuColumns.of(menu("hddhddd"), 4);
        assertThat(columns.columns()).hasSize(2);
        assertThat(columns.next(-1, 1)).as("the first for hands").isEqualTo(1);
        assertThat(columns.next(2, 1)).as("a heading is passed over").isEqualTo(4);
        assertThat(columns.next(1, -1)).as("there is none above").isEqualTo(1);
        assertThat(columns.next(6, 1)).as("there is none below").isEqualTo(6);
        assertThat(columns.next(7, -1)).as("the last").isEqualTo(6);
        assertThat(columns.beside(2, 1)).isEqualTo(5);
        assertThat(columns.beside(6, -1)).as("that column is shorter").isEqualTo(2);
        assertThat(columns.beside(1, -1)).as("there is no column").isEqualTo(1);
    }

    @Test
    void aLetterGoesRoundAllLinesThatBeginWithIt() {
        List<MenuLine> lines = List.of(
                MenuLine.heading("Dances"),
                MenuLine.deed("Double jig", () -> {}),
                MenuLine.deed("Reel", () -> {}),
                MenuLine.deed("dance tune", () -> {}));
        MenuColumns columns = MenuColumns.of(lines, 9);
        assertThat(columns.begun(1, "d")).isEqualTo(3);
        assertThat(columns.begun(3, "d")).isEqualTo(1);
        assertThat(columns.begun(2, "x")).isEqualTo(2);
    }

    @Test
    void aMenuBeginsAtTheChosenLineUnlessSeveralMayBeChosen() {
        MenuLine one = MenuLine.choice("one", false, () -> {});
        MenuLine two = MenuLine.choice("two", true, () -> {});
        assertThat(MenuColumns.of(List.of(one, two), 9).begin()).isEqualTo(1);
        assertThat(MenuColumns.of(List.of(one, one), 9).begin()).isZero();
        assertThat(MenuColumns.of(List.of(MenuLine.heading("these"), one, two), 9)
                        .begin())
                .isEqualTo(1);
    }
}
