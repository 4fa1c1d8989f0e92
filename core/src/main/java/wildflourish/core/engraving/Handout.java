package wildflourish.core.engraving;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import wildflourish.core.fingering.Habit;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.plain.HandFrame;
import wildflourish.core.plain.Needs;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Difference;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;
import wildflourish.core.words.Cautions;
import wildflourish.core.words.FormWords;
import wildflourish.core.words.NeedsWords;
import wildflourish.core.words.StairWords;
import wildflourish.core.words.Words;

/**
 * What a student takes home of a plain tune: the notes with letters and fingerings, where it starts and what comes back, the hard spots, the teacher's
 * own sentences with room for more, the cautions.
 */
public final class Handout {
    private static final int RULES = 3;
    private static final double SIZE = 1.75;
    private static final double LINE = 2.3;
    private static final double RULE = 3.4;

    private final Tune tune;
    private final Version version;
    private final Profile profile;
    private final double width;

    private Handout(Tune tune, Version version, Profile profile, Paper paper) {
        this.tune = tune;
        this.version = version;
        this.profile = profile;
        this.width = paper.width() - 2 * paper.margin();
    }

    /**
     * On pages of a paper.
     *
     * @param version whose instrument and pinned fingerings are shown and whose sentences are printed; its ornaments are left out
     * @param second another instrument of the class, whose fingerings stand below
     */
    public static List<Page> of(Tune tune, Version version, Optional<Instrument> second, Paper paper) {
        return of(tune, version, second, Profile.usual(), paper);
    }

    /** The same for a student, with the fingerings that student keeps to. */
    public static List<Page> of(Tune tune, Version version, Optional<Instrument> second, Profile profile, Paper paper) {
        Score.Shows shows = Score.Shows.PLAIN.withLetters(true).withSecond(second);
        Score score = new Score(tune, Optional.of(withoutOrnaments(version)), shows, profile);
        Handout handout = new Handout(tune, version, profile, paper);
        List<String> cautions = Cautions.full(handout.instrument().family());
        return Engraver.engrave(score, paper, new Engraver.Below(handout.blocks(), cautions));
    }

    /**
     * The plain tune, then each of some stages decorated with its key to signs and with what it has over the one before, in words.
     *
     * @param stages of the stair, the plainest first; those in which nothing is placed have no page of their own
     */
    public static List<Page> ofStages(
            Tune tune, List<Version> stages, Optional<Instrument> second, Profile profile, Paper paper) {
        Version foot = stages.get(0);
        List<Page> pages = new ArrayList<>(of(tune, foot, second, profile, paper));
        Version before = withoutOrnaments(foot);
        for (Version stage : stages) {
            if (!stage.isPlain()) {
                Handout handout = new Handout(tune, stage, profile, paper);
                List<String> words = StairWords.of(Difference.between(tune, before, stage), tune);
                Sketch news = handout.block("What is new", words.isEmpty() ? List.of("Nothing.") : sentences(words));
                Score score = new Score(tune, Optional.of(stage), Score.Shows.PRINT.withSecond(second), profile);
                List<String> cautions = Cautions.full(handout.instrument().family());
                pages.addAll(Engraver.engrave(score, paper, new Engraver.Below(List.of(news), cautions)));
            }
            before = stage;
        }
        return pages;
    }

    private static List<String> sentences(List<String> lines) {
        return lines.stream()
                .map(line -> line.substring(0, 1).toUpperCase(Locale.ROOT) + line.substring(1) + ".")
                .toList();
    }

    /** For an instrument that nothing has been worked out on yet. */
    public static Version plain(Tune tune, Instrument instrument) {
        return Version.plain("plain", Playing.usual(tune, instrument));
    }

    private static Version withoutOrnaments(Version version) {
        Version plain = version;
        for (Spot spot : version.spots().values()) {
            plain = plain.without(spot.at());
        }
        return plain.withName("plain");
    }

    private List<Sketch> blocks() {
        return Stream.of(
                        block("To begin", List.of(FormWords.start(tune))),
                        block("What comes back", comesBack()),
                        block("Take care here", hardSpots()),
                        underTheHand(),
                        ownWords())
                .filter(block -> !block.drawn().isEmpty())
                .toList();
    }

    /** How the fingers lie on strings, phrase by phrase; nothing on other instruments. */
    private Sketch underTheHand() {
        return instrument()
                .strings()
                .map(strings -> HandFrames.block(frames(tune, version), strings, width))
                .orElseGet(Sketch::new);
    }

    /** How the fingers lie in a tune as a version plays it. */
    public static List<HandFrame> frames(Tune tune, Version version) {
        Playing playing = version.playing();
        return HandFrame.of(tune, playing.instrument(), playing.schools(), playing.tempo());
    }

    private Instrument instrument() {
        return version.playing().instrument();
    }

    private List<String> comesBack() {
        return FormWords.of(tune).subList(0, 2);
    }

    private List<String> hardSpots() {
        Needs needs = Needs.of(tune, instrument(), version.playing().tempo(), Habit.of(profile.otherHand(), tune));
        List<String> hardest = NeedsWords.hardest(needs, tune);
        return hardest.isEmpty()
                ? List.of("Nothing out of the way.")
                : hardest.stream().map(Handout::withoutHard).toList();
    }

    /** The heading says already that it is hard. */
    private static String withoutHard(String line) {
        String words = line.replaceFirst("^Hard, ", "");
        return words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
    }

    private Sketch block(String heading, List<String> lines) {
        Sketch sketch = heading(heading);
        lines(sketch, lines, LINE);
        return sketch;
    }

    private static Sketch heading(String words) {
        Sketch sketch = new Sketch();
        sketch.words(words, 0, 0, Face.BOLD, SIZE);
        return sketch;
    }

    /** Writes lines from a baseline on; returns the baseline after them. */
    private double lines(Sketch sketch, List<String> lines, double from) {
        double at = from;
        for (String line : lines) {
            for (String wrapped : Face.BODY.wrapped(Face.BODY.drawable(line), SIZE, width)) {
                sketch.words(wrapped, 0, at, Face.BODY, SIZE);
                at += LINE;
            }
        }
        return at;
    }

    /** The teacher's sentences, each with its place, and ruled lines for more by hand. */
    private Sketch ownWords() {
        Sketch sketch = heading("From your teacher");
        List<String> said = Stream.concat(
                        Stream.of(StairWords.toStudents(version.label())),
                        tune.notes().stream()
                                .filter(note -> !sentence(note).isEmpty())
                                .map(note -> Words.place(tune, note) + ": "
                                        + sentence(note).replaceAll("\\s+", " ")))
                .filter(line -> !line.isEmpty())
                .toList();
        double at = lines(sketch, said, LINE) - LINE;
        for (int rule = 1; rule <= RULES; rule++) {
            double y = at + rule * RULE;
            sketch.add(new Mark.Line(0, y, width, y, 0.1), Ink.QUIET, Drawn.Kind.WORDS);
        }
        return sketch;
    }

    private String sentence(Note note) {
        return version.at(note.id()).map(Spot::sentence).orElse("");
    }
}
