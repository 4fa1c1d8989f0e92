package wildflourish.files.store;

import java.io.IOException;
import java.nio.file.Path;

/** The file is no longer what it was when the book was opened or last saved: another program has written it. Nothing was written. */
public final class ChangedUnderneathException extends IOException {
    private static final long serialVersionUID = 1L;

    ChangedUnderneathException(Path path) {
        super(path + " has been changed by another program since it was opened; save over it, or save to another file");
    }
}
