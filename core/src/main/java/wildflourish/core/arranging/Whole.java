package wildflourish.core.arranging;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Key;
import wildflourish.core.music.Metre;
import wildflourish.core.music.Tempo;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.Duration;
import wildflourish.core.tune.Manuscript;
import wildflourish.core.tune.Marks;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.PlayOrder;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.Tuplet;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Times;
import wildflourish.core.version.Version;

/**
 * A performance as one tune and one version of it: stretches of a tune one after the other, each as a version has it, repeats played out. So one hand plays it all, joins
 * too, and whatever is made of a tune can be made of it.
 *
 * @param step what the numbers of a note's copies differ by, so that each tells which note it is a copy of
 * @param sections in the order in which they are played
 */
public record Whole(Tune tune, Version version, int step, List<Section> sections) {
    /** What a section is called in which the last note is held. */
    public static final String JOIN = "Join";

    /** What a section is called in which the end comes once more. */
    public static final String TAG = "Tag";

    /** A stretch of bars of the whole, from 0, and what is played in it. */
    public record Section(String name, int firstBar, int lastBar) {}

    /** A stretch of a tune as a version has it: bars as written, in the order in which they are played, with the times through. */
    private record Stretch(String name, Version version, List<PlayOrder.Played> bars) {}

    public Whole {
        sections = List.copyOf(sections);
    }

    /** The plan of a stair. Throws IllegalArgumentException, saying which, where a version it names is not there. */
    public static Whole of(Tune tune, Stair stair, Times times) {
        List<PlayOrder.Played> all = PlayOrder.of(tune);
        Version first = named(stair, times.turns().get(0));
        Version last = named(stair, times.turns().get(times.turns().size() - 1));
        Making making = new Making(tune, first.playing().withTempo(times.tempo()));
        making.add(new Stretch("Intro", Version.plain("Intro", first.playing()), end(all, times.intro())));
        for (int turn = 0; turn < times.turns().size(); turn++) {
            if (turn > 0) {
                making.hold(times.join());
            }
            String name = times.turns().get(turn);
            making.add(new Stretch((turn + 1) + " " + name, inTurn(named(stair, name), times, turn), all));
        }
        making.add(new Stretch(TAG, withoutAdded(last), end(all, times.tag())));
        return making.made();
    }

    /** Some bars, in each version in turn, without what else is played there. The tempo is that of the slowest version. */
    public static Whole of(Tune tune, List<Version> versions, int firstBar, int lastBar) {
        Playing playing = versions.get(0).playing().withTempo(slowest(versions));
        Making making = new Making(tune, playing);
        List<PlayOrder.Played> bars = new ArrayList<>();
        for (int bar = firstBar; bar <= lastBar; bar++) {
            bars.add(new PlayOrder.Played(bar, 1));
        }
        versions.forEach(version -> making.add(new Stretch(version.name(), withoutAdded(version), bars)));
        return making.made();
    }

    private static Version withoutAdded(Version version) {
        return version.withLayers(version.layers().stream()
                .filter(layer -> !layer.rule().work().addsBars())
                .toList());
    }

    /** The slowest tempo of some versions. */
    public static Tempo slowest(List<Version> versions) {
        return versions.stream()
                .map(version -> version.playing().tempo())
                .min(Comparator.comparing(tempo -> tempo.beatsPerMinute().times(tempo.beatLength())))
                .orElseThrow();
    }

    /** A version as it is played in one turn of a plan: bars that it adds before the tune open the first turn, those after it close the last, unless the plan has its own there. */
    public static Version inTurn(Version version, Times times, int turn) {
        boolean opens = turn == 0 && times.intro() == 0;
        boolean closes = turn == times.turns().size() - 1 && times.tag() == 0;
        return version.withLayers(version.layers().stream()
                .filter(layer -> opens || layer.rule().work() != Layer.Work.INTRO)
                .filter(layer -> closes || layer.rule().work() != Layer.Work.TAG)
                .toList());
    }

    private static Version named(Stair stair, String name) {
        return stair.named(name)
                .orElseThrow(() -> new IllegalArgumentException("the plan names a version “" + name
                        + "” that is not there; there are "
                        + String.join(
                                ", ",
                                stair.versions().stream().map(Version::name).toList())));
    }

