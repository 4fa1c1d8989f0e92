package wildflourish.core.words;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wildflourish.core.fingering.FingeringPath;
import wildflourish.core.fingering.Habit;
import wildflourish.core.form.Phrase;
import wildflourish.core.form.Phrasing;
import wildflourish.core.hand.Scene;
import wildflourish.core.hand.Ways;
import wildflourish.core.instrument.Breath;
import wildflourish.core.instrument.ChartRow;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.instrument.Hole;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/**
 * A tune as sentences, for beginners and for students who do not see the page: a line a note, saying its name, what is covered, the
 * breath and how long; equal notes in a row are one line. Under a note stands what is placed on it and how it is done. The notes that are written here can be
 * read back.
 */
public final class Steps {
    private static final Pattern NOTE = Pattern.compile(
            "([A-G])( double sharp| sharp| flat| double flat|) (-?\\d+): (.*), (a [a-z ]+|[0-9/]+ quavers)(?:, (\\d+) times)?\\.");
    private static final Pattern REST = Pattern.compile("Rest: (a [a-z ]+|[0-9/]+ quavers)(?:, (\\d+) times)?\\.");
    private static final String WITH = "With ";
    private static final String OVER = "Over it: ";
    private static final String NOT_HERE = "not on this instrument";
    private static final String OFF_KNEE = "chanter off the knee";
    private static final String ALL_COVERED = "cover all";
    private static final String ALL_OPEN = "open all";
    private static final List<String> ALTERS = List.of(" double flat", " flat", "", " sharp", " double sharp");

    private Steps() {}

    /**
     * A line read back.
     *
     * @param pitch empty for a rest
     * @param fingering empty for a rest and for a note the instrument lacks
     * @param firm whether the breath is firm
     * @param length as words, such as {@code a crotchet}
     */
    public record Step(Optional<WrittenPitch> pitch, Optional<Fingering> fingering, boolean firm, String length) {}

    /** Headings of phrases and a line for each note or run of equal notes. */
    public static List<String> of(Tune tune, Instrument instrument) {
        return of(tune, Version.plain("plain", Playing.usual(tune, instrument)));
    }

    /** The same as a version has them: in its school, with what the teacher has pinned and placed. */
    public static List<String> of(Tune written, Version version) {
        return of(written, version, Profile.usual());
    }

    /** The same for a student, with the fingerings that student keeps to. */
    public static List<String> of(Tune written, Version version, Profile profile) {
        Scene scene = Scene.of(written, version, profile);
        Tune tune = scene.tune();
        Instrument instrument = version.playing().instrument();
        FingeringPath path = FingeringPath.of(
                tune.notes(), instrument, Ways.pins(tune, version), Habit.of(profile.otherHand(), tune));
        Map<NoteId, String> hands = instrument.family().isWind() ? Map.of() : LineSteps.of(scene);
        List<String> lines = new ArrayList<>();
        List<String> names = new ArrayList<>();
        for (Phrase phrase : Phrasing.of(tune).phrases()) {
            lines.add(heading(tune, phrase, names.contains(phrase.name())));
            names.add(phrase.name());
            lines.addAll(held(tune, version, phrase));
            List<String> notes = new ArrayList<>();
            for (int bar = phrase.firstBar(); bar <= phrase.lastBar(); bar++) {
                for (Note note : tune.bars().get(bar).notes()) {
                    notes.add(line(note, instrument, path, Optional.ofNullable(hands.get(note.id()))));
                    version.at(note.id())
                            .flatMap(Spot::first)
                            .ifPresent(placement -> notes.add(placed(tune, placement)));
                }
            }
            lines.addAll(merged(notes));
        }
        return List.copyOf(lines);
    }

    /** The tune's name and instrument, where it starts, then the steps. */
    public static List<String> sheet(Tune tune, Version version) {
        return sheet(tune, version, Profile.usual());
    }

    /** The same for a student. */
    public static List<String> sheet(Tune tune, Version version, Profile profile) {
        List<String> lines = new ArrayList<>();
        lines.add(tune.title() + ", on the " + version.playing().instrument().name() + ".");
        lines.add(FormWords.start(tune));
        lines.addAll(of(tune, version, profile));
        return List.copyOf(lines);
    }

    private static String heading(Tune tune, Phrase phrase, boolean isKnown) {
        if (tune.bars().get(phrase.firstBar()).isAdded()) {
            String where = phrase.firstBar() == 0 ? "before" : "after";
            return "Phrase " + phrase.name() + ", " + where + " the tune.";
        }
        int first = tune.form().countedNumber(phrase.firstBar());
        int last = tune.form().countedNumber(phrase.lastBar());
        return "Phrase " + phrase.name() + (isKnown ? " again" : "") + ", bars " + first + " to " + last + ".";
    }

    /** What holds over notes of a phrase. */
    private static List<String> held(Tune tune, Version version, Phrase phrase) {
        return version.layers().stream()
                .filter(layer -> !layer.rule().work().addsBars())
                .filter(layer -> tune.bars().subList(phrase.firstBar(), phrase.lastBar() + 1).stream()
                        .flatMap(bar -> bar.notes().stream())
                        .anyMatch(note -> layer.covers(tune, note.id())))
                .map(layer -> OVER + layer.rule().name()
                        + (layer.way().isEmpty() ? "" : " (" + Words.way(layer.way()) + ")") + ": "
                        + layer.rule().about() + ".")
                .distinct()
                .toList();
    }

