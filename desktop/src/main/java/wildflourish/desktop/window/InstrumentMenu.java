package wildflourish.desktop.window;

import static java.util.stream.Collectors.groupingBy;
import static java.util.stream.Collectors.toCollection;
import static java.util.stream.Collectors.toList;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.menu.MenuLine;
import wildflourish.desktop.menu.MenuOpener;

/** The instrument worked on, by families. */
final class InstrumentMenu extends MenuOpener {
    private static final double WIDTH = 184;
    private static final int HIGHEST_CAPO = 7;

    private final Desk desk;

    InstrumentMenu(Desk desk, Consumer<Instrument> chosen) {
        super("instrument", "", "", () -> lines(desk.sight().get().chosen().instrument(), chosen));
        this.desk = desk;
        setPrefWidth(WIDTH);
        setMinWidth(WIDTH);
        desk.sight().addListener((at, before, after) -> showChosen());
        showChosen();
    }

    private void showChosen() {
        setText(desk.sight().get().chosen().instrument().name());
        setAccessibleText("Instrument: " + getText());
        setAccessibleHelp(getText() + ": fingerings, what fits and the stages are those of this instrument");
    }

    private static List<MenuLine> lines(Instrument now, Consumer<Instrument> chosen) {
        List<MenuLine> lines = families(Optional.of(now.usual()), chosen);
        if (now.takesCapo()) {
            lines.add(
                    MenuLine.leading("Capo", now.capo() == 0 ? "" : "at fret " + now.capo(), () -> capos(now, chosen)));
        }
        return lines;
    }

    /** The frets of a capo; stages are kept for each. */
    private static List<MenuLine> capos(Instrument now, Consumer<Instrument> chosen) {
        return IntStream.rangeClosed(0, HIGHEST_CAPO)
                .mapToObj(fret -> MenuLine.choice(
                        fret == 0 ? "No capo" : "At fret " + fret,
                        fret == now.capo(),
                        () -> chosen.accept(now.withCapo(fret))))
                .toList();
    }

    /** The instrument whose fingerings stand below the first one's, or none. */
    static List<MenuLine> second(Optional<Instrument> now, Consumer<Optional<Instrument>> chosen) {
        List<MenuLine> lines = new ArrayList<>();
        lines.add(MenuLine.choice("None", now.isEmpty(), () -> chosen.accept(Optional.empty())));
        lines.addAll(families(now, instrument -> chosen.accept(Optional.of(instrument))));
        return lines;
    }

    /** All families; each leads to its instruments and tells the chosen one, if that is one of them. */
    private static List<MenuLine> families(Optional<Instrument> marked, Consumer<Instrument> chosen) {
        Map<Family, List<Instrument>> families =
                Instrument.all().stream().collect(groupingBy(Instrument::family, TreeMap::new, toList()));
        return families.entrySet().stream()
                .map(each -> MenuLine.leading(
                        capital(each.getKey().word()),
                        marked.filter(each.getValue()::contains)
                                .map(Instrument::name)
                                .orElse(""),
                        () -> instruments(each.getValue(), marked, chosen)))
                .collect(toCollection(ArrayList::new));
    }

    private static List<MenuLine> instruments(
            List<Instrument> all, Optional<Instrument> marked, Consumer<Instrument> chosen) {
        return all.stream()
                .map(each -> MenuLine.choice(each.name(), marked.equals(Optional.of(each)), () -> chosen.accept(each)))
                .toList();
    }

    private static String capital(String word) {
        return word.substring(0, 1).toUpperCase(Locale.ROOT) + word.substring(1);
    }
}
