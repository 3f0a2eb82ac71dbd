package phalanx.formats.musicxml;

import static phalanx.words.Words.wording;

import java.io.ByteArrayInputStream;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import phalanx.formats.reading.FormatException;

/** Unpacks a compressed MusicXML file (.mxl) while it is read: a zip whose container names the score. */
public final class CompressedMusicXml {
    private static final long MOST_UNPACKED = 100L * 1024 * 1024;
    private static final String CONTAINER = "META-INF/container.xml";

    private final byte[] archive;

    public CompressedMusicXml(byte[] archive) {
        this.archive = archive.clone();
    }

    /**
     * The score, to be read once.
     *
     * @throws FormatException if it is no archive or names no score
     */
    public InputStream score() throws FormatException {
        InputStream container = entry(CONTAINER)
                .orElseThrow(() ->
                        new FormatException("", wording("CompressedMusicXml.this-is-not-a-compressed", CONTAINER)));
        List<String> names = new ArrayList<>();
        new XmlReader()
                .read(container, (node, parent) -> {
                    if (node.name().equals("rootfile")) {
                        names.add(node.attribute("full-path"));
                    }
                    return true;
                })
                .whole();
        for (String name : names) {
            Optional<InputStream> score = entry(name);
            if (score.isPresent()) {
                return score.get();
            }
        }
        throw new FormatException(CONTAINER, wording("CompressedMusicXml.it-names-no-score-that"));
    }

    private Optional<InputStream> entry(String name) throws FormatException {
        // what is unpacked on the way to the entry counts, too
        Limited zipped = new Limited(new ByteArrayInputStream(archive));
        ZipInputStream zip = new ZipInputStream(zipped);
        try {
            long unpacked = 0;
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                if (entry.getName().equals(name)) {
                    return Optional.of(new Limited(zip));
                }
                byte[] buffer = new byte[8192];
                for (int read = zip.read(buffer); read >= 0; read = zip.read(buffer)) {
                    unpacked += read;
                    if (unpacked > MOST_UNPACKED) {
                        throw tooLarge();
                    }
                }
            }
        } catch (IOException | IllegalArgumentException e) {
            throw new FormatException("", wording("CompressedMusicXml.the-archive-is-damaged", e.getMessage()));
        }
        return Optional.empty();
    }

    private static FormatException tooLarge() {
        return new FormatException("", wording("CompressedMusicXml.the-archive-unpacks-past-100"));
    }

    /** Ends with an error past the limit. */
    private static final class Limited extends FilterInputStream {
        private long read;

        Limited(InputStream in) {
            super(in);
        }

        @Override
        public int read() throws IOException {
            return counted(in.read(), 1);
        }

        @Override
        public int read(byte[] into, int offset, int length) throws IOException {
            int got = in.read(into, offset, length);
            return counted(got, got);
        }

        private int counted(int result, int bytes) throws IOException {
            read += Math.max(0, result < 0 ? 0 : bytes);
            if (read > MOST_UNPACKED) {
                throw new IOException(tooLarge().getMessage());
            }
            return result;
        }
    }
}
