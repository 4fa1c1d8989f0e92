package wildflourish.files.abc;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Metre;
import wildflourish.core.music.Step;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.files.Demo;

/** Correcting a tune note by note, and moving it to another key. */
class TuneEditorTest {
    private static final String HEAD = "X:1\nT:T\nM:4/4\nL:1/8\nK:D\n";

    private static TuneEditor editor(String music) {
        return new TuneEditor(TuneText.read(HEAD + music).value());
    }

    private static String music(Optional<String> text) {
        return text.orElseThrow().substring(HEAD.length());
    }

    private static NoteId note(int number) {
        return new NoteId(number);
    }

    @Test
    void aNoteStepsAlongTheScaleOfTheKey() {
        assertThat(music(editor("A2BA E4|").stepped(note(1), 1))).isEqualTo("A2cA E4|");
        assertThat(music(editor("A2BA E4|").stepped(note(0), -7))).isEqualTo("A,2BA E4|");
        assertThat(music(editor("a3b g4|").stepped(note(0), 2))).isEqualTo("c'3b g4|");
    }

    @Test
    void otherNotesKeepTheirPitchWhenAnAccidentalGoesOrComes() {
        assertThat(music(editor("=c2dc e4|").stepped(note(0), 1))).isEqualTo("d2d=c e4|");
        assertThat(music(editor("c2dc e4|").altered(note(0), -1))).isEqualTo("=c2d^c e4|");
        assertThat(music(editor("=c2dc e4|c8|").deleted(note(0)))).isEqualTo("d=c e4|c8|");
    }

    @Test
    void lengthsAreMultipliedAndNotesAreAddedAndTaken() {
        assertThat(music(editor("A2BA E4|").lengthened(note(1), Fraction.of(2))))
                .isEqualTo("A2B2A E4|");
        assertThat(music(editor("A2BA E4|").lengthened(note(0), Fraction.of(1, 2))))
                .isEqualTo("ABA E4|");
        assertThat(music(editor("^A3/2z E4|").lengthened(note(0), Fraction.of(2))))
                .isEqualTo("^A3z E4|");
        assertThat(music(editor("A2BA E4|").inserted(note(0), Step.G))).isEqualTo("A2G2BA E4|");
        assertThat(music(editor("A2BA e4|").inserted(note(3), Step.D))).isEqualTo("A2BA e4d4|");
        assertThat(music(editor("A2BA E4|").insertedRest(note(1)))).isEqualTo("A2BzA E4|");
        assertThat(music(editor("A2BA E4|").deleted(note(3)))).isEqualTo("A2BA |");
        assertThat(music(editor("A2BA E4|").tied(note(2)))).isEqualTo("A2BA- E4|");
        assertThat(music(editor("A2BA- A4|").tied(note(2)))).isEqualTo("A2BA A4|");
        assertThat(music(editor("A2BA E4|").insertedSign(note(1), "|"))).isEqualTo("A2B|A E4|");
    }

    @Test
    void whatMakesNoSenseIsRefused() {
        assertThat(editor("z2[CE]A E4|").stepped(note(0), 1)).isEmpty();
        assertThat(editor("z2[CE]A E4|").stepped(note(1), 1)).isEmpty();
        assertThat(editor("^A2BA E4|").altered(note(0), 1)).isEmpty();
        assertThat(editor("A|").deleted(note(0))).isEmpty();
        assertThat(editor("A,,2BA E4|").stepped(note(0), -9)).isEmpty();
    }

    @Test
    void everyEditOfADemoTuneChangesItsOneNoteOnly() {
        Random random = new Random(4);
        for (Tune tune : Demo.tunes()) {
            for (int i = 0; i < 40; i++) {
                Note note = tune.notes().get(random.nextInt(tune.notes().size()));
                int steps = random.nextInt(9) - 4;
                Tune edited = TuneText.read(
                                new TuneEditor(tune).stepped(note.id(), steps).orElseThrow())
                        .value();
                for (int n = 0; n < tune.notes().size(); n++) {
                    Note before = tune.notes().get(n);
                    Note after = edited.notes().get(n);
                    assertThat(after.played()).isEqualTo(before.played());
                    if (before.id().equals(note.id())) {
                        assertThat(after.melody().staffStep())
                                .isEqualTo(before.melody().staffStep() + steps);
                    } else {
                        assertThat(after.pitches()).isEqualTo(before.pitches());
                    }
                }
            }
        }
    }

    // Transposing

    @ParameterizedTest
    @CsvSource({"D, 2, E", "D, -2, C", "G, 5, C", "Edor, 5, Ador", "Amix, 2, Bmix", "Bb, 2, C", "F#m, 1, Gm", "C, 1, Db"
    })
    void theKeyMovesWithItsMode(String key, int semitones, String moved) {
        String text = "X:1\nT:T\nL:1/8\nK:" + key + "\nABc|";
        assertThat(Transposer.transposed(text, semitones).orElseThrow()).contains("\nK:" + moved + "\n");
    }

    @Test
    void notesChordsSmallNotesAndSymbolsMoveAndAllElseStays() {
        String text = "X:1\nT:Air in D\nL:1/8\nK:D\n\"Em/B\"\"^low\"{e}f!trill!A [DF]2 ^G|=c2 z G[K:G]B|% D\nw:la la";
        assertThat(Transposer.transposed(text, 2).orElseThrow())
                .isEqualTo(
                        "X:1\nT:Air in D\nL:1/8\nK:E\n\"F#m/C#\"\"^low\"{f}g!trill!B [EG]2 ^A|=d2 z A[K:A]c|% D\nw:la la");
    }

