package wildflourish.files.abc;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Key;
import wildflourish.core.music.Metre;
import wildflourish.core.music.Tempo;
import wildflourish.core.problem.Parsed;
import wildflourish.core.tune.Manuscript;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.TuneHeader;
import wildflourish.core.tune.TuneType;
import wildflourish.core.words.Words;

/**
 * Reads one tune. Fields that change the music are followed; of several voices one is read (the one the teacher chose, else the first); everything else stays in the
 * tune's text untouched.
 */
final class TuneReader {
    /** Beats a minute. */
    private static final Fraction SLOWEST = Fraction.of(5);

    private static final Fraction FASTEST = Fraction.of(600);

    private final Source source;
    private final HeaderReader header;
    private final Metre metre;
    private final Fraction unit;
    private final TuneType type;
    private final TuneBuilder builder;
    private StaffWords staff = StaffWords.NONE;
    private Optional<Tempo> tempo;

    private TuneReader(String text, int firstLine, Map<Character, String> defaults) {
        source = new Source(text, firstLine);
        header = HeaderReader.read(source, defaults);
        metre = header.value('M')
                .flatMap(words -> told(Fields.metre(words), 'M', words, header.offsetOf('M')))
                .orElse(Metre.FREE);
        unit = header.value('L')
                .flatMap(words -> told(Fields.unitLength(words), 'L', words, header.offsetOf('L')))
                .orElseGet(() -> Fields.usualUnitLength(metre));
        type = TuneType.of(header.value('R'), metre);
        tempo = header.value('Q').flatMap(words -> tempo(words, header.offsetOf('Q')));
        builder = new TuneBuilder(metre, unit);
    }

    /** {@code firstLine} is the number in the file of the tune's first line; defaults are fields of the book's heading by letter. */
    static Parsed<Tune> read(String text, int firstLine, Map<Character, String> defaults) {
        TuneReader reader = new TuneReader(text, firstLine, defaults);
        Tune tune = reader.readTune();
        return new Parsed<>(tune, reader.source.problems());
    }

    private Tune readTune() {
        Key key = header.value('K')
                .flatMap(words -> key(words, header.offsetOf('K')))
                .orElse(Key.none());
        staff = header.voices().staff().with(staff);
        builder.begin(key, staff, header.bodyStart());
        Optional<List<String>> order = header.value('P')
                .filter(words -> words.length() > 1)
                .flatMap(words -> told(PartOrder.parse(words), 'P', words, header.offsetOf('P')));
        header.value('P').filter(words -> words.length() == 1).ifPresent(builder::setPart);
        new BodyReader(this, source, header, builder).read();
        TuneHeader head = new TuneHeader(
                header.number(),
                header.titles(),
                new TuneHeader.Credits(header.value('C'), header.value('S')),
                type,
                new TuneHeader.Time(metre, unit),
                soundingKey(key),
                tempo,
                header.words(),
                played(order.orElse(List.of())),
                header.voices().voices());
        Tune tune = new Tune(
                head,
                builder.bars(),
                builder.tuplets(),
                new Manuscript(source.text(), header.bodyStart(), builder.stretches(), builder.above()));
        if (tune.bars().stream().allMatch(bar -> bar.notes().isEmpty())) {
            source.warn("no-notes", 0, "this tune has no notes", "Write its music below the K: line.");
        }
        return tune;
    }

    /** The key of what sounds at the beginning, where one is written. */
    private Key soundingKey(Key written) {
        return header.voices()
                .staff()
                .with(StaffWords.of(header.value('K').orElse("")))
                .sounding(written);
    }

    // Fields

    <T> Optional<T> told(Optional<T> read, char name, String words, int offset) {
        if (read.isEmpty()) {
            source.warn("strange-field", offset, "the field " + name + ": cannot be “" + words + "”", hintFor(name));
        }
        return read;
    }

    private static String hintFor(char name) {
        return switch (name) {
            case 'K' -> "Write a key like K:D, K:Edor or K:HP.";
            case 'M' -> "Write a metre like M:6/8 or M:C.";
            case 'L' -> "Write a length like L:1/8.";
            case 'P' -> "Write an order like P:AABB or P:A2B3.";
            default -> "Mend or remove it.";
        };
    }

    /** The key that is written, with the staff it is written on; empty where only the staff is spoken of, or no key is named. */
    Optional<Key> key(String words, int offset) {
        StaffWords said = StaffWords.of(words);
        staff = staff.with(said);
        if (said.isStated() && said.others().isEmpty()) {
            return Optional.empty();
        }
        Fields.strangeMode(said.others())
                .ifPresent(mode -> source.warn(
                        "strange-mode",
                        offset,
                        "“" + mode + "” is no mode, so this key is read as major",
                        "Write one such as K:Dmix, K:Edor, K:Am, or nothing for major."));
        return told(Fields.keyWords(said.others()), 'K', words, offset);
    }

    StaffWords staff() {
        return staff;
    }

    /** More is said of the staff of the voice that is read. */
    void onStaff(StaffWords newer, int offset) {
        staff = staff.with(newer);
        builder.onStaff(staff, offset);
    }

    /** A tempo that can be played; a stated one that cannot is told. */
    private Optional<Tempo> tempo(String words, int offset) {
        Optional<Tempo> read = Fields.tempo(words, unit);
        boolean isPlayable = read.map(each -> each.in(type.beatLength()).beatsPerMinute())
                .filter(beats -> !beats.isLessThan(SLOWEST) && !beats.isMoreThan(FASTEST))
                .isPresent();
        boolean isOnlyWords = words.matches("\"[^\"]*\"?|[\\p{L} .]*");
        if (!isPlayable && !isOnlyWords) {
            source.warn(
                    "strange-tempo",
                    offset,
                    "the tempo “" + words + "” cannot be played (" + SLOWEST + " to " + FASTEST + " "
                            + Words.beatName(type.beatLength()) + " a minute can), so it is left out",
                    "Write one like Q:1/4=120.");
        }
        return isPlayable ? read : Optional.empty();
    }

    /** A tempo within the music: the tune's own where it stands before the first note. */
    void changeTempo(String words, int offset) {
        Optional<Tempo> read = tempo(words, offset);
        if (!builder.hasNotes() && tempo.isEmpty()) {
            tempo = read;
        } else if (read.isPresent() && !read.equals(tempo)) {
            source.noteOnce(
                    "tempo-kept",
                    offset,
                    "the tune changes its tempo here, which is kept but not played",
                    "Nothing to do; the tempo of a stage is set in the window.");
        }
    }

    /** The order of parts as far as the music names them. */
    private List<String> played(List<String> order) {
        Set<String> named = new HashSet<>(builder.partNames());
        if (builder.beginsUnnamed() && !order.isEmpty()) {
            named.add(order.get(0));
        }
        List<String> missing =
                order.stream().filter(part -> !named.contains(part)).distinct().toList();
        if (!missing.isEmpty() && !named.isEmpty()) {
            source.noteOnce(
                    "part-missing",
                    header.offsetOf('P'),
                    "the order of parts asks for " + String.join(", ", missing) + ", which the music does not name",
                    "Write P:" + missing.get(0) + " above that part, or take it out of the order.");
        }
        return builder.partNames().isEmpty() || missing.size() == order.size() ? List.of() : order;
    }
}
