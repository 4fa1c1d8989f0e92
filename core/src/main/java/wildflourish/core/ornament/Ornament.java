package wildflourish.core.ornament;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import wildflourish.core.instrument.Family;
import wildflourish.core.music.Fraction;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;
import wildflourish.core.table.Trust;

/**
 * An ornament: a row of {@code ornaments/*.table} with its figures.
 *
 * @param id its name in files and on the command line; each hand has its own {@code cut}
 * @param kind where it stands among the choices, and its colour
 * @param makers the families of instruments that make it
 * @param form what it takes hold of
 * @param manner how it is used
 * @param speech what speaks for it, against it, and may refuse it
 * @param look how it is shown and written
 * @param figures in the order in which they are tried
 */
public record Ornament(
        String id,
        String name,
        Kind kind,
        List<Maker> makers,
        Form form,
        Manner manner,
        Speech speech,
        Look look,
        List<Sized> figures) {
    /** Kinds stand together among the choices and share a colour. */
    public enum Kind {
        FLICK,
        ROLL,
        CRAN,
        GRACE,
        MOVEMENT,
        TRIPLET,
        SLIDE,
        SHAKE,
        WAVE,
        OCTAVE,
        DOUBLE_STOP,
        FILL,
        ARTICULATION,
        REST;

        /** As it stands in tables and files. */
        public String word() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }

        /** The kind of a word. Throws IllegalArgumentException, naming those there are, for any other. */
        public static Kind parse(String word) {
            return Arrays.stream(values())
                    .filter(kind -> kind.word().equals(word))
                    .findFirst()
                    .orElseThrow(() -> new IllegalArgumentException("“" + word + "” is no kind of ornament; there are "
                            + Arrays.stream(values()).map(Kind::word).collect(Collectors.joining(", "))));
        }
    }

    /** What an ornament dresses: its whole span, or the first or the last part of whatever stands there. */
    public enum Place {
        SPAN,
        FIRST,
        LAST,
        /** Everything it comes to. */
        EACH
    }

    /** What of a part a touch takes for itself; nobody else may then have it. */
    public enum Slot {
        GRACES,
        BEGIN,
        FRONT,
        SECONDS,
        WEIGHT,
        TAIL,
        END
    }

    /** What an ornament may stand for. */
    public enum StandsFor {
        /** One written note. */
        NOTE,
        /** Several notes of one pitch. */
        EQUAL,
        /** Note, neighbour, note. */
        TURN,
        /** Two quavers a third apart. */
        THIRD,
        /** Two quavers a tone apart. */
        TONE,
        /** Two to four notes, whatever they are. */
        NOTES,
        /** One note whose next one lies a step away. */
        APPROACH,
        /** One note that has one before it. */
        AFTER,
        /** One note that has one after it. */
        BEFORE,
        /** One note a third from the one before it. */
        MID,
        /** Two quavers of the chanter, B or C and then lower. */
        TACHUM,
        /** Two notes. */
        PAIR,
        QUAVERS,
        THREE,
        /** Two notes of different pitch. */
        UNEQUAL,
        /** Two to four notes, each higher than the last. */
        RISING,
        /** One note whose next one lies a fourth off. */
        LEAP,
        /** Four notes: long, short, short, long. */
        DRIVEN,
        /** One note after one of another pitch. */
        OTHER,
        /** One note whose next one is the same, a step off or a third. */
        NEAR
    }

    /**
     * A family that makes it.
     *
     * @param strokes the school of strokes in which it does; empty for any
     * @param only the beginnings of the names of those of the family that do; none for all
     * @param hands the picking hands that do, rows of {@code picking-hands.table}; none for all
     */
    public record Maker(Family family, String strokes, Trust trust, List<String> only, Set<String> hands) {
        public Maker {
            only = List.copyOf(only);
            hands = Set.copyOf(hands);
        }

        public boolean isMadeOn(String instrument) {
            return only.isEmpty() || only.stream().anyMatch(instrument::startsWith);
        }
    }

    /** Where it takes hold, what of that it claims, and what it may stand for. */
    public record Form(Place place, Set<Slot> claims, Set<StandsFor> standsFor) {
        public Form {
            claims = Set.copyOf(claims);
            standsFor = Set.copyOf(standsFor);
        }
    }

    /**
     * How it is used: weight and difficulty from 1 to 9, the smaller ornaments it may grow from, the lowest stage of a stair it belongs to.
     *
     * @param stage 1 for Leaf to 4 for Wild
     */
    public record Manner(List<String> growsFrom, int weight, int difficulty, int stage) {
        /** The stage of what is for the fullest version only. */
        public static final int FULLEST = 4;

        public Manner {
            growsFrom = List.copyOf(growsFrom);
        }
    }

    /**
     * What may refuse it beyond what may refuse any, and what speaks for and against it.
     *
     * @param points of reasons that weigh more or less for it than they usually do
     */
    public record Speech(List<Refusal> refusals, List<Reason> reasons, Map<Reason, Integer> points) {
        public Speech {
            refusals = List.copyOf(refusals);
            reasons = List.copyOf(reasons);
            points = Map.copyOf(points);
        }

        /** What a reason weighs for this ornament. */
        public int pointsOf(Reason reason) {
            return points.getOrDefault(reason, reason.points());
        }
    }

    /**
     * How it is shown.
     *
     * @param schools its own ways of being played, the first is usual
     * @param sign {@code small}, {@code mark NAME} or {@code own NAME}
     * @param written how ABC writes it: {@code notes}, {@code mark NAME}, {@code words WORDS} …
     * @param how one sentence for the student
     */
    public record Look(List<Own> schools, String sign, String written, String how) {
        public Look {
            schools = List.copyOf(schools);
        }
    }

    /** A school of the ornament's own; of all its makers, or of one family only. */
    public record Own(Optional<Family> family, String id) {}

    /**
     * A figure for spans of some length.
     *
     * @param families that make it so; empty for all
     * @param school the ornament's own school that makes it so; empty for all
     * @param length which spans it is for
     */
    public record Sized(Set<Family> families, String school, Lengths length, Figure figure) {
        public Sized {
            families = Set.copyOf(families);
        }

        boolean suits(Family family, String own) {
            return (families.isEmpty() || families.contains(family)) && (school.isEmpty() || school.equals(own));
        }
    }

    /**
     * Lengths of spans in whole notes: any, exactly one, from one on, or below one.
     *
     * @param notes how many written notes they have; 0 for any number
     */
    public record Lengths(String word, int notes) {
        static Lengths parse(String text) {
            String[] halves = text.split(":", 2);
            return new Lengths(halves[0], halves.length > 1 ? Integer.parseInt(halves[1]) : 0);
        }

        boolean has(Fraction length, int count) {
            return (notes == 0 || notes == count) && has(length);
        }

        private boolean has(Fraction length) {
            if (word.equals("any")) {
                return true;
            }
            if (word.startsWith(">=")) {
                return !length.isLessThan(bound(2));
            }
            return word.startsWith("<") ? length.isLessThan(bound(1)) : length.equals(bound(0));
        }

        private Fraction bound(int from) {
            return Fraction.parse(word.substring(from));
        }

        public boolean isAny() {
            return word.equals("any");
        }

        /** The length, or the least of the lengths; empty where there is none. */
        public Optional<Fraction> least() {
            boolean hasNone = isAny() || word.startsWith("<");
            return hasNone ? Optional.empty() : Optional.of(bound(word.startsWith(">=") ? 2 : 0));
        }

        public boolean isExact() {
            return !isAny() && !word.startsWith("<") && !word.startsWith(">");
        }
    }

    /** What one point of a row counts beside others. */
    private static final int POINT = 8;

    /** The plain note, asked for like an ornament where it may be wrong itself. */
    public static final String PLAIN = "plain";

    private static final Map<String, Family> FAMILIES = Map.of(
            "whistle", Family.WHISTLE,
            "flute", Family.FLUTE,
            "bamboo", Family.BAMBOO_FLUTE,
            "recorder", Family.RECORDER,
            "union", Family.UNION_PIPES,
            "nine", Family.NINE_NOTE_PIPES);

    private static final List<Ornament> ALL = readAll();
    private static final Map<Family, List<Ornament>> BY_FAMILY = byFamily();

    public Ornament {
        makers = List.copyOf(makers);
        figures = List.copyOf(figures);
        if (figures.isEmpty()) {
            throw new IllegalArgumentException("the ornament " + id + " has no figure");
        }
    }

    private static List<Ornament> readAll() {
        List<Ornament> all = new ArrayList<>();
        for (String hand : List.of("winds", "chanter", "fiddle", "plucked", "boxes")) {
            all.addAll(read(Table.load("ornaments/" + hand + ".table"), Table.load("ornaments/" + hand + ".figures")));
        }
        return List.copyOf(all);
    }

    private static Map<Family, List<Ornament>> byFamily() {
        Map<Family, List<Ornament>> map = new EnumMap<>(Family.class);
        for (Family family : Family.values()) {
            map.put(
                    family,
                    ALL.stream()
                            .filter(each -> each.isKnownTo(family) && !each.isOfLayers())
                            .toList());
        }
        return map;
    }

    /** The ornaments of a table, with the figures of another. Throws TableException for a fault in either. */
    public static List<Ornament> read(Table table, Table figures) {
        Map<String, List<Sized>> sized = new LinkedHashMap<>();
        for (Row row : figures.rows()) {
            sized.computeIfAbsent(row.text("ornament"), id -> new ArrayList<>()).add(sized(row));
        }
        List<Ornament> all = new ArrayList<>();
        for (Row row : table.rows()) {
            List<Sized> own = Optional.ofNullable(sized.remove(row.text("id")))
                    .orElseThrow(() -> row.fault("no figure of it is in " + figures.file()));
            all.add(ornament(row, own));
        }
        for (Row row : figures.rows()) {
            if (sized.containsKey(row.text("ornament"))) {
                throw row.fault("no ornament “" + row.text("ornament") + "” is in " + table.file());
            }
        }
        return all;
    }

    private static Sized sized(Row row) {
        Figure.Opening opening = row.read("opening", word -> Figure.Opening.valueOf(word.toUpperCase(Locale.ROOT)));
        return new Sized(
                row.words("for").stream().map(Ornament::family).collect(Collectors.toSet()),
                row.optional("school").orElse(""),
                row.read("span", Lengths::parse),
                row.read("figure", text -> Figure.parse(text, opening)));
    }

    private static Ornament ornament(Row row, List<Sized> figures) {
        List<Reason> reasons = new ArrayList<>();
        Map<Reason, Integer> points = new EnumMap<>(Reason.class);
        for (String column : List.of("for", "against")) {
            for (String word : row.words(column)) {
                String[] halves = word.split(":", 2);
                Reason reason = row.read(column, cell -> Reason.parse(halves[0]));
                reasons.add(reason);
                if (halves.length > 1) {
                    points.put(reason, row.read(column, cell -> POINT * Integer.parseInt(halves[1])));
                }
            }
        }
        int weight = row.integer("weight");
        int byWeight = weight <= 2 ? 1 : weight <= 4 ? 2 : weight <= 6 ? 3 : 4;
        return new Ornament(
                row.text("id"),
                row.text("name"),
                row.read("kind", Kind::parse),
                row.words("instruments").stream().map(word -> maker(row, word)).toList(),
                new Form(
                        row.read("place", word -> Place.valueOf(word.toUpperCase(Locale.ROOT))),
                        set(row, "claims", Slot.class),
                        set(row, "stands for", StandsFor.class)),
                new Manner(
                        row.words("grows from"),
                        weight,
                        row.integer("difficulty"),
                        row.readOptional("stage", Integer::valueOf).orElse(byWeight)),
                new Speech(
                        row.words("not").stream()
                                .map(word -> row.read("not", cell -> Refusal.parse(word)))
                                .toList(),
                        reasons,
                        points),
                new Look(
                        row.words("schools").stream().map(Ornament::own).toList(),
                        row.text("sign"),
                        row.text("written"),
                        row.text("do")),
                figures);
    }

    private static <E extends Enum<E>> Set<E> set(Row row, String column, Class<E> type) {
        Set<E> set = EnumSet.noneOf(type);
        row.words(column)
                .forEach(word -> set.add(row.read(column, cell -> Enum.valueOf(type, word.toUpperCase(Locale.ROOT)))));
        return set;
    }

    private static Maker maker(Row row, String word) {
        List<String> only = word.contains("/")
                ? List.of(word.substring(word.indexOf('/') + 1).split("/", -1))
                : List.of();
        Set<String> hands = word.contains("[")
                ? Set.of(
                        word.substring(word.indexOf('[') + 1, word.indexOf(']')).split(";", -1))
                : Set.of();
        String[] halves =
                word.replaceFirst("/.*", "").replaceFirst("\\[.*\\]", "").split("[:@]", -1);
        boolean isBound = word.contains("@");
        return row.read(
                "instruments",
                cell -> new Maker(
                        family(halves[0]),
                        isBound ? halves[1] : "",
                        Trust.valueOf(halves[halves.length - 1]),
                        only,
                        hands));
    }

    private static Own own(String word) {
        String[] halves = word.split(":", -1);
        return halves.length == 1
                ? new Own(Optional.empty(), word)
                : new Own(Optional.of(family(halves[0])), halves[1]);
    }

    private static Family family(String word) {
        Family family = FAMILIES.get(word);
        return family != null ? family : Family.parse(word.replace('_', ' '));
    }

    public static List<Ornament> all() {
        return ALL;
    }

    /** Those that a family of instruments makes, or is told why it does not: of fingered winds all, of the chanter its own. */
    public static List<Ornament> of(Family family) {
        return BY_FAMILY.getOrDefault(family, List.of());
    }

    /** Whether it is asked at all on a family's instruments. */
    private boolean isKnownTo(Family family) {
        boolean isOfWinds = makers.stream().anyMatch(maker -> maker.family().isWind());
        boolean isToldOnWinds = family.isWind() && isOfWinds;
        boolean isOfPicks = makers.stream().anyMatch(maker -> maker.family().isPlucked());
        return isMadeBy(family)
                || (family.isPlucked() && isOfPicks)
                || (isToldOnWinds && (isForFingeredWinds() || family == Family.NINE_NOTE_PIPES));
    }

    private boolean isForFingeredWinds() {
        return makers.stream().anyMatch(maker -> maker.family() != Family.NINE_NOTE_PIPES);
    }

    public boolean isMadeBy(Family family) {
        return makers.stream().anyMatch(maker -> maker.family() == family);
    }

    public static Optional<Ornament> find(String id) {
        return ALL.stream().filter(each -> each.id.equals(id)).findFirst();
    }

    /** As a family's hand makes it; where that has none of the name, as another does. */
    public static Optional<Ornament> find(String id, Family family) {
        return of(family).stream()
                .filter(each -> each.id.equals(id))
                .findFirst()
                .or(() -> find(id));
    }

    /** The same. Throws IllegalArgumentException, naming those there are, for an id that no table has. */
    public static Ornament of(String id, Family family) {
        return find(id, family).orElseGet(() -> of(id));
    }

    /** Throws IllegalArgumentException, naming those there are, for an id that no table has. */
    public static Ornament of(String id) {
        return find(id).orElseThrow(() -> new IllegalArgumentException("there is no ornament “" + id + "”; there are "
                + String.join(", ", ALL.stream().map(Ornament::id).toList())));
    }

    /** Its own schools on a family's instruments, the usual one first; none where it has no choice. */
    public List<String> schools(Family family) {
        return look.schools().stream()
                .filter(own -> own.family().isEmpty() || own.family().get() == family)
                .map(Own::id)
                .toList();
    }

    /** The figure for a span of a length in one of its own schools; empty where it has none. */
    public Optional<Figure> figureFor(Family family, String school, Fraction length, int count) {
        for (Sized sized : figures) {
            if (!sized.school.isEmpty() && sized.suits(family, school) && sized.length.has(length, count)) {
                return Optional.of(sized.figure);
            }
        }
        for (Sized sized : figures) {
            if (sized.suits(family, "") && sized.length.has(length, count)) {
                return Optional.of(sized.figure);
            }
        }
        return Optional.empty();
    }

    /** Whether only layers place it, over whole passages. */
    public boolean isOfLayers() {
        return form.standsFor().isEmpty();
    }

    public boolean isTouch() {
        return form.place() != Place.SPAN;
    }

    public boolean growsFrom(Ornament smaller) {
        return manner.growsFrom().contains(smaller.id);
    }

    /** Whether it grows from another on a family's instruments, by one step or by several. */
    public boolean isGrownFrom(Ornament smaller, Family family) {
        return isGrownFrom(smaller, family, new HashSet<>());
    }

    private boolean isGrownFrom(Ornament smaller, Family family, Set<String> met) {
        return met.add(id)
                && (growsFrom(smaller)
                        || of(family).stream()
                                .anyMatch(between -> growsFrom(between) && between.isGrownFrom(smaller, family, met)));
    }

    @Override
    public String toString() {
        return id;
    }
}
