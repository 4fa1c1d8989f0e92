package wildflourish.core.chart;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import wildflourish.core.hand.Bearing;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.words.Words;

/** What one note bears by itself and at leisure, kind by kind, in words; on strings with what sounds together with it. */
final class BearsBlock {
    private BearsBlock() {}

    static Block of(ChartWish wish, WrittenPitch note, double width) {
        Map<Ornament.Kind, List<String>> borne = new LinkedHashMap<>();
        List<String> not = new ArrayList<>();
        for (Bearing bearing : Bearing.of(wish.playing(), wish.key(), note)) {
            if (bearing.refusal().isEmpty()) {
                borne.computeIfAbsent(bearing.ornament().kind(), kind -> new ArrayList<>())
                        .add(nameOf(bearing));
            } else {
                not.add(bearing.ornament().name());
            }
        }
        List<String> lines = new ArrayList<>();
        borne.forEach((kind, names) -> lines.add(Words.name(kind) + ": " + String.join(", ", names) + "."));
        if (!not.isEmpty()) {
            lines.add("Not to be had on it alone: " + String.join(", ", not) + ".");
        }
        return Block.words("What " + note + " bears", lines, width);
    }

    /** With its school where that is not the usual one, and with the other notes of a double stop. */
    static String nameOf(Bearing bearing) {
        String school = bearing.choice().school();
        boolean isUsual = school.isEmpty()
                || bearing.ornament().look().schools().get(0).id().equals(school);
        String with =
                bearing.together().stream().map(WrittenPitch::toString).sorted().collect(Collectors.joining(" and "));
        return bearing.ornament().name()
                + (isUsual ? "" : " (" + Words.way(school) + ")")
                + (with.isEmpty() ? "" : " (with " + with + ")");
    }
}
