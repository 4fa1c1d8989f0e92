package wildflourish.files.abc;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import wildflourish.core.line.Line;
import wildflourish.core.line.Tone;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.Manuscript;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.PlayOrder;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/**
 * A tune with every repeat written out in which the times through are not played alike, and the version upon it. A repeat in which key, metre or unit change stays
 * folded: what is written is its first time through.
 *
 * @param bars for each bar the written bar that it comes from and the time through it stands for; 0 where it stands for all
 */
record Unfolding(Tune tune, Version version, List<PlayOrder.Played> bars) {
    /** The time through of a bar that is played alike every time. */
    private static final int EVERY = 0;

    /** A repeat: the bars played, from one entry of the playing order on. */
    private record Repeat(List<PlayOrder.Played> played) {
        int firstBar() {
            return played.get(0).bar();
        }

        int lastBar() {
            return played.stream().mapToInt(PlayOrder.Played::bar).max().orElseThrow();
        }
    }

    static Unfolding of(Tune tune, Version version) {
        boolean mayDiffer = version.spots().values().stream()
                        .flatMap(spot -> spot.options().stream())
                        .anyMatch(option -> !option.passes().isEvery())
                || version.layers().stream().anyMatch(layer -> !layer.passes().isEvery());
        List<Repeat> differing = mayDiffer ? differing(tune, version) : List.of();
        Optional<Unfolding> unfolded = differing.isEmpty() ? Optional.empty() : unfolded(tune, version, differing);
        return unfolded.orElseGet(() -> new Unfolding(tune, version, folded(tune)));
    }

    private static List<PlayOrder.Played> folded(Tune tune) {
        List<PlayOrder.Played> bars = new ArrayList<>();
        for (int bar = 0; bar < tune.bars().size(); bar++) {
            bars.add(new PlayOrder.Played(bar, EVERY));
        }
        return bars;
    }

    // Which repeats

    private static List<Repeat> differing(Tune tune, Version version) {
        Line line = Line.of(tune, version);
        List<Repeat> found = new ArrayList<>();
        for (Repeat repeat : repeats(tune)) {
            if (isDiffering(line, repeat) && isPlainText(tune, repeat)) {
                found.add(repeat);
            }
        }
        return found;
    }

    private static List<Repeat> repeats(Tune tune) {
        List<PlayOrder.Played> order = PlayOrder.of(tune);
        List<Repeat> repeats = new ArrayList<>();
        for (int i = 1; i < order.size(); i++) {
            if (order.get(i).pass() == 2 && order.get(i - 1).pass() == 1) {
                int from = i - 1;
                while (from > 0 && order.get(from).bar() > order.get(i).bar()) {
                    from--;
                }
                int to = i;
                while (to < order.size() && order.get(to).pass() > 1) {
                    to++;
                }
                repeats.add(new Repeat(List.copyOf(order.subList(from, to))));
            }
        }
        return repeats;
    }

    /** Whether some bar of it is played in more than one way. */
    private static boolean isDiffering(Line line, Repeat repeat) {
        Map<Integer, Set<List<Object>>> ways = new HashMap<>();
        Map<PlayOrder.Played, List<Object>> played = new HashMap<>();
        for (Tone tone : line.tones()) {
            PlayOrder.Played bar = tone.place().played();
            if (repeat.played().contains(bar)) {
                played.computeIfAbsent(bar, key -> new ArrayList<>()).add(wayOf(tone));
            }
        }
        played.forEach((bar, way) ->
                ways.computeIfAbsent(bar.bar(), key -> new HashSet<>()).add(way));
        return ways.values().stream().anyMatch(each -> each.size() > 1);
    }

    private static List<Object> wayOf(Tone tone) {
        return List.of(
                tone.note().id(),
                tone.index(),
                tone.touch(),
                tone.isRest(),
                tone.length(),
                tone.placed().map(Placement::stack),
                tone.placed().map(Placement::span));
    }

