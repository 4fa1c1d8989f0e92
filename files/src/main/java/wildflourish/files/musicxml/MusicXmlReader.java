package wildflourish.files.musicxml;

import jakarta.xml.bind.JAXBElement;
import jakarta.xml.bind.JAXBException;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import org.audiveris.proxymusic.ScorePart;
import org.audiveris.proxymusic.ScorePartwise;
import org.audiveris.proxymusic.TypedText;
import org.audiveris.proxymusic.util.Marshalling;
import wildflourish.files.abc.Imported;

/**
 * Reads MusicXML, plain or compressed, as a tune in ABC: each part a voice, of several voices of a part the first. Outside entities are never fetched, and an archive
 * unpacks to so much and no more.
 */
public final class MusicXmlReader {
    private static final int MOST_BYTES = 64 << 20;
    private static final int MOST_ENTRIES = 1000;
    private static final Pattern ROOT_FILE = Pattern.compile("<rootfile[^>]*full-path\\s*=\\s*[\"']([^\"']+)[\"']");

    private MusicXmlReader() {}

    /** Throws IOException with one line of words where the bytes are no score that can be read. */
    public static Imported read(byte[] bytes) throws IOException {
        boolean isArchive = bytes.length > 3 && bytes[0] == 'P' && bytes[1] == 'K';
        ScorePartwise score = parsed(isArchive ? unpacked(bytes) : bytes);
        List<String> told = new ArrayList<>();
        StringBuilder abc = new StringBuilder("X:1\nT:").append(title(score)).append('\n');
        composer(score).ifPresent(name -> abc.append("C:").append(name).append('\n'));
        List<ScorePartwise.Part> parts = score.getPart();
        if (parts.isEmpty()) {
            throw new IOException("this score has no part; choose another file");
        }
        List<PartReader> read = new ArrayList<>();
        for (ScorePartwise.Part part : parts) {
            PartReader reader = new PartReader();
            reader.read(part);
            read.add(reader);
        }
        PartReader first = read.get(0);
        abc.append("M:").append(first.metre()).append("\nL:1/8\n");
        first.tempo().ifPresent(tempo -> abc.append("Q:").append(tempo).append('\n'));
        if (parts.size() > 1) {
            for (int i = 0; i < parts.size(); i++) {
                abc.append("V:")
                        .append(i + 1)
                        .append(" name=\"")
                        .append(name(parts.get(i)))
                        .append("\"\n");
            }
            told.add("the score has " + parts.size() + " parts: the first is the tune, the others are kept as voices");
        }
        abc.append("K:").append(first.key()).append('\n');
        for (int i = 0; i < read.size(); i++) {
            abc.append(parts.size() > 1 ? "V:" + (i + 1) + "\n" : "")
                    .append(read.get(i).music());
            told.addAll(read.get(i).told());
        }
        return new Imported(abc.toString(), told.stream().distinct().toList());
    }

    private static ScorePartwise parsed(byte[] bytes) throws IOException {
        try {
            XMLInputFactory factory = XMLInputFactory.newDefaultFactory();
            factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
            factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
            XMLStreamReader reader = factory.createXMLStreamReader(new ByteArrayInputStream(bytes));
            Object score = Marshalling.getContext(ScorePartwise.class)
                    .createUnmarshaller()
                    .unmarshal(reader);
            Object value = score instanceof JAXBElement<?> element ? element.getValue() : score;
            if (value instanceof ScorePartwise partwise) {
                return partwise;
            }
            throw new IOException("this is MusicXML, but no score by parts; save it as a partwise score");
        } catch (JAXBException | XMLStreamException e) {
            throw new IOException("this is no MusicXML that can be read; save it anew as MusicXML", e);
        }
    }

    /** The score that the container of an archive names; else the first one in it. */
    private static byte[] unpacked(byte[] bytes) throws IOException {
        String wanted = "";
        byte[] first = new byte[0];
        int left = MOST_BYTES;
        int entries = 0;
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(bytes))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                byte[] content = limited(zip, left);
                left -= content.length;
                if (++entries > MOST_ENTRIES) {
                    throw new IOException("this archive has more than " + MOST_ENTRIES + " files, which no score has");
                }
                String name = entry.getName();
                if (name.equals("META-INF/container.xml")) {
                    Matcher root = ROOT_FILE.matcher(new String(content, StandardCharsets.UTF_8));
                    wanted = root.find() ? root.group(1) : "";
                } else if (name.equals(wanted)) {
                    return content;
                } else if (first.length == 0 && name.matches("(?i)(?!META-INF/).*\\.(musicxml|xml)")) {
                    first = content;
                }
            }
        }
        if (first.length == 0) {
            throw new IOException("this archive has no score in it; choose a .musicxml or .mxl file");
        }
        return first;
    }

    private static byte[] limited(InputStream in, int most) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        byte[] buffer = new byte[8192];
        for (int count = in.read(buffer); count >= 0; count = in.read(buffer)) {
            if (out.size() + count > most) {
                throw new IOException("this archive unpacks to more than 64 MB, which no score does");
            }
            out.write(buffer, 0, count);
        }
        return out.toByteArray();
    }

    private static String title(ScorePartwise score) {
        return Optional.ofNullable(score.getMovementTitle())
                .or(() ->
                        Optional.ofNullable(score.getWork()).flatMap(work -> Optional.ofNullable(work.getWorkTitle())))
                .map(MusicXmlReader::oneLine)
                .filter(title -> !title.isEmpty())
                .orElse("Untitled");
    }

    private static Optional<String> composer(ScorePartwise score) {
        return Optional.ofNullable(score.getIdentification()).stream()
                .flatMap(identification -> identification.getCreator().stream())
                .filter(creator -> "composer".equals(creator.getType()))
                .map(TypedText::getValue)
                .map(MusicXmlReader::oneLine)
                .filter(name -> !name.isEmpty())
                .findFirst();
    }

    private static String name(ScorePartwise.Part part) {
        return part.getId() instanceof ScorePart named && named.getPartName() != null
                ? oneLine(String.valueOf(named.getPartName().getValue())).replace("\"", "'")
                : "";
    }

    /** Words that stand on one line of ABC and are no comment there. */
    static String oneLine(String words) {
        return words.replaceAll("\\s+", " ").replace("%", "\\%").strip();
    }
}
