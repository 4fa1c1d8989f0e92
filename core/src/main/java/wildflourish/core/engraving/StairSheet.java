package wildflourish.core.engraving;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import wildflourish.core.form.Phrase;
import wildflourish.core.form.Phrasing;
import wildflourish.core.hand.Scene;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Difference;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Version;
import wildflourish.core.words.Words;

/**
 * A phrase through all stages of a stair, one under the other with the plainest at the foot, bars in columns. What a stage adds to the one below is lit, what it changes is lit
 * otherwise, all else is quiet. Fingerings stand under the stage in hand alone; stages more than two away from it are rows of signs where there are more than five.
 *
 * @param rows from the top down
 */
public record StairSheet(Page page, List<Row> rows) {
    private static final double BETWEEN = 1.2;
    private static final double BETWEEN_PHRASES = 2.5;
    private static final double LABEL_SIZE = 1.8;
    private static final double LABEL_ROOM = 2.6;
    private static final int MOST_WHOLE = 5;
    private static final int NEAR = 2;
    /** How much wider than it needs a bar may become. */
    private static final double MOST_STRETCH = 2.9;

    /** How far a wash reaches round what is new, in staff spaces. */
    private static final double AROUND = 0.45;
    /** What belongs to a note and is not washed with it. */
    private static final Set<Drawn.Kind> ASIDE = Set.of(
            Drawn.Kind.FINGERING,
            Drawn.Kind.LETTER,
            Drawn.Kind.WORDS,
            Drawn.Kind.BEAM,
            Drawn.Kind.CURVE,
            Drawn.Kind.TUPLET,
            Drawn.Kind.ENDING);

    private static final Set<Drawn.Kind> OF_SIGNS = Set.of(
            Drawn.Kind.SIGN, Drawn.Kind.SMALL_NOTE, Drawn.Kind.DECORATION, Drawn.Kind.BAR_LINE, Drawn.Kind.SLIDE);

    /**
     * Where a stage stands on the page, in staff spaces from its top.
     *
     * @param zones of its notes; those of the stage in hand are the page's own
     */
    public record Row(int stage, double top, double bottom, List<NoteZone> zones) {
        public Row {
            zones = List.copyOf(zones);
        }

        /**
         * A version with what stands at its notes.
         *
         * @param owners the written notes that further notes of layers come from
         * @param difference from the version that it is held against
         */
        record Dress(Setting setting, Map<NoteId, NoteId> owners, Optional<Difference> difference) {}

        boolean has(double y) {
            return y >= top && y < bottom;
        }

        /** The note whose column lies nearest to a place across the page; empty where there is none. */
        public Optional<NoteId> noteNear(double x) {
            return zones.stream()
                    .filter(zone -> !zone.note().isAdded())
                    .min(Comparator.comparingDouble(
                            zone -> Math.abs((zone.head().left() + zone.head().right()) / 2 - x)))
                    .map(NoteZone::note);
        }
    }

    public StairSheet {
        rows = List.copyOf(rows);
    }

    /** The row at a height of the page; empty where there is none. */
    public Optional<Row> rowAt(double y) {
        return rows.stream().filter(row -> row.has(y)).findFirst();
    }

    /**
     * Of the phrase in which a note stands.
     *
     * @param stages the plainest first, all of one tune
     * @param inHand the stage worked on
     */
    public static StairSheet of(List<Scene> stages, int inHand, NoteId note, Score.Shows shows, Paper paper) {
        List<Integer> below = IntStream.range(-1, stages.size() - 1).boxed().toList();
        return of(stages, below, inHand, note, shows, paper);
    }

    /**
     * Of versions that need not be stages.
     *
     * @param over for each version the index of the one that it is held against; −1 for none
     */
    public static StairSheet of(
            List<Scene> versions, List<Integer> over, int inHand, NoteId note, Score.Shows shows, Paper paper) {
        return dressed(versions, over, inHand, shows, Optional.of(note)).on(paper);
    }

    /**
     * Versions with all that stands at their notes, so that they can be laid out in several sizes.
     *
     * @param at the note whose phrase is laid out; empty for every phrase of the tune, one after the other
     */
    public static Dressed dressed(
            List<Scene> versions, List<Integer> over, int inHand, Score.Shows shows, Optional<NoteId> at) {
        Tune tune = versions.get(0).tune();
        Phrasing phrasing = versions.get(0).phrasing();
        List<Phrase> phrases = at.map(
                        note -> tune.has(note) ? note : tune.notes().get(0).id())
                .map(note -> List.of(phrasing.at(tune.placeOf(note).bar())))
                .orElse(phrasing.phrases());
        Set<NoteId> asked = within(tune, phrases);
        List<Row.Dress> dresses = IntStream.range(0, versions.size())
                .parallel()
                .mapToObj(stage -> Sheet.dress(
                        versions.get(stage),
                        Optional.of(over.get(stage)).filter(under -> under >= 0).map(versions::get),
                        stage == inHand
                                ? shows
                                : shows.withFingerings(Score.Fingerings.NONE).withLetters(false),
                        asked))
                .toList();
        return new Dressed(versions, inHand, dresses, phrases);
    }

