package wildflourish.core.engraving;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.form.Phrase;
import wildflourish.core.form.Phrasing;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Strings;
import wildflourish.core.tune.Form;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;
import wildflourish.core.words.Cautions;
import wildflourish.core.words.StairWords;
import wildflourish.core.words.Words;

/**
 * Lays a score out on pages: heading, a system for each line, words, key to signs. Same score and paper, same display list. Nothing of an
 * ornament is worked out here: signs draw its shape, the key reads the realisation.
 */
public final class Engraver {
    private static final double BETWEEN_SYSTEMS = 2.0;
    private static final double FOOTER_SIZE = 1.45;
    private static final double FOOTER_STEP = 1.9;

    private final Score score;
    private final Paper paper;
    private final Setting setting;
    private final Optional<Phrase> only;
    private final Below below;
    private final List<Page> pages = new ArrayList<>();
    private Sketch page = new Sketch();
    private final Map<NoteId, NoteId> owners;
    private double y;

    /**
     * What stands below the score.
     *
     * @param blocks each kept together
     * @param cautions at the foot of every page, a paragraph each; the usual ones of the instrument where there are none
     */
    record Below(List<Sketch> blocks, List<String> cautions) {
        static final Below NOTHING = new Below(List.of(), List.of());
    }

    private Engraver(Score score, Paper paper, Optional<NoteId> only, Below below) {
        this.below = below;
        Score staged = score.staged();
        Tune whole = staged.tune();
        this.only = only.map(note -> Phrasing.of(whole).at(whole.placeOf(note).bar()));
        Dressing dressing = staged.scene()
                .filter(scene -> staged.shows().signs())
                .map(Dressing::of)
                .orElse(Dressing.none(whole));
        WrittenOut written = staged.scene()
                .filter(scene -> staged.shows().signs())
                .map(scene -> WrittenOut.of(scene, dressing.tune()))
                .orElse(WrittenOut.none(dressing.tune()));
        this.score = staged.with(written.tune());
        this.paper = paper;
        this.owners = written.owners();
        this.setting = Setting.of(this.score, dressing.small(), written.touches());
        this.y = paper.margin();
    }

    public static List<Page> engrave(Score score, Paper paper) {
        return engrave(score, paper, Below.NOTHING);
    }

    static List<Page> engrave(Score score, Paper paper, Below below) {
        return new Engraver(score, paper, Optional.empty(), below).named();
    }

    /** One phrase alone, under its name. */
    public static List<Page> engrave(Score score, Paper paper, NoteId only) {
        return new Engraver(score, paper, Optional.of(only), Below.NOTHING).named();
    }

    private double width() {
        return paper.width() - 2 * paper.margin();
    }

    private boolean isPrinted() {
        return Double.isFinite(paper.height());
    }

    /** The pages, on which every note that layers have added goes by the written one it comes from. */
    private List<Page> named() {
        List<Page> laidOut = run();
        return owners.isEmpty()
                ? laidOut
                : laidOut.stream().map(each -> each.renamed(owners)).toList();
    }

    private List<Page> run() {
        if (score.shows().heading()) {
            place(heading(), 0);
        }
        for (SystemEngraver system : systems()) {
            place(system.engrave(), BETWEEN_SYSTEMS);
        }
        if (only.isPresent()) {
            finishPage();
            return List.copyOf(pages);
        }
        List<String> handWords = handWords();
        if (score.shows().fingerings() != Score.Fingerings.NONE && !handWords.isEmpty()) {
            place(handKey(handWords), BETWEEN_SYSTEMS);
        }
        if (!score.tune().header().words().isEmpty()) {
            place(verses(), BETWEEN_SYSTEMS);
        }
        if (score.shows().signs() && score.version().isPresent()) {
            place(sentences(score.version().get()), BETWEEN_SYSTEMS);
        }
        if (score.shows().keyToSigns() && score.scene().isPresent()) {
            place(KeyToSigns.block(score.scene().get(), width()), BETWEEN_SYSTEMS + 1);
        }
        below.blocks().forEach(block -> place(block, BETWEEN_SYSTEMS));
        finishPage();
        return List.copyOf(pages);
    }

