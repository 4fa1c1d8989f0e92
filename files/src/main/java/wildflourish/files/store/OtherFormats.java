package wildflourish.files.store;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import wildflourish.core.problem.Place;
import wildflourish.core.problem.Problem;
import wildflourish.core.problem.Severity;
import wildflourish.files.abc.Imported;
import wildflourish.files.midi.MidiReader;
import wildflourish.files.musicxml.MusicXmlReader;

/** Files of other formats, known by how they begin: MIDI, and MusicXML, plain or compressed. They open as new books in ABC beside them; they themselves are never written. */
public final class OtherFormats {
    private OtherFormats() {}

    /** The tune of a file, with what a teacher has put right of what was guessed in it; empty for a file of no such format. Throws IOException in one line of words. */
    public static Optional<Imported> read(byte[] bytes, MidiReader.Corrections corrections) throws IOException {
        String head = new String(bytes, 0, Math.min(bytes.length, 400), StandardCharsets.ISO_8859_1);
        if (head.startsWith("MThd")) {
            return Optional.of(MidiReader.read(bytes, corrections));
        }
        boolean isXml = head.stripLeading().startsWith("<?xml")
                || head.startsWith("\u00EF\u00BB\u00BF<?xml")
                || head.contains("<score-partwise")
                || head.startsWith("\u00FF\u00FE<")
                || head.startsWith("\u00FE\u00FF\0<");
        return head.startsWith("PK\u0003\u0004") || isXml ? Optional.of(MusicXmlReader.read(bytes)) : Optional.empty();
    }

    /** What was guessed or left out, as problems of the first line. */
    static List<Problem> told(Imported imported) {
        return imported.told().stream()
                .map(words -> new Problem(
                        Severity.NOTE,
                        "imported",
                        new Place(1, 1, ""),
                        words,
                        "Put right in the text what is not so; the file itself stays as it is."))
                .toList();
    }

    /** A name for the new book beside a file: with .abc, and a number where there is such a file already. */
    static Path besides(Path path) {
        String name = String.valueOf(path.getFileName()).replaceFirst("\\.[^.]*$", "");
        Path beside = path.resolveSibling(name + ".abc");
        for (int count = 2; Files.exists(beside); count++) {
            beside = path.resolveSibling(name + " (" + count + ").abc");
        }
        return beside;
    }
}
