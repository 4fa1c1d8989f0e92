package wildflourish.core.fingering;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import wildflourish.core.Melody;
import wildflourish.core.instrument.ChartRow;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Profile;
import wildflourish.core.plain.HardSpot;
import wildflourish.core.plain.Needs;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;

/** One hand for one note: common practice of teaching beginners. */
class HabitTest {
    private static final Instrument WHISTLE = Instrument.of("whistle-d");

    /** In an order that asks now for the one and now for the other fingering of C natural. */
    private static final Tune BOTH_WAYS =
            Melody.reel("G4:1 C5:1 G4:1 A4:1 D5:1 C5:1 D5:1 E5:1 | G4:1 C5:1 G4:1 A4:1 D5:1 C5:1 D5:1 E5:1 |");

    private static Set<String> handsOf(Tune tune, String note, Instrument instrument, Profile profile) {
        FingeringPath path = FingeringPath.of(tune.notes(), instrument, Map.of(), Habit.of(profile.otherHand(), tune));
        return tune.notes().stream()
                .filter(each -> each.melody().toString().equals(note))
                .map(each -> path.at(each.id()).orElseThrow().toString())
                .collect(Collectors.toSet());
    }

    @Test
    void aBeginnerLearnsOneFingeringOfCNaturalWhereAFluentPlayerUsesTwo() {
        assertThat(handsOf(BOTH_WAYS, "C5", WHISTLE, Profile.usual())).hasSize(2);
        assertThat(handsOf(BOTH_WAYS, "C5", WHISTLE, Profile.of("learner"))).hasSize(1);
    }

    private static List<HardSpot.Kind> hardDs(Tune tune, Profile profile) {
        Tempo quick = new Tempo(Fraction.of(100), Fraction.of(1, 2));
        Needs needs = Needs.of(tune, Instrument.of("whistle-e"), quick, Habit.of(profile.otherHand(), tune));
        return needs.spots().stream()
                .filter(spot -> tune.note(spot.at()).melody().toString().equals("D5"))
                .map(HardSpot::kind)
                .filter(kind -> kind == HardSpot.Kind.HALF || kind == HardSpot.Kind.CROSS)
                .toList();
    }

    /** D natural on a whistle in E, half-closed or crossed: what is said to be hard is what the student does. */
    @Test
    void whatIsHardGoesByTheStudentsFingerings() {
        Tune tune = Melody.reel("G5:1 D5:1 C♯5:1 D5:1 C♯5:1 A♯4:1 A4:1 G♯4:1 |");
        assertThat(hardDs(tune, Profile.usual())).containsExactlyInAnyOrder(HardSpot.Kind.HALF, HardSpot.Kind.CROSS);
        assertThat(hardDs(tune, Profile.of("learner"))).containsExactly(HardSpot.Kind.CROSS, HardSpot.Kind.CROSS);
    }

    /** What the teacher has pinned stays, and the student then changes as seldom as can be. */
    @Test
    void aPinOutweighsTheHabit() {
        List<Note> cs = BOTH_WAYS.notes().stream()
                .filter(note -> note.melody().toString().equals("C5"))
                .toList();
        List<Fingering> all = WHISTLE.rowOf(cs.get(0).melody()).orElseThrow().fingerings();
        Map<NoteId, Fingering> pins =
                Map.of(cs.get(0).id(), all.get(0), cs.get(3).id(), all.get(1));
        FingeringPath path = FingeringPath.of(
                BOTH_WAYS.notes(), WHISTLE, pins, Habit.of(Profile.of("learner").otherHand(), BOTH_WAYS));
        assertThat(path.at(cs.get(0).id())).contains(all.get(0));
        assertThat(path.at(cs.get(3).id())).contains(all.get(1));
        long changes = 0;
        for (int i = 1; i < cs.size(); i++) {
            changes += path.at(cs.get(i).id()).equals(path.at(cs.get(i - 1).id())) ? 0 : 1;
        }
        assertThat(changes).isEqualTo(1);
    }

    @Test
    void noOtherWayCostsLessWithAHabit() {
        Random random = new Random(11);
        for (String id : List.of("whistle-d", "flute-d", "recorder-soprano", "union-d-open")) {
            Instrument instrument = Instrument.of(id);
            Costs costs = Costs.of(instrument.family());
            List<ChartRow> several = instrument.chart().stream()
                    .filter(row -> row.fingerings().size() > 1)
                    .toList();
            for (int round = 0; round < 40; round++) {
                List<String> names = new ArrayList<>();
                for (int i = 0; i < 6; i++) {
                    List<ChartRow> from = random.nextInt(3) == 0
                            ? instrument.chart()
                            : several.subList(0, Math.min(2, several.size()));
                    ChartRow row = from.get(random.nextInt(from.size()));
                    names.add(WrittenPitch.ofMidi(instrument.reading().writtenMidi(row.pitch())) + ":1");
                }
                List<Note> line = Melody.reel(String.join(" ", names) + " |").notes();
                Set<NoteId> begins = new HashSet<>(
                        List.of(line.get(0).id(), line.get(random.nextInt(6)).id()));
                Habit habit = new Habit(1 + random.nextInt(5), begins);
                assertThat(FingeringPath.of(line, instrument, Map.of(), habit).cost())
                        .as(id + " " + names + " " + habit)
                        .isCloseTo(cheapest(line, instrument, costs, habit, 0, null, Map.of()), within(1e-9));
            }
        }
    }

    /** Every way there is, tried one after the other. */
    private static double cheapest(
            List<Note> line,
            Instrument instrument,
            Costs costs,
            Habit habit,
            int from,
            Fingering before,
            Map<Integer, Integer> last) {
        if (from == line.size()) {
            return 0;
        }
        int midi = line.get(from).melody().midi();
        Map<Integer, Integer> known = habit.begins().contains(line.get(from).id()) ? Map.of() : last;
        ChartRow row = instrument.rowOf(line.get(from).melody()).orElseThrow();
        double least = Double.POSITIVE_INFINITY;
        for (int i = 0; i < row.fingerings().size(); i++) {
            Fingering fingering = row.fingerings().get(i);
            Map<Integer, Integer> after = new HashMap<>(known);
            after.put(midi, i);
            boolean isOther = known.containsKey(midi) && known.get(midi) != i;
            double cost = costs.ofChoice(row, fingering, i)
                    + (before == null ? 0 : costs.ofMove(before, fingering))
                    + (isOther ? habit.price() : 0)
                    + cheapest(line, instrument, costs, habit, from + 1, fingering, after);
            least = Math.min(least, cost);
        }
        return least;
    }
}
