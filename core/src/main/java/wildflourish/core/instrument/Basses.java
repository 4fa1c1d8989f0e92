package wildflourish.core.instrument;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/**
 * The basses and chords of the left hand of a two-row box.
 *
 * @param pairs one for each bass button with its chord beside it
 */
public record Basses(List<Pair> pairs) {
    private static final int OCTAVE = 12;
    /** Basses sound from E2 up, roots of chords from G3 (MIDI). */
    private static final int BASS_FROM = 40;

    private static final int CHORD_FROM = 55;
    private static final int FIFTH = 7;

    /** The roots of a bass button and its chord, as pitch classes. */
    public record Pair(int pressed, int drawn) {}

    public Basses {
        pairs = List.copyOf(pairs);
    }

    /** Reads {@code D/A,G/D}: pressed and drawn. Throws IllegalArgumentException, saying what to write, for anything else. */
    public static Basses parse(String words) {
        List<Pair> pairs = new ArrayList<>();
        for (String word : words.split(",", -1)) {
            if (!word.trim().matches("[A-G][b#♭♯]?/[A-G][b#♭♯]?")) {
                throw new IllegalArgumentException("“" + word.trim()
                        + "” is no pair of basses; write the roots pressed and drawn of each, such as D/A,G/D,B/E,C/C");
            }
            String[] roots = word.trim().split("/", 2);
            pairs.add(new Pair(pitchClass(roots[0]), pitchClass(roots[1])));
        }
        return new Basses(pairs);
    }

    private static int pitchClass(String letter) {
        String plain = letter.replace('#', '♯').replace('b', '♭');
        return Math.floorMod(WrittenPitch.parse(plain + "4").midi(), OCTAVE);
    }

    /** What boxes of a kind mostly have, as it is written; empty for other instruments. */
    public static Optional<String> usual(Instrument instrument) {
        return Table.load("layouts/basses.table").rows().stream()
                .filter(row -> instrument.id().startsWith(row.text("box")))
                .findFirst()
                .map((Row row) -> row.text("basses"));
    }

    /** Whether a chord of that root (pitch class) is there with the bellows going one way. */
    public boolean has(int root, Button.Bellows bellows) {
        return pairs.stream().anyMatch(pair -> (bellows == Button.Bellows.PRESS ? pair.pressed : pair.drawn) == root);
    }

    /** What the bass button of a root sounds (MIDI). */
    public static int bass(int root) {
        return BASS_FROM + Math.floorMod(root - BASS_FROM, OCTAVE);
    }

    /** What its chord button sounds (MIDI): root and fifth, since many players take the thirds out. */
    public static List<Integer> chord(int root) {
        int low = CHORD_FROM + Math.floorMod(root - CHORD_FROM, OCTAVE);
        return List.of(low, low + FIFTH);
    }
}