    /** Whether its bars have notes and nothing in it changes how notes are read. */
    private static boolean isPlainText(Tune tune, Repeat repeat) {
        boolean isPlain = true;
        for (int bar = repeat.firstBar(); bar <= repeat.lastBar(); bar++) {
            isPlain &= !tune.bars().get(bar).notes().isEmpty();
        }
        for (int bar = repeat.firstBar() + 1; bar <= repeat.lastBar() && isPlain; bar++) {
            isPlain = !gapBefore(tune, bar).changesReading();
        }
        return isPlain;
    }

    // The text

    private static Gap gapBefore(Tune tune, int bar) {
        Note first = tune.bars().get(bar).notes().get(0);
        return Gap.of(gapText(tune, tune.neighbour(first.id(), -1), Optional.of(first)));
    }

    private static Gap gapAfter(Tune tune, int bar) {
        List<Note> notes = tune.bars().get(bar).notes();
        Note last = notes.get(notes.size() - 1);
        return Gap.of(gapText(tune, Optional.of(last), tune.neighbour(last.id(), 1)));
    }

    private static String gapText(Tune tune, Optional<Note> before, Optional<Note> after) {
        Manuscript manuscript = tune.manuscript();
        int from = before.map(note -> manuscript.at(note.id()).end()).orElse(manuscript.bodyStart());
        int to = after.map(note -> manuscript.at(note.id()).start())
                .orElse(manuscript.text().length());
        return manuscript.text().substring(from, to);
    }

    /** A bar's notes with the signs before its first and after its last, without bar lines. */
    private static String content(Tune tune, int bar) {
        List<Note> notes = tune.bars().get(bar).notes();
        Manuscript manuscript = tune.manuscript();
        String within = manuscript
                .text()
                .substring(
                        manuscript.at(notes.get(0).id()).start(),
                        manuscript.at(notes.get(notes.size() - 1).id()).end());
        return gapBefore(tune, bar).head() + within + gapAfter(tune, bar).tail();
    }

    private static Optional<Unfolding> unfolded(Tune tune, Version version, List<Repeat> repeats) {
        Map<Integer, Repeat> starting = new TreeMap<>();
        repeats.forEach(repeat -> starting.put(repeat.firstBar(), repeat));
        List<PlayOrder.Played> bars = new ArrayList<>();
        StringBuilder text = new StringBuilder(
                tune.manuscript().text().substring(0, tune.manuscript().bodyStart()));
        boolean isAfterRepeat = false;
        int bar = 0;
        while (bar < tune.bars().size()) {
            Optional<Repeat> repeat = Optional.ofNullable(starting.get(bar));
            if (tune.bars().get(bar).notes().isEmpty()) {
                return Optional.empty();
            }
            text.append(edgeBefore(tune, bar, repeat.isPresent(), isAfterRepeat));
            isAfterRepeat = repeat.isPresent();
            if (repeat.isPresent()) {
                appendRepeat(tune, repeat.get(), text);
                bars.addAll(repeat.get().played());
                bar = repeat.get().lastBar() + 1;
            } else {
                text.append(content(tune, bar));
                bars.add(new PlayOrder.Played(bar, EVERY));
                bar++;
            }
        }
        Gap end = gapAfter(tune, tune.bars().size() - 1);
        text.append(isAfterRepeat ? end.edgesWith("|]") : end.edges()).append(end.head());
        Tune read = TuneText.read(text.toString()).value();
        boolean isSame = read.bars().size() == bars.size();
        for (int i = 0; isSame && i < bars.size(); i++) {
            isSame = read.bars().get(i).notes().size()
                    == tune.bars().get(bars.get(i).bar()).notes().size();
        }
        return isSame
                ? Optional.of(new Unfolding(read, new Moving(tune, read, bars).moved(version), bars))
                : Optional.empty();
    }

    /** What stands before a bar: as it is written, but for the repeat signs of what is unfolded. */
    private static String edgeBefore(Tune tune, int bar, boolean beginsRepeat, boolean isAfterRepeat) {
        Gap gap = gapBefore(tune, bar);
        if (!beginsRepeat && !isAfterRepeat) {
            return gap.edges();
        }
        boolean opens = !beginsRepeat && tune.bars().get(bar).sides().left() == BarLine.REPEAT_START;
        if (bar == 0) {
            return gap.edgesWith("");
        }
        boolean closes = !isAfterRepeat && tune.bars().get(bar - 1).sides().right() == BarLine.REPEAT_END;
        String line = closes ? ":|" : isAfterRepeat || beginsRepeat ? "||" : "|";
        return gap.edgesWith(opens ? line + (gap.endsLine() ? "" : " ") : line) + (opens ? "|:" : "");
    }

