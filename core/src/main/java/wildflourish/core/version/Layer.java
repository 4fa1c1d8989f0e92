package wildflourish.core.version;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import wildflourish.core.instrument.Family;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;

/**
 * A rule over a whole passage: how it is articulated or bowed, what of it is held or left out.
 *
 * @param option which of the ways that the rule has, by name; empty for the first
 */
public record Layer(Rule rule, String option, Span span, Passes passes) {
    /** Ways of the shuffle for which the hand looks where its fingers lie. */
    private static final Set<String> BY_HAND = Set.of("double", "double-late", "hooked");

    private static final String PAIRS = "hooked";

    /** In the first way that the rule has. */
    public Layer(Rule rule, Span span, Passes passes) {
        this(rule, "", span, passes);
    }

    /** The way it is played: the one it names, or the rule's usual one; empty where the rule has no choice. */
    public String way() {
        return option.isEmpty() && !rule.options().isEmpty() ? rule.options().get(0) : option;
    }

    /** The way that it names itself, which may be a button or a row of basses; empty where it leaves that to the player. */
    public Optional<String> own() {
        return option.isEmpty() ? Optional.empty() : Optional.of(option);
    }

    /** Over another passage. */
    public Layer over(Span other, Passes times) {
        return new Layer(rule, option, other, times);
    }

    /** Whether only the hand can tell what it does: it is worked out along the line that the other rules have made. */
    public boolean isOfHand() {
        return rule.work().isOfHand() || (rule.work() == Work.SHUFFLE && BY_HAND.contains(way()));
    }

    /** Whether it takes pairs of written notes, and so leaves long ones whole. */
    public boolean isOfPairs() {
        return rule.work() == Work.HOOK || (rule.work() == Work.SHUFFLE && way().equals(PAIRS));
    }

    /** In the file and in words: {@code strokes@across}. */
    public String word() {
        return option.isEmpty() ? rule.id() : rule.id() + "@" + option;
    }

    /** Reads {@code strokes@across} over a passage. Throws IllegalArgumentException for a rule or a way that is in no table. */
    public static Layer parse(String word, Span span, Passes passes) {
        String[] halves = word.split("@", 2);
        Rule rule = Rule.of(halves[0]);
        String option = halves.length > 1 ? halves[1] : "";
        if (!option.isEmpty() && !rule.takes(option)) {
            throw new IllegalArgumentException(
                    "“" + halves[0] + "” has no way “" + option + "”; it has " + String.join(", ", rule.options()));
        }
        return new Layer(rule, option, span, passes);
    }

    /** What a rule does. */
    public enum Work {
        /** Other notes in place of the written ones, each begun with one of them. */
        FIGURE,
        /** Every note is tongued. */
        TONGUE_ALL,
        /** Notes on a beat are tongued, the others slurred. */
        TONGUE_BEATS,
        /** Nothing is tongued but what must be. */
        SLUR,
        /** A note on a beat is held through it. */
        HOLD_BEATS,
        /** A note that only leads on by step is left out. */
        HOLD_PASSING,
        /** Only so many notes of a bar are begun, those that matter most. */
        HOLD_BEST,
        /** Wide leaps are taken at the octave. */
        NARROW,
        /** All on one string. */
        ONE_STRING,
        /** Long notes give their second half to the breath. */
        BREATHE,
        /** An order of strokes is kept to. */
        STROKES,
        /** An order of bows is kept to, long notes being parted by it. */
        SHUFFLE,
        /** The first finger stays down. */
        STAY_DOWN,
        /** Two bars on the home note before the tune. */
        INTRO,
        /** Two bars that sign off after the tune. */
        TAG,
        /** All an octave lower. */
        OCTAVE_DOWN,
        /** Somebody else has the tune. */
        BACKUP,
        /** Bars of eight quavers are rolled by the banjo hand. */
        ROLL,
        /** Root and chord by turns in place of the tune. */
        VAMP,
        /** Three strings are picked across in bars of eight quavers. */
        CROSS,
        /** Long notes are struck again in quavers. */
        REPEAT,
        /** The last quaver of long notes leads on to the next. */
        CONNECT,
        /** A second string under long notes on a beat and where the tune rests. */
        DOUBLE,
        /** Minims tremble, and a pair of crotchets is shifted off the beat. */
        TREMBLE,
        /** Blue notes where the tune rests. */
        BLUE,
        /** An open string that is kept sounding. */
        DRONE,
        /** Quavers each on another string with another finger. */
        RUN,
        /** Pairs of quavers on one stopped bow. */
        HOOK,
        /** Every note with its octave. */
        OCTAVES,
        /** The note before once more in place of a quaver. */
        STAND_IN,
        /** Basses and chords of the left hand. */
        BASS;

