package wildflourish.files.midi;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Key;
import wildflourish.core.music.Step;
import wildflourish.core.music.WrittenPitch;
import wildflourish.files.abc.AbcNotes;
import wildflourish.files.abc.Fields;
import wildflourish.files.abc.Imported;

/** A melody as it was played, put on a grid of half quavers and written in bars. */
final class MidiTune {
    /** Grid steps in a quaver. */
    private static final int STEPS = 2;

    private static final int BARS_A_LINE = 4;
    private static final String[] MAJORS = {
        "Cb", "Gb", "Db", "Ab", "Eb", "Bb", "F", "C", "G", "D", "A", "E", "B", "F#", "C#"
    };

    /** The shortest quaver of a polka, in milliseconds. */
    private static final double POLKA_MILLIS = 175;

    /** Shares of a crotchet at which the second quaver of a swung pair begins. */
    private static final double LEAST_SWING = 0.56;

    private static final double MOST_SWING = 0.76;

    /** Metres that are tried, in quavers a bar. */
    private static final Map<String, Integer> METRES =
            Map.of("4/4", 8, "6/8", 6, "9/8", 9, "12/8", 12, "3/4", 6, "2/4", 4);

    /** A note on the grid: where it begins and how long it is, in half quavers. */
    private record Placed(int start, int length, int midi) {}

    private final List<MidiReader.Played> played;
    private final MidiReader.Stated stated;
    private final MidiReader.Corrections corrections;
    private final List<String> told = new ArrayList<>();
    private boolean isSwung;
    /** Whether quavers are too fast for a polka's. */
    private boolean isFast;

    MidiTune(List<MidiReader.Played> played, MidiReader.Stated stated, MidiReader.Corrections corrections) {
        this.played = played;
        this.stated = stated;
        this.corrections = corrections;
    }

    Imported written() {
        double quaver = quaver();
        List<Placed> notes = placed(quaver);
        isFast = 60_000 / stated.crotchets() * quaver < POLKA_MILLIS;
        Optional<String> ofFile = corrections.metre().or(stated::metre);
        String metre = ofFile.orElseGet(() -> metre(notes));
        int bar = METRES.getOrDefault(metre, barOf(metre)) * STEPS;
        int pickup = pickup(notes, bar);
        Optional<String> ofKey = corrections.key().or(() -> stated.fifths().map(fifths -> MAJORS[fifths + 7]));
        String key = ofKey.orElseGet(() -> key(notes));
        String type = corrections.type().orElseGet(() -> type(metre));
        if (ofFile.isEmpty()) {
            told.add("the metre was guessed: " + metre);
        }
        if (ofKey.isEmpty()) {
            told.add("the key was guessed: " + key);
        }
        if (corrections.type().isEmpty()) {
            told.add("the kind of tune was guessed: " + type);
        }
        if (isSwung) {
            told.add("swung quavers were written as equal ones");
        }
        String title = stated.title().orElse("Untitled");
        long tempo = Math.round(stated.crotchets() / quaver / 2);
        String abc = "X:1\nT:" + title + "\nR:" + type + "\nM:" + metre + "\nL:1/8\nQ:1/4=" + tempo + "\nK:" + key
                + "\n" + music(notes, bar, beam(metre), pickup, Fields.key(key).orElse(Key.none()));
        return new Imported(abc, told);
    }

    private static int barOf(String metre) {
        String[] numbers = metre.split("/", -1);
        try {
            return Math.max(1, Integer.parseInt(numbers[0].strip()) * 8 / Integer.parseInt(numbers[1].strip()));
        } catch (NumberFormatException | ArrayIndexOutOfBoundsException | ArithmeticException e) {
            return 8;
        }
    }

    // The grid