    private static void appendRepeat(Tune tune, Repeat repeat, StringBuilder text) {
        List<PlayOrder.Played> played = repeat.played();
        for (int i = 0; i < played.size(); i++) {
            if (i > 0) {
                boolean isSeam = played.get(i).pass() != played.get(i - 1).pass();
                boolean endsLine =
                        isSeam || gapAfter(tune, played.get(i - 1).bar()).endsLine();
                text.append(isSeam ? " ||" : "|").append(endsLine ? "\n" : "");
            }
            text.append(content(tune, played.get(i).bar()));
        }
    }

    // The version

    /** Takes what is placed on a tune over to the tune unfolded. */
    private static final class Moving {
        private final Tune from;
        private final List<PlayOrder.Played> bars;
        private final Tune to;

        Moving(Tune from, Tune to, List<PlayOrder.Played> bars) {
            this.from = from;
            this.to = to;
            this.bars = bars;
        }

        Version moved(Version version) {
            Map<NoteId, Spot> spots = new TreeMap<>();
            for (Spot spot : version.spots().values()) {
                int bar = from.placeOf(spot.at()).bar();
                for (int i = 0; i < bars.size(); i++) {
                    if (bars.get(i).bar() == bar) {
                        Spot moved = moved(spot, i);
                        spots.put(moved.at(), moved);
                    }
                }
            }
            List<Layer> layers = new ArrayList<>();
            version.layers().forEach(layer -> layers.addAll(moved(layer)));
            return new Version(version.name(), version.playing(), spots, layers).with(version.label());
        }

        private NoteId moved(NoteId note, int bar) {
            List<Note> written = from.bars().get(bars.get(bar).bar()).notes();
            for (int i = 0; i < written.size(); i++) {
                if (written.get(i).id().equals(note)) {
                    return to.bars().get(bar).notes().get(i).id();
                }
            }
            throw new IllegalArgumentException(
                    note + " is not in bar " + bars.get(bar).bar());
        }

        private Spot moved(Spot spot, int bar) {
            int pass = bars.get(bar).pass();
            List<Placement> options = new ArrayList<>();
            for (Placement option : spot.options()) {
                if (option.span().isInOneBar(from)
                        && (pass == EVERY || option.passes().has(pass))) {
                    Span span = new Span(
                            moved(option.span().first(), bar),
                            moved(option.span().last(), bar));
                    options.add(new Placement(option.stack(), span, pass == EVERY ? option.passes() : Passes.EVERY));
                }
            }
            return new Spot(moved(spot.at(), bar), options, spot.sentence(), spot.pin());
        }

        /** The stretches of notes that it still covers, one after the other. */
        private List<Layer> moved(Layer layer) {
            List<Layer> all = new ArrayList<>();
            boolean goesOn = false;
            for (int bar = 0; bar < bars.size(); bar++) {
                int pass = bars.get(bar).pass();
                Passes passes = pass == EVERY ? layer.passes() : Passes.EVERY;
                List<Note> written = from.bars().get(bars.get(bar).bar()).notes();
                for (int i = 0; i < written.size(); i++) {
                    boolean isCovered = layer.covers(from, written.get(i).id())
                            && (pass == EVERY || layer.passes().has(pass));
                    NoteId here = to.bars().get(bar).notes().get(i).id();
                    if (isCovered && goesOn && all.get(all.size() - 1).passes().equals(passes)) {
                        Layer last = all.remove(all.size() - 1);
                        all.add(layer.over(new Span(last.span().first(), here), passes));
                    } else if (isCovered) {
                        all.add(layer.over(Span.of(here), passes));
                    }
                    goesOn = isCovered;
                }
            }
            return all;
        }
    }
}
