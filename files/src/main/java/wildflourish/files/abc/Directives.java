package wildflourish.files.abc;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.instrument.Schools;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Stack;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Beside;
import wildflourish.core.version.BookNumber;
import wildflourish.core.version.Foreign;
import wildflourish.core.version.Label;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/**
 * What standard ABC cannot say of a version, as {@code %%flourish-…} lines that other readers skip. Notes are counted from 1 in the order
 * of the plain tune.
 *
 * <pre>
 * %%flourish-stage format=2 of=1 stair=1 stage=2 passes=4 name=Leaf
 * %%flourish-stage format=2 of=1 stair=1 stage=6 kind=study source=Leaf aim=24 name=Everything
 * %%flourish-note Breathe before the second part.
 * %%flourish-play instrument=whistle-d school=two-finger tempo=105 beat=1/2
 * %%flourish-wish taste=rolls-and-cuts full=1 daring=-1 returns=varied never=cran,slide-in
 * %%flourish-wish 7 never=short-roll
 * %%flourish-wish 12 something=yes
 * %%flourish-layer 9 to=24 rule=slurred
 * %%flourish-spot 12 to=14 option=slide-in+long-roll@even times=1
 * %%flourish-say 12 Lean on this one.
 * %%flourish-pin 20 OXXOOO
 * %%flourish-sums plain=9f86d081884c body=60303ae22b99
 * </pre>
 *
 * @param of number of the plain tune
 * @param stair number of the stair, from 1
 * @param stage number of the stage in it, from 1
 * @param beside what kind of version stands beside the stages, the version itself left aside; empty for a stage
 * @param sums of the plain body and of the written-out body when it was saved
 * @param format the form of the lines
 */
record Directives(int of, int stair, int stage, Version version, Optional<Beside> beside, Sums sums, int format) {
    static final String MARK = "%%flourish-";
    /** The form of these lines; books of form 1, which says no number, are read too. */
    static final int FORMAT = 2;

    private static final Pattern LINE = Pattern.compile(MARK + "([a-z-]+) ?(.*)");
    private static final Pattern NUMBER = Pattern.compile("(?m)^X:\\h*(\\d{1,9})\\h*(?:%.*)?$");
    private static final Pattern PAIR = Pattern.compile("(?<!\\S)([a-z]+)=(\\S+)");

    private static final Set<String> OF_STAGE =
            Set.of("format", "of", "stair", "stage", "kind", "source", "aim", "passes", "name");
    private static final Set<String> OF_PLAY = Set.of("instrument", "school", "strokes", "tempo", "beat");
    private static final Set<String> OF_SPOT = Set.of("to", "option", "ornament", "times");
    private static final Set<String> OF_LAYER = Set.of("to", "rule", "times");

    Directives(int of, int stair, int stage, Version version, Optional<Beside> beside, Sums sums) {
        this(of, stair, stage, version, beside, sums, FORMAT);
    }

    /** Short sums of the plain tune's body and the written-out one. */
    record Sums(String plain, String body) {}

