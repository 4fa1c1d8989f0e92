package wildflourish.core.instrument;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.SoundingPitch;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;
import wildflourish.core.table.Trust;

/** An instrument: its chart of fingerings and what its fingers can do to each note, or its strings, or its buttons; its reading and its schools. Built from tables. */
public final class Instrument {
    private static final List<Instrument> WINDS =
            Table.load("instruments.table").rows().stream().map(Instrument::new).toList();

    /** Read when one that is not a wind instrument is first asked for. */
    private static final class Every {
        private static final List<Instrument> ONE = Stream.of(
                        WINDS.stream(),
                        Strings.all().stream().map(Instrument::of),
                        Table.load("boxes.table").rows().stream().map(Instrument::box))
                .flatMap(each -> each)
                .toList();
    }

    /** A hole covered below the first open one flattens the note; two or more make about a semitone (from memory, low trust). */
    private static final int[] CENTS_BY_COVERED = {0, -50, -100, -120, -140, -160};

    private static final String CAPO = "-capo-";
    private static final Pattern WITH_CAPO = Pattern.compile("(.+)" + CAPO + "([1-9][0-9]?)");
    private static final int HIGHEST_CAPO = 7;
    /** Those with a capo that were asked for, by name: an instrument is there once. */
    private static final Map<String, Instrument> CAPOED = new ConcurrentHashMap<>();
    /** Those with buttons of their own that were asked for, by name. */
    private static final Map<String, Instrument> DIFFERENT = new ConcurrentHashMap<>();

    private final String id;
    private final String name;
    private final Family family;
    private final Reading reading;
    private final Tuning tuning;
    private final String chartName;
    private final Trust trust;
    private final List<School> schools;
    private final List<School> strokes;
    private final List<FingeredPitch> drones;
    private final Optional<Strings> strings;
    private final Optional<ButtonLayout> buttons;

    private Instrument(Row row) {
        this.id = row.text("id");
        this.name = row.text("name");
        this.family = row.read("family", Family::parse);
        this.reading = Reading.from(row);
        this.tuning = row.read("tuning", Tuning::of);
        this.schools = row.optional("schools").isEmpty()
                ? List.of(School.USUAL)
                : row.words("schools").stream().map(School::of).toList();
        this.strokes = row.optional("strokes").isEmpty()
                ? List.of(School.USUAL)
                : row.words("strokes").stream().map(School::of).toList();
        this.drones = row.words("drones").stream().map(FingeredPitch::parse).toList();
        this.chartName = row.text("chart");
        this.trust = row.read("trust", Trust::valueOf);
        this.strings = Optional.empty();
        this.buttons = Optional.empty();
    }

    private Instrument(Identity identity, Optional<Strings> strings, Optional<ButtonLayout> buttons) {
        this.id = identity.id;
        this.name = identity.name;
        this.family = identity.family;
        this.trust = identity.trust;
        this.reading = identity.reading;
        this.tuning = Tuning.EQUAL;
        this.schools = List.copyOf(identity.schools);
        this.strokes = strings.map(Strings::strokes).orElse(List.of(School.USUAL));
        this.drones = List.of();
        this.chartName = "";
        this.strings = strings;
        this.buttons = buttons;
    }

    /** What an instrument without a chart of holes is. */
    private record Identity(
            String id, String name, Family family, Reading reading, List<School> schools, Trust trust) {}

    /** An instrument with strings, tuned and with a capo as they are. */
    public static Instrument of(Strings strings) {
        String capo = strings.capo() == 0 ? "" : CAPO + strings.capo();
        String named = strings.capo() == 0 ? "" : ", capo " + strings.capo();
        Identity identity = new Identity(
                strings.id() + capo,
                strings.name() + named,
                strings.family(),
                new Reading(0, strings.fingeredToSounding(), 0),
                strings.schools(),
                strings.trust());
        return new Instrument(identity, Optional.of(strings), Optional.empty());
    }

    private static Instrument box(Row row) {
        Identity identity = new Identity(
                row.text("id"),
                row.text("name"),
                row.read("family", Family::parse),
                new Reading(0, 0, 0),
                row.words("schools").stream().map(School::of).toList(),
                row.read("trust", Trust::valueOf));
        ButtonLayout layout =
                ButtonLayout.of(row.text("layout"), row.text("buttons").equals("all"));
        return new Instrument(identity, Optional.empty(), Optional.of(layout));
    }

    /** Read when it is first needed: whoever opens one tune for the whistle waits for no pipes. */
    private HoleChart holeChart() {
        return chartName.isEmpty() ? HoleChart.NONE : HoleChart.of(chartName);
    }

    public static List<Instrument> all() {
        return Every.ONE;
    }

    /** The one to begin with where none is chosen. */
    public static Instrument first() {
        return WINDS.get(0);
    }

    /** Those fingered on holes. */
    public static List<Instrument> winds() {
        return WINDS;
    }

    /** Its strings; empty for other instruments. */
    public Optional<Strings> strings() {
        return strings;
    }

