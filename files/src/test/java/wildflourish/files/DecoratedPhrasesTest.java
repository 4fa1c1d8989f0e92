package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;
import wildflourish.core.growing.Choices;
import wildflourish.core.growing.Growth;
import wildflourish.core.growing.Liking;
import wildflourish.core.growing.Plan;
import wildflourish.core.hand.Scene;
import wildflourish.core.hand.Voice;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Stack;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.Realisation;
import wildflourish.core.performance.Realiser;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Difference;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.version.Wish;
import wildflourish.files.abc.BookReader;
import wildflourish.files.abc.BookWriter;

/**
 * The decorated phrases of the handbooks of strings, boxes and concertinas at three stages: every ornament fits, all of it is played, and what is written out sounds the same; where the handbook writes the third
 * stage out, it is written so.
 */
class DecoratedPhrasesTest {
    private static final Pattern WRITTEN_OUT = Pattern.compile("(?m)^% = (.*)$");
    private static final Pattern WORD = Pattern.compile("\"\\^([^\"]*)\"");

    private static List<String> phrases() throws IOException {
        try (InputStream in = DecoratedPhrasesTest.class.getResourceAsStream("/expected/decorated.abc")) {
            String text = new String(in.readAllBytes(), StandardCharsets.UTF_8).replaceAll("(?m)^%(?! =).*\\R", "");
            return Arrays.stream(text.split("\\R\\R", -1)).toList();
        }
    }

    @TestFactory
    List<DynamicTest> everyStageOfEveryPhrase() throws IOException {
        List<DynamicTest> tests = new ArrayList<>();
        for (String phrase : phrases()) {
            for (int stage = 1; stage <= 3; stage++) {
                int asked = stage;
                String name = phrase.lines()
                        .filter(line -> line.startsWith("T:"))
                        .findFirst()
                        .orElseThrow();
                tests.add(DynamicTest.dynamicTest(name + " " + stage, () -> check(phrase, asked)));
            }
        }
        assertThat(tests).hasSize(45);
        return tests;
    }

    /** What is asked of a note at a stage: the words of its annotations, later ones in place of earlier ones. */
    private static List<String> words(String annotation, int stage) {
        String now = "";
        for (String word : annotation.split("[;,]", -1)) {
            String[] halves = word.trim().split(" ", 2);
            int from =
                    Character.isDigit(halves[0].charAt(0)) ? Integer.parseInt(halves[0]) : "LMF".indexOf(halves[0]) + 1;
            now = from <= stage ? halves[1] : now;
        }
        return now.isEmpty() ? List.of() : List.of(now.replace(' ', '@'));
    }

    /** The words of each note by its number from 0, tuplets and rests there being none. */
    private static Map<Integer, List<String>> asked(String phrase, Tune tune, int stage) {
        Map<Integer, List<String>> asked = new LinkedHashMap<>();
        String annotated = phrase.substring(phrase.indexOf("K:"));
        annotated = annotated.substring(annotated.indexOf('\n') + 1);
        Matcher match = WORD.matcher(annotated);
        while (match.find()) {
            String before = annotated.substring(0, match.start()).replaceAll("\"[^\"]*\"", "");
            int number = (int) before.chars()
                    .filter(sign -> "ABCDEFGabcdefg".indexOf(sign) >= 0)
                    .count();
            words(match.group(1), stage)
                    .forEach(word -> asked.computeIfAbsent(number, key -> new ArrayList<>())
                            .add(word));
        }
        assertThat(tune.notes()).hasSizeGreaterThan(8);
        return asked;
    }

    private static String plain(String phrase) {
        return WORD.matcher(phrase.replaceAll("(?m)^%.*(\\R|$)", "")).replaceAll("");
    }

    private static Lesson lesson(String phrase) {
        return BookReader.read(plain(phrase) + "\n").value().lessons().get(0);
    }

    /** A stage as the words of the phrase ask for it. */
    private static Version version(String phrase, Tune tune, int stage) {
        String own = phrase.replaceAll("(?m)^%.*(\\R|$)", "");
        String[] on = phrase.lines()
                .filter(line -> line.startsWith("N:"))
                .findFirst()
                .orElseThrow()
                .substring(2)
                .split(" ", 2);
        Instrument instrument = Instrument.of(on[0]);
        School school = on.length > 1 ? School.of(on[1]) : instrument.schools().get(0);
        String tempo = phrase.replaceAll("(?s).*Q:[0-9/]+=([0-9]+).*", "$1");
        Tempo beats = new Tempo(Fraction.parse(tempo), tune.header().type().beatLength());
        Version version = Version.plain("Stage", new Playing(instrument, school, beats));
        Map<Integer, List<String>> asked = asked(own, tune, stage);
        version = layered(version, tune, asked);
        for (Map.Entry<Integer, List<String>> at : asked.entrySet()) {
            version = placed(version, tune, tune.notes().get(at.getKey()), at.getValue());
        }
        return version;
    }