    /** Two notes of the same pitch are tied (ABC 2.1, §4.11): the second has the accidental of the first, which holds for no other (common practice). */
    @ParameterizedTest
    @CsvSource({
        "^c4-|c2c2, ^d4-|d2d2, 73 73 72",
        "^c4||-c2c2, ^d4||-d2d2, 73 73 72",
        "[^c=f]4-|]{c}[cf]2c2, [^dg]4-|]{d}[dg]2d2, 73 77 73 77 72",
        "^c4-|z2c2, ^d4-|z2d2, 73 72",
        "^c4-:|c2c2, ^d4-:|d2d2, 73 73 72",
        "^c4|[c]2c2, ^d4|[d]2d2, 73 72 72",
        "^c4-|^c2c2, ^d4-|^d2d2, 73 73 73"
    })
    void aTieCarriesItsAccidentalOverTheBar(String music, String moved, String midis) {
        String head = "X:1\nT:T\nM:none\nL:1/8\nK:";
        List<Integer> expected =
                Stream.of(midis.split(" ")).map(Integer::valueOf).toList();
        assertThat(midis(TuneText.read(head + "C\n" + music).value())).isEqualTo(expected);
        assertThat(Transposer.transposed(head + "C\n" + music, 2)).contains(head + "D\n" + moved);
        assertThat(midis(TuneText.read(head + "D\n" + moved).value()))
                .isEqualTo(expected.stream().map(each -> each + 2).toList());
    }

    @Test
    void everyDemoTuneSoundsThatMuchHigherAndComesBack() {
        for (Tune tune : Demo.tunes()) {
            String text = tune.manuscript().text();
            for (int semitones : List.of(-12, -7, -5, -2, -1, 1, 2, 3, 5, 7, 12)) {
                Optional<String> moved = Transposer.transposed(text, semitones);
                if (text.contains("K:HP")) {
                    assertThat(moved).isEmpty();
                    continue;
                }
                Tune read = TuneText.read(moved.orElseThrow()).value();
                assertThat(midis(read))
                        .isEqualTo(midis(tune).stream()
                                .map(each -> each + semitones)
                                .toList());
                Tune back = TuneText.read(
                                Transposer.transposed(moved.get(), -semitones).orElseThrow())
                        .value();
                assertThat(midis(back)).isEqualTo(midis(tune));
                assertThat(back.header().key()).isEqualTo(tune.header().key());
            }
        }
    }

    private static List<Integer> midis(Tune tune) {
        return tune.notes().stream()
                .flatMap(note -> note.pitches().stream())
                .map(WrittenPitch::midi)
                .toList();
    }

    @Test
    void generatedTunesMoveToo() {
        int moved = 0;
        for (int seed = 0; seed < 60; seed++) {
            for (var lesson :
                    BookReader.read(new BookGenerator(seed).book()).value().lessons()) {
                Tune tune = lesson.tune();
                Optional<String> text =
                        Transposer.transposed(tune.manuscript().text().replace("\r", ""), 3);
                if (text.isPresent() && !tune.manuscript().text().contains(" exp ")) {
                    assertThat(midis(TuneText.read(text.get()).value()))
                            .as(text.get())
                            .isEqualTo(
                                    midis(tune).stream().map(each -> each + 3).toList());
                    moved++;
                }
            }
        }
        assertThat(moved).isGreaterThan(50);
    }

    @Test
    void anotherKeySignatureLeavesEveryNoteItsSound() {
        for (Tune tune : Demo.tunes()) {
            for (int fifths : List.of(-2, -1, 1, 2)) {
                Optional<String> moved = new TuneEditor(tune).withKeyMoved(fifths);
                if (tune.manuscript().text().contains("K:HP")) {
                    assertThat(moved).isEmpty();
                    continue;
                }
                Tune read = TuneText.read(moved.orElseThrow()).value();
                assertThat(midis(read)).isEqualTo(midis(tune));
                assertThat(read.header().key().fifths())
                        .isEqualTo(tune.header().key().fifths() + fifths);
            }
        }
        Tune tied = TuneText.read("X:1\nT:Air\nM:4/4\nL:1/8\nK:D\nF2F2c4-|c2F2c4|F4c4|")
                .value();
        assertThat(new TuneEditor(tied).withKeyMoved(-2).orElseThrow()).endsWith("K:C\n^F2F2^c4-|c2^F2^c4|^F4^c4|");
        Tune sharp =
                TuneText.read("X:1\nT:Air\nM:4/4\nL:1/8\nK:C# major\nCDEF|").value();
        assertThat(new TuneEditor(sharp).withKeyMoved(1)).isEmpty();
    }

    @Test
    void anotherMetreLeavesNotesAndBarLines() {
        Tune tune = TuneText.read("X:1\nT:Air\nM:4/4\nL:1/8\nK:D\nD2EF|G4|").value();
        String text = new TuneEditor(tune).withMetre(Metre.of(6, 8)).orElseThrow();
        assertThat(text).isEqualTo("X:1\nT:Air\nM:6/8\nL:1/8\nK:D\nD2EF|G4|");
        Tune bare = TuneText.read("X:1\nT:Air\nL:1/8\nK:D\nD2EF|").value();
        assertThat(new TuneEditor(bare).withMetre(Metre.of(3, 4)).orElseThrow()).contains("L:1/8\nM:3/4\nK:D");
    }
}