    /** Its buttons; empty for other instruments. */
    public Optional<ButtonLayout> buttons() {
        return buttons;
    }

    /** Whether a capo is put on it: on plucked strings. */
    public boolean takesCapo() {
        return strings.filter(each -> each.stroke() != Strings.Stroke.BOW).isPresent();
    }

    /** The fret of its capo; 0 for none. */
    public int capo() {
        return strings.map(Strings::capo).orElse(0);
    }

    /** The same with a capo at a fret, 0 for none: {@code mandolin-capo-2}. Throws IllegalArgumentException where none can be put. */
    public Instrument withCapo(int fret) {
        return fret == capo() ? this : of(fret == 0 ? bareId() : bareId() + CAPO + fret);
    }

    /** Without capo, with the buttons that are usual. */
    public Instrument usual() {
        return buttons.isPresent() ? withButtons("") : withCapo(0);
    }

    private String bareId() {
        int at = id.indexOf(CAPO);
        return at < 0 ? id : id.substring(0, at);
    }

    /** Whether it has a written note at all. */
    public boolean has(WrittenPitch written) {
        return has(reading.fingered(written));
    }

    /** Whether it has a note by the name it is fingered by. */
    public boolean has(FingeredPitch pitch) {
        return rowOf(pitch).isPresent()
                || strings.filter(each -> !each.placesOf(pitch).isEmpty()).isPresent()
                || buttons.filter(each -> !each.keysOf(pitch).isEmpty()).isPresent();
    }

    /**
     * The instrument of a name, plucked strings with a capo too: {@code banjo-open-g-capo-2}. Throws IllegalArgumentException, naming those there are, for one
     * that is in no table.
     */
    public static Instrument of(String id) {
        return named(WINDS, id)
                .or(() -> named(all(), id))
                .or(() -> capoed(id))
                .or(() -> withOwnButtons(id))
                .orElseThrow(() -> new IllegalArgumentException("there is no instrument “" + id + "”; there are "
                        + String.join(", ", all().stream().map(Instrument::id).toList())));
    }

    private static Optional<Instrument> named(List<Instrument> among, String id) {
        return among.stream().filter(instrument -> instrument.id.equals(id)).findFirst();
    }

    private static Optional<Instrument> capoed(String id) {
        Matcher match = WITH_CAPO.matcher(id);
        if (!match.matches()) {
            return Optional.empty();
        }
        int fret = Integer.parseInt(match.group(2));
        if (fret > HIGHEST_CAPO) {
            throw new IllegalArgumentException("a capo is put at fret 1 to " + HIGHEST_CAPO + ", not " + fret);
        }
        Instrument bare = of(match.group(1));
        Strings open =
                bare.strings().orElseThrow(() -> new IllegalArgumentException("no capo is put on a " + bare.name()));
        return Optional.of(CAPOED.computeIfAbsent(id, name -> of(open.withCapo(fret))));
    }

    /**
     * A box or a concertina some of whose buttons a maker has made otherwise: {@code box-bc:o1.G♯3.A3}, the name of the button, what it sounds pressed and
     * drawn; several parted by colons.
     */
    private static Optional<Instrument> withOwnButtons(String id) {
        int at = id.indexOf(':');
        if (at < 0) {
            return Optional.empty();
        }
        Instrument usual = of(id.substring(0, at));
        return Optional.of(DIFFERENT.computeIfAbsent(id, name -> usual.with(name, id.substring(at + 1))));
    }

    private Instrument with(String name, String changes) {
        ButtonLayout layout =
                buttons.orElseThrow(() -> new IllegalArgumentException("a " + this.name + " has no buttons"));
        List<String> words = new ArrayList<>();
        for (String change : changes.split(":", -1)) {
            Button button = layout.changed(change);
            layout = layout.with(button);
            words.add(button.name() + " " + button.press() + "/" + button.draw());
        }
        Identity identity =
                new Identity(name, this.name + ", " + String.join(", ", words), family, reading, schools, trust);
        return new Instrument(identity, Optional.empty(), Optional.of(layout));
    }

    /** The same with the buttons that are told, such as {@code o1.G♯3.A3:i11.E6.B5}; with none told the usual one. */
    public Instrument withButtons(String changes) {
        String usual = id.contains(":") ? id.substring(0, id.indexOf(':')) : id;
        return of(changes.isBlank() ? usual : usual + ":" + changes.trim().replaceAll("\\s+", ":"));
    }

    /** The buttons that are not the usual ones, as they are told; empty where all are. */
    public String ownButtons() {
        return id.contains(":") ? id.substring(id.indexOf(':') + 1).replace(':', ' ') : "";
    }

    public String id() {
        return id;
    }

    public String name() {
        return name;
    }

    public Family family() {
        return family;
    }

    /** How far the data of the instrument as a whole can be relied on; notes have marks of their own. */
    public Trust trust() {
        return trust;
    }

