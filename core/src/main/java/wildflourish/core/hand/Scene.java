package wildflourish.core.hand;

import java.util.List;
import java.util.Optional;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.form.Phrasing;
import wildflourish.core.line.AddedBars;
import wildflourish.core.line.FigureNotes;
import wildflourish.core.line.Line;
import wildflourish.core.line.Tone;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Stack;
import wildflourish.core.ornament.Times;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Version;

/**
 * A version as it is played: its line, how the hand holds its notes, on what and for whom. What the hand makes of the ornaments that stand in it is worked out
 * once, when it is first asked, for playing, criticism and page alike.
 */
public final class Scene {
    /** An ornament on the note before may reach so many tones back. */
    private static final int REACH = 8;

    private final Tune tune;
    private final Version version;
    private final Profile profile;
    private final Line line;
    private final Optional<HandLines> lines;
    private final Ways ways;
    private final Hand hand;
    private final Lazily<Phrasing> phrasing;
    /** For each tone what the hand makes of the ornament that begins on it; null where nobody has asked yet. */
    private final Attempt[] made;

    private Scene(Tune tune, Version version, Profile profile, Hand hand, Line line, Optional<HandLines> lines) {
        this.tune = tune;
        this.version = version;
        this.profile = profile;
        this.line = line;
        this.lines = lines;
        this.ways = Ways.of(tune, played(tune, version, line), version, lines, profile)
                .with(new Lazily<>(() -> Hands.buttonTables(tune, version, line)), Hands.knownOnButtons(tune, version));
        this.hand = hand;
        this.phrasing = new Lazily<>(() -> Phrasing.of(tune));
        this.made = new Attempt[line.tones().size()];
    }

    /** The notes as a version that makes the tune simpler has them: without those that are left out, with those that are moved. */
    private static List<Note> played(Tune tune, Version version, Line line) {
        boolean isSimpler =
                version.layers().stream().anyMatch(layer -> layer.rule().work().rewrites());
        return isSimpler
                ? tune.notes().stream()
                        .flatMap(note -> line.indexOf(note.id()).stream()
                                .map(at -> line.tones().get(at).pitches())
                                .map(note::withPitches))
                        .toList()
                : tune.notes();
    }

    private static Scene made(Tune plainTune, Version version, Profile profile, Hand hand) {
        Tune tune = AddedBars.of(FigureNotes.of(plainTune, version), version);
        Optional<HandLines> plain = Hands.plain(tune, version);
        Line line = line(tune, version, profile, hand, plain);
        return new Scene(tune, version, profile, hand, line, Hands.lines(tune, version, line, plain));
    }

    /** Of a version, with what the hand makes of its layers where the plain tune has it. */
    private static Line line(Tune tune, Version version, Profile profile, Hand hand, Optional<HandLines> plain) {
        Line line = Line.of(tune, version);
        for (Layer layer : version.layers()) {
            boolean isKnown = layer.rule()
                    .families()
                    .contains(version.playing().instrument().family());
            if (layer.isOfHand() && isKnown) {
                line = HandLayers.apply(new Scene(tune, version, profile, hand, line, plain), layer);
            }
        }
        return line;
    }

    /** The line of another version of the tune for the same player. */
    Line lineOf(Version other, Optional<HandLines> plain) {
        return line(tune, other, profile, hand, plain);
    }

    /** The same along another line, the hand being where it is. */
    Scene along(Line other) {
        return new Scene(tune, version, profile, hand, other, lines);
    }

    /** For a version, played by its instrument's own hand. */
    public static Scene of(Tune tune, Version version, Profile profile) {
        return of(tune, version, profile, Hand.of(version.playing().instrument().family()));
    }

    /** With another hand than the instrument's own. */
    public static Scene of(Tune tune, Version version, Profile profile, Hand hand) {
        return made(tune, version, profile, hand);
    }

    /** The tune with the bars that the version adds. */
    public Tune tune() {
        return tune;
    }

    /** The phrases of the tune. */
    public Phrasing phrasing() {
        return phrasing.get();
    }

    public Version version() {
        return version;
    }

    public Profile profile() {
        return profile;
    }

    public Line line() {
        return line;
    }

    /** What the hands do on strings or buttons; empty for an instrument fingered on holes. */
    public Optional<HandLines> lines() {
        return lines;
    }

    public Ways ways() {
        return ways;
    }

    public Hand hand() {
        return hand;
    }

    public Playing playing() {
        return version.playing();
    }

    public Times times() {
        return profile.times();
    }

    /** What the hand makes of the ornament that begins on a tone; empty where none does, on a rest and on a note the instrument lacks. */
    public Optional<Attempt> placed(int tone) {
        Optional<Placement> placement = line.tones().get(tone).placed();
        if (placement.isEmpty()) {
            return Optional.empty();
        }
        int count = line.countOf(tone, placement.get());
        return canSound(tone, count)
                ? Optional.of(placed(tone, count, placement.get().stack()))
                : Optional.empty();
    }

    private Attempt placed(int tone, int count, Stack stack) {
        if (made[tone] == null) {
            Optional<Attempt> earlier = line.earlierLike(tone, REACH, count + 1).map(other -> made[other]);
            made[tone] = earlier.orElseGet(() -> Attempt.of(this, tone, count, stack));
        }
        return made[tone];
    }

    /** What the hand makes of a stack on so many tones from one on; empty on a rest and on a note the instrument lacks. */
    public Optional<Attempt> attempt(int first, int count, Stack stack) {
        if (!canSound(first, count)) {
            return Optional.empty();
        }
        boolean isPlaced = line.tones()
                .get(first)
                .placed()
                .filter(each -> each.stack().equals(stack) && line.countOf(first, each) == count)
                .isPresent();
        return Optional.of(isPlaced ? placed(first, count, stack) : Attempt.of(this, first, count, stack));
    }

    /** What the hand makes of a placement where its first note is first played; empty where it never is, on a rest and on a note the instrument lacks. */
    public Optional<Attempt> attempt(Placement placement) {
        return line.indexOf(placement.span().first())
                .flatMap(at -> attempt(at, line.countOf(at, placement), placement.stack()));
    }

    private boolean canSound(int first, int count) {
        for (Tone tone : line.tones().subList(first, first + count)) {
            if (tone.isRest() || !playing().instrument().has(tone.melody())) {
                return false;
            }
        }
        return true;
    }

    Occasion occasion(int first, int count, Stack stack) {
        return Occasion.of(tune, version, times(), line, ways, new Occasion.Asked(first, count, stack));
    }
}
