package wildflourish.core.growing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** Phrases that return and are dressed as they were the first time. Those that come too late, or too often, to be planned together with the first follow it. */
final class Returning {
    /** Families of phrases that may wait for their return at one time. */
    private static final int MOST_WAITING = 2;
    /** Returns of one phrase that are planned together. */
    private static final int MOST_TIMES = 2;

    private final NoteRow tied;
    private final NoteRow planned;
    /** For each phrase that follows the one that it follows, by their numbers. */
    private final Map<Integer, Integer> leaders;

    /** For a row as it is asked for. */
    Returning(NoteRow row, List<List<Option>> options) {
        this.tied = row.tiedWhere(options);
        this.planned = tied.boundedTo(MOST_WAITING, MOST_TIMES);
        this.leaders = leaders();
    }

    /** The row with returns tied as far as they can be alike, whether they are planned together or not. */
    NoteRow tied() {
        return tied;
    }

    /** The row with as many returns tied as can be planned together. */
    NoteRow planned() {
        return planned;
    }

    /** Whether there are returns that follow the first. */
    boolean hasFollowers() {
        return !leaders.isEmpty();
    }

    private Map<Integer, Integer> leaders() {
        Map<Integer, Integer> firsts = new HashMap<>();
        Map<Integer, Integer> leaders = new HashMap<>();
        for (int i = 0; i < tied.stretches().size(); i++) {
            int first = firsts.merge(tied.stretches().get(i).family(), i, Math::min);
            boolean isTogether = planned.stretches().get(i).family()
                    == planned.stretches().get(first).family();
            if (!isTogether && tied.stretches().get(i).trunk() > 0) {
                leaders.put(i, first);
            }
        }
        return leaders;
    }

    /** Whether a plan has in all that follows what it has in the first phrase. */
    boolean isFollowed(List<Option> chosen) {
        Map<Integer, Option> at = byNote(chosen);
        return leaders.entrySet().stream().allMatch(each -> {
            NoteRow.Stretch its = tied.stretches().get(each.getKey());
            NoteRow.Stretch first = tied.stretches().get(each.getValue());
            return dressing(its, at).equals(dressing(first, at));
        });
    }

    /** What a phrase has in its common beginning, as if it began with the row and without points. */
    private static List<Option> dressing(NoteRow.Stretch stretch, Map<Integer, Option> at) {
        return IntStream.range(stretch.first(), stretch.first() + stretch.trunk())
                .mapToObj(at::get)
                .filter(option -> option != null && option.to() <= stretch.first() + stretch.trunk())
                .map(option -> option.moved(-stretch.first()).worth(0))
                .toList();
    }

    private static Map<Integer, Option> byNote(List<Option> chosen) {
        return chosen.stream().collect(Collectors.toMap(Option::from, Function.identity()));
    }

    /** Options of which what follows, and the first phrase too, has just what a plan has in the first phrase. */
    List<List<Option>> following(List<List<Option>> options, List<Option> chosen) {
        List<List<Option>> following = new ArrayList<>(options);
        Map<Integer, Option> at = byNote(chosen);
        leaders.forEach((follower, leader) -> {
            NoteRow.Stretch first = tied.stretches().get(leader);
            for (NoteRow.Stretch its : List.of(first, tied.stretches().get(follower))) {
                for (int i = 0; i < its.trunk(); i++) {
                    int note = first.first() + i;
                    Option wanted = at.getOrDefault(note, Option.plain(note)).moved(its.first() - first.first());
                    List<Option> alike = options.get(its.first() + i).stream()
                            .filter(wanted::isLike)
                            .toList();
                    if (!alike.isEmpty()) {
                        following.set(its.first() + i, alike);
                    }
                }
            }
        });
        return following;
    }

    /** An option with those that are the same in all returns of its phrase. */
    List<Option> twins(Option option, List<List<Option>> options) {
        NoteRow.Stretch own = tied.stretches().get(tied.stretchAt(option.from()));
        List<Option> twins = new ArrayList<>(List.of(option));
        boolean isInTrunk = option.to() <= own.first() + own.trunk();
        for (NoteRow.Stretch other : tied.stretches()) {
            if (isInTrunk && other.family() == own.family() && !other.equals(own)) {
                Option wanted = option.moved(other.first() - own.first());
                Optional<Option> twin = options.get(wanted.from()).stream()
                        .filter(each -> each.from() == wanted.from() && each.isLike(wanted))
                        .findFirst();
                twin.ifPresent(twins::add);
            }
        }
        return twins;
    }
}
