package wildflourish.desktop.menu;

import javafx.event.Event;
import javafx.event.EventType;

/** A menu is asked for; it goes up from what asks to the window around it, which has the one panel for all of them. */
final class MenuEvent extends Event {
    static final EventType<MenuEvent> ASKED = new EventType<>(Event.ANY, "MENU_ASKED");

    private static final long serialVersionUID = 1;

    private final transient MenuOpener opener;

    MenuEvent(MenuOpener opener) {
        super(opener, opener, ASKED);
        this.opener = opener;
    }

    MenuOpener opener() {
        return opener;
    }
}