    /** A quaver in crotchets of the file: as the file counts where its notes lie so; else the longest that most of them lie on. */
    private double quaver() {
        if (error(0.5) < 0.16 || swing(0.5).isPresent()) {
            return 0.5;
        }
        double best = 0.5;
        double least = Double.MAX_VALUE;
        for (double candidate = 0.12; candidate < 2; candidate *= 1.004) {
            double error = error(candidate) - 0.03 * Math.log(candidate);
            if (error < least) {
                least = error;
                best = candidate;
            }
        }
        return best;
    }

    /** How far notes lie from a grid on average, as a share of its step. */
    private double error(double step) {
        double first = played.get(0).start();
        double sum = 0;
        for (MidiReader.Played note : played) {
            double place = (note.start() - first) / step;
            sum += Math.abs(place - Math.rint(place));
        }
        return sum / played.size();
    }

    /** Where in a crotchet the second quaver lies where quavers are swung, as a share of it. */
    private Optional<Double> swing(double quaver) {
        double first = played.get(0).start();
        double sum = 0;
        int between = 0;
        for (MidiReader.Played note : played) {
            double place = (note.start() - first) / (2 * quaver);
            double part = place - Math.floor(place);
            if (part > 0.3 && part < 0.8) {
                sum += part;
                between++;
            }
        }
        double mean = between == 0 ? 0 : sum / between;
        return between * 5 > played.size() && mean > LEAST_SWING && mean < MOST_SWING
                ? Optional.of(mean)
                : Optional.empty();
    }

    private List<Placed> placed(double quaver) {
        double first = played.get(0).start();
        Optional<Double> swing = swing(quaver);
        isSwung = swing.isPresent();
        List<Integer> starts = new ArrayList<>();
        boolean isCoarse = isSwung || error(quaver) < 0.16;
        for (MidiReader.Played note : played) {
            double place = (note.start() - first) / quaver;
            if (swing.isPresent()) {
                place = straightened(place, swing.get());
            }
            int step = isCoarse ? (int) Math.rint(place) * STEPS : (int) Math.rint(place * STEPS);
            int least = starts.isEmpty() ? 0 : starts.get(starts.size() - 1) + 1;
            starts.add(Math.max(least, isFine(place) ? (int) Math.rint(place * STEPS) : step));
        }
        List<Placed> notes = new ArrayList<>();
        double held = held();
        for (int i = 0; i < starts.size(); i++) {
            double length = (played.get(i).end() - played.get(i).start()) / quaver / held;
            int alone = Math.max(1, (int) Math.rint(length) * STEPS);
            boolean isLast = i + 1 == starts.size();
            int room = isLast ? alone : starts.get(i + 1) - starts.get(i);
            // A gap of a crotchet or more is a rest; a smaller one is how the note was played.
            boolean isRest = room - alone >= 2 * STEPS;
            notes.add(new Placed(
                    starts.get(i), isRest ? alone : room, played.get(i).midi()));
        }
        return notes;
    }

    /** How much of the time to the next note a note sounds: the median, from a third up to all of it. */
    private double held() {
        List<Double> shares = new ArrayList<>();
        for (int i = 0; i + 1 < played.size(); i++) {
            double room = played.get(i + 1).start() - played.get(i).start();
            shares.add((played.get(i).end() - played.get(i).start()) / room);
        }
        shares.sort(null);
        double median = shares.isEmpty() ? 1 : shares.get(shares.size() / 2);
        return Math.max(1.0 / 3, Math.min(1, median));
    }

    /** A place right between two steps is a half quaver. */
    private static boolean isFine(double place) {
        double part = place - Math.floor(place);
        return part > 0.4 && part < 0.6;
    }

    private static double straightened(double place, double swing) {
        double crotchet = Math.floor(place / 2);
        double part = place / 2 - crotchet;
        double straight = part < swing ? part / swing / 2 : 0.5 + (part - swing) / (1 - swing) / 2;
        return 2 * (crotchet + straight);
    }

    // What is guessed

