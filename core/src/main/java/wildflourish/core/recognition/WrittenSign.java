package wildflourish.core.recognition;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import wildflourish.core.ornament.Choice;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/** What a decoration of a tune's text may mean; the rows of {@code written-ornaments.table}. */
record WrittenSign(String decoration, String words, List<String> written, Set<Ornament.Kind> kinds) {
    private static final Map<String, WrittenSign> ALL = Table.load("written-ornaments.table").rows().stream()
            .map(WrittenSign::of)
            .collect(Collectors.toUnmodifiableMap(WrittenSign::decoration, Function.identity()));

    WrittenSign {
        written = List.copyOf(written);
        kinds = Set.copyOf(kinds);
    }

    private static WrittenSign of(Row row) {
        return new WrittenSign(
                row.text("decoration"),
                row.text("words"),
                row.words("written"),
                row.words("kinds").stream()
                        .map(word -> row.read("kinds", cell -> Ornament.Kind.parse(word)))
                        .collect(Collectors.toSet()));
    }

    static Optional<WrittenSign> of(String decoration) {
        return Optional.ofNullable(ALL.get(decoration));
    }

    /** The ornament as the sign asks for it; empty where the sign does not mean it. */
    Optional<Choice> meaning(Ornament ornament) {
        String its = ornament.look().written().replaceFirst("^mark ", "");
        for (String word : written) {
            String[] halves = word.split("@", 2);
            if (halves[0].equals(its)) {
                return Optional.of(halves.length > 1 ? new Choice(ornament, halves[1]) : Choice.of(ornament));
            }
        }
        return kinds.contains(ornament.kind()) ? Optional.of(Choice.of(ornament)) : Optional.empty();
    }
}