    /** Puts a block below what is there, on a new page when it does not fit. */
    private void place(Sketch block, double gap) {
        Optional<Box> around = block.box();
        if (around.isEmpty()) {
            return;
        }
        Box box = around.get();
        double top = y + gap;
        if (top + box.height() > limit() && !page.drawn().isEmpty()) {
            finishPage();
            top = paper.margin();
        }
        double down = paper.whole(top - box.top());
        page.addAll(block, paper.margin(), down);
        y = down + box.bottom();
    }

    private void finishPage() {
        double height = isPrinted() ? paper.height() : y + paper.margin();
        if (isPrinted()) {
            footer();
        }
        pages.add(new Page(paper.width(), height, page.drawn(), page.zones()));
        page = new Sketch();
        y = paper.margin();
    }

    private void footer() {
        double at = firstFooterLine();
        for (String line : footerLines()) {
            page.add(new Mark.Words(line, paper.margin(), at, Face.BODY, FOOTER_SIZE), Ink.QUIET, Drawn.Kind.WORDS);
            at += FOOTER_STEP;
        }
    }

    private List<String> footerLines() {
        List<String> paragraphs = below.cautions().isEmpty() ? List.of(Cautions.brief(family())) : below.cautions();
        return paragraphs.stream()
                .flatMap(each -> Face.BODY.wrapped(each, FOOTER_SIZE, width()).stream())
                .toList();
    }

    private Optional<Family> family() {
        return score.version().map(version -> version.playing().instrument().family());
    }

    /** The baseline of the footer's first line; the last one reaches down into a margin that is deep enough. */
    private double firstFooterLine() {
        double last = paper.height() - Math.max(paper.margin() - 1.5, 0.4 * FOOTER_SIZE);
        return last - (footerLines().size() - 1) * FOOTER_STEP;
    }

    /** How far down a page may be filled. */
    private double limit() {
        return isPrinted() ? firstFooterLine() - 2 * FOOTER_SIZE : Double.POSITIVE_INFINITY;
    }

    // Blocks

    private Sketch heading() {
        Sketch sketch = new Sketch();
        Tune tune = score.tune();
        String title = only.map(phrase -> phrase.name() + " of " + tune.title()).orElse(tune.title());
        double size = only.isPresent() ? 2.4 : 3.6;
        sketch.words(fitted(title, Face.TITLE, size), 0, 2.8, Face.TITLE, size);
        sketch.add(
                new Mark.Words(Face.BODY.drawable(subtitle()), 0, 5.4, Face.BODY, 1.75), Ink.QUIET, Drawn.Kind.WORDS);
        tune.header().credits().composer().ifPresent(name -> {
            String words = Face.ITALIC.drawable(name);
            double x = width() - Face.ITALIC.width(words, 1.75);
            sketch.add(new Mark.Words(words, x, 5.4, Face.ITALIC, 1.75), Ink.QUIET, Drawn.Kind.WORDS);
        });
        return sketch;
    }

    private String fitted(String words, Face face, double size) {
        String fitted = words;
        while (fitted.length() > 4 && face.width(fitted, size) > width()) {
            fitted = fitted.substring(0, fitted.length() - 2).stripTrailing() + "…";
        }
        return fitted;
    }

    private String subtitle() {
        Tune tune = score.tune();
        String kind = tune.header().type().name() + " · " + tune.header().key().name();
        return score.version()
                .map(version -> {
                    Playing playing = version.playing();
                    boolean isShownPlain = !score.shows().signs() && !version.isPlain();
                    String name = isShownPlain ? "plain" : version.name();
                    String second = score.shows()
                            .second()
                            .map(instrument -> ", below it " + instrument.name())
                            .orElse("");
                    return kind + " · " + name + " · " + playing.instrument().name() + second + " · "
                            + Words.tempo(playing.tempo());
                })
                .orElse(kind);
    }

    /** What the signs of strings and buttons under the notes mean. */
    private List<String> handWords() {
        Set<String> words = new LinkedHashSet<>();
        for (Setting.Hand hand : setting.hands()) {
            if (hand.instrument().buttons().stream().anyMatch(layout -> !layout.isSameBothWays())) {
                words.add("A box round a button: press. A bare one: draw.");
            }
            hand.lines().ifPresent(lines -> {
                lines.strings().ifPresent(stroke -> words.add(strokes(stroke, lines)));
                if (lines.troubles().stream().anyMatch(trouble -> trouble.why().leavesMelody())) {
                    words.add("A cross after a finger: a note under it cannot be held and is left out.");
                }
            });
        }
        return List.copyOf(words);
    }

