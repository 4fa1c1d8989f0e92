package wildflourish.files.musicxml;

import java.math.BigDecimal;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.audiveris.proxymusic.Bass;
import org.audiveris.proxymusic.BassStep;
import org.audiveris.proxymusic.Harmony;
import org.audiveris.proxymusic.HarmonyAlter;
import org.audiveris.proxymusic.Kind;
import org.audiveris.proxymusic.KindValue;
import org.audiveris.proxymusic.Root;
import org.audiveris.proxymusic.RootStep;
import org.audiveris.proxymusic.Step;

/** Chord symbols such as {@code F#m7/C#} as MusicXML's harmonies, and back. */
final class ChordSymbols {
    private static final Pattern SYMBOL = Pattern.compile("([A-G])([#b]?)([^/]*)(?:/([A-G])([#b]?))?");
    private static final List<Map.Entry<String, KindValue>> KINDS = List.of(
            Map.entry("", KindValue.MAJOR),
            Map.entry("m", KindValue.MINOR),
            Map.entry("7", KindValue.DOMINANT),
            Map.entry("m7", KindValue.MINOR_SEVENTH),
            Map.entry("maj7", KindValue.MAJOR_SEVENTH),
            Map.entry("6", KindValue.MAJOR_SIXTH),
            Map.entry("m6", KindValue.MINOR_SIXTH),
            Map.entry("9", KindValue.DOMINANT_NINTH),
            Map.entry("dim", KindValue.DIMINISHED),
            Map.entry("dim7", KindValue.DIMINISHED_SEVENTH),
            Map.entry("aug", KindValue.AUGMENTED),
            Map.entry("sus4", KindValue.SUSPENDED_FOURTH),
            Map.entry("sus2", KindValue.SUSPENDED_SECOND));

    private ChordSymbols() {}

    /** Empty where the words are no chord symbol. */
    static Optional<Harmony> harmony(String words) {
        Matcher match = SYMBOL.matcher(words.replace('♯', '#').replace('♭', 'b'));
        if (!match.matches()) {
            return Optional.empty();
        }
        Root root = new Root();
        RootStep step = new RootStep();
        step.setValue(Step.valueOf(match.group(1)));
        root.setRootStep(step);
        alter(match.group(2)).ifPresent(root::setRootAlter);
        Kind kind = new Kind();
        kind.setValue(KINDS.stream()
                .filter(each -> each.getKey().equals(match.group(3)))
                .map(Map.Entry::getValue)
                .findFirst()
                .orElse(KindValue.OTHER));
        kind.setText(match.group(3));
        Harmony harmony = new Harmony();
        harmony.getHarmonyChord().add(root);
        harmony.getHarmonyChord().add(kind);
        if (match.group(4) != null) {
            Bass bass = new Bass();
            BassStep low = new BassStep();
            low.setValue(Step.valueOf(match.group(4)));
            bass.setBassStep(low);
            alter(match.group(5)).ifPresent(bass::setBassAlter);
            harmony.getHarmonyChord().add(bass);
        }
        return Optional.of(harmony);
    }

    private static Optional<HarmonyAlter> alter(String sign) {
        if (sign == null || sign.isEmpty()) {
            return Optional.empty();
        }
        HarmonyAlter alter = new HarmonyAlter();
        alter.setValue(BigDecimal.valueOf(sign.equals("#") ? 1 : -1));
        return Optional.of(alter);
    }

    /** The symbol of a harmony; empty for one without a root, such as a Roman numeral. */
    static Optional<String> symbol(Harmony harmony) {
        StringBuilder symbol = new StringBuilder();
        for (Object each : harmony.getHarmonyChord()) {
            if (each instanceof Root root) {
                symbol.append(root.getRootStep().getValue().name()).append(sign(root.getRootAlter()));
            } else if (each instanceof Kind kind && symbol.length() > 0) {
                symbol.append(suffix(kind));
            } else if (each instanceof Bass bass && symbol.length() > 0) {
                symbol.append('/').append(bass.getBassStep().getValue().name()).append(sign(bass.getBassAlter()));
            }
        }
        return Optional.of(symbol.toString()).filter(words -> !words.isEmpty());
    }

    private static String sign(HarmonyAlter alter) {
        int semitones =
                alter == null || alter.getValue() == null ? 0 : alter.getValue().intValue();
        return semitones > 0 ? "#" : semitones < 0 ? "b" : "";
    }

    private static String suffix(Kind kind) {
        return KINDS.stream()
                .filter(each -> each.getValue() == kind.getValue())
                .map(Map.Entry::getKey)
                .findFirst()
                .orElseGet(() -> kind.getText() == null
                        ? ""
                        : MusicXmlReader.oneLine(kind.getText()).toLowerCase(Locale.ROOT));
    }
}
