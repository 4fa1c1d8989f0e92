package wildflourish.files.abc;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import wildflourish.core.problem.Place;
import wildflourish.core.problem.Problem;
import wildflourish.core.problem.Severity;
import wildflourish.core.version.Beside;
import wildflourish.core.version.Book;
import wildflourish.core.version.BookItem;
import wildflourish.core.version.Foreign;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Times;
import wildflourish.core.version.Version;

/** Puts written-out versions back into the lessons they belong to, and notices those that another program has changed. */
final class VersionReader {
    private final List<Problem> problems;
    /** For each item that is a lesson: stairs by number, in them stages by number. */
    private final Map<Integer, Map<Integer, Map<Integer, Found>>> found = new TreeMap<>();

    /** For each item that is a lesson: plans of times through by the number of the stair. */
    private final Map<Integer, Map<Integer, Plan>> plans = new TreeMap<>();

    /** A plan read, and where. */
    private record Plan(Times times, Place place) {}

    /** A version read, with its text where that was changed. */
    private record Found(Version version, Optional<Beside> beside, String alteredText, String keptText) {
        boolean isStage() {
            return beside.isEmpty();
        }
    }

    VersionReader(List<Problem> problems) {
        this.problems = problems;
    }

    /** Takes a version's text in; false when it cannot be understood, so that it stays in the book as a tune of its own. */
    boolean add(List<BookItem> items, String text, int firstLine) {
        try {
            int item = lessonNumbered(items, Directives.tuneOf(text));
            Lesson lesson = (Lesson) items.get(item);
            if (TimesText.isPlan(text)) {
                addPlan(item, lesson, TimesText.parse(text), firstLine);
                dropSeparator(items, item);
                return true;
            }
            Directives directives = Directives.parse(text, lesson.tune());
            boolean isChanged = !directives.sums().body().equals(Directives.sum(bodyOf(text)));
            boolean isPlainChanged = !directives.sums().plain().equals(Directives.plainSum(lesson.tune()));
            Map<Integer, Found> stair = found.computeIfAbsent(item, key -> new TreeMap<>())
                    .computeIfAbsent(directives.stair(), key -> new TreeMap<>());
            if (stair.containsKey(directives.stage())) {
                throw new IllegalArgumentException("stage " + directives.stage() + " is there twice");
            }
            if (isChanged || isPlainChanged) {
                problems.add(alteredProblem(directives, lesson, firstLine, isChanged));
            }
            Foreign foreign = directives.version().foreign();
            if (!foreign.equals(Foreign.NONE)) {
                problems.add(newerProblem(directives, foreign, firstLine));
            }
            stair.put(directives.stage(), found(directives, text, isChanged || isPlainChanged));
            dropSeparator(items, item);
            return true;
        } catch (IllegalArgumentException | ArithmeticException e) {
            problems.add(new Problem(
                    Severity.WARNING,
                    "strange-version",
                    new Place(firstLine, 1, firstLineOf(text)),
                    "a stage or a plan cannot be put back (" + why(e) + ") and is kept as a tune of its own",
                    "Mend its %%flourish lines and open the book again, or leave it."));
            return false;
        }
    }

    /** A plan is written out anew from its versions; notes that another program has changed in it would be lost, so they stay as a tune. */
    private void addPlan(int item, Lesson lesson, TimesText plan, int firstLine) {
        if (plan.isChanged()) {
            throw new IllegalArgumentException(
                    "the notes of the plan of times through were changed by another program");
        }
        Map<Integer, Plan> all = plans.computeIfAbsent(item, key -> new TreeMap<>());
        Place place = new Place(firstLine, 1, lesson.tune().title());
        if (all.put(plan.stair(), new Plan(plan.times(), place)) != null) {
            problems.add(new Problem(
                    Severity.WARNING,
                    "two-plans",
                    place,
                    "a stair of “" + lesson.tune().title() + "” has two plans of times through; the later is taken",
                    "Make the plan you want in the window; saving the book leaves one."));
        }
    }

    /** Why its lines cannot be understood, in our own words. */
    private static String why(RuntimeException fault) {
        boolean isOurs = !(fault instanceof NumberFormatException || fault instanceof ArithmeticException);
        return isOurs && fault.getMessage() != null ? fault.getMessage() : "a number in its lines cannot be one";
    }

    /** A changed text is asked about; the text of an older form stays until the stage is worked on. */
    private static Found found(Directives directives, String text, boolean isAltered) {
        boolean isOld = directives.format() < Directives.FORMAT;
        return new Found(
                directives.version(), directives.beside(), isAltered ? text : "", isOld && !isAltered ? text : "");
    }

    private static Problem alteredProblem(Directives directives, Lesson lesson, int firstLine, boolean isChanged) {
        String what = isChanged
                ? "the written-out notes of “" + directives.version().name() + "” were changed by another program"
                : "the plain tune under “" + directives.version().name() + "” was changed by another program";
        return new Problem(
                Severity.WARNING,
                isChanged ? "altered-version" : "altered-plain",
                new Place(firstLine, 1, lesson.tune().title()),
                what,
                "Choose in the window: keep the stage as it was saved, or keep the changed notes as a tune of their own.");
    }