    /**
     * The even ones of the phrases, but for the air, against which no points were set (the taste for airs was written with that in view): half of what a handbook places costs a plan at most 12 points, by the taste of the family that is nearest to it. Its three stages are those
     * above the first; slurs are bowing, which plans leave to the player.
     */
    @Test
    void plansLoseLittleByWhatTheHandbooksPlace() throws IOException {
        List<String> phrases = phrases();
        List<Integer> prices = new ArrayList<>();
        for (int number = 2; number <= phrases.size(); number += 2) {
            if (!phrases.get(number - 1).contains("T:fiddle air")) {
                prices.addAll(nearest(phrases.get(number - 1)));
            }
        }
        assertThat(prices).hasSizeGreaterThan(50);
        assertThat(median(prices)).isLessThanOrEqualTo(12);
    }

    private static int median(List<Integer> prices) {
        List<Integer> sorted = prices.stream().sorted().toList();
        return sorted.get(sorted.size() / 2);
    }

    /** What a phrase's placements cost by the taste by which they cost least. */
    private static List<Integer> nearest(String phrase) {
        Tune tune = lesson(phrase).tune();
        return Liking.of(version(phrase, tune, 1).playing().instrument().family()).stream()
                .map(taste -> prices(phrase, tune, taste))
                .min(Comparator.comparingInt(DecoratedPhrasesTest::median))
                .orElseThrow();
    }

    private static List<Integer> prices(String phrase, Tune tune, Liking taste) {
        List<Integer> prices = new ArrayList<>();
        for (int stage = 1; stage <= 3; stage++) {
            Version asked = version(phrase, tune, stage);
            Version plain = Version.plain("plain", asked.playing()).withLayers(asked.layers());
            Stair stair = new Stair(Collections.nCopies(5, plain).stream()
                    .map(each -> each.with(each.label().wishing(Wish.USUAL.withTaste(taste.id()))))
                    .toList());
            Choices choices = Growth.choices(tune, stair, Profile.usual());
            Plan plan = Growth.planned(tune, stair, stage + 1, Profile.usual(), choices)
                    .at(stage + 1)
                    .orElseThrow()
                    .plan();
            asked.spots().values().stream()
                    .flatMap(spot -> spot.first().stream())
                    .filter(placement -> !placement.ornament().id().equals("slur2"))
                    .forEach(placement -> prices.add(price(plan, choices, placement)));
        }
        return prices;
    }

    /** What a plan loses by a placement; one point more than is worked out where it would lose more, or where the stage has it not among its choices. */
    private static int price(Plan plan, Choices choices, Placement placement) {
        return plan.through().keySet().stream()
                .filter(option -> !option.isPlain()
                        && choices.placement(option).stack().equals(placement.stack())
                        && choices.placement(option).span().equals(placement.span()))
                .findFirst()
                .flatMap(plan::priceOf)
                .orElse(Plan.MOST_PRICE + 1);
    }

    /** Set into a stair from the foot upward, each stage holds what its words say, and what it adds to the one below is what begins with it. */
    @TestFactory
    List<DynamicTest> whatEachStageAddsIsWhatItsWordsSay() throws IOException {
        List<DynamicTest> tests = new ArrayList<>();
        for (String phrase : phrases()) {
            Tune tune = lesson(phrase).tune();
            tests.add(DynamicTest.dynamicTest(tune.title(), () -> stair(phrase, tune)));
        }
        return tests;
    }

