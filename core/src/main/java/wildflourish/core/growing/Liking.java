package wildflourish.core.growing;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import wildflourish.core.instrument.Family;
import wildflourish.core.ornament.Choice;
import wildflourish.core.ornament.Stack;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/**
 * A school of taste: a row of {@code tastes.table}.
 *
 * @param name in plain words
 * @param about what it goes by, in a sentence
 * @param likes points of ornaments by their names
 * @param others points of every ornament that is not named
 * @param lean by how much it leans away from what a stage is usually judged by
 */
public record Liking(
        String id, String name, String about, Set<Family> families, Map<String, Integer> likes, int others, Lean lean) {
    /**
     * Points that are added to those of a stage.
     *
     * @param fee what an ornament must bring
     * @param place on a beat, twice on the first
     * @param size for each unit of weight
     */
    public record Lean(int fee, int place, int size) {
        static final Lean NONE = new Lean(0, 0, 0);
    }

    /** The id of a taste that is somebody's own. */
    public static final String OWN = "own";

    private static final String FEE = "fee";
    private static final String PLACE = "place";
    private static final String SIZE = "size";
    private static final List<String> COLUMNS = List.of("taste", "name", "about", "families", "likes");
    private static final Pattern LIKE = Pattern.compile("([\\w-]+?)([+-]\\d+)");
    private static final String OTHERS = "else";
    private static final List<Liking> ALL =
            Table.load("tastes.table").rows().stream().map(Liking::from).toList();

    public Liking {
        families = Set.copyOf(families);
        likes = Map.copyOf(likes);
    }

    private static Liking from(Row row) {
        Map<String, Integer> likes = new HashMap<>();
        for (String word : row.words("likes")) {
            Matcher like = LIKE.matcher(word);
            if (!like.matches()) {
                throw row.fault("“" + word + "” is no ornament with its points, as “cut+6” is");
            }
            likes.put(like.group(1), Integer.parseInt(like.group(2)));
        }
        int others = taken(likes, OTHERS);
        Lean lean = new Lean(taken(likes, FEE), taken(likes, PLACE), taken(likes, SIZE));
        return new Liking(
                row.text("taste"),
                row.text("name"),
                row.text("about"),
                row.words("families").stream()
                        .map(word -> row.read("families", cell -> Family.parse(word.replace('_', ' '))))
                        .collect(Collectors.toSet()),
                likes,
                others,
                lean);
    }

    private static int taken(Map<String, Integer> likes, String word) {
        int points = likes.getOrDefault(word, 0);
        likes.remove(word);
        return points;
    }

    /** Reads tastes from a table as {@code tastes.table} is one, where “fee”, “place” and “size” among the likes are the lean. Throws TableException. */
    public static List<Liking> parse(String file, String text) {
        return Table.parse(file, text).rows().stream().map(Liking::from).toList();
    }

    /** Tastes as the text of a table that {@link #parse} reads. */
    public static String text(List<Liking> tastes) {
        StringBuilder text = new StringBuilder(String.join(" | ", COLUMNS)).append('\n');
        for (Liking each : tastes) {
            Map<String, Integer> all = new TreeMap<>(each.likes);
            all.put(OTHERS, each.others);
            all.put(FEE, each.lean.fee());
            all.put(PLACE, each.lean.place());
            all.put(SIZE, each.lean.size());
            String likes = all.entrySet().stream()
                    .map(like -> String.format("%s%+d", like.getKey(), like.getValue()))
                    .collect(Collectors.joining(" "));
            String families = each.families.stream()
                    .map(family -> family.word().replace(' ', '_'))
                    .sorted()
                    .collect(Collectors.joining(" "));
            text.append(String.join(" | ", each.id, each.name, each.about, families, likes))
                    .append('\n');
        }
        return text.toString();
    }

    /** Those that a family has, the usual one first. */
    public static List<Liking> of(Family family) {
        return ALL.stream().filter(each -> each.families.contains(family)).toList();
    }

    /** Of a family by its id; the usual one for an empty id. Throws IllegalArgumentException, naming those there are, for one that the family has not. */
    public static Liking of(Family family, String id) {
        List<Liking> own = of(family);
        return own.stream()
                .filter(each -> id.isEmpty() || each.id.equals(id))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("there is no taste “" + id + "” for the "
                        + family.word() + "; there are "
                        + own.stream().map(Liking::id).collect(Collectors.joining(", "))));
    }

    /** Points of what is placed: those of its ornaments together. */
    public int of(Stack stack) {
        return stack.choices().stream()
                .map(Choice::ornament)
                .mapToInt(each -> likes.getOrDefault(each.id(), others))
                .sum();
    }
}
