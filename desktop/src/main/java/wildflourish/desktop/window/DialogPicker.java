package wildflourish.desktop.window;

import java.io.File;
import java.nio.file.Path;
import java.util.Optional;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import javafx.stage.Window;

/** Asks with the desktop's own file dialog. */
public final class DialogPicker implements FilePicker {
    private final Window owner;

    public DialogPicker(Window owner) {
        this.owner = owner;
    }

    @Override
    public Optional<Path> toOpen() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Open a tunebook");
        chooser.getExtensionFilters()
                .addAll(
                        new FileChooser.ExtensionFilter(
                                "Tunebooks, MusicXML, MIDI",
                                "*.abc",
                                "*.ABC",
                                "*.txt",
                                "*.musicxml",
                                "*.mxl",
                                "*.xml",
                                "*.mid",
                                "*.midi"),
                        new FileChooser.ExtensionFilter("All files", "*"));
        return Optional.ofNullable(chooser.showOpenDialog(owner)).map(File::toPath);
    }

    @Override
    public Optional<Path> toSave(String suggestedName, String ending) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Save as");
        chooser.setInitialFileName(suggestedName + "." + ending);
        return Optional.ofNullable(chooser.showSaveDialog(owner)).map(File::toPath);
    }

    @Override
    public Optional<Path> toFolder() {
        DirectoryChooser chooser = new DirectoryChooser();
        chooser.setTitle("A folder for the files");
        return Optional.ofNullable(chooser.showDialog(owner)).map(File::toPath);
    }
}
