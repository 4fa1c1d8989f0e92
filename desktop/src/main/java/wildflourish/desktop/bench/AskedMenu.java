package wildflourish.desktop.bench;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.Tooltip;
import wildflourish.core.growing.Asking;
import wildflourish.core.growing.Liking;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Version;
import wildflourish.core.version.Wish;
import wildflourish.core.words.GrowthWords;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Planning;
import wildflourish.desktop.desk.Sight;

/** What is asked for in bars, phrases and parts when a stage is planned: asks for one more where the chosen note is, and lifts what is asked for. */
final class AskedMenu extends MenuButton {
    private final Desk desk;

    AskedMenu(Desk desk) {
        this.desk = desk;
        setId("wish-asked");
        setAccessibleText("What is asked for in a bar, a phrase or a part");
    }

    /** Shows what is asked for of a version, and what may be asked for by a taste. */
    void show(Sight sight, Version version, Liking liking) {
        getItems().clear();
        Optional<Tune> tune = sight.tune();
        List<Wish.Pin> pins = tune.map(of -> version.label().wish().within(of).pins().stream()
                        .filter(pin -> pin.kind().isWide())
                        .toList())
                .orElse(List.of());
        setText(pins.isEmpty() ? "nothing" : pins.size() == 1 ? "1 thing" : pins.size() + " things");
        setTooltip(new Tooltip(
                pins.isEmpty()
                        ? "Ask for more in the phrase or the part of the chosen note"
                        : String.join(
                                "\n",
                                pins.stream()
                                        .map(pin -> GrowthWords.asked(tune.orElseThrow(), pin))
                                        .toList())));
        tune.ifPresent(of -> {
            pins.forEach(pin -> getItems().add(lifting(of, pin)));
            sight.note().filter(of::has).ifPresent(note -> {
                if (!pins.isEmpty()) {
                    getItems().add(new SeparatorMenuItem());
                }
                for (Wish.Pin.Kind reach : List.of(Wish.Pin.Kind.PHRASE, Wish.Pin.Kind.PART)) {
                    Wish.Pin here = Asking.pin(of, reach, note, Optional.empty(), 1);
                    getItems().add(asking(reach, Asking.of(of, here).name(), kinds(version, liking)));
                }
            });
        });
    }

    private MenuItem lifting(Tune tune, Wish.Pin pin) {
        MenuItem item = new MenuItem("Lift: " + GrowthWords.asked(tune, pin));
        item.setId("lift-" + pin.kind().word() + "-" + tune.placeOf(pin.note()).order() + "-" + pin.option());
        item.setOnAction(event -> desk.does(here -> Planning.lift(here, pin)));
        return item;
    }

    private Menu asking(Wish.Pin.Kind reach, String place, List<Ornament.Kind> kinds) {
        Menu menu = new Menu("One more in " + place);
        menu.setId("ask-" + reach.word());
        menu.getItems().add(asking(reach, Optional.empty()));
        kinds.forEach(kind -> menu.getItems().add(asking(reach, Optional.of(kind))));
        return menu;
    }

    private MenuItem asking(Wish.Pin.Kind reach, Optional<Ornament.Kind> kind) {
        MenuItem item = new MenuItem(kind.map(GrowthWords::kind).orElse("anything"));
        item.setId("ask-" + reach.word() + "-" + kind.map(Ornament.Kind::word).orElse("anything"));
        item.setOnAction(event -> desk.does(here -> Planning.askAmong(here, reach, kind)));
        return item;
    }

    /** Those that the taste names. */
    private static List<Ornament.Kind> kinds(Version version, Liking liking) {
        Set<Ornament.Kind> named = Ornament.of(version.playing().instrument().family()).stream()
                .filter(ornament -> liking.likes().containsKey(ornament.id()))
                .map(Ornament::kind)
                .collect(Collectors.toSet());
        return named.stream().sorted().toList();
    }
}
