package wildflourish.core.words;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Step;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.plain.BestFit;
import wildflourish.core.plain.HardSpot;
import wildflourish.core.plain.Needs;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;

/** What a tune needs on an instrument, in sentences. */
public final class NeedsWords {
    private static final int MOST_SPOTS = 3;

    private NeedsWords() {}

    /** The notes, the range, what is special, the hardest spots, the grade. */
    public static List<String> of(Needs needs, Tune tune, Instrument instrument) {
        List<String> lines = new ArrayList<>();
        List<WrittenPitch> notes = List.copyOf(needs.notes().keySet());
        if (notes.isEmpty()) {
            return List.of("There is no note in it yet.");
        }
        lines.add("Notes: " + Words.pitches(notes) + ".");
        lines.add("From " + notes.get(0) + " to " + notes.get(notes.size() - 1) + ".");
        addIfAny(lines, needs.missing(), "Not on the " + instrument.name() + ": ");
        addIfAny(lines, needs.fingers().halfHoled(), "Half-closed holes: ");
        addIfAny(lines, needs.fingers().crossFingered(), "Cross-fingered: ");
        for (NoteId once : needs.once()) {
            lines.add("Only once: " + Words.place(tune, tune.note(once)) + ".");
        }
        lines.add(scale(needs.absent(), tune));
        lines.addAll(hardest(needs, tune));
        needs.grade().ifPresent(grade -> lines.add("Grade " + grade(grade) + " on the " + instrument.name() + "."));
        return List.copyOf(lines);
    }

    public static String grade(double grade) {
        return String.format(Locale.ROOT, "%.1f", grade);
    }

    private static void addIfAny(List<String> lines, Set<WrittenPitch> pitches, String words) {
        if (!pitches.isEmpty()) {
            lines.add(words + Words.pitches(List.copyOf(pitches)) + ".");
        }
    }

    private static String scale(Set<Step> absent, Tune tune) {
        if (absent.isEmpty()) {
            return "It uses all seven notes of its scale.";
        }
        List<String> letters = absent.stream()
                .map(step -> new WrittenPitch(step, tune.keyAt(0).alterOf(step), 4).letter())
                .toList();
        return "A gapped scale: " + String.join(" and ", letters) + (letters.size() == 1 ? " does" : " do")
                + " not occur.";
    }

    /** The first places of each kind, hardest kind first, and how many more there are. */
    public static List<String> hardest(Needs needs, Tune tune) {
        Map<HardSpot.Kind, List<HardSpot>> kinds = new LinkedHashMap<>();
        needs.spots()
                .forEach(spot -> kinds.computeIfAbsent(spot.kind(), kind -> new ArrayList<>())
                        .add(spot));
        List<String> lines = new ArrayList<>();
        kinds.forEach((kind, spots) -> {
            List<String> places = spots.stream()
                    .limit(MOST_SPOTS)
                    .map(spot -> Words.place(tune, tune.note(spot.at())))
                    .toList();
            int more = spots.size() - places.size();
            lines.add("Hard, " + of(kind) + ": " + String.join("; ", places)
                    + (more > 0 ? "; and " + more + " more" : "") + ".");
        });
        return lines;
    }

    /** Where and what: {@code D5, bar 3, on beat 1: over the register break}. */
    public static String of(HardSpot spot, Tune tune) {
        return Words.place(tune, tune.note(spot.at())) + ": " + of(spot.kind());
    }

    private static String of(HardSpot.Kind kind) {
        return switch (kind) {
            case BREAK -> "over the register break";
            case LEAP -> "a wide leap";
            case CROSS -> "cross-fingered and quick";
            case HALF -> "a half-closed hole and quick";
            case MANY -> "many fingers cross at once";
            case SKIP -> "over a string";
            case SHIFT -> "the hand moves up or down";
            case SECOND -> "the second finger between low and high";
            case TURN -> "a quick turn of the bellows";
            case REACH -> "a wide reach of the fingers";
        };
    }

    /** What to do with a recording for a student who has but one instrument. */
    public static String of(BestFit.Moved moved, Instrument instrument) {
        if (!moved.fit().isPlayable()) {
            return "On the " + instrument.name() + " it cannot be played in any key.";
        }
        String how = "it is " + of(moved.fit()) + ".";
        if (moved.semitones() == 0) {
            return "With a recording as it is, on the " + instrument.name() + " " + how;
        }
        int count = Math.abs(moved.semitones());
        return "Move a recording " + count + (count == 1 ? " semitone " : " semitones ")
                + (moved.semitones() > 0 ? "up" : "down") + ": on the " + instrument.name() + " " + how;
    }

    /** How a tune lies on an instrument, in one line. */
    public static String of(BestFit fit) {
        if (!fit.isPlayable()) {
            return (fit.instrument().family().isWind() ? "lacks " : "cannot play ")
                    + String.join(
                            " ", fit.lacking().stream().map(Object::toString).toList());
        }
        List<String> parts = new ArrayList<>();
        boolean isWind = fit.instrument().family().isWind();
        String capo =
                fit.instrument().capo() == 0 ? "" : "capo " + fit.instrument().capo() + ", ";
        parts.add(capo
                + (isWind ? "fingered in " : fit.instrument().capo() > 0 ? "shapes of " : "in ")
                + fit.fingeredKey().name());
        for (HardSpot.Kind kind : HardSpot.Kind.values()) {
            if (fit.count(kind) > 0 && kind != HardSpot.Kind.BREAK) {
                parts.add(fit.count(kind) + " " + counted(kind));
            }
        }
        int breaks = fit.count(HardSpot.Kind.BREAK);
        if (isWind) {
            parts.add((breaks == 0 ? "never" : breaks == 1 ? "once" : breaks + " times") + " over the break");
        }
        return String.join(", ", parts);
    }

    private static String counted(HardSpot.Kind kind) {
        return switch (kind) {
            case BREAK -> "over the break";
            case LEAP -> "wide leaps";
            case CROSS -> "cross-fingered";
            case HALF -> "half-closed";
            case MANY -> "with many fingers";
            case SKIP -> "over a string";
            case SHIFT -> "shifts";
            case SECOND -> "second finger moved";
            case TURN -> "turns";
            case REACH -> "wide reaches";
        };
    }
}