        /** Whether it plays other tones than those written; the others say only how these begin, are bowed or held. */
        public boolean changesTones() {
            return switch (this) {
                case TONGUE_ALL, TONGUE_BEATS, SLUR, STROKES, STAY_DOWN, INTRO, TAG, BACKUP, BASS -> false;
                default -> true;
            };
        }

        /** Whether written notes are left out, moved or replaced by it. */
        public boolean rewrites() {
            return switch (this) {
                case FIGURE, HOLD_BEATS, HOLD_PASSING, HOLD_BEST, NARROW, ONE_STRING -> true;
                default -> false;
            };
        }

        /** Whether it adds bars to the tune. */
        public boolean addsBars() {
            return this == INTRO || this == TAG;
        }

        /** Whether only the hand can tell what it does: it is worked out along the line that the other rules have made. */
        public boolean isOfHand() {
            return compareTo(BACKUP) >= 0;
        }
    }

    /**
     * A row of {@code layers.table}; rows are in the order in which layers act.
     *
     * @param families that have it
     * @param options the ways it has, the first is usual; none where it has no choice
     */
    public record Rule(String id, String name, String about, Set<Family> families, Work work, List<String> options) {
        /** A button of a box or a concertina: {@code i3d}, {@code LC3p}, {@code R22}. */
        private static final Pattern BUTTON = Pattern.compile("[io]\\d+[pd]|[LR][A-Z]\\d+[pd]|[LR]\\d+");

        /** Notes by name, chords with a plus sign, held through so many notes of the tune: {@code D5*2.F♯5+A5.E5}. */
        private static final Pattern NOTES =
                Pattern.compile("[A-G](♯♯|♯|♭♭|♭)?-?\\d([*][1-9]\\d?)?([+.][A-G](♯♯|♯|♭♭|♭)?-?\\d([*][1-9]\\d?)?)*");

        private static final Pattern BASSES = Pattern.compile("[A-G][b#]?/[A-G][b#]?(,[A-G][b#]?/[A-G][b#]?)*");
        private static final List<Rule> ALL =
                Table.load("layers.table").rows().stream().map(Rule::from).toList();

        public Rule {
            families = Set.copyOf(families);
            options = List.copyOf(options);
        }

        private static Rule from(Row row) {
            return new Rule(
                    row.text("id"),
                    row.text("name"),
                    row.text("about"),
                    row.words("families").stream()
                            .map(word -> row.read("families", cell -> Family.parse(word.replace('_', ' '))))
                            .collect(Collectors.toSet()),
                    row.read(
                            "work",
                            word -> Work.valueOf(word.toUpperCase(Locale.ROOT).replace('-', '_'))),
                    row.words("options"));
        }

        /** Whether it can be played in a way: one of those that it has, a button to hold, a row of basses. */
        public boolean takes(String option) {
            return options.contains(option)
                    || (work == Work.DRONE && BUTTON.matcher(option).matches())
                    || (work == Work.FIGURE && NOTES.matcher(option).matches())
                    || (work == Work.BASS && BASSES.matcher(option).matches());
        }

        /** Whether a teacher turns it on and off over any passage; what comes with a figure is put there with it. */
        public boolean isTurnedOn() {
            return work != Work.FIGURE;
        }

        /** The ways that it has on instruments of a family. */
        public List<String> options(Family family) {
            if (work == Work.ONE_STRING) {
                // A tenor banjo has a string of C and none of E; the fiddle and the mandolin have it the other way
                // round.
                String missing = family == Family.TENOR_BANJO ? "E" : "C";
                return options.stream().filter(each -> !each.equals(missing)).toList();
            }
            return work == Work.DRONE && family != Family.FIDDLE ? List.of() : options;
        }

        public static List<Rule> all() {
            return ALL;
        }

        public static List<Rule> of(Family family) {
            return ALL.stream().filter(rule -> rule.families.contains(family)).toList();
        }

        /** Throws IllegalArgumentException, naming those there are, for a rule that is in no table. */
        public static Rule of(String id) {
            return ALL.stream()
                    .filter(rule -> rule.id.equals(id))
                    .findFirst()
                    .orElseThrow(() -> new IllegalArgumentException("there is no layer “" + id + "”; there are "
                            + String.join(", ", ALL.stream().map(Rule::id).toList())));
        }
    }

    /** Whether a note of the tune lies in its passage. */
    public boolean covers(Tune tune, NoteId note) {
        int order = tune.placeOf(note).order();
        return tune.placeOf(span.first()).order() <= order
                && order <= tune.placeOf(span.last()).order();
    }
}