    private static String strokes(Strings.Stroke stroke, HandLines lines) {
        String order = lines.order().orElse("");
        String kept = lines.kept().isEmpty() ? "" : " A bracket: the finger stays down.";
        return switch (stroke) {
            case BOW -> "Bows: " + order + "; a note without a sign is on the bow before it." + kept;
            case PICK -> "Pick: " + order + "." + kept;
            case BANJO -> "Picking hand: " + order + "; " + fingers(lines) + "." + kept;
        };
    }

    /** What the letters of a banjo hand stand for, those that occur. */
    private static String fingers(HandLines lines) {
        return lines.touches().values().stream()
                .map(HandLines.Touch::stroke)
                .distinct()
                .sorted()
                .map(stroke -> stroke.name().charAt(0) + " " + stroke.name().toLowerCase(Locale.ROOT))
                .collect(Collectors.joining(", "));
    }

    private static Sketch handKey(List<String> words) {
        Sketch sketch = new Sketch();
        for (int i = 0; i < words.size(); i++) {
            sketch.add(new Mark.Words(words.get(i), 0, i * 2.3, Face.ITALIC, 1.6), Ink.QUIET, Drawn.Kind.WORDS);
        }
        return sketch;
    }

    /** The teacher's own sentences: about the whole, then each with the place it is about. */
    private Sketch sentences(Version version) {
        List<String> lines = new ArrayList<>();
        String whole = StairWords.toStudents(version.label());
        if (!whole.isEmpty()) {
            lines.add(whole);
        }
        Tune tune = score.tune();
        for (Note note : tune.notes()) {
            String said = version.at(note.id()).map(Spot::sentence).orElse("");
            if (!said.isEmpty()) {
                lines.add(Words.place(tune, note) + ": " + said.replaceAll("\\s+", " "));
            }
        }
        Sketch sketch = new Sketch();
        double at = 0;
        for (String line : lines) {
            for (String wrapped : Face.BODY.wrapped(Face.BODY.drawable(line), 1.75, width())) {
                sketch.add(new Mark.Words(wrapped, 0, at, Face.BODY, 1.75), Ink.WORDS, Drawn.Kind.SENTENCE);
                at += 2.3;
            }
        }
        return sketch;
    }

    private Sketch verses() {
        Sketch sketch = new Sketch();
        double at = 0;
        for (String line : score.tune().header().words()) {
            for (String wrapped : Face.BODY.wrapped(Face.BODY.drawable(line), 1.75, width())) {
                sketch.words(wrapped, 0, at, Face.BODY, 1.75);
                at += 2.3;
            }
        }
        return sketch;
    }

    // Systems

    /** A system for each line; one that cannot be squeezed into the width is halved at a bar line until it can, and a bar by itself at a beat. */
    private List<SystemEngraver> systems() {
        List<SystemEngraver> systems = new ArrayList<>();
        for (Form.Line row : score.tune().form().lines()) {
            List<Integer> bars = IntStream.rangeClosed(row.firstBar(), row.lastBar())
                    .filter(bar -> !score.tune().bars().get(bar).notes().isEmpty())
                    .filter(bar -> only.map(phrase -> phrase.has(bar)).orElse(true))
                    .boxed()
                    .toList();
            if (!bars.isEmpty()) {
                split(
                        bars.stream()
                                .map(bar -> new BarSetting(score.tune(), bar))
                                .toList(),
                        systems);
            }
        }
        return systems;
    }

    private void split(List<BarSetting> bars, List<SystemEngraver> systems) {
        SystemEngraver system = new SystemEngraver(setting, bars, width());
        boolean isOneNote = bars.size() == 1 && bars.get(0).columns.size() < 2;
        if (isOneNote || system.leastWidth() <= width()) {
            systems.add(system);
            return;
        }
        if (bars.size() == 1) {
            bars.get(0).halves(score.tune()).forEach(half -> split(List.of(half), systems));
            return;
        }
        int half = (bars.size() + 1) / 2;
        split(bars.subList(0, half), systems);
        split(bars.subList(half, bars.size()), systems);
    }
}
