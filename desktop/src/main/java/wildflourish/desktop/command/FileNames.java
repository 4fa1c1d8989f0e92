package wildflourish.desktop.command;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/** Names of files made of titles: without signs that file systems do not bear, and never one twice, in whatever case. */
final class FileNames {
    private static final int LONGEST = 80;

    private final Set<String> given = new HashSet<>();
    /** How many names each title has had. */
    private final Map<String, Integer> counts = new HashMap<>();

    /** The file's name with its ending; with a number where one like it has been given already. */
    String of(String title, String ending) {
        String bare = title.replaceAll("[^\\p{L}\\p{M}\\p{N} '-]", "")
                .replaceAll("\\s+", " ")
                .strip();
        String stem = bare.isEmpty()
                ? "tune"
                : bare.substring(0, Math.min(LONGEST, bare.length())).strip();
        String name = stem;
        while (!given.add(name.toLowerCase(Locale.ROOT))) {
            int count = counts.merge(stem.toLowerCase(Locale.ROOT), 1, Integer::sum) + 1;
            name = stem + " (" + count + ")";
        }
        return name + "." + ending;
    }
}
