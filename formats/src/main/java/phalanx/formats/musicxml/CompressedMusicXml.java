package phalanx.formats.musicxml;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.HashMap;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.w3c.dom.Element;
import phalanx.formats.FormatException;

/** Unpacks a compressed MusicXML file (.mxl) in memory: a zip whose container names the score. */
public final class CompressedMusicXml {
    private static final long MOST_UNPACKED = 100L * 1024 * 1024;
    private static final String CONTAINER = "META-INF/container.xml";

    /**
     * The bytes of the score.
     *
     * @throws FormatException if it is no archive, names no score, or unpacks past 100 MB
     */
    public byte[] unpack(byte[] archive) throws FormatException {
        Map<String, byte[]> entries = entries(archive);
        byte[] container = entries.get(CONTAINER);
        if (container == null) {
            throw new FormatException("", "this is not a compressed MusicXML file: it has no " + CONTAINER);
        }
        Element root = new SecureXml().parse(container);
        for (Element file : Elements.descendants(root, "rootfile")) {
            byte[] score = entries.get(file.getAttribute("full-path"));
            if (score != null) {
                return score;
            }
        }
        throw new FormatException(CONTAINER, "it names no score that is in the archive");
    }

    private static Map<String, byte[]> entries(byte[] archive) throws FormatException {
        Map<String, byte[]> entries = new HashMap<>();
        long total = 0;
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(archive))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                ByteArrayOutputStream out = new ByteArrayOutputStream();
                byte[] buffer = new byte[8192];
                for (int read = zip.read(buffer); read >= 0; read = zip.read(buffer)) {
                    total += read;
                    if (total > MOST_UNPACKED) {
                        throw new FormatException("", "the archive unpacks past 100 MB");
                    }
                    out.write(buffer, 0, read);
                }
                entries.put(entry.getName(), out.toByteArray());
            }
        } catch (IOException | IllegalArgumentException e) {
            throw new FormatException("", "the archive is damaged (" + e.getMessage() + ")");
        }
        return entries;
    }
}
