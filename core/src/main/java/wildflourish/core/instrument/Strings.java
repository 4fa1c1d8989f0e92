package wildflourish.core.instrument;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;
import wildflourish.core.table.Trust;

/**
 * The strings of an instrument and the hand upon them; a row of {@code strings.table}.
 *
 * @param family what kind of instrument it is
 * @param open the open strings as written, lowest first; a short string comes last
 * @param hand what stops them, in order of the table
 * @param positions semitones that the hand may be moved up, 0 first
 * @param shortFret the fret at which a short last string begins; empty where there is none
 * @param scaleMillimetres from nut to bridge, where frets are counted; 0 where there are none
 * @param capo the fret at which a capo stops all strings; 0 for none
 * @param schools ways of playing it, the first is the default
 * @param strokes ways of striking that go with each of them; the usual one where the schools say it
 */
public record Strings(
        String id,
        String name,
        Family family,
        List<FingeredPitch> open,
        List<Stop> hand,
        Stroke stroke,
        List<Integer> positions,
        Optional<Integer> shortFret,
        int fingeredToSounding,
        int scaleMillimetres,
        int capo,
        List<School> schools,
        List<School> strokes,
        Trust trust) {
    /** How a string is made to sound. */
    public enum Stroke {
        BOW,
        PICK,
        BANJO
    }

    /**
     * A finger on a string.
     *
     * @param semitones above where the hand begins
     * @param finger 1 for the index
     * @param name what players call it: {@code L2} is the low second finger
     * @param extra what the stretch costs
     */
    public record Stop(int semitones, int finger, String name, double extra) {
        public static final Stop OPEN = new Stop(0, 0, "0", 0);
    }

    /**
     * A place on a string.
     *
     * @param string its index, from 0
     * @param semitones above the open string, or above the capo
     * @param position how far up the hand is; for an open string wherever it was
     */
    public record Place(int string, int semitones, Stop stop, int position) {
        public boolean isOpen() {
            return semitones == 0;
        }
    }

    private static final List<Strings> ALL =
            Table.load("strings.table").rows().stream().map(Strings::from).toList();

    public Strings {
        open = List.copyOf(open);
        hand = List.copyOf(hand);
        positions = List.copyOf(positions);
        schools = List.copyOf(schools);
        strokes = List.copyOf(strokes);
    }

    private static Strings from(Row row) {
        List<Stop> hand = Table.load("fingers.table").rows().stream()
                .filter(each -> each.text("hand").equals(row.text("hand")))
                .map(each -> new Stop(
                        each.integer("semitones"),
                        each.integer("finger"),
                        each.text("name"),
                        each.read("extra", Double::valueOf)))
                .toList();
        return new Strings(
                row.text("id"),
                row.text("name"),
                row.read("family", Family::parse),
                row.words("strings").stream().map(FingeredPitch::parse).toList(),
                hand,
                row.read("stroke", word -> Stroke.valueOf(word.toUpperCase(Locale.ROOT))),
                row.words("positions").stream().map(Integer::valueOf).toList(),
                row.readOptional("short", Integer::valueOf),
                row.integer("fingered to sounding"),
                row.readOptional("scale", Integer::valueOf).orElse(0),
                0,
                row.words("schools").stream().map(School::of).toList(),
                row.optional("strokes").isEmpty()
                        ? List.of(School.USUAL)
                        : row.words("strokes").stream().map(School::of).toList(),
                row.read("trust", Trust::valueOf));
    }

    public static List<Strings> all() {
        return ALL;
    }

    /** Throws IllegalArgumentException, naming those there are, for strings that are in no table. */
    public static Strings of(String id) {
        return ALL.stream()
                .filter(each -> each.id.equals(id))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("there are no strings “" + id + "”; there are "
                        + String.join(", ", ALL.stream().map(Strings::id).toList())));
    }

    /** With a capo at a fret; a short string is raised as much at its own spike. Throws IllegalArgumentException for a bow. */
    public Strings withCapo(int fret) {
        if (stroke == Stroke.BOW && fret > 0) {
            throw new IllegalArgumentException("no capo is put on a " + name);
        }
        List<FingeredPitch> raised = open.stream()
                .map(pitch -> new FingeredPitch(pitch.midi() + fret - capo))
                .toList();
        return new Strings(
                id,
                name,
                family,
                raised,
                hand,
                stroke,
                positions,
                shortFret,
                fingeredToSounding,
                scaleMillimetres,
                fret,
                schools,
                strokes,
                trust);
    }

    /** MIDI number of what an open string sounds. */
    public int soundingMidi(int string) {
        return open.get(string).midi() + fingeredToSounding;
    }

    /** Where the short string is stopped by its spike when there is a capo. */
    public Optional<Integer> spike() {
        return shortFret.map(fret -> fret + capo);
    }

    /** Everywhere a pitch can be stopped, open strings first; a short string is only played open. */
    public List<Place> placesOf(FingeredPitch pitch) {
        List<Place> places = new ArrayList<>();
        for (int string = 0; string < open.size(); string++) {
            int semitones = pitch.midi() - open.get(string).midi();
            boolean isShort = shortFret.isPresent() && string == open.size() - 1;
            for (int position : positions) {
                if (semitones == 0) {
                    places.add(new Place(string, 0, Stop.OPEN, position));
                }
                for (Stop stop : hand) {
                    if (!isShort && semitones > 0 && position + stop.semitones() == semitones) {
                        places.add(new Place(string, semitones, stop, position));
                    }
                }
            }
        }
        places.sort(Comparator.comparing(place -> !place.isOpen()));
        return List.copyOf(places);
    }

    /** Everything that the hand finds on a string while it is in a position, the open string first; a short string is only played open. */
    public List<Place> placesOn(int string, int position) {
        List<Place> places = new ArrayList<>(List.of(new Place(string, 0, Stop.OPEN, position)));
        boolean isShort = shortFret.isPresent() && string == open.size() - 1;
        if (!isShort) {
            hand.forEach(stop -> places.add(new Place(string, position + stop.semitones(), stop, position)));
        }
        return List.copyOf(places);
    }

    /** How far apart two stopped places lie along the neck, in millimetres. */
    public double millimetresBetween(Place one, Place other) {
        double from = Math.pow(2, -(one.semitones() + capo) / 12.0);
        double to = Math.pow(2, -(other.semitones() + capo) / 12.0);
        return Math.abs(scaleMillimetres * (from - to));
    }

    /** Whether it is the short string of a five-string banjo, which is only played open. */
    public boolean isShort(int string) {
        return shortFret.isPresent() && string == open.size() - 1;
    }

    /** The strings as the player sees them written: the highest on top, a short one at the bottom. */
    public List<Integer> fromTop() {
        List<Integer> order = new ArrayList<>();
        int longStrings = shortFret.isPresent() ? open.size() - 1 : open.size();
        for (int string = longStrings - 1; string >= 0; string--) {
            order.add(string);
        }
        if (longStrings < open.size()) {
            order.add(longStrings);
        }
        return List.copyOf(order);
    }

    /** The letter of an open string, {@code D}; on a banjo its number from 1, the highest long one, the short one last. */
    public String stringName(int string) {
        if (stroke == Stroke.BANJO) {
            return String.valueOf(string == open.size() - 1 ? open.size() : open.size() - 1 - string);
        }
        String name = new FingeredPitch(open.get(string).midi() - capo).toString();
        int letters = 0;
        while (letters < name.length() && !Character.isDigit(name.charAt(letters)) && name.charAt(letters) != '-') {
            letters++;
        }
        return name.substring(0, letters);
    }
}
