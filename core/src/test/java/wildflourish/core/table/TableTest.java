package wildflourish.core.table;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class TableTest {
    @Test
    void commentsAndEmptyLinesAreNoRows() {
        Table table = Table.parse("t", "# about\n\na | b\n1 | x y\n# more\n2 | –\n");
        assertThat(table.columns()).containsExactly("a", "b");
        assertThat(table.rows()).hasSize(2);
        assertThat(table.rows().get(0).words("b")).containsExactly("x", "y");
        assertThat(table.rows().get(1).optional("b")).isEmpty();
        assertThat(table.rows().get(1).integer("a")).isEqualTo(2);
    }

    @Test
    void aFaultNamesFileAndLine() {
        assertThatThrownBy(() -> Table.parse("whistle.chart", "a | b\n1 | 2\n1\n"))
                .isInstanceOf(TableException.class)
                .hasMessage("whistle.chart line 3: 1 cells where 2 are named");
        Row row = Table.parse("whistle.chart", "# x\na | b\n1 | –\n").rows().get(0);
        assertThatThrownBy(() -> row.text("b")).hasMessage("whistle.chart line 3: the column “b” is empty");
        assertThatThrownBy(() -> row.text("c")).hasMessage("whistle.chart line 3: there is no column “c”");
        assertThatThrownBy(() -> Table.parse("x", "a\nq\n").rows().get(0).integer("a"))
                .hasMessageStartingWith("x line 2: the column “a” cannot be “q”");
    }

    @Test
    void aTableWithoutColumnsOrAMissingOneIsAFault() {
        assertThatThrownBy(() -> Table.parse("x", "# nothing\n")).hasMessageContaining("no line names the columns");
        assertThatThrownBy(() -> Table.load("no-such.table")).hasMessageContaining("does not ship");
    }

    /** Every table that ships loads, has rows, and marks each row's trust where it states facts of the trade. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "instruments.table",
                "profiles.table",
                "tunings.table",
                "schools.table",
                "times.table",
                "tune-types.table",
                "fingering-costs.table",
                "instruments/six-hole-whistle.chart",
                "instruments/keyless-flute.chart",
                "instruments/keyless-flute.gracings",
                "instruments/bamboo-flute.chart",
                "instruments/recorder-baroque.chart",
                "instruments/recorder-german.chart",
                "instruments/union-closed.chart",
                "instruments/union-open.chart",
                "instruments/nine-note.chart",
                "instruments/six-hole-whistle.gracings"
            })
    void everyTableOfTheTradeMarksItsTrust(String name) {
        Table table = Table.load(name);
        assertThat(table.rows()).isNotEmpty();
        assertThat(table.columns()).contains("trust");
        for (Row row : table.rows()) {
            assertThat(row.read("trust", Trust::valueOf).word()).isIn("high", "medium", "low");
        }
        String text = Table.resource(name);
        assertThat(text).startsWith("#").containsPattern("Version \\d");
    }

    @ParameterizedTest
    @ValueSource(strings = {"music-glyphs.table", "text-widths.table"})
    void tablesMadeByAProgramSaySo(String name) {
        assertThat(Table.load(name).rows()).isNotEmpty();
        assertThat(Table.resource(name)).contains("do not edit by hand");
    }
}