    /** What is placed on a note, over how many, and how each of it is done. */
    private static String placed(Tune tune, Placement placement) {
        int count = placement.span().notes(tune).size();
        List<String> hows = placement.stack().choices().stream()
                .map(choice -> choice.ornament().look().how())
                .map(how -> how.replaceFirst("[.]$", ""))
                .toList();
        return WITH + Words.article(placement.stack()) + (count > 1 ? " over " + count + " notes" : "") + ": "
                + String.join("; ", hows);
    }

    private static List<String> merged(List<String> lines) {
        List<String> merged = new ArrayList<>();
        int at = 0;
        while (at < lines.size()) {
            int run = 1;
            while (at + run < lines.size() && lines.get(at + run).equals(lines.get(at))) {
                run++;
            }
            merged.add(lines.get(at) + (run > 1 ? ", " + run + " times." : "."));
            at += run;
        }
        return merged;
    }

    private static String line(Note note, Instrument instrument, FingeringPath path, Optional<String> hand) {
        String length = Words.noteLength(note.played());
        if (note.isRest()) {
            return "Rest: " + length;
        }
        String name = spoken(note.melody());
        if (hand.isPresent()) {
            return name + ": " + hand.get() + ", " + length;
        }
        Optional<ChartRow> row = instrument.rowOf(note.melody());
        if (row.isEmpty()) {
            return name + ": " + NOT_HERE + ", " + length;
        }
        Fingering fingering = path.at(note.id()).orElse(row.get().usual());
        return name + ": " + holes(fingering) + breath(instrument, row.get().breath()) + ", " + length;
    }

    /** A pitch as one says it: {@code F sharp 4}. */
    public static String spoken(WrittenPitch pitch) {
        return pitch.step() + ALTERS.get(pitch.alter() + 2) + " " + pitch.octave();
    }

    /** Which holes are covered, in words. */
    public static String holes(Fingering fingering) {
        List<String> covered = new ArrayList<>();
        List<String> half = new ArrayList<>();
        for (int hole = 1; hole <= fingering.holes().size(); hole++) {
            String name = fingering.nameOf(hole).replace("T", "thumb");
            if (fingering.at(hole) == Hole.CLOSED) {
                covered.add(name);
            } else if (fingering.at(hole) == Hole.HALF) {
                half.add(name);
            }
        }
        String words = covered.size() == fingering.holes().size()
                ? ALL_COVERED
                : covered.isEmpty() && half.isEmpty() ? ALL_OPEN : "cover " + String.join(" ", covered);
        words = covered.isEmpty() && !half.isEmpty() ? "cover none" : words;
        words += half.isEmpty() ? "" : ", half " + String.join(" ", half);
        return words + (fingering.offKnee() ? ", " + OFF_KNEE : "");
    }

    private static String breath(Instrument instrument, Breath breath) {
        return switch (instrument.family()) {
            case NINE_NOTE_PIPES -> "";
            case UNION_PIPES -> breath == Breath.FIRM ? ", bag pressed harder" : ", bag as usual";
            case FIDDLE, MANDOLIN, TENOR_BANJO, FIVE_STRING_BANJO, TWO_ROW_BOX, ANGLO, ENGLISH -> "";
            case WHISTLE, FLUTE, BAMBOO_FLUTE, RECORDER -> breath == Breath.FIRM ? ", firm breath" : ", soft breath";
        };
    }

    /** Reads lines back, runs taken apart, headings passed over. Throws IllegalArgumentException for a line that is neither. */
    public static List<Step> parse(List<String> lines, Instrument instrument) {
        List<Step> steps = new ArrayList<>();
        for (String line : lines) {
            Matcher rest = REST.matcher(line);
            Matcher note = NOTE.matcher(line);
            if (rest.matches()) {
                add(steps, new Step(Optional.empty(), Optional.empty(), false, rest.group(1)), rest.group(2));
            } else if (note.matches()) {
                add(steps, step(note, instrument), note.group(6));
            } else if (!line.startsWith("Phrase ") && !line.startsWith(WITH) && !line.startsWith(OVER)) {
                throw new IllegalArgumentException("not a step: " + line);
            }
        }
        return List.copyOf(steps);
    }

    private static void add(List<Step> steps, Step step, String times) {
        for (int i = 0; i < (times == null ? 1 : Integer.parseInt(times)); i++) {
            steps.add(step);
        }
    }

    private static Step step(Matcher note, Instrument instrument) {
        int alter = ALTERS.indexOf(note.group(2)) - 2;
        WrittenPitch pitch = WrittenPitch.parse(note.group(1) + note.group(3)).withAlter(alter);
        String how = note.group(4);
        boolean isFirm = how.endsWith("firm breath") || how.endsWith("harder");
        Optional<Fingering> fingering =
                how.equals(NOT_HERE) ? Optional.empty() : Optional.of(fingering(how, instrument.holes()));
        return new Step(Optional.of(pitch), fingering, isFirm, note.group(5));
    }

    private static Fingering fingering(String how, int count) {
        boolean hasThumb = count > 7;
        StringBuilder signs = new StringBuilder((how.startsWith(ALL_COVERED) ? "X" : "O").repeat(count));
        for (String clause : how.split(", ", -1)) {
            char sign = clause.startsWith("cover ") ? 'X' : clause.startsWith("half ") ? 'h' : ' ';
            if (sign == ' ' || clause.equals(ALL_COVERED) || clause.equals("cover none")) {
                continue;
            }
            for (String name : clause.substring(clause.indexOf(' ') + 1).split(" ", -1)) {
                int place = name.equals("thumb") ? 0 : Integer.parseInt(name) - (hasThumb ? 0 : 1);
                signs.setCharAt(place, sign);
            }
        }
        return Fingering.parse(signs + (how.contains(OFF_KNEE) ? "^" : ""));
    }
}
