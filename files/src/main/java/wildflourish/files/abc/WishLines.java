package wildflourish.files.abc;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Wish;

/** The lines of what is wished of a stage when it is planned: one for the stage, one for each pin of a note. */
final class WishLines {
    private static final String WORD = "wish";
    private static final String NEVER = "never";
    private static final String RETURNS = "returns";
    private static final String TASTE = "taste";
    private static final String OCCASION = "occasion";
    private static final String CONCERT = "concert";
    private static final String SOMETHING = "something";
    private static final String LEAST = "least";
    private static final String PHRASE = "phrase";
    private static final String PART = "part";
    private static final String ANYTHING = "anything";
    private static final Set<String> OF_STAGE =
            Set.of(TASTE, RETURNS, OCCASION, NEVER, "full", "daring", "beat", "rise");
    private static final String OF = "of";
    private static final Set<String> OF_NOTE = Set.of(NEVER, SOMETHING, LEAST, PHRASE, PART);

    private Wish wish = Wish.USUAL;

    Wish wish() {
        return wish;
    }

    static List<String> lines(Wish wish, Tune tune) {
        List<String> lines = new ArrayList<>();
        StringBuilder stage = new StringBuilder();
        stage.append(wish.taste().isEmpty() ? "" : pair(TASTE, wish.taste()));
        for (Wish.Degree degree : Wish.Degree.values()) {
            stage.append(wish.of(degree) == 0 ? "" : pair(degree.word(), String.valueOf(wish.of(degree))));
        }
        stage.append(
                wish.returns() == Wish.Returns.USUAL
                        ? ""
                        : pair(RETURNS, wish.returns().word()));
        stage.append(wish.isConcert() ? pair(OCCASION, CONCERT) : "");
        stage.append(wish.never().isEmpty() ? "" : pair(NEVER, String.join(",", new TreeSet<>(wish.never()))));
        if (stage.length() > 0) {
            lines.add(WORD + stage);
        }
        for (Wish.Pin pin : wish.pins()) {
            String note = " " + (tune.placeOf(pin.note()).order() + 1);
            String asked = switch (pin.kind()) {
                case NEVER -> pair(NEVER, pin.option().isEmpty() ? ANYTHING : pin.option());
                case SOMETHING -> pair(SOMETHING, "yes");
                case LEAST, PHRASE, PART ->
                    pair(pin.kind().word(), String.valueOf(pin.count()))
                            + (pin.option().isEmpty() ? "" : pair(OF, pin.option()));
            };
            lines.add(WORD + note + asked);
        }
        return lines;
    }

    private static String pair(String name, String value) {
        return " " + name + "=" + value;
    }

    /** Reads one line; false where it says something that is not known here, so that the line is to be kept as it is. */
    boolean takes(String words, Tune tune) {
        Map<String, String> pairs = Directives.pairs(words);
        String first = words.strip().split(" ", 2)[0];
        try {
            return first.contains("=") ? takesStage(pairs) : takesPin(Integer.parseInt(first), pairs, tune);
        } catch (IllegalArgumentException e) {
            return false;
        }
    }

    private boolean takesPin(int number, Map<String, String> pairs, Tune tune) {
        Set<String> asked = new TreeSet<>(pairs.keySet());
        boolean isOfKind = asked.remove(OF);
        if (asked.size() != 1
                || !OF_NOTE.containsAll(asked)
                || number < 1
                || number > tune.notes().size()) {
            return false;
        }
        NoteId note = tune.notes().get(number - 1).id();
        String word = asked.iterator().next();
        if (isOfKind && !word.equals(PHRASE) && !word.equals(PART)) {
            return false;
        }
        wish = wish.with(pin(word, note, pairs));
        return true;
    }

    private static Wish.Pin pin(String word, NoteId note, Map<String, String> pairs) {
        Optional<Ornament.Kind> kind = Optional.ofNullable(pairs.get(OF)).map(Ornament.Kind::parse);
        return switch (word) {
            case LEAST -> Wish.Pin.least(note, Directives.integer(pairs, LEAST));
            case PHRASE -> Wish.Pin.among(Wish.Pin.Kind.PHRASE, note, kind, Directives.integer(pairs, PHRASE));
            case PART -> Wish.Pin.among(Wish.Pin.Kind.PART, note, kind, Directives.integer(pairs, PART));
            case SOMETHING -> Wish.Pin.something(note);
            default -> {
                String never = pairs.getOrDefault(NEVER, "");
                yield Wish.Pin.never(note, never.equals(ANYTHING) ? "" : never);
            }
        };
    }

    private boolean takesStage(Map<String, String> pairs) {
        if (!OF_STAGE.containsAll(pairs.keySet())) {
            return false;
        }
        Wish read = wish.withTaste(pairs.getOrDefault(TASTE, ""))
                .with(Wish.Returns.parse(pairs.getOrDefault(RETURNS, Wish.Returns.USUAL.word())))
                .forConcert(pairs.getOrDefault(OCCASION, "").equals(CONCERT));
        for (Wish.Degree degree : Wish.Degree.values()) {
            read = pairs.containsKey(degree.word())
                    ? read.with(degree, Directives.integer(pairs, degree.word()))
                    : read;
        }
        for (String ornament : Arrays.asList(pairs.getOrDefault(NEVER, "").split(","))) {
            read = ornament.isEmpty() ? read : read.withNever(ornament, true);
        }
        wish = read;
        return true;
    }
}
