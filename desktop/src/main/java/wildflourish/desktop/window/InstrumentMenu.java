package wildflourish.desktop.window;

import static java.util.stream.Collectors.groupingBy;
import static java.util.stream.Collectors.toList;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.IntStream;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.desktop.action.Action;
import wildflourish.desktop.action.ActionRow;
import wildflourish.desktop.action.Actions;
import wildflourish.desktop.action.Controls;
import wildflourish.desktop.desk.Choosing;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;

/** The instrument worked on, by families, and the one whose fingerings stand below; each is an action. */
final class InstrumentMenu {
    private static final double WIDTH = 200;
    private static final int HIGHEST_CAPO = 7;

    private InstrumentMenu() {}

    /** Puts the choice of every instrument, capo and second instrument into the registry. */
    static void bind(Desk desk, Actions actions) {
        for (Instrument each : Instrument.all()) {
            actions.put(Action.of(
                            ActionRow.of("instrument-" + each.id(), "instruments", "Work on the " + each.name()),
                            () -> desk.does(here -> Choosing.instrument(here, each)))
                    .on(desk.of(sight -> sight.instrument().usual().equals(each))));
            second(desk, actions, Optional.of(each));
        }
        second(desk, actions, Optional.empty());
        IntStream.rangeClosed(0, HIGHEST_CAPO)
                .forEach(fret -> actions.put(Action.of(
                                ActionRow.of("capo-" + fret, "capo", fret == 0 ? "No capo" : "Capo at fret " + fret),
                                () -> desk.does(here -> Choosing.instrument(
                                        here, here.sight().instrument().withCapo(fret))))
                        .when(desk.of(sight -> sight.instrument().takesCapo()))
                        .on(desk.of(sight -> sight.instrument().capo() == fret))));
    }

    private static void second(Desk desk, Actions actions, Optional<Instrument> instrument) {
        String words = instrument
                .map(each -> "Below: the fingerings of the " + each.name())
                .orElse("Fingerings of one instrument only");
        actions.put(Action.of(
                        ActionRow.of("second-" + instrument.map(Instrument::id).orElse("none"), "second", words),
                        () -> {
                            desk.look(look -> look.withShows(look.shows().withSecond(instrument)));
                            desk.say(words);
                        })
                .on(desk.of(sight -> sight.look().shows().second().equals(instrument))));
    }

    /** The button that shows the instrument and chooses another. */
    static MenuButton of(Desk desk, Actions actions) {
        MenuButton button = TopBar.menu("instrument", "", "The instrument worked on");
        button.setPrefWidth(WIDTH);
        button.setMaxWidth(WIDTH);
        desk.of(Sight::instrument).subscribe(instrument -> {
            button.setText(instrument.name());
            button.setAccessibleText("Instrument: " + instrument.name());
            Controls.tip(
                    button, instrument.name() + ": fingerings, what fits and the stages are those of this instrument");
        });
        button.setOnShowing(event -> {
            button.getItems().setAll(families(actions, "instrument-"));
            if (desk.sight().get().instrument().takesCapo()) {
                Menu capo = new Menu("Capo");
                capo.getItems().setAll(TopBar.items(actions, "capo"));
                button.getItems().addAll(new SeparatorMenuItem(), capo);
            }
        });
        button.getItems().add(new MenuItem());
        return button;
    }

    /** The instruments whose fingerings may stand below. */
    static List<MenuItem> second(Actions actions) {
        List<MenuItem> items = new ArrayList<>();
        items.add(Controls.item(actions.of("second-none")));
        items.addAll(families(actions, "second-"));
        return items;
    }

    private static List<Menu> families(Actions actions, String prefix) {
        Map<Family, List<Instrument>> families =
                Instrument.all().stream().collect(groupingBy(Instrument::family, TreeMap::new, toList()));
        return families.entrySet().stream()
                .map(each -> {
                    Menu menu = new Menu(capital(each.getKey().word()));
                    each.getValue().forEach(instrument -> {
                        MenuItem item = Controls.item(actions.of(prefix + instrument.id()));
                        item.setText(instrument.name());
                        menu.getItems().add(item);
                    });
                    return menu;
                })
                .toList();
    }

    private static String capital(String word) {
        return word.substring(0, 1).toUpperCase(Locale.ROOT) + word.substring(1);
    }
}
