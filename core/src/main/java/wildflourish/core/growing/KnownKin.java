package wildflourish.core.growing;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * Families of phrases whose best ways were found before. A stage is planned again and again, and each time most of its phrases may have just what they might have had before: those are not gone
 * through anew. Of each family what was asked for last is kept.
 */
public final class KnownKin {
    /** Answers that are kept of one family. */
    private static final int MOST_EACH = 48;

    /** What the steps through a row cost, beside the options themselves. */
    private record Setting(NoteRow row, Level level) {}

    /** All that the best ways of a family depend on, beside the phrases that it has; its walk is the only one of its setting. */
    private record Question(Walk walk, List<List<List<Option>>> options) {}

    private record Answer(Map<Long, Integer> sights, Map<Long, List<Option>> ways) implements Ways {
        static Answer of(Kin kin) {
            return new Answer(
                    kin.sights(),
                    kin.sights().keySet().stream().collect(Collectors.toMap(Function.identity(), kin::way)));
        }

        @Override
        public List<Option> way(long sight) {
            return ways.getOrDefault(sight, List.of());
        }
    }

    private final Map<Setting, Walk> walks = new HashMap<>();
    private final Map<List<NoteRow.Stretch>, Map<Question, Answer>> known = new HashMap<>();

    /** What the steps through a row cost, whatever phrases it has. */
    synchronized Walk walk(NoteRow row, Level level) {
        return walks.computeIfAbsent(new Setting(row.unphrased(), level), each -> new Walk(each.row(), each.level()));
    }

    /**
     * The best ways of a family of phrases.
     *
     * @param walk from {@link #walk}
     * @param members phrases of the row that go together
     * @param options for each note of the row
     */
    synchronized Ways ways(Walk walk, List<NoteRow.Stretch> members, List<List<Option>> options) {
        List<NoteRow.Stretch> unnamed =
                members.stream().map(member -> member.withFamily(0)).toList();
        List<List<List<Option>>> theirs = members.stream()
                .map(member -> options.subList(member.first(), member.last()))
                .toList();
        return known.computeIfAbsent(unnamed, key -> new Latest())
                .computeIfAbsent(new Question(walk, theirs), key -> Answer.of(new Kin(walk, unnamed, options, 0)));
    }

    private static final class Latest extends LinkedHashMap<Question, Answer> {
        private static final long serialVersionUID = 1;

        Latest() {
            super(16, 0.75f, true);
        }

        @Override
        protected boolean removeEldestEntry(Map.Entry<Question, Answer> eldest) {
            return size() > MOST_EACH;
        }
    }
}