    /** The metre in whose bars long notes begin on beats, and of which the whole makes phrases of four bars. */
    private String metre(List<Placed> notes) {
        String best = "4/4";
        double most = -Double.MAX_VALUE;
        for (String metre : List.of("4/4", "6/8", "9/8", "12/8", "3/4", "2/4")) {
            // Two crotchets and four look alike: slow even quavers are a polka's.
            boolean isPossible = !metre.equals("2/4") || !(isSwung || isFast);
            double polka = metre.equals("2/4") ? 0.1 : 0;
            double score = isPossible ? score(notes, metre) + polka : -Double.MAX_VALUE;
            if (score > most + 1e-9) {
                most = score;
                best = metre;
            }
        }
        return best;
    }

    private static double score(List<Placed> notes, String metre) {
        int bar = METRES.getOrDefault(metre, 8) * STEPS;
        int beat = metre.endsWith("/8") ? 3 * STEPS : 2 * STEPS;
        int total = length(notes);
        int pickup = pickup(notes, bar);
        double on = 0;
        double across = 0;
        Map<Integer, Integer> at = new HashMap<>();
        notes.forEach(note -> at.put(note.start(), note.midi()));
        for (Placed note : notes) {
            int place = Math.floorMod(note.start() - pickup, bar);
            int inBeat = place % beat;
            on += note.length() > STEPS ? (inBeat == 0 ? 1 : -1) : inBeat == 0 ? 0.3 : 0;
            across += place + note.length() > bar ? 1 : 0;
        }
        double onBeat = 0;
        int beats = 0;
        for (int place = pickup; place < total; place += beat) {
            beats++;
            onBeat += at.containsKey(place) ? 1 : 0;
        }
        boolean isWhole = Math.floorMod(total - pickup, 8 * bar) == 0 || Math.floorMod(total, 8 * bar) == 0;
        double similar = 0;
        for (int bars : new int[] {2, 4, 8}) {
            similar = Math.max(similar, likeness(notes, at, bars * bar));
        }
        double usual = metre.equals("4/4") ? 0.04 : metre.equals("6/8") ? 0.03 : 0;
        return on / notes.size()
                - 2 * across / notes.size()
                + 1.5 * onBeat / Math.max(1, beats)
                + (isWhole ? 0.4 : 0)
                + 0.8 * similar
                + usual;
    }

    /** The share of notes that come again some steps later, where the tune is so long. */
    private static double likeness(List<Placed> notes, Map<Integer, Integer> at, int later) {
        int compared = 0;
        int like = 0;
        for (Placed note : notes) {
            if (note.start() + later < length(notes)) {
                compared++;
                Integer other = at.get(note.start() + later);
                like += other != null && other == note.midi() ? 1 : 0;
            }
        }
        return compared * 4 < notes.size() ? 0 : (double) like / compared;
    }

    private static int length(List<Placed> notes) {
        Placed last = notes.get(notes.size() - 1);
        return last.start() + last.length();
    }

    /** How long the pickup is: what is over at the end is missing at the beginning, where that is less than half a bar. */
    private static int pickup(List<Placed> notes, int bar) {
        int over = Math.floorMod(length(notes), bar);
        return over > 0 && over * 2 <= bar && notes.get(0).length() <= over ? over : 0;
    }

    /** The signature that holds most of the notes; of several the one in which the last note is a usual tonic. */
    private static String key(List<Placed> notes) {
        int last = Math.floorMod(notes.get(notes.size() - 1).midi(), 12);
        String best = "C";
        double most = -1;
        int[] order = {0, 1, 2, 3, -1, -2, 4, -3, 5, -4, 6, -5};
        for (int fifths : order) {
            double held = 0;
            double all = 0;
            Key key = Fields.key(MAJORS[fifths + 7]).orElseThrow();
            for (Placed note : notes) {
                boolean isIn = false;
                for (Step step : Step.values()) {
                    isIn |= Math.floorMod(
                                    WrittenPitch.of(step, key.alterOf(step), 4).midi() - note.midi(), 12)
                            == 0;
                }
                held += isIn ? note.length() : 0;
                all += note.length();
            }
            int major = Math.floorMod(7 * fifths, 12);
            int degree = Math.floorMod(last - major, 12);
            double tonic = degree == 0 ? 0.05 : degree == 9 ? 0.035 : degree == 2 ? 0.03 : degree == 7 ? 0.028 : 0;
            double score = held / all + tonic;
            if (score > most + 1e-9) {
                most = score;
                best = named(fifths, degree);
            }
        }
        return best;
    }

