package wildflourish.files.abc;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import wildflourish.core.arranging.Whole;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Interval;
import wildflourish.core.music.Tempo;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Manuscript;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.PlayOrder;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Times;
import wildflourish.core.version.Version;

/**
 * A plan of times through in the book: lines that other readers skip, above the whole performance written out as a tune of its own.
 *
 * <pre>
 * %%flourish-times format=2 of=1 stair=1 tempo=90 beat=1/2 turns=Root,Leaf,Wild
 * %%flourish-added intro bars=2
 * %%flourish-added join bars=1
 * %%flourish-added tag bars=2
 * %%flourish-sums body=9f86d081884c
 * </pre>
 *
 * @param stair number of the stair, from 1
 * @param isChanged whether the written-out notes are no longer those that were saved
 */
record TimesText(int stair, Times times, boolean isChanged) {
    static final String WORD = "times";
    private static final Pattern LINE = Pattern.compile("(?m)^" + Directives.MARK + "(times|added|sums) (.*)$");
    /** What stands between two notes up to where the bar of the second begins: bar lines, and the number of an ending. */
    private static final Pattern UP_TO_BAR = Pattern.compile("(?s)^.*[|\\]:](\\[?\\d[\\d,-]*)?");

    /** An empty line would end the tune for whoever reads it: a tune without notes leaves one. */
    private static final Pattern EMPTY_LINE = Pattern.compile("(?m)^\\h*\\R");

    static boolean isPlan(String text) {
        return text.contains("\n" + Directives.MARK + WORD + " ");
    }

    // Writing

    /** The plan of a stair as a tune. */
    static String write(Tune tune, Stair stair, int stairNumber) {
        Times times = stair.times().orElseThrow();
        String body = body(tune, stair, times);
        List<String> lines = new ArrayList<>();
        lines.add(WORD + " format=" + Directives.FORMAT + " of=" + tune.header().number() + " stair=" + stairNumber
                + " tempo=" + times.tempo().beatsPerMinute() + " beat="
                + times.tempo().beatLength() + " turns="
                + times.turns().stream()
                        .map(turn -> Directives.oneWord(turn).replace(",", "%2C"))
                        .collect(Collectors.joining(",")));
        added(lines, "intro", times.intro());
        added(lines, "join", times.join());
        added(lines, "tag", times.tag());
        lines.add("sums body=" + Directives.sum(body));
        return BookWriter.header(
                                tune,
                                times.number().value(),
                                "times through",
                                lines.stream()
                                        .map(line -> Directives.MARK + line)
                                        .toList())
                        .replaceAll("(?m)^P:.*\\R", "")
                + body;
    }

    private static void added(List<String> lines, String what, int bars) {
        if (bars > 0) {
            lines.add("added " + what + " bars=" + bars);
        }
    }

    /** The whole performance, written out; what is played twice in one time through stands there once, with its repeats. */
    static String body(Tune tune, Stair stair, Times times) {
        String end = BookWriter.lineEnd(tune);
        StringBuilder body = new StringBuilder();
        if (times.intro() > 0) {
            body.append("P:Intro").append(end);
            body.append(lastBars(tune, times.intro())).append(" ||").append(end);
        }
        Whole whole = Whole.of(tune, stair, times);
        String join = added(whole, Whole.JOIN);
        Map<Version, String> written = new HashMap<>();
        for (int turn = 0; turn < times.turns().size(); turn++) {
            String name = times.turns().get(turn);
            if (turn > 0 && times.join() > 0) {
                body.append("P:Join").append(end);
                body.append(join).append(end);
            }
            Version version = Whole.inTurn(stair.named(name).orElseThrow(), times, turn);
            body.append("P:").append(turn + 1).append(' ').append(name).append(end);
            body.append(starting(tune))
                    .append(written.computeIfAbsent(
                            version, key -> VersionWriter.body(tune, version).strip()))
                    .append(end);
        }
        if (times.tag() > 0) {
            Version last =
                    stair.named(times.turns().get(times.turns().size() - 1)).orElseThrow();
            Tune played = TuneText.read(
                            BookWriter.header(tune, 1, last.name(), List.of()) + VersionWriter.body(tune, last))
                    .value();
            body.append("P:Tag").append(end);
            body.append(added(whole, Whole.TAG));
            body.append(lastBars(played, times.tag())).append(" |]").append(end);
        }
        return EMPTY_LINE.matcher(body.toString().stripTrailing()).replaceAll("");
    }

