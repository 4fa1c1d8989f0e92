package wildflourish.desktop.window;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.growing.Liking;
import wildflourish.core.instrument.Family;
import wildflourish.core.table.TableException;
import wildflourish.desktop.room.Tools;

/** The teacher's own tastes in {@code own-tastes.table} of her own folder, one row for each family of instruments. */
final class TasteFile implements Tools.Tastes {
    private final Path file;

    TasteFile(Path folder) {
        this.file = folder.resolve("own-tastes.table");
    }

    @Override
    public Optional<Liking> of(Family family) {
        try {
            return all().stream()
                    .filter(each -> each.families().contains(family))
                    .findFirst();
        } catch (IOException | TableException e) {
            // Told when one is kept.
            return Optional.empty();
        }
    }

    private List<Liking> all() throws IOException {
        return Files.exists(file) ? Liking.parse(file.toString(), Files.readString(file)) : List.of();
    }

    @Override
    public String keep(Liking taste) {
        return changed(taste.families().iterator().next(), Optional.of(taste), "Kept: “my own” is among the tastes.");
    }

    @Override
    public String forget(Family family) {
        return changed(family, Optional.empty(), "Forgotten: plans go by the tastes that ship.");
    }

    private String changed(Family family, Optional<Liking> taste, String words) {
        try {
            List<Liking> kept = new ArrayList<>(all());
            kept.removeIf(each -> each.families().contains(family));
            taste.ifPresent(kept::add);
            Files.createDirectories(file.toAbsolutePath().getParent());
            Path beside = file.resolveSibling(file.getFileName() + ".new");
            Files.writeString(beside, Liking.text(kept), StandardCharsets.UTF_8);
            Files.move(beside, file, StandardCopyOption.REPLACE_EXISTING);
            return words;
        } catch (TableException e) {
            return "Your own tastes cannot be read: " + e.getMessage() + ". Mend or remove that file first.";
        } catch (IOException e) {
            return "Your own taste cannot be kept in " + file + ": " + e.getMessage();
        }
    }
}
