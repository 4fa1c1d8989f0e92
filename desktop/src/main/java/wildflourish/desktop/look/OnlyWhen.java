package wildflourish.desktop.look;

import javafx.beans.value.ObservableValue;
import javafx.scene.Node;
import javafx.scene.layout.StackPane;

/** A place that holds a part only while it is wanted: what nobody sees is neither styled nor laid out. */
public final class OnlyWhen extends StackPane {
    public OnlyWhen(ObservableValue<Boolean> isWanted, Node part) {
        isWanted.subscribe(wanted -> {
            setManaged(wanted);
            if (wanted) {
                getChildren().setAll(part);
            } else {
                getChildren().clear();
            }
        });
    }
}