    /** A sum that does not mind line ends or blanks at them. */
    static String sum(String body) {
        String calm = body.replaceAll("[ \\t\\r]+(?=\\n|$)", "").strip();
        try {
            byte[] digest = MessageDigest.getInstance("SHA-256").digest(calm.getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(digest, 0, 6);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }

    static String plainSum(Tune tune) {
        return sum(tune.manuscript().text().substring(tune.manuscript().bodyStart()));
    }

    List<String> lines(Tune tune) {
        List<String> lines = new ArrayList<>();
        Playing playing = version.playing();
        lines.add("stage format=" + format + " of=" + of + " stair=" + stair + " stage=" + stage
                + beside.map(Directives::kind).orElse("")
                + (version.label().passes() == 0
                        ? ""
                        : " passes=" + version.label().passes())
                + version.foreign().of("stage") + " name="
                + oneLine(version.name()));
        boolean hasStrokes = playing.instrument().strokes().size() > 1;
        lines.add("play instrument=" + playing.instrument().id() + " school="
                + playing.school().id()
                + (hasStrokes ? " strokes=" + playing.strokes().id() : "") + " tempo="
                + playing.tempo().beatsPerMinute() + " beat="
                + playing.tempo().beatLength() + version.foreign().of("play"));
        if (!version.label().note().isEmpty()) {
            lines.add("note " + oneLine(version.label().note()));
        }
        lines.addAll(WishLines.lines(version.label().wish(), tune));
        for (Layer layer : version.layers()) {
            lines.add("layer " + count(tune, layer.span().first()) + " to="
                    + count(tune, layer.span().last()) + " rule=" + layer.word() + times(layer.passes())
                    + version.foreign().of(about(layer)));
        }
        for (Spot spot : inOrder(tune)) {
            int first = count(tune, spot.at());
            spot.options()
                    .forEach(option -> lines.add("spot " + first + option(tune, option)
                            + version.foreign().of(about(option))));
            if (!spot.sentence().isEmpty()) {
                lines.add("say " + first + " " + oneLine(spot.sentence()));
            }
            if (!spot.pin().isEmpty()) {
                lines.add("pin " + first + " " + oneLine(spot.pin()));
            }
        }
        lines.addAll(version.foreign().lines());
        lines.add("sums plain=" + sums.plain() + " body=" + sums.body());
        return lines.stream().map(line -> MARK + line).toList();
    }

    private static String kind(Beside beside) {
        return " kind=" + beside.kind().word()
                + (beside.source().isEmpty() ? "" : " source=" + oneWord(beside.source()))
                + (beside.aim() == 0 ? "" : " aim=" + beside.aim());
    }

    /** Words without blanks, which a percent sign and two digits stand for. */
    static String oneWord(String words) {
        return words.replace("%", "%25").replace(" ", "%20");
    }

    static String words(String oneWord) {
        return oneWord.replace("%20", " ").replace("%25", "%");
    }

    private static Optional<Beside> beside(Map<String, String> stage, Version version) {
        String kind = stage.getOrDefault("kind", "stage");
        return kind.equals("stage")
                ? Optional.empty()
                : Optional.of(new Beside(
                        Beside.Kind.parse(kind),
                        words(stage.getOrDefault("source", "")),
                        stage.containsKey("aim") ? integer(stage, "aim") : 0,
                        version));
    }

    private static String option(Tune tune, Placement option) {
        String to = option.span().isOneNote()
                ? ""
                : " to=" + count(tune, option.span().last());
        return to + " option=" + option.stack() + times(option.passes());
    }

    private static String times(Passes passes) {
        return passes.isEvery()
                ? ""
                : " times="
                        + String.join(
                                ",",
                                passes.numbers().stream().map(String::valueOf).toList());
    }

    /** Spots in the order of the tune, whatever the order in which its notes were entered. */
    private List<Spot> inOrder(Tune tune) {
        return version.spots().values().stream()
                .sorted(Comparator.comparingInt(spot -> count(tune, spot.at())))
                .toList();
    }

    private static int count(Tune tune, NoteId note) {
        return tune.placeOf(note).order() + 1;
    }

    private static String oneLine(String words) {
        return words.replace("\\", "\\\\").replace("\r", "").replace("\n", "\\n");
    }

    private static String manyLines(String words) {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < words.length(); i++) {
            char sign = words.charAt(i);
            if (sign == '\\' && i + 1 < words.length()) {
                i++;
                text.append(words.charAt(i) == 'n' ? '\n' : words.charAt(i));
            } else {
                text.append(sign);
            }
        }
        return text.toString();
    }

    /** A place in a stair, in words to compare. */
    static String place(int of, int stair, int stage) {
        return of + "/" + stair + "/" + stage;
    }

    /** The places that a tune's own text lays claim to; none for a plain tune. */
    static List<String> places(Tune tune) {
        List<String> places = new ArrayList<>();
        for (String line : tune.manuscript().text().split("\\R", -1)) {
            Matcher match = LINE.matcher(line);
            if (match.matches() && match.group(1).equals("stage")) {
                Map<String, String> pairs = pairs(match.group(2));
                places.add(pairs.get("of") + "/" + pairs.get("stair") + "/" + pairs.get("stage"));
            }
        }
        return places;
    }

    /** The number of a tune's text in its book. */
    static BookNumber numberOf(String text) {
        Matcher line = NUMBER.matcher(text);
        return line.find() ? new BookNumber(Integer.parseInt(line.group(1))) : BookNumber.NONE;
    }

    /** A version's text with its numbers of book, stair and stage put right; the same text when they are. */
    static String renumbered(String text, int number, int stair, int stage) {
        return text.replaceFirst("(?m)^X:(?!\\h*" + number + "\\h*$).*$", "X:" + number)
                .replaceFirst("(?m)^(" + MARK + "stage .*?\\bstair=)\\d+", "$1" + stair)
                .replaceFirst("(?m)^(" + MARK + "stage .*?\\bstage=)\\d+", "$1" + stage);
    }

    /** Whether a tune's text is a version of another, or a plan of its versions. */
    static boolean isOfAnother(String text) {
        return text.contains("\n" + MARK + "stage ") || TimesText.isPlan(text);
    }

    /** The number of the plain tune that a version's text names. Throws IllegalArgumentException where there is none. */
    static int tuneOf(String text) {
        for (String line : text.split("\\R", -1)) {
            Matcher match = LINE.matcher(line);
            if (match.matches() && Set.of("stage", TimesText.WORD).contains(match.group(1))) {
                return integer(pairs(match.group(2)), "of");
            }
        }
        throw new IllegalArgumentException("it does not say which tune it belongs to");
    }

    private static String heading(Tune tune) {
        return tune.manuscript().text().substring(0, tune.manuscript().bodyStart());
    }

    /** Reads the lines of a version's text for its plain tune. Throws IllegalArgumentException, saying what is wrong with which line. */
    static Directives parse(String text, Tune tune) {
        Map<String, String> stage = Map.of();
        Map<String, String> play = Map.of();
        Map<String, String> sums = Map.of();
        String name = "";
        String note = "";
        Map<NoteId, Spot> spots = new TreeMap<>();
        List<Layer> layers = new ArrayList<>();
        WishLines wish = new WishLines();
        List<String> foreignLines = new ArrayList<>();
        Map<String, String> foreign = new TreeMap<>();
        Instrument instrument = instrument(text);
        Set<String> ownLines = Set.copyOf(heading(tune).lines().toList());
        for (String line : text.split("\\R", -1)) {
            Matcher match = LINE.matcher(line);
            if (!match.matches()) {
                continue;
            }
            String words = match.group(2);
            switch (match.group(1)) {
                case "stage" -> {
                    if (!stage.isEmpty()) {
                        throw new IllegalArgumentException("it says twice which stage it is");
                    }
                    int at = words.indexOf(" name=");
                    name = at < 0 ? "" : manyLines(words.substring(at + 6));
                    stage = pairs(at < 0 ? words : words.substring(0, at));
                }
                case "play" -> play = pairs(words);
                case "sums" -> sums = pairs(words);
                case "spot" -> {
                    Placement option = option(words, tune, instrument);
                    NoteId first = option.span().first();
                    spots.put(first, spots.getOrDefault(first, Spot.bare(first)).withOption(option));
                    foreign.put(about(option), others(pairs(words), OF_SPOT));
                }
                case "layer" -> {
                    Layer layer = layer(words, tune);
                    layers.add(layer);
                    foreign.put(about(layer), others(pairs(words), OF_LAYER));
                }
                case "pin" -> {
                    NoteId pinned = note(words, tune);
                    String pin = manyLines(words.substring(words.indexOf(' ') + 1));
                    spots.put(
                            pinned,
                            spots.getOrDefault(pinned, Spot.bare(pinned)).withPin(pin));
                }
                case "note" -> note = manyLines(words);
                case "wish" -> {
                    if (!wish.takes(words, tune)) {
                        foreignLines.add(line.substring(MARK.length()));
                    }
                }
                case "say" -> addSentence(spots, words, tune);
                default -> {
                    // A line of the plain tune's own heading stands above every stage.
                    if (!ownLines.contains(line)) {
                        foreignLines.add(line.substring(MARK.length()));
                    }
                }
            }
        }
        foreign.put("stage", others(stage, OF_STAGE));
        foreign.put("play", others(play, OF_PLAY));
        foreign.values().removeIf(String::isEmpty);
        Schools schools = schools(play, instrument);
        Playing playing = new Playing(
                instrument,
                schools.hand(),
                schools.strokes(),
                new Tempo(Fraction.parse(required(play, "tempo")), Fraction.parse(required(play, "beat"))));
        int passes = stage.containsKey("passes") ? integer(stage, "passes") : 0;
        Label label = new Label(name, numberOf(text), note, passes, wish.wish());
        Version version = new Version(label, playing, spots, layers, new Foreign(foreignLines, foreign));
        return new Directives(
                integer(stage, "of"),
                integer(stage, "stair"),
                integer(stage, "stage"),
                version,
                beside(stage, version),
                new Sums(required(sums, "plain"), required(sums, "body")),
                stage.containsKey("format") ? integer(stage, "format") : 1);
    }

    /** An older book names one school; where the bow has its own, it may be that. */
    private static Schools schools(Map<String, String> play, Instrument instrument) {
        Schools schools = Schools.usual(instrument).with(School.of(required(play, "school")), instrument);
        return play.containsKey("strokes") ? schools.with(School.of(required(play, "strokes")), instrument) : schools;
    }

    /** What a line about a placement or a layer is kept under. */
    private static String about(Placement option) {
        return "spot " + option.span().first() + " " + option.stack();
    }

    private static String about(Layer layer) {
        return "layer " + layer.span().first() + " " + layer.rule().id();
    }

    /** The words of a line that are none of ours, as they are written. */
    private static String others(Map<String, String> pairs, Set<String> ours) {
        StringBuilder others = new StringBuilder();
        pairs.forEach((name, value) -> others.append(ours.contains(name) ? "" : " " + name + "=" + value));
        return others.toString();
    }

    /** The instrument whose hand the lines are for. */
    private static Instrument instrument(String text) {
        Map<String, String> play = Map.of();
        for (String line : text.split("\\R", -1)) {
            Matcher match = LINE.matcher(line);
            play = match.matches() && match.group(1).equals("play") ? pairs(match.group(2)) : play;
        }
        return Instrument.of(required(play, "instrument"));
    }

    static Map<String, String> pairs(String words) {
        Map<String, String> pairs = new TreeMap<>();
        Matcher match = PAIR.matcher(words);
        while (match.find()) {
            pairs.put(match.group(1), match.group(2));
        }
        return pairs;
    }

    static String required(Map<String, String> pairs, String name) {
        String value = pairs.get(name);
        if (value == null) {
            throw new IllegalArgumentException("it does not say " + name + "=");
        }
        return value;
    }

    static int integer(Map<String, String> pairs, String name) {
        try {
            return Integer.parseInt(required(pairs, name));
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException(name + "= is not a number", e);
        }
    }

    private static Placement option(String words, Tune tune, Instrument instrument) {
        NoteId first = note(words, tune);
        Map<String, String> pairs = pairs(words);
        NoteId last = pairs.containsKey("to") ? noteAt(integer(pairs, "to"), tune) : first;
        checkOrder(tune, first, last, words);
        String stack = pairs.containsKey("option") ? required(pairs, "option") : required(pairs, "ornament");
        return new Placement(Stack.parse(stack, instrument.family()), new Span(first, last), passes(pairs));
    }

    private static Layer layer(String words, Tune tune) {
        Map<String, String> pairs = pairs(words);
        NoteId first = note(words, tune);
        NoteId last = noteAt(integer(pairs, "to"), tune);
        checkOrder(tune, first, last, words);
        return Layer.parse(required(pairs, "rule"), new Span(first, last), passes(pairs));
    }

    private static void checkOrder(Tune tune, NoteId first, NoteId last, String words) {
        if (tune.placeOf(last).order() < tune.placeOf(first).order()) {
            throw new IllegalArgumentException("a span ends before it begins: " + words);
        }
    }

    private static Passes passes(Map<String, String> pairs) {
        TreeSet<Integer> times = new TreeSet<>();
        if (pairs.containsKey("times")) {
            for (String time : required(pairs, "times").split(",", -1)) {
                times.add(Integer.parseInt(time));
            }
        }
        return new Passes(times);
    }

    private static void addSentence(Map<NoteId, Spot> spots, String words, Tune tune) {
        NoteId note = note(words, tune);
        String sentence = manyLines(words.substring(words.indexOf(' ') + 1));
        spots.put(note, spots.getOrDefault(note, Spot.bare(note)).withSentence(sentence));
    }

    private static NoteId note(String words, Tune tune) {
        return noteAt(Integer.parseInt(words.split(" ", 2)[0]), tune);
    }

    private static NoteId noteAt(int count, Tune tune) {
        List<Note> notes = tune.notes();
        if (count < 1 || count > notes.size()) {
            throw new IllegalArgumentException("the plain tune has no note " + count);
        }
        return notes.get(count - 1).id();
    }
}