    /** What the tune's heading says of key, metre and unit, said again where the tune changes it on its way. */
    private static String starting(Tune tune) {
        String text = tune.manuscript().text();
        String body = text.substring(tune.manuscript().bodyStart());
        StringBuilder again = new StringBuilder();
        for (String field : List.of("L", "M", "K")) {
            Matcher first =
                    Pattern.compile("(?m)^" + field + ":\\s*([^%\\r\\n]*)").matcher(text);
            boolean changes = Pattern.compile("(?m)^" + field + ":|\\[" + field + ":")
                    .matcher(body)
                    .find();
            if (changes && first.find()) {
                again.append('[')
                        .append(field)
                        .append(':')
                        .append(first.group(1).strip())
                        .append(']');
            }
        }
        return again.toString();
    }

    /** The bars that are played last, so many, as the text writes them, without words and lines between. */
    private static String lastBars(Tune tune, int count) {
        List<PlayOrder.Played> order = PlayOrder.of(tune);
        return order.subList(Math.max(0, order.size() - count), order.size()).stream()
                .map(played -> bar(tune, tune.bars().get(played.bar())))
                .filter(bar -> !bar.isEmpty())
                .collect(Collectors.joining(" | "));
    }

    /** A bar as the text writes it, without its lines. */
    static String bar(Tune tune, Bar bar) {
        if (bar.notes().isEmpty()) {
            return "";
        }
        Manuscript manuscript = tune.manuscript();
        Note first = bar.notes().get(0);
        Note last = bar.notes().get(bar.notes().size() - 1);
        int before = tune.neighbour(first.id(), -1)
                .map(note -> manuscript.at(note.id()).end())
                .orElse(manuscript.bodyStart());
        int start = manuscript.at(first.id()).start();
        String gap =
                UP_TO_BAR.matcher(manuscript.text().substring(before, start)).replaceFirst("");
        return Arrays.stream((gap
                                + manuscript
                                        .text()
                                        .substring(
                                                start, manuscript.at(last.id()).end()))
                        .split("\\R", -1))
                .filter(line -> !line.matches("[A-Za-z]:.*|%.*"))
                .collect(Collectors.joining(" "))
                .strip();
    }

    /** The bars of a section that are not the tune's own. */
    private static String added(Whole whole, String name) {
        return whole.sections().stream()
                .filter(section -> section.name().equals(name))
                .findFirst()
                .map(section -> new AddedNotes(
                                whole.tune().keyAt(section.firstBar()),
                                whole.tune().header().time().unitLength(),
                                Interval.UNISON)
                        .text(whole.tune().bars().subList(section.firstBar(), section.lastBar() + 1).stream()
                                .filter(Bar::isAdded)
                                .toList()))
                .orElse("");
    }

    // Reading

    /** Reads a plan. Throws IllegalArgumentException, saying what is wrong with its lines. */
    static TimesText parse(String text) {
        Map<String, String> plan = Map.of();
        Map<String, Integer> added = new HashMap<>();
        String sum = "";
        Matcher match = LINE.matcher(text);
        while (match.find()) {
            Map<String, String> pairs = Directives.pairs(match.group(2));
            switch (match.group(1)) {
                case WORD -> plan = pairs;
                case "added" -> added.put(match.group(2).split(" ", 2)[0], Directives.integer(pairs, "bars"));
                default -> sum = pairs.getOrDefault("body", "");
            }
        }
        List<String> turns = Arrays.stream(Directives.required(plan, "turns").split(",", -1))
                .map(turn -> Directives.words(turn.replace("%2C", ",")))
                .toList();
        Tempo tempo = new Tempo(
                Fraction.parse(Directives.required(plan, "tempo")), Fraction.parse(Directives.required(plan, "beat")));
        Times times = new Times(
                turns,
                tempo,
                added.getOrDefault("intro", 0),
                added.getOrDefault("join", 0),
                added.getOrDefault("tag", 0),
                Directives.numberOf(text));
        boolean isChanged = !sum.equals(Directives.sum(VersionReader.bodyOf(text)));
        return new TimesText(Directives.integer(plan, "stair"), times, isChanged);
    }
}