    /** The key of a signature on the degree of its scale that is home, in semitones above its major tonic. */
    private static String named(int fifths, int degree) {
        return switch (degree) {
            case 9 -> MAJORS[fifths + 7 + 3 > 14 ? 14 : fifths + 10] + "m";
            case 2 -> MAJORS[Math.min(14, fifths + 9)] + "dor";
            case 7 -> MAJORS[Math.min(14, fifths + 8)] + "mix";
            default -> MAJORS[fifths + 7];
        };
    }

    private String type(String metre) {
        return switch (metre) {
            case "6/8" -> "jig";
            case "9/8" -> "slip jig";
            case "12/8" -> "slide";
            case "3/4" -> "waltz";
            case "2/4" -> "polka";
            default -> isSwung ? "hornpipe" : "reel";
        };
    }

    // Writing

    /** How many steps notes under one beam fill: half a bar of four crotchets or two minims, a dotted crotchet, else a crotchet. */
    private static int beam(String metre) {
        return switch (metre) {
            case "4/4", "2/2" -> 4 * STEPS;
            case "6/8", "9/8", "12/8" -> 3 * STEPS;
            default -> 2 * STEPS;
        };
    }

    private static String music(List<Placed> notes, int bar, int beam, int pickup, Key key) {
        StringBuilder music = new StringBuilder();
        int now = 0;
        int bars = 0;
        Map<Integer, Integer> said = new HashMap<>();
        for (int i = 0; i < notes.size(); i++) {
            Placed note = notes.get(i);
            int gapEnd = note.start();
            List<int[]> pieces = new ArrayList<>();
            if (gapEnd > now) {
                pieces.add(new int[] {now, gapEnd, -1});
            }
            pieces.add(new int[] {note.start(), note.start() + note.length(), note.midi()});
            for (int[] piece : pieces) {
                int from = piece[0];
                while (from < piece[1]) {
                    int barEnd = from < pickup ? pickup : pickup + ((from - pickup) / bar + 1) * bar;
                    int to = Math.min(piece[1], barEnd);
                    music.append(piece[2] < 0 ? "z" : letter(piece[2], key, said))
                            .append(AbcNotes.length(Fraction.of(to - from, STEPS)))
                            .append(piece[2] >= 0 && to < piece[1] ? "-" : "");
                    if (to == barEnd) {
                        bars += from < pickup ? 0 : 1;
                        said.clear();
                        boolean isEnd = i + 1 == notes.size() && to == piece[1];
                        music.append(isEnd ? "|]" : "|").append(bars % BARS_A_LINE == 0 && bars > 0 ? "\n" : "");
                    } else if (Math.floorMod(to - pickup, bar) % beam == 0) {
                        music.append(' ');
                    }
                    from = to;
                }
                now = piece[1];
            }
        }
        String text = music.toString().strip();
        return (text.endsWith("|") || text.endsWith("]") ? text : text + "|]") + "\n";
    }

    private static String letter(int midi, Key key, Map<Integer, Integer> said) {
        WrittenPitch pitch = key.spelled(midi);
        int step = pitch.step().ordinal();
        int now = said.getOrDefault(step, key.alterOf(pitch.step()));
        if (now == pitch.alter()) {
            return AbcNotes.letter(pitch);
        }
        said.put(step, pitch.alter());
        return AbcNotes.sign(pitch.alter()) + AbcNotes.letter(pitch);
    }
}
