package wildflourish.core.ornament;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * One part of a figure: small notes, then the sound they lead to.
 *
 * @param share how much of the figure it takes
 * @param graces small notes, each as short as the hand makes it
 * @param landing what it sounds after them
 * @param seconds what sounds with it on other strings
 * @param begin how its first sound begins; what follows small notes comes by the fingers
 * @param by the letter of the picking finger that is wished, {@code T+M} for two at once; empty for whichever
 * @param bend what the pitch of the landing does
 */
public record Part(
        Share share, List<Target> graces, Target landing, List<Second> seconds, Begin begin, String by, Bend bend) {
    private static final Pattern WORD = Pattern.compile(
            "([^:]+):(?:\\{([^}]*)\\})?([^/{}&]+)((?:&[^/{}&]+)*)/([a-z-]+)(?:\\(([TIMNL+]+)\\))?((?:~[a-z]+\\([^)]*\\))*)");

    /** A plain note. */
    public static final Part PLAIN =
            new Part(Share.WHOLE, List.of(), Target.NOTE, List.of(), Begin.ATTACK, "", Bend.LEVEL);

    public Part {
        graces = List.copyOf(graces);
        seconds = List.copyOf(seconds);
    }

    /** Reads {@code 1/3:{^}n/fingers}. Throws IllegalArgumentException, saying what is wrong, for anything else. */
    static Part parse(String word) {
        Matcher match = WORD.matcher(word);
        if (!match.matches()) {
            throw new IllegalArgumentException(
                    "“" + word + "” is no part; write share:{small notes}target/begin such as 1/3:{^}n/fingers");
        }
        List<Target> graces = match.group(2) == null
                ? List.of()
                : Arrays.stream(match.group(2).trim().split("\\s+", -1))
                        .map(Target::parse)
                        .toList();
        Bend bend = Bend.LEVEL;
        for (String each : match.group(7).split("~", -1)) {
            bend = each.isEmpty() ? bend : bend.with(Bend.parse(each));
        }
        List<Second> seconds = Arrays.stream(match.group(4).split("&", -1))
                .filter(each -> !each.isEmpty())
                .map(Second::parse)
                .toList();
        return new Part(
                Share.parse(match.group(1)),
                graces,
                Target.parse(match.group(3)),
                seconds,
                Begin.parse(match.group(5)),
                match.group(6) == null ? "" : match.group(6),
                bend);
    }

    Part with(Share other) {
        return new Part(other, graces, landing, seconds, begin, by, bend);
    }

    Part withBegin(Begin other, List<Target> before) {
        List<Target> all = new ArrayList<>(before);
        all.addAll(graces);
        return new Part(share, all, landing, seconds, other, by, bend);
    }

    Part withBend(Bend more) {
        return new Part(share, graces, landing, seconds, begin, by, bend.with(more));
    }

    /** Taken by the finger that is wished. */
    Part withFinger(String finger) {
        return new Part(share, graces, landing, seconds, begin, finger, bend);
    }

    /** With what sounds on other strings; a silence stays as it is. */
    Part with(List<Second> more) {
        return landing.isSilence() ? this : new Part(share, graces, landing, more, begin, by, bend);
    }

    @Override
    public String toString() {
        String small = graces.isEmpty()
                ? ""
                : "{" + graces.stream().map(Target::toString).collect(Collectors.joining(" ")) + "}";
        String more = seconds.stream().map(each -> "&" + each).collect(Collectors.joining());
        return share + ":" + small + landing + more + "/"
                + begin.name().toLowerCase(Locale.ROOT).replace('_', '-')
                + (by.isEmpty() ? "" : "(" + by + ")")
                + bend;
    }
}
