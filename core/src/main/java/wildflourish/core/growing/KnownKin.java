package wildflourish.core.growing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Families of phrases whose best ways were found before. A stage is planned again and again, and each time most of its phrases may have just what they might have had before, or what others
 * like them may have: those are not gone through anew. Of each kind of family what was asked for last is kept.
 */
public final class KnownKin {
    /** Answers that are kept for each place where a family stands. */
    private static final int MOST_EACH = 24;

    /** What the steps through a row cost, beside the options themselves. */
    private record Setting(NoteRow row, Level level) {}

    /**
     * A phrase wherever it stands.
     *
     * @param starts when its notes begin and, last, when it ends, from its beginning
     * @param bars for each note the number of its bar, from that of the first
     * @param lengths for each note how long its bar is
     * @param least for each note how many ornaments are asked for in its bar
     */
    private record Notes(
            List<Long> starts,
            List<Integer> bars,
            List<Long> lengths,
            List<Integer> least,
            int trunk,
            boolean isPickup,
            boolean endsBar) {
        static Notes of(NoteRow row, NoteRow.Stretch stretch) {
            List<Long> starts = new ArrayList<>();
            List<Integer> bars = new ArrayList<>();
            List<Long> lengths = new ArrayList<>();
            List<Integer> least = new ArrayList<>();
            for (int note = stretch.first(); note < stretch.last(); note++) {
                int bar = row.bars().get(note);
                starts.add(row.length(stretch.first(), note));
                bars.add(bar - row.bars().get(stretch.first()));
                lengths.add(row.barLengths().get(bar));
                least.add(row.least().get(bar));
            }
            starts.add(row.length(stretch.first(), stretch.last()));
            return new Notes(
                    starts, bars, lengths, least, stretch.trunk(), stretch.isPickup(), row.isBarLine(stretch.last()));
        }
    }

    /** All that the best ways of a family depend on beside its notes: what the steps cost (the only walk of its setting) and the options, as if each phrase began with the row. */
    private record Question(Walk walk, List<List<List<Option>>> options) {}

    /** {@code ways}: for each sight the options of each phrase, as if that began with the row. */
    private record Answer(Map<Long, Integer> sights, Map<Long, List<List<Option>>> ways) {
        static Answer of(Kin kin, List<NoteRow.Stretch> members) {
            Map<Long, List<List<Option>>> ways = new HashMap<>();
            kin.sights().keySet().forEach(sight -> {
                List<Option> way = kin.way(sight);
                ways.put(
                        sight,
                        members.stream()
                                .map(member -> way.stream()
                                        .filter(option ->
                                                member.first() <= option.from() && option.to() <= member.last())
                                        .map(option -> option.moved(-member.first()))
                                        .toList())
                                .toList());
            });
            return new Answer(kin.sights(), ways);
        }
    }

    /** An answer for phrases where they stand. */
    private record Placed(Answer answer, List<NoteRow.Stretch> members) implements Ways {
        @Override
        public Map<Long, Integer> sights() {
            return answer.sights();
        }

        @Override
        public List<Option> way(long sight) {
            List<List<Option>> each = answer.ways().getOrDefault(sight, List.of());
            List<Option> way = new ArrayList<>();
            for (int i = 0; i < each.size(); i++) {
                int first = members.get(i).first();
                each.get(i).forEach(option -> way.add(option.moved(first)));
            }
            way.sort(Comparator.comparingInt(Option::from));
            return way;
        }
    }

    private final Map<Setting, Walk> walks = new HashMap<>();
    private final Map<List<Notes>, Latest> known = new HashMap<>();

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
        List<Notes> notes =
                members.stream().map(member -> Notes.of(walk.row(), member)).toList();
        Question question = new Question(
                walk, members.stream().map(member -> theirs(member, options)).toList());
        Latest latest = known.computeIfAbsent(notes, key -> new Latest());
        latest.places.add(members.get(0).first());
        Answer answer = latest.computeIfAbsent(question, key -> Answer.of(new Kin(walk, members, options, 0), members));
        return new Placed(answer, members);
    }

    /** The options of a phrase as if that began with the row. */
    private static List<List<Option>> theirs(NoteRow.Stretch stretch, List<List<Option>> options) {
        return options.subList(stretch.first(), stretch.last()).stream()
                .map(here -> here.stream()
                        .map(option -> option.moved(-stretch.first()))
                        .toList())
                .toList();
    }

    /** What was asked for last of families with the same notes. */
    private static final class Latest extends LinkedHashMap<Question, Answer> {
        private static final long serialVersionUID = 1;

        /** Where such families begin. */
        private final Set<Integer> places = new HashSet<>();

        Latest() {
            super(16, 0.75f, true);
        }

        @Override
        protected boolean removeEldestEntry(Map.Entry<Question, Answer> eldest) {
            return size() > MOST_EACH * places.size();
        }
    }
}