    /** The notes of phrases and the note after each, whose ornament may mark the one before it. */
    private static Set<NoteId> within(Tune tune, List<Phrase> phrases) {
        Set<NoteId> notes = new HashSet<>();
        for (Phrase phrase : phrases) {
            int after = Math.min(tune.bars().size(), phrase.lastBar() + 2);
            tune.bars()
                    .subList(phrase.firstBar(), after)
                    .forEach(bar -> bar.notes().forEach(note -> notes.add(note.id())));
        }
        return notes;
    }

    /** Versions that have been dressed for some phrases. */
    public static final class Dressed {
        private final List<Scene> versions;
        private final int inHand;
        private final List<Row.Dress> dresses;
        private final List<Phrase> phrases;

        private Dressed(List<Scene> versions, int inHand, List<Row.Dress> dresses, List<Phrase> phrases) {
            this.versions = versions;
            this.inHand = inHand;
            this.dresses = dresses;
            this.phrases = phrases;
        }

        public StairSheet on(Paper paper) {
            return new Sheet(versions, inHand, dresses, paper).laidOut(phrases);
        }
    }

    private static final class Sheet {
        private final List<Scene> stages;
        private final int inHand;
        private final List<Row.Dress> dresses;
        private final Paper paper;
        private final Sketch page = new Sketch();
        private final List<Row> rows = new ArrayList<>();
        private double y;

        Sheet(List<Scene> stages, int inHand, List<Row.Dress> dresses, Paper paper) {
            this.stages = stages;
            this.inHand = inHand;
            this.dresses = dresses;
            this.paper = paper;
            this.y = paper.margin();
        }

        private double width() {
            return paper.width() - 2 * paper.margin();
        }

        StairSheet laidOut(List<Phrase> phrases) {
            List<Setting> settings = dresses.stream().map(Row.Dress::setting).toList();
            for (Phrase phrase : phrases) {
                Set<NoteId> notes = notes(phrase);
                List<List<Integer>> bars = stages.stream()
                        .map(scene -> barsWith(scene.tune(), notes))
                        .toList();
                if (!notes.isEmpty()) {
                    split(settings, bars);
                    y += phrases.size() > 1 ? BETWEEN_PHRASES : 0;
                }
            }
            return new StairSheet(new Page(paper.width(), y + paper.margin(), page.drawn(), page.zones()), rows);
        }

        /** The notes of a phrase, as the plainest stage has it; stages above may have bars of their own before it. */
        private Set<NoteId> notes(Phrase phrase) {
            return stages.get(0).tune().bars().subList(phrase.firstBar(), phrase.lastBar() + 1).stream()
                    .flatMap(bar -> bar.notes().stream())
                    .map(Note::id)
                    .filter(id -> !id.isAdded())
                    .collect(Collectors.toSet());
        }

        private static List<Integer> barsWith(Tune tune, Set<NoteId> notes) {
            return IntStream.range(0, tune.bars().size())
                    .filter(bar -> tune.bars().get(bar).notes().stream().anyMatch(each -> notes.contains(each.id())))
                    .boxed()
                    .toList();
        }

        static Row.Dress dress(Scene scene, Optional<Scene> under, Score.Shows shows, Set<NoteId> asked) {
            Score score = Score.of(scene, shows);
            Dressing dressing = Dressing.of(scene, span -> asked.contains(span.first()) || asked.contains(span.last()));
            WrittenOut written = WrittenOut.of(scene, dressing.tune());
            return new Row.Dress(
                    Setting.of(score.with(written.tune()), dressing.small(), written.touches()),
                    written.owners(),
                    under.map(other -> Difference.between(scene.tune(), other.version(), scene.version())));
        }

        /** All stages of some bars, or of half of them and then of the other half where they are too wide together. */
        private void split(List<Setting> settings, List<List<Integer>> bars) {
            List<SystemEngraver> systems = new ArrayList<>();
            for (int stage = 0; stage < settings.size(); stage++) {
                systems.add(system(settings.get(stage), bars.get(stage)));
            }
            double least = systems.stream()
                    .mapToDouble(SystemEngraver::leastWidth)
                    .max()
                    .orElse(0);
            int count = bars.get(0).size();
            if (count > 1 && least * 1.1 > width()) {
                int half = (count + 1) / 2;
                split(settings, bars.stream().map(each -> each.subList(0, half)).toList());
                split(
                        settings,
                        bars.stream().map(each -> each.subList(half, count)).toList());
                return;
            }
            double[] edges = edges(systems, count);
            for (int stage = stages.size() - 1; stage >= 0; stage--) {
                row(stage, systems.get(stage).engrave(edges));
            }
        }

        private SystemEngraver system(Setting setting, List<Integer> bars) {
            Tune tune = setting.score().tune();
            return new SystemEngraver(
                    setting, bars.stream().map(bar -> new BarSetting(tune, bar)).toList(), width());
        }