    /** The last bars played, so many. */
    private static List<PlayOrder.Played> end(List<PlayOrder.Played> all, int count) {
        return all.subList(Math.max(0, all.size() - count), all.size());
    }

    /** The note of the tune that one here is a copy of; empty for those that are added. */
    public Optional<NoteId> original(NoteId copy) {
        return copy.isAdded() ? Optional.empty() : Optional.of(new NoteId(copy.number() % step));
    }

    /** The section in which a note of the whole stands. */
    public Section sectionOf(NoteId note) {
        int bar = tune.placeOf(note).bar();
        return sections.stream()
                .filter(section -> section.firstBar() <= bar && bar <= section.lastBar())
                .findFirst()
                .orElseThrow();
    }

    private static final class Making {
        private final Tune tune;
        private final Playing playing;
        private final int step;
        private final List<Bar> bars = new ArrayList<>();
        private final List<Tuplet> tuplets = new ArrayList<>();
        private final Map<NoteId, Spot> spots = new HashMap<>();
        private final List<Layer> layers = new ArrayList<>();
        private final List<Section> sections = new ArrayList<>();
        private Key key;
        private Metre metre;
        private int copies;
        private int added = -1;

        Making(Tune tune, Playing playing) {
            this.tune = tune;
            this.playing = playing;
            this.step = 1
                    + tune.notes().stream()
                            .mapToInt(note -> note.id().number())
                            .max()
                            .orElse(0);
            this.key = tune.header().key();
            this.metre = tune.header().metre();
        }

        void add(Stretch stretch) {
            if (stretch.bars().isEmpty()) {
                return;
            }
            int first = bars.size();
            Bar.Change named = Bar.Change.NONE.withPart(stretch.name());
            Optional<Fraction> lacking =
                    lacking(tune.bars().get(stretch.bars().get(0).bar()).length());
            lacking.ifPresent(length -> bars.add(held(last().orElseThrow(), length, named)));
            Bar.Change label = lacking.isPresent() ? Bar.Change.NONE : named;
            List<PlayOrder.Played> run = new ArrayList<>();
            boolean isFirst = true;
            for (PlayOrder.Played played : stretch.bars()) {
                boolean goesOn = run.isEmpty()
                        || (run.get(run.size() - 1).bar() + 1 == played.bar()
                                && run.get(run.size() - 1).pass() == played.pass());
                if (!goesOn) {
                    layers(stretch.version(), run);
                    run.clear();
                }
                run.add(played);
                bar(stretch.version(), played, isFirst ? label : Bar.Change.NONE);
                isFirst = false;
            }
            layers(stretch.version(), run);
            sections.add(new Section(stretch.name(), first, bars.size() - 1));
        }

        /** What the last bar lacks before a whole bar follows; empty where it lacks nothing, and where a pickup fills it. */
        private Optional<Fraction> lacking(Fraction next) {
            if (bars.isEmpty() || last().isEmpty() || next.isLessThan(metre.barLength())) {
                return Optional.empty();
            }
            Fraction missing = metre.barLength().minus(bars.get(bars.size() - 1).length());
            return Optional.of(missing).filter(length -> length.isPositive() && length.isLessThan(metre.barLength()));
        }

        private Optional<Note> last() {
            return tune.notes().stream().filter(note -> !note.isRest()).reduce((one, other) -> other);
        }

        private NoteId copy(NoteId note, int copy) {
            return new NoteId(copy * step + note.number());
        }

