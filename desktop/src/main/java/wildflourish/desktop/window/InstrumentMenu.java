package wildflourish.desktop.window;

import java.util.Collection;
import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.RadioMenuItem;
import javafx.scene.control.ToggleGroup;
import javafx.scene.control.Tooltip;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.desktop.desk.Desk;

/** The instrument worked on, by families; the list is filled when it is opened first. */
final class InstrumentMenu extends MenuButton {
    private static final double WIDTH = 158;
    private static final int HIGHEST_CAPO = 7;

    private final Desk desk;
    private final Consumer<Instrument> chosen;

    InstrumentMenu(Desk desk, Consumer<Instrument> chosen) {
        this.desk = desk;
        this.chosen = chosen;
        setId("instrument");
        setPrefWidth(WIDTH);
        setMinWidth(WIDTH);
        setTooltip(new Tooltip("The instrument: fingerings, what fits, stages are those of this one"));
        setAccessibleText("Instrument");
        // An empty menu never asks to be filled.
        getItems().add(new Menu("whistle"));
        setOnShowing(event -> fill());
        desk.sight().addListener((at, before, after) -> showChosen());
        showChosen();
    }

    private void showChosen() {
        setText(desk.sight().get().chosen().instrument().name());
        getTooltip().setText(getText() + ": fingerings, what fits and the stages are those of this instrument");
    }

    private void fill() {
        Instrument now = desk.sight().get().chosen().instrument();
        getItems().setAll(families(Optional.of(now.usual()), chosen));
        if (now.takesCapo()) {
            getItems().add(capos(now));
        }
    }

    /** The frets of a capo; stages are kept for each. */
    private Menu capos(Instrument now) {
        Menu menu = new Menu("Capo");
        menu.setId("capo");
        ToggleGroup group = new ToggleGroup();
        for (int fret = 0; fret <= HIGHEST_CAPO; fret++) {
            Instrument capoed = now.withCapo(fret);
            RadioMenuItem item = new RadioMenuItem(fret == 0 ? "no capo" : "at fret " + fret);
            item.setId("capo-" + fret);
            item.setToggleGroup(group);
            item.setSelected(fret == now.capo());
            item.setOnAction(event -> chosen.accept(capoed));
            menu.getItems().add(item);
        }
        return menu;
    }

    /** All instruments, a menu for each family; the one chosen is marked. */
    private static Collection<Menu> families(Optional<Instrument> marked, Consumer<Instrument> chosen) {
        Map<Family, Menu> families = new EnumMap<>(Family.class);
        ToggleGroup group = new ToggleGroup();
        for (Instrument instrument : Instrument.all()) {
            String word = instrument.family().word();
            Menu menu = families.computeIfAbsent(
                    instrument.family(),
                    family -> new Menu(word.substring(0, 1).toUpperCase(Locale.ROOT) + word.substring(1)));
            RadioMenuItem item = new RadioMenuItem(instrument.name());
            item.setId("instrument-" + instrument.id());
            item.setToggleGroup(group);
            item.setSelected(marked.equals(Optional.of(instrument)));
            item.setOnAction(event -> chosen.accept(instrument));
            menu.getItems().add(item);
        }
        return families.values();
    }

    /** The instrument whose fingerings stand below the first one's, or none. */
    static final class Second extends Menu {
        Second(Supplier<Optional<Instrument>> now, Consumer<Optional<Instrument>> chosen) {
            super("Fingerings of a second instrument");
            setId("second");
            getItems().add(new Menu("whistle"));
            setOnShowing(event -> {
                RadioMenuItem none = new RadioMenuItem("None");
                none.setId("second-none");
                none.setSelected(now.get().isEmpty());
                none.setOnAction(press -> chosen.accept(Optional.empty()));
                getItems().setAll(none);
                getItems().addAll(families(now.get(), instrument -> chosen.accept(Optional.of(instrument))));
            });
        }
    }
}