    /** What a newer form of this program has written and this one keeps without understanding it. */
    private static Problem newerProblem(Directives directives, Foreign foreign, int firstLine) {
        String words = Stream.concat(
                        foreign.lines().stream(),
                        foreign.attributes().values().stream().map(String::strip))
                .collect(Collectors.joining("”, “"));
        return new Problem(
                Severity.NOTE,
                "newer-words",
                new Place(firstLine, 1, directives.version().name()),
                "“" + directives.version().name() + "” has words that this program does not know, “" + words
                        + "”; they are kept",
                "A newer form of this program understands them; nothing has to be done.");
    }

    private static int lessonNumbered(List<BookItem> items, int number) {
        for (int i = items.size() - 1; i >= 0; i--) {
            if (items.get(i) instanceof Lesson lesson && lesson.tune().header().number() == number) {
                return i;
            }
        }
        throw new IllegalArgumentException("there is no tune X:" + number + " before it");
    }

    /** The empty line that the writer puts before a version is not text of the book's own. */
    private static void dropSeparator(List<BookItem> items, int lessonItem) {
        int last = items.size() - 1;
        if (last == lessonItem + 1
                && items.get(last) instanceof BookItem.Text text
                && (text.text().equals("\n\n") || text.text().equals("\r\n\r\n"))) {
            items.remove(last);
        }
    }

    private static String firstLineOf(String text) {
        return text.lines().findFirst().orElse("");
    }

    static String bodyOf(String text) {
        int at = 0;
        for (String line : text.split("(?<=\n)", -1)) {
            at += line.length();
            if (line.startsWith("K:")) {
                break;
            }
        }
        return text.substring(at);
    }

    /** Builds the stairs once all versions are read. */
    void finish(List<BookItem> items) {
        found.forEach((item, stairs) -> {
            int told = problems.size();
            items.set(item, lesson((Lesson) items.get(item), stairs, plans.getOrDefault(item, Map.of())));
            int about = new Book(items.subList(0, item + 1)).lessons().size();
            problems.subList(told, problems.size()).replaceAll(problem -> problem.about(about));
        });
    }

    private Lesson lesson(Lesson plain, Map<Integer, Map<Integer, Found>> numbered, Map<Integer, Plan> plans) {
        List<Stair> stairs = new ArrayList<>();
        List<Lesson.Altered> altered = new ArrayList<>();
        List<Lesson.Kept> kept = new ArrayList<>();
        for (Map.Entry<Integer, Map<Integer, Found>> stair : numbered.entrySet()) {
            Map<Integer, Found> stages = stair.getValue();
            List<Found> inOrder = inOrder(stages.values());
            for (int i = 0; i < inOrder.size(); i++) {
                if (!inOrder.get(i).alteredText().isEmpty()) {
                    Version saved = inOrder.get(i).version();
                    altered.add(new Lesson.Altered(
                            stairs.size(), i, saved, inOrder.get(i).alteredText()));
                }
            }
            inOrder.stream()
                    .filter(each -> !each.keptText().isEmpty())
                    .forEach(each -> kept.add(new Lesson.Kept(each.version(), each.keptText())));
            Stair versions = new Stair(
                    inOrder.stream()
                            .filter(Found::isStage)
                            .limit(9)
                            .map(Found::version)
                            .toList(),
                    inOrder.stream()
                            .flatMap(each -> each.beside().stream())
                            .limit(9)
                            .toList(),
                    Optional.empty());
            Optional<Plan> plan = Optional.ofNullable(plans.get(stair.getKey()));
            plan.ifPresent(each -> tellMissing(plain, versions, each));
            stairs.add(versions.with(plan.map(Plan::times)));
        }
        return new Lesson(plain.tune(), stairs, altered, kept);
    }

    /** A plan may name a version that another program has taken out of the book or called otherwise. */
    private void tellMissing(Lesson lesson, Stair stair, Plan plan) {
        List<String> missing = plan.times().turns().stream()
                .distinct()
                .filter(turn -> stair.named(turn).isEmpty())
                .toList();
        if (!missing.isEmpty()) {
            problems.add(new Problem(
                    Severity.WARNING,
                    "plan-without",
                    plan.place(),
                    "the plan of times through “" + lesson.tune().title() + "” names “"
                            + String.join("”, “", missing) + "”, which the stair has not; "
                            + (missing.size() == 1 ? "its turns are" : "their turns are") + " left out",
                    "Look at the plan under Times through, and give every time a version that is there."));
        }
    }

    /** The stages, then what stands beside them. Where the book has but one stage a plain one is its foot, where it has none both are plain. */
    private static List<Found> inOrder(Collection<Found> found) {
        List<Found> inOrder =
                new ArrayList<>(found.stream().filter(Found::isStage).toList());
        List<Found> beside = found.stream().filter(each -> !each.isStage()).toList();
        Playing playing = found.iterator().next().version().playing();
        for (int i = inOrder.size(); i < 2; i++) {
            String name = Stair.USUAL_NAMES.get(i == 0 ? 1 : 0);
            inOrder.add(0, new Found(Version.plain(name, playing), Optional.empty(), "", ""));
        }
        inOrder.addAll(beside);
        return inOrder;
    }
}
