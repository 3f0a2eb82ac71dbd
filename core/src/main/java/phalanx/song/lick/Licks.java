package phalanx.song.lick;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;

/** The licks that are shipped; made for Phalanx. */
public final class Licks {
    private static final String RESOURCE = "licks.txt";

    private Licks() {}

    /** All of them, in the order of the file. */
    public static List<Lick> shipped() {
        try (InputStream in = Licks.class.getResourceAsStream(RESOURCE)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .filter(line -> !line.isBlank() && !line.startsWith("#"))
                    .map(Lick::parse)
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
