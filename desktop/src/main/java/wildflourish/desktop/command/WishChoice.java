package wildflourish.desktop.command;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import picocli.CommandLine.Option;
import wildflourish.core.form.Phrase;
import wildflourish.core.form.Phrasing;
import wildflourish.core.growing.Asking;
import wildflourish.core.growing.Liking;
import wildflourish.core.instrument.Family;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Part;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.version.Wish;

/** What is wished of the stages that are planned. */
final class WishChoice {
    private static final Pattern ASKED =
            Pattern.compile("(?:(?<stage>[^:=]+):)?(?<place>[^:=]+)=(?:(?<count>\\d{1,3})(?:x|$))?(?<kind>[a-z-]*)");

    @Option(names = "--taste", paramLabel = "T", description = "a school of taste, for example rolls-and-cuts")
    private Optional<String> taste = Optional.empty();

    @Option(
            names = "--wish",
            paramLabel = "W=N",
            description = "full, daring, beat or rise, from -2 for far less to 2 for far more; as often as wished")
    private Map<String, Integer> degrees = new TreeMap<>();

    @Option(
            names = "--ask",
            paramLabel = "[S:]P=[Nx]K",
            description =
                    "at least so many of a kind in a phrase or part: A=roll, Bud:A2=2xtriplet, or B=3 for any kind; as often as wished")
    private List<String> asked = new ArrayList<>();

    @Option(
            names = "--returns",
            paramLabel = "R",
            description =
                    "a phrase that comes back is dressed alike, or varied; as usual alike, but at the fullest stages each as is best")
    private Optional<String> returns = Optional.empty();

    @Option(names = "--concert", description = "for listeners and not for a session")
    private boolean isForConcert;

    @Option(names = "--never", split = ",", paramLabel = "O", description = "ornaments that are not planned")
    private List<String> never = new ArrayList<>();

    /** A stair with what is wished for in every stage above the lowest; what the book wishes stays where nothing is said. Throws UsageException. */
    Stair wished(Tune tune, Stair stair) {
        Stair wished = stair;
        for (int stage = 1; stage < stair.stages().size(); stage++) {
            Version version = stair.at(stage);
            Wish wish = wish(version);
            for (String each : asked) {
                wish = asking(each, tune, stair, stage, wish);
            }
            wished = wished.with(stage, version.with(version.label().wishing(wish)));
        }
        return wished;
    }

    private Wish wish(Version version) {
        Family family = version.playing().instrument().family();
        Wish wish = version.label().wish();
        if (taste.isPresent()) {
            wish = wish.withTaste(
                    Asked.found(taste.get(), id -> Liking.of(family, id)).id());
        }
        for (Map.Entry<String, Integer> each : degrees.entrySet()) {
            boolean isPossible = Math.abs(each.getValue()) <= Wish.MOST;
            Wish.Degree degree = Arrays.stream(Wish.Degree.values())
                    .filter(one -> one.word().equals(each.getKey()) && isPossible)
                    .findFirst()
                    .orElseThrow(() -> new UsageException("--wish " + each.getKey() + "=" + each.getValue()
                            + " is not known; write full, daring, beat or rise with a number from -2 to 2"));
            wish = wish.with(degree, each.getValue());
        }
        for (String each : never) {
            wish = wish.withNever(
                    Asked.found(each, id -> Ornament.of(id, family)).id(), true);
        }
        wish = isForConcert ? wish.forConcert(true) : wish;
        return returns.isPresent() ? wish.with(Asked.found(returns.get(), Wish.Returns::parse)) : wish;
    }

    private static Wish asking(String words, Tune tune, Stair stair, int stage, Wish wish) {
        Matcher match = ASKED.matcher(words);
        boolean isKnown = match.matches()
                && !(match.group("count") == null && match.group("kind").isEmpty());
        int count = isKnown && match.group("count") != null ? Integer.parseInt(match.group("count")) : 1;
        if (!isKnown || count < 1 || count > Wish.MOST_ASKED) {
            throw new UsageException(
                    "--ask " + words + " is not known; write for example A=roll, Bud:A2=2xtriplet, or B="
                            + Wish.MOST_ASKED + " for the most of any kind");
        }
        Optional<String> meant = Optional.ofNullable(match.group("stage"));
        List<String> names = stair.stages().stream().map(Version::name).toList();
        if (meant.isPresent() && !names.subList(1, names.size()).contains(meant.get())) {
            throw new UsageException("--ask " + words + ": no stage “" + meant.get() + "” is planned; there are "
                    + String.join(", ", names.subList(1, names.size())));
        }
        if (meant.isPresent() && !meant.get().equals(names.get(stage))) {
            return wish;
        }
        Optional<Ornament.Kind> kind = Optional.of(match.group("kind"))
                .filter(word -> !word.isEmpty())
                .map(word -> Asked.found(word, Ornament.Kind::parse));
        return wish.asking(pin(tune, match.group("place"), kind, count));
    }

    private static Wish.Pin pin(Tune tune, String place, Optional<Ornament.Kind> kind, int count) {
        List<Phrase> phrases = Phrasing.of(tune).phrases();
        List<Part> parts = tune.form().parts();
        Optional<Part> part =
                parts.stream().filter(each -> each.name().equals(place)).findFirst();
        Optional<Phrase> phrase =
                phrases.stream().filter(each -> each.name().equals(place)).findFirst();
        if (part.isEmpty() && phrase.isEmpty()) {
            throw new UsageException("there is no phrase or part “" + place + "”; there are "
                    + String.join(
                            ", ",
                            Stream.concat(
                                            parts.stream().map(Part::name),
                                            phrases.stream().map(Phrase::name))
                                    .distinct()
                                    .toList()));
        }
        int bar = part.map(Part::firstBar)
                .orElseGet(() -> phrase.map(Phrase::firstBar).orElseThrow());
        NoteId note = tune.bars().subList(bar, tune.bars().size()).stream()
                .flatMap(each -> each.notes().stream())
                .findFirst()
                .orElseThrow()
                .id();
        Wish.Pin.Kind reach = part.isPresent() ? Wish.Pin.Kind.PART : Wish.Pin.Kind.PHRASE;
        return Asking.pin(tune, reach, note, kind, count);
    }
}