    private static void stair(String phrase, Tune tune) {
        List<Version> wanted = new ArrayList<>();
        for (int stage = 1; stage <= 3; stage++) {
            wanted.add(version(phrase, tune, stage).withName("Stage " + stage));
        }
        Stair stair = new Stair(wanted.stream()
                .map(version -> Version.plain(version.name(), version.playing()).withLayers(version.layers()))
                .toList());
        for (int stage = 0; stage < 3; stage++) {
            for (Spot spot : wanted.get(stage).spots().values()) {
                boolean isNew =
                        stage == 0 || !wanted.get(stage - 1).at(spot.at()).equals(Optional.of(spot));
                stair = isNew ? stair.placed(tune, stage, spot.first().orElseThrow()) : stair;
            }
        }
        assertThat(stair.isNested(tune)).isTrue();
        String own = phrase.replaceAll("(?m)^%.*(\\R|$)", "");
        for (int stage = 0; stage < 3; stage++) {
            assertThat(stair.at(stage).spots())
                    .as(wanted.get(stage).name())
                    .isEqualTo(wanted.get(stage).spots());
            Version below = stage == 0 ? Version.plain("plain", stair.at(0).playing()) : stair.at(stage - 1);
            Difference difference = Difference.between(tune, below, stair.at(stage));
            Map<Integer, List<String>> before = stage == 0 ? Map.of() : asked(own, tune, stage);
            Map<Integer, List<String>> now = asked(own, tune, stage + 1);
            Set<NoteId> begins = new HashSet<>();
            now.forEach((note, words) -> {
                boolean isPlaced = words.stream()
                        .anyMatch(word -> !isRule(word, wanted.get(0).playing().instrument()));
                if (isPlaced && !words.equals(before.get(note))) {
                    begins.add(tune.notes().get(note).id());
                }
            });
            Set<NoteId> told = new HashSet<>(difference.newNotes());
            told.addAll(difference.changedNotes());
            assertThat(told).as(wanted.get(stage).name()).isEqualTo(begins);
            assertThat(difference.gone()).isEmpty();
        }
    }

    private static boolean isRule(String word, Instrument instrument) {
        String id = word.split("@", 2)[0];
        return Layer.Rule.of(instrument.family()).stream()
                .anyMatch(rule -> rule.id().equals(id));
    }

    private static void check(String phrase, int stage) {
        String plain = plain(phrase);
        Lesson lesson = lesson(phrase);
        Tune tune = lesson.tune();
        Version version = version(phrase, tune, stage);
        Scene scene = Scene.of(tune, version, Profile.usual());
        for (Spot spot : version.spots().values()) {
            Fit fit = WhatFits.verdict(scene, spot.first().orElseThrow()).orElseThrow();
            assertThat(fit.refusals())
                    .as(spot.first().orElseThrow().stack().toString())
                    .isEmpty();
        }
        Realisation realisation = Realiser.realise(scene);
        assertThat(realisation.figures().size())
                .isGreaterThanOrEqualTo(version.spots().size());
        assertWritten(lesson, version, realisation);
        Matcher writtenOut = WRITTEN_OUT.matcher(phrase);
        if (stage == 3 && writtenOut.find()) {
            String head = plain.replaceAll("(?s)(K:[^\n]*\n).*", "$1");
            String stageText = BookWriter.writeVersion(tune, version).replaceAll("(?m)^%%.*\\R", "");
            assertThat(spelled(stageText)).as(stageText).isEqualTo(spelled(head + writtenOut.group(1) + "\n"));
        }
    }

    /** Each note with its small ones, its length, its trill and whether it is tied on. */
    private static List<String> spelled(String text) {
        Tune read = BookReader.read(text).value().lessons().get(0).tune();
        return read.notes().stream()
                .map(note -> note.marks().graces().pitches() + " "
                        + note.pitches().stream().map(Object::toString).sorted().toList()
                        + " " + note.played() + (note.marks().joins().tied() ? "-" : "")
                        + (note.marks().decorations().contains("trill") ? " trill" : ""))
                .toList();
    }

    /** Layers stand over their bar; a shuffle over the whole phrase. */
    private static Version layered(Version version, Tune tune, Map<Integer, List<String>> asked) {
        List<Layer> layers = new ArrayList<>();
        for (Map.Entry<Integer, List<String>> at : asked.entrySet()) {
            for (String word : List.copyOf(at.getValue())) {
                String[] halves = word.split("@", 2);
                Optional<Layer.Rule> rule = Layer.Rule.of(
                                version.playing().instrument().family())
                        .stream()
                        .filter(each -> each.id().equals(halves[0]))
                        .findFirst();
                if (rule.isPresent()) {
                    Note note = tune.notes().get(at.getKey());
                    List<Note> bar = rule.get().work() == Layer.Work.SHUFFLE
                            ? tune.notes()
                            : tune.bars().get(tune.placeOf(note.id()).bar()).notes();
                    Span span =
                            new Span(bar.get(0).id(), bar.get(bar.size() - 1).id());
                    layers.add(new Layer(rule.get(), halves.length > 1 ? halves[1] : "", span, Passes.EVERY));
                    at.getValue().remove(word);
                }
            }
        }
        return version.withLayers(layers);
    }