    /** The name of its table of fingerings, which instruments in other keys share. */
    public String chartName() {
        return chartName;
    }

    public Tuning tuning() {
        return tuning;
    }

    public Reading reading() {
        return reading;
    }

    /** Ways of the hand that good players differ in; the first is usual. */
    public List<School> schools() {
        return schools;
    }

    /** What its drones sound, the lowest first; none for most. An octave of a note of the chart is tuned as that note. */
    public List<SoundingPitch> drones() {
        return drones.stream()
                .map(pitch -> reading.sounding(pitch).plusCents(tuning.centsOf(new FingeredPitch(pitch.midi() + 12))))
                .toList();
    }

    /** Ways of striking notes that good players differ in; the first is usual. */
    public List<School> strokes() {
        return strokes;
    }

    /** The chart from its lowest note up. */
    public List<ChartRow> chart() {
        return holeChart().rows();
    }

    /** How a written pitch is fingered; empty when the instrument does not have it. */
    public Optional<ChartRow> rowOf(WrittenPitch written) {
        return rowOf(reading.fingered(written));
    }

    /** The row of a note of the chart; empty when there is none. */
    public Optional<ChartRow> rowOf(FingeredPitch pitch) {
        return holeChart().rowOf(pitch);
    }

    /** What is heard when a written note is played. */
    public SoundingPitch sounding(WrittenPitch written) {
        return sounding(reading.fingered(written));
    }

    /** What is heard when a note of the chart is played, by the instrument's own tuning. */
    public SoundingPitch sounding(FingeredPitch fingered) {
        return reading.sounding(fingered).plusCents(tuning.centsOf(fingered));
    }

    /** What fingers can do to a note of the chart; empty when nothing is recorded. */
    public Optional<Gracing> gracingOf(FingeredPitch pitch) {
        return holeChart().gracingOf(pitch);
    }

    /** The note of the chart that a fingering sounds in a register; empty for one that is not in the chart. */
    public Optional<FingeredPitch> charted(Fingering fingering, Breath breath) {
        return holeChart().soundOf(fingering, breath);
    }

    /**
     * What a fingering sounds in a register; empty where it is silent: all shut on the knee. One that is in the chart sounds its note; any other sounds
     * the note of its first open hole, flattened by the holes covered below it (low trust: it is a passing chirp, never held).
     */
    public Optional<SoundingPitch> soundOf(Fingering fingering, Breath breath) {
        Optional<FingeredPitch> charted = charted(fingering, breath).or(() -> charted(fingering.onKnee(), breath));
        if (charted.isPresent()) {
            return charted.map(this::sounding);
        }
        if (family == Family.UNION_PIPES && fingering.isAll(Hole.CLOSED)) {
            return Optional.empty();
        }
        int open = fingering.firstOpen();
        Fingering plain = fingering.onKnee();
        int covered = 0;
        for (int hole = open + 1; open > 0 && hole <= fingering.holes().size(); hole++) {
            covered += fingering.at(hole) == Hole.CLOSED ? 1 : 0;
            plain = plain.with(hole, Hole.OPEN);
        }
        int cents = CENTS_BY_COVERED[Math.min(covered, CENTS_BY_COVERED.length - 1)];
        return charted(plain, breath)
                .map(base -> sounding(base).plusCents(cents))
                .or(() -> nearest(fingering, breath).map(row -> sounding(row.pitch())));
    }

    /** The row of a register whose usual fingering differs in the fewest holes. */
    private Optional<ChartRow> nearest(Fingering fingering, Breath breath) {
        return chart().stream()
                .filter(row -> row.breath() == breath)
                .min(Comparator.comparingInt(row -> row.usual().fingersTo(fingering)));
    }

    /**
     * How a finger lifted for a cut is written by custom: the note that sounds where the chart has it, else the note whose first open hole it is, of
     * several the one with the most holes open.
     */
    public FingeredPitch writtenForLift(Fingering lifted, int hole, Breath breath) {
        Fingering above = Fingering.parse("X".repeat(hole - 1) + "O".repeat(holes() - hole + 1));
        return charted(lifted, breath)
                .filter(pitch -> lifted.hasThumb())
                .or(() -> charted(above, breath))
                .or(() -> lowestOpenAt(hole, breath))
                .or(() -> nearest(lifted, breath).map(ChartRow::pitch))
                .orElseThrow(() -> new IllegalArgumentException(name + " has no note " + lifted + " " + breath));
    }

    private Optional<FingeredPitch> lowestOpenAt(int hole, Breath breath) {
        return chart().stream()
                .filter(row -> row.breath() == breath
                        && row.usual().with(1, Hole.CLOSED).firstOpen() == hole)
                .max(Comparator.comparingLong(row ->
                        row.usual().holes().stream().filter(Hole.OPEN::equals).count()))
                .map(ChartRow::pitch);
    }

    /** How many holes it has; none on strings and buttons. */
    public int holes() {
        return holeChart().holes();
    }

    @Override
    public String toString() {
        return id;
    }
}