        /** Each bar as wide as the stage that needs most of it, all stretched alike to the width of the paper. */
        private double[] edges(List<SystemEngraver> systems, int bars) {
            double[] widest = new double[bars];
            double start = 0;
            for (SystemEngraver system : systems) {
                double[] wishes = system.wishes();
                for (int bar = 0; bar < bars; bar++) {
                    widest[bar] = Math.max(widest[bar], wishes[bar]);
                }
                start = Math.max(start, system.start());
            }
            double all = 0;
            for (double each : widest) {
                all += each;
            }
            double stretch = Math.min(MOST_STRETCH, (width() - start - 1) / all);
            double[] edges = new double[bars + 1];
            edges[0] = start;
            for (int bar = 0; bar < bars; bar++) {
                edges[bar + 1] = edges[bar] + widest[bar] * stretch;
            }
            return edges;
        }

        private void row(int stage, Sketch laidOut) {
            Sketch system = named(stage, laidOut);
            boolean isWhole = stages.size() <= MOST_WHOLE || Math.abs(stage - inHand) <= NEAR;
            Sketch row = new Sketch();
            lit(stage, system, row);
            Set<NoteId> loud = new HashSet<>();
            dresses.get(stage).difference().ifPresent(difference -> {
                loud.addAll(difference.newNotes());
                loud.addAll(difference.changedNotes());
            });
            for (Drawn each : system.drawn()) {
                boolean isSign = each.subject().kind() == Drawn.Kind.SIGN
                        || each.subject().kind() == Drawn.Kind.SMALL_NOTE;
                boolean isQuiet =
                        isSign && each.subject().note().filter(loud::contains).isEmpty();
                if (isWhole || OF_SIGNS.contains(each.subject().kind())) {
                    row.drawn().add(isQuiet ? new Drawn(each.mark(), Ink.QUIET, each.subject()) : each);
                }
            }
            system.zones().forEach(row::zone);
            place(stage, row);
        }

        /** Notes that layers have added go by the written ones they come from. */
        private Sketch named(int stage, Sketch laidOut) {
            Map<NoteId, NoteId> names = dresses.get(stage).owners();
            if (names.isEmpty()) {
                return laidOut;
            }
            Page renamed = new Page(0, 0, laidOut.drawn(), laidOut.zones()).renamed(names);
            Sketch system = new Sketch();
            system.drawn().addAll(renamed.drawn());
            renamed.zones().forEach(system::zone);
            return system;
        }

        /** Washes behind the notes on which something is new or has become something else. */
        private void lit(int stage, Sketch system, Sketch row) {
            dresses.get(stage).difference().ifPresent(difference -> {
                difference.added().forEach(placement -> wash(stage, placement, Ink.NEW, system, row));
                difference.changed().forEach(change -> wash(stage, change.after(), Ink.CHANGED, system, row));
            });
        }

        private void wash(int stage, Placement placement, Ink ink, Sketch system, Sketch row) {
            List<NoteId> notes = placement.span().notes(stages.get(stage).tune()).stream()
                    .map(Note::id)
                    .toList();
            system.drawn().stream()
                    .filter(each ->
                            each.subject().note().filter(notes::contains).isPresent())
                    .filter(each -> !ASIDE.contains(each.subject().kind()))
                    .map(each -> each.mark().box())
                    .reduce(Box::and)
                    .map(box -> new Box(
                            box.left() - AROUND, box.top() - AROUND, box.right() + AROUND, box.bottom() + AROUND))
                    .ifPresent(box -> row.add(
                            new Mark.Shape(
                                    Outline.polygon(
                                            box.left(),
                                            box.top(),
                                            box.right(),
                                            box.top(),
                                            box.right(),
                                            box.bottom(),
                                            box.left(),
                                            box.bottom()),
                                    0),
                            ink,
                            Drawn.Kind.PICTURE,
                            placement.span().first()));
        }

        private void place(int stage, Sketch row) {
            Optional<Box> around = row.box();
            if (around.isEmpty()) {
                return;
            }
            Version version = stages.get(stage).version();
            Sketch labelled = new Sketch();
            double top = around.get().top() - LABEL_ROOM;
            String words =
                    version.name() + "   " + Words.tempo(version.playing().tempo()) + "   "
                            + (version.ornamented() == 0 ? "plain" : version.ornamented() + " placed");
            labelled.add(
                    new Mark.Words(
                            Face.BODY.drawable(words),
                            0,
                            top + LABEL_SIZE,
                            stage == inHand ? Face.BOLD : Face.BODY,
                            LABEL_SIZE),
                    stage == inHand ? Ink.WORDS : Ink.QUIET,
                    Drawn.Kind.WORDS);
            labelled.addAll(row, 0, 0);
            double height = around.get().bottom() - top;
            double down = paper.whole(y - top);
            Sketch placed = new Sketch();
            placed.addAll(labelled, paper.margin(), down);
            page.drawn().addAll(placed.drawn());
            if (stage == inHand) {
                placed.zones().forEach(page::zone);
            }
            rows.add(new Row(stage, y, y + height + BETWEEN, placed.zones()));
            y += height + BETWEEN;
        }
    }
}
