package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.engraving.Drawn;
import wildflourish.core.engraving.Engraver;
import wildflourish.core.engraving.Mark;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.Score;
import wildflourish.core.hand.Attempt;
import wildflourish.core.hand.Made;
import wildflourish.core.hand.Scene;
import wildflourish.core.line.Tone;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.files.abc.BookReader;

/**
 * Sheets agree with what is played: the notes are read off the drawn page by nothing but where heads and accidentals lie on their staff, and are those of the line, tone by tone as
 * they are first played.
 */
class SheetsTest {
    static Stream<Arguments> stages() throws IOException {
        String book =
                Files.readString(Path.of("../desktop/src/main/resources/wildflourish/desktop/demo/saltmarsh-lane.abc"));
        List<Arguments> all = new ArrayList<>();
        for (Lesson lesson : BookReader.read(book).value().lessons()) {
            for (Stair stair : lesson.stairs()) {
                stair.stages()
                        .forEach(version -> all.add(
                                Arguments.of(lesson.tune().title() + ", " + version.name(), lesson.tune(), version)));
            }
        }
        return all.stream();
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("stages")
    void theNotesOfThePageAreThoseOfTheLine(String name, Tune tune, Version version) {
        List<Set<String>> drawn = new ArrayList<>();
        Engraver.engrave(new Score(tune, Optional.of(version), Score.Shows.BENCH), Paper.a4())
                .forEach(page -> staves(page).forEach(staff -> drawn.addAll(new Reading(page, staff, tune).notes())));
        List<List<String>> played = played(tune, version);
        assertThat(drawn).hasSameSizeAs(played);
        for (int i = 0; i < played.size(); i++) {
            assertThat(drawn.get(i)).as("note " + (i + 1)).containsAll(played.get(i));
        }
    }

    /** What each tone of the first playing of each bar sounds, in the order of the bars as written; an ornament of a layer part by part, one of the teacher's stands as a sign. */
    private static List<List<String>> played(Tune tune, Version version) {
        Scene scene = Scene.of(tune, version, Profile.usual());
        Map<Integer, Integer> first = new TreeMap<>();
        Map<Integer, List<List<String>>> bars = new TreeMap<>();
        for (int i = 0; i < scene.line().tones().size(); i++) {
            Tone tone = scene.line().tones().get(i);
            int bar = tone.place().played().bar();
            int playing = first.computeIfAbsent(bar, key -> tone.place().playedBar());
            if (tone.place().playedBar() == playing && !tone.isRest()) {
                List<List<String>> its = bars.computeIfAbsent(bar, key -> new ArrayList<>());
                boolean isTeachers = version.at(tone.note().id())
                        .flatMap(spot -> spot.playedOn(tone.pass()))
                        .isPresent();
                Optional<Made> made =
                        isTeachers ? Optional.empty() : scene.placed(i).flatMap(Attempt::made);
                made.ifPresentOrElse(
                        figure -> figure.parts()
                                .forEach(part -> its.add(words(part.landing().voices().stream()
                                        .limit(1)
                                        .flatMap(voice -> voice.written().stream())))),
                        () -> its.add(words(tone.pitches().stream())));
            }
        }
        return bars.values().stream().flatMap(List::stream).toList();
    }

    private static List<String> words(Stream<WrittenPitch> pitches) {
        return pitches.map(WrittenPitch::toString).toList();
    }

    /** Heights of the lowest lines of the staves of a page, from the top down: of five lines a space apart. */
    private static List<Double> staves(Page page) {
        List<Double> lines = page.drawn().stream()
                .filter(each -> each.subject().kind() == Drawn.Kind.STAFF)
                .map(each -> middle(each.mark()))
                .distinct()
                .sorted()
                .toList();
        List<Double> staves = new ArrayList<>();
        int at = 0;
        while (at + 4 < lines.size()) {
            boolean isStaff = true;
            for (int i = at; i < at + 4; i++) {
                isStaff &= Math.abs(lines.get(i + 1) - lines.get(i) - 1) < 0.02;
            }
            if (isStaff) {
                staves.add(lines.get(at + 4));
            }
            at += isStaff ? 5 : 1;
        }
        return staves;
    }

    private static double middle(Mark mark) {
        return Math.round((mark.box().top() + mark.box().bottom()) * 500) / 1000.0;
    }

    /** Reads a system as a musician does: from left to right, accidentals holding up to the bar line. */
    private static final class Reading {
        /** How far above and below its lowest line a head may lie and still belong to a staff, in staff spaces. */
        private static final double ABOVE = 9;

        private static final double BELOW = 5;

        private final List<Drawn> marks;
        private final double foot;
        private final Tune tune;
        private final Map<Integer, Integer> altered = new HashMap<>();

        Reading(Page page, double foot, Tune tune) {
            this.foot = foot;
            this.tune = tune;
            this.marks = page.drawn().stream()
                    .filter(each -> each.mark().box().top() > foot - ABOVE
                            && each.mark().box().bottom() < foot + BELOW)
                    .filter(each -> EnumSet.of(Drawn.Kind.HEAD, Drawn.Kind.ACCIDENTAL, Drawn.Kind.BAR_LINE)
                            .contains(each.subject().kind()))
                    .sorted(Comparator.comparingDouble(each -> each.mark().box().left()))
                    .toList();
        }

        List<Set<String>> notes() {
            Map<NoteId, Set<String>> notes = new LinkedHashMap<>();
            for (Drawn each : marks) {
                switch (each.subject().kind()) {
                    case BAR_LINE -> altered.clear();
                    case ACCIDENTAL -> {
                        Mark.Glyph glyph = (Mark.Glyph) each.mark();
                        altered.put(staffStep(glyph), alterOf(glyph.entry().name()));
                    }
                    default ->
                        notes.computeIfAbsent(each.subject().note().orElseThrow(), id -> new TreeSet<>())
                                .add(pitch((Mark.Glyph) each.mark()));
                }
            }
            return List.copyOf(notes.values());
        }

        /** The lowest line is that of E4, staff step 30. */
        private int staffStep(Mark.Glyph glyph) {
            return 30 + (int) Math.round((foot - glyph.y()) * 2);
        }

        private String pitch(Mark.Glyph head) {
            WrittenPitch natural = WrittenPitch.ofStaffStep(staffStep(head));
            Integer own = altered.get(staffStep(head));
            return natural.withAlter(own != null ? own : tune.header().key().alterOf(natural.step()))
                    .toString();
        }

        private static int alterOf(String glyph) {
            return switch (glyph) {
                case "accidentalSharp" -> 1;
                case "accidentalFlat" -> -1;
                case "accidentalNatural" -> 0;
                default -> throw new IllegalArgumentException("no accidental of the demo tunes: " + glyph);
            };
        }
    }
}