    private static Version placed(Version version, Tune tune, Note note, List<String> words) {
        if (words.isEmpty()) {
            return version;
        }
        Stack stack = Stack.parse(
                String.join("+", words), version.playing().instrument().family());
        Scene scene = Scene.of(tune, version, Profile.usual());
        List<Integer> counts = List.of(4, 3, 2, 1);
        Optional<Fit> fit = Optional.empty();
        List<String> told = new ArrayList<>();
        for (int count : counts) {
            if (fit.isEmpty() && reaches(tune, note, count)) {
                Optional<Fit> tried = WhatFits.verdict(scene, note.id(), count, stack);
                fit = tried.filter(Fit::fits);
                told.add(count + ": " + tried.map(Fit::refusals).orElse(List.of()));
            }
        }
        assertThat(fit).as(stack + " on " + note.melody() + " " + told).isPresent();
        return version.with(
                tune, Spot.of(Placement.of(stack, fit.orElseThrow().facts().span())));
    }

    private static boolean reaches(Tune tune, Note note, int count) {
        List<Note> bar = tune.bars().get(tune.placeOf(note.id()).bar()).notes();
        int at = bar.indexOf(note);
        return at + count <= bar.size();
    }

    /** What the file has of the stage, read as a plain tune, has the notes that are played, with all that sounds together. */
    private static void assertWritten(Lesson lesson, Version version, Realisation realisation) {
        String stage = BookWriter.writeVersion(lesson.tune(), version);
        Tune written = BookReader.read(stage.replaceAll("(?m)^%%.*\\R", ""))
                .value()
                .lessons()
                .get(0)
                .tune();
        List<String> read = written.notes().stream()
                .filter(note -> !note.isRest() && !isTied(written, note.id()))
                .map(note -> note.pitches().stream()
                        .map(pitch -> "" + pitch.midi())
                        .sorted()
                        .collect(Collectors.joining("+")))
                .toList();
        assertThat(read).as(stage).isEqualTo(played(version, realisation));
        for (int bar = 1; bar < written.bars().size() - 1; bar++) {
            Fraction length =
                    written.bars().get(bar).notes().stream().map(Note::played).reduce(Fraction.ZERO, Fraction::plus);
            assertThat(length).as(stage).isEqualTo(written.metreAt(bar).barLength());
        }
    }

    private static boolean isTied(Tune tune, NoteId note) {
        return tune.neighbour(note, -1)
                .filter(before -> before.marks().joins().tied())
                .isPresent();
    }

    /** The notes of a realisation as they are written, small ones left out, a unison of two strings once; what is told by a sign alone counts as the note. */
    private static List<String> played(Version version, Realisation realisation) {
        List<String> played = new ArrayList<>();
        Optional<NoteId> signed = Optional.empty();
        for (Moment moment : realisation.moments()) {
            boolean isNote = moment.cue().role() == Moment.Role.MELODY
                    && moment.sounding().isPresent()
                    && !moment.sounding().get().begin().equals(wildflourish.core.ornament.Begin.HELD);
            boolean isSigned = version.at(moment.cue().note())
                    .flatMap(Spot::first)
                    .filter(placement ->
                            placement.stack().choices().stream().allMatch(choice -> isSign(choice.ornament())))
                    .isPresent();
            boolean isAgain = isSigned && signed.equals(Optional.of(moment.cue().note()));
            if (isNote && !isAgain) {
                played.add(moment.sounding().get().voices().stream()
                        .flatMap(voice -> voice.written().stream())
                        .map(pitch -> "" + pitch.midi())
                        .distinct()
                        .sorted()
                        .collect(Collectors.joining("+")));
            }
            signed = isSigned ? Optional.of(moment.cue().note()) : Optional.empty();
        }
        assertThat(realisation.moments().stream()
                        .flatMap(moment -> moment.sounding().stream())
                        .flatMap(sounding -> sounding.voices().stream())
                        .map(Voice::written))
                .allMatch(Optional::isPresent);
        return played;
    }

    private static boolean isSign(Ornament ornament) {
        String written = ornament.look().written();
        return written.startsWith("words") || written.startsWith("mark") || written.equals("mordent");
    }
}