        /** A bar once more, with what stands in it on that time through. */
        private void bar(Version version, PlayOrder.Played played, Bar.Change label) {
            Bar written = tune.bars().get(played.bar());
            int copy = copies++;
            List<Note> notes = written.notes().stream()
                    .map(note -> new Note(
                            copy(note.id(), copy), note.pitches(), note.duration(), note.marks(), note.cents()))
                    .toList();
            Bar.Change change = label;
            if (!tune.keyAt(played.bar()).equals(key)) {
                key = tune.keyAt(played.bar());
                change = change.withKey(key);
            }
            if (!tune.metreAt(played.bar()).equals(metre)) {
                metre = tune.metreAt(played.bar());
                change = change.withMetre(metre);
            }
            boolean endsPart = played.bar() == tune.form().partAt(played.bar()).lastBar();
            bars.add(new Bar(
                    notes, new Bar.Sides(BarLine.NONE, endsPart ? BarLine.DOUBLE : BarLine.SINGLE), List.of(), change));
            for (Tuplet tuplet : tune.tuplets()) {
                if (tune.placeOf(tuplet.first()).bar() == played.bar()) {
                    tuplets.add(new Tuplet(
                            copy(tuplet.first(), copy), copy(tuplet.last(), copy), tuplet.actual(), tuplet.inTimeOf()));
                }
            }
            for (Note note : written.notes()) {
                version.at(note.id())
                        .map(spot -> spot(spot, played, copy))
                        .ifPresent(spot -> spots.put(spot.at(), spot));
            }
        }

        private Spot spot(Spot spot, PlayOrder.Played played, int copy) {
            List<Placement> options = spot.playedOn(played.pass()).stream()
                    .filter(placement -> placement.span().isInOneBar(tune))
                    .map(placement -> Placement.of(
                            placement.stack(),
                            new Span(
                                    copy(placement.span().first(), copy),
                                    copy(placement.span().last(), copy))))
                    .toList();
            return Spot.bare(copy(spot.at(), copy))
                    .withOptions(options)
                    .withSentence(spot.sentence())
                    .withPin(spot.pin());
        }

        /** The layers over bars that are played one after the other as they are written, up to the last one copied. */
        private void layers(Version version, List<PlayOrder.Played> run) {
            int firstCopy = copies - run.size();
            for (Layer layer : version.layers()) {
                boolean isOnce = layer.rule().work() == Layer.Work.INTRO && firstCopy > 0;
                boolean isPlayed = layer.passes().has(run.get(0).pass()) && !isOnce;
                List<NoteId> covered = new ArrayList<>();
                for (int i = 0; isPlayed && i < run.size(); i++) {
                    for (Note note : tune.bars().get(run.get(i).bar()).notes()) {
                        if (layer.covers(tune, note.id())) {
                            covered.add(copy(note.id(), firstCopy + i));
                        }
                    }
                }
                if (!covered.isEmpty()) {
                    layers.add(layer.over(new Span(covered.get(0), covered.get(covered.size() - 1)), Passes.EVERY));
                }
            }
        }

        /** The tune's last note is held for so many bars; what its last bar lacks comes first. */
        void hold(int count) {
            if (count == 0 || last().isEmpty()) {
                return;
            }
            Note last = last().get();
            Fraction whole = metre.barLength();
            Fraction missing = whole.minus(bars.get(bars.size() - 1).length());
            boolean isShort = missing.isPositive() && missing.isLessThan(whole);
            int first = bars.size();
            Bar.Change label = Bar.Change.NONE.withPart(JOIN);
            if (isShort) {
                bars.add(held(last, missing, label));
            }
            for (int i = isShort ? 1 : 0; i < count; i++) {
                bars.add(held(last, whole, bars.size() == first ? label : Bar.Change.NONE));
            }
            if (isShort) {
                bars.add(held(last, whole.minus(missing), Bar.Change.NONE));
            }
            sections.add(new Section(JOIN, first, bars.size() - 1));
        }

        private Bar held(Note last, Fraction length, Bar.Change change) {
            Note note = new Note(new NoteId(added--), List.of(last.melody()), Duration.of(length), Marks.NONE);
            return new Bar(List.of(note), new Bar.Sides(BarLine.NONE, BarLine.SINGLE), List.of(), change);
        }

        Whole made() {
            if (!bars.isEmpty()) {
                Bar end = bars.remove(bars.size() - 1);
                Bar.Sides closed = new Bar.Sides(end.sides().left(), BarLine.THIN_THICK);
                bars.add(new Bar(end.notes(), closed, end.ending(), end.change()));
            }
            Tune whole = new Tune(tune.header().inOrder(List.of()), bars, tuplets, new Manuscript("", 0, Map.of()));
            return new Whole(whole, new Version("Times through", playing, spots, layers), step, sections);
        }
    }
}
