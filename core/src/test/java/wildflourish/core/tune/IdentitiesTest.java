package wildflourish.core.tune;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import wildflourish.core.Melody;

class IdentitiesTest {
    private static final String LINE = "D4:1 E4:1 F♯4:1 G4:1 A4:1 B4:1 C♯5:1 D5:1";

    private static List<Integer> carried(String before, String after) {
        return Identities.carry(Melody.reel(before + " |"), Melody.reel(after + " |")).notes().stream()
                .map(note -> note.id().number())
                .toList();
    }

    @Test
    void anUnchangedTuneKeepsAll() {
        assertThat(carried(LINE, LINE)).containsExactly(0, 1, 2, 3, 4, 5, 6, 7);
    }

    @Test
    void aChangedNoteIsStillThatNote() {
        assertThat(carried(LINE, LINE.replace("G4:1", "G♯4:1"))).containsExactly(0, 1, 2, 3, 4, 5, 6, 7);
    }

    @Test
    void anInsertedNoteIsNewAndTheOthersKeepTheirs() {
        assertThat(carried(LINE, LINE.replace("A4:1", "A4:1 A5:1"))).containsExactly(0, 1, 2, 3, 4, 8, 5, 6, 7);
    }

    @Test
    void aDeletedNoteTakesItsIdentityAway() {
        assertThat(carried(LINE, LINE.replace("F♯4:1 ", ""))).containsExactly(0, 1, 3, 4, 5, 6, 7);
    }

    @Test
    void oneChangeAndOneInsertionFarApartAreBothFollowed() {
        String after = LINE.replace("E4:1", "E5:1").replace("C♯5:1", "C♯5:1 B5:2");
        assertThat(carried(LINE, after)).containsExactly(0, 1, 2, 3, 4, 5, 6, 8, 7);
    }

    @Test
    void identitiesAreNeverSharedAndNeverReusedWhateverIsDone() {
        Random random = new Random(1);
        for (int round = 0; round < 200; round++) {
            List<String> notes = new ArrayList<>(Arrays.asList(LINE.split(" ", -1)));
            Tune before = Melody.reel(String.join(" ", notes) + " |");
            for (int edit = 0; edit < 1 + random.nextInt(4); edit++) {
                int at = random.nextInt(notes.size());
                switch (random.nextInt(3)) {
                    case 0 -> notes.add(at, "B5:1");
                    case 1 -> notes.remove(at);
                    default -> notes.set(at, "F♯5:" + (1 + random.nextInt(3)));
                }
            }
            Tune after = Identities.carry(before, Melody.reel(String.join(" ", notes) + " |"));
            Set<NoteId> seen = new HashSet<>();
            int last = -1;
            for (Note note : after.notes()) {
                assertThat(seen.add(note.id())).isTrue();
                if (before.has(note.id())) {
                    assertThat(before.placeOf(note.id()).order()).isGreaterThan(last);
                    last = before.placeOf(note.id()).order();
                } else {
                    assertThat(note.id().number()).isGreaterThanOrEqualTo(8);
                }
            }
        }
    }
}
